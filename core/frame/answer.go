package frame

import (
	"slices"

	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// Answer is a frame under one load case, with what is needed to look along its
// members.
type Answer struct {
	Result
	model *Model
	acts  []acting
	own   [][12]float64
}

func sorted(v []float64) []float64 { slices.Sort(v); return v }

// Case answers the frame under one load case.
func (m *Model) Case(c Loading) (*Answer, error) {
	loads, err := m.loads(c)
	if err != nil {
		return &Answer{}, err
	}
	a := &Answer{model: m, acts: make([]acting, len(m.beams)), own: make([][12]float64, len(m.beams))}
	right := slices.Clone(loads)
	for k := range m.beams {
		if k >= len(c.Members) {
			continue
		}
		b := &m.beams[k]
		if a.acts[k], err = b.acts(k, c.Members[k]); err != nil {
			return &Answer{}, err
		}
		for i, v := range b.out(a.acts[k].load) {
			right[b.dof(i)] += v
		}
	}
	a.answer(loads, m.system.solve(right), c.Coarse)
	return a, nil
}

func (a *Answer) answer(loads, u []float64, coarse bool) {
	m := a.model
	a.Result = Result{Displacements: make(map[string][6]float64, len(m.names)), Reactions: map[string][6]float64{},
		Members: make([]Ends, len(m.beams))}
	force := make([]float64, len(u)) // what members ask of the nodes
	for k := range m.beams {
		b, w := &m.beams[k], a.acts[k]
		var d [12]float64
		for i := range 12 {
			d[i] = u[b.dof(i)]
		}
		own := b.own(d)
		for i, v := range b.yield(w.load) {
			own[i] += v
		}
		a.own[k] = own
		var f [12]float64
		for i := range 12 {
			for j := range 12 {
				f[i] += b.stiff[i][j] * own[j]
			}
			f[i] -= w.load[i]
		}
		for _, r := range b.freed {
			f[r] = 0
		}
		copy(a.Members[k].I[:], f[:6])
		copy(a.Members[k].J[:], f[6:])
		for i, v := range b.out(f) {
			force[b.dof(i)] += v
		}
		// What the freed ends let go is not passed on; out leaves it out, as their
		// forces are naught.
		a.MaxDisplacement = max(a.MaxDisplacement, solid.Vector(own[:3]).Len(), solid.Vector(own[6:9]).Len())
	}
	for k := range m.beams { // only where a member may move further than an end does
		if b := &m.beams[k]; b.within(a.acts[k], &a.own[k]) > a.MaxDisplacement {
			a.MaxDisplacement = max(a.MaxDisplacement, b.largest(a.acts[k], a.own[k], coarse))
		}
	}
	for i, n := range m.names {
		var d, f [6]float64
		any := false
		for k := range 6 {
			d[k] = u[6*i+k]
			if s := m.springs[6*i+k]; m.held[6*i+k] {
				f[k] = force[6*i+k] - loads[6*i+k]
				any = true
			} else if s > 0 {
				f[k] = -s * d[k]
				any = true
			}
		}
		a.Displacements[n] = d
		if any {
			a.Reactions[n] = f
		}
	}
	a.Working = working.Working{Method: "Space frame by direct stiffness",
		Source:  "Euler–Bernoulli members of 12 degrees of freedom; sparse Cholesky by fronts after approximate minimum degree",
		Formula: "K·u = f",
		Inputs: []working.Quantity{{Symbol: "n", Name: "nodes", Value: float64(len(m.names))},
			{Symbol: "m", Name: "members", Value: float64(len(m.beams))}},
		Assumptions: []string{"small displacements, straight members, stiff joints but where an end is released, no shear deformation, no " +
			"buckling: that is checked beside it"},
		Result: working.Quantity{Symbol: "u", Name: "largest displacement", Value: a.MaxDisplacement, Unit: "mm"}}
}
