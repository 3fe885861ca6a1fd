// Package stock holds the engineering tables of materials and sheet gauges.
// Every row names its source; nothing here is interpolated.
package stock

import (
	"fmt"
	"strings"
)

// Temper groups sheet by how it takes a bend in the shop's K tables.
type Temper string

// Soft: annealed aluminium, copper. Medium: mild steel, half-hard aluminium.
// Hard: stainless, high-strength steel, tempered aluminium.
const (
	Soft   Temper = "soft"
	Medium Temper = "medium"
	Hard   Temper = "hard"
)

// RadiusLimit is the smallest inside radius as a multiple of thickness, for
// sheet up to UpTo mm: Across with the bend line across the rolling direction
// (the better way), Along with the bend line along it.
type RadiusLimit struct {
	UpTo   float64 `json:"upTo" doc:"mm"`
	Across float64 `json:"across" doc:"multiple of thickness"`
	Along  float64 `json:"along" doc:"multiple of thickness"`
}

// Material is one sheet material. Density in kg/m³, strengths and modulus in MPa.
type Material struct {
	Key          string        `json:"key"`
	Name         string        `json:"name"`
	Family       Family        `json:"family" doc:"gauge family"`
	Density      float64       `json:"density" doc:"kg/m³"`
	Yield        float64       `json:"yield" doc:"MPa"`
	Tensile      float64       `json:"tensile" doc:"MPa"`
	Modulus      float64       `json:"modulus" doc:"MPa"`
	Temper       Temper        `json:"temper"`
	AirRadius    float64       `json:"airRadius" doc:"inside radius of an air bend as a share of the die opening"`
	Radius       []RadiusLimit `json:"radius"`
	Source       string        `json:"source" doc:"of strengths"`
	RadiusSource string        `json:"radiusSource"`
	Caution      string        `json:"caution,omitempty"`
}

const (
	practice = "shop practice by alloy and temper, not a standard: prove with a strip of the same sheet"
	notKnown = "Its grade is not known: it counts as weak, and bends as hard. A file that slides off tells hard from soft, a strip bent " +
		"flat on itself tells whether it cracks; a pulled or bent coupon, or the mill's mark, tells more."
	zincFumes = "Zinc coat: strip it and use extraction and a respirator before welding."
)

// Materials is the table of sheet materials. Aluminium limits follow the alloy
// makers' usual bend-radius tables; steel limits the usual ones for structural
// sheet and plate.
var Materials = []Material{
	{"steel-cold", "Cold-rolled mild steel", Steel, 7850, 205, 330, 200_000, Medium, .16,
		[]RadiusLimit{{3, .5, 1}, {100, 1, 1.5}}, "ASTM A1008 CS: typical values, the standard sets no minimum", practice, ""},
	{"steel-a36", "Hot-rolled structural steel A36", Steel, 7850, 250, 400, 200_000, Medium, .16,
		[]RadiusLimit{{6.4, 1, 1.5}, {100, 1.5, 2.5}}, "ASTM A36 minimum", practice, ""},
	{"steel-s235", "Structural steel S235JR", Steel, 7850, 235, 360, 210_000, Medium, .16,
		[]RadiusLimit{{6, 1, 1.5}, {100, 1.5, 2.5}}, "EN 10025-2 minimum, to 16 mm", practice, ""},
	{"steel-s355", "Structural steel S355MC", Steel, 7850, 355, 430, 210_000, Hard, .16,
		[]RadiusLimit{{3, 1, 1.5}, {6, 1.5, 2}, {100, 2, 3}}, "EN 10149-2 minimum", practice, ""},
	{"steel-hs50", "High-strength steel 50 ksi", Steel, 7850, 345, 450, 200_000, Hard, .16,
		[]RadiusLimit{{100, 2, 2.5}}, "ASTM A1011 HSLAS Gr 50 class 1 minimum", practice, ""},
	{"steel-galv", "Galvanised mild steel", Galvanized, 7850, 205, 310, 200_000, Medium, .16,
		[]RadiusLimit{{3, .5, 1}, {100, 1, 1.5}}, "ASTM A653 CS: typical values, the standard sets no minimum", practice, zincFumes},
	{"stainless-304", "Stainless 304", Stainless, 7930, 205, 515, 193_000, Hard, .20,
		[]RadiusLimit{{6.4, .5, 1}, {100, 1, 1.5}}, "ASTM A240 minimum", practice, ""},
	{"alu-5052-h32", "Aluminium 5052-H32", Aluminum, 2680, 160, 215, 70_000, Medium, .13,
		[]RadiusLimit{{3.3, 1, 1}, {100, 1.5, 1.5}}, "ASTM B209 minimum", practice, ""},
	{"alu-3003-h14", "Aluminium 3003-H14", Aluminum, 2730, 115, 140, 69_000, Soft, .13,
		[]RadiusLimit{{3.3, .5, .5}, {100, 1, 1}}, "ASTM B209 minimum", practice, ""},
	{"alu-6061-t6", "Aluminium 6061-T6", Aluminum, 2700, 240, 290, 69_000, Hard, .13,
		[]RadiusLimit{{2, 2.5, 3}, {3.3, 3, 3.5}, {100, 3.5, 4}}, "ASTM B209 minimum", practice,
		"6061-T6 cracks on tight bends: bend it annealed, or take 5052-H32."},
	{"steel-unknown", "Steel, grade not known", Steel, 7850, 170, 290, 200_000, Hard, .16,
		[]RadiusLimit{{3, 1, 1.5}, {6, 1.5, 2}, {100, 2, 3}}, "not known: counted below the weakest common sheet steel (practice)",
		"not known: bent as high-strength sheet is", notKnown},
	{"stainless-unknown", "Stainless, grade not known", Stainless, 7930, 170, 450, 193_000, Hard, .20,
		[]RadiusLimit{{100, 1, 2}}, "not known: counted as the weakest of ASTM A240 (304L) with a tenth off its strength",
		"not known: bent as half-hard sheet is", notKnown},
	{"alu-unknown", "Aluminium, grade not known", Aluminum, 2700, 35, 95, 69_000, Hard, .13,
		[]RadiusLimit{{2, 2.5, 3}, {3.3, 3, 3.5}, {100, 3.5, 4}}, "not known: counted as annealed 3003",
		"not known: bent as 6061-T6 is", notKnown},
}

// Known tells whether anybody said which grade it is.
func (m Material) Known() bool { return m.Caution != notKnown }

// GuessedShare is what counts of a thickness nobody measured (practice: a gauge and a
// half thinner than it looks).
const GuessedShare = .85

// MaterialByKey finds a material.
func MaterialByKey(key string) (Material, error) {
	for _, m := range Materials {
		if m.Key == key {
			return m, nil
		}
	}
	if strings.HasPrefix(key, own) {
		return ownMaterial(key)
	}
	return Material{}, fmt.Errorf("material %q is not in the table", key)
}

// SmallestRadius answers the smallest inside radius in mm for a thickness in
// mm: across is with the bend line across the rolling direction.
func (m Material) SmallestRadius(thickness float64) (across, along float64) {
	for _, r := range m.Radius {
		if thickness <= r.UpTo {
			return r.Across * thickness, r.Along * thickness
		}
	}
	last := m.Radius[len(m.Radius)-1]
	return last.Across * thickness, last.Along * thickness
}
