// Package profile is the plane geometry of cut parts: points, and closed loops
// of straight lines and circular arcs. Arcs are kept exactly, as bulges (the
// tangent of a quarter of the arc's angle, positive anticlockwise), so that
// what is cut is what was drawn.
package profile

import "math"

// Point in mm.
type Point struct {
	X float64 `json:"x"`
	Y float64 `json:"y"`
}

// Add answers p + q.
func (p Point) Add(q Point) Point { return Point{p.X + q.X, p.Y + q.Y} }

// Sub answers p − q.
func (p Point) Sub(q Point) Point { return Point{p.X - q.X, p.Y - q.Y} }

// Mul answers p·s.
func (p Point) Mul(s float64) Point { return Point{p.X * s, p.Y * s} }

// Dot answers the scalar product.
func (p Point) Dot(q Point) float64 { return p.X*q.X + p.Y*q.Y }

// Cross answers the z of the vector product.
func (p Point) Cross(q Point) float64 { return p.X*q.Y - p.Y*q.X }

// Len answers the distance from the origin.
func (p Point) Len() float64 { return math.Sqrt(p.X*p.X + p.Y*p.Y) }

// Vertex is a corner of a loop; Bulge bends the edge that leaves it.
type Vertex struct {
	X     float64 `json:"x"`
	Y     float64 `json:"y"`
	Bulge float64 `json:"bulge,omitempty" doc:"tangent of a quarter of the arc's angle, positive anticlockwise"`
}

// P answers the vertex's place.
func (v Vertex) P() Point { return Point{v.X, v.Y} }

// Loop is a closed outline; the last vertex joins the first.
type Loop []Vertex

// Area answers the signed area in mm², positive anticlockwise.
func (l Loop) Area() float64 {
	var a float64
	for i, v := range l {
		w := l[(i+1)%len(l)]
		a += v.P().Cross(w.P()) / 2
		if v.Bulge != 0 {
			chord := w.P().Sub(v.P()).Len()
			theta := 4 * math.Atan(math.Abs(v.Bulge))
			r := chord / 2 / math.Sin(theta/2)
			a += math.Copysign(r*r*(theta-math.Sin(theta))/2, v.Bulge)
		}
	}
	return a
}

// Length answers the length of the outline in mm.
func (l Loop) Length() float64 {
	var s float64
	for i, v := range l {
		chord := l[(i+1)%len(l)].P().Sub(v.P()).Len()
		if v.Bulge == 0 {
			s += chord
			continue
		}
		theta := 4 * math.Atan(math.Abs(v.Bulge))
		s += chord / 2 / math.Sin(theta/2) * theta
	}
	return s
}

// ArcOf answers centre and radius of the arc between two vertices.
func ArcOf(from, to Vertex) (centre Point, radius float64) {
	b := from.Bulge
	d := to.P().Sub(from.P())
	mid := from.P().Add(to.P()).Mul(.5)
	k := (1/b - b) / 4
	return mid.Add(Point{-d.Y, d.X}.Mul(k)), d.Len() * (1 + b*b) / (4 * math.Abs(b))
}

// Bounds is an upright box.
type Bounds struct {
	Min Point `json:"min"`
	Max Point `json:"max"`
}

// Size answers width and height in mm.
func (b Bounds) Size() (w, h float64) { return b.Max.X - b.Min.X, b.Max.Y - b.Min.Y }

// Empty is the box of nothing, ready for Include.
func Empty() Bounds {
	return Bounds{Point{math.Inf(1), math.Inf(1)}, Point{math.Inf(-1), math.Inf(-1)}}
}

// Include grows the box to a point.
func (b *Bounds) Include(p Point) {
	b.Min.X, b.Min.Y = math.Min(b.Min.X, p.X), math.Min(b.Min.Y, p.Y)
	b.Max.X, b.Max.Y = math.Max(b.Max.X, p.X), math.Max(b.Max.Y, p.Y)
}

// Meets tells whether two boxes share more than a border of slack mm.
func (b Bounds) Meets(c Bounds, slack float64) bool {
	return b.Min.X < c.Max.X-slack && c.Min.X < b.Max.X-slack && b.Min.Y < c.Max.Y-slack && c.Min.Y < b.Max.Y-slack
}

// Bounds answers the loop's box, arcs included exactly.
func (l Loop) Bounds() Bounds {
	b := Empty()
	for i, v := range l {
		b.Include(v.P())
		if v.Bulge == 0 {
			continue
		}
		w := l[(i+1)%len(l)]
		c, r := ArcOf(v, w)
		for q := range 4 {
			s, co := math.Sincos(float64(q) * math.Pi / 2)
			p := c.Add(Point{co * r, s * r})
			if onArc(p, v, w) {
				b.Include(p)
			}
		}
	}
	return b
}

// onArc tells whether a point of the arc's circle lies on the arc itself: on
// the same side of the chord as the bulge goes.
func onArc(p Point, v, w Vertex) bool {
	side := w.P().Sub(v.P()).Cross(p.Sub(v.P()))
	return side*v.Bulge <= 0
}

// Tidy drops doubled vertices and the middle ones of straight runs.
func (l Loop) Tidy() Loop {
	const tiny = 1e-9
	out := make(Loop, 0, len(l))
	for _, v := range l {
		if n := len(out); n > 0 && out[n-1].Bulge == 0 && out[n-1].P().Sub(v.P()).Len() < tiny {
			out[n-1] = v
			continue
		}
		out = append(out, v)
	}
	for len(out) > 1 && out[len(out)-1].Bulge == 0 && out[len(out)-1].P().Sub(out[0].P()).Len() < tiny {
		out = out[:len(out)-1]
	}
	for i := 0; i < len(out) && len(out) > 3; {
		prev, v, next := out[(i+len(out)-1)%len(out)], out[i], out[(i+1)%len(out)]
		a, b := v.P().Sub(prev.P()), next.P().Sub(v.P())
		if prev.Bulge == 0 && v.Bulge == 0 && math.Abs(a.Cross(b)) < 1e-7*math.Max(1, a.Len()*b.Len()) && a.Dot(b) > 0 {
			out = append(out[:i], out[i+1:]...)
			continue
		}
		i++
	}
	return out
}

// Flatten answers the loop as points, arcs cut into chords that stay within
// deviation mm of them. For checks and for the screen, never for cutting.
func (l Loop) Flatten(deviation float64) []Point {
	out := make([]Point, 0, len(l))
	for i, v := range l {
		out = append(out, v.P())
		if v.Bulge == 0 {
			continue
		}
		w := l[(i+1)%len(l)]
		c, r := ArcOf(v, w)
		theta := 4 * math.Atan(v.Bulge)
		n := int(math.Ceil(math.Abs(theta) / (2 * math.Acos(1-math.Min(deviation/r, .5)))))
		start := math.Atan2(v.Y-c.Y, v.X-c.X)
		for k := 1; k < n; k++ {
			s, co := math.Sincos(start + theta*float64(k)/float64(n))
			out = append(out, Point{c.X + r*co, c.Y + r*s})
		}
	}
	return out
}

// Rect answers the anticlockwise rectangle between two corners.
func Rect(x0, y0, x1, y1 float64) Loop {
	return Loop{{X: x0, Y: y0}, {X: x1, Y: y0}, {X: x1, Y: y1}, {X: x0, Y: y1}}
}

// Slot answers a slot of overall length and width, its long way turned by
// angle degrees.
func Slot(centre Point, length, width, angle float64) Loop {
	s, c := math.Sincos(angle * math.Pi / 180)
	along, across := Point{c, s}.Mul((length-width)/2), Point{-s, c}.Mul(width/2)
	a, b := centre.Sub(along), centre.Add(along)
	v := func(p Point, bulge float64) Vertex { return Vertex{p.X, p.Y, bulge} }
	return Loop{v(a.Sub(across), 0), v(b.Sub(across), 1), v(b.Add(across), 0), v(a.Add(across), 1)}
}

// Reversed answers the same outline walked the other way.
func (l Loop) Reversed() Loop {
	n := len(l)
	out := make(Loop, n)
	for i := range l {
		from := l[n-1-i]
		out[i] = Vertex{from.X, from.Y, -l[(2*n-2-i)%n].Bulge}
	}
	return out
}
