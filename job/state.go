package job

import (
	"context"
	"time"

	"warmanvil/core/brief"
	"warmanvil/core/member"
	"warmanvil/core/sheet"
	"warmanvil/core/site"
	"warmanvil/core/working"
)

// PartState is what a folded part's document says.
type PartState struct {
	Name     string       `json:"name"`
	Quantity int          `json:"quantity"`
	Recipe   sheet.Recipe `json:"recipe"`
}

// Upgraded answers the state itself: recipes say their form.
func (s PartState) Upgraded() PartState { return s }

// Check refuses what cannot be kept.
func (s PartState) Check() error {
	return working.First(checkHead(s.Name, s.Quantity), working.Under("/recipe", s.Recipe.Validate()))
}

// Renamed answers it with the parts it names, its master and what it was split from,
// called by their new ids.
func (s PartState) Renamed(ids map[string]string) PartState {
	if m := s.Recipe.Master; m != nil {
		if id, known := ids[m.Part]; known {
			s.Recipe.Master = &sheet.Master{Part: id, Name: m.Name}
		}
	}
	if p := s.Recipe.Piece; p != nil {
		if id, known := ids[p.Of]; known {
			s.Recipe.Piece = &sheet.Piece{Of: id, Name: p.Name}
		}
	}
	if f := s.Recipe.Facet; f != nil {
		if id, known := ids[f.Of]; known {
			mine := *f
			mine.Of = id
			s.Recipe.Facet = &mine
		}
	}
	if k := s.Recipe.Kin; k != nil {
		if id, known := ids[k.Of]; known {
			s.Recipe.Kin = &sheet.Kin{Of: id, Name: k.Name, Own: k.Own}
		}
	}
	return s
}

// FrameState is what a frame's document says.
type FrameState struct {
	Name     string     `json:"name"`
	Quantity int        `json:"quantity"`
	Frame    member.Doc `json:"frame"`
}

// Upgraded answers the state in the form of today.
func (s FrameState) Upgraded() FrameState {
	s.Frame.Schema = max(s.Frame.Schema, member.Schema)
	return s
}

// Check refuses what cannot be kept.
func (s FrameState) Check() error {
	return working.First(checkHead(s.Name, s.Quantity), working.Under("/frame", s.Frame.Check()))
}

// Renamed answers the frame itself: it names no other document.
func (s FrameState) Renamed(map[string]string) FrameState { return s }

func checkHead(name string, quantity int) error {
	return working.First(brief.CheckName("/name", name), working.Within("/quantity", "The quantity", float64(quantity), 1, brief.MaxMany, ""))
}

// Part is one folded part as it stands in the store.
type Part struct {
	site.Part
	Kept
}

// Frame is one frame as it stands in the store.
type Frame struct {
	site.Frame
	Kept
}

// PartOf reads a document that is a folded part; ErrNotFound when it is none.
func PartOf(d Document) (Part, error) {
	if d.Kind != KindSheet {
		return Part{}, ErrNotFound
	}
	s, err := Body[PartState](d.Body)
	return Part{site.Part{ID: d.ID, Name: s.Name, Quantity: s.Quantity, Recipe: s.Recipe, Revision: d.Revision}, d.Kept}, err
}

// FrameOf reads a document that is a frame; ErrNotFound when it is none.
func FrameOf(d Document) (Frame, error) {
	if d.Kind != KindFrame {
		return Frame{}, ErrNotFound
	}
	s, err := Body[FrameState](d.Body)
	return Frame{site.Frame{ID: d.ID, Name: s.Name, Quantity: s.Quantity, Doc: s.Frame, Revision: d.Revision}, d.Kept}, err
}

// State answers what the part's document says.
func (p Part) State() PartState { return PartState{p.Name, p.Quantity, p.Recipe} }

// State answers what the frame's document says.
func (f Frame) State() FrameState { return FrameState{f.Name, f.Quantity, f.Doc} }

// BareParts answers parts without what the store keeps of them.
func BareParts(parts []Part) []site.Part {
	out := make([]site.Part, len(parts))
	for i, p := range parts {
		out[i] = p.Part
	}
	return out
}

// BareFrames answers frames without what the store keeps of them.
func BareFrames(frames []Frame) []site.Frame {
	out := make([]site.Frame, len(frames))
	for i, f := range frames {
		out[i] = f.Frame
	}
	return out
}

// Part answers one folded part as it stands.
func (s *Service) Part(ctx context.Context, id string) (Part, error) {
	return s.filled(ctx)(readOne(ctx, s, id, PartOf))
}

// filled gives a part the strips the shop has of its sheet.
func (s *Service) filled(ctx context.Context) func(Part, error) (Part, error) {
	return func(p Part, err error) (Part, error) {
		if err != nil {
			return p, err
		}
		w, err := s.Shop(ctx)
		p.Recipe = w.Fill(p.Recipe)
		return p, err
	}
}

// Frame answers one frame as it stands.
func (s *Service) Frame(ctx context.Context, id string) (Frame, error) {
	return readOne(ctx, s, id, FrameOf)
}

func readOne[T any](ctx context.Context, s *Service, id string, read func(Document) (T, error)) (T, error) {
	d, err := s.Store.Document(ctx, id)
	if err != nil {
		var none T
		return none, err
	}
	return read(d)
}

// Parts lists a job's folded parts that are not put away, oldest first.
func (s *Service) Parts(ctx context.Context, jobID string) ([]Part, error) {
	list, err := readAll(ctx, s, jobID, KindSheet, PartOf)
	if err != nil {
		return list, err
	}
	w, err := s.Shop(ctx)
	for i := range list {
		list[i].Recipe = w.Fill(list[i].Recipe)
	}
	return list, err
}

// Frames lists a job's frames that are not put away, oldest first.
func (s *Service) Frames(ctx context.Context, jobID string) ([]Frame, error) {
	return readAll(ctx, s, jobID, KindFrame, FrameOf)
}

func readAll[T any](ctx context.Context, s *Service, jobID string, k Kind, read func(Document) (T, error)) ([]T, error) {
	list, err := s.Store.Documents(ctx, jobID, k)
	if err != nil {
		return nil, err
	}
	out := make([]T, len(list))
	for i, d := range list {
		if out[i], err = read(d); err != nil {
			return nil, err
		}
	}
	return out, nil
}

// fresh answers a document's first state.
func fresh[T Form[T]](s *Service, jobID string, k Kind, state T, summary string, now time.Time) (Document, error) {
	raw, err := ready(state)
	return Document{ID: s.NewID(), Kind: k, Revision: 1, Body: raw, Kept: Kept{JobID: jobID, Summary: summary, Created: now, Updated: now}},
		err
}
