// Package load turns masses and the way they are driven into forces: road
// cases, the share of each foot, axle loads.
//
// Vehicle axes: x forward, y left, z up (ISO 8855); mm, kg, N.
package load

import (
	"fmt"

	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// G is the acceleration of free fall in m/s².
const G = 9.80665

// Use is how the vehicle is driven.
type Use string

// The uses.
const (
	Smooth  Use = "smooth"
	Rough   Use = "rough"
	OffRoad Use = "off-road"
)

// Road is the net load in g, gravity included, that a use asks for. Down and Up
// are along z, Along along x, Side along y.
type Road struct {
	Down  float64 `json:"down" doc:"g, pressing down, gravity included"`
	Up    float64 `json:"up" doc:"g, net lift"`
	Along float64 `json:"along" doc:"g, forward and rearward"`
	Side  float64 `json:"side" doc:"g, to either side"`
}

// Roads are shop defaults: practice and not a standard, to be changed where
// more is known.
var Roads = map[Use]Road{
	Smooth:  {2, .5, .8, .5},
	Rough:   {3, 1, 1, .7},
	OffRoad: {4, 2, 1.5, 1},
}

// RoadSource says where Roads come from.
const RoadSource = "shop practice, not a standard: net load in g including gravity"

// Check refuses a road that is not one.
func (r Road) Check(path string) error {
	return working.First(
		working.Within(path+"/down", "The load down", r.Down, 1, 50, "g"),
		working.Within(path+"/up", "The load up", r.Up, 0, 50, "g"),
		working.Within(path+"/along", "The load along", r.Along, 0, 50, "g"),
		working.Within(path+"/side", "The load sideways", r.Side, 0, 50, "g"))
}

// Case is one combination of accelerations: Net in g on the mass, gravity
// included, as the force direction (down is negative z); Permanent is
// gravity's own part of it.
type Case struct {
	Name string     `json:"name"`
	Net  [3]float64 `json:"net" doc:"force on the mass in g, vehicle axes"`
}

// Cases answers rest, and each vertical case with each horizontal one in both
// signs; with the emergency stop of 1 g forward when the road asks for less.
func (r Road) Cases() []Case {
	out := []Case{{"at rest", [3]float64{0, 0, -1}}}
	for _, v := range []struct {
		name string
		z    float64
	}{{"down", -r.Down}, {"up", r.Up}} {
		for _, h := range []struct {
			name string
			x, y float64
		}{{"pushed forward", r.Along, 0}, {"pushed rearward", -r.Along, 0}, {"pushed left", 0, r.Side}, {"pushed right", 0, -r.Side}} {
			out = append(out, Case{fmt.Sprintf("%g g %s, %g g %s", abs(v.z), v.name, abs(h.x+h.y), h.name), [3]float64{h.x, h.y, v.z}})
		}
	}
	if r.Along < 1 {
		out = append(out, Case{"emergency stop, 1 g down, 1 g pushed forward", [3]float64{1, 0, -1}})
	}
	return out
}

func abs(v float64) float64 {
	if v < 0 {
		return -v
	}
	return v
}

// Factored answers the case as the school counts it. Allowable and g-case take
// it as it is. Factored takes 1.2 times gravity and 1.6 times the rest, and
// 0.9 times gravity where that works against the rest; at rest 1.4 times
// gravity.
func (c Case) Factored(s strength.School) Case {
	if s != strength.Factored {
		return c
	}
	rest := c.Net
	rest[2]++ // what is left without gravity
	permanent := 1.2
	switch {
	case rest == [3]float64{}:
		permanent = 1.4
	case rest[2] > 0:
		permanent = .9
	}
	return Case{c.Name, [3]float64{1.6 * rest[0], 1.6 * rest[1], 1.6*rest[2] - permanent}}
}
