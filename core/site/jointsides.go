package site

import (
	"fmt"

	"warmanvil/core/brief"
	"warmanvil/core/hole"
	"warmanvil/core/joint"
	"warmanvil/core/member/held"
	"warmanvil/core/vehicle"
)

// ply fills a ply in from what it belongs to, or says why it cannot.
func (s *site) ply(j brief.Joint, side brief.Side, q *joint.Ply, number int) (why string) {
	name := func(n string) {
		if q.Name == "" {
			q.Name = n
		}
	}
	gone := func(what string) string {
		return fmt.Sprintf("The %s of ply %d is not in the job any more: choose another, or type it.", what, number)
	}
	switch side.Kind {
	case brief.PartSide:
		p := s.part(side.Of)
		if p == nil {
			return gone("part")
		}
		q.Material, q.Thickness, q.Guessed = p.Recipe.Material, p.Recipe.Thickness, p.Recipe.Guessed
		name(p.Name)
	case brief.MemberSide:
		f := s.frame(side.Of)
		if f == nil {
			return gone("frame")
		}
		for _, m := range f.Doc.Members {
			if m.ID != side.Member {
				continue
			}
			if p := s.endPlate(j, side); p != nil {
				built := s.frames[side.Of]
				fromPlate(p, f.Doc.Material, func(h [2]float64) float64 { v, _ := held.Arm(built, p, h); return v }, q)
				return ""
			}
			x := m.Section
			q.Material = f.Doc.Material
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
	case brief.DeviceSide:
		d, ok := s.Brief.Device(side.Of)
		if !ok {
			return gone("device")
		}
		name(d.Named())
	case brief.VehicleSide:
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
	wall := func(p *vehicle.SurveyPoint) {
		if p != nil && p.Behind != nil && p.Behind.Taken() {
			q.Thickness = p.Behind.Work(s.Survey.Shop, false).Value
		}
	}
	if p, ok := s.from.Points[id]; ok {
		wall(p)
		if p.Kind == "hole" && p.Size > 0 && q.Hole == 0 {
			q.Hole = p.Size
		}
		if at := s.from.At(id); at.At != nil {
			told(at.Sigma)
		}
		return
	}
	m, ok := s.from.Maps[id]
	if !ok {
		return
	}
	wall(s.from.Points[m.First])
	worst := 0.
	for _, h := range m.Holes {
		if at := s.from.Done[h.ID]; at != nil && at.At != nil {
			worst = max(worst, at.Sigma)
		}
	}
	if worst > 0 {
		told(worst)
	}
}
