package site

import (
	"fmt"
	"slices"

	"warmanvil/core/fit"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
)

// stacks works out every stack at each of its places.
func stacks(l *vehicle.Locator, s vehicle.Survey, out *Surveyed) {
	p := l.Pen
	for _, v := range s.Stacks {
		t := vehicle.StackTold{ResultTold: vehicle.Waiting(v.ID, v.Name, "Measure the gap at each place."),
			Places: []vehicle.StackPlaceTold{}}
		var standoffs []float64
		var which []int
		for i, place := range v.Places {
			row := vehicle.StackPlaceTold{Name: place.Name, Nominal: "—", Worst: "—", RSS: "—", Spacer: "—", Shims: "—", Left: "—"}
			if !place.Gap.Taken() {
				row.Why = "not measured yet"
			} else {
				place.Gap.Least = true
				k := place.Gap.Work(s.Shop, false)
				r, err := fit.Stack(fit.StackInput{Gap: fit.Layer{Thickness: k.Value, Plus: 2 * k.Sigma, Minus: 2 * k.Sigma},
					Layers: v.Layers})
				if err != nil {
					row.Why = p.Refused(err)
				} else {
					row.Nominal, row.Worst, row.RSS = p.MM(r.Nominal), p.Span(r.Worst.Min, r.Worst.Max), p.Span(r.RSS.Min, r.RSS.Max)
					standoffs, which = append(standoffs, r.Nominal), append(which, i)
					t.Working, t.Findings = p.Explain(r.Working), append(t.Findings, p.Found(r.Findings)...)
				}
			}
			t.Places = append(t.Places, row)
		}
		if len(standoffs) > 0 {
			packed, common := fit.Spacers(standoffs, v.Grain, v.Shims)
			t.Common, t.Verdict, t.Text = common, vehicle.VerdictIn(t.Findings), p.MM(standoffs[0])
			t.Says = "one spacer length serves all places"
			if !common {
				t.Says = "the places differ by more than shims make up: cut each its own"
			}
			for k, i := range which {
				t.Places[i].Spacer, t.Places[i].Left = p.MM(packed[k].Spacer), p.MM(packed[k].Left)
				t.Places[i].Shims = "none"
				for n, x := range packed[k].Shims {
					if n == 0 {
						t.Places[i].Shims = ""
					} else {
						t.Places[i].Shims += " + "
					}
					t.Places[i].Shims += p.MM(x)
				}
			}
			if v.Way == "sideways" {
				t.Findings = append(t.Findings, working.Finding{Code: "stack-sideways", Severity: working.Mind, Cause: "Stack",
					Name: v.Name,
					Reason: "It stands out sideways: what hangs on it bends its bolts over the whole height of the stack. Ask that " +
						"as a joint on the " +
						"Hold bench, or hold it by a bracket."})
			}
			if v.Slope != nil && v.Way == "sideways" {
				t.Findings = append(t.Findings, working.Finding{Code: "slope-sideways", Severity: working.Stop, Cause: "Stack",
					Name:   v.Name,
					Reason: "Legs that lay a platform on a slope stand upright, and this stack stands sideways: no leg is cut by it."})
			} else if v.Slope != nil {
				var at [][2]float64
				for _, i := range which {
					at = append(at, [2]float64{v.Places[i].X, v.Places[i].Y})
				}
				for k, leg := range fit.Legs(at, -v.Slope.Pitch, v.Slope.Roll, slices.Min(standoffs)) {
					t.Places[which[k]].Leg = p.MM(leg)
				}
			}
		}
		out.Stacks = append(out.Stacks, t)
	}
}

func slides(l *vehicle.Locator, s vehicle.Survey, out *Surveyed) {
	p := l.Pen
	for _, v := range s.Fits {
		switch {
		case v.Slide != nil:
			r, err := fit.Slide(*v.Slide)
			if err != nil {
				t := vehicle.Waiting(v.ID, v.Name, p.Refused(err))
				out.Fits = append(out.Fits, t)
				continue
			}
			t := vehicle.ResultTold{ID: v.ID, Name: v.Name, Value: &r.Across.Nominal, Text: p.MM(r.Across.Nominal) + " a side",
				Findings: p.Found(r.Findings),
				Working:  p.Explain(r.Working), Verdict: map[string]string{"free": "good", "tight": "doubtful", "binds": "bad"}[r.Goes],
				Says: fmt.Sprintf("%s; from %s to %s a side",
					map[string]string{"free": "goes freely", "tight": "goes, tight", "binds": "binds"}[r.Goes], p.MM(r.Across.Min),
					p.MM(r.Across.Max))}
			out.Fits = append(out.Fits, t)
			if v.Still != nil {
				out.Sockets = append(out.Sockets, socket(p, v, r))
			}
		case v.Pocket != nil && v.Pocket.Width.Taken() && v.Pocket.Height.Taken():
			width, height := v.Pocket.Width, v.Pocket.Height
			width.Least, height.Least = true, true
			w, h := width.Work(s.Shop, false), height.Work(s.Shop, false)
			play := v.Pocket.Play
			if play == 0 {
				play = .25
			}
			t := vehicle.ResultTold{ID: v.ID, Name: v.Name, Text: "none", Verdict: "bad", Says: "No stock section in the table goes " +
				"into it.",
				Findings: []working.Finding{}}
			for i, x := range fit.Pocket(w.Value, h.Value, play, vehicle.Tubes(v.Pocket.Inches)) {
				shim := fmt.Sprintf("%s: shim %s a side across, %s a side upright", x.Name, p.MM(x.ShimAcross), p.MM(x.ShimUpright))
				if i == 0 {
					t.Text, t.Verdict, t.Says = x.Name, "good", shim[len(x.Name)+2:]
				} else {
					t.Says += ". Or " + shim
				}
			}
			out.Fits = append(out.Fits, t)
		default:
			out.Fits = append(out.Fits, vehicle.Waiting(v.ID, v.Name, "Measure the pocket's width and height, or give both sections."))
		}
	}
}
