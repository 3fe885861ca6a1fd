package stock_test

import (
	"fmt"

	"warmanvil/core/stock"
)

func Example() {
	t, err := stock.ThreadNamed("M10")
	if err != nil {
		panic(err)
	}
	g, err := stock.FindGrade(t, "8.8")
	if err != nil {
		panic(err)
	}
	fmt.Printf("%s: hole %g mm, tap drill %g mm, proof load %.1f kN (%s)\n", t.Name(), t.Clearance.Normal, t.TapDrill,
		g.Proof*t.StressArea()/1000, g.Source)
	// Output: M10×1.5: hole 11 mm, tap drill 8.5 mm, proof load 33.6 kN (ISO 898-1, to M16)
}
