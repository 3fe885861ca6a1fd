package member

import (
	"math"
	"testing"

	"warmanvil/core/profile"
	"warmanvil/core/section"
	"warmanvil/core/tube"
)

// A cope's template is the saddle package tube works out, unrolled; it ends where
// it began, and its length is the way round.
func TestWrapIsTheSaddle(t *testing.T) {
	d := Doc{Points: []Point{point("a", -500, 0, 0), point("b", 900, 0, 0), point("m", 0, 0, 0), point("c", 404.145188, 700, 0)},
		Members: []Member{{ID: "main", Name: "Main", From: "a", To: "b", Section: big},
			{ID: "br", Name: "Branch", From: "m", To: "c", Section: pipe, A: End{Kind: Saddle, Onto: "main"}}}}
	b := built(t, d)
	list := Wraps(b, Plan(b, d.Saw).Rows, 0)
	if len(list) != 1 || list[0].Mark != "B1" || !list[0].Round {
		t.Fatalf("%+v", list)
	}
	w := list[0]
	near(t, "around", w.Around, math.Pi*48.3, 1e-12)
	near(t, "closes", w.Line[0].Y, w.Line[len(w.Line)-1].Y, 1e-9)
	want, err := tube.Saddle(tube.SaddleInput{BranchDiameter: 48.3, BranchWall: 3.2, MainDiameter: 60.3, Angle: 60, Stations: 180})
	if err != nil {
		t.Fatal(err)
	}
	low := math.Inf(1)
	for _, q := range w.Inner {
		low = math.Min(low, q.Y)
	}
	near(t, "the lowest of both is the base", math.Min(low, bounds([]float64{w.Line[0].Y, w.Line[90].Y})[0]), 0, .1)
	base := bottom(w.Line)
	for i := range w.Line { // from the same base as the saddle counts
		w.Line[i].Y -= base
	}
	// The same curve, from another start and perhaps the other way round.
	best := math.Inf(1)
	for shift := range 180 {
		for _, way := range []int{1, -1} {
			off := 0.0
			for i := range 180 {
				// The saddle counts what is taken away, the template what stays.
				off = math.Max(off, math.Abs(w.Line[i].Y-(want.LongShort-want.Outer[((shift+way*i)%180+180)%180])))
			}
			best = math.Min(best, off)
		}
	}
	near(t, "the saddle", best, 0, 1e-4)
}

func bottom(list []profile.Point) float64 {
	least := math.Inf(1)
	for _, q := range list {
		least = math.Min(least, q.Y)
	}
	return least
}

// A compound mitre of box tube gets a template as long as its outside; plain
// mitres get none.
func TestWrapOfBoxTube(t *testing.T) {
	sec := section.Sizes{Kind: "rectTube", Width: 40, Height: 60, Wall: 3, OuterRadius: 6}
	d := Doc{Points: []Point{point("a", 0, 0, 0), point("b", 1000, 0, 0), point("c", 1300, 400, 500)},
		Members: []Member{{ID: "m", Name: "M", From: "a", To: "b", Section: sec, B: End{Kind: Mitre, Onto: "n"}},
			{ID: "n", Name: "N", From: "b", To: "c", Section: sec, A: End{Kind: Mitre, Onto: "m"}}}}
	b := built(t, d)
	list := Wraps(b, Plan(b, d.Saw).Rows, 0)
	if len(list) != 2 {
		t.Fatalf("%d", len(list))
	}
	near(t, "around", list[0].Around, 2*(40+60)-8*6+2*math.Pi*6, 1e-9)
	near(t, "slant", bounds([]float64{list[0].Line[0].Y, 0})[0], 0, 1e-9)
	deep := 0.0
	for _, q := range list[0].Line {
		deep = math.Max(deep, q.Y)
	}
	near(t, "deepest", deep, b.Pieces[0].Ends[1].Slant, .02)
	d.Points[2] = point("c", 1000, 500, 0)
	b = built(t, d)
	if list = Wraps(b, Plan(b, d.Saw).Rows, 0); len(list) != 0 {
		t.Errorf("plain mitres get %d templates", len(list))
	}
}

// Shadows show the frame's size each way.
func TestShadows(t *testing.T) {
	b := Build(started(t, "rack", "40 × 40 × 3 mm tube", map[string]float64{"length": 1000, "width": 700, "height": 800}), nil)
	for view, want := range map[View][2]float64{FromAbove: {1060, 760}, FromRight: {1060, 820}, FromBehind: {760, 820}} {
		lo, hi := [2]float64{math.Inf(1), math.Inf(1)}, [2]float64{math.Inf(-1), math.Inf(-1)}
		for _, s := range b.Shadows(view) {
			for _, q := range s.Outline {
				lo, hi = [2]float64{math.Min(lo[0], q.X), math.Min(lo[1], q.Y)}, [2]float64{math.Max(hi[0], q.X), math.Max(hi[1], q.Y)}
			}
		}
		near(t, string(view)+" wide", hi[0]-lo[0], want[0], 1e-6)
		near(t, string(view)+" high", hi[1]-lo[1], want[1], 1e-6)
	}
}
