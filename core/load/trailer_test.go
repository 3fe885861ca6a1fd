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
	for what, v := range map[string][2]float64{"total": {r.Total, 840}, "axles": {r.AxleLoad, moment / 2900},
		"nose": {r.NoseLoad, 840 - moment/2900}, "centre": {r.CentreOfGravity, moment / 840},
		"percent": {r.NosePercent, 100 * (1 - moment/2900/840)}} {
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
	for _, in := range []TrailerInput{{}, {Items: []TrailerItem{{100, 5}}}, {Items: []TrailerItem{{0, 5}}, Axles: []float64{10}},
		{Items: []TrailerItem{{100, 5}}, Axles: []float64{-10}}, {Items: []TrailerItem{{math.NaN(), 5}}, Axles: []float64{10}}} {
		if _, err := Trailer(in); err == nil {
			t.Errorf("%+v is taken", in)
		}
	}
}

// With the axle where a school wants it, the nose load is what the school says.
func TestAxleForTheNose(t *testing.T) {
	in := TrailerInput{Items: []TrailerItem{{300, 2400}, {500, 2600}, {40, 0}}, Axles: []float64{2700}}
	r, err := Trailer(in)
	if err != nil || len(r.Wanted) != 2 {
		t.Fatal(r, err)
	}
	for i, want := range [][2]float64{{10, 15}, {4, 7}} {
		for k, x := range [2]float64{r.Wanted[i].From, r.Wanted[i].To} {
			in.Axles = []float64{x}
			got, err := Trailer(in)
			if err != nil {
				t.Fatal(err)
			}
			near(t, "nose", got.NosePercent, want[k], 1e-9)
		}
	}
	in.Items = []TrailerItem{{300, -50}}
	if r, err = Trailer(in); err != nil || len(r.Wanted) != 0 {
		t.Errorf("a trailer in front of its coupling: %+v %v", r.Wanted, err)
	}
}
