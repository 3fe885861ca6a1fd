package made_test

import (
	"encoding/json"
	"math/rand/v2"
	"testing"

	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
)

// Fixes pressed one after the other, whichever comes first, come to an end: none brings back
// what an earlier one mended. Whatever a fix moves is counted from the edge or hole it was
// counted from before.
func TestFixesNeverUndoEachOther(t *testing.T) {
	pressed, longest := 0, 0
	for n := range 1500 {
		rnd := rand.New(rand.NewPCG(uint64(n), 15))
		opt := made.Options{Display: quantity.Display{Style: quantity.Metric}, Proved: true}
		if n%3 == 0 {
			opt.Display.Style = quantity.Decimal
		}
		for _, r := range shaken(rnd, n) {
			first := references(r)
			seen := map[string]string{written(t, r): "the start"}
			for step := 1; ; step++ {
				p, err := made.Build(r, opt)
				if err != nil {
					break
				}
				var edits []func() (sheet.Recipe, string, error)
				for _, f := range p.Findings {
					for _, x := range f.Fixes {
						edits = append(edits, func() (sheet.Recipe, string, error) {
							next, err := sheet.ApplyEdits(r, x.Edits)
							return next, f.Code + ": " + x.Label, err
						})
					}
				}
				if len(edits) == 0 {
					break
				}
				next, what, err := edits[rnd.IntN(len(edits))]()
				if err != nil {
					t.Fatal(n, what, err)
				}
				pressed++
				longest = max(longest, step)
				key := written(t, next)
				if was, again := seen[key]; again {
					t.Errorf("%d: %q leads back to %s", n, what, was)
					break
				}
				if step > 60 {
					t.Errorf("%d: 60 fixes pressed and %d still offered, %q last", n, len(edits), what)
					break
				}
				for id, ref := range references(next) {
					if first[id] != ref {
						t.Errorf("%d: %q counts %s from %s, it was from %s", n, what, id, ref, first[id])
					}
				}
				seen[key] = "after " + what
				r = next
			}
		}
	}
	if t.Logf("%d fixes, at most %d after each other", pressed, longest); pressed < 300 || longest < 3 {
		t.Errorf("%d fixes pressed, %d after each other: too few to tell", pressed, longest)
	}
}

func written(t *testing.T, r sheet.Recipe) string {
	t.Helper()
	raw, err := json.Marshal(r)
	if err != nil {
		t.Fatal(err)
	}
	return string(raw)
}

// references answers what every hole is counted from.
func references(r sheet.Recipe) map[string]string {
	out := map[string]string{}
	one := func(o sheet.Offset) string { return string(o.Edge) + " " + o.Feature + " " + string(o.From) }
	add := func(list []sheet.Hole) {
		for _, h := range list {
			out[h.ID] = one(h.X) + ", " + one(h.Y)
		}
	}
	add(r.Base.Holes)
	var walk func([]sheet.Flange)
	walk = func(list []sheet.Flange) {
		for _, f := range list {
			add(f.Holes)
			walk(f.Flanges)
		}
	}
	walk(r.Base.Flanges)
	return out
}
