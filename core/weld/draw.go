package weld

import (
	"math"

	"warmanvil/core/working"
)

// half is how far estimates of draw and bow are off; that they are of steel.
var half = []string{"an estimate: what comes out may be half of it or half as much again", "steel from 3 mm, welded free, cooled between"}

const blodgett = "Blodgett, Design of Welded Structures, 7.7: shop formulas"

// BowInput is a seam beside the middle of what it is laid on.
type BowInput struct {
	WeldArea float64 `json:"weldArea" doc:"mm², of the weld's section"`
	Distance float64 `json:"distance" doc:"mm, from the weld to the axis of the section"`
	Length   float64 `json:"length" doc:"mm, of the member as far as it is welded"`
	Inertia  float64 `json:"inertia" doc:"mm⁴, of the section as it stands once joined"`
}

// BowResult is how far it bows.
type BowResult struct {
	Bow     float64         `json:"bow" doc:"mm, in the middle"`
	Working working.Working `json:"working"`
}

// Bow answers how far a seam bows what it is laid on lengthwise. It fails with *working.Fault.
func Bow(in BowInput) (BowResult, error) {
	if err := working.First(working.Within("/weldArea", "The weld's section", in.WeldArea, 0, 1e5, "mm²"),
		working.Within("/distance", "The distance to the axis", in.Distance, -1e4, 1e4, "mm"),
		working.Above("/length", "The length", in.Length, 0, mostPlace, "mm"),
		working.Above("/inertia", "The inertia", in.Inertia, 0, 1e15, "mm⁴")); err != nil {
		return BowResult{}, err
	}
	out := BowResult{Bow: .005 * in.WeldArea * in.Distance * in.Length * in.Length / in.Inertia}
	out.Working = working.Working{Method: "Bow of a seam beside the axis", Source: blodgett, Formula: "bow = 0.005·Aw·d·L²/I",
		Inputs: []working.Quantity{{Symbol: "Aw", Name: "weld's section", Value: in.WeldArea, Unit: "mm²"},
			working.MM("d", "weld to axis", in.Distance), working.MM("L", "length", in.Length),
			{Symbol: "I", Name: "inertia", Value: in.Inertia, Unit: "mm⁴"}},
		Assumptions: half, Result: working.MM("bow", "in the middle", out.Bow)}
	return out, nil
}

// RiseInput is a flange with a fillet on one side of it.
type RiseInput struct {
	Width     float64 `json:"width" doc:"mm, of the flange across"`
	Leg       float64 `json:"leg" doc:"mm, of its fillets"`
	Thickness float64 `json:"thickness" doc:"mm, of the flange"`
}

// RiseResult is how far its edges rise.
type RiseResult struct {
	Rise    float64         `json:"rise" doc:"mm, of an edge"`
	Working working.Working `json:"working"`
}

// Rise answers how far fillets turn a flange up. It fails with *working.Fault.
func Rise(in RiseInput) (RiseResult, error) {
	if err := working.First(working.Above("/width", "The flange", in.Width, 0, mostPlace, "mm"),
		working.Within("/leg", "The leg", in.Leg, 0, 100, "mm"), working.Above("/thickness", "The thickness", in.Thickness, 0, mostThick,
			"mm")); err != nil {
		return RiseResult{}, err
	}
	out := RiseResult{Rise: .1925 * in.Width * math.Pow(in.Leg, 1.3) / (in.Thickness * in.Thickness)}
	out.Working = working.Working{Method: "Flange turned up by its fillets", Source: blodgett + " (0.02·w·leg^1.3/t² in inches)",
		Formula: "rise = 0.1925·w·leg^1.3/t²", Inputs: []working.Quantity{working.MM("w", "flange", in.Width), working.MM("leg", "leg", in.Leg),
			working.MM("t", "thick", in.Thickness)},
		Assumptions: half, Result: working.MM("rise", "of its edge", out.Rise)}
	return out, nil
}

// ShrinkInput is a butt.
type ShrinkInput struct {
	WeldArea  float64 `json:"weldArea" doc:"mm², of the weld's section"`
	Thickness float64 `json:"thickness" doc:"mm"`
	Root      float64 `json:"root" doc:"mm, gap at the root"`
}

// ShrinkResult is how far it draws together.
type ShrinkResult struct {
	Across  float64         `json:"across" doc:"mm"`
	Working working.Working `json:"working"`
}

// Shrink answers how far a butt draws its plates together. It fails with *working.Fault.
func Shrink(in ShrinkInput) (ShrinkResult, error) {
	if err := working.First(working.Within("/weldArea", "The weld's section", in.WeldArea, 0, 1e5, "mm²"),
		working.Above("/thickness", "The thickness", in.Thickness, 0, mostThick, "mm"),
		working.Within("/root", "The gap at the root", in.Root, 0, 100, "mm")); err != nil {
		return ShrinkResult{}, err
	}
	out := ShrinkResult{Across: .2*in.WeldArea/in.Thickness + .05*in.Root}
	out.Working = working.Working{Method: "Draw across a butt", Source: blodgett, Formula: "draw = 0.2·Aw/t + 0.05·root",
		Inputs: []working.Quantity{{Symbol: "Aw", Name: "weld's section", Value: in.WeldArea, Unit: "mm²"},
			working.MM("t", "thick", in.Thickness), working.MM("root", "gap", in.Root)},
		Assumptions: half, Result: working.MM("draw", "across", out.Across)}
	return out, nil
}
