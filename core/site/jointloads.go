package site

import (
	"slices"

	"warmanvil/core/brief"
	"warmanvil/core/hold"
	"warmanvil/core/joint"
	"warmanvil/core/profile"
	"warmanvil/core/sheet/made"
	"warmanvil/core/solid"
)

// loadsThrough carries what stands on a bracket along to the bolts of a joint:
// every foot in every case, from the middle of the holes that carry it, in the
// axes of the flat pattern and off the vehicle.
func (s *site) loadsThrough(j brief.Joint, p *BuiltPart) ([]joint.Case, string) {
	b := s.Brief
	k := slices.IndexFunc(b.Mounts, func(m brief.Mount) bool { return m.ID == j.Mount })
	if k < 0 || b.Mounts[k].Part != j.Part {
		return nil, "The bracket its loads come from is not there any more, or is of another part: choose it again, or type the loads."
	}
	m := b.Mounts[k]
	d, ok := b.Device(m.Device)
	if !ok {
		return nil, "Say what stands on the bracket its loads come from."
	}
	feet := s.feet[d.ID]
	if feet.why != "" {
		return nil, feet.why
	}
	loads, why := b.LoadsOn(m, d, feet.cases)
	if why != "" {
		return nil, why
	}
	into, ok := m.Hold.Into()
	if !ok {
		return nil, "Up and forward of the bracket its loads come from point one way: say which way it stands."
	}
	var from solid.Vector
	n := 0.
	var first *made.HoleMade
	for i := range p.Built.Holes {
		h := &p.Built.Holes[i]
		if slices.Contains(m.Hold.Carry, h.Feature) {
			from, n = from.Add(h.Body), n+1
		}
		if first == nil && slices.Contains(j.Features, h.Feature) {
			first = h
		}
	}
	if n == 0 {
		return nil, "Say which holes of the bracket carry the load."
	}
	x, y, off, ok := flatAxes(p.Built, first, m.Hold.Against)
	if !ok {
		return nil, "The panel its bolts stand on is not on the part any more."
	}
	r := from.Mul(1 / n).Sub(first.Body)
	at := [3]float64{first.Centre.X + r.Dot(x), first.Centre.Y + r.Dot(y), r.Dot(off)}
	out := make([]joint.Case, len(loads))
	for i, l := range loads {
		f := into(l.Force)
		out[i] = joint.Case{Name: l.Name(), Force: [3]float64{f.Dot(x), f.Dot(y), f.Dot(off)}, At: at, Done: true}
	}
	return out, ""
}

// flatAxes answers the ways of the flat pattern's axes on the body at a hole, and
// the way off the vehicle there, where the heads are.
func flatAxes(p made.Part, h *made.HoleMade, against hold.Face) (x, y, off solid.Vector, ok bool) {
	for _, q := range p.Panels {
		if q.ID != h.Panel || p.Round != nil {
			continue
		}
		s := q.Seat
		a, b := q.Onto(profile.Point{X: 1}), q.Onto(profile.Point{Y: 1})
		off = s.Z
		if against == hold.Good {
			off = off.Mul(-1)
		}
		return s.X.Mul(a.X).Add(s.Y.Mul(b.X)), s.X.Mul(a.Y).Add(s.Y.Mul(b.Y)), off, true
	}
	return x, y, off, false
}
