package trace

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// gaps says what stays open, and what tolerance would close it.
func (t *Traced) gaps() {
	if len(t.Open) == 0 {
		return
	}
	need := math.Inf(1)
	var where []profile.Point
	var all []profile.Point
	for _, c := range t.Open {
		all = append(all, c.From, c.To)
	}
	for i, p := range all {
		if i >= 2000 { // enough to name a tolerance
			break
		}
		best := math.Inf(1)
		for j, q := range all[:min(len(all), 4000)] {
			if i != j {
				best = math.Min(best, q.Sub(p).Len())
			}
		}
		where = append(where, p)
		need = math.Min(need, best)
	}
	var fixes []working.Fix
	if next := t.closing(all); next > 0 {
		fixes = append(fixes, working.Fix{Label: fmt.Sprintf("Join ends up to %.3g apart", next),
			Edits: []working.Edit{{Path: "/tolerance", Value: next}}})
	}
	t.say(working.Stop, "open", "Open ends", fixes,
		fmt.Sprintf("%s open, at %s: the nearest ends stand %.3g apart and the tolerance is %.3g.",
			plural(len(t.Open), "line stays", "lines stay"), places(where), need, t.Tolerance))
}

// closing answers a tolerance that would close most gaps without swallowing
// what is drawn.
func (t *Traced) closing(all []profile.Point) float64 {
	if len(all) > 4000 {
		return 0
	}
	var gaps []float64
	for i, p := range all {
		best := math.Inf(1)
		for j, q := range all {
			if i != j {
				best = math.Min(best, q.Sub(p).Len())
			}
		}
		gaps = append(gaps, best)
	}
	shortest := math.Inf(1)
	for _, c := range t.Open {
		shortest = math.Min(shortest, c.Length)
	}
	slices.Sort(gaps)
	best := 0.0
	for _, g := range gaps {
		if g*1.05 < shortest/2 {
			best = g * 1.05
		}
	}
	if best <= t.Tolerance {
		return 0
	}
	scale := math.Pow(10, math.Floor(math.Log10(best))-1)
	return math.Ceil(best/scale) * scale
}

func plural(n int, one, many string) string {
	if n == 1 {
		return "1 " + one
	}
	return fmt.Sprintf("%d %s", n, many)
}

// places writes the first few places.
func places(list []profile.Point) string {
	list = slices.Clone(list)
	slices.SortFunc(list, func(a, b profile.Point) int { return cmp.Or(cmp.Compare(a.X, b.X), cmp.Compare(a.Y, b.Y)) })
	list = slices.Compact(list)
	out := ""
	for i, p := range list {
		if i == 4 {
			return fmt.Sprintf("%s and %d more places", out, len(list)-4)
		}
		if i > 0 {
			out += ", "
		}
		out += fmt.Sprintf("(%.4g, %.4g)", p.X, p.Y)
	}
	return out
}
