package hold

import (
	"fmt"
	"math/rand/v2"
	"strings"
	"testing"

	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// A doubler of 6 mm on 3 mm adds what 6 mm takes by itself: S235 of 360 MPa by J3.10
// with deformation, 2.4·12·6·360 = 62 208 N, halved 31 104 N.
func TestDoublerAtTheHoles(t *testing.T) {
	r := cleat(6)
	bare, by := answer(t, r, mount(), asd, [3]float64{4000, 0, 0})
	m := mount()
	m.Doubler = 6
	both, with := answer(t, r, m, asd, [3]float64{4000, 0, 0})
	near(t, "crushed", with["bearing"].Capacity, by["bearing"].Capacity+31104, 1)
	near(t, "crushed without", by["bearing"].Capacity, 31104, 1)
	// Two diameters past a 13 mm hole, and 22 mm between the rows' holes: 17.5 mm
	// ahead, 1.2·17.5·6·360/2 = 22 680 N more at the least.
	if more := with["tear-out"].Capacity - by["tear-out"].Capacity; more < 22679 || more > 31105 {
		t.Errorf("torn out: %.0f N more", more)
	}
	// It reaches no farther: the plate's net section stays.
	near(t, "net section", with["net-section"].Capacity, by["net-section"].Capacity, 1e-9)
	if *both.Hardest > *bare.Hardest+1e-12 {
		t.Error("a doubler makes it worse")
	}
	// A bend beside the bolts leaves no room for it.
	r.Base.Holes[0].Y = from(sheet.Front, 30)
	near1 := Check(build(t, r), r, m, []Load{{"case", "", [3]float64{4000, 0, 0}}}, asd)
	if !hasCode(near1, "doubler-room") || near1.Verdict == strength.Holds || near1.Verdict == strength.Tight {
		t.Errorf("a bend 16 mm from the bolts: %s", near1.Verdict)
	}
	// An inch job is told in inches.
	m.Display = quantity.Display{Style: quantity.Decimal}
	for _, f := range Check(build(t, r), r, m, []Load{{"case", "", [3]float64{4000, 0, 0}}}, asd).Findings {
		if strings.Contains(f.Reason, " mm") {
			t.Errorf("an inch job says %s", f.Reason)
		}
	}
	m.Doubler = -1
	if res := Check(build(t, r), r, m, []Load{{"case", "", [3]float64{1, 0, 0}}}, asd); res.Verdict != strength.CannotSay {
		t.Errorf("a doubler of −1 mm: %s", res.Verdict)
	}
}

// Whatever is offered for a random bracket builds, brings no stop the part had not,
// leaves nothing unanswered that was answered, and is less used.
func TestEveryOfferIsWhole(t *testing.T) {
	rnd := rand.New(rand.NewPCG(14, 4))
	offered := map[string]int{}
	for n := range 150 {
		opt, thick := metric, []float64{2, 3, 4, 5, 6, 8}[rnd.IntN(6)]
		if n%2 == 1 {
			opt = made.Options{Display: quantity.Display{Style: quantity.Decimal}}
		}
		r := cleat(thick)
		r.Base.Width = 70 + 50*rnd.Float64()
		r.Base.Length = 95 + 40*rnd.Float64()
		r.Base.Holes[0].X.Distance = 14 + 20*rnd.Float64()
		r.Base.Holes[0].Y.Distance = 28 + 25*rnd.Float64()
		r.Base.Holes[0].Pattern.PitchY = 25 + 15*rnd.Float64()
		m := mount()
		if n%3 == 0 {
			m.Bolts.Size, m.Bolts.Pitch, m.Bolts.Washer, r.Base.Holes[0].Diameter = "M6", 1, 12, 6.6
		}
		m.Backed = rnd.IntN(4) > 0
		loads := []Load{{"one", "", [3]float64{6000 * rnd.NormFloat64(), 6000 * rnd.NormFloat64(), 6000 * rnd.NormFloat64()}},
			{"two", "", [3]float64{0, 0, -4000 * rnd.Float64()}}}
		was, err := made.Build(r, opt)
		if err != nil || !was.Whole {
			continue
		}
		now := Check(was, r, m, loads, asd)
		for _, s := range Suggest(r, m, loads, asd, opt) {
			next, err := sheet.ApplyEdits(r, s.Edits)
			if err != nil {
				t.Fatal(err)
			}
			built, err := made.Build(next, opt)
			if err != nil || !built.Whole {
				t.Fatalf("%s: %v", s.Label, err)
			}
			if more := asks(was, built); len(more) > 0 || len(s.Asks) > 0 {
				t.Errorf("%s brings %v", s.Label, more)
			}
			res := Check(built, next, s.Mount, loads, asd)
			if silences(now, res) {
				t.Errorf("%s leaves unanswered what was answered", s.Label)
			}
			for _, f := range res.Findings {
				if f.Severity == working.Stop {
					t.Errorf("%s: %s", s.Label, f.Reason)
				}
			}
			near(t, s.Label, *res.Hardest, *s.Utilisation, 1e-9)
			if *now.Hardest >= strength.TightFrom && *res.Hardest >= *now.Hardest {
				t.Errorf("%s does not help", s.Label)
			}
			kind := "other"
			for _, w := range []string{"doubler", "plate in place", "bolts in place", "farther in", "longer past",
				"nearer to the bend", "farther apart"} {
				if strings.Contains(s.Label, w) {
					kind = w
				}
			}
			offered[kind]++
		}
	}
	t.Log(fmt.Sprint(offered))
	for _, kind := range []string{"doubler", "plate in place", "bolts in place", "longer past"} {
		if offered[kind] == 0 {
			t.Errorf("no %q was offered in 150 brackets", kind)
		}
	}
}
