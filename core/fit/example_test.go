package fit_test

import (
	"fmt"

	"warmanvil/core/fit"
)

// What is left for a standoff in a gap of 25 mm with a plate and a pad in it.
func Example() {
	r, err := fit.Stack(fit.StackInput{Gap: fit.Layer{Name: "gap", Thickness: 25, Plus: .5, Minus: .5},
		Layers: []fit.Layer{{Name: "plate", Thickness: 6, Plus: .2, Minus: .2}, {Name: "pad", Thickness: 4, Plus: .3, Minus: .3}}})
	if err != nil {
		panic(err)
	}
	fmt.Printf("%.1f mm, at worst from %.1f to %.1f\n", r.Nominal, r.Worst.Min, r.Worst.Max)
	// Output: 15.0 mm, at worst from 14.0 to 16.0
}
