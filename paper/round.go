package paper

import (
	"fmt"
	"strings"

	"warmanvil/core/profile"
	"warmanvil/core/sheet/made"
)

// pressTable lists the lines a round is pressed at with the places of their ends on the blank; of one
// that is rolled it says so.
func (p printer) pressTable(y float64) float64 {
	r := p.t.Flat.Round
	if len(r.Lines) == 0 {
		p.text(edge, y, 10, "", "It is rolled, the printed face outside. Check the round with a card cut to its radius.")
		return y + 5
	}
	row := func(style string, cells []string) {
		x := edge
		p.SetFont("go", style, 8.5)
		for i, c := range cells {
			p.Text(x, y, p.fit(c, pressWidths[i]-2))
			x += pressWidths[i]
		}
		y += 5
	}
	row("B", []string{"Press line", "Turn from flat", "Long", "From, left and front", "To, left and front"})
	for i, l := range r.Lines {
		if i == 24 {
			p.text(edge, y, 8.5, "", fmt.Sprintf("… and %d more in the program", len(r.Lines)-i))
			return y + 5
		}
		row("", []string{fmt.Sprint(l.Number), l.Text, l.Long.Said(), l.Ends[0], l.Ends[1]})
	}
	p.text(edge, y, 8, "", "The printed face is the outside; 'in' is away from it. Press both ends before the middle, and check "+
		"with a card as you go.")
	return y + 5
}

var pressWidths = []float64{20, 28, 26, 58, 58}

// pressLines draws the lines a round is pressed at, and where its lap and its cuts lie; every fifth is
// numbered where there are many.
func (p *sheetPrinter) pressLines(part made.Part, at func(profile.Point) (x, y float64)) {
	if part.Round == nil {
		return
	}
	n := len(part.Round.Lines)
	for i, l := range part.Round.Lines {
		x0, y0 := at(l.From)
		x1, y1 := at(l.To)
		p.foldLine(x0, y0, x1, y1, l.Up)
		if n <= 12 || i == 0 || l.Number%5 == 0 || i == n-1 {
			t := .08
			if beside := part.Round.Lines[max(i-1, 0)]; i == 0 && n > 1 || beside.To.Sub(l.To).Len() > beside.From.Sub(l.From).Len() {
				t = .9 // where the lines lie farther apart
			}
			p.put(x0+(x1-x0)*t+.6, y0+(y1-y0)*t-.4, 7, "B", fmt.Sprint(l.Number))
		}
	}
	for _, m := range part.Marks {
		for _, l := range m.Lines {
			for i := 1; i < len(l); i++ {
				x0, y0 := at(l[i-1])
				x1, y1 := at(l[i])
				p.Line(x0, y0, x1, y1)
			}
		}
		if m.Text != "" {
			x, y := at(m.At)
			p.put(x+.6, y-.4, 6, "", m.Text)
		}
	}
}

// roundSheet prints how a round is pressed, line by line, or rolled.
func (s PartSheet) roundSheet(p *sheetPrinter) ([]byte, error) {
	r := s.Flat.Round
	w, h := s.Flat.Bounds.Size()
	p.say(9, "B", fmt.Sprintf("Blank %s × %s, %s. The drawn face is the outside.", s.Length(w), s.Length(h), s.Material))
	p.y += 2
	p.flatSketch(s.Flat, nil, nil)
	if len(r.Lines) == 0 {
		p.say(10, "B", fmt.Sprintf("It is rolled; the middle of the plate to a radius of %s at its tightest.", s.Length(r.Sharp)))
	} else {
		p.say(9, "", "Places run from the blank's left and its front. 'In' is away from the drawn face. Press the lines next to "+
			"both ends first; check "+
			"with a card as you go.")
		sec := SurveySection{Heads: []string{"line", "turn", "long", "from", "to", "done"}, Widths: []float64{.07, .13, .14, .28, .28, .10}}
		p.heads(sec)
		for _, l := range r.Lines {
			p.row(sec, []string{fmt.Sprint(l.Number), l.Text, s.Length(l.Long.MM), l.Ends[0], l.Ends[1], ""})
		}
	}
	for _, n := range r.Notes {
		p.say(8, "", strings.ToUpper(n[:1])+n[1:]+".")
	}
	if len(r.Trims) > 0 {
		p.say(9, "B", "Both ends carry plate for the rolls: cut it off at the lines marked CUT OFF before the seam is tacked.")
	}
	if len(s.Welded) > 0 {
		p.say(9, "B", "Welded after: "+strings.Join(s.Welded, "; ")+".")
	}
	return p.bytes()
}
