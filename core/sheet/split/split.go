// Package split cuts a part in two where it is past bed, brake or lift, and gives
// both pieces what joins them: a lap, tabs, or a strip.
package split

import (
	"math"
	"slices"

	"warmanvil/core/profile"
	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
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
	Axis  string    `json:"axis,omitempty" enum:"x,y" doc:"x: at a distance from the left, y: from the front"`
	Bend  string    `json:"bend,omitempty" doc:"id of the flange that becomes a piece of its own, instead of a line across"`
	At    float64   `json:"at,omitempty" doc:"mm from the base's left or front tangent line or edge"`
	Joint JointKind `json:"joint" enum:"lap,tabs,strip"`
	Wide  float64   `json:"wide,omitempty" doc:"mm of the lap, or half the strip; 40 when left out"`
	Hole  float64   `json:"hole,omitempty" doc:"mm, bolts' hole; 9 when left out"`
	Pitch float64   `json:"pitch,omitempty" doc:"mm, bolts or tabs about every; 120 when left out"`
	Why   string    `json:"why,omitempty" doc:"why it is split, and why there; kept with the pieces"`
}

// Usual answers the joint a metric or an inch shop starts from.
func Usual(inch bool) Parting {
	u := sheet.Usual{Inch: inch}
	return Parting{Joint: LapJoint, Wide: u.Or(40, 1.5), Hole: u.Or(9, 11./32), Pitch: u.Or(120, 5)}
}

// Pieces is what a part was split into.
type Pieces struct {
	Parts []sheet.Started
	Seams []Seam
}

// Seam is where two pieces are bolted together.
type Seam struct {
	A, B  int        // pieces, A under the heads
	Bolts []string   // ids of A's holes; none where it is welded
	Edge  sheet.Edge // of A's base, that is welded to B
}

// splitter cuts a built part along a line. Its pieces are measured flat: a size
// then does not hang on which flanges a piece keeps.
type splitter struct {
	b         *lay.Laid
	p         Parting
	low, high sheet.Edge
	newID     func() string
	byID      map[string]*lay.Panel
	err       error
}

// mostWhy is how long a reason may be.
const mostWhy = 500

// outlined tells whether a flange has an outline of its own.
func outlined(list []sheet.Flange) bool {
	return slices.ContainsFunc(list, func(f sheet.Flange) bool { return f.Outline != nil || outlined(f.Flanges) })
}

// Part splits a part across its base. It fails with *working.Fault where the
// line runs through what cannot be halved.
func Part(r sheet.Recipe, p Parting, newID func() string) (Pieces, error) {
	if err := r.Validate(); err != nil {
		return Pieces{}, err
	}
	err := sheet.OneOf("/axis", "The line", p.Axis, "x", "y")
	if p.Bend != "" {
		err = nil
	}
	err = working.First(err, sheet.OneOf("/joint", "The joint", p.Joint, LapJoint, TabJoint, StripJoint),
		working.Within("/wide", "The lap", p.Wide, 0, 1000, "mm"), working.Within("/hole", "The hole", p.Hole, 0, 200, "mm"),
		working.Within("/pitch", "The pitch", p.Pitch, 0, 5000, "mm"))
	if err == nil && r.Base.Kind() == sheet.Developed {
		err = working.Refuse("", "A round is not parted by a line across its flat: make it of two rounds, each with its own seam: "+
			"two bands, or "+
			"two heights with level ends.")
	}
	if err == nil && outlined(r.Base.Flanges) {
		err = working.Refuse("", "A flange of it has an outline of its own, which is not parted here: part the body it belongs to, "+
			"or give the "+
			"flange a length.")
	}
	if len(p.Why) > mostWhy {
		err = working.Refuse("/why", "Why it is split is said in up to %d characters.", mostWhy)
	}
	if err != nil {
		return Pieces{}, err
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
	if p.Bend != "" {
		return splitAtBend(r, p, newID)
	}
	b := lay.Out(r, r.Bend.School, quantity.Display{})
	if len(b.Panels) == 0 || b.Broken {
		return Pieces{}, working.Refuse("", "The part cannot be unfolded as it stands: mend that first.")
	}
	s := &splitter{b: b, p: p, low: sheet.Left, high: sheet.Right, newID: newID, byID: map[string]*lay.Panel{}}
	long, deep := b.Panels[0].Size()
	if p.Axis == "y" {
		s.low, s.high = sheet.Front, sheet.Back
		long, deep = deep, long
	}
	for _, q := range b.Panels {
		s.byID[q.ID] = q
	}
	least := 2*r.Thickness + p.Hole
	if p.Joint != TabJoint {
		least = math.Max(least, p.Wide)
	}
	if err := working.Within("/at", "The line", p.At, least, long-least, "mm"); err != nil {
		return Pieces{}, err
	}
	if r.Base.Kind() != sheet.Rectangle {
		return s.splitShape()
	}
	first, second := s.half(false), s.half(true)
	if s.err != nil {
		return Pieces{}, s.err
	}
	out := []sheet.Started{{Name: "first piece", Quantity: 1, Recipe: first}, {Name: "second piece", Quantity: 1, Recipe: second}}
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
	case hi <= s.p.At+sheet.Tiny:
		return -1
	case lo >= s.p.At-sheet.Tiny:
		return 1
	}
	return 0
}

// half makes one piece's recipe.
func (s *splitter) half(second bool) sheet.Recipe {
	r := s.b.Recipe
	base := s.b.Panels[0]
	w, h := base.Size()
	out := r
	out.Base.Measure, out.Base.Length, out.Base.Width, out.Base.Corner = sheet.Flat, w, h, sheet.Corner{}
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
	out.SetAside, out.Reasons, out.Base.ID = nil, nil, s.newID()
	return out
}

// kept answers the corners whose both flanges a piece still has.
func kept(list []sheet.Meet, flanges []sheet.Flange) (out []sheet.Meet) {
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
func (s *splitter) flanges(parent *lay.Panel, list []sheet.Flange, lo, hi float64, second bool) (out []sheet.Flange) {
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
		g.Measure, g.Length, g.Width = sheet.Flat, p.Corners[2].Y, 0
		if f.Kind == sheet.Hem && f.Hem != sheet.TeardropHem {
			g.Measure, g.Length = f.Measure, f.Length
		}
		switch f.Edge {
		case s.low, s.high: // along the line: whole with its piece
			at := map[bool]int{true: -1, false: 1}[f.Edge == s.low]
			if parent.Flange != nil { // on a flange: by where it hangs
				a := s.along(parent.Pose.Apply(parent.Point(p.On, p.At[0], 0)))
				at = s.side(a, a)
			}
			if at != mine {
				continue
			}
			g.SetIn = f.SetIn
			if f.Width > 0 {
				_, _, _, l := parent.Edge(p.On)
				g.SetIn = sheet.SetIn{Start: (l - f.Width) / 2, End: (l - f.Width) / 2}
			}
			g.Flanges = s.whole(f.Flanges)
			out = append(out, g)
			continue
		}
		a, c := s.along(p.Pose.Apply(profile.Point{})), s.along(p.Pose.Apply(profile.Point{X: p.Zone}))
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
		g.SetIn = sheet.SetIn{Start: math.Max(from-lo, 0), End: math.Max(hi-to, 0)}
		g.Holes, g.Edges, g.Marks = s.holes(p, from, second), s.cuts(p, from, second), s.marks(p, from, second)
		g.Flanges = s.flanges(p, f.Flanges, from, to, second)
		g.Meets = kept(f.Meets, g.Flanges)
		out = append(out, g)
	}
	return out
}

// whole measures flanges flat that go with their piece as they are.
func (s *splitter) whole(list []sheet.Flange) (out []sheet.Flange) {
	for _, f := range list {
		if p := s.byID[f.ID]; p != nil && (f.Kind != sheet.Hem || f.Hem == sheet.TeardropHem) {
			f.Measure, f.Length = sheet.Flat, p.Corners[2].Y
		}
		f.Flanges = s.whole(f.Flanges)
		out = append(out, f)
	}
	return out
}
