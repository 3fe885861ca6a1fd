package shape

import (
	"fmt"
	"strings"

	"warmanvil/core/member"
	"warmanvil/core/working"
)

// overlaps tells of ends that run into another member at their point: both
// would be cut too long.
func (b *Built) overlaps() {
	at := map[int][]int{} // runs by the joints they end at
	for i, r := range b.Runs {
		if b.Pieces[i].Why == "" {
			for _, id := range [2]string{r.From, r.To} {
				at[b.Laid.At[id]] = append(at[b.Laid.At[id]], i)
			}
		}
	}
	var where, who []string
	first := ""
	for k := range b.Laid.Joints {
		list := at[k]
		met := false
		for _, i := range list {
			for _, o := range list {
				if i == o || met || !b.Runs[i].runsInto(b.Runs[o], k, b.Laid) {
					continue
				}
				met = true
				where = append(where, b.Laid.Name(b.Laid.Joints[k].ID))
				if len(who) == 0 {
					first, who = b.Runs[i].ID, []string{b.Runs[i].Named(), b.Runs[o].Named()}
				}
			}
		}
	}
	if len(where) == 0 {
		return
	}
	rest := ""
	if n := len(where); n > 1 {
		rest = ", and so at " + strings.Join(where[1:min(n, 4)], ", ")
		if n > 4 {
			rest += fmt.Sprintf(" and %d more", n-4)
		}
	}
	b.say("ends-overlap", working.Mind, first,
		fmt.Sprintf("At %s %s runs into %s%s: as cut, they overlap. Mitre them, let one butt on the other, or set it back.",
			where[0], who[0], who[1], rest))
}

// runsInto tells whether a run's end at a joint lies inside another member, by
// more than a millimetre.
func (r *Run) runsInto(o *Run, joint int, l *laid) bool {
	const deep = 1. // mm
	for e, id := range [2]string{r.From, r.To} {
		if l.At[id] != joint {
			continue
		}
		in := [2]float64{deep, -deep}[e]
		for _, q := range r.Outer {
			q[0], q[1] = q[0]*.9, q[1]*.9
			t, ok := r.meets(r.cuts[e], e, q)
			if !ok {
				continue
			}
			v := r.Start.Add(r.Axes.At(q[0], q[1])).Add(r.Axes.X.Mul(t + in)).Sub(o.Start)
			x, y, s := -v.Dot(o.Axes.Y), v.Dot(o.Axes.Z), v.Dot(o.Axes.X)
			if x < o.Box.Left+deep || x > o.Box.Right-deep || y < o.Box.Bottom+deep || y > o.Box.Top-deep {
				continue
			}
			if member.Round(o.Section) && x*x+y*y > (o.Section.Diameter/2-deep)*(o.Section.Diameter/2-deep) {
				continue
			}
			if !member.Closed(o.Section) && !member.Round(o.Section) && o.Section.Kind != "flatBar" && !within(o.Outer, x, y) {
				continue
			}
			lo, okLo := o.meets(o.cuts[0], 0, [2]float64{x, y})
			hi, okHi := o.meets(o.cuts[1], 1, [2]float64{x, y})
			if okLo && okHi && s > lo+deep && s < hi-deep {
				return true
			}
		}
	}
	return false
}

// within tells whether a place lies inside an outline.
func within(outline [][2]float64, x, y float64) (in bool) {
	for i, a := range outline {
		b := outline[(i+1)%len(outline)]
		if a[1] > y != (b[1] > y) && x < a[0]+(y-a[1])/(b[1]-a[1])*(b[0]-a[0]) {
			in = !in
		}
	}
	return in
}
