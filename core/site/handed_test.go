package site

import (
	"context"
	"testing"

	"warmanvil/core/bend"
	"warmanvil/core/brief"
	"warmanvil/core/sheet"
	"warmanvil/core/shop"
	"warmanvil/core/vehicle"
)

// Brackets on both sides of the vehicle: the same hand twice is told, a hand
// and its twin are not, nor a part that is its own twin; a twin that is not
// made is told.
func TestSameHandOnBothSides(t *testing.T) {
	recipe := func(holeAt float64) sheet.Recipe {
		return sheet.Recipe{Schema: 1, Material: "steel-s235", Thickness: 3, Process: "laser", Tool: bend.Tool{Kind: bend.ToolPan},
			Bend: bend.Rule{School: bend.SchoolFixed, Method: bend.MethodAir, K: new(.42)},
			Base: sheet.Base{ID: "b", Length: 120, Width: 80,
				Flanges: []sheet.Flange{{ID: "f", Edge: sheet.Back, Length: 40, Angle: 90, Up: true, InsideRadius: 3}},
				Holes: []sheet.Hole{{ID: "h", Kind: sheet.RoundHole, Diameter: 9, X: sheet.Offset{Edge: sheet.Left, Distance: holeAt},
					Y: sheet.Offset{Edge: sheet.Front, Distance: 30}}}}}
	}
	told := func(r sheet.Recipe, twins [2]bool, y float64) (codes []string) {
		parts := BuildParts(context.Background(), []Part{{ID: "p", Name: "Ear", Recipe: r}}, brief.Brief{Unit: brief.UnitMM, Grain: 1},
			shop.Shop{})
		if parts[0].Err != nil || !parts[0].Built.Whole {
			t.Fatal(parts[0].Err, parts[0].Built.Findings)
		}
		s := vehicle.Survey{Placed: []vehicle.Placed{{ID: "l", Name: "Left ear", Part: "p", Twin: twins[0], At: [3]float64{-900, 500, 600}},
			{ID: "r", Name: "Right ear", Part: "p", Twin: twins[1], At: [3]float64{-900, y, 600}}}}
		for _, p := range WorkSurvey(s, brief.Brief{Unit: brief.UnitMM, Grain: 1}, parts).Placed {
			if p.Why != "" {
				t.Fatal(p.Why)
			}
			for _, f := range p.Findings {
				codes = append(codes, p.ID+" "+f.Code)
			}
		}
		return codes
	}
	pair := recipe(30)
	pair.Hand = sheet.Hand{Pair: true, Drawn: sheet.LeftHand}
	for _, c := range []struct {
		name  string
		r     sheet.Recipe
		twins [2]bool
		y     float64
		want  []string
	}{
		{"same hand", pair, [2]bool{}, -580, []string{"r same-hand"}},
		{"both twins", pair, [2]bool{true, true}, -580, []string{"r same-hand"}},
		{"hand and twin", pair, [2]bool{false, true}, -580, nil},
		{"not opposite", pair, [2]bool{}, -200, nil},
		{"by mirrored corners", pair, [2]bool{}, -500, []string{"r same-hand"}},
		{"same side", pair, [2]bool{}, 560, nil},
		{"its own twin", recipe(60), [2]bool{}, -580, nil},
		{"twin of no pair", recipe(30), [2]bool{false, true}, -580, []string{"r no-twin"}},
		{"twin of its own", recipe(60), [2]bool{false, true}, -580, nil},
	} {
		got := told(c.r, c.twins, c.y)
		if len(got) != len(c.want) || len(got) == 1 && got[0] != c.want[0] {
			t.Errorf("%s: told %v, want %v", c.name, got, c.want)
		}
	}
}
