package strength

import (
	"fmt"
	"math"
)

// Percent writes how much of what it may carry something is asked for, in the one rounding
// there is: whole numbers, from a tenth on; where the whole number would belong to another
// verdict it has a decimal, so that what is over never shows 100 and what holds never shows
// 85. The sign is the caller's.
func Percent(utilisation float64) string {
	p := 100 * utilisation
	whole := math.Round(p)
	switch {
	case math.IsNaN(p):
		return "?"
	case p > 9900:
		return "> 9900"
	case p < 9.95:
		return fmt.Sprintf("%.1f", p)
	case p < 100*TightFrom && whole >= 100*TightFrom:
		return fmt.Sprintf("%.1f", math.Floor(p*10)/10)
	case p > 100 && whole <= 100:
		return fmt.Sprintf("%.1f", math.Ceil(p*10)/10)
	}
	return fmt.Sprintf("%.0f", whole)
}
