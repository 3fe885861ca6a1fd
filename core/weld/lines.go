package weld

import (
	"math"

	"gonum.org/v1/gonum/mat"

	"warmanvil/core/solid"
)

// Line is a straight run of weld, as heavy as its throat: of a group whose throats are one, 1.
type Line struct {
	A, B   solid.Vector
	Throat float64 // mm
}

// Len is its length.
func (l Line) Len() float64 { return l.B.Sub(l.A).Len() }

// Group is lines that carry a load together: rigid bodies joined by a skin that gives way evenly, so that what a
// millimetre takes grows with its distance from the middle, in its own principal axes.
type Group struct {
	Lines    []Line
	Length   float64 // mm
	Area     float64 // mm², length by throat
	Centroid solid.Vector
	Inertia  [3][3]float64 // mm⁴ of throat, of the lines as mass about the centroid: Σ throat·∫(r²·1 − r·rᵀ)
	values   [3]float64
	axes     [3]solid.Vector
}

// NewGroup works out lines. Those without length count for nothing; a group without any has no Area.
func NewGroup(lines []Line) Group {
	g := Group{Lines: lines}
	for _, l := range lines {
		w := l.Len() * l.Throat
		g.Length, g.Area = g.Length+l.Len(), g.Area+w
		g.Centroid = g.Centroid.Add(l.A.Add(l.B).Mul(w / 2))
	}
	if g.Area <= 0 {
		return g
	}
	g.Centroid = g.Centroid.Mul(1 / g.Area)
	for _, l := range lines {
		a, b, w := l.A.Sub(g.Centroid), l.B.Sub(g.Centroid), l.Len()*l.Throat
		var m [3][3]float64 // ∫ r·rᵀ along the line
		for i := range 3 {
			for j := range 3 {
				m[i][j] = w * (2*a[i]*a[j] + a[i]*b[j] + b[i]*a[j] + 2*b[i]*b[j]) / 6
			}
		}
		trace := m[0][0] + m[1][1] + m[2][2]
		for i := range 3 {
			for j := range 3 {
				g.Inertia[i][j] -= m[i][j]
			}
			g.Inertia[i][i] += trace
		}
	}
	g.principal()
	return g
}

// principal finds the axes about which the group turns without wanting to turn another way too.
func (g *Group) principal() {
	sym := mat.NewSymDense(3, nil)
	for i := range 3 {
		for j := i; j < 3; j++ {
			sym.SetSym(i, j, g.Inertia[i][j])
		}
	}
	var e mat.EigenSym
	if !e.Factorize(sym, true) {
		g.axes, g.values = [3]solid.Vector{{1}, {0, 1}, {0, 0, 1}}, [3]float64{g.Inertia[0][0], g.Inertia[1][1], g.Inertia[2][2]}
		return
	}
	var v mat.Dense
	e.VectorsTo(&v)
	for k, x := range e.Values(nil) {
		g.values[k], g.axes[k] = x, solid.Vector{v.At(0, k), v.At(1, k), v.At(2, k)}
	}
}

// straight is the share of the largest inertia under which an axis has none: the lines all lie on it.
const straight = 1e-9

// Load is a force through a point, and a moment beside it.
type Load struct {
	Force  solid.Vector // N
	At     solid.Vector // mm
	Moment solid.Vector // N·mm
}

// Flow is what a group is asked: a even part and one that grows with the distance from the middle.
type Flow struct {
	even, turn solid.Vector
	centre     solid.Vector
}

// At answers the stress at a place of the group, MPa; N/mm of a group of throat 1.
func (f Flow) At(p solid.Vector) solid.Vector { return f.even.Add(f.turn.Cross(p.Sub(f.centre))) }

// Asked answers how a load flows through the group. loose is the part of its moment, N·mm, about the line on
// which all of the group lies: no seam that is one line holds that.
func (g Group) Asked(l Load) (f Flow, loose solid.Vector) {
	f.centre = g.Centroid
	if g.Area <= 0 {
		return f, l.Moment
	}
	f.even = l.Force.Mul(1 / g.Area)
	moment := l.Moment.Add(l.At.Sub(g.Centroid).Cross(l.Force))
	most := math.Max(g.values[0], math.Max(g.values[1], g.values[2]))
	for k, axis := range g.axes {
		m := moment.Dot(axis)
		if g.values[k] <= straight*most || most == 0 {
			loose = loose.Add(axis.Mul(m))
			continue
		}
		f.turn = f.turn.Add(axis.Mul(m / g.values[k]))
	}
	return f, loose
}

// Peak answers the line and the end of it at which a flow is greatest, and how great. What a line takes grows
// evenly along it, so that it is greatest at an end.
func (g Group) Peak(f Flow) (line, end int, stress float64) {
	for i, l := range g.Lines {
		if l.Len() == 0 {
			continue
		}
		for k, p := range [2]solid.Vector{l.A, l.B} {
			if s := f.At(p).Len(); s > stress*(1+1e-12) {
				line, end, stress = i, k, s
			}
		}
	}
	return line, end, stress
}

// Middle is where a group lies, and the arm by which it is as stiff in turning as in moving, mm.
func (g Group) Middle() (at solid.Vector, reach float64) {
	if g.Area <= 0 {
		return at, 0
	}
	return g.Centroid, math.Sqrt((g.values[0] + g.values[1] + g.values[2]) / 2 / g.Area)
}
