package site

import (
	"warmanvil/core/brief"
	"warmanvil/core/told"
)

// ways sets the ways of the brief side by side: what is made here by the hours of the job, what
// is bought or adapted by what was typed.
func (s Site) ways(e *Effort) {
	for _, o := range s.Brief.Options {
		w := WayTold{ID: o.ID, Lacks: []string{}, Unseen: append([]string{}, o.Unseen()...)}
		hours, cost, days := 0., 0., 0.
		priced, dated := true, true
		if o.Hours != nil {
			hours = *o.Hours
		}
		if o.Kind == brief.MakeIt {
			hours += e.Minutes / 60
			if e.Metal != nil {
				cost += *e.Metal
			}
			for _, m := range e.Unpriced {
				w.Lacks = append(w.Lacks, "a price by weight of "+m)
				priced = false
			}
		} else if o.Price == nil {
			w.Lacks, priced = append(w.Lacks, "its price"), false
		}
		if o.Price != nil {
			cost += *o.Price
		}
		if o.Days != nil {
			days = *o.Days
		} else if o.Kind != brief.MakeIt {
			w.Lacks, dated = append(w.Lacks, "when it comes"), false
		}
		if hours > 0 {
			w.Hours = &hours
			if own := s.Shop.DaysFor(hours); own != nil {
				days += *own
			} else {
				w.Lacks, dated = append(w.Lacks, "anybody's hours a week"), false
			}
			if s.Shop.Hour != nil {
				cost += hours * *s.Shop.Hour
			} else {
				w.Lacks, priced = append(w.Lacks, "the Shop's rate by the hour"), false
			}
		}
		if priced {
			w.Cost = &cost
		}
		if dated {
			w.Days = &days
		}
		yearly(&w, o)
		w.Says = o.Fits()
		e.Ways = append(e.Ways, w)
	}
	best(e.Ways, "cheapest", func(w WayTold) *float64 { return w.Cost })
	best(e.Ways, "soonest", func(w WayTold) *float64 { return w.Days })
	best(e.Ways, "least a year", func(w WayTold) *float64 { return w.Year })
}

// yearly works out what a way costs for each year it serves; one that says neither years nor what
// it costs to run is not asked.
func yearly(w *WayTold, o brief.Option) {
	switch {
	case o.Years == nil && o.Yearly == nil:
	case o.Years == nil:
		w.Lacks = append(w.Lacks, "how many years it serves")
	case o.Yearly == nil:
		w.Lacks = append(w.Lacks, "what it costs a year to run")
	case w.Cost != nil:
		year := *w.Cost / *o.Years + *o.Yearly
		w.Year = &year
	}
}

// best marks the way with the least of something, where it is known of all of several.
func best(list []WayTold, word string, of func(WayTold) *float64) {
	at := -1
	for i, w := range list {
		v := of(w)
		if v == nil {
			return
		}
		if at < 0 || *v < *of(list[at]) {
			at = i
		}
	}
	if len(list) > 1 {
		if len(list[at].Unseen) > 0 {
			word += ", if what was not looked at is sound"
		}
		list[at].Best = told.Joined(list[at].Best, word)
	}
}
