package vehicle

import (
	"math"

	"warmanvil/core/solid"
	"warmanvil/core/survey"
)

// Measured is one reading as a dimension on the vehicle.
type Measured struct {
	From solid.Vector `json:"from" doc:"mm, where the tape began"`
	To   solid.Vector `json:"to" doc:"mm, where it ended"`
	Text string       `json:"text" doc:"what was read"`
}

// measured answers what was read for a located point, reading by reading: offsets one after
// the other along their axes, distances from where they were taken.
func (l *Locator) measured(p *SurveyPoint, out *Located) []Measured {
	list := []Measured{}
	if out.At == nil {
		return list
	}
	at := solid.Vector(*out.At)
	text := func(r survey.Reading) string {
		v := math.Abs(r.Work(l.Survey.Shop, false).Value) // which way is seen
		if len(r.Values) > 1 {
			return l.Pen.MM(v)
		}
		return l.Pen.Given(v)
	}
	from := func(id string, r survey.Reading) {
		if b := l.Done[id]; b != nil && b.At != nil && r.Taken() {
			list = append(list, Measured{*b.At, at, text(r)})
		}
	}
	switch p.Way {
	case ByOffsets, "":
		var here solid.Vector
		if b := l.Done[p.From]; b != nil && b.At != nil {
			here = *b.At
		}
		for k, r := range []survey.Reading{p.X, p.Y, p.Z} {
			next := here
			next[k] = at[k]
			if r.Taken() && next != here {
				list = append(list, Measured{here, next, text(r)})
			}
			here = next
		}
	case ByTwoDistances:
		from(p.A, p.DA)
		from(p.B, p.DB)
	case OnLine:
		from(p.A, p.DA)
	case ByDistances:
		for _, m := range p.Many {
			from(m.Point, m.Distance)
		}
	}
	return list
}
