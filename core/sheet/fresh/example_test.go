package fresh_test

import (
	"fmt"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/fresh"
	"warmanvil/core/sheet/made"
	"warmanvil/core/sheet/plates"
)

// A flange hung on the back edge of a plate, as a shop starts it.
func Example() {
	p, err := made.Build(plates.Plate(300, 200), plates.Metric)
	if err != nil {
		panic(err)
	}
	f, err := fresh.Make(p, fresh.Ask{Thing: "up", ID: "f1", Panel: "base", Edge: sheet.Back,
		Usual: sheet.Usual{Thickness: 3, Grain: 0.5}})
	if err != nil {
		panic(err)
	}
	fmt.Println(f.List, f.Flange.Length, f.Flange.Angle, f.Flange.InsideRadius)
	// Output: /base/flanges 40 90 4.5
}
