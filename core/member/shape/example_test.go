package shape_test

import (
	"fmt"

	"warmanvil/core/member/racks"
	"warmanvil/core/member/shape"
)

// Three members from point to point, mitred by default: the middle one as it is cut.
func Example() {
	d := racks.Path(racks.Box40, [3]float64{}, [3]float64{1000}, [3]float64{1000, 500})
	for _, p := range shape.Build(d, nil).Pieces {
		fmt.Printf("%.0f long, saw %.0f° and %.0f°\n", p.Length, p.Ends[0].Saw, p.Ends[1].Saw)
	}
	// Output:
	// 1000 long, saw 0° and 0°
	// 500 long, saw 0° and 0°
}
