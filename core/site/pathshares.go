package site

import (
	"slices"

	"warmanvil/core/brief"
	"warmanvil/core/joint"
	"warmanvil/core/load"
	"warmanvil/core/solid"
)

// tie is a place where two things meet in a joint.
type tie struct {
	id    string // of the joint, bolted or welded
	name  string
	sides []brief.Side
	seams bool // it is welded
	axes  axes
	face  int // 0 for the two under the heads, 1 for the next two
	plies [2]int
	label string
	many  bool // it is one of several places
	holes [][2]float64
}

// tell writes a case of the path.
func (w *walking) tell(in load.PathInput, r load.PathResult, h brief.Happening) {
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
	out.Cases = append(out.Cases, h.Name)
	sum := solid.Vector{}
	for _, g := range r.Ground {
		sum = sum.Add(g.Force)
	}
	out.Ground = append(out.Ground, [3]float64(sum))
	upstream := map[string][]string{}
	for _, share := range r.Joints {
		k, there := w.links[share.ID]
		t := w.ties[share.ID]
		if !there {
			k = len(out.Links)
			w.links[share.ID] = k
			out.Links = append(out.Links, PathLink{Joint: t.id, Name: t.name, Place: t.label, From: nameIn(in, share.From),
				Onto: nameIn(in, share.Onto), At: t.axes.at})
		}
		l := &out.Links[k]
		l.Forces, l.Most = append(l.Forces, [3]float64(share.Force)), append(l.Most, share.Most)
		if share.Most > w.worst {
			w.worst, out.Worst = share.Most, len(out.Cases)-1
			r.Working.Assumptions = append(r.Working.Assumptions,
				"all joints of a thing sharing; the joints' own checks count a device's feet loose one by one and two across each "+
					"other too")
			told := r.Working.Written(w.s.Brief.Inches())
			out.Working = &told
		}
		w.jointCase(share, h.Name)
		if share.Open != "" {
			add(out.open, t.id, share.Open)
		}
		from := append(upstream[share.From], share.From)
		if c := w.frames[share.Onto]; c != nil && share.Open != "" && !slices.Contains(c.loads.open, share.Open) {
			c.loads.open = append(c.loads.open, share.Open)
		}
		for _, id := range from {
			add(out.behind, t.id, id)
			if c, side := w.frames[share.Onto], out.sides[id]; c != nil && side.Kind == brief.DeviceSide &&
				!slices.Contains(c.loads.devices, side.Of) {
				c.loads.devices = append(c.loads.devices, side.Of)
			}
			if !slices.Contains(upstream[share.Onto], id) {
				upstream[share.Onto] = append(upstream[share.Onto], id)
			}
		}
	}
	w.betweens(r.Joints, h.Name)
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
	if t.seams {
		w.seamCase(t, share, name)
		return
	}
	f, m := w.headed(share)
	c := t.at(f, m, name)
	if len(w.faces(t)) > 1 {
		c.Plies = &[2]int{t.plies[0], t.plies[1]}
	}
	w.out.byJoint[t.id] = append(w.out.byJoint[t.id], c)
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
		if o.id == t.id && o.label == t.label && o.axes.at == t.axes.at {
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
			w.out.byJoint[t.id] = append(w.out.byJoint[t.id], c)
		}
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
