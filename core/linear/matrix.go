package linear

import "slices"

// Matrix is a symmetric matrix of a pattern.
type Matrix struct {
	p      *Pattern
	values []float64
}

// Empty answers a matrix of noughts.
func (p *Pattern) Empty() *Matrix { return &Matrix{p, make([]float64, p.many)} }

// Clone answers a matrix of its own with the same values.
func (m *Matrix) Clone() *Matrix { return &Matrix{m.p, slices.Clone(m.values)} }

// Block answers the coefficients between two blocks, row by row, to be filled: rows
// are the unknowns of the later block, columns of the earlier. A block's own square
// is filled whole. It is nil where the pattern has none.
func (m *Matrix) Block(i, j int) []float64 {
	p := m.p
	if i > j {
		i, j = j, i
	}
	if i == j {
		return m.values[p.diag[i] : p.diag[i]+p.size[i]*p.size[i]]
	}
	k, ok := slices.BinarySearch(p.below[i], j)
	if !ok {
		return nil
	}
	return m.values[p.at[i][k] : p.at[i][k]+p.size[i]*p.size[j]]
}

// Diagonal answers the coefficient of an unknown with itself, by reference.
func (m *Matrix) Diagonal(block, unknown int) *float64 {
	return &m.values[m.p.diag[block]+unknown*m.p.size[block]+unknown]
}

// Mul sets out to the matrix times x.
func (m *Matrix) Mul(x, out []float64) {
	p := m.p
	clear(out)
	for i, w := range p.size {
		xi, oi := x[p.start[i]:p.start[i]+w], out[p.start[i]:p.start[i]+w]
		own := m.values[p.diag[i]:]
		for r := range w {
			sum := 0.
			for c, v := range xi {
				sum += own[r*w+c] * v
			}
			oi[r] += sum
		}
		for k, j := range p.below[i] {
			v := m.values[p.at[i][k]:]
			xj, oj := x[p.start[j]:p.start[j+1]], out[p.start[j]:p.start[j+1]]
			for r := range oj {
				row := v[r*w : r*w+w]
				sum := 0.
				for c, a := range row {
					sum += a * xi[c]
					oi[c] += a * xj[r]
				}
				oj[r] += sum
			}
		}
	}
}
