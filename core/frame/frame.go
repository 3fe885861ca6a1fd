// Package frame solves space frames by direct stiffness with Euler–Bernoulli
// members, and columns.
//
// A member's x runs from its first node to its second, its z towards Up, y = z
// × x; Iy resists bending in the x–z plane. Units N, mm, MPa; rotations in
// radians inside, as displacements are answered.
package frame

import (
	"fmt"
	"math"
	"slices"

	"gonum.org/v1/gonum/blas"
	"gonum.org/v1/gonum/blas/blas64"
	"gonum.org/v1/gonum/lapack/lapack64"

	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// Member of a frame.
type Member struct {
	From    string      `json:"from"`
	To      string      `json:"to"`
	E       float64     `json:"e" doc:"MPa"`
	G       float64     `json:"g" doc:"MPa"`
	Area    float64     `json:"area" doc:"mm²"`
	Iy      float64     `json:"iy" doc:"mm⁴, bending in the member's x–z plane"`
	Iz      float64     `json:"iz" doc:"mm⁴, bending in its x–y plane"`
	J       float64     `json:"j" doc:"mm⁴"`
	Up      *[3]float64 `json:"up,omitempty" doc:"its z lies towards this; up, of upright members forward, when left out"`
	Uniform *[3]float64 `json:"uniform,omitempty" doc:"N/mm along it, in the frame's axes"`
}

// Input is a frame with its loads.
type Input struct {
	Nodes    map[string][3]float64 `json:"nodes" doc:"mm"`
	Members  []Member              `json:"members"`
	Supports map[string][6]bool    `json:"supports" doc:"by node: which of three shifts and three turns it holds"`
	Loads    map[string][6]float64 `json:"loads" doc:"by node: N and N·mm"`
}

// Ends are the forces on a member's ends in its own axes: N, Vy, Vz, Mx, My, Mz.
type Ends struct {
	I [6]float64 `json:"endI" doc:"N and N·mm on the end at its first node"`
	J [6]float64 `json:"endJ"`
}

// Result of a frame.
type Result struct {
	Displacements   map[string][6]float64 `json:"displacements" doc:"mm and radians"`
	Reactions       map[string][6]float64 `json:"reactions" doc:"N and N·mm, on the frame"`
	Members         []Ends                `json:"members"`
	MaxDisplacement float64               `json:"maxDisplacement" doc:"mm, anywhere along the members"`
	Working         working.Working       `json:"working"`
}

var directions = [6]string{"along x", "along y", "along z", "turning about x", "turning about y", "turning about z"}

// beam is a member as it is computed.
type beam struct {
	*Member
	i, j   int
	length float64
	axes   [3]solid.Vector // rows: member x, y, z
	load   [12]float64     // equivalent nodal loads, own axes
	q      [3]float64      // N/mm, own axes
}

// Solve answers a frame. What cannot stand is refused by name with
// *working.Fault.
func Solve(in Input) (Result, error) {
	names, index, err := in.nodes()
	if err != nil {
		return Result{}, err
	}
	beams := make([]beam, len(in.Members))
	for k := range in.Members {
		if beams[k], err = in.beam(k, index); err != nil {
			return Result{}, err
		}
	}
	held := make([]bool, 6*len(names))
	for name, s := range in.Supports {
		i, ok := index[name]
		if !ok {
			return Result{}, working.Refuse("/supports/"+name, "There is no node %q to support.", name)
		}
		for d, h := range s {
			held[6*i+d] = h
		}
	}
	loads := make([]float64, 6*len(names))
	for name, f := range in.Loads {
		i, ok := index[name]
		if !ok {
			return Result{}, working.Refuse("/loads/"+name, "There is no node %q to load.", name)
		}
		for d, v := range f {
			if math.IsNaN(v) || math.Abs(v) > 1e12 {
				return Result{}, working.Refuse(fmt.Sprintf("/loads/%s/%d", name, d), "A load of %g is not one.", v)
			}
			loads[6*i+d] += v
		}
	}
	if !slices.Contains(held, true) {
		return Result{}, working.Refuse("/supports", "Nothing holds the frame: support it where it stands or is bolted.")
	}
	s := assemble(beams, held, loads, order(beams, len(names)))
	u, err := s.solve(names)
	if err != nil {
		return Result{}, err
	}
	return in.answer(names, beams, held, loads, u), nil
}

func (in Input) nodes() ([]string, map[string]int, error) {
	if len(in.Nodes) < 2 || len(in.Nodes) > 20000 {
		return nil, nil, working.Refuse("/nodes", "A frame has from 2 to 20000 nodes, not %d.", len(in.Nodes))
	}
	if len(in.Members) == 0 || len(in.Members) > 20000 {
		return nil, nil, working.Refuse("/members", "A frame has from 1 to 20000 members, not %d.", len(in.Members))
	}
	names := make([]string, 0, len(in.Nodes))
	for n, at := range in.Nodes {
		for i, v := range at {
			if err := working.Within(fmt.Sprintf("/nodes/%s/%d", n, i), "The node's place", v, -1e6, 1e6, "mm"); err != nil {
				return nil, nil, err
			}
		}
		names = append(names, n)
	}
	slices.Sort(names)
	index := map[string]int{}
	for i, n := range names {
		index[n] = i
	}
	used := make([]bool, len(names))
	for _, m := range in.Members {
		for _, n := range []string{m.From, m.To} {
			if i, ok := index[n]; ok {
				used[i] = true
			}
		}
	}
	for i, n := range names {
		if !used[i] {
			return nil, nil, working.Refuse("/nodes/"+n, "No member runs to node %q: take it out, or run one there.", n)
		}
	}
	return names, index, nil
}

func (in Input) beam(k int, index map[string]int) (b beam, err error) {
	m := &in.Members[k]
	at := fmt.Sprintf("/members/%d", k)
	i, okI := index[m.From]
	j, okJ := index[m.To]
	if !okI || !okJ {
		return b, working.Refuse(at, "The member runs from %q to %q, and one of them is no node.", m.From, m.To)
	}
	for _, v := range []struct {
		key  string
		v    float64
		most float64
	}{{"e", m.E, 1e7}, {"g", m.G, 1e7}, {"area", m.Area, 1e9}, {"iy", m.Iy, 1e15}, {"iz", m.Iz, 1e15}, {"j", m.J, 1e15}} {
		if err := working.Above(at+"/"+v.key, "The member's "+v.key, v.v, 0, v.most, ""); err != nil {
			return b, err
		}
	}
	b = beam{Member: m, i: i, j: j}
	p, q := in.Nodes[m.From], in.Nodes[m.To]
	x := solid.Vector(q).Sub(p)
	b.length = x.Len()
	if b.length < 1e-6 {
		return b, working.Refuse(at, "The member from %q to %q has no length: both nodes lie on one spot.", m.From, m.To)
	}
	x = x.Mul(1 / b.length)
	up := solid.Vector{0, 0, 1}
	if m.Up != nil {
		up = *m.Up
	} else if math.Hypot(x[0], x[1]) < 1e-9 {
		up = solid.Vector{1, 0, 0}
	}
	z := up.Sub(x.Mul(up.Dot(x)))
	if z.Len() <= 1e-9*up.Len() {
		return b, working.Refuse(at+"/up", "Up runs along the member itself: give a way square to it.")
	}
	z = z.Unit()
	b.axes = [3]solid.Vector{x, z.Cross(x), z}
	if m.Uniform != nil {
		for r := range 3 {
			b.q[r] = b.axes[r].Dot(*m.Uniform)
		}
		l := b.length
		b.load = [12]float64{b.q[0] * l / 2, b.q[1] * l / 2, b.q[2] * l / 2, 0, -b.q[2] * l * l / 12, b.q[1] * l * l / 12,
			b.q[0] * l / 2, b.q[1] * l / 2, b.q[2] * l / 2, 0, b.q[2] * l * l / 12, -b.q[1] * l * l / 12}
	}
	return b, nil
}

// stiffness is the member's 12 by 12 in its own axes.
func (b *beam) stiffness() (k [12][12]float64) {
	l := b.length
	put := func(i, j int, v float64) { k[i][j], k[j][i] = v, v }
	bar := func(i int, v float64) {
		put(i, i, v)
		put(i+6, i+6, v)
		put(i, i+6, -v)
	}
	bar(0, b.E*b.Area/l)
	bar(3, b.G*b.J/l)
	bend := func(shift, turn int, ei, sign float64) {
		a, c := 12*ei/(l*l*l), sign*6*ei/(l*l)
		bar(shift, a)
		put(shift, turn, c)
		put(shift, turn+6, c)
		put(shift+6, turn, -c)
		put(shift+6, turn+6, -c)
		put(turn, turn, 4*ei/l)
		put(turn+6, turn+6, 4*ei/l)
		put(turn, turn+6, 2*ei/l)
	}
	bend(1, 5, b.E*b.Iz, 1)
	bend(2, 4, b.E*b.Iy, -1)
	return k
}

// own turns twelve values from the frame's axes to the member's; out turns back.
func (b *beam) own(v [12]float64) (out [12]float64) {
	for g := range 4 {
		for r := range 3 {
			for c := range 3 {
				out[3*g+r] += b.axes[r][c] * v[3*g+c]
			}
		}
	}
	return out
}

func (b *beam) out(v [12]float64) (out [12]float64) {
	for g := range 4 {
		for r := range 3 {
			for c := range 3 {
				out[3*g+r] += b.axes[c][r] * v[3*g+c]
			}
		}
	}
	return out
}

// global is the member's stiffness in the frame's axes.
func (b *beam) global() (k [12][12]float64) {
	own := b.stiffness()
	var half [12][12]float64
	for i := range 12 {
		for g := range 4 {
			for c := range 3 {
				for r := range 3 {
					half[i][3*g+c] += own[i][3*g+r] * b.axes[r][c]
				}
			}
		}
	}
	for j := range 12 {
		for g := range 4 {
			for c := range 3 {
				for r := range 3 {
					k[3*g+c][j] += b.axes[r][c] * half[3*g+r][j]
				}
			}
		}
	}
	return k
}

func (b *beam) dof(k int) int {
	if k < 6 {
		return 6*b.i + k
	}
	return 6*b.j + k - 6
}

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

// system is the free part of the equations in band form.
type system struct {
	row   []int // of each degree of freedom, −1 when held
	dof   []int // of each row
	band  blas64.SymmetricBand
	diag  []float64
	right []float64
}

func assemble(beams []beam, held []bool, loads []float64, place []int) *system {
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
	s.band = blas64.SymmetricBand{Uplo: blas.Upper, N: len(s.dof), K: width, Stride: width + 1, Data: make([]float64, len(s.dof)*(width+1))}
	s.right = make([]float64, len(s.dof))
	for r, k := range s.dof {
		s.right[r] = loads[k]
	}
	for k := range beams {
		b := &beams[k]
		g, f := b.global(), b.out(b.load)
		for i := range 12 {
			ri := s.row[b.dof(i)]
			if ri < 0 {
				continue
			}
			s.right[ri] += f[i]
			for j := range 12 {
				if rj := s.row[b.dof(j)]; rj >= ri {
					s.band.Data[ri*s.band.Stride+rj-ri] += g[i][j]
				}
			}
		}
	}
	s.diag = make([]float64, len(s.dof))
	for r := range s.diag {
		s.diag[r] = s.band.Data[r*s.band.Stride]
	}
	return s
}

// solve answers the displacements of all degrees of freedom, or names what is
// loose.
func (s *system) solve(names []string) ([]float64, error) {
	u := make([]float64, len(s.row))
	if len(s.dof) == 0 {
		return u, nil
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
		return nil, s.loose(names, whole)
	}
	x := slices.Clone(s.right)
	lapack64.Pbtrs(t, blas64.General{Rows: len(x), Cols: 1, Stride: 1, Data: x})
	for r, k := range s.dof {
		u[k] = x[r]
	}
	return u, nil
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
	return working.Refuse("/supports", "The frame is loose: node %q moves freely %s. Support it there, or brace it.", names[k/6], directions[k%6])
}

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
