package profile

import "math"

// Enclosing answers the smallest circle about points (Welzl 1991, moved along one point at a time); none
// about none.
func Enclosing(list []Point) (centre Point, radius float64) {
	if len(list) == 0 {
		return centre, 0
	}
	in := func(p Point) bool { return p.Sub(centre).Len() <= radius*(1+1e-12)+1e-12 }
	two := func(a, b Point) { centre, radius = a.Add(b).Mul(.5), a.Sub(b).Len()/2 }
	centre = list[0]
	for i, p := range list {
		if in(p) {
			continue
		}
		centre, radius = p, 0
		for j, q := range list[:i] {
			if in(q) {
				continue
			}
			two(p, q)
			for _, s := range list[:j] {
				if !in(s) {
					centre, radius = about(p, q, s)
				}
			}
		}
	}
	return centre, radius
}

// about answers the circle through three points; of three in a line that about the two farthest apart.
func about(a, b, c Point) (Point, float64) {
	u, v := b.Sub(a), c.Sub(a)
	d := 2 * u.Cross(v)
	if math.Abs(d) < 1e-12 {
		best, far := a, 0.
		var r float64
		for _, x := range [][2]Point{{a, b}, {a, c}, {b, c}} {
			if l := x[0].Sub(x[1]).Len(); l > far {
				far, best, r = l, x[0].Add(x[1]).Mul(.5), l/2
			}
		}
		return best, r
	}
	uu, vv := u.Dot(u), v.Dot(v)
	m := Point{v.Y*uu - u.Y*vv, u.X*vv - v.X*uu}.Mul(1 / d)
	return a.Add(m), m.Len()
}
