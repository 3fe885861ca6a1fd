package made

import (
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
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
	body := Body{Thickness: b.Recipe.Thickness, Panels: make([]BodyPanel, 0, len(b.Panels)), Bends: make([]BodyBend, 0, len(b.Panels)),
		Edges: make([][]solid.Vector, 0, 20*len(b.Panels))}
	for i, p := range b.Panels {
		body.Panels = append(body.Panels, b.bodyPanel(p, faces[i], &body))
		if p.Flange != nil {
			body.Bends = append(body.Bends, b.bodyBend(p, &body))
		}
	}
	return body
}

func (b *maker) bodyPanel(p *lay.Panel, face profile.Loop, body *Body) BodyPanel {
	m := BodyPanel{ID: p.ID, Face: face.Flatten(chordDeviation), Origin: p.Frame.Origin, X: p.Frame.Ex, Y: p.Frame.Ey, Z: p.Frame.Ez}
	half := b.Recipe.Thickness / 2
	n := len(m.Face)
	for i, q := range m.Face {
		r, before := m.Face[(i+1)%n], m.Face[(i+n-1)%n]
		if b.seam(p, q, r) {
			continue
		}
		for _, z := range []float64{-half, half} {
			body.Edges = append(body.Edges, []solid.Vector{p.Frame.Apply(q, z), p.Frame.Apply(r, z)})
		}
		if a, c := q.Sub(before), r.Sub(q); a.Cross(c) > .3*a.Len()*c.Len() || a.Cross(c) < -.3*a.Len()*c.Len() {
			body.Edges = append(body.Edges, []solid.Vector{p.Frame.Apply(q, -half), p.Frame.Apply(q, half)})
		}
	}
	for i := range b.Holes {
		h := &b.Holes[i]
		if h.Panel != p || !h.Cut() {
			continue
		}
		ring := rimOf(h)
		m.Holes = append(m.Holes, ring)
	}
	return m
}

// seam tells whether a side of the face is a tangent line, where the sheet
// runs on into a bend.
func (b *maker) seam(p *lay.Panel, q, r profile.Point) bool {
	on := func(i int, from, to float64) bool {
		start, dir, out, _ := p.Edge(i)
		for _, x := range []profile.Point{q, r} {
			d := x.Sub(start)
			if t := d.Dot(dir); math.Abs(d.Dot(out)) > sheet.Tiny || t < from-sheet.Tiny || t > to+sheet.Tiny {
				return false
			}
		}
		return true
	}
	if p.Flange != nil && on(0, -p.Corners[0].X, p.Zone-p.Corners[0].X) {
		return true
	}
	for i := range p.Corners {
		for _, k := range p.Kids[i] {
			if on(i, k.At[0], k.At[1]) {
				return true
			}
		}
	}
	return false
}

// bodyBend sweeps the bend zone, its ends trimmed where corner reliefs cut in.
func (b *maker) bodyBend(p *lay.Panel, body *Body) BodyBend {
	half := b.Recipe.Thickness / 2
	n := max(int(math.Ceil(p.Flange.Angle/10)),
		int(math.Ceil(p.Flange.Angle*math.Pi/360/math.Acos(1-chordDeviation/(p.Flange.InsideRadius+2*half+chordDeviation)))), 2)
	w, _ := p.Size()
	atStart, atEnd := b.trims(p)
	m := BodyBend{ID: p.ID, Rows: make([][4]solid.Vector, 0, n+1)}
	for k := range n + 1 {
		part := float64(k) / float64(n)
		f := b.Swing(p, p.Flange.Angle*part)
		s := part * p.Taken.Allowance
		x0, x1 := atEnd.at(s), w-atStart.at(s)
		m.Rows = append(m.Rows, [4]solid.Vector{
			f.Apply(profile.Point{X: x0}, -half), f.Apply(profile.Point{X: x0}, half),
			f.Apply(profile.Point{X: x1}, -half), f.Apply(profile.Point{X: x1}, half)})
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

func (b *maker) trims(p *lay.Panel) (atStart, atEnd trim) {
	q := p.Parent
	cut := func(i int) trim { return trim{q.Corners90[i], q.CornersRound[i]} }
	if p.ReachesStart() {
		atStart = cut(p.On)
	}
	if p.ReachesEnd() {
		atEnd = cut(q.Next(p.On))
	}
	return atStart, atEnd
}

// extent answers the box round the folded part, to the outer faces.
func (b *maker) extent() (lo, hi solid.Vector) {
	lo = solid.Vector{math.Inf(1), math.Inf(1), math.Inf(1)}
	hi = lo.Mul(-1)
	half := b.Recipe.Thickness / 2
	grow := func(v solid.Vector) {
		for i := range 3 {
			lo[i], hi[i] = math.Min(lo[i], v[i]), math.Max(hi[i], v[i])
		}
	}
	for _, p := range b.Panels {
		for e, list := range p.Cuts { // tabs stand out
			for _, c := range list {
				if c.Of.Kind == sheet.Tab {
					for _, t := range [2]float64{c.From, c.To} {
						grow(p.Frame.Apply(p.Point(e, t, c.Of.Depth), -half))
						grow(p.Frame.Apply(p.Point(e, t, c.Of.Depth), half))
					}
				}
			}
		}
		for _, c := range p.Outlined() {
			grow(p.Frame.Apply(c, -half))
			grow(p.Frame.Apply(c, half))
		}
		if p.Flange == nil || p.Flange.Angle <= 90 && p.Parent.Flange == nil {
			continue // off the base and up to a right angle its panels reach farthest
		}
		// Otherwise the bend itself may stand out: it is felt along in steps of
		// at most 10°, the right angle among them.
		w, _ := p.Size()
		for a := 10.0; a < p.Flange.Angle; a += 10 {
			f := b.Swing(p, a)
			for _, z := range [2]float64{-half, half} {
				grow(f.Apply(profile.Point{}, z))
				grow(f.Apply(profile.Point{X: w}, z))
			}
		}
	}
	return lo, hi
}

// rimOf answers a hole's outline in its panel's axes, coarse, for drawing.
func rimOf(h *lay.Hole) []profile.Point {
	if h.Form != nil {
		return h.Outline(h.Flip).Flatten(chordDeviation)
	}
	r, core := h.Dia/2, h.Core()
	n := int(math.Ceil(math.Pi / math.Acos(1-math.Min(chordDeviation/r, .3))))
	n = min(max(n, 8), 48)
	across := profile.Point{X: -h.Along.Y, Y: h.Along.X}
	out := make([]profile.Point, 0, n+2)
	for k := range n {
		s, c := math.Sincos(2 * math.Pi * float64(k) / float64(n))
		centre := core[0]
		if c > 0 {
			centre = core[len(core)-1]
		}
		out = append(out, centre.Add(h.Along.Mul(c*r)).Add(across.Mul(s*r)))
	}
	return out
}
