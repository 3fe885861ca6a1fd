package site

import (
	"math"

	"warmanvil/core/brief"
	"warmanvil/core/solid"
	"warmanvil/core/survey"
	"warmanvil/core/weld"
	"warmanvil/core/working"
)

// Gaps between what stands where it is placed: to weldsAsIs a fillet closes it, past weldsMost no weld does, mm
// (AWS D1.1 7.21.1).
const (
	weldsAsIs = 1.6
	weldsMost = 4.8
)

// seamApart says where a seam does not lie on what it is welded to, as both stand now: parts move after they were welded
// on paper.
func (s *site) seamApart(x *seated, say func(string, working.Severity, string, string, ...any)) {
	other := s.bodyOf(x, 1)
	if other == nil {
		return
	}
	pen := s.seamPen()
	for _, seam := range x.seams {
		off := 0.
		for k := range 5 {
			var at solid.Vector
			if seam.Form == weld.PlugForm || seam.Form == weld.SpotForm {
				at = seam.Path[k*(len(seam.Path)-1)/4]
			} else {
				at, _ = placeOn(seam.Path, (float64(k)+.5)/5)
			}
			dot := survey.Space{Shape: survey.Shape{Form: survey.RunForm, Radius: .01,
				Corners: [][3]float64{[3]float64(at), [3]float64(at.Add(solid.Vector{.02}))}}}
			off = math.Max(off, solid.Within(solid.NewTree(dot.In(survey.Stowed)), other, 1e4).Distance)
		}
		switch seam.Form { // its line lies in the middle of its sheet
		case weld.FilletForm, weld.ButtForm:
		case weld.CornerForm:
			off -= seam.Sides[0].Thickness
		default:
			off -= seam.Sides[0].Thickness / 2
		}
		gap := x.gap(seam.ID)
		switch {
		case off <= math.Max(gap, weldsAsIs)+.2:
		case off > weldsMost:
			say("seam-apart", working.Stop, seam.ID, "%s runs %s off %s as both stand now: they do not meet there. Put them back together, or "+
				"choose "+
				"another edge.", seam.Called(), pen.Fine(off), seam.Sides[1].Name)
		default:
			say("seam-apart", working.Mind, seam.ID, "%s stands %s off %s as both are placed, and that gap is not said: measure it, and say it "+
				"at the "+
				"seam.", seam.Called(), pen.Fine(off), seam.Sides[1].Name)
		}
	}
}

// bodyOf answers the body of a side where it stands; nil where it has none.
func (s *site) bodyOf(x *seated, k int) *solid.Tree {
	side := x.w.Sides[k]
	st := s.stands[x.ids[k]]
	switch {
	case !x.placed:
	case side.Kind == brief.PartSide && st != nil && st.Why == "":
		return solid.NewTree(st.thing.Body)
	case side.Kind == brief.MemberSide && s.frames[side.Of] != nil && s.frame(side.Of) != nil:
		pose := s.frame(side.Of).Doc.Fit.Solid()
		if st != nil && st.Why == "" {
			pose = st.Pose
		}
		return solid.NewTree(s.frames[side.Of].Body().At(pose))
	}
	return nil
}
