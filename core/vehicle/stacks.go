package vehicle

import (
	"strings"

	"warmanvil/core/fit"
	"warmanvil/core/section"
)

// Tubes lists the outside sizes of square and rectangular tube on the rack, each
// once whatever its walls.
func Tubes(inches bool) (out []fit.Stock) {
	seen := map[[2]float64]bool{}
	for _, x := range section.Table() {
		size := [2]float64{x.Sizes.Width, x.Sizes.Height}
		if x.Sizes.Kind != "rectTube" || x.Inches != inches || seen[size] {
			continue
		}
		seen[size] = true
		unit := " mm tube"
		if inches {
			unit = " in tube"
		}
		out = append(out, fit.Stock{Name: x.Name[:strings.LastIndex(x.Name, " × ")] + unit, Width: size[0], Height: size[1]})
	}
	return out
}
