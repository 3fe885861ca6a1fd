package profile

import (
	"cmp"
	"slices"
)

// Crosses tells whether the outline runs over itself; arcs by chords of a
// twentieth of a millimetre.
func (l Loop) Crosses() bool {
	_, yes := Crossing(l.Flatten(.05))
	return yes
}

// Crossing answers a place where a closed line crosses itself between its
// corners, by a sweep along x.
func Crossing(p []Point) (Point, bool) {
	n := len(p)
	if n < 4 {
		return Point{}, false
	}
	type side struct {
		lo, hi float64
		i      int
	}
	list := make([]side, n)
	for i := range p {
		q := p[(i+1)%n]
		list[i] = side{min(p[i].X, q.X), max(p[i].X, q.X), i}
	}
	slices.SortFunc(list, func(a, b side) int { return cmp.Compare(a.lo, b.lo) })
	tests := 0
	for k, s := range list {
		a, b := p[s.i], p[(s.i+1)%n]
		for _, o := range list[k+1:] {
			if o.lo > s.hi {
				break
			}
			if d := (o.i - s.i + n) % n; d == 1 || d == n-1 {
				continue
			}
			if tests++; tests > 20_000_000 { // an outline made to be slow
				return Point{}, false
			}
			c, d := p[o.i], p[(o.i+1)%n]
			if max(a.Y, b.Y) < min(c.Y, d.Y) || max(c.Y, d.Y) < min(a.Y, b.Y) {
				continue
			}
			if q, yes := meet(a, b, c, d); yes {
				return q, true
			}
		}
	}
	return Point{}, false
}

// meet answers where two stretches cross between their ends.
func meet(a, b, c, d Point) (Point, bool) {
	u, v, w := b.Sub(a), d.Sub(c), c.Sub(a)
	area := u.Cross(v)
	if l := u.Len() * v.Len(); area <= 1e-12*l && area >= -1e-12*l {
		return a, false
	}
	s, t := w.Cross(v)/area, w.Cross(u)/area
	const edge = 1e-9
	return a.Add(u.Mul(s)), s > edge && s < 1-edge && t > edge && t < 1-edge
}
