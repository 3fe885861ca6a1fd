package site

import (
	"context"
	"slices"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/shop"
	"warmanvil/core/strength"
	"warmanvil/core/survey"
	"warmanvil/core/vehicle"
)

// What waits is what is said elsewhere, no more and no less: every bracket, joint and frame
// that is over or cannot be said, every part that is held back.
func TestWaits(t *testing.T) {
	b := truck("rough")
	s := Site{Brief: b, Parts: BuildParts(context.Background(), pressParts(), b, shop.Shop{})}
	w := s.Waits()
	want := map[strength.Verdict][]string{}
	for _, x := range s.Said(s.Hold()) {
		want[x.Verdict] = append(want[x.Verdict], x.Name)
	}
	for v, got := range map[strength.Verdict][]string{strength.Over: w.Over, strength.CannotSay: w.CannotSay} {
		for _, name := range want[v] {
			if !slices.Contains(got, name) {
				t.Errorf("%s is %s and does not wait: %q", name, v, got)
			}
		}
	}
	for _, p := range s.Parts {
		c := Site{Survey: s.Survey, Brief: b, Parts: s.Parts}.CheckOf(p)
		if c.Released == slices.Contains(w.Measure, p.Name) {
			t.Errorf("%s is released %v, and waits: %q", p.Name, c.Released, w.Measure)
		}
	}
	// A bracket that carries ten times as much waits as over.
	for i := range b.Devices {
		if b.Devices[i].Mass != nil {
			heavy := *b.Devices[i].Mass
			heavy.Value *= 40
			b.Devices[i].Mass = &heavy
		}
	}
	s.Brief = b
	if w = s.Waits(); len(w.Over) == 0 {
		t.Errorf("forty times the load, and nothing is over: %+v", w)
	}
	s.Survey.Drawn = "made to a drawing"
	if got := s.Waits().Measure; len(got) != len(slices.DeleteFunc(slices.Clone(s.Parts), func(p BuiltPart) bool {
		return Site{Survey: s.Survey, Brief: b, Parts: s.Parts}.CheckOf(p).Released
	})) {
		t.Errorf("made to a drawing, %q waits", got)
	}
}

// A gap that the reading alone could make short is not good, one far from what must stay is;
// what stands too close waits by itself, not among what is over.
func TestDoubtAtTheLimit(t *testing.T) {
	read := func(v float64) survey.Reading { return survey.Reading{Values: []float64{v}, Trust: "measured"} }
	v := vehicle.Survey{Gaps: []vehicle.GapRow{
		{ID: "near", Name: "Near", Unloaded: read(80), Loaded: read(61), Need: 60},
		{ID: "far", Name: "Far", Unloaded: read(80), Loaded: read(70), Need: 60},
		{ID: "short", Name: "Short", Unloaded: read(80), Loaded: read(59), Need: 60},
		{ID: "free", Name: "Free", Unloaded: read(80), Loaded: read(1)}}}
	want := map[string]string{"near": "doubtful", "far": "good", "short": "bad", "free": "good"}
	b := brief.Brief{Unit: brief.UnitMM, Quantity: 1, Grain: 1}
	for _, r := range WorkSurvey(v, b, nil).Gaps {
		if r.Verdict != want[r.ID] {
			t.Errorf("%s is %s: %s", r.ID, r.Verdict, r.Says)
		}
	}
	box := func(id string, y float64) vehicle.Placed {
		return vehicle.Placed{ID: id, Name: id, Size: &brief.Box{Length: 100, Width: 100, Height: 100}, At: [3]float64{0, y, 0}}
	}
	v = vehicle.Survey{Placed: []vehicle.Placed{box("a", 0), box("b", 105)}, Between: 20}
	w := Site{Brief: b, Survey: v}.Waits()
	if len(w.Close) == 0 || len(w.Over) != 0 {
		t.Errorf("5 mm between them, 20 to keep: %+v", w)
	}
}
