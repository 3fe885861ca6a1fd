package load

import (
	"fmt"

	"warmanvil/core/working"
)

// Weight is a mass at a distance behind the front support: the front axle of a
// vehicle, the coupling of a trailer.
type Weight struct {
	Name   string  `json:"name,omitempty"`
	Mass   float64 `json:"mass" doc:"kg"`
	Behind float64 `json:"behind" doc:"mm behind the front axle or the coupling; negative before it"`
}

// AxleInput is a vehicle or trailer on two supports Span apart; several axles
// close together count as one at their middle.
type AxleInput struct {
	Span    float64  `json:"span" doc:"mm, wheelbase, or coupling to axle"`
	Weights []Weight `json:"weights"`
}

// AxleResult is what the two supports carry.
type AxleResult struct {
	Total   float64         `json:"total" doc:"kg"`
	Front   float64         `json:"front" doc:"kg on the front axle or the coupling"`
	Rear    float64         `json:"rear" doc:"kg on the rear axle or the trailer's"`
	Centre  float64         `json:"centre" doc:"mm of the centre of gravity behind the front support"`
	Working working.Working `json:"working"`
}

// Axles shares masses between two supports. It fails with *working.Fault.
func Axles(in AxleInput) (AxleResult, error) {
	if err := working.Above("/span", "The distance between the supports", in.Span, 0, maxSpot, "mm"); err != nil {
		return AxleResult{}, err
	}
	r := AxleResult{}
	moment := 0.0
	for i, w := range in.Weights {
		err := working.First(
			working.Within(fmt.Sprintf("/weights/%d/mass", i), "A mass", w.Mass, 0, maxMass, "kg"),
			working.Within(fmt.Sprintf("/weights/%d/behind", i), "A place", w.Behind, -maxSpot, maxSpot, "mm"))
		if err != nil {
			return AxleResult{}, err
		}
		r.Total += w.Mass
		moment += w.Mass * w.Behind
		r.Working.Inputs = append(r.Working.Inputs, working.Quantity{Symbol: "m", Name: w.Name, Value: w.Mass, Unit: "kg"},
			working.Quantity{Symbol: "x", Name: w.Name + ", behind", Value: w.Behind, Unit: "mm"})
	}
	if r.Total > 0 {
		r.Centre = moment / r.Total
	}
	r.Rear = moment / in.Span
	r.Front = r.Total - r.Rear
	r.Working.Method, r.Working.Source, r.Working.Formula = "Axle loads", "statics of a beam on two supports",
		"rear = Σ m·x / span; front = Σ m − rear"
	r.Working.Steps = []working.Quantity{{Symbol: "Σm", Name: "all masses", Value: r.Total, Unit: "kg"},
		{Symbol: "x̄", Name: "centre of gravity behind the front support", Value: r.Centre, Unit: "mm"},
		{Symbol: "front", Name: "front", Value: r.Front, Unit: "kg"}}
	r.Working.Assumptions = []string{"level ground; axles close together count as one at their middle"}
	r.Working.Result = working.Quantity{Symbol: "rear", Name: "rear", Value: r.Rear, Unit: "kg"}
	return r, nil
}
