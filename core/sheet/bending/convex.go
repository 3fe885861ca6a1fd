package bending

import (
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/solid"
)

// vec is a vector by its fields: the sweeps live on it.
type vec struct{ x, y, z float64 }

func of(v solid.Vector) vec        { return vec{v[0], v[1], v[2]} }
func (a vec) vector() solid.Vector { return solid.Vector{a.x, a.y, a.z} }
func (a vec) add(b vec) vec        { return vec{a.x + b.x, a.y + b.y, a.z + b.z} }
func (a vec) sub(b vec) vec        { return vec{a.x - b.x, a.y - b.y, a.z - b.z} }
func (a vec) mul(s float64) vec    { return vec{a.x * s, a.y * s, a.z * s} }
func (a vec) dot(b vec) float64    { return a.x*b.x + a.y*b.y + a.z*b.z }
func (a vec) len() float64         { return math.Sqrt(a.dot(a)) }
func (a vec) cross(b vec) vec      { return vec{a.y*b.z - a.z*b.y, a.z*b.x - a.x*b.z, a.x*b.y - a.y*b.x} }
func least(a, b vec) vec           { return vec{min(a.x, b.x), min(a.y, b.y), min(a.z, b.z)} }
func most(a, b vec) vec            { return vec{max(a.x, b.x), max(a.y, b.y), max(a.z, b.z)} }
func (a vec) unit() vec            { return a.mul(1 / a.len()) }
func parallel(a, b vec) bool       { c := a.cross(b); return c.dot(c) < 1e-10*a.dot(a)*b.dot(b) }

// pose carries a piece from its own axes to where it stands.
type pose struct{ o, x, y, z vec }

var still = pose{x: vec{1, 0, 0}, y: vec{0, 1, 0}, z: vec{0, 0, 1}}

func (p *pose) turn(v vec) vec  { return p.x.mul(v.x).add(p.y.mul(v.y)).add(p.z.mul(v.z)) }
func (p *pose) apply(v vec) vec { return p.o.add(p.turn(v)) }

// after carries by q first, then by p.
func (p pose) after(q pose) pose { return pose{p.apply(q.o), p.turn(q.x), p.turn(q.y), p.turn(q.z)} }

// undone carries back.
func (p pose) undone() pose {
	q := pose{x: vec{p.x.x, p.y.x, p.z.x}, y: vec{p.x.y, p.y.y, p.z.y}, z: vec{p.x.z, p.y.z, p.z.z}}
	q.o = vec{-p.o.dot(p.x), -p.o.dot(p.y), -p.o.dot(p.z)}
	return q
}

// convex is a prism over a convex outline: its corners, low ones first, the ways its faces
// look and its edges run, each once.
type convex struct {
	corners, faces, edges []vec
	lo, hi                vec
}

// prism answers the body over a convex outline in the x, y of a pose, from one height to
// another along its z.
func prism(at pose, outline []profile.Point, low, high float64) *convex {
	c := &convex{}
	n := len(outline)
	for _, z := range [2]float64{low, high} {
		for _, p := range outline {
			c.corners = append(c.corners, at.apply(vec{p.X, p.Y, z}))
		}
	}
	c.faces, c.edges = append(c.faces, at.z), append(c.edges, at.z)
	for i, p := range outline {
		q := outline[(i+1)%n]
		d := at.turn(vec{q.X - p.X, q.Y - p.Y, 0})
		if d.len() < 1e-9 {
			continue
		}
		c.edge(d.unit())
		c.face(at.turn(vec{q.Y - p.Y, p.X - q.X, 0}).unit())
	}
	c.box()
	return c
}

func (c *convex) edge(d vec) {
	for _, e := range c.edges {
		if parallel(e, d) {
			return
		}
	}
	c.edges = append(c.edges, d)
}

func (c *convex) face(n vec) {
	for _, f := range c.faces {
		if parallel(f, n) {
			return
		}
	}
	c.faces = append(c.faces, n)
}

func (c *convex) box() {
	c.lo, c.hi = c.corners[0], c.corners[0]
	for _, p := range c.corners[1:] {
		c.lo, c.hi = least(c.lo, p), most(c.hi, p)
	}
}

// moved puts the piece, carried by a pose, into another of its own storage.
func (c *convex) moved(p *pose, into *convex) {
	c.shifted(p, into)
	c.turned(p, into)
}

// shifted puts its corners alone there, and turned the ways of its faces and edges.
func (c *convex) shifted(p *pose, into *convex) {
	into.corners = into.corners[:0]
	for i := range c.corners {
		into.corners = append(into.corners, p.apply(c.corners[i]))
	}
	into.box()
}

func (c *convex) turned(p *pose, into *convex) {
	into.faces, into.edges = into.faces[:0], into.edges[:0]
	for _, v := range c.faces {
		into.faces = append(into.faces, p.turn(v))
	}
	for _, v := range c.edges {
		into.edges = append(into.edges, p.turn(v))
	}
}

// axis is a way two pieces may be apart: of a face of the first or second, or of the edges of
// both.
type axis struct {
	kind  int8
	i, k  int8
	known bool
}

// The kinds of axis.
const (
	ofFirst = iota
	ofSecond
	ofEdges
)

func (x axis) way(a, b *convex) (vec, bool) {
	switch x.kind {
	case ofFirst:
		return a.faces[x.i], true
	case ofSecond:
		return b.faces[x.i], true
	}
	n := a.edges[x.i].cross(b.edges[x.k])
	l := n.dot(n)
	if l < 1e-8 {
		return vec{}, false
	}
	return n.mul(1 / math.Sqrt(l)), true
}

// boxes answers by how much the boxes round two pieces are apart.
func boxes(a, b *convex) float64 {
	return max(a.lo.x-b.hi.x, b.lo.x-a.hi.x, a.lo.y-b.hi.y, b.lo.y-a.hi.y, a.lo.z-b.hi.z, b.lo.z-a.hi.z)
}

// across answers by how much two pieces are apart along a way.
func across(a, b *convex, n vec) float64 {
	alo, ahi := a.along(n)
	blo, bhi := b.along(n)
	return max(alo-bhi, blo-ahi)
}

// apart answers by how much two pieces are apart at least, mm, and along which axis; below 0
// they run into each other, by that much along the shortest way out. Beyond enough it is not
// told exactly.
// Source: separating axes of two convex bodies (Gottschalk, Lin, Manocha 1996): the ways of
// their faces and the cross products of their edges.
func apart(a, b *convex, enough float64) (gap float64, by axis) {
	gap = math.Inf(-1)
	try := func(x axis) bool {
		if n, is := x.way(a, b); is {
			if d := across(a, b, n); d > gap {
				gap, by = d, x
			}
		}
		return gap >= enough
	}
	for i := range a.faces {
		if try(axis{ofFirst, int8(i), 0, true}) {
			return gap, by
		}
	}
	for i := range b.faces {
		if try(axis{ofSecond, int8(i), 0, true}) {
			return gap, by
		}
	}
	for i := range a.edges {
		for k := range b.edges {
			if try(axis{ofEdges, int8(i), int8(k), true}) {
				return gap, by
			}
		}
	}
	return gap, by
}

// along answers from where to where a piece reaches along a way.
func (c *convex) along(n vec) (lo, hi float64) {
	lo = math.Inf(1)
	hi = -lo
	for i := range c.corners {
		v := &c.corners[i]
		d := v.x*n.x + v.y*n.y + v.z*n.z
		if d < lo {
			lo = d
		}
		if d > hi {
			hi = d
		}
	}
	return lo, hi
}

// reach answers how far the piece's corners lie from the x axis at most.
func (c *convex) reach() (r float64) {
	for _, v := range c.corners {
		r = max(r, math.Hypot(v.y, v.z))
	}
	return r
}

// convexParts cuts an outline into convex ones: triangles, joined again where two make a
// convex outline (Hertel and Mehlhorn 1983).
func convexParts(outline []profile.Point) [][]profile.Point {
	if isConvex(outline) {
		return [][]profile.Point{outline}
	}
	var parts [][]profile.Point
	for _, t := range solid.Triangulate(outline, nil) {
		if p := t[:]; math.Abs(area(p)) > 1e-3 {
			parts = append(parts, append([]profile.Point(nil), p...))
		}
	}
	for joined := true; joined; {
		joined = false
		for i := range parts {
			for k := i + 1; k < len(parts); k++ {
				if both := join(parts[i], parts[k]); both != nil {
					parts[i] = both
					parts = append(parts[:k], parts[k+1:]...)
					joined, k = true, k-1
				}
			}
		}
	}
	return parts
}

func area(p []profile.Point) (a float64) {
	for i, q := range p {
		a += q.Cross(p[(i+1)%len(p)])
	}
	return a / 2
}

func isConvex(p []profile.Point) bool {
	sign := math.Copysign(1, area(p))
	for i := range p {
		a, b, c := p[i], p[(i+1)%len(p)], p[(i+2)%len(p)]
		if u, v := b.Sub(a), c.Sub(b); sign*u.Cross(v) < -1e-9*u.Len()*v.Len() {
			return false
		}
	}
	return true
}

// join answers two outlines that share a side as one, nil when that is not convex.
func join(a, b []profile.Point) []profile.Point {
	same := func(p, q profile.Point) bool { return p.Sub(q).Len() < 1e-6 }
	for i := range a {
		for k := range b {
			if !same(a[i], b[(k+1)%len(b)]) || !same(a[(i+1)%len(a)], b[k]) {
				continue
			}
			var out []profile.Point
			for n := 1; n <= len(a); n++ {
				out = append(out, a[(i+n)%len(a)])
			}
			for n := 2; n < len(b); n++ {
				out = append(out, b[(k+n)%len(b)])
			}
			if isConvex(out) {
				return out
			}
		}
	}
	return nil
}

// mesh answers a prism as a closed surface.
func mesh(c *convex) solid.Body {
	n := len(c.corners) / 2
	var piece solid.Piece
	for i := 1; i+1 < n; i++ {
		piece = append(piece, solid.Triangle{c.corners[0].vector(), c.corners[i+1].vector(), c.corners[i].vector()},
			solid.Triangle{c.corners[n].vector(), c.corners[n+i].vector(), c.corners[n+i+1].vector()})
	}
	for i := range n {
		k := (i + 1) % n
		a, b, d, e := c.corners[i].vector(), c.corners[k].vector(), c.corners[n+k].vector(), c.corners[n+i].vector()
		piece = append(piece, solid.Triangle{a, b, d}, solid.Triangle{a, d, e})
	}
	body := solid.Body{Pieces: []solid.Piece{piece}}
	if body.Volume() < 0 {
		for i := range piece {
			piece[i][1], piece[i][2] = piece[i][2], piece[i][1]
		}
	}
	return body
}
