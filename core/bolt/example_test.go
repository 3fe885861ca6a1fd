package bolt_test

import (
	"fmt"

	"warmanvil/core/bolt"
	"warmanvil/core/stock"
)

func Example() {
	r, err := bolt.Fastener(bolt.FastenerInput{System: stock.Metric, Size: "M10", Pitch: 1.5, Grade: "8.8"})
	if err != nil {
		panic(err)
	}
	fmt.Printf("proof %.1f kN, breaks at %.1f kN, hole %g mm\n", r.ProofLoad/1000, r.TensileLoad/1000, r.Clearance.Normal)
	// Output: proof 33.6 kN, breaks at 46.4 kN, hole 11 mm
}
