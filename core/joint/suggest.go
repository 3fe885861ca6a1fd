package joint

import (
	"fmt"
	"math"
	"slices"

	"warmanvil/core/quantity"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// Suggestion is one change that helps, worked out.
type Suggestion struct {
	Text    string           `json:"text"`
	Input   Input            `json:"input" doc:"the joint as it would be"`
	Verdict strength.Verdict `json:"verdict" enum:"holds,tight,over,cannot say"`
	Hardest *float64         `json:"hardest" doc:"largest share used then"`
}

const maxSuggestions = 6

// SuggestFor is Suggest for a joint that was just worked out.
func SuggestFor(in Input, now Result, heldHoles bool, heldPlies ...int) []Suggestion {
	if now.Hardest == nil || *now.Hardest < strength.TightFrom {
		return []Suggestion{}
	}
	out := []Suggestion{}
	ruling := in.ruling(now)
	offer := func(text string, to Input) (enough bool) {
		// First in the cases that rule now: what does not help there is not worked out whole.
		to.trying = true
		quick := to
		quick.Cases = ruling
		if q, err := Work(quick); err != nil || q.Hardest == nil || *q.Hardest > *now.Hardest-.02 || len(out) == maxSuggestions {
			return false
		}
		r, ok := proved(now, to)
		if !ok || *r.Hardest > *now.Hardest-.02 || len(out) == maxSuggestions {
			return false
		}
		to.trying = false
		out = append(out, Suggestion{text, to, r.Verdict, r.Hardest})
		return *r.Hardest < strength.TightFrom
	}
	for _, t := range fastenerOf(in.Nut).next(in, heldHoles) {
		if offer(t.text, t.in) {
			break
		}
	}
	for _, to := range in.around(now, heldPlies) {
		offer(to.text, to.in)
	}
	return out
}

// ruling answers the cases in which some check is hardest.
func (in Input) ruling(now Result) []Case {
	names := map[string]bool{}
	for _, c := range now.Checks {
		names[c.Case] = true
	}
	return slices.DeleteFunc(slices.Clone(in.Cases), func(c Case) bool { return !names[c.Name] })
}

// proved works a changed joint out, and tells whether it may be offered: nothing new
// stops it, and nothing that was said is silent now.
func proved(now Result, to Input) (Result, bool) {
	r, err := Work(to)
	if err != nil || r.Hardest == nil {
		return r, false
	}
	had := map[string]bool{}
	for _, f := range now.Findings {
		had[f.Code] = f.Severity == working.Stop || had[f.Code]
	}
	for _, f := range r.Findings {
		if f.Severity == working.Stop && !had[f.Code] {
			return r, false
		}
	}
	silent := func(r Result) map[string]bool {
		m := map[string]bool{}
		for _, c := range r.Checks {
			m[c.Key] = c.Verdict == strength.CannotSay
		}
		return m
	}
	was := silent(now)
	for key, is := range silent(r) {
		if is && !was[key] {
			return r, false
		}
	}
	return r, true
}

// around lists changes of what lies round the fasteners.
func (in Input) around(now Result, held []int) (out []tried) {
	try := func(text string, to Input) { out = append(out, tried{text, to}) }
	t, err := stock.FindThread(in.System, in.Size, in.Pitch)
	threaded := err == nil && fastenerOf(in.Nut).seats()
	if large := 3 * t.Diameter; threaded && in.Washer < large {
		to := in
		to.Washer, to.Washers = large, max(in.Washers, 2)
		try(fmt.Sprintf("Washers of %s on both sides", in.Display.Text(large)), to)
	}
	for i, p := range in.Plies {
		name := p.Name
		if name == "" {
			name = fmt.Sprintf("ply %d", i+1)
		}
		worst, edge := 0., false
		for _, c := range now.Checks {
			if c.Where == name && c.Utilisation != nil && *c.Utilisation > worst {
				worst = *c.Utilisation
			}
			edge = edge || c.Where == name && (c.Verdict == strength.Over || c.Verdict == strength.Tight) && mainKey(c.Key) == "tear"
		}
		if slices.Contains(held, i) || worst < strength.TightFrom {
			continue
		}
		step := .5
		if in.Display.Style != quantity.Metric {
			step = 25.4 / 16
		}
		more := math.Ceil(max(1, p.Thickness*(worst/.8-1))/step) * step
		to := in.with(func(*Ply) {})
		to.Plies[i].Thickness += more
		try(fmt.Sprintf("A doubler of %s on %s, or that much thicker", in.Display.Text(more), name), to)
		if edge && p.Edge > 0 {
			farther := max(2, p.Edge*(worst/.8-1))
			to := in.with(func(*Ply) {})
			to.Plies[i].Edge += farther
			try(fmt.Sprintf("%s more edge beside the holes of %s", in.Display.Text(farther), name), to)
		}
	}
	if in.Nut.Captive() && in.Reached != HeadsOnly {
		to := in.with(func(*Ply) {})
		to.Nut, to.Tighten.Locking = Lock, PlasticRing
		to.Plies[len(to.Plies)-1].Fixed = false
		if in.Nut == Tapped { // drilled out to a clearance hole
			to.Plies[len(to.Plies)-1].Hole = 0
		}
		try("Through bolts with nuts behind", to)
	}
	if !in.Double && len(in.Plies) == 3 {
		to := in
		to.Double = true
		try("Let the middle ply pull between the other two: two shear planes", to)
	}
	return out
}
