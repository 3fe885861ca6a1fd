package site

import (
	"math"
	"slices"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/sheet/made"
	"warmanvil/core/shell"
	"warmanvil/core/shell/facet"
	"warmanvil/core/shop"
	"warmanvil/core/solid"
	"warmanvil/core/strength"
	"warmanvil/core/survey"
	"warmanvil/core/vehicle"
)

// wedge is a body of two panels of steel, 2 thick: one 400 × 300 level, one 400 × 200 upright at its
// back, welded.
func wedge() FacetBody {
	f := shell.Facets{Schema: shell.Schema, Material: "steel-a36", Thickness: 2, Process: "laser", Side: facet.Outside, InsideRadius: 2}
	sheetOf := demo.DemoSheet(2)
	f.Tool, f.Bend = sheetOf.Tool, sheetOf.Bend
	for id, at := range map[string][3]float64{"a": {0, 0, 0}, "b": {300, 0, 0}, "c": {300, 400, 0}, "d": {0, 400, 0}, "e": {0, 0, 200},
		"g": {0, 400, 200}} {
		f.Points = append(f.Points, shell.FacetPoint{ID: id, Name: "Point " + id, X: at[0], Y: at[1], Z: at[2]})
	}
	f.Panels = []shell.FacetPanel{{ID: "floor", Points: []string{"a", "b", "c", "d"}}, {ID: "back", Points: []string{"a", "d", "g", "e"}}}
	return FacetBody{ID: "wedge", Name: "Wedge", Quantity: 1, Doc: f}
}

func surveyedAt(id string, at solid.Vector) vehicle.SurveyPoint {
	return vehicle.SurveyPoint{ID: id, Name: id, Kind: "corner", Way: vehicle.ByOffsets, X: demo.Taped(at[0]), Y: demo.Taped(at[1]),
		Z: demo.Taped(at[2])}
}

// A body stands where its origin is put or its points are laid on surveyed ones; what it meets is told,
// and it weighs as much as its panels, once.
func TestABodyInItsPlace(t *testing.T) {
	b := brief.Brief{Unit: brief.UnitMM, Grain: 1}
	s := Site{Brief: b, Bodies: []FacetBody{wedge()}, Survey: vehicle.Survey{Schema: vehicle.SurveySchema,
		Points: []vehicle.SurveyPoint{surveyedAt("p", solid.Vector{1000, 100, 500}), surveyedAt("q", solid.Vector{1300, 100, 500}),
			surveyedAt("r", solid.Vector{1300, 500, 500})},
		Placed: []vehicle.Placed{{ID: "w", Name: "Wedge", Part: "wedge", Mates: []vehicle.MatePair{{Hole: "a", Point: "p"},
			{Hole: "b", Point: "q"}, {Hole: "c", Point: "r"}}, Facing: brief.FaceUp}},
		Spaces: []survey.Space{{ID: "pipe", Name: "Brake pipe", Kind: survey.Line, Trust: string(brief.Measured),
			Shape: survey.Shape{Form: survey.BoxForm, At: [3]float64{1050, 200, 520}, Size: [3]float64{20, 200, 20}}}}}}
	told := s.Surveyed()
	if w := told.Placed[0]; w.Why != "" || len(w.Misses) != 3 || w.Misses[0].Off > 3 {
		t.Fatalf("%+v", w)
	}
	near := math.Inf(1)
	for _, c := range told.Clearances {
		if c.With == "Brake pipe" || c.Thing == "Brake pipe" {
			near = c.Distance
		}
	}
	if math.Abs(near-20) > 3 { // it lies 20 over the floor, 48 off the back
		t.Errorf("%g from the pipe", near)
	}
	items := s.Assemble().Items
	want := (400*300 + 400*200) * 2 * 7.85e-6
	if len(items) != 1 || items[0].Kind != "body" || math.Abs(items[0].Kilos-want) > .02*want || items[0].At == nil {
		t.Fatalf("%+v, want %.3f kg", items, want)
	}
	whole := s.Whole()
	k := -1
	for i, x := range whole.Things {
		if x.Kind == "body" {
			k = i
		}
	}
	if k < 0 || whole.Things[k].Verdict != strength.CannotSay || len(whole.Unplaced) != 0 {
		t.Errorf("%+v, unplaced %v", whole.Things, whole.Unplaced)
	}
}

// Its blanks as parts are in it: placed with it they weigh nothing twice; without a place they are what is
// counted, and the body is not.
func TestBlanksAreInTheirBody(t *testing.T) {
	f := wedge()
	_, blanks, err := f.Doc.Blanks(f.ID, f.Name)
	if err != nil {
		t.Fatal(err)
	}
	var parts []Part
	for i, r := range blanks {
		parts = append(parts, Part{ID: string(rune('k' + i)), Name: "Blank", Quantity: 1, Recipe: r})
	}
	b := brief.Brief{Unit: brief.UnitMM, Grain: 1}
	s := Site{Brief: b, Bodies: []FacetBody{f}, Parts: BuildParts(t.Context(), parts, b, shop.Shop{}),
		Survey: vehicle.Survey{Schema: vehicle.SurveySchema}}
	loose := s.Assemble()
	if len(loose.Items) != len(blanks) || loose.Items[0].Kind != "part" {
		t.Fatalf("%+v", loose.Items)
	}
	s.Survey.Placed = []vehicle.Placed{{ID: "w", Name: "Wedge", Part: f.ID}}
	stood := s.Assemble()
	if len(stood.Items) != 1 || stood.Items[0].Kind != "body" || math.Abs(stood.Kilos-loose.Kilos) > 1e-9 {
		t.Errorf("%+v weighs %g, its blanks %g", stood.Items, stood.Kilos, loose.Kilos)
	}
	twin := s
	twin.Survey.Placed = []vehicle.Placed{{ID: "w", Name: "Wedge", Part: f.ID, Twin: true}}
	a, c := *stood.Items[0].At, *twin.Assemble().Items[0].At
	if a.Sub(solid.Vector{c[0], -c[1], c[2]}).Len() > 1e-6 {
		t.Errorf("its middle at %v, mirrored at %v", a, c)
	}
	if names := s.Whole().Unplaced; len(names) != 0 {
		t.Errorf("without a place: %v", names)
	}
}

// A seam ground rounder than its plate is thick is said; its radius stands on the flats in the job's units.
func TestSeamsGroundRound(t *testing.T) {
	f := wedge()
	f.Doc.Seams = []shell.FacetSeam{{A: "a", B: "d", Kind: facet.Corner, Blend: 2}}
	b := brief.Brief{Unit: brief.UnitFraction, Grain: 1. / 16}
	said := func() (times int) {
		for _, x := range Faceted(b, shop.Shop{}, f.Doc, f.ID, f.Name, 1, nil, nil).Findings {
			if x.Code == "facet.blend" {
				times++
			}
		}
		return times
	}
	if got := said(); got != 0 {
		t.Errorf("as thick as the plate: said %d times", got)
	}
	f.Doc.Seams[0].Blend = 6.35
	if got := said(); got != 1 {
		t.Errorf("a quarter of an inch: said %d times", got)
	}
	_, blanks, err := f.Doc.Blanks(f.ID, f.Name)
	if err != nil {
		t.Fatal(err)
	}
	for _, r := range blanks {
		built, err := made.Build(r, PartOptions(b, shop.Shop{}, Part{ID: "k", Name: "K", Quantity: 1, Recipe: r}, nil))
		if err != nil {
			t.Fatal(err)
		}
		if !slices.ContainsFunc(built.Marks, func(m made.MarkMade) bool { return strings.HasSuffix(m.Text, ` R 1/4"`) }) {
			t.Errorf("%+v", built.Marks)
		}
	}
}
