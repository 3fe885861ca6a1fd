package job

import (
	"errors"
	"reflect"
	"strings"
	"testing"

	"warmanvil/core/member/racks"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/site"
	"warmanvil/core/vehicle"
)

// What is freshly designed waits for its sizes to be measured again; said to be made to
// a drawing, with the reason, it goes.
func TestPartsAndFramesWaitForTheTape(t *testing.T) {
	s, _ := remembering()
	j := must[Job](t)(s.CreateJob(ctx, plainJob()))
	p := must[Part](t)(s.CreatePart(ctx, j.ID, PartState{Name: "Foot", Quantity: 2, Recipe: plates.Plate(100, 80)}))
	rack := racks.Steel(t, racks.Path(racks.Box40, [3]float64{}, [3]float64{800}))
	f := must[Frame](t)(s.addFrame(ctx, j.ID, "new", FrameState{Name: "Rack", Quantity: 1, Frame: rack}))
	check := func(want bool) {
		t.Helper()
		for what, c := range map[string]site.CheckTold{"part": must[site.CheckTold](t)(s.CheckedPart(ctx, j, p)),
			"frame": must[site.CheckTold](t)(s.CheckedFrame(ctx, j, f))} {
			if c.Released != want || c.Says == "" {
				t.Errorf("%s: %+v", what, c)
			}
		}
	}
	check(false)
	if _, err := s.SaveSurvey(ctx, j.ID, On{}, vehicle.Survey{Schema: vehicle.SurveySchema, Drawn: "the maker's drawing"}); err != nil {
		t.Fatal(err)
	}
	check(true)
	if got := p.State(); got.Name != "Foot" || got.Quantity != 2 || !reflect.DeepEqual(got.Recipe, p.Recipe) {
		t.Errorf("%+v", got)
	}
	if got := f.State(); got.Name != "Rack" || got.Frame.Material != "steel-s235" {
		t.Errorf("%+v", got)
	}
}

// A clash is a conflict that says what it is about.
func TestAClashIsAConflict(t *testing.T) {
	var err error = &Clash{}
	if !errors.Is(err, ErrConflict) || !strings.Contains(err.Error(), "meanwhile") {
		t.Errorf("%v", err)
	}
}
