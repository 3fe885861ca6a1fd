package demo_test

import (
	"fmt"

	"warmanvil/core/demo"
	"warmanvil/core/sheet/made"
)

func Example() {
	p, err := made.Build(demo.ShelfBracket(), made.Options{})
	if err != nil {
		panic(err)
	}
	w, h := p.Bounds.Size()
	fmt.Printf("%.1f × %.1f mm, %d bends, %.2f kg\n", w, h, len(p.Steps), p.Mass)
	// Output: 71.6 × 266.6 mm, 2 bends, 0.25 kg
}
