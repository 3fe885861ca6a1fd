package sheet

import (
	"math"
	"math/rand"
	"reflect"
	"testing"

	"warmanvil/core/profile"
)

func featured(holes ...Hole) Recipe {
	r := plate(300, 200)
	r.Base.Holes = holes
	return r
}

// What each shape takes out of the sheet, by hand, and where its outline lies.
func TestHoleShapes(t *testing.T) {
	x, y := Offset{Edge: Left, Distance: 150}, Offset{Edge: Front, Distance: 100}
	seg := func(r, x float64) float64 { // of a circle, beyond x from its middle
		return r*r*math.Acos(x/r) - x*math.Sqrt(r*r-x*x)
	}
	for _, c := range []struct {
		h    Hole
		area float64
		w, l float64 // of its box, turned by 0
	}{
		{Hole{Kind: SquareHole, Diameter: 20}, 400, 20, 20},
		{Hole{Kind: RectangleHole, Diameter: 20, Length: 50, Radius: 4}, 1000 - (4-math.Pi)*16, 50, 20},
		{Hole{Kind: DHole, Diameter: 20, Flat: 17}, math.Pi*100 - seg(10, 7), 17, 20},
		{Hole{Kind: DHole, Diameter: 20, Flat: 6}, math.Pi*100 - (math.Pi*100 - seg(10, 4)), 6, 2 * math.Sqrt(84)},
		{Hole{Kind: KeyholeHole, Diameter: 20, Narrow: 8, Length: 40}, math.Pi*100 + 8*(40-10-4-math.Sqrt(84)) + math.Pi*8 - (seg(10, math.Sqrt(84))), 40, 20},
		{Hole{Kind: CutoutHole, Cut: profile.Loop{{X: -10, Y: -5}, {X: 30, Y: -5}, {X: 0, Y: 25}}}, 600, 40, 30},
	} {
		c.h.ID, c.h.X, c.h.Y = "h", x, y
		p := build(t, featured(c.h))
		near(t, string(c.h.Kind), 60000-p.Area, c.area)
		near(t, "its loop", math.Abs(p.Holes[0].Loop.Area()), c.area)
		w, l := p.Holes[0].Loop.Bounds().Size()
		near(t, "wide", w, c.w)
		near(t, "high", l, c.l)
		if len(stops(p)) > 0 {
			t.Errorf("%+v", stops(p))
		}
		// Turned a quarter its box turns too.
		c.h.Angle = 90
		w, l = build(t, featured(c.h)).Holes[0].Loop.Bounds().Size()
		near(t, "turned wide", w, c.l)
		near(t, "turned high", l, c.w)
		// Off the face it is said.
		c.h.X.Distance = c.w/2 - 3
		if c.h.Angle = 0; c.h.Kind == DHole && c.h.Flat < 10 || c.h.Kind == KeyholeHole {
			continue
		}
		if _, said := codes(build(t, featured(c.h)))["off-face"]; !said && c.h.Kind != CutoutHole {
			t.Errorf("%s off its face is not said", c.h.Kind)
		}
	}
}

// Rows, spread along an edge with equal margins, and mirrored across the middle.
func TestMorePatterns(t *testing.T) {
	row := round("r", Left, 40, Front, 30, 8)
	row.Pattern = &Pattern{Kind: RowPattern, Count: 4, PitchX: 25, Start: 30}
	p := build(t, featured(row))
	for k, h := range p.Holes {
		near(t, "x", h.Centre.X, 40+25*float64(k)*math.Cos(math.Pi/6))
		near(t, "y", h.Centre.Y, 30+25*float64(k)*math.Sin(math.Pi/6))
	}
	edge := round("e", Middle, 0, Back, 20, 8)
	edge.Pattern = &Pattern{Kind: EdgePattern, Edge: Back, Count: 5, Margin: 30}
	p = build(t, featured(edge))
	seen := map[float64]bool{}
	for _, h := range p.Holes {
		near(t, "from the edge", h.Centre.Y, 180)
		seen[math.Round(h.Centre.X)] = true
	}
	if !reflect.DeepEqual(seen, map[float64]bool{30: true, 90: true, 150: true, 210: true, 270: true}) {
		t.Errorf("%v", seen)
	}
	// Margins count from the outside of the sides that are bent up.
	r := featured(edge)
	r.Base.Flanges = []Flange{flange("l", Left, 40, 90), flange("r", Right, 40, 90)}
	p = build(t, r)
	least, most := math.Inf(1), math.Inf(-1)
	for _, h := range p.Holes {
		least, most = math.Min(least, h.Body[0]), math.Max(most, h.Body[0])
	}
	near(t, "margin", least-p.Body.Min[0], 30)
	near(t, "other margin", p.Body.Max[0]-most, 30)
	m := Hole{ID: "m", Kind: DHole, Diameter: 20, Flat: 15, Angle: 20, X: Offset{Edge: Left, Distance: 50},
		Y: Offset{Edge: Front, Distance: 40}, Pattern: &Pattern{Kind: MirrorPattern, Across: true, Back: true}}
	p = build(t, featured(m))
	if len(p.Holes) != 4 {
		t.Fatalf("%d holes", len(p.Holes))
	}
	for k, want := range [][2]float64{{50, 40}, {250, 40}, {50, 160}, {250, 160}} {
		near(t, "x", p.Holes[k].Centre.X, want[0])
		near(t, "y", p.Holes[k].Centre.Y, want[1])
		// Every outline is the first one's mirror image.
		for i, v := range p.Holes[0].Loop.Flatten(.5) {
			q := v
			if k%2 == 1 {
				q.X = 300 - q.X
			}
			if k > 1 {
				q.Y = 200 - q.Y
			}
			if d := profile.Distance(q, p.Holes[k].Loop.Flatten(.01)); d > .02 {
				t.Fatalf("corner %d of hole %d lies %.3f off", i, k, d)
			}
		}
	}
}

// Uses give their holes: tables, cones, flanged holes; what does not do is said.
func TestUsesOfHoles(t *testing.T) {
	at := func(u Use, d float64) Hole {
		h := round("h", Left, 100, Front, 100, d)
		h.Use = &u
		return h
	}
	for _, c := range []struct {
		h         Hole
		dia, cut  float64
		thickness float64
		code      string
	}{
		{at(Use{Kind: UseTapped, Thread: "M8"}, 0), 6.8, 6.8, 6, ""},
		{at(Use{Kind: UseTapped, Thread: "M8"}, 0), 6.8, 6.8, 3, "thin-thread"},
		{at(Use{Kind: UseTapped, Thread: "3/8-16"}, 0), 25.4 * .3125, 25.4 * .3125, 6, ""},
		{at(Use{Kind: UseWeldNut, Thread: "M8"}, 0), 10.5, 10.5, 3, "insert-typical"},
		{at(Use{Kind: UseRivetNut, Thread: "M6"}, 9.1), 9.1, 9.1, 2, ""},
		{at(Use{Kind: UseCountersink, Thread: "M6"}, 0), 6.6, 6.6, 6, ""},
		{at(Use{Kind: UseCountersink, Thread: "M6"}, 0), 6.6, 6.6, 3, "countersink-thin"}, // 2.7 deep
		{at(Use{Kind: UseCountersink, Thread: "M6"}, 0), 6.6, 6.6, 2, "countersink-deep"},
		{at(Use{Kind: UseAccess, Tool: 26}, 0), 30, 30, 3, ""},
		{at(Use{Kind: UseDrain}, 5), 5, 5, 3, "drain-small"},
		{at(Use{Kind: UsePass, Line: 12}, 0), 13, 13, 3, "pass-bare"},
		{at(Use{Kind: UsePass, Line: 12, Cover: "grommet"}, 0), 19, 19, 3, ""},
		{at(Use{Kind: UseLightening, Height: 8}, 60), 60, 63 - 2*(8-1.15*3), 3, ""},
		{at(Use{Kind: UseLightening, Height: 40}, 60), 60, 63 - 2*(40-1.15*3), 3, "flange-hole-high"},
	} {
		r := featured(c.h)
		r.Thickness = c.thickness
		p := build(t, r)
		if len(p.Holes) != 1 {
			t.Fatalf("%+v: %+v", c.h.Use, p.Findings)
		}
		near(t, string(c.h.Use.Kind), p.Holes[0].Diameter, c.dia)
		near(t, "cut", p.Holes[0].Cut, c.cut)
		if p.Holes[0].Says == "" {
			t.Errorf("%+v says nothing", c.h.Use)
		}
		near(t, "area", 60000-p.Area, math.Pi*c.cut*c.cut/4)
		found := map[string]bool{}
		for code := range codes(p) {
			found[code] = true
		}
		delete(found, "hole-near-edge")
		if c.code != "" && !found[c.code] || c.code == "" && len(found) > 0 {
			t.Errorf("%+v: %v, want %q", c.h.Use, found, c.code)
		}
	}
	h := round("h", Left, 100, Front, 100, 13)
	h.Made = MadePilot
	r := featured(h)
	r.Process, r.Thickness = "plasma", 6
	p := build(t, r)
	if p.Holes[0].Diameter != 13 || p.Holes[0].Cut != 6 || codes(p)["hole-small"].Code != "" {
		t.Errorf("%+v %+v", p.Holes[0], p.Findings)
	}
	if _, said := codes(build(t, featured(at(Use{Kind: UseTapped, Thread: "M77"}, 0))))["hole-unsized"]; !said {
		t.Error("a thread that is none is not said")
	}
}

// Every kind of hole and pattern mirrors: its outline lies where the mirror puts
// it, and mirrored twice it is itself.
func TestFeaturesMirror(t *testing.T) {
	rnd := rand.New(rand.NewSource(5))
	kinds := []Hole{{Kind: RoundHole, Diameter: 8}, {Kind: SlotHole, Diameter: 8, Length: 20}, {Kind: SquareHole, Diameter: 9, Radius: 2},
		{Kind: RectangleHole, Diameter: 9, Length: 16}, {Kind: DHole, Diameter: 12, Flat: 10},
		{Kind: KeyholeHole, Diameter: 10, Narrow: 4, Length: 20},
		{Kind: CutoutHole, Cut: profile.Loop{{X: -5, Y: -5}, {X: 9, Y: -5, Bulge: .3}, {X: 4, Y: 8}}}}
	patterns := []*Pattern{nil, {Kind: GridPattern, Columns: 3, Rows: 2, PitchX: 26, PitchY: 24},
		{Kind: CirclePattern, Count: 5, Diameter: 70, Start: 10}, {Kind: RowPattern, Count: 3, PitchX: 24, Start: 15},
		{Kind: EdgePattern, Edge: Left, Count: 4, Margin: 25}, {Kind: MirrorPattern, Across: true}, {Kind: MirrorPattern, Back: true}}
	for range 400 {
		h := kinds[rnd.Intn(len(kinds))]
		h.ID, h.Angle, h.Pattern = "h", float64(rnd.Intn(180)), patterns[rnd.Intn(len(patterns))]
		h.X, h.Y = Offset{Edge: []Edge{Left, Right, Middle}[rnd.Intn(3)], Distance: 30},
			Offset{Edge: []Edge{Front, Back, Middle}[rnd.Intn(3)], Distance: 25}
		if h.Pattern != nil && h.Pattern.Kind == EdgePattern {
			h.X = Offset{Edge: Left, Distance: 30}
		}
		r := featured(h)
		r.Base.Flanges = []Flange{flange("f", []Edge{Left, Front}[rnd.Intn(2)], 40, 90)}
		a, b := build(t, r), build(t, r.Mirror())
		if len(a.Holes) != len(b.Holes) || math.Abs(a.Area-b.Area) > 1e-6 {
			t.Fatalf("%+v: %d and %d holes, %v and %v", h, len(a.Holes), len(b.Holes), a.Area, b.Area)
		}
		for _, o := range a.Holes {
			found := false
			at := profile.Point{X: a.Bounds.Max.X + b.Bounds.Min.X - o.Centre.X, Y: o.Centre.Y}
			for _, q := range b.Holes {
				if q.Centre.Sub(at).Len() > 1e-6 {
					continue
				}
				found = true
				for _, v := range o.Loop.Flatten(.5) {
					v.X = a.Bounds.Max.X + b.Bounds.Min.X - v.X
					if d := profile.Distance(v, q.Loop.Flatten(.01)); d > .02 {
						t.Fatalf("%+v %+v: its outline is no mirror image (%.3f)", h, h.Pattern, d)
					}
				}
			}
			if !found {
				t.Fatalf("%+v %+v: a hole has no mirrored twin", h, h.Pattern)
			}
		}
		if !reflect.DeepEqual(r.Mirror().Mirror(), r) {
			t.Fatalf("mirrored twice is not itself: %+v, %+v", h, r.Mirror().Mirror().Base.Holes)
		}
	}
}
