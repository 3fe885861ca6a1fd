package sheet

import (
	"warmanvil/core/profile"
	"warmanvil/core/quantity"
	"warmanvil/core/working"
)

// Shift moves one hole feature within its panel, by the panel's own axes (Seat).
type Shift struct {
	Feature string
	By      profile.Point // mm
}

// MoveHoles answers the recipe with single holes moved. A feature that is not
// there, or is a pattern of several holes, is refused with *working.Fault.
func MoveHoles(r Recipe, shifts []Shift) (Recipe, error) {
	if err := r.Validate(); err != nil {
		return r, err
	}
	b := out(r, r.Bend.School, quantity.Display{})
	if len(b.panels) == 0 {
		return r, working.Refuse("/base", "The part cannot be unfolded, so its holes cannot be moved.")
	}
	var edits []working.Edit
	for _, s := range shifts {
		found := false
		for i := range b.holes {
			h := &b.holes[i]
			if h.recipe.ID != s.Feature {
				continue
			}
			if h.recipe.Count() > 1 {
				return r, working.Refuse("", "%s is a pattern of %d holes: place them one by one before they follow a survey.",
					holeWord(h.recipe, 0), h.recipe.Count())
			}
			edits = append(edits, b.moved("", h, s.By).Edits...)
			found = true
		}
		if !found {
			return r, working.Refuse("", "A hole that follows is not on the part any more: choose its holes again.")
		}
	}
	return ApplyEdits(r, edits)
}
