package shape

import (
	"fmt"
	"math"

	"warmanvil/core/member"
	"warmanvil/core/profile"
)

// View is a way the frame is looked at.
type View string

// From above x runs to the right and y up; from the right side x to the right
// and z up; from behind y to the left, so that left is left.
const (
	FromAbove  View = "above"
	FromRight  View = "right"
	FromBehind View = "behind"
)

// Shadow is the outline of one piece or plate in a view.
type Shadow struct {
	ID      string
	Name    string
	Plate   bool
	Outline []profile.Point
	Middle  profile.Point
}

// Flat answers a place in a view.
func (v View) Flat(p [3]float64) profile.Point {
	switch v {
	case FromRight:
		return profile.Point{X: p[0], Y: p[2]}
	case FromBehind:
		return profile.Point{X: -p[1], Y: p[2]}
	}
	return profile.Point{X: p[0], Y: p[1]}
}

// Shadows answers outlines of all pieces and plates: hulls of their corners,
// which is exact for sections that are convex outside.
func (b *Built) Shadows(v View) (out []Shadow) {
	add := func(id, name string, plate bool, m Mesh) {
		flat := make([]profile.Point, len(m.Corners))
		var middle profile.Point
		for i, c := range m.Corners {
			flat[i] = v.Flat(c)
			middle = middle.Add(flat[i].Mul(1 / float64(len(m.Corners))))
		}
		out = append(out, Shadow{id, name, plate, profile.Hull(flat), middle})
	}
	for _, p := range b.Pieces {
		if p.Why == "" {
			add(p.ID, p.Name, false, p.Mesh)
		}
	}
	for _, p := range b.Plates {
		add(p.ID, p.Name, true, p.Mesh)
	}
	return out
}

// Wrap is a template to be wrapped round a member's end: how far the cut lies
// above its lowest place, against the way round the outside.
type Wrap struct {
	Mark   string
	Name   string
	End    int // 0 the first, 1 the second
	Round  bool
	Around float64         // mm, length of the template
	Line   []profile.Point // X round the outside, Y depth; the long point is highest
	Inner  []profile.Point // the same of the inside of a round tube, unrolled at the outside's angles
	Start  string          // where it starts
	Ticks  []Tick
}

// Tick is a line along the member on a template.
type Tick struct {
	At   float64 // mm round the outside
	Text string
}

// Develop unrolls an end: the outside walked once round from the middle of the
// right side, anticlockwise seen from the first point.
func (r *Run) Develop(e int) Wrap {
	w := Wrap{Round: member.Round(r.Section), Start: "the middle of its right side"}
	var ring [][2]float64
	var along []float64
	if w.Round {
		const n = 180
		R := r.Section.Diameter / 2
		for i := range n + 1 {
			s, c := math.Sincos(2 * math.Pi * float64(i) / n)
			ring = append(ring, [2]float64{R * c, R * s})
			along = append(along, 2*math.Pi*R*float64(i)/n)
			if i%15 == 0 {
				w.Ticks = append(w.Ticks, Tick{along[i], fmt.Sprintf("%d°", 2*i)})
			}
		}
	} else {
		ring, along = r.walk()
		all := along[len(along)-1]
		// Halves of both sides make a quarter.
		w.Ticks = []Tick{{0, "right"}, {all / 4, "top"}, {all / 2, "left"}, {3 * all / 4, "bottom"}, {all, "right"}}
	}
	w.Around = along[len(along)-1]
	least := math.Inf(1)
	depth := func(q [2]float64) float64 {
		t, _ := r.meets(r.cuts[e], e, q)
		if e == 0 {
			t = -t // the long point is highest
		}
		return t
	}
	for i, q := range ring {
		t := depth(q)
		w.Line = append(w.Line, profile.Point{X: along[i], Y: t})
		least = math.Min(least, t)
		if r.Section.Kind == "roundTube" {
			k := 1 - 2*r.Section.Wall/r.Section.Diameter
			in := depth([2]float64{q[0] * k, q[1] * k})
			w.Inner = append(w.Inner, profile.Point{X: along[i], Y: in})
			least = math.Min(least, in)
		}
	}
	for i := range w.Line {
		w.Line[i].Y -= least
	}
	for i := range w.Inner {
		w.Inner[i].Y -= least
	}
	return w
}

// walk goes round a rectangular outline with its corner radius, from the middle
// of the right side.
func (r *Run) walk() (ring [][2]float64, along []float64) {
	w, h := (r.Box.Right-r.Box.Left)/2, (r.Box.Top-r.Box.Bottom)/2
	R := r.Section.OuterRadius
	s := 0.0
	put := func(x, y, step float64) {
		s += step
		ring = append(ring, [2]float64{x, y})
		along = append(along, s)
	}
	put(w, 0, 0)
	last := h - R
	for q, c := range [4][2]float64{{1, 1}, {-1, 1}, {-1, -1}, {1, -1}} {
		side := last // straight run to this corner
		if q > 0 {
			side = 2 * (w - R)
			if q == 2 {
				side = 2 * (h - R)
			}
		}
		const n = 8
		for i := range n + 1 {
			sin, cos := math.Sincos(math.Pi / 2 * (float64(q) + float64(i)/n))
			step := R * math.Pi / 2 / n
			if i == 0 {
				step = side
			}
			put(c[0]*(w-R)+R*cos, c[1]*(h-R)+R*sin, step)
		}
	}
	put(w, 0, h-R)
	return ring, along
}
