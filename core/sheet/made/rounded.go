package made

import (
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/solid"
)

// Rounded rounds the places of a part to micrometres, in place, for drawing: they
// are sent in half the room. Sizes, figures and what is cut stay as they are.
func (p Part) Rounded() Part {
	for i := range p.Holes {
		h := &p.Holes[i]
		point(&h.Centre)
		vector(&h.Body)
		fine(&h.X.MM)
		fine(&h.Y.MM)
	}
	for i := range p.BendLines {
		l := &p.BendLines[i]
		point(&l.From)
		point(&l.To)
	}
	for i := range p.Dimensions {
		if d := &p.Dimensions[i]; d.From != nil {
			point(d.From)
			point(d.To)
		}
	}
	for i := range p.Panels {
		q := &p.Panels[i]
		ring(q.Flat)
		ring(q.Zone)
		point(&q.Middle)
		for k := range q.Edges {
			point(&q.Edges[k].From)
			point(&q.Edges[k].To)
		}
	}
	for i := range p.Sections {
		s := &p.Sections[i]
		for k := range s.Pieces {
			ring(s.Pieces[k].Rim)
		}
		for k := range s.Sizes {
			point(&s.Sizes[k].From)
			point(&s.Sizes[k].To)
			point(&s.Sizes[k].Beside)
		}
	}
	p.Body.rounded()
	return p
}

func (b *Body) rounded() {
	for i := range b.Panels {
		p := &b.Panels[i]
		ring(p.Face)
		for _, h := range p.Holes {
			ring(h)
		}
		vector(&p.Origin) // its axes are no places
	}
	for _, r := range b.Bends {
		for i := range r.Rows {
			for k := range r.Rows[i] {
				vector(&r.Rows[i][k])
			}
		}
	}
	for _, e := range b.Edges {
		for i := range e {
			vector(&e[i])
		}
	}
}

func fine(v *float64) { *v = math.Round(*v*1000) / 1000 }

func point(p *profile.Point) {
	fine(&p.X)
	fine(&p.Y)
}

func vector(v *solid.Vector) {
	for k := range v {
		fine(&v[k])
	}
}

func ring(list []profile.Point) {
	for i := range list {
		point(&list[i])
	}
}
