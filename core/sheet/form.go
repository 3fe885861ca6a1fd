package sheet

import (
	"math"

	"warmanvil/core/profile"
)

// form answers the outline of a hole that is neither round nor a slot, about its
// centre, its long way along x, anticlockwise.
func form(h *Hole) profile.Loop {
	switch h.Kind {
	case SquareHole:
		return rounded(h.Diameter, h.Diameter, h.Radius)
	case RectangleHole:
		return rounded(h.Length, h.Diameter, h.Radius)
	case DHole: // the flat lies at +x
		r := h.Diameter / 2
		x := h.Flat - r
		y := math.Sqrt(math.Max(r*r-x*x, 0))
		turn := 2*math.Pi - 2*math.Atan2(y, x)
		return profile.Loop{{X: x, Y: -y}, {X: x, Y: y, Bulge: math.Tan(turn / 4)}}
	case KeyholeHole: // the slot runs to +x
		r, n := h.Diameter/2, h.Narrow/2
		x := math.Sqrt(math.Max(r*r-n*n, 0))
		end := h.Length - r - n // from the large circle's middle to the slot end's
		turn := 2*math.Pi - 2*math.Atan2(n, x)
		return profile.Loop{{X: x, Y: -n}, {X: end, Y: -n, Bulge: 1}, {X: end, Y: n}, {X: x, Y: n, Bulge: math.Tan(turn / 4)}}
	case CutoutHole:
		return h.Cut
	}
	return nil
}

// rounded answers a rectangle about its middle with round corners.
func rounded(w, h, r float64) profile.Loop {
	w, h = w/2, h/2
	if r = math.Min(r, math.Min(w, h)); r < tiny {
		return profile.Rect(-w, -h, w, h)
	}
	v := func(x, y, bulge float64) profile.Vertex { return profile.Vertex{X: x, Y: y, Bulge: bulge} }
	return profile.Loop{v(-w+r, -h, 0), v(w-r, -h, quarterBulge), v(w, -h+r, 0), v(w, h-r, quarterBulge), v(w-r, h, 0),
		v(-w+r, h, quarterBulge), v(-w, h-r, 0), v(-w, -h+r, quarterBulge)}.Tidy()
}

// outline answers the hole's form in its panel's axes.
func (h *hole) outline(flip bool) profile.Loop {
	across := profile.Point{X: -h.along.Y, Y: h.along.X}
	if flip {
		across = across.Mul(-1)
	}
	out := make(profile.Loop, len(h.form))
	for i, v := range h.form {
		q := h.centre.Add(h.along.Mul(v.X)).Add(across.Mul(v.Y))
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

// loop answers the outline of all but round holes on the flat pattern.
func (h *hole) loop() profile.Loop {
	if h.form == nil {
		along := h.panel.pose.turn(h.along)
		return profile.Slot(h.panel.pose.apply(h.centre), h.recipe.Length, h.dia, math.Atan2(along.Y, along.X)*180/math.Pi)
	}
	out := h.outline(h.flip)
	for i, v := range out {
		q := h.panel.pose.apply(v.P())
		out[i].X, out[i].Y = q.X, q.Y
	}
	return out
}

// alongEdge answers the places of an edge pattern, and the edge's way.
func (b *laid) alongEdge(p *panel, r *Hole) (places []profile.Point, way profile.Point, why string) {
	pat := r.Pattern
	e := p.edgeNamed(pat.Edge)
	if e < 0 || !p.straight(e) {
		return nil, way, "its panel has no straight edge " + string(pat.Edge)
	}
	o := r.Y
	if r.X.Edge == pat.Edge {
		o = r.X
	}
	if o.Edge != pat.Edge {
		return nil, way, "say how far from the " + string(pat.Edge) + " edge it lies"
	}
	start, way, _, length := p.edge(e)
	n, d, why := b.line(p, o, profile.Point{}, 0)
	if why != "" {
		return nil, way, why
	}
	// The ends count from the outside where the neighbours are bent square to it.
	from, to := 0.0, length
	if p.square(e) {
		from -= p.reference(p.before(e), Tangent, b.recipe.Thickness)
	}
	if p.square(p.next(e)) {
		to += p.reference(p.next(e), Tangent, b.recipe.Thickness)
	}
	from, to = from+pat.Margin, to-pat.Margin
	if to < from-tiny {
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
func (p *panel) square(e int) bool {
	_, in, _, _ := p.edge(p.before(e))
	_, out, _, _ := p.edge(e)
	return math.Abs(in.Dot(out)) < 1e-6
}

// mirror repeats a hole across the middle of its panel.
func (b *layer) mirror(p *panel, h *hole, pat *Pattern, at profile.Point, add func(int, profile.Point)) {
	mid := p.box()
	centre := mid.Min.Add(mid.Max).Mul(.5)
	along, flip := h.along, h.flip
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
		h.along, h.flip = a, flip != (x != y)
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
