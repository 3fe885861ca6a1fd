package site

import (
	"fmt"
	"math"

	"warmanvil/core/stock"
	"warmanvil/core/told"
	"warmanvil/core/weld"
)

// SeamOut is a way out where no welder of the Shop lays a seam in one pass.
type SeamOut struct {
	Text string `json:"text"`
	By   string `json:"by,omitempty" doc:"how the seam is laid then, where a press takes it"`
}

// bevelArea is what a pass lays in a prepared corner, mm²: of thin wire.
const bevelArea = 20.

// seamOuts answers the ways out of a seam that its welder does not lay, in the order they are tried: bevel and passes,
// another process, preheat, a thinner section, another house, bolts.
func (s *site) seamOuts(x *seated, seam weld.Seam, l laying, m stock.Material) (out []SeamOut) {
	pen := s.seamPen()
	thin, thick := math.Min(seam.Sides[0].Thickness, seam.Sides[1].Thickness), math.Max(seam.Sides[0].Thickness, seam.Sides[1].Thickness)
	say := func(by, format string, args ...any) {
		out = append(out, SeamOut{Text: fmt.Sprintf(format, args...), By: by})
	}
	most, least, from := 0., math.Inf(1), ""
	for _, w := range s.Shop.Welds() {
		if (w.Sort == weld.Spot) == (l.process == weld.Spot) {
			a, _ := w.Limit("least", s.Brief.Inches())
			b, _ := w.Limit("most", s.Brief.Inches())
			if b > most {
				most, from = b, w.Called()
			}
			least = math.Min(least, a)
		}
	}
	tooThick := l.welder != nil && thick > most+1e-9
	if tooThick {
		edge := seam.Sides[0].Thickness
		land := math.Min(1.5, edge/3)
		if r, err := weld.Groove(weld.GrooveInput{Edges: weld.BevelEdges, Thickness: edge, Angle: 45, Land: land, Length: math.Max(seam.Len(), 1),
			Pass: bevelArea}); err == nil {
			say("", "Bevel the edge of %s at 45° to a land of %s and fill it in %d %s: after a coupon of the same two pieces was cut and "+
				"etched. "+
				"Passes alone do not cure cold lap.", seam.Sides[0].Name, pen.Fine(land), r.Passes,
				told.Plural(r.Passes, "pass", "passes"))
		}
	}
	for _, w := range s.Shop.Welds() {
		if w.Sort != l.process && (w.Sort == weld.Spot) == (l.process == weld.Spot) && s.takes(w, thin, thick) {
			say(w.Sort, "Lay it with %s, which takes both.", w.Called())
		}
	}
	if tooThick && m.Family == stock.Steel {
		if c := weld.Preheat(thick, l.process != weld.Stick); c > 0 {
			say("", "Preheat both to %s at least, between passes too (AWS D1.1 for plain steel as thick); it brings no more melt by itself, the "+
				"coupon shows that.", s.warm(c))
		} else {
			say("", "Warm the thick one to the hand, some %s, so that it takes less of the arc's heat; plain steel this thick needs no "+
				"preheat, and the coupon shows whether it melted.", s.warm(60))
		}
	}
	switch {
	case tooThick:
		say("", "A section no thicker than %s, which %s takes.", pen.Fine(most), from)
	case l.welder != nil && thin < least-1e-9:
		say("", "Tack and skip on a copper bar, after a coupon; or a sheet from %s on.", pen.Fine(least))
	}
	if !x.outside(seam.ID) {
		say("outside", "Have it welded outside, by somebody who shows a coupon.")
	}
	say("", "Bolt it instead.")
	return out
}

// outside tells whether another house lays a seam.
func (x *seated) outside(id string) bool { return x.by(id) == "outside" }

// warm writes a temperature as the job does.
func (s *site) warm(c float64) string {
	if s.Brief.Inches() {
		return fmt.Sprintf("%.0f °F", math.Round((c*9/5+32)/10)*10)
	}
	return fmt.Sprintf("%.0f °C", c)
}
