package facet

import (
	"fmt"
	"math"
	"slices"

	"warmanvil/core/bend"
	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// Blank is panels that are cut in one piece and bent at the edges between them, in the axes of its
// first panel.
type Blank struct {
	Faces   []int // into Built.Faces, the first one lies as in its own axes
	Flats   [][]profile.Point
	Places  []Place // of the same faces
	Outline []profile.Point
	Area    float64 // mm²
	Lines   []Line
}

// Place is how a panel's own axes lie on its blank.
type Place struct{ Origin, X, Y profile.Point }

// Apply answers where a place of the panel lies on the blank.
func (p Place) Apply(q profile.Point) profile.Point {
	return p.Origin.Add(p.X.Mul(q.X)).Add(p.Y.Mul(q.Y))
}

// Line is the middle of a bend on its blank.
type Line struct {
	A, B      string
	From, To  profile.Point
	Angle     float64 // degrees
	Up        bool    // towards the outside, which lies up
	Allowance float64 // mm
}

// blank puts panels that are bent together into one piece each.
func (b *Built) blank() error {
	if err := b.tree(); err != nil {
		return err
	}
	flats := make([][]profile.Point, len(b.Faces))
	for i := range b.Faces {
		flat, why := b.cut(i)
		if why != "" {
			return working.Refuse(fmt.Sprintf("/panels/%d", i), "%s: %s.", b.called(b.Faces[i].ID), why)
		}
		flats[i] = flat
	}
	done := make([]bool, len(b.Faces))
	for i := range b.Faces {
		if !done[i] {
			b.Blanks = append(b.Blanks, b.unfold(b.centre(i), flats, done))
		}
	}
	for _, k := range b.Blanks {
		var loop profile.Loop
		for _, p := range k.Outline {
			loop = append(loop, profile.Vertex{X: p.X, Y: p.Y})
		}
		if loop.Crosses() {
			b.Findings = append(b.Findings, working.Finding{Code: "blank-overlap", Severity: working.Stop, Cause: "Blanks",
				Feature: b.Faces[k.Faces[0]].ID, Name: b.called(b.Faces[k.Faces[0]].ID),
				Reason: fmt.Sprintf("Unfolded, the blank of %s lies over itself: weld "+
					"one of its edges instead of bending it.", b.names(k.Faces))})
		}
	}
	return nil
}

func (b *Built) names(list []int) (out string) {
	for i, f := range list {
		if i > 0 {
			out += ", "
		}
		out += b.called(b.Faces[f].ID)
	}
	return out
}

// tree refuses bends that close a circle: such a blank does not lie flat.
func (b *Built) tree() error {
	of := make([]int, len(b.Faces))
	for i := range of {
		of[i] = i
	}
	root := func(i int) int {
		for of[i] != i {
			i = of[i]
		}
		return i
	}
	for _, e := range b.Edges {
		if e.Seam.Kind != BentOne || len(e.Faces) < 2 {
			continue
		}
		m, n := root(e.Faces[0]), root(e.Faces[1])
		if m == n {
			return working.Refuse("/bends",
				"The bend from %s to %s closes a circle of bends: weld one edge of it, the blank would not lie flat.",
				b.called(e.A), b.called(e.B))
		}
		of[m] = n
	}
	return nil
}

// centre answers the panel of a blank from which the others hang least deep, the largest of those.
func (b *Built) centre(any int) int {
	reach := func(from int) (far int, all []int) {
		depth := map[int]int{from: 0}
		all = []int{from}
		for n := 0; n < len(all); n++ {
			for _, e := range b.Faces[all[n]].edges {
				if b.Edges[e].Seam.Kind != BentOne {
					continue
				}
				for _, o := range b.Edges[e].Faces {
					if _, known := depth[o]; !known {
						depth[o] = depth[all[n]] + 1
						far, all = max(far, depth[o]), append(all, o)
					}
				}
			}
		}
		return far, all
	}
	best, all := reach(any)
	at := any
	for _, f := range all {
		if far, _ := reach(f); far < best || far == best && b.Faces[f].Area > b.Faces[at].Area {
			best, at = far, f
		}
	}
	return at
}

// cut answers a panel's flat part in its own axes: its edges moved in by their setbacks and by what
// their neighbours' thickness takes.
func (b *Built) cut(i int) ([]profile.Point, string) {
	f := b.Faces[i]
	n := len(f.Outline)
	off := make([]float64, n)
	for k, e := range f.edges {
		off[k] = b.off(b.Edges[e], i)
	}
	out := make([]profile.Point, n)
	for k := range n {
		before := (k + n - 1) % n
		p, ok := crossing(f.Outline[before], f.Outline[k], off[before], f.Outline[k], f.Outline[(k+1)%n], off[k])
		if !ok {
			return nil, fmt.Sprintf("its edges at %s run in one line and are cut back differently: take that point out",
				b.called(f.Points[k]))
		}
		out[k] = p
	}
	for k := range n {
		was, is := f.Outline[(k+1)%n].Sub(f.Outline[k]), out[(k+1)%n].Sub(out[k])
		if was.Dot(is) <= 1e-6 {
			return nil, fmt.Sprintf("its bends and neighbours leave nothing of the edge from %s to %s", b.called(f.Points[k]),
				b.called(f.Points[(k+1)%n]))
		}
	}
	return out, ""
}

// crossing answers where two edges cross that are moved in, anticlockwise.
func crossing(a, b profile.Point, offA float64, c, d profile.Point, offC float64) (profile.Point, bool) {
	u, v := b.Sub(a), d.Sub(c)
	u, v = u.Mul(1/u.Len()), v.Mul(1/v.Len())
	p := a.Add(profile.Point{X: -u.Y, Y: u.X}.Mul(offA))
	q := c.Add(profile.Point{X: -v.Y, Y: v.X}.Mul(offC))
	det := u.Cross(v)
	if math.Abs(det) < 1e-9 {
		return q, math.Abs(offA-offC) < 1e-9
	}
	return p.Add(u.Mul(q.Sub(p).Cross(v) / det)), true
}

// unfold lays a panel and all that is bent to it into one plane, and walks round them.
func (b *Built) unfold(first int, flats [][]profile.Point, done []bool) Blank {
	k := Blank{}
	var walk func(i, from int, at Place)
	walk = func(i, from int, at Place) {
		done[i] = true
		k.Faces, k.Places = append(k.Faces, i), append(k.Places, at)
		flat := make([]profile.Point, len(flats[i]))
		for n, p := range flats[i] {
			flat[n] = at.Apply(p)
		}
		k.Flats = append(k.Flats, flat)
		sides := len(flat)
		start := 0
		if from >= 0 { // begin behind the edge it hangs on
			start = from + 1
		}
		for s := range sides {
			side := (start + s) % sides
			k.Outline = append(k.Outline, flat[side])
			e := b.Edges[b.Faces[i].edges[side]]
			if side == from || e.Seam.Kind != BentOne || len(e.Faces) < 2 {
				continue
			}
			o, its := e.Faces[0], e.sides[0]
			if o == i {
				o, its = e.Faces[1], e.sides[1]
			}
			place, zone := b.hang(i, side, o, its, at, e)
			next := (side + 1) % sides
			nf, ns := flats[o], len(flats[o])
			from, to := flat[side].Add(zone), flat[next].Add(zone)
			p, q := place.Apply(nf[(its+1)%ns]), place.Apply(nf[its])
			line := Line{A: e.A, B: e.B, Angle: math.Abs(e.Turn), Up: e.Turn < 0, Allowance: b.allowance(e)}
			line.From, line.To = overlap(from, to, p.Sub(zone), q.Sub(zone))
			k.Lines = append(k.Lines, line)
			walk(o, its, place)
		}
	}
	walk(first, -1, Place{X: profile.Point{X: 1}, Y: profile.Point{Y: 1}})
	k.Outline = slices.CompactFunc(k.Outline, func(a, b profile.Point) bool { return a.Sub(b).Len() < 1e-9 })
	k.Area = area(k.Outline)
	return k
}

func area(l []profile.Point) (a float64) {
	for i, p := range l {
		a += p.Cross(l[(i+1)%len(l)]) / 2
	}
	return a
}

// allowance is how much flat a bend takes, mm.
func (b *Built) allowance(e Edge) float64 {
	return bend.Allowance(b.Radius, b.Thickness, b.K, math.Abs(e.Turn))
}

// hang answers how the panel beyond a bent edge lies on the blank, and half the way across the bend.
func (b *Built) hang(i, side, o, its int, at Place, e Edge) (Place, profile.Point) {
	f, g := b.Faces[i], b.Faces[o]
	p, q := at.Apply(f.Outline[side]), at.Apply(f.Outline[(side+1)%len(f.Outline)])
	along := q.Sub(p)
	along = along.Mul(1 / along.Len())
	out := profile.Point{X: along.Y, Y: -along.X}
	long := b.allowance(e)
	apart := long - b.off(e, i) - b.off(e, o) // of the edges' own lines
	// The other's edge runs the other way: its far end lies at p.
	gp, gq := g.Outline[(its+1)%len(g.Outline)], g.Outline[its]
	u := gq.Sub(gp)
	u = u.Mul(1 / u.Len())
	// Axes of g on the blank: u goes to along, u turned a quarter to along turned a quarter.
	x := along.Mul(u.X).Add(profile.Point{X: -along.Y, Y: along.X}.Mul(-u.Y))
	y := profile.Point{X: -x.Y, Y: x.X}
	place := Place{X: x, Y: y}
	place.Origin = p.Add(out.Mul(apart)).Sub(place.Apply(gp))
	return place, out.Mul(long / 2)
}

// overlap answers what two parallel stretches share, from the first one's start.
func overlap(a, b, p, q profile.Point) (from, to profile.Point) {
	u := b.Sub(a)
	long := u.Len()
	u = u.Mul(1 / long)
	s, t := p.Sub(a).Dot(u), q.Sub(a).Dot(u)
	lo, hi := math.Max(0, math.Min(s, t)), math.Min(long, math.Max(s, t))
	return a.Add(u.Mul(lo)), a.Add(u.Mul(hi))
}
