package made

import (
	"fmt"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
)

// FoldLine is a line on the flat the sheet is bent at, whoever carries the bend: a flange, or a round
// that is pressed.
type FoldLine struct {
	From, To profile.Point
	Angle    float64 // degrees turned from flat
	Up       bool
	Name     string
	Radius   string // inside, as the job writes it; empty where it does not matter
}

// Long answers how long the bend is, mm.
func (l FoldLine) Long() float64 { return l.To.Sub(l.From).Len() }

// FoldLines answers every line the sheet is bent at.
func (p Part) FoldLines() []FoldLine {
	out := make([]FoldLine, 0, len(p.BendLines))
	for _, l := range p.BendLines {
		out = append(out, FoldLine{l.From, l.To, l.Angle, l.Up, l.Name, l.Radius.Text})
	}
	if p.Round != nil {
		for _, l := range p.Round.Lines {
			out = append(out, FoldLine{l.From, l.To, l.Angle, l.Up, fmt.Sprintf("Press line %d", l.Number), ""})
		}
	}
	return out
}

// lineMark is a line that shows where something lies: an end under its lap, what is cut off.
const lineMark sheet.MarkKind = "line"

// roundMarks answers what a round shows on its flat by itself.
func (p Part) roundMarks(panel string) (out []MarkMade) {
	if p.Round == nil {
		return nil
	}
	line := func(id, name, text string, l [2]profile.Point) {
		out = append(out, MarkMade{ID: id, Panel: panel, Name: name, Kind: lineMark, At: l[0].Add(l[1].Sub(l[0]).Mul(.3)),
			Text: text, Height: 5,
			Lines: [][]profile.Point{{l[0], l[1]}}})
	}
	if p.Round.Lap != nil {
		line("round.lap", "Where the first end lies under the lap", "LAP", *p.Round.Lap)
	}
	for i, t := range p.Round.Trims {
		line(fmt.Sprintf("round.trim.%d", i+1), "Cut off after rolling", "CUT OFF", t)
	}
	return out
}
