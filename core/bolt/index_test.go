package bolt

import (
	"math"
	"testing"

	"warmanvil/core/strength"
)

func TestIndex(t *testing.T) {
	near := func(what string, got, want float64) {
		t.Helper()
		if math.Abs(got-want) > 1e-9*math.Max(1, math.Abs(want)) {
			t.Errorf("%s: %.9g, want %.9g", what, got, want)
		}
	}
	in := IndexInput{Pin: 12, Hole: 12.5, Through: 12.2, Pitch: 40, Count: 8, Edge: 20, Thickness: 6, Force: 5000, Yield: 235, Tensile: 360,
		Wanted: 10}
	r, err := Index(in)
	if err != nil {
		t.Fatal(err)
	}
	near("span", r.Span, 280)
	near("play", r.Play, .7)
	near("web", r.Web, 27.5)
	// 1.2·27.5·6·360/2, 2.4·12·6·360/2, min(235·40·6/1.67, 360·27.5·6/2) N
	torn, bears, across := 1.2*27.5*6*360/2, 2.4*12*6*360/2, math.Min(235*40*6/1.67, 360*27.5*6/2)
	near("used", r.Used, 5000/math.Min(torn, math.Min(bears, across)))
	if r.By != "strip across a hole" || r.Vernier == nil {
		t.Fatalf("%s %+v", r.By, r.Vernier)
	}
	// Four holes in the other part at 50: their offsets from the row's grid are 0, 10, 20, 30.
	near("holes", float64(r.Vernier.Holes), 4)
	offsets := map[float64]bool{}
	for k := range r.Vernier.Holes {
		offsets[math.Round(math.Mod(float64(k)*r.Vernier.Pitch, in.Pitch))] = true
	}
	for _, want := range []float64{0, 10, 20, 30} {
		if !offsets[want] {
			t.Errorf("no position at %g: %v", want, offsets)
		}
	}
	arc := in
	arc.Radius = 200
	if r, err = Index(arc); err != nil {
		t.Fatal(err)
	}
	near("angle", *r.Angle, 2*math.Asin(.1)*180/math.Pi)
	near("turns", *r.Turns, .7/200*180/math.Pi)
	over := in
	over.Force = 60000
	if r, _ = Index(over); r.Used <= 1 || r.Findings[0].Code != "over" {
		t.Errorf("%g %+v", r.Used, r.Findings)
	}
	factored := in
	factored.Strength = strength.Rule{School: strength.Factored}
	if f, _ := Index(factored); f.Used >= 5000/across {
		t.Errorf("φ = 0.75 holds less than Ω = 2: %g", f.Used)
	}
	narrow := in
	narrow.Pitch = 20
	if r, _ = Index(narrow); r.Findings[0].Code != "web" {
		t.Errorf("%+v", r.Findings)
	}
	for _, bad := range []func(*IndexInput){func(i *IndexInput) { i.Hole = 11 }, func(i *IndexInput) { i.Pitch = 12 }, func(i *IndexInput) {
		i.Radius = 15
	},
		func(i *IndexInput) { i.Radius, i.Count = 50, 60 }, func(i *IndexInput) { i.Edge = 5 }, func(i *IndexInput) { i.Tensile = 100 }} {
		x := in
		bad(&x)
		if _, err := Index(x); err == nil {
			t.Errorf("%+v is taken", x)
		}
	}
}
