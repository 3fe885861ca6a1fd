package site

import (
	"slices"

	"warmanvil/core/brief"
	"warmanvil/core/solid"
	"warmanvil/core/survey"
	"warmanvil/core/weld"
	"warmanvil/core/working"
)

// beadTouches is how far into what stands beside it a bead may reach before that is told, mm: what gives when it is
// pushed home.
const beadTouches = .3

// seamBeads says which placed things lie where the bead of a seam stands proud: either is made to give way.
func (s *site) seamBeads(x *seated, say func(string, working.Severity, string, string, ...any)) {
	if !x.placed {
		return
	}
	pen := s.seamPen()
	around := map[string]*solid.Tree{}
	for _, id := range s.order {
		mine := slices.Contains(x.ids[:], id) || slices.ContainsFunc(x.w.Seams, func(q brief.SeamPlan) bool { return q.On == id })
		if st := s.stands[id]; !mine && st.Why == "" && len(st.thing.Body.Pieces) > 0 {
			around[id] = solid.NewTree(st.thing.Body)
		}
	}
	for _, seam := range x.seams {
		if seam.Leg <= 0 || seam.Finish == weld.Flush || seam.Form == weld.PlugForm || seam.Form == weld.SpotForm {
			continue
		}
		bead := s.beadOf(seam)
		if len(bead.Pieces) == 0 {
			continue
		}
		tree := solid.NewTree(bead)
		for _, id := range s.order {
			if around[id] == nil {
				continue
			}
			if g := solid.Within(tree, around[id], 1); g.Distance <= 0 {
				say("bead-in-the-way", working.Mind, seam.ID, "%s lies where the bead of %s stands, %s proud: cut a corner of %s off the edge that "+
					"meets "+
					"it, end the seam before, or grind the bead there and ask it as flush.", s.stands[id].told.Name, seam.Called(),
					pen.Fine(seam.Leg),
					pen.Fine(seam.Leg+1))
			}
		}
	}
}

// beadOf answers the bead of a fillet as a round bar in its corner, on each side that is welded; nothing where its corner
// is not known.
func (s *site) beadOf(seam weld.Seam) (b solid.Body) {
	face, wall := seam.Sides[0].Normal.Unit(), seam.Sides[1].Normal.Unit()
	if face.Len() == 0 {
		return b
	}
	for k, out := range []solid.Vector{face, face.Mul(-1)} {
		if k == 1 && !seam.Both {
			break
		}
		off := out.Mul(seam.Sides[0].Thickness/2 + seam.Leg/2)
		if seam.Form == weld.FilletForm {
			off = off.Sub(wall.Mul(seam.Leg / 2))
		}
		for _, line := range seam.Runs() {
			var corners [][3]float64
			for _, v := range line {
				corners = append(corners, [3]float64(v.Add(off)))
			}
			run := survey.Space{Shape: survey.Shape{Form: survey.RunForm, Corners: corners, Radius: max(seam.Leg/2-beadTouches, .1)}}
			b = b.With(run.In(survey.Stowed))
		}
	}
	return b
}
