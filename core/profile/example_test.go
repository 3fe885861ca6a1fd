package profile_test

import (
	"fmt"

	"warmanvil/core/profile"
)

// A disc of 10 mm radius is two vertices and two arcs of half a turn.
func Example() {
	disc := profile.Loop{{X: -10, Bulge: 1}, {X: 10, Bulge: 1}}
	w, h := disc.Bounds().Size()
	fmt.Printf("%.1f mm², %.0f × %.0f mm\n", disc.Area(), w, h)
	// Output: 314.2 mm², 20 × 20 mm
}
