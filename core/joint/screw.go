package joint

import (
	"fmt"
	"math"

	"warmanvil/core/bolt"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// screwStrength is about what self-drilling screws hold, N, shear and tension
// (typical of hardened carbon steel; by the maker's sheet).
var screwStrength = map[string][2]float64{"#10": {6200, 8700}, "1/4": {11500, 17500}, "M5": {6500, 9000}, "M6": {10500, 15500}}

// screwed checks self-drilling screws: tilting and bearing, pull-out and pull-over
// by AISI S100 J4, and the screw itself by typical values.
func (j *joint) screwed(each eacher) {
	rule, d := j.in.Strength, j.thread.Diameter
	typical, ok := screwStrength[j.thread.Size]
	if !ok {
		j.out.Checks = append(j.out.Checks, strength.Silent("screw", "The screw", "No typical strength is known of a self-drilling screw of this size: #10, 1/4, M5 or M6."))
	} else {
		said := []string{rule.Says(strength.PullThrough), "typical of hardened carbon steel: by the maker's sheet"}
		shear, tension := rule.Capacity(typical[0], strength.PullThrough), rule.Capacity(typical[1], strength.PullThrough)
		each("shear", "Screw in shear", "N", "", func(s *spread, i int) (float64, float64) { return s.vectors[i].Len(), shear }, plainly("Screw in shear", "typical values of self-drilling screws; AISI S100 J4.3.2", "V against P/Ω", said, newtons("P", "typical in shear", typical[0])))
		each("tension", "Screw in tension", "N", "", func(s *spread, i int) (float64, float64) { return s.pull[i] + s.add[i], tension }, plainly("Screw in tension", "typical values of self-drilling screws; AISI S100 J4.4.3", "T against P/Ω", said, newtons("P", "typical in tension", typical[1])))
	}
	n := len(j.plies)
	far, near := j.plies[n-1], j.plies[n-2]
	if !far.metal || !near.metal {
		j.out.Checks = append(j.out.Checks, strength.Silent("tilt", "Screw tilted or torn", "What the last two plies are made of is not known."))
		return
	}
	fu := func(p ply) float64 {
		if rule.Yields() {
			return p.material.Yield * p.worn
		}
		return p.material.Tensile * p.worn
	}
	t1, t2 := near.Thickness, far.Thickness
	sheets := []working.Quantity{{Symbol: "d", Name: "screw", Value: d, Unit: "mm"}, {Symbol: "t1", Name: near.Name, Value: t1, Unit: "mm"}, {Symbol: "Fu1", Name: "its strength", Value: fu(near), Unit: "MPa"},
		{Symbol: "t2", Name: far.Name, Value: t2, Unit: "mm"}, {Symbol: "Fu2", Name: "its strength", Value: fu(far), Unit: "MPa"}}
	bearing := math.Min(2.7*t1*d*fu(near), 2.7*t2*d*fu(far))
	tilt := 4.2 * math.Sqrt(t2*t2*t2*d) * fu(far)
	least := bearing
	switch r := t2 / t1; {
	case r <= 1:
		least = math.Min(tilt, bearing)
	case r < 2.5: // between the two, in a straight line
		least = math.Min(tilt, bearing) + (bearing-math.Min(tilt, bearing))*(r-1)/1.5
	}
	limit := rule.Capacity(least, strength.PullThrough)
	each("tilt", "Screw tilted or hole torn", "N", far.Name, func(s *spread, i int) (float64, float64) { return s.vectors[i].Len(), limit },
		plainly("Tilting and bearing of a screw", "AISI S100 J4.3.1", "P = min(4.2·√(t2³·d)·Fu2, 2.7·t1·d·Fu1, 2.7·t2·d·Fu2)", []string{rule.Says(strength.PullThrough)}, sheets...))
	out := rule.Capacity(.85*t2*d*fu(far), strength.PullThrough)
	each("pull-out", "Screw pulled out", "N", far.Name, func(s *spread, i int) (float64, float64) { return s.pull[i] + s.add[i], out },
		plainly("Screw pulled out of "+far.Name, "AISI S100 J4.4.1", "P = 0.85·t2·d·Fu2", []string{rule.Says(strength.PullThrough)}, sheets...))
	if drills := map[bool]float64{true: 6, false: 12}[d < 5.2]; t1+t2 > drills {
		j.say("screw-thick", working.Stop, "Bolts", fmt.Sprintf("Its point drills about %s and the plies are %s: it burns before it bites. Drill and tap, or take a bolt.", j.mm(drills), j.mm(t1+t2)))
	}
	j.say("screw-shakes", working.Mind, "Bolts", "Self-drilling screws work loose where it shakes: for covers and trim, not for what carries.")
}

// plainly writes the working of a check whose capacity is a formula or a typical
// value, and its demand a force.
func plainly(method, source, formula string, said []string, inputs ...working.Quantity) func(s *spread, i int, d, c float64) working.Working {
	return func(_ *spread, i int, d, c float64) working.Working {
		return working.Working{Method: method, Source: source, Formula: formula, Inputs: append([]working.Quantity{}, inputs...), Steps: []working.Quantity{{Symbol: "cap", Name: "may be used", Value: c, Unit: "N"}},
			Result: working.Quantity{Symbol: "demand", Name: fmt.Sprintf("asked of fastener %d", i+1), Value: d, Unit: "N"}, Assumptions: said}
	}
}

func newtons(symbol, name string, v float64) working.Quantity {
	return working.Quantity{Symbol: symbol, Name: name, Value: v, Unit: "N"}
}

// instantaneous answers the share used by the instantaneous centre of rotation,
// where that may be asked: equal bolts in plate thick enough to bear.
func (j *joint) instantaneous(s *spread, va, planes float64) (float64, bool) {
	for _, p := range j.plies {
		if !p.metal || p.Thickness < bolt.ThinSheet {
			return 0, false
		}
	}
	f := s.force.Len()
	if f < 1e-6 || len(j.in.Holes) < 2 || math.Abs(s.turn) < 1e-3*f || j.in.Strength.Yields() {
		return 0, false
	}
	// Its own axes: the load straight down, its line the moment's arm to the right.
	along, across := s.force.Mul(1/f), s.force.Mul(1/f)
	across.X, across.Y = -along.Y, along.X
	holes := make([][2]float64, len(j.in.Holes))
	for i, h := range j.in.Holes {
		holes[i] = [2]float64{h[0]*across.X + h[1]*across.Y, -(h[0]*along.X + h[1]*along.Y)}
	}
	r, err := bolt.ICR(bolt.ICRInput{Bolts: holes, Eccentricity: math.Abs(s.turn) / f})
	if err != nil || r.Coefficient <= 0 {
		return 0, false
	}
	return f / (r.Coefficient * va * planes), true
}
