package quantity

import (
	"fmt"
	"math"
	"strconv"
	"strings"
)

// Style is a way to write a length.
type Style string

// The styles Format knows.
const (
	Fraction Style = "fraction" // 7 5/8
	Decimal  Style = "decimal"  // 7.625 (inch)
	Metric   Style = "mm"       // 193.7
)

// Lies says where the true size lies against a shown, rounded one.
type Lies string

// Heavy: the true size is larger than shown. Light: smaller.
const (
	Exact Lies = "exact"
	Heavy Lies = "heavy"
	Light Lies = "light"
)

// lieTolerance in mm: closer than this a rounded figure counts as exact.
const lieTolerance = 1e-6

// Display is how one job writes lengths.
type Display struct {
	Style       Style
	Denominator int  // 16, 32 or 64; for fractions
	Feet        bool // split off feet; for fractions
}

// Written is a length as shown. Whole, Numerator and Denominator describe the
// magnitude, reduced; with Feet split off Whole is the remaining inches 0–11.
type Written struct {
	Text        string
	Negative    bool
	Feet        int
	Whole       int
	Numerator   int
	Denominator int
	Lies        Lies
}

// Format writes a length in mm, rounded to nearest with ties away from zero.
func Format(mm float64, d Display) (Written, error) {
	if math.IsNaN(mm) || math.Abs(mm) > maxLength {
		return Written{}, fmt.Errorf("the length is over 100 m")
	}
	switch d.Style {
	case Metric:
		return decimal(mm, mm, 1, 1, d), nil
	case Decimal:
		return decimal(mm, mm/25.4, 25.4, 3, d), nil
	case Fraction:
		return fraction(mm, d)
	}
	return Written{}, fmt.Errorf("style %q is not fraction, decimal or mm", string(d.Style))
}

// Text writes a length for a sentence: in mm to four figures where no style is
// given or it is metric; in inches as the job has them, but decimal where its
// fractions are too coarse to say something this small.
func (d Display) Text(mm float64) string {
	if d.Style == Decimal || d.Style == Fraction {
		w, err := Format(mm, d)
		if err == nil && d.Style == Fraction && w.Lies != Exact && math.Abs(mm) < 12.7 {
			w, err = Format(mm, Display{Style: Decimal})
		}
		if err == nil {
			return w.Text
		}
	}
	return strconv.FormatFloat(mm, 'g', 4, 64) + " mm"
}

// Held writes a length for a field that holds it and is typed over: to a thousandth of
// a millimetre or an inch, in fractions where the job has them and the size is not too
// small for them. Where a fraction is rounded, truly is the size as a decimal.
func (d Display) Held(mm float64) (text, truly string, err error) {
	w, err := Format(mm, d)
	switch {
	case err != nil || w.Lies == Exact || d.Style == Decimal:
		return w.Text, "", err
	case d.Style == Metric:
		return strconv.FormatFloat(math.Round(mm*1000)/1000, 'f', -1, 64) + " mm", "", nil
	}
	exact, err := Format(mm, Display{Style: Decimal})
	if math.Abs(mm) < 12.7 {
		return exact.Text, "", err
	}
	return w.Text, exact.Text, err
}

func lies(mm, shown float64) Lies {
	switch diff := math.Abs(mm) - math.Abs(shown); {
	case math.Abs(diff) <= lieTolerance:
		return Exact
	case diff > 0:
		return Heavy
	}
	return Light
}

// snap removes the last bits of noise so that a tie stays a tie.
func snap(x float64) float64 {
	if r := math.Round(x*2) / 2; math.Abs(x-r) < 1e-9*math.Max(1, math.Abs(x)) {
		return r
	}
	return x
}

func decimal(mm, v, unit float64, places int, d Display) Written {
	scale := math.Pow(10, float64(places))
	steps := math.Round(snap(math.Abs(v) * scale))
	w := Written{Negative: v < 0 && steps > 0, Denominator: 1}
	magnitude := steps / scale
	w.Lies = lies(mm, magnitude*unit)
	w.Text = strconv.FormatFloat(magnitude, 'f', places, 64)
	w.Whole = int(magnitude)
	if r := int(math.Round((magnitude - float64(w.Whole)) * scale)); r > 0 {
		g := gcd(r, int(scale))
		w.Numerator, w.Denominator = r/g, int(scale)/g
	}
	if unit == 1 {
		w.Text += " mm"
	} else {
		if d.Feet && w.Whole >= 12 {
			w.Feet, w.Whole = w.Whole/12, w.Whole%12
			w.Text = fmt.Sprintf("%d' %s", w.Feet, strconv.FormatFloat(magnitude-12*float64(w.Feet), 'f', places, 64))
		}
		w.Text += `"`
	}
	if w.Negative {
		w.Text = "-" + w.Text
	}
	return w
}

func fraction(mm float64, d Display) (Written, error) {
	den := d.Denominator
	if den == 0 {
		den = 16
	}
	if den != 16 && den != 32 && den != 64 {
		return Written{}, fmt.Errorf("a fraction is shown in 16ths, 32nds or 64ths, not in %dths", den)
	}
	steps := int(math.Round(snap(math.Abs(mm) / 25.4 * float64(den))))
	w := Written{Negative: mm < 0 && steps > 0, Lies: lies(mm, float64(steps)*25.4/float64(den))}
	w.Whole, w.Numerator, w.Denominator = steps/den, steps%den, den
	if g := gcd(w.Numerator, den); w.Numerator == 0 {
		w.Denominator = 1
	} else {
		w.Numerator, w.Denominator = w.Numerator/g, den/g
	}
	if d.Feet {
		w.Feet, w.Whole = w.Whole/12, w.Whole%12
	}
	w.Text = fractionText(w)
	return w, nil
}

func fractionText(w Written) string {
	var b strings.Builder
	if w.Negative {
		b.WriteByte('-')
	}
	if w.Feet > 0 {
		fmt.Fprintf(&b, "%d' ", w.Feet)
	}
	if w.Whole != 0 || w.Numerator == 0 {
		b.WriteString(strconv.Itoa(w.Whole))
		if w.Numerator != 0 {
			b.WriteByte(' ')
		}
	}
	if w.Numerator != 0 {
		b.WriteString(strconv.Itoa(w.Numerator) + "/" + strconv.Itoa(w.Denominator))
	}
	b.WriteByte('"')
	return b.String()
}

func gcd(a, b int) int {
	for b != 0 {
		a, b = b, a%b
	}
	return a
}
