package job

import (
	"warmanvil/core/bend"
	"warmanvil/core/shell"
	"warmanvil/core/shell/facet"
	"warmanvil/core/shell/starters"
)

// demoBody starts a body of a sheet.
func (s *Service) demoBody(name, starter, material string, thickness float64, values map[string]float64) (FacetsState, error) {
	f, err := starters.Start(starter, values, false, shell.Facets{Schema: shell.Schema, Material: material, Thickness: thickness,
		Process: "laser",
		Tool:    bend.Tool{Kind: bend.ToolVDie}, Bend: bend.Rule{School: bend.SchoolTable, Method: bend.MethodAir}, Side: facet.Outside,
		InsideRadius: thickness}, s.NewID)
	return FacetsState{name, 1, f}, err
}

// windfallHopper feeds the orchard truck's press.
func (s *Service) windfallHopper() (FacetsState, error) {
	return s.demoBody("Windfall hopper", "hopper", "stainless-304", 1.5, map[string]float64{"long": 700, "wide": 520, "outlet": 180,
		"narrow": 160,
		"high":   380})
}

// rearGuard covers the sound lorry's cables at its tail, in inches.
func (s *Service) rearGuard() (FacetsState, error) {
	const in = 25.4
	return s.demoBody("Rear guard", "guard", "steel-a36", .125*in, map[string]float64{"wide": 62 * in, "high": 7.5 * in,
		"rake": 4 * in, "back": 3 * in,
		"return": 11 * in, "in": 1.5 * in})
}
