package made

import (
	"math"

	"warmanvil/core/bend"
	"warmanvil/core/profile"
)

// FirstBend is the bend that is made first, as a test strip: where to lay the rule, how long
// the blank is there, and what its legs should come to.
type FirstBend struct {
	ID     string  `json:"id" doc:"of the flange"`
	Name   string  `json:"name"`
	Flat   float64 `json:"flat" doc:"mm, across the blank square to the middle of the bend, edge to edge"`
	LegA   float64 `json:"legA" doc:"mm, to the outer apex, on the flange's side, as computed"`
	LegB   float64 `json:"legB" doc:"mm, to the outer apex, on the other side, as computed"`
	Angle  float64 `json:"angle" doc:"degrees turned from flat"`
	Radius float64 `json:"radius" doc:"mm, inside"`
	Says   string  `json:"says" doc:"where to lay the rule, and what it should read"`
}

// firstBend answers the first of the bends as a test strip: a line square to its middle runs
// over the flat blank to the nearest edge on both sides. nil where nothing is bent, or
// the bend has no apex to measure to.
func (p Part) firstBend(thickness float64) *FirstBend {
	if len(p.Steps) == 0 {
		return nil
	}
	for _, b := range p.BendLines {
		if b.ID != p.Steps[0].ID || b.Angle >= 165 || b.Angle <= 0 {
			continue
		}
		along := b.To.Sub(b.From)
		if along.Len() == 0 {
			return nil
		}
		along = along.Mul(1 / along.Len())
		square := profile.Point{X: -along.Y, Y: along.X}
		middle := b.From.Add(b.To).Mul(.5)
		rim := p.Outline.Flatten(.01)
		plus, minus := toEdge(rim, middle, square), toEdge(rim, middle, square.Mul(-1))
		if plus == 0 || minus == 0 {
			return nil
		}
		grow := bend.OutsideSetback(b.InsideRadius, thickness, b.Angle) - b.BendAllowance/2
		out := &FirstBend{ID: b.ID, Name: b.Name, Flat: plus + minus, LegA: plus + grow, LegB: minus + grow, Angle: b.Angle,
			Radius: b.InsideRadius}
		if m := p.panelMiddle(b.ID); m.Sub(middle).Dot(square) < 0 {
			out.LegA, out.LegB = out.LegB, out.LegA
		}
		return out
	}
	return nil
}

func (p Part) panelMiddle(id string) profile.Point {
	for _, m := range p.Panels {
		if m.ID == id {
			return m.Middle
		}
	}
	return profile.Point{}
}

// toEdge answers how far a ray runs from a point inside a closed line until it meets it, 0
// where it does not.
func toEdge(rim []profile.Point, from, way profile.Point) float64 {
	best := math.Inf(1)
	for i, a := range rim {
		e := rim[(i+1)%len(rim)].Sub(a)
		d := way.Cross(e)
		if math.Abs(d) < 1e-12 {
			continue
		}
		t, s := a.Sub(from).Cross(e)/d, a.Sub(from).Cross(way)/d
		if t > 1e-9 && s >= -1e-9 && s <= 1+1e-9 {
			best = math.Min(best, t)
		}
	}
	if math.IsInf(best, 1) {
		return 0
	}
	return best
}
