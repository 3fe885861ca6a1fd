// Package bend works out what a sheet does in a bend: how much material it
// takes, where it springs back to, what force it asks for, and what the
// tooling can reach.
//
// A is the bend angle, the rotation away from flat in degrees (0–180); R the
// inside radius, T the thickness, both in mm; K the neutral-line factor.
package bend

import (
	"math"

	"warmanvil/core/working"
)

const (
	maxLength    = 100_000.0
	maxThickness = 200.0
)

// Allowance answers BA = A·π/180·(R + K·T) in mm.
func Allowance(insideRadius, thickness, kFactor, angle float64) float64 {
	return angle * math.Pi / 180 * (insideRadius + kFactor*thickness)
}

// OutsideSetback answers (R+T)·tan(A/2) in mm, from the tangent line to the
// outer apex. It has no meaning at 180°.
func OutsideSetback(insideRadius, thickness, angle float64) float64 {
	return (insideRadius + thickness) * math.Tan(angle*math.Pi/360)
}

// TangentSetback answers (R+T)·min(1, tan(A/2)) in mm, from the tangent line
// to the outermost tangent plane of the bend.
func TangentSetback(insideRadius, thickness, angle float64) float64 {
	if angle >= 90 {
		return insideRadius + thickness
	}
	return OutsideSetback(insideRadius, thickness, angle)
}

// InsideSetback answers R·tan(A/2) in mm, from the tangent line to the inner apex.
func InsideSetback(insideRadius, angle float64) float64 {
	return insideRadius * math.Tan(angle*math.Pi/360)
}

// Input of Work. Angle in degrees.
type Input struct {
	InsideRadius float64 `json:"insideRadius" doc:"mm, 0 or more"`
	Thickness    float64 `json:"thickness" doc:"mm"`
	KFactor      float64 `json:"kFactor" doc:"0 to 1"`
	Angle        float64 `json:"angle" doc:"degrees away from flat, 0 to 180"`
}

// Result of Work. OutsideSetback and BendDeduction are nil at 180°.
type Result struct {
	BendAllowance  float64           `json:"bendAllowance" doc:"mm"`
	OutsideSetback *float64          `json:"outsideSetback" doc:"mm, tangent line to the outer apex; null at 180°"`
	TangentSetback float64           `json:"tangentSetback" doc:"mm, tangent line to the outermost tangent plane"`
	BendDeduction  *float64          `json:"bendDeduction" doc:"mm, 2·outside setback − bend allowance; null at 180°"`
	Working        working.Working   `json:"working"`
	Findings       []working.Finding `json:"findings"`
}

func checkSheet(insideRadius, thickness, angle float64) error {
	return working.First(
		working.Within("/insideRadius", "The inside radius", insideRadius, 0, maxLength, "mm"),
		working.Above("/thickness", "The thickness", thickness, 0, maxThickness, "mm"),
		working.Within("/angle", "The bend angle", angle, 0, 180, "°"),
	)
}

func checkK(k float64) error { return working.Within("/kFactor", "K", k, 0, 1, "") }

// Work answers one bend with its working. It fails with *working.Fault.
func Work(in Input) (Result, error) {
	if err := working.First(checkSheet(in.InsideRadius, in.Thickness, in.Angle), checkK(in.KFactor)); err != nil {
		return Result{}, err
	}
	ba := Allowance(in.InsideRadius, in.Thickness, in.KFactor, in.Angle)
	r := Result{
		BendAllowance:  ba,
		TangentSetback: TangentSetback(in.InsideRadius, in.Thickness, in.Angle),
		Findings:       []working.Finding{},
		Working: working.Working{
			Method: "Bend allowance from K", Source: "neutral-line arc length, as in Machinery's Handbook, sheet metal bending",
			Formula: "BA = A·π/180·(R + K·T);  OSSB = (R + T)·tan(A/2);  BD = 2·OSSB − BA",
			Inputs:  sheetInputs(in.InsideRadius, in.Thickness, in.KFactor, in.Angle),
			Result:  working.MM("BA", "bend allowance", ba),
			Assumptions: []string{
				"thickness is the measured one; a gauge is nominal",
				"K belongs to this material, thickness and tool",
			},
		},
	}
	if in.Angle == 180 {
		r.Findings = append(r.Findings, working.Finding{Code: "apex-at-180", Severity: working.Note, Cause: "Bend",
			Reason: "At 180° the two faces never meet, so outside setback and bend deduction have no meaning: use the tangent setback."})
		return r, nil
	}
	ossb := OutsideSetback(in.InsideRadius, in.Thickness, in.Angle)
	bd := 2*ossb - ba
	r.OutsideSetback, r.BendDeduction = &ossb, &bd
	r.Working.Steps = []working.Quantity{working.MM("OSSB", "outside setback", ossb), working.MM("BD", "bend deduction", bd)}
	if in.Angle > 165 {
		r.Findings = append(r.Findings, working.Finding{Code: "apex-runs-away", Severity: working.Mind, Cause: "Bend",
			Reason: "Above 165° the apex lies far from the part: measure to the tangent plane instead."})
	}
	return r, nil
}

func degrees(symbol, name string, v float64) working.Quantity {
	return working.Quantity{Symbol: symbol, Name: name, Value: v, Unit: "°"}
}

func number(symbol, name string, v float64) working.Quantity {
	return working.Quantity{Symbol: symbol, Name: name, Value: v}
}

func sheetInputs(r, t, k, a float64) []working.Quantity {
	return []working.Quantity{working.MM("R", "inside radius", r), working.MM("T", "thickness", t), number("K", "K factor", k),
		degrees("A", "bend angle", a)}
}
