package shop_test

import (
	"math"
	"strings"
	"testing"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/shop"
	"warmanvil/core/working"
)

// A box of half millimetres from 1 to 13 has 25 drills, one of 64ths to 1/2 32 of them.
func TestDrillsOfASet(t *testing.T) {
	box := shop.ToolSet{ID: "a", Kind: shop.Drills, Series: "halves", From: 1, To: 13}
	w := shop.Shop{Tools: []shop.ToolSet{box}}
	got := w.Drilled()
	if len(got) != 25 || got[0].Diameter != 1 || got[24].Diameter != 13 {
		t.Errorf("%d drills", len(got))
	}
	w.Tools = []shop.ToolSet{{ID: "a", Kind: shop.Drills, Series: "fraction", From: 25.4 / 64, To: 12.7},
		{ID: "b", Kind: shop.Drills, Sizes: []shop.ToolSize{{ID: "c", Diameter: 6.8}}}, {ID: "d", Kind: shop.HoleSaws,
			Sizes: []shop.ToolSize{{ID: "e", Diameter: 32}}}}
	got = w.Drilled()
	if len(got) != 33 || got[17].Name != "6.8 mm" {
		t.Errorf("%d drills, %+v", len(got), got[min(17, len(got)-1)])
	}
	if saws := w.Sawed(); len(saws) != 1 || saws[0] != 32 {
		t.Errorf("%v", saws)
	}
	if (shop.Shop{}).Drilled() != nil || (shop.Shop{}).Tapped() != nil {
		t.Error("a shop that names none has some")
	}
}

// Holes that are drilled ask for their drill, tapped ones for their tap; what is cut by the
// table does not, nor does a shop that names none of a kind.
func TestToolsAtHand(t *testing.T) {
	hole := func(d float64, how sheet.Made) sheet.Hole {
		h := plates.Round("h", sheet.Left, 60, sheet.Front, 60, d)
		h.Made = how
		return h
	}
	ask := func(w shop.Shop, h sheet.Hole) map[string]working.Finding {
		t.Helper()
		r := plate(200, 120)
		r.Base.Holes = []sheet.Hole{h}
		return said(t, w, r, false)
	}
	box := shop.Shop{Tools: []shop.ToolSet{{ID: "a", Kind: shop.Drills, Series: "halves", From: 1, To: 13}}}
	if got := ask(box, hole(8.5, sheet.MadeDrilled)); len(got) > 0 {
		t.Errorf("%+v", got)
	}
	got := ask(box, hole(8.7, sheet.MadeDrilled))["drill-missing"]
	if got.Severity != working.Mind || !strings.Contains(got.Reason, "its next are 8.5 mm and 9 mm") || len(got.Fixes) != 1 ||
		math.Abs(got.Fixes[0].Edits[0].Value.(float64)-9) > 1e-9 {
		t.Errorf("%+v", got)
	}
	if got := ask(box, hole(8.7, "")); len(got) > 0 {
		t.Errorf("cut by the table: %+v", got)
	}
	if got := ask(box, hole(14, sheet.MadeDrilled))["drill-missing"]; !strings.Contains(got.Reason, "13 mm and none larger") ||
		len(got.Fixes) > 0 {
		t.Errorf("%+v", got)
	}
	saw := shop.Shop{Tools: append([]shop.ToolSet{{ID: "s", Kind: shop.HoleSaws, Sizes: []shop.ToolSize{{ID: "z", Diameter: 14}}}},
		box.Tools...)}
	if got := ask(saw, hole(14, sheet.MadeDrilled)); len(got) > 0 {
		t.Errorf("a hole saw makes it: %+v", got)
	}
	if got := ask(shop.Shop{}, hole(8.77, sheet.MadeDrilled)); len(got) > 0 {
		t.Errorf("nothing is named: %+v", got)
	}
	tapped := hole(0, "")
	tapped.Use = &sheet.Use{Kind: sheet.UseTapped, Thread: "M6"}
	taps := shop.Shop{Tools: []shop.ToolSet{{ID: "t", Kind: shop.Taps, Threads: []shop.TapSize{{ID: "u", Name: "M8"}}}}}
	if got := ask(taps, tapped)["tap-missing"]; got.Severity != working.Mind || !strings.Contains(got.Reason, "the Shop has no such tap") {
		t.Errorf("%+v", ask(taps, tapped))
	}
	taps.Tools[0].Threads = append(taps.Tools[0].Threads, shop.TapSize{ID: "v", Name: "m6"})
	if got, is := ask(taps, tapped)["tap-missing"]; is {
		t.Errorf("%+v", got)
	}
}

// Sets that cannot be are refused at their field.
func TestSetsThatCannotBe(t *testing.T) {
	for at, x := range map[string]shop.ToolSet{
		"/tools/0/kind":             {ID: "a", Kind: "spoon"},
		"/tools/0/series":           {ID: "a", Kind: shop.Taps, Series: "halves"},
		"/tools/0/to":               {ID: "a", Kind: shop.Drills, Series: "halves", From: 5, To: 2},
		"/tools/0/from":             {ID: "a", Kind: shop.Drills, From: -1},
		"/tools/0/sizes/0/diameter": {ID: "a", Kind: shop.HoleSaws, Sizes: []shop.ToolSize{{ID: "b"}}},
		"/tools/0/threads/0/name":   {ID: "a", Kind: shop.Taps, Threads: []shop.TapSize{{ID: "b", Name: "a big one"}}},
	} {
		refusedAt(t, at, shop.Shop{Tools: []shop.ToolSet{x}}.Check())
	}
}
