package joint

import (
	"fmt"
	"strings"

	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// manyNuts is from how many loose nuts of one joint it is worth making them captive (practice).
const manyNuts = 8

// proposeCaptive offers nuts that are fast in the last ply where loose ones are held again and again: a
// joint that is taken apart, or one of many bolts. What is offered was worked out: it holds no
// worse, and brings no stop.
func (j *joint) proposeCaptive() {
	t := j.in.Tighten
	if j.in.trying || !j.kind.threaded() || j.kind.captive() || j.in.Nut.Set() != Turned || !t.Reused && len(j.in.Holes) < manyNuts {
		return
	}
	for _, f := range j.out.Findings { // what does not go together as it is has other ways out
		if f.Severity == working.Stop {
			return
		}
	}
	last := j.plies[len(j.plies)-1]
	if !last.metal {
		return
	}
	var fixes []working.Fix
	var names []string
	for _, c := range []struct {
		nut  Nut
		name string
		fits bool
	}{{WeldNut, "weld nuts where it may be welded", last.material.Family == stock.Steel && last.Thickness >= 1},
		{RivetNut, "rivet nuts", last.Thickness >= .5 && last.Thickness <= 6}, {Tapped, "a thread in " + last.Name,
			last.Thickness >= j.thread.Diameter}} {
		if !c.fits {
			continue
		}
		to := j.in
		to.trying = true
		to.Nut, to.Tighten.Locking = c.nut, MetalLock
		if c.nut == Tapped {
			to = to.with(func(*Ply) {})
			to.Plies[len(to.Plies)-1].Hole = 0
		}
		r, ok := proved(*j.out, to)
		if !ok || strength.Worse(r.Verdict, j.out.Verdict) {
			continue
		}
		names = append(names, c.name)
		if c.nut != Tapped { // a hole that is there already is not made a smaller one by a press
			fixes = append(fixes, fix(strings.ToUpper(c.name[:1])+c.name[1:], "/nut", c.nut, "/tighten/locking", MetalLock))
		}
	}
	if len(names) == 0 {
		return
	}
	why := fmt.Sprintf("%d loose nuts are held one by one", len(j.in.Holes))
	if t.Reused {
		why = "It is taken apart again and again and its nuts are loose: each time somebody holds them"
	}
	j.say("captive", working.Note, "Staying tight", why+". Made fast in "+last.Name+" they turn by one tool: "+strings.Join(names,
		", or ")+
		", of a kind that locks (all-metal); each was worked out and holds no worse.", fixes...)
}
