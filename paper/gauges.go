package paper

import (
	"fmt"
	"time"

	"warmanvil/core/profile"
)

// GaugeSheet is gauges to cut out of paper or card, full size.
type GaugeSheet struct {
	Job, Body string
	Revision  int
	Date      time.Time
	Paper     Size
	Cards     []Gauge
}

// Gauge is one card: its outline in mm, anywhere, and what it says.
type Gauge struct {
	Outline profile.Loop
	Says    string
}

// PDF prints the cards one under the other, with bars to check the print by.
func (s GaugeSheet) PDF() ([]byte, error) {
	p := &sheetPrinter{pages: newPages(s.Paper, s.Date, s.Body+", gauges")}
	p.kind = s.Body + ": gauges of its seams"
	p.line = fmt.Sprintf("%s  ·  revision %d  ·  %s", s.Job, s.Revision, s.Date.Format("2006-01-02"))
	p.next()
	p.put(edge, p.y, 9, "", "Print at 100 %, without fitting to the page, then measure the bar below before you trust anything. "+
		"Glue them to card.")
	bars(p.script, edge, p.y+6)
	p.y += 22
	for _, c := range s.Cards {
		box := c.Outline.Bounds()
		_, high := box.Size()
		p.room(high + 14)
		p.put(edge, p.y, 10, "B", c.Says)
		p.y += 4
		pts := c.Outline.Flatten(.05)
		p.SetLineWidth(.3)
		for i, a := range pts {
			b := pts[(i+1)%len(pts)]
			p.Line(edge+a.X-box.Min.X, p.y+box.Max.Y-a.Y, edge+b.X-box.Min.X, p.y+box.Max.Y-b.Y)
		}
		p.y += high + 10
	}
	return p.bytes()
}
