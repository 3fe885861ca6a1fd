package job

import (
	"fmt"

	"warmanvil/core/load"
	"warmanvil/core/solid"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// Duty is a load something in the job is rated for: on what, where, and what it is.
type Duty struct {
	ID   string       `json:"id"`
	Name string       `json:"name"`
	On   Side         `json:"on,omitzero" doc:"the device, part or frame it acts on"`
	At   solid.Vector `json:"at,omitzero" doc:"mm in that thing's own axes; of a part its carrying holes, wherever that is"`

	load.Duty
}

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
	Kind    string           `json:"kind" enum:"bracket,joint,frame"`
	ID      string           `json:"id"`
	Name    string           `json:"name"`
	Verdict strength.Verdict `json:"verdict" enum:"holds,tight,over,cannot say"`
}

func (b Brief) checkDuties() error {
	seen := map[string]bool{}
	for i, d := range b.Duties {
		at := fmt.Sprintf("/duties/%d", i)
		if d.ID == "" || seen[d.ID] {
			return working.Refuse(at+"/id", "Every duty has an id of its own; %q does not.", d.ID)
		}
		seen[d.ID] = true
		if err := d.Duty.Check(at); err != nil {
			return err
		}
		for k, v := range d.At {
			if err := working.Within(fmt.Sprintf("%s/at/%d", at, k), "Where it acts", v, -1e5, 1e5, "mm"); err != nil {
				return err
			}
		}
	}
	return nil
}

// caseName is what a duty is called among the cases.
func (d Duty) caseName() string {
	if d.Name != "" {
		return "duty: " + d.Name
	}
	return "duty: " + string(d.Kind)
}

// happening is one case of the whole job: g on all masses, in service and as the
// school counts them, people standing on what people stand on, and a duty.
type happening struct {
	name    string
	service solid.Vector
	design  solid.Vector
	people  float64 // 1 where they stand on it
	duty    *Duty
	load    load.DutyLoad
}

// happenings lists the cases of the job: those of the road, and its duties.
func (b Brief) happenings() []happening {
	var out []happening
	for _, c := range b.road().Cases() {
		out = append(out, happening{name: c.Name, service: c.Net, design: c.Factored(b.Strength.School).Net})
	}
	for i := range b.Duties {
		d := &b.Duties[i]
		l, err := d.Load(b.Strength)
		if err != nil {
			continue // said with the duty
		}
		out = append(out, happening{name: d.caseName(), service: l.Net, design: l.Factor, duty: d, load: l})
	}
	return out
}

// typedFactor is what a typed force counts in the job's school.
func (b Brief) typedFactor() float64 {
	if b.Strength.School == strength.Factored {
		return 1.6
	}
	return 1
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

func (s *site) tellDuty(d *Duty, h *Holding) DutyTold {
	t := DutyTold{ID: d.ID, Name: d.Name, Asked: []DutyAsked{}, Verdict: strength.CannotSay, Caution: d.Caution()}
	if d.On.Kind != "" && d.On.Of != "" {
		t.On = s.named(d.On)
	}
	l, err := d.Load(s.Brief.Strength)
	switch {
	case err != nil:
		t.Why = err.Error()
		return t
	case d.Kind != load.Retention && !s.there(d.On):
		t.Why = "On what it acts is not said: choose a device, a part or a frame."
		return t
	}
	w := l.Working.Written(s.Brief.Unit != UnitMM)
	t.Working, t.Newtons = &w, l.Force.Len()
	ask := func(kind, id, name string, v strength.Verdict) {
		t.Asked = append(t.Asked, DutyAsked{kind, id, name, v})
	}
	all := d.Kind == load.Retention
	for _, m := range h.Mounts {
		if all || d.On.Kind == PartSide && m.Mount.Part == d.On.Of || d.On.Kind == DeviceSide && m.Mount.Device == d.On.Of {
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
			goes = goes || j.Mount == m.ID && !j.Path && (d.On.Kind == PartSide && m.Part == d.On.Of || d.On.Kind == DeviceSide && m.Device == d.On.Of)
		}
		if goes {
			v := strength.CannotSay
			if r := h.Joints[i].Result; r != nil {
				v = r.Verdict
			}
			ask("joint", j.ID, j.Name, v)
		}
	}
	for _, f := range s.Frames {
		loads := h.Path.frames[f.ID]
		lands := d.On.Kind == MemberSide && d.On.Of == f.ID || all
		if loads != nil {
			for _, id := range loads.devices {
				lands = lands || d.On.Kind == DeviceSide && id == d.On.Of
			}
		}
		if lands {
			ask("frame", f.ID, f.Name, workFrame(*f.Frame, f.ID, f.Quantity, s.Brief, s.from.forFrame(*f.Frame), loads).Hold.Verdict)
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
func (s *site) there(on Side) bool {
	switch on.Kind {
	case DeviceSide:
		_, ok := s.Brief.device(on.Of)
		return ok
	case PartSide:
		return s.part(on.Of) != nil
	case MemberSide:
		return s.frame(on.Of) != nil
	}
	return false
}
