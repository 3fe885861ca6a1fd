package quantity

import (
	"errors"
	"math"
	"testing"
)

// Amounts are read in any unit of their measure, whatever the job's; a bare number is in
// the job's. Pounds by the international pound, standard gravity.
func TestAmounts(t *testing.T) {
	for _, c := range []struct {
		text   string
		of     Measure
		inches bool
		want   float64
		plain  bool
	}{
		{"500", Force, false, 500, true}, {"500", Force, true, 500 * 4.4482216152605, true}, {"2.5 kN", Force, true, 2500, false}, {"300 lb", Force, false, 300 * 4.4482216152605, false}, {"3*50 N", Force, true, 150, false}, {"10 daN", Force, false, 100, false}, {"1 kip", Force, true, 4448.2216152605, false}, {"(2+3) kgf", Force, false, 49.03325, false},
		{"80", Mass, false, 80, true}, {"80", Mass, true, 80 * .45359237, true}, {"80 kg", Mass, true, 80, false}, {"300 lbs", Mass, false, 136.077711, false}, {"8 oz", Mass, true, .226796185, false}, {"1.2 t", Mass, false, 1200, false},
		{"45", Moment, false, 45000, true}, {"45", Moment, true, 45 * 1355.8179483314, true}, {"45 N·m", Moment, true, 45000, false}, {"45 Nm", Moment, true, 45000, false}, {"12 in-lb", Moment, false, 12 * 112.98482902762, false}, {"10 ft·lb", Moment, false, 13558.179483314, false}, {"7 N·mm", Moment, true, 7, false},
		{"2", Area, false, 2, true}, {"2", Area, true, .18580608, true}, {"2 m2", Area, true, 2, false}, {"2 m²", Area, true, 2, false}, {"100 in2", Area, false, .064516, false}, {"3 sq ft", Area, false, .27870912, false},
		{"30", Speed, false, 30, true}, {"60", Speed, true, 26.8224, true}, {"108 km/h", Speed, true, 30, false}, {"60 mph", Speed, false, 26.8224, false},
		{"235", Stress, false, 235, true}, {"36", Stress, true, 36 * 6.894757293168, true}, {"36 ksi", Stress, false, 36 * 6.894757293168, false}, {"58000 psi", Stress, false, 58 * 6.894757293168, false}, {"210 GPa", Stress, true, 210000, false}, {"400 N/mm2", Stress, true, 400, false}, {"8 bar", Stress, false, .8, false},
		{"60", Rate, false, 60, true}, {"300", Rate, true, 300 * .1751268352, true}, {"2 kN/m", Rate, false, 2, false}, {"100 lb/ft", Rate, false, 1.459390294, false},
		{"4.4", Linear, false, 4.4, true}, {"3", Linear, true, 3 * .45359237 / .3048, true}, {"3.05 lb/ft", Linear, false, 3.05 * .45359237 / .3048, false}, {"500", SectionArea, false, 500, true}, {"1 in2", SectionArea, false, 645.16, false}, {"2 in³", Modulus, false, 2 * 16387.064, false}, {"3 cm4", Inertia, true, 30000, false}, {"1", Inertia, true, 416231.4256, true},
		{"-40", Force, false, -40, true}, {" 7 ", Mass, false, 7, true},
	} {
		got, plain, err := ParseAmount(c.text, c.of, c.inches)
		if err != nil || math.Abs(got-c.want) > 1e-9*math.Max(1, math.Abs(c.want)) || plain != c.plain {
			t.Errorf("%q as a %s (inches %v): %v %v %v, want %v %v", c.text, c.of, c.inches, got, plain, err, c.want, c.plain)
		}
	}
	for _, c := range []struct {
		text string
		of   Measure
	}{{"", Force}, {"kN", Force}, {"5 mm", Force}, {"5 kg", Moment}, {"5 N", Mass}, {"heavy", Mass}, {"5 5 N", Force}, {"2,5 kN", Force},
		{"5 m", Area}, {"3 m2 2", Area}, {"5", "colour"}, {"1/0 N", Force}} {
		_, _, err := ParseAmount(c.text, c.of, false)
		var e *Error
		if !errors.As(err, &e) || len(e.Problem) < 10 {
			t.Errorf("%q as a %s: %v", c.text, c.of, err)
		}
	}
}

// What is written is read back as the same, in both systems, to its six figures.
func TestAmountsComeBack(t *testing.T) {
	for of := range measures {
		for _, inches := range []bool{false, true} {
			for _, v := range []float64{0, 1, -3.5, .0125, 98765.4, 1234567, 1e-4} {
				text := FormatAmount(v, of, inches)
				back, plain, err := ParseAmount(text, of, inches)
				if err != nil || plain || math.Abs(back-v) > 5.1e-6*math.Abs(v) {
					t.Errorf("%g as a %s is written %q and read %g, %v", v, of, text, back, err)
				}
			}
		}
	}
	for want, got := range map[string]string{
		"500 N": FormatAmount(500, Force, false), "300 lbf": FormatAmount(300*PoundForce, Force, true),
		"40 lb": FormatAmount(40*Pound, Mass, true), "45 N·m": FormatAmount(45000, Moment, false),
		"0 N": FormatAmount(math.Copysign(0, -1), Force, false), "60 mph": FormatAmount(26.8224, Speed, true),
		"1234.57 kN": FormatAmount(1234567, Force, false), "99999 N": FormatAmount(99999, Force, false), "7": FormatAmount(7, "colour", false),
	} {
		if got != want {
			t.Errorf("%q, want %q", got, want)
		}
	}
}
