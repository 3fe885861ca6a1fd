package site

import (
	"slices"

	"warmanvil/core/brief"
	"warmanvil/core/hold"
	"warmanvil/core/sheet"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// Suggest answers the changes of a mount that hold up in the whole job.
func (s Site) Suggest(mount string) ([]hold.Suggestion, error) {
	out := []hold.Suggestion{}
	k := slices.IndexFunc(s.Brief.Mounts, func(m brief.Mount) bool { return m.ID == mount })
	if k < 0 {
		return nil, ErrNoSuch
	}
	m := s.Brief.Mounts[k]
	p := slices.IndexFunc(s.Parts, func(p BuiltPart) bool { return p.ID == m.Part })
	if p < 0 || s.Parts[p].Err != nil {
		return out, nil
	}
	d, _ := s.Brief.Device(m.Device)
	cases, why := s.Brief.FeetCases(d)
	if m.Device != "" && why != "" {
		return out, nil
	}
	loads, reason := s.Brief.LoadsOn(m, d, cases)
	if reason != "" {
		return out, nil
	}
	before := s.Hold()
	parts := make([]Part, len(s.Parts))
	for i, b := range s.Parts {
		parts[i] = b.Part
	}
	for _, try := range hold.Suggest(s.Parts[p].Recipe, m.Hold, loads, s.Brief.Strength, PartOptions(s.Brief, parts[p], parts)) {
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
			b.Built, b.Err = sheet.Build(recipe, PartOptions(s.Brief, b.Part, parts))
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
