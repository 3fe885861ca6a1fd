package job

import (
	"context"
	"strings"

	"warmanvil/core/sheet"
	"warmanvil/core/working"
)

// PartsStart is what a starter of sheet parts is asked for. The recipe says
// material, thickness and tools; its base is replaced.
type PartsStart struct {
	Name    string             `json:"name,omitempty" doc:"of the first part; the starter's own when left out"`
	Starter string             `json:"starter" doc:"key of a starter"`
	Values  map[string]float64 `json:"values,omitempty" doc:"what it asks for; the usual ones when left out"`
	Recipe  sheet.Recipe       `json:"recipe"`
}

// StartParts adds the parts a starter makes.
func (s *Service) StartParts(ctx context.Context, jobID string, in PartsStart) ([]Part, error) {
	if err := within("/recipe", in.Recipe.Validate()); err != nil {
		return nil, err
	}
	made, err := sheet.StartPart(in.Starter, in.Values, in.Recipe, s.NewID)
	if err != nil {
		return nil, err
	}
	if _, err := s.Store.Job(ctx, jobID); err != nil {
		return nil, err
	}
	name := strings.TrimSpace(in.Name)
	var out []Part
	for i, m := range made {
		n := m.Name
		if i == 0 && name != "" {
			n = name
		} else if name != "" {
			n = name + ", " + strings.ToLower(m.Name)
		}
		if err := s.checkPart(n, m.Quantity, m.Recipe); err != nil {
			return nil, err
		}
		out = append(out, s.fresh(jobID, n, m.Quantity, m.Recipe, "started as "+strings.ToLower(m.Name)))
	}
	for _, p := range out {
		if err := s.Store.CreatePart(ctx, p); err != nil {
			return nil, err
		}
	}
	if len(out) == 0 {
		return nil, working.Refuse("/starter", "The starter made nothing.")
	}
	return out, nil
}
