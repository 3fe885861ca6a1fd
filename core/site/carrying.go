package site

import (
	"fmt"
	"math"
	"strings"

	"warmanvil/core/brief"
	"warmanvil/core/load"
	"warmanvil/core/member/held"
	"warmanvil/core/solid"
)

// frameLoads is what lands on a frame by the joints of the job, for its own verdict.
type frameLoads struct {
	lands    []held.Landing
	happens  []held.Happening
	elsewise map[string]bool
	open     []string
	devices  []string // ids of devices whose loads land on it
}

// carrying is a frame in the load path: it is solved in every case, and what it puts
// on what holds it goes on.
type carrying struct {
	id     string
	frame  *Frame
	w      *held.Standing
	why    string // why it cannot be solved
	pose   solid.Pose
	joints []load.PathJoint
	at     map[string]int // landing by joint; −1 past the frame
	loads  *frameLoads

	q   held.Asking // of the case that is asked
	got []held.Wrench
}

// holderWithin is how near a joint must lie to a place that holds the frame to be what
// holds it there, mm: half of a large foot plate.
const holderWithin = 150.

// carrying opens a frame that stands in the load path.
func (s *site) carrying(k thing, why string) *carrying {
	f, built := s.frame(k.side.Of), s.frames[k.side.Of]
	if f == nil || built == nil {
		return nil
	}
	c := &carrying{id: k.id, frame: f, pose: f.Doc.Fit.Solid(), at: map[string]int{}, loads: &frameLoads{elsewise: map[string]bool{}}}
	if st := s.stands[k.id]; st != nil && st.Why == "" {
		c.pose = st.Pose
	}
	return c
}

// openFrames opens every frame for asking, with a landing at each of its joints.
func (w *walking) openFrames() {
	for i := range w.in.Bodies {
		b := &w.in.Bodies[i]
		c := w.frames[b.ID]
		if c == nil {
			continue
		}
		w.landings(c)
		ask := asked(w.s.Brief)
		ask.Lands, ask.Elsewise = c.loads.lands, c.loads.elsewise
		stand, err := held.Stand(w.s.frames[c.frame.ID], c.frame.Doc, ask)
		if err != nil {
			c.why = fmt.Sprintf("%s cannot be solved, so that what it carries does not arrive: %s", b.Name, w.s.Brief.Refused(err))
		} else {
			c.w = stand
			if lacks := stand.Lacks(); len(lacks) > 0 && b.Lacks == "" {
				b.Lacks = b.Name + ": " + strings.Join(lacks, " ")
			}
		}
		w.out.frames[c.frame.ID] = c.loads
		b.Carry = c.carry
	}
}

// landings sets out where joints meet a frame, and which of the brief's devices land
// there.
func (w *walking) landings(c *carrying) {
	for _, j := range w.in.Joints {
		other := ""
		switch c.id {
		case j.A:
			other = j.B
		case j.B:
			other = j.A
		default:
			continue
		}
		c.joints = append(c.joints, j)
		c.at[j.ID] = len(c.loads.lands)
		t := w.ties[j.ID]
		c.loads.lands = append(c.loads.lands, held.Landing{Name: j.Name,
			Member: memberOf(t.sides, c.frame.ID), At: into(c.pose, j.At)})
		if side := w.out.sides[other]; side.Kind == brief.DeviceSide {
			c.loads.elsewise[side.Of] = true
		}
	}
	// One more, for a duty that acts on the frame itself.
	for i := range w.s.Brief.Duties {
		if d := &w.s.Brief.Duties[i]; d.On.Kind == brief.MemberSide && d.On.Of == c.frame.ID {
			c.at["duty "+d.ID] = len(c.loads.lands)
			c.loads.lands = append(c.loads.lands, held.Landing{Name: d.Name, Member: d.On.Member, At: d.At})
		}
	}
}

func memberOf(sides []brief.Side, frame string) string {
	for _, side := range sides {
		if side.Kind == brief.MemberSide && side.Of == frame {
			return side.Member
		}
	}
	return ""
}

// into answers a place of the vehicle in a pose's own axes.
func into(p solid.Pose, v solid.Vector) solid.Vector {
	d := v.Sub(p.Origin)
	return solid.Vector{d.Dot(p.X), d.Dot(p.Y), d.Dot(p.Z)}
}

// turnInto answers a way of the vehicle in a pose's own axes.
func turnInto(p solid.Pose, v solid.Vector) solid.Vector {
	return solid.Vector{v.Dot(p.X), v.Dot(p.Y), v.Dot(p.Z)}
}

// ask readies a frame for one case in one way.
func (c *carrying) ask(h brief.Happening, how way, b brief.Brief) {
	c.q = held.Asking{People: h.People * b.TypedFactor(), Typed: b.TypedFactor(), Way: -1}
	if how.of == c.id && how.joints == nil {
		c.q.Way = how.index
	}
	c.got = make([]held.Wrench, len(c.loads.lands))
}

// carry solves the frame in the case it was readied for: what arrives lands on it,
// and what its holders take goes on through the joints at them. Holders with no joint
// stand on the vehicle itself.
func (c *carrying) carry(acceleration solid.Vector, arrived []load.PathForce, held []load.PathJoint) (map[string]load.PathForce,
	[]load.PathForce, string) {
	if c.w == nil {
		return nil, nil, c.why
	}
	c.q.Net = turnInto(c.pose, acceleration)
	for _, f := range arrived {
		k, ok := c.at[f.Joint]
		if !ok { // a duty: it acts at the landing set out for it
			for i, l := range c.loads.lands {
				if l.At.Sub(into(c.pose, f.At)).Len() < 1e-3 {
					k, ok = i, true
				}
			}
		}
		if !ok {
			return nil, nil, fmt.Sprintf("What arrives on %s at %.0f, %.0f, %.0f finds no place on it.", c.frame.Name, f.At[0],
				f.At[1], f.At[2])
		}
		off := into(c.pose, f.At).Sub(c.loads.lands[k].At)
		force := turnInto(c.pose, f.Force)
		c.got[k].Force = c.got[k].Force.Add(force)
		c.got[k].Moment = c.got[k].Moment.Add(turnInto(c.pose, f.Moment)).Add(off.Cross(force))
	}
	c.q.Lands = c.got
	on, err := c.w.React(c.q)
	if err != nil {
		return nil, nil, err.Error()
	}
	out := map[string]load.PathForce{}
	var direct []load.PathForce
	reached := map[string]bool{}
	for _, h := range c.w.Holders() {
		at := c.pose.Apply(h.At)
		r := on[h.Point]
		f := load.PathForce{Force: c.pose.Turn(r.Force), Moment: c.pose.Turn(r.Moment), At: at}
		best, id := holderWithin, ""
		var place solid.Vector
		for _, j := range held {
			if d := j.At.Sub(at).Len(); d < best {
				best, id, place = d, j.ID, j.At
			}
		}
		if id == "" {
			direct = append(direct, f)
			continue
		}
		reached[id] = true
		q := out[id]
		q.At, q.Force = place, q.Force.Add(f.Force)
		q.Moment = q.Moment.Add(f.Moment).Add(at.Sub(place).Cross(f.Force))
		out[id] = q
	}
	for _, j := range held {
		if !reached[j.ID] {
			return out, direct, fmt.Sprintf("%s is joined at %s, and no place that holds it lies within %.0f mm of there: nothing "+
				"goes through "+
				"that joint. Set what holds the frame where its joints are.", c.frame.Name, j.Name, holderWithin)
		}
	}
	return out, direct, ""
}

// way is one way of standing other than all feet alike: of a device by its joints, or
// of a frame's own devices.
type way struct {
	name   string
	of     string           // id of the body it is of
	joints []load.PathJoint // stiffnesses of a device's joints; nil for a frame's own way
	index  int              // of a frame's own way
}

// ways answers all of them.
func (w *walking) ways() (out []way) {
	for _, s := range sharings(w.in, w.devices) {
		out = append(out, way{name: s.name, of: s.of, joints: s.joints})
	}
	for _, b := range w.in.Bodies {
		c := w.frames[b.ID]
		if c == nil || c.w == nil {
			continue
		}
		for i, name := range c.w.Ways() {
			out = append(out, way{name: name, of: c.id, index: i})
		}
	}
	return out
}

// standOn is the case of people standing on what people stand on.
func standOn(b brief.Brief) brief.Happening {
	h := brief.Happening{Name: "stood on, 1 g down", Service: solid.Vector{0, 0, -1}, Design: solid.Vector{0, 0, -1}, People: 1}
	if b.TypedFactor() > 1 {
		h.Design[2] = -1.2
	}
	return h
}

// record keeps what landed on every frame in a case, for its own verdict. In the
// factored school service loads are what landed over the largest factor, which the
// movement of the frame is told by.
func (w *walking) record(h brief.Happening, how way) {
	for _, c := range w.frames {
		name := h.Name
		if how.name != "" {
			name += ", " + how.name
		}
		if h.People > 0 {
			continue // the frame asks that by itself
		}
		lands := append([]held.Wrench{}, c.got...)
		happens := held.Happening{Name: name, Net: turnInto(c.pose, h.Service), Design: turnInto(c.pose, h.Design),
			Lands: lands, Only: how.joints != nil}
		if k := w.s.Brief.TypedFactor(); k > 1 {
			happens.Service = make([]held.Wrench, len(lands))
			share := 1.
			if d := math.Abs(h.Design.Len()); d > 1e-9 {
				share = h.Service.Len() / d
			}
			for i, l := range lands {
				happens.Service[i] = held.Wrench{Force: l.Force.Mul(share), Moment: l.Moment.Mul(share)}
			}
		}
		c.loads.happens = append(c.loads.happens, happens)
	}
}
