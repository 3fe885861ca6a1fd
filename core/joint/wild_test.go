package joint

import (
	"encoding/json"
	"fmt"
	"testing"

	"warmanvil/core/strength"
	"warmanvil/core/working/wild"
)

// Whatever number of a joint runs away, with every kind of fastener: it is refused in
// words with its place, or the answer is all numbers, and a joint that holds says of
// nothing that it is gone.
func TestWildNumbersInAJoint(t *testing.T) {
	refused, worked := 0, 0
	for name, in := range answered() {
		in.Plies[0].Pull, in.Plies[0].Stiff = 30, false
		wild.Each(t, in, []float64{1e300, -1e300, 1e9, 0, 1e-12}, func(at string, v float64, x Input) {
			what := fmt.Sprintf("%s, %s at %g", name, at, v)
			r, err := Work(x)
			if err != nil {
				refused++
				wild.Refused(t, what, err)
				return
			}
			worked++
			if _, err := json.Marshal(r); err != nil {
				t.Errorf("%s: %v", what, err)
			}
			for _, c := range r.Checks {
				if r.Verdict == strength.Holds && (c.Verdict == strength.Over || c.Verdict == strength.CannotSay) {
					t.Errorf("%s holds, and %s is %s", what, c.Key, c.Verdict)
				}
			}
		})
	}
	if refused < 300 || worked < 300 {
		t.Errorf("%d refused, %d worked: the test shows little", refused, worked)
	}
}
