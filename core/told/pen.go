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

// MM writes a length given in mm.
func (p Pen) MM(v float64) string {
	w, err := quantity.Format(v, p.Display)
	if err != nil {
		return fmt.Sprintf("%.1f mm", v)
	}
	return w.Text
}

// Explain writes a working in the job's units.
func (p Pen) Explain(w working.Working) *working.Working {
	w = w.Written(p.Display.Style != quantity.Metric)
	return &w
}

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
