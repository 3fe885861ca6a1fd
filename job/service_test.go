package job

import (
	"context"
	"encoding/json"
	"errors"
	"reflect"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/sheet"
	"warmanvil/core/site"
	"warmanvil/core/strength"
	"warmanvil/core/vehicle"
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

func plainJob() brief.Brief {
	return brief.Brief{Name: "Shelf", Unit: brief.UnitMM, Grain: 1, Quantity: 1}
}

// Undo walks back through every state, redo forth again, and a change after an undo
// leaves nothing to redo; no state is ever lost.
func TestUndoAndRedoWalk(t *testing.T) {
	s, _ := remembering()
	j := must[Job](t)(s.CreateJob(ctx, plainJob()))
	p := must[Part](t)(s.CreatePart(ctx, j.ID, "Bracket", 1, demo.ShelfBracket()))
	widths := []float64{p.Recipe.Base.Width}
	for _, w := range []float64{70, 80, 90} {
		r := p.Recipe
		r.Base.Width = w
		p = must[Part](t)(s.SavePart(ctx, p.ID, On{Revision: p.Revision}, "Bracket", 1, r))
		widths = append(widths, w)
	}
	for i := len(widths) - 2; i >= 0; i-- {
		p = must[Part](t)(s.Undo(ctx, p.ID, p.Revision))
		if p.Recipe.Base.Width != widths[i] || !strings.HasPrefix(p.Summary, "undone") {
			t.Errorf("undone to %g, %q, want %g", p.Recipe.Base.Width, p.Summary, widths[i])
		}
	}
	if _, err := s.Undo(ctx, p.ID, p.Revision); !errors.Is(err, ErrNothing) {
		t.Errorf("nothing is left to undo: %v", err)
	}
	for i := 1; i < len(widths); i++ {
		p = must[Part](t)(s.Redo(ctx, p.ID, p.Revision))
		if p.Recipe.Base.Width != widths[i] {
			t.Errorf("redone to %g, want %g", p.Recipe.Base.Width, widths[i])
		}
	}
	p = must[Part](t)(s.Undo(ctx, p.ID, p.Revision))
	r := p.Recipe
	r.Base.Width = 55
	p = must[Part](t)(s.SavePart(ctx, p.ID, On{Revision: p.Revision}, "Bracket", 1, r))
	if _, err := s.Redo(ctx, p.ID, p.Revision); !errors.Is(err, ErrNothing) {
		t.Errorf("a change leaves nothing to redo: %v", err)
	}
	list := must[[]Revision](t)(s.Revisions(ctx, p.ID))
	if len(list) != p.Revision || list[0].Number != p.Revision || !strings.Contains(list[0].Summary, "55") {
		t.Errorf("%d states of %d, the last %q", len(list), p.Revision, list[0].Summary)
	}
}

// A number typed digit by digit is saved more than once, and one undo takes it back to
// what stood before; a change after an undo is a change of its own.
func TestUndoTakesBackAWholeEntry(t *testing.T) {
	s, _ := remembering()
	j := must[Job](t)(s.CreateJob(ctx, plainJob()))
	p := must[Part](t)(s.CreatePart(ctx, j.ID, "Bracket", 1, demo.ShelfBracket()))
	was := p.Recipe.Base.Width
	save := func(w float64, goesOn bool) {
		r := p.Recipe
		r.Base.Width = w
		p = must[Part](t)(s.SavePart(ctx, p.ID, On{p.Revision, goesOn}, "Bracket", 1, r))
	}
	undo := func(want float64) {
		t.Helper()
		if p = must[Part](t)(s.Undo(ctx, p.ID, p.Revision)); p.Recipe.Base.Width != want {
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
	if p = must[Part](t)(s.Redo(ctx, p.ID, p.Revision)); p.Recipe.Base.Width != 90 {
		t.Errorf("redone to %g", p.Recipe.Base.Width)
	}
	undo(80)
	undo(was)
}

// Of two who save on the same state one is told, and has what stands; saving what is
// there makes no state.
func TestTwoWhoSave(t *testing.T) {
	s, _ := remembering()
	j := must[Job](t)(s.CreateJob(ctx, plainJob()))
	p := must[Part](t)(s.CreatePart(ctx, j.ID, "Bracket", 1, demo.ShelfBracket()))
	must[Part](t)(s.SavePart(ctx, p.ID, On{Revision: p.Revision}, "Mine", 1, p.Recipe))
	stands, err := s.SavePart(ctx, p.ID, On{Revision: p.Revision}, "Yours", 1, p.Recipe)
	if !errors.Is(err, ErrConflict) || stands.Name != "Mine" {
		t.Errorf("%v, %s stands", err, stands.Name)
	}
	if _, err := s.Undo(ctx, p.ID, p.Revision); !errors.Is(err, ErrConflict) {
		t.Errorf("undone on an old state: %v", err)
	}
	again := must[Part](t)(s.SavePart(ctx, p.ID, On{Revision: stands.Revision}, "Mine", 1, p.Recipe))
	if again.Revision != stands.Revision {
		t.Errorf("state %d after %d, and nothing changed", again.Revision, stands.Revision)
	}
	if _, err := s.SaveJob(ctx, j.ID, j.Revision+1, plainJob(), false); !errors.Is(err, ErrConflict) {
		t.Errorf("a brief saved on another state: %v", err)
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
	p := must[Part](t)(s.CreatePart(ctx, j.ID, "Good", 1, demo.ShelfBracket()))
	for want, try := range map[string]func() error{
		"/name":             func() error { _, err := s.CreatePart(ctx, j.ID, "  ", 1, demo.ShelfBracket()); return err },
		"/quantity":         func() error { _, err := s.CreatePart(ctx, j.ID, "x", 0, demo.ShelfBracket()); return err },
		"/recipe/thickness": func() error { _, err := s.SavePart(ctx, p.ID, On{Revision: p.Revision}, "x", 1, bad); return err },
		"/unit":             func() error { _, err := s.CreateJob(ctx, none); return err },
		"/title":            func() error { _, err := s.KeepNumber(ctx, j.ID, "bend", "", nil); return err },
	} {
		err := try()
		var f *working.Fault
		if !errors.As(err, &f) || f.Path != want || f.Message == "" {
			t.Errorf("%s: %v", want, err)
		}
	}
	for what, try := range map[string]func() error{
		"a part in no job":   func() error { _, err := s.CreatePart(ctx, "gone", "x", 1, demo.ShelfBracket()); return err },
		"no part to copy":    func() error { _, err := s.DuplicatePart(ctx, "gone"); return err },
		"no part to undo":    func() error { _, err := s.Undo(ctx, "gone", 1); return err },
		"no job to copy":     func() error { _, err := s.DuplicateJob(ctx, "gone"); return err },
		"a number in no job": func() error { _, err := s.KeepNumber(ctx, "gone", "bend", "x", nil); return err },
		"no job to write":    func() error { _, err := s.Export(ctx, "gone"); return err },
		"no frame":           func() error { _, err := s.FrameOf(ctx, p.ID); return err },
	} {
		if err := try(); !errors.Is(err, ErrNotFound) {
			t.Errorf("%s: %v", what, err)
		}
	}
	if len(m.jobs) != 1 || len(m.order) != 1 || len(m.revisions[p.ID]) != 1 || len(m.numbers) != 0 {
		t.Errorf("%d jobs, %d parts, %d states, %d numbers are kept", len(m.jobs), len(m.order), len(m.revisions[p.ID]), len(m.numbers))
	}
}

// A copied job is the job with its own parts: brackets, joints, duties, questions, places
// and copies name them, and nothing of it leads back to what it was copied from.
func TestCopiedJobsStandAlone(t *testing.T) {
	s, m := remembering()
	if err := s.LoadDemo(ctx); err != nil {
		t.Fatal(err)
	}
	for id, from := range m.jobs {
		if strings.HasSuffix(from.Brief.Name, "(copy)") {
			continue
		}
		ids := map[string]bool{}
		for _, k := range m.order {
			if m.heads[k].JobID == id {
				ids[k] = true
			}
		}
		j := must[Job](t)(s.DuplicateJob(ctx, id))
		w := must[Whole](t)(m.Whole(ctx, j.ID))
		raw, err := json.Marshal(struct {
			B brief.Brief
			S *vehicle.Survey
			P []WholePart
		}{j.Brief, w.Survey, w.Parts})
		if err != nil {
			t.Fatal(err)
		}
		for k := range ids {
			if strings.Contains(string(raw), `"`+k+`"`) {
				t.Errorf("the copy of %s still names %s", from.Brief.Name, m.heads[k].Name)
			}
		}
		if len(w.Parts) != len(ids) || j.Brief.Name != from.Brief.Name+" (copy)" || (w.Survey == nil) != (m.at[id] == 0) {
			t.Errorf("%s: %d parts of %d", j.Brief.Name, len(w.Parts), len(ids))
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
	s, m := remembering()
	if err := s.LoadDemo(ctx); err != nil {
		t.Fatal(err)
	}
	for id, from := range m.jobs {
		p := must[[]Part](t)(m.list(id, nil))[0]
		if p.Frame == nil {
			r := p.Recipe
			r.Thickness++
			must[Part](t)(s.SavePart(ctx, p.ID, On{Revision: p.Revision}, p.Name, p.Quantity, r))
		}
		must[Number](t)(s.KeepNumber(ctx, id, "bend", "A bend", []byte(`{"x":1}`)))
		f := must[File](t)(s.Export(ctx, id))
		raw, err := json.Marshal(f)
		if err != nil {
			t.Fatal(err)
		}
		var read File
		if err := json.Unmarshal(raw, &read); err != nil {
			t.Fatal(err)
		}
		j := must[Job](t)(s.Import(ctx, read))
		again := must[File](t)(s.Export(ctx, j.ID))
		if len(again.Parts) != len(f.Parts) || len(again.Numbers) != 1 || again.Numbers[0].Title != "A bend" {
			t.Fatalf("%s: %d parts of %d, %d numbers", from.Brief.Name, len(again.Parts), len(f.Parts), len(again.Numbers))
		}
		for i, a := range f.Parts {
			b := again.Parts[i]
			if len(a.Revisions) != len(b.Revisions) {
				t.Errorf("%s: %d states of %d", a.Revisions[0].Name, len(b.Revisions), len(a.Revisions))
				continue
			}
			for k, r := range a.Revisions {
				q := b.Revisions[k]
				if r.Name != q.Name || r.Quantity != q.Quantity || r.Recipe.Thickness != q.Recipe.Thickness || (r.Frame == nil) != (q.Frame == nil) || !r.Created.Equal(q.Created) {
					t.Errorf("%s, state %d is another", r.Name, r.Number)
				}
			}
		}
		if again.Brief.Name == "" || len(again.Brief.Joints) != len(f.Brief.Joints) || len(again.Brief.Devices) != len(f.Brief.Devices) {
			t.Errorf("%s: the brief is another", from.Brief.Name)
		}
		break
	}
}

// What was said by older rules is told when it turns, and not again once it was read.
func TestTurnedVerdictsAreToldOnce(t *testing.T) {
	s, m := remembering()
	if err := s.LoadDemo(ctx); err != nil {
		t.Fatal(err)
	}
	id := ""
	for k, j := range m.jobs {
		if j.Brief.Name == "Orchard truck" {
			id = k
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
	if told == nil || len(told.Turned) != 1 || told.Turned[0].ID != turned || told.Turned[0].From != strength.Holds || told.Turned[0].Why == "" {
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
	s, m := remembering()
	j := must[Job](t)(s.CreateJob(ctx, plainJob()))
	tray := demo.DemoSheet(2)
	list, err := s.StartParts(ctx, j.ID, PartsStart{Starter: "tray", Values: map[string]float64{"length": 300, "width": 200, "height": 40}, Recipe: tray})
	if err != nil || len(list) == 0 {
		t.Fatalf("%v %v", list, err)
	}
	if len(m.order) != len(list) || m.heads[list[0].ID].Recipe.Base.Length == 0 {
		t.Errorf("%d of %d are kept", len(m.order), len(list))
	}
	built, err := sheet.Build(list[0].Recipe, plainJob().BuildOptions())
	if err != nil || !built.Whole {
		t.Errorf("what was started cannot be built: %v", err)
	}
}
