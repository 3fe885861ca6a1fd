package joint

import (
	"fmt"
	"math"

	"warmanvil/core/bolt"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// pin is a plain pin with its clip, in ears or a clevis. It holds no pull along
// itself.
type pin struct{ bolted }

func (pin) form() strength.Form           { return strength.PinForm }
func (pin) ply(*joint, int) strength.Form { return strength.PinnedPly }
func (pin) set() Set                      { return Pushed }
func (pin) threaded() bool                { return false }
func (pin) clamps() bool                  { return false }

func (pin) stack(j *joint) {
	j.bolt = bolt.Bolt{Thread: j.thread, Grade: j.grade}
	n := len(j.in.Holes)
	j.take(n, "pin Ø %s of %s, %s between head and clip", j.mm(j.thread.Diameter), j.grade.Name, j.mm(math.Ceil(j.out.Stack+1)))
	j.take(n, "%s", "spring clip or split pin")
	if j.in.Washers > 0 {
		j.take(n*j.in.Washers, "washer %s, %s across", j.thread.Size, j.mm(j.washer))
	}
}

func (pin) tighten(j *joint) {
	j.out.Keep = append(j.out.Keep, "A pin is not tightened: its clip is new and bent round, and looked at with the oil.")
}

func (pin) modes(j *joint, _ []spread) []mode {
	rule, d := j.in.Strength, j.thread.Diameter
	_, va := j.bolt.Capacity(rule)
	said := []string{rule.Says(strength.Rupture)}
	shear := mode{Key: "shear", Name: "Pin in shear", Unit: "N", Idle: "There is no shear.",
		Eval: func(s *spread) strength.Hit {
			return strength.HardestOf(len(s.vectors), func(i int) (float64, float64) { return s.sheared[i] / j.planes, va })
		},
		Explain: j.simply("Pin in shear", j.bolt.Source(rule), "V = |F/n + M·r/Σr²| / planes", "N", said,
			amount("planes", "shear planes", j.planes, ""))}
	if j.in.Double && len(j.plies) != 3 {
		shear.Missing = fmt.Sprintf("Two shear planes need three plies with the pulling one in the middle, and there are %d.", len(j.plies))
	}
	return []mode{shear, j.pinBent(d), {Key: "pin-pull", Name: "Pull along the pin", Unit: "N", Idle: "Nothing pulls along it.",
		Unsure: func(s *spread) string {
			for i := range s.pull {
				if s.drawn(i) > 1 {
					return "a pin holds no pull along itself, only its clip does: take a bolt, or turn the ears."
				}
			}
			return s.silent
		},
		Eval: func(*spread) strength.Hit { return strength.Hit{} }}}
}

// pinBent is the pin bent between its ears. Round bar, plastic, no more than 1.6
// of the elastic (AISC 360 F11).
func (j *joint) pinBent(d float64) mode {
	rule := j.in.Strength
	arm := (j.plies[0].Thickness + j.plies[1].Thickness) / 4 // single shear: half the force's arm on either side
	formula := "M = V·(t1 + t2)/4"
	if j.in.Double && len(j.plies) == 3 {
		arm = (j.plies[1].Thickness/4 + math.Max(j.plies[0].Thickness, j.plies[2].Thickness)/2) / 2
		formula = "M = V/2·(t2/4 + t1/2)"
	}
	z := math.Min(d*d*d/6, 1.6*math.Pi*d*d*d/32)
	capacity := rule.Capacity(j.grade.Proof*z, strength.Yield)
	return mode{Key: "pin-bent", Name: "Pin bent", Unit: "N·mm", Idle: "There is no shear.",
		Eval: func(s *spread) strength.Hit {
			return strength.HardestOf(len(s.vectors), func(i int) (float64, float64) { return s.sheared[i] * arm, capacity })
		},
		Explain: func(_ *spread, h strength.Hit) working.Working {
			return working.Working{Method: "Pin bent between its ears",
				Source: "forces at the middles of the plies, no gaps between them; AISC 360 F11 with the proof stress for yield", Formula: formula,
				Inputs: []working.Quantity{working.MM("d", "pin", d), working.MM("a", "arm", arm), mpa("Fp", "proof stress", j.grade.Proof)},
				Steps:  []working.Quantity{amount("cap", "may be used", capacity, "N·mm")}, Result: amount("M", "moment in the pin", h.Demand, "N·mm"),
				Assumptions: []string{rule.Says(strength.Yield), "washers take up the gaps: each millimetre of gap adds to the arm"}}
		}}
}

// next answers pins of a better class or the next size, as bolts.
func (pin) next(in Input, heldHoles bool) (out []tried) {
	for _, t := range (bolted{}).next(in, heldHoles) {
		t.text = "Pins: " + t.text
		out = append(out, t)
	}
	return out
}

// ear is a ply as a pin-connected plate, AISC 360 D5.1: tension across the hole and
// shear behind it.
func (j *joint) ear(k int) mode {
	p, plate, rule := j.plies[k], j.plate(k), j.in.Strength
	m := mode{Name: "Ear", Unit: "N"}
	hole := p.Hole
	if hole == 0 {
		hole = j.thread.Diameter
	}
	a := p.Edge - hole/2
	if p.Edge <= 0 {
		m.Missing = "The distance of the hole to the nearest edge is not given."
		return m
	}
	be := math.Min(2*p.Thickness+16, math.Max(a, 0))
	tension, shear := plate.Strong(rule)*2*p.Thickness*be, .6*plate.Strong(rule)*2*p.Thickness*(a+j.thread.Diameter/2)
	capacity := rule.Capacity(math.Min(tension, shear), plate.Breaks())
	m.Eval = func(s *spread) strength.Hit {
		h := strength.HardestOf(len(s.vectors), func(i int) (float64, float64) { return j.shearOn(s, k, i), capacity })
		if a <= 0 {
			h.Demand, h.Gone = math.Max(h.Demand, 1), fmt.Sprintf("The hole of %s reaches past the edge of %s.", j.mm(hole), p.Name)
		}
		return h
	}
	m.Explain = func(_ *spread, h strength.Hit) working.Working {
		return working.Working{Method: "Ear of " + p.Name, Source: "AISC 360 D5.1: tension across the hole and shear behind it",
			Formula: "R = min(Fu·2t·be, 0.6·Fu·2t·(a + d/2)), be = 2t + 16 ≤ a",
			Inputs: []working.Quantity{working.MM("t", "thickness as measured", p.Thickness), working.MM("a", "hole's edge to the edge", a),
				working.MM("be", "width that counts", be)},
			Steps: []working.Quantity{newtons("cap", "may be used", h.Capacity)}, Result: newtons("V", "asked of the ear", h.Demand),
			Assumptions: []string{rule.Says(plate.Breaks())}}
	}
	return m
}

// dishSlender is how many times its thickness an ear may stand out beside its hole
// before it folds sideways (ASME BTH-1 3-3.3.1).
const dishSlender = 4.

// dished is an ear so thin that it folds sideways round its pin before it tears.
func (j *joint) dished(k int) mode {
	p, plate, rule := j.plies[k], j.plate(k), j.in.Strength
	m := mode{Name: "Ear dished", Unit: "N"}
	if p.Edge <= 0 {
		m.Missing = "The distance of the hole to the nearest edge is not given."
		return m
	}
	out := p.Edge - plate.Hole/2
	if out <= dishSlender*p.Thickness {
		m.Needless = fmt.Sprintf("It stands out %s beside the hole, no more than %g times its thickness (ASME BTH-1).", j.mm(out), dishSlender)
		return m
	}
	capacity := rule.Capacity(plate.Yield*2*p.Thickness*dishSlender*p.Thickness, plate.Yields())
	m.Eval = func(s *spread) strength.Hit {
		return strength.HardestOf(len(s.vectors), func(i int) (float64, float64) { return j.shearOn(s, k, i), capacity })
	}
	m.Explain = func(_ *spread, h strength.Hit) working.Working {
		return working.Working{Method: "Ear of " + p.Name + " folding sideways",
			Source: "ASME BTH-1 3-3.3.1: no more than four thicknesses count beside the hole; up to yield", Formula: "R = Fy·2t·4t",
			Inputs: []working.Quantity{working.MM("t", "thickness as measured", p.Thickness), working.MM("be", "it stands out", out),
				mpa("Fy", "yield of "+p.material.Name, plate.Yield)},
			Steps: []working.Quantity{newtons("cap", "may be used", h.Capacity)}, Result: newtons("V", "asked of the ear", h.Demand),
			Assumptions: []string{rule.Says(plate.Yields())}}
	}
	return m
}
