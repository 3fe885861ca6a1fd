package paper

import (
	"fmt"
	"math"
	"time"

	"warmanvil/core/profile"
)

// FrameSheet is what the papers of a frame have in common.
type FrameSheet struct {
	Job, Frame string
	Revision   int
	Date       time.Time
	Paper      Size
	Quantity   int
}

// SawRow is pieces that are cut alike.
type SawRow struct {
	Mark, Stock   string
	Quantity      int
	CutTo, Finish string // Finish is empty when nothing is left on
	Ends          [2]string
	Scales        [2]string
	Weighs        string
	Names         string
	Notes         []string
	Above, Side   [4]profile.Point // the piece seen from above and from its side
}

// SawStick is one stick with its pieces.
type SawStick struct {
	Title  string
	Length float64 // mm
	Pieces []SawPiece
}

// SawPiece is a piece on a stick.
type SawPiece struct {
	Mark     string
	At, Long float64 // mm
	Slants   [2]float64
	Leans    bool // its first cut leans with the last piece's second
}

// SawSheet is what goes to the saw.
type SawSheet struct {
	FrameSheet
	Text   string
	Rows   []SawRow
	Sticks []SawStick
}

func (s FrameSheet) pages(kind string) *pages {
	p := newPages(s.Paper, s.Date, s.Frame+", "+kind)
	p.kind = s.Frame + ": " + kind
	p.line = fmt.Sprintf("%s  ·  revision %d  ·  %s  ·  for %d", s.Job, s.Revision, s.Date.Format("2006-01-02"), max(s.Quantity, 1))
	return p
}

// PDF prints the saw sheet: a drawing and the cuts of each piece, then the
// sticks.
func (s SawSheet) PDF() ([]byte, error) {
	p := s.pages("saw sheet")
	p.next()
	p.put(edge, p.y, 9, "", s.Text)
	p.y += 5
	p.put(edge, p.y, 9, "", "Lengths from long point to long point. The saw's scale is 0° when square. Each quantity is for one frame.")
	p.y += 8
	for _, r := range s.Rows {
		p.piece(r)
	}
	p.room(30)
	p.put(edge, p.y, 11, "B", "Sticks")
	p.y += 7
	for _, k := range s.Sticks {
		p.stick(k)
	}
	return p.bytes()
}

func (p *pages) piece(r SawRow) {
	p.room(46 + 4*float64(len(r.Notes)))
	p.put(edge, p.y+4, 20, "B", r.Mark)
	p.put(edge+26, p.y+3, 13, "B", fmt.Sprintf("%d ×  %s", r.Quantity, r.CutTo))
	p.put(edge+95, p.y, 9, "B", r.Stock)
	p.put(edge+95, p.y+4.4, 9, "", r.Weighs+" each")
	p.SetLineWidth(.25)
	p.Rect(p.w-edge-34, p.y-4, 34, 9, "D")
	p.put(p.w-edge-33, p.y+1.6, 7, "", "cut ____  checked ____")
	y := p.y + 9
	if r.Finish != "" {
		p.put(edge+26, y, 9, "", "trimmed to "+r.Finish+" after the final survey")
		y += 4.4
	}
	for e, word := range []string{"first end", "second end"} {
		p.SetFont("go", "", 9)
		for i, line := range p.SplitText(word+": saw at "+r.Scales[e]+"; "+r.Ends[e], p.w-2*edge-26) {
			p.put(edge+26, y, 9, map[bool]string{true: "B"}[i == 0 && r.Scales[e] != "0.0°"], line)
			y += 4.2
		}
	}
	for _, n := range r.Notes {
		p.put(edge+26, y, 9, "", n)
		y += 4.2
	}
	p.put(edge+26, y, 8, "", r.Names)
	y += 3
	long := 1.0
	for _, q := range append(r.Above[:], r.Side[:]...) {
		long = math.Max(long, q.X)
	}
	scale := (p.w - 2*edge - 46) / long
	for i, view := range [2][4]profile.Point{r.Above, r.Side} {
		high := 0.0
		for _, q := range view {
			high = math.Max(high, q.Y)
		}
		k := 7 / math.Max(high, 1) // height is drawn larger than true
		p.put(edge, y+5.5, 7.5, "", []string{"from above", "from its side"}[i])
		p.SetLineWidth(.4)
		for c := range view {
			a, b := view[c], view[(c+1)%4]
			p.Line(edge+26+a.X*scale, y+8-a.Y*k, edge+26+b.X*scale, y+8-b.Y*k)
		}
		y += 10
	}
	p.put(edge+26, y, 6.5, "", "drawn to length, height enlarged")
	p.y = y + 4
	p.SetLineWidth(.15)
	p.Line(edge, p.y, p.w-edge, p.y)
	p.y += 8
}

func (p *pages) stick(s SawStick) {
	p.room(18)
	p.put(edge, p.y, 9, "", s.Title)
	x := func(mm float64) float64 { return edge + (p.w-2*edge)*mm/s.Length }
	top, bottom := p.y+2, p.y+10
	p.SetLineWidth(.15)
	p.SetDashPattern([]float64{1, 1}, 0)
	p.Rect(x(0), top, x(s.Length)-x(0), bottom-top, "D")
	p.SetDashPattern(nil, 0)
	p.SetLineWidth(.35)
	for _, q := range s.Pieces {
		a, b := q.Slants[0], q.Slants[1]
		lo, hi := q.At, q.At+q.Long
		from := [2]float64{x(lo + a), x(lo)}
		if q.Leans {
			from = [2]float64{x(lo), x(lo + a)}
		}
		p.Line(from[0], top, from[1], bottom)
		p.Line(from[1], bottom, x(hi), bottom)
		p.Line(x(hi), bottom, x(hi-b), top)
		p.Line(x(hi-b), top, from[0], top)
		p.SetFont("go", "B", 9)
		p.Text((x(lo)+x(hi)-p.GetStringWidth(q.Mark))/2, p.y+7.4, q.Mark)
	}
	p.y += 17
}

// Label is one piece's label.
type Label struct {
	Mark, Name, Stock, Length string
	Ends                      string
	Of                        string // 2 of 4
}

// LabelSheet is labels three across.
type LabelSheet struct {
	FrameSheet
	Labels []Label
}

// PDF prints the labels with a frame to cut them along.
func (s LabelSheet) PDF() ([]byte, error) {
	p := s.pages("labels")
	const across, high = 3, 34.0
	wide := (p.w - 2*edge) / across
	for i, l := range s.Labels {
		column := i % across
		if i == 0 || column == 0 && p.y+2*high > p.h-edge {
			p.next()
		} else if column == 0 {
			p.y += high
		}
		x, y := edge+wide*float64(column), p.y
		p.SetLineWidth(.15)
		p.SetDashPattern([]float64{1, 1.5}, 0)
		p.Rect(x, y, wide, high, "D")
		p.SetDashPattern(nil, 0)
		p.put(x+3, y+10, 22, "B", l.Mark)
		p.put(x+wide-20, y+6, 8, "", l.Of)
		p.put(x+wide-20, y+10, 8, "", fmt.Sprintf("r%d", s.Revision))
		p.SetFont("go", "", 8)
		short := func(t string) string { return (printer{Fpdf: p.Fpdf}).fit(t, wide-6) }
		for k, t := range []string{l.Name, l.Stock, s.Job + ", " + s.Frame} {
			p.put(x+3, y+22+4*float64(k), 8, "", short(t))
		}
		p.put(x+3, y+17, 12, "B", l.Length)
		p.SetFont("go", "", 7)
		p.put(x+wide/2, y+17, 7, "", (printer{Fpdf: p.Fpdf}).fit(l.Ends, wide/2-3))
	}
	return p.bytes()
}

// WrapPage is one template to wrap round a member's end.
type WrapPage struct {
	Title  string
	Says   []string
	Around float64 // mm
	Ticks  []WrapTick
	Line   []profile.Point
	Inner  []profile.Point // dashed: the inside of the wall
}

// WrapTick is a line along the member.
type WrapTick struct {
	At   float64 // mm
	Text string
}

// WrapSheet is templates at full size.
type WrapSheet struct {
	FrameSheet
	Wraps []WrapPage
}

// PDF prints the templates: the line to cut along over a base that lies square
// across the member, a tick every 30° or at every face, and the check bars. What
// is longer than the paper goes on, with the overlap marked.
func (s WrapSheet) PDF() ([]byte, error) {
	p := s.pages("end templates")
	if len(s.Wraps) == 0 {
		p.next()
		p.put(edge, p.y, 10, "", "No end of this frame needs a template: the saw cuts them all.")
		return p.bytes()
	}
	for _, w := range s.Wraps {
		p.wrap(w)
	}
	return p.bytes()
}

const wrapBase = 25.0 // mm of paper under the lowest place of the cut

func (p *pages) wrap(w WrapPage) {
	deep := 0.0
	for _, q := range w.Line {
		deep = math.Max(deep, q.Y)
	}
	p.lie(w.Around > math.Min(p.w, p.h)-2*edge)
	room := p.w - 2*edge
	for part, from := 0, 0.0; from < w.Around; part++ {
		p.next()
		p.put(edge, p.y, 11, "B", w.Title)
		p.y += 5
		for _, t := range w.Says {
			p.SetFont("go", "", 9)
			for _, line := range p.SplitText(t, room) {
				p.put(edge, p.y, 9, "", line)
				p.y += 4.2
			}
		}
		if w.Around > room {
			p.put(edge, p.y, 9, "B", fmt.Sprintf("Part %d: lay it on the last one's line, %.0f mm from its edge.", part+1, overlap))
			p.y += 5
		}
		p.y += 3
		bars(p.Fpdf, edge, p.y)
		p.y += 16
		base := p.y + deep + wrapBase
		x := func(mm float64) float64 { return edge + mm - from }
		p.ClipRect(edge, p.y-6, room, deep+wrapBase+14, false)
		p.SetLineWidth(.3)
		p.Rect(x(0), base-wrapBase-deep-4, w.Around, deep+wrapBase+4, "D")
		p.SetLineWidth(.12)
		for _, t := range w.Ticks {
			p.Line(x(t.At), base, x(t.At), base-wrapBase-deep-4)
			p.put(x(t.At)+.6, base-1, 6, "", t.Text)
		}
		p.SetLineWidth(.5)
		for i := 1; i < len(w.Line); i++ {
			a, b := w.Line[i-1], w.Line[i]
			p.Line(x(a.X), base-wrapBase-a.Y, x(b.X), base-wrapBase-b.Y)
		}
		p.SetLineWidth(.2)
		p.SetDashPattern([]float64{1.2, 1}, 0)
		for i := 1; i < len(w.Inner); i++ {
			a, b := w.Inner[i-1], w.Inner[i]
			p.Line(x(a.X), base-wrapBase-a.Y, x(b.X), base-wrapBase-b.Y)
		}
		p.SetDashPattern(nil, 0)
		p.ClipEnd()
		p.put(edge, base+5, 7, "", "This edge lies square across the member. Cut along the thick line.")
		p.y = base + 10
		from += room - overlap
		if from+overlap >= w.Around {
			break
		}
	}
}

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
	t := &sheetPrinter{p, SurveySheet{}}
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
