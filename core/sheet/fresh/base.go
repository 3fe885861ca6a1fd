package fresh

import (
	"math"
	"slices"

	"warmanvil/core/develop"
	"warmanvil/core/profile"
	"warmanvil/core/sheet"
)

// Reshape answers the base as another shape about as large as it is: long and wide are
// its size over all, mm, for shapes that say no length and width themselves.
func Reshape(b sheet.Base, to sheet.ShapeKind, long, wide float64, u sheet.Usual) sheet.Base {
	if b.Length > 0 {
		long = b.Length
	}
	if b.Width > 0 {
		wide = b.Width
	}
	l, w := u.Step(long), u.Step(wide)
	b.Length, b.Width = l, w
	s := sheet.Shape{Kind: to}
	switch to {
	case sheet.Trapezoid:
		s.Back, s.Shift = u.Step(0.6*l), u.Step(0.2*l)
	case sheet.Sides:
		s.Sides = []sheet.SideSize{{Length: l, Angle: 90}, {Length: w, Angle: 90}, {Length: l, Angle: 90}}
	case sheet.Polygon:
		s.Points = profile.Loop{{}, {X: l}, {X: l, Y: w}, {Y: w}}
	case sheet.Ring:
		s.Sweep, b.Width = 90, min(w, u.Step(l/4))
	case sheet.Developed: // rolled of a plate so long
		b.Length, b.Width, b.Corner, b.Measure = 0, 0, sheet.Corner{}, sheet.Flat
		d := u.Step(l / math.Pi)
		s.Round = &develop.Form{Kind: develop.ConeForm, Face: develop.OutsideFace, Way: develop.Rolled,
			Cone: &develop.ConeInput{Bottom: d, Top: d, Height: w, Offset: &[2]float64{}}}
	case sheet.Obround:
		b.Length = max(l, w+u.Step(u.Or(20, 0.75)))
	}
	if b.Shape = &s; to == sheet.Rectangle {
		b.Shape = nil
	}
	return b
}

// More answers the base with one side or corner more; another shape stays.
func More(b sheet.Base, u sheet.Usual) sheet.Base {
	if b.Shape == nil {
		return b
	}
	s := *b.Shape
	switch {
	case s.Kind == sheet.Sides:
		s.Sides = append(slices.Clone(s.Sides), sheet.SideSize{Length: u.Or(50, 2), Angle: 120})
	case s.Kind == sheet.Polygon && len(s.Points) > 1:
		s.Points = append(slices.Clone(s.Points), between(s.Points[len(s.Points)-1], s.Points[0], u.Or(10, 0.375)))
	}
	b.Shape = &s
	return b
}

// between answers a corner half way from a to b, a little to the right of the way: outside
// of an anticlockwise outline, so that it is seen.
func between(a, b profile.Vertex, out float64) profile.Vertex {
	v := profile.Vertex{X: (a.X + b.X) / 2, Y: (a.Y + b.Y) / 2}
	if long := math.Hypot(b.X-a.X, b.Y-a.Y); long > 0 {
		v.X += out * (b.Y - a.Y) / long
		v.Y -= out * (b.X - a.X) / long
	}
	return v
}
