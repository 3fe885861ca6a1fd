package facet

import (
	"errors"
	"math"
	"slices"
	"strings"
	"testing"

	"warmanvil/core/working"
)

func near(t *testing.T, what string, got, want, within float64) {
	t.Helper()
	if math.IsNaN(got) || math.Abs(got-want) > within {
		t.Errorf("%s: %.9g, want %.9g", what, got, want)
	}
}

// block is an open box of some sides, its floor at z = 0, four walls up.
func block(x, y, z float64) FacetsInput {
	return FacetsInput{Points: map[string][3]float64{"A": {0, 0, 0}, "B": {x, 0, 0}, "C": {x, y, 0}, "D": {0, y, 0}, "a": {0, 0, z},
		"b": {x, 0, z},
		"c": {x, y, z}, "d": {0, y, z}},
		Panels: []FacetsPanel{{"floor", []string{"D", "C", "B", "A"}}, {"front", []string{"A", "B", "b", "a"}}, {"right",
			[]string{"B", "C", "c", "b"}},
			{"back", []string{"c", "d", "D", "C"}}, {"left", []string{"D", "A", "a", "d"}}}, Thickness: 2, Side: Outside}
}

func val(v float64) *float64 { return &v }

func work(t *testing.T, in FacetsInput) FacetsResult {
	t.Helper()
	r, err := Work(in)
	if err != nil {
		t.Fatal(err)
	}
	return r
}

func panelsOf(r FacetsResult, id string) FacetsPanelMade {
	i := slices.IndexFunc(r.Panels, func(p FacetsPanelMade) bool { return p.ID == id })
	return r.Panels[i]
}

// size answers the sides of an outline's box.
func size(l [][2]float64) (x, y float64) {
	lo, hi := l[0], l[0]
	for _, p := range l {
		for k := range 2 {
			lo[k], hi[k] = math.Min(lo[k], p[k]), math.Max(hi[k], p[k])
		}
	}
	return hi[0] - lo[0], hi[1] - lo[1]
}

// A box by hand: between its points 300 × 200 × 100; cut corner to corner of 2 mm with the points
// outside, every plate is 2 smaller at each seam; inside it is as its points; in the middle 1. Bent up
// it is the tray of the bend table: 300 + 2·100 − 2·BD.
func TestBoxByHand(t *testing.T) {
	in := block(300, 200, 100)
	for side, less := range map[Side]float64{Outside: 2, Middle: 1, Inside: 0} {
		in.Side = side
		r := work(t, in)
		near(t, "area", r.Area, 300*200+2*300*100+2*200*100, 1e-9)
		near(t, "weld", r.Weld, 2*300+2*200+4*100, 1e-9)
		if len(r.Blanks) != 5 || len(r.Edges) != 12 || r.Closed || len(r.Findings) > 0 {
			t.Fatalf("%d blanks, %d edges, %v", len(r.Blanks), len(r.Edges), r.Findings)
		}
		near(t, string(side)+" floor", r.Blanks[0].Area, (300-2*less)*(200-2*less), 1e-9)
		near(t, string(side)+" wall", r.Blanks[1].Area, (300-2*less)*(100-less), 1e-9)
		free := 0
		for _, e := range r.Edges {
			if e.Angle == nil {
				free++
			} else if near(t, "angle", *e.Angle, 90, 1e-9); e.Hollow {
				t.Errorf("%v is hollow", e.Points)
			}
		}
		if free != 4 {
			t.Errorf("%d free edges", free)
		}
	}
	in.Side = Outside
	in.Bends = [][2]string{{"A", "B"}, {"B", "C"}, {"C", "D"}, {"D", "A"}}
	in.InsideRadius, in.KFactor = val(3), val(.4)
	r := work(t, in)
	if len(r.Blanks) != 1 || len(r.Blanks[0].BendLines) != 4 {
		t.Fatalf("%+v", r.Blanks)
	}
	ba := math.Pi / 2 * (3 + .4*2)
	bd := 2*(3+2) - ba
	x, y := size(r.Blanks[0].Outline)
	if x < y {
		x, y = y, x
	}
	near(t, "blank", x, 300+2*100-2*bd, 1e-9)
	near(t, "blank", y, 200+2*100-2*bd, 1e-9)
	for _, l := range r.Blanks[0].BendLines {
		near(t, "allowance", l.BendAllowance, ba, 1e-12)
		near(t, "turn", l.Angle, 90, 1e-9)
		if l.Up {
			t.Errorf("%v is bent towards the outside", l.Points)
		}
	}
	in.Side = Inside // the same box, its points inside
	in.Points = block(300-4, 200-4, 100-2).Points
	r = work(t, in)
	x, y = size(r.Blanks[0].Outline)
	if x < y {
		x, y = y, x
	}
	near(t, "inside blank", x, 300+2*100-2*bd, 1e-9)
	near(t, "inside blank", y, 200+2*100-2*bd, 1e-9)
}

// A box whose panels were typed the other way round, each its own way, is the same box.
func TestEitherWayRound(t *testing.T) {
	in := block(300, 200, 100)
	in.Panels = append(in.Panels, FacetsPanel{"lid", []string{"a", "b", "c", "d"}})
	want := work(t, in)
	if !want.Closed {
		t.Fatal("a box with a lid is closed")
	}
	for i := range in.Panels {
		if i%2 == 0 {
			in.Panels[i].Points = slices.Clone(in.Panels[i].Points)
			slices.Reverse(in.Panels[i].Points)
		}
	}
	got := work(t, in)
	for i, p := range got.Panels {
		if q := want.Panels[i]; p.Normal != q.Normal {
			t.Errorf("%s looks to %v, not %v", p.ID, p.Normal, q.Normal)
		}
	}
	if n := panelsOf(got, "lid").Normal; n != [3]float64{0, 0, 1} {
		t.Errorf("the lid looks to %v", n)
	}
}

// Seams of two plates of 4 mm at 60°, 90° and 120°, by hand from the corner of their hollow faces:
// lapped, one runs on by T/sin, the other stops where its nearer corner meets the first one's face;
// bevelled both reach their points outside.
func TestSeamsByHand(t *testing.T) {
	for _, c := range []struct{ between, over, under float64 }{{90, 4, 0}, {60, 4 / math.Sin(math.Pi/3), 0},
		{120, 4 / math.Sin(math.Pi/3), 4 / math.Tan(math.Pi/3)}} {
		a := c.between * math.Pi / 180
		in := FacetsInput{Points: map[string][3]float64{"A": {0, 0, 0}, "B": {0, 100, 0}, "C": {200, 100, 0}, "D": {200, 0, 0},
			"E": {200 * math.Cos(a), 0, -200 * math.Sin(a)}, "F": {200 * math.Cos(a), 100, -200 * math.Sin(a)}},
			Panels:    []FacetsPanel{{"top", []string{"A", "D", "C", "B"}}, {"side", []string{"A", "B", "F", "E"}}},
			Thickness: 4, Side: Inside}
		cut := func(s ...FacetsSeam) (top, side float64) {
			in.Seams = s
			r := work(t, in)
			near(t, "between", *r.Edges[slices.IndexFunc(r.Edges, func(e FacetsEdge) bool { return e.Angle != nil })].Angle,
				c.between, 1e-9)
			return r.Blanks[0].Area / 100, r.Blanks[1].Area / 100
		}
		seam := FacetsSeam{Points: [2]string{"B", "A"}, Kind: Lap, Over: "top"}
		top, side := cut()
		near(t, "corner to corner", top, 200, 1e-9)
		near(t, "corner to corner", side, 200, 1e-9)
		top, side = cut(seam)
		near(t, "covers", top, 200+c.over, 1e-9)
		near(t, "is covered", side, 200-c.under, 1e-9)
		seam.Kind = Bevel
		top, _ = cut(seam)
		near(t, "bevelled", top, 200+4/math.Tan(a/2), 1e-9)
		seam.Kind, seam.Gap = Open, 3
		top, side = cut(seam)
		near(t, "open", top, 200-1.5/math.Sin(a/2), 1e-9)
		near(t, "open", side, top, 1e-9)
	}
}

// What is no body is refused by name, and what is not flat says by how much and where to part it.
func TestBodiesThatAreNone(t *testing.T) {
	for name, c := range map[string]struct {
		change func(*FacetsInput)
		at     string
		says   string
	}{
		"a point that is gone": {func(in *FacetsInput) { delete(in.Points, "c") }, "/panels/2/points/2", "not there"},
		"twice a point": {func(in *FacetsInput) { in.Panels[1].Points = []string{"A", "B", "A", "a"} }, "/panels/1/points/2",
			"twice"},
		"points on one spot": {func(in *FacetsInput) { in.Points["b"] = in.Points["a"] }, "/panels/1/points/3", "one spot"},
		"no area": {func(in *FacetsInput) {
			in.Panels = append(in.Panels, FacetsPanel{"thin", []string{"a", "d", "m"}})
			in.Points["m"] = [3]float64{0, 100, 100}
		}, "/panels/5", "no area"},
		"crossing itself": {func(in *FacetsInput) { in.Panels[0].Points = []string{"A", "C", "B", "D"} }, "/panels/0",
			"crosses itself"},
		"three at an edge": {func(in *FacetsInput) {
			in.Panels = append(in.Panels, FacetsPanel{"fin", []string{"A", "B",
				"c"}})
		}, "/panels", "Three panels"},
		"no thickness":          {func(in *FacetsInput) { in.Thickness = 0 }, "/thickness", "thickness"},
		"no side":               {func(in *FacetsInput) { in.Side = "" }, "/side", "inside, the middle"},
		"a bend that is none":   {func(in *FacetsInput) { in.Bends = [][2]string{{"A", "c"}} }, "/bends/0", "No panel has an edge"},
		"a bend at a free edge": {func(in *FacetsInput) { in.Bends = [][2]string{{"a", "b"}} }, "/bends/0", "free"},
		"bends in a circle": {func(in *FacetsInput) { in.Bends = [][2]string{{"A", "B"}, {"B", "C"}, {"B", "b"}} }, "/bends",
			"closes a circle"},
		"a radius too large": {func(in *FacetsInput) { in.Bends, in.InsideRadius = [][2]string{{"A", "B"}}, val(150) },
			"/panels/1", "leave nothing"},
	} {
		in := block(300, 200, 100)
		c.change(&in)
		var f *working.Fault
		if _, err := Work(in); !errors.As(err, &f) || f.Path != c.at || !strings.Contains(f.Error(), c.says) {
			t.Errorf("%s: %v", name, err)
		}
	}
	in := block(300, 200, 100)
	in.Points["C"] = [3]float64{300, 200, 8}
	r := work(t, in)
	i := slices.IndexFunc(r.Unflat, func(u FacetsUnflat) bool { return u.ID == "floor" })
	if i < 0 || len(r.Findings) == 0 || !strings.Contains(r.Findings[0].Reason, "diagonal") {
		t.Fatalf("%+v %+v", r.Unflat, r.Findings)
	}
	near(t, "stands off", r.Unflat[i].By, 8, .1)
	band := FacetsInput{Points: map[string][3]float64{"A": {100, 0, 0}, "a": {100, 0, 20}, "B": {-50, 87, 0}, "b": {-50, 87, 20},
		"C": {-50, -87, 0},
		"c": {-50, -87, 20}},
		Panels: []FacetsPanel{{"p", []string{"A", "B", "b", "a"}}, {"q", []string{"B", "C", "c", "b"}}, {"r", []string{"C", "a",
			"A", "c"}}},
		Side: Middle, Thickness: 1}
	var f *working.Fault
	if _, err := Work(band); !errors.As(err, &f) {
		t.Errorf("a twisted band: %v", err)
	}
}
