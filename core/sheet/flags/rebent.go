package flags

import (
	"fmt"

	"warmanvil/core/sheet/lay"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// Rebends is how often a bend of a temper may be opened and bent again before the piece is scrap
// (practice, not a standard: each time hardens the bend and eats what stretch is left).
var Rebends = map[stock.Temper]int{stock.Soft: 2, stock.Medium: 1, stock.Hard: 0}

// checkRebent counts what a bend went through. Past the limit of its metal the piece is scrap: what
// is seen is the outside, the crack begins inside.
func (b *flagger) checkRebent(p *lay.Panel) {
	n := p.Flange.Rebent
	if n == 0 || p.Jog != nil {
		return
	}
	limit := Rebends[b.Material.Temper]
	times := map[bool]string{true: "once", false: fmt.Sprintf("%d times", n)}[n == 1]
	at := len(b.Findings)
	switch {
	case n > limit:
		b.Stop("rebent-past", "Bent again", p,
			fmt.Sprintf("%s was bent back and again %s, and %s takes %s: the piece is scrap. Make a new one. "+
				"Softening and hardening it again is work for outside, with a certificate of it.", p.Name, times, b.Material.Name,
				often(limit)))
	case n == limit:
		b.Mind("rebent", "Bent again", p,
			fmt.Sprintf("%s was bent back and again %s: %s takes no more. Look for cracks at both faces of the bend "+
				"with a lens or dye, and bend it no further.", p.Name, times, b.Material.Name))
	default:
		b.Note("rebent", "Bent again", p, fmt.Sprintf("%s was bent back and again %s of %s that %s takes.", p.Name, times, often(limit),
			b.Material.Name))
	}
	b.Attach(at, func() working.Working {
		return working.Working{Method: "Bends that are opened and bent again", Source: "practice by temper, not a standard",
			Formula: "soft sheet twice, half hard once, hard never",
			Inputs:  []working.Quantity{{Symbol: "n", Name: "times it was bent back and again", Value: float64(n)}},
			Result:  working.Quantity{Symbol: "limit", Name: "times it may be", Value: float64(limit)}}
	})
}

func often(n int) string {
	switch n {
	case 0:
		return "no such thing"
	case 1:
		return "it once"
	}
	return fmt.Sprintf("it %d times", n)
}
