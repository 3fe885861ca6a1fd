package site

import (
	"context"
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
	"warmanvil/core/shop"
	"warmanvil/core/solid"
	"warmanvil/core/working/wild"
)

// orchard is the demo truck with its folded parts called by their names, a duty of every
// kind and a limit of every kind.
func orchard(t testing.TB) Site {
	t.Helper()
	b := demo.OrchardTruck()
	for i, k := range load.DutyKinds {
		b.Duties = append(b.Duties, brief.Duty{ID: fmt.Sprint("duty", i), Name: string(k),
			On: brief.Side{Kind: brief.DeviceSide, Of: b.Devices[0].ID}, At: solid.Vector{10, 20, 30},
			Duty: load.Duty{Kind: k, Force: 500, Way: solid.Vector{1, 0, .5}, Mass: 90, Slope: 10, Ground: load.Grass, Breaks: 4000,
				Times: 2,
				Net:   solid.Vector{2, 0, 0}, Area: .5, Speed: 30, Shape: 1.2}})
	}
	given := func(v float64) *brief.Given { return demo.Given(v, brief.Measured) }
	b.Limits.Ground, b.Limits.Approach, b.Limits.Departure, b.Limits.Height, b.Limits.Width, b.Limits.Lift = given(180), given(20),
		given(18),
		given(2400), given(2100), given(30)
	b.Limits.Budget, b.Limits.Bought = demo.Amount(900), demo.Amount(100)
	var parts []Part
	for name, r := range map[string]sheet.Recipe{"Press foot": demo.PressFoot(), "Shelf bracket": demo.ShelfBracket(),
		"Compressor tray bracket": demo.TrayBracket()} {
		parts = append(parts, Part{ID: name, Name: name, Quantity: 2, Recipe: r})
	}
	s := Site{Brief: b, Parts: BuildParts(context.Background(), parts, b, shop.Shop{}), Survey: demo.OrchardSurvey()}
	if err := b.Check(); err != nil {
		t.Fatal(err)
	}
	return s
}

// Whatever number of a brief runs away, it is refused in words with its place, or the job
// is worked out all the same: nothing panics, and no number that is written is none.
func TestWildNumbersInABrief(t *testing.T) {
	s := orchard(t)
	r := rand.New(rand.NewPCG(14, 29))
	refused, taken := map[string]bool{}, 0
	wild.Each(t, s.Brief, []float64{1e300, -1e300, 1e9, -1e9}, func(at string, v float64, b brief.Brief) {
		if err := b.Check(); err != nil {
			wild.Refused(t, fmt.Sprintf("%s at %g", at, v), err)
			refused[at] = true
			return
		}
		if math.Abs(v) > 1e250 && !strings.Contains(at, "/joints/") && !strings.HasSuffix(at, "/margin") {
			t.Errorf("%s at %g is kept", at, v)
		}
		if taken > 20 && r.IntN(40) > 0 {
			return
		}
		taken++
		x := s
		x.Brief = b
		h := x.Hold()
		if _, err := json.Marshal(h); err != nil {
			t.Errorf("%s at %g: %v", at, v, err)
		}
		if _, err := json.Marshal(x.Tell(h.Joints)); err != nil {
			t.Errorf("%s at %g, weights: %v", at, v, err)
		}
	})
	if len(refused) < 100 || taken < 20 {
		t.Errorf("%d places refuse, %d wild numbers are worked with", len(refused), taken)
	}
}
