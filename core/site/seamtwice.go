package site

import (
	"math"

	"warmanvil/core/brief"
	"warmanvil/core/solid"
	"warmanvil/core/weld"
	"warmanvil/core/working"
)

// onTop is how near lines of two seams run that are one and the same, mm; twiceFrom how long they do so at least.
const (
	onTop     = .2
	twiceFrom = 1.
)

// seamTwice says which seams are laid where another lies already, in this joint or in one before it: each would be
// counted as often as it is named.
func (s *site) seamTwice(x *seated, say func(string, working.Severity, string, string, ...any)) {
	for i, a := range x.seams {
		for _, b := range x.seams[:i] {
			if sameLine(a, b) {
				say("seam-twice", working.Stop, a.ID, "%s runs where %s lies already: one weld would be counted twice. Take one of them out, or let "+
					"it end where the other begins.", a.Called(), b.Called())
				break
			}
		}
	}
	for _, w := range s.Brief.Welded {
		if w.ID == x.w.ID {
			return // each pair is told once, at the later of the two
		}
		for i, q := range x.w.Seams {
			for _, o := range w.Seams {
				if sameEdge(x.w, q, w, o) && meetsOn(q, o, x.seams[i].Len()+q.Before+q.After) {
					say("seam-twice", working.Stop, q.ID, "%s runs along an edge that %s of %s is welded along already: one weld would be counted twice.",
						x.seams[i].Called(), o.Called(), w.Name)
				}
			}
		}
	}
}

// meetsOn tells whether what two seams have of an edge so long meets.
func meetsOn(q, o brief.SeamPlan, edge float64) bool {
	return math.Min(edge-q.After, edge-o.After)-math.Max(q.Before, o.Before) > twiceFrom
}

// sameEdge tells whether two seams run along one edge of one part, or round one end of one member.
func sameEdge(w brief.Welded, q brief.SeamPlan, v brief.Welded, o brief.SeamPlan) bool {
	a, b := w.Sides[0], v.Sides[0]
	on := q.On == "" && o.On == "" && a.Kind == b.Kind && a.Of == b.Of && (a.Placed == b.Placed || a.Placed == "" || b.Placed == "") &&
		a.Member == b.Member
	if q.On != "" {
		on = q.On == o.On || b.Placed == q.On
	}
	return on && (q.Panel != "" && q.Panel == o.Panel && q.Edge == o.Edge || q.End != "" && q.End == o.End)
}

// sameLine tells whether what is laid of two seams runs along one line for more than a millimetre.
func sameLine(a, b weld.Seam) bool {
	if a.Form == weld.PlugForm || a.Form == weld.SpotForm || b.Form == weld.PlugForm || b.Form == weld.SpotForm {
		return false
	}
	if !overlap(a.Path, b.Path) {
		return false
	}
	for _, p := range a.Runs() {
		for _, q := range b.Runs() {
			if overlap(p, q) {
				return true
			}
		}
	}
	return false
}

// overlap tells whether two lines of straight pieces lie on each other.
func overlap(a, b []solid.Vector) bool {
	for i := 1; i < len(a); i++ {
		d := a[i].Sub(a[i-1])
		long := d.Len()
		if long < twiceFrom {
			continue
		}
		u := d.Mul(1 / long)
		for k := 1; k < len(b); k++ {
			lo, hi := b[k-1].Sub(a[i-1]), b[k].Sub(a[i-1])
			from, to := lo.Dot(u), hi.Dot(u)
			if lo.Sub(u.Mul(from)).Len() > onTop || hi.Sub(u.Mul(to)).Len() > onTop {
				continue
			}
			if math.Min(long, math.Max(from, to))-math.Max(0, math.Min(from, to)) > twiceFrom {
				return true
			}
		}
	}
	return false
}
