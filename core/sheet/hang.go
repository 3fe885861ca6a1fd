package sheet

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"strconv"
	"strings"

	"warmanvil/core/profile"
)

// unfold builds the tree with the flat size of every panel and answers the base. A
// flange that cannot be made is left out and said; so is everything on it.
func (b *layer) unfold() *panel {
	r := b.recipe
	base := &panel{id: r.Base.ID, name: "Base", path: "/base", corner: r.Base.Corner, meets: r.Base.Meets, holes: r.Base.Holes,
		edges: r.Base.Edges, marks: r.Base.Marks,
		pose: pose{ex: profile.Point{X: 1}, ey: profile.Point{Y: 1}}, frame: ground}
	loop, names, why := r.Base.outline()
	if why != "" {
		b.fail("base-shape", base, "The base has no shape: "+why+".")
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
			b.fail("base-too-small", base,
				fmt.Sprintf("The base is smaller than its bends: between the tangent lines %s × %s would be left.", b.len(w), b.len(h)))
			return nil
		}
		corners = []profile.Point{{}, {X: w}, {X: w, Y: h}, {Y: h}}
	} else if corners, bulges, why = flatBase(loop, off); why != "" {
		b.fail("base-too-small", base, "The base is smaller than its bends: "+why+".")
		return nil
	}
	base.shape(corners, names)
	for _, v := range bulges {
		if v != 0 {
			base.bulges = bulges
		}
	}
	b.panels = append(b.panels, base)
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
func (b *layer) hang(parent *panel, flanges []Flange) {
	var made []*panel
	for i := range flanges {
		f := &flanges[i]
		p := &panel{id: f.ID, corner: f.Corner, meets: f.Meets, holes: f.Holes, edges: f.Edges, marks: f.Marks, parent: parent,
			on: parent.edgeNamed(f.Edge), flange: f}
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
		b.panels = append(b.panels, p)
		if p.jog != nil { // the slope: what lies beyond it hangs on its tip
			beyond := b.beyond(p)
			if beyond == nil || !b.join(beyond) {
				continue
			}
			b.panels = append(b.panels, beyond)
			p = beyond
		}
		b.hang(p, p.flange.Flanges)
	}
}

// join gives a flange its place on its parent's edge and its size; false when
// it cannot be made.
func (b *layer) join(p *panel) bool {
	f, parent, e := p.flange, p.parent, p.on
	switch {
	case e < 0:
		b.fail("edge-none", p,
			fmt.Sprintf("%s has no edge %q any more: choose the edge of %s it hangs on.", lower(parent.name), f.Edge, lower(p.name)))
		return false
	case !parent.straight(e):
		b.fail("edge-round", p, fmt.Sprintf("%s hangs on a round edge: only a straight one can be bent.", p.name))
		return false
	case e == 0 && parent.flange != nil:
		b.fail("edge-taken", p,
			fmt.Sprintf("%s hangs on the edge by which its panel is bent already: choose another edge.", p.name))
		return false
	}
	_, _, _, length := parent.edge(e)
	in := f.SetIn
	if f.Width > 0 {
		in = SetIn{(length - f.Width) / 2, (length - f.Width) / 2}
		if in.Start < -tiny {
			b.fail("flange-no-width", p,
				fmt.Sprintf("%s is %s wide and its edge only %s between the tangent lines.", p.name, b.len(f.Width), b.len(length)),
				b.fix("The whole edge", p.path+"/width", 0.0))
			return false
		}
	}
	p.at = [2]float64{in.Start, length - in.End}
	if !parent.along(e) {
		p.at = [2]float64{in.End, length - in.Start}
	}
	if p.at[1]-p.at[0] <= tiny {
		b.fail("flange-no-width", p,
			fmt.Sprintf("%s has no width left: its edge is %s long between the tangent lines and the set-ins take %s.", p.name,
				b.len(length), b.len(in.Start+in.End)))
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
		b.fail("flange-in-bend", p,
			fmt.Sprintf("%s is shorter than its bend: nothing is left past the tangent line (%s).", p.name, b.len(leg)),
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
		b.fail("flange-no-width", p,
			fmt.Sprintf("%s tapers to nothing before its tip: taper it less, or make it shorter.", p.name),
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
	slices.SortStableFunc(parent.kids[e], func(a, b *panel) int { return cmp.Compare(a.at[0], b.at[0]) })
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
func (b *layer) edgeClash(parent, p *panel) bool {
	for _, k := range parent.kids[p.on] {
		if p.at[0] < k.at[1]-tiny && k.at[0] < p.at[1]-tiny {
			b.fail("edge-taken", p,
				fmt.Sprintf("%s and %s want the same stretch of the %s edge: set one of them in.", p.name, k.name, p.flange.Edge))
			return true
		}
	}
	return false
}

// flatPose lays the panel beyond its bend zone on the flat pattern.
func (b *layer) flatPose(p *panel) pose {
	_, dir, out, _ := p.parent.edge(p.on)
	start := p.parent.point(p.on, p.at[1], p.taken.Allowance)
	return pose{origin: p.parent.pose.apply(start), ex: p.parent.pose.turn(dir.Mul(-1)), ey: p.parent.pose.turn(out)}
}
