package frame

import (
	"math"
	"slices"

	"gonum.org/v1/gonum/blas"
	"gonum.org/v1/gonum/blas/blas64"
	"gonum.org/v1/gonum/lapack/lapack64"

	"warmanvil/core/working"
)

// order numbers the nodes so that members join near numbers (reverse
// Cuthill–McKee), for a narrow band.
func order(beams []beam, n int) []int {
	near := make([][]int, n)
	for _, b := range beams {
		near[b.i], near[b.j] = append(near[b.i], b.j), append(near[b.j], b.i)
	}
	place := make([]int, n)
	for i := range place {
		place[i] = -1
	}
	var list []int
	for len(list) < n {
		start := -1
		for i := range n {
			if place[i] < 0 && (start < 0 || len(near[i]) < len(near[start])) {
				start = i
			}
		}
		place[start] = 0
		list = append(list, start)
		for at := len(list) - 1; at < len(list); at++ {
			next := slices.Clone(near[list[at]])
			slices.SortFunc(next, func(a, b int) int {
				if d := len(near[a]) - len(near[b]); d != 0 {
					return d
				}
				return a - b
			})
			for _, k := range next {
				if place[k] < 0 {
					place[k] = 0
					list = append(list, k)
				}
			}
		}
	}
	slices.Reverse(list)
	for i, k := range list {
		place[k] = i
	}
	return place
}

// system is the free part of the equations in band form, factorised.
type system struct {
	row  []int // of each degree of freedom, −1 when held
	dof  []int // of each row
	band blas64.SymmetricBand
	diag []float64
	tri  blas64.TriangularBand
}

// assemble gathers the stiffness of members and springs. place numbers the
// nodes.
func assemble(beams []beam, held []bool, springs []float64, place []int) *system {
	n := len(place)
	s := &system{row: make([]int, 6*n)}
	at := make([]int, n)
	for i, p := range place {
		at[p] = i
	}
	for i := range s.row {
		s.row[i] = -1
	}
	for _, node := range at {
		for d := range 6 {
			if k := 6*node + d; !held[k] {
				s.row[k] = len(s.dof)
				s.dof = append(s.dof, k)
			}
		}
	}
	s.band = s.empty(beams)
	for k := range beams {
		g := beams[k].times(&beams[k].stiff)
		s.add(s.band, &beams[k], &g)
	}
	for r, k := range s.dof {
		s.band.Data[r*s.band.Stride] += springs[k]
	}
	s.diag = make([]float64, len(s.dof))
	for r := range s.diag {
		s.diag[r] = s.band.Data[r*s.band.Stride]
	}
	return s
}

// empty is a band matrix as wide as the members need.
func (s *system) empty(beams []beam) blas64.SymmetricBand {
	width := 0
	for k := range beams {
		lo, hi := math.MaxInt, -1
		for d := range 12 {
			if r := s.row[beams[k].dof(d)]; r >= 0 {
				lo, hi = min(lo, r), max(hi, r)
			}
		}
		width = max(width, hi-lo)
	}
	return blas64.SymmetricBand{Uplo: blas.Upper, N: len(s.dof), K: width, Stride: width + 1, Data: make([]float64, len(s.dof)*(width+1))}
}

// add puts a member's matrix at its nodes.
func (s *system) add(to blas64.SymmetricBand, b *beam, g *[12][12]float64) {
	for i := range 12 {
		ri := s.row[b.dof(i)]
		if ri < 0 {
			continue
		}
		for j := range 12 {
			if rj := s.row[b.dof(j)]; rj >= ri {
				to.Data[ri*to.Stride+rj-ri] += g[i][j]
			}
		}
	}
}

// factorise prepares the equations, or names what is loose.
func (s *system) factorise(names []string) error {
	if len(s.dof) == 0 {
		return nil
	}
	whole := slices.Clone(s.band.Data)
	t, ok := lapack64.Pbtrf(s.band)
	if ok {
		for r, d := range s.diag {
			pivot := t.Data[r*t.Stride]
			if pivot*pivot < 1e-10*d {
				ok = false
			}
		}
	}
	if !ok {
		return s.loose(names, whole)
	}
	s.tri, s.band.Data = t, whole
	return nil
}

// solve answers the displacements of all degrees of freedom under loads on them.
func (s *system) solve(loads []float64) []float64 {
	u := make([]float64, len(s.row))
	if len(s.dof) == 0 {
		return u
	}
	x := make([]float64, len(s.dof))
	for r, k := range s.dof {
		x[r] = loads[k]
	}
	lapack64.Pbtrs(s.tri, blas64.General{Rows: len(x), Cols: 1, Stride: 1, Data: x})
	for r, k := range s.dof {
		u[k] = x[r]
	}
	return u
}

// loose finds the way a frame that cannot stand would give: a little stiffness
// everywhere lets it be solved, and what then moves most is loose.
func (s *system) loose(names []string, whole []float64) error {
	copy(s.band.Data, whole)
	for r, d := range s.diag {
		s.band.Data[r*s.band.Stride] += 1e-9*d + 1e-12
	}
	t, ok := lapack64.Pbtrf(s.band)
	worst, most := 0, 0.0
	if ok {
		x := make([]float64, len(s.dof))
		for r, d := range s.diag {
			x[r] = math.Sqrt(d) * (1 + .37*math.Sin(float64(7*r+1)))
		}
		lapack64.Pbtrs(t, blas64.General{Rows: len(x), Cols: 1, Stride: 1, Data: x})
		for r, v := range x {
			if v = math.Abs(v) * math.Sqrt(s.diag[r]); v > most {
				worst, most = r, v
			}
		}
	}
	k := s.dof[worst]
	return working.Refuse("/supports", "The frame is loose: node %q moves freely %s. Support it there, or brace it.",
		names[k/6], directions[k%6])
}
