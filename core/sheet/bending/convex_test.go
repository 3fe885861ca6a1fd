package bending

import (
	"math"
	"math/rand"
	"testing"

	"warmanvil/core/profile"
	"warmanvil/core/solid"
)

func box(lo, hi vec) *convex {
	return prism(still, []profile.Point{{X: lo.x, Y: lo.y}, {X: hi.x, Y: lo.y}, {X: hi.x, Y: hi.y}, {X: lo.x, Y: hi.y}}, lo.z, hi.z)
}

// By hand: unit cubes 3 apart along x; one turned by 45° whose edge comes (√2 − 1)/2 nearer.
func TestApart(t *testing.T) {
	a := box(vec{0, 0, 0}, vec{1, 1, 1})
	d, _ := apart(a, box(vec{4, 0, 0}, vec{5, 1, 1}), 100)
	near(t, "boxes", d, 3, 1e-12)
	s := math.Sqrt(.5)
	turn := pose{vec{4.5, .5, .5}, vec{s, s, 0}, vec{-s, s, 0}, vec{0, 0, 1}}
	var turned convex
	box(vec{-.5, -.5, -.5}, vec{.5, .5, .5}).moved(&turn, &turned)
	d, _ = apart(a, &turned, 100)
	near(t, "turned", d, 3.5-math.Sqrt(2)/2, 1e-12)
	d, _ = apart(a, box(vec{.9, 0, 0}, vec{2, 1, 1}), 100)
	near(t, "into", d, -.1, 1e-12)
}

// Never said apart where meshes meet, never said to meet where meshes are apart; the distance
// said is at most the true one.
func TestApartAgainstMeshes(t *testing.T) {
	rnd := rand.New(rand.NewSource(3))
	meet := 0
	for range 1500 {
		random := func() *convex {
			ring := profile.Hull([]profile.Point{{X: rnd.Float64() * 4, Y: rnd.Float64() * 4}, {X: rnd.Float64() * 4,
				Y: rnd.Float64() * 4},
				{X: rnd.Float64() * 4, Y: rnd.Float64() * 4}, {X: rnd.Float64() * 4, Y: rnd.Float64() * 4}})
			p := solid.Turned(solid.Vector{rnd.Float64() * 2, rnd.Float64() * 2, rnd.Float64() * 2}, rnd.Float64()*360,
				rnd.Float64()*360, rnd.Float64()*360)
			at := pose{of(p.Origin), of(p.X), of(p.Y), of(p.Z)}
			return prism(at, ring, 0, .2+rnd.Float64())
		}
		a, b := random(), random()
		d, _ := apart(a, b, 1e9)
		g := solid.Between(solid.NewTree(mesh(a)), solid.NewTree(mesh(b)))
		switch {
		case d > 1e-9 && g.Distance == 0, d < -1e-6 && g.Distance > 0, d > g.Distance+1e-9:
			t.Fatalf("axes say %.6f, meshes %.6f", d, g.Distance)
		case d < 0:
			meet++
		}
	}
	if meet < 50 {
		t.Errorf("only %d pairs met", meet)
	}
}

func TestConvexParts(t *testing.T) {
	for name, outline := range map[string][]profile.Point{"die": VDie(24, 30, 60, 80), "gooseneck": Gooseneck(85, 22, 120, 30),
		"punch": Straight(85, 13, 120), "finger": Finger(6, 90, 45)} {
		sum := 0.
		parts := convexParts(outline)
		for _, p := range parts {
			if !isConvex(p) {
				t.Errorf("%s: a part is not convex", name)
			}
			sum += math.Abs(area(p))
		}
		near(t, name, sum, math.Abs(area(outline)), 1e-6)
		if len(parts) > 6 {
			t.Errorf("%s: %d parts", name, len(parts))
		}
	}
}

// By hand: of 25, 50, 100, 100 the nearest to 190 from below is 175, of three pieces.
func TestCombine(t *testing.T) {
	got := combine([]float64{25, 50, 100, 100}, 190)
	if got.Long != 175 || len(got.Pieces) != 3 {
		t.Errorf("%+v", got)
	}
	if got := combine([]float64{100, 50, 50}, 100); got.Long != 100 || len(got.Pieces) != 1 {
		t.Errorf("one piece is less work than two: %+v", got)
	}
	if got := combine([]float64{100}, 90); got.Long != 0 {
		t.Errorf("%+v", got)
	}
}

// By hand: of 25, 50, 100, 100 the least that covers 190 is 200, of two.
func TestCover(t *testing.T) {
	if got := cover([]float64{25, 50, 100, 100}, 190); got.Long != 200 || len(got.Pieces) != 2 {
		t.Errorf("%+v", got)
	}
	if got := cover([]float64{25, 50}, 190); got.Long != 75 {
		t.Errorf("all there is: %+v", got)
	}
}
