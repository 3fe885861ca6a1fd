package site

import (
	"math"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/sheet"
	"warmanvil/core/strength"
	"warmanvil/core/weld"
)

// lined is the ear of 120 × 80 × 6 laid on a plate of 8 and welded along its front and back edges, bent as one with it.
func lined(t *testing.T, change ...func(*brief.Welded)) Site {
	t.Helper()
	return welds(t, func(s *Site) {
		w := &s.Brief.Welded[0]
		w.Cases, w.Layers = nil, &brief.WeldLayers{Shear: 2000}
		w.Seams = nil
		for _, e := range []sheet.Edge{sheet.Front, sheet.Back} {
			w.Seams = append(w.Seams, brief.SeamPlan{Panel: "base", Edge: e,
				Seam: weld.Seam{ID: "s" + string(e), Name: string(e), Form: weld.LapForm, Leg: 5}})
		}
		for _, c := range change {
			c(w)
		}
	})
}

// By hand: 2000 N across 6 on 8: q = 6·2000·6·8/14³ = 209.9 N/mm, half on each edge, on 110 of 120 that carry. More layers
// under them change where the seam lies among all. The factored school puts its load factor on what is typed.
func TestLayersByHand(t *testing.T) {
	demand := func(s Site) float64 {
		w := seamed(t, s)
		if w.Why != "" || w.Result == nil {
			t.Fatalf("%q", w.Why)
		}
		for _, c := range w.Result.Checks {
			if c.Key == "throat" {
				if c.Working == nil || !strings.Contains(strings.Join(c.Working.Assumptions, " "), "V·Q/I") {
					t.Errorf("its working does not say where that comes from: %+v", c.Working)
				}
				return c.Demand
			}
		}
		t.Fatalf("%+v", w.Result.Checks)
		return 0
	}
	near := func(name string, got, want float64) {
		if math.Abs(got-want) > 1e-6*want {
			t.Errorf("%s: %g, by hand %g", name, got, want)
		}
	}
	near("6 on 8", demand(lined(t)), 6*2000*6*8/(14.*14*14)/2*120/110)
	near("with 10 more under them", demand(lined(t, func(w *brief.Welded) { w.Layers.Under = 10 })), 6*2000*6*18/(24.*24*24)/2*120/110)
	near("with 2 more on them", demand(lined(t, func(w *brief.Welded) { w.Layers.Over = 2 })), 6*2000*8*8/(16.*16*16)/2*120/110)
	if w := seamed(t, lined(t)); w.Verdict != strength.Holds {
		t.Errorf("%s %+v", w.Verdict, w.Result.Checks[0])
	}
	if w := seamed(t, lined(t, func(w *brief.Welded) { w.Layers.Shear = 40000 })); w.Verdict != strength.Over {
		t.Errorf("20 times as much: %s", w.Verdict)
	}
	f := lined(t)
	f.Brief.Strength.School = strength.Factored
	near("factored", demand(f), f.Brief.TypedFactor()*6*2000*6*8/(14.*14*14)/2*120/110)
	if f.Brief.TypedFactor() <= 1 {
		t.Error("the factored school has no load factor")
	}
}

// Where plates are not welded along both edges, not as laps, in stitches too far apart, or on a tube, nobody can say.
func TestLayersThatAreNone(t *testing.T) {
	for name, c := range map[string]struct {
		change func(*brief.Welded)
		says   string
	}{
		"no shear":      {func(w *brief.Welded) { w.Layers.Shear = 0 }, "Say what shears"},
		"one edge":      {func(w *brief.Welded) { w.Seams = w.Seams[:1] }, "both of their long edges"},
		"two that meet": {func(w *brief.Welded) { w.Seams[1].Edge = sheet.Left }, "opposite edges"},
		"one is short":  {func(w *brief.Welded) { w.Seams[1].Before = 40 }, "as long as each other"},
		"fillets":       {func(w *brief.Welded) { w.Seams[0].Form = weld.FilletForm }, "lay it as a lap"},
		"far stitches":  {func(w *brief.Welded) { w.Seams[0].Stitch, w.Seams[0].Pitch = 40, 150 }, "farther apart than 144"},
	} {
		w := seamed(t, lined(t, c.change))
		said := ""
		if w.Result != nil {
			for _, k := range w.Result.Checks {
				if k.Key == "layers" {
					said = k.Why
				}
			}
		}
		if w.Verdict == strength.Holds || w.Verdict == strength.Tight || !strings.Contains(said, c.says) {
			t.Errorf("%s: %s %q", name, w.Verdict, said)
		}
	}
	bad := welds(t).Brief
	bad.Welded[0].Layers = &brief.WeldLayers{Shear: -1}
	if err := bad.Check(); err == nil || !strings.Contains(err.Error(), "shears") {
		t.Errorf("%v", err)
	}
}
