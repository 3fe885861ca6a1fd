package site

import (
	"fmt"

	"warmanvil/core/weld"
	"warmanvil/core/working"
)

// SpotsTold is what takes the place of spot welds of the body that are drilled out.
type SpotsTold struct {
	Many    int              `json:"many"`
	Across  float64          `json:"across" doc:"mm, of the plugs"`
	Enough  bool             `json:"enough" doc:"one for each spot is enough"`
	Says    string           `json:"says"`
	Working *working.Working `json:"working"`
}

// plugSizes are what plugs are usually drilled, mm (practice).
func plugSizes(inches bool) []float64 {
	if inches {
		return []float64{25.4 / 4, 25.4 * 5 / 16, 25.4 * 3 / 8, 25.4 / 2}
	}
	return []float64{6, 8, 10, 12}
}

// spotted answers what plugs in place of surveyed spots carry against them; nil where a seam is at none.
func (s *site) spotted(x *seated, seam weld.Seam) *SpotsTold {
	for _, q := range x.w.Seams {
		m := s.from.Maps[q.Map]
		if q.ID != seam.ID || q.Map == "" || m == nil || !m.Spots {
			continue
		}
		in := weld.InsteadInput{Sides: seam.Sides, Sizes: plugSizes(s.Brief.Inches()), Filler: x.w.Filler, Rule: s.Brief.Strength}
		for _, h := range m.Holes {
			if h.Diameter > 0 && (in.Spot == 0 || h.Diameter < in.Spot) {
				in.Spot = h.Diameter
			}
		}
		if seam.Form == weld.PlugForm {
			in.Plug = seam.Across
		}
		t := SpotsTold{Many: len(seam.Path)}
		r, err := weld.Instead(in)
		if err != nil {
			t.Says = fmt.Sprintf("They are %d spots of the body. What plugs in their places take nobody can say: "+
				"%s", t.Many, s.Brief.Refused(err))
			return &t
		}
		pen := s.seamPen()
		t.Across, t.Enough = r.Across, r.Enough
		t.Says = fmt.Sprintf("They are %d spots of the body. A plug of %s in the place of one takes %s, a sound spot %s: ", t.Many,
			pen.Fine(r.Across), pen.Newtons(r.Plug), pen.Newtons(r.Spot))
		if r.Enough {
			t.Says += "one for each is enough."
		} else {
			t.Says += fmt.Sprintf("%.0f for each, beside each other, take as much.", r.Many)
		}
		w := r.Working.Written(s.Brief.Inches())
		t.Working = &w
		return &t
	}
	return nil
}
