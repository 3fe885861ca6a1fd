package fit

import (
	"errors"
	"math"
	"math/rand"
	"testing"

	"warmanvil/core/working"
)

// By hand: 48 kg on four of 60 N/mm, 30 high: 117.68 N on one, sinks 1.9613;
// f = √(4·78000/48)/2π = 12.832 Hz; at 50 Hz x = 3.8966 and 8.3 % gets through.
func TestIsolatorByHand(t *testing.T) {
	hz := 50.
	r, err := Isolator(IsolatorInput{Mass: 48, Count: 4, Stiffness: 60, Height: 30, Shakes: &hz})
	if err != nil {
		t.Fatal(err)
	}
	near := func(what string, got, want, by float64) {
		t.Helper()
		if math.Abs(got-want) > by {
			t.Errorf("%s is %.5f, want %.5f", what, got, want)
		}
	}
	near("on one", r.Carries, 117.6798, 1e-3)
	near("sinks", r.Static, 1.96133, 1e-4)
	near("frequency", r.Frequency, 12.8316, 1e-3)
	near("down", r.Lowest, 117.6798/78, 1e-4)
	near("up", r.Highest, 1.5*117.6798/78, 1e-4)
	near("squash", r.Squash, .065378, 1e-5)
	near("loaded", r.Loaded, 28.03867, 1e-4)
	x := 50 / r.Frequency
	d := 2 * .08 * x
	near("gets through", *r.Passes, math.Sqrt((1+d*d)/((1-x*x)*(1-x*x)+d*d)), 1e-12)
	near("gets through, in round numbers", *r.Passes, .083, .001)
	codes := func(in IsolatorInput) map[string]bool {
		out := map[string]bool{}
		r, err := Isolator(in)
		if err != nil {
			t.Fatal(err)
		}
		for _, f := range r.Findings {
			out[f.Code] = true
		}
		return out
	}
	slow := 15.
	if c := codes(IsolatorInput{Mass: 48, Count: 4, Stiffness: 60, Height: 30, Shakes: &slow}); !c["isolator-amplifies"] ||
		!c["isolator-lifts"] {
		t.Errorf("%v", c)
	}
	if c := codes(IsolatorInput{Mass: 48, Count: 4, Stiffness: 15, Height: 30, Down: 4}); !c["isolator-sunk"] || !c["isolator-peak"] {
		t.Errorf("%v", c)
	}
	if c := codes(IsolatorInput{Mass: 48, Count: 4, Stiffness: 12, Height: 15, Down: 4}); !c["isolator-through"] {
		t.Errorf("%v", c)
	}
	for path, in := range map[string]IsolatorInput{
		"/mass": {Count: 4, Stiffness: 60, Height: 30}, "/count": {Mass: 48, Stiffness: 60, Height: 30},
		"/stiffness": {Mass: 4800, Count: 4, Stiffness: 60, Height: 30},
		"/height":    {Mass: 48, Count: 4, Stiffness: 60}, "/down": {Mass: 48, Count: 4, Stiffness: 60, Height: 30, Down: .5},
		"/pressed": {Mass: 48, Count: 4, Stiffness: 60, Height: 30, Pressed: 31},
	} {
		_, err := Isolator(in)
		var f *working.Fault
		if !errors.As(err, &f) || f.Path != path {
			t.Errorf("want a refusal at %s, got %v", path, err)
		}
	}
}

// Twice the mass on twice as many is the same; stiffer sinks less and shakes
// faster; what gets through falls with the shaking once past resonance.
func TestIsolatorProperties(t *testing.T) {
	rnd := rand.New(rand.NewSource(2))
	for range 300 {
		hz := 40 + 60*rnd.Float64()
		in := IsolatorInput{Mass: 20 + 100*rnd.Float64(), Count: 3 + rnd.Intn(4), Stiffness: 30 + 50*rnd.Float64(), Height: 40, Shakes: &hz}
		a, err := Isolator(in)
		if err != nil {
			continue
		}
		twice := in
		twice.Mass, twice.Count = 2*in.Mass, 2*in.Count
		b, err := Isolator(twice)
		if err != nil || math.Abs(a.Static-b.Static)+math.Abs(a.Frequency-b.Frequency) > 1e-9 {
			t.Fatalf("%v: %+v %+v", err, a, b)
		}
		stiffer := in
		stiffer.Stiffness *= 1.5
		if c, err := Isolator(stiffer); err != nil || c.Static >= a.Static || c.Frequency <= a.Frequency {
			t.Fatal("a stiffer one sinks more or shakes slower")
		}
		faster := hz * 1.5
		in.Shakes = &faster
		if c, err := Isolator(in); err != nil || hz > 2*a.Frequency && *c.Passes >= *a.Passes {
			t.Fatal("more gets through at a faster shake")
		}
	}
}
