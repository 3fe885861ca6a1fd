package sheet

import (
	"fmt"
	"sort"
	"strconv"

	"warmanvil/core/bend"
	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// panel is one flat piece of the part. Its own axes: x along the bend it hangs
// on, y away from it, corners anticlockwise from the origin; edge i runs from
// corner i to the next, edge 0 is the bend (of the base: the front).
type panel struct {
	id, name, path string
	corners        [4]profile.Point
	corner         Corner
	holes          []Hole
	parent         *panel
	on             int        // edge of the parent
	at             [2]float64 // where on the parent's edge, along its direction
	flange         *Flange
	relief         Relief // sizes filled in
	taken          bend.Taken
	pose           pose
	frame          frame
	kids           [4][]*panel // by edge, along its direction
	corners90      [4]float64  // corner relief cut at corner i, 0 for none
	cornersRound   [4]bool
	lines          []tangent // that border the face, found once for the hole checks
	ways           [4]Edge   // how each edge faces on the flat pattern, found once
}

// pose places a panel on the flat pattern.
type pose struct{ origin, ex, ey profile.Point }

func (p pose) apply(q profile.Point) profile.Point {
	return p.origin.Add(p.ex.Mul(q.X)).Add(p.ey.Mul(q.Y))
}

func (p pose) turn(q profile.Point) profile.Point { return p.ex.Mul(q.X).Add(p.ey.Mul(q.Y)) }

// edge answers start, direction, outward normal and length of edge i.
func (p *panel) edge(i int) (start, dir, out profile.Point, length float64) {
	a, b := p.corners[i], p.corners[(i+1)%4]
	d := b.Sub(a)
	length = d.Len()
	dir = d.Mul(1 / length)
	return a, dir, profile.Point{X: dir.Y, Y: -dir.X}, length
}

// point answers the place at distance t along edge i and out beyond it.
func (p *panel) point(i int, t, out float64) profile.Point {
	start, dir, n, _ := p.edge(i)
	return start.Add(dir.Mul(t)).Add(n.Mul(out))
}

var compass = []struct {
	name Edge
	dir  profile.Point
}{{Front, profile.Point{Y: -1}}, {Right, profile.Point{X: 1}}, {Back, profile.Point{Y: 1}}, {Left, profile.Point{X: -1}}}

// facing answers the name of edge i by the way it faces on the flat pattern.
func (p *panel) facing(i int) Edge {
	if p.ways[i] == "" {
		p.ways[i] = p.look(i)
	}
	return p.ways[i]
}

func (p *panel) look(i int) Edge {
	_, _, n, _ := p.edge(i)
	n = p.pose.turn(n)
	for _, c := range compass {
		if n.Dot(c.dir) > .7 {
			return c.name
		}
	}
	return ""
}

// edgeNamed answers the index of the edge that faces a way.
func (p *panel) edgeNamed(name Edge) int {
	for i := range 4 {
		if p.facing(i) == name {
			return i
		}
	}
	return -1
}

// along tells whether the edge's direction runs from its start end (left or
// front) to the other.
func (p *panel) along(i int) bool {
	f := p.facing(i)
	return f == Front || f == Right
}

// size answers width (along the bend) and height of the panel.
func (p *panel) size() (w, h float64) { return p.corners[1].X, p.corners[2].Y }

// setback answers how far beyond the tangent line a measure's reference lies.
func setback(m Measure, insideRadius, thickness, angle float64) float64 {
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
	w, h := r.Base.Length, r.Base.Width
	off := map[Edge]float64{}
	for _, f := range r.Base.Flanges {
		off[f.Edge] = max(off[f.Edge], setback(r.Base.Measure, f.InsideRadius, r.Thickness, f.Angle))
	}
	w -= off[Left] + off[Right]
	h -= off[Front] + off[Back]
	base := &panel{id: r.Base.ID, name: "Base", path: "/base", corner: r.Base.Corner, holes: r.Base.Holes,
		pose: pose{ex: profile.Point{X: 1}, ey: profile.Point{Y: 1}}, frame: ground}
	if w <= tiny || h <= tiny {
		b.stop("base-too-small", "Cannot be unfolded", base, fmt.Sprintf("The base is smaller than its bends: between the tangent lines %s × %s would be left.", b.len(w), b.len(h)))
		return nil
	}
	base.corners = rectangle(w, h)
	b.all = append(b.all, base)
	b.hang(base, r.Base.Flanges)
	return base
}

func rectangle(w, h float64) [4]profile.Point {
	return [4]profile.Point{{}, {X: w}, {X: w, Y: h}, {Y: h}}
}

// hang builds the flanges of one panel and what hangs on them.
func (b *builder) hang(parent *panel, flanges []Flange) {
	for i := range flanges {
		f := &flanges[i]
		e := parent.edgeNamed(f.Edge)
		p := &panel{id: f.ID, corner: f.Corner, holes: f.Holes, parent: parent, on: e, flange: f}
		if !b.bare {
			p.path, p.name = parent.path+"/flanges/"+strconv.Itoa(i), flangeName(parent, f)
		}
		if e == 0 && parent.flange != nil {
			b.stop("edge-taken", "Cannot be unfolded", p, fmt.Sprintf("%s hangs on the edge by which its panel is bent already: choose another edge.", p.name))
			continue
		}
		_, _, _, length := parent.edge(e)
		p.at = [2]float64{f.SetIn.Start, length - f.SetIn.End}
		if !parent.along(e) {
			p.at = [2]float64{f.SetIn.End, length - f.SetIn.Start}
		}
		if p.at[1]-p.at[0] <= tiny {
			b.stop("flange-no-width", "Cannot be unfolded", p, fmt.Sprintf("%s has no width left: its edge is %s long between the tangent lines and the set-ins take %s.", p.name, b.len(length), b.len(f.SetIn.Start+f.SetIn.End)))
			continue
		}
		leg := f.Length - setback(f.Measure, f.InsideRadius, b.recipe.Thickness, f.Angle)
		for _, k := range f.Flanges { // bent edges on its tip measure from their own apex
			if k.Edge == f.Edge {
				leg -= setback(f.Measure, k.InsideRadius, b.recipe.Thickness, k.Angle)
				break
			}
		}
		if leg <= tiny {
			b.stop("flange-in-bend", "Cannot be unfolded", p, fmt.Sprintf("%s is shorter than its bend: nothing is left past the tangent line (%s).", p.name, b.len(leg)),
				b.fix(fmt.Sprintf("Make it %s", b.len(ceil(f.Length-leg+b.recipe.Thickness))), p.path+"/length", ceil(f.Length-leg+b.recipe.Thickness)))
			continue
		}
		p.relief = f.Relief
		p.relief.Width = orThickness(p.relief.Width, b.recipe.Thickness)
		p.relief.Depth = orThickness(p.relief.Depth, b.recipe.Thickness)
		p.taken = b.take(p)
		p.corners = rectangle(p.at[1]-p.at[0], leg)
		p.pose = b.flatPose(p)
		if !b.bare {
			p.frame = b.fold(p)
		}
		if b.edgeClash(parent, p) {
			continue
		}
		parent.kids[e] = append(parent.kids[e], p)
		sort.SliceStable(parent.kids[e], func(i, j int) bool { return parent.kids[e][i].at[0] < parent.kids[e][j].at[0] })
		b.all = append(b.all, p)
		b.hang(p, f.Flanges)
	}
}

func orThickness(v, thickness float64) float64 {
	if v == 0 {
		return thickness
	}
	return v
}

var firstFlange = map[Edge]string{Front: "Front flange", Right: "Right flange", Back: "Back flange", Left: "Left flange"}

func flangeName(parent *panel, f *Flange) string {
	if parent.flange == nil {
		return firstFlange[f.Edge]
	}
	return parent.name + ", " + string(f.Edge) + " lip"
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
