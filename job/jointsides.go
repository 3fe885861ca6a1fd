package job

import (
	"fmt"
	"slices"

	"warmanvil/core/hole"
	"warmanvil/core/joint"
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
	Foot   int        `json:"foot,omitempty" doc:"number of the device's foot it is at, from 1"`
	Point  string     `json:"point,omitempty" doc:"id of the surveyed point it is at"`
	At     [3]float64 `json:"at,omitzero" doc:"mm forward, left, up of the datum; without the others"`
	Heads  Face       `json:"heads,omitempty" enum:"front,rear,left,right,up,down" doc:"way the bolts' heads look there, without a placed part; up when left out"`
	Turn   float64    `json:"turn,omitempty" doc:"degrees its across is turned about the heads' way, left positive: from forward, or from level where the heads look sideways"`
	Twin   bool       `json:"twin,omitempty" doc:"the part is the other hand there: how it stands is said of the drawn hand, on the other side"`
}

// Label names a stand; joints whose stands are named alike meet.
func (s Stand) Label() string {
	if s.Name == "" && s.Foot > 0 {
		return fmt.Sprintf("foot %d", s.Foot)
	}
	return s.Name
}

// held answers the indices of plies whose material and thickness come from
// elsewhere.
func (j Joint) held() (out []int) {
	for k, s := range j.Sides {
		if s.Kind == PartSide || s.Kind == MemberSide {
			out = append(out, k)
		}
	}
	return out
}

// ply fills a ply in from what it belongs to, or says why it cannot.
func (s *site) ply(j Joint, side Side, q *joint.Ply, number int) (why string) {
	name := func(n string) {
		if q.Name == "" {
			q.Name = n
		}
	}
	gone := func(what string) string {
		return fmt.Sprintf("The %s of ply %d is not in the job any more: choose another, or type it.", what, number)
	}
	switch side.Kind {
	case PartSide:
		p := s.part(side.Of)
		if p == nil {
			return gone("part")
		}
		q.Material, q.Thickness, q.Guessed = p.Recipe.Material, p.Recipe.Thickness, p.Recipe.Guessed
		name(p.Name)
	case MemberSide:
		f := s.frame(side.Of)
		if f == nil {
			return gone("frame")
		}
		for _, m := range f.Frame.Members {
			if m.ID != side.Member {
				continue
			}
			if p := s.endPlate(j, side); p != nil {
				built := s.frames[side.Of]
				fromPlate(p, f.Frame.Material, func(h [2]float64) float64 { v, _ := built.Arm(p, h); return v }, q)
				return ""
			}
			x := m.Section
			q.Material = f.Frame.Material
			q.Thickness, q.Hollow = x.Wall, x.Wall > 0
			for _, t := range []float64{x.Thickness, x.Web, x.Height, x.Diameter} { // angle, channel, flat, round bar
				if q.Thickness == 0 {
					q.Thickness = t
				}
			}
			name(m.Name)
			return ""
		}
		return gone("member")
	case DeviceSide:
		d, ok := s.Brief.device(side.Of)
		if !ok {
			return gone("device")
		}
		name(d.named())
	case VehicleSide:
		s.surveyed(side.Of, q)
		name(s.named(side))
	}
	return ""
}

// surveyed fills a ply in from a surveyed point or hole map: the wall as it was
// measured, its holes and how well their places are known.
func (s *site) surveyed(id string, q *joint.Ply) {
	told := func(sigma float64) {
		if q.Placed == "" {
			q.Placed = hole.BySurvey
		}
		if q.Placed == hole.BySurvey && q.Tolerance == 0 {
			q.Tolerance = 2 * sigma
		}
	}
	wall := func(p *SurveyPoint) {
		if p != nil && p.Behind != nil && p.Behind.Taken() {
			q.Thickness = p.Behind.Work(s.Survey.Shop, false).Value
		}
	}
	if p, ok := s.from.points[id]; ok {
		wall(p)
		if p.Kind == "hole" && p.Size > 0 && q.Hole == 0 {
			q.Hole = p.Size
		}
		if at := s.from.at(id); at.At != nil {
			told(at.Sigma)
		}
		return
	}
	m, ok := s.from.maps[id]
	if !ok {
		return
	}
	wall(s.from.points[m.First])
	worst := 0.
	for _, h := range m.Holes {
		if at := s.from.done[h.ID]; at != nil && at.At != nil {
			worst = max(worst, at.Sigma)
		}
	}
	if worst > 0 {
		told(worst)
	}
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
