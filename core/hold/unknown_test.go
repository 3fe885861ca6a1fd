package hold

import (
	"testing"

	"warmanvil/core/strength"
)

// A grade nobody knows counts as weak, a thickness nobody measured as 0.85 of it, both
// said; neither ever makes a bracket stronger. By hand at a hole of 6 mm: J3.10 with
// deformation 2.4·12·(0.85·6)·360/2 = 26 438 N; of unknown steel 2.4·12·6·290/2 = 25 056.
func TestUnknownSheet(t *testing.T) {
	r := cleat(6)
	_, sure := answer(t, r, mount(), asd, [3]float64{1500, 0, 1500})
	r.Guessed = true
	res, by := answer(t, r, mount(), asd, [3]float64{1500, 0, 1500})
	near(t, "crushed, thickness guessed", by["bearing"].Capacity, 26438.4, .1)
	if !hasCode(res, "thickness-guessed") {
		t.Error("it is not said that the thickness was guessed")
	}
	r.Guessed, r.Material = false, "steel-unknown"
	r.Base.Flanges[0].InsideRadius = 12
	res, weak := answer(t, r, mount(), asd, [3]float64{1500, 0, 1500})
	near(t, "crushed, grade not known", weak["bearing"].Capacity, 25056, .1)
	if !hasCode(res, "grade-unknown") {
		t.Error("it is not said that the grade is not known")
	}
	for key, c := range sure {
		for _, other := range []map[string]strength.Check{by, weak} {
			o := other[key]
			if c.Utilisation != nil && o.Utilisation != nil && *o.Utilisation < *c.Utilisation-1e-3 && key != "moment" {
				t.Errorf("%s: %.3f known, %.3f not known", key, *c.Utilisation, *o.Utilisation)
			}
		}
	}
}
