package fit

import (
	"fmt"
	"math"

	"warmanvil/core/working"
)

// NoPlayInput is a bar in a socket whose play is to be taken up by a draw-up screw through the
// socket's wall, by a taper, or by both.
type NoPlayInput struct {
	Play     float64 `json:"play" doc:"mm a side, at its loosest"`
	Engaged  float64 `json:"engaged" doc:"mm the bar reaches into the socket"`
	Reach    float64 `json:"reach" doc:"mm from the socket's mouth to where the bar's movement is felt or the load acts"`
	Load     float64 `json:"load,omitempty" doc:"N across the bar there"`
	Pull     float64 `json:"pull,omitempty" doc:"N along the bar"`
	Screw    float64 `json:"screw,omitempty" doc:"mm, diameter of the draw-up screw; 0 for none"`
	Torque   float64 `json:"torque,omitempty" doc:"N·m it is tightened with"`
	Nut      float64 `json:"nut,omitempty" doc:"nut factor; 0.2 when left out"`
	In       float64 `json:"in,omitempty" doc:"mm the screw sits inside the mouth; half the engagement when left out"`
	Friction float64 `json:"friction,omitempty" doc:"between the faces; 0.15 when left out"`
	Taper    float64 `json:"taper,omitempty" doc:"degrees a side of a tapered socket; 0 for straight"`
}

// NoPlayResult is how much it moves and what takes that up.
type NoPlayResult struct {
	Loose    float64           `json:"loose" doc:"mm it moves at its reach, from stop to stop, as it is"`
	Lean     float64           `json:"lean" doc:"degrees it leans, from stop to stop"`
	Force    float64           `json:"force" doc:"N the screw presses with"`
	Holds    float64           `json:"holds" doc:"N across the bar at its reach before it rocks off the wall"`
	Slips    float64           `json:"slips" doc:"N along the bar before it slides"`
	Used     float64           `json:"used" doc:"the larger share of load over what is held; 0 without loads"`
	Draw     float64           `json:"draw" doc:"mm a taper is drawn in until the play is gone"`
	Locks    bool              `json:"locks" doc:"a taper this slender stays without being pressed"`
	Way      string            `json:"way" enum:"tight,rocks,slides,loose" doc:"how it ends up"`
	Findings []working.Finding `json:"findings"`
	Working  working.Working   `json:"working"`
}

// NoPlay answers how far a bar in a socket moves, and whether a draw-up screw or a taper takes
// that up under its loads. It fails with *working.Fault.
func NoPlay(in NoPlayInput) (NoPlayResult, error) {
	in = in.usual()
	if err := in.Check(); err != nil {
		return NoPlayResult{}, err
	}
	r := NoPlayResult{Findings: []working.Finding{}, Way: "loose"}
	// From one pair of corners to the other: mouth and end touch on opposite walls.
	r.Lean = 2 * math.Atan2(2*in.Play, in.Engaged) * 180 / math.Pi
	r.Loose = 2 * in.Play * (1 + 2*in.Reach/in.Engaged)
	if in.Screw > 0 {
		r.Force = in.Torque * 1000 / (in.Nut * in.Screw)
	}
	// A load towards the wall it is pressed on turns it about the mouth's edge, one off that
	// wall about its end.
	r.Holds = r.Force * math.Min(in.In/in.Reach, (in.Engaged-in.In)/(in.Reach+in.Engaged))
	r.Slips = 2 * in.Friction * r.Force
	say := func(code string, severity working.Severity, text string, args ...any) {
		r.Findings = append(r.Findings, working.Finding{Code: code, Severity: severity, Cause: "Socket", Reason: fmt.Sprintf(text, args...)})
	}
	if in.Taper > 0 {
		slope := math.Tan(in.Taper * math.Pi / 180)
		r.Draw, r.Locks = in.Play/slope, slope < in.Friction
		if r.Draw > in.Engaged/2 {
			say("shallow-taper", working.Mind, "It is drawn in by %.1f mm until it is tight, over half its engagement: less play, or a blunter "+
				"taper.", r.Draw)
		}
		if r.Locks {
			say("locks", working.Note, "A taper of %.1f° a side stays by itself: it has to be driven out.", in.Taper)
		} else {
			say("pressed", working.Mind, "A taper of %.1f° a side slides out again: something must keep it pressed.", in.Taper)
		}
	}
	share := func(load, holds float64) float64 {
		if load == 0 {
			return 0
		}
		if holds <= 0 {
			return math.MaxFloat64
		}
		return load / holds
	}
	rock, slide := share(in.Load, r.Holds), share(in.Pull, r.Slips)
	r.Used = math.Max(rock, slide)
	switch {
	case in.Taper > 0 && r.Force == 0 && r.Locks:
		r.Way, r.Used = "tight", 0
		if in.Load > 0 {
			say("load-unasked", working.Mind, "It has no play, and %.0f N across it were not asked: whether bar and socket stand them is for the "+
				"Hold bench.", in.Load)
		}
		if in.Pull > 0 {
			say("pull-unknown", working.Mind, "How hard it was driven in is not known, so that nothing can be said of %.0f N along it: pin it.",
				in.Pull)
			r.Way = "slides"
		}
	case r.Force == 0:
		say("no-screw", working.Mind, "Nothing presses it: it moves as far as its play lets it, and farther as it wears.")
	case rock > 1 && rock >= slide:
		r.Way = "rocks"
		say("rocks", working.Stop, "The screw holds %.0f N there before the bar rocks off its wall, and %.0f N act: tighten it to %.0f N·m, "+
			"or engage deeper.", r.Holds, in.Load, math.Ceil(in.Torque*rock))
	case slide > 1:
		r.Way = "slides"
		say("slides", working.Stop, "Friction holds %.0f N along it, and %.0f N act: a pin through both, not the screw, must take that.",
			r.Slips, in.Pull)
	default:
		r.Way = "tight"
		if in.Load == 0 && in.Pull == 0 {
			say("no-load", working.Mind, "No load was given: whether it stays tight under one is not said.")
		}
	}
	if in.Screw > 0 {
		say("not-alone", working.Note, "A screw that draws it tight is no retention: a pin, or a screw through both, keeps it when the "+
			"first works loose. "+
			"Lock it and look at it again after the first drive.")
	}
	if r.Used == math.MaxFloat64 {
		r.Used = 0 // nothing holds: its way says so
	}
	r.Working = in.working(r)
	return r, nil
}

// usual answers it with what was left out.
func (in NoPlayInput) usual() NoPlayInput {
	if in.Friction == 0 {
		in.Friction = .15
	}
	if in.Nut == 0 {
		in.Nut = .2
	}
	if in.In == 0 {
		in.In = in.Engaged / 2
	}
	return in
}

// Check refuses what is no socket, with *working.Fault.
func (in NoPlayInput) Check() error {
	in = in.usual()
	if in.Screw == 0 && in.Torque > 0 {
		return working.Refuse("/screw", "Which screw is tightened? Give its diameter.")
	}
	return working.First(working.Within("/play", "The play", in.Play, 0, 50, "mm"),
		working.Above("/engaged", "The engagement", in.Engaged, 0, 5000, "mm"), working.Above("/reach", "The reach", in.Reach, 0, 1e4, "mm"),
		working.Within("/load", "The load", in.Load, 0, 1e6, "N"), working.Within("/pull", "The pull", in.Pull, 0, 1e6, "N"),
		working.Within("/screw", "The screw", in.Screw, 0, 60, "mm"), working.Within("/torque", "The torque", in.Torque, 0, 2000, "N·m"),
		working.Within("/nut", "The nut factor", in.Nut, .05, 1, ""), working.Within("/in", "The screw's place", in.In, 0, in.Engaged, "mm"),
		working.Within("/friction", "The friction", in.Friction, .02, 1, ""), working.Within("/taper", "The taper", in.Taper, 0, 30, "°"))
}

func (in NoPlayInput) working(r NoPlayResult) working.Working {
	newtons := func(symbol, name string, v float64) working.Quantity {
		return working.Quantity{Symbol: symbol, Name: name, Value: v, Unit: "N"}
	}
	return working.Working{Method: "Bar in a socket without play",
		Source:  "geometry of two corners; screw F = T/(K·d); statics about the wall's edge",
		Formula: "loose = 2p(1 + 2·reach/engaged); holds = F·min(in/reach, (engaged − in)/(reach + engaged)); slips = 2µF; draw = p/tan α",
		Inputs: []working.Quantity{working.MM("p", "play a side", in.Play), working.MM("e", "engaged", in.Engaged),
			working.MM("x", "reach", in.Reach), {Symbol: "T", Name: "torque", Value: in.Torque * 1000, Unit: "N·mm"},
			working.MM("d", "screw", in.Screw), {Symbol: "K", Name: "nut factor", Value: in.Nut}, working.MM("i", "screw inside the mouth", in.In),
			{Symbol: "µ", Name: "friction", Value: in.Friction}, {Symbol: "α", Name: "taper a side", Value: in.Taper, Unit: "°"}},
		Steps: []working.Quantity{newtons("F", "the screw presses with", r.Force), newtons("H", "across it before it rocks", r.Holds),
			newtons("S", "along it before it slides", r.Slips), working.MM("y", "drawn in", r.Draw)},
		Assumptions: []string{"bar and socket rigid and straight",
			"the load acts in the screw's own direction, to or from the wall it presses on; across that the play stays as it is"},
		Result: working.MM("m", "moves at its reach", r.Loose)}
}
