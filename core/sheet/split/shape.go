package split

import (
	"errors"
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
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

func (s *splitter) splitShape() (Pieces, error) {
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
		return Pieces{}, refuseHalf(err)
	}
	_, high, err := w.loop.Halve(w.n, s.p.At)
	if err != nil {
		return Pieces{}, refuseHalf(err)
	}
	lo, hi, err := w.common()
	if err != nil {
		return Pieces{}, err
	}
	first, second := w.piece(low, false), w.piece(high, true)
	a, b := w.recipe(first), w.recipe(second)
	if s.err != nil {
		return Pieces{}, s.err
	}
	out := w.joinShapes([]sheet.Started{{Name: "first piece", Quantity: 1, Recipe: a}, {Name: "second piece", Quantity: 1, Recipe: b}}, first,
		second, lo, hi)
	for i := range out.Parts[:2] {
		if _, err := made.Build(out.Parts[i].Recipe, made.Options{}); err != nil {
			return Pieces{}, working.Refuse("/at", "The %s cannot be made there (%v): choose another place.", out.Parts[i].Name, err)
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
