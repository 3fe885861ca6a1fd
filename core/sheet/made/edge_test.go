package made_test

import (
	"math"
	"reflect"
	"testing"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/plates"
)

// Notches and tabs by hand: what they take and give, where they lie, what has no
// room.
func TestNotchesAndTabs(t *testing.T) {
	r := plates.Plate(200, 100)
	r.Base.Flanges = []sheet.Flange{plates.Flange("f", sheet.Right, 40, 90)}
	blank := plates.Build(t, r)
	r.Base.Edges = []sheet.EdgeCut{
		{ID: "n1", Kind: sheet.Notch, Edge: sheet.Front, At: 50, Width: 20, Depth: 15},
		{ID: "n2", Kind: sheet.Notch, Edge: sheet.Front, At: 50, FromEnd: true, Width: 10, Depth: 20, Shape: sheet.VeeNotch},
		{ID: "n3", Kind: sheet.Notch, Edge: sheet.Left, At: 30, Width: 16, Depth: 12, Shape: sheet.RoundNotch},
		{ID: "t1", Kind: sheet.Tab, Edge: sheet.Back, Width: 25, Depth: 3, Count: 3, Margin: 30},
	}
	p := plates.Build(t, r)
	if len(plates.Stops(p)) > 0 {
		t.Fatalf("%+v", plates.Stops(p))
	}
	plates.Near(t, "area", blank.Area-p.Area, 20*15+10*20/2+(16*4+math.Pi*32)-3*25*3)
	plates.Near(t, "tabs stand out", p.Body.Max[1]-p.Body.Min[1], 103)
	// The vee's tip lies 50 from the right end of the flat, 20 deep.
	w := r.Base.Length - 6
	found := false
	for _, v := range p.Outline {
		found = found || math.Abs(v.X-(w-50)) < 1e-9 && math.Abs(v.Y-20) < 1e-9
	}
	if !found {
		t.Errorf("no tip at %.2f: %+v", w-50, p.Outline)
	}
	m := r.Mirror()
	if !reflect.DeepEqual(m.Mirror(), r) || math.Abs(plates.Build(t, m).Area-p.Area) > 1e-6 {
		t.Error("mirrored it is another")
	}
	for _, bad := range []sheet.EdgeCut{
		{ID: "x", Kind: sheet.Notch, Edge: sheet.Front, At: 55, Width: 20, Depth: 5},  // on n1
		{ID: "x", Kind: sheet.Notch, Edge: sheet.Right, At: 50, Width: 20, Depth: 5},  // on the flange
		{ID: "x", Kind: sheet.Tab, Edge: sheet.Front, At: 5, Width: 20, Depth: 5},     // past the corner
		{ID: "x", Kind: sheet.Notch, Edge: sheet.Left, At: 70, Width: 5, Depth: 2000}, // through
	} {
		s := r
		s.Base.Edges = append(append([]sheet.EdgeCut{}, r.Base.Edges...), bad)
		q := plates.Build(t, s)
		if _, said := plates.Codes(q)["edge-cut-room"]; !said || math.Abs(q.Area-p.Area) > 1e-9 {
			t.Errorf("%+v: %+v", bad, q.Findings)
		}
	}
	// A slot for such a tab, by process.
	h := sheet.Hole{ID: "s", Kind: sheet.RectangleHole, X: sheet.Offset{Edge: sheet.Left, Distance: 100},
		Y:   sheet.Offset{Edge: sheet.Front, Distance: 50},
		Use: &sheet.Use{Kind: sheet.UseTab, Width: 25}}
	for process, clear := range map[string]float64{"laser": .2, "plasma": .8} {
		s := plates.Plate(200, 100)
		s.Process, s.Base.Holes = process, []sheet.Hole{h}
		q := plates.Build(t, s)
		plates.Near(t, "slot", 20000-q.Area, (25+clear)*(3+clear))
		plates.Near(t, "long", q.Holes[0].Length, 25+clear)
	}
}

// A neck thinner than the sheet, and a tray that holds water, are said; their
// fixes do.
func TestNecksAndWater(t *testing.T) {
	r := plates.Plate(200, 100)
	r.Base.Edges = []sheet.EdgeCut{{ID: "a", Kind: sheet.Notch, Edge: sheet.Front, At: 60, Width: 20, Depth: 40},
		{ID: "b", Kind: sheet.Notch, Edge: sheet.Front, At: 82, Width: 20, Depth: 40}}
	f, said := plates.Codes(plates.Build(t, r))["sliver"]
	if !said || f.Feature != "base" {
		t.Errorf("a neck of 2 mm in 3 mm sheet: %+v", f)
	}
	r.Base.Edges[1].At = 84
	if _, said := plates.Codes(plates.Build(t, r))["sliver"]; said {
		t.Error("a neck of 4 mm is called a sliver")
	}
	r = plates.Plate(200, 100)
	for _, e := range []sheet.Edge{sheet.Front, sheet.Right, sheet.Back, sheet.Left} {
		r.Base.Flanges = append(r.Base.Flanges, plates.Flange(string(e), e, 40, 90))
	}
	if _, said := plates.Codes(plates.Build(t, r))["water-trap"]; said {
		t.Error("a tray with open corners holds water")
	}
	for i, e := range []sheet.Edge{sheet.Front, sheet.Right, sheet.Back, sheet.Left} {
		r.Base.Meets = append(r.Base.Meets, sheet.Meet{A: string(e), B: string([]sheet.Edge{sheet.Right, sheet.Back, sheet.Left, sheet.Front}[i]),
			Kind: sheet.MeetWeld})
	}
	f, said = plates.Codes(plates.Build(t, r))["water-trap"]
	if !said || len(f.Fixes) != 1 {
		t.Fatalf("%+v", f)
	}
	fixed, err := sheet.ApplyEdits(r, f.Fixes[0].Edits)
	if err != nil {
		t.Fatal(err)
	}
	p := plates.Build(t, fixed)
	if _, said := plates.Codes(p)["water-trap"]; said || len(p.Holes) != 4 || len(plates.Stops(p)) > 0 {
		t.Errorf("%+v", p.Findings)
	}
	fixed.Base.Holes[0].Name = "Weep"
	if p = plates.Build(t, fixed); p.Holes[0].Name != "Weep" {
		t.Errorf("named %q", p.Holes[0].Name)
	}
}

// Marks lie where their offsets put them, are not cut, and beads keep clear.
func TestMarks(t *testing.T) {
	r := plates.Plate(200, 100)
	f := plates.Flange("f", sheet.Back, 40, 90)
	f.Marks = []sheet.Mark{{ID: "c", Kind: sheet.CentreMark, X: sheet.Offset{Edge: sheet.Left, Distance: 40},
		Y: sheet.Offset{Edge: sheet.Back, Distance: 15}}}
	r.Base.Flanges = []sheet.Flange{f}
	r.Base.Marks = []sheet.Mark{{ID: "w", Kind: sheet.TextMark, Text: "LEFT", X: sheet.Offset{Edge: sheet.Middle},
		Y: sheet.Offset{Edge: sheet.Middle}, Angle: 90},
		{ID: "b", Kind: sheet.BeadMark, X: sheet.Offset{Edge: sheet.Middle},
			Y: sheet.Offset{Edge: sheet.Front, Distance: 20}, Length: 100, Width: 12}}
	r.Ticks = true
	p := plates.Build(t, r)
	if len(p.Marks) != 4 {
		t.Fatalf("%+v", p.Marks)
	}
	plates.Near(t, "text", p.Marks[0].Angle, 90)
	plates.Near(t, "in the middle", p.Marks[0].At.X, 100)
	centre := p.Marks[2]
	plates.Near(t, "from the tip", centre.At.Y, p.Bounds.Max.Y-15)
	plates.Near(t, "ticks", p.Marks[3].Lines[0][1].Sub(p.Marks[3].Lines[0][0]).Len(), 5)
	plates.Near(t, "nothing is cut", p.Area, plates.Build(t, func() sheet.Recipe { s := r; s.Base.Marks = nil; return s }()).Area)
	if _, said := plates.Codes(p)["bead-near"]; said {
		t.Errorf("%+v", p.Findings)
	}
	r.Base.Marks[1].Length = 180
	if _, said := plates.Codes(plates.Build(t, r))["bead-near"]; !said {
		t.Error("a bead that runs out of the sheet is not said")
	}
	if !reflect.DeepEqual(r.Mirror().Mirror(), r) {
		t.Error("mirrored twice is another")
	}
}

// A mock-up of board keeps the outside sizes and fits its own tabs.
func TestMockup(t *testing.T) {
	r := plates.Plate(200, 100)
	r.Base.Flanges = []sheet.Flange{plates.Flange("f", sheet.Front, 40, 90), plates.Flange("g", sheet.Back, 40, 90)}
	r.Base.Holes = []sheet.Hole{{ID: "s", Kind: sheet.RectangleHole, X: sheet.Offset{Edge: sheet.Left, Distance: 100},
		Y:   sheet.Offset{Edge: sheet.Front, Distance: 50},
		Use: &sheet.Use{Kind: sheet.UseTab, Width: 25, Thick: 3}},
		{ID: "d", Kind: sheet.RoundHole, Diameter: 8, Made: sheet.MadeDrilled, X: sheet.Offset{Edge: sheet.Left, Distance: 30},
			Y: sheet.Offset{Edge: sheet.Front, Distance: 50}}}
	p := plates.Build(t, r.Mockup(1.5))
	size := p.Body.Max.Sub(p.Body.Min)
	plates.Near(t, "length", size[0], 200)
	plates.Near(t, "width", size[1], 100)
	plates.Near(t, "height", size[2], 40)
	plates.Near(t, "slot", p.Holes[0].Cut, 1.5+1)
	if p.Holes[1].Made != sheet.MadeCut || !p.Whole {
		t.Errorf("%+v", p.Holes[1])
	}
	// Creases keep the middle: each leg loses half a thickness at its crease.
	_, blank := p.Bounds.Size()
	plates.Near(t, "blank", blank, 100+80-4*1.5+2*math.Pi/2*.75)
}
