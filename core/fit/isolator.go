package fit

import (
	"cmp"
	"fmt"
	"math"

	"warmanvil/core/quantity"
	"warmanvil/core/working"
)

// IsolatorInput is a thing on isolators, all alike and sharing alike.
type IsolatorInput struct {
	Display   quantity.Display `json:"-"` // how its sentences write lengths; mm by default
	Mass      float64          `json:"mass" doc:"kg in all"`
	Count     int              `json:"count" doc:"isolators that carry it"`
	Stiffness float64          `json:"stiffness" doc:"N/mm of one, up and down"`
	Dynamic   float64          `json:"dynamic,omitempty" doc:"times stiffer when it shakes; 1.3 when left out, practice for rubber"`
	Height    float64          `json:"height" doc:"mm of the rubber, free"`
	Damping   float64          `json:"damping,omitempty" doc:"share of critical; 0.08 when left out, practice for natural rubber"`
	Down      float64          `json:"down,omitempty" doc:"g, the road case down, gravity included; 2 when left out"`
	Up        float64          `json:"up,omitempty" doc:"g, the road case up; 0.5 when left out"`
	Shakes    *float64         `json:"shakes,omitempty" doc:"Hz, what is to be kept away: an engine's speed over 60"`
	Pressed   float64          `json:"pressed,omitempty" doc:"mm it is pressed together by tightening"`
}

// IsolatorResult is how it sits, shakes and is stopped.
type IsolatorResult struct {
	Static    float64           `json:"static" doc:"mm it sinks under its weight"`
	Frequency float64           `json:"frequency" doc:"Hz of its own"`
	Squash    float64           `json:"squash" doc:"share of its height it is pressed together, at rest"`
	Peak      float64           `json:"peak" doc:"share of its height in the road case down"`
	Lowest    float64           `json:"lowest" doc:"mm it moves down from rest in the road case"`
	Highest   float64           `json:"highest" doc:"mm it moves up from rest in the road case"`
	Loaded    float64           `json:"loaded" doc:"mm of height at rest"`
	Sleeve    float64           `json:"sleeve" doc:"mm, length of the sleeve its bolt is tightened on"`
	Snub      float64           `json:"snub" doc:"mm from rest to a stop that spares it"`
	Passes    *float64          `json:"passes" doc:"share of the shaking that gets through; null when none is named"`
	Carries   float64           `json:"carries" doc:"N on one at rest"`
	Working   working.Working   `json:"working"`
	Findings  []working.Finding `json:"findings"`
}

const gravity = 9.80665

// Usual limits of rubber in compression, shares of its free height (practice).
const (
	restSquash = .15
	peakSquash = .30
)

// Isolator answers how a thing sits on isolators. It fails with *working.Fault.
func Isolator(in IsolatorInput) (IsolatorResult, error) {
	in.Dynamic, in.Damping = cmp.Or(in.Dynamic, 1.3), cmp.Or(in.Damping, .08)
	in.Down, in.Up = cmp.Or(in.Down, 2), cmp.Or(in.Up, .5)
	if err := in.check(); err != nil {
		return IsolatorResult{}, err
	}
	r := IsolatorResult{Carries: in.Mass * gravity / float64(in.Count), Findings: []working.Finding{}}
	say := r.say
	r.Static = r.Carries / in.Stiffness
	stiff := in.Stiffness * in.Dynamic
	r.Frequency = math.Sqrt(stiff*1000*float64(in.Count)/in.Mass) / (2 * math.Pi)
	r.Lowest, r.Highest = (in.Down-1)*r.Carries/stiff, (1+in.Up)*r.Carries/stiff
	sunk := r.Static + in.Pressed
	r.Squash, r.Peak = sunk/in.Height, (sunk+r.Lowest)/in.Height
	r.Loaded, r.Sleeve = in.Height-sunk, in.Height-in.Pressed
	r.Snub = math.Max(0, peakSquash*in.Height-sunk)
	if r.Static >= in.Height {
		return IsolatorResult{}, working.Refuse("/stiffness", "They would sink %s and are %s high: take stiffer ones, or more.",
			in.Display.Text(r.Static), in.Display.Text(in.Height))
	}
	if r.Squash > restSquash {
		say("isolator-sunk", working.Mind, "Squash",
			fmt.Sprintf("At rest it is pressed together by %.0f %% of its height; rubber creeps past %.0f %% (practice): stiffer, higher, "+
				"or more of them.", 100*r.Squash, 100*restSquash))
	}
	switch {
	case r.Peak >= 1:
		say("isolator-through", working.Stop, "Squash",
			"In the road case it is pressed flat: metal strikes metal. Put a stop before that, or take stiffer ones.")
	case r.Peak > peakSquash:
		say("isolator-peak", working.Mind, "Squash",
			fmt.Sprintf("In the road case it is pressed together by %.0f %%; past %.0f %% (practice) it tears. Put a stop %s below rest.",
				100*r.Peak, 100*peakSquash, in.Display.Text(r.Snub)))
	}
	if r.Highest > r.Static {
		say("isolator-lifts", working.Mind, "Snubbing",
			fmt.Sprintf("In the road case up it would lift %s and is pressed only %s: a captive washer or rebound rubber must hold it, "+
				"or it hammers.", in.Display.Text(r.Highest), in.Display.Text(r.Static)))
	}
	if in.Shakes != nil {
		r.shaken(*in.Shakes, in.Damping)
	}
	say("isolator-bolt", working.Note, "Sleeve",
		fmt.Sprintf("Tighten its bolt on a sleeve of %s, not on the rubber: the bolt stays tight and the rubber free.",
			in.Display.Text(r.Sleeve)))
	r.Working = working.Working{Method: "A mass on isolators",
		Source:  "one mass on springs with damping (vibration textbooks); limits of squash are practice for rubber",
		Formula: "δ = W/(n·k); f = √(n·kd/m)/2π; T = √((1 + (2ζx)²)/((1 − x²)² + (2ζx)²)), x = f'/f",
		Inputs: []working.Quantity{{Symbol: "m", Name: "mass", Value: in.Mass, Unit: "kg"},
			{Symbol: "n", Name: "isolators", Value: float64(in.Count)}, {Symbol: "k", Name: "stiffness of one", Value: in.Stiffness, Unit: "N/mm"},
			{Symbol: "kd", Name: "when it shakes", Value: stiff, Unit: "N/mm"}, {Symbol: "ζ", Name: "damping", Value: in.Damping}},
		Steps: []working.Quantity{{Symbol: "W/n", Name: "on one", Value: r.Carries, Unit: "N"},
			{Symbol: "δ", Name: "sinks", Value: r.Static, Unit: "mm"},
			{Symbol: "δdown", Name: "further in the road case", Value: r.Lowest, Unit: "mm"}},
		Result: working.Quantity{Symbol: "f", Name: "its own frequency", Value: r.Frequency, Unit: "Hz"},
		Assumptions: []string{"all carry alike: the centre of gravity lies over their middle", "straight up and down; rocking is slower",
			"the road case is a steady pull: a single bump can be more"}}
	return r, nil
}

func (in IsolatorInput) check() error {
	err := working.First(
		working.Above("/mass", "The mass", in.Mass, 0, 1e5, "kg"),
		working.Within("/count", "How many carry it", float64(in.Count), 1, 100, ""),
		working.Above("/stiffness", "The stiffness", in.Stiffness, 0, 1e6, "N/mm"),
		working.Within("/dynamic", "The stiffening when it shakes", in.Dynamic, 1, 5, ""),
		working.Above("/height", "The height", in.Height, 0, 500, "mm"),
		working.Within("/damping", "The damping", in.Damping, 0, .7, ""),
		working.Within("/down", "The road case down", in.Down, 1, 20, "g"), working.Within("/up", "The road case up", in.Up, 0, 20, "g"),
		working.Within("/pressed", "What tightening presses", in.Pressed, 0, in.Height, "mm"))
	if err == nil && in.Shakes != nil {
		err = working.Above("/shakes", "The shaking", *in.Shakes, 0, 1e4, "Hz")
	}
	return err
}

func (r *IsolatorResult) say(code string, severity working.Severity, cause, reason string) {
	r.Findings = append(r.Findings, working.Finding{Code: code, Severity: severity, Cause: cause, Reason: reason})
}

// shaken finds how much of a shaking in Hz passes at the share damping of critical.
func (r *IsolatorResult) shaken(hertz, damping float64) {
	x := hertz / r.Frequency
	d := 2 * damping * x
	passes := math.Sqrt((1 + d*d) / ((1-x*x)*(1-x*x) + d*d))
	r.Passes = &passes
	switch {
	case x < math.Sqrt2:
		r.say("isolator-amplifies", working.Stop, "Shaking",
			fmt.Sprintf("At %.3g Hz it makes the shaking larger, %.2g times: isolators work from 1.41 times their own %.3g Hz on. Softer ones.",
				hertz, passes, r.Frequency))
	case x < 2.5:
		r.say("isolator-little", working.Mind, "Shaking",
			fmt.Sprintf("%.0f %% of the shaking still gets through: three times its own frequency is usual.", 100*passes))
	}
}
