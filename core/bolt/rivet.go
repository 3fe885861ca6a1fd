package bolt

import (
	"fmt"
	"math"

	"warmanvil/core/quantity"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// RivetInput is a stack to be riveted blind, head side first.
type RivetInput struct {
	Display  quantity.Display `json:"-"` // how its sentences write lengths; mm by default
	Diameter float64          `json:"diameter" doc:"mm: 3.2, 4, 4.8 or 6.4"`
	Material string           `json:"material" enum:"aluminium,steel,stainless"`
	Plies    []Ply            `json:"plies" doc:"with their coats and sealant"`
	Shear    float64          `json:"shear,omitempty" doc:"N on one rivet"`
	Tension  float64          `json:"tension,omitempty" doc:"N on one rivet"`
	Safety   float64          `json:"safety,omitempty" doc:"strength over load at least; 3 when left out"`
}

// RivetResult is the rivet to take.
type RivetResult struct {
	Grip     float64           `json:"grip" doc:"mm"`
	Length   *float64          `json:"length" doc:"mm, the length to take; null when none will do"`
	From     float64           `json:"from" doc:"mm of grip it is made for"`
	To       float64           `json:"to" doc:"mm of grip it is made for"`
	Hole     float64           `json:"hole" doc:"mm"`
	Used     float64           `json:"used" doc:"share of its strength over the safety, shear and tension together"`
	Verdict  strength.Verdict  `json:"verdict" enum:"holds,tight,over,cannot say"`
	Working  working.Working   `json:"working"`
	Findings []working.Finding `json:"findings"`
}

// Rivet answers grip, length and strength of a blind rivet. Shear and tension
// act together by the ellipse. It fails with *working.Fault.
func Rivet(in RivetInput) (RivetResult, error) {
	r, err := in.rivet()
	if err != nil {
		return RivetResult{}, err
	}
	if len(in.Plies) < 2 || len(in.Plies) > maxPlies {
		return RivetResult{}, working.Refuse("/plies", "A rivet holds 2 to %d plies: name them.", maxPlies)
	}
	if in.Safety == 0 {
		in.Safety = 3
	}
	err = working.First(working.Within("/shear", "The shear", in.Shear, 0, 1e6, "N"),
		working.Within("/tension", "The tension", in.Tension, 0, 1e6, "N"), working.Within("/safety", "The safety", in.Safety, 1, 20, ""))
	if err != nil {
		return RivetResult{}, err
	}
	out := RivetResult{Hole: r.Hole, Findings: []working.Finding{}}
	for i, p := range in.Plies {
		at := fmt.Sprintf("/plies/%d", i)
		if err := working.First(working.Above(at+"/thickness", "The thickness of "+p.said(i), p.Thickness, 0, 100, "mm"),
			working.Within(at+"/squash", "What it is pressed together", p.Squash, 0, p.Thickness, "mm")); err != nil {
			return RivetResult{}, err
		}
		out.Grip += p.Thickness - p.Squash
	}
	for _, l := range r.Lengths {
		if out.Length == nil && out.Grip <= l.To+1e-9 {
			length := l.Length
			out.Length, out.From, out.To = &length, l.From, l.To
		}
	}
	out.gripped(in, r)
	shear, pull := in.Shear*in.Safety/r.Shear, in.Tension*in.Safety/r.Tension
	out.Used = math.Hypot(shear, pull)
	switch {
	case in.Shear+in.Tension == 0 || out.Length == nil:
		out.Verdict = strength.CannotSay
	default:
		_, out.Verdict = strength.Judge(out.Used, 1)
	}
	if out.Verdict == strength.Over {
		out.say("rivet-over", working.Stop, "Strength",
			fmt.Sprintf("It is asked for %s %% of what it may carry: more rivets, a thicker one, or steel.", strength.Percent(out.Used)))
	}
	out.say("rivet-typical", working.Note, "Strength",
		"Strengths and grips are typical: go by the box. A blind rivet loosens under shaking; vehicle parts that carry want bolts or a "+
			"count of spares.")
	out.Working = working.Working{Method: "Blind rivet", Source: stock.RivetSource,
		Formula: "grip = Σ(t − squash); used = √((S·V/Fv)² + (S·T/Ft)²)",
		Inputs: []working.Quantity{{Symbol: "V", Name: "shear on one", Value: in.Shear, Unit: "N"},
			{Symbol: "T", Name: "tension on one", Value: in.Tension, Unit: "N"}, {Symbol: "S", Name: "strength over load", Value: in.Safety},
			{Symbol: "Fv", Name: "shear strength", Value: r.Shear, Unit: "N"},
			{Symbol: "Ft", Name: "tensile strength", Value: r.Tension, Unit: "N"}},
		Steps: []working.Quantity{{Symbol: "grip", Name: "grip", Value: out.Grip, Unit: "mm"},
			{Symbol: "hole", Name: "hole", Value: r.Hole, Unit: "mm"}},
		Result: working.Quantity{Symbol: "used", Name: "share of what it may carry", Value: out.Used}}
	return out, nil
}

// rivet finds the row of the table that is asked for.
func (in RivetInput) rivet() (stock.Rivet, error) {
	sizes := ""
	for _, row := range stock.Rivets {
		if row.Material != in.Material {
			continue
		}
		if math.Abs(row.Diameter-in.Diameter) < 1e-6 {
			return row, nil
		}
		sizes += fmt.Sprintf(" %g", row.Diameter)
	}
	if sizes == "" {
		return stock.Rivet{}, working.Refuse("/material", "A rivet is of aluminium, steel or stainless, not %q.", in.Material)
	}
	return stock.Rivet{}, working.Refuse("/diameter", "Rivets of %s come in%s mm here, not %g.", in.Material, sizes, in.Diameter)
}

func (out *RivetResult) say(code string, severity working.Severity, cause, reason string) {
	out.Findings = append(out.Findings, working.Finding{Code: code, Severity: severity, Cause: cause, Reason: reason})
}

// gripped tells how the rivet sets in the stack.
func (out *RivetResult) gripped(in RivetInput, r stock.Rivet) {
	say := out.say
	switch {
	case out.Length == nil:
		say("rivet-short", working.Stop, "Grip",
			fmt.Sprintf("The stack is %s and the longest rivet of %s here grips %s: take a thicker one, or a bolt.", in.Display.Text(out.Grip),
				in.Display.Text(in.Diameter), in.Display.Text(r.Lengths[len(r.Lengths)-1].To)))
	case out.Grip < out.From-1e-9:
		say("rivet-long", working.Mind, "Grip",
			fmt.Sprintf("The stack is %s and the shortest rivet here grips from %s: it sets loose. Put a washer under it, or take another diameter.",
				in.Display.Text(out.Grip), in.Display.Text(out.From)))
	}
	if first, last := in.Plies[0], in.Plies[len(in.Plies)-1]; last.Thickness < first.Thickness*.6 && last.Thickness < .5*in.Diameter {
		say("rivet-blind-thin", working.Mind, "Plies",
			fmt.Sprintf("The thin sheet of %s lies on the blind side: the rivet pulls through it. Turn the stack round, or put a washer behind.",
				in.Display.Text(last.Thickness)))
	}
	thin := math.Inf(1)
	for _, p := range in.Plies {
		if p.Squash == 0 {
			thin = math.Min(thin, p.Thickness)
		}
	}
	if thin < in.Diameter/4 {
		say("rivet-thick", working.Note, "Plies",
			fmt.Sprintf("The thinnest sheet of %s is less than a quarter of the rivet: the hole gives before the rivet does.",
				in.Display.Text(thin)))
	}
}
