package sheet

import (
	"math"

	"warmanvil/core/bend"
	"warmanvil/core/profile"
)

// panel is one flat piece of the part. Its own axes: x along the bend it hangs
// on, y away from it, corners anticlockwise from the origin; edge i runs from
// corner i to the next, edge 0 is the bend (of the base: its first). The bend
// runs from x = 0 to the zone's width; the panel's ends may lie inside or past
// that.
type panel struct {
	id, name, path string
	corners        []profile.Point
	bulges         []float64 // of the edges; nil when all are straight
	names          []Edge    // of the edges
	zone           float64
	corner         Corner
	meets          []Meet
	holes          []Hole
	edges          []EdgeCut
	marks          []Mark
	cuts           [][]cut // notches and tabs by edge, along it
	parent         *panel
	jog            *Flange    // of a slope: the jog it belongs to
	on             int        // edge of the parent
	at             [2]float64 // where on the parent's edge, along its direction
	flange         *Flange
	relief         Relief // sizes filled in
	taken          bend.Taken
	pose           pose
	frame          frame
	kids           [][]*panel // by edge, along its direction
	corners90      []float64  // corner relief cut at corner i, 0 for none
	cornersRound   []bool
	rim            []profile.Point
	spot           *spot // of a subject of findings that is no panel itself
}

// pose places a panel on the flat pattern.
type pose struct{ origin, ex, ey profile.Point }

func (p pose) apply(q profile.Point) profile.Point {
	return p.origin.Add(p.ex.Mul(q.X)).Add(p.ey.Mul(q.Y))
}

// undo answers a place of the flat pattern in the panel's axes.
func (p pose) undo(q profile.Point) profile.Point {
	d := q.Sub(p.origin)
	return profile.Point{X: d.Dot(p.ex), Y: d.Dot(p.ey)}
}

func (p pose) turn(q profile.Point) profile.Point { return p.ex.Mul(q.X).Add(p.ey.Mul(q.Y)) }

// edge answers start, direction, outward normal and length of edge i; of an arc
// those of its chord.
func (p *panel) edge(i int) (start, dir, out profile.Point, length float64) {
	a, b := p.corners[i], p.corners[(i+1)%len(p.corners)]
	d := b.Sub(a)
	length = d.Len()
	dir = d.Mul(1 / length)
	return a, dir, profile.Point{X: dir.Y, Y: -dir.X}, length
}

// straight tells whether edge i is.
func (p *panel) straight(i int) bool { return p.bulges == nil || p.bulges[i] == 0 }

func (p *panel) next(i int) int   { return (i + 1) % len(p.corners) }
func (p *panel) before(i int) int { return (i + len(p.corners) - 1) % len(p.corners) }

// point answers the place at distance t along edge i and out beyond it.
func (p *panel) point(i int, t, out float64) profile.Point {
	start, dir, n, _ := p.edge(i)
	return start.Add(dir.Mul(t)).Add(n.Mul(out))
}

// outlined answers the panel's outline as corners, arcs by chords.
func (p *panel) outlined() []profile.Point {
	if p.bulges == nil {
		return p.corners
	}
	if p.rim == nil {
		loop := make(profile.Loop, len(p.corners))
		for i, c := range p.corners {
			loop[i] = profile.Vertex{X: c.X, Y: c.Y, Bulge: p.bulges[i]}
		}
		p.rim = loop.Flatten(.02)
	}
	return p.rim
}

// named answers the edges' names of a panel of four whose second axis runs along
// ey on the flat pattern: the tip takes the way that comes nearest.
func named(ey profile.Point) []Edge {
	tip := 0
	switch ax, ay := math.Abs(ey.X), math.Abs(ey.Y); {
	case ay >= ax-1e-9 && ey.Y > 0:
		tip = 2
	case ay >= ax-1e-9:
		tip = 0
	case ey.X > 0:
		tip = 1
	default:
		tip = 3
	}
	return names[tip]
}

// names of the four edges, from the bend, by the way the tip faces.
var names = [4][]Edge{{Back, Left, Front, Right}, {Left, Front, Right, Back}, {Front, Right, Back, Left}, {Right, Back, Left, Front}}

// facing answers the name of edge i.
func (p *panel) facing(i int) Edge { return p.names[i] }

// edgeNamed answers the index of the edge of a name, −1 when there is none.
func (p *panel) edgeNamed(name Edge) int {
	for i, n := range p.names {
		if n == name {
			return i
		}
	}
	return -1
}

// along tells whether the edge's direction runs from its start end (left or
// front; of a numbered edge the one that comes first) to the other.
func (p *panel) along(i int) bool {
	f := p.facing(i)
	return f != Back && f != Left
}

// size answers the width along the bend and the height of the panel; of the base
// those of its box.
func (p *panel) size() (w, h float64) {
	if p.flange != nil {
		return p.zone, p.corners[2].Y
	}
	return p.box().Size()
}

// box answers the panel's box in its own axes.
func (p *panel) box() profile.Bounds {
	b := profile.Empty()
	for _, q := range p.outlined() {
		b.Include(q)
	}
	return b
}

// setback answers how far beyond the tangent line a measure's reference lies;
// past 165° all but the flat one count to the tangent plane.
func setback(m Measure, insideRadius, thickness, angle float64) float64 {
	if angle > maxApex && m != Flat { // there is no apex
		m = Tangent
	}
	switch m {
	case Flat:
		return 0
	case Inside:
		return bend.InsideSetback(insideRadius, angle)
	case Tangent:
		return bend.TangentSetback(insideRadius, thickness, angle)
	}
	return bend.OutsideSetback(insideRadius, thickness, angle)
}

// reference answers how far beyond edge i of the panel a hole's offset starts:
// 0 on a free edge; on a bent one by the outer tangent plane, the inner apex
// or the tangent line. Of several bends on one edge the farthest counts.
func (p *panel) reference(i int, from Measure, thickness float64) float64 {
	if from == Outside || from == "" {
		from = Tangent // a rule laid to the part touches the tangent plane
	}
	if i == 0 && p.flange != nil {
		return setback(from, p.flange.InsideRadius, thickness, p.flange.Angle)
	}
	far := 0.0
	for _, k := range p.kids[i] {
		far = max(far, setback(from, k.flange.InsideRadius, thickness, k.flange.Angle))
	}
	return far
}

// rectangular tells whether the panel is an upright rectangle in its own axes.
func (p *panel) rectangular() bool {
	return p.bulges == nil && len(p.corners) == 4 && p.corners[0].Len() < tiny &&
		math.Abs(p.corners[1].X-p.corners[2].X)+math.Abs(p.corners[3].X)+math.Abs(p.corners[1].Y)+math.Abs(p.corners[2].Y-p.corners[3].Y) < tiny
}

func (p *panel) flatBounds() profile.Bounds {
	box := profile.Empty()
	for _, c := range p.outlined() {
		box.Include(p.pose.apply(c))
	}
	return box
}
