package flags

import (
	"math"
	"strings"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
)

// Ways are the ways out of a limit, said in the order they are tried; what does not apply is
// left empty.
type Ways struct{ Tool, Machine, Split, Supplier, Design string }

// Says ends a reason with them.
func (w Ways) Says() string {
	var out []string
	for _, way := range []string{w.Tool, w.Machine, w.Split, w.Supplier, w.Design} {
		if way != "" {
			out = append(out, way)
		}
	}
	return " Ways out: " + strings.Join(out, "; ") + "."
}

// Outsider is a supplier of the shop by what it says it takes, mm; 0 is not said.
type Outsider struct {
	Name, Does         string
	Long, Wide         float64 // its bed
	Thickest, Thinnest float64
	Bend               float64 // longest bend
}

// takes tells whether what it said of its limits takes a blank of some sides, a thickness and a
// longest bend; one that said nothing does not.
func (o Outsider) takes(x, y, thickness, bend float64) bool {
	if o.Long+o.Wide+o.Thickest+o.Thinnest+o.Bend == 0 {
		return false
	}
	_, fits := profile.RectangleIn(x, y, orAny(o.Long), orAny(o.Wide))
	return fits && thickness <= orAny(o.Thickest)+sheet.Tiny && thickness >= o.Thinnest-sheet.Tiny && bend <= orAny(o.Bend)+sheet.Tiny
}

// outside names the suppliers of the Shop that do some work and whose limits, as said, take the
// part; where there is none, what to look for.
func (b *flagger) outside(does, whom string) string {
	x, y := b.Outline.Bounds().Size()
	bend := 0.
	for _, p := range b.Panels[1:] {
		bend = math.Max(bend, p.Zone)
	}
	if b.Round != nil {
		for _, l := range b.Round.Lines {
			bend = math.Max(bend, size(l))
		}
	}
	var names []string
	for _, o := range b.Machines.Outside {
		if strings.Contains(strings.ToLower(o.Does), does) && o.takes(x, y, b.Recipe.Thickness, bend) {
			names = append(names, o.Name)
		}
	}
	if len(names) == 0 {
		return whom + " outside whose limits take it"
	}
	return strings.Join(names, " or ") + " outside, whose size, thickness and bend, as far as said in the Shop, take it (ask first)"
}
