package starters_test

import (
	"fmt"

	"warmanvil/core/sheet/plates"
	"warmanvil/core/sheet/starters"
)

// A tray from its usual numbers, one of them typed.
func Example() {
	n := 0
	id := func() string { n++; return fmt.Sprint("p", n) }
	parts, err := starters.StartPart("tray", map[string]float64{"length": 300}, plates.Plate(0, 0), id)
	if err != nil {
		panic(err)
	}
	fmt.Println(parts[0].Name, parts[0].Recipe.Base.Length, len(parts[0].Recipe.Base.Flanges))
	// Output: Tray 300 4
}
