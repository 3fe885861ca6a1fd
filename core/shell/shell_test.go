package shell

import (
	"errors"
	"strings"
	"testing"

	"warmanvil/core/bend"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/shell/facet"
	"warmanvil/core/working"
)

// hopper is an open body of four leaning walls on a floor, its left half the mirror of its right one.
func hopper() Facets {
	k := .42
	f := Facets{Schema: 1, Material: "steel-s235", Thickness: 2, Process: "laser", Tool: bend.Tool{Kind: bend.ToolVDie},
		Bend: bend.Rule{School: bend.SchoolFixed, Method: bend.MethodAir, K: &k}, Side: facet.Outside, InsideRadius: 2,
		Points: []FacetPoint{{ID: "a", Name: "Front right", X: 300, Y: -100}, {ID: "b", Name: "Back right", Y: -100}, {ID: "A",
			X: 60, Y: -60, Z: 150, From: "a"},
			{ID: "B", X: -60, Y: -60, Z: 150, From: "b"}},
		Panels: []FacetPanel{{"floor", "Floor", []string{"a", "b", "d", "c"}}, {"right", "Right wall", []string{"a", "b", "B", "A"}},
			{"left", "Left wall", []string{"c", "d", "D", "C"}}, {"front", "", []string{"a", "c", "C", "A"}}, {"back", "",
				[]string{"b", "d", "D", "B"}}},
		Seams: []FacetSeam{{A: "a", B: "b", Kind: facet.BentOne}, {A: "c", B: "d", Kind: facet.BentOne}, {A: "a", B: "c",
			Kind: facet.BentOne}}}
	for _, p := range [][2]string{{"a", "c"}, {"b", "d"}, {"A", "C"}, {"B", "D"}} {
		f.Points = append(f.Points, FacetPoint{ID: p[1], From: p[0], Mirror: true})
	}
	return f
}

// Points count from others and stand in the mirror; moved, what hangs on them moves with them.
func TestPlacesOfPoints(t *testing.T) {
	f := hopper()
	at, why := f.Places()
	if len(at) != 8 || len(why) > 0 || at["A"] != [3]float64{360, -160, 150} || at["C"] != [3]float64{360, 160, 150} {
		t.Errorf("%v %v", at, why)
	}
	f.Points[0].X = 320
	if at, _ = f.Places(); at["C"] != [3]float64{380, 160, 150} {
		t.Errorf("%v", at["C"])
	}
	f.Points[0].From = "C" // by way of A, itself
	at, why = f.Places()
	if _, placed := at["a"]; placed || !strings.Contains(why["a"], "itself") || why["A"] == "" || why["C"] == "" || len(at) != 4 {
		t.Errorf("%v", why)
	}
	var fault *working.Fault
	if _, err := f.Build(); !errors.As(err, &fault) || fault.Path != "/points/0/from" || !strings.Contains(fault.Message, "Front right") {
		t.Errorf("%v", err)
	}
}

// Its blanks are parts with the sheet, the bends and the body they are of; called by the names people
// gave, and checked as a document.
func TestBlanksOfABody(t *testing.T) {
	f := hopper()
	if err := f.Check(); err != nil {
		t.Fatal(err)
	}
	b, list, err := f.Blanks("body", "Hopper")
	if err != nil || len(list) != 2 || len(b.Findings) > 0 {
		t.Fatalf("%v %d %+v", err, len(list), b.Findings)
	}
	r := list[0]
	if r.Base.ID != "floor" || len(r.Base.Flanges) != 3 || r.Facet.Of != "body" || len(r.Facet.Corners) != 4 || r.Thickness != 2 {
		t.Errorf("%+v", r)
	}
	p, err := made.Build(r, made.Options{Body: true})
	if err != nil || !p.Whole || len(p.BendLines) != 3 {
		t.Fatalf("%v %+v", err, p.Findings)
	}
	for at, change := range map[string]func(*Facets){
		"/material":     func(f *Facets) { f.Material = "cheese" },
		"/process":      func(f *Facets) { f.Process = "teeth" },
		"/side":         func(f *Facets) { f.Side = "" },
		"/thickness":    func(f *Facets) { f.Thickness = 0 },
		"/points/1/id":  func(f *Facets) { f.Points[1].ID = "a" },
		"/panels/0/id":  func(f *Facets) { f.Panels[0].ID = "a b" },
		"/points/2/z":   func(f *Facets) { f.Points[2].Z = 1e9 },
		"/seams/0/kind": func(f *Facets) { f.Seams[0].Kind = "glue" },
		"/seams/1/gap":  func(f *Facets) { f.Seams[1].Gap = -1 },
	} {
		f := hopper()
		change(&f)
		var fault *working.Fault
		if err := f.Check(); !errors.As(err, &fault) || fault.Path != at {
			t.Errorf("%s: %v", at, err)
		}
	}
	half := hopper()
	half.Panels[0].Points = []string{"a", "nowhere", "b"} // half drawn: kept, and not built
	if err := half.Check(); err != nil {
		t.Errorf("half drawn: %v", err)
	}
	if _, _, err := half.Blanks("x", "x"); err == nil || !strings.Contains(err.Error(), "Floor") {
		t.Errorf("%v", err)
	}
}

// A part of a body follows it: holes, a lip of its own and a mark stay on their panels, by the edges
// between the same points, when points move, when the panel's corners are named the other way round
// and when another edge is bent; a panel that is gone takes its holes along, and is named.
func TestPartsFollowTheirBody(t *testing.T) {
	f := hopper()
	_, list, err := f.Blanks("body", "Hopper")
	if err != nil {
		t.Fatal(err)
	}
	part := list[0]
	_, list, _ = f.Blanks("body", "Hopper") // those of the part are changed below
	flange := func(r *sheet.Recipe, id string) *sheet.Flange {
		for i := range r.Base.Flanges {
			if r.Base.Flanges[i].ID == id {
				return &r.Base.Flanges[i]
			}
		}
		t.Fatalf("no panel %s", id)
		return nil
	}
	right := flange(&part, "right")
	corners := part.Facet.Corners["right"]
	top := ""
	for i, p := range corners {
		if q := corners[(i+1)%4]; p == "A" && q == "B" || p == "B" && q == "A" {
			top = string('1' + rune(i))
		}
	}
	right.Holes = []sheet.Hole{{ID: "h", Kind: sheet.RoundHole, Diameter: 9, X: sheet.Offset{Edge: sheet.Middle},
		Y: sheet.Offset{Edge: sheet.Edge(top),
			Distance: 20}}}
	right.Flanges = append(right.Flanges, sheet.Flange{ID: "lip", Edge: sheet.Edge(top), Length: 15, Angle: 60, Up: true,
		InsideRadius: 2})
	part.Base.Marks = []sheet.Mark{{ID: "m", Kind: sheet.TextMark, Text: "up", X: sheet.Offset{Edge: sheet.Middle},
		Y: sheet.Offset{Edge: sheet.Middle}}}
	if err := Kept(list[0], part, "Hopper"); err != nil {
		t.Errorf("what is its own is kept: %v", err)
	}
	part.Base.Flanges[1].Angle += 1
	if err := Kept(list[0], part, "Hopper"); err == nil || !strings.Contains(err.Error(), "Hopper") {
		t.Errorf("another angle: %v", err)
	}
	part.Base.Flanges[1].Angle -= 1
	f.Points[2].Z = 180
	f.Panels[1].Points = []string{"A", "B", "b", "a"}
	f.Seams = append(f.Seams, FacetSeam{A: "b", B: "d", Kind: facet.BentOne})
	_, next, err := f.Blanks("body", "Hopper two")
	if err != nil || len(next) != 1 || Root(part, next) != 0 {
		t.Fatalf("%v %d", err, len(next))
	}
	got, lost := Follow(next[0], part)
	if err := got.Validate(); err != nil || len(lost) > 0 || got.Facet.Name != "Hopper two" || len(got.Base.Marks) != 1 {
		t.Fatalf("%v %v", err, lost)
	}
	r := flange(&got, "right")
	if len(r.Holes) != 1 || len(r.Flanges) != 1 || r.Flanges[0].ID != "lip" || r.Outline[2] == right.Outline[2] {
		t.Fatalf("%+v", r)
	}
	now := got.Facet.Corners["right"]
	e := int(r.Holes[0].Y.Edge[0] - '1')
	if pair := now[e] + now[(e+1)%4]; pair != "AB" && pair != "BA" || r.Flanges[0].Edge != r.Holes[0].Y.Edge {
		t.Errorf("the hole counts from %s", pair)
	}
	p, err := made.Build(got, made.Options{Body: true})
	if err != nil || !p.Whole || len(p.Holes) != 1 || len(p.BendLines) != 5 {
		t.Fatalf("%v, %d bends %+v", err, len(p.BendLines), p.Findings)
	}
	f.Seams[0].Kind = facet.Corner // the right wall is welded: a blank of its own
	_, apart, err := f.Blanks("body", "Hopper")
	if err != nil {
		t.Fatal(err)
	}
	if got, lost = Follow(apart[Root(part, apart)], part); len(lost) != 1 || lost[0] != "right" || len(got.Base.Marks) != 1 {
		t.Errorf("lost %v", lost)
	}
}
