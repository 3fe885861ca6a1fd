package lay

import (
	"warmanvil/core/profile"
	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
	"warmanvil/core/working"
)

// Shift moves one hole feature within its panel, by the panel's own axes (Seat).
type Shift struct {
	Feature string
	By      profile.Point // mm
}

// MoveHoles answers the recipe with single holes moved. A feature that is not
// there, or is a pattern of several holes, is refused with *working.Fault.
func MoveHoles(r sheet.Recipe, shifts []Shift) (sheet.Recipe, error) {
	if err := r.Validate(); err != nil {
		return r, err
	}
	b := Out(r, r.Bend.School, quantity.Display{})
	if len(b.Panels) == 0 {
		return r, working.Refuse("/base", "The part cannot be unfolded, so its holes cannot be moved.")
	}
	var edits []working.Edit
	for _, s := range shifts {
		found := false
		for i := range b.Holes {
			h := &b.Holes[i]
			if h.Recipe.ID != s.Feature {
				continue
			}
			if h.Recipe.Count() > 1 {
				return r, working.Refuse("", "%s is a pattern of %d holes: place them one by one before they follow a survey.",
					HoleWord(h.Recipe, 0), h.Recipe.Count())
			}
			edits = append(edits, b.Moved("", h, s.By).Edits...)
			found = true
		}
		if !found {
			return r, working.Refuse("", "A hole that follows is not on the part any more: choose its holes again.")
		}
	}
	return sheet.ApplyEdits(r, edits)
}
