package lay

import (
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/working"
)

// Moved makes a fix that shifts a feature, in its panel's axes.
func (b *Laid) Moved(label string, h *Hole, by profile.Point) working.Fix {
	if h.Recipe.X.Edge == sheet.Around {
		return b.movedRound(label, h, by)
	}
	nx, _, _ := b.Line(h.Panel, h.Recipe.X, profile.Point{X: 1}, 0)
	ny, _, _ := b.Line(h.Panel, h.Recipe.Y, profile.Point{Y: 1}, 0)
	fix := working.Fix{Label: label}
	for _, m := range []struct {
		path string
		was  float64
		by   float64
	}{{"/x/distance", h.Recipe.X.Distance, by.Dot(nx)}, {"/y/distance", h.Recipe.Y.Distance, by.Dot(ny)}} {
		if math.Abs(m.by) > sheet.Tiny {
			fix.Edits = append(fix.Edits, working.Edit{Path: h.Path + m.path, Value: math.Round((m.was+m.by)*1000) / 1000})
		}
	}
	return fix
}
