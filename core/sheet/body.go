package sheet

import (
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/solid"
)

// Body is the folded part for drawing and for distances.
type Body struct {
	Thickness float64          `json:"thickness"`
	Min       solid.Vector     `json:"min"`
	Max       solid.Vector     `json:"max"`
	Panels    []BodyPanel      `json:"panels"`
	Bends     []BodyBend       `json:"bends"`
	Edges     [][]solid.Vector `json:"edges" doc:"sharp edges as polylines, without the rims of holes"`
}

// BodyPanel is a flat plate: its face in its own axes and where it stands.
type BodyPanel struct {
	ID     string            `json:"id"`
	Face   []profile.Point   `json:"face"`
	Holes  [][]profile.Point `json:"holes,omitempty"`
	Origin solid.Vector      `json:"origin" doc:"mid-surface"`
	X      solid.Vector      `json:"x"`
	Y      solid.Vector      `json:"y"`
	Z      solid.Vector      `json:"z"`
}

// BodyBend is a bend as strips across it: each row holds the four corners of
// one section (start and end of the bend, face down then face up).
type BodyBend struct {
	ID   string            `json:"id"`
	Rows [][4]solid.Vector `json:"rows"`
}

const chordDeviation = .1 // mm, of what is drawn against true arcs

func (b *maker) body(faces []profile.Loop) Body {
	body := Body{Thickness: b.recipe.Thickness, Panels: make([]BodyPanel, 0, len(b.panels)), Bends: make([]BodyBend, 0, len(b.panels)),
		Edges: make([][]solid.Vector, 0, 20*len(b.panels))}
	for i, p := range b.panels {
		body.Panels = append(body.Panels, b.bodyPanel(p, faces[i], &body))
		if p.flange != nil {
			body.Bends = append(body.Bends, b.bodyBend(p, &body))
		}
	}
	return body
}

func (b *maker) bodyPanel(p *panel, face profile.Loop, body *Body) BodyPanel {
	m := BodyPanel{ID: p.id, Face: face.Flatten(chordDeviation), Origin: p.frame.origin, X: p.frame.ex, Y: p.frame.ey, Z: p.frame.ez}
	half := b.recipe.Thickness / 2
	n := len(m.Face)
	for i, q := range m.Face {
		r, before := m.Face[(i+1)%n], m.Face[(i+n-1)%n]
		if b.seam(p, q, r) {
			continue
		}
		for _, z := range []float64{-half, half} {
			body.Edges = append(body.Edges, []solid.Vector{p.frame.apply(q, z), p.frame.apply(r, z)})
		}
		if a, c := q.Sub(before), r.Sub(q); a.Cross(c) > .3*a.Len()*c.Len() || a.Cross(c) < -.3*a.Len()*c.Len() {
			body.Edges = append(body.Edges, []solid.Vector{p.frame.apply(q, -half), p.frame.apply(q, half)})
		}
	}
	for i := range b.holes {
		h := &b.holes[i]
		if h.panel != p || !h.cut() {
			continue
		}
		ring := rimOf(h)
		m.Holes = append(m.Holes, ring)
	}
	return m
}

// seam tells whether a side of the face is a tangent line, where the sheet
// runs on into a bend.
func (b *maker) seam(p *panel, q, r profile.Point) bool {
	on := func(i int, from, to float64) bool {
		start, dir, out, _ := p.edge(i)
		for _, x := range []profile.Point{q, r} {
			d := x.Sub(start)
			if t := d.Dot(dir); math.Abs(d.Dot(out)) > tiny || t < from-tiny || t > to+tiny {
				return false
			}
		}
		return true
	}
	if p.flange != nil && on(0, -p.corners[0].X, p.zone-p.corners[0].X) {
		return true
	}
	for i := range p.corners {
		for _, k := range p.kids[i] {
			if on(i, k.at[0], k.at[1]) {
				return true
			}
		}
	}
	return false
}

// bodyBend sweeps the bend zone, its ends trimmed where corner reliefs cut in.
func (b *maker) bodyBend(p *panel, body *Body) BodyBend {
	half := b.recipe.Thickness / 2
	n := max(int(math.Ceil(p.flange.Angle/10)),
		int(math.Ceil(p.flange.Angle*math.Pi/360/math.Acos(1-chordDeviation/(p.flange.InsideRadius+2*half+chordDeviation)))), 2)
	w, _ := p.size()
	atStart, atEnd := b.trims(p)
	m := BodyBend{ID: p.id, Rows: make([][4]solid.Vector, 0, n+1)}
	for k := range n + 1 {
		part := float64(k) / float64(n)
		f := b.swing(p, p.flange.Angle*part)
		s := part * p.taken.Allowance
		x0, x1 := atEnd.at(s), w-atStart.at(s)
		m.Rows = append(m.Rows, [4]solid.Vector{
			f.apply(profile.Point{X: x0}, -half), f.apply(profile.Point{X: x0}, half),
			f.apply(profile.Point{X: x1}, -half), f.apply(profile.Point{X: x1}, half)})
	}
	all := make([]solid.Vector, 4*len(m.Rows))
	for side := range 4 {
		line := all[side*len(m.Rows) : (side+1)*len(m.Rows)]
		for k, row := range m.Rows {
			line[k] = row[side]
		}
		body.Edges = append(body.Edges, line)
	}
	return m
}

// trim is how far a corner relief cuts into a bend zone's end.
type trim struct {
	size  float64
	round bool
}

func (t trim) at(s float64) float64 {
	switch {
	case s >= t.size:
		return 0
	case t.round:
		return math.Sqrt(t.size*t.size - s*s)
	}
	return t.size
}

func (b *maker) trims(p *panel) (atStart, atEnd trim) {
	q := p.parent
	cut := func(i int) trim { return trim{q.corners90[i], q.cornersRound[i]} }
	if p.reachesStart() {
		atStart = cut(p.on)
	}
	if p.reachesEnd() {
		atEnd = cut(q.next(p.on))
	}
	return atStart, atEnd
}

// extent answers the box round the folded part, to the outer faces.
func (b *maker) extent() (lo, hi solid.Vector) {
	lo = solid.Vector{math.Inf(1), math.Inf(1), math.Inf(1)}
	hi = lo.Mul(-1)
	half := b.recipe.Thickness / 2
	grow := func(v solid.Vector) {
		for i := range 3 {
			lo[i], hi[i] = math.Min(lo[i], v[i]), math.Max(hi[i], v[i])
		}
	}
	for _, p := range b.panels {
		for e, list := range p.cuts { // tabs stand out
			for _, c := range list {
				if c.of.Kind == Tab {
					for _, t := range [2]float64{c.from, c.to} {
						grow(p.frame.apply(p.point(e, t, c.of.Depth), -half))
						grow(p.frame.apply(p.point(e, t, c.of.Depth), half))
					}
				}
			}
		}
		for _, c := range p.outlined() {
			grow(p.frame.apply(c, -half))
			grow(p.frame.apply(c, half))
		}
		if p.flange == nil || p.flange.Angle <= 90 && p.parent.flange == nil {
			continue // off the base and up to a right angle its panels reach farthest
		}
		// Otherwise the bend itself may stand out: it is felt along in steps of
		// at most 10°, the right angle among them.
		w, _ := p.size()
		for a := 10.0; a < p.flange.Angle; a += 10 {
			f := b.swing(p, a)
			for _, z := range [2]float64{-half, half} {
				grow(f.apply(profile.Point{}, z))
				grow(f.apply(profile.Point{X: w}, z))
			}
		}
	}
	return lo, hi
}

// rimOf answers a hole's outline in its panel's axes, coarse, for drawing.
func rimOf(h *hole) []profile.Point {
	if h.form != nil {
		return h.outline(h.flip).Flatten(chordDeviation)
	}
	r, core := h.dia/2, h.core()
	n := int(math.Ceil(math.Pi / math.Acos(1-math.Min(chordDeviation/r, .3))))
	n = min(max(n, 8), 48)
	across := profile.Point{X: -h.along.Y, Y: h.along.X}
	out := make([]profile.Point, 0, n+2)
	for k := range n {
		s, c := math.Sincos(2 * math.Pi * float64(k) / float64(n))
		centre := core[0]
		if c > 0 {
			centre = core[len(core)-1]
		}
		out = append(out, centre.Add(h.along.Mul(c*r)).Add(across.Mul(s*r)))
	}
	return out
}
