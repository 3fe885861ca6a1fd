package paper

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"time"

	"warmanvil/core/profile"
	"warmanvil/core/site"
	"warmanvil/core/solid"
)

// WeldMap is the order something is welded in, to be ticked off.
type WeldMap struct {
	Job      string
	Revision int
	Date     time.Time
	Paper    Size
	Write    func(mm float64) string
	Plan     site.WeldPlan
	Caution  []string
}

// PDF prints the map, the tacks, a row for each run in its order, and a row for each seam to be looked at.
func (s WeldMap) PDF() ([]byte, error) {
	p := &sheetPrinter{pages: newPages(s.Paper, s.Date, s.Job+", weld map")}
	p.kind = "Weld map"
	p.line = fmt.Sprintf("%s  ·  %s  ·  revision %d  ·  %s  ·  welded by ____________", s.Job, s.Plan.Name, s.Revision,
		s.Date.Format("2006-01-02"))
	p.first = "Eyes, skin and lungs: shade, covered skin, air. Zinc, paint and primer stripped a band each side first. Fire watch for an " +
		"hour " +
		"after. What is tacked carries nothing."
	p.next()
	note := func(text, style string) {
		p.SetFont("go", style, 9)
		for _, line := range p.SplitText(text, p.w-2*edge) {
			p.room(5)
			p.put(edge, p.y, 9, style, line)
			p.y += 4.2
		}
	}
	s.draw(p)
	note(s.Plan.Gain, "B")
	for _, text := range append(append([]string{}, s.Plan.Does...), s.Caution...) {
		note(text, "")
	}
	p.y += 3
	order := s.Plan.Order.Best
	if s.Plan.Order.Hand != nil {
		order = *s.Plan.Order.Hand
	}
	p.room(20)
	p.put(edge, p.y, 11, "B", "Runs, in their order")
	p.y += 6
	runs := SurveySection{Heads: []string{"no.", "run", "before it", "bowed then", "laid"}, Widths: []float64{.07, .45, .22, .16, .1}}
	p.heads(runs)
	for i, r := range order.Runs {
		before := "nothing" // an empty cell is a line to be filled in
		switch {
		case r.Turn && r.Hot:
			before = "turn the work, let it cool"
		case r.Turn:
			before = "turn the work"
		case r.Hot:
			before = "let it cool"
		}
		p.row(runs, []string{fmt.Sprint(i + 1), r.Name, before, s.Write(math.Round(r.Bow*100) / 100), ""})
	}
	p.y += 5
	p.room(20)
	p.put(edge, p.y, 11, "B", "Seams, class "+s.Plan.Class+" of ISO 5817")
	p.y += 6
	seams := SurveySection{Heads: []string{"no.", "seam", "leg", "long", "tacks", "tacked", "welded", "looked at", "leg by gauge"},
		Widths: []float64{.06, .28, .09, .11, .07, .09, .09, .1, .11}}
	p.heads(seams)
	for _, q := range s.Plan.Seams {
		p.row(seams, []string{fmt.Sprint(q.Number), q.Name, s.Write(q.Leg), s.Write(q.Long), fmt.Sprint(len(q.Tacks)), "", "", "", ""})
	}
	s.sizes(p)
	p.room(10)
	p.put(edge, p.y+4, 8, "", "Estimates of bow are half or half as much again. This map approves nothing: local rules and a licensed "+
		"engineer decide.")
	return p.bytes()
}

// sizes prints what keeps it square and what is measured, tacked and cold: what was is written in, the rest are lines.
func (s WeldMap) sizes(p *sheetPrinter) {
	for _, b := range s.Plan.Braces {
		if b.On {
			p.SetFont("go", "", 9)
			for _, line := range p.SplitText(b.Says, p.w-2*edge) {
				p.room(5)
				p.put(edge, p.y+4, 9, "", line)
				p.y += 4.2
			}
		}
	}
	if len(s.Plan.Sizes) == 0 {
		return
	}
	p.y += 8
	p.room(20)
	p.put(edge, p.y, 11, "B", "To measure: tacked, before the first run, and when it is cold")
	p.y += 6
	table := SurveySection{Heads: []string{"what", "should be", "may be off", "tacked", "cold"}, Widths: []float64{.52, .13, .11, .12, .12}}
	p.heads(table)
	read := func(j *site.JudgedOff) string {
		if j == nil {
			return ""
		}
		return s.Write(j.Read)
	}
	for _, z := range s.Plan.Sizes {
		tacked := read(z.Tacked)
		if !z.Square {
			tacked = "not asked" // an empty cell is a line to be filled in
		}
		p.row(table, []string{z.Name, s.Write(z.Should), s.Write(z.Allowed), tacked, read(z.Cooled)})
	}
}

// draw prints what is welded, seen from the front left and above, with the numbers of its seams.
func (s WeldMap) draw(p *sheetPrinter) {
	flat := func(v solid.Vector) profile.Point {
		return profile.Point{X: v[0]*.92 - v[1]*.5, Y: v[2] + v[0]*.28 + v[1]*.42}
	}
	b := profile.Empty()
	for _, line := range s.Plan.Sketch {
		for _, v := range line {
			b.Include(flat(v))
		}
	}
	for _, q := range s.Plan.Seams {
		for _, v := range q.Path {
			b.Include(flat(v))
		}
	}
	w, h := b.Size()
	scale := math.Min((p.w-2*edge-10)/math.Max(w, 1), 95/math.Max(h, 1))
	high := h * scale
	p.room(high + 10)
	at := func(v solid.Vector) (x, y float64) {
		q := flat(v)
		return edge + 5 + (q.X-b.Min.X)*scale, p.y + high - (q.Y-b.Min.Y)*scale
	}
	lines := func(wide float64, grey int, line []solid.Vector) {
		p.SetLineWidth(wide)
		p.SetDrawColor(grey, grey, grey)
		for i := 1; i < len(line); i++ {
			x0, y0 := at(line[i-1])
			x1, y1 := at(line[i])
			p.Line(x0, y0, x1, y1)
		}
	}
	for _, line := range s.Plan.Sketch {
		lines(.15, 120, line)
	}
	for _, q := range s.Plan.Seams {
		lines(.9, 0, q.Path)
	}
	p.SetDrawColor(0, 0, 0)
	type spot struct {
		x, y float64
		list []int
	}
	var spots []spot // numbers that would lie on each other stand together
	for _, q := range s.Plan.Seams {
		x, y := at(q.Path[(len(q.Path)-1)/2].Add(q.Path[len(q.Path)/2]).Mul(.5))
		k := slices.IndexFunc(spots, func(o spot) bool { return math.Hypot(o.x-x, o.y-y) < 8 })
		if k < 0 {
			k, spots = len(spots), append(spots, spot{x: x, y: y})
		}
		spots[k].list = append(spots[k].list, q.Number)
	}
	for _, o := range spots {
		x, y, text := o.x, o.y, ranges(o.list)
		p.SetFillColor(255, 255, 255)
		p.SetFont("go", "B", 8)
		wide := p.GetStringWidth(text) + 1.4
		p.Rect(x-wide/2, y-4.6, wide, 3.8, "F")
		p.Text(x-wide/2+.7, y-1.6, text)
	}
	p.y += high + 8
}

// ranges writes numbers that follow each other as one: 1–4, 7.
func ranges(list []int) string {
	var out []string
	for i := 0; i < len(list); {
		k := i
		for k+1 < len(list) && list[k+1] == list[k]+1 {
			k++
		}
		switch k - i {
		case 0:
			out = append(out, fmt.Sprint(list[i]))
		case 1:
			out = append(out, fmt.Sprintf("%d, %d", list[i], list[k]))
		default:
			out = append(out, fmt.Sprintf("%d–%d", list[i], list[k]))
		}
		i = k + 1
	}
	return strings.Join(out, ", ")
}
