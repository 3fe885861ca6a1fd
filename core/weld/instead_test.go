package weld

import (
	"math"
	"testing"

	"warmanvil/core/strength"
)

// By hand, 0.8 mm on 0.8 mm of S235: a spot of 5·√0.8 takes what is beside it, 0.6·Fy/1.5 on its face, less than
// 5510·0.8^1.47/2.35 (AISI J2.6). A plug of 8 the lesser of 2.20·t·da·Fu/2.20 (da/t within 0.815·√(E/Fu), J2.2) and its
// throat, 0.75·FEXX/2.55 on de = 0.7·d − 1.5·t; one of 6 takes less than the spot, so that 8 is the smallest that does.
func TestPlugInPlaceOfASpot(t *testing.T) {
	side := SeamSide{Material: "steel-s235", Thickness: .8}
	in := InsteadInput{Sides: [2]SeamSide{side, side}, Sizes: []float64{6, 8, 10}, Filler: "e70",
		Rule: strength.Rule{School: strength.Allowable}}
	r, err := Instead(in)
	if err != nil {
		t.Fatal(err)
	}
	spot := math.Min(5510*math.Pow(.8, 1.47)/2.35, .6*235/1.5*math.Pi/4*25*.8)
	plug := func(across float64) float64 {
		de := .7*across - 1.5*.8
		return math.Min(.8*(across-.8)*360, math.Pi/4*de*de*.75*483/2.55)
	}
	near := func(name string, got, want float64) {
		if math.Abs(got-want) > 1e-6*want {
			t.Errorf("%s: %g, by hand %g", name, got, want)
		}
	}
	near("a spot", r.Spot, spot)
	near("a plug", r.Plug, plug(r.Across))
	if !r.Enough || r.Many != 1 || r.Across != 8 || plug(6) >= spot {
		t.Errorf("%+v, a plug of 6 takes %g, a spot %g", r, plug(6), spot)
	}
	in.Plug = 4
	if r, err = Instead(in); err != nil || r.Across != 4 || r.Enough != (plug(4) >= spot) ||
		r.Many != math.Max(1, math.Ceil(spot/plug(4)-1e-9)) {
		t.Errorf("%v %+v, a plug of 4 takes %g, a spot %g", err, r, plug(4), spot)
	}
	in.Sides[0].Material = "steel-unknown"
	if _, err = Instead(in); err == nil {
		t.Error("of an unknown steel it is said what a spot takes")
	}
	in.Sides[0] = side
	in.Plug, in.Sizes = 0, nil
	if _, err = Instead(in); err == nil {
		t.Error("no plug is drilled")
	}
}
