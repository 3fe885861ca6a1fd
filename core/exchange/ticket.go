package exchange

import (
	"bytes"
	"encoding/csv"
	"fmt"

	"warmanvil/core/quantity"
	"warmanvil/core/sheet/made"
)

// Ticket is what goes to the cutting table beside the drawing.
type Ticket struct {
	Job, Part, Hand string
	Revision        int
	Quantity        int // of this hand
	Units           quantity.Table
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
	unit := t.Units.LengthUnit()
	rows := [][]string{{"job", "part", "hand", "revision", "quantity", "material", "thickness", "process",
		"blank x " + unit, "blank y " + unit, "area " + unit + "2", "mass " + t.Units.MassUnit(), "cut length " + unit, "pierces"}}
	x, y := t.Flat.Bounds.Size()
	rows = append(rows, []string{Cell(t.Job), Cell(t.Part), t.Hand, fmt.Sprint(t.Revision), fmt.Sprint(t.Quantity), t.Material,
		Cell(t.Thickness), t.Process,
		t.long(x), t.long(y), t.area(), digits(t.Units.Mass(t.Flat.Mass)), t.long(t.Flat.CutLength), fmt.Sprint(t.Flat.Pierces)}, nil,
		[]string{"bend", "direction", "angle deg", "inside radius " + unit, "length " + unit, "BA " + unit, "BD " + unit, "K", "school"})
	for _, l := range t.Flat.BendLines {
		direction := "down"
		if l.Up {
			direction = "up"
		}
		rows = append(rows, []string{Cell(l.Name), direction, fixed(l.Angle), t.long(l.InsideRadius), t.long(l.Length.MM),
			t.long(l.BendAllowance), t.long(l.BendDeduction), fmt.Sprintf("%.4f", l.KFactor), string(l.School)})
	}
	rows = append(rows, t.pressed()...)
	rows = append(rows, nil, []string{"hole", "kind", "made", "x " + unit, "y " + unit, "diameter " + unit, "length " + unit,
		"cut diameter " + unit, "for"})
	for _, h := range t.Flat.Holes {
		length := ""
		if h.Length > 0 {
			length = t.long(h.Length)
		}
		rows = append(rows, []string{Cell(h.Name), string(h.Kind), string(h.Made), t.long(h.Centre.X - t.Flat.Bounds.Min.X),
			t.long(h.Centre.Y - t.Flat.Bounds.Min.Y), t.long(h.Diameter), length, t.long(h.Cut), Cell(h.Says)})
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

// long writes a length given in mm in the table's unit.
func (t Ticket) long(mm float64) string {
	if t.Units.Inches {
		return digits(t.Units.Length(mm))
	}
	return fixed(mm)
}

func (t Ticket) area() string {
	if t.Units.Inches {
		return digits(t.Units.Area(t.Flat.Area))
	}
	return fixed(t.Flat.Area)
}

func digits(v float64) string { return fmt.Sprintf("%.4f", v) }

func fixed(v float64) string { return fmt.Sprintf("%.3f", v) }

// Cell answers words for a cell of a table: what a spreadsheet would run as a
// formula is led by an apostrophe.
func Cell(s string) string {
	if s != "" && (s[0] == '=' || s[0] == '+' || s[0] == '-' || s[0] == '@' || s[0] == '\t' || s[0] == '\r') {
		return "'" + s
	}
	return s
}

// pressed lists the lines a round is pressed at, with the places of their ends from the blank's left and
// front edge; none of what is no round, or rolled.
func (t Ticket) pressed() (rows [][]string) {
	r := t.Flat.Round
	if r == nil || len(r.Lines) == 0 {
		return nil
	}
	unit, zero := t.Units.LengthUnit(), t.Flat.Bounds.Min
	rows = [][]string{nil, {"press line", "direction", "angle deg", "from x " + unit, "from y " + unit, "to x " + unit, "to y " + unit}}
	for _, l := range r.Lines {
		direction := "down"
		if l.Up {
			direction = "up"
		}
		rows = append(rows, []string{fmt.Sprint(l.Number), direction, fixed(l.Angle), t.long(l.From.X - zero.X), t.long(l.From.Y - zero.Y),
			t.long(l.To.X - zero.X), t.long(l.To.Y - zero.Y)})
	}
	return rows
}
