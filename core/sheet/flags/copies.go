package flags

import (
	"math"

	"warmanvil/core/working"
)

// wander is how far a hole may get off when it is drilled through the hole of another
// part of its own size: the drill starts off the middle and leans, mm (practice).
const wander = .25

// Copied is how far holes get off when parts are drilled one through another.
type Copied struct {
	Likely float64 // mm, the root of the sum of squares
	Worst  float64 // mm, all one way
}

// Apart answers how far two parts are off each other that both were drilled through one
// master.
func Apart() Copied { return Copied{math.Sqrt2 * wander, 2 * wander} }

// Chained answers how far the last of a row of transfers is off the first, each part
// drilled through the one before it.
func Chained(transfers int) Copied {
	n := float64(max(transfers, 0))
	return Copied{math.Sqrt(n) * wander, n * wander}
}

// growth is the working of a row of transfers.
func growth(transfers int) working.Working {
	c, one := Chained(transfers), Apart()
	return working.Working{Method: "Growth of error along a chain of copies",
		Source:  "independent errors add as the root of the sum of squares, all one way they add up; 0.25 mm a transfer is practice",
		Formula: "likely = √n·w; most = n·w; two from one master: √2·w, 2·w",
		Inputs: []working.Quantity{{Symbol: "n", Name: "transfers", Value: float64(transfers)}, working.MM("w", "one transfer", wander),
			working.MM("likely", "last to first, likely", c.Likely), working.MM("one", "two from one master, at most", one.Worst)},
		Assumptions: []string{"each is clamped and drilled through a hole of its own size; nothing slips"},
		Result:      working.MM("most", "last to first, at most", c.Worst)}
}
