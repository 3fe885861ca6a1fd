package solid

import (
	"math"
	"slices"

	"warmanvil/core/profile"
)

func anticlockwise(ring []profile.Point) bool {
	a := 0.0
	for i, p := range ring {
		a += p.Cross(ring[(i+1)%len(ring)])
	}
	return a > 0
}

func reversed(ring []profile.Point) []profile.Point {
	out := slices.Clone(ring)
	slices.Reverse(out)
	return out
}

// Triangulate cuts an outline with holes into triangles, anticlockwise: holes
// are joined to the outline by a bridge each, then ears are cut off (Meisters'
// two-ears theorem). The rings must not cross.
func Triangulate(outline []profile.Point, holes [][]profile.Point) [][3]profile.Point {
	ring := slices.Clone(outline)
	if !anticlockwise(ring) {
		slices.Reverse(ring)
	}
	inner := make([][]profile.Point, 0, len(holes))
	for _, h := range holes {
		if len(h) < 3 {
			continue
		}
		if anticlockwise(h) {
			h = reversed(h)
		}
		inner = append(inner, h)
	}
	// From the right: a bridge to the right never meets a hole not yet joined.
	slices.SortFunc(inner, func(a, b []profile.Point) int {
		if rightmost(a) > rightmost(b) {
			return -1
		}
		return 1
	})
	for _, h := range inner {
		ring = bridge(ring, h)
	}
	return ears(ring)
}

func rightmost(ring []profile.Point) float64 {
	x := math.Inf(-1)
	for _, p := range ring {
		x = math.Max(x, p.X)
	}
	return x
}

// bridge joins a hole to the ring from the hole's rightmost corner to a corner
// of the ring that sees it.
func bridge(ring, h []profile.Point) []profile.Point {
	start := 0
	for i, p := range h {
		if p.X > h[start].X {
			start = i
		}
	}
	from := h[start]
	best, at := math.Inf(1), -1
	for i, q := range ring {
		if d := q.Sub(from).Len(); q.X >= from.X && d < best && sees(ring, from, i) {
			best, at = d, i
		}
	}
	if at < 0 {
		for i, q := range ring {
			if d := q.Sub(from).Len(); d < best && sees(ring, from, i) {
				best, at = d, i
			}
		}
	}
	if at < 0 {
		return ring // a hole outside its outline: it is left shut
	}
	out := append([]profile.Point{}, ring[:at+1]...)
	for k := range len(h) + 1 {
		out = append(out, h[(start+k)%len(h)])
	}
	return append(out, ring[at:]...)
}

// sees tells whether the straight line from p to corner i of the ring crosses
// no side and leaves the corner into the ring's inside.
func sees(ring []profile.Point, p profile.Point, i int) bool {
	n := len(ring)
	q, before, after := ring[i], ring[(i+n-1)%n], ring[(i+1)%n]
	in, out, d := q.Sub(before), after.Sub(q), p.Sub(q)
	if in.Cross(out) >= 0 {
		if out.Cross(d) < 0 || in.Cross(d) < 0 {
			return false
		}
	} else if out.Cross(d) < 0 && in.Cross(d) < 0 {
		return false
	}
	for k, a := range ring {
		b := ring[(k+1)%n]
		if a == q || b == q {
			continue
		}
		if crosses(p, q, a, b) {
			return false
		}
	}
	return true
}

func crosses(p, q, a, b profile.Point) bool {
	d, e := q.Sub(p), b.Sub(a)
	s, t := d.Cross(a.Sub(p)), d.Cross(b.Sub(p))
	u, v := e.Cross(p.Sub(a)), e.Cross(q.Sub(a))
	return (s >= 0) != (t >= 0) && (u >= 0) != (v >= 0)
}

func ears(ring []profile.Point) (out [][3]profile.Point) {
	left := make([]int, len(ring))
	for i := range left {
		left[i] = i
	}
	for len(left) > 3 {
		cut := -1
		for i := range left {
			if ear(ring, left, i, 0) {
				cut = i
				break
			}
		}
		if cut < 0 { // only flat ears are left, or the ring touches itself
			cut = flattest(ring, left)
		}
		n := len(left)
		a, b, c := ring[left[(cut+n-1)%n]], ring[left[cut]], ring[left[(cut+1)%n]]
		if b.Sub(a).Cross(c.Sub(b)) > 0 {
			out = append(out, [3]profile.Point{a, b, c})
		}
		left = slices.Delete(left, cut, cut+1)
	}
	if len(left) == 3 {
		out = append(out, [3]profile.Point{ring[left[0]], ring[left[1]], ring[left[2]]})
	}
	return out
}

func flattest(ring []profile.Point, left []int) (at int) {
	best := math.Inf(1)
	n := len(left)
	for i := range left {
		a, b, c := ring[left[(i+n-1)%n]], ring[left[i]], ring[left[(i+1)%n]]
		if v := math.Abs(b.Sub(a).Cross(c.Sub(b))); v < best {
			best, at = v, i
		}
	}
	return at
}

// ear tells whether the corner can be cut off: it turns left and no other
// corner lies in its triangle.
func ear(ring []profile.Point, left []int, i int, tiny float64) bool {
	n := len(left)
	a, b, c := ring[left[(i+n-1)%n]], ring[left[i]], ring[left[(i+1)%n]]
	if b.Sub(a).Cross(c.Sub(b)) <= tiny {
		return false
	}
	for _, k := range left {
		p := ring[k]
		if p == a || p == b || p == c {
			continue
		}
		if b.Sub(a).Cross(p.Sub(a)) >= 0 && c.Sub(b).Cross(p.Sub(b)) >= 0 && a.Sub(c).Cross(p.Sub(c)) >= 0 {
			return false
		}
	}
	return true
}
