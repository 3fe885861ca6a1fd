package trace

import (
	"context"
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
	flat    []profile.Point // empty of a plain circle
	box     profile.Bounds
	area    float64
}

// Chain is what stays open: its ends.
type Chain struct {
	From, To profile.Point
	Length   float64
	Line     profile.Loop // its corners; the last one ends it
}

// Join makes loops of a drawing. It fails with *working.Fault, or with the context's error
// when that ends.
func (d *Drawing) Join(ctx context.Context, opt Options) (*Traced, error) {
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
	open := 0
	for _, c := range d.Curves {
		if use[c.Layer] && !c.Circle {
			open++
		}
	}
	curves := make([]Curve, 0, open)
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
	if err := ctx.Err(); err != nil {
		return nil, err
	}
	if err := t.nest(ctx); err != nil {
		return nil, err
	}
	t.gaps()
	if len(t.Loops) == 0 && len(t.Open) == 0 {
		t.say(working.Stop, "nothing", "Drawing", nil,
			"There is no line in the drawing that could be cut: look at its layers and at what was left out.")
	}
	return t, nil
}

func (t *Traced) say(severity working.Severity, code, cause string, fixes []working.Fix, reason string) {
	t.Findings = append(t.Findings, working.Finding{Code: code, Severity: severity, Cause: cause, Reason: reason, Fixes: fixes})
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
		t.say(working.Mind, "branches", "Drawing", nil,
			fmt.Sprintf("More than two lines meet at %s: the straightest way on was taken. Look whether the outline is the one you mean.",
				places(branches)))
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
