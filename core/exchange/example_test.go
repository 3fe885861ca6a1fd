package exchange_test

import (
	"fmt"

	"warmanvil/core/demo"
	"warmanvil/core/exchange"
	"warmanvil/core/sheet"
)

// What is written is read back and held against the part before anybody gets it.
func Example() {
	p, err := sheet.Build(demo.ShelfBracket(), sheet.Options{})
	if err != nil {
		panic(err)
	}
	flat := exchange.Flat{Part: p, Mark: "Shelf bracket r1"}
	fmt.Println(exchange.ReadBack(flat, "part.dxf", exchange.DXF(flat)))
	// Output: <nil>
}
