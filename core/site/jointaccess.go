package site

import (
	"fmt"
	"slices"

	"warmanvil/core/brief"
	"warmanvil/core/hold"
	"warmanvil/core/hole"
	"warmanvil/core/joint"
	"warmanvil/core/sheet"
	"warmanvil/core/solid"
	"warmanvil/core/stock"
)

// BoltReach is whether one bolt of a joint goes in and a tool reaches it, past its
// own part and what stands there by the time it is fitted: joints are fitted in
// the order of the list.
type BoltReach struct {
	Bolt  int        `json:"bolt" doc:"index"`
	Reach hole.Reach `json:"reach" enum:"reachable,tight,blocked"`
	How   string     `json:"how"`
	Ways  []ReachWay `json:"ways"`
	Drill string     `json:"drill,omitempty" doc:"what keeps a drill off the holes that are made in place"`
	Later string     `json:"later,omitempty" doc:"what closes it in when everything is fitted"`
}

// ReachWay is a way out with what does it.
type ReachWay struct {
	hole.WayOut
	Before string     `json:"before,omitempty" doc:"id of the joint it is to be fitted before"`
	Cut    *AccessCut `json:"cut,omitempty" doc:"the hole to cut"`
}

// AccessCut is an access hole in a part of the job.
type AccessCut struct {
	Part string     `json:"part" doc:"id"`
	Path string     `json:"path" doc:"JSON pointer to the list of holes in its recipe"`
	Hole sheet.Hole `json:"hole"`
}

// reachBolts tries every bolt of a joint.
func (s *site) reachBolts(j brief.Joint, in joint.Input, r *joint.Result) []BoltReach {
	out := []BoltReach{}
	t := s.at[j.ID]
	b := hole.Through{First: true, Socket: in.Head == stock.SocketHead, Captive: in.Nut.Captive()}
	var by []string // tools that set it, where it is no bolt
	switch {
	case j.Part == "" || t.why != "":
		return out
	case in.Nut.Set() == joint.Pushed: // a pin goes in and out along its axis, from either side
		var err error
		if b.Thread, err = stock.FindThread(in.System, in.Size, in.Pitch); err != nil {
			return out
		}
		b.Grip = r.Stack
		b.Length = b.Grip + 2*b.Thread.Diameter
	case in.Nut.Set() == joint.Drawn && in.Rivet != nil:
		b.Thread, by = stock.Thread{Diameter: in.Rivet.Diameter}, []string{"riveter"}
	default:
		var err error
		if b.Thread, err = stock.FindThread(in.System, in.Size, in.Pitch); err != nil {
			return out
		}
		if in.Nut.Set() == joint.Driven {
			by = []string{"drill", "angledrill"}
		} else if r.Grip == nil || r.Grip.Length == nil {
			return out
		} else {
			b.Grip, b.Length = r.Grip.Grip, *r.Grip.Length
		}
	}
	drilled := slices.ContainsFunc(in.Plies, func(p joint.Ply) bool { return p.Placed == hole.ByMate })
	pose, own := solid.Ground, ""
	near := s.bodies[j.Part]
	holes := s.part(j.Part).Built.Holes
	if stands, why := s.standsOf(j); why == "" { // tried at the first of its places
		if st := s.stands[stands[0].Placed]; st != nil && st.built != nil && st.Why == "" {
			pose, own, holes = st.Pose, st.told.ID, st.built.Holes
			near = panels(*st.built, "", own, j.Part, pose)
		}
	}
	if near == nil {
		return out
	}
	now, all := near, near
	if own != "" {
		now, all = s.around(j, own, near)
	}
	face := s.Brief.Heads(j)
	above := s.above(j, in)
	half := s.part(j.Part).Recipe.Thickness / 2
	for _, h := range holes {
		if !slices.Contains(j.Features, h.Feature) {
			continue
		}
		off := h.Normal
		if face == hold.Back {
			off = off.Mul(-1)
		}
		b.Head = hole.Side{At: pose.Apply(h.Body.Add(off.Mul(half + above))), Axis: pose.Turn(off)}
		first := append(s.free(now, b), closed(in.Reached, b)...)
		if in.Nut.Set() == joint.Pushed {
			out = append(out, pinned(len(out), b, first))
			continue
		}
		if len(by) > 0 {
			out = append(out, setBy(len(out), b, by, first))
			continue
		}
		x := b.Reached(first)
		told := BoltReach{Bolt: len(out), Reach: x.Reach, How: x.How, Ways: []ReachWay{}}
		if drilled {
			told.Drill = drill(b, first)
		}
		for _, w := range x.Ways {
			told.Ways = append(told.Ways, s.wayOut(w, now, b))
		}
		if len(all) > len(now) && x.Reach != hole.Blocked {
			told.Later = s.shutIn(b, x, append(s.free(all, b), closed(in.Reached, b)...))
		}
		out = append(out, told)
	}
	return out
}

// above answers how much of the stack lies between the heads and the part, mm.
func (s *site) above(j brief.Joint, in joint.Input) (sum float64) {
	for k, p := range in.Plies {
		if k < len(j.Sides) && j.Sides[k].Kind == brief.PartSide && j.Sides[k].Of == j.Part {
			return sum
		}
		sum += p.Thickness + p.Coat - p.Squash
	}
	return 0
}

// shutIn says what happens to a bolt when everything stands.
func (s *site) shutIn(b hole.Through, before hole.Reached, all []hole.Obstacle) string {
	after := b.Reached(all)
	if after.Reach != hole.Blocked {
		return ""
	}
	by := "what is fitted after it"
	for _, w := range after.Ways {
		if w.Kind == hole.OrderWay {
			by = w.Through
			break
		}
	}
	if !after.Insert && before.Insert {
		return fmt.Sprintf("It cannot be drawn again once %s is on: a bolt in there is never changed without taking that off.", by)
	}
	return fmt.Sprintf("No tool reaches it once %s is on: tighten it again before, or take that off.", by)
}

// free answers the obstacles that the bolt does not go through itself.
func (s *site) free(list []neighbour, b hole.Through) []hole.Obstacle {
	out := make([]hole.Obstacle, 0, len(list))
	for _, n := range list {
		if n.panel == nil && n.thing == "" && pierced(n.Body, b) {
			continue // the wall it is bolted to, as a space of the survey
		}
		out = append(out, n.Obstacle)
	}
	return out
}

// pierced tells whether the bolt's shank lies in a body.
func pierced(body solid.Body, b hole.Through) bool {
	lo, hi := body.Bounds()
	var tree *solid.Tree // most bolts are nowhere near
	for i := range 21 {
		v := b.Head.At.Sub(b.Head.Axis.Mul(b.Grip * float64(i) / 20))
		inside := true
		for k := range v {
			inside = inside && v[k] > lo[k] && v[k] < hi[k]
		}
		if !inside {
			continue
		}
		if tree == nil {
			tree = solid.NewTree(body)
		}
		if tree.Holds(v) {
			return true
		}
	}
	return false
}

// wayOut adds what does a way out: the joint to be fitted before, the hole to cut.
func (s *site) wayOut(w hole.WayOut, near []neighbour, b hole.Through) ReachWay {
	out := ReachWay{WayOut: w}
	k := slices.IndexFunc(near, func(n neighbour) bool { return n.Name == w.Through })
	if k < 0 {
		return out
	}
	n := near[k]
	switch w.Kind {
	case hole.OrderWay:
		for _, q := range s.Brief.Joints {
			for _, side := range q.Sides {
				if id, _ := s.instance(side); id != "" && id == n.thing && out.Before == "" {
					out.Before = q.ID
				}
			}
		}
	case hole.HoleWay:
		if p := s.placed(n.thing); n.panel == nil || n.part == "" || p != nil && p.Twin {
			return out
		}
		if of := s.part(n.part); of != nil && of.Built.Round != nil {
			return out
		}
		seat := n.panel.Seat
		z, o := n.pose.Turn(seat.Z), n.pose.Apply(seat.Origin)
		if lean := b.Head.Axis.Dot(z); lean*lean > .25 {
			v := b.Head.At.Add(b.Head.Axis.Mul(o.Sub(b.Head.At).Dot(z) / lean)).Sub(n.pose.Origin)
			at := seat.In(solid.Vector{v.Dot(n.pose.X), v.Dot(n.pose.Y), v.Dot(n.pose.Z)})
			out.Cut = &AccessCut{Part: n.part, Path: n.panel.Path + "/holes",
				Hole: sheet.Hole{Name: "Access hole", Kind: sheet.RoundHole, Diameter: w.Diameter,
					X: sheet.Offset{Edge: sheet.Left, From: sheet.Flat, Distance: at.X},
					Y: sheet.Offset{Edge: sheet.Front, From: sheet.Flat, Distance: at.Y}}}
		}
	}
	return out
}
