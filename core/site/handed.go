package site

import (
	"fmt"
	"math"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
)

// oppositeWithin is how nearly two places mirror each other across the vehicle,
// beyond their own size, to be taken for the two sides of one set, mm (practice).
const oppositeWithin = 60.

// handed answers, by id of what is placed, where the hands of parts do not come out as
// they stand on the vehicle: two opposite each other that are the same hand, and a twin
// that the part does not make. Parts that are their own twins are left alone.
func (s *stander) handed(v vehicle.Survey) map[string][]working.Finding {
	out := map[string][]working.Finding{}
	own := map[string]bool{}
	twinless := func(id string, r sheet.Recipe) bool {
		same, known := own[id]
		if !known {
			same = lay.Symmetrical(r)
			own[id] = same
		}
		return same
	}
	for i, p := range v.Placed {
		part, ok := s.parts[p.Part]
		a := s.stand(p.ID)
		if !ok || part.Err != nil || a.Why != "" {
			continue
		}
		say := func(code, reason string) {
			out[p.ID] = append(out[p.ID],
				working.Finding{Code: code, Severity: working.Mind, Cause: "Left and right", Name: a.told.Name, Reason: reason})
		}
		if p.Twin && !part.Recipe.Hand.Pair && !twinless(p.Part, part.Recipe) {
			say("no-twin", fmt.Sprintf("It stands as the mirrored twin of %s, and that part is not a left and right pair: only the "+
				"hand drawn is "+
				"made. Make it a pair on the Shape bench.", part.Name))
		}
		for _, q := range v.Placed[:i] {
			if q.Part != p.Part || q.Twin != p.Twin {
				continue
			}
			b := s.stand(q.ID)
			if b.Why != "" || !a.opposite(b) || twinless(p.Part, part.Recipe) {
				continue
			}
			hand := "as drawn"
			if p.Twin {
				hand = "the mirrored twin"
			}
			say("same-hand", fmt.Sprintf("It stands opposite %s on the other side of the vehicle, and both are %s: they come out "+
				"the same hand. "+
				"If they are to mirror each other, make one of them the twin, and the part a left and right pair.", b.told.Name, hand))
		}
	}
	return out
}

// opposite tells whether two bodies mirror each other across the middle of the
// vehicle. The same hand twice, set by mirrored corners, has its middles off by
// up to its own size: that is let pass too.
func (d *stand) opposite(o *stand) bool {
	p, q := d.thing.Body.Middle(), o.thing.Body.Middle()
	lo, hi := d.thing.Body.Bounds()
	near := func(axis int, off float64) bool { return math.Abs(off) < oppositeWithin+hi[axis]-lo[axis] }
	return p[1]*q[1] < 0 && math.Abs(p[1]) > oppositeWithin && near(0, p[0]-q[0]) && near(1, p[1]+q[1]) && near(2, p[2]-q[2])
}
