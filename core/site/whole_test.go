package site

import (
	"context"
	"math"
	"slices"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/member"
	"warmanvil/core/section"
	"warmanvil/core/shop"
	"warmanvil/core/strength"
	"warmanvil/core/survey"
	"warmanvil/core/vehicle"
)

// reach answers the box about a shape.
func reach(s WholeShape) (lo, hi [3]float64) {
	for k := range 3 {
		lo[k], hi[k] = math.Inf(1), math.Inf(-1)
		for _, c := range s.Corners {
			lo[k], hi[k] = math.Min(lo[k], c[k]), math.Max(hi[k], c[k])
		}
	}
	return lo, hi
}

// Everything that has a place is in the picture where it is placed, in every state it looks
// otherwise in, with what is said of it; what has none is named.
func TestWhole(t *testing.T) {
	at := func(id string, x, y, z float64) vehicle.SurveyPoint {
		return vehicle.SurveyPoint{ID: id, Name: id, Kind: "point", Way: vehicle.ByOffsets, X: demo.Taped(x), Y: demo.Taped(y),
			Z: demo.Taped(z)}
	}
	sec := section.Sizes{Kind: "rectTube", Width: 40, Height: 40, Wall: 3}
	frame := Frame{ID: "f", Name: "Beam", Quantity: 1, Doc: member.Doc{Schema: 1, Material: "steel-s235",
		Points:  []member.Point{{ID: "p", Name: "Left", Y: 400}, {ID: "q", Name: "Right", Y: -400}},
		Members: []member.Member{{ID: "m", Name: "Bar", From: "p", To: "q", Section: sec}}}}
	v := vehicle.Survey{Points: []vehicle.SurveyPoint{at("a", -1000, 400, 600)},
		Placed: []vehicle.Placed{{ID: "box", Name: "Box", Size: &brief.Box{Length: 100, Width: 200, Height: 300},
			At: [3]float64{-1000, 50, 650}}},
		Spaces: []survey.Space{
			{ID: "lid", Name: "Lid", Kind: survey.Moving, Moves: []survey.State{survey.InUse}, Shape: survey.Shape{Form: survey.TravelForm,
				At: [3]float64{-1050, 0, 1000}, Size: [3]float64{50, 50, 50}, Travel: [3]float64{0, 0, -400}}},
			{ID: "bar", Name: "Bar", Kind: survey.Fixed, Absent: []survey.State{survey.Stowed}, Shape: survey.Shape{Form: survey.BoxForm,
				At: [3]float64{500, 0, 0}, Size: [3]float64{10, 20, 30}}}}}
	b := truck("rough")
	parts := BuildParts(context.Background(), pressParts(), b, shop.Shop{})
	s := Site{Brief: b, Parts: parts, Frames: []Frame{frame}, Survey: v}
	w := s.Whole()
	find := func(id string) *WholeThing {
		for i := range w.Things {
			if w.Things[i].ID == id {
				return &w.Things[i]
			}
		}
		t.Fatalf("%s is not in the picture", id)
		return nil
	}
	lo, hi := reach(find("box").Shapes[0])
	if lo != [3]float64{-1000, 50, 650} || hi != [3]float64{-900, 250, 950} {
		t.Errorf("the box stands from %v to %v", lo, hi)
	}
	if lo, hi = reach(find("f").Shapes[0]); math.Abs(lo[1]+400) > .2 || math.Abs(hi[1]-400) > .2 || math.Abs(hi[0]-20) > .2 {
		t.Errorf("the beam reaches from %v to %v", lo, hi)
	}
	if x := find("f"); x.Kind != "frame" || x.Verdict == "" || x.Progress == "" || x.Says == "" {
		t.Errorf("of the beam is said: %+v", x)
	}
	lid := find("lid")
	if len(lid.Shapes) != 3 || len(lid.Shapes[1].States) != 1 || lid.Shapes[1].States[0] != survey.InUse {
		t.Fatalf("the lid is drawn in %d shapes", len(lid.Shapes))
	}
	low := func(k int) float64 { lo, _ := reach(lid.Shapes[k]); return lo[2] }
	if low(0) != 1000 || low(1) != 600 || low(2) != 1000 {
		t.Errorf("the lid reaches down to %g, %g and %g", low(0), low(1), low(2))
	}
	if !lid.Hit || !find("box").Hit || find("bar").Hit {
		t.Errorf("what meets is not said to: lid %v, box %v, bar %v", lid.Hit, find("box").Hit, find("bar").Hit)
	}
	if bar := find("bar"); len(bar.Shapes) != 1 || slices.Contains(bar.Shapes[0].States, survey.Stowed) || len(bar.Shapes[0].States) != 2 {
		t.Errorf("the bar is there in %+v", bar.Shapes)
	}
	if len(w.Points) != 1 || w.Points[0].At[0] != -1000 {
		t.Errorf("points: %+v", w.Points)
	}
	for _, p := range parts {
		if !slices.Contains(w.Unplaced, p.Name) {
			t.Errorf("%s stands nowhere and is not named: %q", p.Name, w.Unplaced)
		}
	}
	said := s.Said(s.Hold())
	for _, j := range w.Joints {
		if x := said[j.ID]; j.Verdict != x.Verdict || len(j.Forces) != len(w.Cases) {
			t.Errorf("%s is %q and has %d forces of %d cases; it is said to be %q", j.Name, j.Verdict, len(j.Forces), len(w.Cases),
				x.Verdict)
		}
	}
	// A part that is placed shows the worst said of it.
	mount := b.Mounts[0]
	s.Survey.Placed = append(s.Survey.Placed, vehicle.Placed{ID: "on", Name: "Foot", Part: mount.Part})
	w = s.Whole()
	on, worst := find("on"), strength.Verdict("")
	for _, m := range b.Mounts {
		if x := said[m.ID]; m.Part == mount.Part && (worst == "" || strength.Worse(x.Verdict, worst)) {
			worst = x.Verdict
		}
	}
	if on.Kind != "part" || on.Verdict != worst || on.Of != mount.Part {
		t.Errorf("of the foot is said %q, its mounts say %q", on.Verdict, worst)
	}
}

// A whole truck drawn for the browser.
func BenchmarkWhole(b *testing.B) {
	job := truck("rough")
	s := Site{Brief: job, Parts: BuildParts(context.Background(), pressParts(), job, shop.Shop{})}
	for b.Loop() {
		s.Whole()
	}
}
