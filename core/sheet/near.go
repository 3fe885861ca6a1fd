package sheet

import "math"

// tiny is how far two lengths in mm may differ and be the same.
const tiny = 1e-6

// ceil rounds a suggestion up to a half millimetre.
func ceil(mm float64) float64 { return math.Ceil(mm*2-1e-9) / 2 }
