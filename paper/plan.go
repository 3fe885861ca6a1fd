package paper

import (
	"fmt"
	"math"

	"warmanvil/core/profile"
)

// PlanView is the frame seen one way.
type PlanView struct {
	Title    string
	Outlines [][]profile.Point
	Marks    []PlanMark
	Wide     string // over all
	High     string
}

// PlanMark is a mark on a piece.
type PlanMark struct {
	Text string
	At   profile.Point
}

// PlanSheet is plan and elevations.
type PlanSheet struct {
	FrameSheet
	Views  []PlanView
	Points [][]string // name, forward, left, up
}

// PDF prints the views, one under the other, with their sizes over all, and the
// places of the points.
func (s PlanSheet) PDF() ([]byte, error) {
	p := s.pages("plan and elevations")
	p.next()
	for _, v := range s.Views {
		p.view(v)
	}
	p.room(20)
	p.put(edge, p.y, 11, "B", "Points")
	p.y += 6
	sec := SurveySection{Heads: []string{"point", "forward", "left", "up"}, Widths: []float64{.4, .2, .2, .2}, Rows: s.Points}
	t := &sheetPrinter{pages: p}
	t.heads(sec)
	for _, r := range s.Points {
		t.row(sec, r)
	}
	return p.bytes()
}

func (p *pages) view(v PlanView) {
	b := profile.Empty()
	for _, o := range v.Outlines {
		for _, q := range o {
			b.Include(q)
		}
	}
	if len(v.Outlines) == 0 {
		return
	}
	w, h := b.Size()
	scale := math.Min((p.w-2*edge-24)/math.Max(w, 1), 78/math.Max(h, 1))
	high := h * scale
	p.room(high + 26)
	p.put(edge, p.y, 11, "B", v.Title)
	p.put(edge+70, p.y, 8, "", fmt.Sprintf("scale 1 : %.3g", 1/scale))
	p.y += 6
	at := func(q profile.Point) (x, y float64) {
		return edge + 20 + (q.X-b.Min.X)*scale, p.y + high - (q.Y-b.Min.Y)*scale
	}
	p.SetLineWidth(.3)
	for _, o := range v.Outlines {
		for i := range o {
			x0, y0 := at(o[i])
			x1, y1 := at(o[(i+1)%len(o)])
			p.Line(x0, y0, x1, y1)
		}
	}
	for _, m := range v.Marks {
		x, y := at(m.At)
		p.SetFillColor(255, 255, 255)
		p.SetFont("go", "B", 8)
		wide := p.GetStringWidth(m.Text) + 1.4
		p.Rect(x-wide/2, y-2.2, wide, 4, "F")
		p.Text(x-wide/2+.7, y+1, m.Text)
	}
	// Sizes over all: under and to the left, with ends across.
	p.SetLineWidth(.15)
	x0, _ := at(b.Min)
	x1, _ := at(b.Max)
	y := p.y + high + 5
	p.Line(x0, y, x1, y)
	p.Line(x0, y-1.5, x0, y+1.5)
	p.Line(x1, y-1.5, x1, y+1.5)
	p.put((x0+x1)/2-8, y+4.4, 9, "B", v.Wide)
	x := x0 - 6
	p.Line(x, p.y, x, p.y+high)
	p.Line(x-1.5, p.y, x+1.5, p.y)
	p.Line(x-1.5, p.y+high, x+1.5, p.y+high)
	p.put(edge, p.y+high/2, 8, "B", v.High)
	p.y += high + 18
}
