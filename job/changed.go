package job

import (
	"fmt"

	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
)

// changed says in a few words what a save changed: the dimensions that differ,
// or what came and went.
func changed(was, now Revision) string {
	switch {
	case was.Name != now.Name:
		return "renamed"
	case was.Quantity != now.Quantity:
		return fmt.Sprintf("quantity %d", now.Quantity)
	case was.Recipe.Material != now.Recipe.Material:
		return "material"
	}
	opt := sheet.Options{Display: quantity.Display{Style: quantity.Metric}}
	a, errA := sheet.Build(was.Recipe, opt)
	b, errB := sheet.Build(now.Recipe, opt)
	if errA != nil || errB != nil {
		return "changed"
	}
	before := map[string]sheet.Dimension{}
	for _, d := range a.Dimensions {
		before[d.Path] = d
	}
	var first string
	count := 0
	for _, d := range b.Dimensions {
		old, there := before[d.Path]
		if there && old.Feature == d.Feature && old.Value == d.Value {
			continue
		}
		if count++; count == 1 {
			first = fmt.Sprintf("%s: %s %s", d.Group, d.Label, d.Text)
			if there && old.Feature == d.Feature {
				first = fmt.Sprintf("%s: %s %s, was %s", d.Group, d.Label, d.Text, old.Text)
			}
		}
	}
	switch {
	case len(a.Dimensions) > len(b.Dimensions):
		return "feature removed"
	case len(b.Dimensions) > len(a.Dimensions):
		return "feature added"
	case count > 1:
		return fmt.Sprintf("%s and %d more", first, count-1)
	case count == 1:
		return first
	}
	return "settings"
}
