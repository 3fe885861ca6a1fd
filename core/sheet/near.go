package sheet

import "math"

// Tiny is how far two lengths in mm may differ and be the same.
const Tiny = 1e-6

// HalfUp rounds a suggestion up to a half millimetre.
func HalfUp(mm float64) float64 { return math.Ceil(mm*2-1e-9) / 2 }
