// Package quantity reads and writes lengths and angles the way shops do:
// `7-5/8`, `3' 2 1/8"`, `31.5 cm`, `10 ga`, `58 - 2*5/8`. Inside the program a
// length is a float64 in millimetres; this package is the only way in and out.
//
// The grammar, loosest binding first:
//
//	sum     = product { ("+" | "-") product }
//	product = signed { ("*" | "/") signed }
//	signed  = [ "+" | "-" ] ( "(" sum ")" | compound )
//	compound = number [ unit ] { number unit }      units descend, each once
//	number  = whole | decimal | fraction | whole fraction | whole "-" fraction
//
// An entry with two readings is refused with both of them, because the wrong
// one is scrap.
package quantity

import "strings"

// Unit is a unit of length that a bare number may stand for.
type Unit string

// The units of length understood by Parse.
const (
	Millimetre Unit = "mm"
	Centimetre Unit = "cm"
	Metre      Unit = "m"
	Inch       Unit = "in"
	Foot       Unit = "ft"
)

// maxLength is the longest length accepted, in mm (100 m).
const maxLength = 100_000.0

var unitSize = map[Unit]float64{Millimetre: 1, Centimetre: 10, Metre: 1000, Inch: 25.4, Foot: 304.8}

var unitWords = map[string]Unit{
	"mm": Millimetre, "cm": Centimetre, "m": Metre,
	"in": Inch, "inch": Inch, "inches": Inch, `"`: Inch,
	"ft": Foot, "foot": Foot, "feet": Foot, "'": Foot,
}

// Size returns the unit's length in mm, 0 for an unknown unit.
func (u Unit) Size() float64 { return unitSize[u] }

// Error says what in an entry was not understood, where, and what to type instead.
type Error struct {
	Text     string   // the entry as typed
	Offset   int      // position of the trouble in runes from 0
	Problem  string   // one sentence
	Readings []string // both readings when the entry has two
}

func (e *Error) Error() string {
	if len(e.Readings) > 0 {
		return e.Problem + " Write " + strings.Join(e.Readings, " or ") + "."
	}
	return e.Problem
}
