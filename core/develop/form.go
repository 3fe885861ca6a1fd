package develop

import (
	"math"

	"warmanvil/core/working"
)

// FormKind is what a round is.
type FormKind string

// The rounds that are kept as parts: a pipe or a cone, a transition between two outlines, a piece of an
// elbow, and a band, which is part of a pipe: a wheel arch, a saddle on a tube.
const (
	ConeForm       FormKind = "cone"
	TransitionForm FormKind = "transition"
	ElbowForm      FormKind = "elbow"
	BandForm       FormKind = "band"
)

// Face is the face of the plate that sizes are of.
type Face string

// The faces.
const (
	InsideFace  Face = "inside"
	MiddleFace  Face = "middle"
	OutsideFace Face = "outside"
)

// Way is how a round is made round.
type Way string

// Rolled: by rolls or over a former. Pressed: bent at lines, in a brake; a cone in as many as its flats
// may lie inside the round.
const (
	Rolled  Way = "rolled"
	Pressed Way = "pressed"
)

// Form is a round as a part: what it is, its sizes and how it is made. One of its forms is given, that
// of its kind.
type Form struct {
	Kind       FormKind         `json:"kind" enum:"cone,transition,elbow,band"`
	Face       Face             `json:"face" enum:"inside,middle,outside" doc:"face of the plate its sizes are of"`
	Way        Way              `json:"way" enum:"rolled,pressed" doc:"a transition is pressed"`
	Cone       *ConeInput       `json:"cone,omitempty"`
	Transition *TransitionInput `json:"transition,omitempty"`
	Elbow      *ElbowInput      `json:"elbow,omitempty"`
	Whole      bool             `json:"whole,omitempty" doc:"of an elbow: a whole segment, else an end"`
	Turned     float64          `json:"turned,omitempty" doc:"degrees, of an elbow: how far round from its usual place its seam lies; that of an end is at the throat, that of a whole segment at the back, so that no two meet"`
	Band       *Band            `json:"band,omitempty"`
	Depth      float64          `json:"depth,omitempty" doc:"mm, pressed: flats of a round may lie so far inside it"`
	Radius     float64          `json:"radius,omitempty" doc:"mm, inside radius of press lines"`
	Pinch      float64          `json:"pinch,omitempty" doc:"mm, rolled: plate added beside each end that the rolls leave flat, cut off after"`
	Flip       bool             `json:"flip,omitempty" doc:"seen in the mirror: left and right change"`
}

// Band is part of a pipe round the z axis, its middle towards −y so that its seam would be opposite.
type Band struct {
	Radius float64    `json:"radius,omitempty" doc:"mm; left out with a wheel, which says it"`
	Sweep  float64    `json:"sweep,omitempty" doc:"degrees it runs round; left out with a wheel"`
	Width  float64    `json:"width" doc:"mm across it"`
	Wheel  *ArchInput `json:"wheel,omitempty" doc:"it keeps clear of this wheel; its sizes are then of its inside"`
}

// sized answers a band's radius, sweep and width, and the arch that says them.
func (b Band) sized() (radius, sweep, width float64, arch *ArchResult, err error) {
	if b.Wheel == nil {
		err = working.First(working.Above("/radius", "The radius", b.Radius, 0, greatest, "mm"),
			working.Above("/sweep", "How far it runs round", b.Sweep, 0, 355, "°"), working.Above("/width", "The width", b.Width, 0,
				greatest, "mm"))
		return b.Radius, b.Sweep, b.Width, nil, err
	}
	if b.Radius != 0 || b.Sweep != 0 {
		return 0, 0, 0, nil, working.Refuse("/radius", "The wheel says the radius and how far it runs round: leave them out.")
	}
	a, err := Arch(*b.Wheel)
	if err != nil {
		return 0, 0, 0, nil, working.Under("/wheel", err)
	}
	if err := working.Above("/width", "The width", b.Width, 0, greatest, "mm"); err != nil {
		return 0, 0, 0, nil, err
	}
	return a.Radius, math.Min(a.Sweep, 355), b.Width, &a, nil
}

// Check refuses what is no round: what is wrong, and where. It fails with *working.Fault.
func (f Form) Check() error {
	given := map[FormKind]bool{ConeForm: f.Cone != nil, TransitionForm: f.Transition != nil, ElbowForm: f.Elbow != nil,
		BandForm: f.Band != nil}
	switch {
	case !given[f.Kind]:
		return working.Refuse("/kind", "Say what round it is, with its sizes: cone, transition, elbow or band. What is curved both "+
			"ways at once, a dome or a bowl, no sheet bends into: make it of gores or flat "+
			"panels, or beat it over a former.")
	case f.Face != InsideFace && f.Face != MiddleFace && f.Face != OutsideFace:
		return working.Refuse("/face", "Its sizes are of the inside, the middle or the outside of the plate.")
	case f.Way != Rolled && f.Way != Pressed:
		return working.Refuse("/way", "It is rolled or pressed.")
	case f.Kind == TransitionForm && f.Way == Rolled:
		return working.Refuse("/way", "A transition has flats: it is pressed at its lines.")
	case f.Whole && f.Kind != ElbowForm:
		return working.Refuse("/whole", "Only an elbow has whole segments.")
	case f.Turned != 0 && f.Kind != ElbowForm:
		return working.Refuse("/turned", "Only the seam of an elbow is turned from its usual place: of others say where it lies.")
	case f.Radius > 0 && f.Way == Rolled:
		return working.Refuse("/radius", "What is rolled has no press lines: leave out their radius.")
	case f.Pinch > 0 && f.Way != Rolled:
		return working.Refuse("/pinch", "Only rolls leave the ends flat: set it to 0 of what is pressed.")
	case f.Depth > 0 && (f.Way == Rolled || f.Kind == TransitionForm):
		return working.Refuse("/depth", "How far flats lie inside is asked of what is pressed round; of a transition say the sides "+
			"of its rounds.")
	case f.Way == Pressed && f.Kind != TransitionForm && f.Depth == 0:
		return working.Refuse("/depth", "Say how far the flats between its bends may lie inside the round.")
	}
	for kind, is := range given {
		if is && kind != f.Kind {
			return working.Refuse("/"+string(kind), "One form is given, that of its kind.")
		}
	}
	return working.First(working.Within("/turned", "The seam", f.Turned, -360, 360, "°"),
		working.Within("/pinch", "The pinch", f.Pinch, 0, 1000, "mm"), working.Within("/depth", "The depth", f.Depth, 0, greatest, "mm"),
		working.Within("/radius", "The inside radius", f.Radius, 0, 1000, "mm"))
}

// Says names what a round is.
func (f Form) Says() string {
	switch f.Kind {
	case ConeForm:
		if c := f.Cone; c != nil && c.Bottom == c.Top && (c.Offset == nil || *c.Offset == [2]float64{}) {
			return "pipe"
		}
		return "cone"
	case ElbowForm:
		if f.Whole {
			return "whole segment of an elbow"
		}
		return "end of an elbow"
	case BandForm:
		if f.Band != nil && f.Band.Wheel != nil {
			return "wheel-arch band"
		}
		return "band"
	}
	return "transition"
}

// shifted says how far sizes lie from the middle of the plate.
func (f Form) shifted(thickness float64) float64 {
	switch f.Face {
	case InsideFace:
		return thickness / 2
	case OutsideFace:
		return -thickness / 2
	}
	return 0
}
