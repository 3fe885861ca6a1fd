package site

import (
	"slices"

	"warmanvil/core/brief"
	"warmanvil/core/hole"
	"warmanvil/core/profile"
	"warmanvil/core/sheet/made"
	"warmanvil/core/solid"
	"warmanvil/core/survey"
	"warmanvil/core/told"
)

// neighbour is an obstacle with what it is of.
type neighbour struct {
	hole.Obstacle
	thing string // id of the placed thing
	part  string // id of the part it is a panel of, as drawn
	panel *made.PanelMade
	pose  solid.Pose
}

// around answers what stands round a placed part: by the time the joint is
// fitted, and in the end. Devices the joint itself holds are not counted: their
// box holds their own feet.
func (s *site) around(j brief.Joint, own string, near []neighbour) (now, all []neighbour) {
	fitted := map[string]int{}
	here := len(s.Brief.Joints)
	for i, q := range s.Brief.Joints {
		if q.ID == j.ID {
			here = i
		}
		for _, side := range q.Sides {
			if id, _ := s.instance(side); id != "" {
				if _, known := fitted[id]; !known {
					fitted[id] = i
				}
			}
		}
	}
	holds := map[string]bool{}
	for _, side := range j.Sides {
		if id, _ := s.instance(side); side.Kind == brief.DeviceSide && id != "" {
			holds[id] = true
		}
	}
	now, all = slices.Clone(near), slices.Clone(near)
	add := func(n neighbour, there bool) {
		all = append(all, n)
		if there {
			now = append(now, n)
		}
	}
	for _, id := range s.order {
		st := s.stands[id]
		if id == own || holds[id] || st.Why != "" {
			continue
		}
		at, later := fitted[id]
		there := !later || at <= here
		if st.built == nil {
			add(neighbour{Obstacle: hole.Obstacle{Name: st.told.Name, Body: st.thing.Body}, thing: id}, there)
			continue
		}
		part := s.placed(id).Part
		if s.placed(id).Twin {
			part = "" // its recipe is of the other hand
		}
		for _, n := range panels(*st.built, st.told.Name, id, part, st.Pose) {
			add(n, there)
		}
	}
	for _, sp := range s.Survey.Spaces {
		if sp.Kind == survey.Opening {
			continue
		}
		state := survey.Stowed
		if len(sp.Moves) > 0 {
			state = sp.Moves[0]
		}
		add(neighbour{Obstacle: hole.Obstacle{Name: sp.Name, Body: sp.In(state)}}, true)
	}
	return now, all
}

// panels answers a part's panels and bends as obstacles, by their names.
func panels(p made.Part, of, thing, part string, pose solid.Pose) []neighbour {
	names := map[string]string{}
	faces := map[string]*made.PanelMade{}
	for i, q := range p.Panels {
		names[q.ID] = q.Name
		if of != "" {
			names[q.ID] = of + ", " + told.LowerFirst(q.Name)
		}
		faces[q.ID] = &p.Panels[i]
	}
	half := p.Body.Thickness / 2
	var out []neighbour
	for _, q := range p.Body.Panels {
		at := solid.Pose{Origin: q.Origin.Sub(q.Z.Mul(half)), X: q.X, Y: q.Y, Z: q.Z}
		out = append(out, neighbour{hole.Obstacle{Name: names[q.ID], Body: solid.Prism(at, q.Face, wide(q.Holes),
			p.Body.Thickness).At(pose)},
			thing, part, faces[q.ID], pose})
	}
	for _, q := range p.Body.Bends {
		bend := made.Body{Thickness: p.Body.Thickness, Bends: []made.BodyBend{q}}
		out = append(out, neighbour{Obstacle: hole.Obstacle{Name: "the bend of " + told.LowerFirst(names[q.ID]),
			Body: bend.Solid().At(pose)},
			thing: thing, pose: pose})
	}
	return out
}

// wide answers the holes a tool may go through.
func wide(holes [][]profile.Point) (out [][]profile.Point) {
	const least = 14. // mm, under the smallest socket
	for _, ring := range holes {
		lo, hi := ring[0], ring[0]
		for _, p := range ring {
			lo.X, lo.Y, hi.X, hi.Y = min(lo.X, p.X), min(lo.Y, p.Y), max(hi.X, p.X), max(hi.Y, p.Y)
		}
		if hi.X-lo.X > least && hi.Y-lo.Y > least {
			out = append(out, ring)
		}
	}
	return out
}
