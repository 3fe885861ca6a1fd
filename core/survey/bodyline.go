package survey

import (
	"cmp"
	"math"
	"slices"

	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// BodyLine is a line of the vehicle, as seen from one side, that nothing may stand past where
// it is looked at from there.
type BodyLine struct {
	Across, Along int            // axes of the view: the line is a height along Across over Along
	Points        []solid.Vector // mm, two or more
	Below         bool           // things stay below it, at lesser coordinates; else above
	Off           float64        // mm they keep off it
}

// PastLine is how far one thing stands past a line.
type PastLine struct {
	Thing int     // number of the thing
	By    float64 // mm past the line less what it may; negative what is left
	At    solid.Vector
	Sigma float64
	Seen  bool // some of it lies where the line runs
}

// Check refuses a line that comes back on itself as seen from its side.
func (l BodyLine) Check(path string) error {
	if len(l.Points) < 2 {
		return working.Refuse(path+"/points", "A line of the body runs through two points at least.")
	}
	pts := l.sorted()
	for i := 1; i < len(pts); i++ {
		if pts[i][l.Along]-pts[i-1][l.Along] < 1e-6 {
			return working.Refuse(path+"/points", "Two points of the line lie one behind the other as seen from there: it has no height "+
				"between them.")
		}
	}
	return nil
}

func (l BodyLine) sorted() []solid.Vector {
	pts := slices.Clone(l.Points)
	slices.SortFunc(pts, func(a, b solid.Vector) int { return cmp.Compare(a[l.Along], b[l.Along]) })
	return pts
}

// height answers how high the line lies at a place along it.
func (l BodyLine) height(pts []solid.Vector, at float64) float64 {
	i := 1
	for i < len(pts)-1 && pts[i][l.Along] < at {
		i++
	}
	a, b := pts[i-1], pts[i]
	return a[l.Across] + (b[l.Across]-a[l.Across])*(at-a[l.Along])/(b[l.Along]-a[l.Along])
}

// Beside answers, of each thing, how far it stands past the line where that runs. Over a
// triangle the distance is largest at an end of one of its edges, or where an edge passes a
// point of the line.
func (l BodyLine) Beside(things []Thing) (out []PastLine) {
	pts := l.sorted()
	first, last := pts[0][l.Along], pts[len(pts)-1][l.Along]
	for n, t := range things {
		p := PastLine{Thing: n, By: math.Inf(-1), Sigma: t.Sigma}
		look := func(v solid.Vector) {
			if v[l.Along] < first-1e-9 || v[l.Along] > last+1e-9 {
				return
			}
			by := v[l.Across] - l.height(pts, v[l.Along])
			if !l.Below {
				by = -by
			}
			if by += l.Off; by > p.By {
				p.By, p.At, p.Seen = by, v, true
			}
		}
		for _, piece := range t.Body.Pieces {
			for _, tri := range piece {
				for k := range 3 {
					a, b := tri[k], tri[(k+1)%3]
					look(a)
					d := b[l.Along] - a[l.Along]
					for _, q := range pts {
						if s := (q[l.Along] - a[l.Along]) / d; d != 0 && s > 0 && s < 1 {
							v := a.Add(b.Sub(a).Mul(s))
							v[l.Along] = q[l.Along]
							look(v)
						}
					}
				}
			}
		}
		if p.Seen {
			p.By += t.Body.Deviation // its facets lie inside its true surface
		}
		out = append(out, p)
	}
	return out
}
