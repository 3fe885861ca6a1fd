package job

import (
	"context"
	"time"

	"warmanvil/core/site"
	"warmanvil/core/vehicle"
)

// SurveyStore keeps surveys. A job that has none yet answers an empty one at
// revision 0.
type SurveyStore interface {
	Survey(ctx context.Context, jobID string) (vehicle.Survey, int, error)
	SaveSurvey(ctx context.Context, jobID string, s vehicle.Survey, expected int, now time.Time) error
}

// SurveyOf answers a job's survey with everything that follows from it.
func (s *Service) SurveyOf(ctx context.Context, id string) (vehicle.Survey, int, site.Surveyed, error) {
	j, parts, err := s.Built(ctx, id)
	if err != nil {
		return vehicle.Survey{}, 0, site.Surveyed{}, err
	}
	v, revision, err := s.Store.Survey(ctx, id)
	if err != nil {
		return vehicle.Survey{}, 0, site.Surveyed{}, err
	}
	frames, err := s.Store.Frames(ctx, id)
	return v, revision, site.WorkSurvey(v, j.Brief, parts, Bare(frames)...), err
}

// SaveSurvey keeps a survey, if nobody did since revision expected.
func (s *Service) SaveSurvey(ctx context.Context, id string, expected int, v vehicle.Survey) (vehicle.Survey, int, site.Surveyed, error) {
	v.Schema = vehicle.SurveySchema
	if err := v.Check(); err != nil {
		return v, 0, site.Surveyed{}, err
	}
	j, parts, err := s.Built(ctx, id)
	if err != nil {
		return v, 0, site.Surveyed{}, err
	}
	if err := s.Store.SaveSurvey(ctx, id, v, expected, s.Now()); err != nil {
		return v, 0, site.Surveyed{}, err
	}
	frames, err := s.Store.Frames(ctx, id)
	return v, expected + 1, site.WorkSurvey(v, j.Brief, parts, Bare(frames)...), err
}
