package starters_test

import (
	"fmt"

	"warmanvil/core/member/racks"
	"warmanvil/core/member/starters"
	"warmanvil/core/section"
)

// A rack from three numbers.
func Example() {
	n := 0
	id := func() string { n++; return fmt.Sprint("m", n) }
	d, err := starters.Start("rack", map[string]float64{"length": 1000, "width": 700, "height": 800},
		section.Stock{Name: "40 × 60 × 3 mm tube", Sizes: racks.Box40}, "steel-s235", id)
	if err != nil {
		panic(err)
	}
	fmt.Println(len(d.Points) > 7, len(d.Members) > 7)
	// Output: true true
}
