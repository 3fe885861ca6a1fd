package sheet

import (
	"fmt"
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// Clear distance of a bolt hole from a seam that is welded: 3·T, and 10 mm at least
// (practice).
const (
	seamThick = 3.
	seamLeast = 10. // mm
)

// seam is a corner closed by weld, by one of the flanges that meet there.
type seam struct {
	panel, other *panel
	side         int // edge of the panel the weld lies on
}

// welded lists the seams of corners that are closed by weld.
func (b *flagger) welded() (out []seam) {
	for _, p := range b.panels {
		for _, m := range p.meets {
			if m.Kind != MeetWeld {
				continue
			}
			if ends, starts := p.corner2(m.A, m.B); ends != nil {
				out = append(out, seam{ends, starts, 3}, seam{starts, ends, 1})
			}
		}
	}
	return out
}

// checkSeams looks for bolt holes that the heat of a seam pulls oval and whose washer
// lies on its bead. What is drilled later is exempt.
func (b *flagger) checkSeams() {
	need := math.Max(seamThick*b.recipe.Thickness, seamLeast)
	for _, s := range b.welded() {
		n := len(s.panel.corners)
		line := []profile.Point{s.panel.corners[s.side], s.panel.corners[(s.side+1)%n]}
		_, _, out, _ := s.panel.edge(s.side)
		for i := range b.holes {
			h := &b.holes[i]
			if h.panel != s.panel || !h.cut() || !h.recipe.Use.bolted() {
				continue
			}
			clear := profile.Between(h.core(), line) - h.r()
			if clear >= need-tiny || clear <= 0 {
				continue
			}
			at := len(b.findings)
			by := ceil(need - clear)
			b.mind("hole-near-seam", "Holes near a weld", h.subject(),
				fmt.Sprintf("%s is %s clear of the seam of %s and %s and wants %s: the heat pulls it oval, and its washer lies on the bead.", h.name,
					b.len(clear), lower(s.panel.name), lower(s.other.name), b.len(need)),
				b.moved("Move it "+b.len(by), h, out.Mul(-by)), b.fix("Drill it after welding", h.path+"/made", MadeDrilled))
			b.attach(at, func() working.Working {
				return working.Working{Method: "Clear distance from a seam", Source: "practice: 3·T, 10 mm at least",
					Formula: "clear = distance to the seam − radius",
					Inputs:  []working.Quantity{working.MM("T", "thickness", b.recipe.Thickness), working.MM("clear", "clear distance", clear)},
					Result:  working.MM("least", "needed", need)}
			})
		}
	}
}
