package sheet

import (
	"fmt"
	"math"
	"slices"
	"strconv"
	"strings"

	"warmanvil/core/profile"
)

// hole is one hole as made, in the axes of its panel.
type hole struct {
	id     string
	recipe *Hole
	panel  *panel
	path   string // of the feature in the recipe
	name   string
	says   string // what it is for
	centre profile.Point
	along  profile.Point // unit, its long way
	dia    float64       // mm, finished; of a slot its width
	pre    float64       // mm, what is cut of it; the same where nothing is drilled or drawn after
	form   profile.Loop  // of neither round nor slot: outline about the centre, x along
	rim    []profile.Point
	line   *[2]profile.Point // a slot's axis; the centre alone of a round one
	flip   bool              // its form is mirrored
	tab    [2]float64        // mm, of a slot for a tab: length and width
}

// r answers how far the hole reaches round its core.
func (h *hole) r() float64 {
	if h.form != nil {
		return 0
	}
	return h.dia / 2
}

// reach answers how far the hole's edge lies from its centre at most.
func (h *hole) reach() float64 {
	far := h.dia / 2
	if h.recipe.Kind == SlotHole {
		far = h.recipe.Length / 2
	}
	for _, q := range h.rim {
		far = math.Max(far, q.Sub(h.centre).Len())
	}
	return far
}

// core answers the centre line of the hole's shape: a point, a slot's axis, or
// its outline.
func (h *hole) core() []profile.Point {
	switch {
	case h.form != nil:
		return h.rim
	case h.recipe.Kind != SlotHole:
		return h.line[:1]
	}
	return h.line[:]
}

func (h *hole) flatCore() []profile.Point {
	c := slices.Clone(h.core())
	for i := range c {
		c[i] = h.panel.pose.apply(c[i])
	}
	return c
}

// features places every hole of every panel.
func (b *layer) features() {
	for _, p := range b.panels {
		for i := range p.holes {
			b.place(p, i)
		}
	}
}

func (b *layer) place(p *panel, i int) {
	r := &p.holes[i]
	h := hole{id: r.ID, recipe: r, panel: p, path: p.path + "/holes/" + strconv.Itoa(i)}
	h.name = titled(r.Name, holeWord(r, i), lower(p.name))
	at, why := b.locate(p, r, 0)
	if why != "" {
		b.stop("hole-nowhere", "Off its face", h.subject(), h.name+" has no place: "+why+".")
		return
	}
	nx, ny, origin := at.x, at.y, at.origin
	h.along, h.centre = turned(nx, ny, r.Angle), origin
	u, why := b.use(&h)
	if why != "" {
		b.stop("hole-unsized", "Off its face", h.subject(), h.name+" has no size: "+why+".")
		return
	}
	h.dia, h.pre, h.says, h.form = u.cut, u.pre, u.says, form(r)
	if h.tab[0] > 0 {
		h.form = rounded(h.tab[0], h.tab[1], 0)
	}
	if h.pre == 0 {
		h.pre = h.dia
	}
	h.flip = nx.Cross(ny) < 0 // its own axes are mirrored
	add := func(k int, c profile.Point) {
		h.centre = c
		half := profile.Point{}
		if r.Kind == SlotHole {
			half = h.along.Mul((r.Length - h.dia) / 2)
		}
		h.line = &[2]profile.Point{c.Sub(half), c.Add(half)}
		if h.form != nil {
			h.rim = h.outline(h.flip).Flatten(.02)
		}
		if r.Pattern != nil {
			h.id = r.ID + "." + strconv.Itoa(k+1)
		}
		b.holes = append(b.holes, h)
	}
	switch pat := r.Pattern; {
	case pat == nil:
		add(0, origin)
	case pat.Kind == CirclePattern:
		for k := range pat.Count {
			dir := turned(nx, ny, pat.Start+360*float64(k)/float64(pat.Count))
			add(k, origin.Add(dir.Mul(pat.Diameter/2)))
		}
	case pat.Kind == RowPattern:
		way := turned(nx, ny, pat.Start)
		for k := range pat.Count {
			add(k, origin.Add(way.Mul(float64(k)*pat.PitchX)))
		}
	case pat.Kind == EdgePattern:
		places, way, why := b.alongEdge(p, r)
		if why != "" {
			b.stop("hole-nowhere", "Off its face", h.subject(), h.name+" has no place: "+why+".")
			return
		}
		h.along = turned(way, profile.Point{X: -way.Y, Y: way.X}, r.Angle)
		h.flip = false
		for k, q := range places {
			add(k, q)
		}
	case pat.Kind == MirrorPattern:
		b.mirror(p, &h, pat, origin, add)
	default:
		for row := range pat.Rows {
			for col := range pat.Columns {
				add(row*pat.Columns+col, origin.Add(nx.Mul(float64(col)*pat.PitchX)).Add(ny.Mul(float64(row)*pat.PitchY)))
			}
		}
	}
}

// located is where two offsets put a hole, and the ways its pattern runs: away
// from what x counts from, and square to that towards where y grows.
type located struct{ origin, x, y profile.Point }

// locate answers where the two offsets put the hole; deep counts holes that are
// measured from one another.
func (b *laid) locate(p *panel, r *Hole, deep int) (located, string) {
	if deep > 20 {
		return located{}, "it is measured from holes that are measured from it"
	}
	nx, dx, why := b.line(p, r.X, profile.Point{X: 1}, deep)
	if why != "" {
		return located{}, why
	}
	ny, dy, why := b.line(p, r.Y, profile.Point{Y: 1}, deep)
	if why != "" {
		return located{}, why
	}
	cross := nx.Cross(ny)
	if math.Abs(cross) < .05 {
		return located{}, "both its distances run the same way: measure one of them from another edge"
	}
	// The place with nx·q = dx and ny·q = dy.
	q := profile.Point{X: (dx*ny.Y - dy*nx.Y) / cross, Y: (dy*nx.X - dx*ny.X) / cross}
	side := profile.Point{X: -nx.Y, Y: nx.X}
	if cross < 0 {
		side = side.Mul(-1)
	}
	return located{q, nx, side}, ""
}

// line answers the line an offset puts a hole on: n·q = d, in the panel's axes.
// way is where an offset that names no edge counts to, on the flat pattern.
func (b *laid) line(p *panel, o Offset, way profile.Point, deep int) (n profile.Point, d float64, why string) {
	if o.Edge != Middle && o.Edge != Feature {
		i := p.edgeNamed(o.Edge)
		if i < 0 {
			return n, d, fmt.Sprintf("%s has no edge %q", lower(p.name), o.Edge)
		}
		if !p.straight(i) {
			return n, d, fmt.Sprintf("the %s edge of %s is round: measure from its middle", o.Edge, lower(p.name))
		}
		start, _, _, _ := p.edge(i)
		n = p.inward(i)
		return n, n.Dot(start) + o.Distance - p.reference(i, o.From, b.recipe.Thickness), ""
	}
	n = p.own(way)
	if o.Edge == Middle {
		lo, hi := math.Inf(1), math.Inf(-1)
		for _, q := range p.outlined() {
			lo, hi = math.Min(lo, n.Dot(q)), math.Max(hi, n.Dot(q))
		}
		return n, (lo+hi)/2 + o.Distance, ""
	}
	for i := range p.holes {
		if p.holes[i].ID == o.Feature {
			at, why := b.locate(p, &p.holes[i], deep+1)
			return n, n.Dot(at.origin) + o.Distance, why
		}
	}
	return n, d, "the hole it is measured from is not on this panel any more"
}

// own answers the panel's own axis that comes nearest to a way on the flat
// pattern.
func (p *panel) own(way profile.Point) profile.Point {
	if p.flange == nil {
		return way
	}
	// Ways of the two pairs of edges, so that ties fall as the edges' names do.
	want := Left
	if way.Y > .5 {
		want = Front
	}
	switch p.edgeNamed(want) {
	case 0:
		return profile.Point{Y: 1}
	case 2:
		return profile.Point{Y: -1}
	case 3:
		return profile.Point{X: 1}
	}
	return profile.Point{X: -1}
}

// subject answers a hole as the subject of a finding.
func (h *hole) subject() *panel {
	who := &panel{id: h.recipe.ID, name: h.name, spot: &spot{h.panel, h.centre}}
	if h.line == nil && h.centre == (profile.Point{}) { // it has no place yet
		who.spot = spotOf(h.panel)
	}
	return who
}

// inward answers the unit normal of an edge into the panel.
func (p *panel) inward(i int) profile.Point {
	_, _, out, _ := p.edge(i)
	return out.Mul(-1)
}

func turned(nx, ny profile.Point, degrees float64) profile.Point {
	s, c := math.Sincos(degrees * math.Pi / 180)
	return nx.Mul(c).Add(ny.Mul(s))
}

// titled answers the shop's own name of a feature, or what it is and where.
func titled(own, word, panel string) string {
	if own != "" {
		return own
	}
	return word + " on " + panel
}

func holeWord(h *Hole, i int) string {
	word := map[HoleKind]string{SlotHole: "Slot", SquareHole: "Square hole", RectangleHole: "Rectangular hole", DHole: "D hole",
		KeyholeHole: "Keyhole", CutoutHole: "Cutout"}[h.Kind]
	if word == "" {
		word = "Hole"
	}
	if h.Use != nil {
		word = map[UseKind]string{UseCountersink: "Countersunk hole", UseTapped: "Tapped hole", UseWeldNut: "Weld nut", UseRivetNut: "Rivet nut",
			UseAccess: "Access hole", UseDrain: "Drain", UsePass: "Pass-through", UseTab: "Slot for a tab",
			UseLightening: "Lightening hole"}[h.Use.Kind]
	}
	if h.Pattern != nil {
		word = strings.TrimSuffix(word, " hole")
		switch h.Pattern.Kind {
		case CirclePattern:
			word += " circle"
		case RowPattern:
			word += " row"
		case EdgePattern:
			word += " row along an edge"
		case MirrorPattern:
			word += " pair"
		default:
			word += " grid"
		}
	}
	return word + " " + strconv.Itoa(i+1)
}

// cut tells whether the hole is cut with the blank.
func (h *hole) cut() bool { return h.recipe.Made != MadeDrilled && h.recipe.Made != MadeMatched }

func (h *hole) area() float64 {
	d := h.pre
	switch {
	case h.form != nil:
		return math.Abs(h.form.Area())
	case h.recipe.Kind == SlotHole:
		return math.Pi*d*d/4 + d*(h.recipe.Length-d)
	}
	return math.Pi * d * d / 4
}

func (h *hole) length() float64 {
	d := h.pre
	switch {
	case h.form != nil:
		return h.form.Length()
	case h.recipe.Kind == SlotHole:
		return math.Pi*d + 2*(h.recipe.Length-d)
	}
	return math.Pi * d
}

// holds tells whether a place lies inside a hole that has an outline.
func (h *hole) holds(p profile.Point) bool { return h.form != nil && profile.Inside(p, h.rim) }
