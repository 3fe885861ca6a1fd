package site

import (
	"encoding/json"
	"math/rand/v2"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
)

// spoil changes one value somewhere in a document: takes it away, or puts
// another of its kind.
func spoil(r *rand.Rand, v any) any {
	switch x := v.(type) {
	case map[string]any:
		if len(x) == 0 {
			return x
		}
		keys := make([]string, 0, len(x))
		for k := range x {
			keys = append(keys, k)
		}
		for i := range keys { // any order will do, the same every time
			for j := i; j > 0 && keys[j] < keys[j-1]; j-- {
				keys[j], keys[j-1] = keys[j-1], keys[j]
			}
		}
		k := keys[r.IntN(len(keys))]
		if r.IntN(6) == 0 {
			delete(x, k)
		} else {
			x[k] = spoil(r, x[k])
		}
	case []any:
		if len(x) == 0 {
			return x
		}
		i := r.IntN(len(x))
		switch r.IntN(6) {
		case 0:
			return append(x[:i:i], x[i+1:]...)
		case 1:
			return append(x, x[i])
		}
		x[i] = spoil(r, x[i])
	case float64:
		return []any{0., -x, x * 1e-6, x + 25.4, x * 10, 1e4, -1e4}[r.IntN(7)]
	case string:
		return []any{"", "left-rail-3", "tray", "up", x}[r.IntN(5)]
	case bool:
		return !x
	}
	return v
}

// Whatever is missing, doubled or mistyped in a survey that is kept at all, it
// works out to finite numbers, and what has no place says why.
func TestSpoiledSurveysStillSpeak(t *testing.T) {
	s, b, parts := surveyedTruck(t)
	whole, err := json.Marshal(s)
	if err != nil {
		t.Fatal(err)
	}
	r := rand.New(rand.NewPCG(91, 92))
	kept, refused := 0, 0
	for range 220 {
		var doc any
		if err := json.Unmarshal(whole, &doc); err != nil {
			t.Fatal(err)
		}
		for range 1 + r.IntN(8) {
			doc = spoil(r, doc)
		}
		raw, _ := json.Marshal(doc)
		var v vehicle.Survey
		if json.Unmarshal(raw, &v) != nil {
			continue
		}
		if err := v.Check(); err != nil {
			refused++
			f, ok := err.(*working.Fault)
			if !ok || !strings.HasPrefix(f.Path, "/") || f.Message == "" {
				t.Fatalf("refused without a place: %v", err)
			}
			continue
		}
		kept++
		w := WorkSurvey(v, b, parts)
		if _, err := json.Marshal(w); err != nil {
			t.Fatalf("%v, of %s", err, raw)
		}
		for _, p := range w.Points {
			if p.At == nil && p.Why == "" {
				t.Fatalf("%s has no place and does not say why: %s", p.ID, raw)
			}
			if p.At != nil && (p.Texts[0] == "" || p.Within == "") {
				t.Fatalf("%s is not written: %+v", p.ID, p)
			}
		}
		for i, m := range w.Maps {
			if len(v.Maps[i].Holes) >= 2 && m.Why == "" && len(m.Holes) != len(v.Maps[i].Holes) {
				t.Fatalf("map %s: %d of %d holes", m.ID, len(m.Holes), len(v.Maps[i].Holes))
			}
		}
		if len(w.Drillings) != len(v.Drillings) || len(w.Follows) != len(v.Follows) || len(w.Stacks) != len(v.Stacks) ||
			len(w.Fits) != len(v.Fits) || len(w.Levels) != len(v.Levels) || len(w.Placed) != len(v.Placed) {
			t.Fatal("a line is lost")
		}
		for _, d := range w.Drillings {
			if d.Verdict == "good" && d.Stop == "" {
				t.Fatalf("%+v", d)
			}
		}
	}
	if kept < 40 || refused < 20 {
		t.Errorf("%d kept, %d refused: too few of one to say much", kept, refused)
	}
}

// An empty survey says nothing and waits for everything.
func TestEmptySurvey(t *testing.T) {
	_, b, parts := surveyedTruck(t)
	b.Limits.Kept = nil
	w := WorkSurvey(vehicle.Survey{}, b, parts)
	if len(w.Findings)+len(w.Points)+len(w.Clearances)+len(w.Ground) != 0 || len(w.Checks) != len(parts) {
		t.Errorf("%+v", w)
	}
	s := vehicle.Survey{Maps: []vehicle.HoleMap{{ID: "m", Holes: []vehicle.MapHole{{ID: "a"}, {ID: "b"}, {ID: "c"}}}},
		Levels: []vehicle.LevelSet{{ID: "l"}}, Squares: []vehicle.SquareSet{{ID: "q"}}, Sides: []vehicle.SideRow{{ID: "s"}},
		Gaps: []vehicle.GapRow{{ID: "g"}}, Slopes: []vehicle.SlopeSet{{ID: "o"}},
		Measures: []vehicle.MeasureRow{{ID: "h"}}, Stacks: []vehicle.StackSet{{ID: "k", Places: []vehicle.StackPlace{{Name: "1"}}}},
		Fits: []vehicle.FitSet{{ID: "f"}}, Placed: []vehicle.Placed{{ID: "p"}}, Drillings: []vehicle.Drilling{{ID: "d"}},
		Follows: []vehicle.Follow{{ID: "w"}}, Points: []vehicle.SurveyPoint{{ID: "x"}}}
	if err := s.Check(); err != nil {
		t.Fatal(err)
	}
	w = WorkSurvey(s, b, nil)
	for name, lines := range map[string][]vehicle.ResultTold{"levels": {w.Levels[0].ResultTold}, "squares": w.Squares, "sides": w.Sides,
		"gaps": w.Gaps, "slopes": w.Slopes, "measures": w.Measures, "fits": w.Fits, "drillings": {w.Drillings[0].ResultTold},
		"stacks": {w.Stacks[0].ResultTold}} {
		if len(lines) != 1 || lines[0].Verdict != "open" || lines[0].Says == "" {
			t.Errorf("%s: %+v", name, lines)
		}
	}
	if w.Maps[0].Missing != 3 || w.Maps[0].NextFrom != "a" || w.Points[0].Why == "" || w.Placed[0].Why == "" || w.Follows[0].Why == "" {
		t.Errorf("%+v", w)
	}
}

// Lengths are written as the job writes them, in inches with fractions too.
func TestSurveyInInches(t *testing.T) {
	s, b, parts := surveyedTruck(t)
	b.Unit, b.Grain = brief.UnitFraction, 25.4/32
	w := WorkSurvey(s, b, parts)
	if p := point(t, w, "step-edge"); !strings.HasSuffix(p.Texts[0], `"`) || !strings.Contains(p.Texts[2], `7.087"`) { // 180 mm
		t.Errorf("%q", p.Texts)
	}
	for _, c := range w.Clearances {
		if !strings.HasSuffix(c.Text, `"`) || !strings.HasSuffix(c.Need, `"`) {
			t.Errorf("%q of %q", c.Text, c.Need)
		}
	}
	if w.Points[0].Working == nil || !strings.Contains(w.Points[0].Working.Steps[0].Text, " in (") {
		t.Errorf("%+v", w.Points[0].Working)
	}
}

// Patterns that follow one map are brought along together; a hole of a grid
// cannot follow alone.
func TestPatternsThatFollow(t *testing.T) {
	s, b, parts := surveyedTruck(t)
	follow := s.Follows[0]
	follow.ID, follow.Part = "second", "foot"
	s.Follows = append(s.Follows, follow)
	if w := WorkSurvey(s, b, parts); w.Follows[1].Why == "" {
		t.Error("holes that are not on the part follow")
	}
	s.Follows[1].Holes = []vehicle.MatePair{{Hole: "floor-bolts.1", Point: "left-rail-3"}, {Hole: "floor-bolts.2", Point: "left-rail-4"}}
	w := WorkSurvey(s, b, parts)
	if f := w.Follows[1]; f.Why != "" || !f.Stale || f.Group != w.Follows[0].Group {
		t.Errorf("%+v", f)
	}
	s.Follows[1] = vehicle.Follow{ID: "feet", Part: "foot", Device: "press",
		Holes: []vehicle.MatePair{{Hole: "floor-bolts.1"}, {Hole: "floor-bolts.2"}}}
	if f := WorkSurvey(s, b, parts).Follows[1]; f.Why != "" || !f.Stale {
		t.Errorf("two bolts 60 apart follow feet 520 apart: %+v", f)
	}
	s.Follows[1].Holes = make([]vehicle.MatePair, 9)
	if f := WorkSurvey(s, b, parts).Follows[1]; !strings.Contains(f.Why, "fewer feet") {
		t.Errorf("%+v", f)
	}
	// The other rail alike: the mirrored part serves; far off: two parts.
	s.Maps[1].Readings = nil
	for _, r := range s.Maps[0].Readings {
		r.From, r.To = strings.Replace(r.From, "left", "right", 1), strings.Replace(r.To, "left", "right", 1)
		s.Maps[1].Readings = append(s.Maps[1].Readings, r)
	}
	if f := WorkSurvey(s, b, parts).Follows[0]; f.Other.Answer != "serves" {
		t.Errorf("%+v", f.Other)
	}
	for i := range s.Maps[1].Readings {
		v := &s.Maps[1].Readings[i].Value
		v.Values = []float64{v.Values[0] * 1.2}
	}
	if f := WorkSurvey(s, b, parts).Follows[0]; f.Other.Answer != "differ" {
		t.Errorf("%+v", f.Other)
	}
}
