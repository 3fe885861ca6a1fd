package task_test

import (
	"bytes"
	"context"
	"errors"
	"io"
	"strings"
	"sync/atomic"
	"testing"
	"testing/iotest"
	"time"

	"warmanvil/core/working"
	"warmanvil/job"
	"warmanvil/store"
	"warmanvil/store/storetest"
	"warmanvil/task"
)

func TestMain(m *testing.M) { storetest.Main(m) }

// shop is a store with the demo jobs and the file of one of them.
func shop(t *testing.T) (jobs *job.Service, s *task.Service, file []byte) {
	t.Helper()
	t.Parallel()
	jobs = storetest.Jobs(t)
	if err := jobs.LoadDemo(t.Context()); err != nil {
		t.Fatal(err)
	}
	list, err := jobs.Jobs(t.Context(), false)
	if err != nil {
		t.Fatal(err)
	}
	x, err := jobs.Export(t.Context(), list[0].ID)
	if err != nil {
		t.Fatal(err)
	}
	var raw bytes.Buffer
	if err := x.Write(t.Context(), &raw, ""); err != nil {
		t.Fatal(err)
	}
	return jobs, storetest.Queue(jobs), raw.Bytes()
}

func ask(t *testing.T, s *task.Service, kind task.Kind, who string, content []byte) task.Task {
	t.Helper()
	a, err := s.Ask(t.Context(), task.Task{Kind: kind, Who: who, Name: "a file"}, bytes.NewReader(content))
	if err != nil || a.State != task.Waiting || a.Size != int64(len(content)) {
		t.Fatal(a, err)
	}
	return a
}

// ended waits for a task to end; a loaded machine may take its time.
func ended(t *testing.T, s *task.Service, id string, want task.State) task.Task {
	t.Helper()
	for end := time.Now().Add(2 * time.Minute); ; time.Sleep(20 * time.Millisecond) {
		a, err := s.Store.Task(t.Context(), id)
		if err != nil {
			t.Fatal(err)
		}
		if a.State.Ended() {
			if a.State != want {
				t.Fatalf("%s, %s wanted: %s %s", a.State, want, a.Path, a.Says)
			}
			if _, err := s.Store.Part(t.Context(), id, false, 0); !errors.Is(err, job.ErrNotFound) {
				t.Error("what it worked on is still there:", err)
			}
			return a
		}
		if time.Now().After(end) {
			t.Fatalf("it does not end: %+v", a)
		}
	}
}

func count(t *testing.T, jobs *job.Service) int {
	t.Helper()
	list, err := jobs.Jobs(t.Context(), false)
	if err != nil {
		t.Fatal(err)
	}
	return len(list)
}

// run has tasks done until the test ends, or until it is told to end.
func run(t *testing.T, s *task.Service) (end func()) {
	t.Helper()
	ctx, stop := context.WithCancel(t.Context())
	done := make(chan error, 1)
	go func() { done <- s.Run(ctx) }()
	var over atomic.Bool
	end = func() {
		if over.CompareAndSwap(false, true) {
			stop()
			if err := <-done; err != nil {
				t.Error(err)
			}
		}
	}
	t.Cleanup(end)
	return end
}

// A task whose server died in the midst of it is done by another, and makes one job however
// often it is done.
func TestDoneOnceWhoeverDoesIt(t *testing.T) {
	jobs, s, file := shop(t)
	before := count(t, jobs)
	a := ask(t, s, task.Bring, "", file)
	if got, err := s.Store.ClaimTask(t.Context(), a.ID); err != nil || got.State != task.Running { // and dies
		t.Fatal(got, err)
	}
	db := jobs.Store.(*store.Store).Pool()
	if _, err := db.Exec(t.Context(), `DELETE FROM queue.river_job`); err != nil { // it never comes back
		t.Fatal(err)
	}
	if _, err := db.Exec(t.Context(), `UPDATE task SET seen_at = now() - interval '1 minute'`); err != nil {
		t.Fatal(err)
	}
	run(t, s)
	a = ended(t, s, a.ID, task.Done)
	if a.Job != a.ID || a.Says == "" || count(t, jobs) != before+1 {
		t.Errorf("%+v, %d jobs of %d", a, count(t, jobs), before+1)
	}
	again, err := jobs.Bring(t.Context(), a.ID, job.Brought{Size: int64(len(file)), Open: func() io.Reader { return bytes.NewReader(file) }})
	if err != nil || again.ID != a.ID || count(t, jobs) != before+1 {
		t.Errorf("done twice: %v, %d jobs", err, count(t, jobs))
	}
	if got, err := s.Stop(t.Context(), a.ID); err != nil || got.State != task.Done {
		t.Error("one that is done was stopped:", got, err)
	}
	if err := s.Store.DropTask(t.Context(), a.ID); err != nil {
		t.Fatal(err)
	}
	if list, err := s.Store.Tasks(t.Context(), ""); err != nil || len(list) != 0 {
		t.Error(list, err)
	}
}

// Of one that is stopped before its turn nothing comes; one that runs breaks off.
func TestStopped(t *testing.T) {
	jobs, s, file := shop(t)
	before := count(t, jobs)
	began := make(chan struct{})
	s.Kinds["long"] = func(ctx context.Context, a task.Task, _ task.Content, _ io.Writer, tell func(task.Progress)) (task.Task, error) {
		tell(task.Progress{Done: 3, Total: 9, Says: "a third"})
		close(began)
		<-ctx.Done()
		return a, ctx.Err()
	}
	waits := ask(t, s, task.Bring, "", file)
	if got, err := s.Stop(t.Context(), waits.ID); err != nil || got.State != task.Stopped {
		t.Fatal(got, err)
	}
	runs := ask(t, s, "long", "", file)
	run(t, s)
	<-began
	for {
		got, err := s.Store.Task(t.Context(), runs.ID)
		if err != nil {
			t.Fatal(err)
		}
		if got.Done == 3 && got.Total == 9 && got.Says == "a third" && got.State == task.Running {
			break
		}
		time.Sleep(10 * time.Millisecond)
	}
	if got, err := s.Stop(t.Context(), runs.ID); err != nil || got.State != task.Stopped || got.Says == "" {
		t.Fatal(got, err)
	}
	// The next has its turn: the one that was stopped has broken off.
	next := ask(t, s, task.Bring, "", file)
	ended(t, s, next.ID, task.Done)
	ended(t, s, waits.ID, task.Stopped)
	ended(t, s, runs.ID, task.Stopped)
	if count(t, jobs) != before+1 {
		t.Errorf("%d jobs, %d wanted", count(t, jobs), before+1)
	}
}

// A server that stops leaves its task to the next, which goes on with it.
func TestGoesOnAfterAStop(t *testing.T) {
	_, s, file := shop(t)
	var tries atomic.Int32
	began := make(chan struct{}, 10)
	s.Kinds["long"] = func(ctx context.Context, a task.Task, in task.Content, _ io.Writer, _ func(task.Progress)) (task.Task, error) {
		tries.Add(1)
		began <- struct{}{}
		if tries.Load() == 1 {
			<-ctx.Done()
			return a, ctx.Err()
		}
		for range 2 { // from its start, as often as it is asked for
			raw, err := io.ReadAll(in.Open())
			if err != nil || !bytes.Equal(raw, file) {
				return a, working.Refuse("", "It reads %d bytes of %d: %v.", len(raw), len(file), err)
			}
		}
		a.Says = "at last"
		return a, nil
	}
	end := run(t, s)
	a := ask(t, s, "long", "", file)
	<-began
	end()
	if got, err := s.Store.Task(t.Context(), a.ID); err != nil || got.State.Ended() {
		t.Fatal(got, err)
	}
	run(t, s)
	if got := ended(t, s, a.ID, task.Done); got.Says != "at last" || tries.Load() < 2 {
		t.Errorf("%+v after %d tries", got, tries.Load())
	}
}

// Whatever goes wrong is told, and nothing of it is kept.
func TestWrongIsTold(t *testing.T) {
	jobs, s, file := shop(t)
	before := count(t, jobs)
	s.Kinds["breaks"] = func(context.Context, task.Task, task.Content, io.Writer, func(task.Progress)) (task.Task, error) {
		panic("a fault of ours")
	}
	s.Kinds["cannot"] = func(_ context.Context, a task.Task, _ task.Content, _ io.Writer, _ func(task.Progress)) (task.Task, error) {
		return a, errors.New("for a reason nobody foresaw")
	}
	run(t, s)
	for _, tc := range []struct {
		kind    task.Kind
		content []byte
		path    string
		says    string
	}{
		{"breaks", file, "", "our side"}, {"cannot", file, "", "our side"}, {"of tomorrow", file, "", "newer"},
		{task.Bring, file[:len(file)/2], "", "ends in the middle"},
		{task.Bring, bytes.Replace(file, []byte(`"version":5`), []byte(`"version":6`), 1), "/version", "newer program"},
		{task.Bring, bytes.Replace(file, []byte(`"numbers":[]`), []byte(`"numbers":[{"calc":"bend","title":"`+strings.Repeat("x", 5<<20)+`"}]`), 1), "/numbers/0", "too long"},
	} {
		got := ended(t, s, ask(t, s, tc.kind, "", tc.content).ID, task.Refused)
		if !strings.HasPrefix(got.Path, tc.path) || !strings.Contains(got.Says, tc.says) || got.Job != "" {
			t.Errorf("%s: %s %q", tc.kind, got.Path, got.Says)
		}
	}
	if count(t, jobs) != before {
		t.Errorf("%d jobs, %d wanted", count(t, jobs), before)
	}
}

// One person has so many at once; what breaks off while it is sent leaves nothing.
func TestBoundedByPerson(t *testing.T) {
	jobs, s, file := shop(t)
	db := jobs.Store.(*store.Store).Pool()
	const ada, ben = "0193a000-0000-7000-8000-000000000001", "0193a000-0000-7000-8000-000000000002"
	for _, id := range []string{ada, ben} {
		if _, err := db.Exec(t.Context(), `INSERT INTO account (id, name, role, password, created_at) VALUES ($1::uuid, $1::text, 'maker', '', now())`, id); err != nil {
			t.Fatal(err)
		}
	}
	for range 3 {
		ask(t, s, task.Bring, ada, file)
	}
	if _, err := s.Ask(t.Context(), task.Task{Kind: task.Bring, Who: ada, Name: "a fourth"},
		bytes.NewReader(file)); !errors.Is(err, task.ErrMany) {
		t.Error("a fourth was taken:", err)
	}
	ask(t, s, task.Bring, ben, file)
	broken := errors.New("the sender left")
	_, err := s.Ask(t.Context(), task.Task{Kind: task.Bring, Who: ben, Name: "broken"},
		io.MultiReader(bytes.NewReader(make([]byte, 3<<20)), iotest.ErrReader(broken)))
	if !errors.Is(err, broken) {
		t.Error(err)
	}
	// What nobody could even clear away, because the database went with the sender, does not
	// stand in the way for long.
	for range 3 {
		id := jobs.NewID()
		if err := s.Store.AddTask(t.Context(), task.Task{ID: id, Kind: task.Bring, Who: ben, State: task.Arriving, Created: time.Now()}, 9,
			time.Now().Add(-time.Hour)); err != nil {
			t.Fatal(err)
		}
		if err := s.Store.AddPart(t.Context(), id, 0, file); err != nil {
			t.Fatal(err)
		}
	}
	if _, err := db.Exec(t.Context(), `UPDATE task SET seen_at = now() - interval '2 minutes' WHERE state = 'arriving'`); err != nil {
		t.Fatal(err)
	}
	last := ask(t, s, task.Bring, ben, file)
	if _, err := s.Stop(t.Context(), last.ID); err != nil {
		t.Fatal(err)
	}
	if err := s.Store.DropTask(t.Context(), last.ID); err != nil {
		t.Fatal(err)
	}
	list, err := s.Store.Tasks(t.Context(), ben)
	if err != nil || len(list) != 1 || list[0].Who != ben {
		t.Errorf("%+v %v", list, err)
	}
	var parts int
	if err := db.QueryRow(t.Context(), `SELECT count(*) FROM task_part p WHERE NOT EXISTS (SELECT FROM task WHERE id = p.task AND state = 'waiting')`).
		Scan(&parts); err != nil || parts != 0 {
		t.Errorf("%d parts nobody needs are kept: %v", parts, err)
	}
}

// A job that is being added is not waited for: whoever adds it again is told to come back.
func TestAddedByTwo(t *testing.T) {
	jobs, _, _ := shop(t)
	id, now := jobs.NewID(), jobs.Now()
	row := job.Row{ID: id, Created: now, Updated: now}
	err := jobs.Store.AddJob(t.Context(), row, func(job.Adding) error {
		if err := jobs.Store.AddJob(t.Context(), row, func(job.Adding) error { return nil }); !errors.Is(err, job.ErrBusy) {
			t.Error("a second is added beside:", err)
		}
		return nil
	})
	if err != nil {
		t.Fatal(err)
	}
	if err := jobs.Store.AddJob(t.Context(), row, func(job.Adding) error { return nil }); !errors.Is(err, job.ErrConflict) {
		t.Error("a second is added after:", err)
	}
}

// A database that goes and comes back, or hangs for a while, holds long work up and no more.
func TestDatabaseGoesMeanwhile(t *testing.T) {
	_, _, file := shop(t)
	between, url := storetest.Stand(t, storetest.URL(t))
	jobs := storetest.JobsAt(t, url)
	s := storetest.Queue(jobs)
	between.Shut() // it is away when the server starts
	run(t, s)
	between.Open()
	ended(t, s, askSoon(t, s, file).ID, task.Done)
	between.Shut()
	between.Open()
	ended(t, s, askSoon(t, s, file).ID, task.Done)
	between.Hold()
	if _, err := s.Store.Tasks(t.Context(), ""); jobs.Store.Trouble(err) != job.Away {
		t.Error("not told that it hangs:", err)
	}
	between.Let()
	ended(t, s, askSoon(t, s, file).ID, task.Done)
	if n := count(t, jobs); n != 3 {
		t.Errorf("%d jobs of 3", n)
	}
}

// askSoon asks until the database answers again.
func askSoon(t *testing.T, s *task.Service, content []byte) task.Task {
	t.Helper()
	for end := time.Now().Add(time.Minute); ; time.Sleep(50 * time.Millisecond) {
		a, err := s.Ask(t.Context(), task.Task{Kind: task.Bring, Name: "a file"}, bytes.NewReader(content))
		if err == nil {
			return a
		}
		if time.Now().After(end) {
			t.Fatal(err)
		}
	}
}
