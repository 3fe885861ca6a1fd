package job

import (
	"context"

	"warmanvil/core/site"
	"warmanvil/core/vehicle"
)

// Survey answers a job's survey and its revision, 0 when there is none yet.
func (s *Service) Survey(ctx context.Context, jobID string) (vehicle.Survey, int, error) {
	d, err := s.Store.Only(ctx, jobID, KindSurvey)
	if err != nil {
		return vehicle.Survey{}, 0, err
	}
	v, err := Body[vehicle.Survey](d.Body)
	return v, d.Revision, err
}

// SaveSurvey keeps a new state of a survey.
func (s *Service) SaveSurvey(ctx context.Context, jobID string, on On, v vehicle.Survey) (Saved, error) {
	return Save(ctx, s, KindSurvey, jobID, on, v)
}

// WorkSurvey answers what follows from a survey among all that is in its job.
func (s *Service) WorkSurvey(ctx context.Context, jobID string, v vehicle.Survey) (site.Surveyed, error) {
	_, all, err := s.Site(ctx, jobID)
	if err != nil {
		return site.Surveyed{}, err
	}
	all.Survey = v
	return all.Surveyed(), nil
}
