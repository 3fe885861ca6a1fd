package joint

import (
	"math"

	"warmanvil/core/bolt"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// blocked is the whole group torn out of a ply: the shares of both axes added, the
// direct force alone.
func (j *joint) blocked(k int) mode {
	p, plate, rule := j.plies[k], j.plate(k), j.in.Strength
	m := mode{Name: "Group torn out"}
	switch {
	case len(j.in.Holes) < 2:
		m.Needless = "It is one hole: torn out to the edge is all of it."
		return m
	case p.Edge <= 0:
		m.Missing = "The distance of the holes to the nearest edge is not given."
		return m
	}
	both, ok := bolt.Blocks(j.in.Holes, p.Edge, plate.Hole)
	if !ok {
		m.Missing = "The holes stand in no lines along which they would tear."
		return m
	}
	caps := [2]float64{both[0].Capacity(rule, plate), both[1].Capacity(rule, plate)}
	m.Eval = func(s *spread) strength.Hit {
		if !s.through(k) {
			return strength.Hit{Capacity: 1}
		}
		return strength.Hit{Demand: j.half(k) * (math.Abs(s.force.X)/math.Max(caps[0], 1e-9) + math.Abs(s.force.Y)/math.Max(caps[1], 1e-9)),
			Capacity: 1}
	}
	m.Explain = func(s *spread, h strength.Hit) working.Working {
		return working.Working{Method: "Group torn out of " + p.Name,
			Source: "AISC 360 J4.3 with 2 mm more than drilled (B4.3b), below 4.76 mm AISI S100 J6.3, aluminium by the Aluminum Design Manual " +
				"J.3.7, with Ubs = 1; lines of bolts along the joint's axes out to the nearest edge",
			Formula: "R = min(0.6·Fu·Anv, 0.6·Fy·Agv) + Fu·Ant; u = Vx/Rx + Vy/Ry",
			Inputs: []working.Quantity{newtons("Vx", "force across", j.half(k)*s.force.X), newtons("Vy", "force up", j.half(k)*s.force.Y),
				working.MM("e", "nearest edge", p.Edge), working.MM("t", "thickness as measured", p.Thickness)},
			Steps:       []working.Quantity{newtons("Rx", "may be used across", caps[0]), newtons("Ry", "may be used up", caps[1])},
			Result:      amount("u", "share used", h.Demand, ""),
			Assumptions: []string{rule.Says(plate.Breaks()), "the force without its turn: each hole answers for that"}}
	}
	return m
}
