package paper

import (
	"fmt"
	"math"

	"warmanvil/core/profile"
)

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
		bars(p.script, edge, p.y)
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
