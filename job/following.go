package job

import (
	"context"
	"slices"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/site"
	"warmanvil/core/working"
)

// BringUp moves the holes of every part that follows the same pattern as one
// does to where the survey has them, each as a new revision.
func (s *Service) BringUp(ctx context.Context, jobID, followID, who string) ([]Part, error) {
	j, parts, err := s.Built(ctx, jobID)
	if err != nil {
		return nil, err
	}
	v, _, err := s.Survey(ctx, jobID)
	if err != nil {
		return nil, err
	}
	told := site.WorkSurvey(v, j.Brief, parts).Follows
	i := slices.IndexFunc(told, func(t site.FollowTold) bool { return t.ID == followID })
	if i < 0 {
		return nil, ErrNotFound
	}
	if told[i].Why != "" {
		return nil, working.Refuse("", "It cannot be brought up to date: %s", told[i].Why)
	}
	out := []Part{}
	recipes := map[string]sheet.Recipe{}
	var order []string
	for _, t := range told {
		if t.Group != told[i].Group || !t.Stale || t.Why != "" {
			continue
		}
		k := slices.IndexFunc(parts, func(p site.BuiltPart) bool { return p.ID == t.Part })
		r, begun := recipes[t.Part]
		if !begun {
			r = parts[k].Recipe
			order = append(order, t.Part)
		}
		if recipes[t.Part], err = lay.MoveHoles(r, t.Shifts); err != nil {
			return nil, err
		}
	}
	for _, id := range order {
		k := slices.IndexFunc(parts, func(p site.BuiltPart) bool { return p.ID == id })
		p, err := s.SavePart(ctx, id, On{Revision: parts[k].Revision, Who: who}, PartState{parts[k].Name, parts[k].Quantity, recipes[id]})
		if err != nil {
			return nil, err
		}
		out = append(out, p)
	}
	return out, nil
}
