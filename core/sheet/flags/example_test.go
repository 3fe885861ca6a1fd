package flags_test

import (
	"fmt"

	"warmanvil/core/bend"
	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/flags"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/sheet/plates"
)

// A hole too close to a bend is told with a way out.
func Example() {
	r := plates.Plate(120, 80)
	r.Base.Flanges = []sheet.Flange{plates.Flange("lip", sheet.Front, 30, 90)}
	r.Base.Holes = []sheet.Hole{plates.Round("h", sheet.Left, 60, sheet.Front, 14, 9)}
	told := flags.Check(lay.Out(r, bend.SchoolFixed, quantity.Display{}), flags.Asked{})
	for _, f := range told.Findings {
		fmt.Println(f.Code, len(f.Fixes) > 0)
	}
	// Output:
	// radius-grain true
	// hole-near-bend true
}
