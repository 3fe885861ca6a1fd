package paper

import (
	"fmt"
)

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
		short := func(t string) string { return (printer{script: p.script}).fit(t, wide-6) }
		for k, t := range []string{l.Name, l.Stock, s.Job + ", " + s.Frame} {
			p.put(x+3, y+22+4*float64(k), 8, "", short(t))
		}
		p.put(x+3, y+17, 12, "B", l.Length)
		p.SetFont("go", "", 7)
		p.put(x+wide/2, y+17, 7, "", (printer{script: p.script}).fit(l.Ends, wide/2-3))
	}
	return p.bytes()
}
