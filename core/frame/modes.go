package frame

import (
	"cmp"
	"context"
	"fmt"
	"maps"
	"math"
	"slices"

	"gonum.org/v1/gonum/mat"

	"warmanvil/core/linear"
	"warmanvil/core/working"
)

// Mode is one natural vibration.
type Mode struct {
	Hertz float64
	Shape map[string][6]float64 // by node, the largest shift 1
}

// inertia is the member's consistent mass, tonnes and mm, in its own axes.
func (b *beam) inertia() (k [12][12]float64) {
	l := b.length
	m := b.Mass * 1e-6 * l // kg/m is 1e-6 t/mm
	put := func(i, j int, v float64) { k[i][j], k[j][i] = v, v }
	bar := func(i int, v float64) {
		put(i, i, v/3)
		put(i+6, i+6, v/3)
		put(i, i+6, v/6)
	}
	bar(0, m)
	bar(3, m*(b.Iy+b.Iz)/b.Area)
	bend := func(shift, turn int, sign float64) {
		c := m / 420
		put(shift, shift, 156*c)
		put(shift+6, shift+6, 156*c)
		put(shift, shift+6, 54*c)
		put(turn, turn, 4*l*l*c)
		put(turn+6, turn+6, 4*l*l*c)
		put(turn, turn+6, -3*l*l*c)
		put(shift, turn, sign*22*l*c)
		put(shift, turn+6, -sign*13*l*c)
		put(shift+6, turn, sign*13*l*c)
		put(shift+6, turn+6, -sign*22*l*c)
	}
	bend(1, 5, 1)
	bend(2, 4, -1)
	return k
}

// Modes answers the lowest natural frequencies by subspace iteration: K·x =
// ω²·M·x with consistent masses of the members and what the nodes carry.
func (m *Model) Modes(ctx context.Context, count int) ([]Mode, error) {
	s := m.system
	n := len(s.dof)
	mass, err := m.mass()
	if err != nil {
		return nil, err
	}
	riders, err := m.riding()
	if err != nil {
		return nil, err
	}
	rank := 0
	for r := range n {
		if *s.own(mass, r) > 0 || riders.touches(r) {
			rank++
		}
	}
	if rank == 0 {
		return nil, working.Refuse("/members", "Nothing that moves has a mass: give the members' mass for a frequency.")
	}
	count = min(count, rank)
	width := min(rank, max(2*count, count+6))
	x := mat.NewDense(n, width, nil)
	for r := range n { // a start that leans on no way in particular
		for c := range width {
			x.Set(r, c, math.Sin(float64((r+1)*(c+2)))+.1*float64(c%3))
		}
	}
	return m.iterate(ctx, mass, riders, x, count)
}

// iterate turns a subspace towards the lowest modes until they rest.
func (m *Model) iterate(ctx context.Context, mass *linear.Matrix, riders riders, x *mat.Dense, count int) ([]Mode, error) {
	s := m.system
	n, width := x.Dims()
	steps := min(200, int(maxSearch/(2*s.pattern.Cost().Coefficients*float64(width))))
	mx, my, yd := mat.NewDense(n, width, nil), mat.NewDense(n, width, nil), mat.NewDense(n, width, nil)
	var last []float64
	for range steps {
		if err := ctx.Err(); err != nil {
			return nil, err
		}
		weighed(mass, riders, x, mx)
		yd.Copy(mx)
		s.factor.SolveAll(yd.RawMatrix())
		// Within the subspace: K' = yᵀ·M·x, M' = yᵀ·M·y.
		weighed(mass, riders, yd, my)
		var ks, ms mat.Dense
		ks.Mul(yd.T(), mx)
		ms.Mul(yd.T(), my)
		values, vectors, err := small(&ks, &ms)
		if err != nil {
			return nil, err
		}
		if len(values) < width { // ways without mass are left out
			width = len(values)
			mx, my = mat.NewDense(n, width, nil), mat.NewDense(n, width, nil)
			x = mat.NewDense(n, width, nil)
			x.Mul(yd, vectors)
			yd = mat.NewDense(n, width, nil)
		} else {
			x.Mul(yd, vectors)
		}
		if len(last) >= count && len(values) >= count {
			off := 0.0
			for i := range count {
				off = max(off, math.Abs(values[i]-last[i])/values[i])
			}
			if off < 1e-8 {
				return m.shapes(values[:count], x), nil
			}
		}
		last = values
	}
	return nil, working.Refuse("/modes", "The natural frequencies did not come to rest in %d steps, which is what a frame of this size may "+
		"take: what it carries is very uneven, parts of it hardly hold together, or it is too large.", steps)
}

// mass is the mass of members and of what nodes carry, in t.
func (m *Model) mass() (*linear.Matrix, error) {
	s := m.system
	mass := s.pattern.Empty()
	for k := range m.beams {
		own := m.beams[k].inertia()
		g := m.beams[k].times(&own)
		s.add(mass, &m.beams[k], &g)
	}
	for _, name := range slices.Sorted(maps.Keys(m.in.Masses)) {
		kg := m.in.Masses[name]
		i, ok := m.index[name]
		if !ok {
			return mass, working.Refuse("/masses/"+name, "There is no node %q to carry a mass.", name)
		}
		if err := working.Within("/masses/"+name, "The mass carried", kg, 0, 1e7, "kg"); err != nil {
			return mass, err
		}
		for d := range 3 {
			if r := s.row[6*i+d]; r >= 0 {
				*s.own(mass, r) += kg * 1e-3
			}
		}
	}
	return mass, nil
}

// weighed sets out to M·x, of the members' mass and of what rides on them.
func weighed(mass *linear.Matrix, riders riders, x, out *mat.Dense) {
	n, width := x.Dims()
	column, product := make([]float64, n), make([]float64, n)
	for c := range width {
		mat.Col(column, c, x)
		mass.Mul(column, product)
		riders.add(column, product)
		out.SetCol(c, product)
	}
}

// small solves k·v = λ·m·v for a few unknowns, ways without mass left out,
// lowest first.
func small(k, m *mat.Dense) ([]float64, *mat.Dense, error) {
	n, _ := k.Dims()
	sym := func(d *mat.Dense) *mat.SymDense {
		s := mat.NewSymDense(n, nil)
		for i := range n {
			for j := i; j < n; j++ {
				s.SetSym(i, j, (d.At(i, j)+d.At(j, i))/2)
			}
		}
		return s
	}
	// Whitened by k, which is positive: 1/λ are the eigenvalues.
	var em mat.EigenSym
	if !em.Factorize(sym(k), true) {
		return nil, nil, fmt.Errorf("frequencies: the subspace has no eigenvalues")
	}
	kv := em.Values(nil)
	var kw mat.Dense
	em.VectorsTo(&kw)
	var keep []int
	for i, v := range kv {
		if v > 1e-13*kv[n-1] {
			keep = append(keep, i)
		}
	}
	w := mat.NewDense(n, len(keep), nil)
	for c, i := range keep {
		for r := range n {
			w.Set(r, c, kw.At(r, i)/math.Sqrt(kv[i]))
		}
	}
	var half, whole mat.Dense
	half.Mul(m, w)
	whole.Mul(w.T(), &half)
	n = len(keep)
	var e mat.EigenSym
	if !e.Factorize(sym(&whole), true) {
		return nil, nil, fmt.Errorf("frequencies: the subspace has no eigenvalues")
	}
	inverse := e.Values(nil)
	var ev mat.Dense
	e.VectorsTo(&ev)
	order := make([]int, 0, n)
	for i, v := range inverse {
		if v > 0 {
			order = append(order, i)
		}
	}
	slices.SortFunc(order, func(a, b int) int { return cmp.Compare(inverse[b], inverse[a]) })
	values := make([]float64, len(order))
	turned := mat.NewDense(n, len(order), nil)
	for c, i := range order {
		values[c] = 1 / inverse[i]
		for r := range n {
			turned.Set(r, c, ev.At(r, i)/math.Sqrt(inverse[i]))
		}
	}
	var out mat.Dense
	out.Mul(w, turned)
	return values, &out, nil
}

// shapes writes the modes node by node.
func (m *Model) shapes(values []float64, x *mat.Dense) []Mode {
	out := make([]Mode, len(values))
	for c, v := range values {
		most := 0.0
		for r, k := range m.system.dof {
			if k%6 < 3 {
				most = max(most, math.Abs(x.At(r, c)))
			}
		}
		shape := map[string][6]float64{}
		for i, name := range m.names {
			var d [6]float64
			for k := range 6 {
				if r := m.system.row[6*i+k]; r >= 0 && most > 0 {
					d[k] = x.At(r, c) / most
				}
			}
			shape[name] = d
		}
		out[c] = Mode{Hertz: math.Sqrt(v) / (2 * math.Pi), Shape: shape}
	}
	return out
}
