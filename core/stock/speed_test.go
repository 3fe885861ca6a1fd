package stock

import (
	"math"
	"testing"
)

// By hand: 25 m/min on 10 mm is 1000·25/31.416 = 795.8, said as 790; a saw of 50 turns at half of
// 159.2: 79; stainless at 10 mm 318: 310; aluminium at 5 mm 3819: 3800.
func TestDrillSpeeds(t *testing.T) {
	for _, c := range []struct {
		f    Family
		d    float64
		saw  bool
		want float64
	}{{Steel, 10, false, 790}, {Steel, 50, true, 79}, {Stainless, 10, false, 310}, {Aluminum, 5, false, 3800}, {"copper", 10, false, 790}} {
		if got := DrillingOf(c.f).RPM(c.d, c.saw); math.Abs(got-c.want) > 1e-6 {
			t.Errorf("%s, %g mm: %g, by hand %g", c.f, c.d, got, c.want)
		}
	}
	for d := 1.; d < 100; d += .7 {
		for f := range drilled {
			rim := math.Pi * d * DrillingOf(f).RPM(d, false) / 1000
			if rim > DrillingOf(f).Speed+1e-9 || rim < .9*DrillingOf(f).Speed {
				t.Fatalf("%s, %.1f mm: %.2f m/min at the rim", f, d, rim)
			}
		}
	}
}
