package sheet

import (
	"math"
	"reflect"
	"testing"
)

// Notches and tabs by hand: what they take and give, where they lie, what has no
// room.
func TestNotchesAndTabs(t *testing.T) {
	r := plate(200, 100)
	r.Base.Flanges = []Flange{flange("f", Right, 40, 90)}
	blank := build(t, r)
	r.Base.Edges = []EdgeCut{
		{ID: "n1", Kind: Notch, Edge: Front, At: 50, Width: 20, Depth: 15},
		{ID: "n2", Kind: Notch, Edge: Front, At: 50, FromEnd: true, Width: 10, Depth: 20, Shape: VeeNotch},
		{ID: "n3", Kind: Notch, Edge: Left, At: 30, Width: 16, Depth: 12, Shape: RoundNotch},
		{ID: "t1", Kind: Tab, Edge: Back, Width: 25, Depth: 3, Count: 3, Margin: 30},
	}
	p := build(t, r)
	if len(stops(p)) > 0 {
		t.Fatalf("%+v", stops(p))
	}
	near(t, "area", blank.Area-p.Area, 20*15+10*20/2+(16*4+math.Pi*32)-3*25*3)
	near(t, "tabs stand out", p.Body.Max[1]-p.Body.Min[1], 103)
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
	if !reflect.DeepEqual(m.Mirror(), r) || math.Abs(build(t, m).Area-p.Area) > 1e-6 {
		t.Error("mirrored it is another")
	}
	for _, bad := range []EdgeCut{
		{ID: "x", Kind: Notch, Edge: Front, At: 55, Width: 20, Depth: 5},  // on n1
		{ID: "x", Kind: Notch, Edge: Right, At: 50, Width: 20, Depth: 5},  // on the flange
		{ID: "x", Kind: Tab, Edge: Front, At: 5, Width: 20, Depth: 5},     // past the corner
		{ID: "x", Kind: Notch, Edge: Left, At: 70, Width: 5, Depth: 2000}, // through
	} {
		s := r
		s.Base.Edges = append(append([]EdgeCut{}, r.Base.Edges...), bad)
		q := build(t, s)
		if _, said := codes(q)["edge-cut-room"]; !said || math.Abs(q.Area-p.Area) > 1e-9 {
			t.Errorf("%+v: %+v", bad, q.Findings)
		}
	}
	// A slot for such a tab, by process.
	h := Hole{ID: "s", Kind: RectangleHole, X: Offset{Edge: Left, Distance: 100}, Y: Offset{Edge: Front, Distance: 50},
		Use: &Use{Kind: UseTab, Width: 25}}
	for process, clear := range map[string]float64{"laser": .2, "plasma": .8} {
		s := plate(200, 100)
		s.Process, s.Base.Holes = process, []Hole{h}
		q := build(t, s)
		near(t, "slot", 20000-q.Area, (25+clear)*(3+clear))
		near(t, "long", q.Holes[0].Length, 25+clear)
	}
}

// A neck thinner than the sheet, and a tray that holds water, are said; their
// fixes do.
func TestNecksAndWater(t *testing.T) {
	r := plate(200, 100)
	r.Base.Edges = []EdgeCut{{ID: "a", Kind: Notch, Edge: Front, At: 60, Width: 20, Depth: 40},
		{ID: "b", Kind: Notch, Edge: Front, At: 82, Width: 20, Depth: 40}}
	f, said := codes(build(t, r))["sliver"]
	if !said || f.Feature != "base" {
		t.Errorf("a neck of 2 mm in 3 mm sheet: %+v", f)
	}
	r.Base.Edges[1].At = 84
	if _, said := codes(build(t, r))["sliver"]; said {
		t.Error("a neck of 4 mm is called a sliver")
	}
	r = plate(200, 100)
	for _, e := range []Edge{Front, Right, Back, Left} {
		r.Base.Flanges = append(r.Base.Flanges, flange(string(e), e, 40, 90))
	}
	if _, said := codes(build(t, r))["water-trap"]; said {
		t.Error("a tray with open corners holds water")
	}
	for i, e := range []Edge{Front, Right, Back, Left} {
		r.Base.Meets = append(r.Base.Meets, Meet{A: string(e), B: string([]Edge{Right, Back, Left, Front}[i]), Kind: MeetWeld})
	}
	f, said = codes(build(t, r))["water-trap"]
	if !said || len(f.Fixes) != 1 {
		t.Fatalf("%+v", f)
	}
	fixed, err := ApplyEdits(r, f.Fixes[0].Edits)
	if err != nil {
		t.Fatal(err)
	}
	p := build(t, fixed)
	if _, said := codes(p)["water-trap"]; said || len(p.Holes) != 4 || len(stops(p)) > 0 {
		t.Errorf("%+v", p.Findings)
	}
	fixed.Base.Holes[0].Name = "Weep"
	if p = build(t, fixed); p.Holes[0].Name != "Weep" {
		t.Errorf("named %q", p.Holes[0].Name)
	}
}

// Marks lie where their offsets put them, are not cut, and beads keep clear.
func TestMarks(t *testing.T) {
	r := plate(200, 100)
	f := flange("f", Back, 40, 90)
	f.Marks = []Mark{{ID: "c", Kind: CentreMark, X: Offset{Edge: Left, Distance: 40}, Y: Offset{Edge: Back, Distance: 15}}}
	r.Base.Flanges = []Flange{f}
	r.Base.Marks = []Mark{{ID: "w", Kind: TextMark, Text: "LEFT", X: Offset{Edge: Middle}, Y: Offset{Edge: Middle}, Angle: 90},
		{ID: "b", Kind: BeadMark, X: Offset{Edge: Middle}, Y: Offset{Edge: Front, Distance: 20}, Length: 100, Width: 12}}
	r.Ticks = true
	p := build(t, r)
	if len(p.Marks) != 4 {
		t.Fatalf("%+v", p.Marks)
	}
	near(t, "text", p.Marks[0].Angle, 90)
	near(t, "in the middle", p.Marks[0].At.X, 100)
	centre := p.Marks[2]
	near(t, "from the tip", centre.At.Y, p.Bounds.Max.Y-15)
	near(t, "ticks", p.Marks[3].Lines[0][1].Sub(p.Marks[3].Lines[0][0]).Len(), 5)
	near(t, "nothing is cut", p.Area, build(t, func() Recipe { s := r; s.Base.Marks = nil; return s }()).Area)
	if _, said := codes(p)["bead-near"]; said {
		t.Errorf("%+v", p.Findings)
	}
	r.Base.Marks[1].Length = 180
	if _, said := codes(build(t, r))["bead-near"]; !said {
		t.Error("a bead that runs out of the sheet is not said")
	}
	if !reflect.DeepEqual(r.Mirror().Mirror(), r) {
		t.Error("mirrored twice is another")
	}
}

// A mock-up of board keeps the outside sizes and fits its own tabs.
func TestMockup(t *testing.T) {
	r := plate(200, 100)
	r.Base.Flanges = []Flange{flange("f", Front, 40, 90), flange("g", Back, 40, 90)}
	r.Base.Holes = []Hole{{ID: "s", Kind: RectangleHole, X: Offset{Edge: Left, Distance: 100}, Y: Offset{Edge: Front, Distance: 50},
		Use: &Use{Kind: UseTab, Width: 25, Thick: 3}},
		{ID: "d", Kind: RoundHole, Diameter: 8, Made: MadeDrilled, X: Offset{Edge: Left, Distance: 30}, Y: Offset{Edge: Front, Distance: 50}}}
	p := build(t, r.Mockup(1.5))
	size := p.Body.Max.Sub(p.Body.Min)
	near(t, "length", size[0], 200)
	near(t, "width", size[1], 100)
	near(t, "height", size[2], 40)
	near(t, "slot", p.Holes[0].Cut, 1.5+1)
	if p.Holes[1].Made != MadeCut || !p.Whole {
		t.Errorf("%+v", p.Holes[1])
	}
	// Creases keep the middle: each leg loses half a thickness at its crease.
	_, blank := p.Bounds.Size()
	near(t, "blank", blank, 100+80-4*1.5+2*math.Pi/2*.75)
}
