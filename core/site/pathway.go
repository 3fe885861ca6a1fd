package site

import (
	"fmt"

	"warmanvil/core/brief"
	"warmanvil/core/joint"
	"warmanvil/core/load"
	"warmanvil/core/solid"
	"warmanvil/core/weld"
	"warmanvil/core/working"
)

// Pathway is how forces go through the job's joints on to the vehicle.
type Pathway struct {
	Why      string            `json:"why,omitempty" doc:"why there is none"`
	Cases    []string          `json:"cases"`
	Worst    int               `json:"worst" doc:"index of the case with the largest force on a joint"`
	Things   []PathThing       `json:"things" doc:"what pushes first"`
	Links    []PathLink        `json:"links"`
	Ground   [][3]float64      `json:"ground" doc:"N on the vehicle, by case"`
	Sketch   []Drawn           `json:"sketch" doc:"outlines of what stands in it"`
	Findings []working.Finding `json:"findings"`
	Working  *working.Working  `json:"working,omitempty" doc:"of the worst case"`

	byJoint map[string][]joint.Case // of each joint, in its axes
	bySeam  map[string][]weld.SeamsCase
	seated  map[string]seated      // welded joints that stand in it
	instead map[string]string      // by joint, the welded one that takes all of what its bolts would
	open    map[string][]string    // by joint, why loads do not all arrive
	frames  map[string]*frameLoads // by frame, what lands on it
	behind  map[string][]string    // by joint, ids of the bodies whose loads go through it
	sides   map[string]brief.Side  // by body, what it is
}

// PathThing is a body of the path.
type PathThing struct {
	ID   string        `json:"id"`
	Name string        `json:"name"`
	Mass float64       `json:"mass" doc:"kg"`
	At   *solid.Vector `json:"at,omitempty" doc:"mm, its centre of gravity; left out where it has no place"`
}

// PathLink is what goes from one thing to the next through a joint.
type PathLink struct {
	Joint  string       `json:"joint" doc:"id of the joint"`
	Name   string       `json:"name"`
	Place  string       `json:"place,omitempty" doc:"which of its places"`
	From   string       `json:"from" doc:"name of what is held"`
	Onto   string       `json:"onto" doc:"name of what holds it"`
	At     solid.Vector `json:"at" doc:"mm"`
	Forces [][3]float64 `json:"forces" doc:"N on what holds, forward, left, up, by case"`
	Most   []float64    `json:"most" doc:"N, their sizes"`
}

const ground = "vehicle"

// walking is the load path while it is worked out.
type walking struct {
	s       *site
	out     *Pathway
	in      load.PathInput
	ties    map[string]tie
	devices map[string]bool
	frames  map[string]*carrying // by body
	leftOut []leftOut
	said    map[string]bool
	links   map[string]int
	worst   float64
}

func (w *walking) say(code string, severity working.Severity, name, reason string) {
	if key := code + name + reason; !w.said[key] {
		w.said[key] = true
		w.out.Findings = append(w.out.Findings, working.Finding{Code: code, Severity: severity, Cause: "Load path", Name: name,
			Reason: reason})
	}
}

// paths works the load path of the whole job out.
func (s *site) paths() Pathway {
	out := Pathway{Cases: []string{}, Things: []PathThing{}, Links: []PathLink{}, Ground: [][3]float64{}, Sketch: []Drawn{},
		Findings: []working.Finding{},
		byJoint:  map[string][]joint.Case{}, bySeam: map[string][]weld.SeamsCase{}, instead: map[string]string{}, seated: map[string]seated{},
		open: map[string][]string{}, frames: map[string]*frameLoads{}, behind: map[string][]string{},
		sides: map[string]brief.Side{}}
	w := &walking{s: s, out: &out, ties: map[string]tie{}, devices: map[string]bool{}, frames: map[string]*carrying{},
		said:  map[string]bool{},
		links: map[string]int{}, worst: -1}
	w.in.Bodies = []load.PathBody{{ID: ground, Name: "the vehicle", Ground: true}}
	w.gather()
	if len(w.in.Joints) == 0 {
		out.Why = "No joint with a place holds two things together yet: say of its plies what they belong to, and place the part."
		return out
	}
	w.lacks()
	steps := w.steps()
	for id := range w.devices { // a device on three feet or more stands on points
		var feet []int
		for i, j := range w.in.Joints {
			if j.A == id && steps[j.B] < steps[id] || j.B == id && steps[j.A] < steps[id] {
				feet = append(feet, i)
			}
		}
		for _, i := range feet {
			if len(feet) > 2 {
				w.in.Joints[i].Turns = false
			}
		}
	}
	w.openFrames()
	w.walk()
	return out
}

// through answers the loads of a joint, or why none come to it.
func (p *Pathway) through(j brief.Joint) ([]joint.Case, string) {
	cases := p.byJoint[j.ID]
	return cases, p.none(j.ID, j.Name, len(cases))
}

// none says why nothing comes to a joint; empty where something does.
func (p *Pathway) none(id, name string, cases int) string {
	switch {
	case p.Why != "":
		return p.Why
	case cases > 0:
		return ""
	case p.instead[id] != "":
		return fmt.Sprintf("The seams of %s hold the same two things, and weld and bolts do not share: the weld alone carries everything "+
			"(AISC 360 J1.8), the bolts get no credit and no load.", p.instead[id])
	}
	for _, f := range p.Findings {
		if f.Name == name {
			return f.Reason
		}
	}
	return "Nothing goes through it along the load path: say what it belongs to on both sides, so that it holds one thing to another."
}

// unarrived says that what a bracket is said to carry does not come along the load path to the joint that holds it: no
// joint leads from the device to the bracket, so that only its own weight arrives. Empty where all of it does.
func (p *Pathway) unarrived(b brief.Brief, id string) (why []string) {
	held, arrived := map[string]bool{}, map[string]bool{}
	for _, body := range p.behind[id] {
		switch side := p.sides[body]; side.Kind {
		case brief.PartSide:
			held[side.Of] = true
		case brief.DeviceSide:
			arrived[side.Of] = true
		}
	}
	for _, m := range b.Mounts {
		if d, ok := b.Device(m.Device); ok && held[m.Part] && !arrived[m.Device] && len(m.Feet)+len(m.TwinFeet) > 0 {
			why = append(why, fmt.Sprintf("%s stands on it by the bracket %s, and no joint leads from it to the bracket: what it weighs does not "+
				"come along the load path.", d.Named(), m.Name))
		}
	}
	return why
}
