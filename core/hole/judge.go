package hole

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"warmanvil/core/working"
)

// judge finds whether the readings agree and, when they do not, which one is to
// blame.
func (s *net) judge(in MapInput, fits []fit, r *MapResult) {
	best := fits[0]
	order := r.doubtful()
	top := 0.0
	if len(order) > 0 {
		top = math.Abs(r.Standardised[order[0]])
	}
	r.Consistent = top <= critical && r.SumOfSquares <= chiSquare(r.Redundancy)
	if r.Consistent && !in.weighted() {
		r.Consistent = !standsOut(top, r.SumOfSquares, r.Redundancy)
	}
	if r.Consistent || r.Redundancy < 2 {
		return
	}
	type trial struct {
		reading int
		fit     fit
	}
	var trials []trial
	// A spoiled reading can pull the map into another fold: the runners-up are
	// asked too which reading they would rather do without.
	for i, f := range fits[:min(len(fits), 3)] {
		list := order
		if i > 0 {
			if f.ssq > 4*best.ssq {
				break
			}
			if s.alike(f.at, best.at, 2*s.slack()) {
				continue
			}
			var o MapResult
			for k, p := range s.pairs {
				o.Residuals = append(o.Residuals, f.at[p[0]].Sub(f.at[p[1]]).Len()-s.d[k])
			}
			s.statistics(f, &o)
			list = o.doubtful()
		}
		for _, k := range list[:min(len(list), 3)] {
			trials = append(trials, trial{k, s.settle(f.at, k)})
		}
	}
	slices.SortStableFunc(trials, func(a, b trial) int { return cmp.Compare(a.fit.ssq, b.fit.ssq) })
	won := trials[0]
	gain := best.ssq - won.fit.ssq
	for _, t := range trials[1:] {
		if t.reading != won.reading && t.fit.ssq-won.fit.ssq <= 1+.001*gain {
			return // as likely another one
		}
	}
	if in.weighted() || top > critical {
		if won.fit.ssq > chiSquare(r.Redundancy-1) && gain < .8*best.ssq {
			return // more than one is off
		}
	}
	k := won.reading
	p := s.pairs[k]
	value := won.fit.at[p[0]].Sub(won.fit.at[p[1]]).Len()
	sus := &Suspect{From: p[0], To: p[1], Value: value, Off: s.d[k] - value, Index: k}
	known := Known{Hook: in.Hook, Plates: in.Plates}
	if len(in.Diameters) > 0 {
		known.Diameters = []float64{in.Diameters[p[0]], in.Diameters[p[1]]}
	}
	sus.Slips = NameSlip(sus.Off, max(1.5/s.w[k], .3), known)
	r.Suspect, r.PointsWithout = sus, pairsOf(won.fit.at)
}

// doubtful lists the readings that others control, the one farthest off first.
func (r *MapResult) doubtful() (order []int) {
	for k, c := range r.Control {
		if c > .01 {
			order = append(order, k)
		}
	}
	slices.SortStableFunc(order, func(a, b int) int {
		return cmp.Compare(math.Abs(r.Standardised[b]), math.Abs(r.Standardised[a]))
	})
	return order
}

func (in MapInput) weighted() bool {
	return slices.ContainsFunc(in.Readings, func(r Reading) bool { return r.Sigma != nil })
}

// chiSquare answers the sum of squares that one map in a thousand exceeds by
// chance (Wilson and Hilferty); with nothing to compare, what is left of
// rounding.
func chiSquare(redundancy int) float64 {
	if redundancy <= 0 {
		return 1e-6
	}
	n := float64(redundancy)
	c := 2 / (9 * n)
	return n * math.Pow(1-c+3.09*math.Sqrt(c), 3)
}

// standsOut tells, of readings whose uncertainty nobody gave, whether one lies
// far beyond what the others scatter (Student's t, about one in a thousand
// readings; rounding to 0.05 mm is the least scatter believed).
func standsOut(top, ssq float64, redundancy int) bool {
	limits := []float64{math.Inf(1), math.Inf(1), 45, 17, 11, 8.6, 7.4, 6.7, 6.2, 5.9, 5.6}
	free := redundancy - 1
	if free < 2 {
		return false
	}
	limit := limits[min(free, len(limits)-1)]
	scatter := math.Max(math.Sqrt(math.Max(ssq-top*top, 0)/float64(free)), .05)
	return top/scatter > limit
}

// say puts the findings in words; holes are numbered from 0.
func (s *net) say(weak []int, r *MapResult) {
	add := func(code string, severity working.Severity, format string, args ...any) {
		r.Findings = append(r.Findings, working.Finding{Code: code, Severity: severity, Cause: "Hole map", Reason: fmt.Sprintf(format, args...)})
	}
	switch {
	case r.Suspect != nil:
		why := ""
		if len(r.Suspect.Slips) > 0 {
			why = " Likely " + r.Suspect.Slips[0].Words + "."
		}
		add("suspect", working.Stop, "The reading from hole %d to hole %d does not go with the others: %.1f mm would agree.%s", r.Suspect.From, r.Suspect.To, r.Suspect.Value, why)
	case !r.Consistent:
		add("cannot-tell", working.Stop, "The readings contradict each other, and they cannot tell which one is wrong: measure the doubtful ones again, or more of them.")
	case r.Redundancy == 0:
		add("no-check", working.Mind, "There is no reading to spare: a wrong one would not show. Measure one more.")
	}
	if len(r.Alternatives) > 0 {
		add("mirror", working.Stop, "Another map fits as well: measure from hole %d to hole %d to tell them apart.", r.Next.From, r.Next.To)
	}
	if len(weak) == s.n-2 && s.n > 2 {
		add("in-line", working.Mind, "All holes lie nearly on one line: distances along it hardly say how far they stand beside it. Measure from a point off the line.")
	} else if len(weak) > 0 {
		add("weak", working.Mind, "Hole %d is hardly held: its place is uncertain by %.0f mm. Measure it from a hole that sees it from another side.", weak[0], r.Sigmas[weak[0]])
	}
}
