package site

import (
	"warmanvil/core/brief"
	"warmanvil/core/load"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// DutyTold is a duty worked out.
type DutyTold struct {
	ID      string           `json:"id"`
	Name    string           `json:"name"`
	On      string           `json:"on" doc:"what it acts on"`
	Why     string           `json:"why,omitempty" doc:"what is missing"`
	Newtons float64          `json:"newtons" doc:"N, service"`
	Caution string           `json:"caution,omitempty"`
	Asked   []DutyAsked      `json:"asked" doc:"what it was asked of, hardest first"`
	Verdict strength.Verdict `json:"verdict" enum:"holds,tight,over,cannot say" doc:"of all it was asked of"`
	Working *working.Working `json:"working,omitempty"`
}

// DutyAsked is one thing a duty was asked of.
type DutyAsked struct {
	Kind    string           `json:"kind" enum:"bracket,joint,seams,frame"`
	ID      string           `json:"id"`
	Name    string           `json:"name"`
	Verdict strength.Verdict `json:"verdict" enum:"holds,tight,over,cannot say"`
}

// tellDuties works the duties out, and says of which brackets, joints and frames each
// was asked and what those answer.
func (s *site) tellDuties(h *Holding) []DutyTold {
	out := make([]DutyTold, len(s.Brief.Duties))
	for i := range s.Brief.Duties {
		out[i] = s.tellDuty(&s.Brief.Duties[i], h)
	}
	return out
}

func (s *site) tellDuty(d *brief.Duty, h *Holding) DutyTold {
	t := DutyTold{ID: d.ID, Name: d.Name, Asked: []DutyAsked{}, Verdict: strength.CannotSay, Caution: d.Caution()}
	if d.On.Kind != "" && d.On.Of != "" {
		t.On = s.named(d.On)
	}
	l, err := d.Load(s.Brief.Strength)
	switch {
	case err != nil:
		t.Why = s.Brief.Refused(err)
		return t
	case d.Kind != load.Retention && !s.there(d.On):
		t.Why = "On what it acts is not said: choose a device, a part or a frame."
		return t
	}
	w := l.Working.Written(s.Brief.Inches())
	t.Working, t.Newtons = &w, l.Force.Len()
	ask := func(kind, id, name string, v strength.Verdict) {
		t.Asked = append(t.Asked, DutyAsked{kind, id, name, v})
	}
	all := d.Kind == load.Retention
	for _, m := range h.Mounts {
		if all || d.On.Kind == brief.PartSide && m.Mount.Part == d.On.Of || d.On.Kind == brief.DeviceSide && m.Mount.Device == d.On.Of {
			ask("bracket", m.Mount.ID, m.Mount.Name, m.Verdict)
		}
	}
	for i, j := range s.Brief.Joints {
		goes := all && j.Path
		for _, id := range h.Path.behind[j.ID] {
			side := h.Path.sides[id]
			goes = goes || side.Kind == d.On.Kind && side.Of == d.On.Of
		}
		for _, m := range s.Brief.Mounts {
			goes = goes || j.Mount == m.ID && !j.Path &&
				(d.On.Kind == brief.PartSide && m.Part == d.On.Of || d.On.Kind == brief.DeviceSide && m.Device == d.On.Of)
		}
		if goes {
			v := strength.CannotSay
			if r := h.Joints[i].Result; r != nil {
				v = r.Verdict
			}
			ask("joint", j.ID, j.Name, v)
		}
	}
	for i, w := range s.Brief.Welded {
		goes := all && w.Path
		for _, id := range h.Path.behind[w.ID] {
			side := h.Path.sides[id]
			goes = goes || w.Path && side.Kind == d.On.Kind && side.Of == d.On.Of
		}
		for _, m := range s.Brief.Mounts {
			goes = goes || w.Mount == m.ID && !w.Path &&
				(d.On.Kind == brief.PartSide && m.Part == d.On.Of || d.On.Kind == brief.DeviceSide && m.Device == d.On.Of)
		}
		if goes {
			ask("seams", w.ID, w.Name, h.Welded[i].Verdict)
		}
	}
	for _, f := range s.Frames {
		loads := h.Path.frames[f.ID]
		lands := d.On.Kind == brief.MemberSide && d.On.Of == f.ID || all
		if loads != nil {
			for _, id := range loads.devices {
				lands = lands || d.On.Kind == brief.DeviceSide && id == d.On.Of
			}
		}
		if lands {
			ask("frame", f.ID, f.Name, workFrame(s.Until, f.Doc, f.ID, f.Quantity, s.Brief, s.Shop, s.from.ForFrame(f.Doc),
				loads).Hold.Verdict)
		}
	}
	if len(t.Asked) == 0 {
		t.Why = "Nothing is asked under it: no bracket, joint or frame carries what it acts on."
		return t
	}
	t.Verdict = strength.NotNeeded
	for _, a := range t.Asked {
		if strength.Worse(a.Verdict, t.Verdict) {
			t.Verdict = a.Verdict
		}
	}
	return t
}

// there tells whether what a duty acts on is in the job.
func (s *site) there(on brief.Side) bool {
	switch on.Kind {
	case brief.DeviceSide:
		_, ok := s.Brief.Device(on.Of)
		return ok
	case brief.PartSide:
		return s.part(on.Of) != nil
	case brief.MemberSide:
		return s.frame(on.Of) != nil
	}
	return false
}
