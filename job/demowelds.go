package job

import (
	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/sheet"
	"warmanvil/core/solid"
	"warmanvil/core/weld"
)

// saddleWelds is the tank's saddle on the outrigger's top: both ends of its foot and stitches along it. The strap
// takes what tips the tank.
func saddleWelds(saddle sheet.Recipe) []brief.Welded {
	foot := saddle.Base.Flanges[0].ID
	seam := func(id, name string, edge sheet.Edge) brief.SeamPlan {
		return brief.SeamPlan{Seam: weld.Seam{ID: id, Name: name, Form: weld.LapForm, Leg: 3}, Panel: foot, Edge: edge}
	}
	long := seam("saddle-long", "Along its foot", sheet.Front)
	long.Stitch, long.Pitch = 40, 120
	return []brief.Welded{{ID: "saddle", Name: "Tank saddle on the outrigger", Filler: "e70",
		Sides: [2]brief.SeamBody{{Side: brief.Side{Kind: brief.PartSide, Of: "Tank saddle"}},
			{Name: "outrigger's top, 50 × 50 × 4", Material: "steel-s235", Thickness: 4}},
		Seams: []brief.SeamPlan{seam("saddle-left", "Left end of its foot", sheet.Left), seam("saddle-right", "Right end of its "+
			"foot", sheet.Right), long},
		Cases: []brief.SeamLoad{{Name: "braking, half of the tank at its foot", Force: [3]float64{0, 0, 1100}, At: [3]float64{211.68, -6, 25}},
			{Name: "in a bend, half of the tank at its foot", Force: [3]float64{700, 0, 0}, At: [3]float64{211.68, -6, 25}}}}}
}

// shelfWelds is a stiffener under the lorry's shelf, by spots: it touches nothing of the vehicle.
func shelfWelds() []brief.Welded {
	const in = 25.4
	spots := brief.SeamPlan{Seam: weld.Seam{ID: "shelf-spots", Name: "Spots along the stiffener", Form: weld.SpotForm, Across: 3. / 16 * in}}
	for k := range 6 {
		spots.Path = append(spots.Path, solid.Vector{(1.5 + 2.6*float64(k)) * in, 4.5 * in, 0})
	}
	return []brief.Welded{{ID: "stiffener", Name: "Stiffener under the shelf",
		Sides: [2]brief.SeamBody{{Side: brief.Side{Kind: brief.PartSide, Of: "Amplifier shelf"}},
			{Name: "angle of the shelf's own sheet, 18 gauge", Material: "steel-cold", Thickness: demo.AmplifierShelf().Thickness}},
		Seams: []brief.SeamPlan{spots},
		Cases: []brief.SeamLoad{{Name: "bent under the amplifier", Force: [3]float64{900, 0, 0}, At: [3]float64{8 * in, 4.5 * in, 0}}}}}
}
