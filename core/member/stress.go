package member

import (
	"fmt"
	"math"

	"warmanvil/core/frame"
	"warmanvil/core/section"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// weldMetal is the tensile strength of the usual filler for steel (E70, ER70S-6)
// and its yield, MPa.
const (
	weldMetal      = 483.
	weldMetalYield = 400.
)

// members asks every member under every case.
func (w *weighing) members() {
	for i, r := range w.m.b.runs {
		x := MemberHeld{ID: r.ID, Name: r.named(), Along: []Along{}}
		if len(w.m.of[i]) == 0 {
			x.Stress = strength.Silent("stress", "stress", w.m.b.Pieces[i].Why)
			x.Column, x.Weld = strength.Silent("column", "buckling", w.m.b.Pieces[i].Why), strength.Silent("weld", "weld at its ends", w.m.b.Pieces[i].Why)
			x.Verdict = strength.CannotSay
			w.held.Members = append(w.held.Members, x)
			continue
		}
		w.member(i, r, &x)
		x.Verdict = strength.Worst([]strength.Check{x.Stress, x.Column})
		for _, c := range []strength.Check{x.Stress, x.Column} {
			if c.Utilisation != nil && (x.Use == nil || *c.Utilisation > *x.Use) {
				x.Use = c.Utilisation
			}
		}
		w.held.Members = append(w.held.Members, x)
	}
}

// shares is the stress at one place.
type shares struct {
	axial, bend, shear, total float64
}

// stress answers the largest equivalent stress of a section under a station's
// forces. Largest bending, torsion and shear are taken together, which is on the
// safe side.
func stress(s frame.Station, area, iy, iz float64, corners []fibre, twist, wide, high float64, tilted float64) (v shares) {
	v.axial = s.N / area
	most := 0.0
	for _, f := range corners {
		b := s.My*f.z/iy - s.Mz*f.y/iz
		v.bend = math.Max(v.bend, math.Abs(b))
		most = math.Max(most, math.Abs(v.axial+b))
	}
	sin, cos := math.Sincos(tilted)
	sy, sz := s.Vy*cos-s.Vz*sin, s.Vy*sin+s.Vz*cos // along the section's own width and height
	v.shear = math.Abs(s.T)*twist + math.Hypot(sy/wide, sz/high)
	v.total = math.Sqrt(most*most + 3*v.shear*v.shear)
	return v
}

func (w *weighing) member(i int, r *run, x *MemberHeld) {
	yield, soft := yieldOf(w.m.material)
	capacity := w.ask.Rule.Capacity(yield, strength.Yield)
	corners := fibres(r)
	up, iy, iz := principal(r)
	tilted := math.Atan2(up.Dot(r.axes.Y), up.Dot(r.axes.Z))
	perMoment, wide, high := twist(r.Section, r.props)
	k := w.m.buckles(i, r)
	column, err := frame.Column(frame.ColumnInput{Length: r.length, K: k, RadiusOfGyration: r.props.RMin, Area: r.props.Area, Yield: yield, Modulus: w.m.modulus})
	buckles := w.ask.Rule.Capacity(column.CriticalStress, strength.Yield)
	var worst, buckled shares
	var at frame.Station
	best, share := -1.0, -1.0
	var gCase, cCase string
	for _, a := range w.answers {
		for _, n := range w.m.of[i] {
			from := w.m.parts[n].from
			for _, s := range a.design.Along(n, 10) {
				v := stress(s, r.props.Area, iy, iz, corners, perMoment, wide, high, tilted)
				s.At += from
				if v.total > best {
					best, worst, at, gCase = v.total, v, s, a.name
				}
				if err == nil {
					if u := math.Max(-v.axial, 0)/buckles + v.bend/capacity; u > share {
						share, buckled, cCase = u, v, a.name
					}
				}
			}
		}
	}
	x.At = at.At
	c := strength.Check{Key: "stress", Name: "stress", Feature: r.ID, Where: fmt.Sprintf("%s, %.0f mm from its first point", r.named(), at.At), Case: gCase, Demand: best, Capacity: capacity, Unit: "MPa"}
	c.Utilisation, c.Verdict = strength.Judge(best, capacity)
	assume := []string{w.ask.Rule.Says(strength.Yield), "largest bending, torsion and shear of the section taken together", "tubes with sharp corners, no holes, no warping, joints as strong as the members"}
	if soft != "" {
		assume = append(assume, soft)
		c.Why = soft
	}
	c.Working = &working.Working{Method: "Worst equivalent stress along a member", Source: "space frame by direct stiffness; von Mises", Formula: "σ = √((N/A + My·z/Iy − Mz·y/Iz)² + 3·τ²)", Assumptions: assume,
		Inputs: []working.Quantity{{Symbol: "N", Name: "pull", Value: at.N, Unit: "N"}, {Symbol: "My", Name: "bending in height", Value: at.My, Unit: "N·mm"}, {Symbol: "Mz", Name: "bending sideways", Value: at.Mz, Unit: "N·mm"}, {Symbol: "T", Name: "torque", Value: at.T, Unit: "N·mm"},
			{Symbol: "A", Name: "area", Value: r.props.Area, Unit: "mm²"}, {Symbol: "Iy", Name: "in height", Value: iy, Unit: "mm⁴"}, {Symbol: "Iz", Name: "sideways", Value: iz, Unit: "mm⁴"}, {Symbol: "fy", Name: "yield", Value: yield, Unit: "MPa"}},
		Steps:  []working.Quantity{{Symbol: "σN", Name: "by pull", Value: worst.axial, Unit: "MPa"}, {Symbol: "σM", Name: "by bending", Value: worst.bend, Unit: "MPa"}, {Symbol: "τ", Name: "by torque and shear", Value: worst.shear, Unit: "MPa"}, {Symbol: "may", Name: "may be used", Value: capacity, Unit: "MPa"}},
		Result: working.Quantity{Symbol: "σ", Name: "equivalent stress", Value: best, Unit: "MPa"}}
	x.Stress = c
	if err != nil {
		x.Column = strength.Silent("column", "buckling", err.Error())
	} else {
		c := strength.Check{Key: "column", Name: "buckling", Feature: r.ID, Where: r.named(), Case: cCase, Demand: share, Capacity: 1}
		c.Utilisation, c.Verdict = strength.Judge(share, 1)
		c.Working = &working.Working{Method: "Buckling with bending", Source: "Johnson and Euler columns; sum of shares, linear", Formula: "u = σN/σcr + σM/σmay", Assumptions: []string{w.ask.Rule.Says(strength.Yield), "K as given, else 2 for what stands or has a free end and 1 between held joints; bending at its largest", "no lateral torsional buckling: tubes do not, open sections may"},
			Inputs: []working.Quantity{{Symbol: "K·L", Name: "buckling length", Value: k * r.length, Unit: "mm"}, {Symbol: "r", Name: "least radius of gyration", Value: r.props.RMin, Unit: "mm"}, {Symbol: "λ", Name: "slenderness", Value: column.Slenderness}},
			Steps:  []working.Quantity{{Symbol: "σN", Name: "by pressing", Value: -buckled.axial, Unit: "MPa"}, {Symbol: "σcr", Name: "may be used before it buckles", Value: buckles, Unit: "MPa"}, {Symbol: "σM", Name: "by bending", Value: buckled.bend, Unit: "MPa"}},
			Result: working.Quantity{Symbol: "u", Name: "sum of shares", Value: share}}
		if column.Slenderness > 200 {
			c.Why = fmt.Sprintf("slenderness %.0f is past 200: it shakes and is bent by handling", column.Slenderness)
		}
		x.Column = c
	}
	x.Weld = w.weld(i, r)
	for _, a := range w.answers {
		if a.name != gCase {
			continue
		}
		for _, n := range w.m.of[i] {
			for _, s := range a.design.Along(n, 10) {
				v := stress(s, r.props.Area, iy, iz, corners, perMoment, wide, high, tilted)
				x.Along = append(x.Along, Along{At: s.At + w.m.parts[n].from, N: s.N, Vy: s.Vy, Vz: s.Vz, T: s.T, My: s.My, Mz: s.Mz, MPa: v.total, Place: s.Place})
			}
		}
	}
}

// buckles answers a member's buckling length over its own: as its user says,
// else 2 where an end is free or the member stands and may sway, and 1 between
// joints that are held by others.
func (m *model) buckles(i int, r *run) float64 {
	if r.K > 0 {
		return r.K
	}
	if math.Abs(r.axes.X[2]) > .7 {
		return 2
	}
	list := m.of[i]
	for _, n := range []string{m.in.Members[list[0]].From, m.in.Members[list[len(list)-1]].To} {
		_, held := m.in.Supports[n]
		_, soft := m.in.Springs[n]
		met := 0
		for _, x := range m.in.Members {
			if x.From == n || x.To == n {
				met++
			}
		}
		if met < 2 && !held && !soft {
			return 2
		}
	}
	return 1
}

// seam is a weld all round a section as a line: length, moments of the line, its
// reach, and what it is across for torsion.
type seam struct{ length, iy, iz, polar, y, z float64 }

// seamOf takes the outline in principal axes as a line of unit throat.
func seamOf(r *run) (s seam) {
	up, _, _ := principal(r)
	left := up.Cross(r.axes.X)
	at := func(q [2]float64) (float64, float64) {
		v := r.axes.at(q[0], q[1])
		return v.Dot(left), v.Dot(up)
	}
	n := len(r.outer)
	var my, mz float64
	for i := range n {
		y1, z1 := at(r.outer[i])
		y2, z2 := at(r.outer[(i+1)%n])
		l := math.Hypot(y2-y1, z2-z1)
		s.length += l
		my += l * (y1 + y2) / 2
		mz += l * (z1 + z2) / 2
		s.iz += l * (y1*y1 + y1*y2 + y2*y2) / 3
		s.iy += l * (z1*z1 + z1*z2 + z2*z2) / 3
	}
	cy, cz := my/s.length, mz/s.length
	s.iz -= s.length * cy * cy
	s.iy -= s.length * cz * cz
	s.polar = s.iy + s.iz
	for _, q := range r.outer {
		y, z := at(q)
		s.y, s.z = math.Max(s.y, math.Abs(y-cy)), math.Max(s.z, math.Abs(z-cz))
	}
	return s
}

// weld is the first look at the fillet all round a member's ends.
func (w *weighing) weld(i int, r *run) strength.Check {
	const key, name = "weld", "weld at its ends"
	if w.m.material.Family == "aluminum" {
		return strength.Silent(key, name, "welds of aluminium are worked out with the joints, by filler and heat-affected zone")
	}
	if r.A.Hinged && r.B.Hinged {
		return strength.Check{Key: key, Name: name, Feature: r.ID, Where: r.named(), Verdict: strength.Holds, Utilisation: new(float64), Why: "both ends are bolted"}
	}
	line := seamOf(r)
	worst, where, in := -1.0, 0, ""
	var leg, f1 float64
	var most [6]float64
	list := w.m.of[i]
	for e, end := range [2]End{r.A, r.B} {
		if end.Hinged {
			continue
		}
		l := end.Leg
		if l == 0 {
			l = Thickness(r.Section)
		}
		for _, a := range w.answers {
			f := a.design.Members[list[0]].I
			if e == 1 {
				f = a.design.Members[list[len(list)-1]].J
			}
			normal := math.Abs(f[0])/line.length + math.Abs(f[4])*line.z/line.iy + math.Abs(f[5])*line.y/line.iz
			across := math.Hypot(f[1], f[2])/line.length + math.Abs(f[3])*math.Hypot(line.y, line.z)/line.polar
			if v := math.Hypot(normal, across) / l; v > worst {
				worst, where, leg, f1, in, most = v, e, l, math.Hypot(normal, across), a.name, f
			}
		}
	}
	nominal := .6 * weldMetal * leg * math.Sqrt2 / 2 // N/mm of throat
	factors := strength.Rupture
	base := .6 * w.m.material.Tensile * math.Min(leg, Thickness(r.Section))
	if w.ask.Rule.Yields() {
		nominal, base = weldMetalYield/math.Sqrt(3)*leg*math.Sqrt2/2, w.m.material.Yield/math.Sqrt(3)*math.Min(leg, Thickness(r.Section))
	}
	capacity := w.ask.Rule.Capacity(math.Min(nominal, base), factors)
	c := strength.Check{Key: key, Name: name, Feature: r.ID, Where: fmt.Sprintf("%s, %s end", r.named(), [2]string{"first", "second"}[where]), Case: in, Demand: f1, Capacity: capacity, Unit: "N/mm", Why: "a first look: the joint decides"}
	c.Utilisation, c.Verdict = strength.Judge(f1, capacity)
	c.Working = &working.Working{Method: "Fillet all round a member's end, as a line", Source: "elastic vector sum; AISC 360 J2.4: 0.60·FEXX on the throat, base metal 0.60·Fu beside it", Formula: "f = √((N/l + My·z/Iy + Mz·y/Iz)² + (V/l + T·r/Ip)²)",
		Inputs:      []working.Quantity{{Symbol: "N", Name: "pull", Value: most[0], Unit: "N"}, {Symbol: "My", Name: "moment", Value: most[4], Unit: "N·mm"}, {Symbol: "Mz", Name: "moment", Value: most[5], Unit: "N·mm"}, {Symbol: "T", Name: "torque", Value: most[3], Unit: "N·mm"}, {Symbol: "l", Name: "length of the weld", Value: line.length, Unit: "mm"}, {Symbol: "a", Name: "leg", Value: leg, Unit: "mm"}},
		Steps:       []working.Quantity{{Symbol: "throat", Name: "weld metal", Value: nominal, Unit: "N/mm"}, {Symbol: "base", Name: "base metal", Value: base, Unit: "N/mm"}},
		Assumptions: []string{w.ask.Rule.Says(factors), "E70 or ER70S-6 filler, full fillet all round, no starts and stops taken off; 1.0 on the angle of the load", "the chord's wall is not checked: a thin face bends under the branch"}, Result: working.Quantity{Symbol: "f", Name: "on a millimetre of weld", Value: f1, Unit: "N/mm"}}
	return c
}

// plates looks at bases and ears.
func (w *weighing) plates() {
	for _, p := range w.m.b.Plates {
		if p.Kind == "cap" {
			continue
		}
		for i, r := range w.m.b.runs {
			if r.ID == p.Member && len(w.m.of[i]) > 0 {
				w.held.Checks = append(w.held.Checks, w.plate(i, r, p)...)
			}
		}
	}
}

// plate checks one base or ear under every case.
func (w *weighing) plate(i int, r *run, p PlateAt) []strength.Check {
	list := w.m.of[i]
	yield, _ := yieldOf(w.m.material)
	may := w.ask.Rule.Capacity(yield, strength.Yield)
	ends := func(do func(name string, f [6]float64)) {
		for _, a := range w.answers {
			f := a.design.Members[list[0]].I
			if p.End == "b" {
				f = a.design.Members[list[len(list)-1]].J
			}
			do(a.name, f)
		}
	}
	where := fmt.Sprintf("%s on %s", plateName(p.Plate), r.named())
	judge := func(c strength.Check, wk working.Working) strength.Check {
		c.Feature, c.Where = p.ID, where
		c.Utilisation, c.Verdict = strength.Judge(c.Demand, c.Capacity)
		c.Working = &wk
		return c
	}
	if len(p.Holds) == 0 {
		c := strength.Silent("plate", "plate bending", "give its holes: without them it is not known where it is held")
		c.Feature, c.Where = p.ID, where
		return []strength.Check{c}
	}
	if p.Kind == "tab" {
		return w.ear(r, p, ends, judge, may)
	}
	// The plate between a bolt and the member's face, as a cantilever as wide as
	// the bolt spreads over.
	n := float64(len(p.Holds))
	var syy, szz float64
	for _, h := range p.Holds {
		syy += h[0] * h[0]
		szz += h[1] * h[1]
	}
	c := strength.Check{Key: "plate", Name: "plate bending", Unit: "MPa", Capacity: may}
	var pull, lever, wide float64
	ends(func(name string, f [6]float64) {
		for _, h := range p.Holds {
			t := math.Abs(f[0]) / n
			if szz > 0 {
				t += math.Abs(f[4]) * math.Abs(h[1]) / szz
			}
			if syy > 0 {
				t += math.Abs(f[5]) * math.Abs(h[0]) / syy
			}
			l := math.Max(math.Abs(h[0])-(r.box.right-r.box.left)/2, math.Abs(h[1])-(r.box.top-r.box.bottom)/2)
			if l <= 0 {
				continue
			}
			b := math.Min(2*l+p.Hole, math.Min(p.Width, p.Height)) // spreads at 45° either side
			if s := t * l * 6 / (b * p.Thickness * p.Thickness); s > c.Demand {
				c.Demand, c.Case, pull, lever, wide = s, name, t, l, b
			}
		}
	})
	if szz == 0 && syy == 0 && n > 1 {
		c.Why = "its holes lie on one spot"
	}
	return []strength.Check{judge(c, working.Working{Method: "Base plate between bolt and member", Source: "cantilever strip, load spread at 45° from the bolt; practice", Formula: "σ = 6·F·l / (b·t²)",
		Inputs:      []working.Quantity{{Symbol: "F", Name: "on one bolt", Value: pull, Unit: "N"}, {Symbol: "l", Name: "bolt to the member's face", Value: lever, Unit: "mm"}, {Symbol: "b", Name: "width that bends", Value: wide, Unit: "mm"}, {Symbol: "t", Name: "thickness", Value: p.Thickness, Unit: "mm"}},
		Assumptions: []string{w.ask.Rule.Says(strength.Yield), "no prying: a thin plate adds to the bolts; the bolts themselves belong to the joint"}, Result: working.Quantity{Symbol: "σ", Name: "bending stress", Value: c.Demand, Unit: "MPa"}})}
}

// ear checks a tab: tear-out and bearing at its hole, bending at its root.
func (w *weighing) ear(r *run, p PlateAt, ends func(func(string, [6]float64)), judge func(strength.Check, working.Working) strength.Check, may float64) []strength.Check {
	fu := w.m.material.Tensile
	factors := strength.Rupture
	clear := p.Margin - p.Hole/2
	nominal := math.Min(1.2*clear, 2.4*p.Hole) * p.Thickness * fu // AISC 360 J3.10
	if w.ask.Rule.Yields() {
		nominal *= w.m.material.Yield / fu
	}
	tear := strength.Check{Key: "ear", Name: "ear tears out", Unit: "N", Capacity: w.ask.Rule.Capacity(nominal, factors)}
	bend := strength.Check{Key: "ear-bend", Name: "ear bends at its root", Unit: "MPa", Capacity: may}
	lever := p.Height - p.Margin
	n := float64(len(p.Holds))
	ends(func(name string, f [6]float64) {
		if v := math.Hypot(f[0], math.Hypot(f[1], f[2])) / n; v > tear.Demand {
			tear.Demand, tear.Case = v, name
		}
		// Flat on: the thin way by the force along its thickness, the wide way by the
		// one along its width.
		s := math.Abs(f[0])/(p.Width*p.Thickness) + math.Abs(f[2])*lever*6/(p.Width*p.Thickness*p.Thickness) + math.Abs(f[1])*lever*6/(p.Thickness*p.Width*p.Width)
		if s > bend.Demand {
			bend.Demand, bend.Case = s, name
		}
	})
	one := judge(tear, working.Working{Method: "Ear at its hole", Source: "AISC 360 J3.10: tear-out 1.2·lc·t·Fu, not over bearing 2.4·d·t·Fu", Formula: "R = min(1.2·lc, 2.4·d)·t·Fu",
		Inputs:      []working.Quantity{{Symbol: "lc", Name: "hole's edge to the ear's edge", Value: clear, Unit: "mm"}, {Symbol: "d", Name: "hole", Value: p.Hole, Unit: "mm"}, {Symbol: "t", Name: "thickness", Value: p.Thickness, Unit: "mm"}, {Symbol: "Fu", Name: "tensile strength", Value: fu, Unit: "MPa"}},
		Assumptions: []string{w.ask.Rule.Says(factors)}, Result: working.Quantity{Symbol: "R", Name: "may be used", Value: tear.Capacity, Unit: "N"}})
	two := judge(bend, working.Working{Method: "Ear as a cantilever", Source: "beam bending both ways and pull", Formula: "σ = N/(w·t) + 6·Vz·h/(w·t²) + 6·Vy·h/(t·w²)",
		Inputs:      []working.Quantity{{Symbol: "h", Name: "hole to the root", Value: lever, Unit: "mm"}, {Symbol: "w", Name: "width", Value: p.Width, Unit: "mm"}, {Symbol: "t", Name: "thickness", Value: p.Thickness, Unit: "mm"}},
		Assumptions: []string{w.ask.Rule.Says(strength.Yield), "the ear is welded along its whole root"}, Result: working.Quantity{Symbol: "σ", Name: "stress at the root", Value: bend.Demand, Unit: "MPa"}})
	return []strength.Check{one, two}
}

// Named tells the section of a piece.
func Named(s section.Sizes, stock string) string {
	if stock != "" {
		return stock
	}
	return Words(s)
}
