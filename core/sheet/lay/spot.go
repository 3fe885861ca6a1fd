package lay

import (
	"warmanvil/core/profile"
	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// Spot is where on a panel a finding lies.
type Spot struct {
	on *Panel
	at profile.Point // in the panel's own axes
}

// SpotOn is a place on a panel, in its own axes.
func SpotOn(p *Panel, at profile.Point) *Spot { return &Spot{p, at} }

// Seen answers a panel as the subject of a finding that lies at a place of it.
func (p *Panel) Seen(at profile.Point) *Panel {
	return &Panel{ID: p.ID, Name: p.Name, Path: p.Path, Spot: &Spot{p, at}}
}

// spotOf answers where what is told of a subject lies: a hole's or mark's centre,
// the middle of a flange's bend, the middle of the base; nil for the whole sheet.
func spotOf(p *Panel) *Spot {
	switch {
	case p.Spot != nil:
		return p.Spot
	case len(p.Corners) < 3:
		return nil
	case p.Flange != nil:
		return &Spot{p, profile.Point{X: p.Zone / 2}}
	}
	box := p.box()
	return &Spot{p, box.Min.Add(box.Max).Mul(.5)}
}

// Placed answers a spot on the flat pattern and the body, nil where its panel
// could not be laid out or folded.
func (b *Laid) Placed(s *Spot) *working.Place {
	if s == nil || b.Broken || s.on.Pose.Ex == (profile.Point{}) || s.on.Frame.Ex == (solid.Vector{}) {
		return nil
	}
	q, v := s.on.Pose.Apply(s.at), s.on.Frame.Apply(s.at, 0)
	return &working.Place{Flat: [2]float64{q.X, q.Y}, Body: [3]float64{v[0], v[1], v[2]}}
}
