package quantity

import (
	"fmt"
	"math"
	"regexp"
	"strconv"
	"strings"
)

// Measure is a kind of amount that is not a length.
type Measure string

// The measures, each held in the unit that stands beside it.
const (
	Force  Measure = "force"  // N
	Mass   Measure = "mass"   // kg
	Moment Measure = "moment" // N·mm
	Area   Measure = "area"   // m²
	Speed  Measure = "speed"  // m/s
	Stress Measure = "stress" // MPa
	Rate   Measure = "rate"   // N/mm: a spring's stiffness, a load along a line
	Linear Measure = "linear" // kg/m

	Price Measure = "price" // money a kg
	Heat  Measure = "heat"  // kJ/mm of a run of weld

	SectionArea Measure = "section" // mm², of a bar
	Modulus     Measure = "modulus" // mm³
	Inertia     Measure = "inertia" // mm⁴
)

// Pound is a pound's mass in kg, PoundForce its weight at standard gravity in N (both
// exact by definition).
const (
	Pound      = .45359237
	PoundForce = Pound * 9.80665
)

// measured is how a measure is written and read: its units in metric and inch jobs, and
// all it understands with their sizes.
type measured struct {
	name         string
	metric, inch string
	sizes        map[string]float64 // by the unit without blanks, points and hyphens, in small letters
}

const (
	foot = .3048
	psi  = PoundForce / 645.16 // MPa
)

var measures = map[Measure]measured{
	Force:       {"force", "N", "lbf", map[string]float64{"n": 1, "kn": 1000, "dan": 10, "kgf": 9.80665, "lbf": PoundForce, "lb": PoundForce, "lbs": PoundForce, "kip": 1000 * PoundForce, "kips": 1000 * PoundForce, "t": 9806.65, "tf": 9806.65, "ton": 2000 * PoundForce, "tons": 2000 * PoundForce}},
	Mass:        {"mass", "kg", "lb", map[string]float64{"kg": 1, "g": .001, "t": 1000, "lb": Pound, "lbs": Pound, "oz": Pound / 16}},
	Moment:      {"moment", "N·m", "lbf·ft", map[string]float64{"nm": 1000, "nmm": 1, "knm": 1e6, "lbfft": PoundForce * foot * 1000, "lbft": PoundForce * foot * 1000, "ftlb": PoundForce * foot * 1000, "ftlbf": PoundForce * foot * 1000, "lbfin": PoundForce * 25.4, "lbin": PoundForce * 25.4, "inlb": PoundForce * 25.4, "inlbf": PoundForce * 25.4}},
	Area:        {"area", "m²", "ft²", map[string]float64{"m²": 1, "m2": 1, "cm²": 1e-4, "cm2": 1e-4, "mm²": 1e-6, "mm2": 1e-6, "ft²": foot * foot, "ft2": foot * foot, "sqft": foot * foot, "in²": 645.16e-6, "in2": 645.16e-6, "sqin": 645.16e-6}},
	Stress:      {"stress", "MPa", "ksi", map[string]float64{"mpa": 1, "n/mm²": 1, "n/mm2": 1, "gpa": 1000, "kpa": .001, "bar": .1, "psi": psi, "ksi": 1000 * psi}},
	Rate:        {"force along a length", "N/mm", "lbf/in", map[string]float64{"n/mm": 1, "kn/m": 1, "n/m": .001, "kn/mm": 1000, "lbf/in": PoundForce / 25.4, "lb/in": PoundForce / 25.4, "lbf/ft": PoundForce / 304.8, "lb/ft": PoundForce / 304.8}},
	Linear:      {"mass along a length", "kg/m", "lb/ft", map[string]float64{"kg/m": 1, "g/mm": 1, "lb/ft": Pound / foot, "lb/in": Pound / .0254, "lbs/ft": Pound / foot}},
	Price:       {"price by mass", "a kg", "a lb", map[string]float64{"akg": 1, "/kg": 1, "alb": 1 / Pound, "/lb": 1 / Pound, "at": .001, "/t": .001}},
	SectionArea: {"area", "mm²", "in²", map[string]float64{"mm²": 1, "mm2": 1, "cm²": 100, "cm2": 100, "in²": 645.16, "in2": 645.16}},
	Modulus:     {"section modulus", "mm³", "in³", map[string]float64{"mm³": 1, "mm3": 1, "cm³": 1e3, "cm3": 1e3, "in³": 16387.064, "in3": 16387.064}},
	Inertia:     {"second moment of area", "mm⁴", "in⁴", map[string]float64{"mm⁴": 1, "mm4": 1, "cm⁴": 1e4, "cm4": 1e4, "in⁴": 416231.4256, "in4": 416231.4256}},
	Heat:        {"heat of a run", "kJ/mm", "kJ/in", map[string]float64{"kj/mm": 1, "kj/in": 1 / 25.4, "kj/cm": .1}},
	Speed:       {"speed", "m/s", "mph", map[string]float64{"m/s": 1, "km/h": 1 / 3.6, "kmh": 1 / 3.6, "mph": .44704, "kn": 1852. / 3600, "kt": 1852. / 3600}},
}

// bareOf answers the unit a bare number is in.
func (m measured) bareOf(inches bool) string {
	if inches {
		return m.inch
	}
	return m.metric
}

// powered is what ends in a unit with its power as a digit.
var powered = regexp.MustCompile(`(?i)(m|in|t)[234]$`)

func tight(unit string) string {
	return strings.NewReplacer(" ", "", "·", "", "*", "", ".", "", "-", "").Replace(strings.ToLower(unit))
}

// ParseAmount reads an amount as a shop writes it: a number with arithmetic, and a unit of
// its measure or none. It answers the amount in the measure's own unit and whether it was
// a bare number. It fails with *Error.
func ParseAmount(text string, of Measure, inches bool) (value float64, plain bool, err error) {
	m, known := measures[of]
	if !known {
		return 0, false, &Error{Text: text, Problem: fmt.Sprintf("%q is no measure.", string(of))}
	}
	trimmed := strings.TrimSpace(text)
	cut := strings.LastIndexFunc(trimmed, func(r rune) bool { return r >= '0' && r <= '9' || r == ')' }) + 1
	if powered.MatchString(trimmed) { // m2 ends in a digit
		cut = strings.LastIndexFunc(trimmed[:cut-1], func(r rune) bool { return r >= '0' && r <= '9' || r == ')' }) + 1
	}
	number, unit := trimmed[:cut], tight(trimmed[cut:])
	if number == "" && unit != "" {
		return 0, false, &Error{Text: text, Problem: "A number is wanted here."}
	}
	v, err := ParseNumber(number)
	if err != nil {
		return 0, false, err
	}
	plain = unit == ""
	if plain {
		unit = tight(m.bareOf(inches))
	}
	size, known := m.sizes[unit]
	if !known {
		return 0, false, &Error{Text: text, Problem: fmt.Sprintf("A %s is wanted here, in %s or %s, not in %q.", m.name, m.metric, m.inch,
			strings.TrimSpace(trimmed[cut:]))}
	}
	if v *= size; math.IsInf(v, 0) || math.IsNaN(v) {
		return 0, false, &Error{Text: text, Problem: "It is too large."}
	}
	return v, plain, nil
}

// FormatAmount writes an amount given in its measure's own unit as the job does, to six
// figures.
func FormatAmount(v float64, of Measure, inches bool) string { return FormatAmountTo(6, v, of, inches) }

// FormatAmountTo writes it to so many figures; all before the point stay.
func FormatAmountTo(figures int, v float64, of Measure, inches bool) string {
	m, known := measures[of]
	if !known {
		return strconv.FormatFloat(v, 'g', 6, 64)
	}
	unit := m.bareOf(inches)
	if of == Force && !inches && math.Abs(v) >= 1e5 { // of presses and chassis
		unit = "kN"
	}
	x := v / m.sizes[tight(unit)]
	if x != 0 { // no exponent
		scale := math.Pow(10, float64(figures-1)-math.Floor(math.Log10(math.Abs(x))))
		if figures < 6 {
			scale = math.Max(scale, 1)
		}
		x = math.Round(x*scale) / scale
	}
	return strconv.FormatFloat(x+0, 'f', -1, 64) + " " + unit
}

// FormatMass writes a mass given in kg in a sentence, in pounds where lengths are inches.
func FormatMass(kg float64, d Display) string {
	if d.Style == Fraction || d.Style == Decimal {
		return fmt.Sprintf("%.4g lb", kg/Pound)
	}
	return fmt.Sprintf("%.4g kg", kg)
}
