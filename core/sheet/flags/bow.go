package flags

import (
	"fmt"
	"math"

	"warmanvil/core/sheet/lay"
	"warmanvil/core/working"
)

// mindBow is how many degrees the middle of a bend may stay behind its ends before it is
// said (practice: what is seen along a straight edge).
const mindBow = 1.

// Bow answers how far the middle of a bend of a mm gives against its ends, mm, under F N in
// the middle of a brake of B mm whose beam gives bow mm at full force F0 over its whole
// length: a simply supported beam, E·I = 5·F0·B³/(384·bow), loaded evenly over a:
// y = F/(E·I)·(a²/16·(B/2 − a/4) − a³/384). 0 where something of it is not known.
func Bow(a, force, length, full, bow float64) float64 {
	if a <= 0 || force <= 0 || length <= 0 || full <= 0 || bow <= 0 {
		return 0
	}
	a = math.Min(a, length)
	stiff := 5 * full * length * length * length / (384 * bow)
	return force / stiff * (a*a/16*(length/2-a/4) - a*a*a/384)
}

// Behind answers by how many degrees an air bend of an angle stays behind where the punch is
// mm less deep, over a die of V mm: depth = V/2·tan(A/2), so dA = 4·cos²(A/2)/V·d.
func Behind(mm, opening, angle float64) float64 {
	if opening <= 0 {
		return 0
	}
	c := math.Cos(angle * math.Pi / 360)
	return 4 * c * c / opening * mm * 180 / math.Pi
}

// checkBow says when the beam gives so much that the middle of a bend stays behind its ends.
func (b *flagger) checkBow(p *lay.Panel, m Machine, force, opening float64) {
	y := Bow(p.Zone, force, m.Long, m.Force, m.Bow)
	behind := Behind(y, opening, p.Flange.Angle)
	if behind < mindBow {
		return
	}
	said := m.unsaid()
	if m.Named && !m.BowSaid {
		said = " What its beam gives is a usual value: measure it with a rule and feeler under load, and say it in the Shop."
	}
	at := len(b.Findings)
	b.Mind("bow", "Brake", p, fmt.Sprintf("The middle of %s stays about %.1f° behind its ends: the beam of %s gives %s there. Ways out: "+
		"shim the "+
		"die's middle by that much, crown the beam, a wider die, or straighten it after.%s", p.Name, behind, m.called(), b.Display.Fine(y), said))
	b.Attach(at, func() working.Working {
		return working.Working{Method: "Bow of a bend in a brake whose beam gives", Source: "simply supported beam, loaded evenly over " +
			"the bend in its " +
			"middle; air bend by geometry", Formula: "y = F/(E·I)·(a²/16·(B/2 − a/4) − a³/384), E·I = 5·F0·B³/(384·y0); dA = 4·cos²(A/2)/V·y",
			Inputs: []working.Quantity{working.MM("a", "length of the bend", p.Zone), working.MM("B", "length of the brake", m.Long),
				{Symbol: "F", Name: "force of the bend", Value: force, Unit: "N"}, {Symbol: "F0", Name: "its force in all", Value: m.Force, Unit: "N"},
				working.MM("y0", "what its beam gives at full force", m.Bow), working.MM("V", "die opening", opening)},
			Steps:       []working.Quantity{working.MM("y", "middle against ends", y)},
			Assumptions: []string{"the bend lies in the middle of the brake", "the beam rests at its ends"},
			Result:      working.Quantity{Symbol: "dA", Name: "the middle stays behind by", Value: behind, Unit: "°"}}
	})
}
