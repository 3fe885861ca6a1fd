package site

import (
	"math"

	"warmanvil/core/effort"
	"warmanvil/core/weld"
)

// weldedWork adds the seams of the welded joints, as often as the whole job is made, and names those that cannot be
// said.
func (s Site) weldedWork(g *gathering) (unsaid []string) {
	if len(s.Brief.Welded) == 0 {
		return nil
	}
	open := s.open()
	times := float64(max(s.Brief.Quantity, 1))
	for _, w := range s.Brief.Welded {
		x := open.seat(w, nil)
		if x.why != "" {
			unsaid = append(unsaid, w.Name)
			continue
		}
		long := 0.
		for _, seam := range x.seams {
			laid := 0.
			for _, r := range seam.Runs() {
				laid += lengthOf(r)
			}
			if seam.Both {
				laid *= 2
			}
			if seam.Form == weld.PlugForm || seam.Form == weld.SpotForm {
				laid = float64(len(seam.Path)) * seam.Across // each about as long as it is across
			}
			leg := seam.Leg
			if leg == 0 {
				leg = math.Max(seam.Throat, math.Min(seam.Sides[0].Thickness, seam.Sides[1].Thickness))
			}
			laid *= times / 1000
			long += laid
			g.welds = append(g.welds, effort.Weld{Long: laid, Leg: leg})
		}
		g.add(effort.Welding, long, 1, w.Name)
		g.add(effort.Dressing, long, 0, w.Name)
		g.dressed += long
	}
	return unsaid
}
