package sheet

import (
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/quantity"
	"warmanvil/core/working"
)

// splitAtBend makes a flange a piece of its own: what is left of it is a lap, to
// which the piece is bolted flat.
func splitAtBend(r Recipe, p Parting, newID func() string) ([]Started, error) {
	b := out(r, r.Bend.School, quantity.Display{})
	if len(b.panels) == 0 || b.broken {
		return nil, working.Refuse("", "The part cannot be unfolded as it stands: mend that first.")
	}
	var flange *panel
	for _, q := range b.panels[1:] {
		if q.id == p.Bend && q.jog == nil {
			flange = q
		}
	}
	switch {
	case flange == nil:
		return nil, working.Refuse("/bend", "Choose the flange that becomes a piece of its own.")
	case flange.flange.Kind != Bent && flange.flange.Kind != "" || flange.parent.jog != nil:
		return nil, working.Refuse("/bend", "A hem, a jog or a roll is not taken off: split the part across it.")
	case !flange.rectangular():
		return nil, working.Refuse("/bend", "A tapered flange, or one whose corner closes with its neighbour, is not taken off: take its "+
			"ends square first.")
	case p.Joint != LapJoint:
		return nil, working.Refuse("/joint", "At a bend the piece laps the flange that stays, with bolts.")
	}
	leg := flange.corners[2].Y
	if err := working.Within("/wide", "The lap", p.Wide, 2*p.Hole, leg-r.Thickness, "mm"); err != nil {
		return nil, err
	}
	margin := math.Min(flange.zone/4, 30)
	n := max(int(math.Round((flange.zone-2*margin)/p.Pitch))+1, 2)
	step := (flange.zone - 2*margin) / float64(n-1)
	local := func(left, bend Edge) (out []Hole) { // bolts by both edges, one by one
		for k := range n {
			out = append(out, Hole{ID: newID(), Name: "Joint bolts", Kind: RoundHole, Diameter: p.Hole,
				X: Offset{Edge: left, From: Flat, Distance: margin + float64(k)*step}, Y: Offset{Edge: bend, From: Flat, Distance: p.Wide / 2}})
		}
		return out
	}
	first := r
	first.SetAside = nil
	lap := local(flange.names[3], flange.names[0])
	first.Base.Flanges = shortened(r.Base.Flanges, p.Bend, p.Wide, lap)
	second := r
	second.SetAside = nil
	second.Base = Base{ID: newID(), Length: flange.zone, Width: leg, Measure: Flat, Corner: flange.corner}
	turn := map[Edge]Edge{}
	for i, e := range flange.names {
		turn[e] = [4]Edge{Front, Right, Back, Left}[i]
	}
	for k := range b.holes {
		h := &b.holes[k]
		if h.panel != flange {
			continue
		}
		g := lone(h)
		g.ID = newID()
		g.X, g.Y = Offset{Edge: Left, From: Flat, Distance: h.centre.X}, Offset{Edge: Front, From: Flat, Distance: h.centre.Y}
		second.Base.Holes = append(second.Base.Holes, g)
	}
	second.Base.Holes = append(second.Base.Holes, local(Left, Front)...)
	second.Base.Edges = turnedCuts(flange, turn, newID)
	s := &splitter{b: b, byID: map[string]*panel{}}
	for _, q := range b.panels {
		s.byID[q.id] = q
	}
	for _, f := range s.whole(flange.flange.Flanges) {
		f.Edge = turn[f.Edge]
		second.Base.Flanges = append(second.Base.Flanges, f)
	}
	for _, f := range second.Base.Flanges { // their own edges turn with them: told, not guessed
		if len(f.Flanges) > 0 || len(f.Holes) > 0 || len(f.Edges) > 0 {
			for _, e := range []Edge{Front, Right, Back, Left} {
				if turn[e] != e {
					return nil, working.Refuse("/bend",
						"What hangs on this flange has holes or lips of its own that would face other ways: split it across instead.")
				}
			}
		}
	}
	return []Started{{"first piece", 1, first}, {"second piece", 1, second}}, nil
}

// shortened answers the flanges with one of them cut down to a lap.
func shortened(list []Flange, id string, wide float64, bolts []Hole) []Flange {
	out := make([]Flange, len(list))
	for i, f := range list {
		if f.ID == id {
			f.Measure, f.Length, f.Corner, f.Meets = Flat, wide, Corner{}, nil
			f.Holes, f.Edges, f.Marks, f.Flanges = bolts, nil, nil, nil
		} else {
			f.Flanges = shortened(f.Flanges, id, wide, bolts)
		}
		out[i] = f
	}
	return out
}

// turnedCuts answers a flange's notches and tabs on the base it becomes.
func turnedCuts(p *panel, turn map[Edge]Edge, newID func() string) (out []EdgeCut) {
	base := &panel{names: []Edge{Front, Right, Back, Left}, corners: []profile.Point{{}, {X: 1}, {X: 1, Y: 1}, {Y: 1}}}
	for e, list := range p.cuts {
		for _, c := range list {
			g := *c.of
			g.ID, g.Count, g.Margin, g.Edge, g.FromEnd = newID(), 0, 0, turn[p.facing(e)], false
			_, _, _, length := p.edge(e)
			if g.At = (c.from + c.to) / 2; !base.along(e) {
				g.At = length - g.At
			}
			out = append(out, g)
		}
	}
	return out
}
