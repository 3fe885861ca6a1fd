package site

import (
	"fmt"

	"warmanvil/core/brief"
	"warmanvil/core/hold"
	"warmanvil/core/strength"
)

// mounted answers a bracket as it is held: by its bolts, or by the seams of a welded joint; why says what of those is
// gone.
func mounted(b brief.Brief, m brief.Mount) (out hold.Mount, why string) {
	out = m.Hold
	if m.Welded == "" {
		return out, ""
	}
	for _, w := range b.Welded {
		if w.ID != m.Welded {
			continue
		}
		if w.Sides[0].Kind != brief.PartSide || w.Sides[0].Of != m.Part {
			return out, fmt.Sprintf("%s, which is to hold it, welds another part: choose the welded joint again.", w.Name)
		}
		for _, s := range w.Seams {
			out.Welded = append(out.Welded, hold.Along{Panel: s.Panel, Edge: s.Edge, Before: s.Before, After: s.After, Path: s.Path,
				Filler: w.Filler})
		}
		if len(out.Welded) == 0 {
			return out, fmt.Sprintf("%s, which is to hold it, has no seam yet.", w.Name)
		}
		return out, ""
	}
	return out, "The welded joint that is to hold it is not there any more: choose another, or say which bolts hold it."
}

// foldSeams folds what the seams of a bracket answer into its own answer: a bracket holds no better than they do.
func (s *site) foldSeams(h *Held, list []WeldedTold) {
	if h.Mount.Welded == "" || len(h.Result.Checks) > 0 && h.Result.Checks[0].Key == "mount" {
		return
	}
	for i, w := range s.Brief.Welded {
		if w.ID != h.Mount.Welded || i >= len(list) {
			continue
		}
		t := list[i]
		switch {
		case !w.Path && w.Mount != h.Mount.ID:
			h.Result.Seams(t.Name, strength.CannotSay, nil, fmt.Sprintf("What %s is asked is typed by hand, not what this bracket carries: let its "+
				"loads come from this bracket or along the load path.", t.Name))
		case t.Result == nil:
			h.Result.Seams(t.Name, strength.CannotSay, nil, t.Why)
		default:
			why := ""
			if t.Verdict == strength.CannotSay || t.Verdict == strength.Over {
				why = fmt.Sprintf("Look at %s among the welded joints.", t.Name)
			}
			h.Result.Seams(t.Name, t.Verdict, t.Result.Hardest, why)
		}
		h.Verdict = brief.With(h.Result.Verdict, h.Beside)
	}
}
