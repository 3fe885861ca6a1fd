package held

import (
	"gonum.org/v1/gonum/mat"

	"warmanvil/core/solid"
)

// spread shares a force at a place among points as a stiff body on springs does:
// by their stiffness (alike where weights is nil), and what its moment needs. What
// points in a row, or one alone, cannot resist so, they take as a moment each.
func spread(points []solid.Vector, weights []float64, at, force solid.Vector) (forces []solid.Vector, moment solid.Vector) {
	k := func(i int) float64 {
		if weights == nil {
			return 1
		}
		return weights[i]
	}
	var middle solid.Vector
	n := 0.
	for i := range points {
		n += k(i)
	}
	for i, p := range points {
		middle = middle.Add(p.Mul(k(i) / n))
	}
	moment = at.Sub(middle).Cross(force)
	var inertia [3][3]float64
	for i, p := range points {
		r := p.Sub(middle)
		for a := range 3 {
			inertia[a][a] += k(i) * r.Dot(r)
			for c := range 3 {
				inertia[a][c] -= k(i) * r[a] * r[c]
			}
		}
	}
	turn := leastTurn(inertia, moment)
	forces = make([]solid.Vector, len(points))
	for i, p := range points {
		f := turn.Cross(p.Sub(middle)).Mul(k(i))
		moment = moment.Sub(p.Sub(middle).Cross(f))
		forces[i] = force.Mul(k(i) / n).Add(f)
	}
	return forces, moment.Mul(1 / float64(len(points)))
}

// leastTurn solves inertia·turn = moment; what points in a row cannot resist is
// left out.
func leastTurn(inertia [3][3]float64, moment solid.Vector) (turn solid.Vector) {
	s := mat.NewSymDense(3, nil)
	for i := range 3 {
		for k := i; k < 3; k++ {
			s.SetSym(i, k, inertia[i][k])
		}
	}
	var e mat.EigenSym
	if !e.Factorize(s, true) {
		return turn
	}
	values := e.Values(nil)
	var v mat.Dense
	e.VectorsTo(&v)
	for k, value := range values {
		if value <= 1e-9*values[2] || value == 0 {
			continue
		}
		axis := solid.Vector{v.At(0, k), v.At(1, k), v.At(2, k)}
		turn = turn.Add(axis.Mul(axis.Dot(moment) / value))
	}
	return turn
}
