package sheet

import (
	"fmt"
	"math"
	"strconv"

	"warmanvil/core/profile"
)

// Kind answers the base's shape.
func (b Base) Kind() ShapeKind {
	if b.Shape == nil || b.Shape.Kind == "" {
		return Rectangle
	}
	return b.Shape.Kind
}

// Outline answers the base as typed, anticlockwise from its first corner, with
// its edges' names. why says what is wrong with it.
func (b Base) Outline() (loop profile.Loop, names []Edge, why string) {
	v := func(x, y float64) profile.Vertex { return profile.Vertex{X: x, Y: y} }
	l, w := b.Length, b.Width
	switch s := b.Shape; b.Kind() {
	case Trapezoid:
		loop, names = profile.Loop{v(0, 0), v(l, 0), v(s.Shift+s.Back, w), v(s.Shift, w)}, []Edge{Front, Right, Back, Left}
	case Triangle:
		loop, names = profile.Loop{v(0, 0), v(l, 0), v(s.Shift, w)}, []Edge{Front, Right, Left}
	case Polygon:
		loop, names = s.Points, Numbered(len(s.Points))
	case Sides:
		loop = sided(s.Sides)
		names = Numbered(len(loop))
	case Disc:
		loop, names = profile.Loop{{X: 0, Y: 0, Bulge: 1}, {X: l, Y: 0, Bulge: 1}}, []Edge{Front, Back}
	case Ring:
		outer, inner := l/2, l/2-w
		if inner <= 0 {
			return nil, nil, "a ring's band is narrower than half its diameter"
		}
		sin, cos := math.Sincos(s.Sweep * math.Pi / 180)
		bulge := math.Tan(s.Sweep * math.Pi / 720)
		loop = profile.Loop{v(0, 0), {X: w, Bulge: bulge}, v(outer*cos-inner, outer*sin), {X: inner*cos - inner, Y: inner * sin,
			Bulge: -bulge}}
		names = []Edge{Front, Outer, Back, Inner}
		if s.Flip {
			for i, q := range loop {
				loop[i] = profile.Vertex{X: w - q.X, Y: q.Y}
			}
			loop = profile.Loop{loop[1], loop[0], loop[3], loop[2]}
			loop[1].Bulge, loop[3].Bulge = -bulge, bulge
			names = []Edge{Front, Inner, Back, Outer}
		}
	case Developed:
		return nil, nil, "it is unrolled from its round"
	case Obround:
		if l <= w {
			return nil, nil, "a slot shape is longer than wide"
		}
		loop, names = profile.Loop{v(0, 0), {X: l - w, Bulge: 1}, v(l-w, w), {X: 0, Y: w, Bulge: 1}}, []Edge{Front, Right, Back, Left}
	default:
		loop, names = profile.Loop{v(0, 0), v(l, 0), v(l, w), v(0, w)}, []Edge{Front, Right, Back, Left}
	}
	return loop, names, unsound(loop)
}

// unsound says what is wrong with an outline.
func unsound(l profile.Loop) string {
	if len(l) < 2 || len(l) < 3 && l[0].Bulge == 0 {
		return "it needs three corners or more"
	}
	for i, p := range l {
		if p.P().Sub(l[(i+1)%len(l)].P()).Len() < .01 {
			return fmt.Sprintf("corners %d and %d lie on one spot", i+1, (i+1)%len(l)+1)
		}
	}
	if l.Crosses() {
		return "its outline crosses itself"
	}
	if l.Area() <= 0 {
		return "its corners run clockwise: name them anticlockwise, good side up"
	}
	return ""
}

func Numbered(n int) []Edge {
	out := make([]Edge, n)
	for i := range out {
		out[i] = Edge(strconv.Itoa(i + 1))
	}
	return out
}

// sided walks lengths and inside angles from the origin along x; the closing
// side is drawn by itself.
func sided(sides []SideSize) (loop profile.Loop) {
	p, heading := profile.Point{}, 0.0
	for _, s := range sides {
		loop = append(loop, profile.Vertex{X: p.X, Y: p.Y})
		sin, cos := math.Sincos(heading)
		p = p.Add(profile.Point{X: cos, Y: sin}.Mul(s.Length))
		heading += math.Pi - s.Angle*math.Pi/180
	}
	if len(loop) > 0 && p.Len() > .01 {
		loop = append(loop, profile.Vertex{X: p.X, Y: p.Y})
	}
	return loop
}

// flatten moves every bent edge in by its bend and sets the outline on its first
// corner, its first edge along x.
func FlatBase(loop profile.Loop, off []float64) (corners []profile.Point, bulges []float64, why string) {
	n := len(loop)
	curved := false
	for _, v := range loop {
		curved = curved || v.Bulge != 0
	}
	for i, v := range loop {
		p := v.P()
		before, back := (i+n-1)%n, off[(i+n-1)%n]
		if !curved && (off[i] > 0 || back > 0) {
			q, ok := meet(loop[before].P(), p, back, p, loop[(i+1)%n].P(), off[i])
			if !ok {
				return nil, nil, fmt.Sprintf("the edges at corner %d run in one line: take the corner out", i+1)
			}
			p = q
		}
		corners, bulges = append(corners, p), append(bulges, v.Bulge)
	}
	for i := range corners { // an edge that turned round is used up by its neighbours' bends
		was, is := loop[(i+1)%n].P().Sub(loop[i].P()), corners[(i+1)%n].Sub(corners[i])
		if was.Dot(is) <= Tiny {
			return nil, nil, fmt.Sprintf("its bends leave nothing of edge %d", i+1)
		}
	}
	first := corners[1].Sub(corners[0])
	if bulges[0] != 0 {
		first = profile.Point{X: 1}
	}
	first = first.Mul(1 / first.Len())
	o := corners[0]
	for i, p := range corners {
		p = p.Sub(o)
		corners[i] = profile.Point{X: p.Dot(first), Y: first.Cross(p)}
	}
	return corners, bulges, ""
}

// meet answers where two lines meet that are moved to their left by so much.
func meet(a, b profile.Point, left float64, c, d profile.Point, leftToo float64) (profile.Point, bool) {
	u, v := b.Sub(a), d.Sub(c)
	u, v = u.Mul(1/u.Len()), v.Mul(1/v.Len())
	p := a.Add(profile.Point{X: -u.Y, Y: u.X}.Mul(left))
	q := c.Add(profile.Point{X: -v.Y, Y: v.X}.Mul(leftToo))
	cross := u.Cross(v)
	if math.Abs(cross) < 1e-6 {
		return p, math.Abs(left-leftToo) < Tiny
	}
	return p.Add(u.Mul(q.Sub(p).Cross(v) / cross)), true
}
