package site

import (
	"context"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/shop"
	"warmanvil/core/vehicle"
)

// A block laid into the corner of an angle of inside radius 8 runs into the radius, and is told to stand
// off by it, by hand 8·tan 45° = 8; of a bend of 60°, 8·tan 30° = 4.62. 8 mm off it is clear, and
// what runs through the wall itself is not told of the radius.
func TestInsideRadiusLiftsWhatIsLaidIn(t *testing.T) {
	angle := func(turn float64) Part {
		r := plates.Plate(200, 100)
		r.Material, r.Thickness = "steel-s235", 3
		f := plates.Flange("f", sheet.Back, 60, turn)
		f.InsideRadius, f.Up = 8, true
		r.Base.Flanges = []sheet.Flange{f}
		return Part{ID: "a", Name: "Angle", Recipe: r, Quantity: 1}
	}
	for _, b := range []brief.Brief{metric.Upgraded(), inches.Upgraded()} {
		for name, c := range map[string]struct {
			turn float64
			off  float64 // mm between the block and the wall's inside
			says string  // mm
		}{
			"in the corner":    {90, 1, "8.0 mm"},
			"clear of it":      {90, 9, ""},
			"through the wall": {90, -30, ""},
		} {
			parts := BuildParts(context.Background(), []Part{angle(c.turn)}, b, shop.Shop{})
			body := parts[0].Built.Body
			inner, top := body.Max[1]-3, 1.5 // wall and base, in the part's own axes
			box := brief.Box{Length: 60, Width: 40, Height: 20}
			s := vehicle.Survey{Schema: vehicle.SurveySchema, Placed: []vehicle.Placed{{ID: "a", Name: "Angle", Part: "a",
				At: [3]float64{0, 0, 500}},
				{ID: "x", Name: "Block", Size: &box, At: [3]float64{100, inner - c.off - 40, 500 + top}}}}
			var way string
			found := false
			for _, x := range WorkSurvey(s, b, parts).Clearances {
				way, found = x.Way, x.Verdict == "bad" && x.Depth != ""
			}
			if want := c.says != "" || name == "through the wall"; want != found {
				t.Errorf("%s: they meet: %v", name, found)
			}
			if (c.says == "") != (way == "") || way != "" && !b.Inches() && strings.Count(way, c.says) < 3 ||
				b.Inches() && strings.Contains(way, " mm") {
				t.Errorf("%s: %q", name, way)
			}
		}
	}
}
