package frame

import (
	"errors"
	"math"
	"testing"

	"warmanvil/core/working"
)

// over is a mass e beyond the end of a cantilever along x, stiffly held to it.
func over(mass, e float64) Rider {
	return Rider{Mass: mass, Moves: [3]map[string][6]float64{
		{"b": {1}},
		{"b": {0, 1, 0, 0, 0, e}},
		{"b": {0, 0, 1, 0, -e, 0}},
	}}
}

// A mass riding beyond the end of a stick without one of its own swings as by hand:
// what it yields under a force F there is F·((L+e)³ − e³)/(3·E·I), both ways, and along
// the stick F·L/(E·A). On the end itself it is the mass of the node.
func TestRiderBeyondTheEnd(t *testing.T) {
	const long, mass = 600., 30.
	all := [6]bool{true, true, true, true, true, true}
	in := Input{Nodes: map[string][3]float64{"a": {}, "b": {long, 0, 0}}, Members: []Member{tube("a", "b")},
		Supports: map[string][6]bool{"a": all}, Modes: 3}
	m := in.Members[0]
	for _, e := range []float64{0, 150, 400} {
		in.Riders = []Rider{over(mass, e)}
		got := solved(t, in).Frequencies
		reach := (math.Pow(long+e, 3) - math.Pow(e, 3)) / 3
		hertz := func(yield float64) float64 { return math.Sqrt(1/(yield*mass*1e-3)) / (2 * math.Pi) }
		near(t, "weak way", got[0], hertz(reach/(m.E*m.Iz)), 1e-6)
		near(t, "strong way", got[1], hertz(reach/(m.E*m.Iy)), 1e-6)
		near(t, "along", got[2], hertz(long/(m.E*m.Area)), 1e-6)
		if e == 0 {
			on := in
			on.Riders, on.Masses = nil, map[string]float64{"b": mass}
			for i, f := range solved(t, on).Frequencies {
				near(t, "on the node", f, got[i], 1e-9)
			}
		}
		// Two halves of it are the whole.
		in.Riders = []Rider{over(mass/3, e), over(2*mass/3, e)}
		for i, f := range solved(t, in).Frequencies {
			near(t, "in two", f, got[i], 1e-9)
		}
	}
}

// A mass that rides on nothing there is, or is none, is refused.
func TestRiderRefused(t *testing.T) {
	in := Input{Nodes: map[string][3]float64{"a": {}, "b": {600, 0, 0}}, Members: []Member{tube("a", "b")},
		Supports: map[string][6]bool{"a": {true, true, true, true, true, true}}, Masses: map[string]float64{"b": 1}, Modes: 1}
	for name, r := range map[string]Rider{"no node": {Mass: 1, Moves: [3]map[string][6]float64{{"c": {1}}}}, "less than none": over(-1, 0),
		"too heavy": over(1e8, 0)} {
		in.Riders = []Rider{r}
		var fault *working.Fault
		if _, err := Solve(t.Context(), in); !errors.As(err, &fault) || fault.Path != "/riders" {
			t.Errorf("%s: %v", name, err)
		}
	}
}
