package weld

import (
	"math"
	"testing"

	"warmanvil/core/solid"
	"warmanvil/core/strength"
)

// plates is two plates of 6 that lie on each other, 400 × 100, welded along both long edges.
func plates(leg float64) SeamsAsk {
	side := SeamSide{Material: "steel-s355", Thickness: 6, Normal: solid.Vector{0, 0, 1}}
	seam := func(id string, y float64) Seam {
		return Seam{ID: id, Form: LapForm, Leg: leg, Path: []solid.Vector{{0, y}, {400, y}}, Sides: [2]SeamSide{side, side}}
	}
	return SeamsAsk{Seams: []Seam{seam("front", 0), seam("back", 100)}, Filler: "e70", Rule: strength.Rule{School: strength.Allowable},
		Cases: []SeamsCase{{Name: "rest"}}}
}

func metalOf(t *testing.T, a SeamsAsk) strength.Check {
	t.Helper()
	r, err := Hold(a)
	if err != nil {
		t.Fatal(err)
	}
	for _, c := range r.Checks {
		if c.Key == "throat" {
			return c
		}
	}
	t.Fatal("no weld metal")
	return strength.Check{}
}

// By hand: 10 kN across two plates of 6: q = 1.5·V/h = 1250 N/mm, half on each edge, on the 392 of 400 that carry 637.8; in
// stitches of 50 at 100, four of them 42 each side carry: 625·400/168. Legs of 5 carry 0.30·483·0.7071·5.
func TestFlowOfPlatesBentAsOne(t *testing.T) {
	if q := (LayersAt{Shear: 10000, Past: 6, Whole: 12}).Flow(); math.Abs(q-1250) > 1e-9 {
		t.Errorf("%g N/mm", q)
	}
	a := plates(4)
	a.Flows = []float64{625, 625}
	c := metalOf(t, a)
	near := func(name string, got, want float64) {
		if math.Abs(got-want) > 1e-6*want {
			t.Errorf("%s: %g, by hand %g", name, got, want)
		}
	}
	near("all along", c.Demand, 625*400/392.)
	near("may be used", c.Capacity, .3*483*4*math.Sqrt2/2)
	if c.Verdict != strength.Over {
		t.Errorf("%s", c.Verdict)
	}
	for i := range a.Seams {
		a.Seams[i].Stitch, a.Seams[i].Pitch = 50, 100
	}
	near("stitched", metalOf(t, a).Demand, 625*400/(4*42.))
}

// What pulls along an edge is added to what shears the plates, either way round the same; without flows nothing changes.
func TestFlowIsAddedEitherWay(t *testing.T) {
	a := plates(4)
	a.Cases[0].Force = solid.Vector{78400} // 100 N/mm on each of 784
	a.Cases[0].At = solid.Vector{0, 50}
	plain := metalOf(t, a).Demand
	a.Flows = []float64{98, 98} // 100 on each of 392
	with := metalOf(t, a).Demand
	a.Cases[0].Force[0] *= -1
	back := metalOf(t, a).Demand
	if math.Abs(plain-100) > 1e-6 || math.Abs(with-200) > 1e-6 || math.Abs(back-200) > 1e-6 {
		t.Errorf("%g alone, %g and %g with 100 lengthwise", plain, with, back)
	}
	a.Cases[0].Force, a.Cases[0].At = solid.Vector{0, 78400}, solid.Vector{200, 50}
	if got := metalOf(t, a).Demand; math.Abs(got-100*math.Sqrt2) > 1e-6 {
		t.Errorf("square to each other %g", got)
	}
	a.Flows = []float64{1, 2, 3}
	if _, err := Hold(a); err == nil {
		t.Error("three flows on two seams")
	}
	a.Flows = []float64{-1}
	if _, err := Hold(a); err == nil {
		t.Error("a flow of -1")
	}
}
