package job

import (
	"context"
	"fmt"
	"reflect"

	"warmanvil/core/load"
	"warmanvil/core/member"
	"warmanvil/core/section"
	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// Frame is a frame as it stands with everything that follows from it.
type Frame struct {
	Part   Part
	Worked FrameTold
}

func (s *Service) checkFrame(name string, quantity int, d member.Doc) error {
	err := working.First(nameOK("/name", name), working.Within("/quantity", "The quantity", float64(quantity), 1, maxMany, ""))
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
func (s *Service) SaveFrame(ctx context.Context, id string, expected int, name string, quantity int, d member.Doc) (Part, error) {
	d.Schema = member.Schema
	if err := s.checkFrame(name, quantity, d); err != nil {
		return Part{}, err
	}
	p := Part{BarePart: BarePart{ID: id, Name: name, Quantity: quantity, Frame: &d, Revision: expected + 1}, UndoTo: &expected, Updated: s.Now()}
	return s.Store.SavePart(ctx, p, expected)
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
	in, err := s.around(ctx, p)
	if err != nil {
		return Frame{}, err
	}
	return Frame{p, in.work(p.BarePart)}, nil
}

// FrameBuilt answers a frame worked out and its shape, for files.
func (s *Service) FrameBuilt(ctx context.Context, id string) (Frame, *member.Built, Job, error) {
	p, err := s.Store.Part(ctx, id)
	if err != nil || p.Frame == nil {
		return Frame{}, nil, Job{}, first(err, ErrNotFound)
	}
	in, err := s.around(ctx, p)
	if err != nil {
		return Frame{}, nil, in.job, err
	}
	return Frame{p, in.work(p.BarePart)}, member.Build(*p.Frame, in.surveyed), in.job, nil
}

// Lengths answers how the job writes a length.
func Lengths(b Brief) func(mm float64) string { return pen{b.Display()}.mm }

// framed is what a frame stands among: its job, its surveyed points, and what lands on
// it by the joints of the job.
type framed struct {
	job      Job
	surveyed member.Surveyed
	loads    *frameLoads // nil where no joint holds it or anything on it
}

// around answers what a frame stands among. The load path is walked only where a joint
// touches the frame.
func (s *Service) around(ctx context.Context, p Part) (framed, error) {
	j, site, err := s.Site(ctx, p.JobID)
	if err != nil {
		return framed{job: j}, err
	}
	l := newLocator(site.Survey, pen{j.Brief.Display()})
	newStander(j.Brief, site.Parts, l)
	out := framed{job: j, surveyed: l.forFrame(*p.Frame)}
	touched := false
	for _, q := range j.Brief.Joints {
		for _, side := range q.Sides {
			touched = touched || side.Kind == MemberSide && side.Of == p.ID
		}
	}
	if !touched {
		return out, nil
	}
	there := false
	for i := range site.Frames { // as it is now, not as it is kept
		if site.Frames[i].ID == p.ID {
			site.Frames[i], there = p.BarePart, true
		}
	}
	if !there {
		site.Frames = append(site.Frames, p.BarePart)
	}
	path := site.open().paths()
	if path.Why != "" {
		out.loads = &frameLoads{open: []string{"What the joints put on it cannot be worked out: " + path.Why}}
		return out, nil
	}
	out.loads = path.frames[p.ID]
	if out.loads == nil {
		out.loads = &frameLoads{open: []string{"A joint holds it or something on it, and that joint has no place: what it puts on the frame is not known."}}
	}
	return out, nil
}

// forFrame answers surveyed points in a frame's own axes.
func (l *locator) forFrame(d member.Doc) member.Surveyed {
	return func(id string) (solid.Vector, string) {
		at := l.at(id)
		if at.At == nil {
			return solid.Vector{}, "The surveyed point has no place yet. " + at.Why
		}
		p := d.Fit.Solid()
		v := solid.Vector(*at.At).Sub(p.Origin)
		return solid.Vector{v.Dot(p.X), v.Dot(p.Y), v.Dot(p.Z)}, ""
	}
}

// CompareSections tries other sections in the members of one stock.
func (s *Service) CompareSections(ctx context.Context, id, stock string) ([]member.Option, error) {
	p, err := s.Store.Part(ctx, id)
	if err != nil || p.Frame == nil {
		return nil, first(err, ErrNotFound)
	}
	in, err := s.around(ctx, p)
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
	return member.Compare(*p.Frame, in.surveyed, in.job.Brief.askedOf(p.ID, in.loads), stock), nil
}

func first(a, b error) error {
	if a != nil {
		return a
	}
	return b
}

// work works a frame out as it stands.
func (f framed) work(p BarePart) FrameTold {
	return workFrame(*p.Frame, p.ID, p.Quantity, f.job.Brief, f.surveyed, f.loads)
}

// asked answers what a frame of the job is asked to hold by itself.
func (b Brief) asked() member.Asked {
	a := member.Asked{Rule: b.Strength, Cases: b.road().Cases(), Devices: map[string]member.Carried{}}
	for _, d := range b.Devices {
		c := member.Carried{Name: d.named()}
		if d.Mass != nil {
			c.Kilos = d.Mass.Value
		}
		if d.Gravity != nil {
			g := solid.Vector{d.Gravity.X, d.Gravity.Y, d.Gravity.Z}
			for _, f := range d.Feet {
				g = g.Sub(solid.Vector{f.X, f.Y, 0}.Mul(1 / float64(len(d.Feet))))
			}
			c.Gravity = &g
		}
		a.Devices[d.ID] = c
	}
	return a
}

// askedOf answers what a frame is asked to hold: what lands on it by joints, and the
// duties it is rated for.
func (b Brief) askedOf(id string, loads *frameLoads) member.Asked {
	a := b.asked()
	if loads != nil {
		a.Lands, a.Happens, a.Elsewise, a.Open = loads.lands, loads.happens, loads.elsewise, loads.open
	}
	if len(a.Happens) > 0 {
		return a // its duties are among them
	}
	for i := range b.Duties {
		if d := &b.Duties[i]; d.On.Kind == MemberSide && d.On.Of == id {
			a.Lands = append(a.Lands, member.Landing{Name: d.Name, Member: d.On.Member, At: d.At})
		}
	}
	n := 0
	for _, h := range b.happenings() {
		x := member.Happening{Name: h.name, Net: h.service, Design: h.design}
		if d := h.duty; d != nil {
			mine := d.On.Kind == MemberSide && d.On.Of == id
			if !mine && d.Kind != load.Retention {
				continue
			}
			if mine {
				x.Lands, x.Service = make([]member.Wrench, len(a.Lands)), make([]member.Wrench, len(a.Lands))
				x.Lands[n].Force, x.Service[n].Force = h.load.Design, h.load.Force
				n++
			}
		}
		a.Happens = append(a.Happens, x)
	}
	return a
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
		return "material " + materialName(b.Material) + ", was " + materialName(a.Material)
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
