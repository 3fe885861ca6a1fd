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

// By hand: a wheel of 700 that does nothing has a band of 350 and the gap about its middle; rising by 80
// the upper halves of both heights lie in a circle about 32.1 up, R² = 350² + c² = (350 + 80 − c)²;
// steered by 30°, 235 wide, its farthest place is 369.2 off, more than its radius.
func TestArchByHand(t *testing.T) {
	r, err := Arch(ArchInput{Tyre: 700, Width: 235, Gap: 25})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "at rest", r.Radius, 375, .01)
	near(t, "about", math.Hypot(r.Centre[0], r.Centre[1]), 0, .05)
	near(t, "half round", r.Sweep, 180, .05)
	near(t, "band", r.Length, 375*math.Pi, .2)
	near(t, "wide", r.Width, 285, 1e-9)
	up, err := Arch(ArchInput{Tyre: 700, Width: 235, Up: 80, Gap: 25})
	if err != nil {
		t.Fatal(err)
	}
	c := (430.*430 - 350*350) / (2 * 430)
	near(t, "its middle", up.Centre[1], c, .2)
	near(t, "rising", up.Radius, 430-c+25, .2)
	near(t, "about the wheel", up.Concentric, 430+25, .05)
	near(t, "over it at rest", up.AtRest, 80+25, .3)
	turned, err := Arch(ArchInput{Tyre: 700, Width: 235, Lock: 30, Gap: 0, Above: 0})
	if err != nil {
		t.Fatal(err)
	}
	// Its farthest place lies at cos φ = a·s/(r² − a²), a = r·cos δ, s = w/2·sin δ: 369.2.
	a, s := 350*math.Cos(math.Pi/6), 117.5*.5
	at := a * s / (350*350 - a*a)
	near(t, "steered", turned.Concentric, math.Sqrt((a*at+s)*(a*at+s)+350*350*(1-at*at)), .1)
	near(t, "across", turned.Width, 235*math.Cos(math.Pi/6)+700*.5, 1e-9)
	// Whatever it does, nothing of it is nearer to the band than the gap, and more of anything asks no less.
	in := ArchInput{Tyre: 640, Width: 200, Growth: 8, Up: 70, Down: 60, Lock: 34, Articulation: 6, Gap: 30}
	all, err := Arch(in)
	if err != nil {
		t.Fatal(err)
	}
	for _, p := range in.silhouette() {
		if d := all.Radius - math.Hypot(p.X-all.Centre[0], p.Y-all.Centre[1]); d < 30-1e-6 {
			t.Fatalf("only %.3f off", d)
		}
	}
	for _, more := range []func(*ArchInput){func(x *ArchInput) { x.Up += 20 }, func(x *ArchInput) { x.Growth += 5 },
		func(x *ArchInput) { x.Gap += 5 },
		func(x *ArchInput) { x.Articulation += 4 }} {
		x := in
		more(&x)
		if y, err := Arch(x); err != nil || y.Radius < all.Radius {
			t.Errorf("%v, %g under %g", err, y.Radius, all.Radius)
		}
	}
	for at, bad := range map[string]ArchInput{"/tyre": {Width: 200}, "/width": {Tyre: 600}, "/lock": {Tyre: 600, Width: 200, Lock: 80},
		"/above": {Tyre: 600, Width: 200, Above: 400}} {
		var f *working.Fault
		if _, err := Arch(bad); !errors.As(err, &f) || f.Path != at {
			t.Errorf("%s: %v", at, err)
		}
	}
}
