package job

import (
	"context"

	"warmanvil/core/brief"
	"warmanvil/core/goods"
	"warmanvil/core/member"
)

// TypedStock is what a job's own documents hold of what lies in the shop: bolts in bins, pieces of
// sticks left from before. It belongs to the shop, where every job sees it.
type TypedStock struct {
	Bolts  int `json:"bolts" doc:"lengths of bolts in the job's bins"`
	Sticks int `json:"sticks" doc:"pieces of sticks typed on its frames"`
}

// TypedStock counts it.
func (s *Service) TypedStock(ctx context.Context, jobID string) (t TypedStock, err error) {
	j, err := s.Job(ctx, jobID)
	if err != nil {
		return t, err
	}
	for _, b := range j.Brief.Bins {
		t.Bolts += len(b.Lengths)
	}
	frames, err := s.Frames(ctx, jobID)
	for _, f := range frames {
		for _, r := range f.Doc.Saw.Remnants {
			t.Sticks += max(r.Many, 1)
		}
	}
	return t, err
}

// MoveOver puts what a job's documents hold of the shop's stock there, and takes it out of them:
// first out, since their history brings it back should the rest fail. Bolts were typed without how
// many there are: of each one is taken to be there, until somebody counts.
func (s *Service) MoveOver(ctx context.Context, jobID, who string) (moved TypedStock, err error) {
	j, err := s.Job(ctx, jobID)
	if err != nil {
		return moved, err
	}
	frames, err := s.Frames(ctx, jobID)
	if err != nil {
		return moved, err
	}
	type found struct {
		goods.Goods
		many float64
	}
	var all []found
	for _, b := range j.Brief.Bins {
		for _, l := range b.Lengths {
			moved.Bolts++
			all = append(all, found{goods.Goods{Kind: goods.Hardware, Name: "bolt", System: b.System, Size: b.Size, Long: l, Least: 0,
				Note: "from the bins of " + j.Brief.Name + ": count them, and say their grade"}, 1})
		}
	}
	if moved.Bolts > 0 {
		b := j.Brief
		b.Bins = []brief.Bin(nil)
		if _, err := s.SaveBrief(ctx, jobID, On{Revision: j.Revision, Who: who}, b); err != nil {
			return TypedStock{}, err
		}
	}
	for _, f := range frames {
		if len(f.Doc.Saw.Remnants) == 0 {
			continue
		}
		for _, r := range f.Doc.Saw.Remnants {
			many := max(r.Many, 1)
			moved.Sticks += many
			all = append(all, found{goods.Goods{Kind: goods.Stick, Material: f.Doc.Material, Section: r.Stock, Long: r.Length,
				Note: "left from before, typed on " + f.Name}, float64(many)})
		}
		state := f.State()
		state.Frame.Saw.Remnants = []member.Remnant(nil)
		if _, err := s.SaveFrame(ctx, f.ID, On{Revision: f.Revision, Who: who}, state); err != nil {
			return moved, err
		}
	}
	for _, x := range all {
		if _, err := s.AddStockLine(ctx, x.Goods, x.many, who); err != nil {
			return moved, err
		}
	}
	return moved, nil
}
