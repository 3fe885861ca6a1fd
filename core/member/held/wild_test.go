package held

import (
	"encoding/json"
	"fmt"
	"math"
	"testing"

	"warmanvil/core/load"
	"warmanvil/core/member"
	"warmanvil/core/member/cutlist"
	"warmanvil/core/member/racks"
	"warmanvil/core/member/shape"
	"warmanvil/core/solid"
	"warmanvil/core/strength"
	"warmanvil/core/working/wild"
)

// Whatever number of a frame runs away, it is refused in words with its place, or the
// frame is built, cut and asked all the same: nothing panics, all that is written is
// numbers, and nothing holds that has no section or no place.
func TestWildNumbersInAFrame(t *testing.T) {
	refused, worked := 0, 0
	for _, starter := range []string{"rack", "outriggers", "drawbar"} {
		d := racks.Started(t, starter, "50 × 50 × 4 mm tube", nil)
		d.Members[0].Splice = &member.Splice{At: 120}
		d.Plates = append(d.Plates, member.Plate{ID: "ear", Name: "Ear", Member: d.Members[0].ID, End: "b", Kind: "tab", Width: 60, Height: 50,
			Thickness: 8, Holes: 1, Hole: 13, Margin: 20})
		d.Loads = append(d.Loads, member.Load{ID: "push", Name: "Push", Kind: "force", Force: [3]float64{50, 20, -80},
			Points: []string{d.Points[len(d.Points)-1].ID}},
			member.Load{ID: "deck", Name: "Deck", Kind: "uniform", Kilos: 5, Member: d.Members[0].ID})
		ask := asked(load.Case{Name: "at rest", Net: solid.Vector{0, 0, -1}}, load.Case{Name: "braked", Net: solid.Vector{.8, 0, -1}})
		n := 0
		wild.Each(t, d, []float64{1e300, -1e300, 1e7, 0}, func(at string, v float64, x member.Doc) {
			what := fmt.Sprintf("%s, %s at %g", starter, at, v)
			if err := x.Check(); err != nil {
				refused++
				wild.Refused(t, what, err)
				return
			}
			if math.Abs(v) > 1e250 {
				t.Errorf("%s is kept", what)
			}
			if n++; n%4 != 0 {
				return // a frame takes milliseconds
			}
			worked++
			b := shape.Build(x, nil)
			h := Hold(b, x, ask)
			for of, out := range map[string]any{"shape": b.Pieces, "strength": h, "cut list": cutlist.Plan(t.Context(), b, x.Saw)} {
				if _, err := json.Marshal(out); err != nil {
					t.Errorf("%s, %s: %v", what, of, err)
				}
			}
			for _, p := range b.Pieces {
				if p.Why != "" && h.Verdict == strength.Holds {
					t.Errorf("%s holds, and %s has no place: %s", what, p.Name, p.Why)
				}
			}
		})
	}
	if refused < 200 || worked < 60 {
		t.Errorf("%d refused, %d worked: the test shows little", refused, worked)
	}
}
