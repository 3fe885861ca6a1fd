package develop

import (
	"fmt"
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// Placed answers the place on the middle surface that lies round so many degrees from +x, seen from
// above about the middle of its height there, and so high over the bottom; where it comes to on the
// flat. It fails where the surface does not reach there.
func (r *Round) Placed(round, up float64) (profile.Point, error) {
	c := r.middle(up)
	sin, cos := math.Sincos(round * math.Pi / 180)
	way := profile.Point{X: cos, Y: sin}
	best, bestOut := profile.Point{}, 0.
	for i := 1; i < len(r.Strip); i++ {
		a, okA := r.Strip[i-1].level(up)
		b, okB := r.Strip[i].level(up)
		if !okA || !okB {
			continue
		}
		p, q := profile.Point{X: a[0], Y: a[1]}.Sub(c), profile.Point{X: b[0], Y: b[1]}.Sub(c)
		cp, cq := way.Cross(p), way.Cross(q)
		if cp*cq > 1e-12 || cp == cq {
			continue
		}
		t := cp / (cp - cq)
		hit := p.Add(q.Sub(p).Mul(t))
		if out := hit.Dot(way); out > bestOut { // of several the outermost: that is where a hand points
			x := hit.Add(c)
			if flat, ok := r.flatOf(i-1, solid.Vector{x.X, x.Y, up}); ok {
				best, bestOut = flat, out
			}
		}
	}
	if bestOut == 0 {
		return profile.Point{}, working.Refuse("", "the surface does not reach there: %s round, %g mm up", angle(round), up)
	}
	return best, nil
}

func angle(deg float64) string { return fmt.Sprintf("%.4g°", deg) }

// middle answers the middle of the level so high up.
func (r *Round) middle(up float64) profile.Point {
	if r.height == 0 {
		return profile.Point{}
	}
	return profile.Point{X: r.over[0], Y: r.over[1]}.Mul(up / r.height)
}

// level answers where a ruling is so high; false where it is not.
func (l Ruling) level(z float64) (solid.Vector, bool) {
	d := l.Top[2] - l.Bottom[2]
	if math.Abs(d) < tiny {
		return l.Bottom, false
	}
	t := (z - l.Bottom[2]) / d
	return l.Bottom.Add(l.Top.Sub(l.Bottom).Mul(t)), t >= -1e-9 && t <= 1+1e-9
}

// flatOf answers where a place on the facet after ruling i comes to on the flat.
func (r *Round) flatOf(i int, v solid.Vector) (profile.Point, bool) {
	for _, tri := range r.triangles(i) {
		if w, ok := weights3(tri.body, v); ok {
			return tri.flat[0].Mul(w[0]).Add(tri.flat[1].Mul(w[1])).Add(tri.flat[2].Mul(w[2])).Add(r.by[i]), true
		}
	}
	return profile.Point{}, false
}

// Onto answers where a place on the flat comes to on the middle surface, and the way outwards there;
// false in a lap, in a pinch and beside the blank.
func (r *Round) Onto(p profile.Point) (at, out solid.Vector, ok bool) {
	near := 1e-3 // beside a bend, where the flats on both sides of it lie over each other or apart
	for _, slack := range []float64{1e-7, near, .1} {
		for i := range len(r.Strip) - 1 {
			q := p.Sub(r.by[i])
			for _, tri := range r.triangles(i) {
				if w, is := weights2(tri.flat, q, slack); is {
					at = tri.body[0].Mul(w[0]).Add(tri.body[1].Mul(w[1])).Add(tri.body[2].Mul(w[2]))
					return at, r.outward(tri.body), true
				}
			}
		}
	}
	return at, out, false
}

// Where answers how far round and how high a place on the middle surface is, as Placed takes them.
func (r *Round) Where(v solid.Vector) (round, up float64) {
	c := r.middle(v[2])
	return math.Atan2(v[1]-c.Y, v[0]-c.X) * 180 / math.Pi, v[2]
}

// pair is a triangle on the body and on the flat.
type pairOf struct {
	body [3]solid.Vector
	flat [3]profile.Point
}

// triangles answers the two triangles of the facet after ruling i that have an area.
func (r *Round) triangles(i int) (out []pairOf) {
	a, b := r.Strip[i], r.Strip[i+1]
	for _, x := range []pairOf{
		{[3]solid.Vector{a.Bottom, a.Top, b.Top}, [3]profile.Point{r.bottom[i], r.top[i], r.top[i+1]}},
		{[3]solid.Vector{a.Bottom, b.Top, b.Bottom}, [3]profile.Point{r.bottom[i], r.top[i+1], r.bottom[i+1]}}} {
		if triangle(x.body[0], x.body[1], x.body[2]) > 1e-9 {
			out = append(out, x)
		}
	}
	return out
}

// outward answers the unit normal of a triangle away from the inside: the flat shows the outside.
func (r *Round) outward(t [3]solid.Vector) solid.Vector {
	n := t[2].Sub(t[0]).Cross(t[1].Sub(t[0])).Unit()
	if r.flip {
		n = n.Mul(-1)
	}
	return n
}

// weights2 answers a place as the weights of a triangle's corners; false outside of it by more than slack mm.
func weights2(t [3]profile.Point, p profile.Point, slack float64) (w [3]float64, ok bool) {
	whole := t[1].Sub(t[0]).Cross(t[2].Sub(t[0]))
	for k := range 3 {
		a, b := t[(k+1)%3], t[(k+2)%3]
		area := b.Sub(a).Cross(p.Sub(a))
		w[k] = area / whole
		if w[k]*math.Abs(whole) < -slack*b.Sub(a).Len() {
			return w, false
		}
	}
	return w, true
}

// weights3 answers a place in a triangle's plane as the weights of its corners.
func weights3(t [3]solid.Vector, p solid.Vector) (w [3]float64, ok bool) {
	n := t[1].Sub(t[0]).Cross(t[2].Sub(t[0]))
	whole := n.Dot(n)
	for k := range 3 {
		a, b := t[(k+1)%3], t[(k+2)%3]
		w[k] = b.Sub(a).Cross(p.Sub(a)).Dot(n) / whole
		if w[k] < -1e-6 {
			return w, false
		}
	}
	return w, true
}
