package develop

import (
	"math"
	"math/rand/v2"
	"slices"
	"testing"
)

// hull is a random convex outline: places on an ellipse.
func hullOf(r *rand.Rand) (out [][2]float64) {
	n := 3 + r.IntN(20)
	angles := make([]float64, n)
	for i := range angles {
		angles[i] = (float64(i) + .8*r.Float64()) * 2 * math.Pi / float64(n)
	}
	slices.Sort(angles)
	x, y := 50+400*r.Float64(), 50+400*r.Float64()
	for _, a := range angles {
		out = append(out, [2]float64{x * math.Cos(a), y * math.Sin(a)})
	}
	return out
}

// star is a random outline with hollows.
func star(r *rand.Rand) (out [][2]float64) {
	n := 5 + r.IntN(12)
	for i := range n {
		a, d := 2*math.Pi*float64(i)/float64(n), 60+300*r.Float64()
		out = append(out, [2]float64{d * math.Cos(a), d * math.Sin(a)})
	}
	return out
}

// Random transitions: the flat's edges are as long as the body's, its area is the body's, wherever the
// seam is and whichever way round the outlines were typed; a hull never turns outwards, and is no
// larger than any other skin of triangles between the same outlines.
func TestTransitionsKeepTheirLengths(t *testing.T) {
	r := rand.New(rand.NewPCG(19, 1))
	lapped := 0
	for i := range 400 {
		make := hullOf
		if i%3 == 0 {
			make = star
		}
		at := [2]float64{-100 + 200*r.Float64(), -100 + 200*r.Float64()}
		in := TransitionInput{Bottom: make(r), Top: make(r), Height: 40 + 400*r.Float64(), Offset: &at}
		in.Seam = r.IntN(len(in.Bottom))
		got, err := Transition(in)
		if err != nil {
			t.Fatal(err)
		}
		around := func(l [][2]float64) (s float64) {
			for i, p := range l {
				q := l[(i+1)%len(l)]
				s += math.Hypot(p[0]-q[0], p[1]-q[1])
			}
			return s
		}
		near(t, "bottom edge", got.Lengths[0], around(in.Bottom), 1e-6)
		near(t, "top edge", got.Lengths[1], around(in.Top), 1e-6)
		near(t, "flat", shoelace(got.Outline), got.Area, 1e-6*got.Area)
		edges := 0.
		for i, p := range got.Outline {
			q := got.Outline[(i+1)%len(got.Outline)]
			edges += math.Hypot(p[0]-q[0], p[1]-q[1])
		}
		seam := math.Hypot(got.Outline[0][0]-got.Outline[len(got.Outline)-1][0], got.Outline[0][1]-got.Outline[len(got.Outline)-1][1])
		near(t, "the flat's rim", edges, got.Lengths[0]+got.Lengths[1]+2*seam, 1e-6*edges)
		back := in
		back.Bottom, back.Top = slices.Clone(in.Bottom), slices.Clone(in.Top)
		slices.Reverse(back.Bottom)
		slices.Reverse(back.Top)
		back.Seam = len(in.Bottom) - 1 - in.Seam
		same, err := Transition(back)
		if err != nil {
			t.Fatal(err)
		}
		near(t, "typed the other way round", same.Area, got.Area, 1e-9*got.Area)
		if len(got.Findings) > 0 && got.Findings[0].Code == "flat-overlap" {
			lapped++
		}
		if !got.Exact {
			continue
		}
		for _, l := range got.Lines {
			if l.Angle < -1e-6 {
				t.Fatalf("a hull turns outwards by %g at a line", l.Angle)
			}
		}
		elsewhere := in
		elsewhere.Seam = (in.Seam + 1) % len(in.Bottom)
		moved, err := Transition(elsewhere)
		if err != nil {
			t.Fatal(err)
		}
		near(t, "seam elsewhere", moved.Area, got.Area, 1e-9*got.Area)
	}
	t.Logf("%d flats lie over themselves", lapped)
}
