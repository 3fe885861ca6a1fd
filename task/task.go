// Package task has work that takes longer than anybody waits at a page: it is queued in
// the store, done by any server on it, tells how far it is, can be stopped, and survives a
// restart.
package task

import (
	"bufio"
	"context"
	"errors"
	"fmt"
	"io"
	"log/slog"
	"sync/atomic"
	"time"

	"warmanvil/core/working"
	"warmanvil/job"
)

// Kind names what a task does.
type Kind string

// State is how far a task is.
type State string

// States of a task.
const (
	Arriving State = "arriving" // what it works on is being sent
	Waiting  State = "waiting"
	Running  State = "running"
	Done     State = "done"
	Refused  State = "refused" // it cannot be done as asked; nothing of it is kept
	Stopped  State = "stopped" // by who asked for it
)

// Ended tells whether nothing more comes of it.
func (s State) Ended() bool { return s == Done || s == Refused || s == Stopped }

// Task is one piece of long work.
type Task struct {
	ID    string
	Kind  Kind
	Who   string // account that asked for it, empty where nobody signs in
	Name  string // of what it works on
	State State
	Progress
	Path    string // place of what is refused, a JSON pointer
	Job     string // that it made or is of
	Created time.Time
	Size    int64 // bytes of what it works on
	Run     int   // how often it was begun
}

// Progress is how far a task is, in any measure.
type Progress struct {
	Done, Total int64
	Says        string // what it is at, or how it ended
}

// Errors a caller decides on.
var (
	ErrMany  = fmt.Errorf("%d of your long tasks are not done yet: wait for one of them, or stop it", atOnce)
	errStop  = errors.New("the task was stopped")
	errPanic = errors.New("the task broke off")
)

const (
	atOnce   = 3 // unfinished tasks of one person
	partSize = 1 << 20
	kept     = 24 * time.Hour         // how long is told of a task
	pulse    = 300 * time.Millisecond // between two looks whether it was stopped
)

// Store keeps tasks.
type Store interface {
	// AddTask adds one, unless its person has as many unfinished: then it fails with ErrMany.
	// Those that ended before old are forgotten, and those of which nothing came for a minute
	// while they arrive.
	AddTask(ctx context.Context, t Task, atOnce int, old time.Time) error
	// AddPart adds a part of what a task works on, while that arrives.
	AddPart(ctx context.Context, id string, part int, content []byte) error
	// MakePart adds a part of what a task makes, while it runs.
	MakePart(ctx context.Context, t Task, part int, content []byte) error
	// Part answers a part of either; job.ErrNotFound past the last.
	Part(ctx context.Context, id string, made bool, part int) ([]byte, error)
	// QueueTask lets one that arrived whole be done.
	QueueTask(ctx context.Context, id string, size int64) error
	Task(ctx context.Context, id string) (Task, error)
	// Tasks lists a person's, newest first.
	Tasks(ctx context.Context, who string) ([]Task, error)
	// ClaimTask answers one that is to be done now, with nothing made of it yet;
	// job.ErrNotFound when nothing is to be done of it any more. Who did it before has no say
	// in it from then on.
	ClaimTask(ctx context.Context, id string) (Task, error)
	// TellTask keeps how far one is, and answers whether it is still to go on.
	TellTask(ctx context.Context, t Task, p Progress) (bool, error)
	// EndTask keeps how one ended, and of its parts what one that is done has made.
	EndTask(ctx context.Context, t Task) error
	// DropTask forgets one that ended.
	DropTask(ctx context.Context, id string) error
	// WorkTasks has queued tasks done until the context ends, and then waits for those that
	// run to break off; last tells that one is not tried again.
	WorkTasks(ctx context.Context, do func(ctx context.Context, id string, last bool) error) error
	Trouble(err error) job.Trouble
}

// Work does a task and answers how it ended, with the job it made; a file that it makes is
// written to out. It fails with *working.Fault where it cannot be done as asked.
type Work func(ctx context.Context, t Task, in Content, out io.Writer, tell func(Progress)) (Task, error)

// Service has tasks done.
type Service struct {
	Store Store
	Now   func() time.Time
	NewID func() string
	Kinds map[Kind]Work
}

// Content is what a task works on.
type Content struct {
	Size int64
	Open func() io.Reader
}

// Ask adds a task that works on what is read, and queues it when that is whole.
func (s *Service) Ask(ctx context.Context, t Task, from io.Reader) (Task, error) {
	t.ID, t.State, t.Created = s.NewID(), Arriving, s.Now()
	if err := s.Store.AddTask(ctx, t, atOnce, t.Created.Add(-kept)); err != nil {
		return Task{}, err
	}
	size, err := s.take(ctx, t.ID, from)
	if err == nil {
		err = s.Store.QueueTask(ctx, t.ID, size)
	}
	if err != nil {
		t.State = Stopped
		ctx := context.WithoutCancel(ctx) // whoever sent it may have left
		return Task{}, errors.Join(err, s.Store.EndTask(ctx, t), s.Store.DropTask(ctx, t.ID))
	}
	return s.Store.Task(ctx, t.ID)
}

// take keeps what is read, part by part.
func (s *Service) take(ctx context.Context, id string, from io.Reader) (size int64, err error) {
	part := make([]byte, partSize)
	for i := 0; ; i++ {
		n, err := io.ReadFull(from, part)
		if n > 0 {
			if err := s.Store.AddPart(ctx, id, i, part[:n]); err != nil {
				return 0, err
			}
		}
		size += int64(n)
		switch {
		case errors.Is(err, io.EOF) || errors.Is(err, io.ErrUnexpectedEOF):
			return size, nil
		case err != nil:
			return 0, err
		}
	}
}

// Stop ends a task that is not done yet. It is answered as it stands then: one that was
// just done stays done.
func (s *Service) Stop(ctx context.Context, id string) (Task, error) {
	t, err := s.Store.Task(ctx, id)
	if err != nil || t.State.Ended() {
		return t, err
	}
	t.State, t.Says = Stopped, "Stopped; nothing of it was kept."
	if err := s.Store.EndTask(ctx, t); err != nil {
		return Task{}, err
	}
	return s.Store.Task(ctx, id)
}

// Run does queued tasks until the context ends. A store that cannot be reached is tried
// again.
func (s *Service) Run(ctx context.Context) error {
	for {
		err := s.Store.WorkTasks(ctx, s.do)
		if ctx.Err() != nil {
			return err
		}
		slog.ErrorContext(ctx, "long work stands still", "error", err)
		select {
		case <-ctx.Done():
		case <-time.After(pulse):
		}
	}
}

// do does one queued task. What it fails with lets it be tried again.
func (s *Service) do(ctx context.Context, id string, last bool) error {
	t, err := s.Store.ClaimTask(ctx, id)
	if errors.Is(err, job.ErrNotFound) {
		return nil
	}
	if err != nil {
		return err
	}
	going, stop := context.WithCancelCause(ctx)
	defer stop(nil)
	told, over := s.told(going, t, stop)
	end, err := s.work(going, t, told)
	over()
	var fault *working.Fault
	switch {
	case errors.Is(context.Cause(going), errStop):
		if err != nil {
			return nil
		}
		end.State = Done // it was faster
	case err == nil:
		end.State = Done
	case errors.As(err, &fault):
		end.State, end.Says, end.Path = Refused, fault.Message, fault.Path
	case errors.Is(ctx.Err(), context.DeadlineExceeded):
		end.State, end.Says = Refused, "It was given up because it takes too long; nothing of it was kept."
	case !last && (ctx.Err() != nil || errors.Is(err, job.ErrBusy) || s.Store.Trouble(err) != job.NoTrouble):
		return err
	default:
		slog.ErrorContext(ctx, "task failed", "task", id, "error", err)
		end.State, end.Says = Refused, "Something went wrong on our side; nothing of it was kept. The server's log says what."
	}
	t.State, t.Says, t.Path, t.Job = end.State, end.Says, end.Path, end.Job
	return s.Store.EndTask(context.WithoutCancel(ctx), t)
}

// work does what a task asks for.
func (s *Service) work(ctx context.Context, t Task, tell func(Progress)) (end Task, err error) {
	defer func() {
		if r := recover(); r != nil {
			err = fmt.Errorf("%w: %v", errPanic, r)
		}
	}()
	do, known := s.Kinds[t.Kind]
	if !known {
		return t, working.Refuse("", "This program does not know how to do %q: a newer one does.", string(t.Kind))
	}
	made := &making{ctx: ctx, store: s.Store, of: t}
	out := bufio.NewWriterSize(made, partSize)
	end, err = do(ctx, t, Content{t.Size, func() io.Reader { return s.reader(ctx, t.ID, false) }}, out, tell)
	if err == nil {
		err = out.Flush()
	}
	return end, err
}

// Made reads the file that a task made.
func (s *Service) Made(ctx context.Context, id string) io.Reader { return s.reader(ctx, id, true) }

func (s *Service) reader(ctx context.Context, id string, made bool) io.Reader {
	return &parts{ctx: ctx, store: s.Store, id: id, made: made}
}

// making keeps the file that a task makes.
type making struct {
	ctx   context.Context
	store Store
	of    Task
	parts int
}

func (m *making) Write(p []byte) (int, error) {
	if err := m.store.MakePart(m.ctx, m.of, m.parts, p); err != nil {
		return 0, err
	}
	m.parts++
	return len(p), nil
}

// told keeps how far a task is, now and then, and stops it when who asked for it does.
func (s *Service) told(ctx context.Context, t Task, stop context.CancelCauseFunc) (tell func(Progress), over func()) {
	var now atomic.Pointer[Progress]
	now.Store(&Progress{})
	ended := make(chan struct{})
	beat, cancel := context.WithCancel(ctx)
	go func() {
		defer close(ended)
		tick := time.NewTicker(pulse)
		defer tick.Stop()
		for {
			select {
			case <-beat.Done():
				return
			case <-tick.C:
			}
			if on, err := s.Store.TellTask(beat, t, *now.Load()); err == nil && !on {
				stop(errStop)
			}
		}
	}()
	return func(p Progress) { now.Store(&p) }, func() { cancel(); <-ended }
}

// parts reads what a task works on, or what it made, from its start.
type parts struct {
	ctx   context.Context
	store Store
	id    string
	made  bool
	next  int
	left  []byte
}

func (p *parts) Read(into []byte) (int, error) {
	if err := p.ctx.Err(); err != nil {
		return 0, err
	}
	if len(p.left) == 0 {
		content, err := p.store.Part(p.ctx, p.id, p.made, p.next)
		if errors.Is(err, job.ErrNotFound) {
			return 0, io.EOF
		}
		if err != nil {
			return 0, err
		}
		p.left, p.next = content, p.next+1
	}
	n := copy(into, p.left)
	p.left = p.left[n:]
	return n, nil
}
