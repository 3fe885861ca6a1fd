package develop

import (
	"math"

	"warmanvil/core/working"
)

// BumpInput is a round bent by a brake that cannot roll it: in small bends, one beside the other.
type BumpInput struct {
	Radius float64 `json:"radius" doc:"mm, of the round on the neutral surface"`
	Sweep  float64 `json:"sweep" doc:"degrees it runs round"`
	Depth  float64 `json:"depth" doc:"mm the flats between the bends may lie inside the round"`
}

// BumpResult is how it is bumped.
type BumpResult struct {
	Bends   int             `json:"bends"`
	Angle   float64         `json:"angle" doc:"degrees of each bend"`
	Flat    float64         `json:"flat" doc:"mm from bend to bend on the flat"`
	First   float64         `json:"first" doc:"mm from the edge to the first bend, and from the last to the other edge"`
	Depth   float64         `json:"depth" doc:"mm the flats lie inside the round then"`
	Working working.Working `json:"working"`
}

const mostBumps = 2000

// Bumps answers the fewest equal bends that stay so near to a round: n of them turn its sweep, half a
// bend's share lies before the first and after the last. It fails with *working.Fault.
func Bumps(in BumpInput) (BumpResult, error) {
	err := working.First(working.Above("/radius", "The radius", in.Radius, 0, greatest, "mm"),
		working.Above("/sweep", "How far it runs round", in.Sweep, 0, 360, "°"), working.Above("/depth", "The depth", in.Depth, 0,
			in.Radius, "mm"))
	if err != nil {
		return BumpResult{}, err
	}
	sweep := in.Sweep * math.Pi / 180
	most := 2 * math.Acos(1-in.Depth/in.Radius) // of one bend: its flats' middles lie so deep
	n := int(math.Ceil(sweep/most - 1e-9))
	if n > mostBumps {
		return BumpResult{}, working.Refuse("/depth",
			"So shallow it takes %d bends; up to %d are laid out. Allow more depth, or roll it.", n, mostBumps)
	}
	each := sweep / float64(n)
	arc := in.Radius * each // of the flat: the neutral line keeps its length
	r := BumpResult{Bends: n, Angle: each * 180 / math.Pi, Flat: arc, First: arc / 2, Depth: in.Radius * (1 - math.Cos(each/2))}
	r.Working = working.Working{Method: "A round bent in bumps", Source: "plane geometry: chords of a circle",
		Formula: "n = sweep / (2·acos(1 − depth/R)), rounded up; bends R·sweep/n apart on the flat",
		Inputs: []working.Quantity{working.MM("R", "radius of the neutral surface", in.Radius),
			{Symbol: "sweep", Name: "runs round", Value: in.Sweep, Unit: "°"}, working.MM("depth", "allowed", in.Depth)},
		Steps:       []working.Quantity{{Symbol: "n", Name: "bends", Value: float64(n)}, working.MM("depth'", "then", r.Depth)},
		Assumptions: []string{"each bend is as sharp as the brake makes it: springback is taken off each"},
		Result:      working.Quantity{Symbol: "a", Name: "each bend", Value: r.Angle, Unit: "°"}}
	return r, nil
}
