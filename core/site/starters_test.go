package site

import (
	"fmt"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/member/starters"
	"warmanvil/core/section"
	"warmanvil/core/working"
)

// What a frame's starter makes of its own numbers raises no stop, in metric and inch tube.
func TestFrameStartersRaiseNoStop(t *testing.T) {
	for _, tube := range []string{"50 × 50 × 4 mm tube", "2 × 2 × 11 ga in tube"} {
		var sec section.Stock
		for _, x := range section.Table() {
			if x.Name == tube {
				sec = x
			}
		}
		for _, k := range starters.Starters {
			n := 0
			d, err := starters.Start(k.Key, nil, sec, "steel-s235", func() string { n++; return fmt.Sprint("s", n) })
			if err != nil {
				t.Errorf("%s of %s: %v", k.Key, tube, err)
				continue
			}
			f := Frame{ID: "f", Name: k.Name, Quantity: 1, Doc: d}
			told := Site{Brief: brief.Brief{Unit: brief.UnitMM, Quantity: 1}, Frames: []Frame{f}}.Framed(f).Told()
			if len(told.Pieces) == 0 {
				t.Errorf("%s of %s: no pieces", k.Key, tube)
			}
			for _, x := range told.Findings {
				if x.Severity == working.Stop {
					t.Errorf("%s of %s: %s: %s", k.Key, tube, x.Code, x.Reason)
				}
			}
		}
	}
}
