package shop_test

import (
	"math"
	"strings"
	"testing"

	"warmanvil/core/bend"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/shop"
	"warmanvil/core/working"
)

// strip is one of 3 mm S235 in a V die, R 3, 90°, whose K comes out as wanted:
// BD = 2·(R + T) − π/2·(R + K·T), legs = (flat + BD)/2.
func strip(id string, k float64) shop.Strip {
	bd := 12 - math.Pi/2*(3+k*3)
	return shop.Strip{ID: id, Material: "steel-s235", Tool: bend.ToolVDie,
		Coupon: bend.Coupon{InsideRadius: 3, Thickness: 3, Angle: 90, Flat: 100, LegA: 50 + bd/2, LegB: 50 + bd/2}}
}

// ear is a plate with one flange under the school of the shop.
func ear() sheet.Recipe {
	r := plate(200, 100)
	f := plates.Flange("f", sheet.Front, 50, 90)
	f.InsideRadius = 3
	r.Base.Flanges = []sheet.Flange{f}
	r.Bend = bend.Rule{School: bend.SchoolShop, Method: bend.MethodAir}
	return r
}

// The blank of a part follows the mean of the shop's strips of its sheet and tool: by hand
// 100 + 50 − BD, of K 0.40 and 0.44 with K 0.42.
func TestStripsMakeTheBlank(t *testing.T) {
	w := shop.Shop{Strips: []shop.Strip{strip("a", .40)}}
	blank := func(w shop.Shop) float64 {
		t.Helper()
		p, err := made.Build(w.Fill(ear()), made.Options{})
		if err != nil || !p.Whole {
			t.Fatalf("%v %+v", err, p.Findings)
		}
		_, y := p.Outline.Bounds().Size()
		return y
	}
	by := func(k float64) float64 { return 100 + 50 - (12 - math.Pi/2*(3+k*3)) }
	if got := blank(w); math.Abs(got-by(.40)) > 1e-9 {
		t.Errorf("%.4f, by hand %.4f", got, by(.40))
	}
	w.Strips = append(w.Strips, strip("b", .44))
	if got := blank(w); math.Abs(got-by(.42)) > 1e-9 {
		t.Errorf("%.4f, by hand %.4f", got, by(.42))
	}
	// Of another sheet, thickness or tool, or left out, they do not count.
	other := []shop.Strip{strip("c", .5), strip("d", .5), strip("e", .5), strip("f", .5)}
	other[0].Material, other[1].Tool, other[3].Left = "steel-s355", bend.ToolPan, true
	other[2].Coupon.Thickness, other[2].Coupon.InsideRadius = 3.2, 3
	w.Strips = append(w.Strips, other...)
	if got := blank(w); math.Abs(got-by(.42)) > 1e-9 {
		t.Errorf("strips of something else count: %.4f", got)
	}
	told := w.Told()
	if len(told) != 4 || told[0].Count != 2 || math.Abs(told[0].K-.42) > 1e-9 || math.Abs(told[0].Spread-.02*math.Sqrt2) > 1e-9 ||
		!strings.Contains(told[1].Says, "from one strip") {
		t.Errorf("%+v", told)
	}
	// Without a strip the chart's is drawn, and that stops: nothing is cut from it.
	p, err := made.Build(shop.Shop{}.Fill(ear()), made.Options{})
	if err != nil {
		t.Fatal(err)
	}
	found := false
	for _, f := range p.Findings {
		found = found || f.Severity == working.Stop && strings.Contains(f.Reason, "The Shop has no strip of this sheet")
	}
	if !found {
		t.Errorf("%+v", p.Findings)
	}
	// A fix keeps the shop's strips: they are not of the recipe's text.
	r := w.Fill(ear())
	next, err := sheet.ApplyEdits(r, nil)
	if err != nil || len(next.Bend.Shop) != 2 {
		t.Errorf("%v, %d strips", err, len(next.Bend.Shop))
	}
}

// A strip that cannot be is refused at its field.
func TestStripsThatCannotBe(t *testing.T) {
	for at, change := range map[string]func(*shop.Strip){
		"/strips/0/material":         func(s *shop.Strip) { s.Material = "cheese" },
		"/strips/0/tool":             func(s *shop.Strip) { s.Tool = "knee" },
		"/strips/0/date":             func(s *shop.Strip) { s.Date = "May" },
		"/strips/0/id":               func(s *shop.Strip) { s.ID = "" },
		"/strips/0/coupon/flat":      func(s *shop.Strip) { s.Coupon.LegA = 90 },
		"/strips/0/coupon/thickness": func(s *shop.Strip) { s.Coupon.Thickness = -3 },
	} {
		x := strip("a", .4)
		change(&x)
		refusedAt(t, at, shop.Shop{Strips: []shop.Strip{x}}.Check())
	}
}
