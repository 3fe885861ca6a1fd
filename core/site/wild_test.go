package site

import (
	"encoding/json"
	"fmt"
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/load"
	"warmanvil/core/sheet"
	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// orchard is the demo truck with its folded parts called by their names, a duty of every
// kind and a limit of every kind.
func orchard(t testing.TB) Site {
	t.Helper()
	b := demo.OrchardTruck()
	for i, k := range load.DutyKinds {
		b.Duties = append(b.Duties, brief.Duty{ID: fmt.Sprint("duty", i), Name: string(k), On: brief.Side{Kind: brief.DeviceSide, Of: b.Devices[0].ID}, At: solid.Vector{10, 20, 30},
			Duty: load.Duty{Kind: k, Force: 500, Way: solid.Vector{1, 0, .5}, Mass: 90, Slope: 10, Ground: load.Grass, Breaks: 4000, Times: 2, Net: solid.Vector{2, 0, 0}, Area: .5, Speed: 30, Shape: 1.2}})
	}
	given := func(v float64) *brief.Given { return demo.Given(v, brief.Measured) }
	b.Limits.Ground, b.Limits.Approach, b.Limits.Departure, b.Limits.Height, b.Limits.Width, b.Limits.Lift = given(180), given(20), given(18), given(2400), given(2100), given(30)
	b.Limits.Budget, b.Limits.Bought = demo.Amount(900), demo.Amount(100)
	var parts []Part
	for name, r := range map[string]sheet.Recipe{"Press foot": demo.PressFoot(), "Shelf bracket": demo.ShelfBracket(), "Compressor tray bracket": demo.TrayBracket()} {
		parts = append(parts, Part{ID: name, Name: name, Quantity: 2, Recipe: r})
	}
	s := Site{Brief: b, Parts: BuildParts(parts, b), Survey: demo.OrchardSurvey()}
	if err := b.Check(); err != nil {
		t.Fatal(err)
	}
	return s
}

// numbers lists the places of all numbers of a document, as the ways to set them.
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

// Whatever number of a brief runs away, it is refused in words with its place, or the job
// is worked out all the same: nothing panics, and no number that is written is none.
func TestWildNumbersInABrief(t *testing.T) {
	s := orchard(t)
	raw, err := json.Marshal(s.Brief)
	if err != nil {
		t.Fatal(err)
	}
	var doc any
	if err := json.Unmarshal(raw, &doc); err != nil {
		t.Fatal(err)
	}
	r := rand.New(rand.NewPCG(14, 29))
	refused, taken := map[string]bool{}, 0
	numbers(doc, "", func(any) {}, func(at string, was float64, set func(any)) {
		for _, wild := range []float64{1e300, -1e300, 1e9, -1e9, -was - 1} {
			set(wild)
			text, err := json.Marshal(doc)
			if err != nil {
				t.Fatal(err)
			}
			var b brief.Brief
			if json.Unmarshal(text, &b) != nil {
				continue // a whole number that is none
			}
			if err := b.Check(); err != nil {
				f, ok := err.(*working.Fault)
				if !ok || f.Path == "" || len(f.Message) < 10 || strings.Contains(f.Message, "%!") {
					t.Errorf("%s at %g is refused without words: %v", at, wild, err)
				}
				refused[at] = true
				continue
			}
			if math.Abs(wild) > 1e250 && !strings.Contains(at, "/joints/") && !strings.HasSuffix(at, "/margin") {
				t.Errorf("%s at %g is kept", at, wild)
			}
			if taken > 20 && r.IntN(40) > 0 {
				continue
			}
			taken++
			x := s
			x.Brief = b
			h := x.Hold()
			if _, err := json.Marshal(h); err != nil {
				t.Errorf("%s at %g: %v", at, wild, err)
			}
			if _, err := json.Marshal(x.Tell(h.Joints)); err != nil {
				t.Errorf("%s at %g, weights: %v", at, wild, err)
			}
		}
		set(was)
	})
	if len(refused) < 100 || taken < 20 {
		t.Errorf("%d places refuse, %d wild numbers are worked with", len(refused), taken)
	}
}
