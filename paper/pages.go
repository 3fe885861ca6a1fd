package paper

import (
	"bytes"
	"fmt"
	"time"

	"codeberg.org/go-pdf/fpdf"
)

// pages fills pages from above, each with its heading.
type pages struct {
	script
	w, h  float64
	y     float64
	page  int
	flat  bool   // the page lies on its long side
	kind  string // what the sheet is
	line  string // whose it is
	first string // a line on the first page only
}

func newPages(size Size, date time.Time, title string) *pages {
	f, w, h := newScript(size, date, title)
	return &pages{script: f, w: w, h: h}
}

// next begins a page with its heading.
func (p *pages) next() {
	p.AddPageFormat(map[bool]string{true: "L", false: "P"}[p.flat], fpdf.SizeType{Wd: min(p.w, p.h), Ht: max(p.w, p.h)})
	p.page++
	p.put(edge, edge+6, 14, "B", p.kind)
	p.put(edge, edge+12, 9, "", fmt.Sprintf("%s  ·  page %d", p.line, p.page))
	p.SetLineWidth(.4)
	p.Line(edge, edge+15, p.w-edge, edge+15)
	p.y = edge + 22
	if p.first != "" && p.page == 1 {
		p.SetFont("go", "", 9)
		for _, line := range p.SplitText(p.first, p.w-2*edge) {
			p.put(edge, p.y, 9, "", line)
			p.y += 4.4
		}
		p.y += 3.6
	}
}

func (p *pages) put(x, y, size float64, style, s string) {
	p.SetFont("go", style, size)
	p.Text(x, y, s)
}

// say writes a text within the page's edges, on as many lines as it takes.
func (p *pages) say(size float64, style, s string) {
	p.SetFont("go", style, size)
	for _, line := range p.SplitText(drawn(s), p.w-2*edge) {
		p.put(edge, p.y, size, style, line)
		p.y += size * .5
	}
}

// lie turns the pages that follow on their long side, or back.
func (p *pages) lie(flat bool) {
	if p.flat != flat {
		p.flat, p.w, p.h = flat, p.h, p.w
	}
}

// room begins a new page when less than mm are left.
func (p *pages) room(mm float64) {
	if p.y+mm > p.h-edge {
		p.next()
	}
}

// bytes ends the sheet.
func (p *pages) bytes() ([]byte, error) {
	if err := p.Error(); err != nil {
		return nil, fmt.Errorf("print %s: %w", p.kind, err)
	}
	var out bytes.Buffer
	if err := p.Output(&out); err != nil {
		return nil, fmt.Errorf("print %s: %w", p.kind, err)
	}
	return out.Bytes(), nil
}
