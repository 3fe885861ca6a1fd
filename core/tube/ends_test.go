package tube

import (
	"math"
	"math/rand/v2"
	"testing"
)

func near(t *testing.T, what string, got, want, tolerance float64) {
	t.Helper()
	if math.Abs(got-want) > tolerance || math.IsNaN(got) {
		t.Errorf("%s: %.9g, want %.9g", what, got, want)
	}
}

func TestMitreByHand(t *testing.T) {
	r, err := Mitre(MitreInput{50, 50, 90})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "saw", r.SawA, 45, 1e-12)
	near(t, "long less short", r.LongMinusShortA, 50, 1e-9)
	r, _ = Mitre(MitreInput{40, 60, 90})
	near(t, "shallow one", r.CutA, math.Atan2(40, 60)*180/math.Pi, 1e-9)
	near(t, "long less short, shallow", r.LongMinusShortA, 60, 1e-9)
	near(t, "long less short, deep", r.LongMinusShortB, 40, 1e-9)
	r, _ = Mitre(MitreInput{50, 50, 180})
	near(t, "in line", r.SawA, 0, 1e-12)
	if r, _ = Mitre(MitreInput{50, 50, 40}); len(r.Findings) == 0 {
		t.Error("a saw at 70° is not told")
	}
	for _, in := range []MitreInput{{0, 50, 90}, {50, 50, 0}, {50, 50, 200}, {40, 50, 180}} {
		if _, err := Mitre(in); err == nil {
			t.Errorf("%+v is taken", in)
		}
	}
}

// The cut line of both members is one line: as long seen from either, and the
// cuts add up to the angle between them.
func TestMitresMeet(t *testing.T) {
	rnd := rand.New(rand.NewPCG(211, 212))
	for range 300 {
		in := MitreInput{20 + 80*rnd.Float64(), 20 + 80*rnd.Float64(), 20 + 150*rnd.Float64()}
		r, err := Mitre(in)
		if err != nil {
			t.Fatal(err)
		}
		near(t, "sum of cuts", r.CutA+r.CutB, in.Included, 1e-9)
		a, b := in.DepthA/math.Sin(r.CutA*math.Pi/180), in.DepthB/math.Sin(r.CutB*math.Pi/180)
		near(t, "length of the cut", a, b, 1e-6)
		near(t, "along A", math.Hypot(in.DepthA, r.LongMinusShortA), a, 1e-6)
	}
}

// Every station lies on both surfaces.
func TestSaddleLiesOnBoth(t *testing.T) {
	rnd := rand.New(rand.NewPCG(213, 214))
	for range 100 {
		main := 40 + 60*rnd.Float64()
		in := SaddleInput{BranchDiameter: main * (.3 + .5*rnd.Float64()), BranchWall: 2, MainDiameter: main,
			Angle: 25 + 65*rnd.Float64(), Stations: 36}
		in.Offset = (main - in.BranchDiameter) / 2 * (2*rnd.Float64() - 1)
		r, err := Saddle(in)
		if err != nil {
			t.Fatal(err)
		}
		s, c := math.Sincos(in.Angle * math.Pi / 180)
		for wall, depths := range map[float64][]float64{in.BranchDiameter / 2: r.Outer, in.BranchDiameter/2 - 2: r.Inner} {
			// The lowest station's true place fixes the others.
			base := math.Inf(1)
			for i := range depths {
				st, ct := math.Sincos(2 * math.Pi * float64(i) / 36)
				y := in.Offset + wall*st
				base = math.Min(base, (math.Sqrt(main*main/4-y*y)+wall*ct*c)/s)
			}
			for i, d := range depths {
				st, ct := math.Sincos(2 * math.Pi * float64(i) / 36)
				along := base + d
				y, z := in.Offset+wall*st, along*s-wall*ct*c
				near(t, "on the main", math.Hypot(y, z), main/2, 1e-6)
			}
		}
	}
	r, _ := Saddle(SaddleInput{BranchDiameter: 50, BranchWall: 3, MainDiameter: 50, Angle: 90, Stations: 4})
	for i, want := range []float64{25, 0, 25, 0} {
		near(t, "equal tubes square on", r.Outer[i], want, 1e-6)
	}
	for _, in := range []SaddleInput{{60, 3, 50, 90, 0, 36}, {50, 3, 60, 3, 0, 36}, {50, 3, 60, 90, 10, 36}, {50, 3, 60, 90, 0, 2},
		{50, 26, 60, 90, 0, 36}, {50, 3, 60, 100, 0, 36}} {
		if _, err := Saddle(in); err == nil {
			t.Errorf("%+v is taken", in)
		}
	}
}

func TestVNotch(t *testing.T) {
	r, err := VNotch(NotchInput{40, 3, 90, "outer"})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "to the outer face", r.Width, 80, 1e-9)
	r, _ = VNotch(NotchInput{40, 3, 90, "inner"})
	near(t, "to the inner face", r.Width, 74, 1e-9)
	near(t, "angle", r.NotchAngle, 90, 0)
	for _, in := range []NotchInput{{40, 3, 90, "left"}, {40, 25, 90, "inner"}, {40, 3, 180, "inner"}} {
		if _, err := VNotch(in); err == nil {
			t.Errorf("%+v is taken", in)
		}
	}
}
