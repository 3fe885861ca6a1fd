package joint

import (
	"fmt"
	"math"
	"slices"

	"warmanvil/core/bolt"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// block is a group torn out of a ply whole, along one of the joint's axes.
type block struct {
	shearGross, shearNet, tensionNet float64 // mm
}

// blocks answers the lengths that tear along x and along y: lines of bolts as they
// stand, out to the nearest edge. A pattern that is no lines has none.
func blocks(holes [][2]float64, edge, hole float64) (out [2]block, ok bool) {
	if len(holes) < 2 || edge <= 0 {
		return out, false
	}
	for axis := range 2 {
		lines := map[int][]float64{} // places along the axis, by line
		var keys []int
		for _, h := range holes {
			k := int(math.Round(h[1-axis] * 2)) // half a millimetre makes another line
			if lines[k] == nil {
				keys = append(keys, k)
			}
			lines[k] = append(lines[k], h[axis])
		}
		slices.Sort(keys)
		shear := func(k int) (gross, net float64) {
			l := lines[k]
			gross = slices.Max(l) - slices.Min(l) + edge
			return gross, gross - (float64(len(l))-.5)*hole
		}
		b := &out[axis]
		first, last := keys[0], keys[len(keys)-1]
		b.shearGross, b.shearNet = shear(first)
		if first == last { // one line: sheared along it, torn across to the side
			b.tensionNet = math.Max(edge-hole/2, 0)
			continue
		}
		g, n := shear(last)
		b.shearGross, b.shearNet = b.shearGross+g, b.shearNet+n
		b.tensionNet = math.Max(float64(last-first)/2-float64(len(keys)-1)*hole, 0)
	}
	return out, true
}

// capacity answers AISC 360 J4.3, and the same by AISI S100 J6.3 below the
// thickness of sheet: the lesser of rupture and yield in shear, with tension.
func (b block) capacity(rule strength.Rule, p ply) float64 {
	fu, fy := p.material.Tensile*p.worn, p.material.Yield*p.worn
	factor := strength.Rupture
	if p.Thickness < bolt.ThinSheet {
		factor = strength.SheetTear
	}
	if rule.Yields() {
		fu = fy
	}
	n := math.Min(.6*fu*math.Max(b.shearNet, 0), .6*fy*b.shearGross) + fu*b.tensionNet
	return rule.Capacity(n*p.Thickness, factor)
}

// tearBlock checks the whole group torn out of a ply: the shares of both axes
// added, the direct force alone.
func (j *joint) tearBlock(k int, list []spread, share float64) {
	p := j.plies[k]
	hole := p.Hole
	if hole == 0 {
		hole = j.thread.Clearance.Normal
	}
	both, ok := blocks(j.in.Holes, p.Edge, hole)
	if !ok {
		return
	}
	caps := [2]float64{both[0].capacity(j.in.Strength, p), both[1].capacity(j.in.Strength, p)}
	best, at := -1., 0
	for i, s := range list {
		u := share * (math.Abs(s.force.X)/math.Max(caps[0], 1e-9) + math.Abs(s.force.Y)/math.Max(caps[1], 1e-9))
		if u > best {
			best, at = u, i
		}
	}
	u, verdict := strength.Judge(best, 1)
	s := list[at]
	w := working.Working{Method: "Group torn out of " + p.Name, Source: "AISC 360 J4.3, below 4.76 mm AISI S100 J6.3, with Ubs = 1; lines of bolts along the joint's axes out to the nearest edge", Formula: "R = min(0.6·Fu·Anv, 0.6·Fy·Agv) + Fu·Ant; u = Vx/Rx + Vy/Ry",
		Inputs: []working.Quantity{{Symbol: "Vx", Name: "force across", Value: share * s.force.X, Unit: "N"}, {Symbol: "Vy", Name: "force up", Value: share * s.force.Y, Unit: "N"}, {Symbol: "e", Name: "nearest edge", Value: p.Edge, Unit: "mm"}, {Symbol: "t", Name: "thickness as measured", Value: p.Thickness, Unit: "mm"}},
		Steps:  []working.Quantity{{Symbol: "Rx", Name: "may be used across", Value: caps[0], Unit: "N"}, {Symbol: "Ry", Name: "may be used up", Value: caps[1], Unit: "N"}},
		Result: working.Quantity{Symbol: "u", Name: "share used", Value: best}, Assumptions: []string{j.in.Strength.Says(strength.Rupture), "the force without its turn: each hole answers for that"}}
	j.out.Checks = append(j.out.Checks, strength.Check{Key: fmt.Sprintf("block-%d", k), Name: "Group torn out", Where: p.Name, Case: s.c.Name, Demand: best, Capacity: 1, Utilisation: u, Verdict: verdict, Working: &w})
}
