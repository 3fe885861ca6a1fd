package load_test

import (
	"fmt"

	"warmanvil/core/load"
)

// A press of 185 kg on four feet, braked at 0.8 g.
func Example() {
	r, err := load.Feet(load.FeetInput{Mass: 185, CentreOfGravity: [3]float64{0, 0, 620},
		Feet: [][2]float64{{380, 260}, {380, -260}, {-380, 260}, {-380, -260}}, Acceleration: [3]float64{.8, 0, -1}})
	if err != nil {
		panic(err)
	}
	fmt.Printf("front foot %.0f N, rear foot %.0f N, one lifts: %t\n", r.Forces[0][2], r.Forces[2][2], r.Lifts)
	// Output: front foot -1046 N, rear foot 138 N, one lifts: true
}
