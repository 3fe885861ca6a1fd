package made

import (
	"context"
	"slices"
	"strings"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/bending"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/working"
)

// prove keeps the fixes that hold up: each is taken, the part built anew, its flag must
// be gone and no stop or caution may have come. Where one comes that has a fix itself,
// such as a longer flange for a larger radius, that joins in; a fix that cannot be made
// whole is not offered.
func prove(r sheet.Recipe, opt Options, part *Part) {
	opt.Body, opt.Sections, opt.Proved, opt.Ordered = false, false, false, false
	if part.Bending == nil || !part.Bending.Goes {
		opt.Brakes = nil // a change need not mend what stands in the way already
	}
	had := map[string]bool{}
	for _, f := range part.Findings {
		had[flag(f)] = true
	}
	for i := range part.Findings {
		f := &part.Findings[i]
		kept := f.Fixes[:0:0]
		for _, x := range f.Fixes {
			if opt.over() != nil {
				return
			}
			if whole, ok := taken(r, opt, *f, x, had, part.Whole); ok {
				kept = append(kept, whole)
			}
		}
		f.Fixes = kept
	}
}

func flag(f working.Finding) string { return f.Code + " " + f.Feature }

// taken takes a fix with what it asks for besides.
func taken(r sheet.Recipe, opt Options, f working.Finding, x working.Fix, had map[string]bool, whole bool) (working.Fix, bool) {
	x.Edits = slices.Clone(x.Edits)
	labels := []string{x.Label}
	for range 3 {
		next, err := sheet.ApplyEdits(r, x.Edits)
		if err != nil {
			return x, false
		}
		now, err := Build(next, opt)
		if err != nil || whole && !now.Whole {
			return x, false
		}
		more := false
		for _, g := range now.Findings {
			switch {
			case flag(g) == flag(f):
				return x, false
			case g.Severity == working.Note || had[flag(g)]:
			case len(g.Fixes) == 0:
				return x, false
			default:
				more = true
				x.Edits = append(x.Edits, g.Fixes[0].Edits...)
				if l := lay.Lower(g.Fixes[0].Label); !slices.Contains(labels, l) {
					labels = append(labels, l)
				}
			}
		}
		if !more {
			x.Label = strings.Join(labels, ", ")
			return x, opt.Bends(next)
		}
	}
	return x, false
}

// Bends tells whether a brake that is there still bends a part once a change is taken; where it is
// not known which one, nothing is asked.
func (o Options) Bends(r sheet.Recipe) bool {
	if len(o.Brakes) == 0 {
		return true
	}
	until := o.Until
	if until == nil {
		until = context.Background()
	}
	goes, err := bending.Goes(until, lay.Out(r, r.Bend.School, o.Display), o.Brakes)
	return goes || err != nil
}
