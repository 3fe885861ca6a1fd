package bend

import (
	"math"

	"warmanvil/core/working"
)

// DINInput is a bend to be worked out by DIN 6935.
type DINInput struct {
	InsideRadius float64 `json:"insideRadius" doc:"mm, over 0"`
	Thickness    float64 `json:"thickness" doc:"mm"`
	Angle        float64 `json:"angle" doc:"degrees away from flat, over 0 to 180"`
}

// DINResult: flat = a + b + V, with the legs a and b to the outer apex up to
// 90° and to the outer tangent above.
type DINResult struct {
	K       float64         `json:"k" doc:"correction factor of the standard"`
	KFactor float64         `json:"kFactor" doc:"k/2"`
	V       float64         `json:"v" doc:"mm, flat = a + b + v"`
	Working working.Working `json:"working"`
}

// DINFactor answers k = 0.65 + 0.5·log10(R/T), 1 above R/T = 5.
func DINFactor(insideRadius, thickness float64) float64 {
	if q := insideRadius / thickness; q <= 5 {
		return .65 + .5*math.Log10(q)
	}
	return 1
}

// DIN6935 answers the length correction of DIN 6935 by the opening angle
// β = 180 − A. It fails with *working.Fault.
func DIN6935(in DINInput) (DINResult, error) {
	err := working.First(
		working.Above("/insideRadius", "The inside radius", in.InsideRadius, 0, maxLength, "mm"),
		working.Above("/thickness", "The thickness", in.Thickness, 0, maxThickness, "mm"),
		working.Above("/angle", "The bend angle", in.Angle, 0, 180, "°"),
	)
	if err != nil {
		return DINResult{}, err
	}
	k := DINFactor(in.InsideRadius, in.Thickness)
	if k < 0 {
		return DINResult{}, working.Refuse("/insideRadius", "The standard's factor turns negative below R/T = 0.05: take a coupon instead.")
	}
	beta := 180 - in.Angle
	arc := math.Pi * in.Angle / 180 * (in.InsideRadius + k*in.Thickness/2)
	outer := in.InsideRadius + in.Thickness
	var v float64
	formula := "v = π·(180 − β)/180·(R + k·T/2) − 2·(R + T)"
	switch {
	case beta <= 90:
		v = arc - 2*outer
	case beta <= 165:
		v = arc - 2*outer*math.Tan(in.Angle*math.Pi/360)
		formula = "v = π·(180 − β)/180·(R + k·T/2) − 2·(R + T)·tan((180 − β)/2)"
	default:
		formula = "v = 0 for β over 165°"
	}
	return DINResult{K: k, KFactor: k / 2, V: v, Working: working.Working{
		Method: "Length correction by the standard", Source: "DIN 6935, cold bending of flat products",
		Formula: "k = 0.65 + 0.5·log10(R/T), 1 above R/T = 5;  " + formula,
		Inputs: []working.Quantity{working.MM("R", "inside radius", in.InsideRadius), working.MM("T", "thickness", in.Thickness),
			degrees("A", "bend angle", in.Angle), degrees("β", "opening angle", beta)},
		Steps:       []working.Quantity{number("k", "correction factor", k), number("K", "K factor", k/2)},
		Assumptions: []string{"legs up to 90° to the outer apex, above 90° to the outer tangent"},
		Result:      working.MM("v", "length correction, flat = a + b + v", v),
	}}, nil
}
