package frame

import (
	"math"

	"warmanvil/core/working"
)

func (in Input) answer(names []string, beams []beam, held []bool, loads, u []float64) Result {
	r := Result{Displacements: map[string][6]float64{}, Reactions: map[string][6]float64{}, Members: make([]Ends, len(beams))}
	force := make([]float64, len(u)) // what members ask of the nodes
	for k := range beams {
		b := &beams[k]
		var d [12]float64
		for i := range 12 {
			d[i] = u[b.dof(i)]
		}
		own, st := b.own(d), b.stiffness()
		var f [12]float64
		for i := range 12 {
			for j := range 12 {
				f[i] += st[i][j] * own[j]
			}
			f[i] -= b.load[i]
		}
		copy(r.Members[k].I[:], f[:6])
		copy(r.Members[k].J[:], f[6:])
		for i, v := range b.out(f) {
			force[b.dof(i)] += v
		}
		r.MaxDisplacement = math.Max(r.MaxDisplacement, b.largest(own))
	}
	for i, n := range names {
		var d, f [6]float64
		any := false
		for k := range 6 {
			d[k] = u[6*i+k]
			if held[6*i+k] {
				f[k] = force[6*i+k] - loads[6*i+k]
				any = true
			}
		}
		r.Displacements[n] = d
		if any {
			r.Reactions[n] = f
		}
	}
	r.Working = working.Working{Method: "Space frame by direct stiffness", Source: "Euler–Bernoulli members of 12 degrees of freedom; banded Cholesky after reverse Cuthill–McKee", Formula: "K·u = f",
		Inputs:      []working.Quantity{{Symbol: "n", Name: "nodes", Value: float64(len(names))}, {Symbol: "m", Name: "members", Value: float64(len(beams))}},
		Assumptions: []string{"small displacements, straight members, stiff joints, no shear deformation, no buckling: that is checked beside it"}, Result: working.Quantity{Symbol: "u", Name: "largest displacement", Value: r.MaxDisplacement, Unit: "mm"}}
	return r
}

// largest answers the largest displacement along a member whose ends move by d
// (own axes).
func (b *beam) largest(d [12]float64) (most float64) {
	l := b.length
	at := func(t float64) float64 {
		h1, h2, h3, h4 := 1-3*t*t+2*t*t*t, l*(t-2*t*t+t*t*t), 3*t*t-2*t*t*t, l*(t*t*t-t*t)
		p := l * l * l * l * t * t * (1 - t) * (1 - t) / 24 // of a built-in beam under 1 N/mm, times EI
		x := d[0]*(1-t) + d[6]*t + b.q[0]*l*l*t*(1-t)/(2*b.E*b.Area)
		y := h1*d[1] + h2*d[5] + h3*d[7] + h4*d[11] + b.q[1]*p/(b.E*b.Iz)
		z := h1*d[2] - h2*d[4] + h3*d[8] - h4*d[10] + b.q[2]*p/(b.E*b.Iy)
		return math.Sqrt(x*x + y*y + z*z)
	}
	const steps = 40
	best := 0
	for i := range steps + 1 {
		if v := at(float64(i) / steps); v > most {
			most, best = v, i
		}
	}
	lo, hi := float64(max(best-1, 0))/steps, float64(min(best+1, steps))/steps
	for range 40 { // the largest lies between its neighbours
		a, c := lo+(hi-lo)/3, hi-(hi-lo)/3
		if at(a) < at(c) {
			lo = a
		} else {
			hi = c
		}
	}
	return math.Max(most, at((lo+hi)/2))
}
