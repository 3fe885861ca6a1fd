package paper

import (
	"fmt"
	"math"
	"time"

	"warmanvil/core/profile"
	"warmanvil/core/tube"
)

// BendSheet is a bent bar or tube to take to the bender.
type BendSheet struct {
	Title  string
	Date   time.Time
	Paper  Size
	In     tube.BendInput
	Result tube.BendResult
	Length func(mm float64) string
}

// PDF prints one sheet.
func (s BendSheet) PDF() ([]byte, error) { return BendSheets([]BendSheet{s}) }

// BendSheets prints of each piece the cut length, every bend with its marks from
// the first end, and the piece seen two ways.
func BendSheets(list []BendSheet) ([]byte, error) {
	p := newPages(list[0].Paper, list[0].Date, list[0].Title)
	for _, s := range list {
		s.print(p)
	}
	return p.bytes()
}

func (s BendSheet) print(p *pages) {
	p.kind = "Bending sheet: " + s.Title
	size := "bar of " + s.Length(s.In.Outside)
	if s.In.Wall > 0 {
		size = "tube of " + s.Length(s.In.Outside) + " × " + s.Length(s.In.Wall)
	}
	p.line = size + "  ·  " + s.Date.Format("2006-01-02")
	p.next()
	p.put(edge, p.y+3, 16, "B", "Cut "+s.Length(s.Result.Developed))
	p.y += 10
	p.put(edge, p.y, 9, "", "Marks run from the first end along the straight piece. Turn the piece clockwise as seen from its first end "+
		"before the bend.")
	p.y += 9
	t := &sheetPrinter{pages: p}
	sec := SurveySection{Heads: []string{"bend", "begins at", "ends at", "straight before", "turn the piece", "radius", "bend to", "stays at",
		"done"}, Widths: []float64{.07, .14, .14, .14, .12, .12, .09, .09, .09}}
	t.heads(sec)
	for i, m := range s.Result.Marks {
		b := s.In.Bends[i]
		t.row(sec, []string{fmt.Sprint(i + 1), s.Length(m.Start), s.Length(m.End), s.Length(m.Straight), fmt.Sprintf("%.1f°", m.Rotation+0),
			s.Length(b.Radius), fmt.Sprintf("%.1f°", m.Aim), fmt.Sprintf("%.1f°", b.Angle), ""})
	}
	p.y += 2
	if s.In.Strip == nil {
		p.put(edge, p.y, 9, "B", "No trial bend is known: it springs back. Bend a piece of the same tube first and measure what stays.")
		p.y += 6
	}
	for _, f := range s.Result.Findings {
		p.SetFont("go", "", 9)
		for _, line := range p.SplitText(f.Reason, p.w-2*edge) {
			p.room(5)
			p.put(edge, p.y, 9, "", line)
			p.y += 4.2
		}
	}
	p.y += 6
	for k, view := range []string{"In the plane of the first bend", "Square to it"} {
		line := make([]profile.Point, len(s.Result.Points))
		for i, q := range s.Result.Points {
			line[i] = profile.Point{X: q[0], Y: q[1+k]}
		}
		p.centreLine(view, line)
	}
}

// centreLine draws the piece's corners to scale, numbered.
func (p *pages) centreLine(title string, line []profile.Point) {
	b := profile.Empty()
	for _, q := range line {
		b.Include(q)
	}
	w, h := b.Size()
	scale := math.Min((p.w-2*edge-20)/math.Max(w, 1), 70/math.Max(h, 1))
	p.room(h*scale + 20)
	p.put(edge, p.y, 10, "B", title)
	p.y += 7
	at := func(q profile.Point) (x, y float64) {
		return edge + 8 + (q.X-b.Min.X)*scale, p.y + (b.Max.Y-q.Y)*scale
	}
	p.SetLineWidth(.5)
	for i := 1; i < len(line); i++ {
		x0, y0 := at(line[i-1])
		x1, y1 := at(line[i])
		p.Line(x0, y0, x1, y1)
	}
	for i, q := range line {
		x, y := at(q)
		word := fmt.Sprint(i)
		switch i {
		case 0:
			word = "first end"
		case len(line) - 1:
			word = "second end"
		}
		p.put(x+1.5, y-1.5, 8, "B", word)
	}
	p.y += h*scale + 10
}
