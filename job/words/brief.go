package words

import (
	"slices"

	"warmanvil/core/load"
)

// grounds are what a vehicle may be stuck in.
var grounds = plain("hard", "hard ground", "grass", "grass", "gravel", "gravel", "sand", "sand", "wheels", "mud to the wheels",
	"hubs", "mud to the hubs",
	"body", "mud to the body")

func duties() []Word {
	force := func(label string) []Ask { return []Ask{{Path: "/force", Label: label, Kind: "force"}} }
	way := []string{"way"}
	pulled := []string{"way", "pulley"}
	return []Word{
		{Value: string(load.RatedPull), Text: "rated pull", Shows: pulled, Asks: force("Pull")},
		{Value: string(load.Recovery), Text: "recovery of a stuck vehicle", Shows: []string{"way", "ground", "pulley", "kinetic"}, Asks: []Ask{
			{Path: "/mass", Label: "Stuck vehicle laden", Kind: "mass"}, angle("/slope", "Slope")}},
		{Value: string(load.Person), Text: "somebody steps, stands or hangs on it", Shows: way, Asks: []Ask{
			{Path: "/mass", Label: "Person", Kind: "mass", Note: "empty: 100 kg or 220 lb"},
			{Path: "/times", Label: "Times the weight", Kind: "number", Note: "empty: 2.5, stepping down hard"}}},
		{Value: string(load.Stall), Text: "a device at its stall", Shows: pulled, Asks: force("Stall")},
		{Value: string(load.Misuse), Text: "misuse that will happen", Shows: way, Asks: force("Force")},
		{Value: string(load.Retention), Text: "held at a stated acceleration", Shows: []string{"net"}},
		{Value: string(load.Wind), Text: "wind", Shows: way, Asks: []Ask{
			{Path: "/area", Label: "Area", Kind: "area"}, {Path: "/speed", Label: "Wind", Kind: "speed"},
			{Path: "/shape", Label: "Drag coefficient", Kind: "number", Note: "empty: 1.3, a flat thing"}}},
	}
}

func wanted() []Field {
	return slices.Concat(
		of("Brief", units, "unit"),
		of("BuildRequest", units, "unit"),
		of("Brief", plain("comfort", "it is a nuisance", "load", "the load is lost", "people", "people can be hurt"), "criticality"),
		of("Brief", plain("smooth", "smooth roads", "rough", "rough roads", "off-road", "no roads"), "use"),
		of("StrengthRule", hinted("allowable", "allowable (Ω)", "nominal strength over Ω against the loads as they are",
			"factored", "factored (φ)", "φ times strength against loads with factors",
			"g-case", "g-case", "yield or proof over a margin against the accelerations"), "school"),
		of("Target", plain("atMost", "at most", "atLeast", "at least"), "sense"),
		of("Fitted", plain("yes", "it has it", "no", "it has it not", "unknown", "nobody looked yet"), "state"),
		of("OpenItem", plain("strength", "strength", "safety", "safety", "other", "other"), "kind"),
		of("Given", trusts, "trust"),
		of("Gravity", trusts, "trust"),
		of("Source", trusts, "trust"),
		of("Bin", system, "system"),
		of("Duty", duties(), "kind"),
		of("Duty", grounds, "ground"),
		of("Side", plain("", "typed here", "part", "a folded part", "member", "a member of a frame", "device", "a device",
			"vehicle", "the vehicle"), "kind"),
		of("SeamBody", plain("", "typed here", "part", "a folded part", "member", "a member of a frame", "device", "a device",
			"vehicle", "the vehicle"), "kind"),
		of("Stand", faces, "heads"),
	)
}
