// Package hole finds holes from how they were measured: centre distances from
// edges, a third hole from two distances, whole maps from any distances between
// them; and it says whether two patterns go together and in which other ways
// they would. Lengths mm, angles degrees.
package hole

import (
	"warmanvil/core/working"
)

const maxLength = 1e5 // mm; longer is a slip of the unit

// Method is where the tape lay on two holes.
type Method string

// Inside: between the near edges. Outside: over the far edges. SameEdge: from
// an edge of the one to the same edge of the other. Centre: centre to centre.
const (
	Inside   Method = "inside"
	Outside  Method = "outside"
	SameEdge Method = "sameEdge"
	Centre   Method = "centre"
)

// CentresInput is one reading between two round holes.
type CentresInput struct {
	Method    Method  `json:"method" enum:"inside,outside,sameEdge,centre" doc:"where the tape lay; sameEdge from the left edge of A to the left edge of B, B to the right"`
	Value     float64 `json:"value" doc:"mm read"`
	DiameterA float64 `json:"diameterA" doc:"mm"`
	DiameterB float64 `json:"diameterB" doc:"mm"`
}

// CentresResult is their centre distance.
type CentresResult struct {
	Centres float64         `json:"centres" doc:"mm"`
	Working working.Working `json:"working"`
}

// Centres answers the centre distance of two holes from a reading between
// their edges. It fails with *working.Fault.
func Centres(in CentresInput) (CentresResult, error) {
	err := working.First(
		working.Above("/value", "The reading", in.Value, 0, maxLength, "mm"),
		working.Within("/diameterA", "The diameter", in.DiameterA, 0, maxLength, "mm"),
		working.Within("/diameterB", "The diameter", in.DiameterB, 0, maxLength, "mm"))
	if err != nil {
		return CentresResult{}, err
	}
	a, b := in.DiameterA/2, in.DiameterB/2
	c, formula := in.Value, "c = value"
	switch in.Method {
	case Inside:
		c, formula = in.Value+a+b, "c = value + dA/2 + dB/2"
	case Outside:
		c, formula = in.Value-a-b, "c = value − dA/2 − dB/2"
	case SameEdge:
		c, formula = in.Value+b-a, "c = value + (dB − dA)/2"
	case Centre:
	default:
		return CentresResult{}, working.Refuse("/method", "The tape lies inside, outside, sameEdge or centre, not %q.", string(in.Method))
	}
	if c <= 0 {
		return CentresResult{}, working.Refuse("/value",
			"%.4g mm read this way puts the centres %.4g mm apart: the holes would be one hole or swap sides. Look again where the tape lay and "+
				"which hole is which.", in.Value, c)
	}
	return CentresResult{c, working.Working{Method: "Centre distance from edges", Source: "geometry of two circles", Formula: formula,
		Inputs: []working.Quantity{{Symbol: "value", Name: "reading, " + string(in.Method), Value: in.Value, Unit: "mm"},
			{Symbol: "dA", Name: "diameter of A", Value: in.DiameterA, Unit: "mm"},
			{Symbol: "dB", Name: "diameter of B", Value: in.DiameterB, Unit: "mm"}},
		Assumptions: []string{"both holes round, the tape along the line of their centres"},
		Result:      working.Quantity{Symbol: "c", Name: "centre distance", Value: c, Unit: "mm"}}}, nil
}
