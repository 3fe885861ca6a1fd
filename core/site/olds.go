package site

import (
	"fmt"
	"math"
	"strings"

	"warmanvil/core/solid"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
)

// OldTold sets an old part beside the one that takes its place.
type OldTold struct {
	vehicle.ResultTold
	Sizes []OldSizeTold `json:"sizes"`
	Sized []Sized       `json:"sized" doc:"sizes of the new part that can be set against"`
}

// OldSizeTold is one size, then and now.
type OldSizeTold struct {
	ID      string `json:"id"`
	Old     string `json:"old"`
	Now     string `json:"now" doc:"empty where none is set against it"`
	Differs string `json:"differs"`
	Verdict string `json:"verdict" enum:"good,doubtful,bad,open"`
	Says    string `json:"says"`
}

// Sized is a size of a part or frame.
type Sized struct {
	Key   string  `json:"key"`
	Name  string  `json:"name"`
	Value float64 `json:"value" doc:"mm"`
}

// sizesOf lists the lengths of a part or frame: what it stands or falls with, then of a part
// whatever is typed.
func sizesOf(id string, parts []BuiltPart, checks []CheckTold) (out []Sized) {
	out = []Sized{}
	for _, c := range checks {
		if c.Part == id {
			for _, g := range c.Governing {
				out = append(out, Sized{g.Key, g.Name, g.Nominal})
			}
		}
	}
	for _, p := range parts {
		if p.ID != id || p.Err != nil {
			continue
		}
		for _, d := range p.Built.Dimensions {
			if d.Kind == "length" {
				name := d.Label
				if d.Group != "" {
					name = d.Group + ", " + strings.ToLower(d.Label[:1]) + d.Label[1:]
				}
				out = append(out, Sized{d.Path, name, d.Value})
			}
		}
	}
	return out
}

// olds sets every old part beside what takes its place.
func olds(l *vehicle.Locator, s vehicle.Survey, parts []BuiltPart, out *Surveyed) {
	p := l.Pen
	for _, o := range s.Olds {
		t := OldTold{ResultTold: vehicle.Waiting(o.ID, o.Name, "Measure its sizes before it goes to the scrap, and say what takes "+
			"its place."),
			Sizes: []OldSizeTold{}, Sized: sizesOf(o.For, parts, out.Checks)}
		counts := map[string]int{}
		for _, z := range o.Sizes {
			x := OldSizeTold{ID: z.ID, Verdict: "open", Says: "not measured"}
			if z.Value.Taken() {
				k := z.Value.Work(s.Shop, false)
				x.Old, x.Says = p.MM(k.Value)+" ± "+p.MM(2*k.Sigma), "set against nothing yet"
				for _, n := range t.Sized {
					if z.Now == "" || n.Key != z.Now {
						continue
					}
					d := n.Value - k.Value
					x.Now, x.Differs, x.Verdict, x.Says = p.MM(n.Value), p.MM(d), "good", "as it was"
					switch {
					case math.Abs(d) <= 2*k.Sigma:
					case strings.TrimSpace(z.Why) != "":
						x.Says = "changed: " + strings.TrimSpace(z.Why)
					default:
						x.Verdict, x.Says = "doubtful", "differs by more than the reading can be off: say why, or mend it"
					}
				}
				if z.Now != "" && x.Now == "" {
					x.Verdict, x.Says = "bad", "the size it was set against is gone"
				}
				if x.Verdict == "good" && z.Value.Doubtful(s.Shop, false) {
					x.Verdict, x.Says = "doubtful", x.Says+"; its readings do not agree with each other"
				}
			}
			counts[x.Verdict]++
			t.Sizes = append(t.Sizes, x)
		}
		if len(o.Sizes) > 0 {
			t.Text = fmt.Sprintf("%d of %d", counts["good"], len(o.Sizes))
			t.Says = "sizes are as they were, or changed for a reason"
			for _, v := range []string{"good", "open", "doubtful", "bad"} {
				if counts[v] > 0 {
					t.Verdict = v
				}
			}
		}
		out.Olds = append(out.Olds, t)
	}
}

// TrialTold is what a trial showed.
type TrialTold struct {
	vehicle.ResultTold
	At *[3]float64 `json:"at,omitempty" doc:"mm, where its point lies now"`
}

// tried is how far, in mm, a place may have moved since somebody tried it.
const tried = 5.

// trials tells what people found who tried it.
func trials(l *vehicle.Locator, s vehicle.Survey, out *Surveyed) {
	p := l.Pen
	for _, v := range s.Trials {
		t := TrialTold{ResultTold: vehicle.Waiting(v.ID, v.Name, "Say which surveyed point tells where it stands, and try it with a "+
			"person.")}
		if at := l.At(v.Point); v.Point != "" && at != nil && at.At != nil {
			t.At = at.At
			t.Says = fmt.Sprintf("of what is asked looked at; it stands %s, known to ± %s", p.Place(solid.Vector(*at.At)), p.MM(2*at.Sigma))
		}
		good, bad, needless := 0, 0, 0
		for _, a := range v.Asks {
			switch a.Answer {
			case "good":
				good++
			case "bad":
				bad++
			case "needless":
				needless++
			}
		}
		open := len(vehicle.TrialAsks) - good - bad - needless
		if t.At != nil {
			t.Text = fmt.Sprintf("%d of %d", good+bad, len(vehicle.TrialAsks)-needless)
		}
		moved := 0.
		if t.At != nil && v.At != nil {
			moved = solid.Vector(*t.At).Sub(solid.Vector(*v.At)).Len()
		}
		say := func(code string, severity working.Severity, text string) {
			t.Findings = append(t.Findings, working.Finding{Code: code, Severity: severity, Cause: "Trying it", Name: v.Name, Reason: text})
		}
		switch {
		case t.At == nil:
		case bad > 0:
			t.Verdict = "bad"
			say("not-good", working.Mind, fmt.Sprintf("%d of what was tried did not do: move it, and try again.", bad))
		case v.At == nil:
			t.Verdict = "open"
			say("not-tried", working.Note, "Nobody said that it was tried where it stands now.")
		case moved > tried:
			t.Verdict = "doubtful"
			say("moved", working.Mind, fmt.Sprintf("It was tried %s from where it stands now: try it again.", p.MM(moved)))
		case open > 0 || good == 0:
			t.Verdict = "open"
			say("not-looked", working.Note, fmt.Sprintf("%d of %d were not looked at yet.", open, len(vehicle.TrialAsks)))
		default:
			t.Verdict = "good"
		}
		if t.Verdict == "good" && strings.TrimSpace(v.Who) == "" {
			t.Verdict = "doubtful"
			say("nobody", working.Mind, "Who tried it is not said: another person is taller or shorter.")
		}
		out.Trials = append(out.Trials, t)
	}
}
