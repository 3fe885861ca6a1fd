package sheet

import (
	"math"
	"strconv"

	"warmanvil/core/profile"
)

// hole is one hole as made, in the axes of its panel.
type hole struct {
	id     string
	recipe *Hole
	panel  *panel
	path   string // of the feature in the recipe
	name   string
	centre profile.Point
	along  profile.Point // unit, the slot's long way
}

// core answers the centre line of the hole's shape: a point, or a slot's axis.
func (h hole) core() []profile.Point {
	if h.recipe.Kind != SlotHole {
		return []profile.Point{h.centre}
	}
	half := h.along.Mul((h.recipe.Length - h.recipe.Diameter) / 2)
	return []profile.Point{h.centre.Sub(half), h.centre.Add(half)}
}

func (h hole) flatCore() []profile.Point {
	c := h.core()
	for i := range c {
		c[i] = h.panel.pose.apply(c[i])
	}
	return c
}

// features places every hole of every panel.
func (b *builder) features() {
	for _, p := range b.all {
		for i := range p.holes {
			b.place(p, i)
		}
	}
}

func (b *builder) place(p *panel, i int) {
	r := &p.holes[i]
	ix, iy := p.edgeNamed(r.X.Edge), p.edgeNamed(r.Y.Edge)
	nx, ny := p.inward(ix), p.inward(iy)
	origin := b.corner(p, ix, iy, r)
	h := hole{id: r.ID, recipe: r, panel: p, path: p.path + "/holes/" + strconv.Itoa(i), along: turned(nx, ny, r.Angle)}
	h.name = holeWord(r, i) + " on " + lower(p.name)
	add := func(k int, c profile.Point) {
		h.centre = c
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
	default:
		for row := range pat.Rows {
			for col := range pat.Columns {
				add(row*pat.Columns+col, origin.Add(nx.Mul(float64(col)*pat.PitchX)).Add(ny.Mul(float64(row)*pat.PitchY)))
			}
		}
	}
}

// corner answers where the two offsets put the hole.
func (b *builder) corner(p *panel, ix, iy int, r *Hole) profile.Point {
	t := b.recipe.Thickness
	dx := r.X.Distance - p.reference(ix, r.X.From, t)
	dy := r.Y.Distance - p.reference(iy, r.Y.From, t)
	sx, ux, _, _ := p.edge(ix)
	sy, _, _, _ := p.edge(iy)
	nx, ny := p.inward(ix), p.inward(iy)
	// On the line at dx inside edge x, go along until dy inside edge y.
	q := sx.Add(nx.Mul(dx))
	return q.Add(ux.Mul((dy - ny.Dot(q.Sub(sy))) / ny.Dot(ux)))
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

func holeWord(h *Hole, i int) string {
	word := "Hole"
	switch {
	case h.Pattern != nil && h.Pattern.Kind == CirclePattern:
		word = "Hole circle"
	case h.Pattern != nil:
		word = "Hole grid"
	case h.Kind == SlotHole:
		word = "Slot"
	}
	return word + " " + strconv.Itoa(i+1)
}

// loop answers a slot's outline on the flat pattern.
func (h hole) loop() profile.Loop {
	along := h.panel.pose.turn(h.along)
	return profile.Slot(h.panel.pose.apply(h.centre), h.recipe.Length, h.recipe.Diameter, math.Atan2(along.Y, along.X)*180/math.Pi)
}

// cut tells whether the hole is cut with the blank.
func (h hole) cut() bool { return h.recipe.Made != MadeDrilled }

func (h hole) area() float64 {
	d := h.recipe.Diameter
	if h.recipe.Kind == SlotHole {
		return math.Pi*d*d/4 + d*(h.recipe.Length-d)
	}
	return math.Pi * d * d / 4
}

func (h hole) length() float64 {
	d := h.recipe.Diameter
	if h.recipe.Kind == SlotHole {
		return math.Pi*d + 2*(h.recipe.Length-d)
	}
	return math.Pi * d
}
