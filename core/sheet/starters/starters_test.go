package starters_test

import (
	"fmt"
	"math"
	"testing"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/sheet/starters"
	"warmanvil/core/solid"
)

func startedParts(t *testing.T, key string, thickness float64, values map[string]float64) []sheet.Started {
	t.Helper()
	n := 0
	plain := plates.Plate(10, 10)
	plain.Thickness, plain.Grain = thickness, sheet.GrainUnknown
	out, err := starters.StartPart(key, values, plain, func() string { n++; return fmt.Sprint("i", n) })
	if err != nil {
		t.Fatalf("%s of %g: %v", key, thickness, err)
	}
	return out
}

// Every starter makes whole parts without a stop, in thin and thick sheet, and
// they read back after a mirror.
func TestStartersMakeSoundParts(t *testing.T) {
	for _, k := range starters.PartStarters {
		for _, thickness := range []float64{1.5, 2, 3} {
			for _, choice := range []float64{0, 1} {
				values := map[string]float64{}
				for _, a := range k.Asks {
					if a.Kind == "choice" {
						values[a.Key] = choice
					}
				}
				for _, s := range startedParts(t, k.Key, thickness, values) {
					p := plates.Build(t, s.Recipe)
					if !p.Whole || len(plates.Stops(p)) > 0 || s.Quantity < 1 || s.Name == "" {
						t.Errorf("%s, %s of %g: %+v", k.Key, s.Name, thickness, plates.Stops(p))
					}
					if _, said := plates.Codes(p)["meet-apart"]; said {
						t.Errorf("%s, %s of %g: corners stay apart", k.Key, s.Name, thickness)
					}
				}
			}
		}
	}
}

// Sizes asked for are sizes made: outside and inside boxes by hand.
func TestStartedSizes(t *testing.T) {
	size := func(s sheet.Started) solid.Vector { p := plates.Build(t, s.Recipe); return p.Body.Max.Sub(p.Body.Min) }
	tray := startedParts(t, "tray", 3, nil)[0]
	if v := size(tray); math.Abs(v[0]-300)+math.Abs(v[1]-200)+math.Abs(v[2]-50) > 1e-6 {
		t.Errorf("tray %v", v)
	}
	hat := startedParts(t, "hat", 3, nil)[0]
	if v := size(hat); math.Abs(v[2]-40) > 1e-6 || math.Abs(v[1]-(60+2*30-2*3)) > 1e-6 {
		t.Errorf("hat %v", v)
	}
	units := startedParts(t, "units", 3, nil)
	// Three units of 120 with two liners of 2.4 each and two dividers: 374.4 + 6 inside, 3 of wall at both ends.
	if v := size(units[0]); math.Abs(v[0]-(3*124.8+2*3+6)) > 1e-6 || len(units) != 2 || units[1].Quantity != 2 {
		t.Errorf("units %v", v)
	}
	strap := startedParts(t, "cradle", 2, nil)[1]
	p := plates.Build(t, strap.Recipe)
	// Over a tank of 250 with 3 of liner, 40 over the floor: its crown lies at 40 + 256 + the sheet.
	if v := p.Body.Max.Sub(p.Body.Min); math.Abs(v[2]-(40+256+2)) > 1e-6 {
		t.Errorf("strap %v", v)
	}
	deck := startedParts(t, "deck", 3, nil)
	if len(deck) != 3 || deck[0].Quantity+deck[1].Quantity != 3 || deck[2].Quantity != 2 {
		t.Errorf("%d parts", len(deck))
	}
	// Bolts of pieces and strip lie in one line: their pitch is the same.
	a, b := plates.Build(t, deck[0].Recipe), plates.Build(t, deck[2].Recipe)
	apart := func(b made.Part) float64 { return math.Abs(b.Holes[1].Centre.Y - b.Holes[0].Centre.Y) }
	if len(a.Holes)*2 != len(b.Holes) || math.Abs(apart(a)-apart(b)) > 1e-9 {
		t.Errorf("%d and %d holes", len(a.Holes), len(b.Holes))
	}
	if _, err := starters.StartPart("castle", nil, plates.Plate(10, 10), nil); err == nil {
		t.Error("a castle is started")
	}
	if _, err := starters.StartPart("tray", map[string]float64{"height": -1}, plates.Plate(10, 10), func() string { return "x" }); err == nil {
		t.Error("a tray of no height is started")
	}
}

// A tray with lips: as deep as without, as much wider as two lips stand out, nothing stopped,
// in thin and thick sheet.
func TestTrayWithLips(t *testing.T) {
	for _, thickness := range []float64{1, 2, 3} {
		bare := plates.Build(t, startedParts(t, "tray", thickness, map[string]float64{"height": 60})[0].Recipe)
		p := plates.Build(t, startedParts(t, "tray", thickness, map[string]float64{"height": 60, "lip": 20})[0].Recipe)
		if !p.Whole || len(plates.Stops(p)) > 0 || len(p.BendLines) != 8 {
			t.Fatalf("%g: whole %v, %d bends, %+v", thickness, p.Whole, len(p.BendLines), plates.Stops(p))
		}
		was, is := bare.Body.Max.Sub(bare.Body.Min), p.Body.Max.Sub(p.Body.Min)
		for k, want := range []float64{2 * (20 - thickness), 2 * (20 - thickness), 0} {
			if got := is[k] - was[k]; math.Abs(got-want) > 1e-6 {
				t.Errorf("%g: it grows by %g along %d, not by %g", thickness, got, k, want)
			}
		}
	}
}
