package shape

import (
	"fmt"
	"math"
	"slices"

	"warmanvil/core/member"
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

const Together = .01 // mm, points nearer than this are one

// laid is a document with its copies made and its points placed.
type laid struct {
	Joints   []Joint
	At       map[string]int // index of a joint by id; copied points that meet another share it
	members  []member.Member
	of       map[string]string // id of the member a copy was made from
	Supports []member.Support
	Loads    []member.Load
	plates   []member.Plate
	mirrored map[string]bool           // members that are mirror images
	corner   map[string]*member.Corner // by id of the joint
	findings []working.Finding
}

// lay places the points and makes the copies.
func lay(d member.Doc, surveyed Surveyed) *laid {
	l := &laid{corner: map[string]*member.Corner{}, At: map[string]int{}, of: map[string]string{}, mirrored: map[string]bool{},
		members: append([]member.Member{}, d.Members...), Supports: append([]member.Support{}, d.Supports...),
		Loads:  append([]member.Load{}, d.Loads...),
		plates: append([]member.Plate{}, d.Plates...)}
	byID := map[string]*member.Point{}
	for i := range d.Points {
		byID[d.Points[i].ID] = &d.Points[i]
		l.corner[d.Points[i].ID] = d.Points[i].Corner
	}
	state := map[string]int{} // 1 on the way, 2 done
	var place func(p *member.Point) Joint
	place = func(p *member.Point) Joint {
		j := Joint{ID: p.ID, Name: p.Name, At: solid.Vector{p.X, p.Y, p.Z}}
		if k, done := l.At[p.ID]; done {
			return l.Joints[k]
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
		if _, done := l.At[p.ID]; !done {
			l.At[p.ID] = len(l.Joints)
			l.Joints = append(l.Joints, j)
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

// Name tells a joint.
func (l *laid) Name(id string) string {
	if k, ok := l.At[id]; ok && l.Joints[k].Name != "" {
		return l.Joints[k].Name
	}
	return "a point without a name"
}

// copy mirrors or repeats members as they are by now.
func (l *laid) copy(c member.Copy) {
	was := *l
	times := 1
	if c.Kind == "repeat" {
		times = c.Times
		if (solid.Vector(c.Step)).Len() < Together {
			if times > 0 {
				l.say("copy-on-itself", working.Stop, c.ID, "A bay repeated by no step lies on itself: give the step.")
			}
			return
		}
	}
	if len(was.members)*(times+1) > member.MaxMany {
		l.say("too-many", working.Stop, c.ID, fmt.Sprintf("That would be more than %d members: repeat it fewer times.", member.MaxMany))
		return
	}
	for n := 1; n <= times; n++ {
		k := copying{l: l, c: c, axis: map[string]int{"x": 0, "y": 1, "z": 2}[c.Axis], times: float64(n), mark: fmt.Sprintf("~%s.%d", c.ID, n),
			word: fmt.Sprintf(" +%d", n), moved: map[string]string{}, names: map[string]string{}}
		if c.Kind == "mirror" {
			k.word = ", other side"
		}
		k.copyMembers(was.members)
		k.copySupports(was.Supports)
		for _, p := range was.plates {
			if to, ok := k.names[p.Member]; ok {
				p.ID, p.Member, p.Name = p.ID+k.mark, to, p.Name+k.word
				l.plates = append(l.plates, p)
			}
		}
		k.copyLoads(was.Loads)
	}
}

// copying is one image of a copy.
type copying struct {
	l     *laid
	c     member.Copy
	axis  int     // that a mirror turns
	times float64 // steps of a bay
	mark  string  // after an id
	word  string  // after a name
	moved map[string]string
	names map[string]string // ids of the copied members by those they are of
}

func (k *copying) mirrors() bool { return k.c.Kind == "mirror" }

func (k *copying) place(v solid.Vector) solid.Vector {
	if k.mirrors() {
		v[k.axis] = 2*k.c.At - v[k.axis]
		return v
	}
	return v.Add(solid.Vector(k.c.Step).Mul(k.times))
}

// point answers the id of a point's image; points that meet are one.
func (k *copying) point(id string) string {
	if to, done := k.moved[id]; done {
		return to
	}
	l := k.l
	i, ok := l.At[id]
	if !ok {
		return id
	}
	j := l.Joints[i]
	j.At, j.Of = k.place(j.At), id
	to := id + k.mark
	for i := range l.Joints {
		if l.Joints[i].Why == "" && l.Joints[i].At.Sub(j.At).Len() < Together {
			to = l.Joints[i].ID
		}
	}
	if _, there := l.At[to]; !there {
		j.ID, j.Name = to, l.Name(id)+k.word
		l.At[to] = len(l.Joints)
		l.Joints = append(l.Joints, j)
		l.corner[to] = l.corner[id]
	}
	k.moved[id] = to
	return to
}

func (k *copying) copyMembers(members []member.Member) {
	l := k.l
	for _, m := range members {
		if len(k.c.Members) == 0 || slices.Contains(k.c.Members, m.ID) {
			k.names[m.ID] = m.ID + k.mark
		}
	}
	for _, m := range members {
		if k.names[m.ID] == "" {
			continue
		}
		from, to := k.point(m.From), k.point(m.To)
		if from == m.From && to == m.To || from == m.To && to == m.From {
			delete(k.names, m.ID) // it crosses the mirror and is its own image
			continue
		}
		was := m
		m.ID, m.Name, m.From, m.To = k.names[m.ID], m.Name+k.word, from, to
		for _, e := range []*member.End{&m.A, &m.B} {
			if other := k.names[e.Onto]; other != "" {
				e.Onto = other
			}
		}
		l.mirrored[m.ID] = l.mirrored[was.ID] != k.mirrors()
		if a, ok := l.axes(was); ok && k.mirrors() {
			a.X[k.axis], a.Z[k.axis] = -a.X[k.axis], -a.Z[k.axis]
			m = mirrored(m, a.X, a.Z)
		}
		l.of[m.ID] = first(l.of[was.ID], was.ID)
		l.members = append(l.members, m)
	}
}

// copySupports gives a mirror's other side its own; bays do not each stand on their own.
func (k *copying) copySupports(supports []member.Support) {
	for _, s := range supports {
		if to, ok := k.moved[s.Point]; ok && to != s.Point && k.mirrors() {
			s.Point = to
			k.l.Supports = append(k.l.Supports, s)
		}
	}
}

// copyLoads copies what may be more than one: of a person or a device there is one.
func (k *copying) copyLoads(loads []member.Load) {
	for _, v := range loads {
		if v.Kind == "person" || v.Kind == "device" {
			continue
		}
		to, other := k.names[v.Member], false
		if v.Member != "" && to == "" {
			continue
		}
		points := make([]string, len(v.Points))
		for i, id := range v.Points {
			if points[i] = id; k.moved[id] != "" {
				points[i], other = k.moved[id], other || k.moved[id] != id
			}
		}
		if v.Member == "" && !other {
			continue
		}
		v.ID, v.Member, v.Points, v.Name = v.ID+k.mark, to, points, v.Name+k.word
		if k.mirrors() {
			v.Force[k.axis] = -v.Force[k.axis]
		}
		k.l.Loads = append(k.l.Loads, v)
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
	for i, a := range l.Joints {
		if a.Why != "" {
			l.say("no-place", working.Stop, a.ID, fmt.Sprintf("%s has no place. %s", l.Name(a.ID), a.Why))
			continue
		}
		for _, v := range a.At {
			if math.IsNaN(v) || math.Abs(v) > member.MaxSize {
				l.Joints[i].Why = "It lies beyond a kilometre: look at its offsets."
			}
		}
		for _, b := range l.Joints[:i] {
			if b.Why == "" && a.At.Sub(b.At).Len() < Together {
				l.say("points-together", working.Mind, a.ID,
					fmt.Sprintf("%s and %s lie on one spot but are two points: members that run to one are not joined to those of the other. Run them "+
						"to the same point.", l.Name(b.ID), l.Name(a.ID)))
			}
		}
	}
}
