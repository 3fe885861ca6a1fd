package member

import (
	"fmt"
	"math"

	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// weldMetal is the tensile strength of the usual filler for steel (E70, ER70S-6)
// and its yield, MPa.
const (
	weldMetal      = 483.
	weldMetalYield = 400.
)

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
	goesOn := func(e int) bool { return r.formed[e] != nil && r.formed[e].kind == Bent }
	if goesOn(0) && goesOn(1) {
		return strength.Check{Key: key, Name: name, Feature: r.ID, Where: r.named(), Verdict: strength.Holds, Utilisation: new(float64), Why: "it goes on round its bends: there is no weld"}
	}
	if (r.A.Hinged || goesOn(0)) && (r.B.Hinged || goesOn(1)) {
		return strength.Check{Key: key, Name: name, Feature: r.ID, Where: r.named(), Verdict: strength.Holds, Utilisation: new(float64), Why: "both ends are bolted"}
	}
	line := seamOf(r)
	worst, where, in := -1.0, 0, ""
	var leg, f1 float64
	var most [6]float64
	list := w.m.of[i]
	for e, end := range [2]End{r.A, r.B} {
		if end.Hinged || goesOn(e) {
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
	if r.formed[where] != nil { // a bend has no weld: it is a fold
		c.Working.Assumptions = append(c.Working.Assumptions, "the V is welded on its three open sides; the wall it folds on counts as the fourth: parent metal, no thinner than what is counted of it, if the crease does not crack")
	}
	return c
}
