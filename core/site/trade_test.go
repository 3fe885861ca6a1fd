package site

import (
	"errors"
	"math"
	"slices"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/goods"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/shop"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// By hand: 5 mm of 5052-H32 (70 GPa, 160 MPa) against 3 mm of S235 (210 GPa, 235 MPa):
// stiffness 70·125/(210·27) = 1.5432, strength 160·25/(235·9) = 1.8913; it needs a larger radius
// than 3, and is not in stock, while the steel is.
func TestTrade(t *testing.T) {
	r := plates.Plate(300, 100)
	r.Material = "steel-s235"
	r.Base.Flanges = []sheet.Flange{plates.Flange("f", sheet.Front, 40, 90)}
	w := shop.Shop{Prices: []shop.Price{{ID: "p", What: "structural steel S235JR, sheet", Price: 2, Per: "kg"}},
		Stock: []goods.Lying{{Goods: goods.Goods{ID: "s", Kind: goods.Sheet, Material: "steel-s235", Thickness: 3, Long: 2500,
			Wide: 1250},
			Counts: goods.Counts{Here: 2}}}}
	b := brief.Brief{Unit: brief.UnitMM, Grain: 1, Quantity: 1}
	got, err := Trade(t.Context(), b, w, r, []TradeTry{{"steel-s235", 3}, {"alu-5052-h32", 5}})
	if err != nil || len(got) != 2 {
		t.Fatalf("%v %+v", err, got)
	}
	now, alu := got[0], got[1]
	if !now.Now || now.Stiffness != 1 || now.Strength != 1 || now.Free != 2 || now.Cost == nil || alu.Cost != nil || alu.Stock != "" {
		t.Errorf("%+v", now)
	}
	p := plates.Build(t, r)
	x, y := p.Bounds.Size()
	if want := x * y * 3 * 7850e-9 * 2; math.Abs(*now.Cost-want) > .01*want || math.Abs(now.Mass-p.Mass) > 1e-9 {
		t.Errorf("cost %.3f, want %.3f; mass %.3f, want %.3f", *now.Cost, want, now.Mass, p.Mass)
	}
	if math.Abs(alu.Stiffness-1.5432) > .03 || math.Abs(alu.Strength-1.8913) > .05 || alu.Mass >= now.Mass || len(alu.Radii) != 1 {
		t.Errorf("%+v", alu)
	}
	// What is offered can be taken as it is: its recipe is what was looked at.
	next, err := sheet.ApplyEdits(r, alu.Edits)
	if err != nil || next.Material != "alu-5052-h32" || next.Thickness != 5 || next.Base.Flanges[0].InsideRadius <= 3 {
		t.Fatalf("%v %+v", err, next)
	}
	if f := plates.Codes(plates.Build(t, next)); f["radius-small"].Code != "" {
		t.Errorf("%+v", f["radius-small"])
	}
	var fault *working.Fault
	if _, err := Trade(t.Context(), b, w, r, []TradeTry{{"steel-s235", -3}}); !errors.As(err, &fault) ||
		fault.Path != "/tries/0/thickness" {
		t.Errorf("%v", err)
	}
	if _, err := Trade(t.Context(), b, w, r, slices.Repeat([]TradeTry{{"steel-s235", 3}}, 13)); !errors.As(err, &fault) ||
		fault.Path != "/tries" {
		t.Errorf("%v", err)
	}
	if _, err := Trade(t.Context(), b, w, r, []TradeTry{{"cheese", 3}}); !errors.As(err, &fault) || fault.Path != "/tries/0/material" {
		t.Errorf("%v", err)
	}
}

// A price by the pound is the same money.
func TestPriceByWeight(t *testing.T) {
	m, err := stock.MaterialByKey("steel-s235")
	if err != nil {
		t.Fatal(err)
	}
	w := shop.Shop{Prices: []shop.Price{{ID: "old", What: m.Key, Price: 9, Per: "kg", Date: "2030-01-01"},
		{ID: "new", What: m.Key, Price: .45359237, Per: "lb", Date: "2031-01-01"}, {ID: "sheet", What: m.Key, Price: 80, Per: "sheet",
			Date: "2032-01-01"}}}
	if got, is := w.PriceOf(m); !is || math.Abs(got-1) > 1e-9 {
		t.Errorf("%v %v", got, is)
	}
}
