package survey

import (
	"fmt"
	"math"

	"warmanvil/core/working"
)

// FlushInput is the step between two faces that should lie in one plane, or a given step
// apart, read at both ends and, if one likes, between them.
type FlushInput struct {
	One    float64  `json:"one" doc:"mm it stands proud at one end, negative when it lies back"`
	Other  float64  `json:"other" doc:"mm at the other end"`
	Middle *float64 `json:"middle,omitempty" doc:"mm halfway between them"`
	Wanted float64  `json:"wanted,omitempty" doc:"mm it shall stand proud; flush when left out"`
	Apart  float64  `json:"apart,omitempty" doc:"mm between the two ends, for the slope"`
	Allow  float64  `json:"allow,omitempty" doc:"mm it may be off; 0.5 when left out"`
	Sigma  float64  `json:"sigma,omitempty" doc:"mm, uncertainty of one reading; a rule's when left out"`
}

// FlushResult is how far it is off and what brings it flush.
type FlushResult struct {
	Worst     float64           `json:"worst" doc:"mm off where it is most, proud positive"`
	MoveOne   float64           `json:"moveOne" doc:"mm to bring it out at one end, negative in"`
	MoveOther float64           `json:"moveOther" doc:"mm to bring it out at the other end"`
	Slope     *float64          `json:"slope,omitempty" doc:"degrees between the two faces"`
	Bow       *float64          `json:"bow,omitempty" doc:"mm the middle stands proud of the line through both ends"`
	Kept      Kept              `json:"kept" enum:"proved,as read,unsure,past"`
	Findings  []working.Finding `json:"findings"`
	Working   working.Working   `json:"working"`
}

// Flush answers how far two faces are from the step wanted between them. It fails with
// *working.Fault.
func Flush(in FlushInput) (FlushResult, error) {
	if in.Allow == 0 {
		in.Allow = .5
	}
	if in.Sigma == 0 {
		in.Sigma = Uncertainty[Rule].Length
	}
	errs := []error{working.Within("/one", "The step", in.One, -1000, 1000, "mm"), working.Within("/other", "The step", in.Other, -1000,
		1000, "mm"),
		working.Within("/wanted", "The step wanted", in.Wanted, -1000, 1000, "mm"),
		working.Within("/apart", "The distance between the ends", in.Apart, 0, 1e5, "mm"),
		working.Within("/allow", "What is allowed", in.Allow, 0, 100, "mm"), working.Within("/sigma", "The uncertainty", in.Sigma,
			0, 100, "mm")}
	if in.Middle != nil {
		errs = append(errs, working.Within("/middle", "The step", *in.Middle, -1000, 1000, "mm"))
	}
	if err := working.First(errs...); err != nil {
		return FlushResult{}, err
	}
	a, b := in.One-in.Wanted, in.Other-in.Wanted
	r := FlushResult{Worst: a, MoveOne: 0 - a, MoveOther: 0 - b, Kept: worst(Keeps(a, in.Allow, in.Sigma), Keeps(b, in.Allow, in.Sigma)),
		Findings: []working.Finding{}}
	if math.Abs(b) > math.Abs(a) {
		r.Worst = b
	}
	steps := []working.Quantity{working.MM("a", "off at one end", a), working.MM("b", "off at the other", b)}
	if in.Apart > 0 {
		slope := math.Atan2(b-a, in.Apart) * 180 / math.Pi
		r.Slope = &slope
		steps = append(steps, working.Quantity{Symbol: "s", Name: "slope between the faces", Value: slope, Unit: "°"})
	}
	if in.Middle != nil {
		m := *in.Middle - in.Wanted
		bow := m - (a+b)/2
		r.Bow = &bow
		r.Kept = worst(r.Kept, Keeps(m, in.Allow, in.Sigma))
		if math.Abs(m) > math.Abs(r.Worst) {
			r.Worst = m
		}
		steps = append(steps, working.MM("m", "off between them", m), working.MM("f", "bow", bow))
		// The ends' mean is known to σ/√2, the bow to σ·√1.5.
		if math.Abs(bow) > in.Allow && math.Abs(bow) > 2*math.Sqrt(1.5)*in.Sigma {
			r.Findings = append(r.Findings, working.Finding{Code: "bowed", Severity: working.Mind, Cause: "Flush", Reason: fmt.Sprintf(
				"Between its ends it stands %.1f mm %s: moving the ends does not bring that flush. Straighten it, or hold its middle too.",
				math.Abs(bow), map[bool]string{true: "proud", false: "back"}[bow > 0])})
		}
	}
	r.Working = working.Working{Method: "Step between two faces", Source: "geometry", Formula: "off = step − wanted",
		Inputs: []working.Quantity{working.MM("p", "step at one end", in.One), working.MM("q", "step at the other", in.Other),
			working.MM("w", "wanted", in.Wanted), working.MM("±", "one reading", in.Sigma)},
		Steps: steps, Assumptions: []string{"the faces are straight between where they are read, unless a middle was read"},
		Result: working.MM("o", "most off", r.Worst)}
	return r, nil
}
