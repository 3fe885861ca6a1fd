package member

import (
	"cmp"
	"runtime"
	"slices"
	"sync"

	"warmanvil/core/section"
	"warmanvil/core/strength"
)

// Option is a section tried in a frame.
type Option struct {
	Stock    string           `json:"stock"`
	Section  section.Sizes    `json:"section"`
	Mass     float64          `json:"mass" doc:"kg of the whole frame"`
	Use      *float64         `json:"use" doc:"largest utilisation of the members it is tried in"`
	Moves    float64          `json:"moves" doc:"mm, largest"`
	Hertz    float64          `json:"hertz" doc:"lowest natural frequency"`
	Cost     float64          `json:"cost,omitempty" doc:"money, by weight"`
	Verdict  strength.Verdict `json:"verdict" enum:"holds,tight,over,cannot say"`
	Lightest bool             `json:"lightest" doc:"the lightest that holds"`
	Now      bool             `json:"now" doc:"the one that is in"`
	Why      string           `json:"why,omitempty"`
}

// Compare tries other sections of the same kind in all members of one stock.
func Compare(d Doc, surveyed Surveyed, ask Asked, stock string) []Option {
	var now section.Sizes
	for _, m := range d.Members {
		if Named(m.Section, m.Stock) == stock {
			now = m.Section
		}
	}
	area := func(s section.Sizes) float64 {
		p, err := section.Work(s)
		if err != nil {
			return 0
		}
		return p.Area
	}
	inches := false
	for _, s := range section.Table() {
		inches = inches || s.Name == stock && s.Inches
	}
	own := area(now)
	tries := []section.Stock{{Name: stock, Sizes: now}}
	for _, s := range section.Table() {
		if now.Height > now.Width != (s.Sizes.Height > s.Sizes.Width) { // stood up as what is in
			s.Sizes = Flip(s.Sizes)
		}
		if a := area(s.Sizes); s.Sizes.Kind == now.Kind && s.Inches == inches && s.Name != stock && a > own/4 && a < own*4 {
			tries = append(tries, s)
		}
	}
	ask.Still = len(d.Members) > 150 // frequencies of many large frames take too long
	out := make([]Option, len(tries))
	var wait sync.WaitGroup
	gate := make(chan struct{}, runtime.GOMAXPROCS(0))
	for i, s := range tries {
		wait.Add(1)
		go func() {
			defer wait.Done()
			gate <- struct{}{}
			defer func() { <-gate }()
			out[i] = try(d, surveyed, ask, stock, s)
		}()
	}
	wait.Wait()
	out[0].Now = true
	slices.SortStableFunc(out, func(a, b Option) int { return cmp.Compare(a.Mass, b.Mass) })
	for i := range out {
		if out[i].Verdict == strength.Holds {
			out[i].Lightest = true
			break
		}
	}
	return out
}

func try(d Doc, surveyed Surveyed, ask Asked, stock string, s section.Stock) Option {
	x := d
	x.Members = slices.Clone(d.Members)
	changed := map[string]bool{}
	for i, m := range x.Members {
		if Named(m.Section, m.Stock) == stock {
			x.Members[i].Section, x.Members[i].Stock = s.Sizes, s.Name
			changed[m.ID] = true
		}
	}
	b := Build(x, surveyed)
	h := b.Hold(x, ask)
	o := Option{Stock: s.Name, Section: s.Sizes, Mass: b.Mass, Moves: h.Moves.Most, Verdict: h.Verdict, Why: h.Why, Cost: b.Mass * d.Saw.PerKilo}
	if len(h.Modes) > 0 {
		o.Hertz = h.Modes[0].Hertz
	}
	var list []strength.Check
	for i, m := range h.Members {
		if !changed[m.ID] && !changed[b.Pieces[i].Of] {
			continue
		}
		if m.Use != nil && (o.Use == nil || *m.Use > *o.Use) {
			o.Use = m.Use
		}
		list = append(list, m.Stress, m.Column, m.Weld)
	}
	if h.Moves.Check != nil {
		list = append(list, *h.Moves.Check)
	}
	if h.Why == "" { // of what this section decides: members, their welds, the sag
		o.Verdict = strength.Worst(list)
		if len(h.Findings) > 0 && o.Verdict != strength.Over && h.Verdict == strength.CannotSay {
			o.Verdict = strength.CannotSay
		}
	}
	return o
}
