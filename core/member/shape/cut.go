package shape

import (
	"fmt"
	"math"

	"warmanvil/core/member"
	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// told answers an end as it is set on the saw.
func (r *Run) told(e int, ts []float64, p *Piece, limit float64, b *Built) Cut {
	s := r.cuts[e]
	lim := Bounds(ts)
	c := Cut{Kind: s.kind, Cut: 90, Lies: "bottom", Slant: lim[1] - lim[0]}
	wanted := r.A.Gap
	if e == 1 {
		wanted = r.B.Gap
	}
	c.Gap = wanted + s.gap
	formed := s.kind == member.Fold || s.kind == member.Bent
	if s.kind != member.Square && !formed {
		c.Filler = filler(c.Gap)
	}
	if c.Slant > 1e-6 {
		c.Long = r.longSide(e, ts)
	}
	if member.Round(r.Section) && c.Slant > 1e-6 {
		c.Wrap = r.wrap(s, e)
	}
	if s.radius > 0 {
		axis := solid.Vector(s.along)
		sin := math.Sqrt(math.Max(0, 1-math.Pow(axis.Dot(r.Axes.X), 2)))
		n := axis.Cross(r.Axes.X)
		c.Cut = math.Asin(sin) * 180 / math.Pi
		c.Hole = &HoleSaw{Diameter: 2 * s.radius, Angle: c.Cut, Offset: math.Abs(r.Start.Sub(s.at).Dot(n.Unit()))}
		return c
	}
	// The cut's normal in the member's own axes, along the member positive.
	n := [3]float64{s.normal.Dot(r.Axes.X), s.normal.Dot(r.Axes.Y), s.normal.Dot(r.Axes.Z)}
	along := math.Abs(n[0])
	c.Cut = math.Asin(math.Min(along, 1)) * 180 / math.Pi
	deg := func(v float64) float64 { return math.Abs(v) * 180 / math.Pi }
	flat, upright := deg(math.Atan2(n[1], along)), deg(math.Atan2(n[2], along))
	if flat >= upright { // lying on its bottom, the blade turns across its width
		c.Saw, c.Tilt = flat, deg(math.Atan2(n[2], math.Hypot(along, n[1])))
	} else {
		c.Lies, c.Saw, c.Tilt = "side", upright, deg(math.Atan2(n[1], math.Hypot(along, n[2])))
	}
	if c.Saw < 1e-6 {
		c.Saw = 0
	}
	if c.Tilt < 1e-6 {
		c.Tilt = 0
	}
	p.Turned[e] = [2]float64{math.Atan2(n[1], n[0]), math.Atan2(n[2], n[0])}
	if math.Max(c.Saw, c.Tilt) > limit+1e-9 && !formed {
		b.say("saw-limit", working.Mind, r.ID,
			fmt.Sprintf("%s, %s end: the saw would stand at %.1f° from square, past its %.0f°. Turn the piece and cut from its other side, notch "+
				"it, or cope it by template.", r.Named(), [2]string{"first", "second"}[e], math.Max(c.Saw, c.Tilt), limit))
	}
	return c
}

// longSide names the side of the long point.
func (r *Run) longSide(e int, ts []float64) string {
	best, at := math.Inf(-1), [2]float64{}
	far := []int{}
	for i, t := range ts {
		if e == 0 {
			t = -t
		}
		if t > best+1e-6 {
			best, far = t, far[:0]
		}
		if t > best-1e-6 {
			far = append(far, i)
		}
	}
	for _, i := range far {
		at[0] += r.Outer[i][0] / float64(len(far))
		at[1] += r.Outer[i][1] / float64(len(far))
	}
	w, h := (r.Box.Right-r.Box.Left)/2, (r.Box.Top-r.Box.Bottom)/2
	x, y := at[0]-(r.Box.Left+r.Box.Right)/2, at[1]-(r.Box.Bottom+r.Box.Top)/2
	words := ""
	if math.Abs(y) > .4*h {
		words = map[bool]string{true: "top", false: "bottom"}[y > 0]
	}
	if math.Abs(x) > .4*w {
		side := map[bool]string{true: "right", false: "left"}[x > 0]
		if words != "" {
			return words + " " + side
		}
		return side
	}
	return words
}

// wrap answers cut depths every 10° round a round tube.
func (r *Run) wrap(s surface, e int) (out []float64) {
	least := math.Inf(1)
	R := r.Section.Diameter / 2
	for i := range 36 {
		sin, cos := math.Sincos(float64(i) * math.Pi / 18)
		t, _ := r.meets(s, e, [2]float64{R * cos, R * sin})
		if e == 1 {
			t = -t
		}
		out = append(out, -t)
		least = math.Min(least, -t)
	}
	for i := range out { // the long point is the highest
		out[i] -= least
	}
	return out
}

// filler answers what a gap asks of the weld (AWS D1.1 5.21.1: up to 1.6 mm as it
// is, to 4.8 mm the leg grows by the gap, beyond it is built up or backed).
func filler(gap float64) string {
	switch {
	case gap <= 1.6+1e-9:
		return "fits: fillet as designed"
	case gap <= 4.8+1e-9:
		return fmt.Sprintf("leg grows by the gap of %.1f mm", gap)
	}
	return fmt.Sprintf("a gap of %.1f mm is past welding over: cope it, build it up or back it", gap)
}

// drains are vent and drain holes of a closed tube: one at each end, on the
// bottom of what lies and at both ends' low side of what stands.
func drains(r *Run) []string {
	d := math.Max(6, math.Round(.2*math.Min(r.Box.Right-r.Box.Left, r.Box.Top-r.Box.Bottom)))
	side := "its lower side"
	if math.Abs(r.Axes.X[2]) > .7 {
		side = "the side away from spray"
	}
	return []string{fmt.Sprintf("Ø %.0f mm on %s, 25 mm from each end: vents while it is welded and coated, drains after", d, side)}
}

// splice tells how a member of two pieces is joined.
func (b *Built) splice(r *Run, p *Piece) {
	if r.Splice == nil {
		return
	}
	depth := math.Max(r.Box.Right-r.Box.Left, r.Box.Top-r.Box.Bottom)
	long := r.Splice.Long
	if long == 0 {
		long = 4 * depth
	}
	at := r.Splice.At - p.bounds[0][0]
	if at < long/2 || at > p.Length-long/2 {
		b.say("splice", working.Stop, r.ID, fmt.Sprintf("%s: the splice at %.0f mm does not fit on the piece with its %.0f mm.",
			r.Named(), r.Splice.At, long))
		return
	}
	p.Splice = &SpliceTold{Kind: r.Splice.Kind, At: at, Long: long, Says: r.spliceSays(long)}
	if r.Splice.Kind == "sleeve" && !member.Closed(r.Section) {
		b.say("splice-sleeve", working.Stop, r.ID, r.Named()+": an open section has no inside for a sleeve; take plates.")
	}
}

// crossings tells of members that run through one another without a point
// together.
func (b *Built) crossings() {
	at := b.Laid.At
	for i, r := range b.Runs {
		if r.why != "" {
			continue
		}
		for _, o := range b.Runs[:i] {
			if o.why != "" {
				continue
			}
			shared := false
			for _, p := range []string{r.From, r.To} {
				for _, q := range []string{o.From, o.To} {
					shared = shared || at[p] == at[q]
				}
			}
			if shared || r.A.Onto == o.ID || r.B.Onto == o.ID || o.A.Onto == r.ID || o.B.Onto == r.ID {
				continue
			}
			if d, s, t := lines(r, o); d < 1 && s > 1 && s < r.Length-1 && t > -1 && t < o.Length+1 || d < 1 && t > 1 && t < o.Length-1 &&
				s > -1 && s < r.Length+1 {
				b.say("not-joined", working.Mind, r.ID,
					fmt.Sprintf("%s and %s meet away from a point: they are not joined. Set a point there and run both to it.", r.Named(), o.Named()))
			}
		}
	}
}

// lines answers the least distance of two members' lines and where along each.
func lines(a, b *Run) (d, s, t float64) {
	w := a.Start.Sub(b.Start)
	c := a.Axes.X.Dot(b.Axes.X)
	p, q := a.Axes.X.Dot(w), b.Axes.X.Dot(w)
	n := 1 - c*c
	if n < 1e-9 {
		return math.Inf(1), 0, 0
	}
	s, t = (c*q-p)/n, (q-c*p)/n
	s, t = math.Min(math.Max(s, 0), a.Length), math.Min(math.Max(t, 0), b.Length)
	return a.Start.Add(a.Axes.X.Mul(s)).Sub(b.Start.Add(b.Axes.X.Mul(t))).Len(), s, t
}
