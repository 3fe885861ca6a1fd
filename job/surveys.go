package job

import (
	"context"
	"time"
)

// SurveyStore keeps surveys. A job that has none yet answers an empty one at
// revision 0.
type SurveyStore interface {
	Survey(ctx context.Context, jobID string) (Survey, int, error)
	SaveSurvey(ctx context.Context, jobID string, s Survey, expected int, now time.Time) error
}

// SurveyOf answers a job's survey with everything that follows from it.
func (s *Service) SurveyOf(ctx context.Context, id string) (Survey, int, Surveyed, error) {
	j, parts, err := s.Built(ctx, id)
	if err != nil {
		return Survey{}, 0, Surveyed{}, err
	}
	v, revision, err := s.Store.Survey(ctx, id)
	if err != nil {
		return Survey{}, 0, Surveyed{}, err
	}
	frames, err := s.Store.Frames(ctx, id)
	return v, revision, WorkSurvey(v, j.Brief, parts, Bare(frames)...), err
}

// SaveSurvey keeps a survey, if nobody did since revision expected.
func (s *Service) SaveSurvey(ctx context.Context, id string, expected int, v Survey) (Survey, int, Surveyed, error) {
	v.Schema = SurveySchema
	if err := v.Check(); err != nil {
		return v, 0, Surveyed{}, err
	}
	j, parts, err := s.Built(ctx, id)
	if err != nil {
		return v, 0, Surveyed{}, err
	}
	if err := s.Store.SaveSurvey(ctx, id, v, expected, s.Now()); err != nil {
		return v, 0, Surveyed{}, err
	}
	frames, err := s.Store.Frames(ctx, id)
	return v, expected + 1, WorkSurvey(v, j.Brief, parts, Bare(frames)...), err
}
