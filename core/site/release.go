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
func holds(b brief.Brief, c vehicle.PartCheck, id, unrated string) []string {
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
	if unrated != "" {
		out = append(out, unrated)
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
