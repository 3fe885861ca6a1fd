package sheet

import (
	"math"
	"slices"

	"warmanvil/core/working"
)

// FlangeForm is what is said of one kind of flange in one place. How it is laid out is
// in lay, what of it can be typed over in made.
type FlangeForm struct {
	Kind FlangeKind
	Word string // in its name: "Front hem"; "" of the plain one
	Die  bool   // a die bends it: its radius is the die's, and its legs must reach over it
	// Asks are the fields that are chosen of this kind and not of every other.
	Asks []string
	// Made says on the bend sheet how it is made; "" where the die says it all.
	Made func(f *Flange) string
	// Keeps tells whether it has its radius in board too, which is creased else.
	Keeps func(f *Flange) bool
	check func(f *Flange) error
	// fresh gives a new one its usual sizes; those of every flange are there already.
	fresh func(f *Flange, u Usual)
}

// Usual is what sizes of new features follow: mm.
type Usual struct {
	Thickness float64 // of the sheet
	Grain     float64 // the job's step of lengths
	Inch      bool    // sizes as an inch shop says them
}

// Or answers the size a metric or an inch shop takes, mm.
func (u Usual) Or(mm, inches float64) float64 {
	if u.Inch {
		return inches * 25.4
	}
	return mm
}

// Step rounds a size to the job's grain, at least one step.
func (u Usual) Step(mm float64) float64 {
	if u.Grain <= 0 {
		return mm
	}
	return max(1, math.Round(mm/u.Grain)) * u.Grain
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

func rollMade(*Flange) string { return "rolled, or bumped in even steps between the tangent lines" }

// flangeForms lists the kinds, the plain one first.
var flangeForms = [...]FlangeForm{
	{Bent, "", true, []string{"measure"}, nothing, never, checkBent, freshBent},
	{Hem, "hem", false, []string{"hem"}, hemMade, teardrop, checkHem, freshHem},
	{Jog, "jog", true, []string{"measure"}, nothing, never, checkJog, freshJog},
	{Roll, "roll", false, nil, rollMade, always, checkRoll, freshRoll},
}

// up rounds a size up to the job's grain.
func (u Usual) up(mm float64) float64 {
	if u.Grain <= 0 {
		return mm
	}
	return math.Ceil(mm/u.Grain-1e-9) * u.Grain
}

func freshBent(f *Flange, _ Usual) { f.Measure, f.Relief.Kind = Outside, Round }

func freshHem(f *Flange, u Usual) {
	f.Hem, f.Gap, f.Angle, f.InsideRadius = OpenHem, u.Thickness, 0, 0
	f.Length = u.up(6 * u.Thickness)
}

func freshJog(f *Flange, u Usual) {
	f.Depth, f.Angle, f.Measure, f.Relief.Kind = u.Step(4*u.Thickness), 45, Outside, Round
}

func freshRoll(f *Flange, u Usual) { f.Round, f.Angle, f.InsideRadius = u.Or(200, 8), 180, 0 }

// FlangeForms answers the kinds, the plain one first.
func FlangeForms() []FlangeForm { return slices.Clone(flangeForms[:]) }

// FreshFlange answers a new flange of a kind with its usual sizes. last holds what the
// shop typed last: its length, angle and inside radius are taken where they are given
// and the kind has none of its own.
func FreshFlange(kind FlangeKind, last Flange, u Usual) Flange {
	f := Flange{Kind: kind, Length: last.Length, Angle: last.Angle, InsideRadius: last.InsideRadius}
	if f.Length == 0 {
		f.Length = u.Or(40, 1.5)
	}
	if f.Angle == 0 {
		f.Angle = 90
	}
	if f.InsideRadius == 0 {
		step := u.Or(0.5, 1./32)
		f.InsideRadius = math.Ceil(1.5*u.Thickness/step-1e-9) * step
	}
	form := f.Form()
	form.fresh(&f, u)
	if form.Kind == Bent {
		f.Kind = ""
	}
	return f
}

// Become answers the flange as another kind: what fits both stays, the rest takes its
// usual size.
func (f Flange) Become(kind FlangeKind, u Usual) Flange {
	last := Flange{Angle: f.Angle, InsideRadius: f.InsideRadius}
	if last.Angle > MaxApex {
		last.Angle = 0
	}
	start := FreshFlange(kind, last, u)
	out := f
	out.Kind, out.Hem, out.Gap, out.Depth, out.Round = start.Kind, start.Hem, start.Gap, start.Depth, start.Round
	out.Angle, out.InsideRadius = start.Angle, start.InsideRadius
	if start.Measure == "" || f.Measure == "" {
		out.Measure = start.Measure
	}
	return out
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
