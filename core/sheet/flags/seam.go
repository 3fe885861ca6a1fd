package flags

import (
	"fmt"
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
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
	panel, other *lay.Panel
	side         int // edge of the panel the weld lies on
}

// welded lists the seams of corners that are closed by weld.
func (b *flagger) welded() (out []seam) {
	for _, p := range b.Panels {
		for _, m := range p.Meets {
			if m.Kind != sheet.MeetWeld {
				continue
			}
			if ends, starts := p.Corner2(m.A, m.B); ends != nil {
				out = append(out, seam{ends, starts, 3}, seam{starts, ends, 1})
			}
		}
	}
	return out
}

// checkSeams looks for bolt holes that the heat of a seam pulls oval and whose washer
// lies on its bead. What is drilled later is exempt.
func (b *flagger) checkSeams() {
	need := math.Max(seamThick*b.Recipe.Thickness, seamLeast)
	for _, s := range b.welded() {
		n := len(s.panel.Corners)
		line := []profile.Point{s.panel.Corners[s.side], s.panel.Corners[(s.side+1)%n]}
		_, _, out, _ := s.panel.Edge(s.side)
		for i := range b.Holes {
			h := &b.Holes[i]
			if h.Panel != s.panel || !h.Cut() || !h.Recipe.Use.Bolted() {
				continue
			}
			clear := profile.Between(h.Core(), line) - h.R()
			if clear >= need-sheet.Tiny || clear <= 0 {
				continue
			}
			at := len(b.Findings)
			by := sheet.HalfUp(need - clear)
			b.Mind("hole-near-seam", "Holes near a weld", h.Subject(),
				fmt.Sprintf("%s is %s clear of the seam of %s and %s and wants %s: the heat pulls it oval, and its washer lies on the bead.", h.Name,
					b.Len(clear), lay.Lower(s.panel.Name), lay.Lower(s.other.Name), b.Len(need)),
				b.Moved("Move it "+b.Len(by), h, out.Mul(-by)), b.Fix("Drill it after welding", h.Path+"/made", sheet.MadeDrilled))
			b.Attach(at, func() working.Working {
				return working.Working{Method: "Clear distance from a seam", Source: "practice: 3·T, 10 mm at least",
					Formula: "clear = distance to the seam − radius",
					Inputs:  []working.Quantity{working.MM("T", "thickness", b.Recipe.Thickness), working.MM("clear", "clear distance", clear)},
					Result:  working.MM("least", "needed", need)}
			})
		}
	}
}
