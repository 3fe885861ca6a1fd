package sheet

import (
	"math"

	"warmanvil/core/profile"
)

// holes answers what of a panel's holes goes with a piece that begins at lo.
func (s *splitter) holes(p *panel, lo float64, second bool) (out []Hole) {
	mine := map[bool]int{true: 1, false: -1}[second]
	for i := range p.holes {
		r := &p.holes[i]
		var made []*hole
		sides := map[int]int{}
		for k := range s.b.holes {
			h := &s.b.holes[k]
			if h.recipe.ID != r.ID {
				continue
			}
			x, reach := s.along(p.pose.apply(h.centre)), h.reach()+s.b.recipe.Thickness
			at := s.side(x-reach, x+reach)
			if at == 0 {
				s.refuse("%s lies on the line: split the part beside it.", h.name)
			}
			sides[at]++
			made = append(made, h)
		}
		whole := sides[mine] == len(made)
		if sides[mine] == 0 {
			continue
		}
		at, why := s.b.locate(p, r, 0)
		if why != "" {
			continue
		}
		if r.X.Edge == Feature || r.Y.Edge == Feature {
			s.refuse("%s is measured from another hole: measure it from an edge before the part is split.", made[0].name)
			continue
		}
		spread := r.Pattern != nil && (r.Pattern.Kind == EdgePattern || r.Pattern.Kind == MirrorPattern) // hangs on edges or the middle
		if whole && !spread {
			h := *r
			s.place(p, &h, at.origin, lo, second)
			out = append(out, h)
			continue
		}
		for n, m := range made { // one by one
			x := s.along(p.pose.apply(m.centre))
			if s.side(x, x) != mine {
				continue
			}
			if spread && r.Kind != RoundHole && r.Kind != SquareHole {
				s.refuse("%s is a mirrored or spread pattern of a shape that is not round: set its holes one by one before the part is split.", m.name)
			}
			h := *r
			h.Pattern = nil
			if h.ID = r.ID; n > 0 {
				h.ID = s.newID()
			}
			s.place(p, &h, m.centre, lo, second)
			out = append(out, h)
		}
	}
	return out
}

// place measures a hole flat from the edges of its piece; the sides it counts
// from stay, so that its ways do.
func (s *splitter) place(p *panel, h *Hole, at profile.Point, lo float64, second bool) {
	flat := p.pose.apply(at)
	set := func(o *Offset, n profile.Point) { // the way that is not split
		i := p.edgeNamed(o.Edge)
		if i < 0 { // the middle stays the middle
			_, d, _ := s.b.line(p, Offset{Edge: Middle}, p.pose.turn(n), 0)
			*o = Offset{Edge: Middle, Distance: n.Dot(at) - d}
			return
		}
		start, _, _, _ := p.edge(i)
		*o = Offset{Edge: o.Edge, From: Flat, Distance: n.Dot(at.Sub(start))}
	}
	split, other := &h.X, &h.Y
	way := profile.Point{Y: 1}
	if s.p.Axis == "y" {
		split, other, way = &h.Y, &h.X, profile.Point{X: 1}
	}
	n, _, _ := s.b.line(p, *other, way, 0)
	set(other, n)
	x := s.along(flat)
	if split.Edge == s.high {
		end := s.p.At
		if second {
			end = s.top(p)
		} else if s.p.Joint == LapJoint && p.flange == nil {
			end += s.p.Wide
		}
		*split = Offset{Edge: s.high, From: Flat, Distance: end - x}
		return
	}
	*split = Offset{Edge: s.low, From: Flat, Distance: x - lo}
}

// top answers where a panel ends along the split axis.
func (s *splitter) top(p *panel) float64 {
	most := math.Inf(-1)
	for _, c := range p.corners {
		most = math.Max(most, s.along(p.pose.apply(c)))
	}
	return most
}

// cuts answers what of a panel's notches and tabs goes with a piece.
func (s *splitter) cuts(p *panel, lo float64, second bool) (out []EdgeCut) {
	mine := map[bool]int{true: 1, false: -1}[second]
	for e, list := range p.cuts {
		name := p.facing(e)
		for n, c := range list {
			a, z := s.along(p.pose.apply(p.point(e, c.from, 0))), s.along(p.pose.apply(p.point(e, c.to, 0)))
			at := s.side(math.Min(a, z), math.Max(a, z))
			if at == 0 {
				s.refuse("A notch or tab lies on the line: split the part beside it.")
			}
			if at != mine {
				continue
			}
			g := *c.of
			if g.Count, g.Margin = 0, 0; n > 0 {
				g.ID = s.newID()
			}
			if name != s.low && name != s.high { // along the split axis
				g.At, g.FromEnd = (a+z)/2-lo, false
			} else {
				_, _, _, length := p.edge(e)
				if g.At, g.FromEnd = (c.from+c.to)/2, false; !p.along(e) {
					g.At = length - g.At
				}
			}
			out = append(out, g)
		}
	}
	return out
}

// marks answers what of a panel's marks goes with a piece.
func (s *splitter) marks(p *panel, lo float64, second bool) (out []Mark) {
	for _, m := range p.marks {
		h := Hole{X: m.X, Y: m.Y}
		at, why := s.b.locate(p, &h, 0)
		if why != "" || h.X.Edge == Feature || h.Y.Edge == Feature {
			continue
		}
		if x := s.along(p.pose.apply(at.origin)); x > s.p.At != second {
			continue
		}
		s.place(p, &h, at.origin, lo, second)
		m.X, m.Y = h.X, h.Y
		out = append(out, m)
	}
	return out
}
