package section_test

import (
	"fmt"

	"warmanvil/core/section"
)

func Example() {
	p, err := section.Work(section.Sizes{Kind: "rectTube", Width: 40, Height: 40, Wall: 3})
	if err != nil {
		panic(err)
	}
	fmt.Printf("%.0f mm², I %.0f mm⁴, %.2f kg/m\n", p.Area, p.Ix, p.MassPerMetre)
	// Output: 444 mm², I 101972 mm⁴, 3.49 kg/m
}
