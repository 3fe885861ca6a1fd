package job

import (
	"fmt"
	"testing"

	"warmanvil/core/demo"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
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
