package flags

import (
	"fmt"
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/solid"
)

// slab is a convex plate on the folded body: a panel, a part of one, or a slice
// of a bend.
type slab struct {
	owner  *lay.Panel
	bent   bool // a slice of the owner's bend
	axes   []solid.Vector
	sides  []solid.Vector // directions of its edges, its normal the last
	ring   []solid.Vector // corners of its mid-surface
	normal solid.Vector
	half   float64
	lo, hi solid.Vector
}

// touch is how deep two pieces may sit in each other before they collide, mm.
const touch = .05

// checkFold finds pieces of the folded body that run into each other, by
// separating axes of convex plates; a bend counts as slices.
func (b *flagger) checkFold() {
	slabs := b.slabs()
	told := map[[2]*lay.Panel]bool{}
	for i := range slabs {
		for j := i + 1; j < len(slabs); j++ {
			s, o := &slabs[i], &slabs[j]
			if s.neighbours(o) || told[[2]*lay.Panel{s.owner, o.owner}] || !s.near(o) || !s.meets(o) {
				continue
			}
			told[[2]*lay.Panel{s.owner, o.owner}] = true
			b.Stop("fold-collision", "Folding", o.owner,
				fmt.Sprintf("Folded, %s and %s run into each other: shorten one, set it in, or change an angle.",
					lay.Lower(s.owner.Name), lay.Lower(o.owner.Name)))
		}
	}
}

func (b *flagger) slabs() []slab {
	t := b.Recipe.Thickness / 2
	out := make([]slab, 0, 5*len(b.Panels))
	room := make([]solid.Vector, 0, 50*len(b.Panels)) // for corners and ways of them all
	for _, p := range b.Panels {
		for _, part := range convex(p.Outlined()) {
			out = append(out, newSlab(p, false, part, p.Frame, t, &room))
		}
		if p.Flange == nil {
			continue
		}
		// A slice is as long as on the inside of the bend, so that none sticks out
		// past its tangent lines and meets the next bend at a corner.
		slices := max(4, int(math.Ceil(p.Flange.Angle/45)))
		step := p.Flange.Angle / float64(slices)
		w, y := p.Zone, p.Flange.InsideRadius*math.Tan(step*math.Pi/360)
		for k := range slices {
			out = append(out, newSlab(p, true, []profile.Point{{Y: -y}, {X: w, Y: -y}, {X: w, Y: y}, {Y: y}},
				b.Swing(p, step*(float64(k)+.5)), t, &room))
		}
	}
	return out
}

// convex answers an outline in convex parts: itself, or its triangles.
func convex(p []profile.Point) [][]profile.Point {
	for i, q := range p {
		r, s := p[(i+1)%len(p)], p[(i+2)%len(p)]
		if r.Sub(q).Cross(s.Sub(r)) < -sheet.Tiny {
			var out [][]profile.Point
			for _, t := range solid.Triangulate(p, nil) {
				out = append(out, t[:])
			}
			return out
		}
	}
	return [][]profile.Point{p}
}

func newSlab(p *lay.Panel, bent bool, flat []profile.Point, f lay.Frame, half float64, room *[]solid.Vector) slab {
	n := len(flat)
	take := func(n int) []solid.Vector {
		if cap(*room)-len(*room) < n {
			return make([]solid.Vector, n)
		}
		at := len(*room)
		*room = (*room)[:at+n]
		return (*room)[at : at+n : at+n]
	}
	s := slab{owner: p, bent: bent, normal: f.Ez, half: half, ring: take(n), sides: take(n + 1)[:0], axes: take(n + 1)[:0],
		lo: solid.Vector{math.Inf(1), math.Inf(1), math.Inf(1)}}
	s.hi = s.lo.Mul(-1)
	for i, q := range flat {
		s.ring[i] = f.Apply(q, 0)
		for k := range 3 {
			r := math.Abs(f.Ez[k]) * half
			s.lo[k], s.hi[k] = math.Min(s.lo[k], s.ring[i][k]-r), math.Max(s.hi[k], s.ring[i][k]+r)
		}
	}
	for i := range s.ring {
		d := s.ring[(i+1)%n].Sub(s.ring[i])
		l := d.Len()
		if l < sheet.Tiny {
			continue
		}
		d = d.Mul(1 / l)
		parallel := false
		for _, o := range s.sides {
			parallel = parallel || math.Abs(o.Dot(d)) > 1-1e-9
		}
		if !parallel {
			s.sides = append(s.sides, d)
			s.axes = append(s.axes, d.Cross(f.Ez))
		}
	}
	s.axes, s.sides = append(s.axes, f.Ez), append(s.sides, f.Ez)
	return s
}

// neighbours are pieces that run on into each other by design.
func (s *slab) neighbours(o *slab) bool {
	return s.owner == o.owner || s.owner.Parent == o.owner || o.owner.Parent == s.owner ||
		s.bent && o.bent && s.owner.Parent == o.owner.Parent && s.owner.On == o.owner.On
}

func (s *slab) near(o *slab) bool {
	for i := range 3 {
		if s.lo[i] > o.hi[i] || o.lo[i] > s.hi[i] {
			return false
		}
	}
	return true
}

// meets is the separating-axis test of two plates, which may sit in each other
// by a touch on either side.
func (s *slab) meets(o *slab) bool {
	apart := func(axis solid.Vector) bool {
		l := axis.Len()
		if l < 1e-5 {
			return false
		}
		a, b := s.along(axis)
		c, d := o.along(axis)
		return min(b, d)-max(a, c) <= 2*touch*l
	}
	for _, a := range s.axes {
		if apart(a) {
			return false
		}
	}
	for _, a := range o.axes {
		if apart(a) {
			return false
		}
	}
	for _, a := range s.sides {
		for _, b := range o.sides {
			if apart(a.Cross(b)) {
				return false
			}
		}
	}
	return true
}

// along answers where the plate begins and ends along an axis.
func (s *slab) along(axis solid.Vector) (lo, hi float64) {
	lo, hi = math.Inf(1), math.Inf(-1)
	for _, v := range s.ring {
		d := v.Dot(axis)
		lo, hi = math.Min(lo, d), math.Max(hi, d)
	}
	r := math.Abs(s.normal.Dot(axis)) * s.half
	return lo - r, hi + r
}
