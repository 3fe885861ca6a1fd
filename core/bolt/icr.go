package bolt

import (
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// The load–deformation curve of one bolt in bearing (AISC Manual part 7):
// R = Rult·(1 − e^(−0.394·Δ))^0.55 with Δ in mm, at most 8.6 mm.
const (
	curve      = .394
	power      = .55
	largestGap = 8.6
)

// ICRInput is a load on a bolt group whose line crosses the centroid's
// horizontal at Eccentricity to the right of it. Angle 0 is straight down.
type ICRInput struct {
	Bolts        [][2]float64 `json:"bolts" doc:"centres, mm"`
	Angle        float64      `json:"angle" doc:"degrees of the load from straight down, over −90 to under 90"`
	Eccentricity float64      `json:"eccentricity" doc:"mm along the horizontal through the centroid"`
}

// ICRResult is the group's strength by the instantaneous centre of rotation.
type ICRResult struct {
	Coefficient float64         `json:"coefficient" doc:"load over one bolt's ultimate strength"`
	Reference   string          `json:"reference" enum:"ultimate"`
	Centre      *[2]float64     `json:"centre" doc:"instantaneous centre, mm; null for a load through the centroid of a symmetrical group"`
	Working     working.Working `json:"working"`
}

// ICR answers the ultimate strength of a bolt group with the farthest bolt at
// its largest deformation. It fails with *working.Fault.
func ICR(in ICRInput) (ICRResult, error) {
	if err := checkBolts(in.Bolts); err != nil {
		return ICRResult{}, err
	}
	err := working.First(
		working.Within("/angle", "The angle", in.Angle, -89.9, 89.9, "°"),
		working.Within("/eccentricity", "The eccentricity", in.Eccentricity, -maxPlace, maxPlace, "mm"))
	if err != nil {
		return ICRResult{}, err
	}
	bolts := points(in.Bolts)
	s, cos := math.Sincos(in.Angle * math.Pi / 180)
	dir := profile.Point{X: s, Y: -cos}
	arm := -in.Eccentricity * cos // anticlockwise moment of a unit load at (e, 0)
	c, polar := Centroid(bolts)
	if polar <= 1e-12*(1+c.Dot(c)) && math.Abs(arm) > 1e-9 {
		return ICRResult{}, working.Refuse("/bolts", "All bolts are on one spot, which holds no moment: the load passes %.3g mm beside it.",
			math.Abs(arm))
	}
	g := newGroup(bolts)
	coefficient, q, ok := g.ultimate(dir, arm)
	if !ok {
		return ICRResult{}, working.Refuse("/bolts", "No instantaneous centre was found for this group and load: use the elastic method.")
	}
	r := ICRResult{Coefficient: coefficient, Reference: "ultimate"}
	if math.Abs(q[2]) > 1e-9 {
		rho := g.rho
		r.Centre = &[2]float64{c.X - q[1]/q[2]*rho, c.Y + q[0]/q[2]*rho}
	}
	r.Working = working.Working{Method: "Instantaneous centre of rotation",
		Source:  "AISC Manual part 7: R = Rult·(1 − e^(−0.394·Δ))^0.55, Δmax = 8.6 mm",
		Formula: "C = P/Rult at which Σ R balances P in force and moment",
		Inputs: []working.Quantity{{Symbol: "n", Name: "bolts", Value: float64(len(bolts))},
			{Symbol: "a", Name: "angle from straight down", Value: in.Angle, Unit: "°"},
			{Symbol: "e", Name: "eccentricity along the horizontal", Value: in.Eccentricity, Unit: "mm"}},
		Result:      working.Quantity{Symbol: "C", Name: "coefficient", Value: coefficient},
		Assumptions: []string{"equal steel bolts in ductile steel plate where bearing governs; otherwise use the elastic method"}}
	return r, nil
}

// group is a bolt group about its centroid, lengths over rho, the root mean
// square of the radii.
type group struct {
	at  []profile.Point
	rho float64
}

func newGroup(bolts []profile.Point) group {
	c, polar := Centroid(bolts)
	g := group{rho: math.Sqrt(polar / float64(len(bolts)))}
	if g.rho == 0 {
		g.rho = 1
	}
	for _, b := range bolts {
		g.at = append(g.at, b.Sub(c).Mul(1/g.rho))
	}
	return g
}

// state is what the bolts answer to a movement q of the plate: two shifts and
// a turn times rho, in mm. stiff is the derivative, symmetric; far the largest
// movement of a bolt and its derivative.
type state struct {
	force [3]float64
	stiff [3][3]float64
	far   float64
	slope [3]float64
}

func (g group) answer(q [3]float64) (s state) {
	for _, b := range g.at {
		u := profile.Point{X: q[0] - q[2]*b.Y, Y: q[1] + q[2]*b.X}
		d := u.Len()
		if d < 1e-9 {
			continue // at the instantaneous centre: no share
		}
		n := u.Mul(1 / d)
		e := math.Exp(-curve * d)
		r := math.Pow(1-e, power)
		slope := power * math.Pow(1-e, power-1) * curve * e
		j := [2][3]float64{{1, 0, -b.Y}, {0, 1, b.X}}
		k := [2][2]float64{ // slope along the movement, r/d across it
			{slope*n.X*n.X + r/d*n.Y*n.Y, (slope - r/d) * n.X * n.Y},
			{(slope - r/d) * n.X * n.Y, slope*n.Y*n.Y + r/d*n.X*n.X},
		}
		for a := range 3 {
			s.force[a] += r * (n.X*j[0][a] + n.Y*j[1][a])
			for c := range 3 {
				s.stiff[a][c] += j[0][a]*(k[0][0]*j[0][c]+k[0][1]*j[1][c]) + j[1][a]*(k[1][0]*j[0][c]+k[1][1]*j[1][c])
			}
		}
		if d > s.far {
			s.far = d
			for a := range 3 {
				s.slope[a] = n.X*j[0][a] + n.Y*j[1][a]
			}
		}
	}
	return s
}

// ultimate finds the load P along dir, with arm its moment about the centroid
// for a unit load, at which the farthest bolt moves by largestGap: Newton on
// the three equations of balance and the one of deformation, halving steps
// that do not help.
func (g group) ultimate(dir profile.Point, arm float64) (p float64, q [3]float64, ok bool) {
	load := [3]float64{dir.X, dir.Y, arm / g.rho}
	q = load // the elastic answer: equal springs
	scale := largestGap / g.answer(q).far
	for i := range q {
		q[i] *= scale
	}
	s := g.answer(q)
	norm := 0.0
	for i := range 3 {
		p += s.force[i] * load[i]
		norm += load[i] * load[i]
	}
	p /= norm
	miss := func(q [3]float64, p float64, s state) (out [4]float64, size float64) {
		for i := range 3 {
			out[i] = s.force[i] - p*load[i]
		}
		out[3] = (s.far - largestGap) / largestGap
		for _, v := range out {
			size += v * v
		}
		return out, size
	}
	at, size := miss(q, p, s)
	for range 60 {
		if size < 1e-22 {
			return p, q, true
		}
		var m [4][5]float64
		for i := range 3 {
			for j := range 3 {
				m[i][j] = s.stiff[i][j]
			}
			m[i][3], m[i][4] = -load[i], -at[i]
			m[3][i] = s.slope[i] / largestGap
		}
		m[3][4] = -at[3]
		step, solved := eliminate(m)
		if !solved {
			break
		}
		better := false
		for share := 1.0; share > 1e-6; share /= 2 {
			nq, np := q, p+share*step[3]
			for i := range 3 {
				nq[i] += share * step[i]
			}
			ns := g.answer(nq)
			nat, nsize := miss(nq, np, ns)
			if nsize < size {
				q, p, s, at, size, better = nq, np, ns, nat, nsize, true
				break
			}
		}
		if !better {
			break
		}
	}
	return p, q, size < 1e-14
}

// eliminate solves four equations by Gauss with pivots.
func eliminate(m [4][5]float64) (x [4]float64, ok bool) {
	for i := range 4 {
		best := i
		for r := i + 1; r < 4; r++ {
			if math.Abs(m[r][i]) > math.Abs(m[best][i]) {
				best = r
			}
		}
		if math.Abs(m[best][i]) < 1e-14 {
			return x, false
		}
		m[i], m[best] = m[best], m[i]
		for r := i + 1; r < 4; r++ {
			f := m[r][i] / m[i][i]
			for c := i; c < 5; c++ {
				m[r][c] -= f * m[i][c]
			}
		}
	}
	for i := 3; i >= 0; i-- {
		x[i] = m[i][4]
		for c := i + 1; c < 4; c++ {
			x[i] -= m[i][c] * x[c]
		}
		x[i] /= m[i][i]
	}
	return x, true
}

// Ultimate answers load over one bolt's ultimate strength by the instantaneous
// centre, for a load along dir (unit) with the anticlockwise moment arm about
// the bolts' centroid, mm.
func Ultimate(bolts []profile.Point, dir profile.Point, arm float64) (float64, error) {
	c, polar := Centroid(bolts)
	if polar <= 1e-12*(1+c.Dot(c)) && math.Abs(arm) > 1e-9 {
		return 0, working.Refuse("/bolts", "All bolts are on one spot, which holds no moment.")
	}
	coefficient, _, ok := newGroup(bolts).ultimate(dir, arm)
	if !ok {
		return 0, working.Refuse("/bolts", "No instantaneous centre was found for this group and load: use the elastic method.")
	}
	return coefficient, nil
}
