package quantity_test

import (
	"fmt"

	"warmanvil/core/quantity"
)

// A length as a shop says it is read, and written as the job writes it.
func Example() {
	r, err := quantity.Parse(`2' 6 3/8"`, quantity.Options{Unit: quantity.Inch})
	if err != nil {
		panic(err)
	}
	w, err := quantity.Format(r.Millimetres, quantity.Display{Style: quantity.Fraction, Denominator: 16})
	if err != nil {
		panic(err)
	}
	fmt.Printf("%.3f mm, %s\n", r.Millimetres, w.Text)
	// Output: 771.525 mm, 30 3/8"
}
