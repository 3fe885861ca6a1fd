package vehicle

import (
	"math"
	"testing"

	"warmanvil/core/quantity"
	"warmanvil/core/solid"
	"warmanvil/core/survey"
	"warmanvil/core/told"
)

// Every reading becomes a dimension as long as what was read, from where it was taken to the
// point, in the words it was given.
func TestMeasured(t *testing.T) {
	read := func(v float64) survey.Reading { return survey.Reading{Values: []float64{v}, Trust: "measured"} }
	s := Survey{Points: []SurveyPoint{
		{ID: "a", Name: "A", Kind: "point", Way: ByOffsets, X: read(1000), Y: read(-200), Z: read(0)},
		{ID: "b", Name: "B", Kind: "point", Way: ByOffsets, From: "a", X: read(300), Z: read(50)},
		{ID: "c", Name: "C", Kind: "point", Way: ByTwoDistances, A: "a", B: "b", DA: read(400), DB: read(350), In: PlanXY, Side: "left"},
		{ID: "d", Name: "D", Kind: "point", Way: OnLine, A: "a", B: "b", DA: read(120)},
		{ID: "e", Name: "E", Kind: "point", Way: ByTwoDistances, A: "a", B: "none", DA: read(400), DB: read(350)},
	}}
	l := NewLocator(s, told.Pen{Display: quantity.Display{Style: quantity.Metric}})
	for id, want := range map[string]struct {
		texts []string
		from  []solid.Vector
	}{
		"a": {[]string{"1000.0 mm", "200.0 mm"}, []solid.Vector{{}, {1000}}},
		"b": {[]string{"300.0 mm", "50.0 mm"}, []solid.Vector{{1000, -200}, {1300, -200}}},
		"c": {[]string{"400.0 mm", "350.0 mm"}, []solid.Vector{{1000, -200}, {1300, -200, 50}}},
		"d": {[]string{"120.0 mm"}, []solid.Vector{{1000, -200}}},
		"e": {},
	} {
		got := l.At(id).Measured
		if len(got) != len(want.texts) {
			t.Errorf("%s: %+v", id, got)
			continue
		}
		for i, m := range got {
			if m.Text != want.texts[i] || m.From.Sub(want.from[i]).Len() > 1e-9 {
				t.Errorf("%s, reading %d is %q from %v", id, i, m.Text, m.From)
			}
		}
		if n := len(got); n > 0 && got[n-1].To.Sub(solid.Vector(*l.At(id).At)).Len() > 1e-9 {
			t.Errorf("%s: the last one ends at %v, not at the point", id, got[n-1].To)
		}
		if id == "d" && math.Abs(got[0].To.Sub(got[0].From).Len()-120) > 1e-9 {
			t.Errorf("the dimension of d is %g long", got[0].To.Sub(got[0].From).Len())
		}
	}
}
