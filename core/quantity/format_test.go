package quantity

import (
	"math"
	"testing"
)

func TestFormat(t *testing.T) {
	in := 25.4
	cases := []struct {
		mm   float64
		d    Display
		want Written
	}{
		{7.625 * in, Display{Style: Fraction, Denominator: 16}, Written{`7 5/8"`, false, 0, 7, 5, 8, Exact}},
		{15.97 / 16 * in, Display{Style: Fraction, Denominator: 16}, Written{`1"`, false, 0, 1, 0, 1, Light}},
		{3.01 / 16 * in, Display{Style: Fraction, Denominator: 16}, Written{`3/16"`, false, 0, 0, 3, 16, Heavy}},
		{70.5 * in, Display{Style: Fraction, Denominator: 32, Feet: true}, Written{`5' 10 1/2"`, false, 5, 10, 1, 2, Exact}},
		{11.999 * in, Display{Style: Fraction, Denominator: 16, Feet: true}, Written{`1' 0"`, false, 1, 0, 0, 1, Light}},
		{-1.5 * in, Display{Style: Fraction, Denominator: 64}, Written{`-1 1/2"`, true, 0, 1, 1, 2, Exact}},
		{-.1, Display{Style: Fraction, Denominator: 16}, Written{`0"`, false, 0, 0, 0, 1, Heavy}},
		{1.0 / 32 * in, Display{Style: Fraction, Denominator: 16}, Written{`1/16"`, false, 0, 0, 1, 16, Light}}, // tie away from zero
		{193.675, Display{Style: Metric}, Written{"193.7 mm", false, 0, 193, 7, 10, Light}},
		{193.675, Display{Style: Decimal}, Written{`7.625"`, false, 0, 7, 5, 8, Exact}},
		{0.25, Display{Style: Metric}, Written{"0.3 mm", false, 0, 0, 3, 10, Light}},
		{-0.04, Display{Style: Metric}, Written{"0.0 mm", false, 0, 0, 0, 1, Heavy}},
		{10, Display{Style: Metric}, Written{"10.0 mm", false, 0, 10, 0, 1, Exact}},
	}
	for _, c := range cases {
		got, err := Format(c.mm, c.d)
		if err != nil || got != c.want {
			t.Errorf("Format(%v, %+v) = %+v, %v; want %+v", c.mm, c.d, got, err, c.want)
		}
	}
}

func TestFormatRefuses(t *testing.T) {
	for _, c := range []struct {
		mm float64
		d  Display
	}{{1e308, Display{Style: Metric}}, {1, Display{Style: "cubits"}}, {1, Display{Style: Fraction, Denominator: 10}}} {
		if w, err := Format(c.mm, c.d); err == nil {
			t.Errorf("Format(%v, %+v) = %+v, want a refusal", c.mm, c.d, w)
		}
	}
}

func TestInchSize(t *testing.T) {
	for mm, inches := range map[float64]float64{0: 0, 7: 9. / 32, 9: 11. / 32, 25: 1, 40: 1.5, 150: 6, 260: 10.25,
		1000: 39.25, 0.1: 0.1 / 25.4} {
		if got := InchSize(mm) / 25.4; math.Abs(got-inches) > 1e-9 {
			t.Errorf("%g mm is said as %g in, want %g", mm, got, inches)
		}
	}
}

// What a field holds is what is meant: a tolerance of half a tenth is not a tenth, a sheet
// of 18 gauge is not a sixteenth. The text typed again is the size again.
func TestHeld(t *testing.T) {
	for _, x := range []struct {
		mm          float64
		d           Display
		text, truly string
	}{
		{60, Display{Style: Metric}, "60.0 mm", ""},
		{0.05, Display{Style: Metric}, "0.05 mm", ""},
		{-0.08, Display{Style: Metric}, "-0.08 mm", ""},
		{1.2141, Display{Style: Metric}, "1.214 mm", ""},
		{0.1 + 0.2, Display{Style: Metric}, "0.3 mm", ""},
		{1.2141, Display{Style: Fraction, Denominator: 16}, `0.048"`, ""},
		{1.1, Display{Style: Fraction, Denominator: 64}, `0.043"`, ""},
		{3.175, Display{Style: Fraction, Denominator: 16}, `1/8"`, ""},
		{100, Display{Style: Fraction, Denominator: 16}, `3 15/16"`, `3.937"`},
		{101.6, Display{Style: Fraction, Denominator: 16}, `4"`, ""},
		{1.2141, Display{Style: Decimal}, `0.048"`, ""},
	} {
		text, truly, err := x.d.Held(x.mm)
		if err != nil || text != x.text || truly != x.truly {
			t.Errorf("%g mm in %s: %q, truly %q (%v), want %q, %q", x.mm, x.d.Style, text, truly, err, x.text, x.truly)
		}
	}
	if _, _, err := (Display{Style: Metric}).Held(math.NaN()); err == nil {
		t.Error("writes what is no length")
	}
}
