package words

import "slices"

// shopFields are the choices of the shop's forms.
func shopFields() []Field {
	return slices.Concat(
		of("FacetSeam", plain("corner", "welded corner to corner", "open", "welded, open", "lap", "welded, lapped", "bevel", "welded, bevelled",
			"bend", "bent"), "kind"),
		of("Facets", plain("outside", "the outside", "middle", "the middle", "inside", "the inside"), "side"),
		of("Machine", plain("own", "here", "borrowed", "borrowed", "outside", "outside"), "where"),
		of("MachineUse", plain("own", "here", "borrowed", "borrowed", "outside", "outside"), "where"),
		of("MachineWork", plain("cut", "cut", "bend", "bend", "drill", "drill", "saw", "saw", "weld", "weld", "spray", "paint"), "op"),
		of("BendTool", plain("straight", "straight punch", "gooseneck", "gooseneck", "die", "V die", "fingers",
			"fingers of a pan brake"), "kind"),
		of("ToolSet", plain("drill", "drills", "tap", "taps", "holesaw", "hole saws", "stepdrill", "step drills", "socket",
			"sockets and spanners", "riveter", "rivet tools", "blade", "saw blades"), "kind"),
		of("Setting", plain("cutting", "cutting", "sawing", "sawing", "bending", "bending", "drilling", "drilling", "welding", "welding"),
			"operation"),
		of("Option", plain("", "only said", "make", "made here", "buy", "bought", "used", "bought second-hand", "adapt", "adapted"), "kind"),
		of("Option", plain("", "not said", "sure", "for sure", "likely", "likely", "unknown", "nobody knows"), "fit"),
		of("Setting", plain("worked", "worked", "poor", "poor", "failed", "failed"), "result"),
		of("Setting", plain("", "not broken", "beside", "broke beside it", "weld", "broke in it", "held", "bent and held"), "broke"),
		of("ToolSet", plain("", "single ones", "fraction", "inch fractions", "number", "numbers", "letter", "letters", "tenths",
			"mm by tenths", "halves",
			"mm by halves"), "series"),
		of("Goods", plain("sheet", "sheet", "remnant", "remnant", "stick", "stick", "hardware", "hardware", "consumable", "consumable"), "kind"),
		of("Goods", system, "system"),
		of("Move", plain("ordered", "ordered", "received", "received", "counted", "counted", "kept", "kept for", "freed", "freed by",
			"taken", "taken", "returned", "given back", "scrapped", "scrapped"), "kind"),
		of("Skill", plain("cutting", "cutting", "bending", "bending", "drilling", "drilling and tapping", "sawing", "sawing",
			"welding", "welding"), "operation"),
		of("Skill", plain("new", "new at it", "practised", "practised", "sure", "sure of it"), "level"),
	)
}
