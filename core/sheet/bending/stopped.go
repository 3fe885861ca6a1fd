package bending

import (
	"math"
)

// stopGives is how far a stop gives way before it is pushed, mm (practice).
const stopGives = .5

// swings tells whether a part swings into the back stop while a press bends it: what hangs down
// behind comes up and out as its side rises. The stop is as high as it is met; the corners of
// what is behind are followed in steps of half a degree. A stop in front of a clamp is left alone.
func (p *planner) swings(m move, made uint64, stop float64) bool {
	if p.brake.Kind != Press {
		return false
	}
	t, r := &p.body.strokes[m.stroke], &p.rigs[m.stroke]
	var behind [][]vec
	for i, it := range p.items {
		if p.skips(m.stroke, i) || p.side(m.stroke, i, m.stands.lay) != back {
			continue
		}
		local := p.body.local(m.stroke, p.body.on(it), made)
		var points []vec
		for _, v := range p.body.outside(it, made) {
			points = append(points, local.apply(v))
		}
		behind = append(behind, points)
	}
	steps := int(math.Ceil(t.aim * 180 / math.Pi * 2))
	for k := 1; k <= steps; k++ {
		sides, _ := r.motion.at(t.aim * float64(k) / float64(steps))
		for _, points := range behind {
			for _, v := range points {
				if at := sides[back].apply(v); at.z >= stopLow && at.z <= stopHigh && at.y > stop+stopGives {
					return true
				}
			}
		}
	}
	return false
}
