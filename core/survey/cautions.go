package survey

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"warmanvil/core/working"
)

// Spot is a place somebody has to reach to measure, drill or bolt.
type Spot struct {
	Name string
	At   [3]float64 // mm
}

// Surroundings are what the cautions of a survey are read from.
type Surroundings struct {
	Wheels *Wheels
	Spots  []Spot
	Things []Thing
	Spaces []Space
	Text   func(mm float64) string // writes a length
}

// Distances the cautions go by, mm (practice).
const (
	crouch    = 750 // work lower than this over the ground is done from under the vehicle
	beside    = 850 // and no farther from its middle than this
	nearShaft = 50  // a line this near to what moves chafes or is caught
	nearWay   = 40  // a thing this near to what moves is tried over its whole travel
)

// longTail is the share of the wheelbase beyond which an overhang is spoken of; many
// places limit it at about this (practice: local rules decide).
const longTail = .6

// Cautions answers where somebody could get hurt by the work a survey asks for, from
// where things are: work under the vehicle, lines near what moves, what moves near
// what is fitted, overhang, and what hides lamps, plate or view.
func (s Surroundings) Cautions() (out []working.Finding) {
	say := func(code, name, format string, args ...any) {
		out = append(out, working.Finding{Code: code, Severity: working.Mind, Cause: "Caution", Name: name,
			Reason: fmt.Sprintf(format, args...)})
	}
	var under []string
	for _, p := range s.Spots {
		if s.under(p.At) && !slices.Contains(under, p.Name) {
			under = append(under, p.Name)
		}
	}
	if n := len(under); n > 0 {
		more := ""
		if n > 3 {
			more = fmt.Sprintf(" and %d more", n-3)
		}
		say("under-vehicle", under[0], "%s%s: this is work under the vehicle. Stands on firm level ground, wheels chocked, brake "+
			"on; never on "+
			"a jack alone, and somebody within call.", strings.Join(under[:min(n, 3)], ", "), more)
	}
	var lines []Thing
	var moving []Space
	for _, sp := range s.Spaces {
		switch sp.Kind {
		case Line, Tank:
			lines = append(lines, Thing{ID: sp.ID, Name: sp.Name, Body: sp.In(Stowed)})
		case Moving, Tyre:
			moving = append(moving, sp)
		}
	}
	for _, c := range s.nearest(lines, moving, nearShaft) {
		say("line-near-shaft", lines[c.Thing].Name,
			"%s runs %s from %s, which moves: clip it away and try the whole travel. A chafed fuel or brake line burns or fails: "+
				"local rules and "+
				"a licensed engineer decide.", lines[c.Thing].Name, s.Text(c.Distance), moving[c.Space].Name)
	}
	for _, c := range s.nearest(s.Things, moving, nearWay) {
		say("full-travel", s.Things[c.Thing].Name,
			"%s stands %s from %s, which moves: try it over its whole travel, loaded as it will be, before the first drive. Where "+
				"it is of brake, "+
				"steering or a control, flex counts too, and a licensed engineer decides.", s.Things[c.Thing].Name,
			s.Text(c.Distance), moving[c.Space].Name)
	}
	var views []Space
	for _, sp := range s.Spaces {
		if sp.Kind == View {
			views = append(views, sp)
		}
	}
	for _, c := range s.nearest(s.Things, views, 0) {
		say("hides-view", s.Things[c.Thing].Name,
			"%s hides %s: lamps, plate, mirrors and the driver's view stay in sight, loaded and unloaded. Move it, or carry a lamp "+
				"and plate "+
				"board; local rules decide.", s.Things[c.Thing].Name, views[c.Space].Name)
	}
	if w := s.Wheels; w != nil && !w.Trailer {
		low, by := math.Inf(1), ""
		for _, t := range s.Things {
			for _, piece := range t.Body.Pieces {
				for _, tri := range piece {
					for _, c := range tri {
						if c[0] < low {
							low, by = c[0], t.Name
						}
					}
				}
			}
		}
		if tail := w.Rear - low; tail > longTail*(w.Front-w.Rear) {
			say("overhang", by, "%s reaches %s behind the rear axle: it lifts the front, swings out in turns, and hides lamps and "+
				"plate. Local "+
				"rules limit the overhang and say how it is marked; what lies on it is tied down.", by, s.Text(tail))
		}
	}
	return out
}

// under tells whether a place is reached from under the vehicle.
func (s Surroundings) under(at [3]float64) bool {
	if math.Abs(at[1]) > beside {
		return false
	}
	if w := s.Wheels; w != nil {
		return at[2] < w.Ground+crouch && at[2] > w.Ground+60 // what lies on the ground is looked at from beside it
	}
	return at[2] < 0 // lower than the datum, which is taken on a sill, floor or rail
}

// nearest answers what of things is nearer to a space than a distance, or in it.
func (s Surroundings) nearest(things []Thing, spaces []Space, within float64) (out []Clearance) {
	if len(things) == 0 || len(spaces) == 0 {
		return nil
	}
	for _, c := range Clearances(things, spaces, 0) {
		if c.Space >= 0 && (c.Into || c.Distance <= within) {
			out = append(out, c)
		}
	}
	return out
}
