package shop_test

import (
	"math"
	"testing"

	"warmanvil/core/bend"
	"warmanvil/core/brief"
	"warmanvil/core/section"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/shop"
)

// A section of the shop's own is told as the table tells its own, weighed by hand: a tube of 60 × 40 ×
// 3, sharp, is 564 mm², 4.427 kg/m.
func TestOwnSections(t *testing.T) {
	tube := shop.OwnSection{ID: "a", Name: "old rack tube", Sizes: section.Sizes{Kind: "rectTube", Width: 60, Height: 40, Wall: 3}}
	w := shop.Shop{Schema: shop.Schema, Unit: brief.UnitFraction, Sections: []shop.OwnSection{tube}}
	if err := w.Check(); err != nil {
		t.Fatal(err)
	}
	told := w.SectionsTold()
	if len(told) != 1 || told[0].Name != tube.Name || !told[0].Inches || math.Abs(told[0].Kilos-564e-6*7850) > .02 {
		t.Errorf("%+v", told)
	}
	for at, change := range map[string]func(*shop.OwnSection){
		"/sections/0/name":       func(x *shop.OwnSection) { x.Name = " " },
		"/sections/0/id":         func(x *shop.OwnSection) { x.ID = "" },
		"/sections/0/sizes/wall": func(x *shop.OwnSection) { x.Sizes.Wall = 40 },
	} {
		bad := tube
		change(&bad)
		refusedAt(t, at, shop.Shop{Sections: []shop.OwnSection{bad}}.Check())
	}
	known := tube
	known.Name = section.Table()[0].Name
	refusedAt(t, "/sections/0/name", shop.Shop{Sections: []shop.OwnSection{known}}.Check())
	twin := tube
	twin.ID = "b"
	refusedAt(t, "/sections/1/name", shop.Shop{Sections: []shop.OwnSection{tube, twin}}.Check())
}

// A material of the shop's own is told with its strengths; what is none is refused.
func TestOwnMaterialsOfTheShop(t *testing.T) {
	x := shop.OwnMaterial{ID: "a", Name: "S355, heat 4711", Base: "steel-s355", Yield: 410, Tensile: 520}
	w := shop.Shop{Materials: []shop.OwnMaterial{x}}
	if err := w.Check(); err != nil {
		t.Fatal(err)
	}
	told := w.MaterialsTold()
	if len(told) != 1 || told[0].Key != x.Key() || told[0].Yield != 410 || told[0].Name != x.Name {
		t.Errorf("%+v", told)
	}
	// A part of it is asked with them: a press needs 520/430 of the force of its base.
	base, mine := ear(), ear()
	base.Material, mine.Material = "steel-s355", x.Key()
	base.Bend, mine.Bend = bend.Rule{School: bend.SchoolTable, Method: bend.MethodAir}, bend.Rule{School: bend.SchoolTable,
		Method: bend.MethodAir}
	force := func(r sheet.Recipe) float64 {
		p, err := made.Build(r, made.Options{})
		if err != nil || p.BendLines[0].Force == nil {
			t.Fatal(err)
		}
		return *p.BendLines[0].Force
	}
	if got := force(mine) / force(base); math.Abs(got-520./430) > 1e-9 {
		t.Errorf("force %.4f times", got)
	}
	// It costs as what it is like does, until it has a price of its own.
	w.Prices = []shop.Price{{ID: "p", What: "steel-s355", Price: 3, Per: "kg"}}
	if price, is := w.PriceOf(told[0]); !is || price != 3 {
		t.Errorf("price %g, %v", price, is)
	}
	for at, change := range map[string]func(*shop.OwnMaterial){"base": func(m *shop.OwnMaterial) { m.Base = x.Key() },
		"yield": func(m *shop.OwnMaterial) { m.Yield = 900 }, "id": func(m *shop.OwnMaterial) { m.ID = "" }} {
		bad := x
		change(&bad)
		refusedAt(t, "/materials/0/"+at, shop.Shop{Materials: []shop.OwnMaterial{bad}}.Check())
	}
}

// A starter of the shop's own is a part for itself; one that hangs on another is refused, and so is
// one that is no recipe.
func TestOwnStarters(t *testing.T) {
	x := shop.OwnStarter{ID: "a", Name: "Ear", Recipe: ear()}
	if err := (shop.Shop{Starters: []shop.OwnStarter{x}}).Check(); err != nil {
		t.Fatal(err)
	}
	for at, change := range map[string]func(*sheet.Recipe){
		"/starters/0/recipe":           func(r *sheet.Recipe) { r.Kin = &sheet.Kin{Of: "p", Name: "Head"} },
		"/starters/0/recipe/thickness": func(r *sheet.Recipe) { r.Thickness = -1 },
	} {
		bad := x
		change(&bad.Recipe)
		refusedAt(t, at, shop.Shop{Starters: []shop.OwnStarter{bad}}.Check())
	}
}
