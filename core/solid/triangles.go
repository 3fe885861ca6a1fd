package solid

import "math"

// vec is a Vector for the innermost loops: the compiler keeps the fields of a
// struct in registers, those of an array it does not.
type vec struct{ x, y, z float64 }

type face [3]vec

func (a vec) Add(b vec) vec     { return vec{a.x + b.x, a.y + b.y, a.z + b.z} }
func (a vec) Sub(b vec) vec     { return vec{a.x - b.x, a.y - b.y, a.z - b.z} }
func (a vec) Mul(s float64) vec { return vec{a.x * s, a.y * s, a.z * s} }
func (a vec) Dot(b vec) float64 { return a.x*b.x + a.y*b.y + a.z*b.z }
func (a vec) Cross(b vec) vec {
	return vec{a.y*b.z - a.z*b.y, a.z*b.x - a.x*b.z, a.x*b.y - a.y*b.x}
}
func (a vec) vector() Vector { return Vector{a.x, a.y, a.z} }
func (a Vector) vec() vec    { return vec{a[0], a[1], a[2]} }
func (t Triangle) face() face {
	return face{t[0].vec(), t[1].vec(), t[2].vec()}
}
func (a vec) least(b vec) vec { return vec{min(a.x, b.x), min(a.y, b.y), min(a.z, b.z)} }
func (a vec) most(b vec) vec  { return vec{max(a.x, b.x), max(a.y, b.y), max(a.z, b.z)} }

// triangles answers the squared distance of two triangles and the places: the
// least over the nine pairs of sides and the six corners over the other's face,
// 0 where a side pierces the other's face.
func triangles(s, t *face) (best float64, at, bt vec) {
	best = math.Inf(1)
	for i := range 3 {
		for k := range 3 {
			a, b := sides(s[i], s[next[i]], t[k], t[next[k]])
			d := a.Sub(b)
			if v := d.Dot(d); v < best {
				best, at, bt = v, a, b
			}
		}
	}
	for i := range 3 {
		if q, over := above(s[i], t); over {
			d := s[i].Sub(q)
			if v := d.Dot(d); v < best {
				best, at, bt = v, s[i], q
			}
		}
		if q, over := above(t[i], s); over {
			d := t[i].Sub(q)
			if v := d.Dot(d); v < best {
				best, at, bt = v, q, t[i]
			}
		}
	}
	if best > 0 && touching(s, t) {
		for i := range 3 {
			if p, hit := pierces(s[i], s[next[i]], t); hit {
				return 0, p, p
			}
			if p, hit := pierces(t[i], t[next[i]], s); hit {
				return 0, p, p
			}
		}
	}
	return best, at, bt
}

// touching tells whether the boxes of two triangles meet: only then can a side
// pierce the other's face.
func touching(s, t *face) bool {
	lo, hi := s.box()
	tl, th := t.box()
	return apart(lo, hi, tl, th) == 0
}

// beyond tells, at little cost, that a triangle lies wholly on one side of the
// other's plane and at least as far off as the squared distance known already.
func beyond(s, t *face, best float64) bool {
	n := s[1].Sub(s[0]).Cross(s[2].Sub(s[0]))
	a, b, c := t[0].Sub(s[0]).Dot(n), t[1].Sub(s[0]).Dot(n), t[2].Sub(s[0]).Dot(n)
	lo, hi := min(a, b, c), max(a, b, c)
	off := max(lo, -hi)
	return off > 0 && off*off >= best*n.Dot(n)
}

// asunder answers how far two triangles are apart as seen along one way, which
// is never more than they are. The way from the nearest pair so far parts most
// others of its neighbourhood too.
func asunder(s, t *face, way vec) float64 {
	return min(t[0].Dot(way), t[1].Dot(way), t[2].Dot(way)) - max(s[0].Dot(way), s[1].Dot(way), s[2].Dot(way))
}

// sides answers the nearest points of two straight sides (Ericson, Real-Time
// Collision Detection, 5.1.9).
func sides(p1, q1, p2, q2 vec) (vec, vec) {
	d1, d2, r := q1.Sub(p1), q2.Sub(p2), p1.Sub(p2)
	a, e, f := d1.Dot(d1), d2.Dot(d2), d2.Dot(r)
	var s, t float64
	switch {
	case a <= 1e-18 && e <= 1e-18:
	case a <= 1e-18:
		t = clamp(f / e)
	default:
		c := d1.Dot(r)
		if e <= 1e-18 {
			s = clamp(-c / a)
		} else {
			b := d1.Dot(d2)
			if den := a*e - b*b; den > 1e-12*a*e {
				s = clamp((b*f - c*e) / den)
			}
			t = (b*s + f) / e
			if t < 0 {
				t, s = 0, clamp(-c/a)
			} else if t > 1 {
				t, s = 1, clamp((b-c)/a)
			}
		}
	}
	return p1.Add(d1.Mul(s)), p2.Add(d2.Mul(t))
}

var next = [3]int{1, 2, 0}

func clamp(v float64) float64 { return min(max(v, 0), 1) }

// above answers the foot of a point on the triangle's plane, if it falls inside.
func above(v vec, t *face) (vec, bool) {
	n := t[1].Sub(t[0]).Cross(t[2].Sub(t[0]))
	l := n.Dot(n)
	if l == 0 {
		return vec{}, false
	}
	q := v.Sub(n.Mul(v.Sub(t[0]).Dot(n) / l))
	return q, inside(q, t, n)
}

func inside(q vec, t *face, n vec) bool {
	for i := range 3 {
		if t[next[i]].Sub(t[i]).Cross(q.Sub(t[i])).Dot(n) < 0 {
			return false
		}
	}
	return true
}

func pierces(p, q vec, t *face) (vec, bool) {
	n := t[1].Sub(t[0]).Cross(t[2].Sub(t[0]))
	a, b := p.Sub(t[0]).Dot(n), q.Sub(t[0]).Dot(n)
	if a*b >= 0 {
		return vec{}, false
	}
	x := p.Add(q.Sub(p).Mul(a / (a - b)))
	return x, inside(x, t, n)
}

// onTriangle answers the point of the triangle nearest to v.
func onTriangle(v vec, t *face) vec {
	if q, over := above(v, t); over {
		return q
	}
	best, out := math.Inf(1), vec{}
	for i := range 3 {
		q, _ := sides(t[i], t[next[i]], v, v)
		if d := q.Sub(v); d.Dot(d) < best {
			best, out = d.Dot(d), q
		}
	}
	return out
}
