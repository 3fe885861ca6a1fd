package job

import (
	"errors"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/member"
	"warmanvil/core/member/held"
	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/split"
	"warmanvil/core/strength"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
)

// demoJob answers a demo job by name.
func demoJob(t *testing.T, s *Service, name string) Job {
	t.Helper()
	for _, j := range must[[]Counted](t)(s.Jobs(ctx, false)) {
		if j.Brief.Name == name {
			return j.Job
		}
	}
	t.Fatalf("no demo job %s", name)
	return Job{}
}

// A frame is started, changed, copied, worked out among its job, and other sections are
// tried in it; what cannot be is refused where it is.
func TestFramesOfAJob(t *testing.T) {
	s, _ := remembering()
	j := must[Job](t)(s.CreateJob(ctx, plainJob()))
	start := FrameStart{Name: "Hoop", Starter: "hoop", Stock: "40 × 40 × 3 mm tube", Material: "steel-s235"}
	f := must[Frame](t)(s.StartFrame(ctx, j.ID, "Hoop", start))
	d := f.Doc
	d.Members = append([]member.Member{}, d.Members...)
	d.Members[1].Name = "Crown"
	d.Loads = append([]member.Load{}, d.Loads...)
	d.Loads[0].Kilos = 33
	f = must[Frame](t)(s.SaveFrame(ctx, f.ID, On{Revision: 1}, FrameState{"Hoop", 2, d}))
	list := history(t, s, KindFrame, f.ID)
	if len(list) != 2 || !strings.Contains(list[0].Summary, "Hoop") && !strings.Contains(list[0].Summary, "33.0 kg") {
		t.Errorf("%+v", list)
	}
	twin := must[Frame](t)(s.DuplicateFrame(ctx, f.ID))
	if twin.Name != "Hoop (copy)" || twin.Doc.Members[1].Name != "Crown" || twin.Revision != 1 {
		t.Errorf("%+v", twin)
	}
	w := must[WorkedFrame](t)(s.WorkFrame(ctx, f))
	built, shape, of, err := s.FrameBuilt(ctx, f.ID, 0)
	if err != nil || of.ID != j.ID || len(w.Worked.Pieces) != 3 || len(shape.Pieces) != 3 ||
		built.Worked.Hold.Verdict != w.Worked.Hold.Verdict {
		t.Errorf("%d pieces, %v", len(w.Worked.Pieces), err)
	}
	options := must[[]held.Option](t)(s.CompareSections(ctx, f.ID, "40 × 40 × 3 mm tube"))
	if len(options) < 3 {
		t.Errorf("%d sections are tried", len(options))
	}
	var fault *working.Fault
	if _, err := s.CompareSections(ctx, f.ID, "bamboo"); !errors.As(err, &fault) || fault.Path != "/stock" {
		t.Errorf("%v", err)
	}
	start.Stock = "bamboo"
	if _, err := s.StartFrame(ctx, j.ID, "x", start); !errors.As(err, &fault) || fault.Path != "/stock" {
		t.Errorf("%v", err)
	}
	check := must[bool](t)(func() (bool, error) { c, err := s.CheckedFrame(ctx, j, f); return c.Released, err }())
	if check {
		t.Error("a frame nobody measured is let go")
	}
	if _, err := s.SaveFrame(ctx, f.ID, On{Revision: 2}, FrameState{"", 1, d}); !errors.As(err, &fault) || fault.Path != "/name" {
		t.Errorf("%v", err)
	}
	if err := s.Archive(ctx, KindFrame, twin.ID, true); err != nil {
		t.Fatal(err)
	}
	if list := must[[]Frame](t)(s.Frames(ctx, j.ID)); len(list) != 1 {
		t.Errorf("%d frames", len(list))
	}
	if err := s.Archive(ctx, KindSheet, f.ID, true); !errors.Is(err, ErrNotFound) {
		t.Errorf("a frame put away as a folded part: %v", err)
	}
	if err := s.Archive(ctx, KindBrief, j.ID, true); !errors.Is(err, ErrNotFound) {
		t.Errorf("a brief put away: %v", err)
	}
}

// A deck too long for the bed is split into pieces that name it, and joined again: the
// whole comes back and the pieces are put away.
func TestSplitAndJoin(t *testing.T) {
	s, _ := remembering()
	j := must[Job](t)(s.CreateJob(ctx, plainJob()))
	r := demo.DemoSheet(2)
	r.Base = sheet.Base{ID: "deck", Length: 3400, Width: 900}
	whole := must[Part](t)(s.CreatePart(ctx, j.ID, PartState{strings.Repeat("Deck ", 22), 2, r}))
	pieces, err := s.SplitPart(ctx, whole.ID, split.Parting{Axis: "x", At: 1700, Joint: split.LapJoint,
		Why: " too long for the brake "}, "Ada")
	if err != nil {
		t.Fatal(err)
	}
	if len(pieces) < 2 || pieces[0].Recipe.Piece == nil || pieces[0].Recipe.Piece.Of != whole.ID ||
		pieces[1].Recipe.Piece.Why != "too long for the brake" || pieces[0].Quantity < 2 {
		t.Fatalf("%d pieces, %+v", len(pieces), pieces[0].Recipe.Piece)
	}
	if list := must[[]Part](t)(s.Parts(ctx, j.ID)); len(list) != len(pieces) {
		t.Errorf("%d parts", len(list))
	}
	// Their seam is a joint of the job: through the first piece's holes, M8 in 9 mm, and
	// nobody said yet what it carries.
	seams := must[Job](t)(s.Job(ctx, j.ID)).Brief.Joints
	if len(seams) != 1 || seams[0].Part != pieces[0].ID || len(seams[0].Features) != 1 || seams[0].Sides[1].Of != pieces[1].ID ||
		seams[0].Design.Size != "M8" || len(seams[0].Design.Cases) > 0 || seams[0].Note != "too long for the brake" {
		t.Errorf("%+v", seams)
	}
	_, all, err := s.Site(ctx, j.ID)
	if err != nil {
		t.Fatal(err)
	}
	for _, told := range all.Hold().Joints {
		if told.Result.Verdict != strength.CannotSay {
			t.Errorf("a seam without a load holds: %+v", told)
		}
	}
	var fault *working.Fault
	if _, err := s.SplitPart(ctx, whole.ID, split.Parting{Axis: "x", At: 1700, Joint: split.LapJoint}, ""); !errors.As(err, &fault) ||
		!strings.Contains(fault.Message, "put away") {
		t.Errorf("split again: %v", err)
	}
	back := must[Part](t)(s.JoinPart(ctx, pieces[1].ID, ""))
	if list := must[[]Part](t)(s.Parts(ctx, j.ID)); back.ID != whole.ID || back.Archived || len(list) != 1 {
		t.Errorf("%+v, %d parts", back.Kept, len(list))
	}
	if _, err := s.JoinPart(ctx, whole.ID, ""); !errors.As(err, &fault) || !strings.Contains(fault.Message, "no piece") {
		t.Errorf("joined what is whole: %v", err)
	}
	if left := must[Job](t)(s.Job(ctx, j.ID)).Brief.Joints; len(left) > 0 {
		t.Errorf("the seam stays: %+v", left)
	}
	twin := must[Part](t)(s.DuplicatePart(ctx, whole.ID))
	if len([]rune(twin.Name)) > brief.MaxName || !strings.HasSuffix(twin.Name, "(copy)") {
		t.Errorf("%q", twin.Name)
	}
}

// What follows a pattern is brought to where it is measured now, as revisions by whoever
// asks; a survey is a document like all others, its first state too.
func TestSurveyOfAJob(t *testing.T) {
	s, _ := remembering()
	if err := s.LoadDemo(ctx); err != nil {
		t.Fatal(err)
	}
	j := demoJob(t, s, "Orchard truck")
	v, revision, err := s.Survey(ctx, j.ID)
	if err != nil || revision != 1 {
		t.Fatal(revision, err)
	}
	for i := range v.Maps {
		for k := range v.Maps[i].Readings {
			x := &v.Maps[i].Readings[k].Value
			for n := range x.Values {
				x.Values[n] *= 1.01 // another tape
			}
		}
	}
	if _, err := s.SaveSurvey(ctx, j.ID, On{Revision: 1, Who: "Ada"}, v); err != nil {
		t.Fatal(err)
	}
	worked := must[bool](t)(func() (bool, error) {
		w, err := s.WorkSurvey(ctx, j.ID, v)
		return len(w.Follows) > 0 && w.Follows[0].Stale, err
	}())
	if !worked {
		t.Error("nothing is out of date")
	}
	moved := must[[]Part](t)(s.BringUp(ctx, j.ID, v.Follows[0].ID, "Ada"))
	if len(moved) != 1 || moved[0].Revision != 2 || moved[0].Who != "Ada" {
		t.Errorf("%+v", moved)
	}
	if _, err := s.BringUp(ctx, j.ID, "nothing", ""); !errors.Is(err, ErrNotFound) {
		t.Errorf("%v", err)
	}
	if list := history(t, s, KindSurvey, j.ID); len(list) != 2 || list[0].Who != "Ada" || !strings.Contains(list[0].Summary, "more") {
		t.Errorf("%+v", list)
	}
	d := must[Document](t)(s.Undo(ctx, KindSurvey, j.ID, On{Revision: 2}))
	first := func(v vehicle.Survey) float64 { return v.Maps[0].Readings[0].Value.Values[0] }
	if back := must[vehicle.Survey](t)(Body[vehicle.Survey](d.Body)); first(back) == first(v) {
		t.Error("not undone")
	}
	_, rows, err := s.PartsList(ctx, j.ID)
	if err != nil || len(rows) < 7 {
		t.Errorf("%d rows, %v", len(rows), err)
	}
	if got, err := s.Assembly(ctx, j.ID); err != nil || len(got.Items) == 0 {
		t.Errorf("%d things, %v", len(got.Items), err)
	}
	if list, err := s.Suggest(ctx, j.ID, "press-feet"); err != nil || len(list) == 0 {
		t.Errorf("%d suggestions, %v", len(list), err)
	}
	// A job that has none yet: revision 0, and its first state on it.
	fresh := must[Job](t)(s.CreateJob(ctx, plainJob()))
	if v, revision, err := s.Survey(ctx, fresh.ID); err != nil || revision != 0 || v.Schema != vehicle.SurveySchema {
		t.Errorf("%d, %v", revision, err)
	}
	if _, err := s.SaveSurvey(ctx, fresh.ID, On{Revision: 3}, vehicle.Survey{Hook: 1}); !errors.Is(err, ErrConflict) {
		t.Errorf("on a state there never was: %v", err)
	}
	must[Saved](t)(s.SaveSurvey(ctx, fresh.ID, On{}, vehicle.Survey{Hook: 1}))
	// Two who both make the first: joined, as nothing was there before.
	got := must[Saved](t)(s.SaveSurvey(ctx, fresh.ID, On{}, vehicle.Survey{Drawn: "to a drawing"}))
	if v := must[vehicle.Survey](t)(Body[vehicle.Survey](got.Body)); v.Hook != 1 || v.Drawn != "to a drawing" || got.Revision != 2 {
		t.Errorf("%+v", v)
	}
}

// Differences are told in the job's units, by the names of things, and what has no name
// by what it is one of.
func TestDifferencesInWords(t *testing.T) {
	k, err := KindBrief.known()
	if err != nil {
		t.Fatal(err)
	}
	was := plainJob()
	was.Devices = []brief.Device{{ID: "p", Name: "Pump", Mass: &brief.Given{Value: 20, Trust: brief.Measured}}, {ID: "q", Name: "Tank"}}
	for _, c := range []struct {
		name   string
		change func(b *brief.Brief)
		want   string
		inches string
	}{
		{"a mass", func(b *brief.Brief) { b.Devices[0].Mass = &brief.Given{Value: 30, Trust: brief.Measured} }, "Pump: mass 30.0 kg, was 20.0 " +
			"kg", "Pump: mass 66.1 lb, was 44.1 lb"},
		{"a length", func(b *brief.Brief) { b.Limits.Ground = &brief.Given{Value: 127, Trust: brief.Measured} }, "Limits, ground added", ""},
		{"came", func(b *brief.Brief) { b.Devices = append(b.Devices, brief.Device{ID: "r", Name: "Reel"}) }, "Reel added", ""},
		{"went", func(b *brief.Brief) { b.Devices = b.Devices[:1] }, "Tank removed", ""},
		{"moved", func(b *brief.Brief) { b.Devices[0], b.Devices[1] = b.Devices[1], b.Devices[0] }, "Devices, order changed", ""},
		{"words", func(b *brief.Brief) { b.Purpose = strings.Repeat("long ", 40) }, "Purpose " + strings.TrimSpace(strings.Repeat("long "+
			"", 12)) + " …", ""},
		{"a switch", func(b *brief.Brief) { b.Card.Trailer = true }, "Card, trailer yes", ""},
		{"two", func(b *brief.Brief) { b.Name, b.Quantity = "Other", 3 }, "Name Other, was Shelf, and 1 more", ""},
		{"nothing", func(*brief.Brief) {}, "nothing that shows", ""},
	} {
		t.Run(c.name, func(t *testing.T) {
			now := was
			now.Devices = append([]brief.Device{}, was.Devices...)
			c.change(&now)
			a, errA := ready(was)
			b, errB := ready(now)
			if errA != nil || errB != nil {
				t.Fatal(errA, errB)
			}
			if got := briefly(k.differences(a, b, quantity.Display{Style: quantity.Metric})); got != c.want {
				t.Errorf("says %q, want %q", got, c.want)
			}
			if got := briefly(k.differences(a, b, quantity.Display{Style: quantity.Decimal})); c.inches != "" && got != c.inches {
				t.Errorf("in inches %q, want %q", got, c.inches)
			}
		})
	}
	if list := k.differences([]byte("{"), []byte("{}"), quantity.Display{}); len(list) != 1 || list[0].Now != "changed" {
		t.Errorf("of what cannot be read: %+v", list)
	}
	if _, err := Kind("letter").known(); err == nil || Kind("letter").Many() {
		t.Error("a letter is a document")
	}
	if n := len(Kinds()); n != 6 {
		t.Errorf("%d kinds", n)
	}
}

// A clash is worded so that one can choose: values in the job's units, what was taken
// away, whose order, and feet told by what differs in them.
func TestClashesInWords(t *testing.T) {
	s, _ := remembering()
	b := plainJob()
	b.Unit, b.Grain = brief.UnitFraction, 25.4/16
	b.Devices = []brief.Device{{ID: "p", Name: "Pump", Mass: &brief.Given{Value: 20, Trust: brief.Measured}},
		{ID: "q", Name: "Tank"}, {ID: "r", Name: "Reel"}}
	j := must[Job](t)(s.CreateJob(ctx, b))
	change := func(mass float64, order []int, feet ...brief.Foot) brief.Brief {
		c := j.Brief
		c.Devices = nil
		for _, i := range order {
			d := j.Brief.Devices[i]
			if d.ID == "q" {
				d.Feet = feet
			}
			if d.ID == "p" {
				d.Mass = &brief.Given{Value: mass, Trust: brief.Measured}
			}
			c.Devices = append(c.Devices, d)
		}
		return c
	}
	must[Job](t)(s.SaveBrief(ctx, j.ID, On{Revision: 1}, change(30, []int{1, 0, 2}, brief.Foot{X: 10})))
	_, err := s.SaveBrief(ctx, j.ID, On{Revision: 1}, change(40, []int{0, 2, 1}, brief.Foot{X: 20}))
	var clash *Clash
	if !errors.As(err, &clash) {
		t.Fatal(err)
	}
	got := map[string][2]string{}
	for _, p := range clash.Places {
		got[p.What] = [2]string{p.Mine, p.Theirs}
	}
	for what, want := range map[string][2]string{
		"Pump: mass":     {"88.2 lb", "66.1 lb"},
		"Devices, order": {"your order", "their order"},
		// Both called their foot f1: it is one foot with two places.
		"Tank, one of the feet: x": {`0.7874"`, `0.3937"`},
	} {
		if got[what] != want {
			t.Errorf("%s: %q, want %q", what, got[what], want)
		}
	}
	if len(clash.Places) != 3 {
		t.Errorf("%+v", clash.Places)
	}
	// A length that is no fraction is a decimal.
	one := spot{unit: "mm", show: quantity.Display{Style: quantity.Fraction, Denominator: 16}}
	if got := one.words(400.); got != `15.748"` {
		t.Errorf("400 mm are %q", got)
	}
	if got := one.words(63.5); got != `2 1/2"` {
		t.Errorf("63.5 mm are %q", got)
	}
	// Taken away here and changed there.
	_, err = s.SaveBrief(ctx, j.ID, On{Revision: 1}, change(20, []int{1, 2}))
	if !errors.As(err, &clash) || len(clash.Places) != 1 || clash.Places[0].What != "Pump" || clash.Places[0].Mine != "taken away" ||
		clash.Places[0].Theirs != "there" {
		t.Errorf("%v %+v", err, clash.Places)
	}
}

// What names a part is told before it is put away, in any document, by place.
func TestDependants(t *testing.T) {
	s, _ := remembering()
	if err := s.LoadDemo(ctx); err != nil {
		t.Fatal(err)
	}
	j := demoJob(t, s, "Orchard truck")
	parts, err := s.Parts(ctx, j.ID)
	if err != nil {
		t.Fatal(err)
	}
	found := map[string][]Dependant{}
	for _, p := range parts {
		list, err := s.Dependants(ctx, KindSheet, p.ID)
		if err != nil {
			t.Fatal(err)
		}
		found[p.Name] = list
	}
	list := found["Press foot"]
	if len(list) == 0 || list[0].Kind != KindBrief || !strings.Contains(strings.Join(list[0].Where, "; "), "Press on its feet") {
		t.Errorf("the press foot is named by %+v", list)
	}
	if _, err := s.Dependants(ctx, KindSheet, j.ID); !errors.Is(err, ErrNotFound) {
		t.Errorf("of what is no part: %v", err)
	}
	if err := s.Archive(ctx, KindSheet, parts[1].ID, true); err != nil {
		t.Fatal(err)
	}
	away, err := s.Away(ctx, j.ID)
	if err != nil || len(away) != 1 || away[0].ID != parts[1].ID || away[0].Name != parts[1].Name || away[0].Kind != KindSheet {
		t.Errorf("put away is %+v (%v)", away, err)
	}
	left, err := s.Parts(ctx, j.ID)
	if err != nil || len(left) != len(parts)-1 {
		t.Errorf("%d parts are left of %d (%v)", len(left), len(parts), err)
	}
}

// A thing within a document that others name, or that holds what others name: each place is
// told. Feet that two devices call alike are not taken for one another's.
func TestNamedBy(t *testing.T) {
	s, _ := remembering()
	if err := s.LoadDemo(ctx); err != nil {
		t.Fatal(err)
	}
	j := demoJob(t, s, "Orchard truck")
	v, _, err := s.Survey(ctx, j.ID)
	if err != nil {
		t.Fatal(err)
	}
	told := func(ids ...string) string {
		t.Helper()
		list, err := s.NamedBy(ctx, j.ID, ids...)
		if err != nil {
			t.Fatal(err)
		}
		var out []string
		for _, d := range list {
			out = append(out, string(d.Kind)+": "+strings.Join(d.Where, ", "))
		}
		return strings.Join(out, "; ")
	}
	for _, p := range v.Points {
		switch said := told(p.ID); p.Name {
		case "Filler neck, middle":
			if said != "survey: Lashing eye, left" {
				t.Errorf("%s is named by %q", p.Name, said)
			}
		case "Lashing eye, left":
			if said != "" {
				t.Errorf("nothing names %s, but %q", p.Name, said)
			}
		}
	}
	both := []string{}
	for _, m := range v.Maps {
		if both = append(both, m.ID); m.Name == "Left rail" && !strings.Contains(told(m.ID), "Tray bracket, left") {
			t.Errorf("what is bolted to the holes of %s is not told: %q", m.Name, told(m.ID))
		}
	}
	if said := told(both...); strings.Contains(said, "Right rail") || !strings.Contains(said, "Tray bracket, left") {
		t.Errorf("of two maps that go together: %q", said)
	}
	for _, d := range j.Brief.Devices {
		if said := told(d.ID); strings.HasPrefix(d.Name, "Air compressor") && strings.Contains(said, "Press") {
			t.Errorf("%s is named by what names another's feet: %q", d.Name, said)
		}
	}
	parts, err := s.Parts(ctx, j.ID)
	if err != nil {
		t.Fatal(err)
	}
	for _, p := range parts {
		for _, h := range p.Recipe.Base.Holes {
			said := told(h.ID)
			if p.Name == "Compressor tray bracket" && !strings.Contains(said, "survey: Tray bracket") || strings.Contains(said, "sheet") {
				t.Errorf("%s of %s is named by %q", h.ID, p.Name, said)
			}
		}
	}
	if said := told("nothing goes by this"); said != "" {
		t.Errorf("nothing is named by %q", said)
	}
}
