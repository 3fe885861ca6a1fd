package shape

import (
	"math"

	"warmanvil/core/member"
	"warmanvil/core/tube"
)

// Folded is a mitre made in one piece with the other member: a V cut out to the
// outside wall, which stays and is the hinge.
type Folded struct {
	With  string  `json:"with" doc:"name of the other member"`
	Angle float64 `json:"angle" doc:"degrees of the V, and of the fold"`
	Width float64 `json:"width" doc:"mm, opening at the inside face"`
	Deep  float64 `json:"deep" doc:"mm, from the inside face to the inner face of the wall that stays"`
}

// folded answers how a mitre could be notched and folded: both members are the
// same box tube, standing alike in the plane they meet in. Nil when they are not.
func (r *Run) folded(o *Run, e int, c Cut) *Folded {
	if c.Kind != member.Mitre || c.Tilt > 1e-6 || c.Saw == 0 || r.Section.Kind != "rectTube" || r.Section != o.Section {
		return nil
	}
	_, a := r.end(e)
	shared := 0
	if o.To == r.From || o.To == r.To {
		shared = 1
	}
	_, b := o.end(shared)
	w := a.Cross(b)
	if w.Len() < 1e-6 || math.Abs(w.Unit().Dot(r.Axes.Y)-w.Unit().Dot(o.Axes.Y)) > 1e-6 &&
		math.Abs(w.Unit().Dot(r.Axes.Y)+w.Unit().Dot(o.Axes.Y)) > 1e-6 {
		return nil
	}
	n, err := tube.VNotch(tube.NotchInput{Depth: r.across(b.Sub(a.Mul(a.Dot(b)))), Wall: r.Section.Wall,
		Fold: 180 - math.Acos(math.Max(-1, math.Min(1, a.Dot(b))))*180/math.Pi, Hinge: "inner"})
	if err != nil {
		return nil
	}
	return &Folded{With: o.Named(), Angle: n.NotchAngle, Width: n.Width, Deep: n.Height}
}
