package site

import (
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/member"
	"warmanvil/core/section"
	"warmanvil/core/shop"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
)

// mitred is two members of 120 × 80 that meet in a mitre.
func mitred() member.Doc {
	s := section.Sizes{Kind: "rectTube", Width: 80, Height: 120, Wall: 4}
	return member.Doc{Schema: 1, Material: "steel-s235",
		Points: []member.Point{{ID: "a"}, {ID: "b", X: 800}, {ID: "c", X: 800, Y: 600}},
		Members: []member.Member{{ID: "m", Name: "Long", From: "a", To: "b", Section: s, B: member.End{Kind: member.Mitre, Onto: "n"}},
			{ID: "n", Name: "Short", From: "b", To: "c", Section: s, A: member.End{Kind: member.Mitre, Onto: "m"}}}}
}

// Every section and angle of a frame is asked of the shop's saws; which saw it is and what
// it takes is said, and when the saw changes the frame is named.
func TestFramesAreAskedOfTheSaw(t *testing.T) {
	b := brief.Brief{Name: "x", Unit: brief.UnitMM, Grain: 1}.Upgraded()
	f := Frame{ID: "f", Name: "Corner", Doc: mitred(), Quantity: 1}
	saws := func(w shop.Shop, b brief.Brief) (out []working.Finding) {
		for _, x := range (Site{Brief: b, Shop: w}).Framed(f).Told().Findings {
			if strings.Contains(x.Code, "saw") && x.Code != "saw-limit" {
				out = append(out, x)
			}
		}
		return out
	}
	if got := saws(shop.Shop{}, b); len(got) > 0 {
		t.Errorf("a usual saw takes it: %+v", got)
	}
	chop := shop.Shop{Machines: []shop.Machine{{ID: "s", Kind: shop.Saw, Sort: "chop", Name: "Chop saw",
		Limits: map[string]float64{"wide": 120, "high": 130, "round": 100, "angle": 40}}}}
	got := saws(chop, b)
	if len(got) != 1 || got[0].Code != "past-saw" || !strings.Contains(got[0].Reason, "not cut at 45° on any saw there is: Chop saw "+
		"turns to 40°") {
		t.Errorf("%+v", got)
	}
	chop.Machines[0].Limits["angle"] = 45
	got = saws(chop, b) // lying flat it is 80 wide; 80/cos 45° = 113
	if len(got) > 0 {
		t.Errorf("%+v", got)
	}
	chop.Machines[0].Limits["wide"] = 110
	if got = saws(chop, b); len(got) != 1 || !strings.Contains(got[0].Reason, "110.0 mm wide and 130.0 mm high") {
		t.Errorf("%+v", got)
	}
	inch := brief.Brief{Name: "x", Unit: brief.UnitDecimal, Grain: .254}.Upgraded()
	if got = saws(chop, inch); len(got) != 1 || strings.Contains(got[0].Reason, " mm wide") {
		t.Errorf("metric in an inch job: %+v", got)
	}
	moved := ShopFrameChanges(t.Context(), b, vehicle.Survey{}, []Frame{f}, shop.Shop{}, chop)
	if len(moved) != 1 || !moved[0].Frame || len(moved[0].New) != 1 || len(moved[0].Gone) > 0 {
		t.Errorf("%+v", moved)
	}
	if again := ShopFrameChanges(t.Context(), b, vehicle.Survey{}, []Frame{f}, chop, chop); len(again) > 0 {
		t.Errorf("%+v", again)
	}
	other := shop.Shop{Machines: []shop.Machine{{ID: "l", Kind: shop.Table, Sort: "laser"}}}
	if got = saws(other, b); len(got) != 1 || got[0].Code != "saw-unnamed" || got[0].Severity != working.Note {
		t.Errorf("a shop without a saw: %+v", got)
	}
	chop.Machines[0].Away = true
	if got = saws(chop, b); len(got) != 1 || got[0].Code != "saw-away" {
		t.Errorf("%+v", got)
	}
}

// Who lifts a frame is said by the brief; where it does not, who lifts most in the shop.
func TestWhoLiftsAFrame(t *testing.T) {
	b := brief.Brief{Name: "x", Unit: brief.UnitMM, Grain: 1}.Upgraded()
	f := Frame{ID: "f", Name: "Corner", Doc: mitred(), Quantity: 1}
	eight := 8.
	w := shop.Shop{People: []shop.Person{{ID: "p", Name: "Mara", Lift: &eight}}}
	lift := func(b brief.Brief, w shop.Shop) string { return Site{Brief: b, Shop: w}.Framed(f).Told().Hold.Lift }
	if got := lift(b, shop.Shop{}); got != "" {
		t.Errorf("nobody said: %q", got)
	}
	if got := lift(b, w); !strings.Contains(got, "and Mara lifts 8.00 kg: lift it with ") {
		t.Errorf("%q", got)
	}
	b.Limits.Lift = &brief.Given{Value: 100}
	if got := lift(b, w); !strings.HasSuffix(got, ": one person lifts it") {
		t.Errorf("%q", got)
	}
}
