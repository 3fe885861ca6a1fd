package profile

import (
	"errors"
	"math"
	"slices"
)

// Half is one part of a loop that was cut in two by a line.
type Half struct {
	Loop Loop
	On   []int // edge of the whole that each edge lies on, −1 for the cut
}

// Errors of Halve.
var (
	ErrCorner = errors.New("the line runs through a corner, or along an edge")
	ErrPieces = errors.New("the line leaves more than two pieces")
	errBeside = errors.New("the line runs beside the shape")
)

// Halve cuts a loop by the line n·p = at, n a unit vector: low lies where n·p is
// less. Arcs stay arcs. It fails with ErrCorner, ErrPieces or errBeside.
func (l Loop) Halve(n Point, at float64) (low, high Half, err error) {
	type mark struct {
		v   Vertex
		on  int
		cut bool
	}
	var list []mark
	var cuts []int
	for i, v := range l {
		w := l[(i+1)%len(l)]
		if math.Abs(n.Dot(v.P())-at) < 1e-6 {
			return low, high, ErrCorner
		}
		places := crossings(v, w, n, at)
		// The edge in its stretches: an arc's turn is shared out.
		turn := 4 * math.Atan(v.Bulge)
		before := 0.0
		stretch := func(share float64) float64 { return math.Tan(turn * share / 4) }
		list = append(list, mark{v, i, false})
		for _, t := range places {
			list[len(list)-1].v.Bulge = stretch(t - before)
			p := v.along(w, t)
			cuts = append(cuts, len(list))
			list = append(list, mark{Vertex{X: p.X, Y: p.Y}, i, true})
			before = t
		}
		list[len(list)-1].v.Bulge = stretch(1 - before)
	}
	switch {
	case len(cuts) == 0:
		return low, high, errBeside
	case len(cuts) != 2:
		return low, high, ErrPieces
	}
	half := func(from, to int) (h Half) {
		for k := from; ; k = (k + 1) % len(list) {
			m := list[k]
			if k == to {
				m.v.Bulge = 0
				h.Loop, h.On = append(h.Loop, m.v), append(h.On, -1)
				return h
			}
			h.Loop, h.On = append(h.Loop, m.v), append(h.On, m.on)
		}
	}
	low, high = half(cuts[0], cuts[1]), half(cuts[1], cuts[0])
	first := list[cuts[0]].v
	if mid := first.along(list[(cuts[0]+1)%len(list)].v, .5); n.Dot(mid) > at {
		low, high = high, low
	}
	return low, high, nil
}

// along answers the place at a share of the edge from v to w.
func (v Vertex) along(w Vertex, share float64) Point {
	if v.Bulge == 0 {
		return v.P().Add(w.P().Sub(v.P()).Mul(share))
	}
	c, _ := ArcOf(v, w)
	d := v.P().Sub(c)
	s, k := math.Sincos(4 * math.Atan(v.Bulge) * share)
	return c.Add(Point{d.X*k - d.Y*s, d.X*s + d.Y*k})
}

// crossings lists where an edge crosses the line n·p = at, as shares of it.
func crossings(v, w Vertex, n Point, at float64) (out []float64) {
	if v.Bulge == 0 {
		a, b := n.Dot(v.P())-at, n.Dot(w.P())-at
		if a*b < 0 {
			out = append(out, a/(a-b))
		}
		return out
	}
	c, r := ArcOf(v, w)
	h := (at - n.Dot(c)) / r
	if math.Abs(h) >= 1 {
		return nil
	}
	turn := 4 * math.Atan(v.Bulge)
	d := v.P().Sub(c)
	start, way, off := math.Atan2(d.Y, d.X), math.Atan2(n.Y, n.X), math.Acos(h)
	for _, a := range []float64{way + off, way - off} {
		t := math.Mod(a-start, 2*math.Pi)
		if turn > 0 && t < 0 {
			t += 2 * math.Pi
		}
		if turn < 0 && t > 0 {
			t -= 2 * math.Pi
		}
		if share := t / turn; share > 0 && share < 1 {
			out = append(out, share)
		}
	}
	slices.Sort(out)
	return out
}
