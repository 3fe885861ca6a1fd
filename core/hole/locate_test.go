package hole

import (
	"math"
	"testing"
)

func TestCentres(t *testing.T) {
	for _, c := range []struct {
		method      Method
		value, a, b float64
		want        float64
		refused     bool
	}{
		{Inside, 90, 10, 10, 100, false},
		{Outside, 115, 10, 20, 100, false},
		{SameEdge, 95, 10, 20, 100, false},
		{SameEdge, 105, 20, 10, 100, false},
		{Centre, 100, 3, 4, 100, false},
		{Inside, 2, 30, 40, 37, false},
		{Outside, 10, 10, 20, 0, true},
		{SameEdge, 5, 30, 10, 0, true},
		{Inside, 0, 10, 10, 0, true},
		{"beside", 10, 10, 10, 0, true},
	} {
		r, err := Centres(CentresInput{c.method, c.value, c.a, c.b})
		if (err != nil) != c.refused {
			t.Errorf("%s %v: %v", c.method, c.value, err)
		}
		if err == nil {
			near(t, string(c.method), r.Centres, c.want, 1e-12)
		}
	}
}

func TestLocate(t *testing.T) {
	r, err := Locate(LocateInput{AB: 500, AC: 300, BC: 400})
	if err != nil || len(r.Solutions) != 2 || r.Degenerate {
		t.Fatal(err, r)
	}
	near(t, "x", r.Solutions[0][0], 180, 1e-9)
	near(t, "y", r.Solutions[0][1], 240, 1e-9)
	near(t, "the other side", r.Solutions[1][1], -240, 1e-9)
	if r.Moves < 1 || r.Moves > 2 {
		t.Errorf("a good triangle moves by %.2f mm a millimetre", r.Moves)
	}
	flat, err := Locate(LocateInput{AB: 500, AC: 200, BC: 300})
	if err != nil || !flat.Degenerate || len(flat.Solutions) != 1 {
		t.Fatal(err, flat)
	}
	near(t, "on the line", flat.Solutions[0][0], 200, 1e-9)
	// A millimetre more on one of them: 15.5 mm beside the line, by hand
	// x = (250000 + 201² − 300²)/1000, y = √(201² − x²).
	x := (250000 + 201*201 - 300*300) / 1000.
	near(t, "moved", flat.Moves, math.Hypot(x-200, math.Sqrt(201*201-x*x)), 5)
	if len(flat.Findings) != 1 {
		t.Errorf("%+v", flat.Findings)
	}
	for _, in := range []LocateInput{{500, 100, 100}, {100, 500, 100}, {100, 100, 500}, {0, 1, 1}, {1, math.NaN(), 1}, {1, -1, 1}} {
		if _, err := Locate(in); err == nil {
			t.Errorf("%+v is taken", in)
		}
	}
}

// The tape's usual slips are told from the amount alone.
func TestNameSlip(t *testing.T) {
	k := Known{Diameters: []float64{11, 9}, Hook: 1.2, Plates: []float64{6}}
	for _, c := range []struct {
		off, within float64
		first       float64
	}{{25.3, .5, 25.4}, {-5.5, .1, 5.5}, {6.1, .2, 6}, {-1.2, .1, 1.2}, {10.05, .1, 10}, {-100.4, 1, 100}, {304.9, .5, 304.8}} {
		got := NameSlip(c.off, c.within, k)
		if len(got) == 0 || math.Abs(got[0].Amount-c.first) > 1e-9 {
			t.Errorf("%.2f: %+v, want %.1f first", c.off, got, c.first)
		}
	}
	if got := NameSlip(17.3, .5, k); got != nil {
		t.Errorf("17.3 is explained by %+v", got)
	}
}
