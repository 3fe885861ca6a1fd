package job

import (
	"context"
	"fmt"
	"time"

	"warmanvil/core/brief"
	"warmanvil/core/sheet"
	"warmanvil/core/site"
	"warmanvil/core/working"
)

// Service is what may be done to jobs.
type Service struct {
	Store Store
	Now   func() time.Time
	NewID func() string
}

// CreateJob starts a job.
func (s *Service) CreateJob(ctx context.Context, b brief.Brief) (Job, error) {
	b = b.Upgraded()
	if err := b.Check(); err != nil {
		return Job{}, err
	}
	j := s.newJob(b)
	return j, s.Store.CreateJob(ctx, j, nil)
}

func (s *Service) newJob(b brief.Brief) Job {
	now := s.Now()
	return Job{ID: s.NewID(), Brief: b.Upgraded(), Revision: 1, Created: now, Updated: now}
}

// SaveJob changes the brief or archives the job, if nobody did since revision
// expected.
func (s *Service) SaveJob(ctx context.Context, id string, expected int, b brief.Brief, archived bool) (Job, error) {
	b = b.Upgraded()
	if err := b.Check(); err != nil {
		return Job{}, err
	}
	j, err := s.Store.Job(ctx, id)
	if err != nil {
		return j, err
	}
	j.Brief, j.Archived, j.Updated = b, archived, s.Now()
	j.Revision = expected + 1
	return j, s.Store.SaveJob(ctx, j, expected)
}

// DuplicateJob copies a job with its parts as they stand; the copy's history
// starts anew.
func (s *Service) DuplicateJob(ctx context.Context, id string) (Job, error) {
	from, err := s.Store.Job(ctx, id)
	if err != nil {
		return Job{}, err
	}
	parts, err := s.Store.Parts(ctx, id)
	if err != nil {
		return Job{}, err
	}
	frames, err := s.Store.Frames(ctx, id)
	if err != nil {
		return Job{}, err
	}
	parts = append(parts, frames...)
	b := from.Brief
	b.Name = copyName(b.Name)
	j := s.newJob(b)
	v, surveyed, err := s.Store.Survey(ctx, id)
	if err != nil {
		return Job{}, err
	}
	ids := map[string]string{}
	for i := range parts {
		was, frame := parts[i].ID, parts[i].Frame
		parts[i] = s.fresh(j.ID, parts[i].Name, parts[i].Quantity, parts[i].Recipe, "copied from "+from.Brief.Name)
		parts[i].Frame = frame
		ids[was] = parts[i].ID
	}
	j.Brief = j.Brief.Renamed(ids)
	w := Whole{Job: j, Parts: make([]WholePart, len(parts))}
	if surveyed > 0 {
		v = v.Renamed(ids)
		w.Survey = &v
	}
	for i, p := range parts {
		p.Recipe = renamed(p.Recipe, ids)
		w.Parts[i] = WholePart{p, []Revision{{Number: 1, Name: p.Name, Quantity: p.Quantity, Recipe: p.Recipe, Frame: p.Frame, Summary: p.Summary, Created: p.Created}}}
	}
	return j, s.Store.AddWhole(ctx, w)
}

func copyName(name string) string {
	r := []rune(name)
	if len(r) > brief.MaxName-7 {
		r = r[:brief.MaxName-7]
	}
	return string(r) + " (copy)"
}

func (s *Service) fresh(jobID, name string, quantity int, r sheet.Recipe, summary string) Part {
	now := s.Now()
	return Part{Part: site.Part{ID: s.NewID(), Name: name, Quantity: quantity, Recipe: r, Revision: 1}, JobID: jobID, Summary: summary, Created: now, Updated: now}
}

func (s *Service) checkPart(name string, quantity int, r sheet.Recipe) error {
	err := working.First(brief.CheckName("/name", name), working.Within("/quantity", "The quantity", float64(quantity), 1, brief.MaxMany, ""))
	if err == nil {
		err = r.Validate()
		if f, ok := err.(*working.Fault); ok {
			err = &working.Fault{Path: "/recipe" + f.Path, Message: f.Message}
		}
	}
	return err
}

// CreatePart adds a part to a job.
func (s *Service) CreatePart(ctx context.Context, jobID, name string, quantity int, r sheet.Recipe) (Part, error) {
	if err := s.checkPart(name, quantity, r); err != nil {
		return Part{}, err
	}
	if _, err := s.Store.Job(ctx, jobID); err != nil {
		return Part{}, err
	}
	p := s.fresh(jobID, name, quantity, r, "started")
	return p, s.Store.CreatePart(ctx, p)
}

// DuplicatePart copies a part within its job.
func (s *Service) DuplicatePart(ctx context.Context, id string) (Part, error) {
	from, err := s.Store.Part(ctx, id)
	if err != nil {
		return Part{}, err
	}
	p := s.fresh(from.JobID, copyName(from.Name), from.Quantity, from.Recipe, "copied from "+from.Name)
	p.Frame = from.Frame
	return p, s.Store.CreatePart(ctx, p)
}

// On is what a new state was made from. Continues tells that the change still goes on
// that made that revision, a number typed digit by digit: undo goes back to before it.
type On struct {
	Revision  int
	Continues bool
}

// next is a part's next revision.
func (s *Service) next(id string, on On, name string, quantity int) Part {
	return Part{Part: site.Part{ID: id, Name: name, Quantity: quantity, Revision: on.Revision + 1}, UndoTo: &on.Revision, Continues: on.Continues, Updated: s.Now()}
}

// SavePart keeps a new state of a part as a revision, if nobody saved since the one it
// was made on. Saving what is there already makes no revision.
func (s *Service) SavePart(ctx context.Context, id string, on On, name string, quantity int, r sheet.Recipe) (Part, error) {
	if err := s.checkPart(name, quantity, r); err != nil {
		return Part{}, err
	}
	p := s.next(id, on, name, quantity)
	p.Recipe = r
	return s.Store.SavePart(ctx, p, on.Revision)
}

// Undo brings back the state before the last change, as a new revision: no
// revision is ever lost.
func (s *Service) Undo(ctx context.Context, id string, expected int) (Part, error) {
	return s.step(ctx, id, expected, func(p Part) *int { return p.UndoTo }, "undone", true)
}

// Redo takes back the last undo.
func (s *Service) Redo(ctx context.Context, id string, expected int) (Part, error) {
	return s.step(ctx, id, expected, func(p Part) *int { return p.RedoTo }, "redone", false)
}

func (s *Service) step(ctx context.Context, id string, expected int, target func(Part) *int, word string, undo bool) (Part, error) {
	p, err := s.Store.Part(ctx, id)
	if err != nil {
		return p, err
	}
	if p.Revision != expected {
		return p, ErrConflict
	}
	to := target(p)
	if to == nil {
		return p, ErrNothing
	}
	back, err := s.Store.Revision(ctx, id, *to)
	if err != nil {
		return p, fmt.Errorf("read revision %d: %w", *to, err)
	}
	from := p.Revision
	p.Name, p.Quantity, p.Recipe, p.Frame, p.Summary = back.Name, back.Quantity, back.Recipe, back.Frame, fmt.Sprintf("%s to revision %d", word, *to)
	p.UndoTo, p.RedoTo = back.UndoTo, back.RedoTo
	if undo {
		p.RedoTo = &from
	}
	p.Revision, p.Updated = expected+1, s.Now()
	return s.Store.SavePart(ctx, p, expected)
}

// Revisions lists a part's kept states, newest first, each with what it
// changed against the one before.
func (s *Service) Revisions(ctx context.Context, id string) ([]Revision, error) {
	list, err := s.Store.Revisions(ctx, id)
	if err != nil {
		return nil, err
	}
	p, err := s.Store.Part(ctx, id)
	if err != nil {
		return nil, err
	}
	j, err := s.Store.Job(ctx, p.JobID)
	if err != nil {
		return nil, err
	}
	for i := range list {
		if list[i].Summary == "" && i+1 < len(list) {
			list[i].Summary = changed(list[i+1], list[i], j.Brief.Display())
		}
	}
	return list, nil
}

// KeepNumber keeps a quick calculation in a job.
func (s *Service) KeepNumber(ctx context.Context, jobID, calc, title string, request []byte) (Number, error) {
	if err := brief.CheckName("/title", title); err != nil {
		return Number{}, err
	}
	if _, err := s.Store.Job(ctx, jobID); err != nil {
		return Number{}, err
	}
	n := Number{ID: s.NewID(), JobID: jobID, Calc: calc, Title: title, Request: request, Created: s.Now()}
	return n, s.Store.KeepNumber(ctx, n)
}
