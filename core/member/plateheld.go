package member

import (
	"fmt"
	"math"

	"warmanvil/core/strength"
	"warmanvil/core/working"
)

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
