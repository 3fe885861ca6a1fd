package frame

import (
	"context"
	"errors"
	"math"

	"warmanvil/core/linear"
	"warmanvil/core/working"
)

// system is the free part of the equations, factorised: a block for each node.
type system struct {
	row     []int // of each degree of freedom, −1 when held
	dof     []int // of each row
	pattern *linear.Pattern
	matrix  *linear.Matrix
	diag    []float64
	factor  *linear.Factor
}

// assemble gathers the stiffness of members and springs of n nodes.
func assemble(beams []beam, held []bool, springs []float64, n int) *system {
	s := &system{row: make([]int, 6*n)}
	size := make([]int, n)
	for k := range s.row {
		if held[k] {
			s.row[k] = -1
			continue
		}
		s.row[k] = len(s.dof)
		s.dof = append(s.dof, k)
		size[k/6]++
	}
	pairs := make([][2]int, len(beams))
	for k, b := range beams {
		pairs[k] = [2]int{b.i, b.j}
	}
	s.pattern = linear.NewPattern(size, pairs)
	s.matrix = s.pattern.Empty()
	for k := range beams {
		g := beams[k].times(&beams[k].stiff)
		s.add(s.matrix, &beams[k], &g)
	}
	s.diag = make([]float64, len(s.dof))
	for r, k := range s.dof {
		at := s.own(s.matrix, r)
		*at += springs[k]
		s.diag[r] = *at
	}
	return s
}

// own is the coefficient of a row with itself.
func (s *system) own(m *linear.Matrix, row int) *float64 {
	node := s.dof[row] / 6
	return m.Diagonal(node, row-s.pattern.First(node))
}

// add puts a member's matrix at its nodes.
func (s *system) add(to *linear.Matrix, b *beam, g *[12][12]float64) {
	s.put(to.Block(b.i, b.i), b.i, b.i, g, 0, 0)
	s.put(to.Block(b.j, b.j), b.j, b.j, g, 6, 6)
	switch between := to.Block(b.i, b.j); {
	case b.i == b.j:
		s.put(between, b.i, b.i, g, 0, 6)
		s.put(between, b.i, b.i, g, 6, 0)
	case b.i < b.j:
		s.put(between, b.j, b.i, g, 6, 0)
	default:
		s.put(between, b.i, b.j, g, 0, 6)
	}
}

// put adds the part of g from row ri and column ci on to a block between two nodes.
func (s *system) put(to []float64, rows, cols int, g *[12][12]float64, ri, ci int) {
	at := 0
	for r := range 6 {
		if s.row[6*rows+r] < 0 {
			continue
		}
		for c := range 6 {
			if s.row[6*cols+c] >= 0 {
				to[at] += g[ri+r][ci+c]
				at++
			}
		}
	}
}

// stiff factorises a matrix; linear.ErrIndefinite where it does not resist every way of
// moving, or hardly.
func (s *system) stiff(ctx context.Context, m *linear.Matrix) (*linear.Factor, error) {
	f, err := m.Factorise(ctx)
	for r := 0; err == nil && r < len(s.diag); r++ {
		node := s.dof[r] / 6
		pivot := f.Pivot(node, r-s.pattern.First(node))
		if pivot*pivot < 1e-10*s.diag[r] {
			err = linear.ErrIndefinite
		}
	}
	return f, err
}

// factorise prepares the equations, or names what is loose.
func (s *system) factorise(ctx context.Context, names []string) error {
	if len(s.dof) == 0 {
		return nil
	}
	if err := affordable(s.pattern.Cost()); err != nil {
		return err
	}
	f, err := s.stiff(ctx, s.matrix)
	if errors.Is(err, linear.ErrIndefinite) {
		return s.loose(ctx, names)
	}
	s.factor = f
	return err
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
	s.factor.Solve(x)
	for r, k := range s.dof {
		u[k] = x[r]
	}
	return u
}

// loose finds the way a frame that cannot stand would give: a little stiffness
// everywhere lets it be solved, and what then moves most is loose.
func (s *system) loose(ctx context.Context, names []string) error {
	held := s.matrix.Clone()
	for r, d := range s.diag {
		*s.own(held, r) += 1e-9*d + 1e-12
	}
	worst, most := 0, 0.0
	if f, err := held.Factorise(ctx); err == nil {
		x := make([]float64, len(s.dof))
		for r, d := range s.diag {
			x[r] = math.Sqrt(d) * (1 + .37*math.Sin(float64(7*r+1)))
		}
		f.Solve(x)
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
