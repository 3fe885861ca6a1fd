package bolt

import (
	"math"

	"warmanvil/core/strength"
)

// ThinSheet is the thickness in mm (3/16 in) below which sheet rules take over
// from plate rules.
const ThinSheet = 4.76

// Plate is the ply round a hole. Thickness, Hole (diameter) and Clear (from
// the hole's edge to the next edge along the force) in mm, strengths in MPa.
type Plate struct {
	Thickness, Hole, Clear float64
	Yield, Tensile         float64
	Aluminium              bool
}

// Aluminium's factors (Aluminum Design Manual 2015, J.3 and B.3).
var (
	aluminiumBreaks = strength.Factors{Omega: 1.95, Phi: .75}
	aluminiumYields = strength.Factors{Omega: 1.65, Phi: .9}
)

// Breaks answers the factors on breaking that go with the ply's metal, Yields
// those on yield.
func (p Plate) Breaks() strength.Factors {
	if p.Aluminium {
		return aluminiumBreaks
	}
	return strength.Rupture
}

// Yields answers the factors on yield that go with the ply's metal.
func (p Plate) Yields() strength.Factors {
	if p.Aluminium {
		return aluminiumYields
	}
	return strength.Yield
}

// Strong answers the stress the school counts to, MPa.
func (p Plate) Strong(rule strength.Rule) float64 {
	if rule.Yields() {
		return p.Yield
	}
	return p.Tensile
}

// bearingYield is what a hole's bearing stress may be over yield before it grows:
// low of the usual design tables of sheet metals at 1.5 diameters to the edge,
// which have 1.5 to 1.6.
const bearingYield = 1.5

// Bearing answers what the ply's hole can carry in crushing, N: AISC 360 J3.10
// 2.4·d·t·Fu; below ThinSheet AISI S100 J3.3.1 C·mf·d·t·Fu with mf = 1.0 for
// washers on both sides and 0.75 without; aluminium by the Aluminum Design Manual
// J.3.6.1, 2·d·t·Ftu. When the school counts to yield, bearing yield.
func (p Plate) Bearing(rule strength.Rule, d float64, washers bool) (capacity float64, formula string) {
	f := p.Strong(rule)
	switch {
	case rule.Yields():
		return rule.Capacity(bearingYield*d*p.Thickness*f, strength.Yield), "bearing yield, low of usual design tables: R = 1.5·d·t·Fy"
	case p.Aluminium:
		return rule.Capacity(2*d*p.Thickness*f, aluminiumBreaks), "Aluminum Design Manual J.3.6.1: R = 2·d·t·Ftu"
	case p.Thickness >= ThinSheet:
		return rule.Capacity(2.4*d*p.Thickness*f, strength.Rupture), "AISC 360 J3.10: R = 2.4·d·t·Fu"
	}
	q := d / p.Thickness
	c := 3.0
	switch {
	case q > 22:
		c = 1.8
	case q >= 10:
		c = 4 - .1*q
	}
	mf := .75
	if washers {
		mf = 1
	}
	n := rule.Capacity(c*mf*d*p.Thickness*f, strength.SheetBearing)
	return n, "AISI S100 J3.3.1: P = C·mf·d·t·Fu"
}

// PinBearing answers what the ply carries of a pin, N: AISC 360 J7, 1.8·Fy on the
// pin's projected area.
func (p Plate) PinBearing(rule strength.Rule, d float64) (capacity float64, formula string) {
	if p.Aluminium {
		return p.Bearing(rule, d, false)
	}
	if rule.Yields() {
		return rule.Capacity(bearingYield*d*p.Thickness*p.Yield, strength.Yield), "bearing yield: R = 1.5·d·t·Fy"
	}
	return rule.Capacity(1.8*p.Yield*d*p.Thickness, strength.Rupture), "AISC 360 J7: R = 1.8·Fy·d·t"
}

// TearOut answers what the ply can carry before the hole tears out along the
// force, N: AISC 360 J3.10 1.2·lc·t·Fu; below ThinSheet AISI S100 J6.1, shear
// on both sides of the clear length 0.6·Fu·2·lc·t, the same with other factors;
// aluminium by the Aluminum Design Manual J.3.6.1, de·t·Ftu from the hole's middle.
func (p Plate) TearOut(rule strength.Rule) (capacity float64, formula string) {
	lc := max(p.Clear, 0)
	n := 1.2 * lc * p.Thickness * p.Strong(rule)
	switch {
	case p.Aluminium && !rule.Yields():
		return rule.Capacity(min(n, (lc+p.Hole/2)*p.Thickness*p.Tensile), aluminiumBreaks), "Aluminum Design Manual J.3.6.1: R = de·t·Ftu"
	case p.Thickness >= ThinSheet:
		return rule.Capacity(n, strength.Rupture), "AISC 360 J3.10: R = 1.2·lc·t·Fu"
	}
	return rule.Capacity(n, strength.SheetTear), "AISI S100 J6.1: P = 0.6·Fu·2·lc·t"
}

// PullThrough answers what a head or washer of diameter dw can pull before the
// sheet lets it through, N: AISI S100 J4.4.2 1.5·t·dw·Fu, written for screws
// and used here for bolts below ThinSheet; dw counts up to 19 mm. Aluminium by the
// Aluminum Design Manual J.5.4.2, t·Ftu·(dw − dh).
func (p Plate) PullThrough(rule strength.Rule, dw float64) (capacity float64, formula string) {
	if p.Aluminium {
		return rule.Capacity(p.Thickness*p.Strong(rule)*max(0, dw-p.Hole), strength.PullThrough),
			"Aluminum Design Manual J.5.4.2: P = t·Ftu·(dw − dh)"
	}
	return rule.Capacity(1.5*p.Thickness*min(dw, 19)*p.Strong(rule), strength.PullThrough),
		"AISI S100 J4.4.2, written for screws, used for bolts below 4.76 mm: P = 1.5·t·dw·Fu, dw ≤ 19 mm"
}

// Tears answers the width of net section a hole takes away, mm: 2 mm more than it
// is wide, for its edge is hurt by making it (AISC 360 B4.3b).
func Tears(hole float64) float64 { return hole + 2 }

// Least distances between fasteners, by diameters: AISC 360 J3.3 2 2/3 between
// centres and one between the holes' edges; AISI S100 J3.1, J4.1 three in sheet.
const (
	pitchPlate = 8. / 3
	pitchSheet = 3.
	clearPlate = 1.
)

// LeastPitch answers how far apart fasteners of diameter d must stand at least, mm,
// in a ply of a thickness with holes so wide, and by which rule.
func LeastPitch(d, hole, thickness float64) (mm float64, source string) {
	if thickness < ThinSheet {
		return max(pitchSheet*d, hole+clearPlate*d), "AISI S100 J3.1, J4.1: 3·d"
	}
	return max(pitchPlate*d, hole+clearPlate*d), "AISC 360 J3.3: 2⅔·d, and d between the holes"
}

// Prying is a bolt in tension that holds a plate's leg down beside a bend or
// web. Lengths mm: B from the bolt's centre to the face that pulls, A from the
// bolt's centre to the free edge, Length of plate that belongs to the bolt.
type Prying struct {
	A, B, Length float64
	Bolt         float64 // diameter
	Plate        Plate
}

// Force answers the prying force in N that comes on top of a bolt's tension
// (AISC Manual part 9): q = T·δ·α·ρ/(1 + δ·α), where α says how far the
// plate yields at the bolt. Capacity is the bolt's, in N.
func (p Prying) Force(rule strength.Rule, tension, capacity float64) float64 {
	b := p.B - p.Bolt/2
	if tension <= 0 || b <= 0 || p.Length <= 0 {
		return 0
	}
	a := min(p.A, 1.25*p.B) + p.Bolt/2
	rho := b / a
	delta := p.net()
	f := rule.Capacity(p.Plate.Strong(rule), p.Plate.Yields())
	// Moment per unit length the plate can take, and the thickness at which
	// this tension asks for no help from prying.
	tc2 := 4 * tension * b / (p.Length * f)
	t2 := p.Plate.Thickness * p.Plate.Thickness
	if tc2 <= t2 || delta == 0 {
		return 0
	}
	alpha := math.Min(1, (tc2/t2-1)/delta)
	return tension * delta * alpha * rho / (1 + delta*alpha)
}

// net answers δ, the share of plate left at the bolt's hole.
func (p Prying) net() float64 { return max(0, 1-p.Plate.Hole/p.Length) }

// Bends answers the tension on a bolt, N without prying, at which the plate itself
// gives way in two lines, at the face that pulls and at the bolt (AISC Manual part
// 9 with α = 1): T = p·t²·F·(1 + δ)/(4·b'). The bolt's prying is a question of its
// own.
func (p Prying) Bends(rule strength.Rule) float64 {
	b := p.B - p.Bolt/2
	if b <= 0 {
		return math.Inf(1)
	}
	t := p.Plate.Thickness
	return rule.Capacity(p.Length*t*t*p.Plate.Strong(rule)*(1+p.net())/(4*b), p.Plate.Yields())
}
