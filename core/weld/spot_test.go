package weld

import (
	"math"
	"strings"
	"testing"

	"warmanvil/core/solid"
	"warmanvil/core/strength"
)

// dotted is a row of plugs or spots in sheets of steel that lie on each other in the plane z = 0.
func dotted(form Form, across, t1, t2 float64, at ...solid.Vector) SeamsAsk {
	side := func(t float64) SeamSide {
		return SeamSide{Material: "steel-s235", Thickness: t, Normal: solid.Vector{0, 0, 1}}
	}
	return SeamsAsk{Filler: "e70", Rule: strength.Rule{School: strength.Allowable},
		Seams: []Seam{{ID: "d", Form: form, Across: across, Path: at, Sides: [2]SeamSide{side(t1), side(t2)}}},
		Cases: []SeamsCase{{Name: "pulled", Force: solid.Vector{1000, 0, 0}, At: solid.Vector{0, 0, 0}}}}
}

func use(t *testing.T, a SeamsAsk, key string) strength.Check {
	t.Helper()
	h, err := Hold(a)
	if err != nil {
		t.Fatal(err)
	}
	for _, c := range h.Checks {
		if c.Key == key {
			return c
		}
	}
	t.Fatalf("no check %s", key)
	return strength.Check{}
}

// By hand: a spot in 1 mm takes 5.51 kN over 2.35 (AISI S100 J2.6); a plug of 16 in plate of 8 its face at 0.3 of the
// weld metal (AISC 360 J2.4); a plug of 12 in sheet of 1.5 what the sheet takes round it (J2.2).
func TestPlugsAndSpotsByHand(t *testing.T) {
	two := []solid.Vector{{-50, 0, 0}, {50, 0, 0}}
	near := func(name string, c strength.Check, want float64) {
		t.Helper()
		if c.Utilisation == nil || math.Abs(*c.Utilisation-want) > 1e-6 {
			t.Errorf("%s: %+v, by hand %.5f", name, c, want)
		}
	}
	near("spots", use(t, dotted(SpotForm, 6, 1, 1, two...), "sheet"), 500/(5510/2.35))
	near("one spot", use(t, dotted(SpotForm, 6, 1, 2, two[0], two[1], solid.Vector{}), "sheet"), 1000/3./(5510/2.35))
	near("plugs in plate", use(t, dotted(PlugForm, 16, 8, 8, two...), "throat"), 500/(.3*483*math.Pi*64))
	near("metal beside plugs", use(t, dotted(PlugForm, 16, 8, 8, two...), "base"), 500/(math.Min(.6*360/2, .6*235/1.5)*math.Pi*64))
	limit := math.Sqrt(203000 / 360.)
	mean := 12 - 1.5
	if mean/1.5 > .815*limit {
		t.Fatal("the case is of another range")
	}
	sheet := 2.2 * 1.5 * mean * 360 / 2.2
	deep := math.Min(.7*12-1.5*1.5, .55*12)
	metal := math.Pi / 4 * deep * deep * .75 * 483 / 2.55
	near("plugs in sheet", use(t, dotted(PlugForm, 12, 1.5, 6, two...), "sheet"), 500/math.Min(sheet, metal))
}

// Pulled off their sheet nobody can say; turned about one spot alone it is over; more of them are never weaker.
func TestSpotsCountInShearAlone(t *testing.T) {
	two := []solid.Vector{{-50, 0, 0}, {50, 0, 0}}
	a := dotted(SpotForm, 6, 1, 1, two...)
	a.Cases[0].Force = solid.Vector{500, 0, 300}
	if c := use(t, a, "sheet"); c.Verdict != strength.CannotSay || !strings.Contains(c.Why, "shear alone") {
		t.Errorf("%+v", c)
	}
	a = dotted(SpotForm, 6, 1, 1, solid.Vector{})
	a.Cases[0].At = solid.Vector{0, 40, 0}
	if h, err := Hold(a); err != nil || h.Verdict != strength.Over {
		t.Errorf("%v: one spot turned about itself %s", err, h.Verdict)
	}
	last := math.Inf(1)
	for n := 2; n < 6; n++ {
		var at []solid.Vector
		for k := range n {
			at = append(at, solid.Vector{float64(k)*40 - float64(n-1)*20, 0, 0})
		}
		u := *use(t, dotted(SpotForm, 6, 1, 1, at...), "sheet").Utilisation
		if u > last {
			t.Errorf("%d spots use %.4f, one less %.4f", n, u, last)
		}
		last = u
	}
	for name, spoil := range map[string]func(s *Seam){"no place": func(s *Seam) { s.Path = nil }, "no size": func(s *Seam) { s.Across = 0 },
		"stitched": func(s *Seam) { s.Stitch, s.Pitch = 10, 20 }, "both": func(s *Seam) { s.Both = true }} {
		a := dotted(PlugForm, 12, 2, 2, two...)
		spoil(&a.Seams[0])
		if _, err := Hold(a); err == nil {
			t.Errorf("plugs with %s are asked", name)
		}
	}
	light := dotted(PlugForm, 16, 8, 8, two...)
	light.Filler = "er5356"
	for k := range light.Seams[0].Sides {
		light.Seams[0].Sides[k].Material = "alu-6061-t6"
	}
	if h, err := Hold(light); err != nil || h.Verdict != strength.CannotSay {
		t.Errorf("%v: plugs in aluminium %s", err, h.Verdict)
	}
}
