package shop_test

import (
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/shop"
)

// Whatever limit turns a part away says that nobody typed it: every kind of machine that is asked
// of sheet, put into the Shop with no limits, in a metric and an inch shop. With the same limit
// typed it does not say so.
func TestFlagsSayThatLimitsAreUsual(t *testing.T) {
	hand := func(r sheet.Recipe, thick float64) sheet.Recipe {
		r.Process, r.Thickness = "hand", thick
		return r
	}
	welded := func() sheet.Recipe {
		r := plate(300, 200)
		r.Thickness = 14
		a, b := plates.Flange("a", sheet.Front, 60, 90), plates.Flange("b", sheet.Right, 60, 90)
		a.InsideRadius, b.InsideRadius = 14, 14
		r.Base.Flanges = []sheet.Flange{a, b}
		r.Base.Meets = []sheet.Meet{{A: "a", B: "b", Kind: sheet.MeetWeld}}
		return r
	}
	bent := func(x, y, thick float64) sheet.Recipe {
		r := plate(x, y)
		r.Thickness = thick
		f := plates.Flange("a", sheet.Front, 100, 90)
		f.InsideRadius = thick
		r.Base.Flanges = []sheet.Flange{f}
		return r
	}
	for code, c := range map[string]struct {
		kind   shop.Kind
		sort   string
		recipe sheet.Recipe
		key    string  // the limit that turns it away
		typed  float64 // the same, typed, that turns it away too
	}{
		"past-bed":             {shop.Table, "laser", plate(3400, 600), "long", 3000},
		"past-brake":           {shop.Brake, "press", bent(3300, 300, 2), "long", 3000},
		"past-shear":           {shop.Shear, "foot", hand(plate(900, 700), 3), "steel", 1.5},
		"past-drill":           {shop.Drill, "bench", drilled(20, 60), "drill", 16},
		"past-welder":          {shop.Welder, "mig", welded(), "most", 6},
		"past-oven":            {shop.Oven, "powder", plate(2500, 300), "long", 1800},
		"past-spray":           {shop.Spray, "yard", plate(6300, 1600), "long", 4000},
		"past-transport":       {shop.Transport, "van", plate(3600, 300), "long", 3200},
		"past-brake-thickness": {shop.Brake, "press", bent(400, 300, 8), "steel", 6},
	} {
		for _, unit := range []brief.Unit{"", brief.UnitDecimal} {
			m := shop.Machine{ID: "m", Kind: c.kind, Sort: c.sort, Name: "The machine"}
			w := shop.Shop{Unit: unit, Machines: []shop.Machine{m}}
			f := said(t, w, c.recipe, unit == brief.UnitDecimal)[code]
			if f.Code == "" || !strings.Contains(f.Reason, "usual value") {
				t.Errorf("%s %s: %+v", unit, code, f)
			}
			full := map[string]float64{}
			for _, k := range shop.Kinds() {
				for _, s := range k.Sorts {
					if k.Kind == c.kind && s.Sort == c.sort {
						for key, v := range s.MM {
							full[key] = v
						}
					}
				}
			}
			full[c.key] = c.typed
			w.Machines[0].Limits = full
			if f = said(t, w, c.recipe, unit == brief.UnitDecimal)[code]; f.Code == "" || strings.Contains(f.Reason, "usual value") {
				t.Errorf("%s %s, all typed: %+v", unit, code, f)
			}
		}
	}
}
