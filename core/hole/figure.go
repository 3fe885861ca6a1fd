package hole

import (
	"cmp"
	"math"
	"slices"

	"warmanvil/core/profile"
)

// Form is what some holes of a map may be meant to be.
type Form string

// The forms. Rectangle: four holes. Row: three or more on a line; EvenRow evenly spaced on
// it. Circle: four or more on a circle; EvenCircle three or more evenly round it.
const (
	RectangleForm  Form = "rectangle"
	RowForm        Form = "row"
	EvenRowForm    Form = "evenRow"
	CircleForm     Form = "circle"
	EvenCircleForm Form = "evenCircle"
)

// Forms lists the forms.
var Forms = []Form{RectangleForm, RowForm, EvenRowForm, CircleForm, EvenCircleForm}

// Least answers how many holes a form needs at least, and whether it takes no more.
func (f Form) Least() (n int, exactly bool) {
	switch f {
	case RectangleForm:
		return 4, true
	case CircleForm:
		return 4, false
	}
	return 3, false
}

// Figure are holes, numbered from 0, that are meant to be a form.
type Figure struct {
	Form  Form  `json:"form" enum:"rectangle,row,evenRow,circle,evenCircle"`
	Holes []int `json:"holes" doc:"numbered from 0, in any order"`
}

// figure is a form as a function of few numbers: its holes in the order they follow each
// other, the numbers, and where each hole is for given numbers.
type figure struct {
	form  Form
	holes []int
	start []float64
	at    func(v []float64, k int) profile.Point
	sizes func(v []float64) []float64
}

// figureOf sets a form up near where its holes are.
func figureOf(f Figure, at []profile.Point) figure {
	g := figure{form: f.Form, holes: slices.Clone(f.Holes)}
	var middle profile.Point
	for _, h := range g.holes {
		middle = middle.Add(at[h])
	}
	middle = middle.Mul(1 / float64(len(g.holes)))
	switch f.Form {
	case RowForm, EvenRowForm:
		g.row(at, middle)
	case RectangleForm:
		g.rectangle(at, middle)
	default:
		g.circle(at, middle)
	}
	return g
}

// row follows the line through the two holes farthest apart.
func (g *figure) row(at []profile.Point, middle profile.Point) {
	var way profile.Point
	for i, a := range g.holes {
		for _, b := range g.holes[:i] {
			if d := at[a].Sub(at[b]); d.Len() > way.Len() {
				way = d
			}
		}
	}
	turn := math.Atan2(way.Y, way.X)
	along := func(h int) float64 {
		d := at[h].Sub(middle)
		return d.X*math.Cos(turn) + d.Y*math.Sin(turn)
	}
	slices.SortFunc(g.holes, func(a, b int) int { return cmp.Compare(along(a), along(b)) })
	n := len(g.holes)
	if g.form == EvenRowForm {
		pitch := (along(g.holes[n-1]) - along(g.holes[0])) / float64(n-1)
		g.start = []float64{middle.X, middle.Y, turn, pitch}
		g.at = func(v []float64, k int) profile.Point {
			t := (float64(k) - float64(n-1)/2) * v[3]
			return profile.Point{X: v[0] + t*math.Cos(v[2]), Y: v[1] + t*math.Sin(v[2])}
		}
		g.sizes = func(v []float64) []float64 { return []float64{math.Abs(v[3])} }
		return
	}
	// The line by its turn and how far it passes the start's middle; each hole by its way along.
	g.start = []float64{turn, 0}
	for _, h := range g.holes {
		g.start = append(g.start, along(h))
	}
	g.at = func(v []float64, k int) profile.Point {
		s, c := math.Sincos(v[0])
		t := v[2+k]
		return profile.Point{X: middle.X - v[1]*s + t*c, Y: middle.Y + v[1]*c + t*s}
	}
	g.sizes = func(v []float64) []float64 { return []float64{v[len(v)-1] - v[2]} }
}

// round puts the holes in their order about a middle.
func (g *figure) round(at []profile.Point, middle profile.Point) {
	way := func(h int) float64 { d := at[h].Sub(middle); return math.Atan2(d.Y, d.X) }
	slices.SortFunc(g.holes, func(a, b int) int { return cmp.Compare(way(a), way(b)) })
}

func (g *figure) rectangle(at []profile.Point, middle profile.Point) {
	g.round(at, middle)
	p := func(k int) profile.Point { return at[g.holes[k]] }
	way := p(1).Sub(p(0)).Add(p(2).Sub(p(3))).Mul(.5)
	other := p(3).Sub(p(0)).Add(p(2).Sub(p(1))).Mul(.5)
	g.start = []float64{middle.X, middle.Y, math.Atan2(way.Y, way.X), way.Len(), other.Len()}
	g.at = func(v []float64, k int) profile.Point {
		x, y := v[3]/2, v[4]/2
		if k == 0 || k == 3 {
			x = -x
		}
		if k < 2 {
			y = -y
		}
		s, c := math.Sincos(v[2])
		return profile.Point{X: v[0] + x*c - y*s, Y: v[1] + x*s + y*c}
	}
	g.sizes = func(v []float64) []float64 {
		a, b := math.Abs(v[3]), math.Abs(v[4])
		return []float64{max(a, b), min(a, b)}
	}
}

func (g *figure) circle(at []profile.Point, middle profile.Point) {
	// The middle of holes that are not spread evenly is not the circle's: Kåsa's fit is.
	if c, ok := circleMiddle(at, g.holes); ok {
		middle = c
	}
	g.round(at, middle)
	radius, n := 0., len(g.holes)
	for _, h := range g.holes {
		radius += at[h].Sub(middle).Len() / float64(n)
	}
	way := func(h int) float64 { d := at[h].Sub(middle); return math.Atan2(d.Y, d.X) }
	g.start = []float64{middle.X, middle.Y, radius}
	g.sizes = func(v []float64) []float64 { return []float64{2 * math.Abs(v[2])} }
	if g.form == EvenCircleForm {
		step := 2 * math.Pi / float64(n)
		s, c := 0., 0.
		for k, h := range g.holes {
			a := way(h) - float64(k)*step
			s, c = s+math.Sin(a), c+math.Cos(a)
		}
		g.start = append(g.start, math.Atan2(s, c))
		g.at = func(v []float64, k int) profile.Point {
			s, c := math.Sincos(v[3] + float64(k)*step)
			return profile.Point{X: v[0] + v[2]*c, Y: v[1] + v[2]*s}
		}
		return
	}
	for _, h := range g.holes {
		g.start = append(g.start, way(h))
	}
	g.at = func(v []float64, k int) profile.Point {
		s, c := math.Sincos(v[3+k])
		return profile.Point{X: v[0] + v[2]*c, Y: v[1] + v[2]*s}
	}
}

// circleMiddle answers the middle of the circle nearest to points, by the linear fit of
// Kåsa; false where they lie on a line.
func circleMiddle(at []profile.Point, holes []int) (profile.Point, bool) {
	var mean profile.Point
	n := float64(len(holes))
	for _, h := range holes {
		mean = mean.Add(at[h].Mul(1 / n))
	}
	var xx, xy, yy, xz, yz float64
	for _, h := range holes {
		d := at[h].Sub(mean)
		z := d.Dot(d)
		xx, xy, yy = xx+d.X*d.X, xy+d.X*d.Y, yy+d.Y*d.Y
		xz, yz = xz+d.X*z, yz+d.Y*z
	}
	det := xx*yy - xy*xy
	if det <= 1e-9*(xx+yy)*(xx+yy) {
		return mean, false
	}
	return mean.Add(profile.Point{X: (xz*yy - yz*xy) / det / 2, Y: (yz*xx - xz*xy) / det / 2}), true
}
