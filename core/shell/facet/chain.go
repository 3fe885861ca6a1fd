package facet

import (
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/solid"
)

// Closing is how the angles of the seams before it add up to the gap at the edge that is closed last.
type Closing struct {
	Edge   int       // into Built.Edges: the one that is closed
	Seams  []int     // the edges from one of its panels to the other, the shortest way round
	Levers []float64 // mm, how far the closing edge lies from each
	Worst  float64   // mm, all of them off the same way
	Likely float64   // mm, root of the squares
	First  int       // of Seams: the one to gauge first
}

// Closes answers what the gap at an edge may come to where every seam and bend before it is off by so
// many degrees; false where the edge is free, or nothing else joins its panels. An angle that is off
// by a little moves what lies beyond by that angle, rad, times its distance from the seam.
func (b *Built) Closes(edge int, off float64) (Closing, bool) {
	e := b.Edges[edge]
	c := Closing{Edge: edge}
	if len(e.Faces) < 2 {
		return c, false
	}
	// From one panel to the other over as few seams as can be, breadth first.
	over := map[int]int{e.Faces[0]: -1}
	row := []int{e.Faces[0]}
	for n := 0; n < len(row); n++ {
		for _, i := range b.Faces[row[n]].edges {
			if i == edge {
				continue
			}
			for _, f := range b.Edges[i].Faces {
				if _, seen := over[f]; !seen {
					over[f], row = i, append(row, f)
				}
			}
		}
	}
	at, reached := e.Faces[1], false
	if _, reached = over[at]; !reached {
		return c, false
	}
	for over[at] >= 0 {
		i := over[at]
		c.Seams = append(c.Seams, i)
		if at == b.Edges[i].Faces[0] {
			at = b.Edges[i].Faces[1]
		} else {
			at = b.Edges[i].Faces[0]
		}
	}
	sum := 0.
	for k, i := range c.Seams {
		lever := math.Max(b.fromLine(i, b.at(e.A)), b.fromLine(i, b.at(e.B)))
		c.Levers = append(c.Levers, lever)
		gap := lever * off * math.Pi / 180
		c.Worst, sum = c.Worst+gap, sum+gap*gap
		if lever > c.Levers[c.First] {
			c.First = k
		}
	}
	c.Likely = math.Sqrt(sum)
	return c, true
}

// fromLine answers how far a place lies from an edge's line, mm.
func (b *Built) fromLine(edge int, p solid.Vector) float64 {
	e := b.Edges[edge]
	u := b.at(e.B).Sub(b.at(e.A)).Unit()
	return u.Cross(p.Sub(b.at(e.A))).Len()
}

// Gauge answers the outline of a card that shows the angle between the faces of an edge, one leg along
// x, its tip cut off for the weld, mm; none where the edge is free. It is held on the hollow side.
func (b *Built) Gauge(edge int, leg, tip float64) []profile.Point {
	e := b.Edges[edge]
	if len(e.Faces) < 2 || e.Between() < 1 || e.Between() > 179 {
		return nil
	}
	sin, cos := math.Sincos(e.Between() * math.Pi / 180)
	return []profile.Point{{X: tip}, {X: leg}, {X: leg * cos, Y: leg * sin}, {X: tip * cos, Y: tip * sin}}
}
