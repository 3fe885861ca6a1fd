package lay

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"strconv"
	"strings"

	"warmanvil/core/profile"
	"warmanvil/core/sheet"
)

// unfold builds the tree with the flat size of every panel and answers the base. A
// flange that cannot be made is left out and said; so is everything on it.
func (b *layer) unfold() *Panel {
	r := b.Recipe
	base := &Panel{ID: r.Base.ID, Name: "Base", Path: "/base", Corner: r.Base.Corner, Meets: r.Base.Meets, Holes: r.Base.Holes,
		edges: r.Base.Edges, Marks: r.Base.Marks,
		Pose: Pose{Ex: profile.Point{X: 1}, Ey: profile.Point{Y: 1}}, Frame: ground}
	loop, names, why := b.baseOutline()
	if why != "" {
		b.fail("base-shape", base, "The base has no shape: "+why+".")
		return nil
	}
	off := make([]float64, len(loop))
	for i := range b.flanges {
		f := &b.flanges[i]
		for e, name := range names {
			if name == f.Edge {
				off[e] = max(off[e], Setback(r.Base.Measure, f.InsideRadius, r.Thickness, f.Angle))
			}
		}
	}
	var corners []profile.Point
	var bulges []float64
	if r.Base.Kind() == sheet.Rectangle {
		w, h := r.Base.Length-off[1]-off[3], r.Base.Width-off[0]-off[2]
		if w <= sheet.Tiny || h <= sheet.Tiny {
			b.fail("base-too-small", base,
				fmt.Sprintf("The base is smaller than its bends: between the tangent lines %s × %s would be left.", b.Len(w), b.Len(h)))
			return nil
		}
		corners = []profile.Point{{}, {X: w}, {X: w, Y: h}, {Y: h}}
	} else if b.Round != nil {
		corners = b.Round.Outline
	} else if corners, bulges, why = sheet.FlatBase(loop, off); why != "" {
		b.fail("base-too-small", base, "The base is smaller than its bends: "+why+".")
		return nil
	}
	base.shape(corners, names)
	for _, v := range bulges {
		if v != 0 {
			base.Bulges = bulges
		}
	}
	b.Panels = append(b.Panels, base)
	b.hang(base, b.flanges)
	return base
}

// shape sets a panel's corners.
func (p *Panel) shape(corners []profile.Point, names []sheet.Edge) {
	n := len(corners)
	p.Corners, p.Names, p.Kids, p.Corners90, p.CornersRound = corners, names, make([][]*Panel, n), make([]float64, n), make([]bool, n)
}

// hang builds the flanges of one panel, lets those at corners meet, and builds
// what hangs on them.
func (b *layer) hang(parent *Panel, flanges []sheet.Flange) {
	var made []*Panel
	for i := range flanges {
		f := &flanges[i]
		p := &Panel{ID: f.ID, Corner: f.Corner, Meets: f.Meets, Holes: f.Holes, edges: f.Edges, Marks: f.Marks, Parent: parent,
			On: parent.EdgeNamed(f.Edge), Flange: f}
		if !b.bare {
			p.Path, p.Name = parent.Path+"/flanges/"+strconv.Itoa(i), FlangeName(parent, f)
		}
		if f.Kind == sheet.Jog {
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
		b.Panels = append(b.Panels, p)
		if p.Jog != nil { // the slope: what lies beyond it hangs on its tip
			beyond := b.beyond(p)
			if beyond == nil || !b.join(beyond) {
				continue
			}
			b.Panels = append(b.Panels, beyond)
			p = beyond
		}
		b.hang(p, p.Flange.Flanges)
	}
}

// join gives a flange its place on its parent's edge and its size; false when
// it cannot be made.
func (b *layer) join(p *Panel) bool {
	f, parent, e := p.Flange, p.Parent, p.On
	switch {
	case e < 0:
		b.fail("edge-none", p,
			fmt.Sprintf("%s has no edge %q any more: choose the edge of %s it hangs on.", Lower(parent.Name), f.Edge, Lower(p.Name)))
		return false
	case !parent.Straight(e):
		b.fail("edge-round", p, fmt.Sprintf("%s hangs on a round edge: only a straight one can be bent.", p.Name))
		return false
	case e == 0 && parent.Flange != nil:
		b.fail("edge-taken", p,
			fmt.Sprintf("%s hangs on the edge by which its panel is bent already: choose another edge.", p.Name))
		return false
	}
	_, _, _, length := parent.Edge(e)
	in := f.SetIn
	if f.Width > 0 {
		in = sheet.SetIn{Start: (length - f.Width) / 2, End: (length - f.Width) / 2}
		if in.Start < -sheet.Tiny {
			b.fail("flange-no-width", p,
				fmt.Sprintf("%s is %s wide and its edge only %s between the tangent lines.", p.Name, b.Len(f.Width), b.Len(length)),
				b.Fix("The whole edge", p.Path+"/width", 0.0))
			return false
		}
	}
	p.At = [2]float64{in.Start, length - in.End}
	if !parent.Along(e) {
		p.At = [2]float64{in.End, length - in.Start}
	}
	if p.At[1]-p.At[0] <= sheet.Tiny {
		b.fail("flange-no-width", p,
			fmt.Sprintf("%s has no width left: its edge is %s long between the tangent lines and the set-ins take %s.", p.Name,
				b.Len(length), b.Len(in.Start+in.End)))
		return false
	}
	_, _, out, _ := parent.Edge(e)
	tip := named(parent.Pose.Turn(out))
	if f.Outline != nil {
		return b.outlined(p)
	}
	leg := f.Length - Setback(f.Measure, f.InsideRadius, b.Recipe.Thickness, f.Angle)
	for i := range f.Flanges { // bent edges on its tip measure from their own apex
		if k := &f.Flanges[i]; k.Edge == tip[2] {
			leg -= Setback(f.Measure, k.InsideRadius, b.Recipe.Thickness, k.Angle)
			break
		}
	}
	if leg <= sheet.Tiny {
		b.fail("flange-in-bend", p,
			fmt.Sprintf("%s is shorter than its bend: nothing is left past the tangent line (%s).", p.Name, b.Len(leg)),
			b.Fix(fmt.Sprintf("Make it %s", b.Len(sheet.HalfUp(f.Length-leg+b.Recipe.Thickness))), p.Path+"/length",
				sheet.HalfUp(f.Length-leg+b.Recipe.Thickness)))
		return false
	}
	b.bent(p)
	// The start end of the edge is the far end of the panel's own x.
	far, near := f.Taper.Start, f.Taper.End
	if !parent.Along(e) {
		far, near = near, far
	}
	lean := func(degrees float64) float64 { return leg * math.Tan(degrees*math.Pi/180) }
	p.shape([]profile.Point{{}, {X: p.Zone}, {X: p.Zone - lean(far), Y: leg}, {X: lean(near), Y: leg}}, tip)
	if p.Corners[2].X-p.Corners[3].X <= sheet.Tiny {
		b.fail("flange-no-width", p,
			fmt.Sprintf("%s tapers to nothing before its tip: taper it less, or make it shorter.", p.Name),
			b.Fix("No taper", p.Path+"/taper/start", 0.0, p.Path+"/taper/end", 0.0))
		return false
	}
	return b.seat(p)
}

// bent fills in what the bend of a flange takes.
func (b *layer) bent(p *Panel) {
	p.Relief = p.Flange.Relief
	p.Relief.Width = OrThickness(p.Relief.Width, b.Recipe.Thickness)
	p.Relief.Depth = OrThickness(p.Relief.Depth, b.Recipe.Thickness)
	p.Taken = b.take(p)
	p.Zone = p.At[1] - p.At[0]
}

// seat lays a flange that has its shape on the flat and on the body; false where another is there.
func (b *layer) seat(p *Panel) bool {
	parent, e := p.Parent, p.On
	p.Pose = b.flatPose(p)
	if !b.bare {
		p.Frame = b.fold(p)
	}
	if b.edgeClash(parent, p) {
		return false
	}
	parent.Kids[e] = append(parent.Kids[e], p)
	slices.SortStableFunc(parent.Kids[e], func(a, b *Panel) int { return cmp.Compare(a.At[0], b.At[0]) })
	return true
}

// outlined gives a flange the outline that was said of it: its edges are numbered, 1 its bend.
func (b *layer) outlined(p *Panel) bool {
	b.bent(p)
	corners := make([]profile.Point, len(p.Flange.Outline))
	for i, c := range p.Flange.Outline {
		corners[i] = profile.Point{X: c.X + p.Zone/2, Y: c.Y}
	}
	p.shape(corners, sheet.Numbered(len(corners)))
	if from, to := corners[0].X, corners[1].X; from > p.Zone-sheet.Tiny || to < sheet.Tiny {
		b.fail("flange-off-bend", p, fmt.Sprintf("The outline of %s does not lie along its bend.", p.Name))
		return false
	}
	return b.seat(p)
}

func OrThickness(v, thickness float64) float64 {
	if v == 0 {
		return thickness
	}
	return v
}

var firstFlange = map[sheet.Edge]string{sheet.Front: "Front flange", sheet.Right: "Right flange", sheet.Back: "Back flange",
	sheet.Left: "Left flange"}

func FlangeName(parent *Panel, f *sheet.Flange) string {
	if f.Name != "" {
		return f.Name
	}
	word := f.Form().Word
	if parent.Flange != nil {
		return parent.Name + ", " + string(f.Edge) + " " + cmp.Or(word, "lip")
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
func (b *layer) edgeClash(parent, p *Panel) bool {
	for _, k := range parent.Kids[p.On] {
		if p.At[0] < k.At[1]-sheet.Tiny && k.At[0] < p.At[1]-sheet.Tiny {
			b.fail("edge-taken", p,
				fmt.Sprintf("%s and %s want the same stretch of the %s edge: set one of them in.", p.Name, k.Name, p.Flange.Edge))
			return true
		}
	}
	return false
}

// flatPose lays the panel beyond its bend zone on the flat pattern.
func (b *layer) flatPose(p *Panel) Pose {
	_, dir, out, _ := p.Parent.Edge(p.On)
	start := p.Parent.Point(p.On, p.At[1], p.Taken.Allowance)
	return Pose{Origin: p.Parent.Pose.Apply(start), Ex: p.Parent.Pose.Turn(dir.Mul(-1)), Ey: p.Parent.Pose.Turn(out)}
}
