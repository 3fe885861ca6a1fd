package exchange

import (
	"bytes"
	"encoding/csv"
	"fmt"

	"warmanvil/core/sheet/made"
)

// Ticket is what goes to the cutting table beside the drawing.
type Ticket struct {
	Job, Part, Hand string
	Revision        int
	Quantity        int // of this hand
	Material        string
	Thickness       string
	Process         string
	Flat            made.Part
	Notes           []string // what was checked before, and what was not
}

// CSV writes the cut ticket: one row of the part, then its bends and holes.
// A cell that a spreadsheet would run as a formula is led by an apostrophe.
func (t Ticket) CSV() ([]byte, error) {
	var b bytes.Buffer
	w := csv.NewWriter(&b)
	rows := [][]string{{"job", "part", "hand", "revision", "quantity", "material", "thickness", "process", "blank x mm", "blank y mm",
		"area mm2", "mass kg", "cut length mm", "pierces"}}
	x, y := t.Flat.Bounds.Size()
	rows = append(rows, []string{Cell(t.Job), Cell(t.Part), t.Hand, fmt.Sprint(t.Revision), fmt.Sprint(t.Quantity), t.Material,
		Cell(t.Thickness), t.Process,
		fixed(x), fixed(y), fixed(t.Flat.Area), fmt.Sprintf("%.4f", t.Flat.Mass), fixed(t.Flat.CutLength), fmt.Sprint(t.Flat.Pierces)}, nil,
		[]string{"bend", "direction", "angle deg", "inside radius mm", "length mm", "BA mm", "BD mm", "K", "school"})
	for _, l := range t.Flat.BendLines {
		direction := "down"
		if l.Up {
			direction = "up"
		}
		rows = append(rows, []string{Cell(l.Name), direction, fixed(l.Angle), fixed(l.InsideRadius), fixed(l.Length.MM), fixed(l.BendAllowance),
			fixed(l.BendDeduction), fmt.Sprintf("%.4f", l.KFactor), string(l.School)})
	}
	rows = append(rows, nil, []string{"hole", "kind", "made", "x mm", "y mm", "diameter mm", "length mm", "cut diameter mm", "for"})
	for _, h := range t.Flat.Holes {
		length := ""
		if h.Length > 0 {
			length = fixed(h.Length)
		}
		rows = append(rows, []string{Cell(h.Name), string(h.Kind), string(h.Made), fixed(h.Centre.X - t.Flat.Bounds.Min.X),
			fixed(h.Centre.Y - t.Flat.Bounds.Min.Y), fixed(h.Diameter), length, fixed(h.Cut), Cell(h.Says)})
	}
	if len(t.Notes) > 0 {
		rows = append(rows, nil, []string{"checked before cutting"})
		for _, n := range t.Notes {
			rows = append(rows, []string{Cell(n)})
		}
	}
	if err := w.WriteAll(rows); err != nil {
		return nil, fmt.Errorf("write ticket: %w", err)
	}
	return b.Bytes(), nil
}

func fixed(v float64) string { return fmt.Sprintf("%.3f", v) }

// Cell answers words for a cell of a table: what a spreadsheet would run as a
// formula is led by an apostrophe.
func Cell(s string) string {
	if s != "" && (s[0] == '=' || s[0] == '+' || s[0] == '-' || s[0] == '@' || s[0] == '\t' || s[0] == '\r') {
		return "'" + s
	}
	return s
}
