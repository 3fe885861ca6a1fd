package joint

import (
	"fmt"
	"math"
	"slices"

	"warmanvil/core/bolt"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// hold asks the joint of every mode its form and its plies declare, in every case.
func (j *joint) hold() {
	if !slices.ContainsFunc(j.in.Cases, func(c Case) bool { return c.Force != [3]float64{} || c.Moment != [3]float64{} }) {
		j.close([]strength.Check{strength.Silent("loads", "Loads", "No load is given: type what pulls on the joint, case by case.")}, nil)
		return
	}
	list := j.spreads()
	modes := j.modes(list)
	if j.in.trying {
		for i := range modes {
			modes[i].Explain = nil // nobody reads it
		}
	}
	checks := strength.Hardest(modes, list, (*spread).name)
	for _, why := range j.in.Open {
		checks = append(checks, strength.Silent("arrives", "Loads that arrive", why))
	}
	j.close(checks, j.ledgers())
	j.out.Bolts = j.forces(list)
	j.tell(list)
}

// close sets the checks against what must be answered.
func (j *joint) close(checks []strength.Check, ledgers []strength.Ledger) {
	if ledgers == nil {
		j.out.Checks, j.out.Verdict = checks, strength.Worst(checks)
		return
	}
	o := strength.Close(ledgers, checks)
	j.out.Checks, j.out.Verdict, j.out.Hardest = o.Checks, o.Verdict, o.Hardest
}

// ledgers lists what the joint is of, so what it must answer.
func (j *joint) ledgers() []strength.Ledger {
	out := []strength.Ledger{{Form: j.kind.form()}}
	for k, p := range j.plies {
		form := j.kind.ply(j, k)
		switch {
		case p.Isolator != nil:
			form = strength.IsolatorPly
		case !p.metal:
			form = strength.SoftPly
		}
		out = append(out, strength.Ledger{Form: form, Suffix: fmt.Sprintf("-%d", k), Where: p.Name})
	}
	return out
}

// modes lists every way the joint may give way.
func (j *joint) modes(list []spread) []mode {
	out := append(j.kind.modes(j, list), j.moment())
	for k := range j.plies {
		out = append(out, j.plyModes(k, list)...)
	}
	return out
}

// moment asks for what no fastener and no edge holds.
func (j *joint) moment() mode {
	return mode{Key: "moment", Name: "Moment that nothing holds", Unit: "N·mm",
		Idle:   "The fasteners hold every moment, or the plies pressing on each other do.",
		Unsure: func(s *spread) string { return s.silent },
		Eval: func(s *spread) strength.Hit {
			if j.group.polar < 1e-9 && !j.kind.clamps() && math.Abs(s.turn) > 1 {
				return strength.Hit{Demand: math.Abs(s.turn),
					Gone: "One fastener that is not clamped holds no turn about itself: take a second one, or a bolt that is tightened."}
			}
			return strength.Hit{}
		},
		Explain: func(s *spread, h strength.Hit) working.Working {
			return working.Working{Method: "Turn about a single fastener", Source: "statics", Formula: "Mz = r × F",
				Inputs: []working.Quantity{newtons("F", "force in the plane", s.force.Len())}, Steps: []working.Quantity{},
				Assumptions: []string{"no friction"}, Result: amount("Mz", "moment about it", h.Demand, "N·mm")}
		}}
}

// outermost tells whether a ply lies under heads or under nuts that press on it.
func (j *joint) outermost(k int) bool {
	return k == 0 || k == len(j.plies)-1
}

// washered answers what lies on an outer ply, mm across: its washer where there is
// one on that side, else the head or nut.
func (j *joint) washered(k int) float64 {
	if j.washeredAt(k) {
		return math.Max(j.washer, j.bearing(k))
	}
	return j.bearing(k)
}

// washeredAt tells whether a washer lies on an outer ply.
func (j *joint) washeredAt(k int) bool { return k == 0 && j.headWasher || k > 0 && j.nutWasher }

// bearing answers what lies on a ply without a washer, mm over it: the head on
// the first, the nut on the others.
func (j *joint) bearing(k int) float64 {
	if k == 0 {
		return j.head
	}
	return j.thread.AcrossHex
}

// tell says what follows from the checks in words.
func (j *joint) tell(list []spread) {
	for k, p := range j.plies {
		j.doubler(k, p)
	}
	lever := 0.
	turning := false
	for i := range list {
		lever = math.Max(lever, list[i].lever)
		turning = turning || math.Abs(list[i].turn) > 1
	}
	if lever > 0 {
		j.say("edge-turn", working.Mind, "Bolts",
			fmt.Sprintf("The bolts hold a moment across them only with %s turning about an edge %s away. A second row holds it better.",
				j.plies[j.turned()].Name, j.mm(lever)))
	}
	if len(j.in.Holes) == 1 {
		j.say("single-bolt", working.Mind, "Bolts",
			"One bolt: when it loosens or breaks, nothing is left, and it holds no turn but by friction. A second bolt, a dowel or a folded edge.")
	}
	if j.in.Double && len(j.plies) != 3 {
		j.say("double-plies", working.Stop, "Bolts",
			fmt.Sprintf("Two shear planes need three plies with the pulling one in the middle, and there are %d.", len(j.plies)),
			fix("One shear plane", "/double", false))
	}
	if j.in.Strength.School == strength.Factored && slices.ContainsFunc(j.in.Cases, func(c Case) bool { return !c.Done }) {
		j.say("typed-factored", working.Note, "Loads",
			fmt.Sprintf("Typed loads count %g times in the factored school: type what it really is.", typedFactor))
	}
}

// doubler says how thick a plate behind a ply would have to be, tried until the whole
// joint says so: a thicker ply can go by another rule than a thin one.
func (j *joint) doubler(k int, p ply) {
	worst := overOn(j.out.Checks, p.Name)
	if worst <= 1 || j.in.trying {
		return
	}
	need := math.Max(math.Ceil((p.Thickness*(worst/strength.TightFrom-1))*2)/2, .5)
	code := fmt.Sprintf("doubler-%d", k)
	to := j.in
	to.trying = true
	to.Plies = slices.Clone(to.Plies)
	quick := to
	quick.Cases = to.ruling(*j.out)
	for range 4 {
		to.Plies[k].Thickness = p.Thickness + need
		r, err := Work(quick)
		if err == nil && overOn(r.Checks, p.Name) <= strength.TightFrom && len(quick.Cases) < len(to.Cases) {
			r, err = Work(to)
		}
		if err == nil && overOn(r.Checks, p.Name) <= strength.TightFrom &&
			!slices.ContainsFunc(r.Findings, func(f working.Finding) bool { return f.Severity == working.Stop && !j.told(f.Code) }) {
			j.say(code, working.Stop, "Plies", fmt.Sprintf("%s is over: a doubler of %s of the same metal, bolted through the same holes and "+
				"reaching past them by two diameters, or %s in one piece, brings it under %.0f %%.", p.Name, j.mm(need),
				j.mm(p.Thickness+need), 100*strength.TightFrom),
				fix(fmt.Sprintf("%s on %s", j.mm(need), p.Name), fmt.Sprintf("/plies/%d/thickness", k), p.Thickness+need))
			return
		}
		need = math.Ceil(3*need) / 2
	}
	j.say(code, working.Stop, "Plies", fmt.Sprintf("%s is over, and no doubler brings it under: more or larger fasteners, more edge, or "+
		"another way to hold it.", p.Name))
}

// overOn answers the largest share used of what a thicker ply helps, on one ply.
func overOn(checks []strength.Check, name string) (worst float64) {
	for _, c := range checks {
		if c.Where == name && c.Utilisation != nil &&
			!slices.Contains([]string{"spacing", "rubber-bend", "rubber-shear", "rubber-pull"}, mainKey(c.Key)) {
			worst = math.Max(worst, *c.Utilisation)
		}
	}
	return worst
}

// told tells whether a finding was said already.
func (j *joint) told(code string) bool {
	return slices.ContainsFunc(j.out.Findings, func(f working.Finding) bool { return f.Code == code })
}

// mainKey answers a check's key without the number of its ply.
func mainKey(key string) string {
	for i := len(key) - 1; i > 0; i-- {
		if key[i] == '-' && i+1 < len(key) {
			return key[:i]
		}
		if key[i] < '0' || key[i] > '9' {
			return key
		}
	}
	return key
}

// simply writes the working of a check whose demand is on one fastener and whose
// capacity is the same for all.
func (j *joint) simply(method, source, formula, unit string, said []string, inputs ...working.Quantity) func(s *spread,
	h strength.Hit) working.Working {
	return func(_ *spread, h strength.Hit) working.Working {
		return working.Working{Method: method, Source: source, Formula: formula,
			Inputs: append([]working.Quantity{{Symbol: "n", Name: "fasteners", Value: float64(len(j.in.Holes))}}, inputs...),
			Steps:  []working.Quantity{amount("cap", "may be used", h.Capacity, unit)}, Result: amount("demand", asked(h.At), h.Demand, unit),
			Assumptions: slices.Clone(said)}
	}
}

// plate answers a ply as the rules for a hole's surroundings take it.
func (j *joint) plate(k int) bolt.Plate {
	p := j.plies[k]
	return bolt.Plate{Thickness: p.Thickness, Yield: p.material.Yield * p.worn, Tensile: p.material.Tensile * p.worn, Hole: j.holeOf(p),
		Aluminium: p.aluminium()}
}

// holeOf answers a ply's hole, the usual one where none is given, mm.
func (j *joint) holeOf(p ply) float64 {
	if p.Hole > 0 {
		return p.Hole
	}
	return j.thread.Clearance.Normal
}
