package job

import (
	"context"
	"slices"

	"warmanvil/core/hold"
	"warmanvil/core/sheet"
	"warmanvil/core/strength"
	"warmanvil/core/working"
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
	return j, BuildParts(Bare(parts), j.Brief), nil
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
	return j, Site{Brief: j.Brief, Parts: parts, Frames: Bare(frames), Survey: v}, err
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

// Suggest answers the changes of a mount that hold up in the whole job.
func (s Site) Suggest(mount string) ([]hold.Suggestion, error) {
	out := []hold.Suggestion{}
	k := slices.IndexFunc(s.Brief.Mounts, func(m Mount) bool { return m.ID == mount })
	if k < 0 {
		return nil, errNoSuch
	}
	m := s.Brief.Mounts[k]
	p := slices.IndexFunc(s.Parts, func(p BuiltPart) bool { return p.ID == m.Part })
	if p < 0 || s.Parts[p].Err != nil {
		return out, nil
	}
	d, _ := s.Brief.device(m.Device)
	cases, why := s.Brief.feetCases(d)
	if m.Device != "" && why != "" {
		return out, nil
	}
	loads, reason := s.Brief.loads(m, d, cases)
	if reason != "" {
		return out, nil
	}
	before := s.Hold()
	parts := make([]BarePart, len(s.Parts))
	for i, b := range s.Parts {
		parts[i] = b.BarePart
	}
	for _, try := range hold.Suggest(s.Parts[p].Recipe, m.Hold, loads, s.Brief.Strength, s.Brief.PartOptions(parts[p], parts)) {
		next := s
		next.Brief.Mounts = slices.Clone(s.Brief.Mounts)
		next.Brief.Mounts[k].Hold = try.Mount
		next.Parts = slices.Clone(s.Parts)
		if len(try.Edits) > 0 {
			recipe, err := sheet.ApplyEdits(s.Parts[p].Recipe, try.Edits)
			if err != nil {
				continue
			}
			b := &next.Parts[p]
			b.Recipe = recipe
			b.Built, b.Err = sheet.Build(recipe, s.Brief.PartOptions(b.BarePart, parts))
		}
		if !worsens(before, next.Hold()) {
			out = append(out, try)
		}
	}
	return out, nil
}

// worsens tells whether anything in a job has a worse verdict than before, stops that
// it had not, or can no longer be worked out.
func worsens(before, after Holding) bool {
	for i, m := range after.Mounts {
		if strength.Worse(m.Verdict, before.Mounts[i].Verdict) {
			return true
		}
	}
	for i, j := range after.Joints {
		was := before.Joints[i]
		switch {
		case was.Result == nil:
		case j.Result == nil || strength.Worse(j.Result.Verdict, was.Result.Verdict):
			return true
		case j.Result.Hardest != nil && was.Result.Hardest != nil && *j.Result.Hardest > strength.TightFrom && *j.Result.Hardest > *was.Result.Hardest+1e-6:
			return true
		case stopsOf(j.Result.Findings) > stopsOf(was.Result.Findings):
			return true
		}
	}
	return false
}

func stopsOf(list []working.Finding) (n int) {
	for _, f := range list {
		if f.Severity == working.Stop {
			n++
		}
	}
	return n
}
