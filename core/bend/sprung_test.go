package bend

import (
	"math"
	"math/rand/v2"
	"strings"
	"testing"
)

// By hand: 92° on the tool that stay 90 keep 0.97826, 93 keep 0.96774: mean 0.97300, spread
// 0.00744; 60° wants 61.665°.
func TestSpringbackByStrips(t *testing.T) {
	strip := func(radius, thickness, to float64) Coupon {
		return Coupon{InsideRadius: radius, Thickness: thickness, Angle: 90, Flat: 100, LegA: 52, LegB: 52, BentTo: to}
	}
	list := []Coupon{strip(3, 3, 92), strip(3, 3, 93), strip(3, 3, 0), strip(3, 3.3, 120), strip(6, 3, 130)}
	s, said := FromStrips(list, 3, 3)
	if !said || s.Count != 2 || math.Abs(s.Keeps-.97300) > 1e-5 || math.Abs(s.Spread-.00744) > 1e-5 {
		t.Fatalf("%v %+v", said, s)
	}
	aim, w := s.Aim(60)
	if math.Abs(aim-61.665) > 1e-3 || w.Result.Value != aim || !strings.Contains(strings.Join(w.Assumptions, " "), "good to ±0.47°") {
		t.Errorf("%.4f %+v", aim, w.Assumptions)
	}
	if _, said := FromStrips(list[2:4], 3, 3); said {
		t.Error("strips that say nothing of it do")
	}
	if _, w := (Sprung{Keeps: .98, Count: 1}).Aim(90); !strings.Contains(strings.Join(w.Assumptions, " "), "bend a second") {
		t.Errorf("one strip: %+v", w.Assumptions)
	}
	for _, to := range []float64{80, 181, -5, math.NaN()} {
		_, err := FromCoupon(strip(3, 3, to))
		refused(t, "bent to", err, "/bentTo")
	}
}

// Strips that were bent to what they aim at, of any share, give that share back.
func TestSpringbackGivesTheShareBack(t *testing.T) {
	rnd := rand.New(rand.NewPCG(4, 4))
	for range 200 {
		keeps, radius, thick := .9+rnd.Float64()*.1, 1+rnd.Float64()*9, .8+rnd.Float64()*5
		var list []Coupon
		for range 1 + rnd.IntN(5) {
			a := 20 + rnd.Float64()*120
			list = append(list, Coupon{InsideRadius: radius, Thickness: thick, Angle: a, BentTo: a / keeps})
		}
		s, said := FromStrips(list, radius, thick)
		aim, _ := s.Aim(75)
		if !said || math.Abs(aim*keeps-75) > 1e-9 || s.Spread > 1e-9 {
			t.Fatalf("%g: aim %g, %+v", keeps, aim, s)
		}
	}
}
