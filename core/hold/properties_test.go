package hold

import (
	"math"
	"math/rand/v2"
	"testing"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
)

// anyBracket is a random cleat on random bolts, that can be built, with two loads.
func anyBracket(rnd *rand.Rand) (sheet.Recipe, Mount, []Load) {
	for {
		r := cleat([]float64{2, 3, 4, 5, 6, 8, 10}[rnd.IntN(7)])
		r.Base.Width = 80 + 50*rnd.Float64()
		r.Base.Length = 95 + 40*rnd.Float64()
		r.Base.Holes[0].X.Distance = 16 + 20*rnd.Float64()
		r.Base.Holes[0].Y.Distance = 34 + 25*rnd.Float64()
		r.Base.Holes[0].Pattern.PitchY = 25 + 15*rnd.Float64()
		m := mount()
		switch rnd.IntN(4) {
		case 0:
			m.Bolts.Size, m.Bolts.Pitch, m.Bolts.Washer, r.Base.Holes[0].Diameter = "M6", 1, 12, 6.6
		case 1:
			m.Bolts = Bolts{System: stock.Inch, Size: "3/8", Pitch: 16, Grade: "SAE 5", ThreadsInPlane: true, Washer: 22}
			r.Base.Holes[0].Diameter = 10.3
		case 2:
			m.Doubler = r.Thickness
		}
		if rnd.IntN(3) == 0 {
			r.Base.Holes[0].Pattern.Rows = 1
		}
		if rnd.IntN(4) == 0 {
			r.Material = "alu-5052-h32"
		}
		m.Backed = rnd.IntN(4) > 0
		if p, err := made.Build(r, metric); err != nil || !p.Whole {
			continue
		}
		size := math.Pow(10, 2+2*rnd.Float64())
		load := func() [3]float64 {
			return [3]float64{size * rnd.NormFloat64(), size * rnd.NormFloat64(), size * rnd.NormFloat64()}
		}
		return r, m, []Load{{"one", "", load()}, {"two", "", load()}}
	}
}

var schools = []strength.Rule{asd, {School: strength.Factored}, {School: strength.GCase}, {School: strength.GCase, Margin: 2.5}}

func checksOf(t *testing.T, r sheet.Recipe, m Mount, loads []Load, rule strength.Rule) map[string]strength.Check {
	t.Helper()
	out := map[string]strength.Check{}
	for _, c := range Check(build(t, r), r, m, loads, rule).Checks {
		out[c.Key] = c
	}
	return out
}

// eased tells whether a check fell from one to the other.
func eased(was, is strength.Check) bool {
	if was.Verdict == strength.CannotSay || is.Verdict == strength.CannotSay {
		return was.Verdict == strength.CannotSay && is.Verdict != strength.CannotSay && is.Verdict != strength.Over
	}
	return strength.Worse(was.Verdict, is.Verdict) || was.Utilisation != nil && is.Utilisation != nil &&
		*is.Utilisation < *was.Utilisation-1e-9
}

// Twice of every load, and a load more, never ease any mode of any bracket in any school.
func TestBracketsNeverEase(t *testing.T) {
	rnd := rand.New(rand.NewPCG(51, 14))
	for n := range 80 {
		r, m, loads := anyBracket(rnd)
		rule := schools[n%len(schools)]
		one := checksOf(t, r, m, loads[:1], rule)
		two := checksOf(t, r, m, loads, rule)
		twice := checksOf(t, r, m, []Load{{"one", "", [3]float64{2 * loads[0].Force[0], 2 * loads[0].Force[1], 2 * loads[0].Force[2]}}}, rule)
		for key, c := range one {
			if eased(c, two[key]) {
				t.Errorf("bracket %d, %s: %s of %s falls to %s by a case more", n, rule.School, key, c.Verdict, two[key].Verdict)
			}
			if eased(c, twice[key]) {
				t.Errorf("bracket %d, %s: %s of %s falls to %s under twice the load", n, rule.School, key, c.Verdict, twice[key].Verdict)
			}
		}
	}
}

// The other hand under the mirrored load is used as the drawn one, mode by mode.
func TestTwinsAreUsedAlike(t *testing.T) {
	rnd := rand.New(rand.NewPCG(52, 14))
	for n := range 60 {
		r, m, loads := anyBracket(rnd)
		rule := schools[n%len(schools)]
		mirrored := make([]Load, len(loads))
		for i, l := range loads { // left is −x of the part
			mirrored[i] = Load{l.Case, l.Where, [3]float64{l.Force[0], -l.Force[1], l.Force[2]}}
		}
		own, twin := checksOf(t, r, m, loads, rule), checksOf(t, r.Mirror(), m, mirrored, rule)
		if len(own) != len(twin) {
			t.Fatalf("bracket %d: %d checks, its twin %d", n, len(own), len(twin))
		}
		for key, c := range own {
			o := twin[key]
			if c.Verdict != o.Verdict || (c.Utilisation == nil) != (o.Utilisation == nil) || c.Utilisation != nil &&
				math.Abs(*c.Utilisation-*o.Utilisation) > 1e-6*math.Max(1, *c.Utilisation) {
				t.Errorf("bracket %d, %s: %s %v, its twin %s %v", n, key, c.Verdict, c.Demand, o.Verdict, o.Demand)
			}
		}
	}
}

// A thicker plate of the same bracket is never used more where it is the plate that is
// asked, nor are stronger bolts where it is the bolts.
func TestStrongerIsNeverUsedMore(t *testing.T) {
	rnd := rand.New(rand.NewPCG(53, 14))
	for n := range 40 {
		r, m, loads := anyBracket(rnd)
		if m.Bolts.System == stock.Inch || m.Bolts.Grade != "8.8" {
			continue
		}
		rule := schools[n%len(schools)]
		before := checksOf(t, r, m, loads, rule)
		better := m
		better.Bolts.Grade = "10.9"
		after := checksOf(t, r, better, loads, rule)
		for _, key := range []string{"shear"} {
			if b, a := before[key], after[key]; b.Utilisation != nil && *a.Utilisation > *b.Utilisation+1e-12 {
				t.Errorf("bracket %d: %s %.4f with 8.8, %.4f with 10.9", n, key, *b.Utilisation, *a.Utilisation)
			}
		}
		more := m
		more.Doubler = m.Doubler + 4
		doubled := checksOf(t, r, more, loads, rule)
		for _, key := range []string{"bearing", "tear-out", "pull-through", "pry"} {
			if b, a := before[key], doubled[key]; b.Utilisation != nil && a.Utilisation != nil && *a.Utilisation > *b.Utilisation+1e-9 {
				t.Errorf("bracket %d: %s %.4f, with 4 mm of doubler more %.4f", n, key, *b.Utilisation, *a.Utilisation)
			}
		}
	}
}
