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

// slip is AISC 360 J3.8: Ω 1.50, φ 1.00 where slip is a matter of service.
var slip = strength.Factors{Omega: 1.5, Phi: 1}

// friction between plies (practice): bare or painted steel counts alike, low.
const friction = .2

// spread is a case shared among the bolts.
type spread struct {
	c       Case
	vectors []profile.Point // in the plane, N
	pull    []float64       // along the bolts, N
	add     []float64       // what turning about an edge adds, N
	pried   []float64       // what prying adds, N
	lean    float64         // N·mm held by the plies pressing on each other
	lever   float64         // mm, from the bolts to where they press
	force   profile.Point
	turn    float64 // N·mm about the group's middle
	silent  string
}

// hold checks bolts and plies in every case.
func (j *joint) hold() {
	if !slices.ContainsFunc(j.in.Cases, func(c Case) bool { return c.Force != [3]float64{} || c.Moment != [3]float64{} }) {
		j.out.Checks = append(j.out.Checks, strength.Silent("loads", "Loads", "No load is given: type what pulls on the joint, case by case."))
		return
	}
	list := make([]spread, len(j.in.Cases))
	for i, c := range j.in.Cases {
		list[i] = j.share(c)
		j.pry(&list[i])
	}
	planes := 1.
	if j.in.Double {
		planes = 2
	}
	rule := j.in.Strength
	ta, va := 0., 0.
	if j.in.Nut != Riveted {
		ta, va = j.bolt.Capacity(rule)
	}
	source := "AISC 360 J3.6; " + j.grade.Source
	if rule.Yields() {
		source = "proof stress on the stress area, 0.577 of it in shear; " + j.grade.Source
	}
	worst := -1.
	// each finds the hardest bolt over all cases and tells the check.
	each := func(key, name, unit, where string, eval func(s *spread, i int) (demand, capacity float64), explain func(s *spread, i int, demand, capacity float64) working.Working) {
		best, at, bi := -1., 0, 0
		var demand, capacity float64
		why := ""
		for k := range list {
			if list[k].silent != "" {
				why = fmt.Sprintf("In the case %s: %s", list[k].c.Name, list[k].silent)
			}
			for i := range j.in.Holes {
				d, c := eval(&list[k], i)
				if u := d / math.Max(c, 1e-12); u > best {
					best, at, bi, demand, capacity = u, k, i, d, c
				}
			}
		}
		u, verdict := strength.Judge(demand, capacity)
		w := explain(&list[at], bi, demand, capacity)
		c := strength.Check{Key: key, Name: name, Where: where, Case: list[at].c.Name, Demand: demand, Capacity: capacity, Unit: unit, Utilisation: u, Verdict: verdict, Working: &w}
		if why != "" && verdict != strength.Over && (key == "tension" || key == "combined") {
			c.Verdict, c.Why = strength.CannotSay, why
		}
		j.out.Checks = append(j.out.Checks, c)
		if key == "combined" && best > worst {
			worst = best
			j.out.Bolts = j.forces(&list[at], planes)
		}
	}
	said := rule.Says(strength.Rupture)
	simple := func(method, source, formula string, inputs ...working.Quantity) func(s *spread, i int, d, c float64) working.Working {
		return func(s *spread, i int, d, c float64) working.Working {
			return working.Working{Method: method, Source: source, Formula: formula, Inputs: append([]working.Quantity{{Symbol: "n", Name: "bolts", Value: float64(len(j.in.Holes))}}, inputs...),
				Steps: []working.Quantity{{Symbol: "cap", Name: "may be used", Value: c, Unit: "N"}}, Result: working.Quantity{Symbol: "demand", Name: fmt.Sprintf("asked of bolt %d", i+1), Value: d, Unit: "N"}, Assumptions: []string{said}}
		}
	}
	if j.in.Nut == Riveted {
		j.rivets(each)
		for k := range j.plies {
			j.holdPly(k, each, simple, list)
		}
		return
	}
	if j.in.Nut == Screw {
		j.screwed(each)
		for k := range j.plies {
			j.holdPly(k, each, nil, list)
		}
		return
	}
	each("shear", "Bolt in shear", "N", "", func(s *spread, i int) (float64, float64) { return s.vectors[i].Len() / planes, va },
		func(s *spread, i int, d, c float64) working.Working {
			w := simple("Bolt in shear, elastic vector method", source, "V = |F/n + M·r/Σr²| / planes", working.Quantity{Symbol: "planes", Name: "shear planes", Value: planes})(s, i, d, c)
			if u, ok := j.instantaneous(s, va, planes); ok {
				w.Steps = append(w.Steps, working.Quantity{Symbol: "u", Name: "share used by the instantaneous centre of rotation, as a second answer", Value: u})
			}
			return w
		})
	if j.in.Nut == Pin {
		j.pinned(list)
		for k := range j.plies {
			j.holdPly(k, each, simple, list)
		}
		return
	}
	each("tension", "Bolt in tension", "N", "", func(s *spread, i int) (float64, float64) { return s.tension(i), ta },
		func(s *spread, i int, d, c float64) working.Working {
			w := simple("Bolt in tension, neutral axis at the group's middle", source, "T = N/n + share of the moments + prying")(s, i, d, c)
			if s.add[i] > 0 {
				w.Steps = append(w.Steps, working.Quantity{Symbol: "Te", Name: "of it by turning about the plies' edge", Value: s.add[i], Unit: "N"})
			}
			if s.pried[i] > 0 {
				w.Steps = append(w.Steps, working.Quantity{Symbol: "q", Name: "of it prying (AISC Manual part 9)", Value: s.pried[i], Unit: "N"})
			}
			return w
		})
	each("combined", "Bolt in shear and tension", "", "", func(s *spread, i int) (float64, float64) {
		return j.bolt.Combined(rule, s.tension(i), s.vectors[i].Len()/planes), 1
	}, func(s *spread, i int, d, _ float64) working.Working {
		return working.Working{Method: "Shear with tension", Source: "AISC 360 J3.7; the ellipse where the school counts to yield", Formula: "T/Ta ≤ 1.3 − V/Va",
			Inputs: []working.Quantity{{Symbol: "T", Name: "tension", Value: s.tension(i), Unit: "N"}, {Symbol: "V", Name: "shear", Value: s.vectors[i].Len() / planes, Unit: "N"}, {Symbol: "Ta", Name: "usable tension", Value: ta, Unit: "N"}, {Symbol: "Va", Name: "usable shear", Value: va, Unit: "N"}},
			Steps:  []working.Quantity{}, Result: working.Quantity{Symbol: "u", Name: "share used", Value: d}, Assumptions: []string{said}}
	})
	for k := range j.plies {
		j.holdPly(k, each, simple, list)
	}
	j.inserted(each)
	j.leans(list)
	j.holdStill(list, planes)
}

// tension is all that pulls on a bolt.
func (s *spread) tension(i int) float64 { return s.pull[i] + s.add[i] + s.pried[i] }

type eacher func(key, name, unit, where string, eval func(s *spread, i int) (demand, capacity float64), explain func(s *spread, i int, demand, capacity float64) working.Working)
type simpler func(method, source, formula string, inputs ...working.Quantity) func(s *spread, i int, d, c float64) working.Working

// holdPly checks a ply round its holes.
func (j *joint) holdPly(k int, each eacher, simple simpler, list []spread) {
	p := j.plies[k]
	rule, d := j.in.Strength, j.thread.Diameter
	if !p.metal {
		if p.Squash == 0 {
			j.out.Checks = append(j.out.Checks, strength.Silent(fmt.Sprintf("ply-%d", k), "Hole of "+p.Name, "No strength is known of what it is made of: choose its material."))
		}
		return
	}
	share := 1.
	if j.in.Double && len(j.plies) == 3 && k != 1 { // the outer ones take half each
		share = .5
	}
	plate := bolt.Plate{Thickness: p.Thickness, Yield: p.material.Yield * p.worn, Tensile: p.material.Tensile * p.worn, Hole: p.Hole}
	if plate.Hole == 0 {
		plate.Hole = j.thread.Clearance.Normal
	}
	stress := working.Quantity{Symbol: "Fu", Name: "strength of " + p.material.Name, Value: plate.Tensile, Unit: "MPa"}
	if rule.Yields() {
		stress.Value = plate.Yield
	}
	thick := working.Quantity{Symbol: "t", Name: "thickness as measured", Value: p.Thickness, Unit: "mm"}
	bearing, by := plate.Bearing(rule, d, j.washer > d)
	shear := func(s *spread, i int) float64 { return share * s.vectors[i].Len() }
	if j.in.Nut == Screw { // AISI S100 J4 counts bearing with the tilting
		if k < len(j.plies)-1 {
			over := math.Max(j.washer, j.bearing(k))
			through := plate.PullThrough(rule, over)
			each(fmt.Sprintf("through-%d", k), "Head pulled through", "N", p.Name, func(s *spread, i int) (float64, float64) { return s.pull[i] + s.add[i], through },
				plainly("Head pulled through "+p.Name, "AISI S100 J4.4.2", "P = 1.5·t·dw·Fu, dw ≤ 19 mm", []string{rule.Says(strength.PullThrough)}, thick, stress, working.Quantity{Symbol: "dw", Name: "head or washer", Value: math.Min(over, 19), Unit: "mm"}))
		}
		return
	}
	each(fmt.Sprintf("bearing-%d", k), "Hole crushed", "N", p.Name, func(s *spread, i int) (float64, float64) { return shear(s, i), bearing }, simple("Bearing of the bolt on "+p.Name, by, "V against R", thick, stress))
	if p.Edge > 0 {
		plate.Clear = p.Edge - plate.Hole/2
		tear, tornBy := plate.TearOut(rule)
		each(fmt.Sprintf("tear-%d", k), "Hole torn out to the edge", "N", p.Name, func(s *spread, i int) (float64, float64) { return shear(s, i), tear },
			simple("Tear-out of "+p.Name, tornBy, "V against R, at the nearest edge", thick, stress, working.Quantity{Symbol: "lc", Name: "hole's edge to the edge", Value: plate.Clear, Unit: "mm"}))
	} else {
		j.out.Checks = append(j.out.Checks, strength.Check{Key: fmt.Sprintf("tear-%d", k), Name: "Hole torn out to the edge", Where: p.Name, Verdict: strength.CannotSay, Why: "Its distance to the nearest edge is not given."})
	}
	outer := (k == 0 || k == len(j.plies)-1 && (!j.in.Nut.captive() || j.in.Nut == WeldNut)) && j.in.Nut != Pin
	if outer && p.Thickness < bolt.ThinSheet {
		over := math.Max(j.washer, j.bearing(k))
		if k > 0 && j.in.Nut.captive() { // no washer goes under it
			over = j.thread.AcrossHex
		}
		through := plate.PullThrough(rule, over)
		each(fmt.Sprintf("through-%d", k), "Head or washer pulled through", "N", p.Name, func(s *spread, i int) (float64, float64) { return s.tension(i), through },
			simple("Head pulled through thin sheet", "AISI S100 J4.4.2, written for screws, used for bolts below 4.76 mm", "P = 1.5·t·dw·Fu, dw ≤ 19 mm", thick, stress, working.Quantity{Symbol: "dw", Name: "head or washer", Value: math.Min(over, 19), Unit: "mm"}))
	}
	j.tearBlock(k, list, share)
	j.doubler(k, p)
}

// bearing answers what lies on a ply without a washer, mm over it: the head on
// the first, the nut on the others.
func (j *joint) bearing(k int) float64 {
	if k == 0 {
		return j.head
	}
	return j.thread.AcrossHex
}

// doubler says how thick a plate behind a ply would have to be.
func (j *joint) doubler(k int, p ply) {
	worst := 0.
	for _, c := range j.out.Checks {
		if c.Where == p.Name && c.Utilisation != nil && c.Verdict == strength.Over {
			worst = math.Max(worst, *c.Utilisation)
		}
	}
	if worst > 1 {
		need := math.Ceil((p.Thickness*(worst/strength.TightFrom-1))*2) / 2
		j.say(fmt.Sprintf("doubler-%d", k), working.Stop, "Plies", fmt.Sprintf("%s is over: a doubler of %s of the same metal, bolted through the same holes and reaching past them by two diameters, brings it under %.0f %%.", p.Name, j.mm(math.Max(need, .5)), 100*strength.TightFrom))
	}
}

// holdStill checks slip, and the turn about a single bolt, by friction.
func (j *joint) holdStill(list []spread, planes float64) {
	single := len(j.in.Holes) == 1
	turning := false
	for _, s := range list {
		turning = turning || single && math.Abs(s.turn) > 1
	}
	if !j.in.NoSlip && !turning {
		return
	}
	if j.preload == 0 {
		j.out.Checks = append(j.out.Checks, strength.Silent("slip", "Slip", "How tight it is cannot be said."))
		return
	}
	best, at := -1., 0
	var demand, capacity float64
	hold := j.in.Strength.Capacity(friction*j.preload*planes, slip)
	radius := math.Max(j.washer, math.Min(j.head, j.thread.AcrossHex)) / 3 // of the ring that rubs
	for k, s := range list {
		for i := range j.in.Holes {
			left := math.Max(0, 1-s.pull[i]/j.preload)
			d := s.vectors[i].Len()
			if single {
				d += math.Abs(s.turn) / radius
			}
			if u := d / math.Max(hold*left, 1e-9); u > best {
				best, at, demand, capacity = u, k, d, hold*left
			}
		}
	}
	u, verdict := strength.Judge(demand, capacity)
	name := "Slip"
	if single {
		name = "Turn about a single bolt"
	}
	w := working.Working{Method: name + " by friction", Source: "AISC 360 J3.8 with a friction of 0.2 (practice) and the preload less the scatter of a torque wrench", Formula: "V ≤ μ·Fmin·(1 − T/Fmin)·planes / Ω",
		Inputs: []working.Quantity{{Symbol: "μ", Name: "friction", Value: friction}, {Symbol: "Fmin", Name: "least preload", Value: j.preload, Unit: "N"}, {Symbol: "planes", Name: "faces that rub", Value: planes}},
		Steps:  []working.Quantity{{Symbol: "cap", Name: "may be used", Value: capacity, Unit: "N"}}, Result: working.Quantity{Symbol: "V", Name: "asked of friction", Value: demand, Unit: "N"}, Assumptions: []string{j.in.Strength.Says(slip)}}
	c := strength.Check{Key: "slip", Name: name, Case: list[at].c.Name, Demand: demand, Capacity: capacity, Unit: "N", Utilisation: u, Verdict: verdict, Working: &w}
	if u == nil { // pulled free of its preload
		c.Verdict, c.Why = strength.Over, "The pull takes all of the preload: nothing holds it still."
	}
	j.out.Checks = append(j.out.Checks, c)
	if single && turning {
		j.say("single-bolt", working.Mind, "Bolts", "One bolt holds no moment but by friction: a second bolt, a dowel or a folded edge keeps it from turning.")
	}
}

func (j *joint) forces(s *spread, planes float64) []BoltForce {
	out := make([]BoltForce, len(j.in.Holes))
	for i, v := range s.vectors {
		out[i] = BoltForce{[2]float64{v.X, v.Y}, v.Len() / planes, s.tension(i)}
	}
	return out
}

// share spreads a case over the bolts: elastic in the plane, about the middle
// out of it. The plies press only where bolts would be pushed.
func (j *joint) share(c Case) spread {
	s := spread{c: c, force: profile.Point{X: c.Force[0], Y: c.Force[1]}, pull: make([]float64, len(j.in.Holes)), add: make([]float64, len(j.in.Holes)), pried: make([]float64, len(j.in.Holes))}
	at := make([]profile.Point, len(j.in.Holes))
	for i, h := range j.in.Holes {
		at[i] = profile.Point{X: h[0], Y: h[1]}
	}
	m, polar := bolt.Centroid(at)
	r := [3]float64{c.At[0] - m.X, c.At[1] - m.Y, c.At[2]}
	f := c.Force
	mx := r[1]*f[2] - r[2]*f[1] + c.Moment[0]
	my := r[2]*f[0] - r[0]*f[2] + c.Moment[1]
	s.turn = r[0]*f[1] - r[1]*f[0] + c.Moment[2]
	turn := s.turn
	if polar < 1e-9 {
		turn = 0 // told by friction
	}
	s.vectors = bolt.Shares(at, m, math.Max(polar, 1e-9), s.force, turn)
	n := float64(len(at))
	var sxx, syy, sxy float64
	for _, p := range at {
		q := p.Sub(m)
		sxx, syy, sxy = sxx+q.X*q.X, syy+q.Y*q.Y, sxy+q.X*q.Y
	}
	// T = N/n + a·x + b·y with Σ y·T = Mx and −Σ x·T = My.
	det := sxx*syy - sxy*sxy
	a, b := 0., 0.
	// What bolts in a row, or one, cannot hold: the moment, where the ply presses then.
	over, way, alone := 0., profile.Point{}, ""
	size := math.Max(1, math.Hypot(math.Hypot(f[0], f[1]), f[2])*math.Hypot(r[0], math.Hypot(r[1], r[2])))
	switch {
	case det > 1e-9*math.Max(1, (sxx+syy)*(sxx+syy)):
		a, b = (-my*syy-mx*sxy)/det, (mx*sxx+my*sxy)/det
	case sxx+syy > 1e-9: // a row: it holds the moment along itself alone
		l := math.Sqrt(sxx + syy)
		ux, uy := math.Sqrt(sxx)/l, math.Copysign(math.Sqrt(syy)/l, sxy)
		along := (-my*ux + mx*uy) / (sxx + syy)
		a, b = along*ux, along*uy
		if across := my*uy + mx*ux; math.Abs(across) > 1e-6*size {
			over, way = math.Abs(across), profile.Point{X: uy, Y: -ux}.Mul(math.Copysign(1, across))
			alone = "the bolts stand in a row, and the moment about it is held only by the plies pressing on each other."
		}
	default:
		if over = math.Hypot(mx, my); over > 1e-6*size {
			way = profile.Point{X: my, Y: -mx}.Mul(1 / over)
			alone = "one bolt holds no moment that bends it: only the plies pressing on each other do."
		}
	}
	raw := make([]float64, len(at))
	for i, p := range at {
		q := p.Sub(m)
		raw[i] = f[2]/n + a*q.X + b*q.Y
		s.pull[i] = math.Max(0, raw[i])
	}
	if alone != "" {
		j.turnOver(&s, over, m, way, raw, alone)
	}
	return s
}
