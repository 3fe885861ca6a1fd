package site

import (
	"context"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/shop"
	"warmanvil/core/survey"
	"warmanvil/core/vehicle"
)

// The old part's sizes stand beside the new one's: as they were within the reading, changed
// for a reason, or to be looked at; what was measured but set against nothing is open.
func TestOldParts(t *testing.T) {
	b := brief.Brief{Unit: brief.UnitMM, Grain: 1, Quantity: 1}
	parts := BuildParts(context.Background(), pressParts()[:1], b, shop.Shop{})
	length := ""
	value := 0.
	var w Surveyed
	size := func(v float64, now, why string) vehicle.Survey {
		return vehicle.Survey{Olds: []vehicle.Replaced{{ID: "o", Name: "Old foot", For: parts[0].ID, Sizes: []vehicle.OldSize{{ID: "z",
			Name:  "Length",
			Value: survey.Reading{Values: []float64{v}, Instrument: survey.Caliper}, Now: now, Why: why}}}}}
	}
	w = WorkSurvey(size(1, "", ""), b, parts)
	for _, s := range w.Olds[0].Sized {
		if s.Key == "/base/length" {
			length, value = s.Key, s.Value
		}
	}
	if length == "" || value != parts[0].Recipe.Base.Length {
		t.Fatalf("the new part's sizes are not offered: %+v", w.Olds[0].Sized)
	}
	for name, c := range map[string]struct {
		survey  vehicle.Survey
		verdict string
		says    string
	}{
		"as it was":               {size(value, length, ""), "good", "as it was"},
		"differs":                 {size(value+3, length, ""), "doubtful", "say why"},
		"differs for a reason":    {size(value+3, length, "clears the pipe"), "good", "changed: clears the pipe"},
		"set against nothing":     {size(value, "", ""), "open", "nothing yet"},
		"against a size gone":     {size(value, "/flanges/99/length", ""), "bad", "gone"},
		"differs for blanks":      {size(value+3, length, "  "), "doubtful", "say why"},
		"nothing takes its place": {vehicle.Survey{Olds: []vehicle.Replaced{{ID: "o", Name: "x"}}}, "open", "scrap"},
	} {
		w := WorkSurvey(c.survey, b, parts)
		o := w.Olds[0]
		says := o.Says
		if len(o.Sizes) > 0 {
			says = o.Sizes[0].Says
		}
		if o.Verdict != c.verdict || !strings.Contains(says, c.says) {
			t.Errorf("%s: %s %q, want %s %q", name, o.Verdict, says, c.verdict, c.says)
		}
	}
	s := size(value, length, "")
	if r := s.Renamed(map[string]string{parts[0].ID: "new"}); r.Olds[0].For != "new" || s.Olds[0].For != parts[0].ID {
		t.Error("it did not follow its part, or the list it was given changed")
	}
	long := size(1, "", strings.Repeat("x", brief.MaxText+1))
	if long.Check() == nil {
		t.Error("a text without end is kept")
	}
}

// A trial is good when a named person looked at everything where it stands now, and nothing
// else is.
func TestTrials(t *testing.T) {
	all := func(answer string) (out []vehicle.TrialAsk) {
		for _, what := range vehicle.TrialAsks {
			out = append(out, vehicle.TrialAsk{What: what, Answer: answer})
		}
		return out
	}
	one := all("good")
	one[3].Answer = "bad"
	at := [3]float64{-1000, 300, 200}
	base := vehicle.Trial{ID: "t", Name: "Seat", Who: "Tovi", Point: "p", At: &at, Asks: all("good")}
	for want, changes := range map[string][]func(*vehicle.Trial){
		"good":     {func(*vehicle.Trial) {}, func(v *vehicle.Trial) { v.At = &[3]float64{-1003, 300, 200} }},
		"doubtful": {func(v *vehicle.Trial) { v.Who = " " }, func(v *vehicle.Trial) { v.At = &[3]float64{-1020, 300, 200} }},
		"open": {func(v *vehicle.Trial) { v.At = nil }, func(v *vehicle.Trial) { v.Asks = v.Asks[:4] },
			func(v *vehicle.Trial) { v.Point = "" },
			func(v *vehicle.Trial) { v.Point = "gone" }},
		"bad": {func(v *vehicle.Trial) { v.Asks = one }},
	} {
		for i, change := range changes {
			v := base
			change(&v)
			s := vehicle.Survey{Points: []vehicle.SurveyPoint{{ID: "p", Name: "Seat bolt", Kind: "hole", Way: vehicle.ByOffsets,
				X: demo.Taped(-1000),
				Y: demo.Taped(300), Z: demo.Taped(200)}}, Trials: []vehicle.Trial{v}}
			w := WorkSurvey(s, brief.Brief{Unit: brief.UnitMM, Grain: 1}, nil).Trials[0]
			if w.Verdict != want {
				t.Errorf("%d: %s, want %s: %+v", i, w.Verdict, want, w.Findings)
			}
			if want == "good" && !strings.Contains(w.Says, "1000.0 mm forward") {
				t.Errorf("its place is not said: %q", w.Says)
			}
		}
	}
	for _, bad := range []vehicle.Trial{{ID: "t", Asks: []vehicle.TrialAsk{{What: "head", Answer: "maybe"}}}, {ID: "t",
		At: &[3]float64{1e9}},
		{ID: "t", Asks: make([]vehicle.TrialAsk, 40)}, {ID: "t", Who: strings.Repeat("x", brief.MaxText+1)}} {
		if (vehicle.Survey{Trials: []vehicle.Trial{bad}}).Check() == nil {
			t.Errorf("%+v is kept", bad)
		}
	}
}
