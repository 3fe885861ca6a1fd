package lay

import (
	"math"

	"warmanvil/core/bend"
	"warmanvil/core/profile"
	"warmanvil/core/sheet"
)

// Panel is one flat piece of the part. Its own axes: x along the bend it hangs
// on, y away from it, corners anticlockwise from the origin; edge i runs from
// corner i to the next, edge 0 is the bend (of the base: its first). The bend
// runs from x = 0 to the zone's width; the panel's ends may lie inside or past
// that.
type Panel struct {
	ID, Name, Path string
	Corners        []profile.Point
	Bulges         []float64    // of the edges; nil when all are straight
	Names          []sheet.Edge // of the edges
	Zone           float64
	Corner         sheet.Corner
	Meets          []sheet.Meet
	Holes          []sheet.Hole
	edges          []sheet.EdgeCut
	Marks          []sheet.Mark
	Cuts           [][]cut // notches and tabs by edge, along it
	Parent         *Panel
	Jog            *sheet.Flange // of a slope: the jog it belongs to
	On             int           // edge of the parent
	At             [2]float64    // where on the parent's edge, along its direction
	Flange         *sheet.Flange
	Relief         sheet.Relief // sizes filled in
	Taken          bend.Taken
	Pose           Pose
	Frame          Frame
	Kids           [][]*Panel // by edge, along its direction
	Corners90      []float64  // corner relief cut at corner i, 0 for none
	CornersRound   []bool
	rim            []profile.Point
	Spot           *Spot // of a subject of findings that is no panel itself
}

// Pose places a panel on the flat pattern.
type Pose struct{ Origin, Ex, Ey profile.Point }

func (p Pose) Apply(q profile.Point) profile.Point {
	return p.Origin.Add(p.Ex.Mul(q.X)).Add(p.Ey.Mul(q.Y))
}

// Undo answers a place of the flat pattern in the panel's axes.
func (p Pose) Undo(q profile.Point) profile.Point {
	d := q.Sub(p.Origin)
	return profile.Point{X: d.Dot(p.Ex), Y: d.Dot(p.Ey)}
}

func (p Pose) Turn(q profile.Point) profile.Point { return p.Ex.Mul(q.X).Add(p.Ey.Mul(q.Y)) }

// Edge answers start, direction, outward normal and length of edge i; of an arc
// those of its chord.
func (p *Panel) Edge(i int) (start, dir, out profile.Point, length float64) {
	a, b := p.Corners[i], p.Corners[(i+1)%len(p.Corners)]
	d := b.Sub(a)
	length = d.Len()
	dir = d.Mul(1 / length)
	return a, dir, profile.Point{X: dir.Y, Y: -dir.X}, length
}

// Straight tells whether edge i is.
func (p *Panel) Straight(i int) bool { return p.Bulges == nil || p.Bulges[i] == 0 }

func (p *Panel) Next(i int) int   { return (i + 1) % len(p.Corners) }
func (p *Panel) Before(i int) int { return (i + len(p.Corners) - 1) % len(p.Corners) }

// Point answers the place at distance t along edge i and out beyond it.
func (p *Panel) Point(i int, t, out float64) profile.Point {
	start, dir, n, _ := p.Edge(i)
	return start.Add(dir.Mul(t)).Add(n.Mul(out))
}

// Outlined answers the panel's outline as corners, arcs by chords.
func (p *Panel) Outlined() []profile.Point {
	if p.Bulges == nil {
		return p.Corners
	}
	if p.rim == nil {
		loop := make(profile.Loop, len(p.Corners))
		for i, c := range p.Corners {
			loop[i] = profile.Vertex{X: c.X, Y: c.Y, Bulge: p.Bulges[i]}
		}
		p.rim = loop.Flatten(.02)
	}
	return p.rim
}

// named answers the edges' names of a panel of four whose second axis runs along
// ey on the flat pattern: the tip takes the way that comes nearest.
func named(ey profile.Point) []sheet.Edge {
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
var names = [4][]sheet.Edge{{sheet.Back, sheet.Left, sheet.Front, sheet.Right}, {sheet.Left, sheet.Front, sheet.Right, sheet.Back},
	{sheet.Front, sheet.Right, sheet.Back, sheet.Left}, {sheet.Right, sheet.Back, sheet.Left, sheet.Front}}

// Facing answers the name of edge i.
func (p *Panel) Facing(i int) sheet.Edge { return p.Names[i] }

// EdgeNamed answers the index of the edge of a name, −1 when there is none.
func (p *Panel) EdgeNamed(name sheet.Edge) int {
	for i, n := range p.Names {
		if n == name {
			return i
		}
	}
	return -1
}

// Along tells whether the edge's direction runs from its start end (left or
// front; of a numbered edge the one that comes first) to the other.
func (p *Panel) Along(i int) bool {
	f := p.Facing(i)
	return f != sheet.Back && f != sheet.Left
}

// Size answers the width along the bend and the height of the panel; of the base
// those of its box.
func (p *Panel) Size() (w, h float64) {
	switch {
	case p.Flange != nil && p.Flange.Outline != nil:
		return p.Zone, p.box().Max.Y
	case p.Flange != nil:
		return p.Zone, p.Corners[2].Y
	}
	return p.box().Size()
}

// box answers the panel's box in its own axes.
func (p *Panel) box() profile.Bounds {
	b := profile.Empty()
	for _, q := range p.Outlined() {
		b.Include(q)
	}
	return b
}

// Setback answers how far beyond the tangent line a measure's reference lies;
// past 165° all but the flat one count to the tangent plane.
func Setback(m sheet.Measure, insideRadius, thickness, angle float64) float64 {
	if angle > sheet.MaxApex && m != sheet.Flat { // there is no apex
		m = sheet.Tangent
	}
	switch m {
	case sheet.Flat:
		return 0
	case sheet.Inside:
		return bend.InsideSetback(insideRadius, angle)
	case sheet.Tangent:
		return bend.TangentSetback(insideRadius, thickness, angle)
	}
	return bend.OutsideSetback(insideRadius, thickness, angle)
}

// Reference answers how far beyond edge i of the panel a hole's offset starts:
// 0 on a free edge; on a bent one by the outer tangent plane, the inner apex
// or the tangent line. Of several bends on one edge the farthest counts.
func (p *Panel) Reference(i int, from sheet.Measure, thickness float64) float64 {
	if from == sheet.Outside || from == "" {
		from = sheet.Tangent // a rule laid to the part touches the tangent plane
	}
	if i == 0 && p.Flange != nil {
		return Setback(from, p.Flange.InsideRadius, thickness, p.Flange.Angle)
	}
	far := 0.0
	for _, k := range p.Kids[i] {
		far = max(far, Setback(from, k.Flange.InsideRadius, thickness, k.Flange.Angle))
	}
	return far
}

// Rectangular tells whether the panel is an upright rectangle in its own axes.
func (p *Panel) Rectangular() bool {
	return p.Bulges == nil && len(p.Corners) == 4 && p.Corners[0].Len() < sheet.Tiny &&
		math.Abs(p.Corners[1].X-p.Corners[2].X)+math.Abs(p.Corners[3].X)+math.Abs(p.Corners[1].Y)+
			math.Abs(p.Corners[2].Y-p.Corners[3].Y) < sheet.Tiny
}

func (p *Panel) FlatBounds() profile.Bounds {
	box := profile.Empty()
	for _, c := range p.Outlined() {
		box.Include(p.Pose.Apply(c))
	}
	return box
}
