package job

import (
	"context"

	"warmanvil/core/hold"
)

// Built answers a job with its parts as built.
func (s *Service) Built(ctx context.Context, id string) (Job, []BuiltPart, error) {
	j, err := s.Store.Job(ctx, id)
	if err != nil {
		return j, nil, err
	}
	parts, err := s.Store.Parts(ctx, id)
	if err != nil {
		return j, nil, err
	}
	return j, BuildParts(parts, j.Brief), nil
}

// Site answers a job with everything that stands in it.
func (s *Service) Site(ctx context.Context, id string) (Job, Site, error) {
	j, parts, err := s.Built(ctx, id)
	if err != nil {
		return j, Site{}, err
	}
	frames, err := s.Store.Frames(ctx, id)
	if err != nil {
		return j, Site{}, err
	}
	v, _, err := s.Store.Survey(ctx, id)
	return j, Site{Brief: j.Brief, Parts: parts, Frames: frames, Survey: v}, err
}

// Suggest answers what would help a mount that is tight or over, or what could
// be saved on one that is over-strong.
func (s *Service) Suggest(ctx context.Context, id, mount string) ([]hold.Suggestion, error) {
	j, parts, err := s.Built(ctx, id)
	if err != nil {
		return nil, err
	}
	none := []hold.Suggestion{}
	for _, m := range j.Brief.Mounts {
		d, known := j.Brief.device(m.Device)
		if m.ID != mount || !known {
			continue
		}
		cases, _ := j.Brief.feetCases(d)
		loads, why := j.Brief.loads(m, d, cases)
		if why != "" {
			return none, nil
		}
		for _, p := range parts {
			if p.ID == m.Part && p.Err == nil {
				return hold.Suggest(p.Recipe, m.Hold, loads, j.Brief.Strength, j.Brief.BuildOptions()), nil
			}
		}
		return none, nil
	}
	return nil, ErrNotFound
}
