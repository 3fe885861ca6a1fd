package sheet

import (
	"fmt"
	"math"

	"warmanvil/core/profile"
)

// slab is a box on the folded body: a panel's plate, or a slice of a bend.
type slab struct {
	owner  *panel
	bent   bool // a slice of the owner's bend
	middle Vector
	axes   [3]Vector
	half   [3]float64
	lo, hi Vector
}

// touch is how deep two pieces may sit in each other before they collide, mm.
const touch = .05

// checkFold finds pieces of the folded body that run into each other, by
// separating axes of boxes; a bend counts as four slices.
func (b *builder) checkFold() {
	slabs := b.slabs()
	told := map[[2]*panel]bool{}
	for i := range slabs {
		for j := i + 1; j < len(slabs); j++ {
			s, o := &slabs[i], &slabs[j]
			if s.neighbours(o) || told[[2]*panel{s.owner, o.owner}] || !s.near(o) || !s.meets(o) {
				continue
			}
			told[[2]*panel{s.owner, o.owner}] = true
			b.stop("fold-collision", "Folding", o.owner, fmt.Sprintf("Folded, %s and %s run into each other: shorten one, set it in, or change an angle.", lower(s.owner.name), lower(o.owner.name)))
		}
	}
}

func (b *builder) slabs() []slab {
	t := b.recipe.Thickness / 2
	out := make([]slab, 0, 5*len(b.all))
	for _, p := range b.all {
		w, h := p.size()
		out = append(out, newSlab(p, false, p.frame.apply(profile.Point{X: w / 2, Y: h / 2}, 0), p.frame, w/2, h/2, t))
		if p.flange == nil {
			continue
		}
		// A slice is as long as on the inside of the bend, so that none sticks out
		// past its tangent lines and meets the next bend at a corner.
		const slices = 4
		step := p.flange.Angle / slices
		for k := range slices {
			f := b.swing(p, step*(float64(k)+.5))
			out = append(out, newSlab(p, true, f.apply(profile.Point{X: w / 2}, 0), f, w/2, p.flange.InsideRadius*math.Tan(step*math.Pi/360), t))
		}
	}
	return out
}

func newSlab(p *panel, bent bool, middle Vector, f frame, x, y, z float64) slab {
	s := slab{owner: p, bent: bent, middle: middle, axes: [3]Vector{f.ex, f.ey, f.ez}, half: [3]float64{x - touch, y - touch, z - touch}}
	for i := range 3 {
		r := 0.0
		for k := range 3 {
			r += math.Abs(s.axes[k][i]) * math.Max(s.half[k], 0)
		}
		s.lo[i], s.hi[i] = middle[i]-r, middle[i]+r
	}
	return s
}

// neighbours are pieces that run on into each other by design.
func (s *slab) neighbours(o *slab) bool {
	return s.owner == o.owner || s.owner.parent == o.owner || o.owner.parent == s.owner ||
		s.bent && o.bent && s.owner.parent == o.owner.parent && s.owner.on == o.owner.on
}

func (s *slab) near(o *slab) bool {
	for i := range 3 {
		if s.lo[i] > o.hi[i] || o.lo[i] > s.hi[i] {
			return false
		}
	}
	return true
}

// meets is the separating-axis test of two boxes.
func (s *slab) meets(o *slab) bool {
	d := o.middle.Sub(s.middle)
	apart := func(axis Vector) bool {
		if axis.Dot(axis) < 1e-9 {
			return false
		}
		reach := 0.0
		for k := range 3 {
			reach += math.Abs(s.axes[k].Dot(axis))*math.Max(s.half[k], 0) + math.Abs(o.axes[k].Dot(axis))*math.Max(o.half[k], 0)
		}
		return math.Abs(d.Dot(axis)) >= reach
	}
	for i := range 3 {
		if apart(s.axes[i]) || apart(o.axes[i]) {
			return false
		}
		for k := range 3 {
			if apart(s.axes[i].Cross(o.axes[k])) {
				return false
			}
		}
	}
	return true
}
