package joint

import (
	"fmt"
	"math"

	"warmanvil/core/bolt"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// screw is one that drills its own hole in the last ply.
type screw struct{ bolted }

func (screw) form() strength.Form           { return strength.ScrewForm }
func (screw) ply(*joint, int) strength.Form { return strength.ScrewedPly }
func (screw) set() Set                      { return Driven }
func (screw) threaded() bool                { return false }
func (screw) clamps() bool                  { return false }
func (screw) seats() bool                   { return false }

func (screw) stack(j *joint) {
	j.bolt = bolt.Bolt{Thread: j.thread, Grade: j.grade, ThreadsInPlane: true}
	n := len(j.in.Holes)
	j.take(n, "self-drilling screw %s, through %s and three threads past it", j.thread.Size, j.mm(j.out.Stack))
	if j.in.Washers > 0 {
		j.take(n*j.in.Washers, "washer %s, %s across", j.thread.Size, j.mm(j.washer))
	}
}

func (screw) tighten(j *joint) {
	j.out.Keep = append(j.out.Keep, "Set the driver's clutch on a strip of the same sheets: one turn past snug strips the thread.")
}

func (screw) making(j *joint) bool {
	j.out.Making = append(j.out.Making, "Clamp the plies, mark the screws, drive each through all of them: no hole is made before.")
	return true
}

func (screw) next(Input, bool) []tried { return nil }

// screwStrength is about what self-drilling screws hold, N, shear and tension
// (typical of hardened carbon steel; by the maker's sheet).
var screwStrength = map[string][2]float64{"#10": {6200, 8700}, "1/4": {11500, 17500}, "M5": {6500, 9000}, "M6": {10500, 15500}}

// modes of self-drilling screws: tilting and bearing, pull-out by AISI S100 J4, and
// the screw itself by typical values.
func (screw) modes(j *joint, _ []spread) []mode {
	rule, d := j.in.Strength, j.thread.Diameter
	sheared := func(s *spread, i int) float64 { return s.sheared[i] }
	of := func(demand func(s *spread, i int) float64, capacity float64) func(s *spread) strength.Hit {
		return func(s *spread) strength.Hit {
			return strength.HardestOf(len(s.pull), func(i int) (float64, float64) { return demand(s, i), capacity })
		}
	}
	shear := mode{Key: "shear", Name: "Screw in shear", Unit: "N", Idle: "There is no shear."}
	tension := mode{Key: "tension", Name: "Screw in tension", Unit: "N", Idle: "There is no pull.",
		Unsure: func(s *spread) string { return s.silent }}
	both := mode{Key: "combined", Name: "Screw in shear and tension"}
	if typical, ok := screwStrength[j.thread.Size]; ok {
		said := []string{rule.Says(strength.PullThrough), "typical of hardened carbon steel: by the maker's sheet"}
		v, t := rule.Capacity(typical[0], strength.PullThrough), rule.Capacity(typical[1], strength.PullThrough)
		shear.Eval, shear.Explain = of(sheared, v),
			j.simply("Screw in shear", "typical values of self-drilling screws; AISI S100 J4.3.2", "V against P/Ω", "N", said,
				newtons("P", "typical in shear", typical[0]))
		tension.Eval, tension.Explain = of((*spread).drawn, t),
			j.simply("Screw in tension", "typical values of self-drilling screws; AISI S100 J4.4.3", "T against P/Ω", "N", said,
				newtons("P", "typical in tension", typical[1]))
		both.Eval = of(func(s *spread, i int) float64 { return (sheared(s, i)/v + s.drawn(i)/t) / 1.3 }, 1)
		both.Explain = j.simply("Screw in shear and tension", "AISI S100 J4.5.3", "u = (V/Va + T/Ta)/1.3", "", said,
			newtons("Va", "usable shear", v), newtons("Ta", "usable tension", t))
	} else {
		why := "No typical strength is known of a self-drilling screw of this size: #10, 1/4, M5 or M6."
		shear.Missing, tension.Missing, both.Missing = why, why, why
	}
	n := len(j.plies)
	far, near := j.plies[n-1], j.plies[n-2]
	tilt, out := mode{Key: "tilt", Name: "Screw tilted or hole torn", Unit: "N", Where: far.Name, Idle: "There is no shear."},
		mode{Key: "pull-out", Name: "Screw pulled out", Unit: "N", Where: far.Name, Idle: "There is no pull."}
	if !far.metal || !near.metal {
		tilt.Missing = "What the last two plies are made of is not known."
		out.Missing = tilt.Missing
		return []mode{shear, tension, both, tilt, out}
	}
	fu := func(p ply) float64 {
		if rule.Yields() {
			return p.material.Yield * p.worn
		}
		return p.material.Tensile * p.worn
	}
	t1, t2 := near.Thickness, far.Thickness
	sheets := []working.Quantity{working.MM("d", "screw", d), working.MM("t1", near.Name, t1), mpa("Fu1", "its strength", fu(near)),
		working.MM("t2", far.Name, t2),
		mpa("Fu2", "its strength", fu(far))}
	bearing := math.Min(2.7*t1*d*fu(near), 2.7*t2*d*fu(far))
	tilts := 4.2 * math.Sqrt(t2*t2*t2*d) * fu(far)
	least := bearing
	switch r := t2 / t1; {
	case r <= 1:
		least = math.Min(tilts, bearing)
	case r < 2.5: // between the two, in a straight line
		least = math.Min(tilts, bearing) + (bearing-math.Min(tilts, bearing))*(r-1)/1.5
	}
	said := []string{rule.Says(strength.PullThrough)}
	tilt.Eval = of(sheared, rule.Capacity(least, strength.PullThrough))
	tilt.Explain = j.simply("Tilting and bearing of a screw", "AISI S100 J4.3.1",
		"P = min(4.2·√(t2³·d)·Fu2, 2.7·t1·d·Fu1, 2.7·t2·d·Fu2)", "N", said, sheets...)
	out.Eval = of((*spread).drawn, rule.Capacity(.85*t2*d*fu(far), strength.PullThrough))
	out.Explain = j.simply("Screw pulled out of "+far.Name, "AISI S100 J4.4.1", "P = 0.85·t2·d·Fu2", "N", said, sheets...)
	if drills := map[bool]float64{true: 6, false: 12}[d < 5.2]; t1+t2 > drills {
		j.say("screw-thick", working.Stop, "Bolts",
			fmt.Sprintf("Its point drills about %s and the plies are %s: it burns before it bites. Drill and tap, or take a bolt.",
				j.mm(drills), j.mm(t1+t2)))
	}
	j.say("screw-shakes", working.Mind, "Bolts", "Self-drilling screws work loose where it shakes: for covers and trim, not for what carries.")
	return []mode{shear, tension, both, tilt, out}
}
