package quantity

import (
	"errors"
	"math"
	"math/rand"
	"strings"
	"testing"
)

const tolerance = 1e-9

func gauges(family string, g float64) (float64, error) {
	if family == "steel" && g == 10 {
		return 3.4163, nil
	}
	return 0, errors.New("no such gauge")
}

func TestParseAccepts(t *testing.T) {
	in := func(x float64) float64 { return x * 25.4 }
	cases := []struct {
		text string
		unit Unit
		mm   float64
	}{
		{"7-5/8", Inch, in(7.625)}, {`7 5/8"`, Millimetre, in(7.625)}, {"9/32", Inch, in(9.0 / 32)},
		{"22 1/4 in", Millimetre, in(22.25)}, {`3' 2 1/8"`, Millimetre, in(38.125)}, {"3ft 2in", Millimetre, in(38)},
		{".4375", Inch, in(.4375)}, {"85mm", Inch, 85}, {"31.5 cm", Inch, 315}, {"7⅝", Inch, in(7.625)},
		{"7 ⅝ in", Millimetre, in(7.625)}, {"7⁄8", Inch, in(.875)}, {"5′10″", Millimetre, in(70)}, {`5'10"`, Millimetre, in(70)},
		{`3'-2 1/8"`, Millimetre, in(38.125)}, {"58 - 2*5/8", Inch, in(56.75)}, {"58-2*5/8", Inch, in(56.75)},
		{"1-1/2", Inch, in(1.5)}, {"20/16", Inch, in(1.25)}, {"1 20/16", Inch, in(2.25)}, {"(58) - 5/8", Inch, in(57.375)},
		{"7-5/8/2", Inch, in(3.8125)}, {"2*7-5/8", Inch, in(15.25)}, {"10-7-5/8", Inch, in(2.375)},
		{"7 5/8 - 1/2", Inch, in(7.125)}, {`58" - 5/8"`, Millimetre, in(57.375)}, {"58.5 - 1/2", Inch, in(58)},
		{"-1-1/2", Inch, in(-1.5)}, {"0", Millimetre, 0}, {"-0", Millimetre, 0}, {"-4", Millimetre, -4},
		{"10 ga", Inch, 3.4163}, {"10ga", Inch, 3.4163}, {"10 gauge steel", Inch, 3.4163}, {"10 GA Steel", Millimetre, 3.4163},
		{"1m 20cm 5mm", Inch, 1205}, {"1.2m", Inch, 1200}, {"2 (mm)", "", 0}, {"(10in/2in)*3mm", Inch, 15},
		{"5*-2", Millimetre, -10}, {"100 m", Inch, 100000}, {"4''", Millimetre, in(4)}, {"10 + 2mm", Inch, 256}, {"3 - 1", Inch, in(2)},
		{"2'6", Inch, in(30)}, {"2 ft 6", Millimetre, in(30)}, {"2' 6 1/2", Millimetre, in(30.5)}, {"2'-6", Inch, in(30)},
		{"2'6 - .5", Inch, in(29.5)}, {"(2'6)/2", Millimetre, in(15)},
	}
	for _, c := range cases {
		if c.unit == "" {
			continue
		}
		got, err := Parse(c.text, Options{Unit: c.unit, Family: "steel", Gauge: gauges})
		if err != nil {
			t.Errorf("%q: %v", c.text, err)
		} else if math.Abs(got.Millimetres-c.mm) > tolerance || math.Signbit(got.Millimetres) != math.Signbit(c.mm) && c.mm == 0 &&
			c.text == "-0" && math.Signbit(got.Millimetres) {
			t.Errorf("%q in %s = %v mm, want %v", c.text, c.unit, got.Millimetres, c.mm)
		}
	}
}

func TestParseRefuses(t *testing.T) {
	cases := []struct{ text, says string }{
		{"", "Nothing"}, {"   ", "Nothing"}, {"1 - 1/2", "two readings"}, {"1 -1/2", "two readings"}, {"1- 1/2", "two readings"},
		{"58 - 5/8", "two readings"}, {"a/b/c", "not a unit"}, {"1/2/3", "two readings"}, {"10/5/2", "two readings"},
		{"5/8 / 2", "two readings"}, {"10mm/5/2", "two readings"}, {"1,5", "comma"}, {"1e3", "not a unit"}, {"=5", "not part"},
		{"0x10", "not a unit"}, {"--2", "Two signs"}, {"5 + -2", "Two signs"}, {"5 - -2", "Two signs"}, {"5 6", "side by side"},
		{"5 1/2 3", "side by side"}, {"1.5 1/2", "side by side"}, {"5 mm mm", "left over|small|missing"}, {"mm", "missing before"},
		{"5/0", "0 below"}, {"5/(2-2)", "zero"}, {"101 m", "100 m"}, {"99999999999999999999999999999 m", "100 m"},
		{"3' 14", "unit of 14"}, {"2 m 6", "unit of 6"}, {"2' 6 3", "side by side"}, {"2' 6 ga", "gauge"}, {"2in 3ft", "large to small"}, {"3ft 2ft", "large to small"}, {"2in*3in", "area"}, {"4in/2in", "plain number"},
		{"2(3)", "side by side|missing"}, {"(2", "not closed"}, {"2)", "no opening"}, {"2+", "ends where"}, {"1..2", "decimal point"},
		{".", "point alone"}, {"10 ga stainless", "material is steel"}, {"7-1/2 ga", "no such gauge"}, {`3' - 2"`, "two readings"},
		{"5 / 8 in", "plain number"}, {"NaN", "not a unit"}, {"inf", "not a unit"}, {strings.Repeat("9", 250), "longer than"}, {"١", "not part"},
	}
	for _, c := range cases {
		got, err := Parse(c.text, Options{Unit: Inch, Family: "steel", Gauge: gauges})
		var e *Error
		if err == nil {
			t.Errorf("%q was read as %v mm, want a refusal", c.text, got.Millimetres)
			continue
		}
		if !errors.As(err, &e) {
			t.Errorf("%q: error %T is not *Error", c.text, err)
			continue
		}
		said := false
		for _, s := range strings.Split(c.says, "|") {
			said = said || strings.Contains(err.Error(), s)
		}
		if !said {
			t.Errorf("%q: %q does not say %q", c.text, err, c.says)
		}
	}
}

func TestTwoReadingsAreOffered(t *testing.T) {
	_, err := Parse("1 - 1/2", Options{Unit: Inch})
	var e *Error
	if !errors.As(err, &e) || len(e.Readings) != 2 || !strings.HasPrefix(e.Readings[0], "1-1/2") ||
		!strings.HasPrefix(e.Readings[1], "(1) - 1/2") {
		t.Fatalf("readings = %+v", e)
	}
}

func TestGaugeNeedsFamily(t *testing.T) {
	if _, err := Parse("10 ga", Options{Unit: Inch, Gauge: gauges}); err == nil || !strings.Contains(err.Error(), "say which") {
		t.Fatalf("err = %v", err)
	}
}

func TestPlain(t *testing.T) {
	for text, want := range map[string]bool{"7": true, "7 5/8": true, "7mm": false, "3+4": false, "10 ga": false} {
		got, err := Parse(text, Options{Unit: Inch, Family: "steel", Gauge: gauges})
		if err != nil || got.Plain != want {
			t.Errorf("%q plain = %v (%v), want %v", text, got.Plain, err, want)
		}
	}
}

func TestParseNumber(t *testing.T) {
	for text, want := range map[string]float64{"90": 90, "90°": 90, "180-35": 145, "22.5 deg": 22.5, "5/8": .625} {
		if got, err := ParseNumber(text); err != nil || math.Abs(got-want) > tolerance {
			t.Errorf("%q = %v, %v, want %v", text, got, err, want)
		}
	}
	for _, text := range []string{"90mm", "", "10 ga", "x"} {
		if got, err := ParseNumber(text); err == nil {
			t.Errorf("%q was read as %v", text, got)
		}
	}
}

// What Format writes, Parse reads back to the shown value.
func TestFormatParsesBack(t *testing.T) {
	r := rand.New(rand.NewSource(1))
	for range 2000 {
		mm := (r.Float64() - .3) * 4000
		for _, d := range []Display{{Style: Metric}, {Style: Decimal}, {Style: Fraction, Denominator: 32},
			{Style: Fraction, Denominator: 16, Feet: true}} {
			w, err := Format(mm, d)
			if err != nil {
				t.Fatal(err)
			}
			if w.Negative && w.Feet > 0 { // a leading sign binds the feet only to a reader, not here
				continue
			}
			back, err := Parse(w.Text, Options{Unit: Inch})
			if err != nil {
				t.Fatalf("%v shown as %q: %v", mm, w.Text, err)
			}
			grain := map[Style]float64{Metric: .05, Decimal: .0127, Fraction: 25.4 / 32}[d.Style]
			if math.Abs(back.Millimetres-mm) > grain+1e-9 {
				t.Fatalf("%v shown as %q reads back as %v", mm, w.Text, back.Millimetres)
			}
		}
	}
}

func FuzzParse(f *testing.F) {
	for _, s := range []string{"7-5/8", `3'-2 1/8"`, "58 - 2*5/8", "10 ga steel", "((1))", "1/2/3", "½", "-.5m", "5'10\""} {
		f.Add(s)
	}
	f.Fuzz(func(t *testing.T, s string) {
		got, err := Parse(s, Options{Unit: Inch, Family: "steel", Gauge: gauges})
		if err != nil {
			var e *Error
			if !errors.As(err, &e) || e.Problem == "" {
				t.Fatalf("%q: poor refusal %v", s, err)
			}
			return
		}
		if math.IsNaN(got.Millimetres) || math.Abs(got.Millimetres) > maxLength {
			t.Fatalf("%q = %v", s, got.Millimetres)
		}
	})
}
