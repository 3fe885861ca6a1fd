package brief_test

import (
	"errors"
	"fmt"

	"warmanvil/core/brief"
	"warmanvil/core/working"
)

// A brief of an older form is brought to that of today and checked; a refusal has a place.
func Example() {
	b := brief.Brief{Name: "Shelf", Unit: brief.UnitFraction, Grain: 25.4 / 16, Quantity: 1}.Upgraded()
	fmt.Println(b.Check(), b.Criticality, b.Strength.School)
	b.Unit = "cubits"
	var f *working.Fault
	if errors.As(b.Check(), &f) {
		fmt.Println(f.Path, f.Message)
	}
	// Output:
	// <nil> load allowable
	// /unit Lengths are written as mm, fraction or decimal, not "cubits".
}
