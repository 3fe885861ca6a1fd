package shop_test

import (
	"strings"
	"testing"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/shop"
	"warmanvil/core/working"
)

func of(id string, k shop.Kind, sort string, limits map[string]float64) shop.Machine {
	return shop.Machine{ID: id, Kind: k, Sort: sort, Name: "The " + id, Limits: limits}
}

// drilled is a plate of 600 × 400 with one drilled hole, so far in from two edges.
func drilled(d, in float64) sheet.Recipe {
	r := plate(600, 400)
	h := plates.Round("h", sheet.Left, in, sheet.Front, in, d)
	h.Made = sheet.MadeDrilled
	r.Base.Holes = []sheet.Hole{h}
	return r
}

// Holes that are drilled ask the drill presses for their largest drill, their throat and, of a
// magnet drill, what it stands on; a shop that names none is not asked, nor is a cut hole.
func TestDrillPressIsAsked(t *testing.T) {
	bench := of("bench", shop.Drill, "bench", map[string]float64{"drill": 13, "throat": 150})
	magnet := of("magnet", shop.Drill, "magnet", map[string]float64{"drill": 35, "throat": 60})
	cut := drilled(20, 190)
	cut.Base.Holes[0].Made = sheet.MadeCut
	thick := drilled(20, 190)
	thick.Thickness = 8
	for name, c := range map[string]struct {
		machines []shop.Machine
		recipe   sheet.Recipe
		says     string
	}{
		"no drill named":     {nil, drilled(20, 190), ""},
		"small and near":     {[]shop.Machine{bench}, drilled(13, 150), ""},
		"large":              {[]shop.Machine{bench}, drilled(14, 100), "drills up to 13"},
		"far in":             {[]shop.Machine{bench}, drilled(10, 160), "reaches in 150"},
		"large and far, cut": {[]shop.Machine{bench}, cut, ""},
		"on thin plate":      {[]shop.Machine{bench, magnet}, drilled(20, 190), "holds on plate from 6"},
		"on thick plate":     {[]shop.Machine{bench, magnet}, thick, ""},
		"a larger one " +
			"elsewhere": {[]shop.Machine{bench, of("pillar", shop.Drill, "pillar", map[string]float64{"drill": 25, "throat": 250})}, drilled(20,
			190), ""},
	} {
		got := said(t, shop.Shop{Machines: c.machines}, c.recipe, false)["past-drill"]
		if (c.says == "") != (got.Code == "") || !strings.Contains(got.Reason, c.says) {
			t.Errorf("%s: %+v", name, got)
		}
		if got.Code != "" && (len(got.Fixes) != 1 || got.Severity != working.Mind) {
			t.Errorf("%s: fixes %+v", name, got.Fixes)
		}
	}
}

// A folded part asks the ovens, spray places and transport, turned any way; one that takes it is
// enough. In inches the limits of usual ones are those of an inch shop.
func TestPlacesAreAsked(t *testing.T) {
	van := of("van", shop.Transport, "van", map[string]float64{"long": 2000, "wide": 500, "high": 300, "mass": 15})
	truck := of("lorry", shop.Transport, "van", map[string]float64{"long": 5000, "wide": 2000, "high": 2000, "mass": 3000})
	oven := of("oven", shop.Oven, "powder", map[string]float64{"long": 1000, "wide": 300, "high": 300})
	for name, c := range map[string]struct {
		machines []shop.Machine
		x, y     float64
		code     string
		says     string
	}{
		"none named":            {nil, 2900, 900, "", ""},
		"goes in turned":        {[]shop.Machine{van}, 250, 1900, "", ""},
		"too long":              {[]shop.Machine{van}, 2100, 200, "past-transport", "more than The van takes"},
		"too heavy":             {[]shop.Machine{van}, 1900, 450, "past-transport", "heavier than The van carries"},
		"another takes it":      {[]shop.Machine{van, truck}, 2100, 900, "", ""},
		"too long for the oven": {[]shop.Machine{oven}, 1100, 200, "past-oven", "another oven"},
		"an oven away is not " +
			"one": {[]shop.Machine{{ID: "o", Kind: shop.Oven, Sort: "powder", Away: true, Limits: oven.Limits}}, 1100, 200, "", ""},
	} {
		got := said(t, shop.Shop{Machines: c.machines}, plate(c.x, c.y), false)
		for _, code := range []string{"past-transport", "past-oven", "past-spray"} {
			if f := got[code]; (code == c.code) != (f.Code != "") || code == c.code && !strings.Contains(f.Reason, c.says) {
				t.Errorf("%s: %s %+v", name, code, f)
			}
		}
	}
	usual := shop.Shop{Machines: []shop.Machine{{ID: "v", Kind: shop.Transport, Sort: "van"}}}
	if got := said(t, usual, plate(3250, 200), false)["past-transport"]; !strings.Contains(got.Reason, "usual values") {
		t.Errorf("a usual van of 3200: %+v", got)
	}
}

// What is sheared by hand asks the shears, what is welded the welders; aluminium is not asked of
// steel's limits.
func TestShearAndWelderAreAsked(t *testing.T) {
	foot := of("shear", shop.Shear, "foot", map[string]float64{"long": 1000, "steel": 1.5})
	mig := of("mig", shop.Welder, "mig", map[string]float64{"least": .8, "most": 6})
	r := plate(1200, 300)
	if got := said(t, shop.Shop{Machines: []shop.Machine{foot}}, r, false)["past-shear"]; got.Code != "" {
		t.Errorf("cut by laser: %+v", got)
	}
	r.Process = "hand"
	if got := said(t, shop.Shop{Machines: []shop.Machine{foot}}, r, false)["past-shear"]; !strings.Contains(got.Reason, "up to 1.5") {
		t.Errorf("3 mm: %+v", got)
	}
	r.Thickness = 1
	if got := said(t, shop.Shop{Machines: []shop.Machine{foot}}, r, false)["past-shear"]; got.Code != "" {
		t.Errorf("300 wide across a shear of 1000: %+v", got)
	}
	box := func(t float64) sheet.Recipe {
		r := plate(300, 200)
		r.Thickness = t
		a, b := plates.Flange("a", sheet.Front, 60, 90), plates.Flange("b", sheet.Right, 60, 90)
		a.InsideRadius, b.InsideRadius = t, t
		r.Base.Flanges = []sheet.Flange{a, b}
		r.Base.Meets = []sheet.Meet{{A: "a", B: "b", Kind: sheet.MeetWeld}}
		return r
	}
	for thick, says := range map[float64]string{3: "", .6: "burns through", 8: "several passes"} {
		got := said(t, shop.Shop{Machines: []shop.Machine{mig}}, box(thick), false)["past-welder"]
		if (says == "") != (got.Code == "") || !strings.Contains(got.Reason, says) {
			t.Errorf("%g mm: %+v", thick, got)
		}
	}
	light := box(8)
	light.Material = "alu-5052-h32"
	if got := said(t, shop.Shop{Machines: []shop.Machine{mig}}, light, false)["past-welder"]; got.Code != "" {
		t.Errorf("aluminium: %+v", got)
	}
}

// Step drills make their steps in sheet no thicker than a step; rivet nuts ask for their tool.
func TestStepsAndRivetNuts(t *testing.T) {
	w := shop.Shop{Tools: []shop.ToolSet{{ID: "d", Kind: shop.Drills, Series: "halves", From: 1, To: 10},
		{ID: "s", Kind: shop.StepBits, Sizes: []shop.ToolSize{{ID: "s1", Diameter: 20}}}}}
	if got := said(t, w, drilled(20, 60), false)["drill-missing"]; got.Code != "" {
		t.Errorf("a step of 20 in 3 mm: %+v", got)
	}
	thick := drilled(20, 60)
	thick.Thickness = 5
	if got := said(t, w, thick, false)["drill-missing"]; got.Code == "" {
		t.Error("a step of 4 mm goes through 5 mm")
	}
	w.Tools[1].High = 6
	if got := said(t, w, thick, false)["drill-missing"]; got.Code != "" {
		t.Errorf("a step of 6 mm: %+v", got)
	}
	nut := plate(200, 120)
	h := plates.Round("h", sheet.Left, 60, sheet.Front, 60, 9)
	h.Use = &sheet.Use{Kind: sheet.UseRivetNut, Thread: "M6"}
	nut.Base.Holes = []sheet.Hole{h}
	set := func(thread string) shop.Shop {
		return shop.Shop{Tools: []shop.ToolSet{{ID: "r", Kind: shop.Riveters, Threads: []shop.TapSize{{ID: "r1", Name: thread}}}}}
	}
	if got := said(t, set("M8"), nut, false)["riveter-missing"]; !strings.Contains(got.Reason, "M6") {
		t.Errorf("%+v", got)
	}
	for _, w := range []shop.Shop{set("M6"), {}} {
		if got := said(t, w, nut, false)["riveter-missing"]; got.Code != "" {
			t.Errorf("%+v", got)
		}
	}
}
