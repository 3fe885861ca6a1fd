package site

import (
	"fmt"

	"warmanvil/core/brief"
)

// SideChoice is something a ply may belong to.
type SideChoice struct {
	Side brief.Side `json:"side"`
	Name string     `json:"name"`
}

// StandChoice is a place a joint may stand at.
type StandChoice struct {
	Stand brief.Stand `json:"stand"`
	Part  string      `json:"part,omitempty" doc:"id of the part that is placed there; only joints through its holes stand there"`
	Of    string      `json:"of,omitempty" doc:"id of the device whose foot it is; only joints it stands by are there"`
	Name  string      `json:"name"`
}

// Sides lists what plies of the job's joints may belong to.
func (s Site) Sides() []SideChoice {
	out := []SideChoice{}
	add := func(side brief.Side, format string, args ...any) {
		out = append(out, SideChoice{side, fmt.Sprintf(format, args...)})
	}
	for _, p := range s.Parts {
		add(brief.Side{Kind: brief.PartSide, Of: p.ID}, "%s", p.Name)
	}
	for _, f := range s.Frames {
		for _, m := range f.Doc.Members {
			add(brief.Side{Kind: brief.MemberSide, Of: f.ID, Member: m.ID}, "%s of %s", m.Name, f.Name)
		}
	}
	for _, d := range s.Brief.Devices {
		add(brief.Side{Kind: brief.DeviceSide, Of: d.ID}, "%s", d.Named())
	}
	add(brief.Side{Kind: brief.VehicleSide}, "the vehicle")
	for _, m := range s.Survey.Maps {
		add(brief.Side{Kind: brief.VehicleSide, Of: m.ID}, "the vehicle at %s", m.Name)
	}
	for _, p := range s.Survey.Points {
		add(brief.Side{Kind: brief.VehicleSide, Of: p.ID}, "the vehicle at %s", p.Name)
	}
	return out
}

// Places lists where joints may stand.
func (s Site) Places() []StandChoice {
	out := []StandChoice{}
	for _, p := range s.Survey.Placed {
		if p.Part != "" {
			out = append(out, StandChoice{brief.Stand{Placed: p.ID}, p.Part, "", p.Name})
		}
	}
	for _, d := range s.Brief.Devices {
		for n, f := range d.Feet {
			out = append(out, StandChoice{brief.Stand{Foot: brief.Link(f.ID)}, "", d.ID, fmt.Sprintf("foot %d", n+1)})
		}
	}
	for _, p := range s.Survey.Points {
		out = append(out, StandChoice{brief.Stand{Point: p.ID, Name: p.Name}, "", "", p.Name})
	}
	return out
}
