package held

import (
	"fmt"
	"math"

	"warmanvil/core/member"
	"warmanvil/core/member/shape"
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
func seamOf(r *shape.Run) (s seam) {
	up, _, _ := principal(r)
	left := up.Cross(r.Axes.X)
	at := func(q [2]float64) (float64, float64) {
		v := r.Axes.At(q[0], q[1])
		return v.Dot(left), v.Dot(up)
	}
	n := len(r.Outer)
	var my, mz float64
	for i := range n {
		y1, z1 := at(r.Outer[i])
		y2, z2 := at(r.Outer[(i+1)%n])
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
	for _, q := range r.Outer {
		y, z := at(q)
		s.y, s.z = max(s.y, math.Abs(y-cy)), max(s.z, math.Abs(z-cz))
	}
	return s
}

// endAsk is one end of a member as it is joined.
type endAsk struct {
	e     int
	leg   float64 // of its fillet, mm
	plate *shape.PlateAt
	free  string // why nothing is welded there
}

// ends answers how both ends of the member are joined.
func (a *asking) ends() (out [2]endAsk) {
	r := a.r
	for e, end := range [2]member.End{r.A, r.B} {
		x := endAsk{e: e, leg: end.Leg}
		for k := range a.w.m.b.Plates {
			if p := &a.w.m.b.Plates[k]; p.Member == r.ID && (p.End == "b") == (e == 1) && p.Kind != "cap" {
				if x.plate = p; p.Leg > 0 {
					x.leg = p.Leg
				}
			}
		}
		if x.leg == 0 {
			x.leg = member.Thickness(r.Section)
		}
		switch {
		case end.Hinged:
			x.free = "it is bolted"
		case r.Formed[e] != nil && r.Formed[e].Kind == member.Bent:
			x.free = "it goes on round its bend"
		}
		out[e] = x
	}
	return out
}

// force answers what goes through an end of the member in a case, in its own axes.
func (a *asking) force(c *answered, e int) [6]float64 {
	list := a.w.m.of[a.i]
	if e == 1 {
		return c.design.Members[list[len(list)-1]].J
	}
	return c.design.Members[list[0]].I
}

// weld is the first look at the fillet all round a member's ends.
func (a *asking) weld() mode {
	w, r := a.w, a.r
	m := mode{Key: "weld", Name: "weld at its ends", Unit: "N/mm", Idle: "Nothing goes through its ends."}
	ends := a.ends()
	if ends[0].free != "" && ends[1].free != "" {
		m.Needless = fmt.Sprintf("There is no weld: at its first end %s, at its second %s.", ends[0].free, ends[1].free)
		return m
	}
	if a.aluminium() {
		m.Missing = "Welds of aluminium are worked out with the joints, by filler and heat-affected zone."
		return m
	}
	line := seamOf(r)
	factors := strength.Rupture
	capacities := func(leg float64) (throat, base float64) {
		throat, base = .6*weldMetal*leg*math.Sqrt2/2, .6*w.m.material.Tensile*min(leg, member.Thickness(r.Section)) // N/mm
		if w.ask.Rule.Yields() {
			throat, base = weldMetalYield/math.Sqrt(3)*leg*math.Sqrt2/2, w.m.material.Yield/math.Sqrt(3)*min(leg, member.Thickness(r.Section))
		}
		return throat, base
	}
	var caps [2]float64
	for e, x := range ends {
		throat, base := capacities(x.leg)
		caps[e] = w.ask.Rule.Capacity(min(throat, base), factors)
	}
	on := func(f [6]float64) float64 {
		normal := math.Abs(f[0])/line.length + math.Abs(f[4])*line.z/line.iy + math.Abs(f[5])*line.y/line.iz
		across := math.Hypot(f[1], f[2])/line.length + math.Abs(f[3])*math.Hypot(line.y, line.z)/line.polar
		return math.Hypot(normal, across)
	}
	m.Also = "a first look: the joint decides"
	m.Spot = func(_ *answered, h strength.Hit) (string, string) {
		return r.ID, fmt.Sprintf("%s, %s end", r.Named(), [2]string{"first", "second"}[h.At])
	}
	m.Eval = func(c *answered) strength.Hit {
		return strength.HardestOf(2, func(e int) (float64, float64) {
			if ends[e].free != "" {
				return 0, caps[e]
			}
			return on(a.force(c, e)), caps[e]
		})
	}
	m.Explain = func(c *answered, h strength.Hit) working.Working {
		f, x := a.force(c, h.At), ends[h.At]
		throat, base := capacities(x.leg)
		out := working.Working{Method: "Fillet all round a member's end, as a line",
			Source:  "elastic vector sum; AISC 360 J2.4: 0.60·FEXX on the throat, base metal 0.60·Fu beside it",
			Formula: "f = √((N/l + My·z/Iy + Mz·y/Iz)² + (V/l + T·r/Ip)²)",
			Inputs: []working.Quantity{newtons("N", "pull", f[0]), moment("My", "moment", f[4]), moment("Mz", "moment", f[5]),
				moment("T", "torque", f[3]), working.MM("l", "length of the weld", line.length), working.MM("a", "leg", x.leg)},
			Steps: []working.Quantity{amount("throat", "weld metal", throat, "N/mm"), amount("base", "base metal", base, "N/mm"),
				amount("cap", "may be used", h.Capacity, "N/mm")},
			Assumptions: []string{w.ask.Rule.Says(factors),
				"E70 or ER70S-6 filler, full fillet all round, no starts and stops taken off; 1.0 on the angle of the load"},
			Result: amount("f", "on a millimetre of weld", h.Demand, "N/mm")}
		if r.Formed[h.At] != nil { // a bend has no weld: it is a fold
			out.Assumptions = append(out.Assumptions,
				"the V is welded on its three open sides; the wall it folds on counts as the fourth: parent metal, no thinner than what is counted "+
					"of it, if the crease does not crack")
		}
		return out
	}
	return m
}
