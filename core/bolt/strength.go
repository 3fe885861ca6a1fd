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
// 0.75·Fu in tension, and in shear 0.45·Fu with threads in the plane or 0.563·Fu
// without, on the nominal area. Those are averages over the sizes of structural
// bolts: small threads have less core than that, so tension is no more than Fu on
// the stress area and shear through threads no more than 0.6·Fu on the root area.
// When the school counts to yield: proof stress on the stress area, and 0.577 of
// it in shear on the stress area or the shank.
func (b Bolt) Nominal(rule strength.Rule) (tension, shear float64) {
	area := b.Thread.NominalArea()
	if rule.Yields() {
		tension = b.Grade.Proof * b.Thread.StressArea()
		if b.ThreadsInPlane {
			area = b.Thread.StressArea()
		}
		return tension, .577 * b.Grade.Proof * area
	}
	fu := b.Grade.Tensile
	tension, shear = min(.75*fu*area, fu*b.Thread.StressArea()), .563*fu*area
	if b.ThreadsInPlane {
		shear = min(.45*fu*area, .6*fu*b.Thread.RootArea())
	}
	return tension, shear
}

// Source says where a bolt's strength comes from.
func (b Bolt) Source(rule strength.Rule) string {
	if rule.Yields() {
		return "proof stress on the stress area, 0.577 of it in shear; " + b.Grade.Source
	}
	return "AISC 360 J3.6: 0.75·Fu in tension, 0.45·Fu with threads in the plane or 0.563·Fu without, on the nominal area; no more than Fu " +
		"on the stress area or 0.6·Fu on the root area; " + b.Grade.Source
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
