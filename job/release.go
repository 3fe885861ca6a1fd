package job

import (
	"context"

	"warmanvil/core/site"
)

// Checked answers whether one part or frame of a job may go to the table.
func (s *Service) Checked(ctx context.Context, j Job, p Part) (site.CheckTold, error) {
	v, _, err := s.Store.Survey(ctx, j.ID)
	if err != nil {
		return site.CheckTold{}, err
	}
	if p.Frame != nil {
		return site.CheckOfFrame(v, j.Brief, p.Part), nil
	}
	built := site.BuildParts([]site.Part{p.Part}, j.Brief)
	return site.CheckOf(v, j.Brief, built[0], built), nil
}
