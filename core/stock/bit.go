package stock

import (
	"fmt"
	"math"
	"slices"
	"strconv"
	"strings"
)

// Series is how drills of a kind are named.
type Series string

// The series of twist drills: numbers 60 to 1, letters A to Z and fractions by 64ths of
// ASME B94.11M, and metric sizes by tenths.
const (
	Numbered   Series = "number"
	Lettered   Series = "letter"
	Fractional Series = "fraction"
	Millimetre Series = "metric"
)

// Bit is a twist drill as it is called: #7, F, 13/32", 6.8 mm.
type Bit struct {
	Series   Series
	Name     string
	Diameter float64 // mm
}

// numbered are the sizes of numbers 1 to 60 and lettered those of A to Z, in ten-thousandths
// of an inch, ASME B94.11M.
var (
	numbered = [60]int{2280, 2210, 2130, 2090, 2055, 2040, 2010, 1990, 1960, 1935, 1910, 1890, 1850, 1820, 1800, 1770, 1730, 1695, 1660,
		1610, 1590, 1570, 1540, 1520, 1495, 1470, 1440, 1405, 1360, 1285, 1200, 1160, 1130, 1110, 1100, 1065, 1040, 1015, 995, 980, 960,
		935, 890, 860, 820, 810, 785, 760, 730, 700, 670, 635, 595, 550, 520, 465, 430, 420, 410, 400}
	lettered = [26]int{2340, 2380, 2420, 2460, 2500, 2570, 2610, 2660, 2720, 2770, 2810, 2900, 2950, 3020, 3160, 3230, 3320, 3390, 3480,
		3580, 3680, 3770, 3860, 3970, 4040, 4130}
	bits = allBits()
)

// allBits has the fractions first: where two names are one drill, that is the one it goes by.
func allBits() (out []Bit) {
	for n := 1; n <= 112; n++ {
		out = append(out, Bit{Fractional, sixtyFourths(n) + `"`, float64(n) * 25.4 / 64})
	}
	for i, d := range numbered {
		out = append(out, Bit{Numbered, "#" + strconv.Itoa(i+1), float64(d) * 25.4 / 1e4})
	}
	for i, d := range lettered {
		out = append(out, Bit{Lettered, string(rune('A' + i)), float64(d) * 25.4 / 1e4})
	}
	for n := 10; n <= 140; n++ {
		out = append(out, Bit{Millimetre, fmt.Sprintf("%g mm", float64(n)/10), float64(n) / 10})
	}
	for n := 29; n <= 100; n++ {
		out = append(out, Bit{Millimetre, fmt.Sprintf("%g mm", float64(n)/2), float64(n) / 2})
	}
	return out
}

func sixtyFourths(n int) string {
	whole, d := n/64, 64
	n %= 64
	for n > 0 && n%2 == 0 {
		n, d = n/2, d/2
	}
	switch {
	case n == 0:
		return strconv.Itoa(whole)
	case whole == 0:
		return fmt.Sprintf("%d/%d", n, d)
	}
	return fmt.Sprintf("%d %d/%d", whole, n, d)
}

// Bits lists the drills of a series, as they are named.
func Bits(of Series) (out []Bit) {
	for _, b := range bits {
		if b.Series == of {
			out = append(out, b)
		}
	}
	return out
}

// NearestBit answers the drill nearest to a diameter in mm of those an inch or a metric
// shop has.
func NearestBit(diameter float64, inches bool) Bit {
	best := Bit{Diameter: math.Inf(1)}
	for _, b := range bits {
		if (b.Series != Millimetre) == inches && math.Abs(b.Diameter-diameter) < math.Abs(best.Diameter-diameter) {
			best = b
		}
	}
	return best
}

// bitGrain is within what of its size in mm a drill is that size: half a thousandth of an
// inch, as its table is rounded.
const bitGrain = .0005*25.4 + 1e-9

// BitText names the drill for a hole in mm, for a shop of inches or of millimetres, and says
// by how much the nearest one on its shelf misses it.
func BitText(diameter float64, inches bool) string {
	near := NearestBit(diameter, inches)
	off := near.Diameter - diameter
	said := near.Name
	if inches && near.Series != Fractional {
		said = fmt.Sprintf(`%s (%.3f")`, near.Name, near.Diameter/25.4)
	}
	if math.Abs(off) <= bitGrain {
		return said
	}
	by := fmt.Sprintf("%.2f mm", math.Abs(off))
	if inches {
		by = fmt.Sprintf("%.3f in", math.Abs(off)/25.4)
	}
	word := "larger"
	if off < 0 {
		word = "smaller"
	}
	if other := NearestBit(diameter, !inches); math.Abs(other.Diameter-diameter) <= bitGrain {
		return fmt.Sprintf("%s, or %s, %s %s", other.Name, said, by, word)
	}
	return fmt.Sprintf("%s, %s %s", said, by, word)
}

// BitName names the drill for a hole in mm in few words: the one of the shop's shelf, or of
// the other shelf, that is this size; where none is, the size is not there.
func BitName(diameter float64, inches bool) (name string, is bool) {
	for _, shelf := range []bool{inches, !inches} {
		if b := NearestBit(diameter, shelf); math.Abs(b.Diameter-diameter) <= bitGrain {
			return b.Name, true
		}
	}
	return "", false
}

// BitNamed finds a drill by its name: #7, no 7, F, letter F. Fractions and metric sizes are
// lengths, which name themselves.
func BitNamed(name string) (Bit, bool) {
	name = strings.ToUpper(strings.Join(strings.Fields(name), ""))
	for _, word := range []string{"LETTER", "NUMBER", "NO.", "NO", "DRILL"} {
		switch rest := strings.TrimPrefix(name, word); {
		case rest == name:
		case word == "LETTER" || word == "DRILL":
			name = rest
		default:
			name = "#" + strings.TrimPrefix(rest, "#")
		}
	}
	name = strings.TrimSuffix(name, "DRILL")
	i := slices.IndexFunc(bits, func(b Bit) bool { return (b.Series == Numbered || b.Series == Lettered) && b.Name == name })
	if i < 0 {
		return Bit{}, false
	}
	return bits[i], true
}
