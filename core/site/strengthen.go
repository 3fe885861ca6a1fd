package site

import (
	"slices"

	"warmanvil/core/brief"
	"warmanvil/core/hold"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
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
	if m.Hold, reason = mounted(s.Brief, m); reason != "" {
		return out, nil
	}
	before := s.stand()
	parts := make([]Part, len(s.Parts))
	for i, b := range s.Parts {
		parts[i] = b.Part
	}
	for _, try := range hold.Suggest(s.Parts[p].Recipe, m.Hold, loads, s.Brief.Strength, PartOptions(s.Brief, s.Shop, parts[p], parts)) {
		if s.over() {
			return nil, s.Until.Err()
		}
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
			opt := PartOptions(s.Brief, s.Shop, b.Part, parts)
			opt.Until = s.Until
			b.Built, b.Err = made.Build(recipe, opt)
			if was := s.Parts[p].Built.Bending; was != nil && was.Goes && !opt.Bends(recipe) {
				continue // stronger, and no brake bends it
			}
		}
		if before.worse(next.stand(), "") == "" {
			out = append(out, try)
		}
	}
	if s.over() {
		return nil, s.Until.Err()
	}
	return out, nil
}
