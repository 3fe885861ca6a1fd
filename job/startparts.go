package job

import (
	"context"
	"strings"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/starters"
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
	if err := working.Under("/recipe", in.Recipe.Validate()); err != nil {
		return nil, err
	}
	made, err := starters.StartPart(in.Starter, in.Values, in.Recipe, s.NewID)
	if err != nil {
		return nil, err
	}
	if len(made) == 0 {
		return nil, working.Refuse("/starter", "The starter made nothing.")
	}
	name := strings.TrimSpace(in.Name)
	var states []PartState
	for i, m := range made {
		n := m.Name
		if i == 0 && name != "" {
			n = name
		} else if name != "" {
			n = name + ", " + strings.ToLower(m.Name)
		}
		states = append(states, PartState{n, m.Quantity, m.Recipe})
	}
	return s.addParts(ctx, jobID, "started as "+strings.ToLower(made[0].Name), states...)
}
