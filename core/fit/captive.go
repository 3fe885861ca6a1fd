package fit

import (
	"fmt"
	"math"

	"warmanvil/core/working"
)

// CaptiveInput is a panel held without fasteners, its edges in two channels that face each
// other. It is put in by pushing it deep into one, clear of the other, and back.
type CaptiveInput struct {
	Panel     float64 `json:"panel" doc:"mm, the panel from edge to edge between the channels"`
	Between   float64 `json:"between" doc:"mm between the lips of the two channels"`
	Deep      float64 `json:"deep" doc:"mm, depth of the channel it is pushed into, the upper one"`
	Shallow   float64 `json:"shallow" doc:"mm, depth of the channel it comes to lie in"`
	Thickness float64 `json:"thickness" doc:"mm, the panel with its coat"`
	Slot      float64 `json:"slot" doc:"mm, width inside the channels"`
	Tolerance float64 `json:"tolerance,omitempty" doc:"mm, panel, opening and channels together may be off; 1 when left out"`
	Swells    float64 `json:"swells,omitempty" doc:"mm the panel grows with heat or damp"`
	Hold      float64 `json:"hold,omitempty" doc:"mm that must stay in a channel at the worst; 5 when left out"`
}

// CaptiveResult is how it is held.
type CaptiveResult struct {
	Way      string            `json:"way" enum:"held,lifts out,falls out,binds,does not go in" doc:"how it ends up"`
	Play     float64           `json:"play" doc:"mm it can move from channel to channel"`
	InUpper  float64           `json:"inUpper" doc:"mm it reaches into the deep channel while it lies in the other, at the worst"`
	InLower  float64           `json:"inLower" doc:"mm it reaches into the shallow channel while it lies there, at the worst"`
	Lift     float64           `json:"lift" doc:"mm it must be lifted to come free of the shallow channel, at the worst"`
	Rattle   float64           `json:"rattle" doc:"mm it can move across its thickness"`
	Tips     float64           `json:"tips" doc:"degrees it can lean in the slots"`
	Findings []working.Finding `json:"findings"`
	Working  working.Working   `json:"working"`
}

// Captive answers whether a panel in two channels goes in, stays in and can grow. It fails
// with *working.Fault.
func Captive(in CaptiveInput) (CaptiveResult, error) {
	if in.Tolerance == 0 {
		in.Tolerance = 1
	}
	if in.Hold == 0 {
		in.Hold = 5
	}
	err := working.First(working.Above("/panel", "The panel", in.Panel, 0, 1e4, "mm"), working.Above("/between", "The opening", in.Between,
		0, 1e4, "mm"),
		working.Above("/deep", "The channel's depth", in.Deep, 0, 1000, "mm"), working.Above("/shallow", "The channel's depth", in.Shallow, 0,
			1000, "mm"),
		working.Above("/thickness", "The thickness", in.Thickness, 0, 200, "mm"), working.Above("/slot", "The slot", in.Slot, 0, 300, "mm"),
		working.Within("/tolerance", "The tolerance", in.Tolerance, 0, 50, "mm"), working.Within("/swells", "What it grows", in.Swells, 0, 100,
			"mm"),
		working.Within("/hold", "What must stay in", in.Hold, 0, 200, "mm"))
	if err != nil {
		return CaptiveResult{}, err
	}
	r := CaptiveResult{Play: in.Between + in.Deep + in.Shallow - in.Panel, Rattle: in.Slot - in.Thickness, Findings: []working.Finding{}}
	// Lying in the shallow channel it reaches past the opening into the deep one.
	reach := in.Panel - in.Between - in.Shallow
	r.InUpper = reach - in.Tolerance
	r.Lift = in.Shallow - in.Tolerance
	r.Tips = math.Atan2(math.Max(r.Rattle, 0), in.Panel) * 180 / math.Pi
	least := r.Play - in.Tolerance // room for growth and for putting it in, at the worst
	say := func(code string, severity working.Severity, text string, args ...any) {
		r.Findings = append(r.Findings, working.Finding{Code: code, Severity: severity, Cause: "Captive panel", Reason: fmt.Sprintf(text,
			args...)})
	}
	switch {
	case r.Rattle < 0:
		r.Way = "does not go in"
		say("thick", working.Stop, "The panel with its coat is %.2f mm thicker than the slot.", -r.Rattle)
	case least < in.Swells:
		r.Way = "binds"
		say("swells", working.Stop, "At the worst %.1f mm are left for it to grow, and it grows %.1f mm: it bows or springs the channels. "+
			"Cut the "+
			"panel %.1f mm shorter.", least, in.Swells, in.Swells-least)
	case r.InUpper < 0:
		r.Way = "falls out"
		say("short", working.Stop, "Lying in the one channel it misses the other by %.1f mm at the worst: a panel %.1f mm longer, or deeper "+
			"channels.", -r.InUpper, in.Hold-r.InUpper)
	case r.Play+in.Tolerance < in.Shallow:
		r.Way, r.InLower = "held", in.Shallow-r.Play-in.Tolerance
	default:
		r.Way, r.InLower = "lifts out", in.Shallow-in.Tolerance
	}
	if r.Way == "held" {
		say("put-in", working.Note, "It cannot be pushed in past the lips: slide it in from an end before that is closed, or screw one channel "+
			"on last. Nothing takes it out then but the same way.")
	}
	if r.Way == "lifts out" {
		r.keeper(in, say)
	}
	if (r.Way == "held" || r.Way == "lifts out") && math.Min(r.InUpper, r.InLower) < in.Hold {
		say("shallow-hold", working.Mind, "At the worst only %.1f mm of it stand in a channel; %.0f mm are wanted. A panel that bends "+
			"between its "+
			"edges comes out.", math.Min(r.InUpper, r.InLower), in.Hold)
	}
	if r.Rattle > 1.5 {
		say("rattle", working.Mind, "It can move %.1f mm across: line the channels, or it rattles and wears.", r.Rattle)
	}
	if in.Deep < in.Shallow {
		say("swapped", working.Mind, "The channel it is pushed into is the shallower one: swap them, or it is not put in this way.")
	}
	r.Working = working.Working{Method: "Panel captive in two channels", Source: "geometry, at the worst of the tolerance",
		Formula: "play = between + deep + shallow − panel; in the deep channel = panel − between − shallow − tolerance",
		Inputs: []working.Quantity{working.MM("H", "panel", in.Panel), working.MM("b", "between the lips", in.Between),
			working.MM("d", "deep channel", in.Deep), working.MM("s", "shallow channel", in.Shallow), working.MM("t", "panel's thickness",
				in.Thickness),
			working.MM("w", "slot", in.Slot), working.MM("±", "tolerance", in.Tolerance), working.MM("g", "grows", in.Swells)},
		Steps: []working.Quantity{working.MM("u", "in the deep channel at the worst", r.InUpper), working.MM("l", "to lift it free", r.Lift),
			working.MM("r", "across the slot", r.Rattle)},
		Assumptions: []string{"flat and square; ends along the channels are closed by something else"},
		Result:      working.MM("p", "play", r.Play)}
	return r, nil
}

// keeper says what keeps a panel down that can be lifted out: a block above it that leaves it
// room to grow and, lifted as far as that lets it, enough of it in the shallow channel.
func (r *CaptiveResult) keeper(in CaptiveInput, say func(code string, severity working.Severity, text string, args ...any)) {
	least, most := r.Play+in.Tolerance-in.Shallow+in.Hold, r.Play-in.Tolerance-in.Swells
	if least <= most {
		say("keeper", working.Mind, "Lifted by %.1f mm it comes free, and on the road only its weight keeps it down: a block of %.1f to "+
			"%.1f mm above "+
			"it, put in after it and held itself, makes it captive.", r.Lift, math.Max(least, .1), most)
	} else {
		say("keeper", working.Mind, "Lifted by %.1f mm it comes free, and on the road only its weight keeps it down. No block keeps it in "+
			"and leaves it "+
			"room: a deeper lower channel, or fasteners.", r.Lift)
	}
	if r.Play-in.Tolerance < in.Shallow {
		say("tight-in", working.Mind, "It may not go in: at the worst it can be lifted by %.1f mm, and the lower channel is %.1f mm deep. "+
			"Cut it "+
			"%.1f mm shorter to be sure.", r.Play-in.Tolerance, in.Shallow, in.Shallow-r.Play+in.Tolerance)
	}
}
