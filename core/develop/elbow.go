package develop

import (
	"fmt"
	"math"

	"warmanvil/core/working"
)

// ElbowInput is a round elbow of straight segments: two half ones at its ends and whole ones between.
type ElbowInput struct {
	Diameter float64 `json:"diameter" doc:"mm, on the neutral surface"`
	Radius   float64 `json:"radius" doc:"mm, of the bend's centre line"`
	Angle    float64 `json:"angle" doc:"degrees the elbow turns"`
	Middle   int     `json:"middle" doc:"whole segments between the two half ones"`
	Straight float64 `json:"straight,omitempty" doc:"mm of straight pipe on each end"`
	Stations int     `json:"stations,omitempty" doc:"generators the outlines are drawn by; 72 when left out"`
}

// ElbowResult is an elbow's pieces unrolled. Seams lie at the throat of one and at the back of the
// next, so that no two meet.
type ElbowResult struct {
	End     [][2]float64    `json:"end" doc:"mm, outline of an end piece, seam at the throat, its square end at the bottom"`
	Whole   [][2]float64    `json:"whole" doc:"mm, outline of a whole segment, seam at the back; empty without one"`
	Cut     float64         `json:"cut" doc:"degrees each joint leans from square"`
	Throat  float64         `json:"throat" doc:"mm, shortest generator of a whole segment"`
	Back    float64         `json:"back" doc:"mm, longest generator of a whole segment"`
	Area    float64         `json:"area" doc:"mm², of all pieces"`
	Weld    float64         `json:"weld" doc:"mm, round all joints"`
	Working working.Working `json:"working"`
}

// Elbow unrolls a segmented elbow: every joint lies in the plane that halves the turn between two
// segments, an ellipse whose generators are y = t·(R − r·cos φ) from the middle. It fails with
// *working.Fault.
func Elbow(in ElbowInput) (ElbowResult, error) {
	n := in.Stations
	if n == 0 {
		n = 72
	}
	err := working.First(working.Above("/diameter", "The diameter", in.Diameter, 0, greatest, "mm"),
		working.Above("/radius", "The radius of its centre line", in.Radius, 0, greatest, "mm"),
		working.Above("/angle", "What it turns", in.Angle, 0, 180, "°"), working.Within("/straight", "The straight", in.Straight, 0,
			greatest, "mm"))
	switch {
	case err != nil:
		return ElbowResult{}, err
	case in.Middle < 0 || in.Middle > 60:
		return ElbowResult{}, working.Refuse("/middle", "An elbow has up to 60 whole segments, not %d.", in.Middle)
	case n < fewestStations || n > mostStations:
		return ElbowResult{}, working.Refuse("/stations", "It is drawn by %d to %d generators, not %d.", fewestStations, mostStations, n)
	case in.Radius <= in.Diameter/2:
		return ElbowResult{}, working.Refuse("/radius",
			"The bend's centre line runs within the pipe: take more than half the diameter, %g mm.",
			in.Diameter/2)
	}
	half := in.Angle * math.Pi / 180 / float64(2*(in.Middle+1)) // what a half segment turns
	r, lean := in.Diameter/2, math.Tan(half)
	// rise answers how far the joint lies from a segment's middle at an angle from its throat.
	rise := func(phi float64) float64 { return lean * (in.Radius - r*math.Cos(phi)) }
	out := ElbowResult{Cut: half * 180 / math.Pi, Throat: 2 * rise(0), Back: 2 * rise(math.Pi), Whole: [][2]float64{}}
	around := math.Pi * in.Diameter
	piece := func(from float64, low, high func(phi float64) float64) (l [][2]float64) {
		for k := range n + 1 {
			phi := from + 2*math.Pi*float64(k)/float64(n)
			l = append(l, [2]float64{around * float64(k) / float64(n), low(phi)})
		}
		for k := n; k >= 0; k-- {
			phi := from + 2*math.Pi*float64(k)/float64(n)
			l = append(l, [2]float64{around * float64(k) / float64(n), high(phi)})
		}
		return l
	}
	out.End = piece(0, func(float64) float64 { return -in.Straight }, rise)
	if in.Middle > 0 {
		out.Whole = piece(math.Pi, func(phi float64) float64 { return -rise(phi) }, rise)
	}
	// The mean generator is that on the middle: a cosine's mean is none.
	mean := lean * in.Radius
	out.Area = around * (2*(mean+in.Straight) + 2*mean*float64(in.Middle))
	out.Weld = ellipse(r, r/math.Cos(half)) * float64(in.Middle+1)
	out.Working = working.Working{Method: "Elbow of segments", Source: "descriptive geometry: joints in the planes that halve the turn",
		Formula: "half segment turns angle/(2·(n + 1)); generator from its middle = tan(half)·(R − D/2·cos φ)",
		Inputs: []working.Quantity{working.MM("D", "diameter", in.Diameter), working.MM("R", "radius of the centre line", in.Radius),
			{Symbol: "angle", Name: "turns", Value: in.Angle, Unit: "°"}, {Symbol: "n", Name: "whole segments",
				Value: float64(in.Middle)}},
		Steps: []working.Quantity{working.MM("throat", "whole segment at the throat", out.Throat), working.MM("back",
			"at the back", out.Back)},
		Assumptions: []string{"on the neutral surface: add what the school of K says for the plate's thickness",
			fmt.Sprintf("%d joints", in.Middle+1)},
		Result: working.Quantity{Symbol: "A", Name: "area of all pieces", Value: out.Area, Unit: "mm²"}}
	return out, nil
}

// ellipse is the length round one, by Ramanujan's second rule: better than a part in a million for
// what joints lean.
func ellipse(a, b float64) float64 {
	h := (a - b) * (a - b) / ((a + b) * (a + b))
	return math.Pi * (a + b) * (1 + 3*h/(10+math.Sqrt(4-3*h)))
}
