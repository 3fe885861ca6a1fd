package hold

import (
	_ "embed"
	"encoding/csv"
	"math"
	"strconv"
	"strings"
	"testing"

	"warmanvil/core/bend"
	"warmanvil/core/sheet"
)

//go:embed testdata/references.csv
var references string

// reference is a bracket worked out by finite elements; the head of the table says how.
type reference map[string]float64

func referenced(t *testing.T) map[string]reference {
	t.Helper()
	r := csv.NewReader(strings.NewReader(references))
	r.Comment = '#'
	rows, err := r.ReadAll()
	if err != nil {
		t.Fatal(err)
	}
	out := map[string]reference{}
	for _, row := range rows[1:] {
		v := reference{}
		for i, name := range rows[0][1:] {
			if v[name], err = strconv.ParseFloat(row[i+1], 64); err != nil {
				t.Fatal(err)
			}
		}
		out[row[0]] = v
	}
	return out
}

func (v reference) recipe() sheet.Recipe {
	k := .42
	bolts := sheet.Hole{ID: "wall", Kind: sheet.RoundHole, Diameter: 13, X: from(sheet.Left, v["x1"]),
		Y:       from(sheet.Back, v["base"]-v["bolts"]),
		Pattern: &sheet.Pattern{Kind: sheet.GridPattern, Columns: 2, Rows: 1, PitchX: v["x2"] - v["x1"]}}
	up := func(mm float64) sheet.Offset { return sheet.Offset{Edge: sheet.Back, Distance: mm, From: sheet.Flat} }
	leg := sheet.Flange{ID: "leg", Edge: sheet.Front, Length: v["leg"] + v["radius"] + v["thickness"], Measure: sheet.Outside, Angle: 90,
		Up: true, InsideRadius: v["radius"],
		Holes: []sheet.Hole{{ID: "eye", Kind: sheet.RoundHole, Diameter: 13, X: from(sheet.Left, v["loadX"]), Y: up(v["loadUp"])}}}
	if v["cutWide"] > 0 {
		leg.Holes = append(leg.Holes, sheet.Hole{ID: "cut", Kind: sheet.SlotHole, Diameter: v["cutHigh"], Length: v["cutWide"],
			X: from(sheet.Left, v["cutX"]), Y: up(v["cutUp"])})
	}
	return sheet.Recipe{Schema: sheet.SchemaVersion, Material: "steel-s235", Thickness: v["thickness"], Process: "laser",
		Tool: bend.Tool{Kind: bend.ToolVDie, Opening: 40},
		Bend: bend.Rule{School: bend.SchoolFixed, Method: bend.MethodAir, K: &k},
		Base: sheet.Base{ID: "base", Length: v["width"], Width: v["base"] + v["radius"] + v["thickness"], Measure: sheet.Outside,
			Holes: []sheet.Hole{bolts}, Flanges: []sheet.Flange{leg}}}
}

// What finite elements find of wide, one-sided, tall, thick and cut-out brackets lies in
// the range that is said, give or take 15 %: how far the load moves between least and
// most; the stress at the bend between the whole line carrying alike and the strip the
// verdict goes by; and beside a cut-out the verdict is not kinder than the mean across the
// harder strip, nor twice as hard.
func TestReferences(t *testing.T) {
	for name, v := range referenced(t) {
		r := v.recipe()
		m := mount()
		m.Backed = false
		res := Check(build(t, r), r, m, []Load{{"case", "", [3]float64{-500, 0, 0}}}, asd)
		if res.Deflection == nil {
			t.Fatalf("%s: %+v", name, res.Checks[0])
		}
		if fe := v["moves"]; fe < .85**res.DeflectionLeast || fe > 1.15**res.Deflection {
			t.Errorf("%s moves %.3f mm by finite elements, said are %.3f to %.3f", name, fe, *res.DeflectionLeast, *res.Deflection)
		}
		for _, c := range res.Checks {
			switch {
			case c.Key == "plate:leg":
				whole := math.NaN()
				for _, s := range c.Working.Steps {
					if s.Symbol == "σ0" {
						whole = s.Value
					}
				}
				if fe := v["s"]; !(fe >= .85*whole) || fe > 1.15*c.Demand {
					t.Errorf("%s: the bend works at %.1f MPa by finite elements, said are %.1f to %.1f", name, fe, whole, c.Demand)
				}
			case c.Key == "strip" && v["strip"] > 0:
				if c.Demand*1.15 < v["strip"] || c.Demand > 2*v["strip"] {
					t.Errorf("%s: beside the cut-out %.1f MPa by finite elements, %.1f said", name, v["strip"], c.Demand)
				}
			}
		}
		t.Logf("%-18s moves %.3f, said %.3f to %.3f", name, v["moves"], *res.DeflectionLeast, *res.Deflection)
	}
}
