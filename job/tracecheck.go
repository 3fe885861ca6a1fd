package job

import (
	"warmanvil/core/brief"
	"warmanvil/core/hole"
	"warmanvil/core/site"
	"warmanvil/core/told"
	"warmanvil/core/vehicle"
)

// HoldTraced lays every traced outline's round holes on the hole maps of the
// survey and the feet of the devices, and says what differs.
func (s *Service) HoldTraced(parts []TracedPart, mm float64, v vehicle.Survey, b brief.Brief) {
	p := told.Pen{Display: b.Display()}
	list := site.KnownLayouts(v, b, p)
	for i := range parts {
		drawn := site.TracedHoles(&parts[i].Base)
		parts[i].Compared = []site.Compared{}
		for _, k := range list {
			if l, ok := hole.Lie(drawn, k.Holes); ok && (len(l.Pairs) > 2 || len(k.Holes) == 2) {
				parts[i].Compared = append(parts[i].Compared, k.Told(l, drawn, mm, p))
			}
		}
	}
}
