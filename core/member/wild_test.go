package member

import (
	"encoding/json"
	"errors"
	"fmt"
	"strings"
	"testing"

	"warmanvil/core/load"
	"warmanvil/core/solid"
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

// Whatever number of a frame runs away, it is refused in words with its place, or the
// frame is built, cut and asked all the same: nothing panics, all that is written is
// numbers, and nothing holds that has no section or no place.
func TestWildNumbersInAFrame(t *testing.T) {
	refused, worked := 0, 0
	for _, starter := range []string{"rack", "outriggers", "drawbar"} {
		d := started(t, starter, "50 × 50 × 4 mm tube", nil)
		d.Members[0].Splice = &Splice{At: 120}
		d.Plates = append(d.Plates, Plate{ID: "ear", Name: "Ear", Member: d.Members[0].ID, End: "b", Kind: "tab", Width: 60, Height: 50, Thickness: 8, Holes: 1, Hole: 13, Margin: 20})
		d.Loads = append(d.Loads, Load{ID: "push", Name: "Push", Kind: "force", Force: [3]float64{50, 20, -80}, Points: []string{d.Points[len(d.Points)-1].ID}}, Load{ID: "deck", Name: "Deck", Kind: "uniform", Kilos: 5, Member: d.Members[0].ID})
		raw, err := json.Marshal(d)
		if err != nil {
			t.Fatal(err)
		}
		var doc any
		if err := json.Unmarshal(raw, &doc); err != nil {
			t.Fatal(err)
		}
		ask := asked(load.Case{Name: "at rest", Net: solid.Vector{0, 0, -1}}, load.Case{Name: "braked", Net: solid.Vector{.8, 0, -1}})
		n := 0
		numbers(doc, "", func(any) {}, func(at string, was float64, set func(any)) {
			for _, wild := range []float64{1e300, -1e300, 1e7, -was - 1, 0} {
				set(wild)
				text, err := json.Marshal(doc)
				if err != nil {
					t.Fatal(err)
				}
				var x Doc
				if json.Unmarshal(text, &x) != nil {
					continue
				}
				if err := x.Check(); err != nil {
					refused++
					var f *working.Fault
					if !errors.As(err, &f) || !strings.HasPrefix(f.Path, "/") || len(f.Message) < 10 || strings.Contains(f.Message, "%!") {
						t.Errorf("%s, %s at %g is refused without words: %v", starter, at, wild, err)
					}
					continue
				}
				if wild > 1e250 || wild < -1e250 {
					t.Errorf("%s, %s at %g is kept", starter, at, wild)
				}
				if n++; n%4 != 0 {
					continue // a frame takes milliseconds
				}
				worked++
				b := Build(x, nil)
				h := b.Hold(x, ask)
				for what, v := range map[string]any{"shape": b.Pieces, "strength": h, "cut list": b.CutList(x.Saw)} {
					if _, err := json.Marshal(v); err != nil {
						t.Errorf("%s, %s at %g, %s: %v", starter, at, wild, what, err)
					}
				}
				for _, p := range b.Pieces {
					if p.Why != "" && h.Verdict == strength.Holds {
						t.Errorf("%s, %s at %g holds, and %s has no place: %s", starter, at, wild, p.Name, p.Why)
					}
				}
			}
			set(was)
		})
	}
	if refused < 200 || worked < 60 {
		t.Errorf("%d refused, %d worked: the test shows little", refused, worked)
	}
}
