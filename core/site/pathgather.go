package site

import (
	"fmt"
	"strings"

	"warmanvil/core/brief"
	"warmanvil/core/load"
	"warmanvil/core/solid"
	"warmanvil/core/told"
	"warmanvil/core/working"
)

// leftOut is a joint that has no place in the path, so that what it holds is not all
// known to be held.
type leftOut struct {
	sides  []brief.Side
	reason string
}

// leave leaves a joint out of the path.
func (w *walking) leave(name, where string, sides []brief.Side, why string) {
	full := strings.TrimSpace(name + " " + where)
	w.say("no-place", working.Stop, name, full+" is left out of the load path. "+why)
	w.leftOut = append(w.leftOut, leftOut{sides,
		fmt.Sprintf("%s is left out of the load path, so that what goes through the other joints of what it holds is not all "+
			"known.", full)})
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
	for _, i := range s.firstAtFeet() {
		j := s.Brief.Joints[i]
		bolts := s.at[j.ID]
		stands, why := s.standsOf(j)
		if bolts.why != "" {
			why = bolts.why
		}
		if why != "" {
			w.leave(j.Name, "", j.Sides, why)
			continue
		}
		for n, st := range stands {
			keys, why := s.joined(j, st)
			a := axes{}
			if why == "" {
				a, why = s.placeJoint(j, st, keys, poses)
			}
			if why != "" {
				w.leave(j.Name, s.Brief.Label(j, st), j.Sides, why)
				continue
			}
			for _, k := range keys {
				if !known[k.id] {
					known[k.id] = true
					w.body(k, a.at, j.Name, poses)
				}
			}
			for k := 1; k < len(keys); k++ {
				id := fmt.Sprintf("%d/%d/%d", i, n, k)
				w.ties[id] = tie{id: j.ID, name: j.Name, sides: j.Sides, axes: a, face: k - 1, plies: [2]int{keys[k-1].first, keys[k].last},
					label: s.Brief.Label(j, st), many: len(stands) > 1, holes: bolts.holes}
				w.in.Joints = append(w.in.Joints, load.PathJoint{ID: id, Name: j.Name, A: keys[k-1].id, B: keys[k].id, At: a.at,
					Turns: len(bolts.holes) > 1, Reach: reachOf(bolts.holes)})
			}
		}
	}
	w.gatherSeams(known, poses)
}

// body adds a body with its mass, or says what is not known of it.
func (w *walking) body(k thing, at solid.Vector, joint string, poses map[string]solid.Pose) {
	w.devices[k.id] = k.side.Kind == brief.DeviceSide
	if !w.devices[k.id] {
		delete(w.devices, k.id)
	}
	w.out.sides[k.id] = k.side
	body, why := w.s.body(k, poses)
	switch {
	case body.Mass == 0 && k.side.Kind != brief.MemberSide:
		body.Lacks = fmt.Sprintf("The mass of %s is not known.", body.Name)
		w.say("no-mass", working.Stop, body.Name,
			fmt.Sprintf("The mass of %s is not known: nothing of its own goes into the load path.", body.Name))
	case why != "" && k.side.Kind == brief.DeviceSide:
		body.At, body.Lacks = at, strings.TrimSuffix(why, ".")+"."
		w.say("no-gravity", working.Stop, body.Name,
			fmt.Sprintf("%s: how %s tips its joints cannot be said.", strings.TrimSuffix(why, "."), body.Name))
	case why != "":
		body.At = at
		w.say("mass-place", working.Note, body.Name,
			fmt.Sprintf("%s: its %s are taken to act at its joint %s.", why, told.Pen{Display: w.s.Brief.Display()}.Mass(body.Mass),
				joint))
	}
	if k.side.Kind == brief.MemberSide {
		if c := w.s.carrying(k, why); c != nil {
			w.frames[k.id] = c
		}
	}
	w.in.Bodies = append(w.in.Bodies, body)
}

// lacks opens every body that a joint left out would hold too.
func (w *walking) lacks() {
	for _, l := range w.leftOut {
		for _, side := range l.sides {
			for i := range w.in.Bodies {
				b := &w.in.Bodies[i]
				of := w.out.sides[b.ID]
				if side.Kind != "" && side.Kind != brief.VehicleSide && of.Kind == side.Kind && of.Of == side.Of && b.Lacks == "" {
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
				holds = holds || side.Kind == brief.DeviceSide
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
func (s *site) placeJoint(j brief.Joint, st brief.Stand, keys []thing, poses map[string]solid.Pose) (axes, string) {
	p := s.part(j.Part)
	key := ""
	for _, k := range keys {
		if p != nil && k.side.Kind == brief.PartSide && k.side.Of == j.Part && s.stands[k.id] == nil {
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
