package strength

import (
	"errors"
	"math"
	"strings"
	"testing"

	"warmanvil/core/working"
)

func TestJudge(t *testing.T) {
	for _, c := range []struct {
		demand, capacity float64
		want             Verdict
	}{
		{0, 10, Holds}, {8.49, 10, Holds}, {8.5, 10, Tight}, {10, 10, Tight}, {10.01, 10, Over}, {1e9, 1, Over},
		{5, 0, CannotSay}, {0, 0, CannotSay}, {5, -3, CannotSay}, {math.NaN(), 10, CannotSay}, {math.Inf(1), 10, CannotSay},
		{5, math.NaN(), CannotSay},
	} {
		u, got := Judge(c.demand, c.capacity)
		if got != c.want {
			t.Errorf("%g of %g %s, want %s", c.demand, c.capacity, got, c.want)
		}
		if (u == nil) != (got == CannotSay) {
			t.Errorf("%g of %g: %s with utilisation %v", c.demand, c.capacity, got, u)
		}
	}
}

// Over counts before cannot say, cannot say before tight: nothing that was not
// looked at may hide behind what holds.
func TestWorst(t *testing.T) {
	of := func(list ...Verdict) (out []Check) {
		for _, v := range list {
			out = append(out, Check{Verdict: v})
		}
		return out
	}
	for _, c := range []struct {
		list []Check
		want Verdict
	}{
		{of(), CannotSay}, {of(Holds, Holds), Holds}, {of(Holds, Tight), Tight}, {of(Tight, CannotSay, Holds), CannotSay},
		{of(CannotSay, Over), Over},
	} {
		if got := Worst(c.list); got != c.want {
			t.Errorf("%v: %s, want %s", c.list, got, c.want)
		}
	}
	if s := Silent("k", "n", "w"); s.Verdict != CannotSay || s.Utilisation != nil || s.Why != "w" {
		t.Errorf("%+v", s)
	}
}

// AISC 360: Ω = 2.00 and φ = 0.75 on rupture, 1.67 and 0.90 on yield; the margin
// of the g-case school is never less than 1.5.
func TestCapacities(t *testing.T) {
	for _, c := range []struct {
		rule Rule
		f    Factors
		want float64
		says string
	}{
		{Rule{School: Allowable}, Rupture, 50, "Ω = 2"}, {Rule{School: Allowable}, Yield, 100 / 1.67, "Ω = 1.67"},
		{Rule{School: Factored}, Rupture, 75, "φ = 0.75"}, {Rule{School: Factored}, Yield, 90, "φ = 0.9"},
		{Rule{School: GCase}, Yield, 100 / 1.5, "margin of 1.5"}, {Rule{School: GCase, Margin: 3}, Rupture, 100.0 / 3, "margin of 3"},
		{Rule{School: GCase, Margin: 1.1}, Yield, 100 / 1.5, "margin of 1.5"},
		{Rule{School: Allowable}, SheetBearing, 40, "Ω = 2.5"}, {Rule{School: Factored}, SheetTear, 65, "φ = 0.65"}, {Rule{School: Allowable}, PullThrough, 100.0 / 3, "Ω = 3"},
	} {
		if got := c.rule.Capacity(100, c.f); math.Abs(got-c.want) > 1e-9 {
			t.Errorf("%+v: %g, want %g", c.rule, got, c.want)
		}
		if got := c.rule.Says(c.f); !strings.Contains(got, c.says) {
			t.Errorf("%+v says %q, want %q in it", c.rule, got, c.says)
		}
	}
}

func TestRuleRefused(t *testing.T) {
	for path, r := range map[string]Rule{"/s/school": {}, "/s/margin": {School: GCase, Margin: 1.49},
		"/s/margin ": {School: GCase, Margin: math.NaN()}} {
		err := r.Check("/s")
		var f *working.Fault
		if !errors.As(err, &f) || f.Path != strings.TrimSpace(path) {
			t.Errorf("%+v: %v", r, err)
		}
	}
	for _, s := range Schools {
		if err := (Rule{School: s}).Check("/s"); err != nil {
			t.Error(err)
		}
	}
}
