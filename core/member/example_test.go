package member_test

import (
	"fmt"

	"warmanvil/core/member/shape"
	"warmanvil/core/member/starters"
	"warmanvil/core/section"
)

// A rack from a starter: its pieces, its sticks, and whether it holds.
func Example() {
	n := 0
	for _, s := range section.Table() {
		if s.Name != "40 × 40 × 3 mm tube" {
			continue
		}
		d, err := starters.Start("rack", map[string]float64{"length": 1000, "width": 700, "height": 800}, s, "steel-s235",
			func() string { n++; return fmt.Sprint("id", n) })
		if err != nil {
			panic(err)
		}
		b := shape.Build(d, nil)
		fmt.Printf("%d pieces, %.1f kg\n", len(b.Pieces), b.Mass)
	}
	// Output: 8 pieces, 23.3 kg
}
