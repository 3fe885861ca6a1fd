package job

import (
	"fmt"
	"slices"
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

	cases  map[string][]joint.Case // of each joint, in its axes
	open   map[string][]string     // by joint, why loads do not all arrive
	frames map[string]*frameLoads  // by frame, what lands on it
	behind map[string][]string     // by joint, ids of the bodies whose loads go through it
	sides  map[string]Side         // by body, what it is
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
	face  int // 0 for the two under the heads, 1 for the next two
	plies [2]int
	label string
	many  bool // it is one of several places
	holes [][2]float64
}

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

// leftOut is a joint that has no place in the path, so that what it holds is not all
// known to be held.
type leftOut struct {
	joint  Joint
	reason string
}

func (w *walking) say(code string, severity working.Severity, name, reason string) {
	if key := code + name + reason; !w.said[key] {
		w.said[key] = true
		w.out.Findings = append(w.out.Findings, working.Finding{Code: code, Severity: severity, Cause: "Load path", Name: name, Reason: reason})
	}
}

// paths works the load path of the whole job out.
func (s *site) paths() Pathway {
	out := Pathway{Cases: []string{}, Things: []PathThing{}, Links: []PathLink{}, Ground: [][3]float64{}, Sketch: []Drawn{}, Findings: []working.Finding{},
		cases: map[string][]joint.Case{}, open: map[string][]string{}, frames: map[string]*frameLoads{}, behind: map[string][]string{}, sides: map[string]Side{}}
	w := &walking{s: s, out: &out, ties: map[string]tie{}, devices: map[string]bool{}, frames: map[string]*carrying{}, said: map[string]bool{}, links: map[string]int{}, worst: -1}
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

// steps answers how many joints lie between each body and the ground; what nothing leads
// from is left out.
func (w *walking) steps() map[string]int {
	out := map[string]int{ground: 0}
	for more := true; more; {
		more = false
		for _, j := range w.in.Joints {
			for _, e := range [2][2]string{{j.A, j.B}, {j.B, j.A}} {
				from, known := out[e[0]]
				if to, seen := out[e[1]]; known && (!seen || from+1 < to) {
					out[e[1]], more = from+1, true
				}
			}
		}
	}
	return out
}

// gather names the bodies and the places where joints hold them.
func (w *walking) gather() {
	s := w.s
	known := map[string]bool{ground: true}
	poses := map[string]solid.Pose{} // of parts without a place, by the joint that has one
	leave := func(j Joint, where, why string) {
		name := strings.TrimSpace(j.Name + " " + where)
		w.say("no-place", working.Stop, j.Name, name+" is left out of the load path. "+why)
		w.leftOut = append(w.leftOut, leftOut{j, fmt.Sprintf("%s is left out of the load path, so that what goes through the other joints of what it holds is not all known.", name)})
	}
	for _, i := range s.firstAtFeet() {
		j := s.Brief.Joints[i]
		bolts := s.at[j.ID]
		stands, why := s.standsOf(j)
		if bolts.why != "" {
			why = bolts.why
		}
		if why != "" {
			leave(j, "", why)
			continue
		}
		for n, st := range stands {
			keys, why := s.joined(j, st)
			a := axes{}
			if why == "" {
				a, why = s.placeJoint(j, st, keys, poses)
			}
			if why != "" {
				leave(j, st.Label(), why)
				continue
			}
			for _, k := range keys {
				if !known[k.id] {
					known[k.id] = true
					w.body(k, a, j, poses)
				}
			}
			for k := 1; k < len(keys); k++ {
				id := fmt.Sprintf("%d/%d/%d", i, n, k)
				w.ties[id] = tie{i, a, k - 1, [2]int{keys[k-1].first, keys[k].last}, st.Label(), len(stands) > 1, bolts.holes}
				w.in.Joints = append(w.in.Joints, load.PathJoint{ID: id, Name: j.Name, A: keys[k-1].id, B: keys[k].id, At: a.at, Turns: len(bolts.holes) > 1, Reach: reachOf(bolts.holes)})
			}
		}
	}
}

// body adds a body with its mass, or says what is not known of it.
func (w *walking) body(k thing, a axes, j Joint, poses map[string]solid.Pose) {
	w.devices[k.id] = k.side.Kind == DeviceSide
	if !w.devices[k.id] {
		delete(w.devices, k.id)
	}
	w.out.sides[k.id] = k.side
	body, why := w.s.body(k, poses)
	switch {
	case body.Mass == 0 && k.side.Kind != MemberSide:
		body.Lacks = fmt.Sprintf("The mass of %s is not known.", body.Name)
		w.say("no-mass", working.Stop, body.Name, fmt.Sprintf("The mass of %s is not known: nothing of its own goes into the load path.", body.Name))
	case why != "" && k.side.Kind == DeviceSide:
		body.At, body.Lacks = a.at, strings.TrimSuffix(why, ".")+"."
		w.say("no-gravity", working.Stop, body.Name, fmt.Sprintf("%s: how %s tips its joints cannot be said.", strings.TrimSuffix(why, "."), body.Name))
	case why != "":
		body.At = a.at
		w.say("mass-place", working.Note, body.Name, fmt.Sprintf("%s: its %.3g kg are taken to act at its joint %s.", why, body.Mass, j.Name))
	}
	if k.side.Kind == MemberSide {
		if c := w.s.carrying(k, why); c != nil {
			w.frames[k.id] = c
		}
	}
	w.in.Bodies = append(w.in.Bodies, body)
}

// lacks opens every body that a joint left out would hold too.
func (w *walking) lacks() {
	for _, l := range w.leftOut {
		for _, side := range l.joint.Sides {
			for i := range w.in.Bodies {
				b := &w.in.Bodies[i]
				of := w.out.sides[b.ID]
				if side.Kind != "" && side.Kind != VehicleSide && of.Kind == side.Kind && of.Of == side.Of && b.Lacks == "" {
					b.Lacks = l.reason
				}
			}
		}
	}
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

// walk works every case of the job out: in each all feet sharing, and every other way
// devices and frames may stand.
func (w *walking) walk() {
	ways := w.ways()
	cases := w.s.Brief.happenings()
	for _, c := range w.frames {
		if c.w != nil && c.w.People() {
			cases = append(cases, standOn(w.s.Brief))
			break
		}
	}
	for _, h := range cases {
		in := w.with(h)
		base, err := w.ask(in, h, way{}, true)
		if err != nil {
			w.out.Why = err.Error()
			return
		}
		w.tell(in, base, h)
		for _, way := range ways { // feet are never all alike: the worst of all ways counts
			other := in
			if way.joints != nil {
				other.Joints = way.joints
			}
			r, err := w.ask(other, h, way, false)
			if err != nil || newly(r, base) {
				continue // that way of sharing does not stand
			}
			if way.joints != nil {
				w.record(h, way)
			}
			for _, share := range r.Joints {
				w.jointCase(share, h.name+", "+way.name)
			}
			w.betweens(r.Joints, h.name+", "+way.name)
		}
	}
	for _, id := range w.s.order {
		for _, b := range w.in.Bodies {
			if st := w.s.stands[id]; b.ID == id && st.Why == "" {
				w.out.Sketch = append(w.out.Sketch, drawn(id, st.told.Name, "thing", st.thing.Body, false))
			}
		}
	}
}

// with answers the path under a case: its accelerations, and the duty on what it acts
// on.
func (w *walking) with(h happening) load.PathInput {
	in := w.in
	in.Acceleration = h.design
	if h.duty == nil || h.duty.Kind == load.Retention {
		return in
	}
	in.Bodies = slices.Clone(in.Bodies)
	for i := range in.Bodies {
		b := &in.Bodies[i]
		of := w.out.sides[b.ID]
		if of.Kind != h.duty.On.Kind || of.Of != h.duty.On.Of || of.Kind == "" {
			continue
		}
		b.Forces = append(slices.Clone(b.Forces), load.PathForce{Force: h.load.Design, At: w.dutyAt(b, of, h.duty)})
		break // one of several alike carries it
	}
	return in
}

// dutyAt answers where a duty acts in the vehicle's axes.
func (w *walking) dutyAt(b *load.PathBody, of Side, d *Duty) solid.Vector {
	switch of.Kind {
	case DeviceSide:
		if dev, ok := w.s.Brief.device(of.Of); ok {
			pose, _ := w.s.devicePose(dev)
			return pose.Apply(d.At)
		}
	case MemberSide:
		if c := w.frames[b.ID]; c != nil {
			return c.pose.Apply(d.At)
		}
	case PartSide:
		if st := w.s.stands[b.ID]; st != nil && st.Why == "" {
			return st.Pose.Apply(d.At)
		}
	}
	return b.At
}

// ask works one case out in one way.
func (w *walking) ask(in load.PathInput, h happening, how way, base bool) (load.PathResult, error) {
	for _, c := range w.frames {
		c.ask(h, how, w.s.Brief)
	}
	r, err := load.Path(in)
	if err == nil && base {
		w.record(h, way{})
	}
	return r, err
}

// newly tells whether a way of sharing leaves something open that is whole with all
// feet sharing: then that way does not stand. What is open with all feet sharing
// silences no way of another device.
func newly(r, base load.PathResult) bool {
	had := map[string]bool{}
	for _, f := range base.Findings {
		had[f.Code+f.Feature] = true
	}
	for _, f := range r.Findings {
		if !had[f.Code+f.Feature] {
			return true
		}
	}
	return false
}

// tell writes a case of the path.
func (w *walking) tell(in load.PathInput, r load.PathResult, h happening) {
	out := w.out
	if len(out.Cases) == 0 {
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
	}
	for _, f := range r.Findings { // of every case, each once
		w.say(f.Code, f.Severity, f.Name, f.Reason)
	}
	out.Cases = append(out.Cases, h.name)
	sum := solid.Vector{}
	for _, g := range r.Ground {
		sum = sum.Add(g.Force)
	}
	out.Ground = append(out.Ground, [3]float64(sum))
	upstream := map[string][]string{}
	for _, share := range r.Joints {
		k, there := w.links[share.ID]
		t := w.ties[share.ID]
		j := w.s.Brief.Joints[t.joint]
		if !there {
			k = len(out.Links)
			w.links[share.ID] = k
			out.Links = append(out.Links, PathLink{Joint: j.ID, Name: j.Name, Place: t.label, From: nameIn(in, share.From), Onto: nameIn(in, share.Onto), At: t.axes.at})
		}
		l := &out.Links[k]
		l.Forces, l.Most = append(l.Forces, [3]float64(share.Force)), append(l.Most, share.Most)
		if share.Most > w.worst {
			w.worst, out.Worst = share.Most, len(out.Cases)-1
			r.Working.Assumptions = append(r.Working.Assumptions, "all joints of a thing sharing; the joints' own checks count a device's feet loose one by one and two across each other too")
			told := r.Working.Written(w.s.Brief.Unit != UnitMM)
			out.Working = &told
		}
		w.jointCase(share, h.name)
		if share.Open != "" {
			add(out.open, j.ID, share.Open)
		}
		from := append(upstream[share.From], share.From)
		if c := w.frames[share.Onto]; c != nil && share.Open != "" && !slices.Contains(c.loads.open, share.Open) {
			c.loads.open = append(c.loads.open, share.Open)
		}
		for _, id := range from {
			add(out.behind, j.ID, id)
			if c, side := w.frames[share.Onto], out.sides[id]; c != nil && side.Kind == DeviceSide && !slices.Contains(c.loads.devices, side.Of) {
				c.loads.devices = append(c.loads.devices, side.Of)
			}
			if !slices.Contains(upstream[share.Onto], id) {
				upstream[share.Onto] = append(upstream[share.Onto], id)
			}
		}
	}
	w.betweens(r.Joints, h.name)
}

func add(to map[string][]string, key, v string) {
	if !slices.Contains(to[key], v) {
		to[key] = append(to[key], v)
	}
}

// jointCase turns a share into a load on the plies before the face it goes through,
// in the axes of the joint.
func (w *walking) jointCase(share load.PathShare, name string) {
	t := w.ties[share.ID]
	j := w.s.Brief.Joints[t.joint]
	f, m := w.headed(share)
	c := t.at(f, m, name)
	if len(w.faces(t)) > 1 {
		c.Plies = &[2]int{t.plies[0], t.plies[1]}
	}
	w.out.cases[j.ID] = append(w.out.cases[j.ID], c)
}

// headed answers a share as it acts on the ply nearer the heads.
func (w *walking) headed(share load.PathShare) (f, m solid.Vector) {
	f, m = share.Force, share.Moment
	for _, q := range w.in.Joints {
		if q.ID == share.ID && share.From == q.B { // the nuts' side is held by the heads': the other way round
			f, m = f.Mul(-1), m.Mul(-1)
		}
	}
	return f, m
}

// at writes a force and a moment as a case of the joint, about the middle of its
// bolts.
func (t tie) at(f, m solid.Vector, name string) joint.Case {
	if t.many {
		name = t.label + ", " + name
	}
	var middle [2]float64
	n := float64(len(t.holes))
	for _, h := range t.holes {
		middle[0], middle[1] = middle[0]+h[0]/n, middle[1]+h[1]/n
	}
	return joint.Case{Name: name, Force: t.axes.force(f), At: [3]float64{middle[0], middle[1], 0}, Moment: t.axes.moment(m), Done: true}
}

// faces answers the ids of all ties at the place of one, in their order from the
// heads.
func (w *walking) faces(t tie) (out []string) {
	for _, q := range w.in.Joints {
		o := w.ties[q.ID]
		if o.joint == t.joint && o.label == t.label && o.axes.at == t.axes.at {
			out = append(out, q.ID)
		}
	}
	return out
}

// betweens adds what the thing in the middle takes of two faces of one joint: where
// three things are on the same bolts, the middle one's holes get the difference.
func (w *walking) betweens(shares []load.PathShare, name string) {
	by := map[string]load.PathShare{}
	for _, s := range shares {
		by[s.ID] = s
	}
	for _, share := range shares {
		t := w.ties[share.ID]
		for _, id := range w.faces(t) {
			o, ok := w.ties[id]
			next, there := by[id]
			if !ok || !there || o.face != t.face+1 {
				continue
			}
			f1, m1 := w.headed(share)
			f2, m2 := w.headed(next)
			c := t.at(f2.Sub(f1), m2.Sub(m1), name+", on what lies between")
			c.Plies = &[2]int{o.plies[0], t.plies[1]}
			j := w.s.Brief.Joints[t.joint]
			w.out.cases[j.ID] = append(w.out.cases[j.ID], c)
		}
	}
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
