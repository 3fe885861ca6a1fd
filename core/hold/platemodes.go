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

// plate answers the sheet as the rules round a hole take it.
func (p *placed) plate(hole float64) bolt.Plate {
	return bolt.Plate{Thickness: p.mat.t, Hole: hole, Yield: p.mat.yield, Tensile: p.mat.tensile, Aluminium: p.mat.aluminium()}
}

// plateModes lists what the plate round bolts and load must answer.
func (p *placed) plateModes() []mode {
	return []mode{p.bearing(), p.tearOut(), p.spacing(), p.net("net-section", "Plate torn across the row of bolts", false), p.net("net-along", "Plate torn along the row of bolts", true),
		p.block(), p.pullThrough(), p.pryPlate(), p.flatPlate(), p.loadHoles(), p.strip(), p.corner()}
}

func (p *placed) thick() working.Quantity { return mm("t", "thickness", p.mat.t) }

func (p *placed) strong() working.Quantity {
	return mpa("Fu", "strength of "+p.mat.name, p.plate(0).Strong(p.rule))
}

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
			return working.Working{Method: "Bearing of the bolt on the plate", Source: by, Formula: "V against R", Inputs: append([]working.Quantity{mm("d", "bolt", d), p.thick(), p.strong()}, p.doublerSays()...),
				Steps: []working.Quantity{newtons("cap", "may be used", capacity)}, Assumptions: []string{said}, Result: newtons("V", "share of the bolt", h.Demand)}
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
				Inputs: append([]working.Quantity{mm("lc", "hole's edge to the next edge along the force", ply.Clear), p.thick(), p.strong()}, p.doublerSays()...),
				Steps:  []working.Quantity{newtons("cap", "may be used", h.Capacity)}, Assumptions: []string{p.rule.Says(ply.Breaks()), "each hole with its own edge distance"}, Result: newtons("V", "share of the bolt", h.Demand)}
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
		m.Needless = fmt.Sprintf("They stand %.3g times their diameter apart and %.3g are asked (%s).", least/p.bolt.Thread.Diameter, need/p.bolt.Thread.Diameter, source)
		return m
	}
	m.Eval = func(*shares) strength.Hit {
		return strength.Hit{Demand: need, Capacity: least, Gone: "The bolts stand nearer to each other than " + source + "."}
	}
	m.Explain = func(_ *shares, _ strength.Hit) working.Working {
		return working.Working{Method: "Least distance between bolts", Source: source, Formula: "s ≥ smin", Inputs: []working.Quantity{mm("d", "bolt", p.bolt.Thread.Diameter), mm("dh", "widest hole", wide)},
			Steps: []working.Quantity{mm("s", "there", least)}, Result: mm("smin", "asked", need), Assumptions: []string{"holes as the part has them"}}
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
			return working.Working{Method: "Net section", Source: "AISC 360 D2: Fu·An, each hole 2 mm wider than drilled (B4.3b); aluminium by the Aluminum Design Manual D.2", Formula: "An = (W − Σ(d + 2))·t",
				Inputs: []working.Quantity{mm("W", "width of the panel", width), mm("Σ", "taken off by holes", lost), p.thick(), p.strong()},
				Steps:  []working.Quantity{amount("An", "net area", area, "mm²"), newtons("cap", "may be used", capacity)}, Assumptions: []string{said}, Result: newtons("N", "force across the row", h.Demand)}
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
		return working.Working{Method: "Group torn out of " + lower(p.panel.Name), Source: "AISC 360 J4.3 with 2 mm more than drilled (B4.3b), below 4.76 mm AISI S100 J6.3, aluminium by the Aluminum Design Manual J.3.7, with Ubs = 1", Formula: "R = min(0.6·Fu·Anv, 0.6·Fy·Agv) + Fu·Ant; u = Vx/Rx + Vy/Ry",
			Inputs: []working.Quantity{newtons("Vx", "force along the panel", s.inPlane.X), newtons("Vy", "force across", s.inPlane.Y), mm("e", "nearest edge", edge), p.thick(), p.strong()},
			Steps:  []working.Quantity{newtons("Rx", "may be used along", caps[0]), newtons("Ry", "may be used across", caps[1])}, Assumptions: []string{p.rule.Says(plate.Breaks()), "the force without its turn: each hole answers for that"},
			Result: amount("u", "share used", h.Demand, "")}
	}
	return m
}

func (p *placed) pullThrough() mode {
	m := mode{Key: "pull-through", Name: "Head pulled through", Unit: "N", Spot: p.spot, Idle: "There is no pull.", Unsure: func(s *shares) string { return s.open }}
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
		return working.Working{Method: "Head or washer pulled through thin sheet", Source: by, Formula: "T against P", Inputs: append([]working.Quantity{p.thick(), mm("dw", "head or washer", head), p.strong()}, p.doublerSays()...),
			Steps: []working.Quantity{newtons("cap", "may be used", h.Capacity)}, Assumptions: []string{p.rule.Says(strength.PullThrough)}, Result: newtons("T", "pull on the bolt", h.Demand)}
	}
	return m
}

// pryPlate is the plate itself beside its bolts, with full prying: the bolts' share
// of it is asked with their tension.
func (p *placed) pryPlate() mode {
	m := mode{Key: "pry", Name: "Plate bent beside its bolts", Unit: "N", Spot: p.spot, Idle: "There is no pull.", Unsure: func(s *shares) string { return s.open }}
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
		return working.Working{Method: "Plate bent beside its bolts", Source: "AISC Manual part 9, the plate's own strength with full prying", Formula: "T ≤ p·t²·F·(1 + δ)/(4·b'), b' = b − d/2, δ = 1 − dh/p",
			Inputs: append([]working.Quantity{p.thick(), p.strong(), mm("b", "bolt to the bend the load comes through", q.B), mm("p", "length of plate that belongs to the bolt", q.Length)}, p.doublerSays()...),
			Steps:  []working.Quantity{newtons("cap", "may be used", h.Capacity)}, Assumptions: []string{p.rule.Says(q.Plate.Yields())}, Result: newtons("T", "pull on the bolt without prying", h.Demand)}
	}
	return m
}

// flatPlate is a plate that carries a load among its bolts: as a strip between the
// bolts either side, and as a fan of yield lines round the load.
func (p *placed) flatPlate() mode {
	m := mode{Key: "flat", Name: "Plate bent between load and bolts", Unit: "N", Feature: p.panel.ID, Where: p.panel.Name, Idle: "Nothing pushes across the plate."}
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
		return working.Working{Method: "Plate with a load among its bolts", Source: "plastic strip between bolts either side, and the fan of yield lines round a load on a plate that may turn at its supports (Johansen), the lesser", Formula: "P = min(Fy·w·t²/4·(a + b)/(a·b), 2π·Fy·t²/4)",
			Inputs:      []working.Quantity{p.thick(), mpa("Fy", "yield of "+p.mat.name, p.mat.yield), mm("a", "to the bolt on one side", a), mm("b", "and on the other", b), mm("w", "width that carries, its hole off", wide)},
			Steps:       []working.Quantity{newtons("strip", "by the strip", p.mat.yield*best), newtons("fan", "by the fan", p.mat.yield*fan), newtons("cap", "may be used", capacity)},
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
			return working.Working{Method: "Holes the load is bolted through", Source: e.by + "; tear-out and pull-through as for the bracket's own bolts", Formula: "u = V/n/min(Rb, Rt) + N/n/Rp",
				Inputs: []working.Quantity{newtons("F", "load", s.force.Len()), amount("n", "holes", n, ""), mm("d", "largest bolt that goes through", e.d), p.thick(), p.strong()},
				Steps:  steps, Assumptions: []string{p.rule.Says(p.plate(0).Breaks()), "they share alike; the bolts of the load's own foot are the device's"}, Result: amount("u", "share used", h.Demand, "")}
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
	capacity := p.rule.Capacity(p.mat.yield, plate.Yields())
	m.Spot = func(_ *shares, h strength.Hit) (string, string) { return cuts[h.At].id, cuts[h.At].name }
	m.Eval = func(s *shares) strength.Hit {
		return strength.HardestOf(len(cuts), func(i int) (float64, float64) {
			if cuts[i].wide-cuts[i].holes <= 0 {
				return 1, 0
			}
			return cuts[i].under(s.force, p.load, p.mat.t).equivalent, capacity
		})
	}
	m.Explain = func(s *shares, h strength.Hit) working.Working {
		c := cuts[h.At]
		return *c.working(c.under(s.force, p.load, p.mat.t), p.mat, capacity, p.rule.Says(plate.Yields()))
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

// plateAt checks the plate at one bend or row, at the harder of its lines.
func (p *placed) plateAt(lines []section) mode {
	plate := p.plate(0)
	capacity, said := p.rule.Capacity(p.mat.yield, plate.Yields()), p.rule.Says(plate.Yields())
	first := lines[0]
	name := "Plate bent at the bend of " + lower(first.name)
	if first.holes > 0 {
		name = "Plate bent at the row of bolts"
	}
	hardest := func(s *shares) (at section, worst stress) {
		for i, c := range lines {
			if x := c.under(s.force, p.load, p.mat.t); i == 0 || x.equivalent > worst.equivalent {
				at, worst = c, x
			}
		}
		return at, worst
	}
	return mode{Key: "plate:" + first.id, Name: name, Unit: "MPa", Feature: first.id, Where: first.name,
		Eval: func(s *shares) strength.Hit {
			_, x := hardest(s)
			return strength.Hit{Demand: x.equivalent, Capacity: capacity}
		},
		Explain: func(s *shares, _ strength.Hit) working.Working {
			c, x := hardest(s)
			return *c.working(x, p.mat, capacity, said)
		}}
}
