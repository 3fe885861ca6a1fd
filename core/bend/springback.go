package bend

import (
	"math"

	"warmanvil/core/working"
)

// SpringbackInput: radius under the tool before release, angle wanted after.
type SpringbackInput struct {
	InsideRadius float64 `json:"insideRadius" doc:"mm, under the tool, before release"`
	Thickness    float64 `json:"thickness" doc:"mm"`
	Yield        float64 `json:"yield" doc:"MPa"`
	Modulus      float64 `json:"modulus" doc:"MPa"`
	Angle        float64 `json:"angle" doc:"degrees wanted after release"`
}

// SpringbackResult tells what to aim for.
type SpringbackResult struct {
	Ratio          float64           `json:"ratio" doc:"Ri/Rf"`
	ReleasedRadius float64           `json:"releasedRadius" doc:"mm"`
	AimAngle       float64           `json:"aimAngle" doc:"degrees under the tool"`
	Working        working.Working   `json:"working"`
	Findings       []working.Finding `json:"findings"`
}

// Springback answers Ri/Rf = 4·x³ − 3·x + 1 with x = Ri·Sy/(E·T), and the
// angle to bend to so that the wanted one is left. x of 0.5 or more never
// yields and is refused.
func Springback(in SpringbackInput) (SpringbackResult, error) {
	err := working.First(checkSheet(in.InsideRadius, in.Thickness, in.Angle),
		working.Above("/yield", "The yield strength", in.Yield, 0, 5000, "MPa"),
		working.Above("/modulus", "The modulus", in.Modulus, 0, 1e6, "MPa"))
	if err != nil {
		return SpringbackResult{}, err
	}
	x := in.InsideRadius * in.Yield / (in.Modulus * in.Thickness)
	if x >= .5 {
		return SpringbackResult{}, working.Refuse("/insideRadius",
			"The sheet springs back whole at this radius (R·Sy/(E·T) = %.2f, 0.5 or more): it does not take a set.", x)
	}
	ratio := 4*x*x*x - 3*x + 1
	released := in.InsideRadius / ratio
	aim := in.Angle * (released + in.Thickness/2) / (in.InsideRadius + in.Thickness/2)
	r := SpringbackResult{Ratio: ratio, ReleasedRadius: released, AimAngle: aim, Findings: []working.Finding{}, Working: working.Working{
		Method: "Springback of an air bend", Source: "elastic recovery of a bent strip, as in Marks' and forming textbooks (Gardiner)",
		Formula: "Ri/Rf = 4·x³ − 3·x + 1,  x = Ri·Sy/(E·T);  aim = A·(Rf + T/2)/(Ri + T/2)",
		Inputs: []working.Quantity{working.MM("Ri", "inside radius under the tool", in.InsideRadius), working.MM("T", "thickness", in.Thickness),
			{Symbol: "Sy", Name: "yield strength", Value: in.Yield, Unit: "MPa"}, {Symbol: "E", Name: "modulus", Value: in.Modulus, Unit: "MPa"},
			degrees("A", "angle wanted", in.Angle)},
		Steps: []working.Quantity{number("x", "Ri·Sy/(E·T)", x), number("Ri/Rf", "ratio", ratio),
			working.MM("Rf", "released radius", released)},
		Assumptions: []string{"real yield is often well over the minimum: bend a strip and correct"},
		Result:      degrees("aim", "angle to bend to", aim),
	}}
	if aim > 180 {
		r.Findings = append(r.Findings, working.Finding{Code: "aim-over-180", Severity: working.Stop, Cause: "Springback",
			Reason: "The sheet would have to be bent past 180° to stay where it is wanted: it cannot be made in one bend."})
	}
	return r, nil
}

// ForceInput of an air bend.
type ForceInput struct {
	Thickness  float64 `json:"thickness" doc:"mm"`
	Length     float64 `json:"length" doc:"mm, of the bend"`
	DieOpening float64 `json:"dieOpening" doc:"mm"`
	Tensile    float64 `json:"tensile" doc:"MPa"`
}

// ForceResult in newtons.
type ForceResult struct {
	Newtons  float64           `json:"newtons" doc:"N"`
	Working  working.Working   `json:"working"`
	Findings []working.Finding `json:"findings"`
}

// Force answers F = 1.42·UTS·T²·L/V for air bending.
func Force(in ForceInput) (ForceResult, error) {
	err := working.First(working.Above("/thickness", "The thickness", in.Thickness, 0, maxThickness, "mm"),
		working.Above("/length", "The bend length", in.Length, 0, maxLength, "mm"),
		working.Above("/dieOpening", "The die opening", in.DieOpening, 0, maxLength, "mm"),
		working.Above("/tensile", "The tensile strength", in.Tensile, 0, 5000, "MPa"))
	if err != nil {
		return ForceResult{}, err
	}
	f := 1.42 * in.Tensile * in.Thickness * in.Thickness * in.Length / in.DieOpening
	r := ForceResult{Newtons: f, Findings: []working.Finding{{Code: "bottoming", Severity: working.Note, Cause: "Press force",
		Reason: "Bottoming takes 3 to 5 times this, coining up to 10 times."}}, Working: working.Working{
		Method: "Press force of an air bend", Source: "usual press-brake formula, air bending over a V die",
		Formula: "F = 1.42·UTS·T²·L/V",
		Inputs: []working.Quantity{{Symbol: "UTS", Name: "tensile strength", Value: in.Tensile, Unit: "MPa"},
			working.MM("T", "thickness", in.Thickness),
			working.MM("L", "bend length", in.Length), working.MM("V", "die opening", in.DieOpening)},
		Assumptions: []string{"V about 6 to 12 times the thickness"},
		Result:      working.Quantity{Symbol: "F", Name: "press force", Value: f, Unit: "N"},
	}}
	if q := in.DieOpening / in.Thickness; math.Round(q*1e9)/1e9 < 6 || math.Round(q*1e9)/1e9 > 12 {
		r.Findings = append(r.Findings, working.Finding{Code: "die-opening", Severity: working.Mind, Cause: "Press force",
			Reason: "The die opening is outside 6 to 12 times the thickness, where the formula is used: take the figure as a rough guide."})
	}
	return r, nil
}
