package weld

import (
	"math"
	"strings"
	"testing"

	"warmanvil/core/solid"
	"warmanvil/core/strength"
)

// corner is an outside corner of steel sheet, 200 long.
func cornerSeam(thick float64) Seam {
	side := func(n solid.Vector) SeamSide { return SeamSide{Material: "steel-s235", Thickness: thick, Normal: n} }
	return Seam{ID: "c", Form: CornerForm, Path: []solid.Vector{{}, {200}}, Leg: thick, RunOff: true,
		Sides: [2]SeamSide{side(solid.Vector{0, 1}), side(solid.Vector{0, 0, 1})}}
}

// By hand, a corner of 6 mm plate of S235: along, 0.707·6·0.3·414 of weld metal against 0.6·235·6/1.5 of the plate; the
// weld metal is what counts.
func TestCarriesByHand(t *testing.T) {
	c, err := Carries(cornerSeam(6), "", strength.Rule{School: strength.Allowable})
	if err != nil || c.Along == nil {
		t.Fatalf("%v %+v", err, c)
	}
	if want := 6 * math.Sqrt2 / 2 * .3 * 414; math.Abs(*c.Along-want) > 1e-6*want {
		t.Errorf("along %.3f, by hand %.3f", *c.Along, want)
	}
	if want := .6 * 235 * 6 / 1.5; math.Abs(c.Sheared-want) > 1e-9 {
		t.Errorf("the plate sheared %.3f, by hand %.3f", c.Sheared, want)
	}
	if want := 235 * 6 / 1.67; math.Abs(c.Pulled-want) > 1e-9 || len(c.Working.Steps) < 3 {
		t.Errorf("the plate pulled %.3f, by hand %.3f", c.Pulled, want)
	}
}

// Thin sheet pulled square to its face peels: nobody can say. Ground flush, slanted by more than a corner, or without a
// length it is not said either; turned as a whole it carries the same.
func TestCarriesWhatNobodyCanSay(t *testing.T) {
	rule := strength.Rule{School: strength.Allowable}
	thin, err := Carries(cornerSeam(2), "", rule)
	if err != nil || thin.Along == nil || thin.Across != nil || thin.WhyAcross == "" {
		t.Errorf("%v %+v", err, thin)
	}
	flush := cornerSeam(6)
	flush.Finish = Flush
	if c, err := Carries(flush, "", rule); err != nil || c.Along != nil || !strings.Contains(c.WhyAlong, "flush") {
		t.Errorf("%v %+v", err, c)
	}
	shallow := cornerSeam(6)
	shallow.Angle = 150
	if c, err := Carries(shallow, "", rule); err != nil || c.Along != nil || !strings.Contains(c.WhyAlong, "150") {
		t.Errorf("%v %+v", err, c)
	}
	none := cornerSeam(6)
	none.Path = none.Path[:1]
	if _, err := Carries(none, "", rule); err == nil {
		t.Error("one point carries something")
	}
	odd := cornerSeam(6)
	odd.Sides[0].Material = "cheese"
	odd.Sides[1].Material = "cheese"
	if c, err := Carries(odd, "", rule); err == nil && c.Along != nil {
		t.Error("cheese carries")
	}
	turn := func(v solid.Vector) solid.Vector { return solid.Vector{v[2], v[0], v[1]} }
	as, turned := cornerSeam(6), cornerSeam(6)
	for i := range turned.Path {
		turned.Path[i] = turn(turned.Path[i])
	}
	for k := range turned.Sides {
		turned.Sides[k].Normal = turn(turned.Sides[k].Normal)
	}
	a, _ := Carries(as, "", rule)
	b, _ := Carries(turned, "", rule)
	if a.Across == nil || b.Across == nil || math.Abs(*a.Across-*b.Across) > 1e-9 || math.Abs(*a.Along-*b.Along) > 1e-9 {
		t.Errorf("turned it carries otherwise: %v %v", a, b)
	}
}
