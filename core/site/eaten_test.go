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

// A joint nobody said is wet is asked as if it were, and says so.
func TestDryJointsAreAskedShouldTheyGetWet(t *testing.T) {
	b := truck("smooth")
	s := Site{Brief: b, Parts: BuildParts(context.Background(), pressParts(), b, shop.Shop{})}
	j := footJoint(s.Parts)
	s.Brief.Joints = []brief.Joint{j}
	inox := partOf(t, s, j.Part).Recipe
	inox.Material = "stainless-304"
	got := s.TradeHeld(j.Part, append(recipesOf(s, j.Part), inox))
	if len(got[0].Rusts) > 0 {
		t.Errorf("steel on steel: %q", got[0].Rusts)
	}
	if len(got[1].Rusts) == 0 || !strings.Contains(got[1].Rusts[0], j.Name+", should it get wet") {
		t.Errorf("stainless on steel, dry: %q", got[1].Rusts)
	}
	if s.Brief.Joints[0].Design.Tighten.Wet {
		t.Error("the job itself was wetted")
	}
}

// Two plates that lie on each other are named when their metals eat each other; not when there
// is air between them, not when they are of one metal, not through a joint that is asked.
func TestPartsThatOnlyLieOnEachOther(t *testing.T) {
	plate := func(id, metal string) Part {
		r := plates.Plate(200, 100)
		r.Material, r.Thickness = metal, 3
		return Part{ID: id, Name: "Plate " + id, Recipe: r, Quantity: 1}
	}
	for name, c := range map[string]struct {
		metal string
		up    float64 // mm between their origins
		says  string
	}{
		"on it":      {"stainless-304", 3, "0.53 V"},
		"aluminium":  {"alu-6061-t6", 3, ""}, // 0.17 V apart: too little
		"one metal":  {"steel-s355", 3, ""},
		"air":        {"stainless-304", 4, ""},
		"into it":    {"stainless-304", 2, "0.53 V"},
		"a long way": {"stainless-304", 900, ""},
	} {
		b := metric.Upgraded()
		s := Site{Brief: b, Parts: BuildParts(context.Background(), []Part{plate("a", "steel-s235"), plate("b", "steel-s235")}, b,
			shop.Shop{}),
			Survey: vehicle.Survey{Schema: vehicle.SurveySchema, Placed: []vehicle.Placed{{ID: "pa", Name: "Lower", Part: "a",
				At: [3]float64{0, 0, 500}},
				{ID: "pb", Name: "Upper", Part: "b", At: [3]float64{0, 0, 500 + c.up}}}}}
		r := partOf(t, s, "b").Recipe
		r.Material = c.metal
		got := s.TradeHeld("b", recipesOf(s, "b", r))
		if len(got[0].Rusts) > 0 {
			t.Errorf("%s: as it is %q", name, got[0].Rusts)
		}
		rusts := strings.Join(got[1].Rusts, " ")
		if (c.says == "") != (rusts == "") || !strings.Contains(rusts, c.says) || c.says != "" && !strings.Contains(rusts,
			"It lies on Lower") {
			t.Errorf("%s: %q", name, rusts)
		}
	}
}

// recipesOf answers a part's recipe as it stands, and more after it.
func recipesOf(s Site, id string, more ...sheet.Recipe) []sheet.Recipe {
	for _, p := range s.Parts {
		if p.ID == id {
			return append([]sheet.Recipe{p.Recipe}, more...)
		}
	}
	return more
}
