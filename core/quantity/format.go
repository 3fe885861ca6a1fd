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
	// Off is by how much the true size lies off a shown fraction, in inches: `.011`. Empty
	// where no fraction was rounded.
	Off string
}

// Said writes the text and, where a fraction was rounded, which way the true size lies and
// by how much: `5 1/4" heavy .011`.
func (w Written) Said() string {
	if w.Off == "" {
		return w.Text
	}
	return w.Text + " " + string(w.Lies) + " " + w.Off
}

// noticed in inches: a result that lies nearer than this to a fraction is that fraction, as a
// decimal to .001 would say as well.
const noticed = .0005

// smallest in mm: what a fraction does not meet is written as a decimal below this.
const smallest = 12.7

// Format writes a length in mm. What lies on a fine step (a 64th, a ten-thousandth of an
// inch, a hundredth of a millimetre) is a size somebody gave or as good as one, and is
// written as it is. Anything else is rounded to nearest, ties away from zero: to the
// display's fraction, to .001 in or to 0.1 mm.
func Format(mm float64, d Display) (Written, error) {
	if math.IsNaN(mm) || math.Abs(mm) > maxLength {
		return Written{}, fmt.Errorf("the length is over 100 m")
	}
	switch d.Style {
	case Metric:
		return decimal(mm, 1, places(mm, 1, 1, 2, 1), d), nil
	case Decimal:
		return decimal(mm, 25.4, places(mm, 25.4, 3, 4, 3), d), nil
	case Fraction:
		return fraction(mm, d)
	}
	return Written{}, fmt.Errorf("style %q is not fraction, decimal or mm", string(d.Style))
}

// Text writes a length for a sentence: as it is where it lies on a fine step, else in mm to
// four figures and at least a hundredth, and in inches as a decimal, which is never a
// fraction that is not quite true.
func (d Display) Text(mm float64) string {
	if d.Style == Decimal || d.Style == Fraction {
		w, err := Format(mm, d)
		if err == nil && w.Off != "" {
			w, err = Format(mm, Display{Style: Decimal})
		}
		if err == nil {
			return w.Text
		}
	}
	if math.Abs(mm) < 100 {
		return strconv.FormatFloat(mm, 'g', 4, 64) + " mm"
	}
	return strconv.FormatFloat(math.Round(mm*100)/100, 'f', -1, 64) + " mm"
}

// Given writes a size as somebody gave it, and a field holds it: the fraction where it is
// one, else the decimal to .0001 in; to .001 mm. Nothing of it is rounded that anybody types.
func (d Display) Given(mm float64) (string, error) {
	w, err := Format(mm, d)
	switch {
	case err != nil || w.Lies == Exact:
		return w.Text, err
	case d.Style == Metric:
		at := math.Round(mm*1e3) / 1e3
		return decimal(at, 1, places(at, 1, 1, 3, 3), d).Text, nil
	}
	at := math.Round(mm/25.4*1e4) / 1e4 * 25.4
	return decimal(at, 25.4, places(at, 25.4, 3, 4, 4), Display{Style: Decimal}).Text, nil
}

// Fine writes a length that is read off a caliper or set on a stop, never a fraction: to
// 0.01 mm or .001 in.
func (d Display) Fine(mm float64) string {
	if d.Style == Decimal || d.Style == Fraction {
		return strconv.FormatFloat(math.Round(mm/25.4*1e3)/1e3+0, 'f', 3, 64) + `"`
	}
	return strconv.FormatFloat(math.Round(mm*100)/100+0, 'f', 2, 64) + " mm"
}

// places answers how many decimals show a length in a unit as it is, of at least and at
// most so many; otherwise so many as are said for what is rounded.
func places(mm, unit float64, least, most, rounded int) int {
	v := math.Abs(mm) / unit
	for n := least; n <= most; n++ {
		scale := math.Pow(10, float64(n))
		if math.Abs(v-math.Round(v*scale)/scale)*unit <= lieTolerance {
			return n
		}
	}
	return rounded
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

func decimal(mm, unit float64, places int, d Display) Written {
	v := mm / unit
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
	if finest := math.Round(math.Abs(mm) / 25.4 * 64); math.Abs(math.Abs(mm)-finest*25.4/64) <= lieTolerance {
		den = 64 // as it is, whatever the fractions the job rounds to
	} else if places(mm, 25.4, 3, 4, 0) > 0 || math.Abs(mm) < smallest {
		return decimal(mm, 25.4, places(mm, 25.4, 3, 4, 3), Display{Style: Decimal}), nil
	}
	steps := int(math.Round(snap(math.Abs(mm) / 25.4 * float64(den))))
	w := Written{Negative: mm < 0 && steps > 0, Lies: lies(mm, float64(steps)*25.4/float64(den))}
	if by := math.Abs(math.Abs(mm)/25.4 - float64(steps)/float64(den)); by >= noticed {
		w.Off = strings.TrimPrefix(strconv.FormatFloat(by, 'f', 3, 64), "0")
	}
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
