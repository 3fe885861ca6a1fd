package linear

import (
	"context"
	"errors"

	"gonum.org/v1/gonum/blas"
	"gonum.org/v1/gonum/blas/blas64"
	"gonum.org/v1/gonum/lapack/lapack64"
)

// Factor is a Cholesky factorisation, L·Lᵀ.
type Factor struct {
	p      *Pattern
	panels [][]float64 // of each front its own columns, row by row: own rows, then the rest
}

// ErrIndefinite is answered for a matrix that is not positive definite.
var ErrIndefinite = errors.New("the matrix is not positive definite")

// Factorise answers the factorisation of a matrix, whose pattern's cost is to be looked
// at first. It fails with ErrIndefinite, or with the context's error when that ends.
func (m *Matrix) Factorise(ctx context.Context) (*Factor, error) {
	p := m.p
	f := &Factor{p: p, panels: make([][]float64, len(p.fronts))}
	left := make([][]float64, len(p.fronts)) // what each front leaves for the one above
	w := &working{p: p, at: make([]int, len(p.order))}
	total := 0
	for _, x := range p.fronts {
		total += (x.own + x.rest) * x.own
	}
	store := make([]float64, total)
	for i := range p.fronts {
		if err := ctx.Err(); err != nil {
			return nil, err
		}
		x := &p.fronts[i]
		n := (x.own + x.rest) * x.own
		f.panels[i], store = store[:n:n], store[n:]
		rest := w.take(x.rest * x.rest)
		w.open(x)
		w.fill(m, x, f.panels[i])
		for _, k := range x.kids {
			w.add(&p.fronts[k], left[k], x, f.panels[i], rest)
			w.give(left[k])
			left[k] = nil
		}
		if !eliminate(x, f.panels[i], rest) {
			return nil, ErrIndefinite
		}
		left[i] = rest
	}
	return f, nil
}

// working is the room in which fronts are put together.
type working struct {
	p    *Pattern
	at   []int // of each place: where it begins in the front in hand
	free [][]float64
}

// take answers room for n numbers, all noughts.
func (w *working) take(n int) []float64 {
	for i := len(w.free) - 1; i >= 0; i-- {
		if cap(w.free[i]) >= n {
			out := w.free[i][:n]
			w.free = append(w.free[:i], w.free[i+1:]...)
			clear(out)
			return out
		}
	}
	return make([]float64, n)
}

func (w *working) give(v []float64) {
	if len(w.free) < 16 {
		w.free = append(w.free, v)
	}
}

// open numbers the unknowns of a front.
func (w *working) open(x *front) {
	n := 0
	for k := x.first; k < x.last; k++ {
		w.at[k] = n
		n += w.p.from[k+1] - w.p.from[k]
	}
	for _, k := range x.rows {
		w.at[k] = n
		n += w.p.from[k+1] - w.p.from[k]
	}
}

// fill puts the matrix's own coefficients of a front's columns in place.
func (w *working) fill(m *Matrix, x *front, panel []float64) {
	p := w.p
	for k := x.first; k < x.last; k++ {
		b := p.order[k]
		n, col := p.size[b], w.at[k]
		own := m.values[p.diag[b]:]
		for r := range n {
			copy(panel[(col+r)*x.own+col:], own[r*n:r*n+r+1])
		}
	}
	for k := x.first; k < x.last; k++ {
		n := p.from[k+1] - p.from[k]
		for _, e := range p.entries[k] {
			v := m.values[e.value:]
			h := p.from[e.row+1] - p.from[e.row]
			for r := range h {
				to := panel[(w.at[e.row]+r)*x.own+w.at[k]:]
				if !e.turned {
					copy(to[:n], v[r*n:])
					continue
				}
				for c := range n {
					to[c] = v[c*h+r]
				}
			}
		}
	}
}

// add puts what a front below left, in its rows' order, into the front in hand.
func (w *working) add(kid *front, left []float64, x *front, panel, rest []float64) {
	p := w.p
	ri := 0
	for a, i := range kid.rows {
		hi := p.from[i+1] - p.from[i]
		cj := 0
		for b, j := range kid.rows[:a+1] {
			wj := p.from[j+1] - p.from[j]
			if b == a {
				wj = hi
			}
			for r := range hi {
				n := wj
				if b == a {
					n = r + 1
				}
				from := left[(ri+r)*kid.rest+cj:]
				row, col := w.at[i]+r, w.at[j]
				var to []float64
				if col < x.own {
					to = panel[row*x.own+col:]
				} else {
					to = rest[(row-x.own)*x.rest+col-x.own:]
				}
				for c, v := range from[:n] {
					to[c] += v
				}
			}
			cj += wj
		}
		ri += hi
	}
}

const tile = 96

// eliminate factorises a front's own columns and takes them out of the rest; false
// where they are not positive definite.
func eliminate(x *front, panel, rest []float64) bool {
	if x.own == 0 {
		return true
	}
	own := blas64.Symmetric{Uplo: blas.Lower, N: x.own, Stride: x.own, Data: panel}
	l, ok := lapack64.Potrf(own)
	if !ok {
		return false
	}
	if x.rest == 0 {
		return true
	}
	low := blas64.General{Rows: x.rest, Cols: x.own, Stride: x.own, Data: panel[x.own*x.own:]}
	blas64.Trsm(blas.Right, blas.Trans, 1, l, low)
	part := func(at, n int) blas64.General {
		return blas64.General{Rows: n, Cols: x.own, Stride: x.own, Data: low.Data[at*x.own:]}
	}
	for i := 0; i < x.rest; i += tile {
		h := min(tile, x.rest-i)
		if i > 0 {
			blas64.Gemm(blas.NoTrans, blas.Trans, -1, part(i, h), part(0, i), 1,
				blas64.General{Rows: h, Cols: i, Stride: x.rest, Data: rest[i*x.rest:]})
		}
		blas64.Syrk(blas.NoTrans, -1, part(i, h), 1, blas64.Symmetric{Uplo: blas.Lower, N: h, Stride: x.rest, Data: rest[i*x.rest+i:]})
	}
	return true
}

// Pivot is the coefficient of L on the diagonal of an unknown: its square is what
// was left of the matrix's own when its turn came.
func (f *Factor) Pivot(block, unknown int) float64 {
	p := f.p
	i := p.frontOf[p.place[block]]
	x := &p.fronts[i]
	k := p.from[p.place[block]] - p.from[x.first] + unknown
	return f.panels[i][k*x.own+k]
}

// Solve turns the right side into the answer, in place.
func (f *Factor) Solve(b []float64) {
	p := f.p
	y := make([]float64, len(b))
	for k, i := range p.order {
		copy(y[p.from[k]:p.from[k+1]], b[p.start[i]:])
	}
	rest := make([]float64, p.widest)
	for i := range p.fronts {
		x := &p.fronts[i]
		if x.own == 0 {
			continue
		}
		own, low := f.parts(i, y)
		blas64.Trsv(blas.NoTrans, low.tri, own)
		if x.rest > 0 {
			r := blas64.Vector{N: x.rest, Inc: 1, Data: rest[:x.rest]}
			blas64.Gemv(blas.NoTrans, 1, low.below, own, 0, r)
			p.each(x, func(at, n, from int) {
				for c := range n {
					y[from+c] -= rest[at+c]
				}
			})
		}
	}
	for i := len(p.fronts) - 1; i >= 0; i-- {
		x := &p.fronts[i]
		if x.own == 0 {
			continue
		}
		own, low := f.parts(i, y)
		if x.rest > 0 {
			p.each(x, func(at, n, from int) { copy(rest[at:at+n], y[from:]) })
			blas64.Gemv(blas.Trans, -1, low.below, blas64.Vector{N: x.rest, Inc: 1, Data: rest[:x.rest]}, 1, own)
		}
		blas64.Trsv(blas.Trans, low.tri, own)
	}
	for k, i := range p.order {
		copy(b[p.start[i]:p.start[i+1]], y[p.from[k]:])
	}
}

// SolveAll turns several right sides, a column each, into their answers, in place: far
// quicker than one after the other. b has a row for each unknown.
func (f *Factor) SolveAll(b blas64.General) {
	p := f.p
	y := blas64.General{Rows: b.Rows, Cols: b.Cols, Stride: b.Cols, Data: make([]float64, b.Rows*b.Cols)}
	rows := func(m blas64.General, at, n int) blas64.General {
		return blas64.General{Rows: n, Cols: m.Cols, Stride: m.Stride, Data: m.Data[at*m.Stride:]}
	}
	carry := func(to blas64.General, at int, from blas64.General, first, n int) {
		for r := range n {
			copy(to.Data[(at+r)*to.Stride:(at+r)*to.Stride+to.Cols], from.Data[(first+r)*from.Stride:])
		}
	}
	for k, i := range p.order {
		carry(y, p.from[k], b, p.start[i], p.size[i])
	}
	room := make([]float64, p.widest*b.Cols)
	for i := range p.fronts {
		x := &p.fronts[i]
		if x.own == 0 {
			continue
		}
		own, low := rows(y, p.from[x.first], x.own), f.block(i)
		blas64.Trsm(blas.Left, blas.NoTrans, 1, low.tri, own)
		if x.rest == 0 {
			continue
		}
		rest := blas64.General{Rows: x.rest, Cols: b.Cols, Stride: b.Cols, Data: room}
		blas64.Gemm(blas.NoTrans, blas.NoTrans, 1, low.below, own, 0, rest)
		p.each(x, func(at, n, from int) {
			for j, v := range rest.Data[at*b.Cols : (at+n)*b.Cols] {
				y.Data[from*b.Cols+j] -= v
			}
		})
	}
	for i := len(p.fronts) - 1; i >= 0; i-- {
		x := &p.fronts[i]
		if x.own == 0 {
			continue
		}
		own, low := rows(y, p.from[x.first], x.own), f.block(i)
		if x.rest > 0 {
			rest := blas64.General{Rows: x.rest, Cols: b.Cols, Stride: b.Cols, Data: room}
			p.each(x, func(at, n, from int) { carry(rest, at, y, from, n) })
			blas64.Gemm(blas.Trans, blas.NoTrans, -1, low.below, rest, 1, own)
		}
		blas64.Trsm(blas.Left, blas.Trans, 1, low.tri, own)
	}
	for k, i := range p.order {
		carry(b, p.start[i], y, p.from[k], p.size[i])
	}
}

// each calls see with every block of a front's rows: where it begins among the rows,
// how many unknowns it has, and the first of them in the order.
func (p *Pattern) each(x *front, see func(at, n, from int)) {
	at := 0
	for _, k := range x.rows {
		n := p.from[k+1] - p.from[k]
		see(at, n, p.from[k])
		at += n
	}
}

type low struct {
	tri   blas64.Triangular
	below blas64.General
}

func (f *Factor) parts(i int, y []float64) (blas64.Vector, low) {
	x := &f.p.fronts[i]
	own := f.p.from[x.first]
	return blas64.Vector{N: x.own, Inc: 1, Data: y[own : own+x.own]}, f.block(i)
}

func (f *Factor) block(i int) low {
	x := &f.p.fronts[i]
	return low{blas64.Triangular{Uplo: blas.Lower, Diag: blas.NonUnit, N: x.own, Stride: x.own, Data: f.panels[i]},
		blas64.General{Rows: x.rest, Cols: x.own, Stride: x.own, Data: f.panels[i][x.own*x.own:]}}
}
