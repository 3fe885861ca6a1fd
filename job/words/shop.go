package words

import "slices"

// shopFields are the choices of the shop's forms.
func shopFields() []Field {
	return slices.Concat(
		of("Machine", plain("own", "here", "borrowed", "borrowed", "outside", "outside"), "where"),
		of("Skill", plain("measuring", "measuring", "cutting", "cutting", "bending", "bending", "drilling", "drilling and tapping",
			"mig", "MIG welding",
			"tig", "TIG welding", "stick", "stick welding", "grinding", "grinding", "coating", "coating", "fitting",
			"fitting to the vehicle"), "operation"),
		of("Skill", plain("new", "new at it", "practised", "practised", "sure", "sure of it"), "level"),
	)
}
