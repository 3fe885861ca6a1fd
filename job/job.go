// Package job is what a job is and what may be done to it. It owns the
// interfaces it needs: a store, a clock, a source of ids.
//
// All that is designed in a job are documents: what is wanted, the vehicle as measured,
// parts and frames. Each is a body in JSON whose form its kind knows; keeping, history,
// undo, joining of two people's changes, files and backup are the same for all.
package job

import (
	"context"
	"sync/atomic"
	"time"

	"warmanvil/core/brief"
	"warmanvil/core/working"
)

// Job is one vehicle's or customer's work: a short brief and its parts.
type Job struct {
	ID       string
	Brief    brief.Brief
	Archived bool
	Revision int // of the brief
	Created  time.Time
	Updated  time.Time
}

// Number is a quick calculation kept in a job. The request is kept, the answer
// is worked out anew.
type Number struct {
	ID      string
	JobID   string
	Calc    string
	Title   string
	Request []byte
	Created time.Time
}

// Counted is a job with how many parts and frames it has.
type Counted struct {
	Job
	Parts int
}

// Service is what may be done to jobs.
type Service struct {
	Store Store
	Now   func() time.Time
	NewID func() string
	// Calculates tells whether a calculation is known by this name; without it every name is.
	Calculates func(name string) bool
	Goods      GoodsStore // the shop's stock; nil for none
	stock      atomic.Pointer[stockRead]
}

func jobOf(r Row) (Job, error) {
	b, err := Body[brief.Brief](r.Brief.Body)
	return Job{ID: r.ID, Brief: b, Archived: r.Archived, Revision: r.Brief.Revision, Created: r.Created, Updated: r.Updated}, err
}

// Jobs lists jobs, last touched first.
func (s *Service) Jobs(ctx context.Context, archived bool) ([]Counted, error) {
	rows, err := s.Store.Jobs(ctx, archived)
	if err != nil {
		return nil, err
	}
	out := make([]Counted, len(rows))
	for i, r := range rows {
		if out[i].Job, err = jobOf(r); err != nil {
			return nil, err
		}
		out[i].Parts = r.Parts
	}
	return out, nil
}

// Job answers one job.
func (s *Service) Job(ctx context.Context, id string) (Job, error) {
	r, err := s.Store.Job(ctx, id)
	if err != nil {
		return Job{}, err
	}
	return jobOf(r)
}

// CreateJob starts a job.
func (s *Service) CreateJob(ctx context.Context, b brief.Brief) (Job, error) {
	w, err := s.started(b)
	if err != nil {
		return Job{}, err
	}
	return s.add(ctx, w)
}

// started answers a new job that has nothing but its brief.
func (s *Service) started(b brief.Brief) (started, error) {
	now := s.Now()
	w := started{job: Row{ID: s.NewID(), Created: now, Updated: now}}
	d, err := fresh(s, w.job.ID, KindBrief, b, "started", now)
	w.documents = []Document{d}
	return w, err
}

// SaveBrief keeps a new state of what is wanted.
func (s *Service) SaveBrief(ctx context.Context, jobID string, on On, b brief.Brief) (Job, error) {
	if _, err := Save(ctx, s, KindBrief, jobID, on, b); err != nil {
		return Job{}, err
	}
	return s.Job(ctx, jobID)
}

// DuplicateJob copies a job with its documents as they stand; the copy's history
// starts anew.
func (s *Service) DuplicateJob(ctx context.Context, id string) (Job, error) {
	from, err := s.Job(ctx, id)
	if err != nil {
		return Job{}, err
	}
	b := from.Brief
	b.Name = copyName(b.Name)
	w, err := s.started(b)
	if err != nil {
		return Job{}, err
	}
	for _, k := range kinds {
		if k.name == KindBrief {
			continue
		}
		list, err := s.Store.Documents(ctx, id, k.name)
		if err != nil {
			return Job{}, err
		}
		for _, d := range list {
			w.add(Document{ID: d.ID, Kind: d.Kind, Revision: 1, Body: d.Body,
				Kept: Kept{JobID: w.job.ID, Summary: "copied from " + from.Brief.Name, Created: w.job.Created, Updated: w.job.Created}})
		}
	}
	if err := s.rename(&w); err != nil {
		return Job{}, err
	}
	return s.add(ctx, w)
}

func copyName(name string) string {
	r := []rune(name)
	if len(r) > brief.MaxName-7 {
		r = r[:brief.MaxName-7]
	}
	return string(r) + " (copy)"
}

// KeepNumber keeps a quick calculation in a job.
func (s *Service) KeepNumber(ctx context.Context, jobID, calc, title string, request []byte) (Number, error) {
	if err := s.checkNumber(calc, title, request); err != nil {
		return Number{}, err
	}
	if _, err := s.Store.Job(ctx, jobID); err != nil {
		return Number{}, err
	}
	kept, err := s.Store.Numbers(ctx, jobID)
	if err != nil {
		return Number{}, err
	}
	if len(kept) >= maxNumbers {
		return Number{}, working.Refuse("", "A job keeps up to %d numbers: drop some first.", maxNumbers)
	}
	all := len(request)
	for _, n := range kept {
		all += len(n.Request)
	}
	if all > maxRequests {
		return Number{}, working.Refuse("", "What a job's kept numbers ask has up to %d MB together: drop some first.", maxRequests>>20)
	}
	n := Number{ID: s.NewID(), JobID: jobID, Calc: calc, Title: title, Request: request, Created: s.Now()}
	return n, s.Store.KeepNumber(ctx, n)
}

// checkNumber refuses a calculation that cannot be kept.
func (s *Service) checkNumber(calc, title string, request []byte) error {
	if s.Calculates != nil && !s.Calculates(calc) {
		return working.Refuse("/calc", "This program knows no calculation %q: take a newer program.", clipped(calc))
	}
	if err := brief.CheckName("/title", title); err != nil {
		return err
	}
	if len(request) > maxRequest {
		return working.Refuse("/request", "What a kept calculation asks has up to %d kB, not %d.", maxRequest>>10, len(request)>>10)
	}
	return nil
}
