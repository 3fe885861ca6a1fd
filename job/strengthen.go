package job

import (
	"context"

	"warmanvil/core/hold"
	"warmanvil/core/site"
)

// Built answers a job with its parts as built.
func (s *Service) Built(ctx context.Context, id string) (Job, []site.BuiltPart, error) {
	j, err := s.Job(ctx, id)
	if err != nil {
		return j, nil, err
	}
	parts, err := s.Parts(ctx, id)
	if err != nil {
		return j, nil, err
	}
	w, err := s.ShopFor(ctx, id)
	if err != nil {
		return j, nil, err
	}
	return j, site.BuildParts(ctx, BareParts(parts), j.Brief, w), nil
}

// Site answers a job with everything that stands in it.
func (s *Service) Site(ctx context.Context, id string) (Job, site.Site, error) {
	j, parts, err := s.Built(ctx, id)
	if err != nil {
		return j, site.Site{}, err
	}
	frames, err := s.Frames(ctx, id)
	if err != nil {
		return j, site.Site{}, err
	}
	w, err := s.ShopFor(ctx, id)
	if err != nil {
		return j, site.Site{}, err
	}
	bodies, err := s.Bodies(ctx, id)
	if err != nil {
		return j, site.Site{}, err
	}
	v, _, err := s.Survey(ctx, id)
	return j, site.Site{Brief: j.Brief, Parts: parts, Frames: BareFrames(frames), Bodies: bareBodies(bodies), Survey: v, Shop: w,
		Until: ctx}, err
}

// Suggest answers what would help a mount that is tight or over, or what could
// be saved on one that is over-strong. Each is proved through the whole job: what makes
// another mount or joint of the part worse is not offered.
func (s *Service) Suggest(ctx context.Context, id, mount string) ([]hold.Suggestion, error) {
	_, site, err := s.Site(ctx, id)
	if err != nil {
		return nil, err
	}
	return site.Suggest(mount)
}
