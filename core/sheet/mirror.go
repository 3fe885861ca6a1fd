package sheet

import (
	"math"
	"strconv"

	"warmanvil/core/profile"
)

// Mirror answers the recipe of the other hand: left and right change places,
// nothing else. Mirrored twice it is itself.
func (r Recipe) Mirror() Recipe {
	edge := r.Base.mirroredEdge()
	if r.Base.Shape != nil {
		s := r.Base.Shape.mirrored(r.Base.Length)
		r.Base.Shape = &s
	}
	r.Base.Holes, r.Base.Edges, r.Base.Marks = mirrorHoles(r.Base.Holes, edge), mirrorEdges(r.Base.Edges, edge),
		mirrorMarks(r.Base.Marks, edge)
	r.Base.Flanges = mirrorFlanges(r.Base.Flanges, edge)
	if r.Hand.Drawn != "" {
		r.Hand.Drawn = r.Hand.Drawn.Other()
	}
	return r
}

// Other answers the opposite hand.
func (s Side) Other() Side {
	if s == RightHand {
		return LeftHand
	}
	return RightHand
}

func (e Edge) mirrored() Edge {
	switch e {
	case Left:
		return Right
	case Right:
		return Left
	}
	return e
}

// mirroredEdge answers how the base's edges change places.
func (b Base) mirroredEdge() func(Edge) Edge {
	n := 0
	switch b.Kind() {
	case Polygon:
		n = len(b.Shape.Points)
	case Sides:
		n = len(sided(b.Shape.Sides))
	case Ring:
		return func(e Edge) Edge { return e }
	}
	return func(e Edge) Edge {
		if k, err := strconv.Atoi(string(e)); err == nil && k >= 2 && k <= n { // the first edge stays
			return Edge(strconv.Itoa(n + 2 - k))
		}
		return e.mirrored()
	}
}

// mirrored answers the shape seen from behind; its first edge stays the first.
func (s Shape) mirrored(length float64) Shape {
	switch s.Kind {
	case Trapezoid:
		s.Shift = length - s.Shift - s.Back
	case Triangle:
		s.Shift = length - s.Shift
	case Ring:
		s.Flip = !s.Flip
	case Developed:
		if s.Round != nil {
			round := *s.Round
			round.Flip = !round.Flip
			s.Round = &round
		}
	case Polygon:
		n := len(s.Points)
		out := make(profile.Loop, n)
		for i := range out {
			from := (n + 1 - i) % n // 1, 0, n−1, …
			out[i] = s.Points[from]
			out[i].X = -out[i].X
			out[i].Bulge = s.Points[(from+n-1)%n].Bulge
		}
		s.Points = out
	case Sides:
		loop := sided(s.Sides)
		poly := Shape{Kind: Polygon, Points: loop}.mirrored(0)
		s.Sides = make([]SideSize, 0, len(loop))
		n := len(poly.Points)
		for i, v := range poly.Points {
			a, b := poly.Points[(i+1)%n].P().Sub(v.P()), poly.Points[(i+2)%n].P().Sub(poly.Points[(i+1)%n].P())
			s.Sides = append(s.Sides, SideSize{Length: a.Len(), Angle: 180 - math.Atan2(a.Cross(b), a.Dot(b))*180/math.Pi})
		}
	}
	return s
}

func mirrorHoles(list []Hole, edge func(Edge) Edge) []Hole {
	if list == nil {
		return nil
	}
	out := make([]Hole, len(list))
	for i, h := range list {
		if p := h.Pattern; p != nil {
			q := *p
			q.Edge = edge(q.Edge)
			h.Pattern = &q
		}
		if byEdge := h.Pattern != nil && h.Pattern.Kind == EdgePattern; byEdge || h.X.Edge == Middle || h.X.Edge == Feature {
			h.mirrorWays(!byEdge)
		}
		if h.X.Edge == Around {
			h.mirrorRound()
		}
		h.X.Edge, h.Y.Edge = edge(h.X.Edge), edge(h.Y.Edge)
		out[i] = h // angles turn from the edges, so they mirror by themselves
	}
	return out
}

func mirrorEdges(list []EdgeCut, edge func(Edge) Edge) []EdgeCut {
	if list == nil {
		return nil
	}
	out := make([]EdgeCut, len(list))
	for i, c := range list {
		if e := edge(c.Edge); swaps(c.Edge, e) && c.Count < 2 {
			c.FromEnd = !c.FromEnd
		}
		c.Edge = edge(c.Edge)
		out[i] = c
	}
	return out
}

// mirrorMarks moves marks to the other side; words stay readable.
func mirrorMarks(list []Mark, edge func(Edge) Edge) []Mark {
	if list == nil {
		return nil
	}
	out := make([]Mark, len(list))
	for i, m := range list {
		if m.X.Edge == Middle || m.X.Edge == Feature {
			m.X.Distance = -m.X.Distance
			if m.Kind != TextMark {
				m.Angle = 180 - m.Angle
			}
		}
		if m.X.Edge == Around {
			m.X = m.X.mirrorAround()
			if m.Kind != TextMark {
				m.Angle = 180 - m.Angle
			}
		}
		m.X.Edge, m.Y.Edge = edge(m.X.Edge), edge(m.Y.Edge)
		out[i] = m
	}
	return out
}

// mirrorWays turns a hole whose ways do not turn with its edges.
func (h *Hole) mirrorWays(placed bool) {
	if h.Kind == CutoutHole {
		h.Cut = h.Cut.Reversed()
		for i := range h.Cut {
			h.Cut[i].Y, h.Cut[i].Bulge = -h.Cut[i].Y, -h.Cut[i].Bulge
		}
	}
	if h.Kind != RoundHole {
		h.Angle = 180 - h.Angle
	}
	if !placed {
		return
	}
	h.X.Distance = -h.X.Distance
	if p := h.Pattern; p != nil {
		switch p.Kind {
		case CirclePattern, RowPattern:
			p.Start = 180 - p.Start
		case GridPattern: // it steps to the right still
			h.X.Distance -= float64(p.Columns-1) * p.PitchX
		}
	}
}

// mirrorRound turns a hole that is placed round a round: it counts the other way, and what steps to the
// left steps to the right.
func (h *Hole) mirrorRound() {
	h.X = h.X.mirrorAround()
	h.mirrorWays(false)
	if p := h.Pattern; p != nil {
		switch p.Kind {
		case AroundPattern:
			p.Start = p.mirrorAround()
		case CirclePattern, RowPattern:
			p.Start = 180 - p.Start
		}
	}
}

// mirrorAround answers the angle from hole to hole of holes round a round in the mirror: once round
// backwards where it was once round.
func (p Pattern) mirrorAround() float64 {
	back := -360 / float64(max(p.Count, 1))
	switch {
	case p.Start == 0:
		return back
	case p.Start == back:
		return 0
	}
	return -p.Start
}

// swaps tells whether an edge's start end becomes its far end: where it is
// named by the way it runs anticlockwise both before and after.
func swaps(was, is Edge) bool {
	along := func(e Edge) bool { return e != Back && e != Left }
	return along(was) == along(is)
}

func mirrorFlanges(list []Flange, edge func(Edge) Edge) []Flange {
	if list == nil {
		return nil
	}
	out := make([]Flange, len(list))
	for i, f := range list {
		if e := edge(f.Edge); swaps(f.Edge, e) {
			f.SetIn.Start, f.SetIn.End = f.SetIn.End, f.SetIn.Start
			f.Taper.Start, f.Taper.End = f.Taper.End, f.Taper.Start
		}
		f.Edge = edge(f.Edge)
		own := Edge.mirrored
		if f.Outline != nil {
			f.Outline, own = mirrorOutline(f.Outline), mirroredNumber(len(f.Outline))
		}
		f.Holes, f.Flanges = mirrorHoles(f.Holes, own), mirrorFlanges(f.Flanges, own)
		f.Edges, f.Marks = mirrorEdges(f.Edges, own), mirrorMarks(f.Marks, own)
		out[i] = f
	}
	return out
}
