package job

import (
	"context"
	"slices"

	"warmanvil/core/brief"
	"warmanvil/core/site"
)

// PartsList answers every part, hand by hand, and every frame of a job with its
// mass and centre of gravity, none of them placed.
func (s *Service) PartsList(ctx context.Context, id string) (Job, []site.Listed, error) {
	j, err := s.Job(ctx, id)
	if err != nil {
		return j, nil, err
	}
	parts, err := s.Parts(ctx, id)
	if err != nil {
		return j, nil, err
	}
	frames, err := s.Frames(ctx, id)
	if err != nil {
		return j, nil, err
	}
	v, _, err := s.Survey(ctx, id)
	if err != nil {
		return j, nil, err
	}
	w, err := s.ShopFor(ctx, id)
	if err != nil {
		return j, nil, err
	}
	rows := site.List(ctx, v, j.Brief, w, BareParts(parts), BareFrames(frames))
	if slices.ContainsFunc(j.Brief.Books, func(k brief.WeldBook) bool { return k.Back || len(k.Braced) > 0 }) {
		_, all, err := s.Site(ctx, id)
		if err != nil {
			return j, nil, err
		}
		rows = append(rows, all.Backs()...)
	}
	return j, rows, nil
}
