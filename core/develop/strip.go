// Package develop unrolls what is bent one way at a time: cones and cylinders, and transitions
// between two outlines. A surface is a strip of rulings, straight lines from its bottom edge to its
// top edge; between two of them it is flat, or so nearly that the pieces are triangles. Lengths are
// mm on the neutral surface, angles degrees outside and radians inside.
package develop

import (
	"warmanvil/core/profile"
	"warmanvil/core/solid"
)

// Ruling is a straight line on the surface from its bottom edge to its top edge.
type Ruling struct{ Bottom, Top solid.Vector }

// Strip is a surface between its first ruling and its last, which are the two sides of its seam.
// Of a piece between two rulings the diagonal runs from the first one's bottom to the next one's
// top; where it is flat, or runs to a point, that changes nothing.
type Strip []Ruling

// Flat is a strip unrolled: its rulings in the plane, the first one's bottom at the origin and its
// top above it, the others to the right.
type Flat struct{ Bottom, Top []profile.Point }

// Unroll lays a strip into the plane, triangle by triangle: the lengths of all edges stay.
func (s Strip) Unroll() Flat {
	f := Flat{Bottom: make([]profile.Point, len(s)), Top: make([]profile.Point, len(s))}
	if len(s) == 0 {
		return f
	}
	f.Top[0] = profile.Point{Y: dist(s[0].Bottom, s[0].Top)}
	for i := 1; i < len(s); i++ {
		was, is := s[i-1], s[i]
		// The top first, beyond the ruling before; then the bottom, beyond the diagonal.
		f.Top[i] = beyond(f.Bottom[i-1], f.Top[i-1], dist(was.Bottom, is.Top), dist(was.Top, is.Top),
			triangle(was.Bottom, was.Top, is.Top))
		f.Bottom[i] = beyond(f.Bottom[i-1], f.Top[i], dist(was.Bottom, is.Bottom), dist(is.Top, is.Bottom),
			triangle(was.Bottom, is.Top, is.Bottom))
	}
	return f
}

// beyond answers the point right of a line from a to b that is so far from both, of a triangle of so
// much area: how far off the line it is would be lost to rounding by the lengths alone.
func beyond(a, b profile.Point, fromA, fromB, area float64) profile.Point {
	along := b.Sub(a)
	long := along.Len()
	if long < tiny { // a ruling of no length: the apex
		return a.Add(profile.Point{X: fromA})
	}
	u := along.Mul(1 / long)
	x := (fromA*fromA - fromB*fromB + long*long) / (2 * long)
	return a.Add(u.Mul(x)).Add(profile.Point{X: u.Y, Y: -u.X}.Mul(2 * area / long))
}

// tiny is a length that is none, and alikeSpot how near corners of a flat are one, mm.
const tiny, alikeSpot = 1e-9, 1e-6

func dist(a, b solid.Vector) float64 { return a.Sub(b).Len() }

// Area answers how large a strip is, mm².
func (s Strip) Area() (mm2 float64) {
	for i := 1; i < len(s); i++ {
		was, is := s[i-1], s[i]
		mm2 += (triangle(was.Bottom, was.Top, is.Top) + triangle(was.Bottom, is.Top, is.Bottom))
	}
	return mm2
}

func triangle(a, b, c solid.Vector) float64 { return b.Sub(a).Cross(c.Sub(a)).Len() / 2 }

// Outline answers the flat's outline, anticlockwise from the seam's bottom: along the bottom edge,
// up the seam's other side, back along the top. Corners on one spot are one.
func (f Flat) Outline() []profile.Point {
	out := append([]profile.Point{}, f.Bottom...)
	for i := len(f.Top) - 1; i >= 0; i-- {
		out = append(out, f.Top[i])
	}
	tidy := out[:0:0]
	for _, p := range out {
		if n := len(tidy); n == 0 || p.Sub(tidy[n-1]).Len() > alikeSpot {
			tidy = append(tidy, p)
		}
	}
	for len(tidy) > 1 && tidy[0].Sub(tidy[len(tidy)-1]).Len() < alikeSpot {
		tidy = tidy[:len(tidy)-1]
	}
	return tidy
}
