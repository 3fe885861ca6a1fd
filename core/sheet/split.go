package sheet

import (
	"fmt"
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// JointKind is how two pieces of a split part are joined.
type JointKind string

// One piece laps the other and is bolted; tabs go into notches and the seam is
// welded; or both butt and a strip is bolted over the seam.
const (
	LapJoint   JointKind = "lap"
	TabJoint   JointKind = "tabs"
	StripJoint JointKind = "strip"
)

// Parting is where a part is split across its base, and how it is joined.
type Parting struct {
	Axis  string    `json:"axis" enum:"x,y" doc:"x: at a distance from the left, y: from the front"`
	At    float64   `json:"at" doc:"mm from the base's left or front tangent line or edge"`
	Joint JointKind `json:"joint" enum:"lap,tabs,strip"`
	Wide  float64   `json:"wide,omitempty" doc:"mm of the lap, or half the strip; 40 when left out"`
	Hole  float64   `json:"hole,omitempty" doc:"mm, bolts' hole; 9 when left out"`
	Pitch float64   `json:"pitch,omitempty" doc:"mm, bolts or tabs about every; 120 when left out"`
}

// Piece says which part a piece was split from.
type Piece struct {
	Of   string `json:"of" doc:"id of the part it was split from"`
	Name string `json:"name" doc:"its name then"`
}

// splitter cuts a built part along a line. Its pieces are measured flat: a size
// then does not hang on which flanges a piece keeps.
type splitter struct {
	b         *builder
	p         Parting
	low, high Edge
	newID     func() string
	byID      map[string]*panel
	err       error
}

// SplitPart splits a part across its base. It fails with *working.Fault where the
// line runs through what cannot be halved.
func SplitPart(r Recipe, p Parting, newID func() string) ([]Started, error) {
	if err := r.Validate(); err != nil {
		return nil, err
	}
	err := working.First(oneOf("/axis", "The line", p.Axis, "x", "y"), oneOf("/joint", "The joint", p.Joint, LapJoint, TabJoint, StripJoint),
		working.Within("/wide", "The lap", p.Wide, 0, 1000, "mm"), working.Within("/hole", "The hole", p.Hole, 0, 200, "mm"), working.Within("/pitch", "The pitch", p.Pitch, 0, 5000, "mm"))
	if err != nil {
		return nil, err
	}
	if p.Wide == 0 {
		p.Wide = 40
	}
	if p.Hole == 0 {
		p.Hole = 9
	}
	if p.Pitch == 0 {
		p.Pitch = 120
	}
	if r.Base.kind() != Rectangle {
		return nil, working.Refuse("", "Only a part on a rectangular base is split across: draw the pieces of another shape one by one.")
	}
	b := newBuilder(r, Options{}, r.Bend.School)
	base := b.panels()
	if base == nil || b.broken {
		return nil, working.Refuse("", "The part cannot be unfolded as it stands: mend that first.")
	}
	for _, q := range b.all {
		b.cornerReliefs(q)
	}
	for _, q := range b.all {
		b.edgeCuts(q)
	}
	b.features()
	s := &splitter{b: b, p: p, low: Left, high: Right, newID: newID, byID: map[string]*panel{}}
	long, deep := base.size()
	if p.Axis == "y" {
		s.low, s.high = Front, Back
		long, deep = deep, long
	}
	least := 2*r.Thickness + p.Hole
	if p.Joint != TabJoint {
		least = math.Max(least, p.Wide)
	}
	if err := working.Within("/at", "The line", p.At, least, long-least, "mm"); err != nil {
		return nil, err
	}
	for _, q := range b.all {
		s.byID[q.id] = q
	}
	first, second := s.half(false), s.half(true)
	if s.err != nil {
		return nil, s.err
	}
	out := []Started{{"first piece", 1, first}, {"second piece", 1, second}}
	return s.join(out, long, deep), nil
}

func (s *splitter) refuse(format string, args ...any) {
	if s.err == nil {
		s.err = working.Refuse("/at", format, args...)
	}
}

// along answers a place's distance along the split axis on the flat pattern.
func (s *splitter) along(q profile.Point) float64 {
	if s.p.Axis == "y" {
		return q.Y
	}
	return q.X
}

// side tells which piece something from lo to hi goes to: −1 the first, 1 the
// second, 0 the line runs through it.
func (s *splitter) side(lo, hi float64) int {
	switch {
	case hi <= s.p.At+tiny:
		return -1
	case lo >= s.p.At-tiny:
		return 1
	}
	return 0
}

// half makes one piece's recipe.
func (s *splitter) half(second bool) Recipe {
	r := s.b.recipe
	base := s.b.all[0]
	w, h := base.size()
	out := r
	out.Base.Measure, out.Base.Length, out.Base.Width, out.Base.Corner = Flat, w, h, Corner{}
	long := &out.Base.Length
	if s.p.Axis == "y" {
		long = &out.Base.Width
	}
	lo, hi := 0.0, s.p.At
	if second {
		lo, hi = s.p.At, *long
	}
	*long = hi - lo
	if s.p.Joint == LapJoint && !second {
		*long += s.p.Wide
	}
	out.Base.Holes, out.Base.Edges, out.Base.Marks = s.holes(base, lo, second), s.cuts(base, lo, second), s.marks(base, lo, second)
	out.Base.Flanges = s.flanges(base, r.Base.Flanges, lo, lo+*long, second)
	out.Base.Meets = kept(r.Base.Meets, out.Base.Flanges)
	out.SetAside, out.Base.ID = nil, s.newID()
	return out
}

// kept answers the corners whose both flanges a piece still has.
func kept(list []Meet, flanges []Flange) (out []Meet) {
	for _, m := range list {
		n := 0
		for _, f := range flanges {
			if f.ID == m.A || f.ID == m.B {
				n++
			}
		}
		if n == 2 {
			out = append(out, m)
		}
	}
	return out
}

// flanges answers what of a panel's flanges goes with a piece whose edge runs
// from lo to hi.
func (s *splitter) flanges(parent *panel, list []Flange, lo, hi float64, second bool) (out []Flange) {
	for _, f := range list {
		p := s.byID[f.ID]
		if p == nil {
			continue
		}
		mine := -1
		if second {
			mine = 1
		}
		g := f
		g.Measure, g.Length, g.Width = Flat, p.corners[2].Y, 0
		if f.Kind == Hem && f.Hem != TeardropHem {
			g.Measure, g.Length = f.Measure, f.Length
		}
		switch f.Edge {
		case s.low, s.high: // along the line: whole with its piece
			at := map[bool]int{true: -1, false: 1}[f.Edge == s.low]
			if parent.flange != nil { // on a flange: by where it hangs
				a := s.along(parent.pose.apply(parent.point(p.on, p.at[0], 0)))
				at = s.side(a, a)
			}
			if at != mine {
				continue
			}
			g.SetIn = f.SetIn
			if f.Width > 0 {
				_, _, _, l := parent.edge(p.on)
				g.SetIn = SetIn{(l - f.Width) / 2, (l - f.Width) / 2}
			}
			g.Flanges = s.whole(f.Flanges)
			out = append(out, g)
			continue
		}
		a, c := s.along(p.pose.apply(profile.Point{})), s.along(p.pose.apply(profile.Point{X: p.zone}))
		a, c = math.Min(a, c), math.Max(a, c)
		at := s.side(a, c)
		if at != 0 && at != mine {
			continue
		}
		from, to := a, c
		if at == 0 {
			if second {
				from, g.Taper.Start = s.p.At, 0
			} else {
				to, g.Taper.End = s.p.At, 0
			}
		}
		g.SetIn = SetIn{math.Max(from-lo, 0), math.Max(hi-to, 0)}
		g.Holes, g.Edges, g.Marks = s.holes(p, from, second), s.cuts(p, from, second), s.marks(p, from, second)
		g.Flanges = s.flanges(p, f.Flanges, from, to, second)
		g.Meets = kept(f.Meets, g.Flanges)
		out = append(out, g)
	}
	return out
}

// whole measures flanges flat that go with their piece as they are.
func (s *splitter) whole(list []Flange) (out []Flange) {
	for _, f := range list {
		if p := s.byID[f.ID]; p != nil && (f.Kind != Hem || f.Hem == TeardropHem) {
			f.Measure, f.Length = Flat, p.corners[2].Y
		}
		f.Flanges = s.whole(f.Flanges)
		out = append(out, f)
	}
	return out
}

// holes answers what of a panel's holes goes with a piece that begins at lo.
func (s *splitter) holes(p *panel, lo float64, second bool) (out []Hole) {
	mine := map[bool]int{true: 1, false: -1}[second]
	for i := range p.holes {
		r := &p.holes[i]
		var made []*hole
		sides := map[int]int{}
		for k := range s.b.holes {
			h := &s.b.holes[k]
			if h.recipe.ID != r.ID {
				continue
			}
			x, reach := s.along(p.pose.apply(h.centre)), h.reach()+s.b.recipe.Thickness
			at := s.side(x-reach, x+reach)
			if at == 0 {
				s.refuse("%s lies on the line: split the part beside it.", h.name)
			}
			sides[at]++
			made = append(made, h)
		}
		whole := sides[mine] == len(made)
		if sides[mine] == 0 {
			continue
		}
		at, why := s.b.locate(p, r, 0)
		if why != "" {
			continue
		}
		if r.X.Edge == Feature || r.Y.Edge == Feature {
			s.refuse("%s is measured from another hole: measure it from an edge before the part is split.", made[0].name)
			continue
		}
		spread := r.Pattern != nil && (r.Pattern.Kind == EdgePattern || r.Pattern.Kind == MirrorPattern) // hangs on edges or the middle
		if whole && !spread {
			h := *r
			s.place(p, &h, at.origin, lo, second)
			out = append(out, h)
			continue
		}
		for n, m := range made { // one by one
			x := s.along(p.pose.apply(m.centre))
			if s.side(x, x) != mine {
				continue
			}
			if spread && r.Kind != RoundHole && r.Kind != SquareHole {
				s.refuse("%s is a mirrored or spread pattern of a shape that is not round: set its holes one by one before the part is split.", m.name)
			}
			h := *r
			h.Pattern = nil
			if h.ID = r.ID; n > 0 {
				h.ID = s.newID()
			}
			s.place(p, &h, m.centre, lo, second)
			out = append(out, h)
		}
	}
	return out
}

// place measures a hole flat from the edges of its piece; the sides it counts
// from stay, so that its ways do.
func (s *splitter) place(p *panel, h *Hole, at profile.Point, lo float64, second bool) {
	flat := p.pose.apply(at)
	set := func(o *Offset, n profile.Point) { // the way that is not split
		i := p.edgeNamed(o.Edge)
		if i < 0 { // the middle stays the middle
			_, d, _ := s.b.line(p, Offset{Edge: Middle}, p.pose.turn(n), 0)
			*o = Offset{Edge: Middle, Distance: n.Dot(at) - d}
			return
		}
		start, _, _, _ := p.edge(i)
		*o = Offset{Edge: o.Edge, From: Flat, Distance: n.Dot(at.Sub(start))}
	}
	split, other := &h.X, &h.Y
	way := profile.Point{Y: 1}
	if s.p.Axis == "y" {
		split, other, way = &h.Y, &h.X, profile.Point{X: 1}
	}
	n, _, _ := s.b.line(p, *other, way, 0)
	set(other, n)
	x := s.along(flat)
	if split.Edge == s.high {
		end := s.p.At
		if second {
			end = s.top(p)
		} else if s.p.Joint == LapJoint && p.flange == nil {
			end += s.p.Wide
		}
		*split = Offset{Edge: s.high, From: Flat, Distance: end - x}
		return
	}
	*split = Offset{Edge: s.low, From: Flat, Distance: x - lo}
}

// top answers where a panel ends along the split axis.
func (s *splitter) top(p *panel) float64 {
	most := math.Inf(-1)
	for _, c := range p.corners {
		most = math.Max(most, s.along(p.pose.apply(c)))
	}
	return most
}

// cuts answers what of a panel's notches and tabs goes with a piece.
func (s *splitter) cuts(p *panel, lo float64, second bool) (out []EdgeCut) {
	mine := map[bool]int{true: 1, false: -1}[second]
	for e, list := range p.cuts {
		name := p.facing(e)
		for n, c := range list {
			a, z := s.along(p.pose.apply(p.point(e, c.from, 0))), s.along(p.pose.apply(p.point(e, c.to, 0)))
			at := s.side(math.Min(a, z), math.Max(a, z))
			if at == 0 {
				s.refuse("A notch or tab lies on the line: split the part beside it.")
			}
			if at != mine {
				continue
			}
			g := *c.of
			if g.Count, g.Margin = 0, 0; n > 0 {
				g.ID = s.newID()
			}
			if name != s.low && name != s.high { // along the split axis
				g.At, g.FromEnd = (a+z)/2-lo, false
			} else {
				_, _, _, length := p.edge(e)
				if g.At, g.FromEnd = (c.from+c.to)/2, false; !p.along(e) {
					g.At = length - g.At
				}
			}
			out = append(out, g)
		}
	}
	return out
}

// marks answers what of a panel's marks goes with a piece.
func (s *splitter) marks(p *panel, lo float64, second bool) (out []Mark) {
	for _, m := range p.marks {
		h := Hole{X: m.X, Y: m.Y}
		at, why := s.b.locate(p, &h, 0)
		if why != "" || h.X.Edge == Feature || h.Y.Edge == Feature {
			continue
		}
		if x := s.along(p.pose.apply(at.origin)); x > s.p.At != second {
			continue
		}
		s.place(p, &h, at.origin, lo, second)
		m.X, m.Y = h.X, h.Y
		out = append(out, m)
	}
	return out
}

// join gives the pieces what holds them together.
func (s *splitter) join(out []Started, long, deep float64) []Started {
	a, b := &out[0].Recipe.Base, &out[1].Recipe.Base
	t := s.b.recipe.Thickness
	margin := math.Min(deep/4, 30)
	n := max(int(math.Round((deep-2*margin)/s.p.Pitch))+1, 2)
	step := (deep - 2*margin) / float64(n-1)
	row := func(e Edge, in float64) Hole {
		h := Hole{ID: s.newID(), Name: "Joint bolts", Kind: RoundHole, Diameter: s.p.Hole, X: Offset{Edge: e, Distance: in, From: Flat}, Y: Offset{Edge: Front, Distance: margin, From: Flat},
			Pattern: &Pattern{Kind: GridPattern, Columns: 1, Rows: n, PitchY: step}}
		if s.p.Axis == "y" {
			h.X, h.Y = Offset{Edge: Left, Distance: margin, From: Flat}, h.X
			h.Pattern = &Pattern{Kind: GridPattern, Columns: n, Rows: 1, PitchX: step}
		}
		return h
	}
	switch s.p.Joint {
	case TabJoint:
		clear := slotClearance(s.b.process.Key)
		wide := math.Round(step / 3)
		for k := range n {
			at := margin + float64(k)*step
			a.Edges = append(a.Edges, EdgeCut{ID: s.newID(), Name: fmt.Sprintf("Seam tab %d", k+1), Kind: Tab, Edge: s.high, At: at, Width: wide, Depth: 3 * t})
			b.Edges = append(b.Edges, EdgeCut{ID: s.newID(), Name: fmt.Sprintf("Seam notch %d", k+1), Kind: Notch, Edge: s.low, At: at, Width: wide + clear, Depth: 3*t + clear/2})
		}
	case LapJoint:
		a.Holes, b.Holes = append(a.Holes, row(s.high, s.p.Wide/2)), append(b.Holes, row(s.low, s.p.Wide/2))
	case StripJoint:
		a.Holes, b.Holes = append(a.Holes, row(s.high, s.p.Wide/2)), append(b.Holes, row(s.low, s.p.Wide/2))
		strip := s.b.recipe
		strip.Hand, strip.SetAside = Hand{}, nil
		strip.Base = Base{ID: s.newID(), Length: 2 * s.p.Wide, Width: deep, Measure: Flat}
		if s.p.Axis == "y" {
			strip.Base.Length, strip.Base.Width = deep, 2*s.p.Wide
		}
		strip.Base.Holes = []Hole{row(s.low, s.p.Wide/2), row(s.high, s.p.Wide/2)}
		out = append(out, Started{"joint strip", 1, strip})
	}
	return out
}
