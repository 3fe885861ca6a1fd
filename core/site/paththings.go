package site

import (
	"warmanvil/core/brief"
	"warmanvil/core/load"
	"warmanvil/core/solid"
)

// thing is a body a joint joins.
type thing struct {
	id    string
	side  brief.Side
	label string // of one among several
	first int    // its first and last ply in the joint
	last  int
}

// joins tells whether a joint holds two things that are named.
func (s *site) joins(j brief.Joint) bool {
	seen := map[brief.Side]bool{}
	for _, side := range j.Sides {
		if side.Kind == brief.VehicleSide {
			side = brief.Side{Kind: brief.VehicleSide}
		}
		if side.Member = ""; side.Kind != "" {
			seen[side] = true
		}
	}
	return len(seen) > 1
}

// joined answers the things a joint holds together at one of its places, head
// side first, each once where its plies lie on each other.
func (s *site) joined(j brief.Joint, st brief.Stand) (out []thing, why string) {
	for k, side := range j.Sides {
		if side.Kind == "" || k >= len(j.Design.Plies) || side.Kind != brief.VehicleSide && side.Of == "" {
			continue
		}
		t := thing{id: ground, side: side, first: k, last: k}
		if side.Kind != brief.VehicleSide {
			if t.id, t.label, why = s.key(j, side, st); why != "" {
				return nil, why
			}
		}
		if n := len(out); n > 0 && out[n-1].id == t.id {
			out[n-1].last = k
		} else {
			out = append(out, t)
		}
	}
	return out, ""
}

// key tells things apart: placed ones by their place, parts there are several of
// by the place of the joint, all else by what they are.
func (s *site) key(j brief.Joint, side brief.Side, st brief.Stand) (id, label, why string) {
	if side.Kind == brief.PartSide && side.Of == j.Part && st.Placed != "" {
		return st.Placed, "", ""
	}
	bare := string(side.Kind) + " " + side.Of
	if label := s.Brief.Label(j, st); label != "" && side.Placed == "" {
		if p := s.part(side.Of); p != nil && (p.Quantity > 1 || p.Recipe.Hand.Pair) {
			return bare + "#" + label, label, ""
		}
	}
	if id, why = s.instance(side); id == "" {
		id = bare
	}
	return id, "", why
}

// body answers a thing with its mass at its centre of gravity, or why that has no
// place.
func (s *site) body(t thing, poses map[string]solid.Pose) (load.PathBody, string) {
	b := load.PathBody{ID: t.id, Name: s.named(t.side)}
	st := s.stands[t.id]
	if st != nil && st.Why != "" {
		st = nil
	}
	if st != nil {
		b.Name = st.told.Name
	}
	if t.label != "" {
		b.Name += " at " + t.label
	}
	none := b.Name + " has no place on the vehicle"
	switch t.side.Kind {
	case brief.PartSide:
		p := s.part(t.side.Of)
		if p == nil || p.Err != nil {
			return b, none
		}
		b.Mass = kilos(s.Brief, p)
		if pose, there := poses[t.id]; there && st == nil {
			var whole solid.Body
			for _, n := range s.bodies[t.side.Of] {
				whole = whole.With(n.Body)
			}
			b.At = pose.Apply(whole.Middle())
			return b, ""
		}
		if st == nil {
			return b, none
		}
		b.At = st.thing.Body.Middle()
	case brief.MemberSide:
		f := s.frames[t.side.Of]
		if f == nil {
			return b, none
		}
		pose := s.frame(t.side.Of).Doc.Fit.Solid()
		if st != nil {
			pose = st.Pose
		}
		b.Mass, b.At = f.Mass, pose.Apply(f.Gravity)
	case brief.DeviceSide:
		d, _ := s.Brief.Device(t.side.Of)
		if d.Mass != nil {
			b.Mass = d.Mass.Value
		}
		g := d.Gravity
		if g == nil {
			return b, "The centre of gravity of " + b.Name + " is not known"
		}
		pose, why := s.devicePose(d)
		if b.At = pose.Apply(solid.Vector{g.X, g.Y, g.Z}); why != "" {
			return b, why
		}
	}
	return b, ""
}
