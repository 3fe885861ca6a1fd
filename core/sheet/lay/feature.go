package lay

import (
	"fmt"
	"math"
	"slices"
	"strconv"
	"strings"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
)

// Hole is one hole as made, in the axes of its panel.
type Hole struct {
	ID     string
	Recipe *sheet.Hole
	Panel  *Panel
	Path   string // of the feature in the recipe
	Name   string
	Says   string // what it is for
	Centre profile.Point
	Along  profile.Point // unit, its long way
	Dia    float64       // mm, finished; of a slot its width
	Pre    float64       // mm, what is cut of it; the same where nothing is drilled or drawn after
	Form   profile.Loop  // of neither round nor slot: outline about the centre, x along
	rim    []profile.Point
	line   *[2]profile.Point // a slot's axis; the centre alone of a round one
	Flip   bool              // its form is mirrored
	Tab    [2]float64        // mm, of a slot for a tab: length and width
}

// R answers how far the hole reaches round its core.
func (h *Hole) R() float64 {
	if h.Form != nil {
		return 0
	}
	return h.Dia / 2
}

// Reach answers how far the hole's edge lies from its centre at most.
func (h *Hole) Reach() float64 {
	far := h.Dia / 2
	if h.Recipe.Kind == sheet.SlotHole {
		far = h.Recipe.Length / 2
	}
	for _, q := range h.rim {
		far = math.Max(far, q.Sub(h.Centre).Len())
	}
	return far
}

// Core answers the centre line of the hole's shape: a point, a slot's axis, or
// its outline.
func (h *Hole) Core() []profile.Point {
	switch {
	case h.Form != nil:
		return h.rim
	case h.Recipe.Kind != sheet.SlotHole:
		return h.line[:1]
	}
	return h.line[:]
}

func (h *Hole) FlatCore() []profile.Point {
	c := slices.Clone(h.Core())
	for i := range c {
		c[i] = h.Panel.Pose.Apply(c[i])
	}
	return c
}

// features places every hole of every panel.
func (b *layer) features() {
	for _, p := range b.Panels {
		for i := range p.Holes {
			b.place(p, i)
		}
	}
}

func (b *layer) place(p *Panel, i int) {
	r := &p.Holes[i]
	h := Hole{ID: r.ID, Recipe: r, Panel: p, Path: p.Path + "/holes/" + strconv.Itoa(i)}
	h.Name = Titled(r.Name, HoleWord(r, i), Lower(p.Name))
	at, why := b.Locate(p, r, 0)
	if why != "" {
		b.Stop("hole-nowhere", "Off its face", h.Subject(), h.Name+" has no place: "+why+".")
		return
	}
	nx, ny, origin := at.X, at.Y, at.Origin
	h.Along, h.Centre = Turned(nx, ny, r.Angle), origin
	u, why := b.use(&h)
	if why != "" {
		b.Stop("hole-unsized", "Off its face", h.Subject(), h.Name+" has no size: "+why+".")
		return
	}
	h.Dia, h.Pre, h.Says, h.Form = u.cut, u.pre, u.says, form(r)
	if h.Tab[0] > 0 {
		h.Form = rounded(h.Tab[0], h.Tab[1], 0)
	}
	if h.Pre == 0 {
		h.Pre = h.Dia
	}
	h.Flip = nx.Cross(ny) < 0 // its own axes are mirrored
	add := func(k int, c profile.Point) {
		h.Centre = c
		half := profile.Point{}
		if r.Kind == sheet.SlotHole {
			half = h.Along.Mul((r.Length - h.Dia) / 2)
		}
		h.line = &[2]profile.Point{c.Sub(half), c.Add(half)}
		if h.Form != nil {
			h.rim = h.Outline(h.Flip).Flatten(.02)
		}
		if r.Pattern != nil {
			h.ID = r.ID + "." + strconv.Itoa(k+1)
		}
		b.Holes = append(b.Holes, h)
		if b.Round != nil && p.Flange == nil {
			b.checkRound(&h)
		}
	}
	switch pat := r.Pattern; {
	case pat == nil:
		add(0, origin)
	case pat.Kind == sheet.CirclePattern:
		for k := range pat.Count {
			dir := Turned(nx, ny, pat.Start+360*float64(k)/float64(pat.Count))
			add(k, origin.Add(dir.Mul(pat.Diameter/2)))
		}
	case pat.Kind == sheet.RowPattern:
		way := Turned(nx, ny, pat.Start)
		for k := range pat.Count {
			add(k, origin.Add(way.Mul(float64(k)*pat.PitchX)))
		}
	case pat.Kind == sheet.EdgePattern:
		places, way, why := b.alongEdge(p, r)
		if why != "" {
			b.Stop("hole-nowhere", "Off its face", h.Subject(), h.Name+" has no place: "+why+".")
			return
		}
		h.Along = Turned(way, profile.Point{X: -way.Y, Y: way.X}, r.Angle)
		h.Flip = false
		for k, q := range places {
			add(k, q)
		}
	case pat.Kind == sheet.AroundPattern:
		places, why := b.around(r)
		if why != "" {
			b.Stop("hole-nowhere", "Off its face", h.Subject(), h.Name+" has no place: "+why+".")
			return
		}
		for k, q := range places {
			add(k, q)
		}
	case pat.Kind == sheet.MirrorPattern:
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
type located struct{ Origin, X, Y profile.Point }

// Locate answers where the two offsets put the hole; deep counts holes that are
// measured from one another.
func (b *Laid) Locate(p *Panel, r *sheet.Hole, deep int) (located, string) {
	if deep > 20 {
		return located{}, "it is measured from holes that are measured from it"
	}
	if r.X.Edge == sheet.Around || r.Y.Edge == sheet.Up {
		return b.locateRound(p, r.X, r.Y)
	}
	nx, dx, why := b.Line(p, r.X, profile.Point{X: 1}, deep)
	if why != "" {
		return located{}, why
	}
	ny, dy, why := b.Line(p, r.Y, profile.Point{Y: 1}, deep)
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

// Line answers the line an offset puts a hole on: n·q = d, in the panel's axes.
// way is where an offset that names no edge counts to, on the flat pattern.
func (b *Laid) Line(p *Panel, o sheet.Offset, way profile.Point, deep int) (n profile.Point, d float64, why string) {
	if o.Edge != sheet.Middle && o.Edge != sheet.Feature {
		i := p.EdgeNamed(o.Edge)
		if i < 0 {
			return n, d, fmt.Sprintf("%s has no edge %q", Lower(p.Name), o.Edge)
		}
		if b.Round != nil && p.Flange == nil && !slices.Contains(roundEdges, o.Edge) {
			return n, d, "on a round say how far round and how high it is, or measure from its ends or its middle"
		}
		if !p.Straight(i) {
			return n, d, fmt.Sprintf("the %s edge of %s is round: measure from its middle", o.Edge, Lower(p.Name))
		}
		start, _, _, _ := p.Edge(i)
		n = p.inward(i)
		return n, n.Dot(start) + o.Distance - p.Reference(i, o.From, b.Recipe.Thickness), ""
	}
	n = p.own(way)
	if o.Edge == sheet.Middle {
		lo, hi := math.Inf(1), math.Inf(-1)
		for _, q := range p.Outlined() {
			lo, hi = math.Min(lo, n.Dot(q)), math.Max(hi, n.Dot(q))
		}
		return n, (lo+hi)/2 + o.Distance, ""
	}
	for i := range p.Holes {
		if p.Holes[i].ID == o.Feature {
			at, why := b.Locate(p, &p.Holes[i], deep+1)
			return n, n.Dot(at.Origin) + o.Distance, why
		}
	}
	return n, d, "the hole it is measured from is not on this panel any more"
}

// roundEdges are the edges of a round's blank that have one direction.
var roundEdges = []sheet.Edge{sheet.Front, sheet.Right, sheet.Back, sheet.Left}

// own answers the panel's own axis that comes nearest to a way on the flat
// pattern.
func (p *Panel) own(way profile.Point) profile.Point {
	if p.Flange == nil {
		return way
	}
	// Ways of the two pairs of edges, so that ties fall as the edges' names do.
	want := sheet.Left
	if way.Y > .5 {
		want = sheet.Front
	}
	switch p.EdgeNamed(want) {
	case 0:
		return profile.Point{Y: 1}
	case 2:
		return profile.Point{Y: -1}
	case 3:
		return profile.Point{X: 1}
	}
	return profile.Point{X: -1}
}

// Subject answers a hole as the subject of a finding.
func (h *Hole) Subject() *Panel {
	who := &Panel{ID: h.Recipe.ID, Name: h.Name, Spot: &Spot{h.Panel, h.Centre}}
	if h.line == nil && h.Centre == (profile.Point{}) { // it has no place yet
		who.Spot = spotOf(h.Panel)
	}
	return who
}

// inward answers the unit normal of an edge into the panel.
func (p *Panel) inward(i int) profile.Point {
	_, _, out, _ := p.Edge(i)
	return out.Mul(-1)
}

func Turned(nx, ny profile.Point, degrees float64) profile.Point {
	s, c := math.Sincos(degrees * math.Pi / 180)
	return nx.Mul(c).Add(ny.Mul(s))
}

// Titled answers the shop's own name of a feature, or what it is and where.
func Titled(own, word, panel string) string {
	if own != "" {
		return own
	}
	return word + " on " + panel
}

func HoleWord(h *sheet.Hole, i int) string {
	word := map[sheet.HoleKind]string{sheet.SlotHole: "Slot", sheet.SquareHole: "Square hole",
		sheet.RectangleHole: "Rectangular hole", sheet.DHole: "D hole",
		sheet.KeyholeHole: "Keyhole", sheet.CutoutHole: "Cutout"}[h.Kind]
	if word == "" {
		word = "Hole"
	}
	if h.Use != nil {
		word = map[sheet.UseKind]string{sheet.UseCountersink: "Countersunk hole", sheet.UseTapped: "Tapped hole",
			sheet.UseWeldNut:  "Weld nut",
			sheet.UseRivetNut: "Rivet nut",
			sheet.UseAccess:   "Access hole", sheet.UseDrain: "Drain", sheet.UsePass: "Pass-through", sheet.UseTab: "Slot for a tab",
			sheet.UseLightening: "Lightening hole"}[h.Use.Kind]
	}
	if h.Pattern != nil {
		word = strings.TrimSuffix(word, " hole")
		switch h.Pattern.Kind {
		case sheet.CirclePattern:
			word += " circle"
		case sheet.RowPattern:
			word += " row"
		case sheet.EdgePattern:
			word += " row along an edge"
		case sheet.AroundPattern:
			word += " row round it"
		case sheet.MirrorPattern:
			word += " pair"
		default:
			word += " grid"
		}
	}
	return word + " " + strconv.Itoa(i+1)
}

// Cut tells whether the hole is cut with the blank.
func (h *Hole) Cut() bool {
	return h.Recipe.Made != sheet.MadeDrilled && h.Recipe.Made != sheet.MadeMatched
}

func (h *Hole) Area() float64 {
	d := h.Pre
	switch {
	case h.Form != nil:
		return math.Abs(h.Form.Area())
	case h.Recipe.Kind == sheet.SlotHole:
		return math.Pi*d*d/4 + d*(h.Recipe.Length-d)
	}
	return math.Pi * d * d / 4
}

func (h *Hole) Length() float64 {
	d := h.Pre
	switch {
	case h.Form != nil:
		return h.Form.Length()
	case h.Recipe.Kind == sheet.SlotHole:
		return math.Pi*d + 2*(h.Recipe.Length-d)
	}
	return math.Pi * d
}

// Holds tells whether a place lies inside a hole that has an outline.
func (h *Hole) Holds(p profile.Point) bool { return h.Form != nil && profile.Inside(p, h.rim) }
