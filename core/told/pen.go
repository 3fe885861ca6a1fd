// Package told writes numbers and words as a job has them: lengths in its unit, forces
// and masses with the digits that are read, one or many.
package told

import (
	"fmt"
	"math"
	"strings"

	"warmanvil/core/quantity"
	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// Pen writes numbers as the job does.
type Pen struct{ Display quantity.Display }

// MM writes a length given in mm for a sentence or a table: as a decimal where a fraction
// would have to be rounded.
func (p Pen) MM(v float64) string {
	w, err := quantity.Format(v, p.Display)
	switch {
	case err != nil:
		return fmt.Sprintf("%.1f mm", v)
	case w.Off != "":
		return p.Display.Text(v)
	}
	return w.Text
}

// Said writes a length to lay out by a tape: the fraction, and by how much it is rounded.
func (p Pen) Said(mm float64) string {
	w, err := quantity.Format(mm, p.Display)
	if err != nil {
		return p.MM(mm)
	}
	return w.Said()
}

// Given writes a size in mm as somebody gave it.
func (p Pen) Given(mm float64) string {
	text, err := p.Display.Given(mm)
	if err != nil {
		return p.MM(mm)
	}
	return text
}

// Explain writes a working in the job's units.
func (p Pen) Explain(w working.Working) *working.Working {
	w = w.Written(p.Display.Style != quantity.Metric)
	return &w
}

// Found says findings of a calculation, which speaks mm, in the job's units.
func (p Pen) Found(list []working.Finding) []working.Finding {
	return working.SpokenOf(list, p.inches())
}

// Spoken says a text of a calculation in the job's units.
func (p Pen) Spoken(text string) string { return working.Spoken(text, p.inches()) }

// Refused says why a calculation was refused in the job's units.
func (p Pen) Refused(err error) string { return working.SpokenError(err, p.inches()).Error() }

// Fine writes a small length with the digits it needs, never as a fraction: a
// caliper's 0.05 mm is no sixteenth.
func (p Pen) Fine(mm float64) string {
	if p.Display.Style == quantity.Metric {
		return fmt.Sprintf("%.3g mm", mm)
	}
	return fmt.Sprintf("%.3g in", math.Round(mm/25.4*1e4)/1e4)
}

// Span writes two lengths, their common unit once.
func (p Pen) Span(a, b float64) string {
	return strings.TrimSuffix(p.MM(a), " mm") + " – " + p.MM(b)
}

// Degrees writes an angle.
func (p Pen) Degrees(v float64) string { return fmt.Sprintf("%.2f°", v+0) }

// Place writes a point in vehicle axes, mm.
func (p Pen) Place(v solid.Vector) string {
	return fmt.Sprintf("%s forward, %s left, %s up", p.MM(v[0]), p.MM(v[1]), p.MM(v[2]))
}

// inches tells whether the job writes inches, and so pounds.
func (p Pen) inches() bool { return p.Display.Style != quantity.Metric && p.Display.Style != "" }

// Newtons writes a force given in N.
func (p Pen) Newtons(v float64) string {
	if p.inches() {
		return fmt.Sprintf("%.0f lbf", math.Round(v/quantity.PoundForce)+0) // no minus before nothing
	}
	switch a := math.Abs(v); {
	case a >= 10000:
		return fmt.Sprintf("%.1f kN", v/1000)
	case a >= 1000:
		return fmt.Sprintf("%.2f kN", v/1000)
	}
	return fmt.Sprintf("%.0f N", math.Round(v)+0)
}

// Moment writes a moment given in N·mm.
func (p Pen) Moment(v float64) string {
	if p.inches() {
		return fmt.Sprintf("%.1f lbf·ft", v/(quantity.PoundForce*304.8)+0)
	}
	return fmt.Sprintf("%.1f N·m", v/1000+0)
}

// Kilos writes a mass given in kg.
func (p Pen) Kilos(v float64) string {
	unit := "kg"
	if p.inches() {
		v, unit = v/quantity.Pound, "lb"
	}
	if v < 10 {
		return fmt.Sprintf("%.2f %s", v, unit)
	}
	return fmt.Sprintf("%.1f %s", v, unit)
}

// Mass writes a mass given in kg with the three figures a sentence needs.
func (p Pen) Mass(v float64) string {
	return quantity.FormatMass(v, p.Display)
}

// Room writes a room given in mm³: litres; in inch jobs cubic inches, with gallons of 231 of them.
func (p Pen) Room(mm3 float64) string {
	if !p.inches() {
		return fmt.Sprintf("%.3g L", mm3*1e-6)
	}
	in := mm3 / (25.4 * 25.4 * 25.4)
	return fmt.Sprintf("%.0f in³, %.3g gal", in, in/231)
}

// Area writes an area given in m².
func (p Pen) Area(v float64) string {
	if p.inches() {
		return fmt.Sprintf("%.1f ft²", v/(.3048*.3048))
	}
	return fmt.Sprintf("%.2f m²", v)
}
