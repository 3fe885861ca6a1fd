package nest_test

import (
	"context"
	"fmt"

	"warmanvil/core/nest"
)

// Five pieces out of sticks of 6 m, 3 mm a cut.
func Example() {
	r, err := nest.Sticks(context.Background(), nest.SticksInput{Stock: 6000, Kerf: 3,
		Pieces: []nest.Piece{{Length: 2400, Quantity: 3}, {Length: 1100, Quantity: 2}}})
	if err != nil {
		panic(err)
	}
	fmt.Println(r.Sticks, "sticks, the fewest:", r.Proven)
	// Output: 2 sticks, the fewest: true
}
