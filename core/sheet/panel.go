package sheet

import (
	"cmp"
	"fmt"
	"math"
	"sort"
	"strconv"
	"strings"

	"warmanvil/core/bend"
	"warmanvil/core/profile"
	"warmanvil/core/working"
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
	lines          []tangent // that border the face, found once for the hole checks
	rim            []profile.Point
}

// pose places a panel on the flat pattern.
type pose struct{ origin, ex, ey profile.Point }

func (p pose) apply(q profile.Point) profile.Point {
	return p.origin.Add(p.ex.Mul(q.X)).Add(p.ey.Mul(q.Y))
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

// panels builds the tree with the flat size of every panel. A flange that
// cannot be made is left out and said; so is everything on it.
func (b *builder) panels() *panel {
	r := b.recipe
	base := &panel{id: r.Base.ID, name: "Base", path: "/base", corner: r.Base.Corner, meets: r.Base.Meets, holes: r.Base.Holes, edges: r.Base.Edges, marks: r.Base.Marks,
		pose: pose{ex: profile.Point{X: 1}, ey: profile.Point{Y: 1}}, frame: ground}
	loop, names, why := r.Base.outline()
	if why != "" {
		b.stop("base-shape", "Cannot be unfolded", base, "The base has no shape: "+why+".")
		return nil
	}
	off := make([]float64, len(loop))
	for i := range b.flanges {
		f := &b.flanges[i]
		for e, name := range names {
			if name == f.Edge {
				off[e] = max(off[e], setback(r.Base.Measure, f.InsideRadius, r.Thickness, f.Angle))
			}
		}
	}
	var corners []profile.Point
	var bulges []float64
	if r.Base.kind() == Rectangle {
		w, h := r.Base.Length-off[1]-off[3], r.Base.Width-off[0]-off[2]
		if w <= tiny || h <= tiny {
			b.stop("base-too-small", "Cannot be unfolded", base, fmt.Sprintf("The base is smaller than its bends: between the tangent lines %s × %s would be left.", b.len(w), b.len(h)))
			return nil
		}
		corners = []profile.Point{{}, {X: w}, {X: w, Y: h}, {Y: h}}
	} else if corners, bulges, why = flatBase(loop, off); why != "" {
		b.stop("base-too-small", "Cannot be unfolded", base, "The base is smaller than its bends: "+why+".")
		return nil
	}
	base.shape(corners, names)
	for _, v := range bulges {
		if v != 0 {
			base.bulges = bulges
		}
	}
	b.all = append(b.all, base)
	b.hang(base, b.flanges)
	return base
}

// shape sets a panel's corners.
func (p *panel) shape(corners []profile.Point, names []Edge) {
	n := len(corners)
	p.corners, p.names, p.kids, p.corners90, p.cornersRound = corners, names, make([][]*panel, n), make([]float64, n), make([]bool, n)
}

// hang builds the flanges of one panel, lets those at corners meet, and builds
// what hangs on them.
func (b *builder) hang(parent *panel, flanges []Flange) {
	var made []*panel
	for i := range flanges {
		f := &flanges[i]
		p := &panel{id: f.ID, corner: f.Corner, meets: f.Meets, holes: f.Holes, edges: f.Edges, marks: f.Marks, parent: parent, on: parent.edgeNamed(f.Edge), flange: f}
		if !b.bare {
			p.path, p.name = parent.path+"/flanges/"+strconv.Itoa(i), flangeName(parent, f)
		}
		if f.Kind == Jog {
			slope := b.slope(p)
			if slope == nil || !b.join(slope) {
				continue
			}
			made = append(made, slope)
			continue
		}
		if b.join(p) {
			made = append(made, p)
		}
	}
	b.meet(parent)
	for _, p := range made {
		b.all = append(b.all, p)
		if p.jog != nil { // the slope: what lies beyond it hangs on its tip
			beyond := b.beyond(p)
			if beyond == nil || !b.join(beyond) {
				continue
			}
			b.all = append(b.all, beyond)
			p = beyond
		}
		b.hang(p, p.flange.Flanges)
	}
}

// join gives a flange its place on its parent's edge and its size; false when
// it cannot be made.
func (b *builder) join(p *panel) bool {
	f, parent, e := p.flange, p.parent, p.on
	switch {
	case e < 0:
		b.stop("edge-none", "Cannot be unfolded", p, fmt.Sprintf("%s has no edge %q any more: choose the edge of %s it hangs on.", lower(parent.name), f.Edge, lower(p.name)))
		return false
	case !parent.straight(e):
		b.stop("edge-round", "Cannot be unfolded", p, fmt.Sprintf("%s hangs on a round edge: only a straight one can be bent.", p.name))
		return false
	case e == 0 && parent.flange != nil:
		b.stop("edge-taken", "Cannot be unfolded", p, fmt.Sprintf("%s hangs on the edge by which its panel is bent already: choose another edge.", p.name))
		return false
	}
	_, _, _, length := parent.edge(e)
	in := f.SetIn
	if f.Width > 0 {
		in = SetIn{(length - f.Width) / 2, (length - f.Width) / 2}
		if in.Start < -tiny {
			b.stop("flange-no-width", "Cannot be unfolded", p, fmt.Sprintf("%s is %s wide and its edge only %s between the tangent lines.", p.name, b.len(f.Width), b.len(length)),
				b.fix("The whole edge", p.path+"/width", 0.0))
			return false
		}
	}
	p.at = [2]float64{in.Start, length - in.End}
	if !parent.along(e) {
		p.at = [2]float64{in.End, length - in.Start}
	}
	if p.at[1]-p.at[0] <= tiny {
		b.stop("flange-no-width", "Cannot be unfolded", p, fmt.Sprintf("%s has no width left: its edge is %s long between the tangent lines and the set-ins take %s.", p.name, b.len(length), b.len(in.Start+in.End)))
		return false
	}
	_, _, out, _ := parent.edge(e)
	tip := named(parent.pose.turn(out))
	leg := f.Length - setback(f.Measure, f.InsideRadius, b.recipe.Thickness, f.Angle)
	for i := range f.Flanges { // bent edges on its tip measure from their own apex
		if k := &f.Flanges[i]; k.Edge == tip[2] {
			leg -= setback(f.Measure, k.InsideRadius, b.recipe.Thickness, k.Angle)
			break
		}
	}
	if leg <= tiny {
		b.stop("flange-in-bend", "Cannot be unfolded", p, fmt.Sprintf("%s is shorter than its bend: nothing is left past the tangent line (%s).", p.name, b.len(leg)),
			b.fix(fmt.Sprintf("Make it %s", b.len(ceil(f.Length-leg+b.recipe.Thickness))), p.path+"/length", ceil(f.Length-leg+b.recipe.Thickness)))
		return false
	}
	p.relief = f.Relief
	p.relief.Width = orThickness(p.relief.Width, b.recipe.Thickness)
	p.relief.Depth = orThickness(p.relief.Depth, b.recipe.Thickness)
	p.taken = b.take(p)
	p.zone = p.at[1] - p.at[0]
	// The start end of the edge is the far end of the panel's own x.
	far, near := f.Taper.Start, f.Taper.End
	if !parent.along(e) {
		far, near = near, far
	}
	lean := func(degrees float64) float64 { return leg * math.Tan(degrees*math.Pi/180) }
	p.shape([]profile.Point{{}, {X: p.zone}, {X: p.zone - lean(far), Y: leg}, {X: lean(near), Y: leg}}, tip)
	if p.corners[2].X-p.corners[3].X <= tiny {
		b.stop("flange-no-width", "Cannot be unfolded", p, fmt.Sprintf("%s tapers to nothing before its tip: taper it less, or make it shorter.", p.name),
			b.fix("No taper", p.path+"/taper/start", 0.0, p.path+"/taper/end", 0.0))
		return false
	}
	p.pose = b.flatPose(p)
	if !b.bare {
		p.frame = b.fold(p)
	}
	if b.edgeClash(parent, p) {
		return false
	}
	parent.kids[e] = append(parent.kids[e], p)
	sort.SliceStable(parent.kids[e], func(i, j int) bool { return parent.kids[e][i].at[0] < parent.kids[e][j].at[0] })
	return true
}

func orThickness(v, thickness float64) float64 {
	if v == 0 {
		return thickness
	}
	return v
}

var firstFlange = map[Edge]string{Front: "Front flange", Right: "Right flange", Back: "Back flange", Left: "Left flange"}

func flangeName(parent *panel, f *Flange) string {
	if f.Name != "" {
		return f.Name
	}
	word := map[FlangeKind]string{Hem: "hem", Jog: "jog", Roll: "roll"}[f.Kind]
	if parent.flange != nil {
		return parent.name + ", " + string(f.Edge) + " " + cmp.Or(word, "lip")
	}
	if at := f.Edge; firstFlange[at] == "" {
		word = cmp.Or(word, "flange") + " on side " + string(at)
		return strings.ToUpper(word[:1]) + word[1:]
	}
	if word != "" {
		return strings.ToUpper(string(f.Edge[:1])) + string(f.Edge[1:]) + " " + word
	}
	return firstFlange[f.Edge]
}

// edgeClash refuses two flanges over the same stretch of one edge.
func (b *builder) edgeClash(parent, p *panel) bool {
	for _, k := range parent.kids[p.on] {
		if p.at[0] < k.at[1]-tiny && k.at[0] < p.at[1]-tiny {
			b.stop("edge-taken", "Cannot be unfolded", p, fmt.Sprintf("%s and %s want the same stretch of the %s edge: set one of them in.", p.name, k.name, p.flange.Edge))
			return true
		}
	}
	return false
}

// take asks the chosen school what the bend takes. When it has no answer that
// is a stop, and the chart's figure is drawn meanwhile.
func (b *builder) take(p *panel) bend.Taken {
	f := p.flange
	for _, k := range b.known {
		if k.radius == f.InsideRadius && k.angle == f.Angle {
			return k.taken
		}
	}
	t, err := b.rule.Take(b.school, f.InsideRadius, b.recipe.Thickness, f.Angle)
	if err != nil {
		if b.school == b.recipe.Bend.School {
			b.stop("school-silent", "Bend allowance", p, "The chosen school gives no figure, the chart's is drawn instead: "+err.Error())
		}
		t, err = b.rule.Take(bend.SchoolTable, f.InsideRadius, b.recipe.Thickness, f.Angle)
		b.fellBack = true
	}
	if err != nil {
		b.stop("school-silent", "Bend allowance", p, err.Error())
	}
	for _, finding := range t.Findings {
		finding.Feature, finding.Name = p.id, p.name
		b.findings = append(b.findings, finding)
	}
	k := known{radius: f.InsideRadius, angle: f.Angle, taken: t}
	if b.school == b.recipe.Bend.School { // while schools are compared nobody reads on
		k.taken.Working = b.explain(t.Working)
		k.aim, k.aimWorking = b.springback(f)
	}
	b.known = append(b.known, k)
	return k.taken
}

// known is what a bend of one radius and angle takes: most bends of a part are
// alike, and so is what is said about them.
type known struct {
	radius, angle float64
	taken         bend.Taken
	aim           *float64
	aimWorking    working.Working
}

// springback answers the angle to bend to, nil when the sheet takes no set.
func (b *builder) springback(f *Flange) (*float64, working.Working) {
	r, err := bend.Springback(bend.SpringbackInput{InsideRadius: f.InsideRadius, Thickness: b.recipe.Thickness, Yield: b.material.Yield, Modulus: b.material.Modulus, Angle: f.Angle})
	if err != nil {
		return nil, working.Working{}
	}
	r.Working.Assumptions = append(r.Working.Assumptions, "the recipe's inside radius is taken as the radius under the tool", "strengths: "+b.material.Source)
	return &r.AimAngle, b.explain(r.Working)
}

// flatPose lays the panel beyond its bend zone on the flat pattern.
func (b *builder) flatPose(p *panel) pose {
	_, dir, out, _ := p.parent.edge(p.on)
	start := p.parent.point(p.on, p.at[1], p.taken.Allowance)
	return pose{origin: p.parent.pose.apply(start), ex: p.parent.pose.turn(dir.Mul(-1)), ey: p.parent.pose.turn(out)}
}
