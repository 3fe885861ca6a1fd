package flags

import (
	"fmt"
	"math"

	"warmanvil/core/develop"
	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/working"
)

// roundStretch is how many thicknesses of inside radius keep the neutral surface in the middle of a
// rolled plate (practice: K is 0.5 from about five thicknesses on).
const roundStretch = 5.

// checkRound looks whether a round can be rolled or pressed, and keeps off what it is made for.
func (b *flagger) checkRound() {
	r := b.Round
	if r == nil {
		return
	}
	f := b.Recipe.Base.Shape.Round
	base := b.Panels[0]
	t := b.Recipe.Thickness
	across, along := b.Material.SmallestRadius(t)
	least := math.Max(across, along)
	if r.Sharp > 0 {
		b.checkRolled(base, least)
	} else if f.Radius < least-sheet.Tiny && len(r.Lines) > 0 {
		sharpest := 0.
		for _, l := range r.Lines {
			sharpest = math.Max(sharpest, math.Abs(l.Angle))
		}
		if sharpest > 20 { // a few degrees bend round any nose
			b.Stop("radius-tight", "Cracks", base, fmt.Sprintf("It is pressed by up to %.0f° at R %s; %s of this thickness takes R "+
				"%s (%s).", sharpest,
				b.Len(f.Radius), b.Material.Name, b.Len(least), b.Material.RadiusSource),
				b.Fix("Radius "+b.Len(sheet.HalfUp(least)), "/base/shape/round/radius", sheet.HalfUp(least)))
		}
	}
	if a := r.Arch; a != nil {
		b.checkArch(base, f.Band, a)
	}
	for _, n := range r.Notes {
		b.Note("round-taken", "Form", base, working.Spoken(lay.Upper(n)+".", b.Inches()))
	}
	b.checkElbow(base)
	b.checkPressed(base)
}

// ElbowTold is how many pieces of one elbow, alike in sizes and plate, a job makes.
type ElbowTold struct{ Ends, Whole int }

// checkElbow counts the pieces of an elbow: those of other sizes do not meet.
func (b *flagger) checkElbow(base *lay.Panel) {
	e := b.Recipe.Base.Shape.Round.Elbow
	if e == nil || b.Elbow == nil {
		return
	}
	if n := b.Elbow.Ends / 2; n > 0 && b.Elbow.Ends%2 == 0 && b.Elbow.Whole == n*e.Middle {
		return
	}
	b.Mind("elbow-pieces", "Elbow", base, fmt.Sprintf("An elbow of these sizes takes 2 ends and %d whole segments, and of just "+
		"these sizes and this plate "+
		"the job makes %d and %d: pieces of others do not meet it.", e.Middle, b.Elbow.Ends, b.Elbow.Whole))
}

func (b *flagger) checkRolled(base *lay.Panel, least float64) {
	t := b.Recipe.Thickness
	inside := b.Round.Sharp - t/2
	switch {
	case b.Round.Sharp < .01:
		b.Mind("round-point", "Rolling", base, "It runs to a point: no roll reaches there. Press or hammer its last part over a "+
			"former, or give it "+
			"a small top and close that.")
	case inside < least-sheet.Tiny:
		at := len(b.Findings)
		b.Stop("round-tight", "Cracks", base, fmt.Sprintf("It is rolled to an inside radius of %s; %s of this thickness takes %s (%s).",
			b.Len(math.Max(inside, 0)), b.Material.Name, b.Len(least), b.Material.RadiusSource))
		b.Attach(at, func() working.Working {
			return working.Working{Method: "Smallest inside radius", Source: b.Material.RadiusSource, Formula: "R − T/2 ≥ least",
				Inputs: []working.Quantity{working.MM("R", "smallest radius, middle of the plate", b.Round.Sharp), working.MM("T",
					"thickness", t)},
				Result: working.MM("least", "smallest inside radius", least)}
		})
	case inside < roundStretch*t-sheet.Tiny:
		b.Mind("round-stretch", "Rolling", base, fmt.Sprintf("It is rolled to an inside radius of %s, under %g thicknesses: its "+
			"neutral surface moves "+
			"inwards, and it comes out longer than worked out here, by the middle of the plate. Roll a strip first and measure it.",
			b.Len(math.Max(inside, 0)), roundStretch))
	}
	if b.Recipe.Base.Shape.Round.Pinch == 0 && !(b.Round.Sharp < .01) {
		b.Note("round-ends", "Rolling", base, "Rolls leave its ends flat, usually for two thicknesses or more: bend them before, or "+
			"give it plate for "+
			"the rolls to cut off after.")
	}
}

// checkArch keeps a band as wide as the wheel under it needs.
func (b *flagger) checkArch(base *lay.Panel, band *develop.Band, a *develop.ArchResult) {
	if band.Width < a.Width-sheet.Tiny {
		b.Stop("arch-narrow", "Wheel", base, fmt.Sprintf("The wheel reaches %s across with its gaps in all it does, and the band is "+
			"%s wide: it "+
			"rubs on what stands beside.", b.Len(a.Width), b.Len(band.Width)),
			b.Fix("Make it "+b.Len(sheet.HalfUp(a.Width)), "/base/shape/round/band/width", sheet.HalfUp(a.Width)))
	}
	b.Note("arch-try", "Wheel", base, fmt.Sprintf("By what was typed the wheel keeps off it: %s over the tyre at rest. Before it is "+
		"welded turn "+
		"the wheel lock to lock at full travel, with chains or mud room where they are used; tyres and their covers have local rules, and "+
		"who may sign for them decides.", b.Len(a.AtRest)))
}

// checkPressed asks the brakes for the longest line and the sharpest, and keeps holes off all.
func (b *flagger) checkPressed(base *lay.Panel) {
	r := b.Round
	if len(r.Lines) == 0 {
		return
	}
	f := b.Recipe.Base.Shape.Round
	long, sharp := 0, 0
	for i, l := range r.Lines {
		if size(l) > size(r.Lines[long]) {
			long = i
		}
		if math.Abs(l.Angle) > math.Abs(r.Lines[sharp].Angle) {
			sharp = i
		}
	}
	for _, i := range []int{long, sharp} {
		l := r.Lines[i]
		b.checkBrakes(&lay.Panel{ID: base.ID, Name: fmt.Sprintf("press line %d", i+1), Zone: size(l), Spot: lay.SpotOn(base,
			l.From.Add(l.To).Mul(.5)),
			Flange: &sheet.Flange{Kind: sheet.Bent, Angle: math.Abs(l.Angle), InsideRadius: f.Radius}})
		if long == sharp {
			break
		}
	}
	for i := range b.Holes {
		h := &b.Holes[i]
		if !h.Cut() {
			continue
		}
		for k, l := range r.Lines {
			a := math.Abs(l.Angle)
			if a < 3 { // it draws nothing
				continue
			}
			dir := l.To.Sub(l.From)
			need := b.bendClearance(h, dir.Mul(1/dir.Len())) + (f.Radius+b.Recipe.Thickness)*math.Tan(a*math.Pi/360)
			if clear := profile.Between(h.FlatCore(), []profile.Point{l.From, l.To}) - h.R(); clear < need-sheet.Tiny {
				b.Mind("hole-press-line", "Holes near a bend", h.Subject(), fmt.Sprintf("%s comes to %s of press line %d (%.1f°): "+
					"within %s it is drawn "+
					"oval. Move it, or drill it after pressing.", h.Name, b.Len(math.Max(clear, 0)), k+1, a, b.Len(need)),
					b.Fix("Drill it after", h.Path+"/made", sheet.MadeDrilled))
				break
			}
		}
	}
}

func size(l develop.RoundLine) float64 { return l.To.Sub(l.From).Len() }
