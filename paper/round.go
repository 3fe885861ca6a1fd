package paper

import "fmt"

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
