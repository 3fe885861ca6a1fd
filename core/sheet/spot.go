package sheet

import (
	"warmanvil/core/profile"
	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// spot is where on a panel a finding lies.
type spot struct {
	on *panel
	at profile.Point // in the panel's own axes
}

// seen answers a panel as the subject of a finding that lies at a place of it.
func (p *panel) seen(at profile.Point) *panel {
	return &panel{id: p.id, name: p.name, path: p.path, spot: &spot{p, at}}
}

// spotOf answers where what is told of a subject lies: a hole's or mark's centre,
// the middle of a flange's bend, the middle of the base; nil for the whole sheet.
func spotOf(p *panel) *spot {
	switch {
	case p.spot != nil:
		return p.spot
	case len(p.corners) < 3:
		return nil
	case p.flange != nil:
		return &spot{p, profile.Point{X: p.zone / 2}}
	}
	box := p.box()
	return &spot{p, box.Min.Add(box.Max).Mul(.5)}
}

// placed answers a spot on the flat pattern and the body, nil where its panel
// could not be laid out or folded.
func (b *laid) placed(s *spot) *working.Place {
	if s == nil || b.broken || s.on.pose.ex == (profile.Point{}) || s.on.frame.ex == (solid.Vector{}) {
		return nil
	}
	q, v := s.on.pose.apply(s.at), s.on.frame.apply(s.at, 0)
	return &working.Place{Flat: [2]float64{q.X, q.Y}, Body: [3]float64{v[0], v[1], v[2]}}
}
