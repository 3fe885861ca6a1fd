package tube_test

import (
	"fmt"

	"warmanvil/core/tube"
)

// Two tubes of unlike depth meet under 60°: the mitre is not half of it.
func Example() {
	r, err := tube.Mitre(tube.MitreInput{DepthA: 50, DepthB: 30, Included: 60})
	if err != nil {
		panic(err)
	}
	fmt.Printf("saw at %.1f° and %.1f°, long point %.1f mm past the short one\n", r.SawA, r.SawB, r.LongMinusShortA)
	// Output: saw at 51.8° and 68.2°, long point 63.5 mm past the short one
}
