package hold

import (
	"fmt"
	"math"

	"warmanvil/core/bolt"
	"warmanvil/core/profile"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// boltModes lists what the bolts of a bracket must answer.
func (p *placed) boltModes() []mode {
	rule := p.rule
	ta, va := p.bolt.Capacity(rule)
	nominalT, nominalV := p.bolt.Nominal(rule)
	said := rule.Says(strength.Rupture)
	source := p.bolt.Source(rule)
	unsure := func(s *shares) string { return s.open }
	shear := mode{Key: "shear", Name: "Bolt in shear", Unit: "N", Spot: p.spot, Idle: "There is no shear.",
		Eval: func(s *shares) strength.Hit {
			return p.each(func(i int) (float64, float64) { return p.sheared(s, i), va })
		},
		Explain: func(s *shares, h strength.Hit) working.Working {
			return working.Working{Method: "Bolt in shear, " + p.shearName(), Source: source, Formula: "share / capacity",
				Inputs: []working.Quantity{newtons("F", "force in the plane", s.inPlane.Len()),
					amount("Mz", "moment about the group's centroid", s.turn, "N·mm"),
					amount("n", "bolts", float64(len(p.at)), ""), amount("Σr²", "polar sum", p.polar, "mm²"),
					newtons("Rn", "nominal shear strength", nominalV)},
				Steps: []working.Quantity{newtons("cap", "may be used", va)}, Assumptions: []string{said, "no friction, equal bolts, all bear"},
				Result: newtons("V", "largest share", h.Demand)}
		}}
	tension := mode{Key: "tension", Name: "Bolt in tension", Unit: "N", Spot: p.spot, Idle: "There is no pull.", Unsure: unsure,
		Eval: func(s *shares) strength.Hit {
			return p.each(func(i int) (float64, float64) { return p.tension(s)[i] + s.pry[i], ta })
		},
		Explain: func(s *shares, h strength.Hit) working.Working {
			t, q := p.tension(s)[h.At], s.pry[h.At]
			w := working.Working{Method: "Bolt in tension, " + p.tensionName(s), Source: source + "; prying by AISC Manual part 9",
				Formula: "T = N/n + share of the moment; T + q against capacity",
				Inputs: []working.Quantity{newtons("N", "force away from the vehicle", s.pull),
					amount("Mx", "moment to be answered along x", s.mx, "N·mm"), amount("My", "along y", s.my, "N·mm"),
					newtons("Rn", "nominal tensile strength", nominalT)},
				Steps: []working.Quantity{newtons("Tc", "with the neutral axis at the centroid", s.centroid[h.At]),
					newtons("Te", "turning about the edge", s.edge[h.At]),
					newtons("T", "school in use", t), newtons("q", "prying", q), newtons("cap", "may be used", ta)},
				Assumptions: []string{said, "preload left out"}, Result: newtons("T + q", "pull on the bolt", h.Demand)}
			if s.line != "" {
				w.Assumptions = append(w.Assumptions, s.line)
			}
			return w
		}}
	combined := mode{Key: "combined", Name: "Bolt in shear and tension", Spot: p.spot, Unsure: unsure,
		Eval: func(s *shares) strength.Hit {
			return p.each(func(i int) (float64, float64) {
				return p.bolt.Combined(rule, p.tension(s)[i]+s.pry[i], p.sheared(s, i)), 1
			})
		},
		Explain: func(s *shares, h strength.Hit) working.Working {
			formula, source := "T/Ta ≤ 1.3 − V/Va", "AISC 360 J3.7, reduced tension"
			if rule.Yields() {
				formula, source = "√((T/Ta)² + (V/Va)²)", "ellipse"
			}
			return working.Working{Method: "Shear with tension", Source: source, Formula: formula,
				Inputs: []working.Quantity{newtons("T", "tension with prying", p.tension(s)[h.At]+s.pry[h.At]),
					newtons("Ta", "usable tension", ta), newtons("V", "shear", p.sheared(s, h.At)), newtons("Va", "usable shear", va)},
				Assumptions: []string{said}, Result: amount("u", "share used", h.Demand, "")}
		}}
	return []mode{shear, tension, combined, p.moment(), p.slip()}
}

// moment asks for what neither bolts nor a backed edge hold.
func (p *placed) moment() mode {
	return mode{Key: "moment", Name: "Moment that nothing holds", Unit: "N·mm",
		Idle: "The bolts hold every moment, or the plate pressing on what backs it does.",
		Unsure: func(s *shares) string {
			if p.polar < 1e-9 && math.Abs(s.turn) > 1 {
				return "one bolt holds no turn about itself but by friction: add a second bolt, or work it out as a joint with its tightening."
			}
			return s.open
		},
		Eval: func(*shares) strength.Hit { return strength.Hit{} }}
}

// slip asks for a load along a slot: it slips there until the bolt meets the end.
func (p *placed) slip() mode {
	m := mode{Key: "slip", Name: "Slip along a slot", Unit: "N", Idle: "Nothing pushes along a slot."}
	ways := make([]*profile.Point, len(p.holes))
	some := false
	for i, h := range p.holes {
		if h.Length > h.Diameter {
			ways[i], some = longWay(h.Loop), true
		}
	}
	if !some {
		m.Needless = "No bolt stands in a slot."
		return m
	}
	m.Unsure = func(s *shares) string {
		for i, w := range ways {
			if w == nil {
				continue
			}
			v := s.vectors[i]
			if l := v.Len(); l > 1 && math.Abs(p.flatWay(v.Mul(1/l)).Dot(*w))*l > 1 {
				return fmt.Sprintf("bolt %d is pushed along its slot, and only its clamping holds it there. Work it out as a joint with its "+
					"tightening, turn the slot across the load, or take a round hole.", i+1)
			}
		}
		return ""
	}
	m.Eval = func(*shares) strength.Hit { return strength.Hit{} }
	return m
}

// longWay answers the way a slot runs on the flat pattern: between the two points of
// its outline farthest apart.
func longWay(l profile.Loop) *profile.Point {
	pts := l.Flatten(.05)
	best, way := 0., profile.Point{X: 1}
	for i, a := range pts {
		for _, b := range pts[:i] {
			if d := b.Sub(a); d.Len() > best {
				best, way = d.Len(), d.Mul(1/d.Len())
			}
		}
	}
	return &way
}

// sheared answers what a bolt counts in shear by the mount's school.
func (p *placed) sheared(s *shares, i int) float64 {
	if !p.icrHere() {
		return s.vectors[i].Len()
	}
	if s.icr == nil {
		v := 0.
		if c := p.coefficient(s); c != nil {
			v = s.inPlane.Len() / *c
		} else {
			for _, q := range s.vectors {
				v = max(v, q.Len())
			}
		}
		s.icr = &v
	}
	return *s.icr
}

// icrHere tells whether the instantaneous centre may be used: asked for, steel
// plate where bearing governs, and a school that counts to breaking.
func (p *placed) icrHere() bool {
	return p.mount.InPlane == Instantaneous && !p.mat.aluminium() && p.mat.t >= bolt.ThinSheet && !p.rule.Yields()
}

func (p *placed) shearName() string {
	if p.icrHere() {
		return "instantaneous centre of rotation"
	}
	return "elastic vector method"
}

func (p *placed) tensionName(s *shares) string {
	if p.mount.OutPlane == AtEdge || s.line != "" {
		return "turning about the edge"
	}
	return "neutral axis at the centroid"
}

// coefficient answers load over one bolt's ultimate strength, nil where the
// instantaneous centre has no answer.
func (p *placed) coefficient(s *shares) *float64 {
	f := s.inPlane.Len()
	if f < 1e-9 {
		return nil
	}
	arm := s.turn / f // anticlockwise for a unit load
	c, err := bolt.Ultimate(p.at, s.inPlane.Mul(1/f), arm)
	if err != nil {
		return nil
	}
	return &c
}

func (p *placed) bolts(s shares) []BoltForce {
	out := make([]BoltForce, len(p.holes))
	for i, h := range p.holes {
		v := s.vectors[i]
		flat := profile.Point{}
		if l := v.Len(); l > 0 {
			flat = p.flatWay(v.Mul(1 / l)).Mul(l)
		}
		out[i] = BoltForce{Hole: h.ID, Share: [2]float64{v.X, v.Y}, OnFlat: [2]float64{flat.X, flat.Y}, Shear: v.Len(), Tension: p.tension(&s)[i],
			Prying: s.pry[i], Centre: s.centroid[i], Edge: s.edge[i]}
	}
	return out
}
