package job

import (
	"context"
	"strings"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/split"
	"warmanvil/core/working"
)

// SplitPart splits a part across its base into pieces that name it, and puts the
// whole away.
func (s *Service) SplitPart(ctx context.Context, id string, in split.Parting) ([]Part, error) {
	whole, err := s.Part(ctx, id)
	if err != nil {
		return nil, err
	}
	if whole.Archived {
		return nil, working.Refuse("", "%s is put away: bring it back before it is split.", whole.Name)
	}
	made, err := split.Part(whole.Recipe, in, s.NewID)
	if err != nil {
		return nil, err
	}
	var states []PartState
	for _, m := range made {
		m.Recipe.Piece = &sheet.Piece{Of: id, Name: whole.Name, Why: strings.TrimSpace(in.Why)}
		quantity := whole.Quantity * m.Quantity
		if whole.Recipe.Hand.Pair && !m.Recipe.Hand.Pair {
			quantity *= 2
		}
		states = append(states, PartState{shorten(whole.Name, 100) + ", " + m.Name, quantity, m.Recipe})
	}
	out, err := s.addParts(ctx, whole.JobID, "split from "+whole.Name, states...)
	if err != nil {
		return nil, err
	}
	return out, s.Store.ArchiveDocument(ctx, id, true, s.Now())
}

// JoinPart brings back the whole a piece was split from and puts its pieces away.
// What was changed on the pieces is kept with them, not carried over.
func (s *Service) JoinPart(ctx context.Context, id string) (Part, error) {
	piece, err := s.Part(ctx, id)
	if err != nil {
		return Part{}, err
	}
	from := piece.Recipe.Piece
	if from == nil {
		return Part{}, working.Refuse("", "%s is no piece of another part.", piece.Name)
	}
	whole, err := s.Part(ctx, from.Of)
	if err != nil || whole.JobID != piece.JobID {
		return Part{}, working.Refuse("", "%s, which it was split from, is not in this job: the pieces stay as they are.", from.Name)
	}
	parts, err := s.Parts(ctx, piece.JobID)
	if err != nil {
		return Part{}, err
	}
	if err := s.Store.ArchiveDocument(ctx, whole.ID, false, s.Now()); err != nil {
		return Part{}, err
	}
	for _, p := range parts {
		if p.Recipe.Piece != nil && p.Recipe.Piece.Of == whole.ID {
			if err := s.Store.ArchiveDocument(ctx, p.ID, true, s.Now()); err != nil {
				return Part{}, err
			}
		}
	}
	return s.Part(ctx, whole.ID)
}

func shorten(name string, most int) string {
	if r := []rune(name); len(r) > most {
		return string(r[:most])
	}
	return name
}
