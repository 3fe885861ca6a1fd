package brief

import (
	"encoding/json"
	"slices"
	"strconv"
	"strings"

	"warmanvil/core/joint"
)

// Link is the id of one of a list: a foot of a device, a ply of a joint. Briefs of forms
// 1 and 2 counted instead; such a number is read as #n and becomes the id when the brief
// is brought to the present form.
type Link string

// UnmarshalJSON takes an id, or a number of an older form.
func (l *Link) UnmarshalJSON(data []byte) error {
	var n int
	if json.Unmarshal(data, &n) == nil {
		*l = Link("#" + strconv.Itoa(n))
		return nil
	}
	var s string
	if err := json.Unmarshal(data, &s); err != nil {
		return err
	}
	*l = Link(s)
	return nil
}

// counted answers the number of a link of an older form.
func (l Link) counted() (int, bool) {
	rest, old := strings.CutPrefix(string(l), "#")
	n, err := strconv.Atoi(rest)
	return n, old && err == nil
}

// resolved answers the id a link of an older form counts to among ids, from the first's
// number on. One that counts past them stays: what it meant is said to be gone.
func (l Link) resolved(ids []string, first int) Link {
	if n, old := l.counted(); old && n >= first && n-first < len(ids) {
		return Link(ids[n-first])
	}
	return l
}

// named gives every one of a list an id of its own: what has one keeps it, and none takes
// what a link calls something that is gone.
func named(ids []string, letter string, links ...Link) []string {
	out, taken := slices.Clone(ids), map[string]bool{}
	for _, id := range ids {
		taken[id] = true
	}
	for _, l := range links {
		taken[string(l)] = true
	}
	n := 0
	for i, id := range out {
		for id == "" || id != ids[i] && taken[id] {
			n++
			id = letter + strconv.Itoa(n)
		}
		out[i], taken[id] = id, true
	}
	return out
}

// FootIDs answers the ids of a device's feet in order.
func (d Device) FootIDs() []string {
	out := make([]string, len(d.Feet))
	for i, f := range d.Feet {
		out[i] = f.ID
	}
	return out
}

// Foot answers which foot of the device a link means; false for one that is gone.
func (d Device) Foot(l Link) (int, bool) {
	i := slices.Index(d.FootIDs(), string(l))
	return i, l != "" && i >= 0
}

// feetLinked lists whatever is called a foot in the brief.
func (b Brief) feetLinked() (out []Link) {
	for _, m := range b.Mounts {
		out = slices.Concat(out, m.Feet, m.TwinFeet)
	}
	for _, j := range b.Joints {
		for _, s := range j.Stands {
			out = append(out, s.Foot)
		}
	}
	return out
}

// linked brings the links of a brief from counting to ids. It changes no list it was
// given.
func (b Brief) linked() Brief {
	b.Devices = slices.Clone(b.Devices)
	for i, d := range b.Devices {
		d.Feet = slices.Clone(d.Feet)
		for k, id := range named(d.FootIDs(), "f", b.feetLinked()...) {
			d.Feet[k].ID = id
		}
		b.Devices[i] = d
	}
	b.Mounts = slices.Clone(b.Mounts)
	for i, m := range b.Mounts {
		d, _ := b.Device(m.Device)
		for _, list := range []*[]Link{&b.Mounts[i].Feet, &b.Mounts[i].TwinFeet} {
			*list = slices.Clone(*list)
			for k, l := range *list {
				(*list)[k] = l.resolved(d.FootIDs(), 0)
			}
		}
	}
	b.Joints = slices.Clone(b.Joints)
	for i := range b.Joints {
		b.Joints[i] = b.Joints[i].linked(b.Schema < 3)
	}
	for i, j := range b.Joints {
		d, _ := b.Stood(j)
		b.Joints[i].Stands = slices.Clone(j.Stands)
		for k, s := range j.Stands {
			b.Joints[i].Stands[k].Foot = s.Foot.resolved(d.FootIDs(), 1)
		}
	}
	return b
}

// linked gives the plies of a joint ids and lays its sides beside them: each ply's is the
// one with its id, of older forms the one at its place.
func (j Joint) linked(counted bool) Joint {
	j.Design.Plies = slices.Clone(j.Design.Plies)
	var links []Link
	if j.Rubber != nil {
		links = append(links, j.Rubber.Ply)
	}
	for _, s := range j.Sides {
		links = append(links, Link(s.ID))
	}
	ids := named(PlyIDs(j.Design.Plies), "p", links...)
	sides := make([]Side, len(ids))
	for k, id := range ids {
		j.Design.Plies[k].ID = id
		if counted && k < len(j.Sides) && j.Sides[k].ID == "" {
			sides[k] = j.Sides[k]
		} else if at := slices.IndexFunc(j.Sides, func(s Side) bool { return s.ID == id }); at >= 0 {
			sides[k] = j.Sides[at]
		}
		sides[k].ID = id
	}
	if len(j.Sides) > 0 {
		j.Sides = sides
	}
	if j.Rubber != nil {
		r := *j.Rubber
		r.Ply = r.Ply.resolved(ids, 0)
		j.Rubber = &r
	}
	return j
}

// PlyIDs answers the ids of plies in order.
func PlyIDs(plies []joint.Ply) []string {
	out := make([]string, len(plies))
	for i, p := range plies {
		out[i] = p.ID
	}
	return out
}

// Stood answers the device whose feet a joint's places are of: its own, else that of a
// joint which shares a part with it.
func (b Brief) Stood(j Joint) (Device, bool) {
	for _, side := range j.Sides {
		if side.Kind == DeviceSide {
			return b.Device(side.Of)
		}
	}
	for _, q := range b.Joints {
		device, shares := "", false
		for _, side := range q.Sides {
			if side.Kind == DeviceSide {
				device = side.Of
			}
			for _, mine := range j.Sides {
				shares = shares || side.Kind == PartSide && mine.Kind == PartSide && side.Of == mine.Of
			}
		}
		if device != "" && shares {
			return b.Device(device)
		}
	}
	return Device{}, false
}
