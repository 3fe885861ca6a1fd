package brief

import (
	"fmt"
	"slices"
	"unicode/utf8"

	"warmanvil/core/hold"
	"warmanvil/core/joint"
	"warmanvil/core/working"
)

// Joint is a bolted joint of the job. With a part its bolts go through holes of
// that, in the axes of its flat pattern; without, through places typed.
type Joint struct {
	ID        string      `json:"id"`
	Name      string      `json:"name"`
	Part      string      `json:"part,omitempty" doc:"id of the part whose holes the bolts go through"`
	Features  []string    `json:"features,omitempty" doc:"ids of those holes"`
	Mount     string      `json:"mount,omitempty" doc:"id of a bracket of that part: what it carries goes through these bolts, instead of loads typed"`
	HeadsBack bool        `json:"headsBack,omitempty" doc:"the heads lie on the part's back, not on its good side; of a bracket's joint, on the vehicle's side"`
	Sides     []Side      `json:"sides,omitempty" doc:"by ply, what it belongs to: material and thickness come from there"`
	Purpose   Purpose     `json:"purpose,omitempty" enum:"carries,places,stills,closes" doc:"what it is for; it carries when left out"`
	Note      string      `json:"note,omitempty" doc:"for whoever takes its hardware from the bins"`
	Swapped   string      `json:"swapped,omitempty" doc:"what was put in instead of what is listed, and who said so"`
	Path      bool        `json:"path,omitempty" doc:"its loads come along the load path of the job, instead of loads typed"`
	Rubber    *Rubber     `json:"rubber,omitempty" doc:"isolators among its plies"`
	Stands    []Stand     `json:"stands,omitempty" doc:"where it stands on the vehicle; by its part's only place when left out"`
	Design    joint.Input `json:"design" doc:"the joint; its school is the job's"`
}

// Purpose says what a joint is for besides carrying.
type Purpose string

// Carries its share of what acts; Places holds it in line; Stills keeps it from turning or
// rattling, as a third screw beside two bolts does; Closes a cover or a seam.
const (
	Carries Purpose = "carries"
	Places  Purpose = "places"
	Stills  Purpose = "stills"
	Closes  Purpose = "closes"
)

// CheckJoints refuses joints that run away; what is merely missing is told.
func (b Brief) CheckJoints() error {
	for i, j := range b.Joints {
		at := fmt.Sprintf("/joints/%d", i)
		w := j.Design
		if len(w.Holes) > 60 || len(w.Plies) > 12 || len(w.Cases) > 60 || len(j.Features) > 60 || len(j.Sides) > 12 || len(j.Stands) > 24 ||
			len(w.Bins) > 100 || len(w.Meets) > 20 {
			return working.Refuse(at, "A joint has up to 60 bolts, 12 plies and 60 load cases.")
		}
		if u := j.Rubber; u != nil {
			if err := working.First(working.Above(at+"/rubber/stiffness", "The stiffness", u.Stiffness, 0, 1e6, "N/mm"),
				working.Within(at+"/rubber/pressed", "What tightening presses", u.Pressed, 0, 500, "mm")); err != nil {
				return err
			}
		}
		for k, st := range j.Stands {
			here := fmt.Sprintf("%s/stands/%d", at, k)
			for axis := range 3 {
				if err := working.Within(fmt.Sprintf("%s/at/%d", here, axis), "A place", st.At[axis], -1e5, 1e5, "mm"); err != nil {
					return err
				}
			}
			if err := working.Within(here+"/turn", "The turn", st.Turn, -360, 360, "°"); err != nil {
				return err
			}
		}
		switch j.Purpose {
		case "", Carries, Places, Stills, Closes:
		default:
			return working.Refuse(at+"/purpose", "A joint carries, places, stills or closes, not %q.", string(j.Purpose))
		}
		if t := w.Track; t != nil {
			if err := working.First(working.Within(at+"/design/track/opening", "The track's slot", t.Opening, 0, 200, "mm"),
				working.Within(at+"/design/track/deep", "The track's depth", t.Deep, 0, 500, "mm")); err != nil {
				return err
			}
		}
		n := utf8.RuneCountInString(j.Name + j.Note + j.Swapped)
		for k, p := range w.Plies {
			here := fmt.Sprintf("%s/design/plies/%d", at, k)
			for _, x := range []struct {
				name string
				v    float64
			}{{"thickness", p.Thickness}, {"coat", p.Coat}, {"squash", p.Squash}, {"hole", p.Hole}, {"edge", p.Edge}} {
				if err := working.Within(here+"/"+x.name, "A size of a ply", x.v, 0, 5000, "mm"); err != nil {
					return err
				}
			}
			n += utf8.RuneCountInString(p.Name)
		}
		for _, c := range w.Cases {
			n += utf8.RuneCountInString(c.Name)
		}
		if n > MaxText {
			return working.Refuse(at, "Texts hold up to %d characters.", MaxText)
		}
	}
	return nil
}

// Rubber is isolators between the plies of a joint, one on each bolt.
type Rubber struct {
	Ply       Link     `json:"ply" doc:"id of the ply that is rubber"`
	Stiffness float64  `json:"stiffness" doc:"N/mm of one, up and down"`
	Pressed   float64  `json:"pressed,omitempty" doc:"mm it is pressed together by tightening"`
	Shakes    *float64 `json:"shakes,omitempty" doc:"Hz that are to be kept away"`
}

// Heads answers the face of the part the heads lie on: off the vehicle by the
// bracket, else as the joint says.
func (b Brief) Heads(j Joint) hold.Face {
	face := hold.Good
	if k := slices.IndexFunc(b.Mounts, func(m Mount) bool { return j.Mount != "" && m.ID == j.Mount }); k >= 0 &&
		b.Mounts[k].Hold.Against == hold.Good {
		face = hold.Back
	}
	if j.HeadsBack != (face == hold.Back) {
		return hold.Back
	}
	return hold.Good
}
