package survey_test

import (
	"fmt"

	"warmanvil/core/survey"
)

// A distance read three times: the middle counts, and how far it can be trusted.
func Example() {
	r := survey.Reading{Values: []float64{861, 862, 861.5}, Instrument: "tape", Trust: "measured"}
	k := r.Work(nil, false)
	fmt.Printf("%.1f mm, one sigma %.2f mm\n", k.Value, r.Sigma(nil, false))
	// Output: 861.5 mm, one sigma 1.00 mm
}
