package hole_test

import (
	"fmt"

	"warmanvil/core/hole"
)

// A tape laid from inside edge to inside edge of two holes.
func Example() {
	r, err := hole.Centres(hole.CentresInput{Method: "inside", Value: 187, DiameterA: 13, DiameterB: 9})
	if err != nil {
		panic(err)
	}
	fmt.Printf("%.0f mm between the centres\n", r.Centres)
	// Output: 198 mm between the centres
}
