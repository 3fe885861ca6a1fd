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
}

// strong answers the stress the school counts to.
func (p Plate) strong(rule strength.Rule) float64 {
	if rule.Yields() {
		return p.Yield
	}
	return p.Tensile
}

// Bearing answers what the ply's hole can carry in crushing, N: AISC 360 J3.10
// 2.4·d·t·Fu; below ThinSheet AISI S100 J3.3.1 C·mf·d·t·Fu with mf = 1.0 for
// washers on both sides and 0.75 without.
func (p Plate) Bearing(rule strength.Rule, d float64, washers bool) (capacity float64, formula string) {
	f := p.strong(rule)
	if p.Thickness >= ThinSheet {
		c := rule.Capacity(2.4*d*p.Thickness*f, strength.Rupture)
		return c, "AISC 360 J3.10: R = 2.4·d·t·Fu"
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

// TearOut answers what the ply can carry before the hole tears out along the
// force, N: AISC 360 J3.10 1.2·lc·t·Fu; below ThinSheet AISI S100 J6.1, shear
// on both sides of the clear length 0.6·Fu·2·lc·t, the same with other factors.
func (p Plate) TearOut(rule strength.Rule) (capacity float64, formula string) {
	lc := max(p.Clear, 0)
	n := 1.2 * lc * p.Thickness * p.strong(rule)
	if p.Thickness >= ThinSheet {
		c := rule.Capacity(n, strength.Rupture)
		return c, "AISC 360 J3.10: R = 1.2·lc·t·Fu"
	}
	c := rule.Capacity(n, strength.SheetTear)
	return c, "AISI S100 J6.1: P = 0.6·Fu·2·lc·t"
}

// PullThrough answers what a head or washer of diameter dw can pull before the
// sheet lets it through, N: AISI S100 J4.4.2 1.5·t·dw·Fu, written for screws
// and used here for bolts below ThinSheet; dw counts up to 19 mm.
func (p Plate) PullThrough(rule strength.Rule, dw float64) float64 {
	c := rule.Capacity(1.5*p.Thickness*min(dw, 19)*p.strong(rule), strength.PullThrough)
	return c
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
	delta := max(0, 1-p.Plate.Hole/p.Length)
	f := rule.Capacity(p.Plate.strong(rule), strength.Yield)
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
