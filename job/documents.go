package job

import (
	"context"
	"errors"
	"fmt"
	"slices"

	"warmanvil/core/quantity"
	"warmanvil/core/working"
	"warmanvil/job/merge"
)

// Clash is a save that cannot be joined with what was saved meanwhile: both changed the
// same things, and not alike. It wraps ErrConflict.
type Clash struct {
	Current Document
	Places  []Clashing
	Why     string // why the two cannot be joined even so, empty when only a choice is wanted
}

// Clashing is one thing that both changed.
type Clashing struct {
	Path   string `json:"path" doc:"names the place when the choice is sent"`
	What   string `json:"what"`
	Mine   string `json:"mine" doc:"in words"`
	Theirs string `json:"theirs" doc:"in words"`
}

func (c *Clash) Error() string { return ErrConflict.Error() }

// Unwrap answers ErrConflict.
func (c *Clash) Unwrap() error { return ErrConflict }

// Saved is a document as it stands after a save.
type Saved struct {
	Document
	Joined []Difference // what is not as it was sent: what somebody else had changed meanwhile
}

// tries of a save that others keep overtaking.
const tries = 4

// save keeps a new state that is ready to be kept. Where somebody saved since the state
// it was made on, the two changes are joined field by field.
func (s *Service) save(ctx context.Context, d Document, on On) (Saved, error) {
	d.Revision, d.UndoTo, d.Continues = on.Revision+1, &on.Revision, on.Continues
	d.Who, d.Updated = on.Who, s.Now()
	got, err := s.keep(ctx, d, on.Revision, false)
	if !errors.Is(err, ErrConflict) {
		return Saved{Document: got}, err
	}
	base, err := s.Store.Revision(ctx, d.ID, on.Revision)
	if err != nil && !errors.Is(err, ErrNotFound) {
		return Saved{}, err
	}
	for range tries {
		out, err := s.join(ctx, base, d, on)
		if !errors.Is(err, ErrConflict) || errors.As(err, new(*Clash)) {
			return out, err
		}
	}
	return Saved{}, ErrConflict
}

// join keeps what d changed against base on top of what stands now.
func (s *Service) join(ctx context.Context, base Revision, d Document, on On) (Saved, error) {
	now, err := s.Store.Document(ctx, d.ID)
	if err != nil {
		return Saved{}, err
	}
	if now.Kind != d.Kind {
		return Saved{}, ErrNotFound
	}
	k, err := d.Kind.known()
	if err != nil {
		return Saved{}, err
	}
	show, err := s.display(ctx, now)
	if err != nil {
		return Saved{}, err
	}
	settled := on.Settled == now.Revision
	mine := func(pointer string) bool { return settled && slices.Contains(on.Mine, pointer) }
	was := base.Body
	if on.Revision == 0 {
		was = []byte("{}") // both are the first
	} else if len(was) > 0 {
		if was, err = k.today(was); err != nil {
			return Saved{}, err
		}
	}
	theirs, err := k.today(now.Body)
	if err != nil {
		return Saved{}, err
	}
	raw, clashes, err := joined(was, d.Body, theirs, mine)
	if err != nil {
		return Saved{}, err
	}
	if len(clashes) > 0 && !settled {
		return Saved{}, &Clash{Current: now, Places: k.clashing(clashes, show, d.Body, theirs)}
	}
	ready, err := k.read(raw)
	if err != nil { // each is whole by itself, and together they are not
		if !errors.As(err, new(*working.Fault)) {
			return Saved{}, err
		}
		if !mine("") {
			return Saved{}, &Clash{Current: now, Why: err.Error(),
				Places: []Clashing{{What: "All of it", Mine: "as here", Theirs: "as saved meanwhile"}}}
		}
		ready = d.Body
	}
	next := d
	next.Body, next.Revision, next.UndoTo, next.Continues = ready, now.Revision+1, &now.Revision, false
	got, err := s.keep(ctx, next, now.Revision, false)
	if err != nil {
		return Saved{}, err
	}
	out := Saved{Document: got}
	out.Joined = k.differences(d.Body, got.Body, show)
	return out, nil
}

// display answers how numbers of a document are written: as its job says, or as the shop.
func (s *Service) display(ctx context.Context, d Document) (quantity.Display, error) {
	if d.Kind.Own() {
		w, err := s.Shop(ctx)
		return w.Display(), err
	}
	j, err := s.Job(ctx, d.JobID)
	return j.Brief.Display(), err
}

// joined joins two bodies made from a third.
func joined(base, mine, theirs []byte, prefer func(string) bool) (raw []byte, clashes []merge.Change, err error) {
	var m, t any
	var b any = merge.Unknown{}
	if len(base) > 0 {
		if b, err = merge.Read(base); err != nil {
			return nil, nil, err
		}
	}
	if m, err = merge.Read(mine); err != nil {
		return nil, nil, err
	}
	if t, err = merge.Read(theirs); err != nil {
		return nil, nil, err
	}
	both, clashes := merge.Three(b, m, t, prefer)
	raw, err = merge.Write(both)
	return raw, clashes, err
}

// Find answers a document of a kind: by its own id where a job has several, else by the
// job's.
func (s *Service) Find(ctx context.Context, k Kind, id string) (Document, error) {
	if k.Many() {
		d, err := s.Store.Document(ctx, id)
		if err == nil && d.Kind != k {
			err = ErrNotFound
		}
		return d, err
	}
	if k.Own() {
		return s.Store.Only(ctx, "", k)
	}
	if _, err := s.Store.Job(ctx, id); err != nil {
		return Document{}, err
	}
	return s.Store.Only(ctx, id, k)
}

// Save keeps a new state of a document of a kind, found as Find does; the first state of
// one that there is not yet is made on revision 0. Where somebody saved since the state
// it was made on, the two changes are joined; it fails with *Clash where they cannot be.
func Save[T Form[T]](ctx context.Context, s *Service, k Kind, id string, on On, v T) (Saved, error) {
	raw, err := ready(v)
	if err != nil {
		return Saved{}, err
	}
	if k.Many() {
		return s.save(ctx, Document{ID: id, Kind: k, Body: raw}, on)
	}
	if k.Own() {
		id = "" // it has no job
	}
	now, err := s.Find(ctx, k, id)
	if err != nil {
		return Saved{}, err
	}
	if now.Revision == 0 && on.Revision == 0 {
		at := s.Now()
		d := Document{ID: s.NewID(), Kind: k, Revision: 1, Body: raw,
			Kept: Kept{JobID: id, Summary: "started", Who: on.Who, Created: at, Updated: at}}
		if err := s.Store.AddDocuments(ctx, d); !errors.Is(err, ErrConflict) {
			return Saved{Document: d}, err
		}
		if now, err = s.Store.Only(ctx, id, k); err != nil { // another was first
			return Saved{}, err
		}
	}
	if now.Revision == 0 {
		return Saved{}, ErrConflict // made on a state there never was
	}
	return s.save(ctx, Document{ID: now.ID, Kind: k, Body: raw}, on)
}

// Archive puts a document of a kind away or brings it back.
func (s *Service) Archive(ctx context.Context, k Kind, id string, archived bool) error {
	d, err := s.Find(ctx, k, id)
	if err != nil {
		return err
	}
	return s.Store.ArchiveDocument(ctx, d.ID, archived, s.Now())
}

// Undo brings back the state before the last change, as a new revision: no
// revision is ever lost.
func (s *Service) Undo(ctx context.Context, k Kind, id string, on On) (Document, error) {
	return s.step(ctx, k, id, on, func(d Document) *int { return d.UndoTo }, "undone", true)
}

// Redo takes back the last undo.
func (s *Service) Redo(ctx context.Context, k Kind, id string, on On) (Document, error) {
	return s.step(ctx, k, id, on, func(d Document) *int { return d.RedoTo }, "redone", false)
}

func (s *Service) step(ctx context.Context, k Kind, id string, on On, target func(Document) *int, word string,
	undo bool) (Document, error) {
	d, err := s.Find(ctx, k, id)
	if err != nil {
		return d, err
	}
	if d.Revision != on.Revision {
		return d, ErrConflict
	}
	to := target(d)
	if to == nil {
		return d, ErrNothing
	}
	back, err := s.Store.Revision(ctx, d.ID, *to)
	if err != nil {
		return d, fmt.Errorf("read revision %d: %w", *to, err)
	}
	from := d.Revision
	d.Body, d.Summary, d.Who = back.Body, fmt.Sprintf("%s to revision %d", word, *to), on.Who
	d.UndoTo, d.RedoTo = back.UndoTo, back.RedoTo
	if undo {
		d.RedoTo = &from
	}
	d.Revision, d.Updated = from+1, s.Now()
	return s.keep(ctx, d, from, true)
}

// History lists a document's kept states, newest first, each with what it changed
// against the one before.
func (s *Service) History(ctx context.Context, d Document) ([]Revision, error) {
	if d.Revision == 0 { // it was never saved
		return []Revision{}, nil
	}
	list, err := s.Store.Revisions(ctx, d.ID)
	if err != nil {
		return nil, err
	}
	k, err := d.Kind.known()
	if err != nil {
		return nil, err
	}
	show, err := s.display(ctx, d)
	if err != nil {
		return nil, err
	}
	for i := range list {
		if list[i].Summary == "" && i+1 < len(list) {
			list[i].Summary = briefly(k.differences(list[i+1].Body, list[i].Body, show))
		}
	}
	return list, nil
}

// Since says in words what was changed of a document since one of its kept states.
func (s *Service) Since(ctx context.Context, d Document, number int) ([]Difference, error) {
	k, err := d.Kind.known()
	if err != nil {
		return nil, err
	}
	was, err := s.Store.Revision(ctx, d.ID, number)
	if err != nil {
		return nil, err
	}
	show, err := s.display(ctx, d)
	if err != nil {
		return nil, err
	}
	return k.differences(was.Body, d.Body, show), nil
}
