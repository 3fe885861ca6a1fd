package sheet

import (
	"slices"

	"warmanvil/core/working"
)

// FlangeForm is what is said of one kind of flange in one place. How it is laid out is
// in lay, what of it can be typed over in made.
type FlangeForm struct {
	Kind FlangeKind
	Word string // in its name: "Front hem"; "" of the plain one
	Die  bool   // a die bends it: its radius is the die's, and its legs must reach over it
	// Made says on the bend sheet how it is made; "" where the die says it all.
	Made func(f *Flange) string
	// Keeps tells whether it has its radius in board too, which is creased else.
	Keeps func(f *Flange) bool
	check func(f *Flange) error
}

func never(*Flange) bool      { return false }
func nothing(*Flange) string  { return "" }
func teardrop(f *Flange) bool { return f.Hem == TeardropHem }
func always(*Flange) bool     { return true }
func hemMade(f *Flange) string {
	return "first to about 135° in an acute die, then pressed together" + over(f)
}

func over(f *Flange) string {
	if f.Hem == OpenHem {
		return " over a strip as thick as the gap"
	}
	return ""
}

// flangeForms lists the kinds, the plain one first.
var flangeForms = [...]FlangeForm{
	{Bent, "", true, nothing, never, checkBent},
	{Hem, "hem", false, hemMade, teardrop, checkHem},
	{Jog, "jog", true, nothing, never, checkJog},
	{Roll, "roll", false, func(*Flange) string { return "rolled, or bumped in even steps between the tangent lines" }, always, checkRoll},
}

// Form answers what is said of the flange's kind; an unknown one is bent.
func (f *Flange) Form() FlangeForm {
	if i := slices.IndexFunc(flangeForms[:], func(x FlangeForm) bool { return x.Kind == f.Kind }); i >= 0 {
		return flangeForms[i]
	}
	return flangeForms[0]
}

func flangeKinds() []FlangeKind {
	out := []FlangeKind{""}
	for _, f := range flangeForms {
		out = append(out, f.Kind)
	}
	return out
}

func checkBent(f *Flange) error {
	err := working.Within("/angle", "The bend angle", f.Angle, 1, maxAngle, "°")
	if err == nil && f.Angle > MaxApex && f.Measure != Flat && f.Measure != Tangent {
		err = working.Refuse("/measure", "Past %g° the apex lies far off the part: measure to the tangent plane or to the tangent line.", MaxApex)
	}
	return err
}

func checkHem(f *Flange) error {
	err := working.First(OneOf("/hem", "The hem", f.Hem, ClosedHem, OpenHem, TeardropHem),
		working.Within("/gap", "The gap", f.Gap, 0, 200, "mm"))
	if err == nil && f.Hem == TeardropHem {
		err = working.Above("/insideRadius", "The inside radius of a teardrop", f.InsideRadius, 0, 500, "mm")
	}
	return err
}

func checkJog(f *Flange) error {
	return working.First(working.Within("/angle", "The bend angle", f.Angle, 1, 135, "°"),
		working.Above("/depth", "The depth of the jog", f.Depth, 0, maxSize, "mm"))
}

func checkRoll(f *Flange) error {
	return working.First(working.Within("/round", "The round it sits on", f.Round, 0, 2*maxRadiusMM, "mm"),
		working.Within("/angle", "The angle it runs round", f.Angle, 1, 355, "°"))
}
