package job

import (
	"context"
	"fmt"
	"slices"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/site"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
)

// MapInto says where the holes of a map shall be.
type MapInto struct {
	Map    string        `json:"map" doc:"id"`
	Part   string        `json:"part,omitempty" doc:"id; a new plate around the holes when left out"`
	Panel  string        `json:"panel,omitempty" doc:"id of a panel of that part"`
	Behind bool          `json:"behind,omitempty" doc:"the part is drawn from behind, its face on the wall"`
	Recipe *sheet.Recipe `json:"recipe,omitempty" doc:"of a new plate: material, thickness and tools; its base is replaced"`
}

// HolesFromMap makes the holes of a map in a part, or a plate around them, and lets them
// follow the map from then on.
func (s *Service) HolesFromMap(ctx context.Context, jobID string, in MapInto, who string) (Part, error) {
	j, parts, err := s.Built(ctx, jobID)
	if err != nil {
		return Part{}, err
	}
	v, revision, err := s.Survey(ctx, jobID)
	if err != nil {
		return Part{}, err
	}
	at := slices.IndexFunc(v.Maps, func(m vehicle.HoleMap) bool { return m.ID == in.Map })
	if at < 0 {
		return Part{}, working.Refuse("/map", "The hole map is not there any more.")
	}
	m := v.Maps[at]
	holes, w, h, err := site.HolesOf(m, site.WorkSurvey(v, j.Brief, parts).Maps[at], in.Behind)
	if err != nil {
		return Part{}, err
	}
	var features []string
	for i := range holes {
		holes[i].ID = s.NewID()
		features = append(features, holes[i].ID)
	}
	part, err := s.drilled(ctx, jobID, in, m.Name, parts, holes, w, h, who)
	if err != nil {
		return Part{}, err
	}
	built, err := made.Build(part.Recipe, j.Brief.BuildOptions())
	if err != nil {
		return part, err
	}
	v.Follows = append(slices.Clone(v.Follows), vehicle.Follow{ID: s.NewID(), Name: m.Name, Part: part.ID, Mirror: in.Behind,
		Holes: site.Followed(built, features, m)})
	if _, err := s.SaveSurvey(ctx, jobID, On{Revision: revision, Who: who}, v); err != nil {
		return part, fmt.Errorf("the holes are made in %s, but do not follow the map yet: %w", part.Name, err)
	}
	return part, nil
}

// drilled answers the part with the holes in it, kept.
func (s *Service) drilled(ctx context.Context, jobID string, in MapInto, name string, parts []site.BuiltPart, holes []sheet.Hole,
	w, h float64, who string) (Part, error) {
	if in.Part == "" {
		if in.Recipe == nil {
			return Part{}, working.Refuse("/recipe", "Say what the plate is made of.")
		}
		return s.CreatePart(ctx, jobID, PartState{"Plate, " + name, 1, site.PlateOf(*in.Recipe, s.NewID(), holes, w, h)})
	}
	k := slices.IndexFunc(parts, func(p site.BuiltPart) bool { return p.ID == in.Part })
	if k < 0 || parts[k].Err != nil {
		return Part{}, working.Refuse("/part", "The part is not in the job, or cannot be built as it stands: look at it on the Shape bench.")
	}
	p := parts[k]
	panel := slices.IndexFunc(p.Built.Panels, func(x made.PanelMade) bool { return x.ID == in.Panel })
	if panel < 0 {
		return Part{}, working.Refuse("/panel", "%s has no such panel any more.", p.Name)
	}
	r, _ := p.Recipe.AddHoles(in.Panel, site.QuarterTurned(holes, w, h, p.Built.Panels[panel]))
	return s.SavePart(ctx, p.ID, On{Revision: p.Revision, Who: who}, PartState{p.Name, p.Quantity, r})
}
