package job

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"slices"
	"time"

	"warmanvil/core/site"
)

// memory is a store that forgets when the test ends.
type memory struct {
	jobs      map[string]Row
	order     []string // of documents
	documents map[string]Document
	revisions map[string][]Revision
	numbers   []Number
	verdicts  map[string]site.Verdicts
	down      error // what every call fails with, while it is set
}

func remembering() (*Service, *memory) {
	m := &memory{jobs: map[string]Row{}, documents: map[string]Document{}, revisions: map[string][]Revision{},
		verdicts: map[string]site.Verdicts{}}
	n, tick := 0, time.Date(2031, 4, 1, 8, 0, 0, 0, time.UTC)
	return &Service{Store: m, NewID: func() string { n++; return fmt.Sprintf("id-%03d", n) },
		Now: func() time.Time { tick = tick.Add(time.Minute); return tick }}, m
}

func (m *memory) Trouble(err error) Trouble {
	if err != nil && errors.Is(err, m.down) {
		return Away
	}
	return NoTrouble
}

func (m *memory) Health(context.Context) (time.Time, error) { return time.Time{}, m.down }

func (m *memory) Jobs(ctx context.Context, archived bool) (out []Row, err error) {
	for id, j := range m.jobs {
		if j.Archived == archived {
			r, err := m.Job(ctx, id)
			if err != nil {
				return nil, err
			}
			out = append(out, r)
		}
	}
	return out, m.down
}

func (m *memory) Job(_ context.Context, id string) (Row, error) {
	r, ok := m.jobs[id]
	if !ok {
		return r, errors.Join(ErrNotFound, m.down)
	}
	r.Parts = 0
	for _, d := range m.documents {
		switch {
		case d.JobID != id:
		case d.Kind == KindBrief:
			r.Brief = d
		case d.Kind.Many() && !d.Archived:
			r.Parts++
		}
	}
	return r, m.down
}

func (m *memory) ArchiveJob(_ context.Context, id string, archived bool, _ time.Time) error {
	r := m.jobs[id]
	r.Archived = archived
	m.jobs[id] = r
	return m.down
}

func (m *memory) Documents(_ context.Context, job string, k Kind) (out []Document, err error) {
	for _, id := range m.order {
		if d := m.documents[id]; d.JobID == job && !d.Archived && d.Kind == k {
			out = append(out, d)
		}
	}
	return out, m.down
}

func (m *memory) Document(_ context.Context, id string) (Document, error) {
	d, ok := m.documents[id]
	if !ok {
		return d, errors.Join(ErrNotFound, m.down)
	}
	return d, m.down
}

func (m *memory) Only(ctx context.Context, job string, k Kind) (Document, error) {
	if list, _ := m.Documents(ctx, job, k); len(list) > 0 {
		return list[0], m.down
	}
	return Document{Kind: k, Kept: Kept{JobID: job}}, m.down
}

func (m *memory) Standing(_ context.Context, job string) (string, error) {
	var out string
	for _, id := range m.order {
		if d := m.documents[id]; d.JobID == job {
			out += fmt.Sprint(id, d.Archived, d.Revision, ",")
		}
	}
	return out, m.down
}

func (m *memory) keep(d Document) {
	m.revisions[d.ID] = append(m.revisions[d.ID], d.state())
	m.documents[d.ID] = d
}

func (m *memory) AddDocuments(ctx context.Context, list ...Document) error {
	for _, d := range list {
		if have, _ := m.Only(ctx, d.JobID, d.Kind); !d.Kind.Many() && have.Revision > 0 {
			return ErrConflict
		}
		m.order = append(m.order, d.ID)
		m.keep(d)
	}
	return m.down
}

func (m *memory) SaveDocument(_ context.Context, d Document, expected int) (Document, error) {
	was, ok := m.documents[d.ID]
	switch {
	case !ok || was.Kind != d.Kind:
		return d, ErrNotFound
	case was.Revision != expected:
		return was, ErrConflict
	case bytes.Equal(was.Body, d.Body):
		return was, m.down
	}
	d.JobID, d.Created, d.Archived = was.JobID, was.Created, was.Archived
	if d.Continues && was.RedoTo == nil && was.UndoTo != nil {
		d.UndoTo = was.UndoTo
	}
	d.Continues = false // not kept
	m.keep(d)
	return d, m.down
}

func (m *memory) ArchiveDocument(_ context.Context, id string, archived bool, _ time.Time) error {
	d, ok := m.documents[id]
	if !ok || !d.Kind.Many() {
		return ErrNotFound
	}
	d.Archived = archived
	m.documents[id] = d
	return m.down
}

func (m *memory) Revisions(_ context.Context, id string) ([]Revision, error) {
	list := slices.Clone(m.revisions[id])
	slices.Reverse(list)
	return list, m.down
}

func (m *memory) Revision(_ context.Context, id string, number int) (Revision, error) {
	for _, r := range m.revisions[id] {
		if r.Number == number {
			return r, m.down
		}
	}
	return Revision{}, ErrNotFound
}

func (m *memory) Numbers(_ context.Context, job string) (out []Number, err error) {
	for _, n := range m.numbers {
		if n.JobID == job {
			out = append(out, n)
		}
	}
	return out, m.down
}

func (m *memory) KeepNumber(_ context.Context, n Number) error {
	m.numbers = append(m.numbers, n)
	return m.down
}

func (m *memory) DropNumber(_ context.Context, id string) error {
	m.numbers = slices.DeleteFunc(m.numbers, func(n Number) bool { return n.ID == id })
	return m.down
}

func (m *memory) Verdicts(_ context.Context, job string) (site.Verdicts, error) {
	return m.verdicts[job], m.down
}

func (m *memory) SaveVerdicts(_ context.Context, job string, v site.Verdicts, _ time.Time) error {
	m.verdicts[job] = v
	return m.down
}

func (m *memory) Whole(ctx context.Context, id string) (Whole, error) {
	j, err := m.Job(ctx, id)
	w := Whole{Job: j}
	for _, k := range m.order {
		if d := m.documents[k]; d.JobID == id {
			w.Documents = append(w.Documents, WholeDocument{d, m.revisions[k]})
		}
	}
	w.Numbers, _ = m.Numbers(ctx, id)
	return w, err
}

func (m *memory) AddWhole(_ context.Context, w Whole) error {
	m.jobs[w.Job.ID] = w.Job
	for _, d := range w.Documents {
		m.order = append(m.order, d.ID)
		m.documents[d.ID], m.revisions[d.ID] = d.Document, d.Revisions
	}
	m.numbers = append(m.numbers, w.Numbers...)
	return m.down
}
