package joint

import (
	"math"

	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// The factors of AISC 360 J3.8: slip is a matter of service across slots and in
// round holes; along a long slot it is one of strength.
var (
	slipRound = strength.Factors{Omega: 1.5, Phi: 1}
	slipSlot  = strength.Factors{Omega: 2.14, Phi: .7}
)

// friction between plies (practice): bare or painted steel counts alike, low.
const friction = .2

// slots answers which way the plies' slots run, unit vectors; a nil one where some
// ply is slotted and nobody says which way.
func (j *joint) slots() (ways []*point) {
	for _, p := range j.plies {
		switch {
		case !p.Slotted:
		case p.Way == nil:
			ways = append(ways, nil)
		default:
			sin, cos := math.Sincos(*p.Way * math.Pi / 180)
			ways = append(ways, &point{X: cos, Y: sin})
		}
	}
	return ways
}

// along answers the part of a fastener's share that runs along a slot, N.
func along(v point, ways []*point) (most float64) {
	for _, w := range ways {
		if w == nil {
			return v.Len()
		}
		most = math.Max(most, math.Abs(v.Dot(*w)))
	}
	return most
}

// slips asks what must hold by friction: a joint that must not slip, a turn about a
// single bolt, a load along a slot. A pull takes preload away: J3.9, with 1.5 where
// loads are not factored.
func (j *joint) slips(list []spread) mode {
	m := mode{Key: "slip", Name: "Slip", Unit: "N", Idle: "Nothing pushes the way it could slip."}
	single := len(j.in.Holes) == 1
	ways := j.slots()
	turning := false
	for i := range list {
		turning = turning || single && math.Abs(list[i].turn) > 1
	}
	switch {
	case !j.in.NoSlip && !turning && len(ways) == 0:
		m.Needless = "It may slip until the bolts bear on their holes: they are asked for that, and none is a slot."
		return m
	case j.preload == 0:
		m.Missing = "How tight it is cannot be said."
		return m
	case single && turning:
		m.Name = "Turn about a single bolt"
	}
	factors := slipRound
	if len(ways) > 0 {
		factors = slipSlot
	}
	rule := j.in.Strength
	pulls := 1.5
	if rule.School == strength.Factored {
		pulls = 1
	}
	hold := rule.Capacity(friction*j.preload*j.planes, factors)
	radius := math.Max(j.washer, math.Min(j.head, j.thread.AcrossHex)) / 3 // of the ring that rubs
	m.Eval = func(s *spread) strength.Hit {
		best := strength.HardestOf(len(s.pull), func(i int) (float64, float64) {
			left := math.Max(0, 1-pulls*s.drawn(i)/j.preload)
			d := s.sheared[i]
			if !j.in.NoSlip && len(ways) > 0 {
				d = along(s.vectors[i], ways)
			}
			if single {
				d += math.Abs(s.turn) / radius
			}
			return d, hold * left
		})
		if best.Demand > 0 && best.Capacity <= 0 {
			best.Gone = "The pull takes all of the preload: nothing holds it still."
		}
		return best
	}
	m.Explain = func(s *spread, h strength.Hit) working.Working {
		return working.Working{Method: m.Name + " by friction",
			Source:  "AISC 360 J3.8 and J3.9 with a friction of 0.2 (practice) and the preload less the scatter of a torque wrench",
			Formula: "V ≤ μ·Fmin·(1 − c·T/Fmin)·planes / Ω",
			Inputs: []working.Quantity{amount("μ", "friction", friction, ""), newtons("Fmin", "least preload", j.preload),
				amount("planes", "faces that rub", j.planes, ""), amount("c", "on the pull", pulls, ""), newtons("T", "pull on it", s.drawn(h.At))},
			Steps: []working.Quantity{newtons("cap", "may be used", h.Capacity)}, Result: newtons("V", "asked of friction", h.Demand),
			Assumptions: []string{rule.Says(factors)}}
	}
	return m
}
