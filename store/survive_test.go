package store_test

import (
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"os"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/strength"
	"warmanvil/core/working"
	"warmanvil/job"
	"warmanvil/store"
	"warmanvil/store/storetest"
)

// filled is a database with the demo jobs, a history and a kept number.
func filled(t *testing.T) (*job.Service, []job.Counted) {
	t.Helper()
	s, ctx := storetest.Jobs(t), context.Background()
	if err := s.LoadDemo(ctx); err != nil {
		t.Fatal(err)
	}
	list, err := s.Store.Jobs(ctx, false)
	if err != nil || len(list) < 2 {
		t.Fatal(list, err)
	}
	for _, j := range list {
		parts, err := s.Store.Parts(ctx, j.ID)
		if err != nil {
			t.Fatal(err)
		}
		for _, was := range parts[:min(len(parts), 1)] {
			r := was.Recipe
			r.Base.Length += 10
			p, err := s.SavePart(ctx, was.ID, job.On{Revision: was.Revision}, "Ä part, \"quoted\"\twith a tab\\", 3, r)
			if err != nil {
				t.Fatal(err)
			}
			if _, err := s.Undo(ctx, p.ID, p.Revision); err != nil {
				t.Fatal(err)
			}
		}
		frames, err := s.Store.Frames(ctx, j.ID)
		if err != nil || len(frames) != 1 {
			t.Fatal(frames, err)
		}
		d := *frames[0].Frame
		d.Sags = 7
		if _, err := s.SaveFrame(ctx, frames[0].ID, job.On{Revision: 1}, "A frame\nof two lines", 2, d); err != nil {
			t.Fatal(err)
		}
		if _, err := s.KeepNumber(ctx, j.ID, "gauge", "Sheet", []byte(`{"family":"steel","gauge":14}`)); err != nil {
			t.Fatal(err)
		}
	}
	return s, list
}

func backup(t *testing.T, s *store.Store) []byte {
	t.Helper()
	var b bytes.Buffer
	if err := s.Backup(context.Background(), &b); err != nil {
		t.Fatal(err)
	}
	return b.Bytes()
}

// A backup restored into an empty database gives the same backup, byte for byte.
func TestBackupAndRestore(t *testing.T) {
	s, list := filled(t)
	first := backup(t, s.Store.(*store.Store))
	empty := storetest.Open(t)
	if err := empty.Restore(context.Background(), bytes.NewReader(first)); err != nil {
		t.Fatal(err)
	}
	if second := backup(t, empty); !bytes.Equal(first, second) {
		t.Fatalf("%d bytes went in, %d other ones come out", len(first), len(second))
	}
	got, err := empty.Jobs(context.Background(), false)
	if err != nil || len(got) != len(list) {
		t.Fatal(got, err)
	}
	if err := empty.Restore(context.Background(), bytes.NewReader(first)); !errors.Is(err, store.ErrNotEmpty) {
		t.Errorf("restored over jobs: %v", err)
	}
}

// A damaged, cut or foreign file is refused and nothing of it is kept.
func TestBadBackups(t *testing.T) {
	s, _ := filled(t)
	good := backup(t, s.Store.(*store.Store))
	flipped := bytes.Replace(good, []byte("Morvan"), []byte("Borvan"), 1)
	newer := bytes.Replace(good, []byte(`"schema": `), []byte(`"schema": 9`), 1)
	for what, raw := range map[string][]byte{"damaged": flipped, "cut": good[:len(good)/2], "empty": nil, "foreign": []byte("a letter to a friend"), "newer": newer} {
		empty := storetest.Open(t)
		if err := empty.Restore(context.Background(), bytes.NewReader(raw)); err == nil {
			t.Errorf("%s: restored", what)
		}
		if got, err := empty.Jobs(context.Background(), false); err != nil || len(got) != 0 {
			t.Errorf("%s: %d jobs are there, %v", what, len(got), err)
		}
	}
}

// A job goes out and comes in as a job of its own that says the same: brief,
// history, undo, numbers; its mounts name its own parts.
func TestExportAndImport(t *testing.T) {
	s, list := filled(t)
	ctx := context.Background()
	for _, j := range list {
		f, err := s.Export(ctx, j.ID)
		if err != nil {
			t.Fatal(err)
		}
		copied, err := s.Import(ctx, f)
		if err != nil {
			t.Fatal(err)
		}
		again, err := s.Export(ctx, copied.ID)
		if err != nil {
			t.Fatal(err)
		}
		if copied.ID == j.ID {
			t.Fatal("the copy took the job's place")
		}
		ids := map[string]string{}
		for i := range again.Parts {
			ids[again.Parts[i].ID] = f.Parts[i].ID
			again.Parts[i].ID = f.Parts[i].ID
		}
		for i, m := range again.Brief.Mounts {
			if ids[m.Part] == "" {
				t.Errorf("a mount names a part that is not the copy's: %s", m.Part)
			}
			again.Brief.Mounts[i].Part = ids[m.Part]
		}
		for i := range again.Brief.Joints {
			q := &again.Brief.Joints[i]
			named := []*string{&q.Part}
			for k := range q.Sides {
				if q.Sides[k].Kind == brief.PartSide || q.Sides[k].Kind == brief.MemberSide {
					named = append(named, &q.Sides[k].Of)
				}
			}
			for _, id := range named {
				if *id != "" && ids[*id] == "" {
					t.Errorf("a joint names a part that is not the copy's: %s", *id)
				}
				*id = ids[*id]
			}
		}
		for i := range again.Brief.Open {
			if of := &again.Brief.Open[i].Of; *of != "" {
				if ids[*of] == "" {
					t.Errorf("a question names a part that is not the copy's: %s", *of)
				}
				*of = ids[*of]
			}
		}
		if f.Survey == nil || again.Survey == nil {
			t.Fatalf("%s: its survey did not go along", j.Brief.Name)
		}
		back := func(id *string) {
			if *id != "" && ids[*id] == "" {
				t.Errorf("the survey names a part that is not the copy's: %s", *id)
			}
			*id = ids[*id]
		}
		for i := range again.Survey.Placed {
			back(&again.Survey.Placed[i].Part)
		}
		for i := range again.Survey.Follows {
			back(&again.Survey.Follows[i].Part)
		}
		for i := range again.Survey.Checks {
			back(&again.Survey.Checks[i].Part)
		}
		a, _ := json.Marshal(f)
		b, _ := json.Marshal(again)
		if !bytes.Equal(a, b) {
			t.Errorf("%s came back changed:\n%.3000s\n%.3000s", j.Brief.Name, a, b)
		}
		parts, err := s.Store.Parts(ctx, copied.ID)
		if err != nil {
			t.Fatal(err)
		}
		for _, p := range parts[:min(len(parts), 1)] {
			if _, err := s.Redo(ctx, p.ID, p.Revision); err != nil {
				t.Errorf("redo on the copy: %v", err)
			}
		}
		frames, err := s.Store.Frames(ctx, copied.ID)
		if err != nil || len(frames) != 1 || frames[0].Revision != 2 || frames[0].Frame.Sags != 7 {
			t.Fatalf("the copy's frame: %+v %v", frames, err)
		}
		if back, err := s.Undo(ctx, frames[0].ID, 2); err != nil || back.Frame.Sags == 7 {
			t.Errorf("undo of the copy's frame: %v", err)
		}
	}
}

// A file of the first version is read.
func TestImportVersion1(t *testing.T) {
	raw, err := os.ReadFile("../job/testdata/job-v1.json")
	if err != nil {
		t.Fatal(err)
	}
	var f job.File
	if err := json.Unmarshal(raw, &f); err != nil {
		t.Fatal(err)
	}
	s, ctx := storetest.Jobs(t), context.Background()
	j, err := s.Import(ctx, f)
	if err != nil {
		t.Fatal(err)
	}
	if j.Brief.Schema != brief.BriefSchema || j.Brief.Strength.School != strength.Allowable || j.Brief.Criticality != brief.LoadLost {
		t.Errorf("brief: %+v", j.Brief)
	}
	parts, err := s.Store.Parts(ctx, j.ID)
	if err != nil || len(parts) != 1 || parts[0].Recipe.Base.Length != 177.8 || parts[0].Revision != 2 {
		t.Fatal(parts, err)
	}
	if p, err := s.Undo(ctx, parts[0].ID, 2); err != nil || p.Recipe.Base.Length != 152.4 {
		t.Errorf("undo: %v %v", p.Recipe.Base.Length, err)
	}
}

func TestImportRefused(t *testing.T) {
	s, list := filled(t)
	ctx := context.Background()
	for path, spoil := range map[string]func(*job.File){
		"/format":                     func(f *job.File) { f.Format = "letter" },
		"/version":                    func(f *job.File) { f.Version = 9 },
		"/brief/name":                 func(f *job.File) { f.Brief.Name = "" },
		"/parts/0/revisions":          func(f *job.File) { f.Parts[0].Revisions = nil },
		"/parts/0/revisions/1/number": func(f *job.File) { f.Parts[0].Revisions[1].Number = 1 },
		"/parts/0/revisions/1/undoTo": func(f *job.File) { n := 77; f.Parts[0].Revisions[1].UndoTo = &n },
		"/parts/0/revisions/0/recipe/thickness": func(f *job.File) {
			f.Parts[0].Revisions[0].Recipe.Thickness = -1
		},
		"/parts/1/id": func(f *job.File) { f.Parts = append(f.Parts[:1:1], f.Parts[0]) },
	} {
		f, err := s.Export(ctx, list[0].ID)
		if err != nil {
			t.Fatal(err)
		}
		spoil(&f)
		_, err = s.Import(ctx, f)
		var fault *working.Fault
		if !errors.As(err, &fault) || fault.Path != path {
			t.Errorf("%s: %v", path, err)
		}
	}
	if now, err := s.Store.Jobs(ctx, false); err != nil || len(now) != len(list) {
		t.Errorf("a refused file left something: %d jobs, %v", len(now), err)
	}
	if _, err := s.Export(ctx, strings.Replace(list[0].ID, "0", "1", 5)); !errors.Is(err, job.ErrNotFound) {
		t.Errorf("a job that is not there: %v", err)
	}
}
