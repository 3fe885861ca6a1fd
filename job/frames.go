package job

import (
	"context"
	"fmt"
	"reflect"

	"warmanvil/core/brief"
	"warmanvil/core/member"
	"warmanvil/core/section"
	"warmanvil/core/site"
	"warmanvil/core/told"
	"warmanvil/core/working"
)

// Frame is a frame as it stands with everything that follows from it.
type Frame struct {
	Part   Part
	Worked site.FrameTold
}

func (s *Service) checkFrame(name string, quantity int, d member.Doc) error {
	err := working.First(brief.CheckName("/name", name), working.Within("/quantity", "The quantity", float64(quantity), 1, brief.MaxMany, ""))
	if err == nil {
		err = within("/frame", d.Check())
	}
	return err
}

// StartFrame adds a frame made by a starter from a few numbers, or an empty one.
func (s *Service) StartFrame(ctx context.Context, jobID, name string, in FrameStart) (Part, error) {
	d := member.Doc{Schema: member.Schema, Material: in.Material}
	if in.Starter != "" {
		sec, err := stockSection(in.Stock)
		if err != nil {
			return Part{}, err
		}
		if d, err = member.Start(in.Starter, in.Values, sec, in.Material, s.NewID); err != nil {
			return Part{}, err
		}
	}
	if err := s.checkFrame(name, 1, d); err != nil {
		return Part{}, err
	}
	if _, err := s.Store.Job(ctx, jobID); err != nil {
		return Part{}, err
	}
	p := s.fresh(jobID, name, 1, Part{}.Recipe, "started")
	p.Frame = &d
	return p, s.Store.CreatePart(ctx, p)
}

// FrameStart is what a starter is asked for.
type FrameStart struct {
	Name     string             `json:"name"`
	Starter  string             `json:"starter,omitempty" doc:"key of a starter; an empty frame when left out"`
	Stock    string             `json:"stock,omitempty" doc:"name of a section"`
	Material string             `json:"material" doc:"key of a material"`
	Values   map[string]float64 `json:"values,omitempty" doc:"numbers it asks for; the usual ones when left out"`
}

func stockSection(name string) (section.Stock, error) {
	for _, x := range section.Table() {
		if x.Name == name {
			return x, nil
		}
	}
	return section.Stock{}, working.Refuse("/stock", "There is no section %q in the table: choose one.", name)
}

// SaveFrame keeps a new state of a frame as a revision.
func (s *Service) SaveFrame(ctx context.Context, id string, on On, name string, quantity int, d member.Doc) (Part, error) {
	d.Schema = member.Schema
	if err := s.checkFrame(name, quantity, d); err != nil {
		return Part{}, err
	}
	p := s.next(id, on, name, quantity)
	p.Frame = &d
	return s.Store.SavePart(ctx, p, on.Revision)
}

// FrameOf answers a frame with everything that follows from it.
func (s *Service) FrameOf(ctx context.Context, id string) (Frame, error) {
	p, err := s.Store.Part(ctx, id)
	if err != nil {
		return Frame{}, err
	}
	return s.WorkedFrame(ctx, p)
}

// WorkedFrame works a frame out among its job's points and devices.
func (s *Service) WorkedFrame(ctx context.Context, p Part) (Frame, error) {
	if p.Frame == nil {
		return Frame{}, ErrNotFound
	}
	_, f, err := s.framed(ctx, p)
	if err != nil {
		return Frame{}, err
	}
	return Frame{p, f.Told()}, nil
}

// FrameBuilt answers a frame worked out and its shape, for files.
func (s *Service) FrameBuilt(ctx context.Context, id string) (Frame, *member.Built, Job, error) {
	p, err := s.Store.Part(ctx, id)
	if err != nil || p.Frame == nil {
		return Frame{}, nil, Job{}, first(err, ErrNotFound)
	}
	j, f, err := s.framed(ctx, p)
	if err != nil {
		return Frame{}, nil, j, err
	}
	return Frame{p, f.Told()}, member.Build(*p.Frame, f.Surveyed), j, nil
}

// framed answers a frame among everything in its job.
func (s *Service) framed(ctx context.Context, p Part) (Job, site.Framed, error) {
	j, all, err := s.Site(ctx, p.JobID)
	if err != nil {
		return j, site.Framed{}, err
	}
	return j, all.Framed(p.Part), nil
}

// CompareSections tries other sections in the members of one stock.
func (s *Service) CompareSections(ctx context.Context, id, stock string) ([]member.Option, error) {
	p, err := s.Store.Part(ctx, id)
	if err != nil || p.Frame == nil {
		return nil, first(err, ErrNotFound)
	}
	_, all, err := s.Site(ctx, p.JobID)
	if err != nil {
		return nil, err
	}
	found := false
	for _, m := range p.Frame.Members {
		found = found || member.Named(m.Section, m.Stock) == stock
	}
	if !found {
		return nil, working.Refuse("/stock", "No member of this frame is of %q.", stock)
	}
	return all.Sections(p.Part, stock), nil
}

func first(a, b error) error {
	if a != nil {
		return a
	}
	return b
}

// frameChanged says in one line what a revision of a frame changed.
func frameChanged(was, now Revision) string {
	a, b := was.Frame, now.Frame
	switch {
	case was.Name != now.Name:
		return fmt.Sprintf("named %s, was %s", now.Name, was.Name)
	case was.Quantity != now.Quantity:
		return fmt.Sprintf("quantity %d, was %d", now.Quantity, was.Quantity)
	case a.Material != b.Material:
		return "material " + told.MaterialName(b.Material) + ", was " + told.MaterialName(a.Material)
	}
	for _, c := range []struct {
		word     string
		was, now int
	}{{"members", len(a.Members), len(b.Members)}, {"points", len(a.Points), len(b.Points)}, {"plates", len(a.Plates), len(b.Plates)}, {"loads", len(a.Loads), len(b.Loads)}, {"supports", len(a.Supports), len(b.Supports)}, {"copies", len(a.Copies), len(b.Copies)}} {
		if c.was != c.now {
			return fmt.Sprintf("%d %s, was %d", c.now, c.word, c.was)
		}
	}
	for i, m := range b.Members {
		n := a.Members[i]
		if m.ID != n.ID || sameThing(m, n) {
			continue
		}
		if x, y := member.Named(n.Section, n.Stock), member.Named(m.Section, m.Stock); x != y {
			return fmt.Sprintf("%s of %s, was %s", m.Name, y, x)
		}
		return m.Name + " changed"
	}
	for i, p := range b.Points {
		if p.ID == a.Points[i].ID && p != a.Points[i] {
			return p.Name + " moved"
		}
	}
	switch {
	case !sameThing(a.Loads, b.Loads):
		return "loads changed"
	case !sameThing(a.Plates, b.Plates):
		return "plates changed"
	case !sameThing(a.Saw, b.Saw):
		return "the saw's settings changed"
	}
	return "settings changed"
}

// sameThing compares two states as they are kept.
func sameThing(a, b any) bool { return reflect.DeepEqual(a, b) }
