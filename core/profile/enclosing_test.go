package profile

import (
	"math"
	"math/rand/v2"
	"testing"
)

// By hand: a square's circle is about its middle; two points'; three of an obtuse triangle are about its
// longest side. Random points: all lie in it, and it is as small as the smallest circle through two or
// three of them that holds all.
func TestEnclosingCircle(t *testing.T) {
	c, r := Enclosing([]Point{{}, {X: 6}, {X: 6, Y: 8}, {Y: 8}, {X: 3, Y: 4}})
	if math.Abs(c.X-3)+math.Abs(c.Y-4)+math.Abs(r-5) > 1e-9 {
		t.Errorf("%v %g", c, r)
	}
	if c, r = Enclosing([]Point{{X: 1}, {X: 5}, {X: 2, Y: .1}}); math.Abs(c.X-3)+math.Abs(r-2) > 1e-9 {
		t.Errorf("%v %g", c, r)
	}
	if _, r = Enclosing(nil); r != 0 {
		t.Error("a circle about nothing")
	}
	if c, r = Enclosing([]Point{{X: 1, Y: 1}, {X: 2, Y: 2}, {X: 3, Y: 3}, {X: 3, Y: 3}}); math.Abs(r-math.Sqrt2) > 1e-9 ||
		math.Abs(c.X-2) > 1e-9 {
		t.Errorf("in a line: %v %g", c, r)
	}
	rnd := rand.New(rand.NewPCG(3, 1))
	for range 60 {
		list := make([]Point, 3+rnd.IntN(12))
		for i := range list {
			list[i] = Point{rnd.NormFloat64() * 50, rnd.NormFloat64() * 20}
		}
		c, r := Enclosing(list)
		holds := func(c Point, r float64) bool {
			for _, p := range list {
				if p.Sub(c).Len() > r+1e-7 {
					return false
				}
			}
			return true
		}
		if !holds(c, r) {
			t.Fatal("a point outside")
		}
		least := math.Inf(1)
		for i, a := range list {
			for j, b := range list[:i] {
				if m, l := a.Add(b).Mul(.5), a.Sub(b).Len()/2; holds(m, l) {
					least = math.Min(least, l)
				}
				for _, d := range list[:j] {
					if m, l := about(a, b, d); holds(m, l) {
						least = math.Min(least, l)
					}
				}
			}
		}
		if math.Abs(least-r) > 1e-6 {
			t.Fatalf("%g, the least is %g", r, least)
		}
	}
}
