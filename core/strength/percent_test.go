package strength

import (
	"math"
	"testing"
)

func TestPercent(t *testing.T) {
	for u, want := range map[float64]string{0: "0.0", .0123: "1.2", .0994: "9.9", .0996: "10", .5: "50",
		.8449: "84", .8491: "84.9", .84999: "84.9",
		.85: "85", .9996: "100", 1: "100", 1.0000001: "100.1", 1.004: "100.4", 1.006: "101", 3.2: "320", 99.5: "> 9900", math.Inf(1): "> 9900"} {
		if got := Percent(u); got != want {
			t.Errorf("%g is written %s, want %s", u, got, want)
		}
	}
	if got := Percent(math.NaN()); got != "?" {
		t.Errorf("no share is written %s", got)
	}
}
