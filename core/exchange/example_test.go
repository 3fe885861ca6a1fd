package exchange_test

import (
	"fmt"

	"warmanvil/core/demo"
	"warmanvil/core/exchange"
	"warmanvil/core/sheet/made"
)

// What is written is read back and held against the part before anybody gets it.
func Example() {
	p, err := made.Build(demo.ShelfBracket(), made.Options{})
	if err != nil {
		panic(err)
	}
	flat := exchange.Flat{Part: p, Mark: "Shelf bracket r1"}
	fmt.Println(exchange.ReadBack(flat, "part.dxf", exchange.DXF(flat)))
	// Output: <nil>
}
