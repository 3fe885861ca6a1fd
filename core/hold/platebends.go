package hold

import (
	"fmt"
	"math"

	"warmanvil/core/bolt"
	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// pryPlate is the plate itself beside its bolts, with full prying: the bolts' share
// of it is asked with their tension.
func (p *placed) pryPlate() mode {
	m := mode{Key: "pry", Name: "Plate bent beside its bolts", Unit: "N", Spot: p.spot, Idle: "There is no pull.",
		Unsure: func(s *shares) string { return s.open }}
	if len(p.path) < 2 {
		m.Needless, m.Spot = "The load comes in on the flat the bolts stand on: that is asked by itself.", nil
		return m
	}
	m.Eval = func(s *shares) strength.Hit {
		return p.each(func(i int) (float64, float64) {
			if t := p.tension(s)[i]; t > 0 {
				q := p.pryingAt(i)
				return t, p.doubled(q.Plate, func(ply bolt.Plate) float64 {
					q.Plate = ply
					return q.Bends(p.rule)
				})
			}
			return 0, 1
		})
	}
	m.Explain = func(s *shares, h strength.Hit) working.Working {
		q := p.pryingAt(h.At)
		return working.Working{Method: "Plate bent beside its bolts", Source: "AISC Manual part 9, the plate's own strength with full prying",
			Formula: "T ≤ p·t²·F·(1 + δ)/(4·b'), b' = b − d/2, δ = 1 − dh/p",
			Inputs: append([]working.Quantity{p.thick(), p.strong(), working.MM("b", "bolt to the bend the load comes through", q.B),
				working.MM("p", "length of plate that belongs to the bolt", q.Length)}, p.doublerSays()...),
			Steps: []working.Quantity{newtons("cap", "may be used", h.Capacity)}, Assumptions: []string{p.rule.Says(q.Plate.Yields())},
			Result: newtons("T", "pull on the bolt without prying", h.Demand)}
	}
	return m
}

// flatPlate is a plate that carries a load among its bolts: as a strip between the
// bolts either side, and as a fan of yield lines round the load.
func (p *placed) flatPlate() mode {
	m := mode{Key: "flat", Name: "Plate bent between load and bolts", Unit: "N", Feature: p.panel.ID, Where: p.panel.Name,
		Idle: "Nothing pushes across the plate."}
	if len(p.list) > 0 {
		m.Needless = "The load comes in past the bolts: the plate is asked at its row and bends."
		return m
	}
	at := p.in(p.load)
	// Bolts either side along both axes; the strip that carries more is the one.
	best, a, b, wide := 0., 0., 0., 0.
	for axis := range 2 {
		get := func(q profile.Point) float64 {
			if axis == 0 {
				return q.X - at.X
			}
			return q.Y - at.Y
		}
		low, high := math.Inf(1), math.Inf(1)
		for _, q := range p.at {
			switch d := get(q); {
			case d <= 1e-6 && -d < low:
				low = -d
			case d > 1e-6 && d < high:
				high = d
			}
		}
		if math.IsInf(low, 1) || math.IsInf(high, 1) {
			continue
		}
		low = math.Max(low, 1)
		size := 0.
		for _, h := range p.carrying {
			size = math.Max(size, h.Diameter)
		}
		room := p.panel.Seat.Height
		if axis == 1 {
			room = p.panel.Seat.Width
		}
		w := math.Min(room, size+2*math.Min(low, high)) - size // its own hole is off
		if n := w * p.mat.t * p.mat.t / 4 * (low + high) / (low * high); n > best {
			best, a, b, wide = n, low, high, w
		}
	}
	if best == 0 {
		m.Missing = "The load lies neither between its bolts nor past a row of them: move it, or add a bolt on its other side."
		return m
	}
	plate := p.plate(0)
	fan := 2 * math.Pi * p.mat.t * p.mat.t / 4
	nominal := p.mat.yield * math.Min(best, fan)
	capacity := p.rule.Capacity(nominal, plate.Yields())
	m.Eval = func(s *shares) strength.Hit {
		if p.mount.Backed && s.pull <= 0 {
			return strength.Hit{} // pressed on its backing
		}
		return strength.Hit{Demand: math.Abs(s.pull), Capacity: capacity}
	}
	m.Explain = func(s *shares, h strength.Hit) working.Working {
		return working.Working{Method: "Plate with a load among its bolts",
			Source: "plastic strip between bolts either side, and the fan of yield lines round a load on a plate that may turn at its supports " +
				"(Johansen), the lesser", Formula: "P = min(Fy·w·t²/4·(a + b)/(a·b), 2π·Fy·t²/4)",
			Inputs: []working.Quantity{p.thick(), mpa("Fy", "yield of "+p.mat.name, p.mat.yield), working.MM("a", "to the bolt on one side", a),
				working.MM("b", "and on the other", b), working.MM("w", "width that carries, its hole off", wide)},
			Steps: []working.Quantity{newtons("strip", "by the strip", p.mat.yield*best), newtons("fan", "by the fan", p.mat.yield*fan),
				newtons("cap", "may be used", capacity)},
			Assumptions: []string{p.rule.Says(plate.Yields())}, Result: newtons("P", "across the plate", h.Demand)}
	}
	return m
}

// loadHoles asks the holes the load itself is bolted through, by the largest bolt
// that goes through each.
func (p *placed) loadHoles() mode {
	n := float64(len(p.carrying))
	type eye struct {
		d, bear, tear, pull float64
		by                  string
	}
	eyes := make([]eye, len(p.carrying))
	for i, h := range p.carrying {
		e := eye{d: usualBolt(p.bolt.Thread.System, h.Diameter)}
		plate := p.plate(h.Diameter)
		hot := p.heated(p.fromSeams(h.Body))
		plate.Yield, plate.Tensile = hot.yield, hot.tensile
		e.bear, e.by = plate.Bearing(p.rule, e.d, false)
		plate.Clear = p.least(h)
		e.tear, _ = plate.TearOut(p.rule)
		e.pull = math.Inf(1)
		if p.mat.t < bolt.ThinSheet {
			e.pull, _ = plate.PullThrough(p.rule, 1.6*e.d)
		}
		eyes[i] = e
	}
	normal := p.carrying[0].Normal
	ask := func(s *shares, i int) (float64, float64) {
		across := s.force.Dot(normal)
		in := math.Sqrt(math.Max(0, s.force.Dot(s.force)-across*across))
		e := eyes[i]
		return in/n/math.Max(math.Min(e.bear, e.tear), 1e-9) + math.Abs(across)/n/math.Max(e.pull, 1e-9), 1
	}
	return mode{Key: "load-holes", Name: "Holes that carry the load",
		Spot: func(_ *shares, h strength.Hit) (string, string) {
			return p.carrying[h.At].ID, lower(p.carrying[h.At].Name)
		},
		Eval: func(s *shares) strength.Hit {
			return strength.HardestOf(len(eyes), func(i int) (float64, float64) { return ask(s, i) })
		},
		Explain: func(s *shares, h strength.Hit) working.Working {
			e := eyes[h.At]
			steps := []working.Quantity{newtons("Rb", "hole crushed", e.bear), newtons("Rt", "torn out to the nearest edge or hole", e.tear)}
			if !math.IsInf(e.pull, 1) {
				steps = append(steps, newtons("Rp", "head pulled through", e.pull))
			}
			return working.Working{Method: "Holes the load is bolted through",
				Source: e.by + "; tear-out and pull-through as for the bracket's own bolts", Formula: "u = V/n/min(Rb, Rt) + N/n/Rp",
				Inputs: []working.Quantity{newtons("F", "load", s.force.Len()), amount("n", "holes", n, ""),
					working.MM("d", "largest bolt that goes through", e.d), p.thick(), p.strong()},
				Steps: steps, Assumptions: []string{p.rule.Says(p.plate(0).Breaks()),
					"they share alike; the bolts of the load's own foot are the device's"}, Result: amount("u", "share used", h.Demand, "")}
		}}
}

// usualBolt answers the diameter of the largest bolt of a system that goes through a
// hole with usual clearance, a millimetre less than the hole where none is.
func usualBolt(system stock.System, hole float64) float64 {
	best := 0.
	for _, t := range stock.Threads {
		if t.System == system && t.Clearance.Close <= hole+1e-6 && t.Diameter > best {
			best = t.Diameter
		}
	}
	if best < .6*hole {
		return math.Max(hole-1, hole/2)
	}
	return best
}

// strip asks the plate where other holes weaken it between load and bolts.
func (p *placed) strip() mode {
	m := mode{Key: "strip", Name: "Weakened by a cut-out on the way of the load", Unit: "MPa"}
	cuts := p.cuts()
	if len(cuts) == 0 {
		m.Needless = "No other hole lies between load and bolts."
		return m
	}
	plate := p.plate(0)
	mats, caps := make([]material, len(cuts)), make([]float64, len(cuts))
	for i, c := range cuts {
		mats[i] = p.heated(p.near(c))
		caps[i] = p.rule.Capacity(mats[i].yield, plate.Yields())
	}
	m.Spot = func(_ *shares, h strength.Hit) (string, string) { return cuts[h.At].id, cuts[h.At].name }
	m.Eval = func(s *shares) strength.Hit {
		return strength.HardestOf(len(cuts), func(i int) (float64, float64) {
			if cuts[i].wide-cuts[i].holes <= 0 {
				return 1, 0
			}
			return cuts[i].under(s.force, p.load, p.mat.t).equivalent, caps[i]
		})
	}
	m.Explain = func(s *shares, h strength.Hit) working.Working {
		c := cuts[h.At]
		return *c.working(c.under(s.force, p.load, p.mat.t), mats[h.At], caps[h.At], p.rule.Says(plate.Yields()))
	}
	return m
}

// corner asks the inside corners beside bends that end inside the material. Steel
// and soft aluminium yield there and share; what is hard tears from a sharp one.
func (p *placed) corner() mode {
	m := mode{Key: "corner", Name: "Inside corner beside a bend"}
	sharp := ""
	for i := 0; i+1 < len(p.path); i++ {
		child := p.path[i]
		if p.path[i+1].Parent == child.ID {
			child = p.path[i+1]
		}
		f := flangeOf(p.recipe.Base.Flanges, child.ID)
		if f != nil && (f.SetIn.Start > 0 || f.SetIn.End > 0) && f.Relief.Kind != sheet.Round {
			sharp = child.Name
		}
	}
	switch {
	case sharp == "":
		m.Needless = "No bend on the load's way ends at a sharp inside corner."
	case !p.mat.hard:
		m.Needless = "The metal is ductile: at a sharp inside corner it yields and shares. Shaken, it cracks there first: round reliefs."
	default:
		m.Missing = fmt.Sprintf("%s ends at a sharp inside corner in hard metal, which tears from there: take round reliefs.", sharp)
	}
	return m
}

func flangeOf(list []sheet.Flange, id string) *sheet.Flange {
	for i := range list {
		if list[i].ID == id {
			return &list[i]
		}
		if f := flangeOf(list[i].Flanges, id); f != nil {
			return f
		}
	}
	return nil
}
