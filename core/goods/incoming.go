package goods

import (
	"fmt"
	"math"
)

// otherSheet is how far a thickness may be off what was ordered before it is another sheet, as a
// share; stripFirst how far before a test strip is worth it (practice: sheet is rolled to
// within a few per cent).
const otherSheet, stripFirst = .05, .02

// Incoming says what is odd about what came against what was ordered and what the line says it
// is: how many, and the thickness that was measured. c is how it stood before; length writes mm.
func Incoming(l Goods, c Counts, m Move, length func(mm float64) string) (out []string) {
	if m.Kind != Received {
		return nil
	}
	switch {
	case c.Ordered > 0 && m.Count < c.Ordered-1e-9:
		out = append(out, fmt.Sprintf("%g of %g ordered came: %g are still on their way.", m.Count, c.Ordered, c.Ordered-m.Count))
	case m.Count > c.Ordered+1e-9 && c.Ordered > 0:
		out = append(out, fmt.Sprintf("%g came and %g were ordered: look whether they are all yours.", m.Count, c.Ordered))
	}
	if m.Measured == nil || l.Thickness == 0 {
		return out
	}
	off := *m.Measured/l.Thickness - 1
	switch {
	case math.Abs(off) > otherSheet:
		out = append(out, fmt.Sprintf("It measures %s and is to be %s: that is another sheet. Put it on a line of its own; bends, "+
			"strength and blanks "+
			"are worked out for %s.", length(*m.Measured), length(l.Thickness), length(l.Thickness)))
	case math.Abs(off) > stripFirst:
		out = append(out, fmt.Sprintf("It measures %s and is to be %s: bend a test strip of it before the first good piece.",
			length(*m.Measured),
			length(l.Thickness)))
	}
	return out
}
