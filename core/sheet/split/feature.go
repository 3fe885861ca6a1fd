package split

import (
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
)

// holes answers what of a panel's holes goes with a piece that begins at lo.
func (s *splitter) holes(p *lay.Panel, lo float64, second bool) (out []sheet.Hole) {
	mine := map[bool]int{true: 1, false: -1}[second]
	for i := range p.Holes {
		r := &p.Holes[i]
		var made []*lay.Hole
		sides := map[int]int{}
		for k := range s.b.Holes {
			h := &s.b.Holes[k]
			if h.Recipe.ID != r.ID {
				continue
			}
			x, reach := s.along(p.Pose.Apply(h.Centre)), h.Reach()+s.b.Recipe.Thickness
			at := s.side(x-reach, x+reach)
			if at == 0 {
				s.refuse("%s lies on the line: split the part beside it.", h.Name)
			}
			sides[at]++
			made = append(made, h)
		}
		whole := sides[mine] == len(made)
		if sides[mine] == 0 {
			continue
		}
		at, why := s.b.Locate(p, r, 0)
		if why != "" {
			continue
		}
		if r.X.Edge == sheet.Feature || r.Y.Edge == sheet.Feature {
			s.refuse("%s is measured from another hole: measure it from an edge before the part is split.", made[0].Name)
			continue
		}
		// A spread pattern hangs on edges or the middle.
		spread := r.Pattern != nil && (r.Pattern.Kind == sheet.EdgePattern || r.Pattern.Kind == sheet.MirrorPattern)
		if whole && !spread {
			h := *r
			s.place(p, &h, at.Origin, lo, second)
			out = append(out, h)
			continue
		}
		for n, m := range made { // one by one
			x := s.along(p.Pose.Apply(m.Centre))
			if s.side(x, x) != mine {
				continue
			}
			if spread && r.Kind != sheet.RoundHole && r.Kind != sheet.SquareHole {
				s.refuse("%s is a mirrored or spread pattern of a shape that is not round: set its holes one by one before the part is split.", m.Name)
			}
			h := *r
			h.Pattern = nil
			if h.ID = r.ID; n > 0 {
				h.ID = s.newID()
			}
			s.place(p, &h, m.Centre, lo, second)
			out = append(out, h)
		}
	}
	return out
}

// place measures a hole flat from the edges of its piece; the sides it counts
// from stay, so that its ways do.
func (s *splitter) place(p *lay.Panel, h *sheet.Hole, at profile.Point, lo float64, second bool) {
	flat := p.Pose.Apply(at)
	set := func(o *sheet.Offset, n profile.Point) { // the way that is not split
		i := p.EdgeNamed(o.Edge)
		if i < 0 { // the middle stays the middle
			_, d, _ := s.b.Line(p, sheet.Offset{Edge: sheet.Middle}, p.Pose.Turn(n), 0)
			*o = sheet.Offset{Edge: sheet.Middle, Distance: n.Dot(at) - d}
			return
		}
		start, _, _, _ := p.Edge(i)
		*o = sheet.Offset{Edge: o.Edge, From: sheet.Flat, Distance: n.Dot(at.Sub(start))}
	}
	split, other := &h.X, &h.Y
	way := profile.Point{Y: 1}
	if s.p.Axis == "y" {
		split, other, way = &h.Y, &h.X, profile.Point{X: 1}
	}
	n, _, _ := s.b.Line(p, *other, way, 0)
	set(other, n)
	x := s.along(flat)
	if split.Edge == s.high {
		end := s.p.At
		if second {
			end = s.top(p)
		} else if s.p.Joint == LapJoint && p.Flange == nil {
			end += s.p.Wide
		}
		*split = sheet.Offset{Edge: s.high, From: sheet.Flat, Distance: end - x}
		return
	}
	*split = sheet.Offset{Edge: s.low, From: sheet.Flat, Distance: x - lo}
}

// top answers where a panel ends along the split axis.
func (s *splitter) top(p *lay.Panel) float64 {
	most := math.Inf(-1)
	for _, c := range p.Corners {
		most = math.Max(most, s.along(p.Pose.Apply(c)))
	}
	return most
}

// cuts answers what of a panel's notches and tabs goes with a piece.
func (s *splitter) cuts(p *lay.Panel, lo float64, second bool) (out []sheet.EdgeCut) {
	mine := map[bool]int{true: 1, false: -1}[second]
	for e, list := range p.Cuts {
		name := p.Facing(e)
		for n, c := range list {
			a, z := s.along(p.Pose.Apply(p.Point(e, c.From, 0))), s.along(p.Pose.Apply(p.Point(e, c.To, 0)))
			at := s.side(math.Min(a, z), math.Max(a, z))
			if at == 0 {
				s.refuse("A notch or tab lies on the line: split the part beside it.")
			}
			if at != mine {
				continue
			}
			g := *c.Of
			if g.Count, g.Margin = 0, 0; n > 0 {
				g.ID = s.newID()
			}
			if name != s.low && name != s.high { // along the split axis
				g.At, g.FromEnd = (a+z)/2-lo, false
			} else {
				_, _, _, length := p.Edge(e)
				if g.At, g.FromEnd = (c.From+c.To)/2, false; !p.Along(e) {
					g.At = length - g.At
				}
			}
			out = append(out, g)
		}
	}
	return out
}

// marks answers what of a panel's marks goes with a piece.
func (s *splitter) marks(p *lay.Panel, lo float64, second bool) (out []sheet.Mark) {
	for _, m := range p.Marks {
		h := sheet.Hole{X: m.X, Y: m.Y}
		at, why := s.b.Locate(p, &h, 0)
		if why != "" || h.X.Edge == sheet.Feature || h.Y.Edge == sheet.Feature {
			continue
		}
		if x := s.along(p.Pose.Apply(at.Origin)); x > s.p.At != second {
			continue
		}
		s.place(p, &h, at.Origin, lo, second)
		m.X, m.Y = h.X, h.Y
		out = append(out, m)
	}
	return out
}
