package vehicle_test

import (
	"fmt"

	"warmanvil/core/quantity"
	"warmanvil/core/survey"
	"warmanvil/core/told"
	"warmanvil/core/vehicle"
)

// Points of a survey, worked out as they are asked for.
func Example() {
	at := func(v float64) survey.Reading {
		return survey.Reading{Values: []float64{v}, Instrument: "tape", Trust: "measured"}
	}
	s := vehicle.Survey{Points: []vehicle.SurveyPoint{{ID: "p", Name: "Rail end", Kind: "point", Way: "offsets", X: at(-1900),
		Y: at(430), Z: at(-80)}}}.Upgraded()
	if err := s.Check(); err != nil {
		panic(err)
	}
	p := vehicle.NewLocator(s, told.Pen{Display: quantity.Display{Style: quantity.Metric}}).At("p")
	fmt.Println(p.Name, *p.At)
	// Output: Rail end [-1900 430 -80]
}
