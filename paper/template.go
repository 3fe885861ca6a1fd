// Package paper prints: full-size templates on office paper. Pages come out
// the same, byte for byte, for the same part and date.
package paper

import (
	"bytes"
	"fmt"
	"math"
	"strings"
	"time"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/told"
	"warmanvil/core/working"
)

// Size of paper.
type Size string

// The papers templates are printed on.
const (
	A4     Size = "a4"
	Letter Size = "letter"
)

func (s Size) millimetres() (w, h float64) {
	if s == Letter {
		return 215.9, 279.4
	}
	return 210, 297
}

// Template is a flat pattern to be printed at full size.
type Template struct {
	Job, Part string
	Hand      sheet.Side
	Revision  string
	Material  string
	Thickness string
	Quantity  int
	Date      time.Time
	Paper     Size
	Flat      made.Part
	Welded    []string // corners that are welded, by name
}

const (
	edge    = 12.0 // mm kept free of drawing, printers do not reach the rim
	foot    = 14.0 // mm below the tile for the check bar and the page's name
	overlap = 10.0 // mm that neighbouring tiles share
)

// Grid tells how many tiles across and down a template spans; those no part of it lies on
// are not printed.
func (t Template) Grid() (columns, rows int) {
	l := t.layout()
	return l.columns, l.rows
}

func (t Template) tile() (w, h float64) {
	pw, ph := t.Paper.millimetres()
	return pw - 2*edge, ph - 2*edge - foot
}

func tiles(size, tile float64) int {
	return max(1, int(math.Ceil((size-overlap-1e-9)/(tile-overlap))))
}

// PDF prints a cover with the bend table and the page plan, then the tiles.
func (t Template) PDF() ([]byte, error) { return Templates([]Template{t}) }

// Templates prints several templates one after the other on one kind of paper, each with its own cover. There
// is one at least.
func Templates(list []Template) ([]byte, error) {
	f, w, h := newScript(list[0].Paper, list[0].Date, list[0].Job+" · "+list[0].Part)
	for _, t := range list {
		p := printer{script: f, t: t, w: w, h: h, lay: t.layout()}
		p.cover()
		for row := range p.lay.rows {
			for col := range p.lay.columns {
				if p.lay.used[[2]int{col, row}] {
					p.page(col, row)
				}
			}
		}
	}
	var b bytes.Buffer
	if err := f.Output(&b); err != nil {
		return nil, fmt.Errorf("write the template: %w", err)
	}
	return b.Bytes(), nil
}

type printer struct {
	script
	t    Template
	w, h float64
	lay  layout
	here profile.Bounds // what of the page a word may stand on, mm; of a tile
}

func (p printer) text(x, y, size float64, style, s string) {
	p.SetFont("go", style, size)
	p.Text(x, y, s)
}

// fit shortens a text to a width.
func (p printer) fit(s string, width float64) string {
	if p.GetStringWidth(s) <= width {
		return s
	}
	r := []rune(s)
	for len(r) > 1 && p.GetStringWidth(string(r)+"…") > width {
		r = r[:len(r)-1]
	}
	return string(r) + "…"
}

func (t Template) title() string {
	s := t.Part
	if t.Hand != "" {
		s += " — " + string(t.Hand) + " hand"
	}
	return s
}

func (p printer) cover() {
	p.AddPage()
	t := p.t
	y := edge + 6
	p.SetFont("go", "B", 16)
	p.Text(edge, y, p.fit(t.title(), p.w-2*edge))
	p.SetFont("go", "", 10)
	bx, by := t.Flat.Bounds.Size()
	for _, line := range []string{
		fmt.Sprintf("%s · revision %s · make %d", t.Job, t.Revision, t.Quantity),
		fmt.Sprintf("%s, %s", t.Material, t.Thickness),
		fmt.Sprintf("Blank %.1f × %.1f mm  (%.3f × %.3f in)", bx, by, bx/25.4, by/25.4),
		"Print at 100 %, without fitting to the page, then measure the bar below before you trust anything.",
	} {
		y += 6
		p.Text(edge, y, p.fit(line, p.w-2*edge))
	}
	y += 14
	bars(p.script, edge, y)
	y = p.bendTable(y + 14)
	y = p.welded(y + 3)
	y = p.flags(y + 4)
	p.plan(y + 6)
}

// welded says which corners are welded once it is bent.
func (p printer) welded(y float64) float64 {
	if len(p.t.Welded) == 0 {
		return y - 3
	}
	p.SetFont("go", "B", 8.5)
	for _, line := range p.SplitText("Welded after bending: "+strings.Join(p.t.Welded, "; ")+".", p.w-2*edge) {
		p.Text(edge, y, line)
		y += 4.4
	}
	return y
}

// bars draws the check bars: 100 mm, and 4 in under it.
func bars(p script, x, y float64) {
	p.SetDrawColor(0, 0, 0)
	p.SetLineWidth(.25)
	p.SetDashPattern(nil, 0)
	draw := func(y, length, step float64, n int, label string) {
		p.Line(x, y, x+length, y)
		for i := range n + 1 {
			p.Line(x+step*float64(i), y-1.6, x+step*float64(i), y+1.6)
		}
		p.SetFont("go", "", 8)
		p.Text(x+length+2, y+1.2, label)
	}
	draw(y, 100, 10, 10, "100 mm")
	draw(y+6, 4*25.4, 25.4, 4, "4 in")
}

func (p printer) bendTable(y float64) float64 {
	if p.t.Flat.Round != nil {
		return p.pressTable(y)
	}
	if len(p.t.Flat.BendLines) == 0 {
		p.text(edge, y, 10, "", "No bends.")
		return y + 5
	}
	head := []string{"Bend", "Way", "Turn from flat", "Opens to", "Aim", "Inside R", "BA", "BD", "K"}
	width := []float64{40, 13, 22, 17, 14, 24, 24, 24, 12}
	row := func(style string, cells []string) {
		x := edge
		p.SetFont("go", style, 8.5)
		for i, c := range cells {
			p.Text(x, y, p.fit(c, width[i]-2))
			x += width[i]
		}
		y += 5
	}
	row("B", head)
	for i, l := range p.t.Flat.BendLines {
		if i == 24 {
			p.text(edge, y, 8.5, "", fmt.Sprintf("… and %d more in the program", len(p.t.Flat.BendLines)-i))
			return y + 5
		}
		aim := "—"
		if l.Aim != nil {
			aim = fmt.Sprintf("%.1f°", *l.Aim)
		}
		row("", []string{l.Name, way(l.Up), deg(l.Angle), deg(l.Opens), aim, l.Radius.Said(), l.Allowance.Said(), l.Deduction.Said(),
			fmt.Sprintf("%.3f", l.KFactor)})
	}
	p.text(edge, y, 8, "", "K by school: "+string(p.t.Flat.BendLines[0].School)+
		". Bend a test strip of the same sheet before the first good one.")
	return y + 5
}

func way(up bool) string {
	if up {
		return "up"
	}
	return "down"
}

func deg(a float64) string { return fmt.Sprintf("%.4g°", a) }

// said prints a line of small print, broken where it is too long, and answers where the next
// stands.
func (p printer) said(line string, y float64) float64 {
	p.SetFont("go", "", 8.5)
	for _, part := range p.SplitText(line, p.w-2*edge) {
		p.Text(edge, y, part)
		y += 4.4
	}
	return y
}

// flags prints what stands against cutting, and what was set aside and why.
func (p printer) flags(y float64) float64 {
	count := 0
	for _, f := range p.t.Flat.Findings {
		if f.Severity == working.Note && f.SetAside == "" {
			continue
		}
		if count++; count > 10 {
			p.text(edge, y, 8.5, "", "… more in the program")
			return y + 5
		}
		line := "Mind: "
		if f.Severity == working.Stop {
			line = "STOP: "
		}
		line += f.Reason
		if f.SetAside != "" {
			line += "  [set aside: " + f.SetAside + "]"
		}
		y = p.said(line, y)
	}
	for _, d := range p.t.Flat.Dimensions {
		if d.Why == "" {
			continue
		}
		if count++; count > 12 {
			break
		}
		y = p.said(d.Group+", "+told.LowerFirst(d.Label)+" "+d.Text+": "+d.Why, y)
	}
	return y
}

// plan draws how the pages lie, small.
func (p printer) plan(y float64) {
	columns, rows := p.lay.columns, p.lay.rows
	tw, th := p.t.tile()
	room := p.h - edge - y - 8
	if room < 25 {
		return
	}
	total := profile.Point{X: float64(columns)*(tw-overlap) + overlap, Y: float64(rows)*(th-overlap) + overlap}
	scale := min((p.w-2*edge)/total.X, room/total.Y, .4)
	n := len(p.lay.used)
	text := fmt.Sprintf("%d %s: lay them good side up, as drawn here; crosses of neighbours lie on each other.", n,
		told.Plural(n, "page", "pages"))
	if p.lay.turned {
		text += " The front edge is on the right."
	}
	p.text(edge, y, 9, "B", text)
	top := y + 4
	p.SetLineWidth(.15)
	p.SetDashPattern(nil, 0)
	for row := range rows {
		for col := range columns {
			if !p.lay.used[[2]int{col, row}] {
				continue
			}
			x, yy := edge+float64(col)*(tw-overlap)*scale, top+float64(row)*(th-overlap)*scale
			p.Rect(x, yy, tw*scale, th*scale, "D")
			p.text(x+1.5, yy+4, 8, "", pageName(col, row))
		}
	}
	p.SetLineWidth(.3)
	p.outline(func(q profile.Point) (x, y float64) {
		x, y = p.lay.on(q)
		return edge + x*scale, top + y*scale
	})
}

func pageName(col, row int) string {
	return fmt.Sprintf("%s%d", letters(row), col+1)
}

func letters(n int) string {
	if n < 26 {
		return string(rune('A' + n))
	}
	return letters(n/26-1) + string(rune('A'+n%26))
}
