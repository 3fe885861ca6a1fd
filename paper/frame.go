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
	Says       string // whether it was measured again
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
	Corners       []SawCorner      // of a piece that is folded or bent after cutting
}

// SawCorner is a V or a bend on the straight piece, mm from the first long point.
type SawCorner struct {
	At, To, Half float64 // Half is half a V's opening, 0 of a bend
	Side         string  // top, bottom, left or right becomes the inside
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
	Saw    Station
	Grind  Station // burrs are dressed at
	Weld   Station // it is put together at
	Text   string
	Rows   []SawRow
	Plates [][]string // mark, pieces, size, holes, centres from the lower left corner, names
	Sticks []SawStick
}

func (s FrameSheet) pages(kind string) *pages {
	p := newPages(s.Paper, s.Date, s.Frame+", "+kind)
	p.kind = s.Frame + ": " + kind
	p.line = fmt.Sprintf("%s  ·  revision %d  ·  %s  ·  for %d", s.Job, s.Revision, s.Date.Format("2006-01-02"), max(s.Quantity, 1))
	p.first = s.Says
	return p
}

// PDF prints the saw sheet: a drawing and the cuts of each piece, then the
// sticks.
func (s SawSheet) PDF() ([]byte, error) {
	p := s.pages("saw sheet")
	p.next()
	p.station(s.Saw)
	p.station(s.Grind)
	p.station(s.Weld)
	p.put(edge, p.y, 9, "", s.Text)
	p.y += 5
	p.put(edge, p.y, 9, "", "Lengths from long point to long point. The saw's scale is 0° when square. Each quantity is for one frame.")
	p.y += 8
	for _, r := range s.Rows {
		p.piece(r)
	}
	if len(s.Plates) > 0 {
		p.room(24)
		p.put(edge, p.y, 11, "B", "Plates")
		p.y += 5
		sec := SurveySection{Heads: []string{"mark", "pieces", "size", "holes", "centres from the lower left", "sits on", "cut"},
			Widths: []float64{.07, .07, .22, .17, .21, .19, .07}}
		t := &sheetPrinter{pages: p}
		t.heads(sec)
		for _, r := range s.Plates {
			t.row(sec, append(r, ""))
		}
		p.y += 6
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
	p.room(46 + 8.4*float64(len(r.Notes)))
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
		p.SetFont("go", "", 9)
		for _, line := range p.SplitText(n, p.w-2*edge-26) {
			p.put(edge+26, y, 9, "", line)
			y += 4.2
		}
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
		p.SetLineWidth(.3)
		for _, c := range r.Corners {
			p.corner(c, i, func(mm float64) float64 { return edge + 26 + mm*scale }, y+8-high*k, y+8)
		}
		y += 10
	}
	p.put(edge+26, y, 6.5, "", "drawn to length, height enlarged")
	p.y = y + 4
	p.SetLineWidth(.15)
	p.Line(edge, p.y, p.w-edge, p.y)
	p.y += 8
}

// corner draws a V where its side is seen, and a line across elsewhere.
func (p *pages) corner(c SawCorner, view int, x func(float64) float64, top, bottom float64) {
	from, to := top, bottom
	switch {
	case c.Half == 0:
		p.Line(x(c.At), top, x(c.At), bottom)
		p.Line(x(c.To), top, x(c.To), bottom)
		return
	case view == 0 && c.Side == "right" || view == 1 && c.Side == "bottom":
		from, to = bottom, top
	case view == 0 && c.Side == "left" || view == 1 && c.Side == "top":
	default: // seen from above the opening, or from behind the hinge
		p.SetDashPattern([]float64{1, .8}, 0)
		p.Line(x(c.At), top, x(c.At), bottom)
		p.SetDashPattern(nil, 0)
		return
	}
	deep := from + (to-from)*.92
	p.Line(x(c.At-c.Half), from, x(c.At), deep)
	p.Line(x(c.At), deep, x(c.At+c.Half), from)
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
