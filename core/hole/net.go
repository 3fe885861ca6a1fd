package hole

import (
	"math"

	"gonum.org/v1/gonum/blas/blas64"
	"gonum.org/v1/gonum/lapack/lapack64"
	"gonum.org/v1/gonum/mat"

	"warmanvil/core/profile"
)

// net is a set of points with distances between some of them. Its gauge: the
// first point at the origin, the second on +x.
type net struct {
	n     int
	pairs [][2]int
	d     []float64 // measured, mm
	w     []float64 // 1/σ
}

// unknowns of the net once its gauge is fixed.
func (s *net) unknowns() int { return 2*s.n - 3 }

// column answers where a point's coordinate stands among the unknowns, −1 for
// one the gauge fixes.
func column(point, axis int) int {
	switch {
	case point == 0:
		return -1
	case point == 1:
		if axis == 0 {
			return 0
		}
		return -1
	}
	return 2*point - 3 + axis
}

// fit is one least-squares answer.
type fit struct {
	at  []profile.Point
	ssq float64 // Σ((fitted − measured)/σ)²
}

func (s *net) cost(at []profile.Point) (c float64) {
	for k, p := range s.pairs {
		v := (at[p[0]].Sub(at[p[1]]).Len() - s.d[k]) * s.w[k]
		c += v * v
	}
	return c
}

// row is the derivative of a weighted distance by the unknowns: up to four of
// them.
type row struct {
	col [4]int
	val [4]float64
	m   int
}

func (s *net) row(at []profile.Point, k int) (r row, length float64) {
	i, j := s.pairs[k][0], s.pairs[k][1]
	d := at[i].Sub(at[j])
	length = d.Len()
	u := profile.Point{X: 1}
	if length > 1e-12 {
		u = d.Mul(1 / length)
	}
	for _, e := range [4]struct {
		point, axis int
		v           float64
	}{{i, 0, u.X}, {i, 1, u.Y}, {j, 0, -u.X}, {j, 1, -u.Y}} {
		if c := column(e.point, e.axis); c >= 0 {
			r.col[r.m], r.val[r.m] = c, e.v*s.w[k]
			r.m++
		}
	}
	return r, length
}

// normal answers JᵀJ and Jᵀv at a place.
func (s *net) normal(at []profile.Point, n *mat.SymDense, g *mat.VecDense) {
	n.Zero()
	g.Zero()
	raw, stride, gv := n.RawSymmetric().Data, n.RawSymmetric().Stride, g.RawVector().Data
	for k := range s.pairs {
		r, length := s.row(at, k)
		v := (length - s.d[k]) * s.w[k]
		for a := range r.m {
			gv[r.col[a]] += r.val[a] * v
			for b := range r.m {
				if r.col[a] <= r.col[b] {
					raw[r.col[a]*stride+r.col[b]] += r.val[a] * r.val[b]
				}
			}
		}
	}
}

// settle improves a start by Levenberg–Marquardt until it rests. without is a
// reading left out, −1 for none.
func (s *net) settle(start []profile.Point, without int) fit {
	if without >= 0 {
		was := s.w[without]
		s.w[without] = 0
		defer func() { s.w[without] = was }()
	}
	m := s.unknowns()
	f := fit{at: gauge(start)}
	f.ssq = s.cost(f.at)
	n, g := mat.NewSymDense(m, nil), mat.NewVecDense(m, nil)
	damped, step := mat.NewSymDense(m, nil), make([]float64, m)
	size := 0.0
	for _, d := range s.d {
		size = math.Max(size, d)
	}
	lambda := 1e-4
	for range 80 {
		s.normal(f.at, n, g)
		rest := false
		for range 12 {
			damped.CopySym(n)
			for i := range m {
				damped.SetSym(i, i, n.At(i, i)*(1+lambda)+1e-14)
			}
			c, ok := lapack64.Potrf(damped.RawSymmetric())
			if !ok {
				lambda *= 10
				continue
			}
			copy(step, g.RawVector().Data)
			lapack64.Potrs(c, blas64.General{Rows: m, Cols: 1, Data: step, Stride: 1})
			next, most := make([]profile.Point, s.n), 0.0
			for p := range s.n {
				next[p] = f.at[p]
				if c := column(p, 0); c >= 0 {
					next[p].X -= step[c]
					most = math.Max(most, math.Abs(step[c]))
				}
				if c := column(p, 1); c >= 0 {
					next[p].Y -= step[c]
					most = math.Max(most, math.Abs(step[c]))
				}
			}
			if cost := s.cost(next); cost <= f.ssq {
				gain := f.ssq - cost
				f.at, f.ssq = next, cost
				lambda = math.Max(lambda/10, 1e-12)
				rest = most < 1e-9*size || gain < 1e-10*cost
				break
			}
			if rest = most < 1e-10*size; rest {
				break
			}
			lambda *= 10
		}
		if rest {
			break
		}
	}
	f.at = gauge(f.at)
	return f
}

// gauge carries points so that the first is at the origin, the second on +x and
// the first one off the axis above it.
func gauge(at []profile.Point) []profile.Point {
	out := make([]profile.Point, len(at))
	x := at[1].Sub(at[0])
	if x.Len() < 1e-12 {
		x = profile.Point{X: 1}
	}
	x = x.Mul(1 / x.Len())
	size := 0.0
	for i, p := range at {
		d := p.Sub(at[0])
		out[i] = profile.Point{X: d.Dot(x), Y: x.Cross(d)}
		size = math.Max(size, d.Len())
	}
	out[0], out[1].Y = profile.Point{}, 0
	for _, p := range out[2:] {
		if math.Abs(p.Y) > 1e-9*size {
			if p.Y < 0 {
				for i := range out {
					out[i].Y = -out[i].Y
				}
			}
			break
		}
	}
	return out
}

// lack answers how many readings are missing for the net to be stiff, at
// places in general position, and the best one to take next.
func (s *net) lack() (missing int, next [2]int) {
	at := scatter(s.n, 1)
	var base [][]float64
	reduce := func(v []float64) float64 {
		for range 2 { // twice is enough
			for _, b := range base {
				dot := 0.0
				for i := range v {
					dot += v[i] * b[i]
				}
				for i := range v {
					v[i] -= dot * b[i]
				}
			}
		}
		l := 0.0
		for _, x := range v {
			l += x * x
		}
		return math.Sqrt(l)
	}
	line := func(i, j int) []float64 {
		v := make([]float64, 2*s.n)
		d := at[i].Sub(at[j])
		d = d.Mul(1 / (math.Sqrt2 * d.Len()))
		v[2*i], v[2*i+1], v[2*j], v[2*j+1] = d.X, d.Y, -d.X, -d.Y
		return v
	}
	taken := map[[2]int]bool{}
	for _, p := range s.pairs {
		taken[[2]int{min(p[0], p[1]), max(p[0], p[1])}] = true
		v := line(p[0], p[1])
		if l := reduce(v); l > 1e-7 {
			for i := range v {
				v[i] /= l
			}
			base = append(base, v)
		}
		if len(base) == s.unknowns() {
			return 0, next
		}
	}
	best := 0.0
	for i := range s.n {
		for j := range i {
			if taken[[2]int{j, i}] {
				continue
			}
			if l := reduce(line(i, j)); l > best*1.05 {
				best, next = l, [2]int{j, i}
			}
		}
	}
	return s.unknowns() - len(base), next
}

// scatter answers places in no particular order, the same every time.
func scatter(n int, seed uint64) []profile.Point {
	state := seed*0x9e3779b97f4a7c15 + 1
	random := func() float64 {
		state ^= state << 13
		state ^= state >> 7
		state ^= state << 17
		return float64(state>>11) / (1 << 53)
	}
	out := make([]profile.Point, n)
	for i := range out {
		out[i] = profile.Point{X: random(), Y: random()}
	}
	return out
}
