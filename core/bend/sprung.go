package bend

import (
	"fmt"
	"math"

	"warmanvil/core/working"
)

// Sprung is what bent strips say of springback.
type Sprung struct {
	Keeps  float64 // share of the angle on the tool that stays, mean
	Spread float64 // standard deviation of the sample, 0 for one strip
	Count  int
}

// alikeRadius is how far a strip's R/T may lie from a bend's to speak of its springback, as a
// share (practice: springback follows R/T).
const alikeRadius = .25

// FromStrips answers what strips say of the springback of a bend: those that tell the angle
// on the tool, of a thickness within 5 % and an R/T within 25 %. Without one it is false.
func FromStrips(strips []Coupon, insideRadius, thickness float64) (Sprung, bool) {
	var keeps []float64
	for _, c := range strips {
		if c.BentTo == 0 || math.Abs(c.Thickness-thickness) > .05*thickness+1e-9 {
			continue
		}
		if is, want := c.InsideRadius/c.Thickness, insideRadius/thickness; math.Abs(is-want) > alikeRadius*math.Max(want, 1)+1e-9 {
			continue
		}
		keeps = append(keeps, c.Angle/c.BentTo)
	}
	if len(keeps) == 0 {
		return Sprung{}, false
	}
	s := Sprung{Count: len(keeps)}
	s.Keeps, s.Spread = meanSpread(keeps, -1)
	return s, true
}

// Aim answers the angle to bend to on the tool, in degrees, so that the wanted one stays.
func (s Sprung) Aim(angle float64) (aim float64, w working.Working) {
	aim = angle / s.Keeps
	good := "one strip: bend a second to know how far it scatters"
	if s.Count > 1 {
		good = fmt.Sprintf("spread %.4f: the aim is good to ±%.2f°", s.Spread, s.Spread/s.Keeps*aim)
	}
	return aim, working.Working{Method: "Springback by bent strips", Source: fmt.Sprintf("mean of %d strip(s) read on the tool and "+
		"after", s.Count),
		Formula: "keeps = angle after / angle on the tool;  aim = A / keeps",
		Inputs:  []working.Quantity{degrees("A", "angle wanted", angle), number("keeps", "share of the angle that stays", s.Keeps)},
		Assumptions: []string{"the strips are of this sheet, thickness and tool, at a radius over thickness within a quarter of this " +
			"bend's", good,
			"the share is the same at other angles"},
		Result: degrees("aim", "angle to bend to", aim)}
}
