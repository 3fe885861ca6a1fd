package bending

import (
	"context"
	"fmt"
	"math"
	"slices"

	"warmanvil/core/sheet/lay"
	"warmanvil/core/working"
)

// mostStrokes is how many strokes an order is looked for.
const mostStrokes = 60

// Find bends a part that is laid out in the first of some brakes that can, and answers how;
// else what stands in the way in the first of them, with what was tried: other brakes are of
// other sorts. It fails with *working.Fault when the part is not whole or has too many bends,
// or with the context's error. progress may be nil.
func Find(until context.Context, l *lay.Laid, ask Asked, progress func(done, total int)) (Bending, error) {
	switch {
	case l.Broken || len(l.Panels) == 0:
		return Bending{}, working.Refuse("", "The part cannot be unfolded as it stands, so it cannot be bent: mend that first.")
	case len(l.Panels) < 2:
		return Bending{}, working.Refuse("", "Nothing of it is bent.")
	case len(ask.Brakes) == 0:
		return Bending{}, working.Refuse("", "No brake that bends it is there now: say one in the Shop.")
	}
	body := bodyOf(l)
	if n := len(body.strokes); n > mostStrokes {
		return Bending{}, working.Refuse("", "It has %d bends: an order is looked for up to %d. Split it.", n, mostStrokes)
	}
	brakes := able(ask.Brakes, body)
	if len(brakes) == 0 { // said by the checks of lengths and thicknesses
		brakes = ask.Brakes
	}
	var first Bending
	var tried []string
	for i, brake := range brakes {
		b, p, plan, err := bent(until, l, body, brake, ask, progress)
		if err != nil {
			return Bending{}, err
		}
		if b.Goes {
			return b, nil
		}
		if i == 0 {
			first = b
			first.Conflict = p.conflict(plan)
		} else {
			tried = append(tried, brake.Name)
		}
	}
	ways, err := waysOut(until, l, body, brakes[0], tried, ask.Others)
	first.Conflict.Ways = ways
	return first, err
}

// Goes tells whether any order is found in one of some brakes, looked for no longer than it takes
// to prove a change of a part. It fails as Find does.
func Goes(until context.Context, l *lay.Laid, brakes []Brake) (bool, error) {
	if l.Broken || len(l.Panels) < 2 || len(brakes) == 0 {
		return true, nil // nothing to ask
	}
	body := bodyOf(l)
	if n := len(body.strokes); n > mostStrokes {
		return false, working.Refuse("", "It has %d bends: an order is looked for up to %d. Split it.", n, mostStrokes)
	}
	list := able(brakes, body)
	if len(list) == 0 {
		list = brakes
	}
	for _, b := range list {
		if goes, err := newPlanner(body, b).any(until, shortly); goes || err != nil {
			return goes, err
		}
	}
	return false, nil
}

// shortly is how many states prove a change.
const shortly = 400

// able answers the brakes that take a body's thickness and its longest bend.
func able(brakes []Brake, b *body) (out []Brake) {
	long := b.longest()
	for _, x := range brakes {
		if (x.Thick <= 0 || b.thickness <= x.Thick+1e-6) && (x.Long <= 0 || long <= x.Long+1e-6) {
			out = append(out, x)
		}
	}
	return out
}

// longest answers the length of the longest stroke, mm.
func (b *body) longest() (long float64) {
	for _, t := range b.strokes {
		long = math.Max(long, t.to-t.from)
	}
	return long
}

func bent(until context.Context, l *lay.Laid, body *body, brake Brake, ask Asked, progress func(done, total int)) (Bending, *planner,
	plan, error) {
	p := newPlanner(body, brake)
	plan, err := p.plan(until, progress)
	if err != nil {
		return Bending{}, nil, plan, err
	}
	out := Bending{Brake: brake.Name, Kind: brake.Kind, Goes: len(plan.moves) > 0, Found: Search, Looked: plan.looked,
		Steps:  []BendingStep{},
		Plates: []BendingPlate{}, Usual: p.usual(l)}
	if plan.exact {
		out.Found = Exact
	}
	if out.Goes {
		p.told(l, &out, plan, ask)
	}
	out.Working = p.working(l, &out)
	return out, p, plan, nil
}

// usual says what was taken as usual.
func (p *planner) usual(l *lay.Laid) []string {
	out := []string{}
	if !p.brake.Named {
		out = append(out, "the machine")
	} else if !p.brake.Said {
		out = append(out, "beams, opening, floor or stop of "+p.brake.Name)
	}
	if len(p.brake.Upper) > 0 && !p.brake.Upper[0].Said {
		out = append(out, map[Kind]string{Press: "the punches", Leaf: "the fingers", Vice: "the bars"}[p.brake.Kind])
	}
	if p.brake.Kind == Press && !p.brake.Die.Said {
		out = append(out, "the die's block")
	}
	return out
}

func (p *planner) working(l *lay.Laid, b *Bending) working.Working {
	t := p.body.thickness
	w := working.Working{Method: "Order of bends by bending",
		Source: "the body is carried through the tools bend by bend; separating axes " +
			"of convex pieces (Gottschalk, Lin, Manocha 1996) every half degree where things are close, leaps bounded by the fastest point else",
		Formula: "least cost = turns over, wrong side to the stop, turns round, other tools, sheet that hangs out, in this order",
		Inputs: []working.Quantity{working.MM("T", "thickness", t), {Symbol: "n", Name: "strokes", Value: float64(len(p.body.strokes))},
			working.MM("lift", "the tools open", p.brake.Open), working.MM("floor", "below the die or bed", p.brake.Floor),
			working.MM("beam", "thickness of the beams", p.brake.Beam)},
		Steps: []working.Quantity{{Symbol: "states", Name: "states of the body looked at", Value: float64(b.Looked)},
			{Symbol: "sweeps", Name: "sweeps of pieces past tools and each other", Value: float64(p.asked())}},
		Assumptions: []string{fmt.Sprintf("the sheet may lean into what it rests on by %s", l.Fine(drawnIn(t)).Text),
			"holes count as full sheet", "tools are stiff and in line; the sheet bends in its bends alone",
			"rests on the shoulders as an air bend does; the flat length of a bend runs evenly into its arc",
			"how it is carried to the tools is looked at only for lifting, from the front and along the bend"},
		Result: working.Quantity{Symbol: "turns", Name: "turns of the sheet, over and round", Value: float64(b.Over + b.Round)}}
	if len(p.body.strokes) > exactTo {
		w.Assumptions = append(w.Assumptions,
			fmt.Sprintf("over %d strokes the more hopeful states are followed: a shorter order may be there",
				exactTo))
	}
	return l.Explain(w)
}

// waysOut answers what to try, in order; what can be proved here is.
func waysOut(until context.Context, l *lay.Laid, body *body, first Brake, tried []string, others []Brake) ([]string, error) {
	var out, goes []string
	for _, t := range better(first, l) {
		goes, err := newPlanner(body, t.brake).any(until, deepest)
		if err != nil {
			return nil, err
		}
		if goes {
			out = append(out, "another tool: it goes with "+t.says)
			break
		}
	}
	if len(out) == 0 {
		out = append(out, "another tool: none of the usual ones reaches, so one with its own outline (say it in the Shop)")
	}
	for _, brake := range able(others, body) {
		can, err := newPlanner(body, brake).any(until, deepest)
		if err != nil {
			return nil, err
		}
		if can {
			goes = append(goes, brake.Name)
		} else {
			tried = append(tried, brake.Name)
		}
	}
	switch {
	case len(goes) > 0:
		out = append(out, "another machine: it goes on "+list(goes)+" (choose it under Sheet and tools, and look at what it says there)")
	case len(tried) > 0:
		out = append(out, "another machine: not on "+list(tried)+" either")
	default:
		out = append(out, "another machine (say it in the Shop)")
	}
	return append(out, "split the part (Split proposes where)", "a bender outside whose tools take it", "another design"), nil
}

// other is a brake with other tools, and what they are.
type other struct {
	brake Brake
	says  string
}

// better are sets of tools that shops buy when the ones there do not reach, in sizes of the
// job's units.
func better(b Brake, l *lay.Laid) (out []other) {
	or := func(mm, inches float64) float64 {
		if l.Inches() {
			return inches * 25.4
		}
		return mm
	}
	with := func(says string, tools []Tool) {
		c := b
		c.Upper = append(slices.Clone(b.Upper), tools...)
		out = append(out, other{c, says})
	}
	high, throat, tall := or(200, 8), or(60, 2.5), or(250, 10)
	switch b.Kind {
	case Press:
		if b.Upper[0].Said {
			with("usual punches in sections", UsualPunches())
		}
		with(fmt.Sprintf("a gooseneck %s high with a throat of %s", l.Len(high), l.Len(throat)), []Tool{{Name: "a tall gooseneck",
			Step: usualSections, Outline: Gooseneck(usualTip, usualNeck, high, throat)}})
		with(fmt.Sprintf("a straight punch %s high", l.Len(tall)), []Tool{{Name: "a tall punch", Step: usualSections,
			Outline: Straight(usualTip, usualPunch, tall)}})
	case Leaf:
		with("fingers in sections", UsualFingers(6, true))
		with(fmt.Sprintf("fingers %s high", l.Len(high)), []Tool{{Name: "tall fingers", Step: usualSections, Outline: Finger(6, high,
			usualLean)}})
	}
	return out
}

func list(names []string) string {
	if len(names) == 1 {
		return names[0]
	}
	return names[0] + " or " + list(names[1:])
}
