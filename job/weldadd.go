package job

import (
	"context"
	"fmt"
	"slices"

	"warmanvil/core/site"
)

// AddToWeld adds a gusset, a doubler or a strip to a welded joint: the part, its place, and its seams.
func (s *Service) AddToWeld(ctx context.Context, jobID string, in site.WeldAdd, who string) ([]Part, error) {
	j, all, err := s.Site(ctx, jobID)
	if err != nil {
		return nil, err
	}
	_, revision, err := s.Survey(ctx, jobID)
	if err != nil {
		return nil, err
	}
	a, err := all.Adding(in, s.NewID)
	if err != nil {
		return nil, err
	}
	parts, err := s.addParts(ctx, jobID, "added to a weld", PartState{shorten(a.Name, 120), 1, a.Recipe})
	if err != nil {
		return nil, err
	}
	a = a.Of(parts[0].ID)
	v := all.Survey
	v.Placed = slices.Clone(v.Placed)
	for i := range v.Placed {
		if at, is := a.Shifted[v.Placed[i].ID]; is {
			v.Placed[i].At = at
		}
	}
	v.Placed = append(v.Placed, a.Placed)
	if _, err := s.SaveSurvey(ctx, jobID, On{Revision: revision, Who: who}, v); err != nil {
		return parts, fmt.Errorf("%s is in the job, but has no place yet: %w", a.Name, err)
	}
	b := j.Brief
	b.Welded = a.Welded
	if _, err := s.SaveBrief(ctx, jobID, On{Revision: j.Revision, Who: who}, b); err != nil {
		return parts, fmt.Errorf("%s is in the job and placed, but its seams are not yet: %w", a.Name, err)
	}
	return parts, nil
}
