package made_test

import (
	"fmt"
	"maps"
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/sheet/starters"
	"warmanvil/core/working"
)

// shaken answers what a starter makes of numbers off the usual ones, with the recipe
// then disturbed as a hurried hand does: holes near edges and bends, sharp radii, short
// flanges, other sheet.
func shaken(rnd *rand.Rand, n int) []sheet.Recipe {
	s := starters.PartStarters[n%len(starters.PartStarters)]
	values := map[string]float64{}
	for _, a := range s.Asks {
		if a.Kind == "length" && a.Usual > 0 {
			values[a.Key] = math.Min(a.Most, math.Max(a.Least, a.Usual*(.6+.8*rnd.Float64())))
		}
	}
	plain := plates.Plate(10, 10)
	plain.Thickness = []float64{1.5, 2, 3, 4, 6}[rnd.IntN(5)]
	plain.Material = []string{"steel-s235", "al-5083-h111", "steel-s355mc"}[rnd.IntN(3)]
	made, err := starters.StartPart(s.Key, values, plain, func() string { n++; return fmt.Sprint("i", rnd.Uint64()) })
	if err != nil {
		return nil
	}
	var out []sheet.Recipe
	for _, m := range made {
		r := m.Recipe
		holes := func(list []sheet.Hole) {
			for i := range list {
				h := &list[i]
				for _, o := range []*sheet.Offset{&h.X, &h.Y} {
					if rnd.IntN(2) == 0 {
						o.Distance *= .3 + rnd.Float64()
					}
				}
				if rnd.IntN(3) == 0 {
					h.Diameter *= .2 + 1.6*rnd.Float64()
				}
			}
		}
		holes(r.Base.Holes)
		var walk func(list []sheet.Flange)
		walk = func(list []sheet.Flange) {
			for i := range list {
				f := &list[i]
				if rnd.IntN(3) == 0 {
					f.InsideRadius *= rnd.Float64()
				}
				if rnd.IntN(4) == 0 {
					f.Length *= .2 + rnd.Float64()
				}
				if rnd.IntN(4) == 0 {
					f.Relief = sheet.Relief{}
				}
				holes(f.Holes)
				walk(f.Flanges)
			}
		}
		walk(r.Base.Flanges)
		out = append(out, r)
	}
	return out
}

// Every fix that is offered is taken: its flag is gone, and neither stop nor caution has
// come that was not there. Most of what is thought of holds up.
func TestEveryFixHelps(t *testing.T) {
	offered, taken, failed := map[string]int{}, map[string]int{}, map[string]int{}
	for n := range 600 {
		rnd := rand.New(rand.NewPCG(uint64(n), 14))
		opt := made.Options{Display: quantity.Display{Style: quantity.Metric}}
		if n%3 == 0 {
			opt.Display.Style = quantity.Decimal
		}
		for _, r := range shaken(rnd, n) {
			bare, _ := made.Build(r, opt)
			opt.Proved = true
			was, err := made.Build(r, opt)
			opt.Proved = false
			if err != nil {
				continue
			}
			had := map[string]bool{}
			for _, f := range was.Findings {
				had[f.Code+" "+f.Feature] = true
			}
			for _, f := range bare.Findings {
				offered[f.Code] += len(f.Fixes)
			}
			for _, f := range was.Findings {
				for _, fix := range f.Fixes {
					next, err := sheet.ApplyEdits(r, fix.Edits)
					if err != nil {
						t.Errorf("%d %s: %s: %v", n, f.Code, fix.Label, err)
						continue
					}
					now, err := made.Build(next, opt)
					if err != nil {
						t.Errorf("%d %s: %s: %v", n, f.Code, fix.Label, err)
						continue
					}
					taken[f.Code]++
					for _, g := range now.Findings {
						switch {
						case g.Code == f.Code && g.Feature == f.Feature:
							failed[f.Code+" stays after "+fix.Label]++
							t.Logf("%d %s %s: %s → %s", n, f.Code, fix.Label, f.Reason, g.Reason)
						case g.Severity != working.Note && !had[g.Code+" "+g.Feature]:
							failed[f.Code+" brings "+g.Code]++
							t.Logf("%d %s: %s brings %s: %s", n, f.Code, fix.Label, g.Code, g.Reason)
						}
					}
				}
			}
		}
	}
	t.Log("thought of", offered)
	t.Log("offered", taken)
	if all, kept := total(offered), total(taken); kept < all*3/4 || kept == 0 {
		t.Errorf("%d of %d fixes are left", kept, all)
	}
	for _, k := range slices.Sorted(maps.Keys(failed)) {
		t.Errorf("%s: %d times", k, failed[k])
	}
}

func total(counts map[string]int) (n int) {
	for _, c := range counts {
		n += c
	}
	return n
}
