package hold

import (
	"math"
	"slices"

	"warmanvil/core/profile"
	"warmanvil/core/sheet/made"
	"warmanvil/core/solid"
)

// cuts lists the lines across the plate at holes that neither bolt it on nor carry
// the load, where such a hole lies on the way between the two. The width that
// carries is that of the strip there, the hole taken off.
func (p *placed) cuts() (list []section) {
	from, reach, n := p.load, 0., 0
	for i := 0; i < len(p.path); i++ {
		panel := p.path[i]
		var to section // where the way leaves this panel
		switch {
		case i+1 < len(p.path):
			to = p.list[n]
		case n < len(p.list):
			to = p.list[n]
		default:
			return list // it ends among the bolts
		}
		n += 2
		for h := range p.part.Holes {
			if c, ok := p.cutAt(&p.part.Holes[h], panel, from, to, reach); ok {
				c.before = n - 2
				list = append(list, c)
			}
		}
		reach += math.Abs(to.at.Sub(from).Dot(to.across))
		if i+1 < len(p.path) { // round the bend
			reach += p.lengths[n-1]
			from = p.list[n-1].at
		}
	}
	return list
}

func (p *placed) cutAt(h *made.HoleMade, panel *made.PanelMade, from solid.Vector, to section, reach float64) (section, bool) {
	if h.Panel != panel.ID || slices.Contains(p.holes, h) || slices.Contains(p.carrying, h) {
		return section{}, false
	}
	whole := to.at.Sub(from).Dot(to.across)
	on := h.Body.Sub(from).Dot(to.across)
	size, tall := extent(h, panel, to.line), extent(h, panel, to.across)
	way := math.Copysign(1, whole)
	if on*way < -tall/2 || on*way > whole*way+tall/2 {
		return section{}, false
	}
	c := to
	c.id, c.name, c.cut, c.away = h.Feature, lower(h.Name), true, solid.Vector{}
	c.normal = panel.Seat.Z
	c.at = to.at.Add(to.across.Mul(on - whole))
	start := p.lineStart(c)
	low, high := p.strips(start, c.line, c.whole, reach+math.Abs(on))
	at := h.Body.Sub(start).Dot(c.line)
	over := func(a, b float64) float64 { return math.Max(0, math.Min(b, at+size/2)-math.Max(a, at-size/2)) }
	if over(low, high) <= 0 {
		return section{}, false
	}
	c.wide, c.holes, c.tall = high-low, over(low, high), tall
	c.past = math.Max(whole*way-on*way-tall/2, 0)
	return c, true
}

// shade takes off what a hole on the way keeps the load from: past it the strips beside
// it spread by 45° into its shadow.
func (p *placed) shade() {
	lost := make([]float64, len(p.list))
	for _, c := range p.cuts() {
		past := c.past
		for i := c.before; i < len(p.list); i++ {
			if i > c.before {
				past += p.lengths[i]
			}
			lost[i] = math.Max(lost[i], math.Max(c.holes-2*past, 0))
		}
	}
	for i, l := range lost {
		p.list[i].wide = math.Max(p.list[i].wide-l, math.Min(p.list[i].wide, 1+p.list[i].holes))
	}
}

// extent answers how far a hole reaches along a way of its panel, mm.
func extent(h *made.HoleMade, panel *made.PanelMade, way solid.Vector) float64 {
	if h.Loop == nil {
		return math.Max(h.Diameter, h.Length)
	}
	d := panel.Onto(profile.Point{X: way.Dot(panel.Seat.X), Y: way.Dot(panel.Seat.Y)})
	low, high := math.Inf(1), math.Inf(-1)
	for _, q := range h.Loop.Flatten(.05) {
		low, high = math.Min(low, q.Dot(d)), math.Max(high, q.Dot(d))
	}
	return high - low
}
