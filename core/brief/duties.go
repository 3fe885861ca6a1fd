package brief

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

// CheckDuties refuses duties that run away, and those nobody may be rated for here.
func (b Brief) CheckDuties() error {
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

// Happening is one case of the whole job: g on all masses, in service and as the
// school counts them, people standing on what people stand on, and a duty.
type Happening struct {
	Name    string
	Service solid.Vector
	Design  solid.Vector
	People  float64 // 1 where they stand on it
	Duty    *Duty
	Load    load.DutyLoad
}

// Happenings lists the cases of the job: those of the road, and its duties.
func (b Brief) Happenings() []Happening {
	var out []Happening
	for _, c := range b.OnRoad().Cases() {
		out = append(out, Happening{Name: c.Name, Service: c.Net, Design: c.Factored(b.Strength.School).Net})
	}
	for i := range b.Duties {
		d := &b.Duties[i]
		l, err := d.Load(b.Strength)
		if err != nil {
			continue // said with the duty
		}
		out = append(out, Happening{Name: d.caseName(), Service: l.Net, Design: l.Factor, Duty: d, Load: l})
	}
	return out
}

// TypedFactor is what a typed force counts in the job's school.
func (b Brief) TypedFactor() float64 {
	if b.Strength.School == strength.Factored {
		return 1.6
	}
	return 1
}

// Titled names a duty in a sentence.
func (d Duty) Titled() string {
	if d.Name != "" {
		return d.Name
	}
	return "the duty without a name"
}
