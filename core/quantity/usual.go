package quantity

import "math"

// InchSize answers the size an inch shop says for a usual metric one, in mm: the nearest
// quarter inch, below 25 mm the nearest thirty-second. Zero and what rounds to nothing
// stay.
func InchSize(mm float64) float64 {
	step := 25.4 / 4
	if math.Abs(mm) < 25 {
		step = 25.4 / 32
	}
	if at := math.Round(mm/step) * step; at != 0 {
		return at
	}
	return mm
}
