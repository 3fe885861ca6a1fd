// Package strength holds the schools by which a demand is set against a
// capacity, and what a check ends as. A job uses one school throughout.
package strength

import (
	"fmt"

	"warmanvil/core/working"
)

// School is one way to keep demand below capacity.
type School string

// The schools. Allowable: nominal strength over Ω against service loads (ASD).
// Factored: φ times nominal strength against factored loads (LRFD). GCase:
// yield or proof over a margin against the accelerations of the load case.
const (
	Allowable School = "allowable"
	Factored  School = "factored"
	GCase     School = "g-case"
)

// Schools lists them.
var Schools = []School{Allowable, Factored, GCase}

// leastMargin is the least margin on yield of the g-case school.
const leastMargin = 1.5

// Rule is the school of a job with its margin.
type Rule struct {
	School School  `json:"school" enum:"allowable,factored,g-case"`
	Margin float64 `json:"margin,omitempty" doc:"on yield, g-case only; 1.5 when left out, never less"`
}

// Check refuses a school that is not one and a margin under 1.5.
func (r Rule) Check(path string) error {
	for _, s := range Schools {
		if r.School == s {
			if r.Margin != 0 {
				return working.Within(path+"/margin", "The margin on yield", r.Margin, leastMargin, 20, "")
			}
			return nil
		}
	}
	return working.Refuse(path+"/school", "The strength school is allowable, factored or g-case, not %q.", r.School)
}

// margin answers the margin on yield.
func (r Rule) margin() float64 { return max(r.Margin, leastMargin) }

// Yields tells whether the school counts to yield or proof instead of to
// breaking.
func (r Rule) Yields() bool { return r.School == GCase }

// Factors are a limit state's Ω and φ.
type Factors struct{ Omega, Phi float64 }

// The factors used: AISC 360 J3 (bolts, rupture), F and D (yield), AISI S100
// J3.3.1 (bearing in thin sheet), J6 (tear-out in thin sheet), J4.4 (heads
// pulling through).
var (
	Rupture      = Factors{2, .75}
	Yield        = Factors{1.67, .9}
	SheetBearing = Factors{2.5, .6}
	SheetTear    = Factors{2.22, .65}
	PullThrough  = Factors{3, .5}
)

// Capacity answers what may be used of a nominal strength. In the g-case school
// the nominal must be a yield value.
func (r Rule) Capacity(nominal float64, f Factors) float64 {
	switch r.School {
	case Factored:
		return f.Phi * nominal
	case GCase:
		return nominal / r.margin()
	}
	return nominal / f.Omega
}

// Says answers the sentence that goes with a capacity.
func (r Rule) Says(f Factors) string {
	switch r.School {
	case Factored:
		return fmt.Sprintf("factored: φ = %g", f.Phi)
	case GCase:
		return fmt.Sprintf("g-case: yield over a margin of %g", r.margin())
	}
	return fmt.Sprintf("allowable: Ω = %g", f.Omega)
}
