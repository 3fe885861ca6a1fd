package trace

import (
	"math"
	"sort"

	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// spline draws a NURBS curve as arcs that follow it.
func (r *dxfReader) spline(e *entity, m affine, layer int32) error {
	var knots, weights []float64
	var control, fit []profile.Point
	for _, g := range e.codes {
		switch g.code {
		case 40:
			knots = append(knots, g.value)
		case 41:
			weights = append(weights, g.value)
		case 10:
			control = append(control, profile.Point{X: g.value})
		case 20:
			if len(control) > 0 {
				control[len(control)-1].Y = g.value
			}
		case 11:
			fit = append(fit, profile.Point{X: g.value})
		case 21:
			if len(fit) > 0 {
				fit[len(fit)-1].Y = g.value
			}
		}
	}
	degree := int(e.first(71, 3))
	n := len(control)
	if n == 0 {
		if len(fit) < 2 {
			return nil
		}
		r.fits++
		return r.through(fit, int(e.first(70, 0))&1 != 0, m, layer)
	}
	if degree < 1 || degree > 11 || n <= degree || len(knots) != n+degree+1 {
		return working.Refuse("/base64", "A spline in the drawing has %d control points and %d knots at degree %d, which do not go together: "+
			"it is damaged. Save the drawing again with curves as lines and arcs.", n, len(knots), degree)
	}
	for i := 1; i < len(knots); i++ {
		if !(knots[i] >= knots[i-1]) {
			return working.Refuse("/base64", "A spline's knots in the drawing do not rise: it is damaged. Save the drawing again with curves as "+
				"lines and arcs.")
		}
	}
	if len(weights) != n {
		weights = make([]float64, n)
		for i := range weights {
			weights[i] = 1
		}
	}
	for i := range control {
		control[i] = m.at(control[i])
	}
	at := func(t float64) profile.Point { return deBoor(degree, knots, control, weights, t) }
	from, to := knots[degree], knots[n]
	// Every span by itself, so that corners stay corners.
	for i := degree; i < n; i++ {
		if knots[i+1]-knots[i] <= 0 {
			continue
		}
		if err := r.d.follow(at, knots[i], knots[i+1], 1, r.tolerance(), layer, false); err != nil {
			return err
		}
		r.d.approx-- // one curve, however many spans
	}
	if to > from {
		r.d.approx++
	}
	return nil
}

// deBoor answers a rational B-spline's place at t (Piegl and Tiller, The NURBS
// Book, A4.1).
func deBoor(degree int, knots []float64, control []profile.Point, weights []float64, t float64) profile.Point {
	n := len(control)
	k := degree + sort.Search(n-1-degree, func(i int) bool { return t < knots[degree+i+1] })
	type homogeneous struct{ x, y, w float64 }
	var d [12]homogeneous
	for j := range degree + 1 {
		i := k - degree + j
		w := weights[i]
		d[j] = homogeneous{control[i].X * w, control[i].Y * w, w}
	}
	for s := 1; s <= degree; s++ {
		for j := degree; j >= s; j-- {
			i := k - degree + j
			span := knots[i+degree-s+1] - knots[i]
			a := 0.0
			if span > 0 {
				a = (t - knots[i]) / span
			}
			d[j] = homogeneous{(1-a)*d[j-1].x + a*d[j].x, (1-a)*d[j-1].y + a*d[j].y, (1-a)*d[j-1].w + a*d[j].w}
		}
	}
	e := d[degree]
	if e.w == 0 {
		return profile.Point{X: math.NaN()}
	}
	return profile.Point{X: e.x / e.w, Y: e.y / e.w}
}

// through draws a smooth line through points: cubic pieces whose ways at the
// points follow their neighbours (Catmull and Rom).
func (r *dxfReader) through(p []profile.Point, closed bool, m affine, layer int32) error {
	n := len(p)
	for i := range p {
		p[i] = m.at(p[i])
	}
	get := func(i int) profile.Point {
		if closed {
			return p[(i+n)%n]
		}
		return p[min(max(i, 0), n-1)]
	}
	pieces := n - 1
	if closed {
		pieces = n
	}
	for i := range pieces {
		a, b := get(i), get(i+1)
		u, v := b.Sub(get(i-1)).Mul(.5), get(i+2).Sub(a).Mul(.5)
		if err := r.d.follow(func(t float64) profile.Point { return hermite(a, u, b, v, t) }, 0, 1, 1, r.tolerance(), layer, false); err != nil {
			return err
		}
		r.d.approx--
	}
	r.d.approx++
	return nil
}

func hermite(a, u, b, v profile.Point, t float64) profile.Point {
	t2, t3 := t*t, t*t*t
	return a.Mul(2*t3 - 3*t2 + 1).Add(u.Mul(t3 - 2*t2 + t)).Add(b.Mul(3*t2 - 2*t3)).Add(v.Mul(t3 - t2))
}
