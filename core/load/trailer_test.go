package load

import (
	"math"
	"testing"
)

func TestTrailer(t *testing.T) {
	r, err := Trailer(TrailerInput{Items: []TrailerItem{{300, 2400}, {500, 2600}, {40, 400}}, Axles: []float64{2500, 3300}})
	if err != nil {
		t.Fatal(err)
	}
	moment := 300*2400. + 500*2600 + 40*400
	for what, v := range map[string][2]float64{"total": {r.Total, 840}, "axles": {r.AxleLoad, moment / 2900}, "nose": {r.NoseLoad, 840 - moment/2900}, "centre": {r.CentreOfGravity, moment / 840}, "percent": {r.NosePercent, 100 * (1 - moment/2900/840)}} {
		if math.Abs(v[0]-v[1]) > 1e-9*math.Max(1, math.Abs(v[1])) {
			t.Errorf("%s: %.6f, want %.6f", what, v[0], v[1])
		}
	}
	for nose, want := range map[float64]string{-200: "lifts", 10: "light-nose", 60: "schools", 300: "heavy-nose"} {
		// 1000 kg over one axle at 2500, the nose as given.
		r, err := Trailer(TrailerInput{Items: []TrailerItem{{1000, 2500 * (1 - nose/1000)}}, Axles: []float64{2500}})
		if err != nil || len(r.Findings) != 1 || r.Findings[0].Code != want || math.Abs(r.NoseLoad-nose) > 1e-9 {
			t.Errorf("%.0f kg on the nose: %v %+v", nose, err, r.Findings)
		}
	}
	for _, in := range []TrailerInput{{}, {Items: []TrailerItem{{100, 5}}}, {Items: []TrailerItem{{0, 5}}, Axles: []float64{10}}, {Items: []TrailerItem{{100, 5}}, Axles: []float64{-10}}, {Items: []TrailerItem{{math.NaN(), 5}}, Axles: []float64{10}}} {
		if _, err := Trailer(in); err == nil {
			t.Errorf("%+v is taken", in)
		}
	}
}
