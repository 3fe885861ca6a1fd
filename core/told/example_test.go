package told_test

import (
	"fmt"

	"warmanvil/core/quantity"
	"warmanvil/core/told"
)

func Example() {
	p := told.Pen{Display: quantity.Display{Style: quantity.Fraction, Denominator: 16}}
	fmt.Println(p.MM(63.5), p.Kilos(48), p.Newtons(1000))
	// Output: 2 1/2" 105.8 lb 225 lbf
}
