package made_test

import (
	"math"
	"math/rand"
	"reflect"
	"testing"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/plates"
)

func featured(holes ...sheet.Hole) sheet.Recipe {
	r := plates.Plate(300, 200)
	r.Base.Holes = holes
	return r
}

// What each shape takes out of the sheet, by hand, and where its outline lies.
func TestHoleShapes(t *testing.T) {
	x, y := sheet.Offset{Edge: sheet.Left, Distance: 150}, sheet.Offset{Edge: sheet.Front, Distance: 100}
	seg := func(r, x float64) float64 { // of a circle, beyond x from its middle
		return r*r*math.Acos(x/r) - x*math.Sqrt(r*r-x*x)
	}
	for _, c := range []struct {
		h    sheet.Hole
		area float64
		w, l float64 // of its box, turned by 0
	}{
		{sheet.Hole{Kind: sheet.SquareHole, Diameter: 20}, 400, 20, 20},
		{sheet.Hole{Kind: sheet.RectangleHole, Diameter: 20, Length: 50, Radius: 4}, 1000 - (4-math.Pi)*16, 50, 20},
		{sheet.Hole{Kind: sheet.DHole, Diameter: 20, Flat: 17}, math.Pi*100 - seg(10, 7), 17, 20},
		{sheet.Hole{Kind: sheet.DHole, Diameter: 20, Flat: 6}, math.Pi*100 - (math.Pi*100 - seg(10, 4)), 6, 2 * math.Sqrt(84)},
		{sheet.Hole{Kind: sheet.KeyholeHole, Diameter: 20, Narrow: 8, Length: 40}, math.Pi*100 + 8*(40-10-4-math.Sqrt(84)) + math.Pi*8 - (seg(10, math.Sqrt(84))), 40, 20},
		{sheet.Hole{Kind: sheet.CutoutHole, Cut: profile.Loop{{X: -10, Y: -5}, {X: 30, Y: -5}, {X: 0, Y: 25}}}, 600, 40, 30},
	} {
		c.h.ID, c.h.X, c.h.Y = "h", x, y
		p := plates.Build(t, featured(c.h))
		plates.Near(t, string(c.h.Kind), 60000-p.Area, c.area)
		plates.Near(t, "its loop", math.Abs(p.Holes[0].Loop.Area()), c.area)
		w, l := p.Holes[0].Loop.Bounds().Size()
		plates.Near(t, "wide", w, c.w)
		plates.Near(t, "high", l, c.l)
		if len(plates.Stops(p)) > 0 {
			t.Errorf("%+v", plates.Stops(p))
		}
		// Turned a quarter its box turns too.
		c.h.Angle = 90
		w, l = plates.Build(t, featured(c.h)).Holes[0].Loop.Bounds().Size()
		plates.Near(t, "turned wide", w, c.l)
		plates.Near(t, "turned high", l, c.w)
		// Off the face it is said.
		c.h.X.Distance = c.w/2 - 3
		if c.h.Angle = 0; c.h.Kind == sheet.DHole && c.h.Flat < 10 || c.h.Kind == sheet.KeyholeHole {
			continue
		}
		if _, said := plates.Codes(plates.Build(t, featured(c.h)))["off-face"]; !said && c.h.Kind != sheet.CutoutHole {
			t.Errorf("%s off its face is not said", c.h.Kind)
		}
	}
}

// Rows, spread along an edge with equal margins, and mirrored across the middle.
func TestMorePatterns(t *testing.T) {
	row := plates.Round("r", sheet.Left, 40, sheet.Front, 30, 8)
	row.Pattern = &sheet.Pattern{Kind: sheet.RowPattern, Count: 4, PitchX: 25, Start: 30}
	p := plates.Build(t, featured(row))
	for k, h := range p.Holes {
		plates.Near(t, "x", h.Centre.X, 40+25*float64(k)*math.Cos(math.Pi/6))
		plates.Near(t, "y", h.Centre.Y, 30+25*float64(k)*math.Sin(math.Pi/6))
	}
	edge := plates.Round("e", sheet.Middle, 0, sheet.Back, 20, 8)
	edge.Pattern = &sheet.Pattern{Kind: sheet.EdgePattern, Edge: sheet.Back, Count: 5, Margin: 30}
	p = plates.Build(t, featured(edge))
	seen := map[float64]bool{}
	for _, h := range p.Holes {
		plates.Near(t, "from the edge", h.Centre.Y, 180)
		seen[math.Round(h.Centre.X)] = true
	}
	if !reflect.DeepEqual(seen, map[float64]bool{30: true, 90: true, 150: true, 210: true, 270: true}) {
		t.Errorf("%v", seen)
	}
	// Margins count from the outside of the sides that are bent up.
	r := featured(edge)
	r.Base.Flanges = []sheet.Flange{plates.Flange("l", sheet.Left, 40, 90), plates.Flange("r", sheet.Right, 40, 90)}
	p = plates.Build(t, r)
	least, most := math.Inf(1), math.Inf(-1)
	for _, h := range p.Holes {
		least, most = math.Min(least, h.Body[0]), math.Max(most, h.Body[0])
	}
	plates.Near(t, "margin", least-p.Body.Min[0], 30)
	plates.Near(t, "other margin", p.Body.Max[0]-most, 30)
	m := sheet.Hole{ID: "m", Kind: sheet.DHole, Diameter: 20, Flat: 15, Angle: 20, X: sheet.Offset{Edge: sheet.Left, Distance: 50},
		Y: sheet.Offset{Edge: sheet.Front, Distance: 40}, Pattern: &sheet.Pattern{Kind: sheet.MirrorPattern, Across: true, Back: true}}
	p = plates.Build(t, featured(m))
	if len(p.Holes) != 4 {
		t.Fatalf("%d holes", len(p.Holes))
	}
	for k, want := range [][2]float64{{50, 40}, {250, 40}, {50, 160}, {250, 160}} {
		plates.Near(t, "x", p.Holes[k].Centre.X, want[0])
		plates.Near(t, "y", p.Holes[k].Centre.Y, want[1])
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
	at := func(u sheet.Use, d float64) sheet.Hole {
		h := plates.Round("h", sheet.Left, 100, sheet.Front, 100, d)
		h.Use = &u
		return h
	}
	for _, c := range []struct {
		h         sheet.Hole
		dia, cut  float64
		thickness float64
		code      string
	}{
		{at(sheet.Use{Kind: sheet.UseTapped, Thread: "M8"}, 0), 6.8, 6.8, 6, ""},
		{at(sheet.Use{Kind: sheet.UseTapped, Thread: "M8"}, 0), 6.8, 6.8, 3, "thin-thread"},
		{at(sheet.Use{Kind: sheet.UseTapped, Thread: "3/8-16"}, 0), 25.4 * .3125, 25.4 * .3125, 6, ""},
		{at(sheet.Use{Kind: sheet.UseWeldNut, Thread: "M8"}, 0), 10.5, 10.5, 3, "insert-typical"},
		{at(sheet.Use{Kind: sheet.UseRivetNut, Thread: "M6"}, 9.1), 9.1, 9.1, 2, ""},
		{at(sheet.Use{Kind: sheet.UseCountersink, Thread: "M6"}, 0), 6.6, 6.6, 6, ""},
		{at(sheet.Use{Kind: sheet.UseCountersink, Thread: "M6"}, 0), 6.6, 6.6, 3, "countersink-thin"}, // 2.7 deep
		{at(sheet.Use{Kind: sheet.UseCountersink, Thread: "M6"}, 0), 6.6, 6.6, 2, "countersink-deep"},
		{at(sheet.Use{Kind: sheet.UseAccess, Tool: 26}, 0), 30, 30, 3, ""},
		{at(sheet.Use{Kind: sheet.UseDrain}, 5), 5, 5, 3, "drain-small"},
		{at(sheet.Use{Kind: sheet.UsePass, Line: 12}, 0), 13, 13, 3, "pass-bare"},
		{at(sheet.Use{Kind: sheet.UsePass, Line: 12, Cover: "grommet"}, 0), 19, 19, 3, ""},
		{at(sheet.Use{Kind: sheet.UseLightening, Height: 8}, 60), 60, 63 - 2*(8-1.15*3), 3, ""},
		{at(sheet.Use{Kind: sheet.UseLightening, Height: 40}, 60), 60, 63 - 2*(40-1.15*3), 3, "flange-hole-high"},
	} {
		r := featured(c.h)
		r.Thickness = c.thickness
		p := plates.Build(t, r)
		if len(p.Holes) != 1 {
			t.Fatalf("%+v: %+v", c.h.Use, p.Findings)
		}
		plates.Near(t, string(c.h.Use.Kind), p.Holes[0].Diameter, c.dia)
		plates.Near(t, "cut", p.Holes[0].Cut, c.cut)
		if p.Holes[0].Says == "" {
			t.Errorf("%+v says nothing", c.h.Use)
		}
		plates.Near(t, "area", 60000-p.Area, math.Pi*c.cut*c.cut/4)
		found := map[string]bool{}
		for code := range plates.Codes(p) {
			found[code] = true
		}
		delete(found, "hole-near-edge")
		if c.code != "" && !found[c.code] || c.code == "" && len(found) > 0 {
			t.Errorf("%+v: %v, want %q", c.h.Use, found, c.code)
		}
	}
	h := plates.Round("h", sheet.Left, 100, sheet.Front, 100, 13)
	h.Made = sheet.MadePilot
	r := featured(h)
	r.Process, r.Thickness = "plasma", 6
	p := plates.Build(t, r)
	if p.Holes[0].Diameter != 13 || p.Holes[0].Cut != 6 || plates.Codes(p)["hole-small"].Code != "" {
		t.Errorf("%+v %+v", p.Holes[0], p.Findings)
	}
	if _, said := plates.Codes(plates.Build(t, featured(at(sheet.Use{Kind: sheet.UseTapped, Thread: "M77"}, 0))))["hole-unsized"]; !said {
		t.Error("a thread that is none is not said")
	}
}

// Every kind of hole and pattern mirrors: its outline lies where the mirror puts
// it, and mirrored twice it is itself.
func TestFeaturesMirror(t *testing.T) {
	rnd := rand.New(rand.NewSource(5))
	kinds := []sheet.Hole{{Kind: sheet.RoundHole, Diameter: 8}, {Kind: sheet.SlotHole, Diameter: 8, Length: 20},
		{Kind: sheet.SquareHole, Diameter: 9, Radius: 2},
		{Kind: sheet.RectangleHole, Diameter: 9, Length: 16}, {Kind: sheet.DHole, Diameter: 12, Flat: 10},
		{Kind: sheet.KeyholeHole, Diameter: 10, Narrow: 4, Length: 20},
		{Kind: sheet.CutoutHole, Cut: profile.Loop{{X: -5, Y: -5}, {X: 9, Y: -5, Bulge: .3}, {X: 4, Y: 8}}}}
	patterns := []*sheet.Pattern{nil, {Kind: sheet.GridPattern, Columns: 3, Rows: 2, PitchX: 26, PitchY: 24},
		{Kind: sheet.CirclePattern, Count: 5, Diameter: 70, Start: 10}, {Kind: sheet.RowPattern, Count: 3, PitchX: 24, Start: 15},
		{Kind: sheet.EdgePattern, Edge: sheet.Left, Count: 4, Margin: 25}, {Kind: sheet.MirrorPattern, Across: true},
		{Kind: sheet.MirrorPattern, Back: true}}
	for range 400 {
		h := kinds[rnd.Intn(len(kinds))]
		h.ID, h.Angle, h.Pattern = "h", float64(rnd.Intn(180)), patterns[rnd.Intn(len(patterns))]
		h.X, h.Y = sheet.Offset{Edge: []sheet.Edge{sheet.Left, sheet.Right, sheet.Middle}[rnd.Intn(3)], Distance: 30},
			sheet.Offset{Edge: []sheet.Edge{sheet.Front, sheet.Back, sheet.Middle}[rnd.Intn(3)], Distance: 25}
		if h.Pattern != nil && h.Pattern.Kind == sheet.EdgePattern {
			h.X = sheet.Offset{Edge: sheet.Left, Distance: 30}
		}
		r := featured(h)
		r.Base.Flanges = []sheet.Flange{plates.Flange("f", []sheet.Edge{sheet.Left, sheet.Front}[rnd.Intn(2)], 40, 90)}
		a, b := plates.Build(t, r), plates.Build(t, r.Mirror())
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
