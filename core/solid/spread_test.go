package solid

import (
	"math"
	"testing"
)

// A box spreads as by hand, wherever it stands and however it is turned: V·a²/12 each way.
func TestSpreadOfABox(t *testing.T) {
	box := Box(Vector{10, 20, 30}, Vector{110, 80, 70})
	v, m, s := box.Spread()
	want := [3]float64{100, 60, 40}
	if math.Abs(v-240000) > 1e-6 || m.Sub(Vector{60, 50, 50}).Len() > 1e-9 {
		t.Fatalf("%g mm³ about %v", v, m)
	}
	for k, a := range want {
		if math.Abs(s[k][k]-v*a*a/12) > 1e-3 || math.Abs(s[k][(k+1)%3]) > 1e-3 {
			t.Errorf("%v", s)
		}
	}
	pose := Turned(Vector{-300, 5, 77}, 30, 40, 50)
	_, n, q := box.At(pose).Spread()
	trace := q[0][0] + q[1][1] + q[2][2]
	if math.Abs(trace-(s[0][0]+s[1][1]+s[2][2])) > 1e-3 || n.Sub(pose.Apply(m)).Len() > 1e-9 {
		t.Errorf("turned %g about %v", trace, n)
	}
	if v, _, _ := (Body{}).Spread(); v != 0 {
		t.Error("nothing holds something")
	}
}
