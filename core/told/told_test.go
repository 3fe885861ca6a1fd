package told

import (
	"math"
	"testing"

	"warmanvil/core/quantity"
	"warmanvil/core/solid"
	"warmanvil/core/working"
)

var (
	metric  = Pen{quantity.Display{Style: quantity.Metric}}
	inches  = Pen{quantity.Display{Style: quantity.Fraction, Denominator: 16}}
	decimal = Pen{quantity.Display{Style: quantity.Decimal}}
)

func is(t *testing.T, what, got, want string) {
	t.Helper()
	if got != want {
		t.Errorf("%s: %q, want %q", what, got, want)
	}
}

// Lengths are written in the job's unit; small ones never as a fraction, which 0.05 mm is
// none of.
func TestLengths(t *testing.T) {
	is(t, "mm", metric.MM(62.5), "62.5 mm")
	is(t, "inches", inches.MM(25.4*5.25), `5 1/4"`)
	is(t, "decimal", decimal.MM(25.4*5.25), `5.250"`)
	is(t, "a caliper's grain", metric.Fine(.05), "0.05 mm")
	is(t, "in inches", inches.Fine(.05), "0.002 in")
	is(t, "half a millimetre", inches.Fine(.5), "0.0197 in")
	is(t, "from to", metric.Span(10, 12.5), "10.0 – 12.5 mm")
	is(t, "a place", metric.Place(solid.Vector{1, -2, 3.5}), "1.0 mm forward, -2.0 mm left, 3.5 mm up")
	is(t, "an angle", metric.Degrees(math.Copysign(0, -1)), "0.00°")
	is(t, "past what can be written", metric.MM(1e12), "1000000000000.0 mm")
}

// Forces, masses and words have the digits that are read.
func TestWords(t *testing.T) {
	is(t, "small", metric.Newtons(12.4), "12 N")
	is(t, "as good as nothing", metric.Newtons(-.2), "0 N")
	is(t, "kN", metric.Newtons(-1234), "-1.23 kN")
	is(t, "many kN", metric.Newtons(45678), "45.7 kN")
	is(t, "light", metric.Kilos(1.234), "1.23 kg")
	is(t, "heavy", metric.Kilos(123.45), "123.5 kg")
	is(t, "light, in pounds", inches.Kilos(1), "2.20 lb")
	is(t, "heavy, in pounds", decimal.Kilos(45.359237), "100.0 lb")
	is(t, "a force in pounds", inches.Newtons(4448.2216), "1000 lbf")
	is(t, "a moment", metric.Moment(45000), "45.0 N·m")
	is(t, "a moment in pounds", inches.Moment(135581.79), "100.0 lbf·ft")
	is(t, "in a sentence", metric.Mass(1234.56), "1235 kg")
	is(t, "in a sentence, in pounds", inches.Mass(100), "220.5 lb")
	is(t, "to paint", metric.Area(1.234), "1.23 m²")
	is(t, "to paint, in feet", inches.Area(1), "10.8 ft²")
	is(t, "rated, never more than proved", ForceText(1239.9, false), "1.23 kN")
	is(t, "rated in N", ForceText(999.9, false), "999 N")
	is(t, "rated in pounds", ForceText(4.4482216152605*250.9, true), "250 lbf")
	is(t, "one", Plural(1, "day", "days"), "day")
	is(t, "none", Plural(0, "day", "days"), "days")
	is(t, "alike", Joined("a", "a"), "a")
	is(t, "both", Joined("a", "b"), "a + b")
	is(t, "nothing yet", Joined("", "b"), "b")
	is(t, "within a sentence", LowerFirst("Rail"), "rail")
	is(t, "nothing", LowerFirst(""), "")
	is(t, "known", MaterialName("steel-s235"), "Structural steel S235JR")
	is(t, "unknown", MaterialName("butter"), "butter")
	is(t, "blanks", Tidy("  left \t rail "), "left rail")
}

// A working is written in the job's units, its values stay as they were.
func TestExplain(t *testing.T) {
	w := working.Working{Method: "m", Inputs: []working.Quantity{{Symbol: "L", Value: 25.4, Unit: "mm"}}, Steps: []working.Quantity{},
		Result: working.Quantity{Symbol: "F", Value: 4.4482216152605, Unit: "N"}}
	got := inches.Explain(w)
	is(t, "in inches, with what it was worked in", got.Inputs[0].Text, "1.0000 in (25.400 mm)")
	if m := metric.Explain(w); m.Inputs[0].Unit != "mm" || m.Inputs[0].Value != 25.4 {
		t.Errorf("%+v", m.Inputs[0])
	}
}
