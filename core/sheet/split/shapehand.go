package split

import (
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
)

// recipe makes one piece's recipe, without its joint.
func (w *shapeSplitter) recipe(p shapePiece) sheet.Recipe {
	out := w.b.Recipe
	out.SetAside, out.Reasons = nil, nil
	out.Base = sheet.Base{ID: w.newID(), Measure: sheet.Flat, Shape: &sheet.Shape{Kind: sheet.Polygon, Points: p.half.Loop}}
	if math.Abs(p.dir.Y) > .5 { // a quarter turn
		switch out.Grain {
		case sheet.GrainX:
			out.Grain = sheet.GrainY
		case sheet.GrainY:
			out.Grain = sheet.GrainX
		}
	}
	base := w.b.Panels[0]
	for k := range w.b.Holes {
		h := &w.b.Holes[k]
		if h.Panel != base {
			continue
		}
		x, reach := w.along(h.Centre), h.Reach()+w.b.Recipe.Thickness
		switch w.side(x-reach, x+reach) {
		case 0:
			w.refuse("%s lies on the line: split the part beside it.", h.Name)
		case map[bool]int{true: 1, false: -1}[p.second]:
			out.Base.Holes = append(out.Base.Holes, w.hole(h, p))
		}
	}
	out.Base.Edges = w.edgeCuts(p)
	for _, m := range base.Marks {
		at, why := w.b.Locate(base, &sheet.Hole{X: m.X, Y: m.Y}, 0)
		if why != "" || (w.along(at.Origin) > w.p.At) != p.second {
			continue
		}
		way := p.turn(lay.Turned(at.X, at.Y, m.Angle))
		m.X, m.Y, m.Angle = w.offset(at.Origin, p, true), w.offset(at.Origin, p, false), math.Atan2(way.Y, way.X)*180/math.Pi
		out.Base.Marks = append(out.Base.Marks, m)
	}
	for _, f := range w.b.Recipe.Base.Flanges {
		if q := w.byID[f.ID]; q != nil {
			w.flange(&out, f, q, p)
		}
	}
	out.Base.Meets = kept(w.b.Recipe.Base.Meets, out.Base.Flanges)
	return out
}

// offset measures a place of the whole from the middle of the piece.
func (w *shapeSplitter) offset(q profile.Point, p shapePiece, across bool) sheet.Offset {
	d := p.into(q).Sub(p.middle)
	if across {
		return sheet.Offset{Edge: sheet.Middle, Distance: d.X}
	}
	return sheet.Offset{Edge: sheet.Middle, Distance: d.Y}
}

// hole answers one hole of the base by itself.
func (w *shapeSplitter) hole(h *lay.Hole, p shapePiece) sheet.Hole {
	g := lone(h)
	g.ID = w.newID()
	if g.Kind != sheet.RoundHole {
		g.Angle += math.Atan2(-p.dir.Y, p.dir.X) * 180 / math.Pi
	}
	g.X, g.Y = w.offset(h.Centre, p, true), w.offset(h.Centre, p, false)
	return g
}

// edgeCuts answers the notches and tabs of the base that go with a piece.
func (w *shapeSplitter) edgeCuts(p shapePiece) (out []sheet.EdgeCut) {
	base := w.b.Panels[0]
	for e, list := range base.Cuts {
		for _, c := range list {
			a, z := w.along(base.Point(e, c.From, 0)), w.along(base.Point(e, c.To, 0))
			at := w.side(math.Min(a, z), math.Max(a, z))
			if at == 0 {
				w.refuse("A notch or tab lies on the line: split the part beside it.")
			}
			if at != map[bool]int{true: 1, false: -1}[p.second] {
				continue
			}
			g := *c.Of
			g.ID, g.Count, g.Margin, g.FromEnd = w.newID(), 0, 0, false
			k, start, _ := w.edge(p, e)
			g.Edge, g.At = sheet.Numbered(k + 1)[k], (c.From+c.To)/2-start
			out = append(out, g)
		}
	}
	return out
}

// edge answers which edge of the piece lies on edge e of the whole, and where it
// starts and ends along that.
func (w *shapeSplitter) edge(p shapePiece, e int) (k int, start, end float64) {
	from, dir, _, _ := w.b.Panels[0].Edge(e)
	for k, on := range p.half.On {
		if on == e {
			a, z := p.half.Loop[k], p.half.Loop[(k+1)%len(p.half.Loop)]
			origin := p.into(from)
			way := p.turn(dir)
			return k, a.P().Sub(origin).Dot(way), z.P().Sub(origin).Dot(way)
		}
	}
	return -1, 0, 0
}

// flange gives a piece what it has of a flange of the base.
func (w *shapeSplitter) flange(out *sheet.Recipe, f sheet.Flange, q *lay.Panel, p shapePiece) {
	k, start, end := w.edge(p, q.On)
	if k < 0 {
		return
	}
	base := w.b.Panels[0]
	from, to := q.At[0], q.At[1]
	_, dir, _, _ := base.Edge(q.On)
	a, z := w.along(base.Point(q.On, from, 0)), w.along(base.Point(q.On, to, 0))
	mine := map[bool]int{true: 1, false: -1}[p.second]
	side := w.side(math.Min(a, z), math.Max(a, z))
	if side != 0 && side != mine {
		return
	}
	g := f
	g.Edge, g.Width = sheet.Numbered(k + 1)[k], 0
	if f.Kind != sheet.Hem || f.Hem == sheet.TeardropHem {
		g.Measure, g.Length = sheet.Flat, q.Corners[2].Y
	}
	if !base.Along(q.On) {
		g.Taper.Start, g.Taper.End = g.Taper.End, g.Taper.Start
	}
	own := len(f.Holes)+len(f.Edges)+len(f.Marks)+len(f.Flanges) > 0
	if p.turned() && own {
		w.refuse("The %s would be laid another way round to have a straight edge in front, and %s has holes or lips of its own that are named "+
			"by their ways: choose a place that leaves it a front edge.", map[bool]string{true: "second piece", false: "first piece"}[p.second],
			lay.Lower(q.Name))
		return
	}
	if side == 0 {
		if math.Abs(math.Abs(dir.Dot(w.n))-1) > 1e-9 {
			w.refuse("The line runs through %s, which hangs on a slanted edge: split the part beside it.", lay.Lower(q.Name))
			return
		}
		// What of the edge lies on this side of the line itself: the lap carries no flange.
		at := (w.p.At - a) / (z - a)
		if cut := from + at*(to-from); (z > a) == p.second {
			from, g.Taper.Start = cut, 0
		} else {
			to, g.Taper.End = cut, 0
		}
		low := math.Min(w.along(base.Point(q.On, from, 0)), w.along(base.Point(q.On, to, 0)))
		high := math.Max(w.along(base.Point(q.On, from, 0)), w.along(base.Point(q.On, to, 0)))
		g.Holes, g.Edges, g.Marks = w.holes(q, low, p.second), w.cuts(q, low, p.second), w.splitter.marks(q, low, p.second)
		g.Flanges = w.flanges(q, f.Flanges, low, high, p.second)
		g.Meets = kept(f.Meets, g.Flanges)
	} else {
		g.Flanges = w.whole(f.Flanges)
	}
	g.SetIn = sheet.SetIn{Start: math.Max(from-start, 0), End: math.Max(end-to, 0)}
	out.Base.Flanges = append(out.Base.Flanges, g)
}
