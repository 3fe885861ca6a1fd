package split

import (
	"fmt"
	"math"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
)

// joinShapes gives both pieces what holds them together: on the line, each
// measured in its own axes.
func (w *shapeSplitter) joinShapes(out []sheet.Started, first, second shapePiece, lo, hi float64) Pieces {
	a, b := &out[0].Recipe.Base, &out[1].Recipe.Base
	t := w.b.Recipe.Thickness
	margin := math.Min((hi-lo)/4, math.Max(30, 1.5*w.p.Hole))
	count := max(int(math.Round((hi-lo-2*margin)/w.p.Pitch))+1, 2)
	step := (hi - lo - 2*margin) / float64(count-1)
	bolt := func(p shapePiece, along, across float64) sheet.Hole {
		q := w.at(along, across)
		return sheet.Hole{ID: w.newID(), Name: "Joint bolts", Kind: sheet.RoundHole, Diameter: w.p.Hole, X: w.offset(q, p, true),
			Y: w.offset(q, p, false)}
	}
	var inA, inB []sheet.Hole
	for k := range count {
		across := lo + margin + float64(k)*step
		switch w.p.Joint {
		case LapJoint:
			inA, inB = append(inA, bolt(first, w.p.At+w.p.Wide/2, across)), append(inB, bolt(second, w.p.At+w.p.Wide/2, across))
		case StripJoint:
			inA, inB = append(inA, bolt(first, w.p.At-w.p.Wide/2, across)), append(inB, bolt(second, w.p.At+w.p.Wide/2, across))
		case TabJoint:
			clear := lay.SlotClearance(w.b.Process.Key)
			wide := math.Round(step / 3)
			a.Edges = append(a.Edges, sheet.EdgeCut{ID: w.newID(), Name: fmt.Sprintf("Seam tab %d", k+1), Kind: sheet.Tab, Edge: first.seam(),
				At: w.onSeam(first, across), Width: wide, Depth: 3 * t})
			b.Edges = append(b.Edges, sheet.EdgeCut{ID: w.newID(), Name: fmt.Sprintf("Seam notch %d", k+1), Kind: sheet.Notch, Edge: second.seam(),
				At: w.onSeam(second, across), Width: wide + clear, Depth: 3*t + clear/2})
		}
	}
	a.Holes, b.Holes = append(a.Holes, inA...), append(b.Holes, inB...)
	var seams []Seam
	switch w.p.Joint {
	case LapJoint:
		seams = []Seam{{A: 0, B: 1, Bolts: ids(inA)}}
	case TabJoint:
		seams = []Seam{{A: 0, B: 1, Edge: first.seam()}}
	}
	if w.p.Joint == StripJoint {
		seams = []Seam{{A: 0, B: 2, Bolts: ids(inA)}, {A: 1, B: 2, Bolts: ids(inB)}}
		strip := w.b.Recipe
		strip.Hand, strip.SetAside, strip.Reasons = sheet.Hand{}, nil, nil
		strip.Base = sheet.Base{ID: w.newID(), Length: 2 * w.p.Wide, Width: hi - lo, Measure: sheet.Flat}
		low, pitch := sheet.Left, sheet.Pattern{Kind: sheet.GridPattern, Columns: 1, Rows: count, PitchY: step}
		high := sheet.Right
		row := func(e sheet.Edge) sheet.Hole {
			h := sheet.Hole{ID: w.newID(), Name: "Joint bolts", Kind: sheet.RoundHole, Diameter: w.p.Hole,
				X: sheet.Offset{Edge: e, Distance: w.p.Wide / 2, From: sheet.Flat},
				Y: sheet.Offset{Edge: sheet.Front, Distance: margin, From: sheet.Flat}, Pattern: &pitch}
			if w.p.Axis == "y" {
				h.X, h.Y = sheet.Offset{Edge: sheet.Left, Distance: margin, From: sheet.Flat}, h.X
			}
			return h
		}
		if w.p.Axis == "y" {
			strip.Base.Length, strip.Base.Width = hi-lo, 2*w.p.Wide
			low, high, pitch = sheet.Front, sheet.Back, sheet.Pattern{Kind: sheet.GridPattern, Columns: count, Rows: 1, PitchX: step}
		}
		strip.Base.Holes = []sheet.Hole{row(low), row(high)}
		out = append(out, sheet.Started{Name: "joint strip", Quantity: 1, Recipe: strip})
	}
	return Pieces{out, seams}
}

// seam answers the name of the cut edge.
func (p *shapePiece) seam() sheet.Edge {
	for i, on := range p.half.On {
		if on < 0 {
			return sheet.Numbered(i + 1)[i]
		}
	}
	return ""
}

// onSeam answers how far along the cut edge a place on the line lies.
func (w *shapeSplitter) onSeam(p shapePiece, across float64) float64 {
	for i, on := range p.half.On {
		if on < 0 {
			return p.into(w.at(w.p.At, across)).Sub(p.half.Loop[i].P()).Len()
		}
	}
	return 0
}

// lone answers a hole without its pattern, its ways by its panel's axes.
func lone(h *lay.Hole) sheet.Hole {
	g := *h.Recipe
	if g.Pattern = nil; g.Kind != sheet.RoundHole {
		g.Angle = math.Atan2(h.Along.Y, h.Along.X) * 180 / math.Pi
	}
	if h.Flip && g.Kind == sheet.CutoutHole {
		cut := g.Cut.Reversed()
		for i := range cut {
			cut[i].Y, cut[i].Bulge = -cut[i].Y, -cut[i].Bulge
		}
		g.Cut = cut
	}
	return g
}
