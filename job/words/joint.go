package words

import (
	"fmt"
	"slices"

	"warmanvil/core/joint"
)

var (
	heads  = plain("hex", "a hexagon", "socket", "a socket for a key")
	rivets = plain("aluminium", "aluminium", "steel", "steel", "stainless", "stainless")
)

func nuts() []Word {
	var out []Word
	for _, w := range plain("hex", "a hexagon nut", "lock", "a nut with a plastic ring", "tapped", "a thread in the last ply",
		"weldnut", "a weld nut", "rivetnut", "a rivet nut", "slotnut", "a slot nut in a track", "pin", "nothing: a pin with a clip",
		"selfdrill", "its own hole: self-drilling", "rivet", "nothing: a blind rivet") {
		w.Shows = joint.Nut(w.Value).Asks()
		out = append(out, w)
	}
	return out
}

// lubrications are named with the nut factor the torque is worked out by.
func lubrications() []Word {
	out := plain("dry", "dry", "oiled", "oiled", "waxed", "waxed", "antiseize", "antiseize", "moly", "moly grease")
	for i, w := range out {
		out[i].Text = fmt.Sprintf("%s, K %.2f", w.Text, joint.Lubrication(w.Value).NutFactor())
	}
	return out
}

func joints() []Field {
	return slices.Concat(
		of("Joint", plain("carries", "to carry", "places", "to hold it in line", "stills", "to keep it from turning or rattling", "closes",
			"to close a cover or a seam"), "purpose"),
		of("JointInput", nuts(), "nut"),
		of("JointInput", heads, "head"),
		of("JointInput", plain("both", "both sides", "heads", "the heads' side only", "nuts", "the nuts' side only"), "reached"),
		of("JointInput", system, "system"),
		of("JointTightening", lubrications(), "lubrication"),
		of("JointTightening", plain("none", "nothing", "plastic", "a plastic ring", "metal", "an all-metal lock nut", "liquid", "liquid lock",
			"jam", "a jam nut", "wire", "wire"), "locking"),
		of("JointPly", plain("", "not said", "table", "cut on a table", "tape", "drilled by tape", "matched", "drilled through",
			"surveyed", "measured there",
			"typed", "as is typed"), "placed"),
		of("JointPly", plain("", "as it is", "ground", "ground back", "flattened", "beaten flat", "joggled", "joggled"), "lip"),
		of("JointRivetPick", rivets, "material"),
		of("JointInput", plain("recovery", "a recovery point", "coupling", "a coupling", "seat", "a seat or belt", "steering",
			"steering, brakes or suspension",
			"body", "thin body sheet", "lines", "lines behind the wall", "voltage", "high voltage"), "meets"),
	)
}

func welded() []Field {
	return slices.Concat(
		of("SeamPlan", plain("fillet", "a fillet in a corner", "lap", "a lap: along an edge on a face", "corner", "a corner: edge to edge",
			"butt", "a butt: in one plane", "edge", "an edge: two side by side",
			"flare", "a flare: beside a rounded corner or a bar",
			"plug", "plugs in holes of the first", "spot", "resistance spots"), "form"),
		of("SeamPlan", plain("as is", "as it is laid", "dressed", "dressed, its throat left", "flush", "ground flush"), "finish"),
		of("SeamPlan", plain("mig", "MIG", "tig", "TIG", "stick", "rods", "spot", "a spot welder", "outside", "outside, by another house"),
			"by"),
		of("WeldCorner", plain("a", "first end", "b", "second end"), "end"),
		of("SeamPlan", plain("a", "all round its first end", "b", "all round its second end"), "end"),
		of("Welded", plain("bench", "on the bench", "tacked", "tacked in place, welded on the bench", "in place", "in place, all of it"),
			"where"),
	)
}

func mounts() []Field {
	ways := plain("+z", "good side of the base", "-z", "back of the base", "+y", "back edge of the base", "-y", "front edge of the base",
		"+x", "right edge of the base", "-x", "left edge of the base")
	return slices.Concat(
		of("HoldMount", ways, "up", "forward"),
		of("HoldMount", plain("back", "back", "good", "good side"), "against"),
		of("HoldMount", plain("elastic", "elastic vectors", "icr", "instantaneous centre"), "inPlane"),
		of("HoldMount", plain("centroid", "the bolts’ middle", "edge", "the plate’s edge"), "outPlane"),
		of("HoldBolts", system, "system"),
	)
}
