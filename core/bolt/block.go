package bolt

import (
	"math"
	"slices"

	"warmanvil/core/strength"
)

// Block is a group torn out of a ply whole, along one of the joint's axes.
type Block struct {
	ShearGross, ShearNet, TensionNet float64 // mm
}

// Blocks answers the lengths that tear along x and along y: lines of bolts as they
// stand, out to the nearest edge, holes counted 2 mm wider (AISC 360 B4.3b). A
// pattern that is no lines has none.
func Blocks(holes [][2]float64, edge, hole float64) (out [2]Block, ok bool) {
	if len(holes) < 2 || edge <= 0 {
		return out, false
	}
	lost := Tears(hole)
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
			return gross, gross - (float64(len(l))-.5)*lost
		}
		b := &out[axis]
		first, last := keys[0], keys[len(keys)-1]
		b.ShearGross, b.ShearNet = shear(first)
		if first == last { // one line: sheared along it, torn across to the side
			b.TensionNet = math.Max(edge-lost/2, 0)
			continue
		}
		g, n := shear(last)
		b.ShearGross, b.ShearNet = b.ShearGross+g, b.ShearNet+n
		b.TensionNet = math.Max(float64(last-first)/2-float64(len(keys)-1)*lost, 0)
	}
	return out, true
}

// Capacity answers AISC 360 J4.3, and the same by AISI S100 J6.3 below the
// thickness of sheet and the Aluminum Design Manual J.3.7: the lesser of rupture
// and yield in shear, with tension.
func (b Block) Capacity(rule strength.Rule, q Plate) float64 {
	fu, fy := q.Tensile, q.Yield
	factor := q.Breaks()
	if q.Thickness < ThinSheet && !q.Aluminium {
		factor = strength.SheetTear
	}
	if rule.Yields() {
		fu = fy
	}
	n := math.Min(.6*fu*math.Max(b.ShearNet, 0), .6*fy*b.ShearGross) + fu*b.TensionNet
	return rule.Capacity(n*q.Thickness, factor)
}
