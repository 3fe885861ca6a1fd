package site

import (
	"maps"
	"slices"

	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// Waits is what of a job waits for somebody, by name: what no list of jobs may hide.
type Waits struct {
	Stops     []string `json:"stops" doc:"parts and frames with an open flag that says do not cut"`
	Over      []string `json:"over" doc:"brackets, joints, frames and weights that are over"`
	Close     []string `json:"close" doc:"what stands too close to what"`
	CannotSay []string `json:"cannotSay" doc:"what cannot be said to hold or not"`
	Measure   []string `json:"measure" doc:"parts and frames that wait to be measured again or are held back"`
	First     []string `json:"first" doc:"batches of parts and frames whose first piece waits to be measured"`
}

// Waits collects what of a job is not settled.
func (s Site) Waits() Waits {
	w := Waits{Stops: []string{}, Over: []string{}, Close: []string{}, CannotSay: []string{}, Measure: []string{}, First: []string{}}
	h := s.Hold()
	said := s.Said(h)
	for _, id := range slices.Sorted(maps.Keys(said)) {
		w.put(said[id].Name, said[id].Verdict)
	}
	for _, x := range s.Tell(h.Joints).Weighed.Shares {
		w.put(x.Check.Name, x.Check.Verdict)
	}
	from := s.open().from
	for _, p := range s.Parts {
		if p.Err != nil || stopped(p.Built.Findings) {
			w.Stops = append(w.Stops, p.Name)
		}
	}
	for _, f := range s.Frames {
		if stopped(workFrame(s.Until, f.Doc, f.ID, f.Quantity, s.Brief, s.Shop, from.ForFrame(f.Doc), h.Path.frames[f.ID]).Findings) {
			w.Stops = append(w.Stops, f.Name)
		}
	}
	measured := s.Surveyed()
	for _, c := range measured.Clearances {
		if c.Verdict == "bad" {
			w.Close = append(w.Close, c.Thing+" to "+c.With)
		}
	}
	for _, c := range measured.Checks {
		switch {
		case !c.Released:
			w.Measure = append(w.Measure, c.Name)
		case c.First.Held:
			w.First = append(w.First, c.Name)
		}
	}
	return w
}

func (w *Waits) put(name string, v strength.Verdict) {
	switch v {
	case strength.Over:
		w.Over = append(w.Over, name)
	case strength.CannotSay:
		w.CannotSay = append(w.CannotSay, name)
	}
}

// stopped tells whether a finding says do not cut, and nobody set it aside.
func stopped(list []working.Finding) bool {
	return slices.ContainsFunc(list, func(f working.Finding) bool { return f.Severity == working.Stop && f.SetAside == "" })
}
