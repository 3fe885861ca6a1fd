package flags

import (
	"fmt"
	"strings"

	"warmanvil/core/sheet/lay"
)

// Compressor is a compressor of the shop.
type Compressor struct {
	Name string
	Flow Limit // free air, l/min
}

// Blown says why no compressor of the shop gives the air something takes; empty when one does,
// where it takes none, or the shop names no compressor.
func Blown(list []Compressor, name string, takes Limit) string {
	if takes.Value == 0 || len(list) == 0 {
		return ""
	}
	flow := func(v float64) string { return fmt.Sprintf("%.4g l/min", v) }
	var gives []string
	for _, c := range list {
		if !c.Flow.More(takes.Value) {
			return ""
		}
		gives = append(gives, c.Name+" gives "+c.Flow.Says(flow))
	}
	return fmt.Sprintf("%s takes %s of air, and %s: it runs out of air in the middle.", name, takes.Says(flow), strings.Join(gives,
		", ")) +
		Ways{Tool: "a torch or gun that takes less",
			Machine: "a larger compressor, or a larger vessel and pauses to fill it (say it in the Shop)"}.Says()
}

// checkAir asks whether the shop's compressor keeps up with the table a blank is cut on.
func (b *flagger) checkAir(whole *lay.Panel, m Machine) {
	if m.Where != "" {
		return // there is other air there
	}
	if says := Blown(b.Machines.Compressors, m.called(), m.Air); says != "" {
		b.Mind("past-air", "Machines", whole, says)
	}
}
