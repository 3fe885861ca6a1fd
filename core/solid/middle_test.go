package solid

import "testing"

func TestMiddle(t *testing.T) {
	b := Box(Vector{10, 20, 30}, Vector{30, 60, 40}).With(Box(Vector{100, 0, 0}, Vector{120, 40, 10}))
	if d := b.Middle().Sub(Vector{65, 30, 20}).Len(); d > 1e-9 {
		t.Errorf("%v", b.Middle())
	}
	if d := b.At(Turned(Vector{5, 6, 7}, 30, 40, 50)).Middle().Sub(Turned(Vector{5, 6, 7}, 30, 40, 50).Apply(b.Middle())).Len(); d > 1e-9 {
		t.Errorf("turned it is %g off", d)
	}
	if (Body{}).Middle() != (Vector{}) {
		t.Error("nothing has a middle")
	}
}
