package site

import (
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/survey"
	"warmanvil/core/vehicle"
)

// What stands past a line of the body is named with by how much, what is near enough for the
// tape to hide it is looked at, and nothing is said good where nothing lies.
func TestLinesOfTheBody(t *testing.T) {
	at := func(id string, x, z float64) vehicle.SurveyPoint {
		return vehicle.SurveyPoint{ID: id, Name: id, Kind: "edge", Way: vehicle.ByOffsets, X: caliper(x), Y: caliper(700), Z: caliper(z)}
	}
	box := func(x, top float64) vehicle.Placed {
		return vehicle.Placed{ID: "b", Name: "Locker", Size: &brief.Box{Length: 200, Width: 100, Height: 100}, At: [3]float64{x,
			500, top - 100}}
	}
	line := vehicle.BodyLine{ID: "l", Name: "Sill", Points: []string{"p", "q"}, Seen: brief.FaceLeft, Keep: "below", Off: 10}
	for name, c := range map[string]struct {
		box     vehicle.Placed
		change  func(*vehicle.BodyLine)
		verdict string
		says    string
	}{
		"well below":          {box(-800, 250), nil, "good", "left"},
		"stands past":         {box(-800, 320), nil, "bad", "past it"},
		"as near as readings": {box(-800, 289.95), nil, "doubtful", "left"},
		"past by less":        {box(-800, 290.05), nil, "doubtful", "past it"},
		"beyond its end":      {box(900, 999), nil, "open", "Nothing placed"},
		"may show":            {box(-800, 320), func(l *vehicle.BodyLine) { l.Off = -40 }, "good", "left"},
		"to stay above":       {box(-800, 450), func(l *vehicle.BodyLine) { l.Keep = "above" }, "good", "left"},
		"from above":          {box(-800, 250), func(l *vehicle.BodyLine) { l.Seen = brief.FaceUp }, "good", "left"},
		"from the front":      {box(-800, 250), func(l *vehicle.BodyLine) { l.Seen = brief.FaceFront }, "bad", "one behind the other"},
		"a point gone":        {box(-800, 250), func(l *vehicle.BodyLine) { l.Points = []string{"p", "gone"} }, "open", "no place"},
		"one point":           {box(-800, 250), func(l *vehicle.BodyLine) { l.Points = l.Points[:1] }, "open", "two surveyed points"},
	} {
		x := line
		if c.change != nil {
			c.change(&x)
		}
		s := vehicle.Survey{Points: []vehicle.SurveyPoint{at("p", -1000, 300), at("q", 0, 300)}, Lines: []vehicle.BodyLine{x},
			Placed: []vehicle.Placed{c.box}}
		w := WorkSurvey(s, brief.Brief{Unit: brief.UnitMM, Grain: 1}, nil)
		if got := w.Lines[0]; got.Verdict != c.verdict || !strings.Contains(got.Says, c.says) ||
			(got.Verdict == "bad") != (len(got.Findings) == 1) && c.says != "one behind the other" {
			t.Errorf("%s: %s %q %+v", name, got.Verdict, got.Says, got.Findings)
		}
	}
	for i, bad := range []func(*vehicle.BodyLine){func(l *vehicle.BodyLine) { l.Keep = "left" }, func(l *vehicle.BodyLine) {
		l.Seen = brief.FaceDown
	},
		func(l *vehicle.BodyLine) { l.Off = 1e6 }, func(l *vehicle.BodyLine) { l.Points = make([]string, 99) }} {
		x := line
		bad(&x)
		if (vehicle.Survey{Lines: []vehicle.BodyLine{x}}).Check() == nil {
			t.Errorf("%d is kept", i)
		}
	}
	s := Site{Brief: demo.OrchardTruck().Upgraded(), Survey: vehicle.Survey{Points: []vehicle.SurveyPoint{at("p", -1000, 300), at("q", 0,
		300)},
		Lines: []vehicle.BodyLine{line}}}
	seen := false
	for _, x := range s.Whole().Things {
		seen = seen || x.ID == "l" && len(x.Shapes) == 1
	}
	if !seen {
		t.Error("the line is not in the picture")
	}
}

func caliper(v float64) survey.Reading {
	return survey.Reading{Values: []float64{v}, Instrument: survey.Caliper, Trust: string(brief.Measured)}
}
