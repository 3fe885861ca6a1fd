package job

import (
	"context"
	"errors"
	"fmt"
	"reflect"
	"slices"
	"time"

	"warmanvil/core/site"
	"warmanvil/core/vehicle"
)

// memory is a store that forgets when the test ends.
type memory struct {
	jobs      map[string]Job
	order     []string // of parts
	revisions map[string][]Revision
	heads     map[string]Part
	surveys   map[string]vehicle.Survey
	at        map[string]int // revision of a survey
	numbers   []Number
	verdicts  map[string]site.Verdicts
	down      error // what every call fails with, while it is set
}

func remembering() (*Service, *memory) {
	m := &memory{jobs: map[string]Job{}, revisions: map[string][]Revision{}, heads: map[string]Part{}, surveys: map[string]vehicle.Survey{}, at: map[string]int{}, verdicts: map[string]site.Verdicts{}}
	n, tick := 0, time.Date(2031, 4, 1, 8, 0, 0, 0, time.UTC)
	return &Service{Store: m, NewID: func() string { n++; return fmt.Sprintf("id-%03d", n) }, Now: func() time.Time { tick = tick.Add(time.Minute); return tick }}, m
}

func (m *memory) Ping(context.Context) error { return m.down }

func (m *memory) Jobs(_ context.Context, archived bool) (out []Counted, err error) {
	for _, j := range m.jobs {
		if j.Archived == archived {
			parts, _ := m.list(j.ID, nil)
			out = append(out, Counted{j, len(parts)})
		}
	}
	return out, m.down
}

func (m *memory) Job(_ context.Context, id string) (Job, error) {
	j, ok := m.jobs[id]
	if !ok {
		return j, errors.Join(ErrNotFound, m.down)
	}
	return j, m.down
}

func (m *memory) CreateJob(ctx context.Context, j Job, parts []Part) error {
	m.jobs[j.ID] = j
	for _, p := range parts {
		if err := m.CreatePart(ctx, p); err != nil {
			return err
		}
	}
	return m.down
}

func (m *memory) SaveJob(_ context.Context, j Job, expected int) error {
	if m.jobs[j.ID].Revision != expected {
		return ErrConflict
	}
	m.jobs[j.ID] = j
	return m.down
}

func (m *memory) list(job string, frames *bool) (out []Part, err error) {
	for _, id := range m.order {
		if p := m.heads[id]; p.JobID == job && !p.Archived && (frames == nil || (p.Frame != nil) == *frames) {
			out = append(out, p)
		}
	}
	return out, m.down
}

func (m *memory) Parts(_ context.Context, job string) ([]Part, error) {
	no := false
	return m.list(job, &no)
}

func (m *memory) Frames(_ context.Context, job string) ([]Part, error) {
	yes := true
	return m.list(job, &yes)
}

func (m *memory) Part(_ context.Context, id string) (Part, error) {
	p, ok := m.heads[id]
	if !ok {
		return p, errors.Join(ErrNotFound, m.down)
	}
	return p, m.down
}

func (m *memory) keep(p Part) {
	m.revisions[p.ID] = append(m.revisions[p.ID], Revision{Number: p.Revision, Name: p.Name, Quantity: p.Quantity, Recipe: p.Recipe, Frame: p.Frame, Summary: p.Summary, UndoTo: p.UndoTo, RedoTo: p.RedoTo, Created: p.Updated})
	m.heads[p.ID] = p
}

func (m *memory) CreatePart(_ context.Context, p Part) error {
	m.order = append(m.order, p.ID)
	m.keep(p)
	return m.down
}

func (m *memory) SavePart(_ context.Context, p Part, expected int) (Part, error) {
	was, ok := m.heads[p.ID]
	switch {
	case !ok:
		return p, ErrNotFound
	case was.Revision != expected:
		return was, ErrConflict
	case was.Name == p.Name && was.Quantity == p.Quantity && reflect.DeepEqual(was.Recipe, p.Recipe) && reflect.DeepEqual(was.Frame, p.Frame):
		return was, nil
	}
	p.JobID, p.Created = was.JobID, was.Created
	if p.Continues && was.RedoTo == nil && was.UndoTo != nil {
		p.UndoTo = was.UndoTo
	}
	p.Continues = false // not kept
	m.keep(p)
	return p, m.down
}

func (m *memory) ArchivePart(_ context.Context, id string, archived bool, _ time.Time) error {
	p, ok := m.heads[id]
	if !ok {
		return ErrNotFound
	}
	p.Archived = archived
	m.heads[id] = p
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

func (m *memory) Survey(_ context.Context, job string) (vehicle.Survey, int, error) {
	return m.surveys[job], m.at[job], m.down
}

func (m *memory) SaveSurvey(_ context.Context, job string, s vehicle.Survey, expected int, _ time.Time) error {
	if m.at[job] != expected {
		return ErrConflict
	}
	m.surveys[job], m.at[job] = s, expected+1
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
		if p := m.heads[k]; p.JobID == id {
			w.Parts = append(w.Parts, WholePart{p, m.revisions[k]})
		}
	}
	if m.at[id] > 0 {
		s := m.surveys[id]
		w.Survey = &s
	}
	w.Numbers, _ = m.Numbers(ctx, id)
	return w, err
}

func (m *memory) AddWhole(_ context.Context, w Whole) error {
	m.jobs[w.Job.ID] = w.Job
	for _, p := range w.Parts {
		m.order = append(m.order, p.Part.ID)
		m.heads[p.Part.ID], m.revisions[p.Part.ID] = p.Part, p.Revisions
	}
	if w.Survey != nil {
		m.surveys[w.Job.ID], m.at[w.Job.ID] = *w.Survey, 1
	}
	m.numbers = append(m.numbers, w.Numbers...)
	return m.down
}
