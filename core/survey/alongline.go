package survey

import (
	"math"
	"slices"

	"warmanvil/core/solid"
)

// AlongLine is how an edge runs along a line of the body, as seen from its side.
type AlongLine struct {
	Gap  [2]float64 // mm between them square to the line, least and most; positive where the edge lies above
	Step [2]float64 // mm the edge stands nearer to who looks, least and most
	Over float64    // share of the edge that runs where the line does
}

// Edge answers how a straight edge from p to q runs along the line: toward is 1 where who looks stands at
// greater coordinates of the axis looked along, else −1. Between the line's points and the edge's ends
// both change evenly, so that the extremes lie there. false where they nowhere run side by side.
func (l BodyLine) Edge(p, q solid.Vector, toward float64) (out AlongLine, ok bool) {
	if q[l.Along] < p[l.Along] {
		p, q = q, p
	}
	long := q[l.Along] - p[l.Along]
	pts := l.sorted()
	from, to := math.Max(p[l.Along], pts[0][l.Along]), math.Min(q[l.Along], pts[len(pts)-1][l.Along])
	if long < 1e-6 || to-from < 1e-6 {
		return out, false
	}
	out = AlongLine{Gap: [2]float64{math.Inf(1), math.Inf(-1)}, Step: [2]float64{math.Inf(1), math.Inf(-1)}, Over: (to - from) / long}
	depth := 3 - l.Along - l.Across
	at := []float64{from, to}
	for _, v := range pts {
		if v[l.Along] > from && v[l.Along] < to {
			at = append(at, v[l.Along])
		}
	}
	slices.Sort(at)
	for i := 1; i < len(at); i++ { // piece by piece: the line's slope changes at its points
		k := 1
		for k < len(pts)-1 && pts[k][l.Along] < (at[i-1]+at[i])/2 {
			k++
		}
		a, b := pts[k-1], pts[k]
		slope := (b[l.Across] - a[l.Across]) / (b[l.Along] - a[l.Along])
		for _, s := range at[i-1 : i+1] {
			e := p.Add(q.Sub(p).Mul((s - p[l.Along]) / long))
			o := a.Add(b.Sub(a).Mul((s - a[l.Along]) / (b[l.Along] - a[l.Along])))
			gap, step := (e[l.Across]-o[l.Across])/math.Hypot(1, slope), (e[depth]-o[depth])*toward
			out.Gap = [2]float64{math.Min(out.Gap[0], gap), math.Max(out.Gap[1], gap)}
			out.Step = [2]float64{math.Min(out.Step[0], step), math.Max(out.Step[1], step)}
		}
	}
	return out, true
}
