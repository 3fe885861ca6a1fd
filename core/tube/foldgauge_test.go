package tube

import (
	"math"
	"testing"
)

// By hand: a square corner opens to 90°, legs of 100 stand √2·100 apart; a V of 37 deep that is 1 mm off
// moves the end of a leg of 740 by 20. Against the V itself: cut 0.1 wider it closes at another angle,
// and the end goes as far as is said.
func TestFoldGauge(t *testing.T) {
	g := GaugeOf(90, 37, 740)
	if g.Opens != 90 || math.Abs(g.Across(100)-100*math.Sqrt2) > 1e-9 || math.Abs(g.Stray-20) > 1e-9 {
		t.Errorf("%+v", g)
	}
	for _, fold := range []float64{10, 30, 45} {
		v, err := VNotch(NotchInput{Depth: 40, Wall: 3, Fold: fold, Hinge: "inner"})
		if err != nil {
			t.Fatal(err)
		}
		const off, leg = .1, 500.
		closes := 2 * math.Atan((v.Width+off)/2/v.Height) * 180 / math.Pi
		strays := leg * (closes - fold) * math.Pi / 180
		g := GaugeOf(fold, v.Height, leg)
		if said := g.Stray * off; strays > said+1e-9 || strays < .8*said {
			t.Errorf("%g°: strays %.3f, said %.3f", fold, strays, said)
		}
	}
}
