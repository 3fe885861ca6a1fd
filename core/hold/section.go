package hold

import (
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/sheet/made"
	"warmanvil/core/solid"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// material is the sheet as the checks need it: mm, MPa.
type material struct {
	name                       string
	t, yield, tensile, modulus float64
	family                     stock.Family
	hard                       bool
}

func (m material) aluminium() bool { return m.family == stock.Aluminum }

// section is a line across the plate where it can bend: a bend's tangent line,
// or the row of bolts nearest to the load.
type section struct {
	id, name string
	at       solid.Vector // middle of the line
	line     solid.Vector // along it
	across   solid.Vector // in the plate, across it
	normal   solid.Vector
	whole    float64      // length of the line, mm
	wide     float64      // of it that carries, mm
	holes    float64      // taken off both, mm
	away     solid.Vector // from what backs the plate here, zero where nothing does
	cut      bool         // another hole on the way weakens it here
	tall     float64      // of a cut how far the hole reaches along the way of the load, mm
	past     float64      // of a cut how far the line after it lies from the hole's edge, mm
	before   int          // of a cut the index of that line
}

// stress is what a section works at, MPa.
type stress struct {
	bending, edgewise, direct, shear, equivalent float64
	moment                                       float64 // that bends the plate, N·mm
}

// under answers the stress of a force at a place beyond the section.
func (c section) under(f, at solid.Vector, t float64) (s stress) {
	m := at.Sub(c.at).Cross(f)
	wide, whole := max(c.wide-c.holes, 1e-6), max(c.whole-c.holes, 1e-6)
	s.moment = m.Dot(c.line)
	if s.moment*c.line.Cross(c.across).Dot(c.away) < 0 { // pressed on its backing: it cannot bend that way
		s.moment = 0
	}
	s.bending = 6 * math.Abs(s.moment) / (wide * t * t)
	s.edgewise = 6 * math.Abs(m.Dot(c.normal)) / (t * whole * whole)
	s.direct = math.Abs(f.Dot(c.across)) / (wide * t)
	s.shear = (math.Abs(f.Dot(c.line))+math.Abs(f.Dot(c.normal)))/(whole*t) + 3*math.Abs(m.Dot(c.across))/(whole*t*t)
	sum := s.bending + s.edgewise + s.direct
	s.equivalent = math.Sqrt(sum*sum + 3*s.shear*s.shear)
	return s
}

// sections lists the lines between the carrying holes and the bolts, from the
// load inwards, with the width that carries: the holes' own spread widened by
// 45° to both sides on the way, and no wider than the plate.
func (p *placed) sections() (list []section, lengths []float64) {
	from := p.load
	reach := 0.0
	for i := 0; i+1 < len(p.path); i++ {
		out, in := p.path[i], p.path[i+1]
		child, parent := out, in
		if in.Parent == out.ID {
			child, parent = in, out
		}
		s := child.Seat
		middle := profile.Point{X: s.Width / 2}
		q := parent.Seat.In(s.At(middle))
		q = profile.Point{X: max(0, min(q.X, parent.Seat.Width)), Y: max(0, min(q.Y, parent.Seat.Height))}
		ends := [2]solid.Vector{s.At(middle), parent.Seat.At(q)} // tangent line of child and of parent
		first, second := out, in
		if child != out {
			ends[0], ends[1] = ends[1], ends[0]
		}
		for k, panel := range [2]*made.PanelMade{first, second} {
			c := section{id: child.ID, name: child.Name, at: ends[k], line: s.X, normal: panel.Seat.Z, whole: s.Width}
			c.across = c.line.Cross(c.normal)
			step := math.Abs(ends[k].Sub(from).Dot(c.across))
			if k == 1 {
				step = child.Seat.Allowance
			}
			reach += step
			c.wide = p.spread(s.At(profile.Point{}), s.X, s.Width, reach)
			list, lengths = append(list, c), append(lengths, step)
			from = ends[k]
		}
	}
	nearest := p.row
	if p.welded() {
		nearest = p.toe
	}
	if row, step, ok := nearest(from); ok {
		row.wide = p.spread(p.lineStart(row), row.line, row.whole, reach+step)
		list, lengths = append(list, row), append(lengths, step)
	}
	return list, lengths
}

func (p *placed) lineStart(c section) solid.Vector { return c.at.Sub(c.line.Mul(c.whole / 2)) }

// spread answers how much of a line from a start along a way carries at a reach
// from the carrying holes, mm.
func (p *placed) spread(start, way solid.Vector, whole, reach float64) float64 {
	low, high := p.strips(start, way, whole, reach)
	return high - low
}

// strips answers where on a line the strip that carries begins and ends.
func (p *placed) strips(start, way solid.Vector, whole, reach float64) (low, high float64) {
	low, high = math.Inf(1), math.Inf(-1)
	for _, h := range p.carrying {
		at := h.Body.Sub(start).Dot(way)
		low, high = min(low, at-h.Diameter/2), max(high, at+h.Diameter/2)
	}
	low, high = max(0, low-reach), min(whole, high+reach)
	if high <= low { // the load lies beside the line: its nearest end carries
		if low > 0 {
			return whole - min(whole, reach), whole
		}
		return 0, min(whole, reach)
	}
	return low, high
}

// row answers the row of bolts nearest to where the load enters the fastened
// panel, and how far that is.
func (p *placed) row(from solid.Vector) (c section, step float64, ok bool) {
	s := p.panel.Seat
	c = section{id: p.holes[0].Feature, name: "the row of bolts", normal: s.Z}
	if p.mount.Backed {
		c.away = p.n
	}
	towards := from.Sub(p.origin)
	towards = towards.Sub(s.Z.Mul(towards.Dot(s.Z)))
	if math.Abs(towards.Dot(s.X)) > math.Abs(towards.Dot(s.Y)) {
		c.across, c.line, c.whole = s.X, s.Y, s.Height
	} else {
		c.across, c.line, c.whole = s.Y, s.X, s.Width
	}
	if towards.Dot(c.across) < 0 {
		c.across = c.across.Mul(-1)
	}
	nearest := math.Inf(1)
	for _, h := range p.holes {
		nearest = min(nearest, from.Sub(h.Body).Dot(c.across))
	}
	if nearest <= 1e-6 {
		return c, 0, false // the load comes in among the bolts
	}
	var at solid.Vector
	for _, h := range p.holes {
		if from.Sub(h.Body).Dot(c.across) < nearest+h.Diameter/2 {
			c.holes += h.Diameter
			at = h.Body
		}
	}
	q := s.In(at)
	if c.line == s.X {
		q.X = s.Width / 2
	} else {
		q.Y = s.Height / 2
	}
	c.at = s.At(q)
	return c, nearest, true
}

// sag answers how far the carrying holes move along a force, mm, by the work the force
// does (Castigliano): at most with the plate clamped at the bolts' middle and every hole
// on the way off, at least clamped at the washers' near edge and none off. Against
// finite elements (testdata/references.csv) what they find lies between, or within 15 %
// of an end.
func (p *placed) sag(f solid.Vector) (least, most float64) {
	load, list, m := p.load, p.list, p.mat
	size := math.Sqrt(f.Dot(f))
	if size < 1e-9 {
		return 0, 0
	}
	before := 0.0
	for i, c := range list {
		here := c.under(f, load, m.t).moment
		if i > 0 {
			before = load.Sub(list[i-1].at).Cross(f).Dot(c.line)
		}
		long := p.lengths[i]
		bent := func(long, wide float64) float64 {
			if wide <= 0 {
				return 0
			}
			return long * (before*before + before*here + here*here) / (3 * m.modulus * wide * m.t * m.t * m.t / 12)
		}
		most += bent(long, c.wide-c.holes)
		if i == len(list)-1 && c.holes > 0 { // it does not bend under the washers
			long = math.Max(long-math.Max(p.mount.Bolts.Washer, p.bolt.Thread.AcrossHex)/2, 0)
		}
		least += bent(long, c.whole)
	}
	for _, c := range p.cuts() { // a hole on the way softens the plate over its own height
		s := c.under(f, load, m.t)
		if more := c.whole - c.holes; more > 0 && c.whole > 0 {
			most += c.tall * s.moment * s.moment / (m.modulus * m.t * m.t * m.t / 12) * (1/math.Max(c.wide-c.holes, 1) - 1/c.whole)
		}
	}
	return least / size, math.Max(most, least) / size
}

func (c section) working(s stress, m material, capacity float64, school string) *working.Working {
	return &working.Working{Method: "Stress at " + c.name,
		Source:  "plate as a strip: bending, edgewise bending, direct force and shear added as von Mises; yield by AISC 360 F and D",
		Formula: "σ = √((6M/(w·T²) + 6Me/(T·W²) + N/(w·T))² + 3τ²)",
		Inputs: []working.Quantity{{Symbol: "M", Name: "moment that bends the plate", Value: math.Abs(s.moment), Unit: "N·mm"},
			{Symbol: "T", Name: "thickness", Value: m.t, Unit: "mm"},
			{Symbol: "w", Name: "width that carries, holes off", Value: c.wide - c.holes, Unit: "mm"},
			{Symbol: "W", Name: "length of the line, holes off", Value: c.whole - c.holes, Unit: "mm"},
			{Symbol: "Fy", Name: "yield of " + m.name, Value: m.yield, Unit: "MPa"}},
		Steps: []working.Quantity{{Symbol: "σb", Name: "bending", Value: s.bending, Unit: "MPa"},
			{Symbol: "σe", Name: "edgewise bending", Value: s.edgewise, Unit: "MPa"},
			{Symbol: "σn", Name: "direct", Value: s.direct, Unit: "MPa"}, {Symbol: "τ", Name: "shear and torsion", Value: s.shear, Unit: "MPa"},
			{Symbol: "σ0", Name: "bending, if the whole line carried alike: what is there lies between",
				Value: 6 * math.Abs(s.moment) / (math.Max(c.whole-c.holes, 1e-6) * m.t * m.t), Unit: "MPa"},
			{Symbol: "cap", Name: "may be used", Value: capacity, Unit: "MPa"}},
		Assumptions: []string{school, "the load spreads by 45° from the carrying holes", "stiffening by other flanges is not counted",
			"thinning at the bend is not counted"},
		Result: working.Quantity{Symbol: "σ", Name: "equivalent stress", Value: s.equivalent, Unit: "MPa"}}
}
