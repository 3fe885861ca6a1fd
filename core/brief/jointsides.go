package brief

import (
	"fmt"
	"slices"
)

// SideKind is what kind of thing a ply belongs to.
type SideKind string

// What plies belong to; a ply of none is typed.
const (
	PartSide    SideKind = "part"
	MemberSide  SideKind = "member"
	DeviceSide  SideKind = "device"
	VehicleSide SideKind = "vehicle"
)

// Side is what a ply of a joint belongs to: its material and thickness come from
// there, and along the load path forces go from one side to the next.
type Side struct {
	ID     string   `json:"id,omitempty" doc:"id of the ply it is said of"`
	Kind   SideKind `json:"kind,omitempty" enum:"part,member,device,vehicle" doc:"left out for what is typed"`
	Of     string   `json:"of,omitempty" doc:"id of the part, the frame or the device; of the vehicle a surveyed point or hole map, or nothing"`
	Member string   `json:"member,omitempty" doc:"id of the frame's member"`
	Placed string   `json:"placed,omitempty" doc:"id of the placed thing it is, where it stands more than once"`
}

// Stand is one place of a joint. Joints of things there are several of, four feet
// under a press, have as many; joints whose stands have one name meet there.
type Stand struct {
	Name   string     `json:"name,omitempty"`
	Placed string     `json:"placed,omitempty" doc:"id of the placed thing that is the part its bolts go through"`
	Foot   Link       `json:"foot,omitempty" doc:"id of the device's foot it is at"`
	Point  string     `json:"point,omitempty" doc:"id of the surveyed point it is at"`
	At     [3]float64 `json:"at,omitzero" doc:"mm forward, left, up of the datum; without the others"`
	Heads  Face       `json:"heads,omitempty" enum:"front,rear,left,right,up,down" doc:"way the bolts' heads look there, without a placed part; up when left out"`
	Turn   float64    `json:"turn,omitempty" doc:"degrees its across is turned about the heads' way, left positive: from forward, or from level where the heads look sideways"`
	Twin   bool       `json:"twin,omitempty" doc:"the part is the other hand there: how it stands is said of the drawn hand, on the other side"`
}

// Label names a stand; joints whose stands are named alike meet. Feet are counted as the
// device lists them.
func (b Brief) Label(j Joint, s Stand) string {
	if s.Name != "" || s.Foot == "" {
		return s.Name
	}
	d, _ := b.Stood(j)
	if i, ok := d.Foot(s.Foot); ok {
		return fmt.Sprintf("foot %d", i+1)
	}
	return "foot " + string(s.Foot)
}

// Held answers the indices of plies whose material and thickness come from
// elsewhere.
func (j Joint) Held() (out []int) {
	for k, s := range j.Sides {
		if s.Kind == PartSide || s.Kind == MemberSide {
			out = append(out, k)
		}
	}
	return out
}

// renamedJoints answers the joints with parts and frames called by their new ids.
func renamedJoints(list []Joint, ids map[string]string) []Joint {
	out := slices.Clone(list)
	is := func(id string) string {
		if to, known := ids[id]; known {
			return to
		}
		return id
	}
	for i := range out {
		out[i].Part, out[i].Sides = is(out[i].Part), slices.Clone(out[i].Sides)
		for k, s := range out[i].Sides {
			if s.Kind == PartSide || s.Kind == MemberSide {
				out[i].Sides[k].Of = is(s.Of)
			}
		}
	}
	return out
}
