package held

import (
	"fmt"
	"math"
	"slices"

	"warmanvil/core/frame"
	"warmanvil/core/member"
	"warmanvil/core/solid"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// supports tells what each takes.
func (w *weighing) supports() {
	body := w.m.bodies()
	for _, s := range w.m.b.Laid.Supports {
		n, ok := w.m.node[s.Point]
		if _, used := w.m.in.Nodes[n]; !ok || !used {
			continue
		}
		x := SupportHeld{Point: s.Point, Name: w.m.b.Laid.Name(s.Point), Kind: s.Kind, Body: body[n]}
		for i, a := range w.answers {
			r := a.design.Reactions[n]
			if i == 0 {
				x.Rest = a.service.Reactions[n]
			}
			if f := (solid.Vector{r[0], r[1], r[2]}).Len(); f > x.Force {
				x.Force, x.Worst, x.Case = f, r, a.name
			}
			x.Lifts = x.Lifts || r[2] < -1
		}
		work := w.held.reaction(x, w.ask.Rule.Says(strength.Yield))
		x.Working = &work
		w.held.Supports = append(w.held.Supports, x)
	}
}

// moves finds the largest movement under service loads.
func (w *weighing) moves(d member.Doc) {
	v := &w.held.Moves
	worst := -1
	for i, a := range w.answers {
		if a.service.MaxDisplacement > v.Most || worst < 0 {
			v.Most, v.Case, worst = a.service.MaxDisplacement, a.name, i
		}
	}
	most := -1.0
	for i := range w.held.Members {
		x := &w.held.Members[i]
		list := w.m.of[i]
		if len(list) == 0 {
			continue
		}
		var shape []frame.Station
		for _, k := range list {
			for _, s := range w.answers[worst].service.Along(k, 10) {
				s.At += w.m.parts[k].from
				shape = append(shape, s)
			}
		}
		for k := range x.Along {
			x.Along[k].Shift = between(shape, x.Along[k].At)
		}
		for _, s := range shape {
			if l := s.Shift.Len(); l > most {
				most, v.Member = l, x.Name
			}
		}
	}
	work := w.answers[worst].service.Working
	v.Work = &work
	if d.Sags > 0 {
		v.Limit = d.Sags
		c := strength.Check{Key: "moves", Name: "how far it moves", Case: v.Case, Where: v.Member, Demand: v.Most, Capacity: d.Sags,
			Unit: "mm", Working: &work}
		c.Utilisation, c.Verdict = strength.Judge(v.Most, d.Sags)
		v.Check = &c
	}
}

// between answers the movement at a place between two stations.
func between(list []frame.Station, at float64) solid.Vector {
	for i := 1; i < len(list); i++ {
		a, b := list[i-1], list[i]
		if at <= b.At && b.At > a.At {
			t := max(0, (at-a.At)/(b.At-a.At))
			return a.Shift.Mul(1 - t).Add(b.Shift.Mul(t))
		}
	}
	return list[len(list)-1].Shift
}

// modes tells the lowest frequencies against road and engine, or why it cannot.
func (w *weighing) modes(d member.Doc) (why string) {
	in := w.m.in
	in.Masses, in.Riders = w.nodes, w.riders
	if len(w.metres) > 0 {
		in.Members = slices.Clone(in.Members)
		for k := range in.Members {
			in.Members[k].Mass += w.metres[w.m.parts[k].run]
		}
	}
	solved, err := frame.Open(w.ask.Within(), in)
	if err != nil {
		return "The natural frequencies cannot be said: " + w.m.words(err).Error()
	}
	list, err := solved.Modes(w.ask.Within(), 3)
	if err != nil {
		return "The natural frequencies cannot be said: " + w.m.words(err).Error()
	}
	road := d.Shakes.Road
	if road == 0 {
		road = 15
	}
	for _, m := range list {
		t := ModeTold{Hertz: m.Hertz, Verdict: strength.Holds, Says: fmt.Sprintf("above the road's %.3g Hz", road),
			Shape: map[string]solid.Vector{}}
		if m.Hertz < 1.3*road {
			t.Verdict, t.Says = strength.Tight, fmt.Sprintf("the road shakes it up to %.3g Hz: it will swing and tire. Stiffen it, or bring what "+
				"it carries nearer.", road)
		}
		for _, x := range []struct {
			name string
			rpm  float64
		}{{"idle", d.Shakes.Idle}, {"under way", d.Shakes.Cruise}} {
			if x.rpm <= 0 || d.Shakes.Cylinders <= 0 {
				continue
			}
			fires := x.rpm / 60 * float64(d.Shakes.Cylinders) / 2
			if math.Abs(m.Hertz-fires) < .2*fires {
				t.Verdict, t.Says = strength.Tight, fmt.Sprintf("the engine fires at %.3g Hz %s: within a fifth of it, it will hum.", fires, x.name)
			}
		}
		for _, j := range w.m.b.Laid.Joints {
			if s, ok := m.Shape[w.m.node[j.ID]]; ok {
				t.Shape[j.ID] = solid.Vector{s[0], s[1], s[2]}
			}
		}
		w.held.Modes = append(w.held.Modes, t)
	}
	if len(list) > 0 {
		work := swinging(list[0].Hertz, w.held.Carries, w.m.b.Mass)
		w.held.Swings = &work
	}
	return ""
}

// reaction is the working of what a support takes in its worst case.
func (h *Held) reaction(s SupportHeld, rule string) working.Working {
	w := working.Working{Method: "What a support takes", Source: "space frame by direct stiffness; the whole frame in equilibrium",
		Formula: "R = K·u − F in the directions held; |R| = √(Rx² + Ry² + Rz²)",
		Inputs: []working.Quantity{{Symbol: "m", Name: "carried at rest, people left out", Value: h.Carries, Unit: "kg"},
			{Symbol: "Rr", Name: "takes at rest, up", Value: s.Rest[2], Unit: "N"}},
		Assumptions: []string{"worst case: " + s.Case, "loads with the school's factors. " + rule,
			"what it stands on does not give, unless it is rubber"},
		Result: working.Quantity{Symbol: "R", Name: "on the frame", Value: s.Force, Unit: "N"}}
	for k, name := range [6]string{"forward", "left", "up", "about forward", "about left", "about up"} {
		unit, symbol := "N", [3]string{"Rx", "Ry", "Rz"}
		if k > 2 {
			unit, symbol = "N·mm", [3]string{"Mx", "My", "Mz"}
		}
		w.Steps = append(w.Steps, working.Quantity{Symbol: symbol[k%3], Name: name, Value: s.Worst[k], Unit: unit})
	}
	return w
}

// swinging is the working of the natural frequencies.
func swinging(hertz, carried, own float64) working.Working {
	return working.Working{Method: "Natural frequencies",
		Source: "subspace iteration on the factorised stiffness; consistent masses of the members", Formula: "K·x = ω²·M·x, f = ω/2π",
		Inputs: []working.Quantity{{Symbol: "mc", Name: "carried at points", Value: carried, Unit: "kg"},
			{Symbol: "mf", Name: "the frame itself", Value: own, Unit: "kg"}},
		Assumptions: []string{"what is carried counts at its points: its height above them is left out and would lower them",
			"people are left out, nothing damps"}, Result: working.Quantity{Symbol: "f", Name: "lowest", Value: hertz, Unit: "Hz"}}
}
