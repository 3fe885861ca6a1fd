package trace

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// Options of Join. Tolerance in file units; 0 takes 0.01 mm, or a thousandth of
// a unit where the file does not say its units.
type Options struct {
	Tolerance float64
	Layers    []string // only these; all that are not hidden when empty
}

// Traced is a drawing as closed loops.
type Traced struct {
	Loops     []Loop
	Open      []Chain
	Tolerance float64
	Crossed   []profile.Point
	Findings  []working.Finding
	Outer     float64 // area, loops inside others not taken off
	Net       float64 // area, even–odd
}

// Loop is one closed outline, anticlockwise.
type Loop struct {
	Outline profile.Loop
	Depth   int  // how many loops it lies in
	Round   bool // a circle, drawn as one or in pieces
	Holds   bool // another loop lies in it
	Centre  profile.Point
	Radius  float64
	flat    []profile.Point
	box     profile.Bounds
}

// Chain is what stays open: its ends.
type Chain struct {
	From, To profile.Point
	Length   float64
	Line     profile.Loop // its corners; the last one ends it
}

// node is a place where curves meet.
type node struct {
	at   profile.Point
	ends []int32 // curve·2, +1 for its far end
}

// Join makes loops of a drawing. It fails with *working.Fault.
func (d *Drawing) Join(opt Options) (*Traced, error) {
	t := &Traced{Tolerance: opt.Tolerance, Findings: slices.Clone(d.Findings)}
	if t.Tolerance == 0 {
		t.Tolerance = .001
		if d.UnitsToMM != nil {
			t.Tolerance = .01 / *d.UnitsToMM
		}
	}
	if err := working.Above("/tolerance", "The tolerance", t.Tolerance, 0, 1e6, ""); err != nil {
		return nil, err
	}
	use := make([]bool, len(d.Layers))
	for i, l := range d.Layers {
		use[i] = len(opt.Layers) == 0 && !l.Hidden || slices.Contains(opt.Layers, l.Name)
	}
	var curves []Curve
	for _, c := range d.Curves {
		switch {
		case !use[c.Layer]:
		case c.Circle:
			t.circle(c)
		default:
			curves = append(curves, c)
		}
	}
	t.chains(curves)
	t.dropCircles()
	t.nest()
	t.gaps()
	if len(t.Loops) == 0 && len(t.Open) == 0 {
		t.say(working.Stop, "nothing", "Drawing", nil, "There is no line in the drawing that could be cut: look at its layers and at what was left out.")
	}
	return t, nil
}

func (t *Traced) say(severity working.Severity, code, cause string, fixes []working.Fix, reason string) {
	t.Findings = append(t.Findings, working.Finding{Code: code, Severity: severity, Cause: cause, Reason: reason, Fixes: fixes})
}

func (t *Traced) circle(c Curve) {
	if !(c.Bulge > 0) {
		return
	}
	r := profile.Point{X: c.Bulge}
	a, b := c.A.Sub(r), c.A.Add(r)
	t.Loops = append(t.Loops, Loop{Outline: profile.Loop{{X: a.X, Y: a.Y, Bulge: 1}, {X: b.X, Y: b.Y, Bulge: 1}}, Round: true, Centre: c.A, Radius: c.Bulge})
}

// dropCircles drops circles drawn twice.
func (t *Traced) dropCircles() {
	type key struct{ x, y, r int64 }
	seen := map[key]bool{}
	grain := t.Tolerance
	out := t.Loops[:0]
	dropped := 0
	for _, l := range t.Loops {
		if !l.Round {
			out = append(out, l)
			continue
		}
		k := key{int64(math.Round(l.Centre.X / grain)), int64(math.Round(l.Centre.Y / grain)), int64(math.Round(l.Radius / grain))}
		if seen[k] {
			dropped++
			continue
		}
		seen[k] = true
		out = append(out, l)
	}
	t.Loops = out
	if dropped > 0 {
		t.say(working.Note, "doubled", "Drawing", nil, plural(dropped, "circle was drawn twice and is", "circles were drawn twice and are")+" taken once.")
	}
}

// chains joins curves end to end: closed ones become loops.
func (t *Traced) chains(curves []Curve) {
	nodes, ends := t.nodes(curves)
	curves, nodes, ends = t.single(curves, nodes, ends)
	used := make([]bool, len(curves))
	var branches []profile.Point
	for i := range nodes {
		if n := len(nodes[i].ends); n > 2 {
			branches = append(branches, nodes[i].at)
		}
	}
	walk := func(first int32) (chain []int32, closed bool) {
		start := ends[first]
		at := first // the end it is entered by
		for {
			used[at/2] = true
			chain = append(chain, at)
			out := at ^ 1
			n := ends[out]
			if n == start {
				return chain, true
			}
			next := t.onward(curves, nodes[n], out, used)
			if next < 0 {
				return chain, false
			}
			at = next
		}
	}
	// Open chains begin at lone ends; what is left are rings.
	for i := range nodes {
		if n := &nodes[i]; len(n.ends) == 1 && !used[n.ends[0]/2] {
			t.take(curves, nodes, ends, walk, n.ends[0])
		}
	}
	for c := range curves {
		if !used[c] {
			t.take(curves, nodes, ends, walk, int32(2*c))
		}
	}
	if len(branches) > 0 {
		t.say(working.Mind, "branches", "Drawing", nil, fmt.Sprintf("More than two lines meet at %s: the straightest way on was taken. Look whether the outline is the one you mean.", places(branches)))
	}
}

func (t *Traced) take(curves []Curve, nodes []node, ends []int32, walk func(int32) ([]int32, bool), first int32) {
	chain, closed := walk(first)
	var l profile.Loop
	length := 0.0
	for _, at := range chain {
		c, from := curves[at/2], nodes[ends[at]].at
		bulge := c.Bulge
		if at&1 == 1 {
			bulge = -bulge
		}
		l = append(l, profile.Vertex{X: from.X, Y: from.Y, Bulge: bulge})
		length += c.B.Sub(c.A).Len()
	}
	if closed && len(l) >= 2 {
		if tidy := l.Tidy(); spread(tidy) > t.Tolerance*t.Tolerance {
			t.loop(tidy)
			return
		}
	}
	last := chain[len(chain)-1]
	if closed { // out and back over nothing
		return
	}
	end := nodes[ends[last^1]].at
	t.Open = append(t.Open, Chain{nodes[ends[chain[0]]].at, end, length, append(l, profile.Vertex{X: end.X, Y: end.Y})})
}

// spread is the area a loop covers, where it is walked either way: 0 of one that
// goes out and back on itself.
func spread(l profile.Loop) (sum float64) {
	for i := range l {
		a, b := l[i].P().Sub(l[0].P()), l[(i+1)%len(l)].P().Sub(l[0].P())
		chord := b.Sub(a).Len()
		sum += math.Abs(a.Cross(b))/2 + chord*chord*math.Abs(l[i].Bulge)/2
	}
	return sum
}

// nodes puts ends within the tolerance of one another together.
func (t *Traced) nodes(curves []Curve) ([]node, []int32) {
	var nodes []node
	ends := make([]int32, 2*len(curves))
	type cell struct{ x, y int64 }
	grid := make(map[cell][]int32, len(curves))
	tol := t.Tolerance
	find := func(p profile.Point) int32 {
		x, y := int64(math.Floor(p.X/tol)), int64(math.Floor(p.Y/tol))
		best, near := int32(-1), tol*(1+1e-9)
		for dx := int64(-1); dx <= 1; dx++ {
			for dy := int64(-1); dy <= 1; dy++ {
				for _, n := range grid[cell{x + dx, y + dy}] {
					if d := nodes[n].at.Sub(p).Len(); d <= near {
						best, near = n, d
					}
				}
			}
		}
		if best < 0 {
			best = int32(len(nodes))
			nodes = append(nodes, node{at: p})
			grid[cell{x, y}] = append(grid[cell{x, y}], best)
		}
		return best
	}
	for i, c := range curves {
		ends[2*i], ends[2*i+1] = find(c.A), find(c.B)
	}
	for i := range ends {
		nodes[ends[i]].ends = append(nodes[ends[i]].ends, int32(i))
	}
	return nodes, ends
}

// single drops curves drawn twice and those shorter than the tolerance.
func (t *Traced) single(curves []Curve, nodes []node, ends []int32) ([]Curve, []node, []int32) {
	type key struct {
		a, b  int32
		bulge int64
	}
	seen := make(map[key]bool, len(curves))
	out := curves[:0]
	doubled, specks := 0, 0
	for i, c := range curves {
		a, b, bulge := ends[2*i], ends[2*i+1], c.Bulge
		if a == b {
			specks++
			continue
		}
		if a > b {
			a, b, bulge = b, a, -bulge
		}
		chord := c.B.Sub(c.A).Len()
		k := key{a, b, int64(math.Round(bulge * chord / 2 / t.Tolerance))} // by the arc's rise
		if seen[k] {
			doubled++
			continue
		}
		seen[k] = true
		out = append(out, c)
	}
	if doubled == 0 && specks == 0 {
		return curves, nodes, ends
	}
	if doubled > 0 {
		t.say(working.Note, "doubled", "Drawing", nil, plural(doubled, "line was drawn twice and is", "lines were drawn twice and are")+" taken once.")
	}
	if specks > 0 {
		t.say(working.Note, "specks", "Drawing", nil, plural(specks, "line shorter than the tolerance was", "lines shorter than the tolerance were")+" dropped.")
	}
	nodes, ends = t.nodes(out)
	return out, nodes, ends
}

// onward answers the end by which a chain goes on: the straightest of several.
func (t *Traced) onward(curves []Curve, n node, out int32, used []bool) int32 {
	best, turn := int32(-1), math.Inf(1)
	way := leaving(curves[out/2], out&1 == 1).Mul(-1)
	for _, e := range n.ends {
		if e == out || used[e/2] {
			continue
		}
		v := leaving(curves[e/2], e&1 == 1)
		if a := math.Abs(math.Atan2(way.Cross(v), way.Dot(v))); a < turn {
			best, turn = e, a
		}
	}
	return best
}

// leaving answers the way a curve leaves one of its ends.
func leaving(c Curve, far bool) profile.Point {
	d := c.B.Sub(c.A)
	half := 2 * math.Atan(c.Bulge) // between chord and tangent
	if far {
		d, half = d.Mul(-1), -half
	}
	s, co := math.Sincos(-half)
	return profile.Point{X: d.X*co - d.Y*s, Y: d.X*s + d.Y*co}
}

// loop keeps a closed outline, anticlockwise; one that is round within the
// tolerance becomes a circle.
func (t *Traced) loop(l profile.Loop) {
	if l.Area() < 0 {
		l = l.Reversed()
	}
	out := Loop{Outline: l}
	if c, r, ok := roundLoop(l, t.Tolerance); ok {
		out.Round, out.Centre, out.Radius = true, c, r
		out.Outline = profile.Loop{{X: c.X - r, Y: c.Y, Bulge: 1}, {X: c.X + r, Y: c.Y, Bulge: 1}}
	}
	t.Loops = append(t.Loops, out)
}

// roundLoop tells whether every piece of a loop is an arc of one circle.
func roundLoop(l profile.Loop, tolerance float64) (profile.Point, float64, bool) {
	var c profile.Point
	r, turn := 0.0, 0.0
	for i, v := range l {
		if v.Bulge <= 0 {
			return c, r, false
		}
		at, radius := profile.ArcOf(v, l[(i+1)%len(l)])
		if i > 0 && (at.Sub(c).Len() > 2*tolerance || math.Abs(radius-r) > 2*tolerance) {
			return c, r, false
		}
		if i == 0 {
			c, r = at, radius
		}
		turn += 4 * math.Atan(v.Bulge)
	}
	return c, r, math.Abs(turn-2*math.Pi) < 1e-3
}

// gaps says what stays open, and what tolerance would close it.
func (t *Traced) gaps() {
	if len(t.Open) == 0 {
		return
	}
	need := math.Inf(1)
	var where []profile.Point
	var all []profile.Point
	for _, c := range t.Open {
		all = append(all, c.From, c.To)
	}
	for i, p := range all {
		if i >= 2000 { // enough to name a tolerance
			break
		}
		best := math.Inf(1)
		for j, q := range all[:min(len(all), 4000)] {
			if i != j {
				best = math.Min(best, q.Sub(p).Len())
			}
		}
		where = append(where, p)
		need = math.Min(need, best)
	}
	var fixes []working.Fix
	if next := t.closing(all); next > 0 {
		fixes = append(fixes, working.Fix{Label: fmt.Sprintf("Join ends up to %.3g apart", next), Edits: []working.Edit{{Path: "/tolerance", Value: next}}})
	}
	t.say(working.Stop, "open", "Open ends", fixes, fmt.Sprintf("%s open, at %s: the nearest ends stand %.3g apart and the tolerance is %.3g.", plural(len(t.Open), "line stays", "lines stay"), places(where), need, t.Tolerance))
}

// closing answers a tolerance that would close most gaps without swallowing
// what is drawn.
func (t *Traced) closing(all []profile.Point) float64 {
	if len(all) > 4000 {
		return 0
	}
	var gaps []float64
	for i, p := range all {
		best := math.Inf(1)
		for j, q := range all {
			if i != j {
				best = math.Min(best, q.Sub(p).Len())
			}
		}
		gaps = append(gaps, best)
	}
	shortest := math.Inf(1)
	for _, c := range t.Open {
		shortest = math.Min(shortest, c.Length)
	}
	slices.Sort(gaps)
	best := 0.0
	for _, g := range gaps {
		if g*1.05 < shortest/2 {
			best = g * 1.05
		}
	}
	if best <= t.Tolerance {
		return 0
	}
	scale := math.Pow(10, math.Floor(math.Log10(best))-1)
	return math.Ceil(best/scale) * scale
}

func plural(n int, one, many string) string {
	if n == 1 {
		return "1 " + one
	}
	return fmt.Sprintf("%d %s", n, many)
}

// places writes the first few places.
func places(list []profile.Point) string {
	list = slices.Clone(list)
	slices.SortFunc(list, func(a, b profile.Point) int { return cmp.Or(cmp.Compare(a.X, b.X), cmp.Compare(a.Y, b.Y)) })
	list = slices.Compact(list)
	out := ""
	for i, p := range list {
		if i == 4 {
			return fmt.Sprintf("%s and %d more places", out, len(list)-4)
		}
		if i > 0 {
			out += ", "
		}
		out += fmt.Sprintf("(%.4g, %.4g)", p.X, p.Y)
	}
	return out
}
