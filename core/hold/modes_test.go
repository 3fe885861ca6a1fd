package hold

import (
	"math"
	"slices"
	"testing"

	"warmanvil/core/bolt"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/strength"
)

// Each mode of a sound bracket taken away in turn leaves one that cannot say; with all
// of them nothing is left unanswered.
func TestEveryModeIsMissed(t *testing.T) {
	r, m := cleat(12), mount()
	r.Base.Flanges[0].InsideRadius = 18
	part := build(t, r)
	loads := []Load{{"case", "", [3]float64{300, -200, 400}}, {"other", "", [3]float64{-250, 100, -300}}}
	res := Check(part, r, m, loads, asd)
	if res.Verdict != strength.Holds {
		t.Fatalf("%s %+v", res.Verdict, res.Checks[0])
	}
	p, all := opened(t, part, r, m, loads, asd)
	modes := p.modes()
	for i, x := range modes {
		checks := strength.Hardest(slices.Delete(slices.Clone(modes), i, i+1), all, func(s *shares) string { return s.load.Name() })
		if o := strength.Close(p.ledgers(), checks); o.Verdict != strength.CannotSay {
			t.Errorf("without %s it says %s", x.Key, o.Verdict)
		}
	}
}

func opened(t *testing.T, part made.Part, r sheet.Recipe, m Mount, loads []Load, rule strength.Rule) (*placed, []shares) {
	t.Helper()
	p, err := lay(&part, m)
	if err != nil {
		t.Fatal(err)
	}
	p.mat = material{name: "S235", t: r.Thickness, yield: 235, tensile: 360, modulus: 210000}
	p.rule, p.recipe = rule, &r
	p.list, p.lengths = p.sections()
	all := make([]shares, len(loads))
	for i, l := range loads {
		all[i] = p.share(l)
	}
	return p, all
}

// A case that is added never makes a check of a bracket easier.
func TestCasesNeverEase(t *testing.T) {
	_, one := answer(t, cleat(10), mount(), asd, [3]float64{400, 300, 900})
	_, two := answer(t, cleat(10), mount(), asd, [3]float64{400, 300, 900}, [3]float64{-300, 900, -1500}, [3]float64{2000, 0, 10})
	for key, c := range one {
		d := two[key]
		if strength.Worse(c.Verdict, d.Verdict) || c.Utilisation != nil && *d.Utilisation < *c.Utilisation-1e-12 {
			t.Errorf("%s falls from %s to %s", key, c.Verdict, d.Verdict)
		}
	}
}

// Four bolts of 60 by 35, their holes of 13 counted 15, nearest edge 20: along the panel
// two lines of 80, net 57.5, torn 35 − 15; in 8 mm of 235/360. Net along: the flat
// part of the panel, 82, less 30.
func TestBlockAndNetByHand(t *testing.T) {
	_, by := answer(t, cleat(8), mount(), asd, [3]float64{0, 3000, 0}) // along the panel
	along := 8 * (math.Min(.6*360*2*57.5, .6*235*2*80) + 360*20) / 2
	near(t, "block", *by["block"].Utilisation, 3000/along, 1e-9)
	near(t, "along the row", by["net-along"].Capacity, (82-30)*8*360/2, 1e-6)
	near(t, "asked of it", by["net-along"].Demand, 3000, 1e-9)
	if by["net-section"].Verdict != strength.NotNeeded {
		t.Errorf("nothing pulls across: %+v", by["net-section"])
	}
}

// A plate of 8 with one load in the middle of bolts 60 apart: the strip of 30 either
// side, (13 + 60 − 13)·64/4·235·(60)/(30·30), and the fan 2π·235·16; backed it holds a
// push whatever it is.
func TestLoadAmongItsBolts(t *testing.T) {
	r := cleat(8)
	r.Base.Flanges = nil
	r.Base.Holes = append(r.Base.Holes, grid("eye", 13, 60, 62.5, 1, 1, 0, 0))
	_, by := answer(t, r, mount(), asd, [3]float64{0, 0, 900})
	strip, fan := 235*60*16*60/900., 2*math.Pi*235*16
	near(t, "flat", by["flat"].Capacity, math.Min(strip, fan)/1.67, 1e-6)
	near(t, "asked", by["flat"].Demand, 900, 1e-9)
	_, by = answer(t, r, mount(), asd, [3]float64{0, 0, -9000})
	if by["flat"].Verdict != strength.NotNeeded {
		t.Errorf("pressed on its backing: %+v", by["flat"])
	}
	m := mount()
	m.Backed = false
	_, by = answer(t, r, m, asd, [3]float64{0, 0, -9000})
	near(t, "pressed with nothing behind", by["flat"].Demand, 9000, 1e-9)
	// In 4 mm a quarter.
	r.Thickness = 4
	_, by = answer(t, r, mount(), asd, [3]float64{0, 0, 900})
	near(t, "in 4 mm", by["flat"].Capacity, math.Min(strip, fan)/4/1.67, 1e-6)
}

// The plate beside its bolts by AISC Manual part 9: 8 mm, bend at its tangent line, the
// near row.
func TestPlatePries(t *testing.T) {
	part := build(t, cleat(8))
	loads := []Load{{"case", "", [3]float64{0, 0, 5000}}}
	p, _ := opened(t, part, cleat(8), mount(), loads, asd)
	q := p.pryingAt(0)
	_, by := answer(t, cleat(8), mount(), asd, [3]float64{0, 0, 5000})
	b := q.B - 6
	want := q.Length * 64 * 360 * (2 - 13/q.Length) / (4 * b) / 1.67
	near(t, "pry", q.Bends(asd), want, 1e-6)
	if c := by["pry"]; c.Utilisation == nil || c.Capacity > want+1e-6 && c.Capacity < want-1e-6 {
		t.Errorf("%+v", c)
	}
	near(t, "beyond the face", bolt.Prying{B: 5, Bolt: 12, Length: 50, Plate: q.Plate}.Bends(asd), math.Inf(1), 0)
}

// Two holes of 13 carry 4 kN: 2 kN each on M12 in 8 mm: crushed at 2.4·12·8·360/2, since
// the next hole is 27 off; 12 from the tip torn out at 1.2·5.5·8·360/2.
func TestHolesThatCarry(t *testing.T) {
	_, by := answer(t, cleat(8), mount(), asd, [3]float64{0, 0, 4000})
	c := by["load-holes"]
	near(t, "share", *c.Utilisation, 2000/(2.4*12*8*360/2), 1e-9)
	r := cleat(8)
	r.Base.Flanges[0].Holes[0].Y = from(sheet.Front, 12)
	_, nearer := answer(t, r, mount(), asd, [3]float64{0, 0, 4000})
	near(t, "near the tip", *nearer["load-holes"].Utilisation, 2000/(1.2*5.5*8*360/2), 1e-3)
}

// A load along a slot is held by clamping alone, which a bracket does not know: cannot
// say. Across it the bolt bears.
func TestSlotUnderABracket(t *testing.T) {
	r := cleat(8)
	h := &r.Base.Holes[0]
	h.Kind, h.Length = sheet.SlotHole, 22
	var verdicts []strength.Verdict
	for _, f := range [][3]float64{{0, 2000, 0}, {2000, 0, 0}} {
		_, by := answer(t, r, mount(), asd, f)
		verdicts = append(verdicts, by["slip"].Verdict)
	}
	slices.Sort(verdicts)
	if !slices.Contains(verdicts, strength.CannotSay) {
		t.Errorf("a slot that is pushed along itself says %v", verdicts)
	}
}

// A lightening hole on the way from the load to the bend takes its width off the strip;
// one beside the strip does not.
func TestCutOutsOnTheWay(t *testing.T) {
	r := cleat(8)
	plain, _ := answer(t, r, mount(), asd, [3]float64{-1500, 0, 0})
	cut := func(x, d float64) map[string]strength.Check {
		q := cleat(8)
		q.Base.Flanges[0].Length = 120
		q.Base.Flanges[0].Holes[0].Y = from(sheet.Back, 95)
		light := grid("light", d, x, 0, 1, 1, 0, 0)
		light.Y = from(sheet.Back, 50)
		q.Base.Flanges[0].Holes = append(q.Base.Flanges[0].Holes, light)
		_, by := answer(t, q, mount(), asd, [3]float64{-1500, 0, 0})
		return by
	}
	wide, small := cut(60, 40)["strip"], cut(60, 15)["strip"]
	if wide.Utilisation == nil || small.Utilisation == nil || *wide.Utilisation <= *small.Utilisation {
		t.Errorf("40: %+v, 15: %+v", wide, small)
	}
	if plain.Verdict == strength.CannotSay {
		t.Errorf("no cut-out: %s", plain.Verdict)
	}
	_, by := answer(t, cleat(8), mount(), asd, [3]float64{-1500, 0, 0})
	if by["strip"].Verdict != strength.NotNeeded {
		t.Errorf("no cut-out: %+v", by["strip"])
	}
}

// Bolts of M12 26 apart are too near (32 asked), 35 are not.
func TestBoltsTooNear(t *testing.T) {
	r := cleat(8)
	r.Base.Holes[0].Pattern.PitchY = 26
	if _, by := answer(t, r, mount(), asd, [3]float64{0, 0, 100}); by["spacing"].Verdict != strength.Over {
		t.Errorf("%+v", by["spacing"])
	}
	if _, by := answer(t, cleat(8), mount(), asd, [3]float64{0, 0, 100}); by["spacing"].Verdict != strength.NotNeeded {
		t.Errorf("%+v", by["spacing"])
	}
}

// A sharp inside corner matters in metal that does not yield and share.
func TestSharpInsideCorner(t *testing.T) {
	r := cleat(6)
	r.Base.Flanges[0].SetIn.End = 20
	r.Base.Flanges[0].Relief.Kind = sheet.Rectangular
	if _, by := answer(t, r, mount(), asd, [3]float64{0, 0, 100}); by["corner"].Verdict != strength.NotNeeded {
		t.Errorf("mild steel: %+v", by["corner"])
	}
	r.Material, r.Base.Flanges[0].InsideRadius = "alu-6061-t6", 24
	if _, by := answer(t, r, mount(), asd, [3]float64{0, 0, 100}); by["corner"].Verdict != strength.CannotSay {
		t.Errorf("6061-T6: %+v", by["corner"])
	}
	r.Base.Flanges[0].Relief.Kind = sheet.Round
	if _, by := answer(t, r, mount(), asd, [3]float64{0, 0, 100}); by["corner"].Verdict != strength.NotNeeded {
		t.Errorf("rounded: %+v", by["corner"])
	}
}
