package hold

import (
	"fmt"
	"math"

	"warmanvil/core/bolt"
	"warmanvil/core/profile"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

func (p *placed) bearing() mode {
	d := p.bolt.Thread.Diameter
	// A washer is known on the sheet's own side alone.
	_, by := p.plate(0).Bearing(p.rule, d, false)
	capacity := p.doubled(p.plate(0), func(ply bolt.Plate) float64 {
		c, _ := ply.Bearing(p.rule, d, false)
		return c
	})
	said := p.rule.Says(p.plate(0).Breaks())
	if p.mat.t < bolt.ThinSheet && !p.mat.aluminium() && !p.rule.Yields() {
		said = p.rule.Says(strength.SheetBearing)
	}
	return mode{Key: "bearing", Name: "Hole crushed", Unit: "N", Spot: p.spot, Idle: "There is no shear.",
		Eval: func(s *shares) strength.Hit {
			return p.each(func(i int) (float64, float64) { return s.vectors[i].Len(), capacity })
		},
		Explain: func(s *shares, h strength.Hit) working.Working {
			return working.Working{Method: "Bearing of the bolt on the plate", Source: by, Formula: "V against R",
				Inputs: append([]working.Quantity{working.MM("d", "bolt", d), p.thick(), p.strong()}, p.doublerSays()...),
				Steps:  []working.Quantity{newtons("cap", "may be used", capacity)}, Assumptions: []string{said},
				Result: newtons("V", "share of the bolt", h.Demand)}
		}}
}

func (p *placed) tearOut() mode {
	worst := 0.0
	tears := func(ply bolt.Plate) float64 {
		c, _ := ply.TearOut(p.rule)
		return c
	}
	at := func(s *shares, i int) bolt.Plate {
		v := s.vectors[i]
		ply := p.plate(p.holes[i].Diameter)
		// The plate pushes the bolt with its share; the bolt tears the other way.
		ply.Clear = p.along(p.holes[i], p.flatWay(v.Mul(-1/max(v.Len(), 1e-12))))
		return ply
	}
	return mode{Key: "tear-out", Name: "Hole torn out to the edge", Unit: "N", Spot: p.spot, Idle: "There is no shear.",
		Eval: func(s *shares) strength.Hit {
			h := p.each(func(i int) (float64, float64) {
				v := s.vectors[i].Len()
				bound := p.plate(p.holes[i].Diameter)
				bound.Clear = p.clear[i] // no direction is worse than the nearest edge
				c := p.doubled(bound, tears)
				if v <= worst*c {
					return v, c
				}
				return v, p.doubled(at(s, i), tears)
			})
			if u := h.Share(); !math.IsInf(u, 0) {
				worst = max(worst, u)
			} else {
				h.Gone = fmt.Sprintf("Bolt %d has no metal ahead of it: its hole reaches an edge or another hole.", h.At+1)
			}
			return h
		},
		Explain: func(s *shares, h strength.Hit) working.Working {
			ply := at(s, h.At)
			_, by := ply.TearOut(p.rule)
			return working.Working{Method: "Tear-out along the force", Source: by, Formula: "V against R",
				Inputs: append([]working.Quantity{working.MM("lc", "hole's edge to the next edge along the force", ply.Clear), p.thick(), p.strong()},
					p.doublerSays()...),
				Steps:       []working.Quantity{newtons("cap", "may be used", h.Capacity)},
				Assumptions: []string{p.rule.Says(ply.Breaks()), "each hole with its own edge distance"},
				Result:      newtons("V", "share of the bolt", h.Demand)}
		}}
}

// spacing asks how far the bolts stand apart.
func (p *placed) spacing() mode {
	m := mode{Key: "spacing", Name: "Holes too near to each other", Unit: "mm"}
	least, wide := math.Inf(1), 0.
	for i, a := range p.at {
		wide = math.Max(wide, p.holes[i].Diameter)
		for _, b := range p.at[:i] {
			least = math.Min(least, a.Sub(b).Len())
		}
	}
	if math.IsInf(least, 1) {
		m.Needless = "It is one bolt."
		return m
	}
	need, source := bolt.LeastPitch(p.bolt.Thread.Diameter, wide, p.mat.t)
	if least >= need-1e-6 {
		m.Needless = fmt.Sprintf("They stand %.3g times their diameter apart and %.3g are asked (%s).", least/p.bolt.Thread.Diameter,
			need/p.bolt.Thread.Diameter, source)
		return m
	}
	m.Eval = func(*shares) strength.Hit {
		return strength.Hit{Demand: need, Capacity: least, Gone: "The bolts stand nearer to each other than " + source + "."}
	}
	m.Explain = func(_ *shares, _ strength.Hit) working.Working {
		return working.Working{Method: "Least distance between bolts", Source: source, Formula: "s ≥ smin",
			Inputs: []working.Quantity{working.MM("d", "bolt", p.bolt.Thread.Diameter), working.MM("dh", "widest hole", wide)},
			Steps:  []working.Quantity{working.MM("s", "there", least)}, Result: working.MM("smin", "asked", need),
			Assumptions: []string{"holes as the part has them"}}
	}
	return m
}

// net checks the plate across the row of bolts the load pulls on, or along it.
func (p *placed) net(key, name string, along bool) mode {
	s := p.panel.Seat
	across, width := s.Y, s.Width
	d := p.load.Sub(p.origin)
	if (math.Abs(d.Dot(s.X)) > math.Abs(d.Dot(s.Y))) != along {
		across, width = s.X, s.Height
	}
	// The most holes in one line across the pull, each 2 mm wider than drilled.
	lost := 0.0
	for _, h := range p.holes {
		sum := 0.0
		for _, o := range p.holes {
			if math.Abs(o.Body.Sub(h.Body).Dot(across)) < (o.Diameter+h.Diameter)/2 {
				sum += bolt.Tears(math.Max(o.Diameter, o.Length))
			}
		}
		lost = max(lost, sum)
	}
	area := max(0, width-lost) * p.mat.t
	plate := p.plate(0)
	capacity, said := p.rule.Capacity(area*plate.Strong(p.rule), plate.Breaks()), p.rule.Says(plate.Breaks())
	return mode{Key: key, Name: name, Unit: "N", Feature: p.panel.ID, Where: p.panel.Name, Idle: "Nothing pulls that way.",
		Eval: func(sh *shares) strength.Hit {
			return strength.Hit{Demand: math.Abs(sh.force.Dot(across)), Capacity: capacity}
		},
		Explain: func(sh *shares, h strength.Hit) working.Working {
			return working.Working{Method: "Net section",
				Source:  "AISC 360 D2: Fu·An, each hole 2 mm wider than drilled (B4.3b); aluminium by the Aluminum Design Manual D.2",
				Formula: "An = (W − Σ(d + 2))·t",
				Inputs: []working.Quantity{working.MM("W", "width of the panel", width),
					working.MM("Σ", "taken off by holes", lost), p.thick(), p.strong()},
				Steps:       []working.Quantity{amount("An", "net area", area, "mm²"), newtons("cap", "may be used", capacity)},
				Assumptions: []string{said}, Result: newtons("N", "force across the row", h.Demand)}
		}}
}

// block is the whole group torn out of the panel along its axes.
func (p *placed) block() mode {
	m := mode{Key: "block", Name: "Group of bolts torn out", Feature: p.panel.ID, Where: p.panel.Name, Idle: "There is no shear."}
	if len(p.holes) < 2 {
		m.Needless = "It is one bolt: torn out to the edge is all of it."
		return m
	}
	edge, wide := math.Inf(1), 0.
	holes := make([][2]float64, len(p.at))
	for i, h := range p.holes {
		holes[i] = [2]float64{p.at[i].X, p.at[i].Y}
		edge, wide = math.Min(edge, profile.Distance(h.Centre, p.outline)), math.Max(wide, math.Max(h.Diameter, h.Length))
	}
	both, ok := bolt.Blocks(holes, edge, wide)
	if !ok {
		m.Missing = "The holes stand in no lines along which they would tear."
		return m
	}
	plate := p.plate(wide)
	caps := [2]float64{both[0].Capacity(p.rule, plate), both[1].Capacity(p.rule, plate)}
	m.Eval = func(s *shares) strength.Hit {
		return strength.Hit{Demand: math.Abs(s.inPlane.X)/math.Max(caps[0], 1e-9) + math.Abs(s.inPlane.Y)/math.Max(caps[1], 1e-9), Capacity: 1}
	}
	m.Explain = func(s *shares, h strength.Hit) working.Working {
		return working.Working{Method: "Group torn out of " + lower(p.panel.Name),
			Source: "AISC 360 J4.3 with 2 mm more than drilled (B4.3b), below 4.76 mm AISI S100 J6.3, aluminium by the Aluminum Design Manual " +
				"J.3.7, with Ubs = 1", Formula: "R = min(0.6·Fu·Anv, 0.6·Fy·Agv) + Fu·Ant; u = Vx/Rx + Vy/Ry",
			Inputs: []working.Quantity{newtons("Vx", "force along the panel", s.inPlane.X), newtons("Vy", "force across", s.inPlane.Y),
				working.MM("e", "nearest edge", edge), p.thick(), p.strong()},
			Steps:       []working.Quantity{newtons("Rx", "may be used along", caps[0]), newtons("Ry", "may be used across", caps[1])},
			Assumptions: []string{p.rule.Says(plate.Breaks()), "the force without its turn: each hole answers for that"},
			Result:      amount("u", "share used", h.Demand, "")}
	}
	return m
}

func (p *placed) pullThrough() mode {
	m := mode{Key: "pull-through", Name: "Head pulled through", Unit: "N", Spot: p.spot, Idle: "There is no pull.",
		Unsure: func(s *shares) string { return s.open }}
	if p.mat.t >= bolt.ThinSheet {
		m.Needless, m.Spot = "It is plate: heads do not go through.", nil
		return m
	}
	head := max(p.bolt.Thread.AcrossHex, p.mount.Bolts.Washer)
	m.Eval = func(s *shares) strength.Hit {
		return p.each(func(i int) (float64, float64) {
			return p.tension(s)[i], p.doubled(p.plate(p.holes[i].Diameter), func(ply bolt.Plate) float64 {
				c, _ := ply.PullThrough(p.rule, head)
				return c
			})
		})
	}
	m.Explain = func(s *shares, h strength.Hit) working.Working {
		_, by := p.plate(p.holes[h.At].Diameter).PullThrough(p.rule, head)
		return working.Working{Method: "Head or washer pulled through thin sheet", Source: by, Formula: "T against P",
			Inputs: append([]working.Quantity{p.thick(), working.MM("dw", "head or washer", head), p.strong()}, p.doublerSays()...),
			Steps:  []working.Quantity{newtons("cap", "may be used", h.Capacity)}, Assumptions: []string{p.rule.Says(strength.PullThrough)},
			Result: newtons("T", "pull on the bolt", h.Demand)}
	}
	return m
}
