package hold_test

import (
	"fmt"

	"warmanvil/core/demo"
	"warmanvil/core/hold"
	"warmanvil/core/sheet/made"
	"warmanvil/core/strength"
)

// A bracket asked with nothing said of its load: no verdict is made of silence.
func Example() {
	r := demo.ShelfBracket()
	p, err := made.Build(r, made.Options{})
	if err != nil {
		panic(err)
	}
	got := hold.Check(p, r, hold.Mount{}, nil, strength.Rule{School: strength.Allowable})
	fmt.Println(got.Verdict)
	// Output: cannot say
}
