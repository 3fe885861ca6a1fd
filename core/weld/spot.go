package weld

import (
	"fmt"
	"math"

	"warmanvil/core/solid"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// Plugs and spots: welds at places, not along a line.
const (
	PlugForm Form = "plug" // a hole of the first part filled up
	SpotForm Form = "spot" // resistance spots
)

// dot is how long the line is that stands for a plug or a spot, mm: so short that it holds no moment by itself.
const dot = 1e-3

var (
	spotMetal  = strength.Factors{Omega: 2.55, Phi: .6}
	spotShort  = strength.Factors{Omega: 2.2, Phi: .7}
	spotMiddle = strength.Factors{Omega: 2.8, Phi: .55}
	spotLong   = strength.Factors{Omega: 3.05, Phi: .5}
	resistance = strength.Factors{Omega: 2.35, Phi: .65}
)

// dots tells whether a seam is places, not a line.
func (s Seam) dots() bool { return s.Form == PlugForm || s.Form == SpotForm }

// face is what a plug or a spot is at the faces that meet, mm².
func (s Seam) face() float64 { return math.Pi / 4 * s.Across * s.Across }

// placed answers the places of plugs or spots as lines.
func (s Seam) placed(seam int) (lines []Line, of []laid) {
	along := solid.Vector{1}
	if n := s.Sides[0].Normal.Unit(); n.Len() > 0 { // in the face
		if along = n.Cross(solid.Vector{0, 0, 1}); along.Len() < .1 {
			along = n.Cross(solid.Vector{0, 1})
		}
		along = along.Unit()
	}
	for _, p := range s.Path {
		half := along.Mul(dot / 2)
		lines = append(lines, Line{p.Sub(half), p.Add(half), s.face() / dot})
		of = append(of, laid{seam: seam, long: dot, along: along, dot: true})
	}
	return lines, of
}

// checkDots refuses what are no plugs or spots.
func (s Seam) checkDots(at string) error {
	if err := working.Above(at+"/across", "What one is across", s.Across, 0, 100, "mm"); err != nil {
		return working.Refuse(at+"/across", "Say how wide one of %s is.", s.Called())
	}
	if s.Both || s.Stitch > 0 || s.Full {
		return working.Refuse(at+"/form", "%s are places: both sides, stitches and melting through are of seams along a line.", s.Called())
	}
	return nil
}

// metalAt is what the weld metal of one may take, N: a plug 0.60·FEXX on its face (AISC 360 J2.4); a resistance spot
// is asked by its sheet alone.
func (g *group) metalAt(s Seam, nominal float64, factors strength.Factors) float64 {
	if s.Form == SpotForm {
		return math.Inf(1)
	}
	return g.keeps(nominal*s.face(), factors)
}

// sheetAt is what a thin sheet beside one may take, N (AISI S100 J2.2 of plugs as arc spots, J2.6 of resistance
// spots), and by which factors.
func (g *group) sheetAt(s Seam, x stuff) (nominal float64, factors strength.Factors) {
	t := x.thick
	if s.Form == SpotForm {
		if t < 3.56 {
			return 5510 * math.Pow(t, 1.47), resistance
		}
		return 7600*t + 8570, resistance
	}
	mean := math.Max(s.Across-t, 0)
	limit := math.Sqrt(steelModulus / x.tensile)
	switch ratio := mean / t; {
	case ratio <= .815*limit:
		return 2.2 * t * mean * x.tensile, spotShort
	case ratio < 1.397*limit:
		return .28 * (1 + 5.59*limit/ratio) * t * mean * x.tensile, spotMiddle
	default:
		return 1.4 * t * mean * x.tensile, spotLong
	}
}

const steelModulus = 203000. // MPa, AISI S100

// dotNotes says what of plugs and spots is minded.
func (g *group) dotNotes(s Seam) {
	thin := math.Min(s.Sides[0].Thickness, s.Sides[1].Thickness)
	say := func(format string, args ...any) {
		g.notes = append(g.notes, s.Called()+": "+fmt.Sprintf(format, args...))
	}
	if s.Form == PlugForm {
		if least := s.Sides[0].Thickness + 8; s.Across < least-1e-9 {
			say("a plug's hole is no narrower than its plate and 8 mm (AISC 360 J2.3b): the root is not reached")
		}
	}
	if s.Form == SpotForm && thin > 3 {
		say("spots through this much want a large welder: peel one apart first")
	}
	for i, p := range s.Path {
		for _, q := range s.Path[:i] {
			if p.Sub(q).Len() < 3*s.Across-1e-9 {
				say("two stand nearer than three times what they are across: they do not count as two")
				return
			}
		}
	}
}

// pulled says that a plug or a spot is pulled off: they are counted in shear alone.
func (g *group) pulled(c *asked, i int) string {
	f, s := c.flow.At(g.lines.Lines[i].A), g.ask.Seams[g.of[i].seam]
	n := s.Sides[0].Normal.Unit()
	switch across := math.Abs(f.Dot(n)); {
	case f.Len() == 0:
	case n.Len() == 0:
		return fmt.Sprintf("how the faces of %s lie nobody said: whether they are pulled off is not known.", s.Called())
	case across > peels*f.Len():
		return fmt.Sprintf("%.0f N pull one of %s off: plugs and spots count in shear alone. Let them be sheared, or weld along the edge too.",
			across*s.face(), s.Called())
	}
	return ""
}

// number is which of its seam's plugs or spots a line stands for, from 1.
func (g *group) number(i int) (n int) {
	for k := i; k >= 0 && g.of[k].seam == g.of[i].seam; k-- {
		n++
	}
	return n
}

// dotWorking shows what one plug or spot is asked.
func (g *group) dotWorking(c *asked, h strength.Hit, method, source, formula string) working.Working {
	i := h.At / 2
	s := g.ask.Seams[g.of[i].seam]
	f := c.flow.At(g.lines.Lines[i].A).Len() * s.face()
	rim := math.Pi * s.Across
	out := working.Working{Method: method, Source: "elastic vector method, each as its face; " + source, Formula: formula,
		Inputs: []working.Quantity{working.MM("d", "one is across", s.Across), {Symbol: "n", Name: "of them", Value: float64(len(s.Path))},
			{Symbol: "F", Name: "on this one", Value: f, Unit: "N"}},
		Steps: []working.Quantity{{Symbol: "may", Name: "one may take", Value: h.Capacity * rim, Unit: "N"},
			perMM("may/rim", "may be used round its rim", h.Capacity)},
		Assumptions: []string{"in shear alone"}, Result: perMM("f", "round its rim", h.Demand)}
	for _, x := range g.stuff[g.of[i].seam] {
		out.Inputs = append(out.Inputs, working.MM("t", x.name, x.thick), working.Quantity{Symbol: "Fu", Name: "tensile that " +
			"counts", Value: x.tensile,
			Unit: "MPa"})
	}
	return out
}
