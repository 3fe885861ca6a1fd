package split

import (
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/working"
)

// splitAtBend makes a flange a piece of its own: what is left of it is a lap, to
// which the piece is bolted flat.
func splitAtBend(r sheet.Recipe, p Parting, newID func() string) (Pieces, error) {
	b := lay.Out(r, r.Bend.School, quantity.Display{})
	if len(b.Panels) == 0 || b.Broken {
		return Pieces{}, working.Refuse("", "The part cannot be unfolded as it stands: mend that first.")
	}
	var flange *lay.Panel
	for _, q := range b.Panels[1:] {
		if q.ID == p.Bend && q.Jog == nil {
			flange = q
		}
	}
	switch {
	case flange == nil:
		return Pieces{}, working.Refuse("/bend", "Choose the flange that becomes a piece of its own.")
	case flange.Flange.Kind != sheet.Bent && flange.Flange.Kind != "" || flange.Parent.Jog != nil:
		return Pieces{}, working.Refuse("/bend", "A hem, a jog or a roll is not taken off: split the part across it.")
	case !flange.Rectangular():
		return Pieces{}, working.Refuse("/bend", "A tapered flange, or one whose corner closes with its neighbour, is not taken off: take its "+
			"ends square first.")
	case p.Joint != LapJoint:
		return Pieces{}, working.Refuse("/joint", "At a bend the piece laps the flange that stays, with bolts.")
	}
	leg := flange.Corners[2].Y
	if err := working.Within("/wide", "The lap", p.Wide, 2*p.Hole, leg-r.Thickness, "mm"); err != nil {
		return Pieces{}, err
	}
	margin := math.Min(flange.Zone/4, 30)
	n := max(int(math.Round((flange.Zone-2*margin)/p.Pitch))+1, 2)
	step := (flange.Zone - 2*margin) / float64(n-1)
	local := func(left, bend sheet.Edge) (out []sheet.Hole) { // bolts by both edges, one by one
		for k := range n {
			out = append(out, sheet.Hole{ID: newID(), Name: "Joint bolts", Kind: sheet.RoundHole, Diameter: p.Hole,
				X: sheet.Offset{Edge: left, From: sheet.Flat, Distance: margin + float64(k)*step},
				Y: sheet.Offset{Edge: bend, From: sheet.Flat, Distance: p.Wide / 2}})
		}
		return out
	}
	first := r
	first.SetAside, first.Reasons = nil, nil
	lap := local(flange.Names[3], flange.Names[0])
	first.Base.Flanges = shortened(r.Base.Flanges, p.Bend, p.Wide, lap)
	second := r
	second.SetAside, second.Reasons = nil, nil
	second.Base = sheet.Base{ID: newID(), Length: flange.Zone, Width: leg, Measure: sheet.Flat, Corner: flange.Corner}
	turn := map[sheet.Edge]sheet.Edge{}
	for i, e := range flange.Names {
		turn[e] = [4]sheet.Edge{sheet.Front, sheet.Right, sheet.Back, sheet.Left}[i]
	}
	for k := range b.Holes {
		h := &b.Holes[k]
		if h.Panel != flange {
			continue
		}
		g := lone(h)
		g.ID = newID()
		g.X, g.Y = sheet.Offset{Edge: sheet.Left, From: sheet.Flat, Distance: h.Centre.X},
			sheet.Offset{Edge: sheet.Front, From: sheet.Flat, Distance: h.Centre.Y}
		second.Base.Holes = append(second.Base.Holes, g)
	}
	second.Base.Holes = append(second.Base.Holes, local(sheet.Left, sheet.Front)...)
	second.Base.Edges = turnedCuts(flange, turn, newID)
	s := &splitter{b: b, byID: map[string]*lay.Panel{}}
	for _, q := range b.Panels {
		s.byID[q.ID] = q
	}
	for _, f := range s.whole(flange.Flange.Flanges) {
		f.Edge = turn[f.Edge]
		second.Base.Flanges = append(second.Base.Flanges, f)
	}
	for _, f := range second.Base.Flanges { // their own edges turn with them: told, not guessed
		if len(f.Flanges) > 0 || len(f.Holes) > 0 || len(f.Edges) > 0 {
			for _, e := range []sheet.Edge{sheet.Front, sheet.Right, sheet.Back, sheet.Left} {
				if turn[e] != e {
					return Pieces{}, working.Refuse("/bend",
						"What hangs on this flange has holes or lips of its own that would face other ways: split it across instead.")
				}
			}
		}
	}
	return Pieces{[]sheet.Started{{Name: "first piece", Quantity: 1, Recipe: first}, {Name: "second piece", Quantity: 1, Recipe: second}},
		[]Seam{{A: 0, B: 1, Bolts: ids(lap)}}}, nil
}

func ids(list []sheet.Hole) (out []string) {
	for _, h := range list {
		out = append(out, h.ID)
	}
	return out
}

// shortened answers the flanges with one of them cut down to a lap.
func shortened(list []sheet.Flange, id string, wide float64, bolts []sheet.Hole) []sheet.Flange {
	out := make([]sheet.Flange, len(list))
	for i, f := range list {
		if f.ID == id {
			f.Measure, f.Length, f.Corner, f.Meets = sheet.Flat, wide, sheet.Corner{}, nil
			f.Holes, f.Edges, f.Marks, f.Flanges = bolts, nil, nil, nil
		} else {
			f.Flanges = shortened(f.Flanges, id, wide, bolts)
		}
		out[i] = f
	}
	return out
}

// turnedCuts answers a flange's notches and tabs on the base it becomes.
func turnedCuts(p *lay.Panel, turn map[sheet.Edge]sheet.Edge, newID func() string) (out []sheet.EdgeCut) {
	base := &lay.Panel{Names: []sheet.Edge{sheet.Front, sheet.Right, sheet.Back, sheet.Left},
		Corners: []profile.Point{{}, {X: 1}, {X: 1, Y: 1}, {Y: 1}}}
	for e, list := range p.Cuts {
		for _, c := range list {
			g := *c.Of
			g.ID, g.Count, g.Margin, g.Edge, g.FromEnd = newID(), 0, 0, turn[p.Facing(e)], false
			_, _, _, length := p.Edge(e)
			if g.At = (c.From + c.To) / 2; !base.Along(e) {
				g.At = length - g.At
			}
			out = append(out, g)
		}
	}
	return out
}
