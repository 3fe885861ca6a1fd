package weld

import (
	"math"
	"strings"
	"testing"

	"warmanvil/core/solid"
	"warmanvil/core/strength"
)

// flare is a seam of 300 beside a rounded corner, along x between two faces.
func flare(thick, radius float64) Seam {
	side := func(n solid.Vector) SeamSide { return SeamSide{Material: "steel-s235", Thickness: thick, Normal: n} }
	return Seam{ID: "f", Form: FlareForm, Path: []solid.Vector{{}, {300}}, Radius: radius, RunOff: true,
		Sides: [2]SeamSide{side(solid.Vector{0, 0, 1}), side(solid.Vector{0, 0, 1})}}
}

// By hand: beside a corner of 12 the throat is 5/16·12 = 3.75; on plate of 6 the weld metal counts 3.75·0.3·414 along. On
// sheet of 2 beside a corner of 6 the sheet counts 0.75·2·360/2.80 along, if the throat of 1.875 carries more.
func TestFlareByHand(t *testing.T) {
	rule := strength.Rule{School: strength.Allowable}
	use := func(s Seam, force solid.Vector) (SeamsHeld, map[string]strength.Check) {
		h, err := Hold(SeamsAsk{Seams: []Seam{s}, Filler: "e70", Rule: rule, Cases: []SeamsCase{{Name: "p", Force: force,
			At: solid.Vector{150}}}})
		if err != nil {
			t.Fatal(err)
		}
		by := map[string]strength.Check{}
		for _, c := range h.Checks {
			by[c.Key] = c
		}
		return h, by
	}
	_, plate := use(flare(6, 12), solid.Vector{30000})
	if want := 100 / (3.75 * .3 * 483); math.Abs(*plate["throat"].Utilisation-want) > 1e-9 {
		t.Errorf("plate: %.5f, by hand %.5f", *plate["throat"].Utilisation, want)
	}
	_, thin := use(flare(2, 6), solid.Vector{30000})
	if want := 100 / (.75 * 2 * 360 / 2.8); math.Abs(*thin["sheet"].Utilisation-want) > 1e-9 {
		t.Errorf("sheet along: %.5f, by hand %.5f", *thin["sheet"].Utilisation, want)
	}
	_, across := use(flare(2, 6), solid.Vector{0, 30000})
	if want := 100 / (.833 * 2 * 360 / 2.55); math.Abs(*across["sheet"].Utilisation-want) > 1e-9 {
		t.Errorf("sheet across: %.5f, by hand %.5f", *across["sheet"].Utilisation, want)
	}
	for name, s := range map[string]Seam{"how round": flare(6, 0), "from 10 mm on": flare(6, 8)} {
		h, by := use(s, solid.Vector{100})
		if h.Verdict != strength.CannotSay || !strings.Contains(by["throat"].Why, name) {
			t.Errorf("%s: %s %q", name, h.Verdict, by["throat"].Why)
		}
	}
	etched := flare(6, 8)
	etched.Throat = 4
	if h, _ := use(etched, solid.Vector{100}); h.Verdict != strength.Holds {
		t.Errorf("with the throat of a coupon %s", h.Verdict)
	}
	// Rounder is never weaker.
	last := math.Inf(1)
	for r := 10.; r < 40; r += 2.5 {
		_, by := use(flare(6, r), solid.Vector{30000})
		if u := *by["throat"].Utilisation; u > last {
			t.Errorf("at %g mm it uses %g, more than before", r, u)
		} else {
			last = u
		}
	}
}
