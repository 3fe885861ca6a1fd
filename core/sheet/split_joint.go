package sheet

import (
	"fmt"
	"math"
)

// join gives the pieces what holds them together.
func (s *splitter) join(out []Started, long, deep float64) []Started {
	a, b := &out[0].Recipe.Base, &out[1].Recipe.Base
	t := s.b.recipe.Thickness
	margin := math.Min(deep/4, 30)
	n := max(int(math.Round((deep-2*margin)/s.p.Pitch))+1, 2)
	step := (deep - 2*margin) / float64(n-1)
	row := func(e Edge, in float64) Hole {
		h := Hole{ID: s.newID(), Name: "Joint bolts", Kind: RoundHole, Diameter: s.p.Hole, X: Offset{Edge: e, Distance: in, From: Flat},
			Y:       Offset{Edge: Front, Distance: margin, From: Flat},
			Pattern: &Pattern{Kind: GridPattern, Columns: 1, Rows: n, PitchY: step}}
		if s.p.Axis == "y" {
			h.X, h.Y = Offset{Edge: Left, Distance: margin, From: Flat}, h.X
			h.Pattern = &Pattern{Kind: GridPattern, Columns: n, Rows: 1, PitchX: step}
		}
		return h
	}
	switch s.p.Joint {
	case TabJoint:
		clear := slotClearance(s.b.process.Key)
		wide := math.Round(step / 3)
		for k := range n {
			at := margin + float64(k)*step
			a.Edges = append(a.Edges, EdgeCut{ID: s.newID(), Name: fmt.Sprintf("Seam tab %d", k+1), Kind: Tab, Edge: s.high, At: at,
				Width: wide, Depth: 3 * t})
			b.Edges = append(b.Edges, EdgeCut{ID: s.newID(), Name: fmt.Sprintf("Seam notch %d", k+1), Kind: Notch, Edge: s.low, At: at,
				Width: wide + clear, Depth: 3*t + clear/2})
		}
	case LapJoint:
		a.Holes, b.Holes = append(a.Holes, row(s.high, s.p.Wide/2)), append(b.Holes, row(s.low, s.p.Wide/2))
	case StripJoint:
		a.Holes, b.Holes = append(a.Holes, row(s.high, s.p.Wide/2)), append(b.Holes, row(s.low, s.p.Wide/2))
		strip := s.b.recipe
		strip.Hand, strip.SetAside = Hand{}, nil
		strip.Base = Base{ID: s.newID(), Length: 2 * s.p.Wide, Width: deep, Measure: Flat}
		if s.p.Axis == "y" {
			strip.Base.Length, strip.Base.Width = deep, 2*s.p.Wide
		}
		strip.Base.Holes = []Hole{row(s.low, s.p.Wide/2), row(s.high, s.p.Wide/2)}
		out = append(out, Started{"joint strip", 1, strip})
	}
	return out
}
