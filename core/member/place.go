package member

import (
	"fmt"
	"math"

	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// Joint is a point as it lies.
type Joint struct {
	ID   string       `json:"id"`
	Name string       `json:"name"`
	At   solid.Vector `json:"at" doc:"mm"`
	Of   string       `json:"of,omitempty" doc:"id of the point it was copied from"`
	Why  string       `json:"why,omitempty" doc:"why it has no place"`
}

// Surveyed answers where a surveyed point lies in the frame's axes, or why it
// cannot be said.
type Surveyed func(id string) (at solid.Vector, why string)

const together = .01 // mm, points nearer than this are one

// laid is a document with its copies made and its points placed.
type laid struct {
	joints   []Joint
	at       map[string]int // index of a joint by id; copied points that meet another share it
	members  []Member
	of       map[string]string // id of the member a copy was made from
	supports []Support
	loads    []Load
	plates   []Plate
	mirrored map[string]bool    // members that are mirror images
	corner   map[string]*Corner // by id of the joint
	findings []working.Finding
}

// lay places the points and makes the copies.
func (d Doc) lay(surveyed Surveyed) *laid {
	l := &laid{corner: map[string]*Corner{}, at: map[string]int{}, of: map[string]string{}, mirrored: map[string]bool{},
		members: append([]Member{}, d.Members...), supports: append([]Support{}, d.Supports...), loads: append([]Load{}, d.Loads...),
		plates: append([]Plate{}, d.Plates...)}
	byID := map[string]*Point{}
	for i := range d.Points {
		byID[d.Points[i].ID] = &d.Points[i]
		l.corner[d.Points[i].ID] = d.Points[i].Corner
	}
	state := map[string]int{} // 1 on the way, 2 done
	var place func(p *Point) Joint
	place = func(p *Point) Joint {
		j := Joint{ID: p.ID, Name: p.Name, At: solid.Vector{p.X, p.Y, p.Z}}
		if k, done := l.at[p.ID]; done {
			return l.joints[k]
		}
		if state[p.ID] == 1 {
			j.Why = "Its offset leads round in a ring back to itself."
			return j
		}
		state[p.ID] = 1
		switch {
		case p.From != "":
			base, ok := byID[p.From]
			if !ok {
				j.Why = "The point it is offset from is not there any more."
				break
			}
			b := place(base)
			if j.Why = b.Why; b.Why != "" && state[base.ID] != 1 {
				j.Why = "The point it is offset from has no place: " + b.Why
			}
			j.At = j.At.Add(b.At)
		case p.Survey != "":
			at, why := surveyed(p.Survey)
			j.Why, j.At = why, j.At.Add(at)
		}
		state[p.ID] = 2
		if _, done := l.at[p.ID]; !done {
			l.at[p.ID] = len(l.joints)
			l.joints = append(l.joints, j)
		}
		return j
	}
	for i := range d.Points {
		place(&d.Points[i])
	}
	for _, c := range d.Copies {
		l.copy(c)
	}
	l.doubled()
	return l
}

// name tells a joint.
func (l *laid) name(id string) string {
	if k, ok := l.at[id]; ok && l.joints[k].Name != "" {
		return l.joints[k].Name
	}
	return "a point without a name"
}

// copy mirrors or repeats members as they are by now.
func (l *laid) copy(c Copy) {
	chosen := map[string]bool{}
	for _, id := range c.Members {
		chosen[id] = true
	}
	members, supports, loads, plates := l.members, l.supports, l.loads, l.plates
	times, axis := 1, map[string]int{"x": 0, "y": 1, "z": 2}[c.Axis]
	if c.Kind == "repeat" {
		times = c.Times
		if (solid.Vector(c.Step)).Len() < together {
			if times > 0 {
				l.say("copy-on-itself", working.Stop, c.ID, "A bay repeated by no step lies on itself: give the step.")
			}
			return
		}
	}
	if len(members)*(times+1) > maxMany {
		l.say("too-many", working.Stop, c.ID, fmt.Sprintf("That would be more than %d members: repeat it fewer times.", maxMany))
		return
	}
	for n := 1; n <= times; n++ {
		mark := fmt.Sprintf("~%s.%d", c.ID, n)
		word := fmt.Sprintf(" +%d", n)
		if c.Kind == "mirror" {
			word = ", other side"
		}
		move := func(v solid.Vector) solid.Vector {
			if c.Kind == "mirror" {
				v[axis] = 2*c.At - v[axis]
				return v
			}
			return v.Add(solid.Vector(c.Step).Mul(float64(n)))
		}
		moved := map[string]string{}
		point := func(id string) string {
			if to, done := moved[id]; done {
				return to
			}
			k, ok := l.at[id]
			if !ok {
				return id
			}
			j := l.joints[k]
			j.At, j.Of = move(j.At), id
			to := id + mark
			for i := range l.joints { // points that meet are one
				if l.joints[i].Why == "" && l.joints[i].At.Sub(j.At).Len() < together {
					to = l.joints[i].ID
				}
			}
			if _, there := l.at[to]; !there {
				j.ID, j.Name = to, l.name(id)+word
				l.at[to] = len(l.joints)
				l.joints = append(l.joints, j)
				l.corner[to] = l.corner[id]
			}
			moved[id] = to
			return to
		}
		names := map[string]string{}
		for _, m := range members {
			if len(chosen) > 0 && !chosen[m.ID] {
				continue
			}
			names[m.ID] = m.ID + mark
		}
		for _, m := range members {
			if names[m.ID] == "" {
				continue
			}
			from, to := point(m.From), point(m.To)
			if from == m.From && to == m.To || from == m.To && to == m.From {
				delete(names, m.ID) // it crosses the mirror and is its own image
				continue
			}
			was := m
			m.ID, m.Name, m.From, m.To = names[m.ID], m.Name+word, from, to
			for _, e := range []*End{&m.A, &m.B} {
				if other := names[e.Onto]; other != "" {
					e.Onto = other
				}
			}
			if c.Kind == "mirror" {
				if a, ok := l.axes(was); ok {
					a.X[axis], a.Z[axis] = -a.X[axis], -a.Z[axis]
					m = mirrored(m, a.X, a.Z)
				}
				l.mirrored[m.ID] = !l.mirrored[was.ID]
			} else {
				l.mirrored[m.ID] = l.mirrored[was.ID]
			}
			l.of[m.ID] = first(l.of[was.ID], was.ID)
			l.members = append(l.members, m)
		}
		for _, s := range supports {
			if to, ok := moved[s.Point]; ok && to != s.Point && c.Kind == "mirror" { // bays do not each stand on their own
				s.Point = to
				l.supports = append(l.supports, s)
			}
		}
		for _, p := range plates {
			if to, ok := names[p.Member]; ok {
				p.ID, p.Member, p.Name = p.ID+mark, to, p.Name+word
				l.plates = append(l.plates, p)
			}
		}
		for _, v := range loads {
			if v.Kind == "person" || v.Kind == "device" { // there is one of each
				continue
			}
			to, other := names[v.Member], false
			if v.Member != "" && to == "" {
				continue
			}
			points := make([]string, len(v.Points))
			for i, id := range v.Points {
				if points[i] = id; moved[id] != "" {
					points[i], other = moved[id], other || moved[id] != id
				}
			}
			if v.Member == "" && !other {
				continue
			}
			v.ID, v.Member, v.Points, v.Name = v.ID+mark, to, points, v.Name+word
			if c.Kind == "mirror" {
				v.Force[axis] = -v.Force[axis]
			}
			l.loads = append(l.loads, v)
		}
	}
}

func first(a, b string) string {
	if a != "" {
		return a
	}
	return b
}

func (l *laid) say(code string, severity working.Severity, feature, reason string) {
	l.findings = append(l.findings, working.Finding{Code: code, Severity: severity, Cause: "Points and members",
		Feature: feature, Reason: reason})
}

// doubled tells of points that lie on one spot without being one.
func (l *laid) doubled() {
	for i, a := range l.joints {
		if a.Why != "" {
			l.say("no-place", working.Stop, a.ID, fmt.Sprintf("%s has no place. %s", l.name(a.ID), a.Why))
			continue
		}
		for _, v := range a.At {
			if math.IsNaN(v) || math.Abs(v) > maxSize {
				l.joints[i].Why = "It lies beyond a kilometre: look at its offsets."
			}
		}
		for _, b := range l.joints[:i] {
			if b.Why == "" && a.At.Sub(b.At).Len() < together {
				l.say("points-together", working.Mind, a.ID,
					fmt.Sprintf("%s and %s lie on one spot but are two points: members that run to one are not joined to those of the other. Run them "+
						"to the same point.", l.name(b.ID), l.name(a.ID)))
			}
		}
	}
}
