package joint

import (
	"fmt"
	"math"
	"slices"

	"warmanvil/core/bolt"
	"warmanvil/core/profile"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// plyModes lists what a ply must answer.
func (j *joint) plyModes(k int, list []spread) []mode {
	p := j.plies[k]
	switch {
	case p.Isolator != nil:
		return j.isolated(k)
	case !p.metal:
		return []mode{j.softened(k)}
	}
	var out []mode
	for _, d := range strength.Declared(j.kind.ply(j, k)) {
		var m mode
		switch d.Key {
		case "bearing":
			m = j.crushed(k)
		case "tear":
			m = j.torn(k)
		case "spacing":
			m = j.spaced(k)
		case "net":
			m = j.netted(k)
		case "block":
			m = j.blocked(k)
		case "through":
			m = j.through(k)
		case "bend":
			m = j.bentBeside(k)
		case "ear":
			m = j.ear(k)
		case "dish":
			m = j.dished(k)
		default:
			continue // the ledger says it was not looked at
		}
		m.Key, m.Where = fmt.Sprintf("%s-%d", d.Key, k), p.Name
		out = append(out, m)
	}
	if k == j.turned() {
		if m, ok := j.leans(k, list); ok {
			out = append(out, m)
		}
	}
	return out
}

// half answers the share of the fastener's shear an outer ply takes: half where the
// middle one of three pulls between them.
func (j *joint) half(k int) float64 {
	if j.in.Double && len(j.plies) == 3 && k != 1 {
		return .5
	}
	return 1
}

// shearOn answers what a ply gets of a fastener's shear in a case.
func (j *joint) shearOn(s *spread, k, i int) float64 {
	if !s.through(k) {
		return 0
	}
	return j.half(k) * s.sheared[i]
}

func (j *joint) stuff(k int) (thick, stress working.Quantity) {
	p, plate := j.plies[k], j.plate(k)
	name := "strength of "
	if j.in.Strength.Yields() {
		name = "yield of "
	}
	return working.MM("t", "thickness as measured", p.Thickness), mpa("Fu", name+p.material.Name, plate.Strong(j.in.Strength))
}

// crushed is bearing of the fastener on the hole.
func (j *joint) crushed(k int) mode {
	plate, d := j.plate(k), j.thread.Diameter
	capacity, by := plate.Bearing(j.in.Strength, d, j.headWasher && j.nutWasher && j.washer > d)
	if j.kind.form() == strength.PinForm {
		capacity, by = plate.PinBearing(j.in.Strength, d)
	}
	thick, stress := j.stuff(k)
	said := j.in.Strength.Says(plate.Breaks())
	if !j.in.Strength.Yields() && !plate.Aluminium && plate.Thickness < bolt.ThinSheet && j.kind.form() != strength.PinForm {
		said = j.in.Strength.Says(strength.SheetBearing)
	}
	return mode{Name: "Hole crushed", Unit: "N",
		Eval: func(s *spread) strength.Hit {
			return strength.HardestOf(len(s.vectors), func(i int) (float64, float64) { return j.shearOn(s, k, i), capacity })
		},
		Explain: j.simply("Bearing on "+j.plies[k].Name, by, "V against R", "N", []string{said}, thick, stress, working.MM("d", "fastener", d))}
}

// torn is tear-out to the nearest edge, or to the next hole along the force.
func (j *joint) torn(k int) mode {
	p, plate, rule := j.plies[k], j.plate(k), j.in.Strength
	m := mode{Name: "Hole torn out to the edge or the next hole", Unit: "N"}
	if p.Edge <= 0 {
		m.Missing = "Its distance to the nearest edge is not given."
		return m
	}
	clear := p.Edge - plate.Hole/2
	at := func(s *spread, i int) float64 { return math.Min(clear, j.toNext(s.vectors[i], i, plate.Hole)) }
	strong := func(lc float64) float64 { q := plate; q.Clear = lc; c, _ := q.TearOut(rule); return c }
	least := make([]float64, len(j.in.Holes)) // whatever way the force points
	for i := range least {
		least[i] = strong(math.Max(0, math.Min(clear, j.group.pitch(i)-plate.Hole)))
	}
	toEdge := strong(clear)
	worst := 0.
	m.Eval = func(s *spread) strength.Hit {
		if clear <= 0 {
			return strength.Hit{Demand: 1, Gone: fmt.Sprintf("The hole of %s reaches past the edge, which is %s from its middle.",
				j.mm(plate.Hole), j.mm(p.Edge))}
		}
		h := strength.HardestOf(len(s.vectors), func(i int) (float64, float64) {
			v := j.shearOn(s, k, i)
			switch {
			case v <= worst*least[i]: // no way of the force is worse than that
				return v, math.Max(least[i], 1e-9)
			case j.group.pitch(i)-plate.Hole >= clear:
				return v, toEdge
			}
			return v, strong(at(s, i))
		})
		if u := h.Share(); !math.IsInf(u, 0) && !math.IsNaN(u) {
			worst = math.Max(worst, u)
		}
		return h
	}
	thick, stress := j.stuff(k)
	m.Explain = func(s *spread, h strength.Hit) working.Working {
		plate := plate
		plate.Clear = at(s, h.At)
		_, by := plate.TearOut(rule)
		return j.simply("Tear-out of "+p.Name, by, "V against R, at the nearest edge or the next hole along the force", "N",
			[]string{rule.Says(plate.Breaks())}, thick, stress, working.MM("lc", "hole's edge to it", plate.Clear))(s, h)
	}
	return m
}

// toNext answers the clear distance from a hole's edge to the next hole that lies
// along a force, either way; infinite where none does.
func (j *joint) toNext(v profile.Point, i int, hole float64) float64 {
	l := v.Len()
	if l < 1e-9 {
		return math.Inf(1)
	}
	u := v.Mul(1 / l)
	best := math.Inf(1)
	for m, o := range j.group.at {
		if m == i {
			continue
		}
		d := o.Sub(j.group.at[i])
		if math.Abs(d.Cross(u)) < hole {
			best = math.Min(best, math.Max(0, math.Abs(d.Dot(u))-hole))
		}
	}
	return best
}

// spaced asks how far the holes stand apart.
func (j *joint) spaced(k int) mode {
	p := j.plies[k]
	hole := j.holeOf(p)
	m := mode{Name: "Holes too near to each other", Unit: "mm"}
	least := math.Inf(1)
	for i := range j.in.Holes {
		least = math.Min(least, j.group.pitch(i))
	}
	if math.IsInf(least, 1) {
		m.Needless = "It is one hole."
		return m
	}
	need, source := bolt.LeastPitch(j.thread.Diameter, hole, p.Thickness)
	if least >= need-1e-6 {
		m.Needless = fmt.Sprintf("They stand %s apart and %s are asked (%s).", j.mm(least), j.mm(need), source)
		return m
	}
	m.Eval = func(*spread) strength.Hit {
		return strength.Hit{Demand: need, Capacity: least,
			Gone: fmt.Sprintf("Holes stand %s apart and must be %s: %s.", j.mm(least), j.mm(need), source)}
	}
	m.Explain = func(_ *spread, h strength.Hit) working.Working {
		return working.Working{Method: "Least distance between holes of " + p.Name, Source: source, Formula: "s ≥ smin",
			Inputs: []working.Quantity{working.MM("d", "fastener", j.thread.Diameter), working.MM("dh", "hole", hole)},
			Steps:  []working.Quantity{working.MM("s", "there", least)}, Result: working.MM("smin", "asked", need),
			Assumptions: []string{"holes as typed or as the part has them"}}
	}
	return m
}

// netted is the ply torn across its holes, along both axes.
func (j *joint) netted(k int) mode {
	p, plate, rule := j.plies[k], j.plate(k), j.in.Strength
	m := mode{Name: "Torn across the holes"}
	if p.Wide[0] <= 0 || p.Wide[1] <= 0 {
		m.Missing = fmt.Sprintf("How wide %s is at the holes, both ways, is not given.", p.Name)
		return m
	}
	var cap [2]float64
	for axis := range 2 { // torn by a force along axis: across it
		cap[axis] = rule.Capacity(math.Max(0, p.Wide[1-axis]-j.lost(axis, plate.Hole))*p.Thickness*plate.Strong(rule), plate.Breaks())
	}
	m.Eval = func(s *spread) strength.Hit {
		if !s.through(k) {
			return strength.Hit{Capacity: 1}
		}
		for axis, f := range [2]float64{s.force.X, s.force.Y} {
			if cap[axis] <= 0 && math.Abs(f) > 1e-9 {
				return strength.Hit{Demand: 1, Gone: fmt.Sprintf("Nothing of %s is left between its holes.", p.Name)}
			}
		}
		return strength.Hit{Demand: j.half(k) * (math.Abs(s.force.X)/math.Max(cap[0], 1e-9) + math.Abs(s.force.Y)/math.Max(cap[1], 1e-9)),
			Capacity: 1}
	}
	thick, stress := j.stuff(k)
	m.Explain = func(s *spread, h strength.Hit) working.Working {
		return working.Working{Method: p.Name + " torn across its holes",
			Source:  "net section, AISC 360 D2 (b) with 2 mm more than drilled (B4.3b); aluminium by the Aluminum Design Manual D.2",
			Formula: "R = Fu·(W − Σ(dh + 2))·t, both ways; u = Vx/Rx + Vy/Ry",
			Inputs: []working.Quantity{newtons("Vx", "force across", s.force.X), newtons("Vy", "force up", s.force.Y),
				working.MM("Wx", "width across", p.Wide[0]), working.MM("Wy", "width up", p.Wide[1]), thick, stress},
			Steps: []working.Quantity{newtons("Rx", "may be used across", cap[0]), newtons("Ry", "may be used up", cap[1])},
			Assumptions: []string{rule.Says(plate.Breaks()),
				"the force of the case through the whole width; how the ply itself is bent belongs to the part it is of"},
			Result: amount("u", "share used", h.Demand, "")}
	}
	return m
}

// lost answers the most that holes in one line across an axis take off, mm.
func (j *joint) lost(axis int, hole float64) float64 {
	most := 0.
	for _, h := range j.in.Holes {
		sum := 0.
		for _, o := range j.in.Holes {
			if math.Abs(o[axis]-h[axis]) < hole {
				sum += bolt.Tears(hole)
			}
		}
		most = math.Max(most, sum)
	}
	return most
}

// through is a head, nut or washer pulled through an outer ply.
func (j *joint) through(k int) mode {
	p, plate, rule := j.plies[k], j.plate(k), j.in.Strength
	m := mode{Name: "Head or washer pulled through", Unit: "N"}
	last := k == len(j.plies)-1
	switch {
	case p.Thickness >= bolt.ThinSheet:
		m.Needless = fmt.Sprintf("At %s it is plate: head and nut do not go through.", j.mm(p.Thickness))
		return m
	case last && j.kind.captive() && j.in.Nut != WeldNut:
		m.Needless = "Nothing is pulled through it: the thread is in it, and answers by itself."
		return m
	case last && j.kind.form() == strength.ScrewForm:
		m.Needless = "The screw's thread is in it: pulled out is asked by itself."
		return m
	}
	over := j.washered(k)
	capacity, by := plate.PullThrough(rule, over)
	thick, stress := j.stuff(k)
	m.Eval = func(s *spread) strength.Hit {
		if !s.through(k) {
			return strength.Hit{}
		}
		return strength.HardestOf(len(s.pull), func(i int) (float64, float64) { return s.tension(i), capacity })
	}
	m.Explain = j.simply("Head pulled through "+p.Name, by, "T against P", "N", []string{rule.Says(strength.PullThrough)}, thick, stress,
		working.MM("dw", "head or washer", over))
	return m
}

// leverArm answers the prying geometry of an outer ply at a bolt.
func (j *joint) leverArm(k, i int) bolt.Prying {
	p := j.plies[k]
	a := p.Edge
	if a == 0 {
		a = p.Pull
	}
	return bolt.Prying{A: a, B: p.Pull, Length: math.Min(2*p.Pull, j.group.pitch(i)), Bolt: j.thread.Diameter, Plate: j.plate(k)}
}

// bentBeside is an outer ply that gives way between its bolts and what pulls it.
func (j *joint) bentBeside(k int) mode {
	p, rule := j.plies[k], j.in.Strength
	m := mode{Name: "Bent beside its bolts", Unit: "N", Idle: "Nothing pulls it off."}
	if p.Stiff {
		m.Needless = "It is backed or stiff over its whole face: nothing of it bends beside the bolts."
		return m
	}
	if p.Pull <= 0 {
		m.Unsure = func(s *spread) string {
			if s.through(k) && slices.ContainsFunc(s.pull, func(v float64) bool { return v > 1 }) {
				return fmt.Sprintf("the bolts are pulled, and it is not said how far the bend, web or wall of %s is that holds it. Give that "+
					"distance, or say that it is stiff.", p.Name)
			}
			return ""
		}
		m.Eval = func(*spread) strength.Hit { return strength.Hit{} }
		return m
	}
	caps := make([]float64, len(j.in.Holes))
	for i := range caps {
		caps[i] = j.leverArm(k, i).Bends(rule)
	}
	m.Eval = func(s *spread) strength.Hit {
		if !s.through(k) {
			return strength.Hit{}
		}
		return strength.HardestOf(len(s.pull), func(i int) (float64, float64) { return s.drawn(i), caps[i] })
	}
	thick, stress := j.stuff(k)
	m.Explain = func(s *spread, h strength.Hit) working.Working {
		q := j.leverArm(k, h.At)
		return j.simply(p.Name+" bent beside its bolts", "AISC Manual part 9, the plate's own strength with full prying",
			"T ≤ p·t²·F·(1 + δ)/(4·b'), b' = b − d/2, δ = 1 − dh/p", "N",
			[]string{rule.Says(q.Plate.Yields()), "prying comes on top of the bolt's tension and is asked there"},
			thick, stress, working.MM("b", "bolt to the bend or web", q.B),
			working.MM("p", "length of plate that belongs to a bolt", q.Length))(s, h)
	}
	return m
}
