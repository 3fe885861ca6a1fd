package site

import (
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/vehicle"
	"warmanvil/core/weld"
	"warmanvil/core/working"
)

// spotJob is an ear welded to a vehicle's panel at mapped spots, four in a rectangle.
func spotJob(t *testing.T, unit brief.Unit, form weld.Form, across float64) Site {
	t.Helper()
	return welds(t, func(s *Site) {
		s.Brief.Unit = unit
		m := vehicle.HoleMap{ID: "m", Name: "Spots of the floor", Spots: true, First: "a", Second: "b"}
		for _, id := range []string{"1", "2", "3", "4"} {
			m.Holes = append(m.Holes, vehicle.MapHole{ID: id, Diameter: 5})
		}
		for _, r := range []struct {
			from, to string
			mm       float64
		}{{"1", "2", 60}, {"2", "3", 40}, {"3", "4", 60}, {"4", "1", 40}, {"1", "3", 72.111}, {"2", "4", 72.111}} {
			m.Readings = append(m.Readings, vehicle.MapReading{ID: r.from + r.to, From: r.from, To: r.to, Value: demo.Taped(r.mm)})
		}
		at := func(id string, x float64) vehicle.SurveyPoint {
			return vehicle.SurveyPoint{ID: id, Name: id, Kind: "hole", Way: vehicle.ByOffsets, X: demo.Taped(x), Y: demo.Taped(20),
				Z: demo.Taped(0)}
		}
		m.Face = brief.FaceUp
		s.Survey = vehicle.Survey{Schema: vehicle.SurveySchema, Points: []vehicle.SurveyPoint{at("a", 20), at("b", 80)},
			Maps:   []vehicle.HoleMap{m},
			Placed: []vehicle.Placed{{ID: "p", Name: "Ear", Part: "ear"}}}
		w := &s.Brief.Welded[0]
		w.Sides[0].Placed = "p"
		w.Sides[1] = brief.SeamBody{Side: brief.Side{Kind: brief.VehicleSide}, Name: "floor", Material: "steel-s235", Thickness: .8}
		w.Seams = []brief.SeamPlan{{Seam: weld.Seam{ID: "s1", Name: "Spots", Form: form, Across: across}, Map: "m"}}
	})
}

// Spots of the body are told with the plug that takes the place of one, by both checks, in the job's units; what is
// plugged too small is minded. A map of holes is told nothing of the kind.
func TestSpotsOfTheBodyAreReplaced(t *testing.T) {
	for _, unit := range []brief.Unit{brief.UnitMM, brief.UnitFraction} {
		w := seamed(t, spotJob(t, unit, weld.SpotForm, 0))
		if w.Why != "" || len(w.Seams) != 1 || w.Seams[0].How.Spots == nil {
			t.Fatalf("%q %+v", w.Why, w.Seams)
		}
		told := w.Seams[0].How.Spots
		if told.Many != 4 || !told.Enough || told.Across < 6 || !strings.Contains(told.Says, "one for each is "+
			"enough") || told.Working == nil {
			t.Errorf("%+v", told)
		}
		if inch := unit != brief.UnitMM; inch == strings.Contains(told.Says, " mm") || inch != strings.Contains(told.Says, "lb") {
			t.Errorf("half in the other units: %s", told.Says)
		}
		minded := func(s Site) bool {
			for _, f := range seamed(t, s).Findings {
				if f.Code == "plugs-for-spots" && f.Severity == working.Mind {
					return true
				}
			}
			return false
		}
		if minded(spotJob(t, unit, weld.PlugForm, told.Across)) || !minded(spotJob(t, unit, weld.PlugForm, 4)) {
			t.Error("plugs as large as told are minded, or plugs of 4 mm are not")
		}
		holes := spotJob(t, unit, weld.PlugForm, 4)
		holes.Survey.Maps[0].Spots = false
		if how := seamed(t, holes).Seams[0].How; how.Spots != nil {
			t.Errorf("holes are told as spots: %+v", how.Spots)
		}
	}
}
