package made_test

import (
	"fmt"

	"warmanvil/core/bend"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
)

// A plate with one flange and a hole: its recipe, and the flat pattern that follows.
func Example() {
	r := sheet.Recipe{Schema: sheet.SchemaVersion, Material: "steel-s235", Thickness: 3, Process: "laser",
		Tool: bend.Tool{Kind: bend.ToolVDie}, Bend: bend.Rule{School: bend.SchoolTable, Method: bend.MethodAir},
		Base: sheet.Base{ID: "base", Length: 120, Width: 80, Measure: sheet.Outside,
			Flanges: []sheet.Flange{{ID: "lip", Edge: sheet.Front, Length: 30, Angle: 90, InsideRadius: 3}},
			Holes: []sheet.Hole{{ID: "h", Kind: sheet.RoundHole, Diameter: 9, X: sheet.Offset{Edge: sheet.Left, Distance: 20},
				Y: sheet.Offset{Edge: sheet.Back, Distance: 20}}}}}
	p, err := made.Build(r, made.Options{})
	if err != nil {
		panic(err)
	}
	w, h := p.Bounds.Size()
	fmt.Printf("flat %.1f × %.1f mm, %.2f kg, %d hole\n", w, h, p.Mass, len(p.Holes))
	// Output: flat 120.0 × 104.5 mm, 0.29 kg, 1 hole
}
