package sheet

import (
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// moved makes a fix that shifts a feature, in its panel's axes.
func (b *laid) moved(label string, h *hole, by profile.Point) working.Fix {
	nx, _, _ := b.line(h.panel, h.recipe.X, profile.Point{X: 1}, 0)
	ny, _, _ := b.line(h.panel, h.recipe.Y, profile.Point{Y: 1}, 0)
	fix := working.Fix{Label: label}
	for _, m := range []struct {
		path string
		was  float64
		by   float64
	}{{"/x/distance", h.recipe.X.Distance, by.Dot(nx)}, {"/y/distance", h.recipe.Y.Distance, by.Dot(ny)}} {
		if math.Abs(m.by) > tiny {
			fix.Edits = append(fix.Edits, working.Edit{Path: h.path + m.path, Value: math.Round((m.was+m.by)*1000) / 1000})
		}
	}
	return fix
}
