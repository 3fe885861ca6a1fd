package job

import (
	"context"

	"warmanvil/core/site"
)

// CheckedPart answers whether one part of a job may go to the table.
func (s *Service) CheckedPart(ctx context.Context, j Job, p Part) (site.CheckTold, error) {
	all, err := s.around(ctx, j)
	if err != nil {
		return site.CheckTold{}, err
	}
	built := site.BuildParts(ctx, []site.Part{p.Part}, j.Brief, all.Shop)
	if len(all.Parts) == 0 {
		all.Parts = built
	}
	return all.CheckOf(built[0]), nil
}

// CheckedFrame answers whether one frame of a job may go to the saw.
func (s *Service) CheckedFrame(ctx context.Context, j Job, f Frame) (site.CheckTold, error) {
	all, err := s.around(ctx, j)
	if len(all.Frames) == 0 {
		all.Frames = []site.Frame{f.Frame}
	}
	return all.CheckOfFrame(f.Frame), err
}

// around answers what a check of one thing goes by: the whole job where something is welded in it, its survey and the
// shop alone otherwise.
func (s *Service) around(ctx context.Context, j Job) (all site.Site, err error) {
	if len(j.Brief.Welded) > 0 {
		_, all, err = s.Site(ctx, j.ID)
		return all, err
	}
	all.Brief, all.Until = j.Brief, ctx
	if all.Survey, _, err = s.Survey(ctx, j.ID); err != nil {
		return all, err
	}
	all.Shop, err = s.ShopFor(ctx, j.ID)
	return all, err
}
