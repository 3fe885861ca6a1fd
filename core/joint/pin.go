package joint

import (
	"fmt"
	"math"

	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// pinned checks a plain pin in its ears: bent between the plies, and each ear by
// AISC 360 D5. A pin holds no pull along itself.
func (j *joint) pinned(list []spread) {
	rule, d := j.in.Strength, j.thread.Diameter
	arm := (j.plies[0].Thickness + j.plies[1].Thickness) / 4 // single shear: half the force's arm on either side
	formula := "M = V·(t1 + t2)/4"
	if j.in.Double && len(j.plies) == 3 {
		arm = (j.plies[1].Thickness/4 + math.Max(j.plies[0].Thickness, j.plies[2].Thickness)/2) / 2
		formula = "M = V/2·(t2/4 + t1/2)"
	}
	best, at := -1., 0
	pulled := false
	for k, s := range list {
		for i := range s.pull {
			pulled = pulled || s.pull[i]+s.add[i] > 1
			if m := s.vectors[i].Len() * arm; m > best {
				best, at = m, k
			}
		}
	}
	// Round bar, plastic, no more than 1.6 of the elastic (AISC 360 F11).
	z := math.Min(d*d*d/6, 1.6*math.Pi*d*d*d/32)
	capacity := rule.Capacity(j.grade.Proof*z, strength.Yield)
	u, verdict := strength.Judge(best, capacity)
	w := working.Working{Method: "Pin bent between its ears", Source: "forces at the middles of the plies, no gaps between them; AISC 360 F11 with the proof stress for yield", Formula: formula,
		Inputs: []working.Quantity{{Symbol: "d", Name: "pin", Value: d, Unit: "mm"}, {Symbol: "a", Name: "arm", Value: arm, Unit: "mm"}, {Symbol: "Fp", Name: "proof stress", Value: j.grade.Proof, Unit: "MPa"}},
		Steps:  []working.Quantity{{Symbol: "cap", Name: "may be used", Value: capacity, Unit: "N·mm"}}, Result: working.Quantity{Symbol: "M", Name: "moment in the pin", Value: best, Unit: "N·mm"}, Assumptions: []string{rule.Says(strength.Yield), "washers take up the gaps: each millimetre of gap adds to the arm"}}
	j.out.Checks = append(j.out.Checks, strength.Check{Key: "pin-bent", Name: "Pin bent", Case: list[at].c.Name, Demand: best, Capacity: capacity, Unit: "N·mm", Utilisation: u, Verdict: verdict, Working: &w})
	if pulled {
		j.out.Checks = append(j.out.Checks, strength.Silent("pin-pull", "Pull along the pin", "A pin holds no pull along itself, only its clip does: take a bolt, or turn the ears."))
	}
	share := 1.
	for k := range j.plies {
		if share = 1; j.in.Double && len(j.plies) == 3 && k != 1 {
			share = .5
		}
		j.ear(k, list, share)
	}
}

// ear checks a ply as a pin-connected ear.
func (j *joint) ear(k int, list []spread, share float64) {
	p := j.plies[k]
	if !p.metal || p.Edge == 0 {
		return // said by the hole's own checks
	}
	hole := p.Hole
	if hole == 0 {
		hole = j.thread.Diameter
	}
	a := p.Edge - hole/2
	fu := p.material.Tensile * p.worn
	if j.in.Strength.Yields() {
		fu = p.material.Yield * p.worn
	}
	be := math.Min(2*p.Thickness+16, a)
	tension, shear := fu*2*p.Thickness*be, .6*fu*2*p.Thickness*(a+j.thread.Diameter/2)
	capacity := j.in.Strength.Capacity(math.Min(tension, shear), strength.Rupture)
	best, at := -1., 0
	for i, s := range list {
		for _, v := range s.vectors {
			if d := share * v.Len(); d > best {
				best, at = d, i
			}
		}
	}
	u, verdict := strength.Judge(best, capacity)
	w := working.Working{Method: "Ear of " + p.Name, Source: "AISC 360 D5.1: tension across the hole and shear behind it", Formula: "R = min(Fu·2t·be, 0.6·Fu·2t·(a + d/2)), be = 2t + 16 ≤ a",
		Inputs: []working.Quantity{{Symbol: "t", Name: "thickness as measured", Value: p.Thickness, Unit: "mm"}, {Symbol: "a", Name: "hole's edge to the edge", Value: a, Unit: "mm"}, {Symbol: "be", Name: "width that counts", Value: be, Unit: "mm"}},
		Steps:  []working.Quantity{{Symbol: "cap", Name: "may be used", Value: capacity, Unit: "N"}}, Result: working.Quantity{Symbol: "V", Name: "asked of the ear", Value: best, Unit: "N"}, Assumptions: []string{j.in.Strength.Says(strength.Rupture)}}
	j.out.Checks = append(j.out.Checks, strength.Check{Key: fmt.Sprintf("ear-%d", k), Name: "Ear", Where: p.Name, Case: list[at].c.Name, Demand: best, Capacity: capacity, Unit: "N", Utilisation: u, Verdict: verdict, Working: &w})
}
