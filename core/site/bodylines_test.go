package site

import (
	"slices"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/survey"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
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

// The underside's front edge of a box along a sill, as seen from the front: 20 below it and even, 5 behind.
func TestEdgesAlongALine(t *testing.T) {
	point := func(id string, y, z float64) vehicle.SurveyPoint {
		return vehicle.SurveyPoint{ID: id, Name: id, Kind: "corner", Way: vehicle.ByOffsets, X: demo.Taped(100), Y: demo.Taped(y),
			Z: demo.Taped(z)}
	}
	gap, step, tight := 20., 10., 1.
	edge := vehicle.LineEdge{ID: "e", Placed: "b", From: "underside/corner-2", To: "underside/corner-3", Gap: &gap, Within: 5, Step: &step}
	told := func(e vehicle.LineEdge, rise float64) LineEdgeTold {
		t.Helper()
		s := vehicle.Survey{Points: []vehicle.SurveyPoint{point("p", -500, 300), point("q", 500, 300+rise)},
			Lines: []vehicle.BodyLine{{ID: "l", Name: "Sill", Points: []string{"p", "q"}, Seen: brief.FaceFront, Keep: "below",
				Edges: []vehicle.LineEdge{e}}},
			Placed: []vehicle.Placed{{ID: "b", Name: "Locker", Size: &brief.Box{Length: 95, Width: 400, Height: 10},
				At: [3]float64{0, -200, 280}}}}
		w := WorkSurvey(s, brief.Brief{Unit: brief.UnitMM, Grain: 1}, nil).Lines[0]
		if len(w.Edges) != 1 {
			t.Fatalf("%+v", w)
		}
		if (w.Edges[0].Verdict == "bad") != slices.ContainsFunc(w.Findings, func(f working.Finding) bool { return f.Code == "line-edge" }) {
			t.Errorf("%+v is not flagged as it is said", w.Edges[0])
		}
		return w.Edges[0]
	}
	if got := told(edge, 0); got.Verdict != "good" || !strings.HasPrefix(got.Says, "Gap 20.0 mm to 20.0 mm, uneven by 0.0 mm; step "+
		"5.0 mm behind") {
		t.Errorf("%+v", got)
	}
	if got := told(edge, 50); got.Verdict != "bad" || !strings.Contains(got.Says, "uneven by 20.0 mm") { // 400 long on a slope of 1 in 20
		t.Errorf("%+v", got)
	}
	uneven := edge
	uneven.Gap = nil
	if got := told(uneven, 50); got.Verdict != "bad" {
		t.Errorf("%+v", got)
	}
	bare := edge
	bare.Within = 0
	if got := told(bare, 0); got.Verdict != "open" || !strings.Contains(got.Says, "within how much") {
		t.Errorf("a gap without its tolerance: %+v", got)
	}
	uneven.Within = 0
	if got := told(uneven, 50); got.Verdict != "good" {
		t.Errorf("only its step is asked: %+v", got)
	}
	proud := edge
	proud.Step = &tight
	if got := told(proud, 0); got.Verdict != "bad" || !strings.Contains(got.Says, "4.0 mm more than is asked") {
		t.Errorf("%+v", got)
	}
	for name, bad := range map[string]vehicle.LineEdge{"Choose the placed": {ID: "e"}, "Choose the two ends": {ID: "e", Placed: "b"}} {
		if got := told(bad, 0); got.Verdict != "open" || !strings.Contains(got.Says, name) {
			t.Errorf("%+v", got)
		}
	}
	edge.Within = -1
	if (vehicle.Survey{Lines: []vehicle.BodyLine{{ID: "l", Seen: brief.FaceLeft, Keep: "below",
		Edges: []vehicle.LineEdge{edge}}}}).Check() == nil {
		t.Error("less than nothing is allowed")
	}
}
