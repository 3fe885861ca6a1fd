package lay_test

import (
	"fmt"

	"warmanvil/core/bend"
	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/sheet/plates"
)

// A lip of 30 on a plate of 120 × 80: both panels end at the tangent lines of the bend.
func Example() {
	r := plates.Plate(120, 80)
	r.Base.Flanges = []sheet.Flange{plates.Flange("lip", sheet.Front, 30, 90)}
	l := lay.Out(r, bend.SchoolFixed, quantity.Display{})
	for _, p := range l.Panels {
		w, h := p.Size()
		fmt.Printf("%s %.0f × %.0f\n", p.Name, w, h)
	}
	// Output:
	// Base 120 × 74
	// Front flange 120 × 24
}
