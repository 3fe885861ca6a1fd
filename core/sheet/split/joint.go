package split

import (
	"fmt"
	"math"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
)

// join gives the pieces what holds them together.
func (s *splitter) join(out []sheet.Started, long, deep float64) Pieces {
	var seams []Seam
	a, b := &out[0].Recipe.Base, &out[1].Recipe.Base
	t := s.b.Recipe.Thickness
	margin := math.Min(deep/4, 30)
	n := max(int(math.Round((deep-2*margin)/s.p.Pitch))+1, 2)
	step := (deep - 2*margin) / float64(n-1)
	row := func(e sheet.Edge, in float64) sheet.Hole {
		h := sheet.Hole{ID: s.newID(), Name: "Joint bolts", Kind: sheet.RoundHole, Diameter: s.p.Hole,
			X:       sheet.Offset{Edge: e, Distance: in, From: sheet.Flat},
			Y:       sheet.Offset{Edge: sheet.Front, Distance: margin, From: sheet.Flat},
			Pattern: &sheet.Pattern{Kind: sheet.GridPattern, Columns: 1, Rows: n, PitchY: step}}
		if s.p.Axis == "y" {
			h.X, h.Y = sheet.Offset{Edge: sheet.Left, Distance: margin, From: sheet.Flat}, h.X
			h.Pattern = &sheet.Pattern{Kind: sheet.GridPattern, Columns: n, Rows: 1, PitchX: step}
		}
		return h
	}
	switch s.p.Joint {
	case TabJoint:
		clear := lay.SlotClearance(s.b.Process.Key)
		wide := math.Round(step / 3)
		for k := range n {
			at := margin + float64(k)*step
			a.Edges = append(a.Edges, sheet.EdgeCut{ID: s.newID(), Name: fmt.Sprintf("Seam tab %d", k+1), Kind: sheet.Tab, Edge: s.high, At: at,
				Width: wide, Depth: 3 * t})
			b.Edges = append(b.Edges, sheet.EdgeCut{ID: s.newID(), Name: fmt.Sprintf("Seam notch %d", k+1), Kind: sheet.Notch, Edge: s.low, At: at,
				Width: wide + clear, Depth: 3*t + clear/2})
		}
		seams = []Seam{{A: 0, B: 1, Edge: s.high}}
	case LapJoint:
		ra, rb := row(s.high, s.p.Wide/2), row(s.low, s.p.Wide/2)
		a.Holes, b.Holes = append(a.Holes, ra), append(b.Holes, rb)
		seams = []Seam{{A: 0, B: 1, Bolts: []string{ra.ID}}}
	case StripJoint:
		ra, rb := row(s.high, s.p.Wide/2), row(s.low, s.p.Wide/2)
		a.Holes, b.Holes = append(a.Holes, ra), append(b.Holes, rb)
		seams = []Seam{{A: 0, B: 2, Bolts: []string{ra.ID}}, {A: 1, B: 2, Bolts: []string{rb.ID}}}
		strip := s.b.Recipe
		strip.Hand, strip.SetAside, strip.Reasons = sheet.Hand{}, nil, nil
		strip.Base = sheet.Base{ID: s.newID(), Length: 2 * s.p.Wide, Width: deep, Measure: sheet.Flat}
		if s.p.Axis == "y" {
			strip.Base.Length, strip.Base.Width = deep, 2*s.p.Wide
		}
		strip.Base.Holes = []sheet.Hole{row(s.low, s.p.Wide/2), row(s.high, s.p.Wide/2)}
		out = append(out, sheet.Started{Name: "joint strip", Quantity: 1, Recipe: strip})
	}
	return Pieces{out, seams}
}
