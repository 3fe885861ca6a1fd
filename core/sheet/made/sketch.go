package made

import (
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/solid"
)

// Sketch answers a folded body as lines on paper, x to the right and y down, in mm: seen
// from the front left above, its edges and the rims of its holes.
func (b Body) Sketch() [][][2]float64 {
	lines := make([][][2]float64, 0, len(b.Edges))
	for _, e := range b.Edges {
		line := make([][2]float64, len(e))
		for i, p := range e {
			line[i] = seen(p)
		}
		lines = append(lines, line)
	}
	for _, p := range b.Panels {
		for _, rim := range p.Holes {
			for _, side := range []float64{-b.Thickness / 2, b.Thickness / 2} {
				lines = append(lines, p.rim(rim, side))
			}
		}
	}
	return lines
}

// rim answers a hole's edge on one side of its panel, closed.
func (p BodyPanel) rim(rim []profile.Point, side float64) [][2]float64 {
	line := make([][2]float64, 0, len(rim)+1)
	for i := range len(rim) + 1 {
		q := rim[i%len(rim)]
		line = append(line, seen(p.Origin.Add(p.X.Mul(q.X)).Add(p.Y.Mul(q.Y)).Add(p.Z.Mul(side))))
	}
	return line
}

// seen puts a point of the body on the paper, to a tenth of a millimetre.
func seen(p solid.Vector) [2]float64 {
	round := func(v float64) float64 { return math.Round(v*10)/10 + 0 }
	return [2]float64{round(p[0]*.86 + p[1]*.5), round(-(p[2]*.86 + (p[1]*.86-p[0]*.5)*.5))}
}
