package site

import (
	"maps"
	"slices"
	"strings"

	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// Verdicts is what a job's brackets, joints and frames were last said to be, and by
// which rules.
type Verdicts struct {
	Rules int
	Said  map[string]Said // by id
}

// Said is what was said of one thing.
type Said struct {
	Name    string           `json:"name"`
	Verdict strength.Verdict `json:"verdict"`
	Use     *float64         `json:"use,omitempty"`
	Why     string           `json:"why,omitempty"`
}

// RulesTold says that rules have changed since a job was last looked at, and what that
// turned.
type RulesTold struct {
	Changes []string `json:"changes" doc:"what changed, in words"`
	Turned  []Turned `json:"turned" doc:"things whose verdict is another now"`
	Unkept  bool     `json:"unkept,omitempty" doc:"what was said before was not kept: all that does not hold now is listed"`
}

// Turned is a thing whose verdict a rule changed.
type Turned struct {
	ID   string           `json:"id"`
	Name string           `json:"name"`
	From strength.Verdict `json:"from,omitempty" doc:"empty where it was not kept"`
	To   strength.Verdict `json:"to"`
	Why  string           `json:"why" doc:"what decides now"`
}

// Said collects what is said of everything of a job.
func (s Site) Said(h Holding) map[string]Said {
	out := map[string]Said{}
	why := func(checks []strength.Check, v strength.Verdict) string {
		for _, c := range checks {
			if c.Verdict != v {
				continue
			}
			words := c.Name
			if c.Where != "" && !strings.Contains(strings.ToLower(words), strings.ToLower(c.Where)) {
				words += ", " + c.Where
			}
			if c.Utilisation != nil {
				words += ", " + strength.Percent(*c.Utilisation) + " %"
			}
			if c.Why != "" {
				words += ": " + c.Why
			}
			return words
		}
		return ""
	}
	for _, m := range h.Mounts {
		out[m.Mount.ID] = Said{m.Mount.Name, m.Verdict, m.Result.Hardest, why(m.Result.Checks, m.Verdict)}
	}
	for _, j := range h.Joints {
		if j.Result == nil {
			out[j.ID] = Said{Name: j.Name, Verdict: strength.CannotSay, Why: j.Why}
			continue
		}
		out[j.ID] = Said{j.Name, j.Result.Verdict, j.Result.Hardest, why(j.Result.Checks, j.Result.Verdict)}
	}
	for _, w := range h.Welded {
		if w.Result == nil {
			out[w.ID] = Said{Name: w.Name, Verdict: strength.CannotSay, Why: w.Why}
			continue
		}
		said := Said{w.Name, w.Verdict, w.Result.Hardest, why(w.Result.Checks, w.Verdict)}
		for _, f := range w.Findings {
			if said.Why == "" && f.Severity == working.Stop {
				said.Why = f.Reason
			}
		}
		out[w.ID] = said
	}
	if len(s.Frames) > 0 {
		from := s.open().from
		for _, f := range s.Frames {
			held := workFrame(s.Until, f.Doc, f.ID, f.Quantity, s.Brief, s.Shop, from.ForFrame(f.Doc), h.Path.frames[f.ID]).Hold
			w := why(held.Ledger, held.Verdict)
			if held.Why != "" {
				w = held.Why
			}
			out[f.ID] = Said{f.Name, held.Verdict, held.Use, w}
		}
	}
	return out
}

// Same tells whether two say the same.
func (a Said) Same(b Said) bool {
	if a.Use != nil && b.Use != nil {
		if *a.Use != *b.Use {
			return false
		}
	} else if (a.Use == nil) != (b.Use == nil) {
		return false
	}
	return a.Name == b.Name && a.Verdict == b.Verdict && a.Why == b.Why
}

// turned sets what is said now against what was said by older rules.
func Against(was, now Verdicts) *RulesTold {
	t := &RulesTold{Changes: []string{}, Turned: []Turned{}, Unkept: len(was.Said) == 0 && len(now.Said) > 0}
	for _, c := range strength.Changed {
		if c.Rules > was.Rules {
			t.Changes = append(t.Changes, c.Text)
		}
	}
	for _, id := range slices.Sorted(maps.Keys(now.Said)) {
		is := now.Said[id]
		before, known := was.Said[id]
		if known && before.Verdict != is.Verdict || t.Unkept && strength.Worse(is.Verdict, strength.Tight) {
			t.Turned = append(t.Turned, Turned{id, is.Name, before.Verdict, is.Verdict, is.Why})
		}
	}
	return t
}
