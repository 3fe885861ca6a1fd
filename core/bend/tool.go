package bend

import (
	"fmt"
	"math"

	"warmanvil/core/working"
)

// ToolKind is what the bends are made on.
type ToolKind string

// The tools with a rule for the smallest flange.
const (
	ToolVDie ToolKind = "vdie"
	ToolPan  ToolKind = "pan"
	ToolVice ToolKind = "vice"
)

// Tool is what the bends are made on. Opening in mm is the V of a die, the
// nose of a box-and-pan brake; 0 takes the usual one.
type Tool struct {
	Kind    ToolKind `json:"kind" enum:"vdie,pan,vice" doc:"V die in a press, box-and-pan brake, or bench vice and hammer"`
	Opening float64  `json:"opening,omitempty" doc:"mm: die opening, or nose of the pan brake; 0 for the usual one"`
}

// UsualOpening answers the die opening commonly taken, in mm: 6 T below 3 mm,
// 8 T to 10 mm, 10 T above.
func UsualOpening(thickness float64) float64 {
	switch {
	case thickness < 3:
		return 6 * thickness
	case thickness <= 10:
		return 8 * thickness
	}
	return 10 * thickness
}

// Effective fills in the usual size; assumed tells that it was filled in.
func (t Tool) Effective(thickness float64) (tool Tool, assumed bool) {
	if t.Opening > 0 {
		return t, false
	}
	switch t.Kind {
	case ToolVDie:
		t.Opening = UsualOpening(thickness)
	case ToolPan:
		t.Opening = 6
	}
	return t, true
}

// SmallestFlange answers the shortest leg in mm, outside to the apex, that the
// tool can hold. In a V die the sheet must still lie on both shoulders at the
// end of the stroke: V/2 divided by cos(A/2), which is about 0.7·V at 90° and
// more for sharper bends. A box-and-pan brake needs its nose and the thickness;
// in a vice about 3 T above the jaws can be hammered over.
func (t Tool) SmallestFlange(insideRadius, thickness, angle float64) (float64, working.Working) {
	tool, assumed := t.Effective(thickness)
	w := working.Working{Inputs: []working.Quantity{working.MM("T", "thickness", thickness), degrees("A", "bend angle", angle)}}
	var least float64
	switch tool.Kind {
	case ToolPan:
		least = tool.Opening + thickness
		w.Method, w.Formula, w.Source = "Smallest flange, box-and-pan brake", "least = nose + T", "practice"
		w.Inputs = append(w.Inputs, working.MM("nose", "nose of the finger", tool.Opening))
	case ToolVice:
		least = insideRadius + 3*thickness
		w.Method, w.Formula, w.Source = "Smallest flange, vice and hammer", "least = R + 3·T", "practice"
		w.Inputs = append(w.Inputs, working.MM("R", "inside radius", insideRadius))
	default:
		least = tool.Opening / 2 / math.Cos(math.Min(angle, 165)*math.Pi/360)
		w.Method, w.Formula, w.Source = "Smallest flange in a V die", "least = V/2 / cos(A/2), outside to the apex",
			"the sheet must lie on both shoulders at the end of the stroke; about 0.7·V at 90°"
		w.Inputs = append(w.Inputs, working.MM("V", "die opening", tool.Opening))
	}
	if assumed && tool.Kind != ToolVice {
		w.Assumptions = []string{fmt.Sprintf("the usual size of %.1f mm was taken because none is given", tool.Opening)}
	}
	w.Result = working.MM("least", "smallest flange", least)
	return least, w
}
