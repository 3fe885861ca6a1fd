package profile

import "math"

// Inside tells whether a point lies inside a polygon (even–odd).
func Inside(p Point, polygon []Point) bool {
	in := false
	for i, a := range polygon {
		b := polygon[(i+1)%len(polygon)]
		if (a.Y > p.Y) != (b.Y > p.Y) && p.X < (b.X-a.X)*(p.Y-a.Y)/(b.Y-a.Y)+a.X {
			in = !in
		}
	}
	return in
}

// Distance answers how far a point is from a polygon's outline, in mm.
func Distance(p Point, polygon []Point) float64 {
	least := math.Inf(1)
	for i, a := range polygon {
		least = min(least, toSegment(p, a, polygon[(i+1)%len(polygon)]))
	}
	return math.Sqrt(least)
}

// toSegment answers the square of the distance from a point to a segment.
func toSegment(p, a, b Point) float64 {
	d, q := b.Sub(a), p.Sub(a)
	if n := d.Dot(d); n > 0 {
		q = q.Sub(d.Mul(max(0, min(1, q.Dot(d)/n))))
	}
	return q.Dot(q)
}

// Between answers the least distance between two outlines in mm, 0 when they
// cross.
func Between(a, b []Point) float64 {
	least := math.Inf(1)
	for i, p := range a {
		q := a[(i+1)%len(a)]
		s := b[0]
		for j := len(b) - 1; j >= 0; j-- {
			r := b[j]
			if len(a) == 1 && (apart(p.X, r.X, s.X, least) || apart(p.Y, r.Y, s.Y, least)) {
				s = r
				continue
			}
			least = min(least, toSegment(p, r, s))
			if len(a) > 1 { // a lone point neither crosses nor has sides
				if cross(p, q, r, s) {
					return 0
				}
				least = min(least, toSegment(r, p, q))
			}
			s = r
		}
	}
	return math.Sqrt(least)
}

// apart tells whether a coordinate alone keeps a point farther from a segment
// than the square of a distance.
func apart(p, r, s, square float64) bool {
	d := max(min(r, s)-p, p-max(r, s))
	return d > 0 && d*d >= square
}

func cross(p, q, r, s Point) bool {
	side := func(a, b, c Point) float64 { return b.Sub(a).Cross(c.Sub(a)) }
	return side(p, q, r)*side(p, q, s) < 0 && side(r, s, p)*side(r, s, q) < 0
}

// Overlap tells whether two polygons share more than a touch of slack mm.
func Overlap(a, b []Point, slack float64) bool {
	a, b = shrink(a, slack), shrink(b, slack)
	for i, p := range a {
		for j, r := range b {
			if cross(p, a[(i+1)%len(a)], r, b[(j+1)%len(b)]) {
				return true
			}
		}
	}
	return Inside(a[0], b) || Inside(b[0], a) || Inside(middle(a), b) || Inside(middle(b), a)
}

func middle(p []Point) (m Point) {
	for _, q := range p {
		m = m.Add(q)
	}
	return m.Mul(1 / float64(len(p)))
}

// shrink draws every corner towards the middle by slack, enough to let
// neighbours touch.
func shrink(p []Point, slack float64) []Point {
	m, out := middle(p), make([]Point, len(p))
	for i, q := range p {
		d := m.Sub(q)
		if n := d.Len(); n > slack {
			q = q.Add(d.Mul(slack / n))
		}
		out[i] = q
	}
	return out
}
