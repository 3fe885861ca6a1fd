package made

import (
	"fmt"
	"math"
	"regexp"
	"slices"

	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/working"
)

// numbered is a feature of a list on the way to a size.
var numbered = regexp.MustCompile(`^.*/(?:flanges|holes|edges|marks)/\d+/`)

// sizeOf answers which size of its feature a path leads to: what comes after the feature, which
// may move in its list.
func sizeOf(path string) string { return numbered.ReplaceAllString(path, "") }

// reasons puts down at each size why it is as it is, and finds sizes that changed since that
// was said, or are gone.
func (b *maker) reasons(dims []Dimension) *lay.Teller {
	t := b.Laid.Next()
	say := func(severity working.Severity, code string, r sheet.Reason, name, reason string, fixes ...working.Fix) {
		t.Findings = append(t.Findings, working.Finding{Code: code, Severity: severity, Cause: "Sizes with a reason", Feature: r.Feature,
			Name:   name,
			Reason: reason, Fixes: fixes})
		t.Spots = append(t.Spots, nil)
	}
	for i, r := range b.Recipe.Reasons {
		k := slices.IndexFunc(dims, func(d Dimension) bool { return d.Feature == r.Feature && d.Size == r.Size })
		if k < 0 {
			rest := slices.Delete(slices.Clone(b.Recipe.Reasons), i, i+1)
			say(working.Note, "reason-gone", r, "", fmt.Sprintf("A size is gone that had a reason: %s.", r.Why), t.Fix("Forget it", "/reasons",
				rest))
			continue
		}
		d := &dims[k]
		d.Why = r.Why
		if math.Abs(d.Value-r.Value) <= 1e-6*math.Max(1, math.Abs(r.Value)) {
			continue
		}
		was := fmt.Sprintf("%g", r.Value)
		if d.Kind == LengthDimension {
			was = b.Given(r.Value)
		} else if d.Kind == AngleDimension {
			was = lay.TrimZeros(lay.Places(r.Value, 2)) + "°"
		}
		say(working.Mind, "reason-moved", r, d.Group, fmt.Sprintf("%s of %s was %s for a reason, and is %s now: %s.", d.Label, d.Group, was,
			d.Text, r.Why),
			t.Fix("Back to "+was, d.Path, r.Value), t.Fix("It holds for "+d.Text+" too", fmt.Sprintf("/reasons/%d/value", i), d.Value))
	}
	return t
}
