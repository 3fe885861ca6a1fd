package flags

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/working"
)

// MasterTold is the master as it stands in the job, for Options.
type MasterTold struct {
	Name   string
	Recipe sheet.Recipe
	Itself bool // the part names itself
}

// masterWithin is how far a layout may be off its master before they are told to
// differ, mm: rounding, no play.
const masterWithin = .1

// checkMaster asks whether matched holes have one master, no copy of a copy, and
// whether it has holes where they are.
func (b *flagger) checkMaster() {
	whole := &lay.Panel{ID: "sheet", Name: "Sheet"}
	var matched []*lay.Hole
	for i := range b.Holes {
		if b.Holes[i].Recipe.Made == sheet.MadeMatched {
			matched = append(matched, &b.Holes[i])
		}
	}
	m := b.Recipe.Master
	const cause = "Master"
	if m == nil {
		if len(matched) > 0 && b.Quantity > 1 {
			n := b.Quantity - 1
			at, row, one := len(b.Findings), Chained(n), Apart()
			b.Note("master-first", cause, whole, fmt.Sprintf("%d are made with holes drilled through their mate: mark one as the master and drill "+
				"every other through that one, never through a copy. From one master no two are more than %s off each other; each through the one "+
				"before, the last is %s off the first, or up to %s.",
				b.Quantity, b.Len(one.Worst), b.Len(row.Likely), b.Len(row.Worst)))
			b.Attach(at, func() working.Working { return growth(n) })
		}
		return
	}
	off := b.Fix("No master", "/master", nil)
	told := b.Master
	switch {
	case told == nil:
		b.Stop("master-gone", cause, whole, fmt.Sprintf("Its holes are drilled through %s, and that part is not in the job any more: "+
			"choose another.", m.Name), off)
		return
	case told.Itself:
		b.Stop("master-itself", cause, whole, "It names itself as its master: one of several is the master by being marked, not by its drawing.",
			off)
		return
	case len(matched) == 0:
		b.Mind("master-idle", cause, whole, fmt.Sprintf("It is to be drilled through %s, and none of its holes is made through its mate: say "+
			"so at the holes.", told.Name), off)
		return
	}
	if further := told.Recipe.Master; further != nil {
		at, row := len(b.Findings), Chained(2)
		b.Stop("copy-of-copy", cause, whole, fmt.Sprintf("%s is drilled through %s itself: a copy of a copy adds the play of both, %s likely "+
			"and up to %s at the second. Drill this one through %s too.", told.Name, further.Name, b.Len(row.Likely),
			b.Len(row.Worst), further.Name),
			b.Fix("Through "+further.Name, "/master", *further), off)
		b.Attach(at, func() working.Working { return growth(2) })
		return
	}
	b.checkMasterLayout(told, matched)
}

func (b *flagger) checkMasterLayout(told *MasterTold, matched []*lay.Hole) {
	o := lay.Out(told.Recipe, told.Recipe.Bend.School, b.Display)
	if len(o.Panels) == 0 || o.Broken {
		b.Stop("master-broken", "Master", matched[0].Subject(), told.Name+", its master, cannot be unfolded as it stands: mend that first.")
		return
	}
	mine := map[*lay.Panel][]*lay.Hole{}
	for _, h := range matched {
		mine[h.Panel] = append(mine[h.Panel], h)
	}
	for _, p := range b.Panels {
		if len(mine[p]) == 0 {
			continue
		}
		fits, best := false, 0
		for _, q := range o.Panels {
			var there []*lay.Hole
			for i := range o.Holes {
				if o.Holes[i].Panel == q {
					there = append(there, &o.Holes[i])
				}
			}
			n := laysOn(mine[p], there)
			best = max(best, n)
			fits = fits || n == len(mine[p])
		}
		if !fits {
			b.Mind("master-layout", "Master", p, fmt.Sprintf("On %s %d holes are drilled through %s, and laid on it, either face, %d of them at "+
				"most lie over holes there that are no larger (within %s). Bring the layouts together, or drill through another.",
				lay.Lower(p.Name), len(mine[p]), told.Name, best, b.Len(masterWithin)))
		}
	}
}

// laysOn answers how many of the holes lie over holes of the master that guide a
// drill, in the best way to lay one panel on the other. Any two pairs of holes
// fix a way.
func laysOn(mine, master []*lay.Hole) (best int) {
	round := func(list []*lay.Hole) (out []*lay.Hole) {
		for _, h := range list {
			if h.Recipe.Kind == sheet.RoundHole {
				out = append(out, h)
			}
		}
		return out
	}
	mine, master = round(mine), round(master)
	guides := func(m, h *lay.Hole) bool { return m.Dia <= h.Dia+sheet.Tiny }
	if len(mine) == 0 || len(master) == 0 {
		return 0
	}
	// The two farthest apart steer best.
	a := mine[0]
	c := slices.MaxFunc(mine, func(x, y *lay.Hole) int {
		return cmp.Compare(x.Centre.Sub(a.Centre).Len(), y.Centre.Sub(a.Centre).Len())
	})
	if len(mine) == 1 || c.Centre.Sub(a.Centre).Len() < sheet.Tiny {
		for _, m := range master {
			if guides(m, a) {
				return 1
			}
		}
		return 0
	}
	apart := c.Centre.Sub(a.Centre)
	for _, m := range master {
		for _, n := range master {
			way := n.Centre.Sub(m.Centre)
			if m == n || math.Abs(way.Len()-apart.Len()) > 2*masterWithin {
				continue
			}
			for _, over := range []bool{false, true} {
				best = max(best, guided(mine, master, a.Centre, apart, m.Centre, way, over, guides))
			}
		}
	}
	return best
}

// guided counts the holes that lie over guiding ones when apart from a is laid
// along way from m, turned over or not.
func guided(mine, master []*lay.Hole, a, apart, m, way profile.Point, over bool, guides func(m, h *lay.Hole) bool) (n int) {
	x := apart.Mul(1 / apart.Len())
	u := way.Mul(1 / way.Len())
	v := profile.Point{X: -u.Y, Y: u.X}
	if over {
		v = v.Mul(-1)
	}
	for _, h := range mine {
		d := h.Centre.Sub(a)
		at := m.Add(u.Mul(d.Dot(x))).Add(v.Mul(x.Cross(d)))
		for _, o := range master {
			if guides(o, h) && o.Centre.Sub(at).Len() < masterWithin {
				n++
				break
			}
		}
	}
	return n
}
