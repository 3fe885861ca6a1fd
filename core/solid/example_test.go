package solid_test

import (
	"fmt"

	"warmanvil/core/solid"
)

// A thing turned a quarter to the left and set down 500 mm ahead.
func Example() {
	p := solid.Turned(solid.Vector{500, 0, 0}, 90, 0, 0)
	v := p.Apply(solid.Vector{100, 0, 20})
	fmt.Printf("%.0f %.0f %.0f\n", v[0], v[1], v[2])
	// Output: 500 100 20
}
