package survey

import (
	"math"

	"gonum.org/v1/gonum/mat"

	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// Pair is a point of a part and the surveyed point it goes to. Clearance is
// what its hole leaves the bolt on the radius, mm.
type Pair struct {
	Part      solid.Vector
	Vehicle   solid.Vector
	Clearance float64
}

// Mated is where a part stands when its holes meet surveyed points.
type Mated struct {
	Pose    solid.Pose
	Misses  []float64 // mm, by pair, how far the centres stay apart
	Sideway []float64 // mm, of that in the plane of the holes
	Worst   int
}

// Mate places a part by least squares on its pairs (Kabsch). Three that are not
// in line fix it; of two or more in line, normal is the part's face in its own
// axes and towards is the way it faces on the vehicle. It fails with
// *working.Fault.
func Mate(pairs []Pair, normal, towards solid.Vector) (Mated, error) {
	if len(pairs) < 2 {
		return Mated{}, working.Refuse("/pairs", "Two holes or more place a part; take another pair.")
	}
	var pc, vc solid.Vector
	for _, p := range pairs {
		pc, vc = pc.Add(p.Part.Mul(1/float64(len(pairs)))), vc.Add(p.Vehicle.Mul(1/float64(len(pairs))))
	}
	size, h := 0.0, mat.NewDense(3, 3, nil)
	for _, p := range pairs {
		a, b := p.Part.Sub(pc), p.Vehicle.Sub(vc)
		size = math.Max(size, a.Len())
		for i := range 3 {
			for k := range 3 {
				h.Set(i, k, h.At(i, k)+b[i]*a[k])
			}
		}
	}
	if size < 1e-6 {
		return Mated{}, working.Refuse("/pairs", "The holes lie on one spot: take one farther off.")
	}
	// The faces go together too: with holes in line they decide the turn, with
	// others they only settle what is nearly even.
	w := 1e-6 * size * size
	if inLine(pairs, pc, size) {
		w = size * size
	}
	if normal.Len() == 0 || towards.Len() == 0 {
		if w > 1 && inLine(pairs, pc, size) {
			return Mated{}, working.Refuse("/pairs", "The holes lie in one line: say which way the part faces, or take a hole off "+
				"the line.")
		}
	} else {
		n, t := normal.Unit(), towards.Unit()
		for i := range 3 {
			for k := range 3 {
				h.Set(i, k, h.At(i, k)+w*t[i]*n[k])
			}
		}
	}
	var svd mat.SVD
	if !svd.Factorize(h, mat.SVDFull) {
		return Mated{}, working.Refuse("/pairs", "The pairs do not place the part: look whether two of them are swapped.")
	}
	var u, v mat.Dense
	svd.UTo(&u)
	svd.VTo(&v)
	sign := math.Copysign(1, mat.Det(&u)*mat.Det(&v))
	var rot solid.Pose
	cols := [3]*solid.Vector{&rot.X, &rot.Y, &rot.Z}
	for k := range 3 {
		for i := range 3 {
			s := u.At(i, 0)*v.At(k, 0) + u.At(i, 1)*v.At(k, 1) + sign*u.At(i, 2)*v.At(k, 2)
			cols[k][i] = s
		}
	}
	rot.Origin = vc.Sub(rot.Turn(pc))
	m := Mated{Pose: rot}
	face := rot.Turn(normal.Unit())
	for i, p := range pairs {
		d := p.Vehicle.Sub(rot.Apply(p.Part))
		m.Misses = append(m.Misses, d.Len())
		m.Sideway = append(m.Sideway, d.Sub(face.Mul(d.Dot(face))).Len())
		if m.Misses[i] > m.Misses[m.Worst] {
			m.Worst = i
		}
	}
	return m, nil
}

// inLine tells whether the part's points lie within a hundredth of their extent
// of one line.
func inLine(pairs []Pair, middle solid.Vector, size float64) bool {
	var far solid.Vector
	for _, p := range pairs {
		if d := p.Part.Sub(middle); d.Len() > far.Len() {
			far = d
		}
	}
	u := far.Unit()
	for _, p := range pairs {
		d := p.Part.Sub(middle)
		if d.Sub(u.Mul(d.Dot(u))).Len() > .01*size {
			return false
		}
	}
	return true
}
