package job

import (
	"cmp"
	"context"

	"warmanvil/core/member"
	"warmanvil/core/member/held"
	"warmanvil/core/member/shape"
	"warmanvil/core/member/starters"
	"warmanvil/core/section"
	"warmanvil/core/site"
	"warmanvil/core/working"
)

// WorkedFrame is a frame as it stands with everything that follows from it.
type WorkedFrame struct {
	Frame
	Worked site.FrameTold
}

// StartFrame adds a frame made by a starter from a few numbers, or an empty one.
func (s *Service) StartFrame(ctx context.Context, jobID, name string, in FrameStart) (Frame, error) {
	d := member.Doc{Schema: member.Schema, Material: in.Material}
	if in.Starter != "" {
		sec, err := stockSection(in.Stock)
		if err != nil {
			return Frame{}, err
		}
		if d, err = starters.Start(in.Starter, in.Values, sec, in.Material, s.NewID); err != nil {
			return Frame{}, err
		}
	}
	return s.addFrame(ctx, jobID, "started", FrameState{name, 1, d})
}

func (s *Service) addFrame(ctx context.Context, jobID, summary string, state FrameState) (Frame, error) {
	d, err := fresh(s, jobID, KindFrame, state, summary, s.Now())
	if err != nil {
		return Frame{}, err
	}
	if _, err := s.Store.Job(ctx, jobID); err != nil {
		return Frame{}, err
	}
	if err := s.Store.AddDocuments(ctx, d); err != nil {
		return Frame{}, err
	}
	return FrameOf(d)
}

// DuplicateFrame copies a frame within its job.
func (s *Service) DuplicateFrame(ctx context.Context, id string) (Frame, error) {
	from, err := s.Frame(ctx, id)
	if err != nil {
		return Frame{}, err
	}
	return s.addFrame(ctx, from.JobID, "copied from "+from.Name, FrameState{copyName(from.Name), from.Quantity, from.Doc})
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
func (s *Service) SaveFrame(ctx context.Context, id string, on On, state FrameState) (Frame, error) {
	got, err := Save(ctx, s, KindFrame, id, on, state)
	if err != nil {
		return Frame{}, err
	}
	return FrameOf(got.Document)
}

// WorkFrame works a frame out among its job's points and devices.
func (s *Service) WorkFrame(ctx context.Context, f Frame) (WorkedFrame, error) {
	_, worked, err := s.framed(ctx, f)
	if err != nil {
		return WorkedFrame{}, err
	}
	return WorkedFrame{f, worked.Told()}, nil
}

// WorkFrames works all frames of a job out, each among all the others.
func (s *Service) WorkFrames(ctx context.Context, jobID string) ([]WorkedFrame, error) {
	list, err := s.Frames(ctx, jobID)
	if err != nil {
		return nil, err
	}
	_, all, err := s.Site(ctx, jobID)
	if err != nil {
		return nil, err
	}
	out := make([]WorkedFrame, 0, len(list))
	for _, f := range list {
		if err := ctx.Err(); err != nil {
			return nil, err
		}
		out = append(out, WorkedFrame{f, all.Framed(f.Frame).Told()})
	}
	return out, nil
}

// FrameBuilt answers a frame worked out and its shape, for files of so many; of all that are
// wanted when 0.
func (s *Service) FrameBuilt(ctx context.Context, id string, quantity int) (WorkedFrame, *shape.Built, Job, error) {
	f, err := s.Frame(ctx, id)
	if err != nil {
		return WorkedFrame{}, nil, Job{}, err
	}
	f.Quantity = cmp.Or(quantity, f.Quantity)
	j, worked, err := s.framed(ctx, f)
	if err != nil {
		return WorkedFrame{}, nil, j, err
	}
	return WorkedFrame{f, worked.Told()}, shape.Build(f.Doc, worked.Surveyed), j, nil
}

// framed answers a frame among everything in its job.
func (s *Service) framed(ctx context.Context, f Frame) (Job, site.Framed, error) {
	j, all, err := s.Site(ctx, f.JobID)
	if err != nil {
		return j, site.Framed{}, err
	}
	return j, all.Framed(f.Frame), nil
}

// CompareSections tries other sections in the members of one stock.
func (s *Service) CompareSections(ctx context.Context, id, stock string) ([]held.Option, error) {
	f, err := s.Frame(ctx, id)
	if err != nil {
		return nil, err
	}
	_, all, err := s.Site(ctx, f.JobID)
	if err != nil {
		return nil, err
	}
	found := false
	for _, m := range f.Doc.Members {
		found = found || held.Named(m.Section, m.Stock) == stock
	}
	if !found {
		return nil, working.Refuse("/stock", "No member of this frame is of %q.", stock)
	}
	return all.Sections(f.Frame, stock), nil
}
