package job

import (
	"context"

	"warmanvil/core/site"
)

// Assembly answers all parts, frames and devices of a job together.
func (s *Service) Assembly(ctx context.Context, id string) (site.Assembled, error) {
	_, all, err := s.Site(ctx, id)
	if err != nil {
		return site.Assembled{}, err
	}
	return all.Assemble(), nil
}
