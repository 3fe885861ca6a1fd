package job

import (
	"context"
	"fmt"
	"slices"
	"strings"

	"warmanvil/core/brief"
	"warmanvil/core/joint"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/split"
	"warmanvil/core/told"
	"warmanvil/core/weld"
	"warmanvil/core/working"
)

// SplitLines answers where a part can be split.
func (s *Service) SplitLines(ctx context.Context, id string, in split.Parting) (split.Lines, error) {
	p, err := s.Part(ctx, id)
	if err != nil {
		return split.Lines{}, err
	}
	j, err := s.Job(ctx, p.JobID)
	if err != nil {
		return split.Lines{}, err
	}
	w, err := s.Shop(ctx)
	if err != nil {
		return split.Lines{}, err
	}
	opt := j.Brief.BuildOptions()
	opt.Machines = w.For(p.Recipe, j.Brief.Inches())
	opt.Until = ctx
	out, err := split.Propose(p.Recipe, in, opt)
	if err == nil {
		out.Told = *told.Pen{Display: opt.Display}.Explain(out.Told)
	}
	return out, err
}

// SplitPart splits a part across its base into pieces that name it, puts the
// whole away, and adds the joint of every seam, bolted or welded.
func (s *Service) SplitPart(ctx context.Context, id string, in split.Parting, who string) ([]Part, error) {
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
	for _, m := range made.Parts {
		m.Recipe.Piece, m.Recipe.Kin = &sheet.Piece{Of: id, Name: whole.Name, Why: strings.TrimSpace(in.Why)}, nil
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
	if err := s.Store.ArchiveDocument(ctx, id, true, s.Now()); err != nil {
		return out, err
	}
	if err := s.seamJoints(ctx, whole, out, made.Seams, in, who); err != nil {
		return out, fmt.Errorf("the part is split, but the joint of its pieces is not in the job yet: %w", err)
	}
	return out, nil
}

// seamJoints adds a joint for every seam. The hardware of bolts is the shop's usual one of
// the size that goes through the holes; what it carries nobody said yet.
func (s *Service) seamJoints(ctx context.Context, whole Part, pieces []Part, seams []split.Seam, in split.Parting, who string) error {
	j, err := s.Job(ctx, whole.JobID)
	if err != nil || len(seams) == 0 {
		return err
	}
	hole := in.Hole
	if hole == 0 {
		hole = split.Usual(false).Hole
	}
	b := j.Brief
	b.Joints, b.Welded = slices.Clone(b.Joints), slices.Clone(b.Welded)
	for _, seam := range seams {
		if seam.Edge != "" {
			b.Welded = append(b.Welded, s.weldedSeam(whole, pieces[seam.A], pieces[seam.B], seam.Edge))
			continue
		}
		made := brief.Joint{ID: s.NewID(), Name: shorten(whole.Name, 80) + ", seam", Part: pieces[seam.A].ID, Features: seam.Bolts,
			Note: strings.TrimSpace(in.Why), Design: joint.Usual(b.Inches()).Sized(hole)}
		if len(seams) > 1 {
			made.Name = shorten(pieces[seam.A].Name, 80) + ", seam"
		}
		for _, k := range []int{seam.A, seam.B} {
			ply := s.NewID()
			made.Sides = append(made.Sides, brief.Side{ID: ply, Kind: brief.PartSide, Of: pieces[k].ID})
			made.Design.Plies = append(made.Design.Plies, joint.Ply{ID: ply, Name: pieces[k].Name, Material: pieces[k].Recipe.Material,
				Thickness: pieces[k].Recipe.Thickness, Hole: hole})
		}
		b.Joints = append(b.Joints, made)
	}
	_, err = s.SaveBrief(ctx, whole.JobID, On{Revision: j.Revision, Who: who}, b)
	return err
}

// weldedSeam answers the butt between two pieces. How deep it is welded nobody said yet, nor what it carries.
func (s *Service) weldedSeam(whole, a, b Part, edge sheet.Edge) brief.Welded {
	side := func(p Part) brief.SeamBody { return brief.SeamBody{Side: brief.Side{Kind: brief.PartSide, Of: p.ID}} }
	return brief.Welded{ID: s.NewID(), Name: shorten(whole.Name, 80) + ", seam", Sides: [2]brief.SeamBody{side(a), side(b)}, Path: true,
		Seams: []brief.SeamPlan{{Seam: weld.Seam{ID: s.NewID(), Name: "seam", Form: weld.ButtForm}, Panel: a.Recipe.Base.ID, Edge: edge}}}
}

// JoinPart brings back the whole a piece was split from, puts its pieces away and takes
// out the joints that are between them alone.
// What was changed on the pieces is kept with them, not carried over.
func (s *Service) JoinPart(ctx context.Context, id, who string) (Part, error) {
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
	pieces := map[string]bool{}
	for _, p := range parts {
		if p.Recipe.Piece != nil && p.Recipe.Piece.Of == whole.ID {
			pieces[p.ID] = true
			if err := s.Store.ArchiveDocument(ctx, p.ID, true, s.Now()); err != nil {
				return Part{}, err
			}
		}
	}
	if err := s.unseam(ctx, whole.JobID, pieces, who); err != nil {
		return whole, err
	}
	return s.Part(ctx, whole.ID)
}

// unseam takes out the joints all of whose plies are pieces.
func (s *Service) unseam(ctx context.Context, jobID string, pieces map[string]bool, who string) error {
	j, err := s.Job(ctx, jobID)
	if err != nil {
		return err
	}
	b := j.Brief
	b.Joints = slices.DeleteFunc(slices.Clone(b.Joints), func(x brief.Joint) bool {
		return pieces[x.Part] && !slices.ContainsFunc(x.Sides, func(side brief.Side) bool {
			return side.Kind != brief.PartSide ||
				!pieces[side.Of]
		})
	})
	b.Welded = slices.DeleteFunc(slices.Clone(b.Welded), func(w brief.Welded) bool { return pieces[w.Sides[0].Of] && pieces[w.Sides[1].Of] })
	if len(b.Joints) == len(j.Brief.Joints) && len(b.Welded) == len(j.Brief.Welded) {
		return nil
	}
	_, err = s.SaveBrief(ctx, jobID, On{Revision: j.Revision, Who: who}, b)
	return err
}

func shorten(name string, most int) string {
	if r := []rune(name); len(r) > most {
		return string(r[:most])
	}
	return name
}
