package frame

import (
	"fmt"
	"math"

	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// acting is what acts along a member, in its own axes.
type acting struct {
	q      solid.Vector // N/mm
	points []ownPoint
	load   [12]float64 // what it asks of the ends: equivalent forces and moments
}

type ownPoint struct {
	at    float64
	force solid.Vector
}

// acts turns a member's loads into its own axes.
func (b *beam) acts(k int, l MemberLoad) (a acting, err error) {
	own := func(v solid.Vector) solid.Vector {
		return solid.Vector{b.axes[0].Dot(v), b.axes[1].Dot(v), b.axes[2].Dot(v)}
	}
	a.q = own(l.Uniform)
	L := b.length
	q := a.q
	a.load = [12]float64{q[0] * L / 2, q[1] * L / 2, q[2] * L / 2, 0, -q[2] * L * L / 12, q[1] * L * L / 12,
		q[0] * L / 2, q[1] * L / 2, q[2] * L / 2, 0, q[2] * L * L / 12, -q[1] * L * L / 12}
	for i, p := range l.Points {
		if err := working.Within(fmt.Sprintf("/members/%d/points/%d/at", k, i), "The load's place along the member", p.At, -1e-6,
			L+1e-6, "mm"); err != nil {
			return a, err
		}
		f, x := own(p.Force), min(max(p.At, 0), L)
		y := L - x
		a.points = append(a.points, ownPoint{x, f})
		first, last := y*y*(3*x+y)/(L*L*L), x*x*(x+3*y)/(L*L*L)
		m1, m2 := x*y*y/(L*L), x*x*y/(L*L)
		for d, v := range [12]float64{f[0] * y / L, f[1] * first, f[2] * first, 0, -f[2] * m1, f[1] * m1, f[0] * x / L, f[1] * last, f[2] * last,
			0, f[2] * m2, -f[1] * m2} {
			a.load[d] += v
		}
	}
	return a, nil
}

// Station is what happens at one place along a member. Forces in its own axes:
// N pulls positive; V is what the loads before it push in y and z; Mz = −∫σ·y dA,
// My = ∫σ·z dA.
type Station struct {
	At    float64      // mm from its first end
	N     float64      // N
	Vy    float64      // N
	Vz    float64      // N
	T     float64      // N·mm
	My    float64      // N·mm
	Mz    float64      // N·mm
	Place solid.Vector // mm, unloaded
	Shift solid.Vector // mm, in the frame's axes
}

// forces answers what goes through one station, without its place and shift.
func (b *beam) forces(x float64, a acting, end Ends) Station {
	f := end.I
	s := Station{At: x, N: -f[0] - a.q[0]*x, Vy: f[1] + a.q[1]*x, Vz: f[2] + a.q[2]*x, T: -f[3],
		My: -f[4] - x*f[2] - a.q[2]*x*x/2, Mz: -f[5] + x*f[1] + a.q[1]*x*x/2}
	for _, p := range a.points {
		if p.at < x {
			s.N -= p.force[0]
			s.Vy += p.force[1]
			s.Vz += p.force[2]
			s.My -= p.force[2] * (x - p.at)
			s.Mz += p.force[1] * (x - p.at)
		}
	}
	return s
}

// at answers one station.
func (b *beam) at(x float64, a acting, end Ends, d [12]float64) Station {
	s := b.forces(x, a, end)
	s.Place = b.start.Add(b.axes[0].Mul(x))
	own := b.shift(x, a, d)
	for r := range 3 {
		s.Shift = s.Shift.Add(b.axes[r].Mul(own[r]))
	}
	return s
}

// shift answers how far a place along the member moves, in its own axes: the
// cubic of its ends and the curve of a built-in beam under its loads.
func (b *beam) shift(x float64, a acting, d [12]float64) solid.Vector {
	L := b.length
	t := x / L
	h1, h2, h3, h4 := 1-3*t*t+2*t*t*t, L*(t-2*t*t+t*t*t), 3*t*t-2*t*t*t, L*(t*t*t-t*t)
	p := L * L * L * L * t * t * (1 - t) * (1 - t) / 24 // of a built-in beam under 1 N/mm, times EI
	v := solid.Vector{
		d[0]*(1-t) + d[6]*t + a.q[0]*L*L*t*(1-t)/(2*b.E*b.Area),
		h1*d[1] + h2*d[5] + h3*d[7] + h4*d[11] + a.q[1]*p/(b.E*b.Iz),
		h1*d[2] - h2*d[4] + h3*d[8] - h4*d[10] + a.q[2]*p/(b.E*b.Iy),
	}
	for _, w := range a.points {
		c, e := w.at, L-w.at
		u := x
		if u > c { // seen from the other end
			u, c, e = L-x, e, c
		}
		bent := e * e * u * u * (3*c*L - (3*c+e)*u) / (6 * L * L * L)
		v[0] += w.force[0] * u * e / (L * b.E * b.Area)
		v[1] += w.force[1] * bent / (b.E * b.Iz)
		v[2] += w.force[2] * bent / (b.E * b.Iy)
	}
	return v
}

// stops answers the places along a member that are looked at: n equal steps, and
// besides both sides of every load on it and where a moment is largest.
func (c *Answer) stops(k, n int) []float64 {
	b, a, e := &c.model.beams[k], c.acts[k], c.Members[k]
	xs := make([]float64, 0, n+8)
	for i := range n + 1 {
		xs = append(xs, b.length*float64(i)/float64(n))
	}
	for _, p := range a.points {
		xs = append(xs, p.at, min(p.at+1e-9*b.length, b.length))
	}
	knots := make([]float64, 0, len(a.points)+2)
	knots = append(knots, 0)
	for _, p := range a.points {
		knots = append(knots, p.at)
	}
	knots = sorted(append(knots, b.length))
	for i := 1; i < len(knots); i++ { // where the shear is naught between the loads
		s := b.forces(min(knots[i-1]+1e-9*b.length, b.length), a, e)
		for _, z := range [2]float64{-s.Vy / a.q[1], -s.Vz / a.q[2]} {
			if x := knots[i-1] + z; z > 0 && x < knots[i] {
				xs = append(xs, x)
			}
		}
	}
	return sorted(xs)
}

// Along answers stations along member k, as Forces does, with where they lie and how
// far they move.
func (c *Answer) Along(k, n int) []Station {
	b, a, e, d := &c.model.beams[k], c.acts[k], c.Members[k], c.own[k]
	xs := c.stops(k, n)
	out := make([]Station, 0, len(xs))
	for _, x := range xs {
		if len(out) == 0 || x > out[len(out)-1].At {
			out = append(out, b.at(x, a, e, d))
		}
	}
	return out
}

// Forces adds to list what goes through stations along member k: n equal steps, both
// sides of every load on it, and where a moment is largest.
func (c *Answer) Forces(list []Station, k, n int) []Station {
	b, a, e := &c.model.beams[k], c.acts[k], c.Members[k]
	before := math.Inf(-1)
	for _, x := range c.stops(k, n) {
		if x > before {
			list, before = append(list, b.forces(x, a, e)), x
		}
	}
	return list
}

// Axes answers a member's own x, y and z in the frame's axes.
func (m *Model) Axes(k int) [3]solid.Vector { return m.beams[k].axes }

// largest answers the largest displacement along a member.
func (b *beam) largest(a acting, d [12]float64, coarse bool) (most float64) {
	at := func(t float64) float64 { return b.shift(t*b.length, a, d).Len() }
	if coarse {
		for i := range 11 {
			most = max(most, at(float64(i)/10))
		}
		return most
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
	return max(most, at((lo+hi)/2))
}

// within answers a displacement that no place along the member passes: of the cubic
// of its ends its control points, of its loads the most they bend a built-in beam.
func (b *beam) within(a acting, d *[12]float64) float64 {
	L := b.length
	third := L / 3
	far := func(u, v, w, x float64) float64 { return max(math.Abs(u), math.Abs(v), math.Abs(w), math.Abs(x)) }
	v := solid.Vector{max(math.Abs(d[0]), math.Abs(d[6])),
		far(d[1], d[1]+third*d[5], d[7]-third*d[11], d[7]),
		far(d[2], d[2]-third*d[4], d[8]+third*d[10], d[8])}
	along, y, z := b.E*b.Area, b.E*b.Iz, b.E*b.Iy
	v[0] += math.Abs(a.q[0]) * L * L / (8 * along)
	v[1] += math.Abs(a.q[1]) * L * L * L * L / (384 * y)
	v[2] += math.Abs(a.q[2]) * L * L * L * L / (384 * z)
	for _, p := range a.points {
		v[0] += math.Abs(p.force[0]) * L / (4 * along)
		v[1] += math.Abs(p.force[1]) * L * L * L / (192 * y)
		v[2] += math.Abs(p.force[2]) * L * L * L / (192 * z)
	}
	return v.Len()
}
