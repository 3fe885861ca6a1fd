package site_test

import (
	"fmt"

	"warmanvil/core/demo"
	"warmanvil/core/site"
)

// The demo's truck: what is in it, and what its brackets say.
func Example() {
	all := site.Site{Brief: demo.OrchardTruck(), Survey: demo.OrchardSurvey()}
	h := all.Hold()
	for _, d := range h.Devices {
		fmt.Println(d.Device.Name)
	}
	// Output:
	// Apple press
	// Air compressor
	// Juice tank, full
}
