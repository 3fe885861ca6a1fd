// Package byhand holds checks against what is worked out by hand, for tests of every
// form that answers modes.
package byhand

import (
	"math"
	"strings"
	"testing"

	"warmanvil/core/strength"
)

// Case is one mode worked by hand: what is asked and what may be used, in the unit of
// the check; both 0 where the verdict alone is the answer.
type Case struct {
	Name, Source string
	Demand, May  float64
	Within       float64          // share the two may differ by; a millionth when left out
	Ends         strength.Verdict // as the check must end; by its share when left out
}

// Check sets a check against the case.
func (h Case) Check(t testing.TB, what string, c strength.Check) {
	t.Helper()
	if h.Source == "" {
		t.Errorf("%s: worked from nothing", what)
	}
	within := math.Max(h.Within, 1e-6)
	for name, v := range map[string][2]float64{"asked": {c.Demand, h.Demand}, "may": {c.Capacity, h.May}} {
		if v[1] != 0 && !(math.Abs(v[0]-v[1]) <= within*math.Abs(v[1])) {
			t.Errorf("%s: %s %.8g, by hand %.8g", what, name, v[0], v[1])
		}
	}
	ends := h.Ends
	if ends == "" {
		_, ends = strength.Judge(h.Demand, h.May)
	}
	if c.Verdict != ends {
		t.Errorf("%s: %s, by hand %s: %s", what, c.Verdict, ends, c.Why)
	}
}

// Seen counts the cases of every mode by form.
type Seen map[strength.Form]map[string]int

// Add counts a case of a mode.
func (s Seen) Add(f strength.Form, key string) {
	if s[f] == nil {
		s[f] = map[string]int{}
	}
	s[f][key]++
}

// Twice fails where a mode of a form has fewer than two cases. Modes of many things
// are counted under their key without the thing.
func (s Seen) Twice(t testing.TB, forms ...strength.Form) {
	t.Helper()
	for _, f := range forms {
		for _, d := range strength.Declared(f) {
			if n := s[f][strings.TrimSuffix(d.Key, ":")]; n < 2 {
				t.Errorf("%s, %s: %d cases by hand, two are asked", f, d.Key, n)
			}
		}
	}
}
