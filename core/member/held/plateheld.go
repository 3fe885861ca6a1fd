package held

import (
	"fmt"
	"math"

	"warmanvil/core/bolt"
	"warmanvil/core/member/shape"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// plates asks bases and ears, and answers what they must answer and did.
func (w *weighing) plates() (ledgers []strength.Ledger, list []strength.Check) {
	for k := range w.m.b.Plates {
		p := &w.m.b.Plates[k]
		if p.Kind == "cap" {
			continue
		}
		for i, r := range w.m.b.Runs {
			if r.ID != p.Member || len(w.m.of[i]) == 0 {
				continue
			}
			form := strength.BasePlate
			if p.Kind == "tab" {
				form = strength.EarPlate
			}
			l := strength.Ledger{Form: form, Feature: p.ID, Where: fmt.Sprintf("%s on %s", shape.PlateName(p.Plate), r.Named())}
			ledgers = append(ledgers, l)
			if len(p.Holds) == 0 {
				continue // the ledger says what is missing
			}
			q := &plating{a: w.asked(i), p: p}
			modes := q.base()
			if p.Kind == "tab" {
				modes = q.tab()
			}
			for n := range modes {
				modes[n].Feature, modes[n].Where = p.ID, l.Where
			}
			list = append(list, strength.Hardest(modes, w.answers, func(c *answered) string { return c.name })...)
		}
	}
	return ledgers, list
}

// plating is a plate that is being asked.
type plating struct {
	a *asking
	p *shape.PlateAt
}

// force answers what goes through the plate in a case, in its member's axes.
func (q *plating) force(c *answered) [6]float64 {
	e := 0
	if q.p.End == "b" {
		e = 1
	}
	return q.a.force(c, e)
}

// pulls answers the pull on each bolt of a base plate: its share of the force and of
// both moments, about the middle of the holes. A moment across a line of holes is
// left over.
func (q *plating) pulls(f [6]float64) (list []float64, left float64) {
	n := float64(len(q.p.Holds))
	var sy, sz float64
	for _, h := range q.p.Holds {
		sy, sz = sy+h[0]*h[0], sz+h[1]*h[1]
	}
	list = make([]float64, len(q.p.Holds))
	my, mz := math.Abs(f[4]), math.Abs(f[5])
	for i, h := range q.p.Holds {
		list[i] = math.Abs(f[0]) / n
		if sz > 1e-6 {
			list[i] += my * math.Abs(h[1]) / sz
		}
		if sy > 1e-6 {
			list[i] += mz * math.Abs(h[0]) / sy
		}
	}
	if sz <= 1e-6 {
		left += my
	}
	if sy <= 1e-6 {
		left += mz
	}
	return list, left
}

// base lists what an end plate must answer.
func (q *plating) base() []mode {
	return []mode{q.bent(), q.under(), q.wrench(), q.line(), q.edges()}
}

// Arm answers how far a hole of a plate at h stands from the wall of its member, mm:
// across its nearer face, negative under the member. Not for a plate whose member is
// not there.
func Arm(b *shape.Built, p *shape.PlateAt, h [2]float64) (float64, bool) {
	for _, r := range b.Runs {
		if r.ID == p.Member {
			return armOf(r, h), true
		}
	}
	return 0, false
}

func (q *plating) arm(h [2]float64) float64 { return armOf(q.a.r, h) }

func armOf(r *shape.Run, h [2]float64) float64 {
	y, z := math.Abs(h[0])-(r.Box.Right-r.Box.Left)/2, math.Abs(h[1])-(r.Box.Top-r.Box.Bottom)/2
	switch {
	case y > 0 && z > 0:
		return math.Hypot(y, z)
	case y <= 0 && z <= 0:
		return max(y, z)
	}
	return max(y, z)
}

// bent is the plate between a bolt and the member's wall, as a cantilever as wide as
// the bolt spreads over.
func (q *plating) bent() mode {
	p := q.p
	wide := func(l float64) float64 { return min(2*l+p.Hole, min(p.Width, p.Height)) } // 45° either side
	m := mode{Key: "plate", Name: "plate bending", Unit: "MPa", Idle: "Nothing goes through it."}
	m.Eval = func(c *answered) strength.Hit {
		pulls, _ := q.pulls(q.force(c))
		return strength.HardestOf(len(p.Holds), func(i int) (float64, float64) {
			l := q.arm(p.Holds[i])
			if l <= 0 { // under the member: asked by itself
				return 0, q.a.may
			}
			return pulls[i] * l * 6 / (wide(l) * p.Thickness * p.Thickness), q.a.may
		})
	}
	m.Explain = func(c *answered, h strength.Hit) working.Working {
		pulls, _ := q.pulls(q.force(c))
		l := q.arm(p.Holds[h.At])
		return working.Working{Method: "Base plate between bolt and member",
			Source: "cantilever strip, load spread at 45° from the bolt; practice", Formula: "σ = 6·F·l / (b·t²)",
			Inputs: []working.Quantity{newtons("F", "on one bolt", pulls[h.At]), working.MM("l", "bolt to the member's wall", l),
				working.MM("b", "width that bends", wide(l)), working.MM("t", "thickness", p.Thickness)},
			Steps: []working.Quantity{mpa("may", "may be used", q.a.may)},
			Assumptions: []string{q.a.w.ask.Rule.Says(q.a.plate),
				"no prying: a thin plate adds to the bolts; the bolts themselves belong to the joint"}, Result: mpa("σ", "bending stress", h.Demand)}
	}
	return m
}

// under asks for bolts that lie under the member, where nobody puts them in.
func (q *plating) under() mode {
	m := mode{Key: "plate-under", Name: "bolts under the member"}
	for i, h := range q.p.Holds {
		if l := q.arm(h); l <= q.p.Hole/2 {
			m.Eval = func(*answered) strength.Hit {
				return strength.Hit{Demand: 1, At: i,
					Gone: fmt.Sprintf("Hole %d lies %s: no bolt goes in there. A larger plate, a smaller member or holes farther out.", i+1,
						map[bool]string{true: "under the member", false: "under its wall"}[l < 0])}
			}
			return m
		}
	}
	m.Needless = "No hole lies under the member."
	return m
}

// wrench asks whether a spanner goes on: a socket between the bolt and the member's
// wall.
func (q *plating) wrench() mode {
	m := mode{Key: "plate-wrench", Name: "room for a spanner", Unit: "mm"}
	least, at := math.Inf(1), 0
	for i, h := range q.p.Holds {
		if l := q.arm(h); l < least {
			least, at = l, i
		}
	}
	d := boltThrough(q.p.Hole)
	leg := q.a.ends()[map[string]int{"b": 1}[q.p.End]].leg
	need, socket := headAcross*d/2+leg, socketAcross*d/2+leg
	switch {
	case least >= socket:
		m.Needless = fmt.Sprintf("%.0f mm to the wall, %.0f asked for a socket past the weld.", least, socket)
		return m
	case least >= need:
		m.Needless = fmt.Sprintf("%.0f mm to the wall: an open spanner goes on, a socket asks for %.0f.", least, socket)
		return m
	}
	m.Eval = func(*answered) strength.Hit {
		return strength.Hit{Demand: need, Capacity: max(least, 1e-3), At: at,
			Gone: fmt.Sprintf("Hole %d is %.0f mm from the member's wall, and the head past the weld asks for %.0f: holes farther out, or "+
				"a larger plate.", at+1, least, need)}
	}
	m.Explain = func(_ *answered, h strength.Hit) working.Working {
		return working.Working{Method: "Room for a head beside the member",
			Source: "heads are 1.85 diameters across their corners; the weld's leg stands in the way", Formula: "l ≥ 0.93·d + leg",
			Inputs:      []working.Quantity{working.MM("d", "largest bolt that goes through", d), working.MM("l", "bolt to the wall", least)},
			Steps:       []working.Quantity{},
			Assumptions: []string{"a socket needs more"}, Result: working.MM("need", "asked", need)}
	}
	return m
}

// How wide a head is over its corners and a socket outside, by the bolt's diameter.
const headAcross, socketAcross = 1.85, 2.2

// boltThrough answers the diameter of the largest bolt that goes through a hole.
func boltThrough(hole float64) float64 {
	best := 0.
	for _, t := range stock.Threads {
		if t.Clearance.Close <= hole+1e-6 && t.Diameter > best {
			best = t.Diameter
		}
	}
	if best == 0 {
		return .9 * hole
	}
	return best
}

// line asks for a moment across holes in one line: they do not hold it.
func (q *plating) line() mode {
	return mode{Key: "plate-line", Name: "moment across a line of bolts", Unit: "N·mm", Idle: "Its bolts hold the moments that go through it.",
		Eval: func(c *answered) strength.Hit {
			f := q.force(c)
			if _, left := q.pulls(f); left > 1 {
				return strength.Hit{Demand: left, Gone: "Its bolts lie in one line, or there is one, and a moment across them is held by nothing: " +
					"give it a second row."}
			}
			return strength.Hit{}
		},
		Explain: func(_ *answered, h strength.Hit) working.Working {
			return working.Working{Method: "Moment across a line of bolts", Source: "statics", Formula: "Σ y² = 0",
				Inputs: []working.Quantity{amount("n", "bolts", float64(len(q.p.Holds)), "")}, Steps: []working.Quantity{},
				Assumptions: []string{"the plate's edge is not counted"}, Result: moment("M", "held by nothing", h.Demand)}
		}}
}

// edges asks the holes for their distance to the plate's edge: crushed or torn out
// by what slides the plate.
func (q *plating) edges() mode {
	p, rule := q.p, q.a.w.ask.Rule
	m := mode{Key: "plate-edge", Name: "holes near its edge", Unit: "N", Idle: "Nothing slides it."}
	if p.Margin <= 0 || p.Hole <= 0 {
		m.Missing = "The holes' diameter and how far they lie from the edge are not given."
		return m
	}
	plate := bolt.Plate{Thickness: p.Thickness, Hole: p.Hole, Clear: p.Margin - p.Hole/2, Yield: q.a.yield, Tensile: q.a.w.m.material.Tensile,
		Aluminium: q.a.aluminium()}
	bear, by := plate.Bearing(rule, boltThrough(p.Hole), false)
	tear, torn := plate.TearOut(rule)
	capacity := min(bear, tear)
	n := float64(len(p.Holds))
	shear := func(f [6]float64) float64 {
		polar, far := 0., 0.
		for _, h := range p.Holds {
			d := math.Hypot(h[0], h[1])
			polar, far = polar+d*d, max(far, d)
		}
		v := math.Hypot(f[1], f[2]) / n
		if polar > 1e-6 {
			v += math.Abs(f[3]) * far / polar
		}
		return v
	}
	m.Eval = func(c *answered) strength.Hit {
		h := strength.Hit{Demand: shear(q.force(c)), Capacity: capacity}
		if plate.Clear <= 0 {
			h.Demand, h.Gone = max(h.Demand, 1), "Its holes reach past its edge."
		}
		return h
	}
	m.Explain = func(c *answered, h strength.Hit) working.Working {
		return working.Working{Method: "Holes of an end plate", Source: by + "; " + torn, Formula: "V ≤ min(crushed, torn)",
			Inputs: []working.Quantity{working.MM("lc", "hole's edge to the edge", plate.Clear), working.MM("t", "thickness", p.Thickness),
				mpa("Fu", "strength", plate.Strong(rule))},
			Steps:       []working.Quantity{newtons("Rb", "crushed", bear), newtons("Rt", "torn out", tear)},
			Assumptions: []string{rule.Says(plate.Breaks()), "bolts share alike, the farthest takes the twist"},
			Result:      newtons("V", "on one bolt", h.Demand)}
	}
	return m
}

// tab lists what an ear must answer.
func (q *plating) tab() []mode {
	return []mode{q.torn(), q.root(), q.edge()}
}

// torn is the ear at its hole.
func (q *plating) torn() mode {
	p, rule := q.p, q.a.w.ask.Rule
	clear := p.Margin - p.Hole/2
	plate := bolt.Plate{Thickness: p.Thickness, Hole: p.Hole, Clear: clear, Yield: q.a.yield, Tensile: q.a.w.m.material.Tensile,
		Aluminium: q.a.aluminium()}
	tear, torn := plate.TearOut(rule)
	bear, by := plate.PinBearing(rule, boltThrough(p.Hole))
	n := float64(len(p.Holds))
	// Beside the hole: tension across it (AISC 360 D5.1), as wide as the ear leaves.
	be := min(2*p.Thickness+16, max((p.Width-p.Hole)/2, 0))
	across := rule.Capacity(plate.Strong(rule)*2*p.Thickness*be, plate.Breaks())
	capacity := min(across, min(tear, bear))
	return mode{Key: "ear", Name: "ear tears out", Unit: "N", Idle: "Nothing goes through it.",
		Eval: func(c *answered) strength.Hit {
			f := q.force(c)
			h := strength.Hit{Demand: math.Hypot(f[0], math.Hypot(f[1], f[2])) / n, Capacity: capacity}
			if clear <= 0 {
				h.Demand, h.Gone = max(h.Demand, 1), "Its hole reaches past its edge."
			}
			return h
		},
		Explain: func(_ *answered, h strength.Hit) working.Working {
			return working.Working{Method: "Ear at its hole", Source: torn + "; " + by + "; across the hole AISC 360 D5.1",
				Formula: "R = min(torn, crushed, Fu·2t·be)",
				Inputs: []working.Quantity{working.MM("lc", "hole's edge to the ear's edge", clear), working.MM("d", "hole", p.Hole),
					working.MM("t", "thickness", p.Thickness), mpa("Fu", "strength", plate.Strong(rule))},
				Steps: []working.Quantity{newtons("Rt", "torn out", tear), newtons("Rb", "crushed", bear),
					newtons("Ra", "torn across the hole", across)}, Assumptions: []string{rule.Says(plate.Breaks()), "its holes share alike"},
				Result: newtons("R", "asked", h.Demand)}
		}}
}

// root is the ear bent both ways where it is welded on, by forces at its holes and by
// the moments its member brings.
func (q *plating) root() mode {
	p := q.p
	lever := p.Height - p.Margin
	area, thin, wide := p.Width*p.Thickness, p.Width*p.Thickness*p.Thickness/6, p.Thickness*p.Width*p.Width/6
	parts := func(f [6]float64) (direct, flat, edge, twist float64) {
		// Flat on: the thin way by the force along its thickness, the wide way by the one
		// along its width; moments about both axes, and the twist.
		return math.Abs(f[0]) / area, (math.Abs(f[2])*lever + math.Abs(f[4])) / thin, (math.Abs(f[1])*lever + math.Abs(f[5])) / wide,
			3 * math.Abs(f[3]) / (p.Width * p.Thickness * p.Thickness)
	}
	return mode{Key: "ear-bend", Name: "ear bends at its root", Unit: "MPa", Idle: "Nothing goes through it.",
		Eval: func(c *answered) strength.Hit {
			d, a, b, t := parts(q.force(c))
			return strength.Hit{Demand: math.Sqrt((d+a+b)*(d+a+b) + 3*t*t), Capacity: q.a.may}
		},
		Explain: func(c *answered, h strength.Hit) working.Working {
			f := q.force(c)
			d, a, b, t := parts(f)
			return working.Working{Method: "Ear as a cantilever", Source: "beam bending both ways with pull and twist, von Mises",
				Formula: "σ = √((N/(w·t) + 6·(Vz·h + My)/(w·t²) + 6·(Vy·h + Mz)/(t·w²))² + 3·τ²)",
				Inputs: []working.Quantity{working.MM("h", "hole to the root", lever), working.MM("w", "width", p.Width),
					working.MM("t", "thickness", p.Thickness),
					newtons("N", "pull", f[0]), newtons("Vy", "along its width", f[1]), newtons("Vz", "along its thickness", f[2]),
					moment("My", "moment the thin way", f[4]), moment("Mz", "moment the wide way", f[5])},
				Steps: []working.Quantity{mpa("σN", "by pull", d), mpa("σ1", "bent the thin way", a), mpa("σ2", "bent the wide way", b),
					mpa("τ", "by twist", t), mpa("may", "may be used", q.a.may)},
				Assumptions: []string{q.a.w.ask.Rule.Says(q.a.plate), "the ear is welded along its whole root"},
				Result:      mpa("σ", "stress at the root", h.Demand)}
		}}
}

// edge is the free edge of an ear that is pressed: a strip of plate on its own, held
// at its root (AISC 360 e3 with K = 2).
func (q *plating) edge() mode {
	p := q.p
	m := mode{Key: "ear-edge", Name: "free edge buckles", Unit: "MPa", Idle: "It is never pressed."}
	r := p.Thickness / math.Sqrt(12)
	slender := 2 * p.Height / r
	elastic := math.Pi * math.Pi * q.a.w.m.modulus / (slender * slender)
	critical := e3(q.a.yield, elastic)
	capacity := q.a.w.ask.Rule.Capacity(critical, q.a.plate)
	at := func(f [6]float64) float64 {
		return max(f[0]*map[bool]float64{true: -1, false: 1}[p.End == "b"], 0)/(p.Width*p.Thickness) +
			6*(math.Abs(f[1])*(p.Height-p.Margin)+math.Abs(f[5]))/(p.Thickness*p.Width*p.Width)
	}
	m.Eval = func(c *answered) strength.Hit {
		return strength.Hit{Demand: at(q.force(c)), Capacity: capacity}
	}
	m.Explain = func(c *answered, h strength.Hit) working.Working {
		return working.Working{Method: "Free edge of an ear", Source: "AISC 360 E3 on a strip of the plate, K = 2",
			Formula: "σ ≤ Fcr/Ω, λ = 2·h·√12/t", Inputs: []working.Quantity{working.MM("h", "stands out", p.Height),
				working.MM("t", "thickness", p.Thickness),
				amount("λ", "slenderness", slender, ""), mpa("Fe", "elastic", elastic)},
			Steps: []working.Quantity{mpa("cap", "may be used", capacity)}, Assumptions: []string{q.a.w.ask.Rule.Says(q.a.plate)},
			Result: mpa("σ", "pressed at its edge", h.Demand)}
	}
	return m
}
