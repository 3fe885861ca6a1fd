package flags_test

import (
	"math"
	"testing"

	"warmanvil/core/sheet/flags"
)

// The beam's bow against its deflection integrated in small steps: M(x) by statics, twice.
func TestBowOfABeam(t *testing.T) {
	const length, full, bow = 3000., 1e6, .3
	stiff := 5 * full * length * length * length / (384 * bow)
	for _, x := range [][2]float64{{3000, 1e6}, {2000, 6e5}, {900, 8e5}, {100, 3e5}} {
		a, f := x[0], x[1]
		const n = 200_000
		h := a / 2 / n
		slope, y := 0., 0.
		for i := range n { // from the middle outwards
			at := (float64(i) + .5) * h
			m := f/2*(length/2-at) - f/a*(a/2-at)*(a/2-at)/2
			slope += m / stiff * h
			y += slope * h
		}
		if got := flags.Bow(a, f, length, full, bow); math.Abs(got-y) > 1e-4*y {
			t.Errorf("%g mm under %g N: %.6f, integrated %.6f", a, f, got, y)
		}
	}
	if got := flags.Bow(length, full, length, full, bow); math.Abs(got-bow) > 1e-12 {
		t.Errorf("at full force over all of it %g", got)
	}
	for _, x := range [][5]float64{{0, 1, 1, 1, 1}, {1, 0, 1, 1, 1}, {1, 1, 0, 1, 1}, {1, 1, 1, 0, 1}, {1, 1, 1, 1, 0}} {
		if got := flags.Bow(x[0], x[1], x[2], x[3], x[4]); got != 0 {
			t.Errorf("%v: %g", x, got)
		}
	}
}

// By how much a shallower punch stays behind, against the geometry of the die itself.
func TestBehindByDepth(t *testing.T) {
	for _, x := range [][3]float64{{24, 90, .1}, {16, 60, .05}, {50, 120, .2}} {
		v, angle, d := x[0], x[1], x[2]
		depth := v / 2 * math.Tan(angle*math.Pi/360)
		less := 2 * math.Atan((depth-d)/(v/2)) * 180 / math.Pi
		if got := flags.Behind(d, v, angle); math.Abs(got-(angle-less)) > .03*(angle-less) {
			t.Errorf("V %g at %g°: %.3f°, by geometry %.3f°", v, angle, got, angle-less)
		}
	}
}
