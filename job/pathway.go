package job

import (
	"fmt"
	"strings"

	"warmanvil/core/joint"
	"warmanvil/core/load"
	"warmanvil/core/solid"
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

	cases map[string][]joint.Case // of each joint, in its axes
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

// tie is a place where two things meet in a joint.
type tie struct {
	joint int
	axes  axes
	heads bool // one of the two lies under the heads
	label string
	many  bool // it is one of several places
	holes [][2]float64
}

// paths works the load path of the whole job out.
func (s *site) paths() Pathway {
	out := Pathway{Cases: []string{}, Things: []PathThing{}, Links: []PathLink{}, Ground: [][3]float64{}, Sketch: []Drawn{}, Findings: []working.Finding{}, cases: map[string][]joint.Case{}}
	say := func(code string, severity working.Severity, name, reason string) {
		out.Findings = append(out.Findings, working.Finding{Code: code, Severity: severity, Cause: "Load path", Name: name, Reason: reason})
	}
	in := load.PathInput{Bodies: []load.PathBody{{ID: ground, Name: "the vehicle", Ground: true}}}
	known, devices := map[string]bool{ground: true}, map[string]bool{}
	ties := map[string]tie{}
	poses := map[string]solid.Pose{} // of parts without a place, by the joint that has one
	for _, i := range s.firstAtFeet() {
		j := s.Brief.Joints[i]
		bolts := s.at[j.ID]
		stands, why := s.standsOf(j)
		if bolts.why != "" {
			why = bolts.why
		}
		if why != "" {
			say("no-place", working.Mind, j.Name, j.Name+" is left out of the load path. "+why)
			continue
		}
		for n, st := range stands {
			keys, why := s.joined(j, st)
			a := axes{}
			if why == "" {
				a, why = s.placeJoint(j, st, keys, poses)
			}
			if why != "" {
				say("no-place", working.Mind, j.Name, strings.TrimSpace(j.Name+" "+st.Label())+" is left out of the load path. "+why)
				continue
			}
			for _, k := range keys {
				if known[k.id] {
					continue
				}
				known[k.id], devices[k.id] = true, k.side.Kind == DeviceSide
				body, why := s.body(k, poses)
				switch {
				case body.Mass == 0:
					say("no-mass", working.Stop, body.Name, fmt.Sprintf("The mass of %s is not known: nothing of its own goes into the load path.", body.Name))
				case why != "":
					body.At = a.at
					say("mass-place", working.Note, body.Name, fmt.Sprintf("%s: its %.3g kg are taken to act at its joint %s.", why, body.Mass, j.Name))
				}
				in.Bodies = append(in.Bodies, body)
			}
			for k := 1; k < len(keys); k++ {
				id := fmt.Sprintf("%d/%d/%d", i, n, k)
				ties[id] = tie{i, a, k == 1, st.Label(), len(stands) > 1, bolts.holes}
				in.Joints = append(in.Joints, load.PathJoint{ID: id, Name: j.Name, A: keys[k-1].id, B: keys[k].id, At: a.at, Turns: len(bolts.holes) > 1, Reach: reachOf(bolts.holes)})
			}
		}
	}
	if len(in.Joints) == 0 {
		out.Why = "No joint with a place holds two things together yet: say of its plies what they belong to, and place the part."
		return out
	}
	for id := range devices { // a device on three feet or more stands on points
		n := 0
		for _, j := range in.Joints {
			if j.A == id || j.B == id {
				n++
			}
		}
		for i, j := range in.Joints {
			if devices[id] && n > 2 && (j.A == id || j.B == id) {
				in.Joints[i].Turns = false
			}
		}
	}
	s.pushes(&out, in, ties, devices)
	return out
}

// firstAtFeet answers the joints that hold two named things, those that hold a
// device first: by its feet the parts under it find their places.
func (s *site) firstAtFeet() (out []int) {
	for _, device := range []bool{true, false} {
		for i, j := range s.Brief.Joints {
			holds := false
			for _, side := range j.Sides {
				holds = holds || side.Kind == DeviceSide
			}
			if s.joins(j) && holds == device {
				out = append(out, i)
			}
		}
	}
	return out
}

// placeJoint answers where a joint stands: where its part does by another joint
// already, else by its own place, which then says where the part is.
func (s *site) placeJoint(j Joint, st Stand, keys []thing, poses map[string]solid.Pose) (axes, string) {
	p := s.part(j.Part)
	key := ""
	for _, k := range keys {
		if p != nil && k.side.Kind == PartSide && k.side.Of == j.Part && s.stands[k.id] == nil {
			key = k.id
		}
	}
	if pose, there := poses[key]; there {
		return s.posed(j, p, pose)
	}
	a, why := s.axesAt(j, st)
	if key != "" && why == "" {
		if pose, ok := s.poseBy(j, p, a); ok {
			poses[key] = pose
		}
	}
	return a, why
}

// pushes works every case of the brief out.
func (s *site) pushes(out *Pathway, in load.PathInput, ties map[string]tie, devices map[string]bool) {
	links := map[string]int{}
	worst := -1.
	ways := sharings(in, devices)
	for c, road := range s.Brief.road().Cases() {
		in.Acceleration = road.Factored(s.Brief.Strength.School).Net
		r, err := load.Path(in)
		if err != nil {
			out.Why = err.Error()
			return
		}
		if c == 0 {
			names := map[string]load.PathBody{}
			for _, b := range in.Bodies {
				names[b.ID] = b
			}
			for _, id := range r.Order {
				b := names[id]
				t := PathThing{ID: id, Name: b.Name, Mass: b.Mass}
				if b.Mass > 0 {
					t.At = &b.At
				}
				out.Things = append(out.Things, t)
			}
			out.Findings = append(out.Findings, r.Findings...)
		}
		out.Cases = append(out.Cases, road.Name)
		sum := [3]float64{}
		for _, g := range r.Ground {
			sum = [3]float64(solid.Vector(sum).Add(g.Force))
		}
		out.Ground = append(out.Ground, sum)
		for _, share := range r.Joints {
			k, there := links[share.ID]
			if !there {
				k = len(out.Links)
				links[share.ID] = k
				t := ties[share.ID]
				j := s.Brief.Joints[t.joint]
				out.Links = append(out.Links, PathLink{Joint: j.ID, Name: j.Name, Place: t.label, From: nameIn(in, share.From), Onto: nameIn(in, share.Onto), At: t.axes.at})
			}
			l := &out.Links[k]
			l.Forces, l.Most = append(l.Forces, [3]float64(share.Force)), append(l.Most, share.Most)
			if share.Most > worst {
				worst, out.Worst = share.Most, c
				r.Working.Assumptions = append(r.Working.Assumptions, "all joints of a thing sharing; the joints' own checks count a device's feet loose one by one and two across each other too")
				w := r.Working.Written(s.Brief.Unit != UnitMM)
				out.Working = &w
			}
			s.jointCase(out, in, share, ties[share.ID], road.Name)
		}
		for _, way := range ways { // feet are never all alike: the worst of all ways counts
			other := in
			other.Joints = way.joints
			r, err := load.Path(other)
			if err != nil || len(r.Findings) > 0 {
				continue // that way of sharing does not stand
			}
			for _, share := range r.Joints {
				s.jointCase(out, in, share, ties[share.ID], road.Name+", "+way.name)
			}
		}
	}
	for _, id := range s.order {
		for _, b := range in.Bodies {
			if st := s.stands[id]; b.ID == id && st.Why == "" {
				out.Sketch = append(out.Sketch, drawn(id, st.told.Name, "thing", st.thing.Body, false))
			}
		}
	}
}

// jointCase turns a share into a load on the ply under the heads, in the axes of
// the joint. Of several things in one joint the first pair counts.
func (s *site) jointCase(out *Pathway, in load.PathInput, share load.PathShare, t tie, name string) {
	if !t.heads {
		return
	}
	j := s.Brief.Joints[t.joint]
	f, m := share.Force, share.Moment
	for _, q := range in.Joints {
		if q.ID == share.ID && share.From == q.B { // the nuts' side is held by the heads': the other way round
			f, m = f.Mul(-1), m.Mul(-1)
		}
	}
	if t.many {
		name = t.label + ", " + name
	}
	var middle [2]float64
	n := float64(len(t.holes))
	for _, h := range t.holes {
		middle[0], middle[1] = middle[0]+h[0]/n, middle[1]+h[1]/n
	}
	out.cases[j.ID] = append(out.cases[j.ID], joint.Case{Name: name, Force: t.axes.force(f), At: [3]float64{middle[0], middle[1], 0}, Moment: t.axes.moment(m)})
}

// through answers the loads of a joint, or why none come to it.
func (p *Pathway) through(j Joint) ([]joint.Case, string) {
	switch cases := p.cases[j.ID]; {
	case p.Why != "":
		return nil, p.Why
	case len(cases) == 0:
		for _, f := range p.Findings {
			if f.Name == j.Name {
				return nil, f.Reason
			}
		}
		return nil, "Nothing goes through it along the load path: say of its plies what they belong to, so that it holds one thing to another."
	default:
		return cases, ""
	}
}

func nameIn(in load.PathInput, id string) string {
	for _, b := range in.Bodies {
		if b.ID == id {
			return b.Name
		}
	}
	return id
}
