package job

import (
	"context"

	"warmanvil/core/site"
)

// CheckedPart answers whether one part of a job may go to the table.
func (s *Service) CheckedPart(ctx context.Context, j Job, p Part) (site.CheckTold, error) {
	v, _, err := s.Survey(ctx, j.ID)
	if err != nil {
		return site.CheckTold{}, err
	}
	w, err := s.ShopFor(ctx, j.ID)
	if err != nil {
		return site.CheckTold{}, err
	}
	built := site.BuildParts(ctx, []site.Part{p.Part}, j.Brief, w)
	return site.CheckOf(v, j.Brief, built[0], built), nil
}

// CheckedFrame answers whether one frame of a job may go to the saw.
func (s *Service) CheckedFrame(ctx context.Context, j Job, f Frame) (site.CheckTold, error) {
	v, _, err := s.Survey(ctx, j.ID)
	if err != nil {
		return site.CheckTold{}, err
	}
	return site.CheckOfFrame(v, j.Brief, f.Frame), nil
}
