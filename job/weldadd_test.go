package job

import (
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/split"
	"warmanvil/core/site"
	"warmanvil/core/strength"
	"warmanvil/core/vehicle"
	"warmanvil/core/weld"
)

// Pieces that are welded together are a welded joint of the job along the cut, which nobody can say of yet: how deep it
// is welded is not said. Joined again it is gone.
func TestSplitPiecesAreWelded(t *testing.T) {
	s, _ := remembering()
	j := must[Job](t)(s.CreateJob(ctx, plainJob()))
	r := demo.DemoSheet(2)
	r.Base = sheet.Base{ID: "deck", Length: 3400, Width: 900}
	whole := must[Part](t)(s.CreatePart(ctx, j.ID, PartState{"Deck", 1, r}))
	pieces, err := s.SplitPart(ctx, whole.ID, split.Parting{Axis: "x", At: 1700, Joint: split.TabJoint}, "Ada")
	if err != nil {
		t.Fatal(err)
	}
	b := must[Job](t)(s.Job(ctx, j.ID)).Brief
	if len(b.Welded) != 1 || b.Welded[0].Sides[0].Of != pieces[0].ID || b.Welded[0].Sides[1].Of != pieces[1].ID || len(b.Joints) != 0 {
		t.Fatalf("%+v", b.Welded)
	}
	_, all, err := s.Site(ctx, j.ID)
	if err != nil {
		t.Fatal(err)
	}
	told := all.Hold().Welded[0]
	if told.Verdict != strength.CannotSay || len(told.Seams) != 1 || told.Seams[0].Long < 850 {
		t.Errorf("%s %q %+v", told.Verdict, told.Why, told.Seams)
	}
	must[Part](t)(s.JoinPart(ctx, pieces[1].ID, ""))
	if b := must[Job](t)(s.Job(ctx, j.ID)).Brief; len(b.Welded) != 0 {
		t.Errorf("joined again its seam stays: %+v", b.Welded)
	}
}

// A gusset added to a joint is a part, a place and two seams of the job, each kept with its name; what cannot be added
// changes nothing.
func TestAddToWeld(t *testing.T) {
	s, _ := remembering()
	j := must[Job](t)(s.CreateJob(ctx, plainJob()))
	r := demo.DemoSheet(6)
	r.Base.Length, r.Base.Width = 120, 80
	ear := must[Part](t)(s.CreatePart(ctx, j.ID, PartState{"Ear", 1, r}))
	v, on, err := s.Survey(ctx, j.ID)
	if err != nil {
		t.Fatal(err)
	}
	v.Placed = []vehicle.Placed{{ID: "p", Name: "Ear", Part: ear.ID, Pitch: -90}}
	if _, err := s.SaveSurvey(ctx, j.ID, On{Revision: on}, v); err != nil {
		t.Fatal(err)
	}
	j = must[Job](t)(s.Job(ctx, j.ID))
	b := j.Brief
	b.Welded = []brief.Welded{{ID: "w", Name: "Ear", Sides: [2]brief.SeamBody{{Side: brief.Side{Kind: brief.PartSide, Of: ear.ID}},
		{Name: "post", Material: "steel-s235", Thickness: 8}},
		Seams: []brief.SeamPlan{{Seam: weld.Seam{ID: "s", Form: weld.FilletForm, Leg: 5}, Panel: "base", Edge: "left"}}}}
	if _, err := s.SaveBrief(ctx, j.ID, On{Revision: j.Revision}, b); err != nil {
		t.Fatal(err)
	}
	parts, err := s.AddToWeld(ctx, j.ID, site.WeldAdd{Joint: "w", Seam: "s", Kind: site.AddGusset}, "Ada")
	if err != nil || len(parts) != 1 || !strings.HasPrefix(parts[0].Name, "Gusset") {
		t.Fatalf("%v %+v", err, parts)
	}
	b = must[Job](t)(s.Job(ctx, j.ID)).Brief
	v, _, err = s.Survey(ctx, j.ID)
	if err != nil || len(v.Placed) != 2 || v.Placed[1].Part != parts[0].ID {
		t.Fatalf("%v %+v", err, v.Placed)
	}
	if len(b.Welded) != 2 || b.Welded[0].Seams[1].On != v.Placed[1].ID || b.Welded[1].Braces != "w" || b.Welded[1].Sides[0].Of != parts[0].ID {
		t.Errorf("%+v", b.Welded)
	}
	if _, err := s.AddToWeld(ctx, j.ID, site.WeldAdd{Joint: "w", Seam: "gone", Kind: site.AddGusset}, ""); err == nil {
		t.Error("a gusset at a seam that is gone")
	}
	if list := must[[]Part](t)(s.Parts(ctx, j.ID)); len(list) != 2 {
		t.Errorf("%d parts", len(list))
	}
}
