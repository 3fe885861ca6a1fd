package demo

import (
	"warmanvil/core/goods"
	"warmanvil/core/profile"
	"warmanvil/core/stock"
)

// Stocked is a line of the demo's stock and how many of it there are.
type Stocked struct {
	goods.Goods
	Here float64
}

// Stock is what lies in the demo's shop. All of it is invented.
func Stock() []Stocked {
	sheet := func(material string, thickness, long, wide float64, place string, here float64) Stocked {
		return Stocked{goods.Goods{Kind: goods.Sheet, Material: material, Thickness: thickness, Long: long, Wide: wide, Place: place},
			here}
	}
	rest := func(material string, thickness float64, label string, outline ...profile.Point) Stocked {
		g := goods.Goods{Kind: goods.Remnant, Material: material, Thickness: thickness, Label: label, Place: "behind the saw"}
		for _, p := range outline {
			g.Outline = append(g.Outline, profile.Vertex{X: p.X, Y: p.Y})
		}
		return Stocked{g, 1}
	}
	bolt := func(size, grade string, long, here, least float64) Stocked {
		return Stocked{goods.Goods{Kind: goods.Hardware, Name: "bolt", System: stock.Metric, Size: size, Long: long, Grade: grade,
			Place: "bolt drawers", Least: least}, here}
	}
	return []Stocked{
		sheet("steel-s235", 3, 2500, 1250, "rack 1", 2), sheet("steel-s235", 5, 2500, 1250, "rack 1", 1),
		sheet("steel-s235", 6, 2500, 1250, "rack 2", 1), sheet("steel-cold", 1.897, 2440, 1220, "rack 2", 2),
		sheet("steel-cold", 1.214, 2440, 1220, "rack 2", 1),
		rest("steel-s235", 3, "R 12", profile.Point{}, profile.Point{X: 1180}, profile.Point{X: 1180, Y: 420}, profile.Point{X: 640,
			Y: 420},
			profile.Point{X: 640, Y: 760}, profile.Point{Y: 760}),
		rest("steel-s235", 6, "R 14", profile.Point{}, profile.Point{X: 520}, profile.Point{X: 520, Y: 210}, profile.Point{Y: 260}),
		{goods.Goods{Kind: goods.Stick, Material: "steel-s235", Section: "50 × 50 × 4 mm tube", Long: 1480, Place: "over the bench"}, 1},
		{goods.Goods{Kind: goods.Stick, Material: "steel-s235", Section: "50 × 50 × 4 mm tube", Long: 6000, Place: "yard"}, 3},
		bolt("M8", "8.8", 25, 60, 20), bolt("M10", "8.8", 35, 34, 20), bolt("M12", "8.8", 40, 12, 16), bolt("M10", "", 40, 27, 0),
		{goods.Goods{Kind: goods.Consumable, Name: "cutting discs 125 × 1", Least: 10, Place: "cabinet"}, 18},
		{goods.Goods{Kind: goods.Consumable, Name: "MIG wire 0.8", Unit: "kg", Least: 5, Place: "cabinet"}, 11.5},
	}
}
