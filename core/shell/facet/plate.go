package facet

import (
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/solid"
)

// Plate answers a panel as it is drawn: the corners of its outer and of its inner face, every edge cut
// in the plane that halves it with its neighbour.
func (b *Built) Plate(face int) (outer, inner []solid.Vector) {
	lo, hi := -b.Thickness, 0.
	switch b.Side {
	case Inside:
		lo, hi = 0, b.Thickness
	case Middle:
		lo, hi = -b.Thickness/2, b.Thickness/2
	}
	return b.level(face, hi), b.level(face, lo)
}

// level answers a panel's corners so far out from its points.
func (b *Built) level(face int, out float64) []solid.Vector {
	f := b.Faces[face]
	n := len(f.Outline)
	off := func(side int) float64 {
		e := b.Edges[f.edges[side]]
		if len(e.Faces) < 2 {
			return 0
		}
		return -out * math.Tan(e.Turn*math.Pi/360)
	}
	list := make([]solid.Vector, n)
	for k := range n {
		before := (k + n - 1) % n
		p, ok := crossing(f.Outline[before], f.Outline[k], off(before), f.Outline[k], f.Outline[(k+1)%n], off(k))
		if !ok { // two edges in one line with neighbours at other angles: drawn at the point
			p = f.Outline[k]
		}
		list[k] = f.Pose.Apply(solid.Vector{p.X, p.Y, out})
	}
	return list
}

// Triangles answers a panel's outline in triangles, by the index of their corners.
func (b *Built) Triangles(face int) (out [][3]int) {
	f := b.Faces[face]
	at := map[profile.Point]int{}
	for i, p := range f.Outline {
		at[p] = i
	}
	for _, t := range solid.Triangulate(f.Outline, nil) {
		out = append(out, [3]int{at[t[0]], at[t[1]], at[t[2]]})
	}
	return out
}
