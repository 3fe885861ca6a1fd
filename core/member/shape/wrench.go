package shape

import (
	"fmt"
	"math"

	"warmanvil/core/member"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// BoltOf answers the thread a hole of a diameter in mm goes with best: the one whose usual
// clearance hole is nearest, of a system where one is named and has any. False where none
// goes through it with play.
func BoltOf(hole float64, of ...stock.System) (best stock.Thread, ok bool) {
	off := math.Inf(1)
	for _, t := range stock.Threads {
		if len(of) > 0 && t.System != of[0] {
			continue
		}
		if d := math.Abs(hole - t.Clearance.Normal); t.Coarse && hole > t.Diameter && d < off && d < .2*t.Diameter {
			best, off, ok = t, d, true
		}
	}
	if !ok && len(of) > 0 {
		return BoltOf(hole)
	}
	return best, ok
}

// wrench looks at the room beside a base plate's holes: a socket must go over the head
// between the hole and the member's wall with its weld.
func (b *Built) wrench(p member.Plate, at PlateAt, r *Run, square bool) {
	t, ok := BoltOf(p.Hole)
	hw, known := stock.HardwareFor(t)
	if p.Kind != "base" || !ok || !known {
		return
	}
	if !square { // the wall leans over the holes on one side, farther the higher a socket reaches
		b.say("plate-wrench-open", working.Mind, p.ID, fmt.Sprintf("%s lies on a slanted cut or on a tube: %s leans over the holes on one side, "+
			"and room for a socket for %s is not worked out there. Try one on the bench before it is welded.", PlateName(p), at.Owner, t.Size))
		return
	}
	w, h := (r.Box.Right-r.Box.Left)/2, (r.Box.Top-r.Box.Bottom)/2
	need, least := hw.Socket/2+1, math.Inf(1)
	for _, q := range at.Holds {
		least = math.Min(least, math.Hypot(math.Max(math.Abs(q[0])-w, 0), math.Max(math.Abs(q[1])-h, 0)))
	}
	least -= p.Leg
	if least >= need-1e-9 || math.IsInf(least, 1) {
		return
	}
	fine := func(mm float64) string { // in the system of the bolt
		if t.System == stock.Inch {
			return fmt.Sprintf(`%.3f"`, mm/25.4)
		}
		return fmt.Sprintf("%.1f mm", mm)
	}
	b.say("plate-wrench", working.Mind, p.ID, fmt.Sprintf("%s: a socket for %s needs %s beside its hole, and %s is left between the hole and "+
		"the wall of %s with its weld. Set the holes out, or take a larger plate.", PlateName(p), t.Size, fine(need), fine(math.Max(least, 0)),
		at.Owner))
	last := &b.Findings[len(b.Findings)-1]
	last.Working = &working.Working{Method: "Room for a socket beside a member", Source: "socket's outside by practice: " + stock.ToolSource,
		Formula: "e − leg ≥ socket/2 + 1 mm", Inputs: []working.Quantity{working.MM("s", "socket's outside", hw.Socket),
			working.MM("leg", "fillet round the member", p.Leg)},
		Assumptions: []string{"the member's outline is the box about its section"},
		Result:      working.MM("e", "hole's centre to the member's wall, least, less the leg", math.Max(least, 0))}
}
