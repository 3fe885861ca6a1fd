package strength

import (
	"cmp"
	"slices"
)

// Ledger is one thing that is asked whether it holds: the form whose modes it must
// answer. Suffix tells things of one form apart in the keys of their checks, as
// "-1" of the second ply; Where is its name.
type Ledger struct {
	Form    Form
	Suffix  string
	Where   string
	Feature string
}

// Outcome is a ledger closed.
type Outcome struct {
	Verdict Verdict
	Checks  []Check  // hardest first; what cannot be said among them, what is not needed last
	Hardest *float64 // largest share used; nil when none was answered
	First   int      // index of the check with it, -1 for none
}

// Close sets checks against what the ledgers declare, and answers the verdict: the
// worst over all of it. A declared mode that no check answers is added as one that
// cannot say, so that nothing holds for what was not looked at.
func Close(ledgers []Ledger, checks []Check) Outcome {
	out := Outcome{Checks: slices.Clone(checks), First: -1}
	for _, l := range ledgers {
		for _, d := range Declared(l.Form) {
			key := d.Key + l.Suffix
			if !slices.ContainsFunc(checks, func(c Check) bool { return c.Key == key && (l.Feature == "" || c.Feature == l.Feature) }) {
				out.Checks = append(out.Checks, Check{Key: key, Name: d.Name, Where: l.Where, Feature: l.Feature, Verdict: CannotSay,
					Why: "Not looked at. " + d.Asks})
			}
		}
	}
	if len(ledgers) == 0 {
		out.Checks = append(out.Checks, Silent("ledger", "What it must answer", "Nothing says what it must answer: choose what it is."))
	}
	slices.SortStableFunc(out.Checks, func(a, b Check) int {
		return cmp.Or(cmp.Compare(b.Verdict.sorts(), a.Verdict.sorts()), cmp.Compare(size(b), size(a)))
	})
	out.Verdict = Worst(out.Checks)
	for i, c := range out.Checks {
		if c.Utilisation != nil && (out.Hardest == nil || *c.Utilisation > *out.Hardest) {
			u := *c.Utilisation
			out.Hardest, out.First = &u, i
		}
	}
	return out
}

// sorts ranks verdicts for the list: over, cannot say, what has a number, not needed.
func (v Verdict) sorts() int {
	switch v {
	case Over:
		return 3
	case CannotSay:
		return 2
	case NotNeeded:
		return 0
	}
	return 1
}

func size(c Check) float64 {
	if c.Utilisation == nil {
		return 0
	}
	return *c.Utilisation
}
