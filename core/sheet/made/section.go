package made

import (
	"math"
	"slices"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/solid"
)

// Section is the folded part cut square to bends that run the same way, through
// the middle of each panel: x away from the base over the edge it is named by, y
// up from the base's mid-surface, mm.
type Section struct {
	Edge   sheet.Edge       `json:"edge" doc:"edge of the base that lies at the right"`
	Panels []string         `json:"panels" doc:"ids of the panels cut, from the left"`
	Pieces []SectionPiece   `json:"pieces"`
	Sizes  []SectionMeasure `json:"sizes" doc:"what can be typed over, at its place"`
}

// SectionPiece is a panel or a bend as it is cut.
type SectionPiece struct {
	ID   string          `json:"id" doc:"of the panel"`
	Bend bool            `json:"bend,omitempty"`
	Rim  []profile.Point `json:"rim"`
}

// SectionMeasure is a size of the recipe between the points it is measured
// between; of an angle or radius both are its bend.
type SectionMeasure struct {
	Path   string        `json:"path" doc:"of a dimension of the part"`
	From   profile.Point `json:"from"`
	To     profile.Point `json:"to"`
	Beside profile.Point `json:"beside" doc:"unit, the side its line keeps to"`
}

// maxSections keeps the answer small: of more flanges on an edge the first show.
const maxSections = 12

// sections cuts the part once for each chain of bends that hang on each other's
// tips, with the chain across the base beside it.
func (b *maker) sections() []Section {
	out := []Section{}
	base := b.Panels[0]
	done := map[int]bool{}
	for e := range base.Corners {
		if done[e] || len(base.Kids[e]) == 0 {
			continue
		}
		done[e] = true
		over := opposite(base, e)
		mine, others := chains(base.Kids[e]), [][]*lay.Panel{}
		if over >= 0 {
			done[over] = true
			others = chains(base.Kids[over])
		}
		for i := range max(len(mine), len(others)) {
			if len(out) == maxSections {
				return out
			}
			c := cutter{b: b, on: e, over: over, right: mine[min(i, len(mine)-1)]}
			if len(others) > 0 {
				c.left = others[min(i, len(others)-1)]
			}
			out = append(out, c.section())
		}
	}
	return out
}

// chains lists every way from the base out to a tip.
func chains(kids []*lay.Panel) (out [][]*lay.Panel) {
	for _, k := range kids {
		further := chains(k.Kids[2])
		if len(further) == 0 {
			out = append(out, []*lay.Panel{k})
		}
		for _, f := range further {
			out = append(out, append([]*lay.Panel{k}, f...))
		}
	}
	return out
}

// cutter cuts one section.
type cutter struct {
	b           *maker
	on, over    int
	left, right []*lay.Panel
	way         profile.Point // over the edge, in the base's plane
	out         Section
}

func (c *cutter) section() Section {
	base, r := c.b.Panels[0], c.b.Recipe
	start, _, way, length := base.Edge(c.on)
	c.way = way
	c.out = Section{Edge: base.Facing(c.on), Panels: []string{}, Pieces: []SectionPiece{}, Sizes: []SectionMeasure{}}
	for _, p := range slices.Backward(c.left) {
		c.flange(p)
	}
	hi := start.Dot(way)
	var lo float64
	if c.over >= 0 {
		far, _, _, _ := base.Edge(c.over)
		lo = far.Dot(way)
	} else { // as far as the base reaches behind the middle of the edge
		lo = hi - reach(base.Outlined(), base.Point(c.on, length/2, 0), way.Mul(-1))
	}
	t := r.Thickness / 2
	c.out.Panels = append(c.out.Panels, base.ID)
	c.out.Pieces = append(c.out.Pieces, SectionPiece{ID: base.ID,
		Rim: []profile.Point{{X: lo, Y: -t}, {X: hi, Y: -t}, {X: hi, Y: t}, {X: lo, Y: t}}})
	if r.Base.Kind() == sheet.Rectangle {
		path := "/base/width"
		if e := base.Facing(c.on); e == sheet.Left || e == sheet.Right {
			path = "/base/length"
		}
		// As on the flat: of several bends on an edge the farthest counts.
		beyond := func(e int) (far float64) {
			for _, k := range base.Kids[e] {
				far = max(far, lay.Setback(r.Base.Measure, k.Flange.InsideRadius, r.Thickness, k.Flange.Angle))
			}
			return far
		}
		c.out.Sizes = append(c.out.Sizes, SectionMeasure{Path: path, From: profile.Point{X: lo - beyond(c.over), Y: -t},
			To: profile.Point{X: hi + beyond(c.on), Y: -t}, Beside: profile.Point{Y: -1}})
	}
	for _, p := range c.right {
		c.flange(p)
	}
	return c.out
}

// reach answers how far a ray runs inside an outline, to the farthest crossing.
func reach(outline []profile.Point, from, way profile.Point) (far float64) {
	for i, a := range outline {
		d := outline[(i+1)%len(outline)].Sub(a)
		k := way.Cross(d)
		if math.Abs(k) < 1e-12 {
			continue
		}
		s, t := a.Sub(from).Cross(d)/k, a.Sub(from).Cross(way)/k
		if t >= -1e-9 && t <= 1+1e-9 {
			far = max(far, s)
		}
	}
	return far
}

// at lays a place of the body into the section.
func (c *cutter) at(v solid.Vector) profile.Point {
	return profile.Point{X: v[0]*c.way.X + v[1]*c.way.Y, Y: v[2]}
}

func (c *cutter) flange(p *lay.Panel) {
	b, f, t := c.b, p.Flange, c.b.Recipe.Thickness
	mid := p.Zone / 2
	_, h := p.Size()
	face := func(y, z float64) profile.Point { return c.at(p.Frame.Apply(profile.Point{X: mid, Y: y}, z)) }
	c.out.Panels = append(c.out.Panels, p.ID)
	c.out.Pieces = append(c.out.Pieces, SectionPiece{ID: p.ID, Rim: []profile.Point{face(0, -t/2), face(h, -t/2), face(h, t/2), face(0, t/2)}})
	n := max(int(math.Ceil(f.Angle/6)), 2)
	rim := make([]profile.Point, 2*n+2)
	turned := func(k float64, z float64) profile.Point {
		return c.at(b.Swing(p, f.Angle*k).Apply(profile.Point{X: mid}, z))
	}
	for k := range n + 1 {
		s := float64(k) / float64(n)
		rim[k], rim[2*n+1-k] = turned(s, -t/2), turned(s, t/2)
	}
	c.out.Pieces = append(c.out.Pieces, SectionPiece{ID: p.ID, Bend: true, Rim: rim})
	// The outer face of its bend: the back where it goes up.
	outer := t / 2
	if f.Up {
		outer = -outer
	}
	beside := func(y, z float64) profile.Point {
		d := face(y, z).Sub(face(y, 0))
		return d.Mul(1 / d.Len())
	}
	if p.Jog == nil {
		back := lay.Setback(f.Measure, f.InsideRadius, t, f.Angle)
		z := outer
		if f.Measure == sheet.Inside {
			z = -outer
		}
		c.out.Sizes = append(c.out.Sizes, SectionMeasure{p.Path + "/length", face(-back, z), face(f.Length-back, z), beside(h/2, z)})
	}
	bend := func(name string, z float64) {
		q := turned(.5, z)
		d := q.Sub(turned(.5, 0))
		c.out.Sizes = append(c.out.Sizes, SectionMeasure{p.Path + name, q, q, d.Mul(1 / d.Len())})
	}
	switch recipe := asTyped(p); {
	case recipe.Kind == sheet.Hem:
	case recipe.Kind == sheet.Jog && p.Jog == nil: // its second bend: told at the first
		q := c.at(p.Parent.Parent.Frame.Ez) // across the jog's faces
		q = q.Mul(1 / q.Len())
		from := face(h/2, outer)
		if !p.Parent.Flange.Up {
			q = q.Mul(-1)
		}
		along := c.at(p.Frame.Ey)
		c.out.Sizes = append(c.out.Sizes, SectionMeasure{p.Path + "/depth", from.Sub(q.Mul(recipe.Depth)), from, along.Mul(1 / along.Len())})
	default:
		bend("/angle", outer)
		if recipe.Kind != sheet.Roll || recipe.Round == 0 {
			bend("/insideRadius", -outer)
		}
	}
}

// asTyped answers the flange of the recipe a panel was made of, with its kind; a
// jog's slope answers the jog.
func asTyped(p *lay.Panel) *sheet.Flange {
	if p.Jog != nil {
		return p.Jog
	}
	if p.Parent.Jog != nil {
		return p.Parent.Jog
	}
	return p.Flange
}

// opposite answers the straight edge that runs against edge e, −1 where there is
// none.
func opposite(p *lay.Panel, e int) int {
	_, dir, _, _ := p.Edge(e)
	for i := range p.Corners {
		if _, d, _, _ := p.Edge(i); i != e && p.Straight(i) && d.Dot(dir) < -1+1e-9 {
			return i
		}
	}
	return -1
}
