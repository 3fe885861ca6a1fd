package job

import (
	"context"

	"warmanvil/core/site"
	"warmanvil/core/working"
)

// FixtureOf adds the fixture that holds the studs of a part square: two plates alike.
func (s *Service) FixtureOf(ctx context.Context, id string, in site.FixtureAsk) ([]Part, error) {
	p, err := s.Part(ctx, id)
	if err != nil {
		return nil, err
	}
	j, err := s.Job(ctx, p.JobID)
	if err != nil {
		return nil, err
	}
	w, err := s.ShopFor(ctx, p.JobID)
	if err != nil {
		return nil, err
	}
	built := site.BuildParts(ctx, BareParts([]Part{p}), j.Brief, w)[0]
	r, err := site.FixtureFor(built, in, s.NewID)
	if err != nil {
		return nil, working.SpokenError(err, j.Brief.Inches())
	}
	return s.addParts(ctx, p.JobID, "fixture for "+p.Name, PartState{shorten("Stud fixture, "+p.Name, 120), 2, r})
}
