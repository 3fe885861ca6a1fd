package made

import (
	"fmt"

	"warmanvil/core/develop"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/working"
)

// measureRound tells the figures that only a round has.
func (b *maker) measureRound(part *Part) {
	r := b.Round
	b.figure(part, "roundBottom", "Bottom edge", r.Lengths[0], "mm", "", b.roundWorking())
	b.figure(part, "roundTop", "Top edge", r.Lengths[1], "mm", "", b.roundWorking())
	name := "Seam, long"
	if !r.Closed {
		name = "Ends, long"
	}
	b.figure(part, "roundSeam", name, r.Seam, "mm", "", b.roundWorking())
	if n := len(part.Round.Lines); n > 0 {
		w := b.roundWorking()
		b.figure(part, "roundLines", "Press lines", float64(n), "", fmt.Sprint(n), w)
		if r.Inside > 0 {
			b.figure(part, "roundInside", "Flats inside the round", r.Inside, "mm", b.Fine(r.Inside).Text, w)
		}
	}
	if r.Arch != nil {
		b.figure(part, "archRadius", "Band, inside radius", r.Arch.Radius, "mm", "", r.Arch.Working)
		b.figure(part, "archRest", "Over the tyre at rest", r.Arch.AtRest, "mm", "", r.Arch.Working)
	}
}

// roundWorking explains a round's flat.
func (b *maker) roundWorking() working.Working {
	f, t := b.Recipe.Base.Shape.Round, b.Recipe.Thickness
	w := working.Working{Method: "Round unrolled", Source: "descriptive geometry: rulings laid down by their true lengths",
		Formula: "middle of the plate unrolled, strip by strip; at each press line of angle A the flat loses 2·(R + T/2)·tan(A/2) − BA",
		Inputs:  []working.Quantity{working.MM("T", "thickness", t)}}
	size := func(symbol, name string, mm float64) { w.Inputs = append(w.Inputs, working.MM(symbol, name, mm)) }
	switch {
	case f.Cone != nil:
		size("D", "bottom's diameter, "+faceWord(f.Face), f.Cone.Bottom)
		size("d", "top's diameter, "+faceWord(f.Face), f.Cone.Top)
		size("h", "height", f.Cone.Height)
	case f.Transition != nil:
		size("h", "height", f.Transition.Height)
		w.Source = "hull of two level outlines; " + w.Source
	case f.Elbow != nil:
		size("D", "diameter, "+faceWord(f.Face), f.Elbow.Diameter)
		size("Rm", "radius of the centre line", f.Elbow.Radius)
	case b.Round.Arch != nil:
		size("Ri", "inside radius, from the wheel", b.Round.Arch.Radius)
	case f.Band != nil:
		size("Rb", "radius, "+faceWord(f.Face), f.Band.Radius)
	}
	w.Steps = append(w.Steps, working.MM("p", "bottom edge, middle of the plate", b.Round.Lengths[0]), working.MM("q", "top edge, "+
		"middle of the plate",
		b.Round.Lengths[1]))
	if f.Way == develop.Rolled {
		w.Assumptions = append(w.Assumptions, "rolled: the middle of the plate keeps its length")
	} else {
		size("R", "inside radius of press lines", f.Radius)
		w.Assumptions = append(w.Assumptions, "K by school: "+string(b.School))
	}
	for _, n := range b.Round.Notes {
		w.Assumptions = append(w.Assumptions, working.Spoken(n, b.Inches()))
	}
	return w
}

func faceWord(f develop.Face) string {
	if f == develop.MiddleFace {
		return "middle of the plate"
	}
	return lay.Lower(string(f))
}

// cutOff answers how much of a blank is cut off again after rolling, mm².
func (b *maker) cutOff() (mm2 float64) {
	if b.Round == nil {
		return 0
	}
	for _, t := range b.Round.Trims {
		mm2 += b.Recipe.Base.Shape.Round.Pinch * t[1].Sub(t[0]).Len()
	}
	return mm2
}
