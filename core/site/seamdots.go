package site

import (
	"slices"

	"warmanvil/core/brief"
	"warmanvil/core/solid"
	"warmanvil/core/weld"
)

// dots finds where plugs or spots are: at holes of the first part, at a surveyed hole map, or at points drawn by hand.
func (s *site) dots(x *seated, seam brief.SeamPlan, sides [2]weld.SeamSide) (weld.Seam, string) {
	out := seam.Seam
	out.Sides = sides
	if x.built != nil && len(x.built.Panels) > 0 {
		out.Sides[0].Normal = x.pose.Turn(x.built.Panels[0].Seat.Z)
	}
	switch {
	case len(seam.Holes) > 0:
		if x.built == nil {
			return out, "only a part of sheet has holes to plug."
		}
		seen := map[string]bool{}
		out.Path = nil
		for _, h := range x.built.Holes {
			if !slices.Contains(seam.Holes, h.Feature) {
				continue
			}
			seen[h.Feature] = true
			out.Path, out.Sides[0].Normal = append(out.Path, x.pose.Apply(h.Body)), x.pose.Turn(h.Normal)
			if out.Across == 0 {
				out.Across = h.Diameter
			}
		}
		if len(seen) < len(seam.Holes) {
			return out, "a hole it plugs is not on the part any more: choose its holes again."
		}
	case seam.Map != "":
		if !x.placed {
			return out, "its spots were mapped on the vehicle, and its part has no place there: place it on the Measure bench."
		}
		var why string
		if out.Path, why = s.mapped(seam.Map); why != "" {
			return out, why
		}
		if m := s.from.Maps[seam.Map]; out.Across == 0 && m != nil && m.Spots && len(m.Holes) > 0 {
			out.Across = m.Holes[0].Diameter
		}
	default:
		out.Path = nil
		for _, v := range seam.Path {
			out.Path = append(out.Path, x.pose.Apply(v))
		}
		if len(out.Path) == 0 {
			return out, "say where they are: at holes, at a surveyed hole map, or at points drawn by hand."
		}
	}
	out.Sides[1].Normal = out.Sides[0].Normal
	return out, ""
}

// mapped answers the places of a surveyed hole map, or of a point.
func (s *site) mapped(id string) (out []solid.Vector, why string) {
	if m, is := s.from.Maps[id]; is {
		for _, h := range m.Holes {
			at := s.from.At(h.ID)
			if at.At == nil {
				return nil, "a hole of the map it is at has no place: measure it on the Measure bench."
			}
			out = append(out, solid.Vector(*at.At))
		}
		return out, ""
	}
	if _, is := s.from.Points[id]; is {
		at := s.from.At(id)
		if at.At == nil {
			return nil, "the surveyed point it is at has no place: measure it on the Measure bench."
		}
		return []solid.Vector{solid.Vector(*at.At)}, ""
	}
	return nil, "what was mapped is not in the survey any more: choose it again."
}
