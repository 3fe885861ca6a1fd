package store_test

import (
	"archive/tar"
	"bytes"
	"compress/gzip"
	"context"
	"crypto/sha256"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"math/rand/v2"
	"os"
	"slices"
	"strings"
	"testing"
	"time"

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
	list, err := s.Jobs(ctx, false)
	if err != nil || len(list) < 2 {
		t.Fatal(list, err)
	}
	for _, j := range list {
		parts, err := s.Parts(ctx, j.ID)
		if err != nil {
			t.Fatal(err)
		}
		for _, was := range parts[:min(len(parts), 1)] {
			r := was.Recipe
			r.Base.Length += 10
			p, err := s.SavePart(ctx, was.ID, job.On{Revision: was.Revision},
				job.PartState{Name: "Ä part, \"quoted\"\twith a tab\\", Quantity: 3, Recipe: r})
			if err != nil {
				t.Fatal(err)
			}
			if _, err := s.Undo(ctx, job.KindSheet, p.ID, job.On{Revision: p.Revision}); err != nil {
				t.Fatal(err)
			}
		}
		frames, err := s.Frames(ctx, j.ID)
		if err != nil || len(frames) != 1 {
			t.Fatal(frames, err)
		}
		d := frames[0].Doc
		d.Sags = 7
		if _, err := s.SaveFrame(ctx, frames[0].ID, job.On{Revision: 1},
			job.FrameState{Name: "A frame\nof two lines", Quantity: 2, Frame: d}); err != nil {
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
	t.Parallel()
	s, list := filled(t)
	first := backup(t, s.Store.(*store.Store))
	empty := storetest.Open(t)
	told, err := empty.Restore(context.Background(), bytes.NewReader(first))
	if err != nil {
		t.Fatal(err)
	}
	rows := map[string]int64{}
	for _, r := range told.Tables {
		rows[r.Table] = r.Rows
	}
	if !told.Sworn || rows["job"] != int64(len(list)) || rows["document"] == 0 || rows["document_revision"] < rows["document"] {
		t.Errorf("says it restored %+v", told)
	}
	if second := backup(t, empty); !bytes.Equal(first, second) {
		t.Fatalf("%d bytes went in, %d other ones come out", len(first), len(second))
	}
	got, err := empty.Jobs(context.Background(), false)
	if err != nil || len(got) != len(list) {
		t.Fatal(got, err)
	}
	if _, err := empty.Restore(context.Background(), bytes.NewReader(first)); !errors.Is(err, store.ErrNotEmpty) {
		t.Errorf("restored over jobs: %v", err)
	}
}

// A damaged, cut or foreign file is refused and nothing of it is kept.
func TestBadBackups(t *testing.T) {
	t.Parallel()
	s, _ := filled(t)
	good := backup(t, s.Store.(*store.Store))
	flipped := bytes.Replace(good, []byte("Morvan"), []byte("Borvan"), 1)
	newer := sworn(t, good, `"schema": `, `"schema": 10`)
	for what, raw := range map[string][]byte{"damaged": flipped, "cut": good[:len(good)/2], "empty": nil,
		"foreign": []byte("a letter to a friend"), "newer": newer,
		"rows miscounted": sworn(t, good, `"rows": 3,`, `"rows": 4,`), "no such schema": sworn(t, good, `"schema": `, `"schema": -`),
		"of tables before": sworn(t, good, `"schema": 10`, `"schema": 6`)} {
		empty := storetest.Open(t)
		if _, err := empty.Restore(context.Background(), bytes.NewReader(raw)); err == nil {
			t.Errorf("%s: restored", what)
		}
		if got, err := empty.Jobs(context.Background(), false); err != nil || len(got) != 0 {
			t.Errorf("%s: %d jobs are there, %v", what, len(got), err)
		}
		var sides int
		if err := empty.Pool().QueryRow(context.Background(),
			`SELECT count(*) FROM pg_namespace WHERE nspname = 'restoring'`).Scan(&sides); err != nil ||
			sides != 0 {
			t.Errorf("%s: what was put together beside is left over: %d, %v", what, sides, err)
		}
		if what != "rows miscounted" {
			continue
		}
		if _, err := empty.Restore(context.Background(), bytes.NewReader(good)); err != nil {
			t.Errorf("after it the good one is not restored: %v", err)
		}
	}
}

// sworn changes the manifest of a backup and gives it the checksum of what it says then.
func sworn(t *testing.T, raw []byte, was, now string) []byte {
	t.Helper()
	var b bytes.Buffer
	in, out := tar.NewReader(bytes.NewReader(raw)), tar.NewWriter(&b)
	sum := ""
	for {
		h, err := in.Next()
		if errors.Is(err, io.EOF) {
			break
		}
		if err != nil {
			t.Fatal(err)
		}
		content, err := io.ReadAll(in)
		if err != nil {
			t.Fatal(err)
		}
		switch h.Name {
		case "manifest.json":
			changed := strings.Replace(string(content), was, now, 1)
			if changed == string(content) {
				t.Fatalf("no %s in %s", was, content)
			}
			content, sum = []byte(changed), fmt.Sprintf("%x", sha256.Sum256([]byte(changed)))
		case "manifest.sha256":
			content = []byte(sum)
		}
		h.Size = int64(len(content))
		if err := out.WriteHeader(h); err != nil {
			t.Fatal(err)
		}
		if _, err := out.Write(content); err != nil {
			t.Fatal(err)
		}
	}
	if err := out.Close(); err != nil {
		t.Fatal(err)
	}
	return b.Bytes()
}

// Bits flipped and cuts made anywhere in a real backup: refused in words with nothing kept,
// or restored as it was.
func TestDamagedBackupsRestoreNothing(t *testing.T) {
	t.Parallel()
	s, _ := filled(t)
	good := backup(t, s.Store.(*store.Store))
	rnd := rand.New(rand.NewPCG(7, 11))
	refused := 0
	for i := range 16 {
		raw, at := bytes.Clone(good), rnd.IntN(len(good))
		if i < 8 { // half of them in the manifest, which is small
			at = rnd.IntN(4096)
		}
		if i%4 == 3 {
			raw = raw[:at]
		} else {
			raw[at] ^= 1 << rnd.IntN(8)
		}
		empty := storetest.Open(t)
		_, err := empty.Restore(context.Background(), bytes.NewReader(raw))
		if err == nil && !bytes.Equal(backup(t, empty), good) {
			t.Fatalf("changed at %d: restored something else", at)
		}
		if err == nil {
			continue
		}
		refused++
		if got, listErr := empty.Jobs(context.Background(), false); listErr != nil || len(got) != 0 || len(err.Error()) < 20 {
			t.Errorf("changed at %d: refused with %q, %d jobs are there, %v", at, err, len(got), listErr)
		}
	}
	if refused < 8 {
		t.Errorf("only %d of 16 were refused", refused)
	}
}

// A job goes out and comes in as a job of its own that says the same: every document
// with its history, undo, numbers; what its documents name are its own.
func TestExportAndImport(t *testing.T) {
	s, list := filled(t)
	ctx := context.Background()
	for _, j := range list {
		f := exported(t, s, j.ID)
		copied, err := bring(s, text(t, f))
		if err != nil {
			t.Fatal(err)
		}
		again := exported(t, s, copied.ID)
		if copied.ID == j.ID {
			t.Fatal("the copy took the job's place")
		}
		kinds := map[job.Kind]int{}
		a, b := text(t, f), text(t, again)
		for i, d := range again.Documents {
			kinds[d.Kind]++
			if strings.Contains(b, f.Documents[i].ID) {
				t.Errorf("the copy names a %s that is not its own", f.Documents[i].Kind)
			}
			b = strings.ReplaceAll(b, d.ID, f.Documents[i].ID)
		}
		if a != b {
			t.Errorf("%s came back changed:\n%.3000s\n%.3000s", j.Brief.Name, a, b)
		}
		if kinds[job.KindBrief] != 1 || kinds[job.KindSurvey] != 1 || kinds[job.KindFrame] != 1 {
			t.Errorf("%s: %v", j.Brief.Name, kinds)
		}
		parts, err := s.Parts(ctx, copied.ID)
		if err != nil {
			t.Fatal(err)
		}
		for _, p := range parts[:min(len(parts), 1)] {
			if _, err := s.Redo(ctx, job.KindSheet, p.ID, job.On{Revision: p.Revision}); err != nil {
				t.Errorf("redo on the copy: %v", err)
			}
		}
		frames, err := s.Frames(ctx, copied.ID)
		if err != nil || len(frames) != 1 || frames[0].Revision != 2 || frames[0].Doc.Sags != 7 {
			t.Fatalf("the copy's frame: %+v %v", frames, err)
		}
		if _, err := s.Undo(ctx, job.KindFrame, frames[0].ID, job.On{Revision: 2}); err != nil {
			t.Errorf("undo of the copy's frame: %v", err)
		}
		if back, err := s.Frame(ctx, frames[0].ID); err != nil || back.Doc.Sags == 7 {
			t.Errorf("undone: %v %v", back.Doc.Sags, err)
		}
	}
}

func text(t *testing.T, v any) string {
	t.Helper()
	raw, err := json.Marshal(v)
	if err != nil {
		t.Fatal(err)
	}
	return string(raw)
}

func unzipped(t *testing.T, path string) []byte {
	t.Helper()
	f, err := os.Open(path)
	if err != nil {
		t.Fatal(err)
	}
	defer f.Close()
	z, err := gzip.NewReader(f)
	if err != nil {
		t.Fatal(err)
	}
	raw, err := io.ReadAll(z)
	if err != nil {
		t.Fatal(err)
	}
	return raw
}

// A database from before there were documents is brought over whole: every state of every
// part, what was put away, briefs and surveys with their numbers.
func TestEarlierDatabaseIsBroughtOver(t *testing.T) {
	ctx := context.Background()
	s := storetest.Jobs(t)
	told, err := s.Store.(*store.Store).Restore(ctx, bytes.NewReader(unzipped(t, "testdata/schema6.tar.gz")))
	if err != nil {
		t.Fatal(err)
	}
	if told.Sworn || told.Schema != 6 || len(told.Tables) != 7 {
		t.Errorf("says it restored %+v", told)
	}
	var was map[string]struct {
		File     job.File  `json:"file"`
		Revision int       `json:"revision"`
		Archived bool      `json:"archived"`
		Updated  time.Time `json:"updated"`
	}
	if err := json.Unmarshal(unzipped(t, "testdata/schema6.json.gz"), &was); err != nil {
		t.Fatal(err)
	}
	open, errA := s.Jobs(ctx, false)
	away, errB := s.Jobs(ctx, true)
	if errA != nil || errB != nil || len(open)+len(away) != len(was) || len(away) != 1 {
		t.Fatal(len(open), len(away), errA, errB)
	}
	for _, j := range append(open, away...) {
		old, known := was[j.ID]
		if !known || j.Archived != old.Archived || j.Revision != old.Revision || !j.Updated.Equal(old.Updated) ||
			text(t, j.Brief) != text(t, old.File.Brief.Upgraded()) {
			t.Errorf("%s is another job: archived %t, revision %d of %d, %s, was %s", j.Brief.Name, j.Archived, j.Revision,
				old.Revision, j.Updated, old.Updated)
		}
		v, revision, err := s.Survey(ctx, j.ID)
		if err != nil || (revision > 0) != (old.File.Survey != nil) || old.File.Survey != nil &&
			text(t, v) != text(t, old.File.Survey.Upgraded()) {
			t.Errorf("%s: another survey (%v)", j.Brief.Name, err)
		}
		now := exported(t, s, j.ID)
		by := map[string]job.FileDocument{}
		for _, d := range now.Documents {
			by[d.ID] = d
		}
		if text(t, now.Numbers) != text(t, old.File.Numbers) {
			t.Errorf("%s: other numbers", j.Brief.Name)
		}
		for _, p := range old.File.Parts {
			d := by[p.ID]
			if len(d.Revisions) != len(p.Revisions) || d.Archived != p.Archived {
				t.Errorf("%s: %d states of %d", p.Revisions[0].Name, len(d.Revisions), len(p.Revisions))
				continue
			}
			for i, r := range p.Revisions {
				var want any = job.PartState{Name: r.Name, Quantity: r.Quantity, Recipe: r.Recipe}
				if r.Frame != nil {
					want = job.FrameState{Name: r.Name, Quantity: r.Quantity, Frame: *r.Frame}
				}
				if q := d.Revisions[i]; text(t, want) != string(q.Body) || q.Number != r.Number || q.Summary != r.Summary ||
					text(t, q.UndoTo) != text(t, r.UndoTo) || text(t, q.RedoTo) != text(t, r.RedoTo) || !q.Created.Equal(r.Created) {
					t.Errorf("%s, state %d is another", r.Name, r.Number)
				}
			}
		}
	}
	// And it is worked on: what is undone there is undone here, and a brief has a history from now on.
	for _, j := range open {
		b := j.Brief
		b.Purpose += " Once more."
		next, err := s.SaveBrief(ctx, j.ID, job.On{Revision: j.Revision}, b)
		if err != nil {
			t.Fatal(err)
		}
		if _, err := s.Undo(ctx, job.KindBrief, j.ID, job.On{Revision: next.Revision}); err != nil {
			t.Fatal(err)
		}
		if back, err := s.Job(ctx, j.ID); err != nil || back.Brief.Purpose != j.Brief.Purpose {
			t.Errorf("undone to %q (%v)", back.Brief.Purpose, err)
		}
	}
}

// A file of the first version is read.
func TestImportVersion1(t *testing.T) {
	raw, err := os.ReadFile("../job/testdata/job-v1.json")
	if err != nil {
		t.Fatal(err)
	}
	s, ctx := storetest.Jobs(t), context.Background()
	j, err := bring(s, string(raw))
	if err != nil {
		t.Fatal(err)
	}
	if j.Brief.Schema != brief.BriefSchema || j.Brief.Strength.School != strength.Allowable || j.Brief.Criticality != brief.LoadLost {
		t.Errorf("brief: %+v", j.Brief)
	}
	parts, err := s.Parts(ctx, j.ID)
	if err != nil || len(parts) != 1 || parts[0].Recipe.Base.Length != 177.8 || parts[0].Revision != 2 {
		t.Fatal(parts, err)
	}
	if _, err := s.Undo(ctx, job.KindSheet, parts[0].ID, job.On{Revision: 2}); err != nil {
		t.Fatal(err)
	}
	if p, err := s.Part(ctx, parts[0].ID); err != nil || p.Recipe.Base.Length != 152.4 {
		t.Errorf("undo: %v %v", p.Recipe.Base.Length, err)
	}
}

func exported(t *testing.T, s *job.Service, id string) job.File {
	t.Helper()
	x, err := s.Export(context.Background(), id)
	if err != nil {
		t.Fatal(err)
	}
	var raw bytes.Buffer
	if err := x.Write(context.Background(), &raw, ""); err != nil {
		t.Fatal(err)
	}
	var f job.File
	if err := json.Unmarshal(raw.Bytes(), &f); err != nil {
		t.Fatal(err)
	}
	return f
}

func bring(s *job.Service, raw string) (job.Job, error) {
	return s.Bring(context.Background(), s.NewID(),
		job.Brought{Size: int64(len(raw)), Open: func() io.Reader { return strings.NewReader(raw) }})
}

func TestImportRefused(t *testing.T) {
	s, list := filled(t)
	ctx := context.Background()
	part := slices.IndexFunc(exported(t, s, list[0].ID).Documents, func(d job.FileDocument) bool { return d.Kind == job.KindFrame })
	brief := slices.IndexFunc(exported(t, s, list[0].ID).Documents, func(d job.FileDocument) bool { return d.Kind == job.KindBrief })
	at := func(i int, more string) string { return fmt.Sprintf("/documents/%d%s", i, more) }
	spoiled := func(r *job.FileRevision, was, is string) {
		r.Body = bytes.Replace(r.Body, []byte(was), []byte(is), 1)
	}
	for path, spoil := range map[string]func(*job.File){
		"/format":                           func(f *job.File) { f.Format = "letter" },
		"/version":                          func(f *job.File) { f.Version = 9 },
		at(brief, "/revisions/0/body/name"): func(f *job.File) { spoiled(&f.Documents[brief].Revisions[0], list[0].Brief.Name, "") },
		at(brief, "/kind"):                  func(f *job.File) { f.Documents[brief].Kind = "letter" },
		at(brief, "/archived"):              func(f *job.File) { f.Documents[brief].Archived = true },
		at(len(exported(t, s, list[0].ID).Documents), "/kind"): func(f *job.File) {
			twin := f.Documents[brief]
			twin.ID = "twin"
			f.Documents = append(f.Documents, twin)
		},
		"/documents":                                         func(f *job.File) { f.Documents = slices.Delete(f.Documents, brief, brief+1) },
		at(part, "/revisions"):                               func(f *job.File) { f.Documents[part].Revisions = nil },
		at(part, "/revisions/1/number"):                      func(f *job.File) { f.Documents[part].Revisions[1].Number = 1 },
		at(part, "/revisions/1/undoTo"):                      func(f *job.File) { n := 77; f.Documents[part].Revisions[1].UndoTo = &n },
		at(part, "/revisions/1/redoTo"):                      func(f *job.File) { n := 2; f.Documents[part].Revisions[1].RedoTo = &n },
		at(part, "/revisions/0/body/quantity"):               func(f *job.File) { spoiled(&f.Documents[part].Revisions[0], `"quantity":1`, `"quantity":-1`) },
		at(part, "/revisions/0/body/moss"):                   func(f *job.File) { spoiled(&f.Documents[part].Revisions[0], `"quantity"`, `"moss":1,"quantity"`) },
		at(len(exported(t, s, list[0].ID).Documents), "/id"): func(f *job.File) { f.Documents = append(f.Documents, f.Documents[part]) },
		"/numbers/0/title":                                   func(f *job.File) { f.Numbers[0].Title = "" },
	} {
		f := exported(t, s, list[0].ID)
		spoil(&f)
		_, err := bring(s, text(t, f))
		var fault *working.Fault
		if !errors.As(err, &fault) || fault.Path != path {
			t.Errorf("%s: %v", path, err)
		}
	}
	if now, err := s.Jobs(ctx, false); err != nil || len(now) != len(list) {
		t.Errorf("a refused file left something: %d jobs, %v", len(now), err)
	}
	if _, err := s.Export(ctx, strings.Replace(list[0].ID, "0", "1", 5)); !errors.Is(err, job.ErrNotFound) {
		t.Errorf("a job that is not there: %v", err)
	}
}
