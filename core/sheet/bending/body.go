package bending

import (
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/lay"
)

// thin is how far every face of the sheet is drawn in before it is asked for clashes, mm: so
// much may a sheet lean into what it rests on (practice; facets of arcs are less).
const thin = .2

// drawnIn answers how far faces of a sheet of a thickness are drawn in.
func drawnIn(thickness float64) float64 { return math.Min(thin, thickness/4) }

// body is a part as it is bent: a tree of panels, each with its own pieces.
type body struct {
	panels    []panel
	strokes   []stroke
	thickness float64
	inch      func(mm float64) string
}

// panel is one flat piece, in its own axes: x along its bend, y away from it.
type panel struct {
	id, name string
	parent   int // −1 of the base
	stroke   int // that bends it; −1 of the base
	depth    int
	angle    float64 // rad, its bend turns in all
	up       bool
	pieces   []*convex
	flat     []*convex // of its bend, in the parent's axes, before and after it is made
	bent     []*convex
	rel      [2]pose // in the parent's axes, before and after
	hinge    hinge
	area     float64
	rim      []profile.Point // outline of its face
	path     uint64          // strokes from the base to it
}

// hinge is where a panel hangs on its parent.
type hinge struct {
	start, along, out vec // on the parent's mid-surface: the far end of the bend, the way back, away
	wide              float64
	allowance         float64
	mid               float64 // radius of the mid-surface when done
	radius            float64 // inside
}

// stroke is one bend, or several on one edge that are made at once.
type stroke struct {
	panels []int
	parent int
	angle  float64 // rad, to be turned to in the end
	fold   float64 // rad, turned in this stroke: less for a hem, which is pressed together after
	aim    float64 // rad, bent to, springback allowed for
	set    bool    // the sheet takes a set
	up     bool
	sign   float64
	frame  pose    // at the parent's tangent line, middle of the bend, y to the panels, z to the side it bends to
	from   float64 // ends of the bend along frame's x
	to     float64
	hinge  hinge
	inside uint64 // strokes that lie beyond it
}

// hemFold is how far a hem is bent before it is pressed together, rad.
const hemFold = 135 * math.Pi / 180

// bodyOf carries a part that is laid out whole over.
func bodyOf(l *lay.Laid) *body {
	b := &body{thickness: l.Recipe.Thickness, inch: l.Len}
	index := map[*lay.Panel]int{}
	for i, p := range l.Panels {
		index[p] = i
		b.panels = append(b.panels, b.panelOf(l, p, index))
	}
	aims := map[[2]float64]*float64{}
	for _, k := range l.Known {
		aims[[2]float64{k.Radius, k.Angle}] = k.Aim
	}
	for i := range b.panels {
		if i > 0 {
			b.strike(i, l.Panels[i], aims)
			b.panels[i].path = b.panels[b.panels[i].parent].path | 1<<b.panels[i].stroke
		}
	}
	for s := range b.strokes {
		t := &b.strokes[s]
		mid := (t.from + t.to) / 2
		t.frame.o, t.from, t.to = t.frame.o.add(t.frame.x.mul(mid)), t.from-mid, t.to-mid
		for i := range b.panels {
			if b.panels[i].path&(1<<s) != 0 {
				t.inside |= b.panels[i].path &^ b.panels[t.parent].path
			}
		}
	}
	return b
}

func (b *body) panelOf(l *lay.Laid, p *lay.Panel, index map[*lay.Panel]int) panel {
	half := b.thickness/2 - drawnIn(b.thickness)
	q := panel{id: p.ID, name: p.Name, parent: -1, stroke: -1, rim: l.Face(p).Flatten(.2)}
	if area(q.rim) > sheet.Tiny {
		q.area = area(q.rim)
		for _, part := range convexParts(q.rim) {
			q.pieces = append(q.pieces, prism(still, part, -half, half))
		}
	}
	if p.Parent == nil {
		return q
	}
	q.parent = index[p.Parent]
	q.depth = b.panels[q.parent].depth + 1
	f := p.Flange
	_, dir, out, _ := p.Parent.Edge(p.On)
	start := p.Parent.Point(p.On, p.At[1], 0)
	q.angle, q.up = f.Angle*math.Pi/180, f.Up
	q.hinge = hinge{start: vec{start.X, start.Y, 0}, along: vec{-dir.X, -dir.Y, 0}, out: vec{out.X, out.Y, 0}, wide: p.Zone,
		allowance: p.Taken.Allowance, mid: f.InsideRadius + b.thickness/2, radius: f.InsideRadius}
	q.rel = [2]pose{q.hinge.at(0, q.angle, f.Up), q.hinge.at(q.angle, q.angle, f.Up)}
	q.flat = []*convex{prism(pose{q.hinge.start, q.hinge.along, q.hinge.out, vec{0, 0, 1}},
		profile.Rect(0, 0, p.Zone, math.Max(q.hinge.allowance, .01)).Flatten(1), -half, half)}
	q.bent = q.hinge.arc(q.angle, f.Up, b.thickness)
	return q
}

// bow answers the radius of the mid-surface part way through a bend, and how long its arc is:
// what lies flat runs into what it is in the end.
func (h *hinge) bow(a, whole float64) (radius, long float64) {
	long = h.allowance + (whole*h.mid-h.allowance)*a/whole
	return long / a, long
}

// at answers where the panel stands, in its parent's axes, part way through.
func (h *hinge) at(a, whole float64, up bool) pose {
	s := 1.
	if !up {
		s = -1
	}
	z := vec{0, 0, 1}
	if a == 0 {
		return pose{h.start.add(h.out.mul(h.allowance)), h.along, h.out, z}
	}
	r, _ := h.bow(a, whole)
	sin, cos := math.Sincos(a)
	return pose{h.start.add(h.out.mul(r * sin)).add(z.mul(s * r * (1 - cos))), h.along, h.out.mul(cos).add(z.mul(s * sin)),
		z.mul(cos).sub(h.out.mul(s * sin))}
}

// arc answers the bend as it is when made, as prisms outside the true arc.
func (h *hinge) arc(whole float64, up bool, thickness float64) (out []*convex) {
	s := 1.
	if !up {
		s = -1
	}
	in := drawnIn(thickness)
	inner, outer := math.Max(h.mid-thickness/2, 0)+in, h.mid+thickness/2-in
	n := max(int(math.Ceil(whole/(math.Pi/8))), 2)
	step := whole / float64(n)
	outer /= math.Cos(step / 2)
	// Across the bend: y out from the parent, z to the bend's side; the prism runs along it.
	at := pose{h.start, h.out, vec{0, 0, s}, h.along}
	if s < 0 {
		at = pose{h.start.add(h.along.mul(h.wide)), h.out, vec{0, 0, s}, h.along.mul(-1)}
	}
	on := func(r, a float64) profile.Point { return profile.Point{X: r * math.Sin(a), Y: h.mid - r*math.Cos(a)} }
	for i := range n {
		a, c := step*float64(i), step*float64(i+1)
		out = append(out, prism(at, []profile.Point{on(outer, a), on(outer, c), on(inner, c), on(inner, a)}, 0, h.wide))
	}
	return out
}

// strike gives a panel's bend its stroke: one of its own, or that of a like bend in line with
// it, whose panel never moves against the one it hangs on.
func (b *body) strike(i int, p *lay.Panel, aims map[[2]float64]*float64) {
	q := &b.panels[i]
	for s := range b.strokes {
		t := &b.strokes[s]
		if t.up != q.up || b.panels[t.parent].path != b.panels[q.parent].path || math.Abs(t.angle-q.angle) > 1e-6 ||
			math.Abs(t.hinge.radius-q.hinge.radius) > 1e-6 {
			continue
		}
		in := t.frame.undone().after(b.world(t.parent, 0).undone().after(b.world(q.parent, 0)))
		out, from, to := in.turn(q.hinge.out), in.apply(q.hinge.start), in.apply(q.hinge.start.add(q.hinge.along.mul(q.hinge.wide)))
		if math.Abs(out.y-1) < 1e-9 && math.Abs(from.y) < 1e-6 && math.Abs(to.y) < 1e-6 {
			t.panels, q.stroke = append(t.panels, i), s
			t.from, t.to = min(t.from, from.x, to.x), max(t.to, from.x, to.x)
			return
		}
	}
	h := q.hinge
	t := stroke{panels: []int{i}, parent: q.parent, angle: q.angle, fold: q.angle, up: q.up, sign: 1, hinge: h, set: true}
	if !q.up {
		t.sign = -1
	}
	if q.angle > 179*math.Pi/180 {
		t.fold = hemFold
	}
	t.aim = t.fold
	if aim, known := aims[[2]float64{p.Flange.InsideRadius, p.Flange.Angle}]; known && t.fold == t.angle {
		if t.set = aim != nil; t.set {
			t.aim = math.Max(*aim*math.Pi/180, t.fold)
		}
	}
	z := vec{0, 0, t.sign}
	t.frame = pose{h.start.add(h.along.mul(h.wide / 2)), h.out.cross(z), h.out, z}
	t.from, t.to = -h.wide/2, h.wide/2
	q.stroke = len(b.strokes)
	b.strokes = append(b.strokes, t)
}

func (b *body) first(t *stroke) *panel { return &b.panels[t.panels[0]] }
