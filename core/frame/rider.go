package frame

import (
	"cmp"
	"slices"

	"warmanvil/core/working"
)

// rider is a mass by rows of the equations.
type rider struct {
	mass float64 // t
	ways [3][]entry
}

// entry is one number of a row, in the order of the rows so that sums come out alike.
type entry struct {
	row int
	v   float64
}

type riders []rider

// riding turns the riders into rows.
func (m *Model) riding() (out riders, err error) {
	for i, r := range m.in.Riders {
		if err := working.Within("/riders", "The mass carried", r.Mass, 0, 1e7, "kg"); err != nil {
			return nil, err
		}
		q := rider{mass: r.Mass * 1e-3}
		for d := range 3 {
			for name, v := range r.Moves[d] {
				k, ok := m.index[name]
				if !ok {
					return nil, working.Refuse("/riders", "There is no node %q for mass %d to ride on.", name, i)
				}
				for c := range 6 {
					if row := m.system.row[6*k+c]; row >= 0 && v[c] != 0 {
						q.ways[d] = append(q.ways[d], entry{row, v[c]})
					}
				}
			}
			slices.SortFunc(q.ways[d], func(a, b entry) int { return cmp.Compare(a.row, b.row) })
		}
		out = append(out, q)
	}
	return out, nil
}

func (r riders) touches(row int) bool {
	for _, q := range r {
		for d := range 3 {
			if q.mass > 0 && slices.ContainsFunc(q.ways[d], func(e entry) bool { return e.row == row }) {
				return true
			}
		}
	}
	return false
}

// add adds what the riders make of x to out: Σ m·t·(tᵀ·x).
func (r riders) add(x, out []float64) {
	for _, q := range r {
		for d := range 3 {
			sum := 0.
			for _, e := range q.ways[d] {
				sum += e.v * x[e.row]
			}
			for _, e := range q.ways[d] {
				out[e.row] += q.mass * sum * e.v
			}
		}
	}
}
