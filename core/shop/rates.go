package shop

import (
	"fmt"
	"slices"

	"warmanvil/core/effort"
	"warmanvil/core/working"
)

// checkRates refuses rates that mean nothing.
func (s Shop) checkRates() error {
	if s.Again != nil {
		if err := working.Within("/again", "What is made again", *s.Again, 0, 100, "%"); err != nil {
			return err
		}
	}
	if s.Hour != nil {
		if err := working.Within("/hour", "What an hour costs", *s.Hour, 0, 1e6, ""); err != nil {
			return err
		}
	}
	seen := map[effort.Op]bool{}
	for i, r := range s.Rates {
		at := fmt.Sprintf("/rates/%d", i)
		if !slices.ContainsFunc(effort.Usual, func(u effort.RateOf) bool { return u.Op == r.Op }) || seen[r.Op] {
			return working.Refuse(at+"/op", "Each kind of work has one rate, and %q is none or there twice.", string(r.Op))
		}
		seen[r.Op] = true
		if err := working.First(working.Within(at+"/each", "What one takes", r.Each, 0, 1e4, "min"),
			working.Within(at+"/setUp", "Setting up", r.SetUp, 0, 1e4, "min")); err != nil {
			return err
		}
	}
	return nil
}

// DaysFor answers in how many days so many hours are worked by those who are there, by what each
// works in a week; nil where nobody says.
func (s Shop) DaysFor(hours float64) *float64 {
	week := 0.
	for _, p := range s.People {
		if !p.Away && p.Hours != nil {
			week += *p.Hours
		}
	}
	if week == 0 {
		return nil
	}
	days := hours / week * 7
	return &days
}
