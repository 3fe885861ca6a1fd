package job

import (
	"context"
	"slices"
	"strings"

	"warmanvil/core/working"
)

// Issue is something a mock-up or a trial of the fit brought up.
type Issue struct {
	ID   string `json:"id"`
	Text string `json:"text"`
	Done bool   `json:"done,omitempty"`
}

// holds lists what keeps a part's or frame's files, sheets and labels in the house
// besides its dimensions: open questions of strength and safety that concern it, what
// its mock-up brought up, and that nothing says what it is to carry.
func holds(b Brief, c PartCheck, id, unrated string) []string {
	out := []string{}
	for _, o := range b.Open {
		if o.holds(id) {
			out = append(out, "An open question about "+o.Kind+": "+o.Text)
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

// holds tells whether an open item holds back a part or frame.
func (o OpenItem) holds(id string) bool {
	return !o.Done && (o.Kind == "strength" || o.Kind == "safety") && (o.Of == "" || o.Of == id)
}

// unrated says that a part or frame is bolted on to carry and nothing says what; empty
// where a duty, a device on its feet or a typed load does.
func (b Brief) unrated(p BarePart) string {
	carries := false
	if b.rated(p.ID) || slices.ContainsFunc(b.Duties, func(d Duty) bool { return d.On.Of == p.ID }) {
		return ""
	}
	for _, m := range b.Mounts {
		if m.Part != p.ID {
			continue
		}
		if len(m.Feet)+len(m.TwinFeet) > 0 {
			return ""
		}
		carries = true
	}
	if p.Frame != nil && len(p.Frame.Loads) > 0 {
		return ""
	}
	onJoints := len(b.Duties) > 0 || slices.ContainsFunc(b.Devices, func(d Device) bool { return d.Mass != nil && d.Mass.Value > 0 })
	for _, j := range b.Joints {
		if j.Part != p.ID && !slices.ContainsFunc(j.Sides, func(s Side) bool { return s.Of == p.ID }) {
			continue
		}
		if onJoints || len(j.Design.Cases) > 0 {
			return ""
		}
		carries = true
	}
	if !carries {
		return ""
	}
	return "It is bolted on to carry, and nothing says what: rate it for a duty on the Hold bench, or stand a device on it."
}

// Checked answers whether one part or frame of a job may go to the table.
func (s *Service) Checked(ctx context.Context, j Job, p Part) (CheckTold, error) {
	v, _, err := s.Store.Survey(ctx, j.ID)
	if err != nil {
		return CheckTold{}, err
	}
	if p.Frame != nil {
		l := newLocator(v, pen{j.Brief.Display()})
		newStander(j.Brief, nil, l, p.BarePart)
		return l.checkFrame(v, j.Brief, p.BarePart), nil
	}
	built := BuildParts([]BarePart{p.BarePart}, j.Brief)
	return CheckOf(v, j.Brief, built[0], built), nil
}

// Unreleased is the refusal of a file of what is held back.
func (c CheckTold) Unreleased() error {
	says := strings.Join(append([]string{c.Says}, c.Holds...), " ")
	return working.Refuse("", "The files of %s are held back. %s Settle it under Make. The paper template and the mock-up may be printed before, to try the fit.", c.Name, says)
}

// HeldBy answers why what is said of a joint stays in the house: an open question, or
// an issue of the mock-up, of a part it goes through. Empty where nothing holds it.
func (s Site) HeldBy(j Joint) string {
	ids := []string{j.Part}
	for _, side := range j.Sides {
		ids = append(ids, side.Of)
	}
	return s.heldBy(ids)
}

func (s Site) heldBy(ids []string) string {
	for _, o := range s.Brief.Open {
		if o.Of == "" && o.holds("") || o.Of != "" && slices.Contains(ids, o.Of) && o.holds(o.Of) {
			return "an open question about " + o.Kind + ": " + strings.TrimSpace(o.Text)
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
