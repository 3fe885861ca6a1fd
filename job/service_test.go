package job

import (
	"context"
	"errors"
	"fmt"
	"reflect"
	"slices"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/site"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

var ctx = context.Background()

func must[T any](t *testing.T) func(v T, err error) T {
	t.Helper()
	return func(v T, err error) T {
		t.Helper()
		if err != nil {
			t.Fatal(err)
		}
		return v
	}
}

// part reads a document that is a part.
func part(t *testing.T) func(d Document, err error) Part {
	t.Helper()
	return func(d Document, err error) Part {
		t.Helper()
		if err != nil {
			t.Fatal(err)
		}
		return must[Part](t)(PartOf(d))
	}
}

func history(t *testing.T, s *Service, k Kind, id string) []Revision {
	t.Helper()
	return must[[]Revision](t)(s.History(ctx, must[Document](t)(s.Find(ctx, k, id))))
}

func plainJob() brief.Brief {
	return brief.Brief{Name: "Shelf", Unit: brief.UnitMM, Grain: 1, Quantity: 1}
}

// Undo walks back through every state, redo forth again, and a change after an undo
// leaves nothing to redo; no state is ever lost.
func TestUndoAndRedoWalk(t *testing.T) {
	s, _ := remembering()
	j := must[Job](t)(s.CreateJob(ctx, plainJob()))
	p := must[Part](t)(s.CreatePart(ctx, j.ID, PartState{"Bracket", 1, demo.ShelfBracket()}))
	widths := []float64{p.Recipe.Base.Width}
	for _, w := range []float64{70, 80, 90} {
		r := p.Recipe
		r.Base.Width = w
		p = must[Part](t)(s.SavePart(ctx, p.ID, On{Revision: p.Revision}, PartState{"Bracket", 1, r}))
		widths = append(widths, w)
	}
	for i := len(widths) - 2; i >= 0; i-- {
		p = part(t)(s.Undo(ctx, KindSheet, p.ID, On{Revision: p.Revision}))
		if p.Recipe.Base.Width != widths[i] || !strings.HasPrefix(p.Summary, "undone") {
			t.Errorf("undone to %g, %q, want %g", p.Recipe.Base.Width, p.Summary, widths[i])
		}
	}
	if _, err := s.Undo(ctx, KindSheet, p.ID, On{Revision: p.Revision}); !errors.Is(err, ErrNothing) {
		t.Errorf("nothing is left to undo: %v", err)
	}
	for i := 1; i < len(widths); i++ {
		p = part(t)(s.Redo(ctx, KindSheet, p.ID, On{Revision: p.Revision}))
		if p.Recipe.Base.Width != widths[i] {
			t.Errorf("redone to %g, want %g", p.Recipe.Base.Width, widths[i])
		}
	}
	p = part(t)(s.Undo(ctx, KindSheet, p.ID, On{Revision: p.Revision}))
	r := p.Recipe
	r.Base.Width = 55
	p = must[Part](t)(s.SavePart(ctx, p.ID, On{Revision: p.Revision}, PartState{"Bracket", 1, r}))
	if _, err := s.Redo(ctx, KindSheet, p.ID, On{Revision: p.Revision}); !errors.Is(err, ErrNothing) {
		t.Errorf("a change leaves nothing to redo: %v", err)
	}
	list := history(t, s, KindSheet, p.ID)
	if len(list) != p.Revision || list[0].Number != p.Revision || !strings.Contains(list[0].Summary, "55") {
		t.Errorf("%d states of %d, the last %q", len(list), p.Revision, list[0].Summary)
	}
}

// A number typed digit by digit is saved more than once, and one undo takes it back to
// what stood before; a change after an undo is a change of its own.
func TestUndoTakesBackAWholeEntry(t *testing.T) {
	s, _ := remembering()
	j := must[Job](t)(s.CreateJob(ctx, plainJob()))
	p := must[Part](t)(s.CreatePart(ctx, j.ID, PartState{"Bracket", 1, demo.ShelfBracket()}))
	was := p.Recipe.Base.Width
	save := func(w float64, goesOn bool) {
		r := p.Recipe
		r.Base.Width = w
		p = must[Part](t)(s.SavePart(ctx, p.ID, On{Revision: p.Revision, Continues: goesOn}, PartState{"Bracket", 1, r}))
	}
	undo := func(want float64) {
		t.Helper()
		if p = part(t)(s.Undo(ctx, KindSheet, p.ID, On{Revision: p.Revision})); p.Recipe.Base.Width != want {
			t.Errorf("undone to %g, want %g", p.Recipe.Base.Width, want)
		}
	}
	save(60, true) // the first state has nothing before it: this is a change of its own
	undo(was)
	save(70, true) // an undo is not gone on with
	save(71, true)
	save(712, true)
	undo(was)
	save(80, false)
	save(9, false)
	save(90, true)
	undo(80)
	if p = part(t)(s.Redo(ctx, KindSheet, p.ID, On{Revision: p.Revision})); p.Recipe.Base.Width != 90 {
		t.Errorf("redone to %g", p.Recipe.Base.Width)
	}
	undo(80)
	undo(was)
}

// Of two who change the same thing on the same state one is told, and has what stands;
// saving what is there makes no state.
func TestTwoWhoSave(t *testing.T) {
	s, _ := remembering()
	j := must[Job](t)(s.CreateJob(ctx, plainJob()))
	p := must[Part](t)(s.CreatePart(ctx, j.ID, PartState{"Bracket", 1, demo.ShelfBracket()}))
	mine := must[Part](t)(s.SavePart(ctx, p.ID, On{Revision: p.Revision}, PartState{"Mine", 1, p.Recipe}))
	_, err := s.SavePart(ctx, p.ID, On{Revision: p.Revision}, PartState{"Yours", 1, p.Recipe})
	var clash *Clash
	if !errors.As(err, &clash) || !errors.Is(err, ErrConflict) || clash.Current.Revision != mine.Revision {
		t.Fatalf("%v", err)
	}
	if want := []Clashing{{Path: "/name", What: "Name", Mine: "Yours", Theirs: "Mine"}}; !reflect.DeepEqual(clash.Places, want) {
		t.Errorf("%+v", clash.Places)
	}
	if _, err := s.Undo(ctx, KindSheet, p.ID, On{Revision: p.Revision}); !errors.Is(err, ErrConflict) {
		t.Errorf("undone on an old state: %v", err)
	}
	again := must[Part](t)(s.SavePart(ctx, p.ID, On{Revision: mine.Revision}, PartState{"Mine", 1, p.Recipe}))
	if again.Revision != mine.Revision {
		t.Errorf("state %d after %d, and nothing changed", again.Revision, mine.Revision)
	}
	other := plainJob()
	other.Name = "Other"
	if _, err := s.SaveBrief(ctx, j.ID, On{Revision: j.Revision + 1}, other); !errors.Is(err, ErrConflict) {
		t.Errorf("a brief saved on another state: %v", err)
	}
}

// Two who change different things of one document both have them, in whatever order they
// save, and one undo takes back the last of them alone. Where they changed the same, the
// one who comes second chooses, place by place, on what stands then and not later.
func TestChangesAreJoined(t *testing.T) {
	s, _ := remembering()
	j := must[Job](t)(s.CreateJob(ctx, plainJob()))
	p := must[Part](t)(s.CreatePart(ctx, j.ID, PartState{"Bracket", 1, demo.ShelfBracket()}))
	save := func(on On, change func(*PartState)) (Saved, error) {
		state := p.State()
		state.Recipe.Base.Holes = slices.Clone(state.Recipe.Base.Holes)
		change(&state)
		return Save(ctx, s, KindSheet, p.ID, on, state)
	}
	must[Saved](t)(save(On{Revision: 1, Who: "Ada"}, func(s *PartState) { s.Recipe.Base.Width = 222 }))
	got := must[Saved](t)(save(On{Revision: 1, Who: "Ben"}, func(s *PartState) {
		s.Quantity = 7
		s.Recipe.Base.Holes = append(s.Recipe.Base.Holes,
			sheet.Hole{ID: "new", Kind: sheet.RoundHole, Diameter: 5, X: demo.From(sheet.Left, 20), Y: demo.From(sheet.Back, 20)})
	}))
	now := must[Part](t)(PartOf(got.Document))
	if now.Recipe.Base.Width != 222 || now.Quantity != 7 || now.Recipe.Base.Holes[len(now.Recipe.Base.Holes)-1].ID != "new" ||
		now.Revision != 3 || now.Who != "Ben" {
		t.Errorf("joined: %+v", now)
	}
	if len(got.Joined) != 1 || got.Joined[0].What != "Base: width" || got.Joined[0].Now != "222.0 mm" {
		t.Errorf("is told of %+v", got.Joined)
	}
	back := part(t)(s.Undo(ctx, KindSheet, p.ID, On{Revision: 3}))
	if back.Quantity != 1 || back.Recipe.Base.Width != 222 {
		t.Errorf("undone to %d pieces, %g wide", back.Quantity, back.Recipe.Base.Width)
	}
	// r4 stands. A third, still on r1, changed the width too, and the material.
	third := func(s *PartState) { s.Recipe.Base.Width, s.Recipe.Material = 111, "steel-a36" }
	_, err := save(On{Revision: 1}, third)
	var clash *Clash
	if !errors.As(err, &clash) || len(clash.Places) != 1 || clash.Places[0].Path != "/recipe/base/width" ||
		clash.Places[0].Mine != "111.0 mm" || clash.Places[0].Theirs != "222.0 mm" || clash.Places[0].What != "Base, width" ||
		clash.Current.Revision != 4 {
		t.Fatalf("%+v", clash)
	}
	if _, err := save(On{Revision: 1, Settled: 3, Mine: []string{"/recipe/base/width"}}, third); !errors.As(err, &clash) {
		t.Errorf("chosen on a state that does not stand any more: %v", err)
	}
	now = must[Part](t)(PartOf(must[Saved](t)(save(On{Revision: 1, Settled: 4}, third)).Document))
	if now.Recipe.Base.Width != 222 || now.Recipe.Material != "steel-a36" {
		t.Errorf("theirs is chosen: %g, %s", now.Recipe.Base.Width, now.Recipe.Material)
	}
	now = must[Part](t)(PartOf(must[Saved](t)(save(On{Revision: 1, Settled: 5, Mine: []string{"/recipe/base/width"}}, third)).Document))
	if now.Recipe.Base.Width != 111 {
		t.Errorf("mine is chosen: %g", now.Recipe.Base.Width)
	}
	// The history says who and what, and every state can be held against what stands.
	list := history(t, s, KindSheet, p.ID)
	if len(list) != 6 || list[4].Who != "Ada" || list[4].Summary != "Base: width 222.0 mm, was 180.0 mm" ||
		!strings.HasPrefix(list[3].Summary, "Quantity 7, was 1, and") {
		t.Errorf("%+v", list)
	}
	since := must[[]Difference](t)(s.Since(ctx, must[Document](t)(s.Find(ctx, KindSheet, p.ID)), 2))
	if len(since) != 2 || since[1].Was != "222.0 mm" || since[1].Now != "111.0 mm" {
		t.Errorf("%+v", since)
	}
}

// Two changes that are each whole and cannot stand together are not joined in silence.
func TestWhatCannotBeJoinedIsAsked(t *testing.T) {
	s, _ := remembering()
	j := must[Job](t)(s.CreateJob(ctx, plainJob()))
	with := func(ids ...string) brief.Brief {
		b := j.Brief
		for _, id := range ids {
			b.Devices = append(b.Devices, brief.Device{ID: id, Name: "Pump " + id})
		}
		return b
	}
	must[Job](t)(s.SaveBrief(ctx, j.ID, On{Revision: 1}, with("a")))
	must[Job](t)(s.SaveBrief(ctx, j.ID, On{Revision: 1}, with("b")))
	now := must[Job](t)(s.Job(ctx, j.ID))
	if len(now.Brief.Devices) != 2 {
		t.Fatalf("%+v", now.Brief.Devices)
	}
	// Half of the room each: together the list is longer than it may be.
	many := func(from string) brief.Brief {
		b := now.Brief
		b.Devices = slices.Clone(b.Devices)
		for i := range brief.MaxList - 10 {
			b.Devices = append(b.Devices, brief.Device{ID: fmt.Sprint(from, i), Name: fmt.Sprint("Pump ", from, i)})
		}
		return b
	}
	must[Job](t)(s.SaveBrief(ctx, j.ID, On{Revision: now.Revision}, many("x")))
	_, err := s.SaveBrief(ctx, j.ID, On{Revision: now.Revision}, many("y"))
	var clash *Clash
	if !errors.As(err, &clash) || clash.Why == "" || len(clash.Places) != 1 || clash.Places[0].Path != "" {
		t.Fatalf("%v %+v", err, clash)
	}
	must[Job](t)(s.SaveBrief(ctx, j.ID, On{Revision: now.Revision, Settled: clash.Current.Revision, Mine: []string{""}}, many("y")))
	if got := must[Job](t)(s.Job(ctx, j.ID)); len(got.Brief.Devices) != brief.MaxList-8 || got.Brief.Devices[2].ID != "y0" {
		t.Errorf("%d devices", len(got.Brief.Devices))
	}
}

// What cannot be kept is refused with its place, and nothing is kept of it.
func TestRefusedAtTheDoor(t *testing.T) {
	s, m := remembering()
	j := must[Job](t)(s.CreateJob(ctx, plainJob()))
	bad := demo.ShelfBracket()
	bad.Thickness = -1
	none := plainJob()
	none.Unit = "cubits"
	p := must[Part](t)(s.CreatePart(ctx, j.ID, PartState{"Good", 1, demo.ShelfBracket()}))
	for want, try := range map[string]func() error{
		"/name":     func() error { _, err := s.CreatePart(ctx, j.ID, PartState{"  ", 1, demo.ShelfBracket()}); return err },
		"/quantity": func() error { _, err := s.CreatePart(ctx, j.ID, PartState{"x", 0, demo.ShelfBracket()}); return err },
		"/recipe/thickness": func() error {
			_, err := s.SavePart(ctx, p.ID, On{Revision: p.Revision}, PartState{"x", 1, bad})
			return err
		},
		"/unit":  func() error { _, err := s.CreateJob(ctx, none); return err },
		"/title": func() error { _, err := s.KeepNumber(ctx, j.ID, "bend", "", nil); return err },
	} {
		err := try()
		var f *working.Fault
		if !errors.As(err, &f) || f.Path != want || f.Message == "" {
			t.Errorf("%s: %v", want, err)
		}
	}
	for what, try := range map[string]func() error{
		"a part in no job":   func() error { _, err := s.CreatePart(ctx, "gone", PartState{"x", 1, demo.ShelfBracket()}); return err },
		"no part to copy":    func() error { _, err := s.DuplicatePart(ctx, "gone"); return err },
		"no part to undo":    func() error { _, err := s.Undo(ctx, KindSheet, "gone", On{Revision: 1}); return err },
		"no job to copy":     func() error { _, err := s.DuplicateJob(ctx, "gone"); return err },
		"a number in no job": func() error { _, err := s.KeepNumber(ctx, "gone", "bend", "x", nil); return err },
		"no job to write":    func() error { _, err := s.Export(ctx, "gone"); return err },
		"no frame":           func() error { _, err := s.Frame(ctx, p.ID); return err },
	} {
		if err := try(); !errors.Is(err, ErrNotFound) {
			t.Errorf("%s: %v", what, err)
		}
	}
	if len(m.jobs) != 1 || len(m.order) != 2 || len(m.revisions[p.ID]) != 1 || len(m.numbers) != 0 {
		t.Errorf("%d jobs, %d documents, %d states, %d numbers are kept", len(m.jobs), len(m.order), len(m.revisions[p.ID]), len(m.numbers))
	}
}

// A copied job is the job with its own parts: brackets, joints, duties, questions, places
// and copies name them, and nothing of it leads back to what it was copied from.
func TestCopiedJobsStandAlone(t *testing.T) {
	s, m := remembering()
	if err := s.LoadDemo(ctx); err != nil {
		t.Fatal(err)
	}
	for _, from := range must[[]Counted](t)(s.Jobs(ctx, false)) {
		id, ids := from.ID, map[string]bool{}
		for _, k := range m.order {
			if m.documents[k].JobID == id {
				ids[k] = true
			}
		}
		j := must[Job](t)(s.DuplicateJob(ctx, id))
		w, _, err := exported(s, j.ID)
		if err != nil {
			t.Fatal(err)
		}
		raw := written(t, w)
		for k := range ids {
			if strings.Contains(string(raw), `"`+k+`"`) {
				t.Errorf("the copy of %s still names %s", from.Brief.Name, m.documents[k].Kind)
			}
		}
		if len(w.Documents) != len(ids) || j.Brief.Name != from.Brief.Name+" (copy)" {
			t.Errorf("%s: %d documents of %d", j.Brief.Name, len(w.Documents), len(ids))
		}
		// It answers as the first does.
		_, a, err := s.Site(ctx, id)
		if err != nil {
			t.Fatal(err)
		}
		_, b, err := s.Site(ctx, j.ID)
		if err != nil {
			t.Fatal(err)
		}
		x, y := a.Hold(), b.Hold()
		for i, h := range x.Mounts {
			if y.Mounts[i].Verdict != h.Verdict {
				t.Errorf("%s: %s, in the copy %s", h.Mount.Name, h.Verdict, y.Mounts[i].Verdict)
			}
		}
		for i, h := range x.Joints {
			if o := y.Joints[i]; (o.Result == nil) != (h.Result == nil) || h.Result != nil && o.Result.Verdict != h.Result.Verdict {
				t.Errorf("%s: %s, in the copy %s", h.Name, h.Why, o.Why)
			}
		}
	}
}

// A job written to a file and read again is the job, every state of every part with it.
func TestFilesCarryTheWholeJob(t *testing.T) {
	s, _ := remembering()
	if err := s.LoadDemo(ctx); err != nil {
		t.Fatal(err)
	}
	for _, from := range must[[]Counted](t)(s.Jobs(ctx, false)) {
		for _, p := range must[[]Part](t)(s.Parts(ctx, from.ID)) {
			r := p.Recipe
			r.Thickness++
			must[Part](t)(s.SavePart(ctx, p.ID, On{Revision: p.Revision}, PartState{p.Name, p.Quantity, r}))
			break
		}
		must[Number](t)(s.KeepNumber(ctx, from.ID, "bend", "A bend", []byte(`{"x":1}`)))
		f, name, err := exported(s, from.ID)
		if err != nil || name != from.Brief.Name {
			t.Fatal(name, err)
		}
		j := must[Job](t)(bring(s, written(t, f)))
		again, _, err := exported(s, j.ID)
		if err != nil || len(again.Documents) != len(f.Documents) || len(again.Numbers) != 1 || again.Numbers[0].Title != "A bend" {
			t.Fatalf("%s: %d documents of %d, %d numbers, %v", from.Brief.Name, len(again.Documents), len(f.Documents), len(again.Numbers), err)
		}
		// Called by the names of the first, the second is the first.
		back := string(written(t, again))
		for i, d := range again.Documents {
			back = strings.ReplaceAll(back, `"`+d.ID+`"`, `"`+f.Documents[i].ID+`"`)
		}
		if back != string(written(t, f)) {
			t.Errorf("%s came back changed", from.Brief.Name)
		}
	}
}

// What was said by older rules is told when it turns, and not again once it was read.
func TestTurnedVerdictsAreToldOnce(t *testing.T) {
	s, m := remembering()
	if err := s.LoadDemo(ctx); err != nil {
		t.Fatal(err)
	}
	id := ""
	for _, j := range must[[]Counted](t)(s.Jobs(ctx, false)) {
		if j.Brief.Name == "Orchard truck" {
			id = j.ID
		}
	}
	_, all, err := s.Site(ctx, id)
	if err != nil {
		t.Fatal(err)
	}
	h := all.Hold()
	if told, err := s.Rules(ctx, id, all, h); err != nil || told != nil {
		t.Fatalf("nothing was said before: %+v %v", told, err)
	}
	kept := m.verdicts[id]
	if kept.Rules != strength.Rules || len(kept.Said) == 0 {
		t.Fatalf("%+v", kept)
	}
	older := kept
	older.Rules--
	older.Said = map[string]site.Said{}
	turned := ""
	for k, v := range kept.Said {
		if turned == "" && v.Verdict != strength.Holds {
			turned, v.Verdict = k, strength.Holds
		}
		older.Said[k] = v
	}
	m.verdicts[id] = older
	told := must[*site.RulesTold](t)(s.Rules(ctx, id, all, h))
	if told == nil || len(told.Turned) != 1 || told.Turned[0].ID != turned || told.Turned[0].From != strength.Holds ||
		told.Turned[0].Why == "" {
		t.Fatalf("%+v", told)
	}
	if !reflect.DeepEqual(m.verdicts[id], older) {
		t.Error("what was said is forgotten before anybody read it")
	}
	if err := s.RulesSeen(ctx, id); err != nil {
		t.Fatal(err)
	}
	if told := must[*site.RulesTold](t)(s.Rules(ctx, id, all, h)); told != nil {
		t.Errorf("told again: %+v", told)
	}
	// A store that is away is said, and nothing is taken for read.
	m.down = errors.New("away")
	if _, err := s.Rules(ctx, id, all, h); err == nil {
		t.Error("rules are told from a store that is away")
	}
}

// What a starter makes is kept as parts that can be built.
func TestStartedPartsAreKept(t *testing.T) {
	s, _ := remembering()
	j := must[Job](t)(s.CreateJob(ctx, plainJob()))
	tray := demo.DemoSheet(2)
	list, err := s.StartParts(ctx, j.ID, PartsStart{Starter: "tray", Values: map[string]float64{"length": 300, "width": 200, "height": 40},
		Recipe: tray})
	if err != nil || len(list) == 0 {
		t.Fatalf("%v %v", list, err)
	}
	if kept := must[[]Part](t)(s.Parts(ctx, j.ID)); len(kept) != len(list) || kept[0].Recipe.Base.Length == 0 {
		t.Errorf("%d of %d are kept", len(kept), len(list))
	}
	built, err := made.Build(list[0].Recipe, plainJob().BuildOptions())
	if err != nil || !built.Whole {
		t.Errorf("what was started cannot be built: %v", err)
	}
}
