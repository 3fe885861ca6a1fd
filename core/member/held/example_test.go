package held_test

import (
	"fmt"

	"warmanvil/core/load"
	"warmanvil/core/member"
	"warmanvil/core/member/held"
	"warmanvil/core/member/racks"
	"warmanvil/core/member/shape"
)

// An arm of 500 held at its root carries 20 kg at its tip, at rest.
func Example() {
	d := racks.Path(racks.Box40, [3]float64{}, [3]float64{500})
	d.Schema, d.Material = member.Schema, "steel-s235"
	d.Supports = []member.Support{{Point: "p0", Kind: "fixed"}}
	d.Loads = []member.Load{{ID: "l", Name: "Box", Kind: "mass", Kilos: 20, Points: []string{"p1"}}}
	h := held.Hold(shape.Build(d, nil), d, held.Asked{Cases: []load.Case{{Name: "at rest", Net: [3]float64{0, 0, -1}}}})
	fmt.Println(h.Verdict, h.Carries, "kg")
	// Output: holds 20 kg
}
