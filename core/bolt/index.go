package bolt

import (
	"fmt"
	"math"

	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// IndexInput is a pin that is put into one of a row of holes, on a line or on an arc, so that
// something can be set in steps.
type IndexInput struct {
	Pin       float64       `json:"pin" doc:"mm, diameter of the pin"`
	Hole      float64       `json:"hole" doc:"mm, diameter of the holes in the row"`
	Through   float64       `json:"through,omitempty" doc:"mm, diameter of the single hole it goes through too; the row's when left out"`
	Pitch     float64       `json:"pitch" doc:"mm from hole to hole, along the arc's chord"`
	Count     int           `json:"count" doc:"holes in the row"`
	Radius    float64       `json:"radius,omitempty" doc:"mm from the pivot to the holes; left out on a line"`
	Edge      float64       `json:"edge" doc:"mm from the holes' middles to the strip's side"`
	Thickness float64       `json:"thickness" doc:"mm of the strip"`
	Force     float64       `json:"force" doc:"N on the pin along the row"`
	Yield     float64       `json:"yield" doc:"MPa of the strip"`
	Tensile   float64       `json:"tensile" doc:"MPa of the strip"`
	Wanted    float64       `json:"wanted,omitempty" doc:"mm, the step that is wanted, where a second row or hole may help"`
	Strength  strength.Rule `json:"strength,omitempty" doc:"allowable when left out"`
}

// IndexResult is how finely and how firmly it can be set.
type IndexResult struct {
	Span     float64           `json:"span" doc:"mm from the first position to the last"`
	Angle    *float64          `json:"angle,omitempty" doc:"degrees from position to position, on an arc"`
	Play     float64           `json:"play" doc:"mm it moves in a position, from stop to stop"`
	Turns    *float64          `json:"turns,omitempty" doc:"degrees of that, on an arc"`
	Web      float64           `json:"web" doc:"mm left between two holes"`
	Used     float64           `json:"used" doc:"share of what the strip holds, the hardest of tearing out, bearing and across the hole"`
	By       string            `json:"by" doc:"which of them"`
	Vernier  *Vernier          `json:"vernier,omitempty" doc:"the second row of holes that makes the step wanted"`
	Findings []working.Finding `json:"findings"`
	Working  working.Working   `json:"working"`
}

// Vernier is a row of holes in the other part that gives finer steps than one row's pitch.
type Vernier struct {
	Holes int     `json:"holes" doc:"in the other part"`
	Pitch float64 `json:"pitch" doc:"mm between them"`
	Step  float64 `json:"step" doc:"mm it can be set by"`
}

// Index answers the positions, play and strength of a row of index holes. It fails with
// *working.Fault.
func Index(in IndexInput) (IndexResult, error) {
	if in.Through == 0 {
		in.Through = in.Hole
	}
	if in.Strength.School == "" {
		in.Strength.School = strength.Allowable
	}
	if err := in.check(); err != nil {
		return IndexResult{}, err
	}
	r := IndexResult{Span: in.Pitch * float64(in.Count-1), Play: in.Hole - in.Pin + in.Through - in.Pin, Web: in.Pitch - in.Hole,
		Findings: []working.Finding{}}
	say := func(code string, severity working.Severity, text string, args ...any) {
		r.Findings = append(r.Findings, working.Finding{Code: code, Severity: severity, Cause: "Index holes", Reason: fmt.Sprintf(text, args...)})
	}
	if in.Radius > 0 {
		angle, turns := 2*math.Asin(in.Pitch/2/in.Radius)*180/math.Pi, r.Play/in.Radius*180/math.Pi
		r.Angle, r.Turns = &angle, &turns
		if angle*float64(in.Count) > 360+1e-9 {
			return r, working.Refuse("/count", "%d holes at %.2f° go round more than once: fewer, or a larger radius.", in.Count, angle)
		}
	}
	used := in.strip()
	for _, u := range used {
		if u.share > r.Used || r.By == "" {
			r.Used, r.By = u.share, u.name
		}
	}
	if r.Web < in.Hole {
		say("web", working.Mind, "Only %.1f mm stay between two holes of %.1f mm: keep a hole's width, or the next hole pulls out of round.",
			r.Web, in.Hole)
	}
	if r.Used > 1 {
		say("over", working.Stop, "The strip is asked for %s %% of what it holds (%s): a thicker one, more to the edge, or a larger pitch.",
			strength.Percent(r.Used), r.By)
	}
	if r.Play > 1 {
		say("play", working.Mind, "It moves %.2f mm in every position: a pin nearer to its holes, or a taper pin, takes that up.", r.Play)
	}
	say("lanyard", working.Note, "A pin that is taken out to be set is lost or left out: a lanyard of its own, and a clip that cannot be "+
		"knocked off. "+
		"It is not to be pulled under load.")
	r.finer(in, say)
	steps := []working.Quantity{working.MM("p", "play", r.Play), working.MM("w", "between two holes", r.Web)}
	for _, u := range used {
		steps = append(steps, working.Quantity{Symbol: u.symbol, Name: u.name + ", may be used", Value: u.capacity, Unit: "N"})
	}
	r.Working = working.Working{Method: "Row of index holes",
		Source:  "AISC 360 J3.10 bearing and tear-out, D2 and D5.1 across and behind the hole; play from diameters",
		Formula: "tear = 1.2·lc·t·Fu, lc = pitch − hole; bearing = 2.4·d·t·Fu; across = min(Fy·2e·t, Fu·(2e − hole)·t); play = holes − 2·pin",
		Inputs: []working.Quantity{working.MM("d", "pin", in.Pin), working.MM("h", "hole of the row", in.Hole), working.MM("P", "pitch",
			in.Pitch),
			working.MM("e", "to the strip's side", in.Edge), working.MM("t", "thickness", in.Thickness), {Symbol: "F",
				Name: "force along the row", Value: in.Force, Unit: "N"},
			{Symbol: "Fy", Name: "yield", Value: in.Yield, Unit: "MPa"}, {Symbol: "Fu", Name: "tensile strength", Value: in.Tensile, Unit: "MPa"}},
		Steps: steps, Assumptions: []string{in.Strength.Says(strength.Rupture), "one pin takes it all; behind the last hole as much strip " +
			"stays as between two",
			"the pin itself is asked as a pin in its joint"},
		Result: working.Quantity{Symbol: "u", Name: "share of what the strip holds", Value: r.Used}}
	return r, nil
}

// asked is one way a strip gives.
type asked struct {
	symbol, name    string
	capacity, share float64
}

// strip answers each way the strip gives at a hole.
func (in IndexInput) strip() []asked {
	rule, fu := in.Strength, in.Tensile
	if rule.Yields() {
		fu = in.Yield
	}
	across := math.Min(rule.Capacity(in.Yield*2*in.Edge*in.Thickness, strength.Yield), rule.Capacity(fu*(2*in.Edge-in.Hole)*in.Thickness,
		strength.Rupture))
	out := []asked{{symbol: "R1", name: "torn to the next hole", capacity: rule.Capacity(1.2*(in.Pitch-in.Hole)*in.Thickness*fu,
		strength.Rupture)},
		{symbol: "R2", name: "bearing on the hole", capacity: rule.Capacity(2.4*in.Pin*in.Thickness*fu, strength.Rupture)},
		{symbol: "R3", name: "strip across a hole", capacity: across}}
	for i := range out {
		out[i].share = in.Force / out[i].capacity
	}
	return out
}

// mostVernier is how many holes the other part gets at most.
const mostVernier = 12

// finer proposes a second row in the other part where the pitch is coarser than what is
// wanted: with n holes there, a pitch of (n+1)/n of the row's, the steps are the n-th part.
func (r *IndexResult) finer(in IndexInput, say func(code string, severity working.Severity, text string, args ...any)) {
	if in.Wanted <= 0 || in.Wanted >= in.Pitch {
		return
	}
	parts := math.Ceil(in.Pitch/in.Wanted - 1e-9)
	if parts > mostVernier {
		say("too-fine", working.Mind, "Steps of %.2f mm want more than %d holes in the other part: take a screw for that.", in.Wanted,
			mostVernier)
		return
	}
	n := int(parts)
	r.Vernier = &Vernier{Holes: n, Pitch: in.Pitch * float64(n+1) / float64(n), Step: in.Pitch / float64(n)}
	if r.Play > r.Vernier.Step/2 {
		say("play-step", working.Mind, "The play of %.2f mm is over half a step of %.2f mm: two positions fit as well as one.", r.Play,
			r.Vernier.Step)
	}
}

func (in IndexInput) check() error {
	errs := []error{working.Above("/pin", "The pin", in.Pin, 0, 200, "mm"), working.Within("/hole", "The hole", in.Hole, in.Pin, 300, "mm"),
		working.Within("/through", "The hole", in.Through, in.Pin, 300, "mm"), working.Above("/pitch", "The pitch", in.Pitch, in.Hole, 5000,
			"mm"),
		working.Within("/count", "The number of holes", float64(in.Count), 2, 500, ""), working.Within("/radius", "The radius", in.Radius, 0,
			1e4, "mm"),
		working.Above("/edge", "The distance to the side", in.Edge, in.Hole/2, 1000, "mm"), working.Above("/thickness", "The thickness",
			in.Thickness, 0, 100, "mm"),
		working.Within("/force", "The force", in.Force, 0, 1e7, "N"), working.Above("/yield", "The yield strength", in.Yield, 0, 3000, "MPa"),
		working.Within("/tensile", "The tensile strength", in.Tensile, in.Yield, 4000, "MPa"), working.Within("/wanted", "The step wanted",
			in.Wanted, 0, 5000, "mm"),
		in.Strength.Check("/strength")}
	if in.Radius > 0 && in.Pitch >= 2*in.Radius {
		errs = append(errs, working.Refuse("/radius", "A pitch of %.4g mm does not lie on an arc of %.4g mm.", in.Pitch, in.Radius))
	}
	return working.First(errs...)
}
