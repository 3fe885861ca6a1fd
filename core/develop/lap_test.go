package develop

import (
	"errors"
	"math"
	"testing"

	"warmanvil/core/working"
)

// wide answers how far an outline reaches along x.
func wide(list [][2]float64) float64 {
	lo, hi := math.Inf(1), math.Inf(-1)
	for _, p := range list {
		lo, hi = math.Min(lo, p[0]), math.Max(hi, p[0])
	}
	return hi - lo
}

// A lap is as wide as asked, lies where the surface began, and is bent as that is.
func TestLaps(t *testing.T) {
	pipe, err := Cone(ConeInput{Bottom: 100, Top: 100, Height: 60, Lap: 20})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "a pipe round", wide(pipe.Outline), 100*math.Pi+20, 1e-3)
	near(t, "its plate", pipe.Area, 60*(100*math.Pi+20), .1)
	near(t, "its seam", pipe.Lapped[0][0], 100*math.Pi, 1e-3)
	plain, _ := Cone(ConeInput{Bottom: 100, Top: 100, Height: 60})
	if plain.Lapped != nil || pipe.Lengths != plain.Lengths {
		t.Errorf("a lap changes the round itself: %v, %v", pipe.Lengths, plain.Lengths)
	}
	box := &OutlineForm{Long: 80, Wide: 50}
	for _, x := range []struct {
		name  string
		in    TransitionInput
		lines int
		last  float64 // mm, place of the last line
	}{
		{"in the middle of a side", TransitionInput{Below: box, Above: box, Height: 40, Lap: 15}, 4, 220},
		{"past the first corner", TransitionInput{Below: box, Above: box, Height: 40, Lap: 50}, 5, 300},
		{"at a corner", TransitionInput{Bottom: rectangle(80, 50), Top: rectangle(80, 50), Height: 40, Lap: 15}, 4, 260},
	} {
		r, err := Transition(x.in)
		if err != nil {
			t.Fatal(x.name, err)
		}
		near(t, x.name, wide(r.Outline), 260+x.in.Lap, 1e-6)
		near(t, x.name+", its plate", r.Area, 40*(260+x.in.Lap), 1e-6)
		last := r.Lines[len(r.Lines)-1]
		if len(r.Lines) != x.lines || math.Abs(last.From[0]-x.last) > 1e-6 || math.Abs(last.Angle-90) > 1e-6 {
			t.Errorf("%s: %d lines, the last at %g by %g°", x.name, len(r.Lines), last.From[0], last.Angle)
		}
	}
}

// A taper's lap lies edge on edge: laid back by the turn of the flat it is the beginning. Towards a
// point it runs out there; wider than what is beside the seam it is refused.
func TestLapsOfTapers(t *testing.T) {
	in := ConeInput{Bottom: 300, Top: 200, Height: 120, Lap: 25}
	lapped, err := Cone(in)
	if err != nil {
		t.Fatal(err)
	}
	in.Lap = 0
	butted, _ := Cone(in)
	// The edge at the lap's end is as long as the generator is between the two arcs, 25 beside the seam.
	radius := func(d float64) float64 { return d / 100 * *butted.Slant }
	off := func(d float64) float64 { return math.Sqrt(radius(d)*radius(d) - 25*25) }
	n := len(lapped.Outline)
	longest := 0.
	for i, p := range lapped.Outline {
		q := lapped.Outline[(i+1)%n]
		longest = math.Max(longest, math.Hypot(p[0]-q[0], p[1]-q[1]))
	}
	near(t, "the lap's edge", longest, off(300)-off(200), 1e-3)
	point, err := Cone(ConeInput{Bottom: 100, Height: 120, Lap: 12})
	if err != nil {
		t.Fatal(err)
	}
	slant := math.Hypot(50, 120)
	near(t, "a lap to a point", point.Area-math.Pi*50*slant, 12*slant/2, 12*12)
	square, err := Transition(TransitionInput{Below: &OutlineForm{Long: 300, Wide: 300}, Above: &OutlineForm{Round: 160}, Height: 220,
		Lap: 20})
	if err != nil || len(square.Findings) > 0 {
		t.Errorf("square to round: %v %v", err, square.Findings)
	}
	var f *working.Fault
	if _, err := Cone(ConeInput{Bottom: 100, Top: 100, Height: 60, Lap: 400}); !errors.As(err, &f) || f.Path != "/lap" {
		t.Errorf("wider than the pipe: %v", err)
	}
	if _, err := Cone(ConeInput{Bottom: 100, Top: 100, Height: 60, Lap: -1}); !errors.As(err, &f) || f.Path != "/lap" {
		t.Errorf("less than none: %v", err)
	}
}
