package cutlist

import (
	"math"
	"testing"

	"warmanvil/core/member"
	"warmanvil/core/member/racks"
	"warmanvil/core/member/shape"
	"warmanvil/core/profile"
	"warmanvil/core/section"
	"warmanvil/core/tube"
)

// A cope's template is the saddle package tube works out, unrolled; it ends where
// it began, and its length is the way round.
func TestWrapIsTheSaddle(t *testing.T) {
	d := member.Doc{Points: []member.Point{racks.Point("a", -500, 0, 0), racks.Point("b", 900, 0, 0), racks.Point("m", 0, 0, 0),
		racks.Point("c", 404.145188, 700, 0)},
		Members: []member.Member{{ID: "main", Name: "Main", From: "a", To: "b", Section: racks.Big},
			{ID: "br", Name: "Branch", From: "m", To: "c", Section: racks.Pipe, A: member.End{Kind: member.Saddle, Onto: "main"}}}}
	b := shape.Build(racks.Steel(t, d), nil)
	list := Wraps(b, Plan(t.Context(), b, d.Saw).Rows, 0)
	if len(list) != 1 || list[0].Mark != "B1" || !list[0].Round {
		t.Fatalf("%+v", list)
	}
	w := list[0]
	racks.Near(t, "around", w.Around, math.Pi*48.3, 1e-12)
	racks.Near(t, "closes", w.Line[0].Y, w.Line[len(w.Line)-1].Y, 1e-9)
	want, err := tube.Saddle(tube.SaddleInput{BranchDiameter: 48.3, BranchWall: 3.2, MainDiameter: 60.3, Angle: 60, Stations: 180})
	if err != nil {
		t.Fatal(err)
	}
	low := math.Inf(1)
	for _, q := range w.Inner {
		low = math.Min(low, q.Y)
	}
	racks.Near(t, "the lowest of both is the base", math.Min(low, shape.Bounds([]float64{w.Line[0].Y, w.Line[90].Y})[0]), 0, .1)
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
	racks.Near(t, "the saddle", best, 0, 1e-4)
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
	d := member.Doc{Points: []member.Point{racks.Point("a", 0, 0, 0), racks.Point("b", 1000, 0, 0), racks.Point("c", 1300, 400, 500)},
		Members: []member.Member{{ID: "m", Name: "M", From: "a", To: "b", Section: sec, B: member.End{Kind: member.Mitre, Onto: "n"}},
			{ID: "n", Name: "N", From: "b", To: "c", Section: sec, A: member.End{Kind: member.Mitre, Onto: "m"}}}}
	b := shape.Build(racks.Steel(t, d), nil)
	list := Wraps(b, Plan(t.Context(), b, d.Saw).Rows, 0)
	if len(list) != 2 {
		t.Fatalf("%d", len(list))
	}
	racks.Near(t, "around", list[0].Around, 2*(40+60)-8*6+2*math.Pi*6, 1e-9)
	racks.Near(t, "slant", shape.Bounds([]float64{list[0].Line[0].Y, 0})[0], 0, 1e-9)
	deep := 0.0
	for _, q := range list[0].Line {
		deep = math.Max(deep, q.Y)
	}
	racks.Near(t, "deepest", deep, b.Pieces[0].Ends[1].Slant, .02)
	d.Points[2] = racks.Point("c", 1000, 500, 0)
	b = shape.Build(racks.Steel(t, d), nil)
	if list = Wraps(b, Plan(t.Context(), b, d.Saw).Rows, 0); len(list) != 0 {
		t.Errorf("plain mitres get %d templates", len(list))
	}
}

// Shadows show the frame's size each way.
func TestShadows(t *testing.T) {
	b := shape.Build(racks.Started(t, "rack", "40 × 40 × 3 mm tube", map[string]float64{"length": 1000, "width": 700, "height": 800}), nil)
	for view, want := range map[shape.View][2]float64{shape.FromAbove: {1060, 760}, shape.FromRight: {1060, 820},
		shape.FromBehind: {760, 820}} {
		lo, hi := [2]float64{math.Inf(1), math.Inf(1)}, [2]float64{math.Inf(-1), math.Inf(-1)}
		for _, s := range b.Shadows(view) {
			for _, q := range s.Outline {
				lo, hi = [2]float64{math.Min(lo[0], q.X), math.Min(lo[1], q.Y)}, [2]float64{math.Max(hi[0], q.X), math.Max(hi[1], q.Y)}
			}
		}
		racks.Near(t, string(view)+" wide", hi[0]-lo[0], want[0], 1e-6)
		racks.Near(t, string(view)+" high", hi[1]-lo[1], want[1], 1e-6)
	}
}
