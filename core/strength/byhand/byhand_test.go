package byhand

import (
	"math"
	"testing"

	"warmanvil/core/strength"
)

// heard counts what a test would have failed by.
type heard struct {
	testing.TB
	errors int
}

func (h *heard) Helper()               {}
func (h *heard) Errorf(string, ...any) { h.errors++ }

// A check that is off, ends otherwise or is worked from nothing fails; a right one
// does not.
func TestCheckCanFail(t *testing.T) {
	right := strength.Check{Demand: 50, Capacity: 100, Verdict: strength.Holds}
	for what, c := range map[string]struct {
		by    Case
		check strength.Check
		want  int
	}{
		"right":            {Case{Source: "s", Demand: 50, May: 100}, right, 0},
		"from nothing":     {Case{Demand: 50, May: 100}, right, 1},
		"asked of":         {Case{Source: "s", Demand: 50.1, May: 100}, right, 1},
		"what may be":      {Case{Source: "s", Demand: 50, May: 101}, right, 1},
		"within":           {Case{Source: "s", Demand: 50, May: 101, Within: .02}, right, 0},
		"ends":             {Case{Source: "s", Demand: 50, May: 100, Ends: strength.Over}, right, 1},
		"no number":        {Case{Source: "s", Demand: 50, May: 100}, strength.Check{Demand: math.NaN(), Capacity: 100, Verdict: strength.Holds}, 1},
		"the verdict only": {Case{Source: "s", Ends: strength.NotNeeded}, strength.Check{Verdict: strength.NotNeeded}, 0},
	} {
		h := &heard{}
		c.by.Check(h, what, c.check)
		if h.errors != c.want {
			t.Errorf("%s: fails %d times, want %d", what, h.errors, c.want)
		}
	}
}

// A mode with one case, or none, is missed.
func TestTwiceCounts(t *testing.T) {
	s, h := Seen{}, &heard{}
	modes := strength.Declared(strength.PinForm)
	for range 2 {
		for _, d := range modes {
			s.Add(strength.PinForm, d.Key)
		}
	}
	if s.Twice(h, strength.PinForm); h.errors != 0 {
		t.Errorf("all there: %d", h.errors)
	}
	s[strength.PinForm][modes[0].Key] = 1
	delete(s[strength.PinForm], modes[1].Key)
	if s.Twice(h, strength.PinForm); h.errors != 2 {
		t.Errorf("one short, one gone: %d", h.errors)
	}
}
