package joint

import (
	"slices"
	"strings"
	"testing"

	"warmanvil/core/working"
)

// A bolt in a track is looked at for its slot, its lips and its bottom; what is not said of
// the track is said to be missing, and the nuts are loaded before the track is closed.
func TestTrack(t *testing.T) {
	in := sound()
	in.Nut = SlotNut
	found := func(tr *Track) map[string]working.Severity {
		in.Track = tr
		r, err := Work(in)
		if err != nil {
			t.Fatal(err)
		}
		if !slices.ContainsFunc(r.Making, func(s string) bool { return strings.Contains(s, "before its end cap") }) {
			t.Errorf("when the nuts are loaded is not said: %q", r.Making)
		}
		out := map[string]working.Severity{}
		for _, f := range r.Findings {
			if strings.HasPrefix(f.Code, "track-") {
				out[f.Code] = f.Severity
			}
		}
		if slices.Contains([]working.Severity{out["track-narrow"], out["track-bottom"], out["track-shallow"]}, working.Stop) &&
			r.Verdict == "holds" {
			t.Error("what cannot be put together holds")
		}
		return out
	}
	r, err := Work(in)
	if err != nil || r.Grip == nil || r.Grip.Length == nil {
		t.Fatalf("%v %+v", err, r.Grip)
	}
	past := *r.Grip.Length - r.Stack
	d := 10. // sound() is of M10
	for name, c := range map[string]struct {
		track *Track
		want  string
	}{
		"not said":          {nil, "track-unknown"},
		"half said":         {&Track{Opening: 12}, "track-unknown"},
		"it fits":           {&Track{Opening: d + 1, Deep: past + 1}, ""},
		"too narrow":        {&Track{Opening: d, Deep: past + 1}, "track-narrow"},
		"lips hardly reach": {&Track{Opening: 2*d + 1, Deep: past + 1}, "track-wide"},
		"stands on its end": {&Track{Opening: d + 1, Deep: past - .5}, "track-bottom"},
		"nut does not go":   {&Track{Opening: d + 1, Deep: 2}, "track-shallow"},
	} {
		got := found(c.track)
		if _, is := got[c.want]; c.want != "" && !is || c.want == "" && len(got) > 0 {
			t.Errorf("%s: %v, want %q", name, got, c.want)
		}
	}
	plain := sound()
	plain.Track = &Track{Opening: 1, Deep: 1}
	if r, _ := Work(plain); slices.ContainsFunc(r.Findings, func(f working.Finding) bool { return strings.HasPrefix(f.Code, "track") }) {
		t.Error("a bolt with a nut asks for a track")
	}
}
