package site

import (
	"context"
	"math"
	"slices"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/hole"
	"warmanvil/core/quantity"
	"warmanvil/core/shop"
	"warmanvil/core/survey"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
)

// surveyedTruck is the orchard truck's survey on its own parts.
func surveyedTruck(t *testing.T) (vehicle.Survey, brief.Brief, []BuiltPart) {
	t.Helper()
	b := demo.OrchardTruck().Upgraded()
	parts := BuildParts(context.Background(), []Part{{ID: "tray", Name: "Compressor tray bracket", Quantity: 1, Recipe: demo.TrayBracket()},
		{ID: "foot", Name: "Press foot", Quantity: 2, Recipe: demo.PressFoot()}}, b, shop.Shop{})
	s := demo.OrchardSurvey().Renamed(map[string]string{"Compressor tray bracket": "tray", "Press foot": "foot"})
	if err := s.Check(); err != nil {
		t.Fatal(err)
	}
	return s, b, parts
}

func near(t *testing.T, what string, got, want, tolerance float64) {
	t.Helper()
	if math.Abs(got-want) > tolerance || math.IsNaN(got) {
		t.Errorf("%s: %.6g, want %.6g", what, got, want)
	}
}

func point(t *testing.T, w Surveyed, id string) vehicle.Located {
	t.Helper()
	for _, p := range w.Points {
		if p.ID == id {
			return p
		}
	}
	t.Fatalf("no point %s", id)
	return vehicle.Located{}
}

// The demo's rail: its holes come out where they are, on both sides of the
// vehicle, and every point with a place says how well it is known.
func TestTruckIsSurveyed(t *testing.T) {
	s, b, parts := surveyedTruck(t)
	w := WorkSurvey(s, b, parts)
	for id, want := range map[string][3]float64{
		"left-rail-4": {-1500.5 - 340, 430, -95 + 62}, "right-rail-4": {-1501 - 344, -430, -96 + 62}, "right-rail-5": {-1501 - 80,
			-430, -96 + 2},
		"rail-l2": {-1920.5, 430, -95}} {
		p := point(t, w, id)
		if p.At == nil {
			t.Fatalf("%s: %s", id, p.Why)
		}
		for i := range 3 {
			near(t, id, p.At[i], want[i], .5)
		}
		if p.Sigma < 1 || p.Working == nil || p.Within == "" {
			t.Errorf("%s: uncertainty %.2f, working %v", id, p.Sigma, p.Working)
		}
	}
	if p := point(t, w, "lashing"); p.Least == nil || p.Least.Trust != brief.Assumed {
		t.Errorf("the lashing eye stands on an assumed height: %+v", p.Least)
	}
	if len(w.Assumed) != 2 || len(w.Assumed[0].Under) != 2 || w.Assumed[1].Trust != brief.Copied || len(w.Assumed[1].Under) != 1 {
		t.Errorf("what is assumed: %+v", w.Assumed)
	}
	if len(w.Repeats) != 3 || !strings.Contains(w.Repeats[0].Says, "spread 1.0 mm") || !strings.Contains(w.Repeats[2].Says,
		"smallest of 3") {
		t.Errorf("read more than once: %+v", w.Repeats)
	}
	if met := MeasuredTargets(s, b, parts); len(met) != 1 || !met["step"] {
		t.Errorf("targets measured: %v", met)
	}
	told := Tell(b, parts)
	told.Measure(b, map[string]bool{"step": false, "press-mass": false})
	for _, m := range told.Targets {
		if m.ID == "step" && (m.Met == nil || *m.Met) || m.ID == "press-mass" && (m.Met == nil || !*m.Met) {
			t.Errorf("%s: what was typed stands, the survey fills in the rest: %v", m.ID, m.Met)
		}
	}
	if !w.Maps[0].Consistent || !w.Maps[1].Consistent {
		t.Error("the rails' readings are called inconsistent")
	}
	for _, m := range w.Placed[0].Misses {
		if m.Goes == nil || !*m.Goes {
			t.Errorf("%+v", m)
		}
	}
	if len(w.Placed[0].Ways) != 3 || w.Placed[0].Remedy == "" {
		t.Errorf("other ways of the oblong pattern: %v, %q", w.Placed[0].Ways, w.Placed[0].Remedy)
	}
	if f := w.Follows[0]; f.Stale && f.Other == nil || f.Other.Answer != hole.Slot || len(f.Other.Slots) != 1 ||
		!strings.Contains(f.Other.Slots[0], "Hole 2") {
		t.Errorf("%+v", w.Follows[0].Other)
	}
	if w.Drillings[0].Verdict != "good" || w.Measures[0].Verdict != "good" || w.Sides[1].Verdict != "bad" || w.Gaps[0].Verdict != "good" {
		t.Errorf("%+v %+v %+v %+v", w.Drillings[0].ResultTold, w.Measures[0], w.Sides[1], w.Gaps[0])
	}
}

// A spoiled reading is named with its likely slip, the map goes by the others,
// and put right it is gone.
func TestSpoiledRail(t *testing.T) {
	s, b, parts := surveyedTruck(t)
	r := &s.Maps[0].Readings[0].Value
	good := r.Values[0]
	r.Values = []float64{good + 25.5}
	w := WorkSurvey(s, b, parts).Maps[0]
	if w.Consistent || w.Suspect != "r1" || len(w.Slips) == 0 || !strings.Contains(w.Slips[0], "inch") {
		t.Fatalf("consistent %v, suspect %+v, %v", w.Consistent, w.Bare.Suspect, w.Slips)
	}
	near(t, "what would agree", w.AgreesValue, good, 2)
	near(t, "the hole stays where it is", w.Holes[3].X, 340, 1)
	r.Values = []float64{good}
	if w = WorkSurvey(s, b, parts).Maps[0]; !w.Consistent || w.Suspect != "" {
		t.Error("put right, it is still called wrong")
	}
	// Read over the far edges and said so, the same map comes out.
	s.Maps[0].Readings[0].Tape, r.Values = hole.Outside, []float64{good + 13}
	if w = WorkSurvey(s, b, parts).Maps[0]; !w.Consistent {
		t.Error("read from the outsides it does not agree")
	}
	// In a rail two rows of holes nearly in line can fold: there one reading may
	// contradict, and which one is not guessed.
	s.Maps[0].Readings[0].Tape, r.Values = "", []float64{good}
	s.Maps[0].Readings[5].Value.Values[0] += 25.5
	if w = WorkSurvey(s, b, parts).Maps[0]; w.Consistent || w.Suspect != "" {
		t.Errorf("consistent %v, suspect %+v", w.Consistent, w.Bare.Suspect)
	}
	s.Maps[0].Readings = s.Maps[0].Readings[:4]
	if w = WorkSurvey(s, b, parts).Maps[0]; w.Missing != 9 || w.NextFrom == "" || !strings.Contains(w.Why, "measure from") {
		t.Errorf("four readings of eight holes: %+v", w)
	}
}

// Points located in each way, against the same place worked out by hand.
func TestWaysToLocate(t *testing.T) {
	_, b, _ := surveyedTruck(t)
	at := func(id string, x, y, z float64) vehicle.SurveyPoint {
		return vehicle.SurveyPoint{ID: id, Name: id, Kind: "point", Way: vehicle.ByOffsets, X: demo.Taped(x), Y: demo.Taped(y),
			Z: demo.Taped(z)}
	}
	hyp := func(v ...float64) float64 { return survey.Root(v...) }
	s := vehicle.Survey{Points: []vehicle.SurveyPoint{at("a", 0, 0, 0), at("b", 1000, 0, 0), at("c", 0, 800, 0), at("d", 0, 0, 600),
		{ID: "two", Name: "two", Way: vehicle.ByTwoDistances, A: "a", B: "b", In: vehicle.PlanXY, Side: "left",
			DA: demo.Taped(hyp(300, 400)), DB: demo.Taped(hyp(700, 400))},
		{ID: "twoRight", Name: "twoRight", Way: vehicle.ByTwoDistances, A: "a", B: "b", In: vehicle.PlanXY, Side: "right",
			DA: demo.Taped(hyp(300, 400)), DB: demo.Taped(hyp(700, 400))},
		{ID: "off", Name: "off", Way: vehicle.ByTwoDistances, A: "a", B: "b", In: vehicle.PlanXY, Side: "left", Z: demo.Taped(250),
			DA: demo.Taped(hyp(300, 400, 250)), DB: demo.Taped(hyp(700, 400, 250))},
		{ID: "side", Name: "side", Way: vehicle.ByTwoDistances, A: "a", B: "b", In: vehicle.SideXZ, Side: "right",
			DA: demo.Taped(hyp(300, 400)), DB: demo.Taped(hyp(700, 400))},
		{ID: "asks", Name: "asks", Way: vehicle.ByTwoDistances, A: "a", B: "b", In: vehicle.PlanXY, DA: demo.Taped(500),
			DB: demo.Taped(700)},
		{ID: "open", Name: "open", Way: vehicle.ByTwoDistances, A: "a", B: "b", In: vehicle.PlanXY, Side: "left",
			DA: demo.Taped(200), DB: demo.Taped(300)},
		{ID: "four", Name: "four", Way: vehicle.ByDistances, Many: []vehicle.FromPoint{{Point: "a", Distance: demo.Taped(hyp(300,
			200, 100))}, {Point: "b", Distance: demo.Taped(hyp(700, 200, 100))}, {Point: "c", Distance: demo.Taped(hyp(300, 600,
			100))}, {Point: "d", Distance: demo.Taped(hyp(300, 200, 500))}}},
		{ID: "low", Name: "low", Way: vehicle.ByDistances, Side: "lower", Many: []vehicle.FromPoint{{Point: "a",
			Distance: demo.Taped(hyp(300, 200, 100))}, {Point: "b", Distance: demo.Taped(hyp(700, 200, 100))}, {Point: "c",
			Distance: demo.Taped(hyp(300, 600, 100))}}},
		{ID: "line", Name: "line", Way: vehicle.OnLine, A: "c", B: "d", DA: demo.Taped(250)},
		{ID: "hole1", Name: "hole1", Kind: "hole", Size: 20, Way: vehicle.ByOffsets, From: "a", X: demo.Taped(100),
			Y: demo.Taped(0), Z: demo.Taped(0)},
		{ID: "hole2", Name: "hole2", Kind: "hole", Size: 10, Way: vehicle.ByOffsets, From: "hole1", Tape: hole.Inside, X: demo.Taped(85)},
		{ID: "ring1", Name: "ring1", Way: vehicle.ByOffsets, From: "ring2", X: demo.Taped(5)}, {ID: "ring2", Name: "ring2",
			Way: vehicle.ByOffsets, From: "ring1", X: demo.Taped(5)},
		{ID: "far", Name: "far", Way: vehicle.ByOffsets, X: demo.Taped(25400)}}}
	if err := s.Check(); err != nil {
		t.Fatal(err)
	}
	w := WorkSurvey(s, b, nil)
	for id, want := range map[string][3]float64{"two": {300, 400, 0}, "twoRight": {300, -400, 0}, "off": {300, 400, 250},
		"side": {300, 0, -400}, "four": {300, 200, 100}, "low": {300, 200, -100}, "line": {0, 600, 150}, "hole2": {200, 0, 0}} {
		p := point(t, w, id)
		if p.At == nil {
			t.Errorf("%s: %s", id, p.Why)
			continue
		}
		for i := range 3 {
			near(t, id, p.At[i], want[i], .01)
		}
	}
	if p := point(t, w, "asks"); p.At != nil || len(p.Choices) != 2 {
		t.Errorf("which side is guessed: %+v", p)
	}
	for _, id := range []string{"open", "ring1", "ring2"} {
		if p := point(t, w, id); p.At != nil || p.Why == "" {
			t.Errorf("%s: %+v", id, p)
		}
	}
	if p := point(t, w, "far"); len(p.Findings) == 0 || p.Findings[0].Code != "far" && p.Findings[len(p.Findings)-1].Code != "far" {
		t.Errorf("25 m off the datum is not asked about: %+v", p.Findings)
	}
}

// A face is placed by its corners on surveyed points: a box, a device, a panel.
func TestFacesAreMated(t *testing.T) {
	s, b, parts := surveyedTruck(t)
	at := func(id string, x, y, z float64) vehicle.SurveyPoint {
		return vehicle.SurveyPoint{ID: id, Name: id, Kind: "point", Way: vehicle.ByOffsets, X: demo.Taped(x), Y: demo.Taped(y),
			Z: demo.Taped(z)}
	}
	s.Points = append(s.Points, at("a", 1000, 0, 500), at("b", 1000, 200, 500), at("c", 700, 200, 500), at("again", 1000, 0, 500.2))
	s.Placed = []vehicle.Placed{
		{ID: "box", Name: "box", Size: &brief.Box{Length: 200, Width: 300, Height: 100},
			Mates: []vehicle.MatePair{{Hole: "underside/corner-1", Point: "a"}, {Hole: "underside/corner-2", Point: "b"},
				{Hole: "underside/corner-3", Point: "c"}}},
		{ID: "press", Name: "press", Device: "press", Mates: []vehicle.MatePair{{Hole: "underside/corner-1", Point: "a"},
			{Hole: "underside/corner-2", Point: "b"}}},
		{ID: "panel", Name: "panel", Part: "tray", Facing: brief.FaceUp, Mates: []vehicle.MatePair{{Hole: "base/corner-1",
			Point: "a"}, {Hole: "base/corner-2", Point: "b"}, {Hole: "base/corner-3", Point: "c"}}},
		{ID: "plain", Name: "plain", Size: &brief.Box{Length: 10, Width: 10, Height: 10}, At: [3]float64{1, 2, 3}, Yaw: 90}}
	if err := s.Check(); err != nil {
		t.Fatal(err)
	}
	w := WorkSurvey(s, b, parts)
	if p := w.Placed[0]; p.Why != "" || p.Misses[0].Off > .01 {
		t.Errorf("%+v", p)
	}
	if p := w.Placed[1]; p.Why == "" {
		t.Error("two corners place a device that may turn about them")
	}
	if p := w.Placed[2]; p.Why != "" || p.Misses[0].Off < 1 {
		t.Errorf("a panel of another size sits on the points: %+v", p)
	}
	for _, d := range w.Sketch {
		if d.ID != "box" {
			continue
		}
		// Its length runs from a to b, leftwards; it stands on them, 100 high.
		lo, hi := d.Side[0][0], d.Side[0][0]
		for _, q := range d.Side[0] {
			lo.X, lo.Y, hi.X, hi.Y = math.Min(lo.X, q.X), math.Min(lo.Y, q.Y), math.Max(hi.X, q.X), math.Max(hi.Y, q.Y)
		}
		near(t, "rear", lo.X, 700, .1)
		near(t, "front", hi.X, 1000, .1)
		near(t, "foot", lo.Y, 500, .1)
		near(t, "top", hi.Y, 600, .1)
	}
	if p := point(t, w, "again"); len(p.Findings) == 0 || p.Findings[0].Code != "twice" {
		t.Errorf("two points on one spot: %+v", p.Findings)
	}
	if !strings.Contains(w.Placed[3].Name, "plain") || w.Placed[3].Why != "" {
		t.Errorf("%+v", w.Placed[3])
	}
}

// A lid that swings into the bracket is told with its state, and moved away it
// clears.
func TestLidHitsTheBracket(t *testing.T) {
	s, b, parts := surveyedTruck(t)
	s.Spaces[0].Shape.At[2] = -290
	w := WorkSurvey(s, b, parts)
	hit := w.Clearances[0]
	if hit.Verdict != "bad" || hit.With != "Locker lid" || !strings.Contains(hit.Place, "in use") ||
		!slices.ContainsFunc(w.Findings, func(f working.Finding) bool { return f.Cause == "Room" }) {
		t.Fatalf("%+v", hit)
	}
	if got := saidOf(w.Findings, "kept"); !strings.HasPrefix(got, "stop: The locker lid opens fully. It does not") {
		t.Errorf("what must keep working: %q", got)
	}
	s.Spaces[0].Shape.At[2] = -330
	for _, c := range WorkSurvey(s, b, parts).Clearances {
		if c.Verdict == "bad" {
			t.Errorf("moved away: %+v", c)
		}
	}
}

// A hole into a line, one nobody looked behind, and one the brief forbids.
func TestWhatIsBehind(t *testing.T) {
	s, b, parts := surveyedTruck(t)
	s.Drillings = append(s.Drillings, vehicle.Drilling{ID: "bad", Name: "bad", Point: "left-rail-8", Face: brief.FaceLeft, Diameter: 9,
		Wall: 50, Looked: "seen"}, vehicle.Drilling{ID: "unseen", Name: "unseen", Point: "floor-hole", Face: brief.FaceUp,
		Diameter: 9, Wall: 1})
	w := WorkSurvey(s, b, parts)
	if d := w.Drillings[1]; d.Verdict != "bad" || d.Stop != "do not drill" {
		t.Errorf("%+v", d)
	}
	if d := w.Drillings[2]; d.Verdict != "open" || len(d.Findings) == 0 || !strings.Contains(d.Findings[0].Reason, "engineer") {
		t.Errorf("%+v", d)
	}
	b.Limits.NoNewHoles = true
	s.Placed[0].Mates[0].Point = "lashing"
	codes := ""
	for _, f := range WorkSurvey(s, b, parts).Findings {
		codes += f.Code + " "
	}
	if !strings.Contains(codes, "no-new-holes") || !strings.Contains(codes, "not-asked") {
		t.Error(codes)
	}
}

// The three governing dimensions are measured again before a file goes out: one
// that disagrees stops it, agreeing or set aside with a reason it goes.
func TestRetapeGate(t *testing.T) {
	s, b, parts := surveyedTruck(t)
	c := Site{Survey: s, Brief: b, Parts: parts}.CheckOf(parts[0])
	if c.Released || len(c.Governing) != 3 || c.Tried {
		t.Fatalf("%+v", c)
	}
	check := vehicle.PartCheck{Part: "tray"}
	for _, g := range c.Governing {
		check.Retape = append(check.Retape, vehicle.Retape{Dimension: g.Key, Value: demo.Taped(g.Nominal + .5)})
	}
	s.Checks = append(s.Checks, vehicle.PartCheck{})
	for _, x := range []struct {
		first, from, last string
		released          bool
		says              string
	}{
		{"", "", "", false, "3 of 3"},
		{"front edge", "", "", false, "3 of 3"},
		{"", "rear edge", "", false, "3 of 3"},
		{"front edge", " Front  edge ", "", false, "same edge"},
		{"front edge", "rear edge", "front edge", false, "same edge"},
		{"front edge", "rear edge", "left edge", true, "agree"},
	} {
		check.First, check.From, check.Retape[2].From = x.first, x.from, x.last
		s.Checks[len(s.Checks)-1] = check
		if c = (Site{Survey: s, Brief: b, Parts: parts}).CheckOf(parts[0]); c.Released != x.released || !strings.Contains(c.Says, x.says) {
			t.Errorf("%+v: %+v", x, c)
		}
	}
	check.Retape[1].Value = demo.Taped(c.Governing[1].Nominal + 6)
	check.Aside = "in a hurry"
	s.Checks[len(s.Checks)-1] = check
	if c = (Site{Survey: s, Brief: b, Parts: parts}).CheckOf(parts[0]); c.Released || c.Governing[1].Verdict != "bad" {
		t.Errorf("a disagreement is set aside: %+v", c)
	}
	if c = (Site{Survey: s, Brief: b, Parts: parts}).CheckOf(parts[1]); !c.Released || !c.Tried {
		t.Errorf("%+v", c)
	}
}

// A tape laid between the edges of two round holes is read to their centres,
// whichever way the point is located.
func TestEdgeToEdge(t *testing.T) {
	at := func(id string, x, y, size float64) vehicle.SurveyPoint {
		return vehicle.SurveyPoint{ID: id, Name: id, Kind: "hole", Size: size, Way: vehicle.ByOffsets, X: demo.Taped(x),
			Y: demo.Taped(y), Z: demo.Taped(0)}
	}
	// The new hole of 10 lies at (300, 400, 0), read between nearest edges from
	// a, between outer edges from b and by centres from c and d.
	s := vehicle.Survey{Points: []vehicle.SurveyPoint{at("a", 0, 0, 20), at("b", 600, 0, 14), at("c", 300, 900, 8),
		{ID: "two", Name: "two", Kind: "hole", Size: 10, Way: vehicle.ByTwoDistances, A: "a", B: "b", DA: demo.Taped(500 - 10 - 5),
			TapeA: "inside", DB: demo.Taped(500 + 7 + 5), TapeB: "outside", Side: "left"},
		{ID: "three", Name: "three", Kind: "hole", Size: 10, Way: vehicle.ByDistances, Side: "upper", Many: []vehicle.FromPoint{
			{Point: "a", Distance: demo.Taped(485), Tape: "inside"}, {Point: "b", Distance: demo.Taped(512), Tape: "outside"},
			{Point: "c", Distance: demo.Taped(500), Tape: "centre"}}}}}
	out := WorkSurvey(s, brief.Brief{}, nil)
	for _, p := range out.Points {
		if p.ID != "two" && p.ID != "three" {
			continue
		}
		if p.At == nil {
			t.Fatalf("%s: %s", p.ID, p.Why)
		}
		near(t, p.ID+" forward", p.At[0], 300, 1e-6)
		near(t, p.ID+" left", p.At[1], 400, 1e-6)
	}
	s.Points[3].DA = demo.Taped(-3)
	if p := WorkSurvey(s, brief.Brief{}, nil).Points[3]; p.At != nil || p.Why == "" {
		t.Errorf("a negative reading was taken: %+v", p)
	}
}

// Points go out as a list and come in again; what cannot be read is told line
// by line.
func TestPointList(t *testing.T) {
	s, b, parts := surveyedTruck(t)
	raw, err := vehicle.PointsCSV(WorkSurvey(s, b, parts).Points, quantity.Table{})
	if err != nil {
		t.Fatal(err)
	}
	n := 0
	id := func() string { n++; return string(rune('a' + n)) }
	points, refused := vehicle.PointsIn(string(raw), id)
	if len(refused) != 0 || len(points) < 20 {
		t.Fatalf("%d points, %+v", len(points), refused)
	}
	near(t, "x", points[0].X.Values[0], -1500.5, 1e-3)
	if raw, err = vehicle.PointsCSV(WorkSurvey(s, b, parts).Points, quantity.Table{Inches: true}); err != nil {
		t.Fatal(err)
	}
	again, _ := vehicle.PointsIn(string(raw), id)
	near(t, "x by way of inches", again[0].X.Values[0], -1500.5, 2e-3)
	if len(again) != len(points) || strings.Contains(string(raw), " mm") {
		t.Errorf("%d points of %d by way of inches:\n%s", len(again), len(points), raw)
	}
	points, refused = vehicle.PointsIn("\ufeffname;x in;y in;z in;size in\n\"eye; left\";10;-2;0;1\nno place;1;;2\n;1;2;3\neye; "+
		"left;1;2;3\nfar;1;2;1e9\nsized;1;2;3;wide\n=x;1;2;3\n=x;1;2;3\n", id)
	near(t, "inches", points[0].X.Values[0], 254, 1e-9)
	near(t, "size", points[0].Size, 25.4, 1e-9)
	if len(points) != 2 || len(refused) != 6 {
		t.Errorf("%d taken, %+v", len(points), refused)
	}
	for _, r := range refused {
		if r.Line < 2 || r.Why == "" {
			t.Errorf("%+v", r)
		}
	}
	if _, refused = vehicle.PointsIn("a,b\n1,2\n", id); len(refused) != 1 || !strings.Contains(refused[0].Why, "no column name") {
		t.Errorf("%+v", refused)
	}
}

func TestSurveyRefused(t *testing.T) {
	for name, s := range map[string]vehicle.Survey{
		"newer":    {Schema: 9},
		"same id":  {Points: []vehicle.SurveyPoint{{ID: "a"}, {ID: "a"}}},
		"no id":    {Stacks: []vehicle.StackSet{{}}},
		"far":      {Points: []vehicle.SurveyPoint{{ID: "a", X: demo.Taped(1e6)}}},
		"no kind":  {Spaces: []survey.Space{{ID: "a"}}},
		"negative": {Maps: []vehicle.HoleMap{{ID: "a", Readings: []vehicle.MapReading{{Value: demo.Taped(-5)}}}}},
		"fit":      {Checks: []vehicle.PartCheck{{Fit: "felt"}}},
		"trust":    {Sides: []vehicle.SideRow{{ID: "a", Left: survey.Reading{Trust: "sure"}}}},
		"wheels":   {Wheels: &survey.Wheels{}},
		"many":     {Points: make([]vehicle.SurveyPoint, 500)},
	} {
		if s.Check() == nil {
			t.Errorf("%s: taken", name)
		}
	}
}

func BenchmarkWorkSurvey(b *testing.B) {
	brief := demo.OrchardTruck().Upgraded()
	parts := BuildParts(context.Background(), []Part{{ID: "tray", Name: "Tray", Quantity: 1, Recipe: demo.TrayBracket()},
		{ID: "foot", Name: "Foot", Quantity: 2, Recipe: demo.PressFoot()}}, brief, shop.Shop{})
	s := demo.OrchardSurvey().Renamed(map[string]string{"Compressor tray bracket": "tray", "Press foot": "foot"})
	for b.Loop() {
		if len(WorkSurvey(s, brief, parts).Clearances) == 0 {
			b.Fatal("nothing placed")
		}
	}
}
