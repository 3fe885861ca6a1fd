package job

import (
	"errors"
	"strings"
	"testing"

	"warmanvil/core/bend"
	"warmanvil/core/demo"
	"warmanvil/core/shop"
	"warmanvil/core/working"
)

// A shop is no document of a job: a job's file that has one is refused.
func TestNoShopInAJobsFile(t *testing.T) {
	s, _ := remembering()
	j := must[Job](t)(s.CreateJob(ctx, plainJob()))
	f, _, err := exported(s, j.ID)
	if err != nil {
		t.Fatal(err)
	}
	f.Documents = append(f.Documents, FileDocument{ID: "s", Kind: KindShop, Revisions: []FileRevision{{Number: 1, Body: []byte(`{"schema":1}`)}}})
	var fault *working.Fault
	if _, err := bring(s, written(t, f)); !errors.As(err, &fault) || !strings.HasSuffix(fault.Path, "/kind") {
		t.Errorf("%v", err)
	}
}

// A bed made smaller names the parts of every job it is too small for; what is put away is
// not asked, and what both shops make on the same machines is not built.
func TestWhatAChangeOfTheShopMoves(t *testing.T) {
	s, _ := remembering()
	recipe := demo.TrayBracket()
	for _, name := range []string{"First", "Second", "Gone"} {
		b := plainJob()
		b.Name = name
		j := must[Job](t)(s.CreateJob(ctx, b))
		must[Part](t)(s.CreatePart(ctx, j.ID, PartState{"Bracket", 1, recipe}))
		if name == "Gone" {
			if err := s.Store.ArchiveJob(ctx, j.ID, true, s.Now()); err != nil {
				t.Fatal(err)
			}
		}
	}
	small := shop.Shop{Machines: []shop.Machine{{ID: "m", Kind: shop.Table, Sort: recipe.Process,
		Limits: map[string]float64{"long": 50, "wide": 50}}}}
	if _, err := Save(ctx, s, KindShop, "", On{}, small); err != nil {
		t.Fatal(err)
	}
	moved := must[[]ShopMoves](t)(s.ShopMoved(ctx, 0))
	if len(moved) != 2 || len(moved[0].Parts) != 1 || moved[0].Parts[0].New[0].Code != "past-bed" || len(moved[0].Parts[0].Gone) > 0 {
		t.Errorf("%+v", moved)
	}
	wide := small
	wide.Machines = []shop.Machine{{ID: "m", Kind: shop.Table, Sort: recipe.Process, Limits: map[string]float64{"long": 5000, "wide": 2000}}}
	if _, err := Save(ctx, s, KindShop, "", On{Revision: 1}, wide); err != nil {
		t.Fatal(err)
	}
	moved = must[[]ShopMoves](t)(s.ShopMoved(ctx, 1))
	if len(moved) != 2 || len(moved[0].Parts[0].New) > 0 || moved[0].Parts[0].Gone[0].Code != "past-bed" {
		t.Errorf("%+v", moved)
	}
	if moved := must[[]ShopMoves](t)(s.ShopMoved(ctx, 2)); len(moved) > 0 {
		t.Errorf("nothing was changed: %+v", moved)
	}
}

// What a bed made smaller does to thirty jobs of the demo's parts.
func BenchmarkShopMoved(b *testing.B) {
	s, _ := remembering()
	for range 10 {
		if err := s.LoadDemo(ctx); err != nil {
			b.Fatal(err)
		}
	}
	small := shop.Shop{Machines: []shop.Machine{{ID: "m", Kind: shop.Table, Sort: "laser", Limits: map[string]float64{"long": 300,
		"wide": 300}},
		{ID: "s", Kind: shop.Saw, Sort: "chop", Limits: map[string]float64{"wide": 30, "high": 30}}}}
	if _, err := Save(ctx, s, KindShop, "", On{}, small); err != nil {
		b.Fatal(err)
	}
	for b.Loop() {
		moved, err := s.ShopMoved(ctx, 0)
		if err != nil || len(moved) == 0 {
			b.Fatal(err, len(moved))
		}
	}
}

// What a save or a new part answers has the shop's strips, as what is read has: it is built
// on from there.
func TestSavedPartsHaveTheStrips(t *testing.T) {
	s, _ := remembering()
	j := must[Job](t)(s.CreateJob(ctx, plainJob()))
	r := demo.TrayBracket()
	w := shop.Shop{Strips: []shop.Strip{{ID: "a", Material: r.Material, Tool: r.Tool.Kind, Coupon: bend.Coupon{InsideRadius: r.Thickness,
		Thickness: r.Thickness, Angle: 90, Flat: 100, LegA: 50 + .9*r.Thickness, LegB: 50 + .9*r.Thickness}}}}
	if _, err := Save(ctx, s, KindShop, "", On{}, w); err != nil {
		t.Fatal(err)
	}
	p := must[Part](t)(s.CreatePart(ctx, j.ID, PartState{"Bracket", 1, r}))
	if len(p.Recipe.Bend.Shop) != 1 {
		t.Error("a new part has no strips")
	}
	p = must[Part](t)(s.SavePart(ctx, p.ID, On{Revision: 1}, PartState{"Bracket", 2, r}))
	if len(p.Recipe.Bend.Shop) != 1 || len(must[[]Part](t)(s.Parts(ctx, j.ID))[0].Recipe.Bend.Shop) != 1 {
		t.Error("a saved part has no strips")
	}
}
