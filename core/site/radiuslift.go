package site

import (
	"fmt"
	"math"
	"strings"

	"warmanvil/core/sheet"
	"warmanvil/core/solid"
	"warmanvil/core/survey"
)

// radiusNear is how far past the corner of a bend a body may reach and still be said to stand in its
// inside radius, mm: what facets and a coat make of it.
const radiusNear = .5

// lifted says, of a place where another thing runs into a folded part that stands on the vehicle, that
// it is the inside radius of a bend it stands in, and what to do; empty where it is not, or where
// standing off does not clear it. What a square edge has to stand off is the tangent, R·tan(turn/2):
// as much is a packer thick under it, or a chamfer wide.
func (s *stander) lifted(id string, other survey.Thing, at [3]float64) string {
	d := s.done[id]
	if d == nil || d.built == nil {
		return ""
	}
	out := solid.Vector(at).Sub(d.Pose.Origin)
	q := solid.Vector{out.Dot(d.Pose.X), out.Dot(d.Pose.Y), out.Dot(d.Pose.Z)}
	seats := map[string]int{}
	for i, p := range d.built.Panels {
		seats[p.ID] = i
	}
	for _, l := range d.built.BendLines {
		i, known := seats[l.ID]
		parent, has := seats[d.built.Panels[i].Parent]
		if !known || !has || l.Angle > sheet.MaxApex || l.InsideRadius <= 0 {
			continue
		}
		child := d.built.Panels[i].Seat
		over := d.built.Panels[parent].Seat
		up := 1. // the inside is towards the good side of what is bent up
		if !l.Up {
			up = -1
		}
		thick := s.parts[s.list[id].Part].Recipe.Thickness
		along := q.Sub(child.Origin).Dot(child.X)
		if along < -radiusNear || along > child.Width+radiusNear {
			continue
		}
		in := func(z, origin solid.Vector) float64 { return q.Sub(origin).Dot(z.Mul(up)) - thick/2 }
		a, b := in(child.Z, child.Origin), in(over.Z, over.Origin)
		if least, most := math.Min(a, b), math.Max(a, b); least < -radiusNear || most > l.InsideRadius+radiusNear {
			continue
		}
		far := l.InsideRadius * math.Tan(l.Angle*math.Pi/360)
		off := s.from.Pen.MM(far)
		clears := func(z solid.Vector) bool { // proved: moved so far it is in the part no more
			way := d.Pose.Turn(z.Mul(up)).Mul(far + radiusNear/10)
			moved := other.Body.At(solid.Pose{Origin: way, X: solid.Ground.X, Y: solid.Ground.Y, Z: solid.Ground.Z})
			g := solid.Within(solid.NewTree(d.thing.Body), solid.NewTree(moved), radiusNear)
			return !g.Into
		}
		var ways []string
		if clears(child.Z) {
			ways = append(ways, "keep its edge "+off+" off the face of "+l.Name)
		}
		if clears(over.Z) {
			ways = append(ways, "lay a packer of "+off+" under it")
		}
		if len(ways) == 0 {
			continue
		}
		ways = append(ways, "chamfer or round the edge by "+off)
		return fmt.Sprintf("It stands in the inside radius of %s, R %s: %s.", l.Name, s.from.Pen.MM(l.InsideRadius),
			strings.Join(ways, ", or "))
	}
	return ""
}
