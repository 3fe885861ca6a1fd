package made_test

import (
	"errors"
	"math"
	"testing"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/sheet/split"
	"warmanvil/core/working"
)

// withOutline is a plate with a flange at its back whose flat part has some corners.
func withOutline(corners ...sheet.Corner2D) sheet.Recipe {
	r := plates.Plate(200, 100)
	f := plates.Flange("f", sheet.Back, 0, 90)
	f.Outline = corners
	r.Base.Flanges = []sheet.Flange{f}
	return r
}

// A flange of any outline with the corners of a plain one is that flange: blank, area, body. A
// triangle adds half its box, and its bend is as long as its edge.
func TestFlangeOfAnyOutline(t *testing.T) {
	plain := plates.Plate(200, 100)
	f := plates.Flange("f", sheet.Back, 40, 90)
	f.Measure, f.Taper = sheet.Flat, sheet.SetIn{Start: 30, End: 10}
	plain.Base.Flanges = []sheet.Flange{f}
	want := plates.Build(t, plain)
	// On the back edge the first end lies left: seen from the flange, whose x runs to the left, that is its far end.
	far, near := 40*math.Tan(30*math.Pi/180), 40*math.Tan(10*math.Pi/180)
	got := plates.Build(t, withOutline(sheet.Corner2D{X: -100}, sheet.Corner2D{X: 100}, sheet.Corner2D{X: 100 - far, Y: 40},
		sheet.Corner2D{X: -100 + near, Y: 40}))
	plates.Near(t, "area", got.Area, want.Area)
	plates.Near(t, "cut length", got.CutLength, want.CutLength)
	wx, wy := want.Bounds.Size()
	x, y := got.Bounds.Size()
	plates.Near(t, "blank", x, wx)
	plates.Near(t, "blank", y, wy)
	if len(plates.Stops(got)) > 0 || len(got.BendLines) != 1 {
		t.Fatalf("%+v", plates.Stops(got))
	}
	flat := plates.Build(t, plates.Plate(200, 100))
	tip := plates.Build(t, withOutline(sheet.Corner2D{X: -100}, sheet.Corner2D{X: 100}, sheet.Corner2D{X: 20, Y: 70}))
	bent := plates.Build(t, withOutline(sheet.Corner2D{X: -100}, sheet.Corner2D{X: 100}, sheet.Corner2D{X: 100, Y: 70},
		sheet.Corner2D{X: -100, Y: 70}))
	plates.Near(t, "a triangle", bent.Area-tip.Area, 200*70/2)
	plates.Near(t, "its bend", tip.BendLines[0].Length.MM, 200)
	if tip.Area <= flat.Area {
		t.Error("a triangle adds nothing")
	}
}

// Its twin is it seen in the mirror, what hangs on its edges with it: mirrored twice it is itself.
func TestTwinOfAnOutline(t *testing.T) {
	r := withOutline(sheet.Corner2D{X: -100}, sheet.Corner2D{X: 100}, sheet.Corner2D{X: 60, Y: 30}, sheet.Corner2D{X: 20, Y: 70},
		sheet.Corner2D{X: -90, Y: 50})
	lip := plates.Flange("lip", "4", 15, 60)
	r.Base.Flanges[0].Flanges = []sheet.Flange{lip}
	hole := plates.Round("h", "2", 12, "1", 15, 6)
	r.Base.Flanges[0].Holes = []sheet.Hole{hole}
	p := plates.Build(t, r)
	m := plates.Build(t, r.Mirror())
	plates.Near(t, "area", m.Area, p.Area)
	if len(p.BendLines) != 2 || len(m.Holes) != 1 || len(plates.Stops(p))+len(plates.Stops(m)) > 0 {
		t.Fatalf("%d bends, %d holes, %+v %+v", len(p.BendLines), len(m.Holes), plates.Stops(p), plates.Stops(m))
	}
	size := func(q made.Part) float64 { return q.Body.Max.Sub(q.Body.Min).Len() }
	plates.Near(t, "its body", size(m), size(p))
	middle := (p.Body.Min[0] + p.Body.Max[0]) / 2
	other := (m.Body.Min[0] + m.Body.Max[0]) / 2
	plates.Near(t, "the hole", m.Holes[0].Body[0]-other, -(p.Holes[0].Body[0] - middle))
	plates.Near(t, "the hole's height", m.Holes[0].Body[2], p.Holes[0].Body[2])
	again := plates.Build(t, r.Mirror().Mirror())
	for i, v := range p.Outline {
		if d := again.Outline[i].P().Sub(v.P()).Len(); d > 1e-9 {
			t.Fatalf("mirrored twice, corner %d is %g off", i, d)
		}
	}
}

// What is no outline is refused where it stands, and such a part is not split here.
func TestOutlinesThatAreNone(t *testing.T) {
	c := func(x, y float64) sheet.Corner2D { return sheet.Corner2D{X: x, Y: y} }
	for name, corners := range map[string][]sheet.Corner2D{
		"/base/flanges/0/outline":     {c(-50, 0), c(50, 0)},
		"/base/flanges/0/outline/1/y": {c(-50, 0), c(50, 3), c(0, 40)},
		"/base/flanges/0/outline/2/y": {c(-50, 0), c(50, 0), c(0, -4)},
		"/base/flanges/0/outline/0/x": {c(math.NaN(), 0), c(50, 0), c(0, 40)},
	} {
		var f *working.Fault
		if err := withOutline(corners...).Validate(); !errors.As(err, &f) || f.Path != name {
			t.Errorf("%s: %v", name, err)
		}
	}
	for _, corners := range [][]sheet.Corner2D{{c(50, 0), c(-50, 0), c(0, 40)}, {c(-50, 0), c(50, 0), c(-50, 40), c(50, 40)}} {
		if err := withOutline(corners...).Validate(); err == nil {
			t.Errorf("%v was taken", corners)
		}
	}
	hem := withOutline(c(-100, 0), c(100, 0), c(0, 40))
	hem.Base.Flanges[0].Kind, hem.Base.Flanges[0].Hem = sheet.Hem, sheet.ClosedHem
	if err := hem.Validate(); err == nil {
		t.Error("a hem with an outline was taken")
	}
	var f *working.Fault
	if _, err := split.Part(withOutline(c(-100, 0), c(100, 0), c(0, 40)), split.Parting{Axis: "x", At: 100, Joint: split.LapJoint},
		func() string { return "x" }); !errors.As(err, &f) {
		t.Errorf("split: %v", err)
	}
}
