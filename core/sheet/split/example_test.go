package split_test

import (
	"fmt"

	"warmanvil/core/sheet/plates"
	"warmanvil/core/sheet/split"
)

// A plate of 400 is halved, with a strip bolted over the seam.
func Example() {
	n := 0
	id := func() string { n++; return fmt.Sprint("p", n) }
	pieces, err := split.Part(plates.Plate(400, 100), split.Parting{Axis: "x", At: 250, Joint: split.StripJoint}, id)
	if err != nil {
		panic(err)
	}
	for _, p := range pieces.Parts {
		fmt.Printf("%s %.0f × %.0f\n", p.Name, p.Recipe.Base.Length, p.Recipe.Base.Width)
	}
	// Output:
	// first piece 250 × 100
	// second piece 150 × 100
	// joint strip 80 × 100
}
