package hold

import (
	"math"

	"warmanvil/core/bolt"
	"warmanvil/core/profile"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// hit is one demand against one capacity in one load.
type hit struct {
	demand, capacity float64
	hole             int // -1 for none
	load             int
}

func (h hit) share() float64 {
	if h.capacity <= 0 {
		if h.demand > 0 {
			return math.Inf(1)
		}
		return 0
	}
	return h.demand / h.capacity
}

type check struct {
	key, name, unit, feature, where string
	eval                            func(s *shares) hit
	explain                         func(s *shares, h hit) working.Working
	caution                         func(s *shares) string
}

// each answers the hardest bolt.
func (p *placed) each(f func(i int) (demand, capacity float64)) hit {
	best := hit{hole: 0}
	for i := range p.holes {
		d, c := f(i)
		if h := (hit{demand: d, capacity: c, hole: i}); i == 0 || h.share() > best.share() {
			best = h
		}
	}
	return best
}

func (p *placed) checks(mat material, rule strength.Rule, list []section) []check {
	ta, va := p.bolt.Capacity(rule)
	said := rule.Says(strength.Rupture)
	d := p.bolt.Thread.Diameter
	plate := bolt.Plate{Thickness: mat.t, Yield: mat.yield, Tensile: mat.tensile}
	bearing, bearingBy := plate.Bearing(rule, d, p.mount.Bolts.Washer > d)
	nominalT, nominalV := p.bolt.Nominal(rule)
	boltSource := "AISC 360 J3.6: 0.75·Fu in tension, 0.45·Fu with threads in the plane or 0.563·Fu without; " + p.bolt.Grade.Source
	if rule.Yields() {
		boltSource = "proof stress on the stress area, 0.577 of it in shear; " + p.bolt.Grade.Source
	}
	pulled := func(s *shares, i int) (tension, prying float64) {
		return p.tension(*s)[i], s.pry[i]
	}
	shear := p.shearShare(mat, rule)
	edge := func(s *shares) string { return s.silent }
	out := []check{
		{key: "shear", name: "Bolt in shear", unit: "N",
			eval: func(s *shares) hit { return p.each(func(i int) (float64, float64) { return shear(s, i), va }) },
			explain: func(s *shares, h hit) working.Working {
				return working.Working{Method: "Bolt in shear, " + p.shearName(mat, rule), Source: boltSource, Formula: "share / capacity",
					Inputs: []working.Quantity{{Symbol: "F", Name: "force in the plane", Value: s.inPlane.Len(), Unit: "N"}, {Symbol: "Mz", Name: "moment about the group's centroid", Value: s.turn, Unit: "N·mm"},
						{Symbol: "n", Name: "bolts", Value: float64(len(p.at))}, {Symbol: "Σr²", Name: "polar sum", Value: p.polar, Unit: "mm²"}, {Symbol: "Rn", Name: "nominal shear strength", Value: nominalV, Unit: "N"}},
					Steps: []working.Quantity{{Symbol: "cap", Name: "may be used", Value: va, Unit: "N"}}, Assumptions: []string{said, "no friction, equal bolts, all bear"},
					Result: working.Quantity{Symbol: "V", Name: "largest share", Value: h.demand, Unit: "N"}}
			}},
		{key: "tension", name: "Bolt in tension", unit: "N", caution: edge,
			eval: func(s *shares) hit {
				return p.each(func(i int) (float64, float64) { t, q := pulled(s, i); return t + q, ta })
			},
			explain: func(s *shares, h hit) working.Working {
				t, q := pulled(s, h.hole)
				return working.Working{Method: "Bolt in tension, " + p.tensionName(*s), Source: boltSource + "; prying by AISC Manual part 9", Formula: "T = N/n + share of the moment; T + q against capacity",
					Inputs: []working.Quantity{{Symbol: "N", Name: "force away from the vehicle", Value: s.pull, Unit: "N"}, {Symbol: "Mx", Name: "moment to be answered along x", Value: s.mx, Unit: "N·mm"}, {Symbol: "My", Name: "along y", Value: s.my, Unit: "N·mm"},
						{Symbol: "Rn", Name: "nominal tensile strength", Value: nominalT, Unit: "N"}},
					Steps: []working.Quantity{{Symbol: "Tc", Name: "with the neutral axis at the centroid", Value: s.centroid[h.hole], Unit: "N"}, {Symbol: "Te", Name: "turning about the edge", Value: s.edge[h.hole], Unit: "N"},
						{Symbol: "T", Name: "school in use", Value: t, Unit: "N"}, {Symbol: "q", Name: "prying", Value: q, Unit: "N"}, {Symbol: "cap", Name: "may be used", Value: ta, Unit: "N"}},
					Assumptions: []string{said, "preload left out"}, Result: working.Quantity{Symbol: "T + q", Name: "pull on the bolt", Value: h.demand, Unit: "N"}}
			}},
		{key: "combined", name: "Bolt in shear and tension", unit: "", caution: edge,
			eval: func(s *shares) hit {
				return p.each(func(i int) (float64, float64) {
					t, q := pulled(s, i)
					return p.bolt.Combined(rule, t+q, shear(s, i)), 1
				})
			},
			explain: func(s *shares, h hit) working.Working {
				t, q := pulled(s, h.hole)
				formula, source := "T/Ta ≤ 1.3 − V/Va", "AISC 360 J3.7, reduced tension"
				if rule.Yields() {
					formula, source = "√((T/Ta)² + (V/Va)²)", "ellipse"
				}
				return working.Working{Method: "Shear with tension", Source: source, Formula: formula,
					Inputs:      []working.Quantity{{Symbol: "T", Name: "tension with prying", Value: t + q, Unit: "N"}, {Symbol: "Ta", Name: "usable tension", Value: ta, Unit: "N"}, {Symbol: "V", Name: "shear", Value: shear(s, h.hole), Unit: "N"}, {Symbol: "Va", Name: "usable shear", Value: va, Unit: "N"}},
					Assumptions: []string{said}, Result: working.Quantity{Symbol: "u", Name: "share used", Value: h.demand}}
			}},
		{key: "bearing", name: "Hole crushed", unit: "N",
			eval: func(s *shares) hit {
				return p.each(func(i int) (float64, float64) { return s.vectors[i].Len(), bearing })
			},
			explain: func(s *shares, h hit) working.Working {
				return working.Working{Method: "Bearing of the bolt on the plate", Source: bearingBy, Formula: "V against R",
					Inputs: []working.Quantity{{Symbol: "d", Name: "bolt", Value: d, Unit: "mm"}, {Symbol: "t", Name: "thickness", Value: mat.t, Unit: "mm"}, {Symbol: "Fu", Name: "tensile strength of " + mat.name, Value: plateStress(mat, rule), Unit: "MPa"}},
					Steps:  []working.Quantity{{Symbol: "cap", Name: "may be used", Value: bearing, Unit: "N"}}, Assumptions: []string{said}, Result: working.Quantity{Symbol: "V", Name: "share of the bolt", Value: h.demand, Unit: "N"}}
			}},
		p.tearOut(mat, rule, plate),
		p.net(mat, rule),
	}
	if mat.t < bolt.ThinSheet {
		head := max(p.bolt.Thread.AcrossHex, p.mount.Bolts.Washer)
		through := plate.PullThrough(rule, head)
		out = append(out, check{key: "pull-through", name: "Head pulled through", unit: "N", caution: edge,
			eval: func(s *shares) hit {
				return p.each(func(i int) (float64, float64) { return p.tension(*s)[i], through })
			},
			explain: func(s *shares, h hit) working.Working {
				return working.Working{Method: "Head or washer pulled through thin sheet", Source: "AISI S100 J4.4.2, written for screws, used for bolts below 4.76 mm", Formula: "P = 1.5·t·dw·Fu, dw ≤ 19 mm",
					Inputs:      []working.Quantity{{Symbol: "t", Name: "thickness", Value: mat.t, Unit: "mm"}, {Symbol: "dw", Name: "head or washer", Value: min(head, 19), Unit: "mm"}, {Symbol: "Fu", Name: "strength of " + mat.name, Value: plateStress(mat, rule), Unit: "MPa"}},
					Steps:       []working.Quantity{{Symbol: "cap", Name: "may be used", Value: through, Unit: "N"}},
					Assumptions: []string{"Ω = 3.0, φ = 0.5, or the margin on yield"}, Result: working.Quantity{Symbol: "T", Name: "pull on the bolt", Value: h.demand, Unit: "N"}}
			}})
	}
	for i := 0; i < len(list); {
		j := i + 1
		for j < len(list) && list[j].id == list[i].id { // both tangent lines of a bend
			j++
		}
		out = append(out, plateAt(list[i:j], p.load, mat, rule))
		i = j
	}
	return out
}

// shearShare answers what a bolt counts in shear by the mount's school.
func (p *placed) shearShare(mat material, rule strength.Rule) func(s *shares, i int) float64 {
	if !p.icrHere(mat, rule) {
		return func(s *shares, i int) float64 { return s.vectors[i].Len() }
	}
	known := map[*shares]float64{}
	return func(s *shares, _ int) float64 {
		if v, ok := known[s]; ok {
			return v
		}
		v := 0.0
		if c := p.coefficient(s); c != nil {
			v = s.inPlane.Len() / *c
		} else {
			for _, q := range s.vectors {
				v = max(v, q.Len())
			}
		}
		known[s] = v
		return v
	}
}

// icrHere tells whether the instantaneous centre may be used: asked for, steel
// plate, and a school that counts to breaking.
func (p *placed) icrHere(mat material, rule strength.Rule) bool {
	return p.mount.InPlane == Instantaneous && mat.steel && !rule.Yields()
}

func (p *placed) shearName(mat material, rule strength.Rule) string {
	if p.icrHere(mat, rule) {
		return "instantaneous centre of rotation"
	}
	return "elastic vector method"
}

func (p *placed) tensionName(s shares) string {
	if p.mount.OutPlane == AtEdge || s.silent != "" {
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
		t := p.tension(s)[i]
		out[i] = BoltForce{Hole: h.ID, Share: [2]float64{v.X, v.Y}, OnFlat: [2]float64{flat.X, flat.Y}, Shear: v.Len(), Tension: t,
			Prying: s.pry[i], Centre: s.centroid[i], Edge: s.edge[i]}
	}
	return out
}
