package bolt

import (
	"math"

	"warmanvil/core/stock"
	"warmanvil/core/strength"
)

// Bolt is one bolt as it stands in a joint.
type Bolt struct {
	Thread         stock.Thread
	Grade          stock.Grade
	ThreadsInPlane bool // the shear plane cuts the threads
}

// Nominal answers the nominal tensile and shear strength in N: AISC 360 J3.6
// 0.75·Fu, and 0.45·Fu with threads in the plane or 0.563·Fu without, on the
// nominal area. When the school counts to yield: proof stress on the stress
// area, and 0.577 of it in shear on the stress area or the shank.
func (b Bolt) Nominal(rule strength.Rule) (tension, shear float64) {
	area := b.Thread.NominalArea()
	if rule.Yields() {
		tension = b.Grade.Proof * b.Thread.StressArea()
		if b.ThreadsInPlane {
			area = b.Thread.StressArea()
		}
		return tension, .577 * b.Grade.Proof * area
	}
	factor := .563
	if b.ThreadsInPlane {
		factor = .45
	}
	return .75 * b.Grade.Tensile * area, factor * b.Grade.Tensile * area
}

// Capacity answers usable tension and shear in N.
func (b Bolt) Capacity(rule strength.Rule) (tension, shear float64) {
	t, v := b.Nominal(rule)
	tension = rule.Capacity(t, strength.Rupture)
	shear = rule.Capacity(v, strength.Rupture)
	return tension, shear
}

// Combined answers the utilisation of shear with tension: in the allowable and
// factored schools tension against the reduced strength of AISC 360 J3.7,
// T/Ta ≤ 1.3 − V/Va, never below the larger share alone; in the g-case school
// the ellipse.
func (b Bolt) Combined(rule strength.Rule, tension, shear float64) float64 {
	ta, va := b.Capacity(rule)
	t, v := tension/ta, shear/va
	if rule.Yields() {
		return math.Hypot(t, v)
	}
	return max(t, v, (t+v)/1.3)
}
