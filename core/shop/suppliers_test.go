package shop_test

import (
	"errors"
	"fmt"
	"slices"
	"strings"
	"testing"

	"warmanvil/core/goods"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/shop"
	"warmanvil/core/working"
)

// By hand: 3 mm, R 3, K 0.42: a flange of 25 outside on a base of 200 × 100: the flat part of the
// flange is 25 − 6 = 19, the blank 200 × (100 − 6 + 4.27·… + 19) under 125. A hole of 6 stands 10
// from the edge, so 7 are left beside it.
func TestSupplierRules(t *testing.T) {
	r := plate(200, 100)
	f := plates.Flange("f", sheet.Front, 25, 90)
	r.Base.Flanges = []sheet.Flange{f}
	r.Base.Holes = []sheet.Hole{plates.Round("h", sheet.Left, 10, sheet.Back, 40, 6)}
	p := plates.Build(t, r)
	length := func(mm float64) string { return fmt.Sprintf("%.1f", mm) }
	rules := func(list []shop.Broken) (out []string) {
		for _, b := range list {
			out = append(out, b.Rule)
		}
		return out
	}
	for name, c := range map[string]struct {
		rules map[string]float64
		want  []string
	}{
		"nothing said": {nil, nil},
		"all kept": {map[string]float64{"long": 200, "wide": 130, "thickest": 3, "thinnest": 3, "bend": 200, "flange": 25,
			"hole": 6, "edge": 7}, nil},
		"laid the other":  {map[string]float64{"long": 130, "wide": 200}, nil},
		"bed":             {map[string]float64{"long": 190, "wide": 110}, []string{"long"}},
		"only one side":   {map[string]float64{"wide": 100}, []string{"long"}},
		"too thick, thin": {map[string]float64{"thickest": 2.9, "thinnest": 3.1}, []string{"thickest", "thinnest"}},
		"flange":          {map[string]float64{"flange": 25.1}, []string{"flange"}},
		"bend":            {map[string]float64{"bend": 199}, []string{"bend"}},
		"hole and edge":   {map[string]float64{"hole": 6.1, "edge": 7.1}, []string{"hole", "edge"}},
	} {
		if got := rules(shop.Supplier{Rules: c.rules}.Breaks(r, p, length)); !slices.Equal(got, c.want) {
			t.Errorf("%s: %v, want %v", name, got, c.want)
		}
	}
	if got := (shop.Supplier{Rules: map[string]float64{"flange": 30}}).Breaks(r, p, length); !strings.Contains(got[0].Says,
		"25.0 outside, under 30.0") {
		t.Errorf("%+v", got)
	}
}

func TestSuppliersThatAreNone(t *testing.T) {
	less := -1.
	for path, s := range map[string]shop.Shop{
		"/suppliers/0/rules/color":    {Suppliers: []shop.Supplier{{ID: "a", Rules: map[string]float64{"color": 1}}}},
		"/suppliers/0/rules/long":     {Suppliers: []shop.Supplier{{ID: "a", Rules: map[string]float64{"long": -1}}}},
		"/suppliers/0/days":           {Suppliers: []shop.Supplier{{ID: "a", Days: &less}}},
		"/suppliers/0/quotes/0/asked": {Suppliers: []shop.Supplier{{ID: "a", Quotes: []shop.Quote{{ID: "q", Asked: "soon"}}}}},
		"/suppliers/0/quotes/0/price": {Suppliers: []shop.Supplier{{ID: "a", Quotes: []shop.Quote{{ID: "q", Price: &less}}}}},
		"/suppliers/1/id":             {Suppliers: []shop.Supplier{{ID: "a"}, {ID: "a"}}},
		"/prices/0/price":             {Prices: []shop.Price{{ID: "p", Price: -1}}},
		"/prices/0/date":              {Prices: []shop.Price{{ID: "p", Date: "1.5.31"}}},
		"/currency":                   {Currency: strings.Repeat("x", 21)},
	} {
		var f *working.Fault
		if err := s.Check(); !errors.As(err, &f) || f.Path != path {
			t.Errorf("%s: %v", path, err)
		}
	}
}

// What a job keeps is free to that job and to no other, and the shop itself is left as it is.
func TestKeptForAJob(t *testing.T) {
	kept := goods.Lying{Goods: goods.Goods{ID: "s", Kind: goods.Stick, Material: "steel-s235", Section: "tube", Long: 900},
		Counts: goods.Counts{Here: 2, Held: map[string]float64{"a": 1, "b": 1}}}
	w := shop.Shop{Stock: []goods.Lying{kept}}
	for id, want := range map[string]int{"a": 1, "b": 1, "c": 0} {
		n := 0
		for _, x := range w.ForJob(id).Sticks("steel-s235") {
			n += x.Many
		}
		if n != want {
			t.Errorf("%s has %d, want %d", id, n, want)
		}
	}
	if w.Stock[0].Held["a"] != 1 || w.Stock[0].Free() != 0 {
		t.Errorf("%+v", w.Stock[0])
	}
}
