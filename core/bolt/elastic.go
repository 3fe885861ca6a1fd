// Package bolt works out bolt groups and single bolts: shares of a load in and
// out of the plane, strength by grade and school, plies, prying, tightening.
//
// Group axes: x to the right, y up, z out of the plate towards the head; a
// moment is anticlockwise positive. Lengths mm, forces N, stresses MPa.
package bolt

import (
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// limits of a request: beyond them it is a slip of the pen.
const (
	maxPlace = 1e5 // mm
	maxForce = 1e9 // N
	maxBolts = 500
)

// ElasticInput is a load on a bolt group in its own plane.
type ElasticInput struct {
	Bolts [][2]float64 `json:"bolts" doc:"centres, mm"`
	Force [2]float64   `json:"force" doc:"N"`
	At    [2]float64   `json:"at" doc:"a point on the load's line, mm"`
}

// ElasticResult is each bolt's share of the load.
type ElasticResult struct {
	Centroid [2]float64      `json:"centroid" doc:"mm"`
	Polar    float64         `json:"polar" doc:"Σ r², mm²"`
	Moment   float64         `json:"moment" doc:"about the centroid, anticlockwise, N·mm"`
	Vectors  [][2]float64    `json:"vectors" doc:"each bolt's share, N"`
	Forces   []float64       `json:"forces" doc:"their sizes, N"`
	Max      float64         `json:"max" doc:"largest of them, N"`
	Working  working.Working `json:"working"`
}

func points(list [][2]float64) []profile.Point {
	out := make([]profile.Point, len(list))
	for i, p := range list {
		out[i] = profile.Point{X: p[0], Y: p[1]}
	}
	return out
}

func checkBolts(list [][2]float64) error {
	if len(list) == 0 {
		return working.Refuse("/bolts", "There is no bolt: give the centre of each.")
	}
	if len(list) > maxBolts {
		return working.Refuse("/bolts", "%d bolts are more than the %d this takes.", len(list), maxBolts)
	}
	for i, p := range list {
		for j, v := range p {
			if err := working.Within(place("/bolts", i, j), "A bolt's place", v, -maxPlace, maxPlace, "mm"); err != nil {
				return err
			}
		}
	}
	return nil
}

// Centroid answers the middle of the bolts and Σ r² about it.
func Centroid(bolts []profile.Point) (c profile.Point, polar float64) {
	for _, b := range bolts {
		c = c.Add(b)
	}
	c = c.Mul(1 / float64(len(bolts)))
	for _, b := range bolts {
		d := b.Sub(c)
		polar += d.Dot(d)
	}
	return c, polar
}

// Shares answers each bolt's share of a force and a moment about the centroid
// by the elastic vector method: F/n + M·r/Σr². polar must not be 0 with a
// moment.
func Shares(bolts []profile.Point, c profile.Point, polar float64, force profile.Point, moment float64) []profile.Point {
	out := make([]profile.Point, len(bolts))
	n := float64(len(bolts))
	for i, b := range bolts {
		out[i] = force.Mul(1 / n)
		if moment != 0 {
			d := b.Sub(c)
			out[i] = out[i].Add(profile.Point{X: -d.Y, Y: d.X}.Mul(moment / polar))
		}
	}
	return out
}

// Elastic shares a load among bolts by the elastic vector method. It fails
// with *working.Fault.
func Elastic(in ElasticInput) (ElasticResult, error) {
	if err := checkBolts(in.Bolts); err != nil {
		return ElasticResult{}, err
	}
	for i := range 2 {
		err := working.First(
			working.Within(place("/force", i), "The force", in.Force[i], -maxForce, maxForce, "N"),
			working.Within(place("/at", i), "The load's place", in.At[i], -maxPlace, maxPlace, "mm"))
		if err != nil {
			return ElasticResult{}, err
		}
	}
	bolts, force := points(in.Bolts), profile.Point{X: in.Force[0], Y: in.Force[1]}
	c, polar := Centroid(bolts)
	moment := profile.Point{X: in.At[0], Y: in.At[1]}.Sub(c).Cross(force)
	reach := maxReach(bolts, c)
	if polar <= 1e-12*(1+c.Dot(c)) {
		polar = 0
		if math.Abs(moment) > 1e-9*force.Len()*(1+reach) {
			return ElasticResult{}, working.Refuse("/bolts", "All bolts are on one spot, which holds no moment: the load passes %.3g mm beside it.",
				math.Abs(moment)/force.Len())
		}
		moment = 0
	}
	r := ElasticResult{Centroid: [2]float64{c.X, c.Y}, Polar: polar, Moment: moment}
	for _, v := range Shares(bolts, c, polar, force, moment) {
		r.Vectors = append(r.Vectors, [2]float64{v.X, v.Y})
		r.Forces = append(r.Forces, v.Len())
		r.Max = max(r.Max, v.Len())
	}
	r.Working = working.Working{Method: "Elastic vector method",
		Source: "textbook method for bolt groups loaded in their plane, AISC Manual part 7", Formula: "share = F/n + M·r/Σr²",
		Inputs: []working.Quantity{{Symbol: "n", Name: "bolts", Value: float64(len(bolts))},
			{Symbol: "F", Name: "force", Value: force.Len(), Unit: "N"}},
		Steps: []working.Quantity{{Symbol: "Σr²", Name: "polar sum about the centroid", Value: polar, Unit: "mm²"},
			{Symbol: "M", Name: "moment about the centroid", Value: moment, Unit: "N·mm"}},
		Result:      working.Quantity{Symbol: "max", Name: "largest share", Value: r.Max, Unit: "N"},
		Assumptions: []string{"equal bolts, rigid plate, no friction"}}
	return r, nil
}

func maxReach(bolts []profile.Point, c profile.Point) (reach float64) {
	for _, b := range bolts {
		reach = max(reach, b.Sub(c).Len())
	}
	return reach
}
