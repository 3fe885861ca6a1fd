package load

import (
	"math"
	"math/rand/v2"
	"testing"
)

// The turn it answers is the first at which a finely turned drawing of both
// touches.
func TestTowAgainstDrawing(t *testing.T) {
	rnd := rand.New(rand.NewPCG(5, 6))
	for range 300 {
		in := TowInput{Overhang: 100 + 900*rnd.Float64(), VehicleWide: 1500 + 700*rnd.Float64(), Drawbar: 700 + 1300*rnd.Float64(),
			FrontWide: 1000 + 1400*rnd.Float64()}
		in.DrawbarWide = in.FrontWide * rnd.Float64()
		r, err := Tow(in)
		if err != nil {
			t.Fatal(err)
		}
		first := 180.
		for step := range 1800 {
			turn := float64(step) / 10
			if touches(in, turn*math.Pi/180) {
				first = turn
				break
			}
		}
		if math.Abs(first-r.Turn) > 1.5 {
			t.Errorf("%+v: %.1f, drawn %.1f (%s)", in, r.Turn, first, r.Touches)
		}
	}
}

// touches asks whether the vehicle's rear edge crosses the drawbar's sides or the
// trailer's front, in the trailer's axes with the ball at the origin.
func touches(in TowInput, turn float64) bool {
	s, c := math.Sincos(turn)
	at := func(forward, left float64) (x, y float64) { return forward*c - left*s, forward*s + left*c }
	const n = 400
	for i := range n + 1 {
		x, y := at(in.Overhang, in.VehicleWide*(float64(i)/n-.5))
		if x < 0 && x > -in.Drawbar && math.Abs(y) <= in.DrawbarWide/2*(-x/in.Drawbar) {
			return true
		}
		if x <= -in.Drawbar && math.Abs(y) <= in.FrontWide/2 {
			return true
		}
	}
	return false
}

func TestTowLevel(t *testing.T) {
	r, err := Tow(TowInput{Overhang: 600, VehicleWide: 1800, Drawbar: 1600, FrontWide: 1500, BallHigh: 420, CouplingSat: 465, Axle: 3000})
	if err != nil || r.Packing != -45 || math.Abs(r.NoseDown-math.Atan(45./3000)*180/math.Pi) > 1e-9 {
		t.Errorf("%+v %v", r, err)
	}
	for name, in := range map[string]TowInput{"nothing": {},
		"wide bar": {VehicleWide: 1800, Drawbar: 1000, FrontWide: 1000, DrawbarWide: 1200}, "no width": {Drawbar: 1000, FrontWide: 1500}} {
		if _, err := Tow(in); err == nil {
			t.Errorf("%s is taken", name)
		}
	}
}
