package site

import (
	"math"
	"slices"

	"warmanvil/core/brief"
	"warmanvil/core/fit"
	"warmanvil/core/joint"
	"warmanvil/core/load"
)

// RubberTold is how a joint sits on its isolators, or why that cannot be said.
type RubberTold struct {
	Why    string              `json:"why,omitempty"`
	Result *fit.IsolatorResult `json:"result,omitempty"`
}

// rubber works the isolators of a joint out and presses their ply together by as
// much as they sink at rest.
func (s *site) rubber(j brief.Joint, path Pathway, in *joint.Input) *RubberTold {
	u := j.Rubber
	if u == nil {
		return nil
	}
	at := slices.Index(brief.PlyIDs(in.Plies), string(u.Ply))
	if at < 0 {
		return &RubberTold{Why: "The ply that was rubber is not there any more: say which it is."}
	}
	if p := &in.Plies[at]; p.Isolator == nil {
		p.Isolator = &joint.Isolator{}
	}
	count, kilos := len(in.Holes)*max(len(j.Stands), 1), 0.
	if j.Path {
		for _, l := range path.Links { // what comes down at rest
			if l.Joint == j.ID && len(l.Forces) > 0 {
				kilos += math.Abs(l.Forces[0][2]) / load.G
			}
		}
	}
	for _, side := range j.Sides {
		if d, ok := s.Brief.Device(side.Of); side.Kind == brief.DeviceSide && ok && kilos == 0 && d.Mass != nil {
			kilos = d.Mass.Value
		}
	}
	if kilos == 0 {
		return &RubberTold{Why: "What the isolators carry is not known: let a ply belong to a device of the brief, or its loads " +
			"come along " +
			"the load path."}
	}
	road := s.Brief.OnRoad()
	r, err := fit.Isolator(fit.IsolatorInput{Display: s.Brief.Display(), Mass: kilos, Count: count, Stiffness: u.Stiffness,
		Height: in.Plies[at].Thickness, Down: road.Down, Up: road.Up, Shakes: u.Shakes, Pressed: u.Pressed})
	if err != nil {
		return &RubberTold{Why: s.Brief.Refused(err)}
	}
	r.Working = r.Working.Written(s.Brief.Inches())
	in.Plies[at].Squash = math.Min(r.Static+u.Pressed, in.Plies[at].Thickness)
	return &RubberTold{Result: &r}
}
