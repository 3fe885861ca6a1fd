package joint

import (
	"warmanvil/core/bolt"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// What inserts hold before they let go, N, by the size of their thread: typical of
// steel ones set in sheet as thick as their sheets ask for, low among makers.
var (
	rivetNutPull = map[string]float64{"M5": 5000, "M6": 7500, "M8": 12000, "M10": 16000, "M12": 22000}
	slotNutPull  = map[string]float64{"M6": 5000, "M8": 8000, "M10": 12000, "M12": 16000}
	slotNutSlip  = map[string]float64{"M6": 2000, "M8": 3000, "M10": 5000, "M12": 7000} // along its track, tightened
)

// inserted checks what a captive nut holds by.
func (j *joint) inserted(each eacher) {
	rule, last := j.in.Strength, j.plies[len(j.plies)-1]
	pull := func(s *spread, i int) float64 { return s.tension(i) }
	typical := func(key, name string, table map[string]float64, of func(s *spread, i int) float64, source string) {
		size := j.thread.Size
		if j.in.System == stock.Inch {
			size = j.thread.Lookalike()
		}
		v, ok := table[size]
		if !ok {
			j.out.Checks = append(j.out.Checks, strength.Silent(key, name, "No typical strength is known of one of this size: by the maker's sheet, or take a bolt and nut."))
			return
		}
		c := rule.Capacity(v, strength.PullThrough)
		each(key, name, "N", last.Name, func(s *spread, i int) (float64, float64) { return of(s, i), c },
			plainly(name, source, "against F/Ω", []string{rule.Says(strength.PullThrough), "typical and low: by the maker's sheet for this sheet"}, newtons("F", "typical", v)))
	}
	switch j.in.Nut {
	case Tapped:
		if !last.metal {
			j.out.Checks = append(j.out.Checks, strength.Silent("strip", "Thread stripped", "No strength is known of what is threaded: choose the material of "+last.Name+"."))
			return
		}
		fu, bolts := last.material.Tensile, j.grade.Tensile
		if rule.Yields() {
			fu, bolts = last.material.Yield, j.grade.Proof
		}
		e, err := bolt.Engagement(bolt.EngagementInput{Diameter: j.thread.Diameter, Pitch: j.thread.PitchMM(), BoltTensile: bolts, NutTensile: fu * last.worn})
		if err != nil {
			j.out.Checks = append(j.out.Checks, strength.Silent("strip", "Thread stripped", err.Error()))
			return
		}
		c := rule.Capacity(e.Pull*last.Thickness/e.Length, strength.Rupture)
		each("strip", "Thread stripped", "N", last.Name, func(s *spread, i int) (float64, float64) { return pull(s, i), c },
			plainly("Thread stripped out of "+last.Name, e.Working.Source, "F = As·Rm·t/L, L the engagement at which the bolt breaks first; all of t is threaded", []string{rule.Says(strength.Rupture)}, newtons("As·Rm", "the bolt breaks at", e.Pull),
				working.Quantity{Symbol: "t", Name: "thickness as measured", Value: last.Thickness, Unit: "mm"}, working.Quantity{Symbol: "L", Name: "engagement at which it would", Value: e.Length, Unit: "mm"}))
	case RivetNut:
		typical("insert", "Rivet nut pulled out", rivetNutPull, pull, "typical pull-out of steel rivet nuts in sheet")
	case SlotNut:
		typical("insert", "Slot nut pulled out of its track", slotNutPull, pull, "typical pull-out of slot nuts in steel track of 2.5 mm")
		typical("slot-slip", "Slot nut slipped along its track", slotNutSlip, func(s *spread, i int) float64 { return s.vectors[i].Len() }, "typical slip of toothed slot nuts, all of the shear taken along the track")
	}
}
