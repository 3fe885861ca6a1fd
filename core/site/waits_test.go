package site

import (
	"context"
	"slices"
	"testing"

	"warmanvil/core/strength"
)

// What waits is what is said elsewhere, no more and no less: every bracket, joint and frame
// that is over or cannot be said, every part that is held back.
func TestWaits(t *testing.T) {
	b := truck("rough")
	s := Site{Brief: b, Parts: BuildParts(context.Background(), pressParts(), b)}
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
		c := CheckOf(s.Survey, b, p, s.Parts)
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
		return CheckOf(s.Survey, b, p, s.Parts).Released
	})) {
		t.Errorf("made to a drawing, %q waits", got)
	}
}
