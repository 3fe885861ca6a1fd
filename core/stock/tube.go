package stock

import "fmt"

// Tube is a square or rectangular tube as it is commonly sold.
type Tube struct {
	Name          string
	Width, Height float64 // mm outside
}

// Outside sizes usual in EN 10219 (mm) and ASTM A500 and A513 (in); walls and
// corner radii come with the sections' own table.
var (
	metricTubes = [][2]float64{{15, 15}, {20, 20}, {25, 25}, {30, 30}, {35, 35}, {40, 40}, {45, 45}, {50, 50}, {60, 60}, {70, 70}, {80, 80}, {90, 90}, {100, 100}, {120, 120},
		{30, 15}, {30, 20}, {40, 20}, {40, 30}, {50, 20}, {50, 25}, {50, 30}, {50, 40}, {60, 30}, {60, 40}, {70, 40}, {80, 40}, {80, 50}, {80, 60}, {90, 50}, {100, 40}, {100, 50}, {100, 60}, {120, 40}, {120, 60}, {120, 80}}
	inchTubes = [][2]float64{{.5, .5}, {.625, .625}, {.75, .75}, {.875, .875}, {1, 1}, {1.25, 1.25}, {1.5, 1.5}, {1.75, 1.75}, {2, 2}, {2.25, 2.25}, {2.5, 2.5}, {3, 3}, {3.5, 3.5}, {4, 4},
		{1, .5}, {1.5, .75}, {1.5, 1}, {2, 1}, {2, 1.5}, {2.5, 1.5}, {3, 1}, {3, 1.5}, {3, 2}, {4, 2}, {4, 3}}
)

// Tubes lists the outside sizes of square and rectangular tube, metric or inch.
func Tubes(inches bool) (out []Tube) {
	table, unit, scale := metricTubes, "mm", 1.0
	if inches {
		table, unit, scale = inchTubes, "in", 25.4
	}
	for _, t := range table {
		out = append(out, Tube{fmt.Sprintf("%g × %g %s tube", t[0], t[1], unit), t[0] * scale, t[1] * scale})
	}
	return out
}
