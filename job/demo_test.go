package job

import (
	"fmt"
	"testing"

	"warmanvil/core/demo"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// The demo shows parts that can be made: whole, and with nothing that stops.
func TestDemoPartsAreSound(t *testing.T) {
	n := 0
	s := &Service{NewID: func() string { n++; return fmt.Sprint("n", n) }}
	tray, err := s.compressorTray()
	if err != nil {
		t.Fatal(err)
	}
	cradle, err := s.tankCradle()
	if err != nil {
		t.Fatal(err)
	}
	for name, r := range map[string]sheet.Recipe{"press foot": demo.PressFoot(), "shelf bracket": demo.ShelfBracket(),
		"amplifier shelf": demo.AmplifierShelf(), "tray": tray, "saddle": cradle[0].Recipe, "strap": cradle[1].Recipe,
		"speaker bracket": demo.SpeakerBracket()} {
		p, err := made.Build(r, made.Options{})
		if err != nil {
			t.Errorf("%s: %v", name, err)
			continue
		}
		if !p.Whole {
			t.Errorf("%s is not whole", name)
		}
		for _, f := range p.Findings {
			if f.Severity == working.Stop {
				t.Errorf("%s: %s", name, f.Reason)
			}
			t.Logf("%s: %s %s %s", name, f.Severity, f.Code, f.Reason)
		}
	}
}

// The demo's welded joints hold as they are, each with a number, and each can be put in order or says why not.
func TestDemoWeldsHold(t *testing.T) {
	s, _ := remembering()
	if err := s.LoadDemo(t.Context()); err != nil {
		t.Fatal(err)
	}
	list, err := s.Jobs(t.Context(), false)
	if err != nil {
		t.Fatal(err)
	}
	n := 0
	for _, j := range list {
		_, all, err := s.Site(t.Context(), j.ID)
		if err != nil {
			t.Fatal(err)
		}
		for _, w := range all.Hold().Welded {
			n++
			if w.Result == nil || w.Result.Hardest == nil || w.Result.Verdict != strength.Holds {
				t.Errorf("%s: %s, %s", w.Name, w.Verdict, w.Why)
			}
			p, err := all.WeldPlan(w.ID)
			if err != nil || p.Order == nil && p.Why == "" {
				t.Errorf("%s: %v %+v", w.Name, err, p)
			}
		}
	}
	if n != 2 {
		t.Errorf("%d welded joints", n)
	}
}
