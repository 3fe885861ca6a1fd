package tube

import "math"

// FoldGauge is what a notched corner is held against while it is folded, and how far its free end
// strays.
type FoldGauge struct {
	Opens float64 // degrees, between the two pieces inside
	Stray float64 // mm the free end goes off for each mm the V is off at its opening
}

// GaugeOf answers the gauge of a fold, degrees turned from straight, of a V so deep, mm, whose free
// leg is so long, mm. The V closes earlier or later by its error over its depth, small against the
// fold (plane geometry).
func GaugeOf(fold, deep, leg float64) FoldGauge {
	return FoldGauge{Opens: 180 - fold, Stray: leg / deep}
}

// Across answers how far apart the ends of two gauge legs of some length stand: 2·leg·sin(opens/2).
func (g FoldGauge) Across(leg float64) float64 { return 2 * leg * math.Sin(g.Opens/2*math.Pi/180) }
