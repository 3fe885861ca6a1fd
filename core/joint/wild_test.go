package joint

import (
	"encoding/json"
	"errors"
	"fmt"
	"strings"
	"testing"

	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// numbers walks all numbers of a document.
func numbers(v any, at string, set func(any), do func(at string, was float64, set func(any))) {
	switch x := v.(type) {
	case map[string]any:
		for k, in := range x {
			numbers(in, at+"/"+k, func(to any) { x[k] = to }, do)
		}
	case []any:
		for i, in := range x {
			numbers(in, fmt.Sprintf("%s/%d", at, i), func(to any) { x[i] = to }, do)
		}
	case float64:
		do(at, x, set)
	}
}

// Whatever number of a joint runs away, with every kind of fastener: it is refused in
// words with its place, or the answer is all numbers, and a joint that holds says of
// nothing that it is gone.
func TestWildNumbersInAJoint(t *testing.T) {
	refused, worked := 0, 0
	for name, in := range answered() {
		in.Plies[0].Pull, in.Plies[0].Stiff = 30, false
		raw, err := json.Marshal(in)
		if err != nil {
			t.Fatal(err)
		}
		var doc any
		if err := json.Unmarshal(raw, &doc); err != nil {
			t.Fatal(err)
		}
		numbers(doc, "", func(any) {}, func(at string, was float64, set func(any)) {
			for _, wild := range []float64{1e300, -1e300, 1e9, -was - 1, 0, 1e-12} {
				set(wild)
				text, err := json.Marshal(doc)
				if err != nil {
					t.Fatal(err)
				}
				var x Input
				if json.Unmarshal(text, &x) != nil {
					continue
				}
				r, err := Work(x)
				if err != nil {
					refused++
					var f *working.Fault
					if !errors.As(err, &f) || !strings.HasPrefix(f.Path, "/") || len(f.Message) < 10 || strings.Contains(f.Message, "%!") {
						t.Errorf("%s, %s at %g is refused without words: %v", name, at, wild, err)
					}
					continue
				}
				worked++
				if _, err := json.Marshal(r); err != nil {
					t.Errorf("%s, %s at %g: %v", name, at, wild, err)
				}
				for _, c := range r.Checks {
					if r.Verdict == strength.Holds && (c.Verdict == strength.Over || c.Verdict == strength.CannotSay) {
						t.Errorf("%s, %s at %g holds, and %s is %s", name, at, wild, c.Key, c.Verdict)
					}
				}
			}
			set(was)
		})
	}
	if refused < 300 || worked < 300 {
		t.Errorf("%d refused, %d worked: the test shows little", refused, worked)
	}
}
