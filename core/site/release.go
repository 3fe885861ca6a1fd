package site

import (
	"slices"
	"strings"

	"warmanvil/core/brief"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
)

// holds lists what keeps a part's or frame's files, sheets and labels in the house
// besides its dimensions: open questions of strength and safety that concern it, what
// its mock-up brought up, and that nothing says what it is to carry.
func holds(b brief.Brief, c vehicle.PartCheck, id string, more []string) []string {
	out := []string{}
	for _, o := range b.Open {
		if o.Holds(id) {
			out = append(out, "An open question about "+o.Kind+": "+o.Text)
		}
	}
	for _, f := range b.Identity.Fitted {
		if f.Holds(id) {
			out = append(out, "It depends on whether the vehicle has this, and nobody looked: "+f.Text)
		}
	}
	for _, i := range c.Issues {
		if !i.Done {
			out = append(out, "From trying its fit: "+i.Text)
		}
	}
	for _, why := range more {
		if why != "" {
			out = append(out, why)
		}
	}
	return out
}

// weldStops lists what of the welded joints of a part or frame may not be: where nothing may be welded.
func (s Site) weldStops(id string) []string { return s.allWeldStops()[id] }

// allWeldStops lists the same of every part and frame, by its id.
func (s Site) allWeldStops() map[string][]string {
	out := map[string][]string{}
	if len(s.Brief.Welded) == 0 {
		return out
	}
	open := s.open()
	for _, w := range s.Brief.Welded {
		x := open.seat(w, nil)
		x.w = w
		for _, f := range open.seamMayNot(&x) {
			for k, side := range w.Sides {
				if side.Of != "" && (k == 0 || side.Of != w.Sides[0].Of) {
					out[side.Of] = append(out[side.Of], w.Name+": "+f.Reason)
				}
			}
		}
	}
	return out
}

// unrated says that a part or frame is bolted on to carry and nothing says what; empty
// where a duty, a device on its feet or a typed load does.
func unrated(b brief.Brief, id string, loaded bool) string {
	carries := false
	if b.Rated(id) || slices.ContainsFunc(b.Duties, func(d brief.Duty) bool { return d.On.Of == id }) {
		return ""
	}
	for _, m := range b.Mounts {
		if m.Part != id {
			continue
		}
		if len(m.Feet)+len(m.TwinFeet) > 0 {
			return ""
		}
		carries = true
	}
	if loaded {
		return ""
	}
	onJoints := len(b.Duties) > 0 || slices.ContainsFunc(b.Devices, func(d brief.Device) bool { return d.Mass != nil && d.Mass.Value > 0 })
	for _, j := range b.Joints {
		if j.Part != id && !slices.ContainsFunc(j.Sides, func(s brief.Side) bool { return s.Of == id }) {
			continue
		}
		if onJoints || len(j.Design.Cases) > 0 {
			return ""
		}
		carries = true
	}
	for _, w := range b.Welded {
		if w.Joins(id) {
			if onJoints || len(w.Cases) > 0 {
				return ""
			}
			carries = true
		}
	}
	if !carries {
		return ""
	}
	return "It is fixed to carry, and nothing says what: rate it for a duty on the Hold bench, or stand a device on it."
}

// Unreleased is the refusal of a file of what is held back.
func (c CheckTold) Unreleased() error {
	says := strings.Join(append([]string{c.Says}, c.Holds...), " ")
	return working.Refuse("", "The files of %s are held back. %s Settle it under Make. The paper template and the mock-up may be printed "+
		"before, to try the fit.", c.Name, says)
}

// HeldBy answers why what is said of a joint stays in the house: an open question, or
// an issue of the mock-up, of a part it goes through. Empty where nothing holds it.
func (s Site) HeldBy(j brief.Joint) string {
	ids := []string{j.Part}
	for _, side := range j.Sides {
		ids = append(ids, side.Of)
	}
	return s.heldBy(ids)
}

// WeldsHeldBy answers why the weld map of a welded joint, a frame or a body stays in the house; empty where nothing
// holds it.
func (s Site) WeldsHeldBy(of string) string {
	ids := []string{of}
	for _, w := range s.Brief.Welded {
		if w.ID == of {
			ids = append(ids, w.Sides[0].Of, w.Sides[1].Of)
		}
	}
	for _, p := range s.Parts {
		if p.Recipe.Facet != nil && p.Recipe.Facet.Of == of {
			ids = append(ids, p.ID)
		}
	}
	if why := s.heldBy(ids); why != "" {
		return why
	}
	for _, id := range ids {
		if stops := s.weldStops(id); id != "" && len(stops) > 0 {
			return stops[0]
		}
	}
	return ""
}

func (s Site) heldBy(ids []string) string {
	for _, o := range s.Brief.Open {
		if o.Of == "" && o.Holds("") || o.Of != "" && slices.Contains(ids, o.Of) && o.Holds(o.Of) {
			return "an open question about " + o.Kind + ": " + strings.TrimSpace(o.Text)
		}
	}
	for _, f := range s.Brief.Identity.Fitted {
		if f.Of != "" && slices.Contains(ids, f.Of) && f.Open() {
			return "nobody looked whether the vehicle has this: " + strings.TrimSpace(f.Text)
		}
	}
	for _, c := range s.Survey.Checks {
		for _, i := range c.Issues {
			if !i.Done && slices.Contains(ids, c.Part) {
				return "from trying its fit: " + strings.TrimSpace(i.Text)
			}
		}
	}
	return ""
}
