package held

import (
	"context"

	"warmanvil/core/load"
	"warmanvil/core/solid"
	"warmanvil/core/strength"
)

// Asked is what a frame is asked to hold.
type Asked struct {
	Rule    strength.Rule
	Cases   []load.Case // service accelerations; the school's factors come on top
	Devices map[string]Carried
	Still   bool // leave the natural frequencies out

	Lands    []Landing       // where other things are joined to it
	Happens  []Happening     // cases that come from outside: what lands, and duties
	Elsewise map[string]bool // devices that stand on it by a joint: their own loads on it are left out
	Open     []string        // why not all that lands on it is known

	// Until ends the work before it is done, when whoever asked has gone; nil for never.
	// It is a look's own, like all that is asked here.
	Until context.Context
}

// Carried is a device as far as its weight goes.
type Carried struct {
	Name    string
	Kilos   float64       // kg; 0 when it is not known
	Gravity *solid.Vector // mm, from the middle of its feet
}

// Landing is a place on the frame where something is joined to it.
type Landing struct {
	Name   string
	Member string       // id of the member it is joined to; the nearest when left out
	At     solid.Vector // mm, in the frame's axes
}

// Happening is a case from outside: the acceleration of the frame's own masses, and
// what arrives at its landings then, in the frame's axes.
type Happening struct {
	Name    string
	Net     solid.Vector // g, service
	Design  solid.Vector // g, as the school counts it
	Lands   []Wrench     // by landing, as the school counts it
	Service []Wrench     // the same in service; Lands when nil
	Only    bool         // how the frame's own devices share is asked with another case
}

// Wrench is a force with a moment about its place.
type Wrench struct {
	Force  solid.Vector // N
	Moment solid.Vector // N·mm
}

// cases answers every case the frame is asked under, and whether its own devices'
// ways of sharing are asked with it.
func (a Asked) cases() []Happening {
	if len(a.Happens) > 0 {
		return a.Happens
	}
	out := make([]Happening, len(a.Cases))
	for i, c := range a.Cases {
		out[i] = Happening{Name: c.Name, Net: c.Net, Design: c.Factored(a.Rule.School).Net}
	}
	return out
}

// typedFactor is what forces typed on a frame count in the school.
func (a Asked) typedFactor() float64 {
	if a.Rule.School == strength.Factored {
		return 1.6
	}
	return 1
}

// Within answers the context that the work ends with.
func (a Asked) Within() context.Context {
	if a.Until == nil {
		return context.Background()
	}
	return a.Until
}
