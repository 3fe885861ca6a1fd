// Package facet is bodies of flat panels between named points: which way they look, where they
// meet and at which angle, what is cut of each for the sheet's thickness, and how panels that are bent
// at their edges lie in one blank. Lengths mm, angles degrees outside and radians inside.
package facet

import (
	"fmt"
	"math"
	"slices"

	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// Side says on which face of the sheet the points lie.
type Side string

// The sides.
const (
	Inside  Side = "inside"
	Middle  Side = "middle"
	Outside Side = "outside"
)

// Kind is how two panels meet at an edge.
type Kind string

// The kinds. Corner to corner the panels' near edges touch and leave a groove; open they stand the gap
// apart; lapped one covers the other's end; bevelled both are cut slanting and meet over their whole
// thickness; bent they are one blank.
const (
	Corner  Kind = "corner"
	Open    Kind = "open"
	Lap     Kind = "lap"
	Bevel   Kind = "bevel"
	BentOne Kind = "bend"
)

// Point is a corner of the body.
type Point struct {
	ID string
	At solid.Vector // mm
}

// Panel is a flat piece by its corners in turn, either way round.
type Panel struct {
	ID     string
	Points []string
}

// Seam says how two panels meet at the edge between two points; corner to corner where nothing is
// said.
type Seam struct {
	A, B  string
	Kind  Kind
	Over  string  // of a lap: id of the panel that covers the other's end; the first of them when left out
	Gap   float64 // mm, of an open one
	Blend float64 // mm, radius it is ground round to outside once it is welded; 0 for not said
	Tabs  int     // of a lapped one: so many of the end that is covered go through notches of what laps over
}

// Shell is a body of panels.
type Shell struct {
	Points    []Point
	Panels    []Panel
	Seams     []Seam
	Thickness float64
	Side      Side
	Radius    float64                // inside radius of its bends, mm
	K         float64                // share of the thickness at which the neutral line lies
	Called    func(id string) string // how points and panels are called in sentences; by their ids when nil
	Tolerance float64                // mm a corner may stand off the others' plane; 0 for a twentieth
}

// flatWithin is how far a corner may stand off its panel's plane where nothing is said, mm.
const flatWithin = .05

const (
	mostPoints = 1000
	mostPanels = 500
	mostRound  = 60
	greatest   = 1e5
)

// check refuses what is no body at all.
func (s Shell) check() error {
	if err := working.First(working.Above("/thickness", "The thickness", s.Thickness, 0, 100, "mm"),
		working.Within("/insideRadius", "The inside radius", s.Radius, 0, 1000, "mm"), working.Within("/kFactor", "K", s.K, 0, 1, ""),
		working.Within("/tolerance", "The tolerance", s.Tolerance, 0, 10, "mm")); err != nil {
		return err
	}
	switch {
	case s.Side != Inside && s.Side != Middle && s.Side != Outside:
		return working.Refuse("/side", "The points lie on the inside, the middle or the outside of the sheet, not on %q.", string(s.Side))
	case len(s.Panels) == 0 || len(s.Panels) > mostPanels:
		return working.Refuse("/panels", "A body has 1 to %d panels, not %d.", mostPanels, len(s.Panels))
	case len(s.Points) > mostPoints:
		return working.Refuse("/points", "A body has up to %d points, not %d.", mostPoints, len(s.Points))
	}
	known := map[string]solid.Vector{}
	for _, p := range s.Points {
		for _, v := range p.At {
			if math.IsNaN(v) || math.Abs(v) > greatest {
				return working.Refuse("/points/"+p.ID, "%s lies within %g mm of the origin, every way.", s.called(p.ID), float64(greatest))
			}
		}
		if _, twice := known[p.ID]; twice || p.ID == "" {
			return working.Refuse("/points/"+p.ID, "Every point has a name of its own; %q does not.", p.ID)
		}
		known[p.ID] = p.At
	}
	ids := map[string]bool{}
	for i, p := range s.Panels {
		at := fmt.Sprintf("/panels/%d", i)
		if p.ID == "" || ids[p.ID] {
			return working.Refuse(at+"/id", "Every panel has a name of its own; %q does not.", p.ID)
		}
		ids[p.ID] = true
		if len(p.Points) < 3 || len(p.Points) > mostRound {
			return working.Refuse(at+"/points", "%s has 3 to %d corners, not %d.", s.called(p.ID), mostRound, len(p.Points))
		}
		for k, id := range p.Points {
			v, there := known[id]
			if !there {
				return working.Refuse(fmt.Sprintf("%s/points/%d", at, k), "%s names a point %s that is not there.", s.called(p.ID),
					s.called(id))
			}
			if slices.Contains(p.Points[:k], id) {
				return working.Refuse(fmt.Sprintf("%s/points/%d", at, k), "%s comes to %s twice.", s.called(p.ID), s.called(id))
			}
			for _, before := range p.Points[:k] {
				if known[before].Sub(v).Len() < .01 {
					return working.Refuse(fmt.Sprintf("%s/points/%d", at, k), "%s and %s of %s lie on one spot.", s.called(before),
						s.called(id),
						s.called(p.ID))
				}
			}
		}
	}
	return nil
}

func (s Shell) called(id string) string {
	if s.Called == nil {
		return id
	}
	return s.Called(id)
}
