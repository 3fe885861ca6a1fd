package site

import (
	"context"
	"math"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/hole"
	"warmanvil/core/joint"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/shop"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/survey"
	"warmanvil/core/vehicle"
)

// A cleat whose hole stands close to its leg: the leg stops every tool inside, a
// weld nut there and the head outside do; a hole well off the leg is free.
func TestToolsBesideALeg(t *testing.T) {
	bracket := func(off float64) []BuiltPart {
		r := demo.ShelfBracket()
		r.Hand = sheet.Hand{}
		r.Base = sheet.Base{ID: "base", Length: 120, Width: 90,
			Holes: []sheet.Hole{{ID: "h", Kind: sheet.RoundHole, Diameter: 11, X: sheet.Offset{Edge: sheet.Left, Distance: 60},
				Y: sheet.Offset{Edge: sheet.Front, Distance: off}}},
			Flanges: []sheet.Flange{{ID: "leg", Edge: sheet.Front, Length: 120, Angle: 90, Up: true, InsideRadius: 3}}}
		built, err := made.Build(r, made.Options{})
		if err != nil {
			t.Fatal(err)
		}
		return []BuiltPart{{Part{ID: "p", Name: "Cleat", Recipe: r}, built, nil}}
	}
	told := func(off float64, change func(*brief.Joint)) []BoltReach {
		t.Helper()
		j := brief.Joint{ID: "j", Part: "p", Features: []string{"h"}, Sides: []brief.Side{{Kind: brief.PartSide, Of: "p"}, {}},
			Design: joint.Input{System: stock.Metric, Size: "M10", Grade: "8.8", Nut: joint.Hex, Washers: 2,
				Plies: []joint.Ply{{}, {Name: "rail", Material: "steel-s235", Thickness: 5, Hole: 11, Edge: 40}},
				Cases: []joint.Case{{Force: [3]float64{100, 0, 0}}}}}
		if change != nil {
			change(&j)
		}
		b := brief.Brief{Unit: brief.UnitMM, Grain: 1, Strength: strength.Rule{School: strength.Allowable}, Joints: []brief.Joint{j}}
		x := Hold(b, bracket(off)).Joints[0]
		if x.Why != "" || len(x.Reach) != 1 {
			t.Fatalf("%q %+v", x.Why, x.Reach)
		}
		return x.Reach
	}
	if free := told(60, nil)[0]; free.Reach != hole.Reachable {
		t.Errorf("60 off the leg: %s, %s", free.Reach, free.How)
	}
	// 13 off its outside, 11 are left beside a socket of 11.25: nothing holds there.
	near := told(13, nil)[0]
	if near.Reach != hole.Blocked || len(near.Ways) == 0 {
		t.Errorf("13 off the outside of the leg: %s, %s", near.Reach, near.How)
	}
	captive := false
	for _, w := range near.Ways {
		captive = captive || w.Kind == hole.CaptiveWay
	}
	if !captive {
		t.Errorf("no captive nut among %+v", near.Ways)
	}
	// The head outside and a weld nut inside, as advised.
	if out := told(13, func(j *brief.Joint) { j.HeadsBack, j.Design.Nut = true, joint.WeldNut })[0]; out.Reach != hole.Reachable {
		t.Errorf("from outside into a weld nut: %s, %s", out.Reach, out.How)
	}
	// A side nobody reaches shuts nuts and clips out, not captive nuts.
	for _, c := range []struct {
		nut     joint.Nut
		reached joint.Reached
		want    hole.Reach
	}{
		{joint.Hex, joint.HeadsOnly, hole.Blocked}, {joint.WeldNut, joint.HeadsOnly, hole.Reachable},
		{joint.WeldNut, joint.NutsOnly, hole.Blocked},
		{joint.Pin, joint.BothSides, hole.Reachable}, {joint.Pin, joint.HeadsOnly, hole.Blocked}, {joint.Pin, joint.NutsOnly, hole.Blocked},
	} {
		got := told(60, func(j *brief.Joint) { j.Design.Nut, j.Design.Reached = c.nut, c.reached })[0]
		if got.Reach != c.want || got.Reach == hole.Blocked && !strings.Contains(got.How, "what closes") {
			t.Errorf("%s reached from %s: %s, %s", c.nut, c.reached, got.Reach, got.How)
		}
	}
	// A rivet 13 off the leg: the riveter is 24 thick and the leg taller than its nose.
	rivet := told(13, func(j *brief.Joint) {
		j.Design.Nut, j.Design.Rivet = joint.Riveted, &joint.RivetPick{Diameter: 6.4, Material: "steel"}
	})[0]
	if rivet.Reach != hole.Blocked {
		t.Errorf("a riveter beside the leg: %s, %s", rivet.Reach, rivet.How)
	}
}

// A plate bolted down over a cleat's bolts: fitted before it they are reached and
// told to be shut in; after it they are blocked, and fitting them before or a hole
// in the plate helps. The hole that is offered lies on the bolt's axis.
func TestToolsPastWhatIsFittedBefore(t *testing.T) {
	flat := func(length, width float64, holes ...sheet.Hole) sheet.Recipe {
		r := demo.ShelfBracket()
		r.Hand, r.Gauge, r.Thickness = sheet.Hand{}, nil, 4
		r.Base = sheet.Base{ID: "base", Length: length, Width: width, Holes: holes}
		return r
	}
	round := func(id string, x, y, d float64) sheet.Hole {
		return sheet.Hole{ID: id, Kind: sheet.RoundHole, Diameter: d, X: sheet.Offset{Edge: sheet.Left, Distance: x},
			Y: sheet.Offset{Edge: sheet.Front, Distance: y}}
	}
	bolt := func(part, hole string) brief.Joint {
		return brief.Joint{ID: part, Name: "Bolts of " + part, Part: part, Features: []string{hole},
			Sides: []brief.Side{{Kind: brief.PartSide, Of: part}, {Kind: brief.VehicleSide}},
			Design: joint.Input{System: stock.Metric, Size: "M10", Grade: "8.8", Nut: joint.WeldNut, Washers: 1,
				Plies: []joint.Ply{{}, {Name: "rail", Material: "steel-s235", Thickness: 5, Hole: 11, Edge: 40}},
				Cases: []joint.Case{{Force: [3]float64{100, 0, 0}}}}}
	}
	cover := flat(300, 300, round("far", 280, 280, 11))
	told := func(joints []brief.Joint, cover sheet.Recipe, spaces ...survey.Space) []BoltedTold {
		t.Helper()
		list := []Part{{ID: "cleat", Name: "Cleat", Quantity: 1, Recipe: flat(100, 100, round("h", 50, 50, 11))},
			{ID: "cover", Name: "Cover", Quantity: 1, Recipe: cover}}
		b := brief.Brief{Unit: brief.UnitMM, Grain: 1, Strength: strength.Rule{School: strength.Allowable}, Joints: joints}
		v := vehicle.Survey{Spaces: spaces, Placed: []vehicle.Placed{{ID: "a", Name: "Cleat", Part: "cleat"},
			{ID: "b", Name: "Cover", Part: "cover", At: [3]float64{-100, -100, 30}}}}
		return Site{Brief: b, Parts: BuildParts(context.Background(), list, b, shop.Shop{}), Survey: v}.Hold().Joints
	}
	first := told([]brief.Joint{bolt("cleat", "h"), bolt("cover", "far")}, cover)[0]
	if len(first.Reach) != 1 || first.Reach[0].Reach != hole.Reachable || !strings.Contains(first.Reach[0].Later, "Cover") {
		t.Fatalf("before the cover: %q %+v", first.Why, first.Reach)
	}
	after := told([]brief.Joint{bolt("cover", "far"), bolt("cleat", "h")}, cover)[1].Reach[0]
	var cut *AccessCut
	before := ""
	for _, w := range after.Ways {
		if w.Cut != nil {
			cut = w.Cut
		}
		if w.Before != "" {
			before = w.Before
		}
	}
	if after.Reach != hole.Blocked || before != "cover" || cut == nil || cut.Part != "cover" || cut.Path != "/base/holes" {
		t.Fatalf("after the cover: %s, %s, %+v", after.Reach, after.How, after.Ways)
	}
	// The cleat's bolt stands at 50, 50; the cover's corner at −100, −100.
	if x, y := cut.Hole.X.Distance, cut.Hole.Y.Distance; math.Abs(x-150) > 1e-6 || math.Abs(y-150) > 1e-6 {
		t.Errorf("the hole at %g, %g of the cover", x, y)
	}
	cut.Hole.ID = "access"
	cover.Base.Holes = append(cover.Base.Holes, cut.Hole)
	if r := told([]brief.Joint{bolt("cover", "far"), bolt("cleat", "h")}, cover)[1].Reach[0]; r.Reach == hole.Blocked {
		t.Errorf("through the hole: %s, %s", r.Reach, r.How)
	}
	// A tank of the survey over it is there from the start; the wall the bolt goes
	// through is none in the way.
	tank := survey.Space{ID: "t", Name: "Tank", Kind: survey.Tank,
		Shape: survey.Shape{Form: survey.BoxForm, At: [3]float64{-500, -500, 25}, Size: [3]float64{1000, 1000, 300}}}
	wall := survey.Space{ID: "w", Name: "Wall", Kind: survey.Skin,
		Shape: survey.Shape{Form: survey.BoxForm, At: [3]float64{-500, -500, -12}, Size: [3]float64{1000, 1000, 10}}}
	if r := told([]brief.Joint{bolt("cleat", "h"), bolt("cover", "far")}, cover, wall)[0].Reach[0]; r.Reach != hole.Reachable {
		t.Errorf("with the wall: %s, %s", r.Reach, r.How)
	}
	if r := told([]brief.Joint{bolt("cleat", "h"), bolt("cover", "far")}, cover, tank)[0].Reach[0]; r.Reach != hole.Blocked {
		t.Errorf("under the tank: %s, %s", r.Reach, r.How)
	}
}
