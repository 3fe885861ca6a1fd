package profile

import (
	"cmp"
	"slices"
)

// Hull answers the convex outline round points, anticlockwise (Andrew's
// monotone chain).
func Hull(points []Point) []Point {
	p := slices.Clone(points)
	slices.SortFunc(p, func(a, b Point) int { return cmp.Or(cmp.Compare(a.X, b.X), cmp.Compare(a.Y, b.Y)) })
	p = slices.Compact(p)
	if len(p) < 3 {
		return p
	}
	half := func(p []Point) (out []Point) {
		for _, q := range p {
			for n := len(out); n >= 2 && out[n-1].Sub(out[n-2]).Cross(q.Sub(out[n-1])) <= 0; n = len(out) {
				out = out[:n-1]
			}
			out = append(out, q)
		}
		return out[:len(out)-1]
	}
	low := half(p)
	slices.Reverse(p)
	return append(low, half(p)...)
}
