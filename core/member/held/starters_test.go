package held

import (
	"fmt"
	"testing"

	"warmanvil/core/load"
	"warmanvil/core/member/racks"
	"warmanvil/core/member/shape"
	"warmanvil/core/member/starters"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// Every starter makes a frame without a stop that stands and can be judged, in
// box, round and angle; its overall sizes are those asked for.
func TestStarters(t *testing.T) {
	for _, name := range []string{"50 × 50 × 4 mm tube", "Ø 48.3 × 3.2 mm tube", "L 60 × 60 × 6 mm"} {
		for _, s := range starters.Starters {
			n := 0
			d, err := starters.Start(s.Key, nil, racks.StockOf(t, name), "steel-s235", func() string { n++; return fmt.Sprint(n) })
			if err != nil {
				t.Fatal(s.Key, err)
			}
			b := shape.Build(d, nil)
			for _, f := range b.Findings {
				if f.Severity == working.Stop {
					t.Errorf("%s of %s: %s", s.Key, name, f.Reason)
				}
			}
			h := Hold(b, d, asked(load.Roads[load.Smooth].Cases()...))
			if h.Why != "" || len(h.Modes) == 0 {
				t.Errorf("%s of %s: %s %s %+v", s.Key, name, h.Verdict, h.Why, h.Findings)
			}
			for _, c := range h.Ledger { // the wall of an open section under a member is nobody's rule
				if c.Verdict == strength.CannotSay && (c.Key != "chord" || name[0] != 'L') {
					t.Errorf("%s of %s: %s, %s: %s", s.Key, name, c.Name, c.Where, c.Why)
				}
			}
			if h.Members[0].Along == nil || b.Mass <= 0 {
				t.Errorf("%s weighs %g", s.Key, b.Mass)
			}
		}
	}
	n := 0
	id := func() string { n++; return fmt.Sprint(n) }
	d, _ := starters.Start("rack", map[string]float64{"length": 1000, "width": 700}, racks.StockOf(t, "40 × 40 × 3 mm tube"), "steel-s235", id)
	b := shape.Build(d, nil)
	for _, p := range b.Pieces[:4] {
		racks.Near(t, "long points over the outside", p.Length, map[bool]float64{true: 700, false: 1000}[p.Axes.X[1] != 0], 1e-9)
	}
	d, _ = starters.Start("outriggers", nil, racks.StockOf(t, "50 × 50 × 4 mm tube"), "steel-s235", id)
	if b = shape.Build(d, nil); len(b.Pieces) != 6 || len(b.Plates) != 4 || len(b.Laid.Supports) != 4 {
		t.Errorf("%d pieces, %d plates, %d supports", len(b.Pieces), len(b.Plates), len(b.Laid.Supports))
	}
	for key, v := range map[string]map[string]float64{"ladder": {"crosses": 1}, "hoop": {"height": -5}, "nothing": nil} {
		if _, err := starters.Start(key, v, racks.StockOf(t, "50 × 50 × 4 mm tube"), "steel-s235", id); err == nil {
			t.Errorf("%s with %v is taken", key, v)
		}
	}
}
