package hold

import (
	"math"
	"strings"
	"testing"

	"warmanvil/core/sheet"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
)

// The same bracket under the three schools: allowable and factored differ by
// Ω·φ, g-case counts to yield. Bolts: 67 413 N nominal over 2, times 0.75;
// proof 580·84.27 over the margin. Plate: 235/1.67, 235·0.9, 235/1.5. The pull
// is 5428.6 N whatever the school; what pries depends on it.
func TestThreeSchools(t *testing.T) {
	lift := [3]float64{0, 0, 5000}
	for _, c := range []struct {
		rule           strength.Rule
		tension, plate float64
	}{
		{asd, 33706.5, 235 / 1.67},
		{strength.Rule{School: strength.Factored}, 50559.8, .9 * 235},
		{strength.Rule{School: strength.GCase}, 32583, 235 / 1.5},
		{strength.Rule{School: strength.GCase, Margin: 3}, 16291.5, 235.0 / 3},
	} {
		res, by := answer(t, cleat(8), mount(), c.rule, lift)
		near(t, string(c.rule.School)+" tension", by["tension"].Capacity, c.tension, 1)
		near(t, string(c.rule.School)+" plate", by["plate:wall"].Capacity, c.plate, 1e-9)
		near(t, string(c.rule.School)+" pull", by["tension"].Demand-res.Bolts[0].Prying, 5428.5714, 1e-3)
	}
}

// In 2 mm sheet the head pulls through and the bolt pries; in 8 mm neither
// counts.
func TestThinSheet(t *testing.T) {
	thin := cleat(2)
	thin.Base.Flanges[0].InsideRadius = 3
	lift := [3]float64{0, 30, 400}
	res, by := answer(t, thin, mount(), asd, lift)
	if by["pull-through"].Utilisation == nil || by["pull-through"].Demand <= 0 {
		t.Fatalf("no pull-through in 2 mm: %+v", res.Checks)
	}
	// dw = 24 mm washer, counted to 19: 1.5·2·19·360/3.
	near(t, "pull-through", by["pull-through"].Capacity, 1.5*2*19*360/3, 1e-6)
	if res.Bolts[0].Prying <= 0 {
		t.Errorf("2 mm sheet does not pry: %+v", res.Bolts[0])
	}
	if !strings.Contains(by["bearing"].Working.Source, "S100") {
		t.Errorf("bearing in thin sheet by %s", by["bearing"].Working.Source)
	}
	if !hasCode(res, "bolt-heavy") {
		t.Error("M12 in 2 mm sheet is not remarked on")
	}
	res, by = answer(t, cleat(8), mount(), asd, lift)
	if by["pull-through"].Verdict != strength.NotNeeded || res.Bolts[0].Prying != 0 {
		t.Error("8 mm plate is counted as thin")
	}
}

// A load that comes in over two bends is checked at both, and at the bolts.
func TestTwoBends(t *testing.T) {
	r := cleat(6)
	eye := r.Base.Flanges[0].Holes
	r.Base.Flanges[0].Holes = nil
	r.Base.Flanges[0].Flanges = []sheet.Flange{{ID: "lip", Edge: sheet.Front, Length: 60, Angle: 90, Up: false, InsideRadius: 10,
		Relief: sheet.Relief{Kind: sheet.Round}, Holes: eye}}
	_, by := answer(t, r, mount(), asd, [3]float64{0, 0, -800})
	for _, key := range []string{"plate:leg", "plate:lip", "plate:wall"} {
		if by[key].Utilisation == nil {
			t.Errorf("%s is not checked", key)
		}
	}
	if by["plate:lip"].Demand <= 0 || by["plate:leg"].Demand <= by["plate:lip"].Demand {
		t.Errorf("nearer the bolts the moment is larger: lip %g, leg %g MPa", by["plate:lip"].Demand, by["plate:leg"].Demand)
	}
}

// A flat plate with everything on it: the load beside the bolts bends it at
// its row; among them it does not.
func TestFlatPlate(t *testing.T) {
	r := cleat(8)
	r.Base.Flanges = nil
	r.Base.Holes = append(r.Base.Holes, grid("eye", 13, 60, 15, 1, 1, 0, 0))
	_, by := answer(t, r, mount(), asd, [3]float64{0, 0, 900})
	near(t, "moment at the row", by["plate:wall"].Working.Inputs[0].Value, 900*30, 1e-6)
	r.Base.Holes[1] = grid("eye", 13, 60, 62.5, 1, 1, 0, 0)
	_, by = answer(t, r, mount(), asd, [3]float64{0, 0, 900})
	if _, there := by["plate:wall"]; there {
		t.Error("a load among the bolts bends the plate at their row")
	}
	near(t, "shared alike", by["tension"].Demand, 225, 1e-6)
}

// Inch bolts, slots and holes too wide are said; a slot's own clear distance
// is measured on its outline.
func TestInchBoltsAndSlots(t *testing.T) {
	r := cleat(8)
	r.Base.Holes[0].Kind, r.Base.Holes[0].Length = sheet.SlotHole, 22
	m := mount()
	m.Bolts = Bolts{System: stock.Inch, Size: "1/2", Pitch: 13, Grade: "SAE 5", ThreadsInPlane: true, Washer: 34}
	res, by := answer(t, r, m, asd, [3]float64{0, 0, 3000})
	if !hasCode(res, "slot-slips") {
		t.Errorf("a slot's slip is not said: %v", res.Findings)
	}
	// 827.4 on the stress area of 91.55, less than 0.75 on 126.7.
	near(t, "usable tension", by["tension"].Capacity, 827.3709*91.55/2, 25)
	r = cleat(8)
	r.Base.Holes[0].Diameter = 17
	if res, _ = answer(t, r, m, asd, [3]float64{0, 0, 100}); !hasCode(res, "hole-too-big") {
		t.Error("17 mm for 1/2 in is not remarked on")
	}
}

// Where the bolts give first, a larger size or a higher class helps, and the
// larger size opens its holes.
func TestSuggestionsForBolts(t *testing.T) {
	r := cleat(25)
	r.Base.Flanges[0].InsideRadius = 40
	r.Base.Flanges[0].Length = 130
	m := mount()
	m.Bolts.Size, m.Bolts.Pitch = "M6", 1
	r.Base.Holes[0].Diameter = 6.6
	loads := []Load{{"case", "", [3]float64{0, 9000, 9000}}}
	var labels []string
	for _, s := range Suggest(r, m, loads, asd, metric) {
		labels = append(labels, s.Label)
		if s.Mount.Bolts.Size == "M8" {
			next, err := sheet.ApplyEdits(r, s.Edits)
			if err != nil || math.Abs(next.Base.Holes[0].Diameter-9) > 1e-9 {
				t.Errorf("M8 goes through %g mm (%v)", next.Base.Holes[0].Diameter, err)
			}
		}
	}
	all := strings.Join(labels, "; ")
	for _, want := range []string{"M8 bolts in place of M6", "10.9 bolts in place of 8.8", "Holes a quarter farther apart"} {
		if !strings.Contains(all, want) {
			t.Errorf("%q is not proposed: %s", want, all)
		}
	}
}
