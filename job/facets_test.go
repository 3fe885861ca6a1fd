package job

import (
	"errors"
	"strings"
	"testing"

	"warmanvil/core/bend"
	"warmanvil/core/sheet"
	"warmanvil/core/shell"
	"warmanvil/core/shell/facet"
	"warmanvil/core/working"
)

// tub is a body of a floor with two walls bent up.
func tub() FacetsState {
	k := .42
	return FacetsState{"Tub", 2, shell.Facets{Schema: 1, Material: "steel-s235", Thickness: 2, Process: "laser",
		Tool: bend.Tool{Kind: bend.ToolVDie},
		Bend: bend.Rule{School: bend.SchoolFixed, Method: bend.MethodAir, K: &k}, Side: facet.Outside, InsideRadius: 2,
		Points: []shell.FacetPoint{{ID: "a"}, {ID: "b", X: 300}, {ID: "c", X: 300, Y: 200}, {ID: "d", Y: 200}, {ID: "e", Y: -40, Z: 90},
			{ID: "f", X: 300, Y: -40, Z: 90}, {ID: "g", X: 300, Y: 240, Z: 90}, {ID: "h", Y: 240, Z: 90}},
		Panels: []shell.FacetPanel{{ID: "floor", Name: "Floor", Points: []string{"d", "c", "b", "a"}}, {ID: "right",
			Points: []string{"a", "b", "f", "e"}},
			{ID: "left", Points: []string{"c", "d", "h", "g"}}},
		Seams: []shell.FacetSeam{{A: "a", B: "b", Kind: facet.BentOne}, {A: "c", B: "d", Kind: facet.BentOne}}}}
}

// A body's blanks become parts once, follow it by save, undo and redo, also put away, and keep what was
// put on them; their form is changed in the body and refused here.
func TestPartsOfABodyFollowIt(t *testing.T) {
	s, _ := remembering()
	j := must[Job](t)(s.CreateJob(ctx, plainJob()))
	f := must[FacetedBody](t)(s.AddBody(ctx, j.ID, tub()))
	made := must[[]Part](t)(s.MakeParts(ctx, f.ID))
	if len(made) != 1 || made[0].Name != "Tub, Floor" || made[0].Quantity != 2 || len(made[0].Recipe.Base.Flanges) != 2 {
		t.Fatalf("%+v", made)
	}
	var fault *working.Fault
	if _, err := s.MakeParts(ctx, f.ID); !errors.As(err, &fault) {
		t.Errorf("twice: %v", err)
	}
	p := made[0]
	state := p.State()
	state.Recipe.Base.Holes = []sheet.Hole{{ID: "drain", Kind: sheet.RoundHole, Diameter: 8, X: sheet.Offset{Edge: sheet.Middle},
		Y: sheet.Offset{Edge: sheet.Middle}}}
	p = must[Part](t)(s.SavePart(ctx, p.ID, On{Revision: p.Revision}, state))
	if len(p.Recipe.Base.Holes) != 1 {
		t.Fatal("the hole is not kept")
	}
	bad := p.State()
	bad.Recipe.Base.Flanges = append([]sheet.Flange{}, bad.Recipe.Base.Flanges...)
	bad.Recipe.Base.Flanges[0].Angle = 80
	if _, err := s.SavePart(ctx, p.ID, On{Revision: p.Revision}, bad); !errors.As(err, &fault) || !strings.Contains(fault.Message,
		"Tub") {
		t.Errorf("another angle: %v", err)
	}
	five := p.State()
	five.Quantity = 5
	if _, err := s.SavePart(ctx, p.ID, On{Revision: p.Revision}, five); !errors.As(err, &fault) || fault.Path != "/quantity" {
		t.Errorf("more blanks than bodies need: %v", err)
	}
	save := func(change func(*FacetsState)) {
		t.Helper()
		now := must[FacetedBody](t)(s.FacetedBody(ctx, f.ID))
		next := now.FacetsState
		next.Body.Points = append([]shell.FacetPoint{}, next.Body.Points...)
		next.Body.Seams = append([]shell.FacetSeam{}, next.Body.Seams...)
		change(&next)
		if _, err := Save(ctx, s, KindFacets, f.ID, On{Revision: now.Revision}, next); err != nil {
			t.Fatal(err)
		}
	}
	stands := func(what string, long float64) {
		t.Helper()
		got := must[Part](t)(s.Part(ctx, p.ID))
		pts := got.Recipe.Base.Shape.Points
		if x, _ := pts.Bounds().Size(); x != long || len(got.Recipe.Base.Holes) != 1 {
			t.Errorf("%s: %g long, %d holes", what, x, len(got.Recipe.Base.Holes))
		}
	}
	longer := func(x float64) func(*FacetsState) {
		return func(s *FacetsState) {
			for i := range s.Body.Points {
				if s.Body.Points[i].X > 0 {
					s.Body.Points[i].X = x
				}
			}
		}
	}
	if err := s.Archive(ctx, KindSheet, p.ID, true); err != nil {
		t.Fatal(err)
	}
	save(longer(350))
	stands("longer", 350)
	now := must[FacetedBody](t)(s.FacetedBody(ctx, f.ID))
	if _, err := s.Undo(ctx, KindFacets, f.ID, On{Revision: now.Revision}); err != nil {
		t.Fatal(err)
	}
	stands("undone", 300)
	if _, err := s.Redo(ctx, KindFacets, f.ID, On{Revision: now.Revision + 1}); err != nil {
		t.Fatal(err)
	}
	stands("redone", 350)
	// While the body is none its parts wait; what is undone of a part keeps the form the body has now.
	save(func(s *FacetsState) { s.Body.Points[0].X = 350 })
	stands("a body that is none", 350)
	save(func(s *FacetsState) { s.Body.Points[0].X = 0 })
	part := must[Part](t)(s.Part(ctx, p.ID))
	empty := part.State()
	empty.Recipe.Base.Holes = nil
	if part, err := s.SavePart(ctx, p.ID, On{Revision: part.Revision}, empty); err != nil || len(part.Recipe.Base.Holes) != 0 {
		t.Fatal(err)
	}
	part = must[Part](t)(s.Part(ctx, p.ID))
	if _, err := s.Undo(ctx, KindSheet, p.ID, On{Revision: part.Revision}); err != nil {
		t.Fatal(err)
	}
	stands("the part undone", 350)
	save(func(s *FacetsState) { s.Quantity = 5 })
	if got := must[Part](t)(s.Part(ctx, p.ID)); got.Quantity != 5 {
		t.Errorf("%d of five bodies", got.Quantity)
	}
	if _, err := s.AddKin(ctx, p.ID, []Born{{"Wide", 1, []sheet.OwnSize{{Feature: "floor", Size: "/base/width", Value: 5}}}}); err == nil {
		t.Error("a family of a blank")
	}
	// A wall that is welded becomes a blank without a part: one is made for it.
	save(func(s *FacetsState) { s.Body.Seams = s.Body.Seams[:1] })
	more := must[[]Part](t)(s.MakeParts(ctx, f.ID))
	if len(more) != 1 || more[0].Recipe.Base.ID != "left" {
		t.Errorf("%+v", more)
	}
	if err := s.Archive(ctx, KindFacets, f.ID, true); err != nil {
		t.Fatal(err)
	}
	if list := must[[]FacetedBody](t)(s.Bodies(ctx, j.ID)); len(list) != 0 {
		t.Error("put away, and still listed")
	}
}

// A job's file takes a body and its parts along, each naming the other by its new id.
func TestBodiesInAFile(t *testing.T) {
	s, _ := remembering()
	j := must[Job](t)(s.CreateJob(ctx, plainJob()))
	f := must[FacetedBody](t)(s.AddBody(ctx, j.ID, tub()))
	must[[]Part](t)(s.MakeParts(ctx, f.ID))
	file, _, err := exported(s, j.ID)
	if err != nil {
		t.Fatal(err)
	}
	again, err := bring(s, written(t, file))
	if err != nil {
		t.Fatal(err)
	}
	bodies := must[[]FacetedBody](t)(s.Bodies(ctx, again.ID))
	parts := must[[]Part](t)(s.Parts(ctx, again.ID))
	if len(bodies) != 1 || len(parts) != 1 || bodies[0].ID == f.ID || parts[0].Recipe.Facet.Of != bodies[0].ID {
		t.Fatalf("%d bodies, %+v", len(bodies), parts[0].Recipe.Facet)
	}
	for at, change := range map[string]func(*FacetsState){"/name": func(s *FacetsState) { s.Name = "" },
		"/quantity":  func(s *FacetsState) { s.Quantity = 0 },
		"/body/side": func(s *FacetsState) { s.Body.Side = "back" }} {
		state := tub()
		change(&state)
		var fault *working.Fault
		if _, err := s.AddBody(ctx, j.ID, state); !errors.As(err, &fault) || fault.Path != at {
			t.Errorf("%s: %v", at, err)
		}
	}
}

// A part that is let go of its body is one like any other: it may be changed, stays as it is when the body
// changes, and the body makes another for its blank.
func TestABlankIsLetGo(t *testing.T) {
	s, _ := remembering()
	j := must[Job](t)(s.CreateJob(ctx, plainJob()))
	f := must[FacetedBody](t)(s.AddBody(ctx, j.ID, tub()))
	p := must[[]Part](t)(s.MakeParts(ctx, f.ID))[0]
	state := p.State()
	state.Recipe.Facet, state.Quantity = nil, 9
	p = must[Part](t)(s.SavePart(ctx, p.ID, On{Revision: p.Revision}, state))
	if again := must[[]Part](t)(s.MakeParts(ctx, f.ID)); len(again) != 1 || again[0].ID == p.ID {
		t.Fatalf("%d parts made for the blank that was let go", len(again))
	}
	wider := f.FacetsState
	wider.Body.Thickness = 3
	must[Saved](t)(Save(ctx, s, KindFacets, f.ID, On{Revision: f.Revision}, wider))
	if now := must[Part](t)(s.Part(ctx, p.ID)); now.Quantity != 9 || now.Recipe.Facet != nil || now.Recipe.Thickness != 2 {
		t.Errorf("%+v", now)
	}
}
