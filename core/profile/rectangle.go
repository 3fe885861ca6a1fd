package profile

import "math"

// RectangleIn answers whether a rectangle of p × q lies in one of a × b, and by how many degrees it
// has to be turned for it; 90 is crosswise. Lengths mm. Source: a rectangle in a rectangle
// (J. E. Wetzel, Mathematics Magazine 73, 2000): a longer one fits exactly when
// b ≥ (2·p·q·a + (p² − q²)·√(p² + q² − a²)) / (p² + q²), p ≥ q, a ≥ b.
func RectangleIn(p, q, a, b float64) (degrees float64, fits bool) {
	const tiny = 1e-9
	switch {
	case p <= a+tiny && q <= b+tiny:
		return 0, true
	case p <= b+tiny && q <= a+tiny:
		return 90, true
	}
	long, short := max(p, q), min(p, q)
	wide, deep := max(a, b), min(a, b)
	if short > deep || long*long+short*short-wide*wide < 0 {
		return 0, false
	}
	need := (2*long*short*wide + (long*long-short*short)*math.Sqrt(long*long+short*short-wide*wide)) / (long*long + short*short)
	if need > deep+tiny {
		return 0, false
	}
	// The angle at which its box is as long as the bed: long·cos t + short·sin t = wide.
	r := math.Hypot(long, short)
	t := math.Atan2(short, long) + math.Acos(math.Min(wide/r, 1))
	return t * 180 / math.Pi, true
}
