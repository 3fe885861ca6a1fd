package site

import (
	"math"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/section"
	"warmanvil/core/shop"
	"warmanvil/core/weld"
)

// By hand: 200 000 mm⁴ that bow 3 mm want a back of five times as much to bow 0.5: the lightest tube of the table that
// has it; what is left follows from the two side by side. In inch jobs it is an inch tube.
func TestStrongBackByHand(t *testing.T) {
	for _, unit := range []brief.Unit{brief.UnitMM, brief.UnitFraction} {
		s := welds(t, func(s *Site) { s.Brief.Unit = unit })
		b := s.strongBack(weld.Bent{Long: 2000, I: 2e5}, 3)
		if b == nil || b.Section == "" || b.Clamps != 6 || b.Long < 2000 || b.Long > 2013 || b.Working == nil {
			t.Fatalf("%+v", b)
		}
		lightest := math.Inf(1)
		for _, x := range section.Table() {
			p, err := section.Work(x.Sizes)
			if err != nil || x.Sizes.Kind != "rectTube" || x.Inches != s.Brief.Inches() {
				continue
			}
			stiff := max(p.Ix, p.Iy)
			if stiff >= 1e6 {
				lightest = min(lightest, p.MassPerMetre)
			}
			if x.Name == b.Section {
				want := 3 * 2e5 / (2e5 + stiff)
				if stiff < 1e6 || math.Abs(b.Left-want) > 1e-12 || math.Abs(b.Kilos-b.Long/1000*p.MassPerMetre) > 1e-9 {
					t.Errorf("%s of %g mm⁴ leaves %g, by hand %g", b.Section, stiff, b.Left, want)
				}
			}
		}
		if math.Abs(b.Kilos/b.Long*1000-lightest) > 1e-9 {
			t.Errorf("%g kg/m, the lightest is %g", b.Kilos/b.Long*1000, lightest)
		}
		if unit != brief.UnitMM && strings.Contains(b.Says, " mm") {
			t.Errorf("half metric: %s", b.Says)
		}
		if s.strongBack(weld.Bent{Long: 2000, I: 2e5}, 1) != nil {
			t.Error("what bows 1 mm is clamped to a back")
		}
		if b := s.strongBack(weld.Bent{Long: 2000, I: 1e10}, 9); b == nil || b.Section != "" || !strings.Contains(b.Says, "no tube of the "+
			"table") {
			t.Errorf("%+v", b)
		}
	}
}

// The back of a long strip that bows is put on the parts list: one row that comes off. What bows evenly needs none.
func TestStrongBackOnThePartsList(t *testing.T) {
	strip := welds(t, func(s *Site) {
		r := ear()
		r.Base.Length, r.Base.Width = 2000, 50
		s.Parts = BuildParts(t.Context(), []Part{{ID: "ear", Name: "Strip", Recipe: r, Quantity: 1}}, s.Brief, shop.Shop{})
		s.Brief.Welded[0].Seams[0].Edge = "front"
		s.Brief.Books = []brief.WeldBook{{ID: "k", Of: "w", Back: true}}
	})
	p, err := strip.WeldPlan("w")
	if err != nil || p.Back == nil || p.Order.Bent.Long < 1900 || math.Abs(p.Order.Bent.I-50*6*6*6/12.) > 1e-6 ||
		!strings.Contains(p.Gain, "by itself") {
		t.Fatalf("%v %+v %+v", err, p.Back, p.Order)
	}
	rows := strip.Backs()
	if len(rows) != 1 || !rows[0].Temporary || rows[0].Material != p.Back.Section || rows[0].Kilos <= 0 {
		t.Fatalf("%+v", rows)
	}
	strip.Brief.Books[0].Back = false
	if rows := strip.Backs(); len(rows) != 0 {
		t.Errorf("%+v", rows)
	}
	even := welds(t, func(s *Site) { s.Brief.Welded[0].Seams[0].Both = true })
	even.Brief.Books = []brief.WeldBook{{ID: "k", Of: "w", Back: true}}
	if p, err := even.WeldPlan("w"); err != nil || p.Back != nil || len(even.Backs()) != 0 {
		t.Errorf("%v %+v", err, p.Back)
	}
}
