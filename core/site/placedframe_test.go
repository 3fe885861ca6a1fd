package site

import (
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/member"
	"warmanvil/core/member/shape"
	"warmanvil/core/section"
	"warmanvil/core/vehicle"
)

// A frame is placed by its points on surveyed ones, clears or hits what is there,
// and its points may be surveyed ones themselves.
func TestFramePlacedBySurvey(t *testing.T) {
	at := func(id string, x, y, z float64) vehicle.SurveyPoint {
		return vehicle.SurveyPoint{ID: id, Name: id, Kind: "point", Way: vehicle.ByOffsets, X: demo.Taped(x), Y: demo.Taped(y),
			Z: demo.Taped(z)}
	}
	sec := section.Sizes{Kind: "rectTube", Width: 40, Height: 40, Wall: 3}
	frame := Frame{ID: "f", Name: "Hoop", Doc: member.Doc{Schema: 1, Material: "steel-s235",
		Points: []member.Point{{ID: "p", Name: "Left"}, {ID: "q", Name: "Right", Y: -800}, {ID: "r", Name: "Ahead", X: 500}},
		Members: []member.Member{{ID: "m", Name: "Bar", From: "p", To: "q", Section: sec},
			{ID: "n", Name: "Arm", From: "p", To: "r", Section: sec}}}}
	s := vehicle.Survey{Points: []vehicle.SurveyPoint{at("a", -1000, 400, 600), at("b", -1000, -400, 600), at("c", -500, 400, 600)},
		Placed: []vehicle.Placed{{ID: "x", Name: "Hoop in place", Part: "f", Facing: brief.FaceUp,
			Mates: []vehicle.MatePair{{Hole: "p", Point: "a"}, {Hole: "q", Point: "b"}, {Hole: "r", Point: "c"}}},
			{ID: "box", Name: "Box", Size: &brief.Box{Length: 100, Width: 100, Height: 100}, At: [3]float64{-1050, -50, 650}}}}
	out := WorkSurvey(s, brief.Brief{Unit: brief.UnitMM, Grain: 1}, nil, frame)
	if out.Placed[0].Why != "" || len(out.Placed[0].Holes) != 3 || len(out.Placed[0].Misses) != 3 {
		t.Fatalf("%+v", out.Placed[0])
	}
	found := false
	for _, c := range out.Clearances {
		if c.Thing == "Hoop in place" && c.With == "Box" || c.Thing == "Box" && c.With == "Hoop in place" {
			found = true
			near(t, "bar's top to the box", c.Distance, 30, 1e-6)
		}
	}
	if !found {
		t.Errorf("no clearance between them: %+v", out.Clearances)
	}
	// Its points may come from the survey, in the frame's own axes.
	d := frame.Doc
	d.Fit = &member.Pose{X: -1000, Y: 400, Z: 600}
	d.Points = append([]member.Point{}, d.Points...)
	d.Points[2] = member.Point{ID: "r", Name: "Ahead", Survey: "c", Z: 10}
	l := newStander(Site{Survey: s}).from
	b := shape.Build(d, l.ForFrame(d))
	for i, want := range [3]float64{500, 0, 10} {
		near(t, "surveyed point", b.Joints[2].At[i], want, 1e-9)
	}
	d.Points[2].Survey = "gone"
	if b = shape.Build(d, l.ForFrame(d)); b.Pieces[1].Why == "" || b.Pieces[0].Why != "" {
		t.Error("a member on a lost point is shown")
	}
}
