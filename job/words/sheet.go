package words

import (
	"slices"
	"strings"

	"warmanvil/core/bend"
	"warmanvil/core/sheet"
	"warmanvil/core/stock"
)

var (
	measures = hinted("outside", "outside", "to the outer apex", "tangent", "to tangent", "to the outermost tangent plane",
		"inside", "inside", "to the inner apex", "flat", "flat", "to the tangent line")
	bent = plain(string(bend.MethodAir), "air bent", string(bend.MethodBottomed), "bottomed", string(bend.MethodHand), "folded by hand",
		string(bend.MethodRolled), "rolled, large radius")
	schools = hinted(string(bend.SchoolCoupon), "Coupon, measured", "K from bent strips of this part",
		string(bend.SchoolShop), "The shop's coupons", "K from all strips of this sheet and tool in the Shop",
		string(bend.SchoolTable), "Chart by R/T", "K by radius over thickness, method and temper",
		string(bend.SchoolStandard), "Standard, DIN 6935", "K of the standard's formula",
		string(bend.SchoolFixed), "Fixed by the shop", "one K for all")
)

func flangeKinds() []Word {
	var out []Word
	for _, f := range sheet.FlangeForms() {
		w := Word{Value: string(f.Kind), Text: f.Word, Shows: f.Asks}
		if w.Text == "" {
			w.Text = string(f.Kind)
		}
		out = append(out, w)
	}
	return out
}

func processes() []Word {
	var out []Word
	for _, p := range stock.Processes {
		out = append(out, Word{Value: p.Key, Text: p.Name})
	}
	return out
}

// uses of a hole, each with what is chosen of it.
func uses() []Word {
	out := []Word{{Text: "a plain hole"}}
	for _, w := range hinted(
		"tapped", "tapped", "thread",
		"weldnut", "a weld nut", "thread back",
		"rivetnut", "a rivet nut", "thread back",
		"countersink", "a countersunk screw", "thread back",
		"access", "a tool to reach through", "",
		"drain", "water to drain", "",
		"pass", "a line or plug to go through", "cover",
		"lightening", "lightening", "back",
		"tab", "a tab to go through", "") {
		w.Shows, w.Hint = strings.Fields(w.Hint), ""
		out = append(out, w)
	}
	return out
}

func plates() []Field {
	return slices.Concat(
		of("Flange", flangeKinds(), "kind"),
		of("Flange", plain("open", "open", "closed", "closed", "teardrop", "teardrop"), "hem"),
		of("Flange", measures, "measure"),
		of("Base", measures, "measure"),
		of("Offset", slices.DeleteFunc(slices.Clone(measures), func(w Word) bool { return w.Value == string(sheet.Tangent) }), "from"),
		of("Relief", hinted("rectangular", "square", "", "round", "round", "", "tear", "none", "the sheet tears where the bend "+
			"ends"), "kind"),
		of("Corner", plain("square", "square", "radius", "rounded", "chamfer", "chamfered"), "kind"),
		of("Meet", plain("open", "left open", "mitre", "edge to edge", "weld", "gap for the weld", "gap", "open gap", "lap",
			"lapped"), "kind"),
		of("Shape", plain("rectangle", "rectangle", "trapezoid", "trapezoid", "triangle", "triangle", "sides", "sides and angles",
			"polygon", "corners by their places", "disc", "disc", "ring", "ring sector", "slot", "slot shape",
			"developed", "unrolled from a round"), "kind"),
		of("Form", plain("cone", "pipe or cone", "transition", "transition", "elbow", "piece of an elbow", "band", "band"), "kind"),
		of("Form", plain("outside", "the outside", "inside", "the inside", "middle", "the middle of the plate"), "face"),
		of("Form", plain("rolled", "rolled", "pressed", "pressed, bend by bend"), "way"),
		of("Hole", plain("round", "round", "slot", "slot", "square", "square", "rectangle", "rectangle", "d", "D", "keyhole", "keyhole",
			"cutout", "cut-out"), "kind"),
		of("Hole", hinted("cut", "cut with the blank", "", "pilot", "from a pilot", "a small hole is cut and drilled out",
			"drilled", "drilled after bending", "", "matched", "drilled through its mate", ""), "made"),
		of("Use", uses(), "kind"),
		of("Use", plain("none", "bare", "grommet", "with a grommet", "split", "covered"), "cover"),
		of("Pattern", patterns(), "kind"),
		of("EdgeCut", plain("notch", "notch", "tab", "tab"), "kind"),
		of("EdgeCut", plain("square", "square", "vee", "vee", "round", "round"), "shape"),
		of("Mark", plain("text", "words", "centre", "centre mark", "arrow", "view arrow", "bead", "bead", "noweld", "no weld here"),
			"kind"),
		of("Recipe", plain("unknown", "not known", "x", "left to right", "y", "front to back"), "grain"),
		of("Recipe", plain("", "neither", "good", "the good side, where up goes", "back", "the back"), "seen"),
		of("Recipe", processes(), "process"),
		of("Hand", plain("left", "left", "right", "right"), "drawn"),
		of("Tool", []Word{
			{Value: "vdie", Text: "Press with a V die", Asks: []Ask{length("/opening", "Die opening")}},
			{Value: "pan", Text: "Box-and-pan brake", Asks: []Ask{length("/opening", "Nose of the fingers")}},
			{Value: "vice", Text: "Vice and hammer"},
		}, "kind"),
		of("Rule", schools, "school"),
		of("Rule", bent, "method"),
		of("Parting", plain("x", "front to back", "y", "left to right"), "axis"),
		of("Parting", plain("lap", "a lap and bolts", "strip", "butt and a bolted strip", "tabs", "tabs in notches, welded"), "joint"),
		of("PartCheck", plain("", "not tried", "paper", "on paper", "board", "in board", "vehicle", "on the vehicle"), "fit"),
	)
}

// patterns start with pitches to be typed over.
func patterns() []Word {
	list := plain("", "one alone", "grid", "row or grid", "circle", "circle", "row", "slanted row", "edge", "along an edge, equal margins",
		"mirror", "mirrored across the middle", "around", "round the form")
	for i, w := range list {
		if w.Value != "" {
			list[i].Fresh = &Fresh{freshPattern(w.Value, false), freshPattern(w.Value, true)}
		}
	}
	return list
}
