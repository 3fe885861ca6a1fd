package solid

import (
	"math"

	"warmanvil/core/profile"
)

// quad adds two triangles, anticlockwise seen from outside.
func (p *Piece) quad(a, b, c, d Vector) {
	*p = append(*p, Triangle{a, b, c}, Triangle{a, c, d})
}

// Block is a parallelepiped with one corner at o and the edges x, y, z.
func Block(o, x, y, z Vector) Body {
	if x.Cross(y).Dot(z) < 0 {
		x, y = y, x
	}
	c := func(i, j, k float64) Vector { return o.Add(x.Mul(i)).Add(y.Mul(j)).Add(z.Mul(k)) }
	var p Piece
	p.quad(c(0, 0, 0), c(0, 1, 0), c(1, 1, 0), c(1, 0, 0))
	p.quad(c(0, 0, 1), c(1, 0, 1), c(1, 1, 1), c(0, 1, 1))
	p.quad(c(0, 0, 0), c(1, 0, 0), c(1, 0, 1), c(0, 0, 1))
	p.quad(c(0, 1, 0), c(0, 1, 1), c(1, 1, 1), c(1, 1, 0))
	p.quad(c(0, 0, 0), c(0, 0, 1), c(0, 1, 1), c(0, 1, 0))
	p.quad(c(1, 0, 0), c(1, 1, 0), c(1, 1, 1), c(1, 0, 1))
	return Body{Pieces: []Piece{p}}
}

// Box spans from one corner to the other along the axes.
func Box(lo, hi Vector) Body {
	d := hi.Sub(lo)
	return Block(lo, Vector{d[0]}, Vector{0, d[1]}, Vector{0, 0, d[2]})
}

// across answers two directions that make a right-handed set with u.
func across(u Vector) (a, b Vector) {
	a = Vector{1}
	if math.Abs(u[0]) > .8 {
		a = Vector{0, 1}
	}
	a = a.Sub(u.Mul(a.Dot(u))).Unit()
	return a, u.Cross(a)
}

// facets answers how many sides keep the chord within deviation of the arc.
func facets(radius, angle, deviation float64) int {
	if radius <= deviation {
		return 6
	}
	step := 2 * math.Acos(1-deviation/radius)
	return min(max(int(math.Ceil(angle/step)), 2), 256)
}

const chord = .3 // mm, how far facets lie off true arcs

// Cylinder runs from a to b; its facets lie outside the true surface, so a
// clearance to it is never overstated.
func Cylinder(a, b Vector, radius float64) Body {
	u := b.Sub(a)
	n := max(facets(radius, 2*math.Pi, chord), 8)
	x, y := across(u.Unit())
	ring := make([]profile.Point, n)
	for i := range ring {
		s, c := math.Sincos(2 * math.Pi * float64(i) / float64(n))
		r := radius / math.Cos(math.Pi/float64(n))
		ring[i] = profile.Point{X: c * r, Y: s * r}
	}
	return Prism(Pose{a, x, y, u.Unit()}, ring, nil, u.Len())
}

// Prism is an outline with holes in the x, y of a pose, carried height along
// its z. The outline runs anticlockwise, holes either way.
func Prism(at Pose, outline []profile.Point, holes [][]profile.Point, height float64) Body {
	low := func(p profile.Point) Vector { return at.Apply(Vector{p.X, p.Y}) }
	high := func(p profile.Point) Vector { return at.Apply(Vector{p.X, p.Y, height}) }
	var piece Piece
	for _, t := range Triangulate(outline, holes) {
		piece = append(piece, Triangle{high(t[0]), high(t[1]), high(t[2])}, Triangle{low(t[0]), low(t[2]), low(t[1])})
	}
	wall := func(ring []profile.Point, out bool) {
		if anticlockwise(ring) != out {
			ring = reversed(ring)
		}
		for i, p := range ring {
			q := ring[(i+1)%len(ring)]
			piece.quad(low(p), low(q), high(q), high(p))
		}
	}
	wall(outline, true)
	for _, h := range holes {
		wall(h, false)
	}
	return Body{Pieces: []Piece{piece}}
}

// Ball is a sphere whose facets lie outside the true surface.
func Ball(centre Vector, radius float64) Body {
	n := min(max(facets(radius, math.Pi, chord*2), 6), 32) // a large one stands out a little more
	at := func(i, k int) Vector {
		// Every facet touches the sphere or lies outside: the corners are pushed
		// out by the two half steps between them.
		r := radius / math.Pow(math.Cos(math.Pi/float64(2*n)), 2)
		st, ct := math.Sincos(math.Pi * float64(i) / float64(n))
		sp, cp := math.Sincos(math.Pi * float64(k) / float64(n))
		return centre.Add(Vector{st * cp, st * sp, ct}.Mul(r))
	}
	var p Piece
	for i := range n {
		for k := range 2 * n {
			switch i {
			case 0:
				p = append(p, Triangle{at(0, 0), at(1, k), at(1, k+1)})
			case n - 1:
				p = append(p, Triangle{at(i, k), at(n, 0), at(i, k+1)})
			default:
				p.quad(at(i, k), at(i+1, k), at(i+1, k+1), at(i, k+1))
			}
		}
	}
	return Body{Pieces: []Piece{p}}
}

// Run is a round line or pipe along corners: cylinders with balls at the bends.
func Run(corners []Vector, radius float64) (b Body) {
	for i := 1; i < len(corners); i++ {
		if corners[i].Sub(corners[i-1]).Len() > 0 {
			b = b.With(Cylinder(corners[i-1], corners[i], radius))
		}
		if i+1 < len(corners) {
			b = b.With(Ball(corners[i], radius))
		}
	}
	return b
}

// Sector is what a plate sweeps that turns about an axis: from the inner to the
// outer radius, from one height to the other along the axis, from angle a to b
// in degrees about it. Angle 0 points along start, which is taken square to the
// axis. Facets lie outside the true arc at the outer radius and on it inside.
func Sector(origin, axis, start Vector, inner, outer, low, high, a, b float64) Body {
	z := axis.Unit()
	x := start.Sub(z.Mul(start.Dot(z))).Unit()
	y := z.Cross(x)
	if b < a {
		a, b = b, a
	}
	span := (b - a) * math.Pi / 180
	n := max(facets(outer, span, chord), int(math.Ceil(span/(math.Pi/3))))
	out := outer / math.Cos(span/float64(2*n))
	var p Piece
	at := func(r, h float64, i int) Vector {
		s, c := math.Sincos(a*math.Pi/180 + span*float64(i)/float64(n))
		return origin.Add(x.Mul(r * c)).Add(y.Mul(r * s)).Add(z.Mul(h))
	}
	for i := range n {
		p.quad(at(inner, high, i), at(out, high, i), at(out, high, i+1), at(inner, high, i+1))
		p.quad(at(inner, low, i), at(inner, low, i+1), at(out, low, i+1), at(out, low, i))
		p.quad(at(out, low, i), at(out, low, i+1), at(out, high, i+1), at(out, high, i))
		if inner > 0 {
			p.quad(at(inner, low, i), at(inner, high, i), at(inner, high, i+1), at(inner, low, i+1))
		}
	}
	p.quad(at(inner, low, 0), at(out, low, 0), at(out, high, 0), at(inner, high, 0))
	p.quad(at(inner, low, n), at(inner, high, n), at(out, high, n), at(out, low, n))
	return Body{Pieces: []Piece{p}}
}

// Swept is what a body fills that travels straight along a vector: where it
// starts, where it ends, and what each of its facets runs through.
func Swept(b Body, along Vector) Body {
	if along.Len() == 0 {
		return b
	}
	out := b.With(b.At(Pose{along, Ground.X, Ground.Y, Ground.Z}))
	for _, piece := range b.Pieces {
		for _, t := range piece {
			n := t[1].Sub(t[0]).Cross(t[2].Sub(t[0]))
			if n.Dot(along) <= 1e-9*n.Len()*along.Len() {
				continue // runs along, or back into what the others fill
			}
			var p Piece
			o := [3]Vector{t[0].Add(along), t[1].Add(along), t[2].Add(along)}
			p = append(p, Triangle{o[0], o[1], o[2]}, Triangle{t[0], t[2], t[1]})
			for i := range 3 {
				k := (i + 1) % 3
				p.quad(t[i], t[k], o[k], o[i])
			}
			out.Pieces = append(out.Pieces, p)
		}
	}
	return out
}

// Stadium is what a round disc or tyre fills that moves sideways to its axis:
// the disc of the radius round a and round b, width along axis, centred.
func Stadium(a, b, axis Vector, radius, width float64) Body {
	z := axis.Unit()
	d := b.Sub(a)
	d = d.Sub(z.Mul(d.Dot(z)))
	x := d.Unit()
	if d.Len() == 0 {
		x, _ = across(z)
	}
	y := z.Cross(x)
	n := max(facets(radius, math.Pi, chord), 6)
	r := radius / math.Cos(math.Pi/float64(2*n))
	var ring []profile.Point
	for i := range n + 1 {
		s, c := math.Sincos(-math.Pi/2 + math.Pi*float64(i)/float64(n))
		ring = append(ring, profile.Point{X: d.Len() + c*r, Y: s * r})
	}
	for i := range n + 1 {
		s, c := math.Sincos(math.Pi/2 + math.Pi*float64(i)/float64(n))
		if d.Len() == 0 && (i == 0 || i == n) {
			continue // the half circles share their ends
		}
		ring = append(ring, profile.Point{X: c * r, Y: s * r})
	}
	return Prism(Pose{a.Sub(z.Mul(width / 2)), x, y, z}, ring, nil, width)
}
