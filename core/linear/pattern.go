// Package linear solves sparse symmetric positive definite equations whose unknowns
// come in small blocks, as the shifts and turns of the nodes of a frame do: an order
// that fills little, and a Cholesky factorisation front by front (multifrontal; Duff
// and Reid 1983) with dense kernels. Nothing of it is changed once it is made, but
// the matrix that is being filled.
package linear

import (
	"math"
	"slices"
)

// Pattern is where a matrix has coefficients, block by block, and how it is
// factorised. It is shared by all matrices of that pattern.
type Pattern struct {
	size  []int   // unknowns of each block
	start []int   // first unknown of each block, and at last how many there are
	below [][]int // of each block: blocks after it that it shares a coefficient with, ascending
	at    [][]int // where the values of each of them begin
	diag  []int   // where the values of each block's own square begin
	many  int     // values

	order   []int     // blocks as they are eliminated
	place   []int     // of each block in that order
	from    []int     // first unknown, in that order, of each place; at last how many
	entries [][]entry // by place of the earlier block
	fronts  []front
	frontOf []int // by place
	widest  int   // unknowns of the widest front
	beyond  bool  // it fills so much that nobody has that room: there are no fronts
}

// most is how many pairs of blocks a factor may fill before it is given up: of blocks of
// six, more than a gigabyte.
const most = 4_000_000

// front is a group of blocks that are eliminated together.
type front struct {
	first, last int   // places: first to last−1
	rows        []int // places after them that they hang on, ascending
	own, rest   int   // unknowns of both
	kids        []int // fronts whose remains go into this one
}

// entry is the coefficients between two blocks: of the later one's rows, or turned
// where the pair is stored the other way.
type entry struct {
	row    int // place of the later
	value  int // where they begin
	turned bool
}

// NewPattern answers the pattern of a matrix with blocks of the sizes given (0 for
// one that is held) and coefficients between the pairs, besides those within blocks.
func NewPattern(size []int, pairs [][2]int) *Pattern {
	n := len(size)
	p := &Pattern{size: slices.Clone(size), start: make([]int, n+1), below: make([][]int, n), at: make([][]int, n), diag: make([]int, n)}
	near := make([][]int, n)
	for i, s := range size {
		p.start[i+1] = p.start[i] + s
	}
	for _, x := range pairs {
		i, j := min(x[0], x[1]), max(x[0], x[1])
		if i != j && size[i] > 0 && size[j] > 0 {
			p.below[i] = append(p.below[i], j)
		}
	}
	for i := range n {
		slices.Sort(p.below[i])
		p.below[i] = slices.Compact(p.below[i])
		p.diag[i] = p.many
		p.many += size[i] * size[i]
		for _, j := range p.below[i] {
			p.at[i] = append(p.at[i], p.many)
			p.many += size[i] * size[j]
			near[i], near[j] = append(near[i], j), append(near[j], i)
		}
	}
	p.analyse(near)
	return p
}

// Unknowns is how many there are.
func (p *Pattern) Unknowns() int { return p.start[len(p.size)] }

// First is the first unknown of a block.
func (p *Pattern) First(block int) int { return p.start[block] }

// Cost is what a factorisation takes, known before it is begun.
type Cost struct {
	Coefficients float64 // of the factor; a solve multiplies with each of them twice
	Products     float64 // multiplications of the factorisation
	Room         float64 // numbers held at once beside the factor, at most
}

// Cost answers what factorising a matrix of this pattern takes; infinite where that is
// beyond all reason, and then it cannot be factorised.
func (p *Pattern) Cost() (c Cost) {
	if p.beyond {
		return Cost{math.Inf(1), math.Inf(1), math.Inf(1)}
	}
	held := 0.
	for i := range p.fronts {
		x := &p.fronts[i]
		own, rest := float64(x.own), float64(x.rest)
		c.Coefficients += own * (own + rest)
		c.Products += own*own*own/3 + own*own*rest + own*rest*rest
		held += rest * rest
		c.Room = max(c.Room, held)
		for _, k := range x.kids {
			held -= float64(p.fronts[k].rest) * float64(p.fronts[k].rest)
		}
	}
	return c
}

// analyse finds the order, what hangs on what once all is eliminated, and the fronts.
func (p *Pattern) analyse(near [][]int) {
	p.order = p.follow(near, order(near, p.weights()))
	n := len(p.order)
	p.place, p.from = make([]int, n), make([]int, n+1)
	for k, b := range p.order {
		p.place[b] = k
		p.from[k+1] = p.from[k] + p.size[b]
	}
	p.entries = make([][]entry, n)
	for i, list := range p.below {
		for k, j := range list {
			a, b := p.place[i], p.place[j]
			p.entries[min(a, b)] = append(p.entries[min(a, b)], entry{max(a, b), p.at[i][k], a > b})
		}
	}
	columns, ok := p.columns(near)
	if p.beyond = !ok; ok {
		p.gather(columns)
	}
}

// weights counts a held block as one, so that it goes early.
func (p *Pattern) weights() []int {
	out := slices.Clone(p.size)
	for i, w := range out {
		out[i] = max(w, 1)
	}
	return out
}

// columns answers for each place the later places it hangs on, ascending; false when
// there are too many to go on.
func (p *Pattern) columns(near [][]int) ([][]int, bool) {
	n := len(p.order)
	out := make([][]int, n)
	kids := make([][]int, n)
	mark := make([]int, n)
	filled := 0
	for k, b := range p.order {
		var list []int
		take := func(i int) {
			if i > k && mark[i] != k+1 {
				mark[i] = k + 1
				list = append(list, i)
			}
		}
		for _, o := range near[b] {
			take(p.place[o])
		}
		for _, c := range kids[k] {
			for _, i := range out[c] {
				take(i)
			}
		}
		if filled += len(list); filled > most {
			return nil, false
		}
		slices.Sort(list)
		out[k] = list
		if len(list) > 0 {
			kids[list[0]] = append(kids[list[0]], k)
		}
	}
	return out, true
}

// follow orders blocks so that those under one another in the elimination tree
// follow each other; the fill stays the same.
func (p *Pattern) follow(near [][]int, list []int) []int {
	n := len(list)
	place := make([]int, n)
	for k, b := range list {
		place[b] = k
	}
	parent, up := make([]int, n), make([]int, n) // Liu's algorithm, with paths cut short
	for k := range n {
		parent[k], up[k] = -1, -1
		for _, o := range near[list[k]] {
			for i := place[o]; i >= 0 && i < k; {
				next := up[i]
				up[i] = k
				if next < 0 {
					parent[i] = k
				}
				i = next
			}
		}
	}
	kids := make([][]int, n)
	var roots []int
	for k := range n {
		if parent[k] < 0 {
			roots = append(roots, k)
		} else {
			kids[parent[k]] = append(kids[parent[k]], k)
		}
	}
	out := make([]int, 0, n)
	type visit struct{ node, kid int }
	for _, r := range roots {
		stack := []visit{{r, 0}}
		for len(stack) > 0 {
			v := &stack[len(stack)-1]
			if v.kid < len(kids[v.node]) {
				v.kid++
				stack = append(stack, visit{kids[v.node][v.kid-1], 0})
				continue
			}
			out = append(out, list[v.node])
			stack = stack[:len(stack)-1]
		}
	}
	return out
}

// A front takes the next place in while that adds few noughts: more columns at once
// are quicker than fewer coefficients.
const (
	narrow = 48  // unknowns below which half of it may be noughts
	spare  = .12 // share of noughts of a wider one
)

// gather makes the fronts of columns.
func (p *Pattern) gather(columns [][]int) {
	width := func(list []int) (w int) {
		for _, k := range list {
			w += p.from[k+1] - p.from[k]
		}
		return w
	}
	full := 0 // coefficients there truly are in the front in hand
	for k := range columns {
		own, rest := p.from[k+1]-p.from[k], width(columns[k])
		area := own*(own+1)/2 + own*rest
		if m := len(p.fronts); m > 0 && k > 0 {
			f := &p.fronts[m-1]
			if f.last == k && len(f.rows) > 0 && f.rows[0] == k {
				wide := f.own + own
				with := wide*(wide+1)/2 + wide*rest
				lost := 1 - float64(full+area)/float64(max(with, 1))
				if lost <= spare || wide <= narrow && lost <= .5 {
					f.last, f.rows, f.own, f.rest = k+1, columns[k], wide, rest
					full += area
					continue
				}
			}
		}
		p.fronts = append(p.fronts, front{first: k, last: k + 1, rows: columns[k], own: own, rest: rest})
		full = area
	}
	p.frontOf = make([]int, len(columns))
	for i, f := range p.fronts {
		for k := f.first; k < f.last; k++ {
			p.frontOf[k] = i
		}
	}
	for i := range p.fronts {
		f := &p.fronts[i]
		p.widest = max(p.widest, f.own+f.rest)
		if len(f.rows) > 0 {
			up := &p.fronts[p.frontOf[f.rows[0]]]
			up.kids = append(up.kids, i)
		}
	}
}
