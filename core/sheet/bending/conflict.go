package bending

import (
	"fmt"
	"math"
	"slices"

	"warmanvil/core/sheet/lay"
)

// reason is why a stroke cannot be made in a state, however it is laid and tooled: of all
// ways that were tried the one that came farthest.
type reason struct {
	says string
	far  float64 // rad turned until then
}

// why answers the reason.
func (p *planner) why(s int, made uint64) reason {
	t := &p.body.strokes[s]
	if !p.rests(s, made) {
		if p.brake.Kind == Press {
			return reason{says: fmt.Sprintf("what is bent beside it leaves too little flat sheet to lie on both shoulders of the die (%s)",
				p.body.inch(p.need(t)))}
		}
		return reason{says: "what is bent beside it leaves too little flat sheet to hold"}
	}
	if x := p.crossed(s, made); x != nil {
		return reason{says: fmt.Sprintf("%s runs into %s", p.itemName(x[1]), p.itemName(x[0]))}
	}
	best := reason{far: -1}
	take := func(says string, far float64) {
		if far >= best.far {
			best = reason{says, far}
		}
	}
	r := &p.rigs[s]
	if len(r.uppers) == 0 || len(r.lowers) == 0 {
		return reason{says: "the tools there are cannot be put together to its length"}
	}
	for lay := range 2 {
		for k := range r.lowers {
			p.hits(s, lay, made, r.lowers[k].elements, take)
		}
		for k := range r.uppers {
			if p.hits(s, lay, made, r.uppers[k].elements, take) {
				continue
			}
			if w, free := p.inAndOut(s, lay, k, made); !free {
				if w == 0 && p.brake.Kind == Press {
					take("the part closes round the punch and comes neither off its end nor out when it rises", t.fold)
				} else {
					take("the part closes round the tools and cannot be taken out", t.fold)
				}
			}
		}
	}
	return best
}

// hits tells whether something runs into tools, and what came first.
func (p *planner) hits(s, lay int, made uint64, list []element, take func(says string, far float64)) bool {
	t, at, what := &p.body.strokes[s], math.Inf(1), ""
	for i := range p.items {
		if p.skips(s, i) {
			continue
		}
		h := p.found[s].w.tools(&p.rigs[s].motion, p.side(s, i, lay), p.placed(s, i, made), list, t.aim, first)
		if a := math.Min(float64(h.at)*grid, t.aim); h.at >= 0 && a < at {
			at, what = a, fmt.Sprintf("%s runs into %s at %.0f°", p.itemName(i), list[h.what].what, a*180/math.Pi)
			if a == 0 {
				what = fmt.Sprintf("%s stands where %s has to be", p.itemName(i), list[h.what].what)
			}
		}
	}
	if what != "" {
		take(what, at)
	}
	return what != ""
}

// can tells whether a stroke can be made at all in a state.
func (p *planner) can(s int, made uint64) bool {
	if !p.rests(s, made) || p.crossed(s, made) != nil {
		return false
	}
	for lay := range 2 {
		if _, is := p.try(s, lay, made); is {
			return true
		}
	}
	return false
}

// conflict names what stands in the way: one bend that can never be made, two of which each
// hinders the other, or what is left when no more can be bent.
func (p *planner) conflict(plan plan) *BendingConflict {
	c := &BendingConflict{Proven: plan.exact}
	n := len(p.body.strokes)
	upper := func(s string) string { return lay.Upper(s) }
	for s := range n {
		if !p.can(s, 0) {
			c.ids(p, s)
			c.Says = fmt.Sprintf("%s cannot be bent even while all else is flat: %s.", upper(p.strokeName(s)), p.why(s, 0).says)
			return c
		}
	}
	for a := range n {
		for b := a + 1; b < n; b++ {
			if p.can(b, 1<<a) || p.can(a, 1<<b) {
				continue
			}
			c.ids(p, a, b)
			c.Says = fmt.Sprintf("%s and %s hinder each other. With %s bent first, %s; with %s bent first, %s.", upper(p.strokeName(a)),
				lay.Lower(p.strokeName(b)), lay.Lower(p.strokeName(a)), p.why(b, 1<<a).says, lay.Lower(p.strokeName(b)), p.why(a,
					1<<b).says)
			return c
		}
	}
	left, why := []int{}, ""
	for s := range n {
		if plan.best&(1<<s) == 0 {
			left = append(left, s)
			if why == "" {
				why = fmt.Sprintf("%s: %s", upper(p.strokeName(s)), p.why(s, plan.best).says)
			}
		}
	}
	c.ids(p, left...)
	c.Says = fmt.Sprintf("Of %d bends %d can be made, then none of the others. %s.", n, n-len(left), why)
	return c
}

func (c *BendingConflict) ids(p *planner, strokes ...int) {
	for _, s := range strokes {
		for _, i := range p.body.strokes[s].panels {
			c.IDs = append(c.IDs, p.body.panels[i].id)
		}
	}
	c.IDs = slices.Compact(c.IDs)
}
