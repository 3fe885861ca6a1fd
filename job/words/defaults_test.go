package words

import (
	"fmt"
	"testing"

	"warmanvil/core/sheet/made"
	"warmanvil/core/sheet/starters"
	"warmanvil/core/working"
)

// What a starter makes of its own numbers, in the sheet a new part starts from, raises
// neither stop nor caution, in a metric and an inch shop.
func TestStartersRaiseNothingOfTheirOwn(t *testing.T) {
	for _, inch := range []bool{false, true} {
		for _, k := range starters.PartStarters {
			n := 0
			list, err := starters.StartPart(k.Key, nil, StartsOf(inch).Recipe, func() string { n++; return fmt.Sprint(n) })
			if err != nil || len(list) == 0 {
				t.Errorf("%s, inch %v: %d parts, %v", k.Key, inch, len(list), err)
			}
			for _, m := range list {
				b, err := made.Build(m.Recipe, made.Options{})
				if err != nil || !b.Whole {
					t.Errorf("%s, inch %v: whole %v, %v", k.Key, inch, b.Whole, err)
				}
				for _, f := range b.Findings {
					if f.Severity != working.Note {
						t.Errorf("inch %v, %s: %s %s: %s", inch, m.Name, f.Severity, f.Code, f.Reason)
					}
				}
			}
		}
	}
}
