package hole

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"strings"

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
	near := 1. // how much better another reading must explain it to be as likely
	if !in.weighted() {
		near = Unsaid * Unsaid
		r.Consistent = r.Consistent && !standsOut(top, r.SumOfSquares, r.Redundancy)
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
	r.Doubtful = []int{won.reading}
	for _, t := range trials[1:] {
		if !slices.Contains(r.Doubtful, t.reading) && t.fit.ssq-won.fit.ssq <= near+.001*gain {
			r.Doubtful = append(r.Doubtful, t.reading)
		}
	}
	if len(r.Doubtful) > 1 {
		return // as likely another one
	}
	if in.weighted() || top > critical {
		if won.fit.ssq > chiSquare(r.Redundancy-1) && gain < .8*best.ssq {
			r.Doubtful = nil
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
	r.Suspect, r.PointsWithout, r.Doubtful = sus, pairsOf(won.fit.at), nil
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
// chance; with nothing to compare, what is left of rounding.
func chiSquare(redundancy int) float64 {
	return chiSquareAt(redundancy, 3.09)
}

// Unsaid is how good a tape is taken to be where nobody said, mm: what a fabricator
// reads of a steel tape from hole to hole (practice).
const Unsaid = .5

// standsOut tells, of readings whose uncertainty nobody gave, whether one lies
// farther off than a tape does: against half a millimetre, or against what the others
// scatter where that is more.
func standsOut(top, ssq float64, redundancy int) bool {
	scatter := 0.
	if redundancy > 1 {
		scatter = math.Sqrt(math.Max(ssq-top*top, 0) / float64(redundancy-1))
	}
	return top > critical*math.Max(Unsaid, scatter)
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
		add("suspect", working.Stop, "The reading from hole %d to hole %d does not go with the others: %.1f mm would agree.%s", r.Suspect.From,
			r.Suspect.To, r.Suspect.Value, why)
	case len(r.Doubtful) > 0:
		var list []string
		for _, k := range r.Doubtful {
			list = append(list, fmt.Sprintf("%d to %d", s.pairs[k][0], s.pairs[k][1]))
		}
		add("cannot-tell", working.Stop, "One reading does not go with the others, and they cannot tell which: %s. Measure these again.",
			strings.Join(list, ", or "))
	case !r.Consistent:
		add("cannot-tell", working.Stop, "The readings contradict each other, and they cannot tell which one is wrong: measure the doubtful "+
			"ones again, or more of them.")
	case r.Redundancy == 0:
		add("no-check", working.Mind, "There is no reading to spare: a wrong one would not show. Measure one more.")
	case r.Redundancy == 1:
		add("one-spare", working.Mind, "There is one reading to spare: a slip may not show, and one that shows cannot be told from the others. "+
			"Measure one more.")
	}
	if len(r.Alternatives) > 0 {
		add("mirror", working.Stop, "Another map fits as well: measure from hole %d to hole %d to tell them apart.", r.Next.From, r.Next.To)
	}
	if len(weak) == s.n-2 && s.n > 2 {
		add("in-line", working.Mind, "All holes lie nearly on one line: distances along it hardly say how far they stand beside it. Measure "+
			"from a point off the line.")
	} else if len(weak) > 0 {
		add("weak", working.Mind, "Hole %d is hardly held: its place is uncertain by %.0f mm. Measure it from a hole that sees it "+
			"from another side.", weak[0], r.Sigmas[weak[0]])
	}
}
