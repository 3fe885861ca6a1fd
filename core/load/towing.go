package load

import (
	"fmt"
	"math"

	"warmanvil/core/working"
)

// TowInput is a trailer on a towing vehicle, seen from above and from its side.
type TowInput struct {
	Overhang    float64 `json:"overhang" doc:"mm from the ball forward to the towing vehicle's rearmost corner"`
	VehicleWide float64 `json:"vehicleWide" doc:"mm, the towing vehicle behind"`
	Drawbar     float64 `json:"drawbar" doc:"mm from the ball to the trailer's front"`
	DrawbarWide float64 `json:"drawbarWide" doc:"mm, the drawbar where it meets the front; 0 for a single bar"`
	FrontWide   float64 `json:"frontWide" doc:"mm, the trailer's front"`
	BallHigh    float64 `json:"ballHigh,omitempty" doc:"mm over the ground, laden"`
	CouplingSat float64 `json:"couplingLevel,omitempty" doc:"mm over the ground at which the trailer stands level"`
	Axle        float64 `json:"axle,omitempty" doc:"mm from the ball to the axle"`
}

// TowResult says how far it turns and how it stands.
type TowResult struct {
	Turn     float64           `json:"turn" doc:"degrees either way before something touches, at most 180"`
	Touches  string            `json:"touches" enum:"drawbar,front,side,nothing"`
	Packing  float64           `json:"packing" doc:"mm to raise the trailer on its axle so that it tows level; negative lowers it"`
	NoseDown float64           `json:"noseDown" doc:"degrees it stands nose down without"`
	Findings []working.Finding `json:"findings"`
	Working  working.Working   `json:"working"`
}

// Tow answers at which turn the towing vehicle's rear corner meets the drawbar or
// the trailer's front, and what packs the trailer level. It fails with
// *working.Fault.
func Tow(in TowInput) (TowResult, error) {
	err := working.First(working.Within("/overhang", "The overhang", in.Overhang, 0, 1e4, "mm"),
		working.Above("/vehicleWide", "The towing vehicle", in.VehicleWide, 0, 1e4, "mm"),
		working.Above("/drawbar", "The drawbar", in.Drawbar, 0, 2e4, "mm"),
		working.Within("/drawbarWide", "The drawbar at the front", in.DrawbarWide, 0, 1e4, "mm"),
		working.Above("/frontWide", "The trailer's front", in.FrontWide, 0, 1e4, "mm"),
		working.Within("/ballHigh", "The ball's height", in.BallHigh, 0, 3000, "mm"),
		working.Within("/couplingLevel", "The coupling's height", in.CouplingSat, 0, 3000, "mm"),
		working.Within("/axle", "The axle", in.Axle, 0, 5e4, "mm"))
	if err != nil {
		return TowResult{}, err
	}
	if in.DrawbarWide > in.FrontWide {
		return TowResult{}, working.Refuse("/drawbarWide", "The drawbar is wider than the trailer's front.")
	}
	r := TowResult{Turn: 180, Touches: "nothing", Findings: []working.Finding{}}
	// The corner swings about the ball on a circle; seen from the trailer it comes
	// from ahead and moves towards the side of the trailer.
	reach := math.Hypot(in.Overhang, in.VehicleWide/2)
	start := math.Pi - math.Atan2(in.VehicleWide/2, in.Overhang) // from the trailer's axis rearward
	bar := math.Atan2(in.DrawbarWide/2, in.Drawbar)
	meet := func(angle float64, what string) {
		if turn := (start - angle) * 180 / math.Pi; turn >= 0 && turn < r.Turn {
			r.Turn, r.Touches = turn, what
		}
	}
	if reach <= math.Hypot(in.Drawbar, in.DrawbarWide/2) {
		meet(bar, "drawbar")
	}
	if reach > in.Drawbar { // it reaches the front's plane
		side := math.Sqrt(reach*reach - in.Drawbar*in.Drawbar)
		if side <= in.FrontWide/2 {
			meet(math.Atan2(side, in.Drawbar), "front")
		} else { // it passes beside the front's corner, and comes in from the side
			meet(math.Asin(math.Min(in.FrontWide/2/reach, 1)), "side")
			// The vehicle's rear edge, overhang behind its line, meets the corner.
			corner := math.Hypot(in.Drawbar, in.FrontWide/2) // or the rear edge meets that corner first
			if in.Overhang <= corner {
				meet(math.Atan2(in.FrontWide/2, in.Drawbar)+start-(math.Pi-math.Acos(in.Overhang/corner)), "front")
			}
		}
	}
	if r.Turn < 60 {
		r.Findings = append(r.Findings, working.Finding{Code: "turn", Severity: working.Mind, Cause: "Towing",
			Reason: fmt.Sprintf("It turns only %.0f° either way before the towing vehicle's corner meets the %s: reversing wants 60° and more. "+
				"Lengthen the drawbar.", r.Turn, r.Touches)})
	}
	if in.BallHigh > 0 && in.CouplingSat > 0 {
		r.Packing = in.BallHigh - in.CouplingSat
		if in.Axle > 0 {
			r.NoseDown = -math.Atan2(r.Packing, in.Axle) * 180 / math.Pi
		}
	}
	r.Findings = append(r.Findings, working.Finding{Code: "tow-who", Severity: working.Note, Cause: "Towing",
		Reason: "Spare wheel, jockey wheel and doors behind are not in it: try it slowly with somebody watching. Couplings are of rated parts; " +
			"local rules and a licensed engineer decide."})
	r.Working = working.Working{Method: "Turning clearance and levelling", Source: "plane geometry about the ball",
		Formula: "turn = 180° − atan(b/2 / o) − β, β where the corner's circle meets drawbar or front",
		Inputs: []working.Quantity{{Symbol: "o", Name: "overhang", Value: in.Overhang, Unit: "mm"},
			{Symbol: "b", Name: "vehicle wide", Value: in.VehicleWide, Unit: "mm"}, {Symbol: "l", Name: "drawbar", Value: in.Drawbar, Unit: "mm"}},
		Steps: []working.Quantity{{Symbol: "r", Name: "ball to the vehicle's corner", Value: reach, Unit: "mm"},
			{Symbol: "h", Name: "raise on the axle", Value: r.Packing, Unit: "mm"}},
		Assumptions: []string{"square corners, everything at one height", "raised on its axle the trailer rises as a whole"},
		Result:      working.Quantity{Symbol: "turn", Name: "either way", Value: r.Turn, Unit: "°"}}
	return r, nil
}
