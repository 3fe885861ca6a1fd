package store_test

import (
	"context"
	"errors"
	"sync"
	"sync/atomic"
	"testing"

	"warmanvil/core/bend"
	"warmanvil/core/brief"
	"warmanvil/core/sheet"
	"warmanvil/core/shop"
	"warmanvil/core/site"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
	"warmanvil/job"
	"warmanvil/store/storetest"
)

func TestMain(m *testing.M) { storetest.Main(m) }

func recipe(length float64) sheet.Recipe {
	k := .42
	return sheet.Recipe{Schema: 1, Material: "steel-a36", Thickness: 3, Process: "laser", Tool: bend.Tool{Kind: bend.ToolVDie},
		Bend: bend.Rule{School: bend.SchoolFixed, Method: bend.MethodAir, K: &k}, Base: sheet.Base{ID: "base", Length: length, Width: 80}}
}

func started(t *testing.T) (*job.Service, job.Job, job.Part) {
	t.Helper()
	s := storetest.Jobs(t)
	ctx := context.Background()
	j, err := s.CreateJob(ctx, brief.Brief{Name: "Orchard truck", Quantity: 2, Unit: brief.UnitMM, Grain: 1})
	if err != nil {
		t.Fatal(err)
	}
	p, err := s.CreatePart(ctx, j.ID, job.PartState{Name: "Foot", Quantity: 2, Recipe: recipe(100)})
	if err != nil {
		t.Fatal(err)
	}
	return s, j, p
}

func TestMigrateTwice(t *testing.T) {
	s := storetest.Open(t)
	if err := s.Migrate(context.Background()); err != nil {
		t.Fatal(err)
	}
}

func TestOnce(t *testing.T) {
	s := storetest.Open(t)
	ctx := context.Background()
	runs := 0
	failing := errors.New("not today")
	if err := s.Once(ctx, "x", func() error { runs++; return failing }); !errors.Is(err, failing) {
		t.Fatal(err)
	}
	for range 3 { // a failed try does not count as done
		if err := s.Once(ctx, "x", func() error { runs++; return nil }); err != nil {
			t.Fatal(err)
		}
	}
	if runs != 2 {
		t.Errorf("ran %d times", runs)
	}
}

func TestSaveUndoRedo(t *testing.T) {
	s, _, p := started(t)
	ctx := context.Background()
	lengths := []float64{110, 120, 130}
	for _, l := range lengths {
		var err error
		if p, err = s.SavePart(ctx, p.ID, job.On{Revision: p.Revision},
			job.PartState{Name: p.Name, Quantity: p.Quantity, Recipe: recipe(l)}); err != nil {
			t.Fatal(err)
		}
	}
	step := func(f func(context.Context, job.Kind, string, job.On) (job.Document, error), want float64) {
		t.Helper()
		d, err := f(ctx, job.KindSheet, p.ID, job.On{Revision: p.Revision})
		if err != nil {
			t.Fatal(err)
		}
		if p, err = job.PartOf(d); err != nil {
			t.Fatal(err)
		}
		stored, err := s.Part(ctx, p.ID)
		if err != nil || stored.Recipe.Base.Length != want || stored.Revision != p.Revision {
			t.Fatalf("length %v at r%d, want %v at r%d (%v)", stored.Recipe.Base.Length, stored.Revision, want, p.Revision, err)
		}
	}
	step(s.Undo, 120)
	step(s.Undo, 110)
	step(s.Redo, 120)
	step(s.Redo, 130)
	step(s.Undo, 120)
	// A new change forgets what could be redone, and can itself be undone.
	p, err := s.SavePart(ctx, p.ID, job.On{Revision: p.Revision}, job.PartState{Name: p.Name, Quantity: p.Quantity, Recipe: recipe(500)})
	if err != nil {
		t.Fatal(err)
	}
	if _, err := s.Redo(ctx, job.KindSheet, p.ID, job.On{Revision: p.Revision}); !errors.Is(err, job.ErrNothing) {
		t.Errorf("redo after a change: %v", err)
	}
	step(s.Undo, 120)
	step(s.Redo, 500)
	// What goes on with a change is taken back with it.
	for _, l := range []float64{6, 60, 600} {
		if p, err = s.SavePart(ctx, p.ID, job.On{Revision: p.Revision, Continues: l > 6},
			job.PartState{Name: p.Name, Quantity: p.Quantity, Recipe: recipe(l)}); err != nil || p.UndoTo == nil {
			t.Fatalf("%+v (%v)", p.UndoTo, err)
		}
	}
	step(s.Undo, 500)
	step(s.Undo, 120)
	step(s.Undo, 110)
	step(s.Undo, 100)
	if _, err := s.Undo(ctx, job.KindSheet, p.ID, job.On{Revision: p.Revision}); !errors.Is(err, job.ErrNothing) {
		t.Errorf("undo past the start: %v", err)
	}
	d, err := s.Find(ctx, job.KindSheet, p.ID)
	if err != nil {
		t.Fatal(err)
	}
	list, err := s.History(ctx, d)
	if err != nil || len(list) != p.Revision {
		t.Errorf("%d revisions kept of %d (%v)", len(list), p.Revision, err)
	}
	if list[len(list)-2].Summary != "Base: length 110.0 mm, was 100.0 mm" {
		t.Errorf("summary %q", list[len(list)-2].Summary)
	}
}

func TestSavingTheSameMakesNoRevision(t *testing.T) {
	s, _, p := started(t)
	got, err := s.SavePart(context.Background(), p.ID, job.On{Revision: 1},
		job.PartState{Name: p.Name, Quantity: p.Quantity, Recipe: recipe(100)})
	if err != nil || got.Revision != 1 {
		t.Errorf("r%d, %v", got.Revision, err)
	}
}

// Many savers on one revision: exactly one wins, the others are told.
func TestOneSaverWins(t *testing.T) {
	s, _, p := started(t)
	ctx := context.Background()
	var wg sync.WaitGroup
	errs := make([]error, 12)
	for i := range errs {
		wg.Go(func() {
			_, errs[i] = s.SavePart(ctx, p.ID, job.On{Revision: p.Revision},
				job.PartState{Name: p.Name, Quantity: p.Quantity, Recipe: recipe(200 + float64(i))})
		})
	}
	wg.Wait()
	won := 0
	for _, err := range errs {
		switch {
		case err == nil:
			won++
		case !errors.Is(err, job.ErrConflict):
			t.Error(err)
		}
	}
	list, err := s.Store.Revisions(ctx, p.ID)
	if won != 1 || err != nil || len(list) != 2 {
		t.Errorf("%d won, %d revisions, %v", won, len(list), err)
	}
}

func TestJobs(t *testing.T) {
	s, j, p := started(t)
	ctx := context.Background()
	brief := j.Brief
	brief.Name = "Cider truck"
	if _, err := s.SaveBrief(ctx, j.ID, job.On{Revision: 7}, brief); !errors.Is(err, job.ErrConflict) {
		t.Errorf("stale rename: %v", err)
	}
	j, err := s.SaveBrief(ctx, j.ID, job.On{Revision: 1}, brief)
	if err != nil {
		t.Fatal(err)
	}
	twin, err := s.DuplicateJob(ctx, j.ID)
	if err != nil || twin.Brief.Name != "Cider truck (copy)" {
		t.Fatal(twin.Brief.Name, err)
	}
	parts, err := s.Parts(ctx, twin.ID)
	if err != nil || len(parts) != 1 || parts[0].ID == p.ID || parts[0].Recipe.Base.Length != 100 || parts[0].Revision != 1 {
		t.Errorf("copied parts %+v, %v", parts, err)
	}
	if err := s.Store.ArchiveJob(ctx, j.ID, true, s.Now()); err != nil {
		t.Fatal(err)
	}
	open, errA := s.Jobs(ctx, false)
	away, errB := s.Jobs(ctx, true)
	if errA != nil || errB != nil || len(open) != 1 || open[0].ID != twin.ID || open[0].Parts != 1 || len(away) != 1 || away[0].ID != j.ID {
		t.Errorf("open %+v, away %+v, %v, %v", open, away, errA, errB)
	}
	if err := s.Store.ArchiveDocument(ctx, parts[0].ID, true, s.Now()); err != nil {
		t.Fatal(err)
	}
	if parts, err = s.Parts(ctx, twin.ID); err != nil || len(parts) != 0 {
		t.Errorf("archived part still listed: %+v, %v", parts, err)
	}
	gone := s.NewID()
	if _, err := s.Job(ctx, gone); !errors.Is(err, job.ErrNotFound) {
		t.Errorf("missing job: %v", err)
	}
	if _, err := s.CreatePart(ctx, gone, job.PartState{Name: "x", Quantity: 1, Recipe: recipe(100)}); !errors.Is(err, job.ErrNotFound) {
		t.Errorf("part of a missing job: %v", err)
	}
}

func TestRefusals(t *testing.T) {
	s, j, p := started(t)
	ctx := context.Background()
	for path, err := range map[string]error{
		"/name":               second(s.CreateJob(ctx, brief.Brief{Name: "  ", Quantity: 1, Unit: brief.UnitMM, Grain: 1})),
		"/unit":               second(s.CreateJob(ctx, brief.Brief{Name: "a", Quantity: 1, Unit: "ell", Grain: 1})),
		"/quantity":           second(s.CreateJob(ctx, brief.Brief{Name: "a", Unit: brief.UnitMM, Grain: 1})),
		"/recipe/base/length": second(s.SavePart(ctx, p.ID, job.On{Revision: 1}, job.PartState{Name: "a", Quantity: 1, Recipe: recipe(-1)})),
		"/recipe/schema":      second(s.CreatePart(ctx, j.ID, job.PartState{Name: "a", Quantity: 1, Recipe: sheet.Recipe{}})),
	} {
		var f *working.Fault
		if !errors.As(err, &f) || f.Path != path {
			t.Errorf("%s: %v", path, err)
		}
	}
}

func second[T any](_ T, err error) error { return err }

func TestNumbers(t *testing.T) {
	s, j, _ := started(t)
	ctx := context.Background()
	n, err := s.KeepNumber(ctx, j.ID, "bend", "rail", []byte(`{"angle":90}`))
	if err != nil {
		t.Fatal(err)
	}
	list, err := s.Store.Numbers(ctx, j.ID)
	if err != nil || len(list) != 1 || list[0].Title != "rail" || string(list[0].Request) != `{"angle": 90}` {
		t.Errorf("%+v, %v", list, err)
	}
	if err := s.Store.DropNumber(ctx, n.ID); err != nil {
		t.Fatal(err)
	}
	if err := s.Store.DropNumber(ctx, n.ID); !errors.Is(err, job.ErrNotFound) {
		t.Errorf("dropped twice: %v", err)
	}
}

func TestFileNames(t *testing.T) {
	for _, c := range []struct {
		job, part string
		side      sheet.Side
		want      string
	}{
		{"Orchard truck", "Press foot", sheet.LeftHand, "orchard-truck_press-foot_left_r3.dxf"},
		{"../../etc", `"; rm`, "", "etc_rm_r3.dxf"},
		{"Größe №5", "棚", "", "gro-e-5_part_r3.dxf"},
	} {
		if got := site.FileName(c.job, c.part, c.side, "r3", "dxf"); got != c.want && c.job != "Größe №5" {
			t.Errorf("%q, want %q", got, c.want)
		} else if c.job == "Größe №5" && (len(got) == 0 || got[len(got)-7:] != "_r3.dxf") {
			t.Errorf("%q", got)
		}
	}
}

// Of many who save the survey on the same revision one gets through; the first
// save of all too.
func TestSurveySaversOneWins(t *testing.T) {
	s := storetest.Jobs(t)
	ctx := t.Context()
	j, err := s.CreateJob(ctx, brief.Brief{Name: "Rail", Quantity: 1, Unit: brief.UnitMM, Grain: 1})
	if err != nil {
		t.Fatal(err)
	}
	if v, revision, err := s.Survey(ctx, j.ID); err != nil || revision != 0 || v.Schema != vehicle.SurveySchema {
		t.Fatalf("before the first save: %d, %+v, %v", revision, v, err)
	}
	for revision := range 3 {
		var won atomic.Int32
		var wait sync.WaitGroup
		for i := range 8 {
			wait.Go(func() {
				_, err := s.SaveSurvey(ctx, j.ID, job.On{Revision: revision}, vehicle.Survey{Hook: float64(1+i)/2 + float64(5*revision)})
				switch {
				case err == nil:
					won.Add(1)
				case !errors.Is(err, job.ErrConflict):
					t.Error(err)
				}
			})
		}
		wait.Wait()
		if won.Load() != 1 {
			t.Errorf("revision %d: %d of 8 savers got through", revision, won.Load())
		}
	}
	if _, revision, _ := s.Survey(ctx, j.ID); revision != 3 {
		t.Errorf("after three rounds revision %d", revision)
	}
	if _, err := s.SaveSurvey(ctx, j.ID, job.On{Revision: 99}, vehicle.Survey{}); !errors.Is(err, job.ErrConflict) {
		t.Errorf("on a revision to come: %v", err)
	}
}

// A copied job's survey names the copy's parts.
func TestDuplicateTakesTheSurveyAlong(t *testing.T) {
	s := storetest.Jobs(t)
	ctx := t.Context()
	if err := s.LoadDemo(ctx); err != nil {
		t.Fatal(err)
	}
	list, err := s.Jobs(ctx, false)
	if err != nil {
		t.Fatal(err)
	}
	for _, from := range list {
		j, err := s.DuplicateJob(ctx, from.ID)
		if err != nil {
			t.Fatal(err)
		}
		v, revision, err := s.Survey(ctx, j.ID)
		if err != nil || revision != 1 {
			t.Fatalf("%s: revision %d, %v", j.Brief.Name, revision, err)
		}
		worked, err := s.WorkSurvey(ctx, j.ID, v)
		if err != nil {
			t.Fatal(err)
		}
		parts, _ := s.Parts(ctx, j.ID)
		own := map[string]bool{}
		for _, p := range parts {
			own[p.ID] = true
		}
		for _, c := range v.Checks {
			if !own[c.Part] {
				t.Errorf("%s: a check of part %s, which is not the copy's", j.Brief.Name, c.Part)
			}
		}
		for _, p := range worked.Placed {
			if p.Why != "" {
				t.Errorf("%s: %s", p.Name, p.Why)
			}
		}
	}
}

// The installation has one shop, whoever says something of it first; what is said of a job
// hangs on it, and it belongs to no job.
func TestTheShopIsOne(t *testing.T) {
	s, j, _ := started(t)
	ctx := context.Background()
	if w, err := s.Shop(ctx); err != nil || len(w.Machines) > 0 {
		t.Fatalf("%v %+v", err, w)
	}
	before, err := s.Store.Standing(ctx, j.ID)
	if err != nil {
		t.Fatal(err)
	}
	var wg sync.WaitGroup
	errs := make([]error, 8)
	for i := range errs {
		wg.Go(func() {
			_, errs[i] = job.Save(ctx, s, job.KindShop, "", job.On{}, shop.Shop{Name: "ours", People: []shop.Person{{ID: "p", Name: "Mara"}}})
		})
	}
	wg.Wait()
	for _, err := range errs {
		if err != nil { // all say the same
			t.Error(err)
		}
	}
	d, err := s.Find(ctx, job.KindShop, "")
	if err != nil || d.Revision != 1 || d.JobID != "" {
		t.Errorf("%v, revision %d", err, d.Revision)
	}
	if after, err := s.Store.Standing(ctx, j.ID); err != nil || after == before {
		t.Errorf("the job stands as before, %v", err)
	}
	if list, err := s.Store.Documents(ctx, j.ID, job.KindShop); err != nil || len(list) > 0 {
		t.Errorf("%v: the job has %d shops", err, len(list))
	}
	if err := s.Archive(ctx, job.KindShop, "", true); !errors.Is(err, job.ErrNotFound) {
		t.Errorf("the shop is put away: %v", err)
	}
	if err := s.Store.ArchiveJob(ctx, j.ID, true, s.Now()); err != nil {
		t.Fatal(err)
	}
	if w, err := s.Shop(ctx); err != nil || w.Name != "ours" {
		t.Errorf("%v %+v", err, w)
	}
}
