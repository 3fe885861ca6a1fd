package develop

import (
	"errors"
	"math"
	"testing"

	"warmanvil/core/working"
)

// By hand: a quarter of R 200 that may lie 0.5 mm off takes bends of up to 2·acos(1 − 0.5/200) = 8.1°, so
// twelve of 7.5°, 200·π/24 = 26.18 mm apart, and lies 200·(1 − cos 3.75°) = 0.428 mm off.
func TestBumpsByHand(t *testing.T) {
	r, err := Bumps(BumpInput{Radius: 200, Sweep: 90, Depth: .5})
	if err != nil || r.Bends != 12 {
		t.Fatalf("%v %+v", err, r)
	}
	near(t, "angle", r.Angle, 7.5, 1e-12)
	near(t, "apart", r.Flat, 200*math.Pi/24, 1e-9)
	near(t, "all of them", 2*r.First+11*r.Flat, 100*math.Pi, 1e-9)
	near(t, "depth", r.Depth, 200*(1-math.Cos(3.75*math.Pi/180)), 1e-9)
	exact, err := Bumps(BumpInput{Radius: 100, Sweep: 180, Depth: 100 * (1 - math.Cos(math.Pi/12))})
	if err != nil || exact.Bends != 6 { // just allowed is allowed
		t.Errorf("%v %+v", err, exact)
	}
	for at, in := range map[string]BumpInput{"/radius": {Sweep: 90, Depth: 1}, "/sweep": {Radius: 100, Sweep: 400, Depth: 1},
		"/depth": {Radius: 1000, Sweep: 360, Depth: 1e-7}} {
		var f *working.Fault
		if _, err := Bumps(in); !errors.As(err, &f) || f.Path != at {
			t.Errorf("%s: %v", at, err)
		}
	}
}

// By hand: a square elbow of 100 on R 150 with two whole segments turns 15° in each half: the throat of a
// whole one is 2·tan 15°·100, its back 2·tan 15°·200; all pieces have the area of the centre lines.
// Laid out, the area is that of the outlines, and edges that are welded are as long on both pieces.
func TestElbowByHand(t *testing.T) {
	in := ElbowInput{Diameter: 100, Radius: 150, Angle: 90, Middle: 2, Straight: 40, Stations: 720}
	r, err := Elbow(in)
	if err != nil {
		t.Fatal(err)
	}
	tan := math.Tan(15 * math.Pi / 180)
	near(t, "cut", r.Cut, 15, 1e-12)
	near(t, "throat", r.Throat, 2*tan*100, 1e-9)
	near(t, "back", r.Back, 2*tan*200, 1e-9)
	near(t, "area", r.Area, 2*shoelace(r.End)+2*shoelace(r.Whole), 1e-6*r.Area)
	rim := func(l [][2]float64, from, to int) (s float64) {
		for i := from; i < to; i++ {
			s += math.Hypot(l[i+1][0]-l[i][0], l[i+1][1]-l[i][1])
		}
		return s
	}
	near(t, "both sides of a joint", rim(r.End, 721, 1441), rim(r.Whole, 721, 1441), 1e-9)
	near(t, "a joint", 3*rim(r.End, 721, 1441), r.Weld, 1e-3)
	// The cylinder cut by the joint's plane says the same of an end piece.
	cut, err := Cone(ConeInput{Bottom: 100, Top: 100, Height: 300, Cut: &ConeCut{Angle: 15, Height: 40 + tan*150}})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "an end piece", shoelace(r.End), cut.Area, 1e-5*cut.Area)
	near(t, "its shortest", 40+tan*100, cut.Shortest, 1e-6)
	none, err := Elbow(ElbowInput{Diameter: 100, Radius: 80, Angle: 45})
	if err != nil || len(none.Whole) != 0 {
		t.Errorf("%v %d", err, len(none.Whole))
	}
	for at, bad := range map[string]ElbowInput{"/radius": {Diameter: 100, Radius: 50, Angle: 90}, "/angle": {Diameter: 100, Radius: 90},
		"/middle": {Diameter: 100, Radius: 90, Angle: 90, Middle: -1}, "/stations": {Diameter: 100, Radius: 90, Angle: 90, Stations: 1}} {
		var f *working.Fault
		if _, err := Elbow(bad); !errors.As(err, &f) || f.Path != at {
			t.Errorf("%s: %v", at, err)
		}
	}
}

func BenchmarkTransition360(b *testing.B) {
	in := TransitionInput{Bottom: rectangle(300, 300), Top: circle(160, 356), Height: 220}
	for b.Loop() {
		if r, err := Transition(in); err != nil || len(r.Lines) < 350 {
			b.Fatal(err)
		}
	}
}

func BenchmarkCone(b *testing.B) {
	for b.Loop() {
		if _, err := Cone(ConeInput{Bottom: 300, Top: 200, Height: 120, Stations: 360}); err != nil {
			b.Fatal(err)
		}
	}
}
