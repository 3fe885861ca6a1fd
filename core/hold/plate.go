package hold

import (
	"math"

	"warmanvil/core/bolt"
	"warmanvil/core/sheet"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

func plateStress(m material, rule strength.Rule) float64 {
	if rule.Yields() {
		return m.yield
	}
	return m.tensile
}

func (p *placed) tearOut(mat material, rule strength.Rule, plate bolt.Plate) check {
	worst := 0.0
	at := func(s *shares, i int) bolt.Plate {
		v := s.vectors[i]
		ply := plate
		ply.Hole = p.holes[i].Diameter
		// The plate pushes the bolt with its share; the bolt tears the other way.
		ply.Clear = p.along(p.holes[i], p.flatWay(v.Mul(-1/max(v.Len(), 1e-12))))
		return ply
	}
	return check{key: "tear-out", name: "Hole torn out to the edge", unit: "N",
		eval: func(s *shares) hit {
			h := p.each(func(i int) (float64, float64) {
				v := s.vectors[i].Len()
				bound := plate
				bound.Clear = p.clear[i] // no direction is worse than the nearest edge
				c, _ := bound.TearOut(rule)
				if v <= worst*c {
					return v, c
				}
				c, _ = at(s, i).TearOut(rule)
				return v, c
			})
			if u := h.share(); !math.IsInf(u, 0) {
				worst = max(worst, u)
			}
			return h
		},
		explain: func(s *shares, h hit) working.Working {
			ply := at(s, h.hole)
			c, by := ply.TearOut(rule)
			return working.Working{Method: "Tear-out along the force", Source: by, Formula: "V against R",
				Inputs: []working.Quantity{{Symbol: "lc", Name: "hole's edge to the next edge along the force", Value: ply.Clear, Unit: "mm"}, {Symbol: "t", Name: "thickness", Value: mat.t, Unit: "mm"}, {Symbol: "Fu", Name: "strength of " + mat.name, Value: plateStress(mat, rule), Unit: "MPa"}},
				Steps:  []working.Quantity{{Symbol: "cap", Name: "may be used", Value: c, Unit: "N"}}, Assumptions: []string{"each hole with its own edge distance"}, Result: working.Quantity{Symbol: "V", Name: "share of the bolt", Value: h.demand, Unit: "N"}}
		}}
}

// net checks the plate across the row of bolts the load pulls on.
func (p *placed) net(mat material, rule strength.Rule) check {
	s := p.panel.Seat
	across, along, width := s.Y, s.X, s.Width
	d := p.load.Sub(p.origin)
	if math.Abs(d.Dot(s.X)) > math.Abs(d.Dot(s.Y)) {
		across, along, width = s.X, s.Y, s.Height
	}
	// The most holes in one line across the pull.
	lost := 0.0
	for _, h := range p.holes {
		sum := 0.0
		for _, o := range p.holes {
			if math.Abs(o.Body.Sub(h.Body).Dot(across)) < (o.Diameter+h.Diameter)/2 {
				sum += o.Diameter + 2 // the edge of a hole is hurt by making it
			}
		}
		lost = max(lost, sum)
	}
	_ = along
	area := max(0, width-lost) * mat.t
	capacity, said := rule.Capacity(area*plateStress(mat, rule), strength.Rupture), rule.Says(strength.Rupture)
	return check{key: "net-section", name: "Plate torn across the row of bolts", unit: "N", feature: p.panel.ID, where: p.panel.Name,
		eval: func(sh *shares) hit { return hit{math.Abs(sh.force.Dot(across)), capacity, -1, 0} },
		explain: func(sh *shares, h hit) working.Working {
			return working.Working{Method: "Net section", Source: "AISC 360 D2: Fu·An, each hole 2 mm wider than drilled", Formula: "An = (W − Σ(d + 2))·t",
				Inputs: []working.Quantity{{Symbol: "W", Name: "width of the panel", Value: width, Unit: "mm"}, {Symbol: "Σ", Name: "taken off by holes", Value: lost, Unit: "mm"}, {Symbol: "t", Name: "thickness", Value: mat.t, Unit: "mm"}, {Symbol: "Fu", Name: "strength of " + mat.name, Value: plateStress(mat, rule), Unit: "MPa"}},
				Steps:  []working.Quantity{{Symbol: "An", Name: "net area", Value: area, Unit: "mm²"}, {Symbol: "cap", Name: "may be used", Value: capacity, Unit: "N"}}, Assumptions: []string{said}, Result: working.Quantity{Symbol: "N", Name: "force across the row", Value: h.demand, Unit: "N"}}
		}}
}

// plateAt checks the plate at one bend or row, at the harder of its lines.
func plateAt(lines []section, load sheet.Vector, mat material, rule strength.Rule) check {
	capacity, said := rule.Capacity(mat.yield, strength.Yield), rule.Says(strength.Yield)
	first := lines[0]
	name := "Plate bent at the bend of " + lower(first.name)
	if first.holes > 0 {
		name = "Plate bent at the row of bolts"
	}
	hardest := func(s *shares) (at section, worst stress) {
		for i, c := range lines {
			if x := c.under(s.force, load, mat.t); i == 0 || x.equivalent > worst.equivalent {
				at, worst = c, x
			}
		}
		return at, worst
	}
	return check{key: "plate:" + first.id, name: name, unit: "MPa", feature: first.id, where: first.name,
		eval: func(s *shares) hit {
			_, x := hardest(s)
			return hit{x.equivalent, capacity, -1, 0}
		},
		explain: func(s *shares, _ hit) working.Working {
			c, x := hardest(s)
			return *c.working(x, mat, capacity, said)
		}}
}
