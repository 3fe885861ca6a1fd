package split

import (
	"errors"
	"fmt"
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/sheet/made"
	"warmanvil/core/working"
)

// shapeSplitter splits a part on a base of many sides or of arcs. Its pieces are
// bases by points, measured flat, each with its first edge along x.
type shapeSplitter struct {
	*splitter
	loop profile.Loop
	n    profile.Point // along the split axis
}

// shapePiece is one half with the way it lies in the whole.
type shapePiece struct {
	half   profile.Half
	origin profile.Point // of the piece's own axes, on the whole
	dir    profile.Point // its own x
	middle profile.Point // of its box, in its own axes
	second bool
}

func (s *splitter) splitShape() ([]sheet.Started, error) {
	base := s.b.Panels[0]
	w := &shapeSplitter{splitter: s, n: profile.Point{X: 1}}
	if s.p.Axis == "y" {
		w.n = profile.Point{Y: 1}
	}
	for i, c := range base.Corners {
		v := profile.Vertex{X: c.X, Y: c.Y}
		if base.Bulges != nil {
			v.Bulge = base.Bulges[i]
		}
		w.loop = append(w.loop, v)
	}
	box := w.loop.Bounds()
	s.p.At += w.n.Dot(box.Min) // places count on the flat pattern
	until := s.p.At
	if s.p.Joint == LapJoint {
		until += s.p.Wide
	}
	low, _, err := w.loop.Halve(w.n, until)
	if err != nil {
		return nil, refuseHalf(err)
	}
	_, high, err := w.loop.Halve(w.n, s.p.At)
	if err != nil {
		return nil, refuseHalf(err)
	}
	lo, hi, err := w.common()
	if err != nil {
		return nil, err
	}
	first, second := w.piece(low, false), w.piece(high, true)
	a, b := w.recipe(first), w.recipe(second)
	if s.err != nil {
		return nil, s.err
	}
	out := w.joinShapes([]sheet.Started{{Name: "first piece", Quantity: 1, Recipe: a}, {Name: "second piece", Quantity: 1, Recipe: b}}, first,
		second, lo, hi)
	for i := range out[:2] {
		if _, err := made.Build(out[i].Recipe, made.Options{}); err != nil {
			return nil, working.Refuse("/at", "The %s cannot be made there (%v): choose another place.", out[i].Name, err)
		}
	}
	return out, nil
}

func refuseHalf(err error) error {
	switch {
	case errors.Is(err, profile.ErrCorner):
		return working.Refuse("/at", "The line, or the end of the lap, runs through a corner or along an edge: move it by a millimetre.")
	case errors.Is(err, profile.ErrPieces):
		return working.Refuse("/at", "The line leaves more than two pieces: choose another place, or split the other way.")
	}
	return working.Refuse("/at", "The line, or the end of the lap, runs beside the base: choose a place on it.")
}

// common answers the stretch along the line that the sheet fills everywhere the
// joint lies.
func (w *shapeSplitter) common() (lo, hi float64, err error) {
	from, until := w.p.At, w.p.At
	switch w.p.Joint {
	case LapJoint:
		until += w.p.Wide
	case StripJoint:
		from, until = from-w.p.Wide, until+w.p.Wide
	}
	lo, hi = math.Inf(-1), math.Inf(1)
	for k := range 9 {
		low, _, err := w.loop.Halve(w.n, from+(until-from)*float64(k)/8)
		if errors.Is(err, profile.ErrCorner) && k > 0 && k < 8 {
			continue // between the ends of the joint a corner does no harm
		}
		if err != nil {
			return 0, 0, refuseHalf(err)
		}
		for i, on := range low.On {
			if on < 0 {
				a, b := w.across(low.Loop[i].P()), w.across(low.Loop[(i+1)%len(low.Loop)].P())
				lo, hi = math.Max(lo, math.Min(a, b)), math.Min(hi, math.Max(a, b))
			}
		}
	}
	if hi-lo < 4*w.p.Hole {
		return 0, 0, working.Refuse("/at", "Only %s is left along the line for the joint: choose a place where the part is wider.",
			w.b.Len(math.Max(hi-lo, 0)))
	}
	return lo, hi, nil
}

// across answers a place's distance along the line.
func (w *shapeSplitter) across(q profile.Point) float64 {
	if w.p.Axis == "y" {
		return q.X
	}
	return q.Y
}

// at answers the place on the flat pattern from both distances.
func (w *shapeSplitter) at(along, across float64) profile.Point {
	if w.p.Axis == "y" {
		return profile.Point{X: across, Y: along}
	}
	return profile.Point{X: along, Y: across}
}

// piece turns a half so that an edge that runs along x comes first: as it lies
// where there is one, else its cut is laid there.
func (w *shapeSplitter) piece(h profile.Half, second bool) shapePiece {
	best, n := -1, len(h.Loop)
	for pass := range 2 {
		for i, v := range h.Loop {
			d := h.Loop[(i+1)%n].P().Sub(v.P())
			if along := v.Bulge == 0 && d.X > 0 && math.Abs(d.Y) < 1e-9*d.X; best < 0 && (pass == 0 && along && h.On[i] >= 0 || pass == 1 && along) {
				best = i
			}
		}
	}
	for i, on := range h.On {
		if best < 0 && on < 0 {
			best = i
		}
	}
	h.Loop, h.On = append(append(profile.Loop{}, h.Loop[best:]...), h.Loop[:best]...), append(append([]int{}, h.On[best:]...), h.On[:best]...)
	d := h.Loop[1].P().Sub(h.Loop[0].P())
	p := shapePiece{half: h, origin: h.Loop[0].P(), dir: d.Mul(1 / d.Len()), second: second}
	own := make(profile.Loop, n)
	for i, v := range h.Loop {
		q := p.into(v.P())
		own[i] = profile.Vertex{X: q.X, Y: q.Y, Bulge: v.Bulge}
	}
	p.half.Loop = own
	box := profile.Empty()
	for _, q := range own.Flatten(.02) { // as a base finds its middle
		box.Include(q)
	}
	p.middle = box.Min.Add(box.Max).Mul(.5)
	return p
}

// into answers a place of the whole in the piece's axes.
func (p *shapePiece) into(q profile.Point) profile.Point { return p.turn(q.Sub(p.origin)) }

func (p *shapePiece) turn(d profile.Point) profile.Point {
	return profile.Point{X: d.Dot(p.dir), Y: p.dir.Cross(d)}
}

// turned tells whether the piece lies otherwise than in the whole.
func (p *shapePiece) turned() bool { return p.dir.X < 1-1e-9 }

// recipe makes one piece's recipe, without its joint.
func (w *shapeSplitter) recipe(p shapePiece) sheet.Recipe {
	out := w.b.Recipe
	out.SetAside = nil
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

// joinShapes gives both pieces what holds them together: on the line, each
// measured in its own axes.
func (w *shapeSplitter) joinShapes(out []sheet.Started, first, second shapePiece, lo, hi float64) []sheet.Started {
	a, b := &out[0].Recipe.Base, &out[1].Recipe.Base
	t := w.b.Recipe.Thickness
	margin := math.Min((hi-lo)/4, math.Max(30, 1.5*w.p.Hole))
	count := max(int(math.Round((hi-lo-2*margin)/w.p.Pitch))+1, 2)
	step := (hi - lo - 2*margin) / float64(count-1)
	bolt := func(p shapePiece, along, across float64) sheet.Hole {
		q := w.at(along, across)
		return sheet.Hole{ID: w.newID(), Name: "Joint bolts", Kind: sheet.RoundHole, Diameter: w.p.Hole, X: w.offset(q, p, true),
			Y: w.offset(q, p, false)}
	}
	for k := range count {
		across := lo + margin + float64(k)*step
		switch w.p.Joint {
		case LapJoint:
			a.Holes, b.Holes = append(a.Holes, bolt(first, w.p.At+w.p.Wide/2, across)), append(b.Holes, bolt(second, w.p.At+w.p.Wide/2, across))
		case StripJoint:
			a.Holes, b.Holes = append(a.Holes, bolt(first, w.p.At-w.p.Wide/2, across)), append(b.Holes, bolt(second, w.p.At+w.p.Wide/2, across))
		case TabJoint:
			clear := lay.SlotClearance(w.b.Process.Key)
			wide := math.Round(step / 3)
			a.Edges = append(a.Edges, sheet.EdgeCut{ID: w.newID(), Name: fmt.Sprintf("Seam tab %d", k+1), Kind: sheet.Tab, Edge: first.seam(),
				At: w.onSeam(first, across), Width: wide, Depth: 3 * t})
			b.Edges = append(b.Edges, sheet.EdgeCut{ID: w.newID(), Name: fmt.Sprintf("Seam notch %d", k+1), Kind: sheet.Notch, Edge: second.seam(),
				At: w.onSeam(second, across), Width: wide + clear, Depth: 3*t + clear/2})
		}
	}
	if w.p.Joint == StripJoint {
		strip := w.b.Recipe
		strip.Hand, strip.SetAside = sheet.Hand{}, nil
		strip.Base = sheet.Base{ID: w.newID(), Length: 2 * w.p.Wide, Width: hi - lo, Measure: sheet.Flat}
		low, pitch := sheet.Left, sheet.Pattern{Kind: sheet.GridPattern, Columns: 1, Rows: count, PitchY: step}
		high := sheet.Right
		row := func(e sheet.Edge) sheet.Hole {
			h := sheet.Hole{ID: w.newID(), Name: "Joint bolts", Kind: sheet.RoundHole, Diameter: w.p.Hole,
				X: sheet.Offset{Edge: e, Distance: w.p.Wide / 2, From: sheet.Flat},
				Y: sheet.Offset{Edge: sheet.Front, Distance: margin, From: sheet.Flat}, Pattern: &pitch}
			if w.p.Axis == "y" {
				h.X, h.Y = sheet.Offset{Edge: sheet.Left, Distance: margin, From: sheet.Flat}, h.X
			}
			return h
		}
		if w.p.Axis == "y" {
			strip.Base.Length, strip.Base.Width = hi-lo, 2*w.p.Wide
			low, high, pitch = sheet.Front, sheet.Back, sheet.Pattern{Kind: sheet.GridPattern, Columns: count, Rows: 1, PitchX: step}
		}
		strip.Base.Holes = []sheet.Hole{row(low), row(high)}
		out = append(out, sheet.Started{Name: "joint strip", Quantity: 1, Recipe: strip})
	}
	return out
}

// seam answers the name of the cut edge.
func (p *shapePiece) seam() sheet.Edge {
	for i, on := range p.half.On {
		if on < 0 {
			return sheet.Numbered(i + 1)[i]
		}
	}
	return ""
}

// onSeam answers how far along the cut edge a place on the line lies.
func (w *shapeSplitter) onSeam(p shapePiece, across float64) float64 {
	for i, on := range p.half.On {
		if on < 0 {
			return p.into(w.at(w.p.At, across)).Sub(p.half.Loop[i].P()).Len()
		}
	}
	return 0
}

// lone answers a hole without its pattern, its ways by its panel's axes.
func lone(h *lay.Hole) sheet.Hole {
	g := *h.Recipe
	if g.Pattern = nil; g.Kind != sheet.RoundHole {
		g.Angle = math.Atan2(h.Along.Y, h.Along.X) * 180 / math.Pi
	}
	if h.Flip && g.Kind == sheet.CutoutHole {
		cut := g.Cut.Reversed()
		for i := range cut {
			cut[i].Y, cut[i].Bulge = -cut[i].Y, -cut[i].Bulge
		}
		g.Cut = cut
	}
	return g
}
