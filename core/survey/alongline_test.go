package survey

import (
	"math"
	"testing"

	"warmanvil/core/solid"
)

// By hand, seen from the left (along x, height z, towards +y): a line level at 500 from 0 to 1000, then up
// by 100 in 1000; an edge 20 above it at its start and 24 at x 1000, and 3 proud.
func TestEdgesAlongALine(t *testing.T) {
	l := BodyLine{Along: 0, Across: 2, Points: []solid.Vector{{0, 800, 500}, {1000, 800, 500}, {2000, 800, 600}}}
	got, ok := l.Edge(solid.Vector{200, 803, 520}, solid.Vector{1000, 805, 524}, 1)
	if !ok || math.Abs(got.Gap[0]-20)+math.Abs(got.Gap[1]-24) > 1e-9 || got.Over != 1 ||
		math.Abs(got.Step[0]-3)+math.Abs(got.Step[1]-5) > 1e-9 {
		t.Errorf("%+v", got)
	}
	// On the slope the gap is square to the line, and from the right what is proud is behind.
	got, ok = l.Edge(solid.Vector{1800, 797, 590}, solid.Vector{1200, 797, 530}, -1)
	want := 10 / math.Hypot(1, .1)
	if !ok || math.Abs(got.Gap[0]-want) > 1e-9 || math.Abs(got.Gap[1]-want) > 1e-9 || math.Abs(got.Step[1]-3) > 1e-9 {
		t.Errorf("on the slope %+v, want %g", got, want)
	}
	// Across the kink the extreme lies there; half of it runs past the line's end.
	got, ok = l.Edge(solid.Vector{0, 800, 550}, solid.Vector{4000, 800, 550}, 1)
	if !ok || math.Abs(got.Over-.5) > 1e-9 || math.Abs(got.Gap[1]-50) > 1e-9 || math.Abs(got.Gap[0]+50/math.Hypot(1, .1)) > 1e-9 {
		t.Errorf("over the kink %+v", got)
	}
	if _, ok := l.Edge(solid.Vector{3000, 0, 0}, solid.Vector{4000, 0, 0}, 1); ok {
		t.Error("an edge beside the line is told of")
	}
	if _, ok := l.Edge(solid.Vector{500, 0, 0}, solid.Vector{500, 0, 90}, 1); ok {
		t.Error("an edge across the line is told of")
	}
}
