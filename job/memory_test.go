package job

import (
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"slices"
	"testing"
	"time"

	"warmanvil/core/site"
	"warmanvil/strictjson"
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

func (m *memory) Following(_ context.Context, head string) (out []Document, err error) {
	for _, id := range m.order {
		d := m.documents[id]
		p, err := PartOf(d)
		kin := err == nil && p.Recipe.Kin != nil && p.Recipe.Kin.Of == head
		blank := err == nil && p.Recipe.Facet != nil && p.Recipe.Facet.Of == head
		if (kin || blank) && d.JobID == m.documents[head].JobID {
			out = append(out, d)
		}
	}
	return out, m.down
}

func (m *memory) PutAway(_ context.Context, job string) (out []Document, err error) {
	for _, id := range m.order {
		if d := m.documents[id]; d.JobID == job && d.Archived {
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

func (m *memory) Outline(ctx context.Context, id string) (Outline, error) {
	j, err := m.Job(ctx, id)
	o := Outline{Job: j}
	for _, k := range m.order {
		if d, list := m.documents[k], m.revisions[k]; d.JobID == id {
			o.Documents = append(o.Documents, Outlined{k, d.Kind, d.Archived, list[0].Number, list[len(list)-1].Number})
		}
	}
	o.Numbers, _ = m.Numbers(ctx, id)
	return o, err
}

func (m *memory) States(_ context.Context, id string, from, n int) ([]Revision, error) {
	var out []Revision
	for _, r := range m.revisions[id] {
		if r.Number >= from && len(out) < n {
			out = append(out, r)
		}
	}
	return out, m.down
}

// AddJob keeps what is added once all of it is.
func (m *memory) AddJob(_ context.Context, r Row, fill func(Adding) error) error {
	if _, there := m.jobs[r.ID]; there {
		return ErrConflict
	}
	a := &memoryAdding{}
	if err := fill(a); err != nil {
		return err
	}
	m.jobs[r.ID] = r
	for _, d := range a.documents {
		m.order = append(m.order, d.ID)
		list := a.revisions[d.ID]
		d.Body = list[len(list)-1].Body
		m.documents[d.ID], m.revisions[d.ID] = d, list
	}
	m.numbers = append(m.numbers, a.numbers...)
	return m.down
}

// memoryAdding is a new job on its way into the memory.
type memoryAdding struct {
	documents []Document
	revisions map[string][]Revision
	numbers   []Number
}

func (a *memoryAdding) Document(d Document) error {
	a.documents = append(a.documents, d)
	return nil
}

func (a *memoryAdding) Revision(document string, r Revision) error {
	if a.revisions == nil {
		a.revisions = map[string][]Revision{}
	}
	a.revisions[document] = append(a.revisions[document], r)
	return nil
}

func (a *memoryAdding) Number(n Number) error {
	a.numbers = append(a.numbers, n)
	return nil
}

// bring brings in a file that is in memory.
func bring(s *Service, raw []byte) (Job, error) {
	return s.Bring(context.Background(), s.NewID(), Brought{Size: int64(len(raw)), Open: func() io.Reader { return bytes.NewReader(raw) }})
}

// exported answers a job's file, read again.
func exported(s *Service, id string) (f File, name string, err error) {
	x, err := s.Export(context.Background(), id)
	if err != nil {
		return f, "", err
	}
	var raw bytes.Buffer
	if err := x.Write(context.Background(), &raw, ""); err != nil {
		return f, "", err
	}
	return f, x.Name, strictjson.Decode(raw.Bytes(), &f)
}

func written(t *testing.T, f File) []byte {
	t.Helper()
	if f.Numbers == nil {
		f.Numbers = []FileNumber{}
	}
	raw, err := json.Marshal(f)
	if err != nil {
		t.Fatal(err)
	}
	return raw
}
