package sheet_test

import (
	"fmt"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/working"
)

// A recipe is plain data: it is edited by path, and its mirrored twin has its hole on
// the other side.
func Example() {
	r := plates.Plate(120, 80)
	r.Base.Holes = []sheet.Hole{plates.Round("h", sheet.Left, 20, sheet.Front, 30, 9)}
	longer, err := sheet.ApplyEdits(r, []working.Edit{{Path: "/base/length", Value: 150.0}})
	if err != nil {
		panic(err)
	}
	twin := longer.Mirror()
	fmt.Println(longer.Base.Length, twin.Base.Holes[0].X.Edge)
	// Output: 150 right
}
