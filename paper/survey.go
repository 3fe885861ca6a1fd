package paper

import (
	"fmt"
	"math"
	"time"

	"warmanvil/core/profile"
)

// SurveySheet is a survey on paper: blank to take to the vehicle, or with its
// results.
type SurveySheet struct {
	Job, Vehicle string
	Revision     int
	Date         time.Time
	Paper        Size
	Blank        bool
	Lines        []SurveySection
}

// SurveySection is one table, in the order things are measured, with a sketch
// where there is one.
type SurveySection struct {
	Title  string
	Note   string
	Heads  []string  // of the columns
	Widths []float64 // shares of the page
	Rows   [][]string
	Sketch *MapSketch
}

// MapSketch are the holes of a map, to scale when they have places, else on a
// ring, with the distances to take.
type MapSketch struct {
	Names []string
	At    []profile.Point // nil without places
	Pairs [][2]int
}

type sheetPrinter struct {
	*pages
	s    SurveySheet
	runs bool // the flat pattern has running dimensions
}

// PDF prints the sheet.
func (s SurveySheet) PDF() ([]byte, error) {
	kind := "Survey, results"
	if s.Blank {
		kind = "Survey sheet, to take to the vehicle"
	}
	p := &sheetPrinter{pages: newPages(s.Paper, s.Date, s.Job+", survey"), s: s}
	p.kind, p.line = kind, fmt.Sprintf("%s  ·  %s  ·  revision %d  ·  %s", s.Job, s.Vehicle, s.Revision, s.Date.Format("2006-01-02"))
	if s.Blank {
		p.first = "Measured by ______________________   Date ______________   Tape checked against ______________________"
	}
	p.next()
	for _, sec := range s.Lines {
		p.section(sec)
	}
	return p.bytes()
}

func (p *sheetPrinter) section(s SurveySection) {
	need := 18.0
	if s.Sketch != nil {
		need += 62
	}
	p.room(need)
	p.put(edge, p.y, 11, "B", s.Title)
	p.y += 5
	if s.Note != "" {
		p.SetFont("go", "", 8.5)
		for _, line := range p.SplitText(s.Note, p.w-2*edge) {
			p.room(5)
			p.put(edge, p.y, 8.5, "", line)
			p.y += 4.2
		}
		p.y++
	}
	if s.Sketch != nil {
		p.sketch(*s.Sketch)
	}
	if len(s.Rows) > 0 {
		p.heads(s)
		for _, row := range s.Rows {
			p.row(s, row)
		}
	}
	p.y += 6
}

func (p *sheetPrinter) heads(s SurveySection) {
	x := edge
	for i, h := range s.Heads {
		p.put(x, p.y, 8, "B", h)
		x += s.Widths[i] * (p.w - 2*edge)
	}
	p.SetLineWidth(.3)
	p.Line(edge, p.y+1.5, p.w-edge, p.y+1.5)
	p.y += 6
}

func (p *sheetPrinter) row(s SurveySection, row []string) {
	high := 4.0
	cells := make([][]string, len(row))
	for i, c := range row {
		p.SetFont("go", "", 9)
		cells[i] = []string{c}
		if c != "" {
			cells[i] = p.SplitText(c, s.Widths[i]*(p.w-2*edge)-2)
		}
		high = math.Max(high, 4*float64(len(cells[i])))
	}
	if p.y+high > p.h-edge {
		p.next()
		p.heads(s)
	}
	x := edge
	for i, lines := range cells {
		for k, line := range lines {
			p.put(x, p.y+4*float64(k), 9, "", line)
		}
		if row[i] == "" { // a blank to write on
			p.SetLineWidth(.15)
			p.Line(x, p.y+.8, x+s.Widths[i]*(p.w-2*edge)-3, p.y+.8)
		}
		x += s.Widths[i] * (p.w - 2*edge)
	}
	p.y += high + 2.4
}

// sketch draws a map's holes and the distances between them in a field of its
// own.
func (p *sheetPrinter) sketch(m MapSketch) {
	const high = 56.0
	wide := p.w - 2*edge
	at := m.At
	if at == nil {
		for i := range m.Names {
			s, c := math.Sincos(2 * math.Pi * float64(i) / float64(len(m.Names)))
			at = append(at, profile.Point{X: -c * 100, Y: s * 60})
		}
	}
	b := profile.Empty()
	for _, q := range at {
		b.Include(q)
	}
	bw, bh := b.Size()
	scale := math.Min((wide-24)/math.Max(bw, 1), (high-16)/math.Max(bh, 1))
	place := func(q profile.Point) (x, y float64) {
		return edge + wide/2 + (q.X-(b.Min.X+b.Max.X)/2)*scale, p.y + high/2 - (q.Y-(b.Min.Y+b.Max.Y)/2)*scale
	}
	p.SetLineWidth(.1)
	p.SetDashPattern([]float64{1, 1.2}, 0)
	for _, pair := range m.Pairs {
		x0, y0 := place(at[pair[0]])
		x1, y1 := place(at[pair[1]])
		p.Line(x0, y0, x1, y1)
	}
	p.SetDashPattern(nil, 0)
	p.SetLineWidth(.4)
	for i, q := range at {
		x, y := place(q)
		p.SetFillColor(255, 255, 255)
		p.Circle(x, y, 2, "FD")
		p.put(x+2.6, y-1.6, 9, "B", m.Names[i])
	}
	p.y += high + 4
}
