package site

import (
	"fmt"
	"math"

	"warmanvil/core/strength"
	"warmanvil/core/weld"
)

// layers adds what shears two plates that are bent as one to their seams, half on each edge; what it answers says why
// nobody can, nil where that is so or nothing is asked.
func (s *site) layers(x *seated, ask *weld.SeamsAsk) *strength.Check {
	l := x.w.Layers
	if l == nil {
		return nil
	}
	no := func(format string, args ...any) *strength.Check {
		c := strength.Silent("layers", "Plates bent as one", fmt.Sprintf(format, args...))
		return &c
	}
	if l.Shear == 0 {
		return no("Say what shears the plates where they are bent: without it nothing of that is asked.")
	}
	if len(x.seams) != 2 {
		return no("Plates that are bent as one are welded along both of their long edges, with one seam on each: this joint has "+
			"%d.", len(x.seams))
	}
	a, b := x.seams[0], x.seams[1]
	way, other := a.Path[len(a.Path)-1].Sub(a.Path[0]), b.Path[len(b.Path)-1].Sub(b.Path[0])
	for _, q := range x.seams {
		switch {
		case q.Form != weld.LapForm && q.Form != weld.EdgeForm:
			return no("%s is no weld along an edge of plates that lie on each other: lay it as a lap or an edge.", q.Called())
		case q.Sides[1].Closed:
			return no("%s is a tube: what shears a plate on it goes by the whole section, which is not worked out.", q.Sides[1].Name)
		}
	}
	between := b.Path[0].Sub(a.Path[0])
	apart := between.Sub(way.Unit().Mul(between.Dot(way.Unit()))).Len()
	if math.Abs(way.Unit().Dot(other.Unit())) < .999 || math.Abs(way.Len()-other.Len()) > .1*way.Len() || apart < 1 {
		return no("Its two seams do not run along opposite edges, as long as each other: half of what shears the plates goes along each.")
	}
	thin, whole := math.Inf(1), l.Over+l.Under
	for _, side := range a.Sides {
		thin, whole = math.Min(thin, side.Thickness), whole+side.Thickness
	}
	for _, q := range x.seams {
		if most := weld.MostApart(thin); q.Stitch > 0 && q.Pitch > most+1e-9 {
			return no("The stitches of %s are farther apart than %s: between them the plates part and do not bend as one (AISC 360 "+
				"J3.5).", q.Called(),
				s.seamPen().MM(most))
		}
	}
	flow := weld.LayersAt{Shear: l.Shear * s.Brief.TypedFactor(), Past: l.Over + a.Sides[0].Thickness, Whole: whole}.Flow() / 2
	ask.Flows = []float64{flow, flow}
	if len(ask.Cases) == 0 {
		ask.Cases = []weld.SeamsCase{{Name: "bent as one", At: a.Path[0]}}
	}
	return nil
}
