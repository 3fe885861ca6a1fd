package site

import (
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/survey"
	"warmanvil/core/vehicle"
)

// Where nobody said how good the tape is, a quarter inch among five holes is named; a
// shop that says its tape is good to 2 mm is believed, and the map says which it was.
func TestQuarterInchWithATapeNobodySpokeOf(t *testing.T) {
	rnd := rand.New(rand.NewPCG(3, 4))
	m := vehicle.HoleMap{ID: "m", Name: "flange"}
	at := make([][2]float64, 5)
	for i := range at {
		sin, cos := math.Sincos(2 * math.Pi * float64(i) / 5)
		at[i] = [2]float64{150 * cos, 150 * sin}
		m.Holes = append(m.Holes, vehicle.MapHole{ID: string(rune('a' + i)), Diameter: 11})
		for k := range i {
			d := math.Hypot(at[i][0]-at[k][0], at[i][1]-at[k][1]) + .3*rnd.NormFloat64()
			m.Readings = append(m.Readings, vehicle.MapReading{From: string(rune('a' + k)), To: string(rune('a' + i)),
				Value: demo.Taped(d)})
		}
	}
	work := func(shop survey.Shop) vehicle.MapTold {
		return WorkSurvey(vehicle.Survey{Maps: []vehicle.HoleMap{m}, Shop: shop}, brief.Brief{Unit: brief.UnitDecimal, Grain: 1},
			nil).Maps[0]
	}
	if w := work(nil); !w.Consistent || !w.Unsaid || !strings.Contains(w.UnsaidText, "0.0197 in") {
		t.Errorf("sound readings: consistent %v, not given %v, %q", w.Consistent, w.Unsaid, w.UnsaidText)
	}
	m.Readings[6].Value = demo.Taped(m.Readings[6].Value.Values[0] + 6.35)
	if w := work(nil); w.Suspect != "r7" {
		t.Errorf("a quarter inch is not named: %+v", w.Findings)
	}
	if w := work(survey.Shop{survey.Tape: 2.5}); w.Unsaid || !w.Consistent {
		t.Errorf("a tape said to be good to 2.5 mm: not given %v, %+v", w.Unsaid, w.Findings)
	}
	// A tape read again and again that scatters says itself how good it is.
	if r := (survey.Reading{Values: []float64{100, 104, 108}}); r.Unsaid(nil) {
		t.Error("readings that scatter by 4 mm count as not said")
	}
}
