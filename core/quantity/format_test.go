package quantity

import (
	"math"
	"testing"
)

func TestFormat(t *testing.T) {
	in := 25.4
	sixteenths := Display{Style: Fraction, Denominator: 16}
	cases := []struct {
		mm   float64
		d    Display
		want Written
		said string
	}{
		{7.625 * in, sixteenths, Written{`7 5/8"`, false, 0, 7, 5, 8, Exact, ""}, `7 5/8"`},
		{15.97 / 16 * in, sixteenths, Written{`1"`, false, 0, 1, 0, 1, Light, ".002"}, `1" light .002`},
		{5.2499 * in, sixteenths, Written{`5.2499"`, false, 0, 5, 2499, 10000, Exact, ""}, `5.2499"`},
		{5.25003 * in, sixteenths, Written{`5 1/4"`, false, 0, 5, 1, 4, Heavy, ""}, `5 1/4"`},
		{-5.26003 * in, sixteenths, Written{`-5 1/4"`, true, 0, 5, 1, 4, Heavy, ".010"}, `-5 1/4" heavy .010`},
		// What is a fraction is that fraction, whatever the job rounds to.
		{13. / 32 * in, sixteenths, Written{`13/32"`, false, 0, 0, 13, 32, Exact, ""}, `13/32"`},
		{2.015625 * in, sixteenths, Written{`2 1/64"`, false, 0, 2, 1, 64, Exact, ""}, `2 1/64"`},
		{1.0 / 32 * in, sixteenths, Written{`1/32"`, false, 0, 0, 1, 32, Exact, ""}, `1/32"`},
		// Below half an inch a rounded fraction says too little.
		{3.01 / 16 * in, sixteenths, Written{`0.188"`, false, 0, 0, 47, 250, Heavy, ""}, `0.188"`},
		{-.1, sixteenths, Written{`-0.004"`, true, 0, 0, 1, 250, Light, ""}, `-0.004"`},
		{70.5 * in, Display{Style: Fraction, Denominator: 32, Feet: true}, Written{`5' 10 1/2"`, false, 5, 10, 1, 2, Exact, ""}, `5' 10 1/2"`},
		{11.99903 * in, Display{Style: Fraction, Denominator: 16, Feet: true}, Written{`1' 0"`, false, 1, 0, 0, 1, Light, ".001"}, `1' 0" light .001`},
		{-1.5 * in, Display{Style: Fraction, Denominator: 64}, Written{`-1 1/2"`, true, 0, 1, 1, 2, Exact, ""}, `-1 1/2"`},
		{193.6777, Display{Style: Metric}, Written{"193.7 mm", false, 0, 193, 7, 10, Light, ""}, "193.7 mm"},
		{193.67, Display{Style: Metric}, Written{"193.67 mm", false, 0, 193, 67, 100, Exact, ""}, "193.67 mm"},
		{193.675, Display{Style: Decimal}, Written{`7.625"`, false, 0, 7, 5, 8, Exact, ""}, `7.625"`},
		{5.2499 * in, Display{Style: Decimal}, Written{`5.2499"`, false, 0, 5, 2499, 10000, Exact, ""}, `5.2499"`},
		{5.24994 * in, Display{Style: Decimal}, Written{`5.250"`, false, 0, 5, 1, 4, Light, ""}, `5.250"`},
		{0.25, Display{Style: Metric}, Written{"0.25 mm", false, 0, 0, 1, 4, Exact, ""}, "0.25 mm"},
		{0.255, Display{Style: Metric}, Written{"0.3 mm", false, 0, 0, 3, 10, Light, ""}, "0.3 mm"},
		{-0.044, Display{Style: Metric}, Written{"0.0 mm", false, 0, 0, 0, 1, Heavy, ""}, "0.0 mm"},
		{10, Display{Style: Metric}, Written{"10.0 mm", false, 0, 10, 0, 1, Exact, ""}, "10.0 mm"},
	}
	for _, c := range cases {
		got, err := Format(c.mm, c.d)
		if err != nil || got != c.want || got.Said() != c.said {
			t.Errorf("Format(%v, %+v) = %+v, said %q (%v); want %+v, said %q", c.mm, c.d, got, got.Said(), err, c.want, c.said)
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

// What was given is what is shown: a tolerance of half a tenth is not a tenth, a sheet of
// 18 gauge is not a sixteenth. The text typed again is the size again.
func TestGiven(t *testing.T) {
	metric, sixteenths, sixtyFourths, decimal := Display{Style: Metric}, Display{Style: Fraction, Denominator: 16},
		Display{Style: Fraction, Denominator: 64}, Display{Style: Decimal}
	for _, x := range []struct {
		mm   float64
		d    Display
		text string
	}{
		{60, metric, "60.0 mm"},
		{62.55, metric, "62.55 mm"},
		{0.05, metric, "0.05 mm"},
		{-0.08, metric, "-0.08 mm"},
		{1.2141, metric, "1.214 mm"},
		{0.1 + 0.2, metric, "0.3 mm"},
		{1.2141, sixteenths, `0.0478"`},
		{1.1, sixtyFourths, `0.0433"`},
		{3.175, sixteenths, `1/8"`},
		{13. / 32 * 25.4, sixteenths, `13/32"`},
		{5.2499 * 25.4, sixteenths, `5.2499"`},
		{100, sixteenths, `3.937"`},
		{101.6, sixteenths, `4"`},
		{1.2141, decimal, `0.0478"`},
		{30 * 25.4, Display{Style: Fraction, Feet: true}, `2' 6"`},
	} {
		text, err := x.d.Given(x.mm)
		if err != nil || text != x.text {
			t.Errorf("%g mm in %s: %q (%v), want %q", x.mm, x.d.Style, text, err, x.text)
		}
		unit := Inch
		if x.d.Style == Metric {
			unit = Millimetre
		}
		if r, err := Parse(text, Options{Unit: unit}); err != nil || math.Abs(r.Millimetres-x.mm) > 25.4/2e4+1e-9 {
			t.Errorf("%q typed again is %g mm, not %g (%v)", text, r.Millimetres, x.mm, err)
		}
	}
	if _, err := metric.Given(math.NaN()); err == nil {
		t.Error("writes what is no length")
	}
}

// A sentence has no fraction that is not quite true, and drops nothing that was given.
func TestText(t *testing.T) {
	for _, x := range []struct {
		mm   float64
		d    Display
		text string
	}{
		{1234.5, Display{Style: Metric}, "1234.5 mm"},
		{100.25, Display{}, "100.25 mm"},
		{6.66666, Display{Style: Metric}, "6.667 mm"},
		{.0351, Display{Style: Metric}, "0.0351 mm"},
		{5.26003 * 25.4, Display{Style: Fraction}, `5.260"`},
		{5.25 * 25.4, Display{Style: Fraction}, `5 1/4"`},
		{5.26004 * 25.4, Display{Style: Decimal}, `5.260"`},
	} {
		if got := x.d.Text(x.mm); got != x.text {
			t.Errorf("%g mm in %q is %q, want %q", x.mm, x.d.Style, got, x.text)
		}
	}
}

// A bend allowance is no fraction of a tape.
func TestFine(t *testing.T) {
	for _, x := range []struct {
		mm   float64
		d    Display
		text string
	}{
		{5.30841, Display{Style: Metric}, "5.31 mm"},
		{5.30841, Display{Style: Fraction, Denominator: 16}, `0.209"`},
		{25.4, Display{Style: Decimal}, `1.000"`},
		{-.0004, Display{Style: Metric}, "0.00 mm"},
	} {
		if got := x.d.Fine(x.mm); got != x.text {
			t.Errorf("%g mm in %q is %q, want %q", x.mm, x.d.Style, got, x.text)
		}
	}
}
