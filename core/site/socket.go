package site

import (
	"fmt"
	"math"

	"warmanvil/core/fit"
	"warmanvil/core/told"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
)

// socket tells whether a fit that must stand without play does: by the play its sizes can
// leave at most, whichever way.
func socket(p told.Pen, v vehicle.FitSet, r fit.FitResult) vehicle.ResultTold {
	in := *v.Still
	in.Play = r.Across.Max
	if r.Upright != nil {
		in.Play = math.Max(in.Play, r.Upright.Max)
	}
	if in.Play = math.Max(in.Play, 0); r.Goes == "binds" {
		return vehicle.Waiting(v.ID, v.Name, "It binds: it has to go in before it can be asked whether it stands still.")
	}
	n, err := fit.NoPlay(in)
	if err != nil {
		return vehicle.Waiting(v.ID, v.Name, p.Refused(err))
	}
	t := vehicle.ResultTold{ID: v.ID, Name: v.Name, Value: &n.Loose, Text: p.MM(n.Loose), Findings: p.Found(n.Findings),
		Working: p.Explain(n.Working)}
	as := fmt.Sprintf("as it is, it moves from stop to stop %s past its mouth", p.MM(in.Reach))
	switch n.Way {
	case "tight":
		t.Verdict, t.Says = "good", "stands still; "+as
		for _, f := range n.Findings {
			if f.Severity != working.Note { // without a load nobody can say so
				t.Verdict, t.Says = "doubtful", "no play, and not asked under every load; "+as
			}
		}
	case "rocks":
		t.Verdict, t.Says = "bad", "rocks off its wall; "+as
	case "slides":
		t.Verdict, t.Says = "bad", "slides along; "+as
	default:
		t.Verdict, t.Says = "bad", "nothing presses it; "+as
	}
	return t
}
