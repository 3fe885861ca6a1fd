package lay

import (
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
)

// form answers the outline of a hole that is neither round nor a slot, about its
// centre, its long way along x, anticlockwise.
func form(h *sheet.Hole) profile.Loop {
	switch h.Kind {
	case sheet.SquareHole:
		return rounded(h.Diameter, h.Diameter, h.Radius)
	case sheet.RectangleHole:
		return rounded(h.Length, h.Diameter, h.Radius)
	case sheet.DHole: // the flat lies at +x
		r := h.Diameter / 2
		x := h.Flat - r
		y := math.Sqrt(math.Max(r*r-x*x, 0))
		turn := 2*math.Pi - 2*math.Atan2(y, x)
		return profile.Loop{{X: x, Y: -y}, {X: x, Y: y, Bulge: math.Tan(turn / 4)}}
	case sheet.KeyholeHole: // the slot runs to +x
		r, n := h.Diameter/2, h.Narrow/2
		x := math.Sqrt(math.Max(r*r-n*n, 0))
		end := h.Length - r - n // from the large circle's middle to the slot end's
		turn := 2*math.Pi - 2*math.Atan2(n, x)
		return profile.Loop{{X: x, Y: -n}, {X: end, Y: -n, Bulge: 1}, {X: end, Y: n}, {X: x, Y: n, Bulge: math.Tan(turn / 4)}}
	case sheet.CutoutHole:
		return h.Cut
	}
	return nil
}

// rounded answers a rectangle about its middle with round corners.
func rounded(w, h, r float64) profile.Loop {
	w, h = w/2, h/2
	if r = math.Min(r, math.Min(w, h)); r < sheet.Tiny {
		return profile.Rect(-w, -h, w, h)
	}
	v := func(x, y, bulge float64) profile.Vertex { return profile.Vertex{X: x, Y: y, Bulge: bulge} }
	return profile.Loop{v(-w+r, -h, 0), v(w-r, -h, quarterBulge), v(w, -h+r, 0), v(w, h-r, quarterBulge), v(w-r, h, 0),
		v(-w+r, h, quarterBulge), v(-w, h-r, 0), v(-w, -h+r, quarterBulge)}.Tidy()
}

// Outline answers the hole's form in its panel's axes.
func (h *Hole) Outline(flip bool) profile.Loop {
	across := profile.Point{X: -h.Along.Y, Y: h.Along.X}
	if flip {
		across = across.Mul(-1)
	}
	out := make(profile.Loop, len(h.Form))
	for i, v := range h.Form {
		q := h.Centre.Add(h.Along.Mul(v.X)).Add(across.Mul(v.Y))
		out[i] = profile.Vertex{X: q.X, Y: q.Y, Bulge: v.Bulge}
		if flip {
			out[i].Bulge = -v.Bulge
		}
	}
	if flip {
		return out.Reversed()
	}
	return out
}

// Loop answers the outline of all but round holes on the flat pattern.
func (h *Hole) Loop() profile.Loop {
	if h.Form == nil {
		along := h.Panel.Pose.Turn(h.Along)
		return profile.Slot(h.Panel.Pose.Apply(h.Centre), h.Recipe.Length, h.Dia, math.Atan2(along.Y, along.X)*180/math.Pi)
	}
	out := h.Outline(h.Flip)
	for i, v := range out {
		q := h.Panel.Pose.Apply(v.P())
		out[i].X, out[i].Y = q.X, q.Y
	}
	return out
}

// alongEdge answers the places of an edge pattern, and the edge's way.
func (b *Laid) alongEdge(p *Panel, r *sheet.Hole) (places []profile.Point, way profile.Point, why string) {
	pat := r.Pattern
	e := p.EdgeNamed(pat.Edge)
	if e < 0 || !p.Straight(e) {
		return nil, way, "its panel has no straight edge " + string(pat.Edge)
	}
	o := r.Y
	if r.X.Edge == pat.Edge {
		o = r.X
	}
	if o.Edge != pat.Edge {
		return nil, way, "say how far from the " + string(pat.Edge) + " edge it lies"
	}
	start, way, _, length := p.Edge(e)
	n, d, why := b.Line(p, o, profile.Point{}, 0)
	if why != "" {
		return nil, way, why
	}
	// The ends count from the outside where the neighbours are bent square to it.
	from, to := 0.0, length
	if p.square(e) {
		from -= p.Reference(p.Before(e), sheet.Tangent, b.Recipe.Thickness)
	}
	if p.square(p.Next(e)) {
		to += p.Reference(p.Next(e), sheet.Tangent, b.Recipe.Thickness)
	}
	from, to = from+pat.Margin, to-pat.Margin
	if to < from-sheet.Tiny {
		return nil, way, "its margins leave nothing of the edge"
	}
	start = start.Add(n.Mul(d - n.Dot(start)))
	for k := range pat.Count {
		t := (from + to) / 2
		if pat.Count > 1 {
			t = from + (to-from)*float64(k)/float64(pat.Count-1)
		}
		places = append(places, start.Add(way.Mul(t)))
	}
	return places, way, ""
}

// square tells whether the corner at an edge's start is.
func (p *Panel) square(e int) bool {
	_, in, _, _ := p.Edge(p.Before(e))
	_, out, _, _ := p.Edge(e)
	return math.Abs(in.Dot(out)) < 1e-6
}

// mirror repeats a hole across the middle of its panel.
func (b *layer) mirror(p *Panel, h *Hole, pat *sheet.Pattern, at profile.Point, add func(int, profile.Point)) {
	mid := p.box()
	centre := mid.Min.Add(mid.Max).Mul(.5)
	along, flip := h.Along, h.Flip
	put := func(k int, x, y bool) {
		q, a := at.Sub(centre), along
		for _, m := range []struct {
			on bool
			n  profile.Point
		}{{x, p.own(profile.Point{X: 1})}, {y, p.own(profile.Point{Y: 1})}} {
			if m.on {
				q, a = q.Sub(m.n.Mul(2*m.n.Dot(q))), a.Sub(m.n.Mul(2*m.n.Dot(a)))
			}
		}
		h.Along, h.Flip = a, flip != (x != y)
		add(k, centre.Add(q))
	}
	k := 0
	for _, y := range []bool{false, true} {
		for _, x := range []bool{false, true} {
			if x && !pat.Across || y && !pat.Back {
				continue
			}
			put(k, x, y)
			k++
		}
	}
}
