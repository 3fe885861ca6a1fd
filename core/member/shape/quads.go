package shape

import (
	"cmp"
	"math"
	"slices"

	"warmanvil/core/member"
	"warmanvil/core/solid"
)

// Quad is an opening between four straight pieces that lie in one plane, each meeting the next:
// its corners are those of their inner faces, where a tape is held.
type Quad struct {
	Pieces  [4]int // indices into Pieces, in turn
	Corners [4]solid.Vector
}

// Diagonals answers the two distances across it, mm, from its first corner and from its second.
func (q Quad) Diagonals() (first, second float64) {
	return q.Corners[0].Sub(q.Corners[2]).Len(), q.Corners[1].Sub(q.Corners[3]).Len()
}

// mostQuads is how many openings are looked for: a frame is square when its largest are.
const mostQuads = 6

// Quads answers the largest openings of a frame between four pieces, each pair of opposite pieces
// once; those that lie out of one plane, or whose corners no tape reaches, are left out.
func (b *Built) Quads() []Quad {
	n := len(b.Pieces)
	if n > 400 {
		n = 400 // every pair is asked
	}
	meets := make([][]int, n)
	for i := range n {
		for k := range n {
			if i != k && b.Pieces[i].meetsIn(&b.Pieces[k]) {
				meets[i] = append(meets[i], k)
			}
		}
	}
	var out []Quad
	for i := range n {
		for _, second := range meets[i] {
			if second <= i {
				continue // told from its lowest
			}
			for _, third := range meets[second] {
				if third <= i || slices.Contains(meets[i], third) {
					continue
				}
				for _, fourth := range meets[third] {
					if fourth <= second || !slices.Contains(meets[fourth], i) || slices.Contains(meets[second], fourth) {
						continue
					}
					if q, is := b.quad([4]int{i, second, third, fourth}); is {
						out = append(out, q)
					}
				}
			}
		}
	}
	size := func(q Quad) float64 {
		a, c := q.Diagonals()
		return a + c
	}
	slices.SortStableFunc(out, func(a, c Quad) int { return cmp.Compare(size(c), size(a)) })
	return out[:min(len(out), mostQuads)]
}

// meetsIn tells whether the middle lines of two pieces, that are not parallel, come as near as
// their sections reach.
func (p *Piece) meetsIn(o *Piece) bool {
	if p.Why != "" || o.Why != "" || p.bent() || o.bent() || math.Abs(p.Axes.X.Dot(o.Axes.X)) > .98 {
		return false
	}
	reach := p.reach() + o.reach()
	n := p.Axes.X.Cross(o.Axes.X).Unit()
	apart := o.first.Sub(p.first)
	if math.Abs(apart.Dot(n)) > reach/2 {
		return false
	}
	within := func(a, b *Piece) bool { // b's line crosses a's between its ends, or near one
		side := b.Axes.X.Cross(n)
		t := b.first.Sub(a.line(0)).Dot(side) / a.Axes.X.Dot(side)
		return t > -reach && t < a.line(1).Sub(a.line(0)).Len()+reach
	}
	return within(p, o) && within(o, p)
}

// line answers where the centroid's line of a piece starts and ends, by its long points.
func (p *Piece) line(end int) solid.Vector { return p.first.Add(p.Axes.X.Mul(p.bounds[end][end])) }

// bent tells whether a piece goes round a corner without a seam: it has no corner inside.
func (p *Piece) bent() bool { return p.Ends[0].Kind == member.Bent || p.Ends[1].Kind == member.Bent }

// reach is how far a section goes from its middle at most, mm.
func (p *Piece) reach() (most float64) {
	for _, q := range p.outline {
		most = math.Max(most, math.Hypot(q[0], q[1]))
	}
	return most
}

// toward is how far a section goes from its middle one way, mm.
func (p *Piece) toward(way solid.Vector) float64 {
	most := math.Inf(-1)
	for _, q := range p.outline {
		most = math.Max(most, p.Axes.At(q[0], q[1]).Dot(way))
	}
	return most
}

// quad answers the opening between four pieces in turn where they lie in one plane.
func (b *Built) quad(of [4]int) (Quad, bool) {
	q := Quad{Pieces: of}
	var p [4]*Piece
	var middle solid.Vector
	for k, i := range of {
		p[k] = &b.Pieces[i]
		middle = middle.Add(p[k].line(0).Add(p[k].line(1)).Mul(1. / 8))
	}
	n := p[0].Axes.X.Cross(p[1].Axes.X).Unit()
	var at [4]solid.Vector  // a place on each inner face
	var way [4]solid.Vector // to the inside
	for k, x := range p {
		if math.Abs(x.Axes.X.Dot(n)) > 1e-3 {
			return q, false
		}
		off := x.first.Sub(middle)
		if math.Abs(off.Dot(n)) > .4*x.toward(n) { // beside, over or under the others
			return q, false
		}
		way[k] = n.Cross(x.Axes.X).Unit()
		if off.Dot(way[k]) > 0 {
			way[k] = way[k].Mul(-1)
		}
		at[k] = x.first.Sub(n.Mul(off.Dot(n))).Add(way[k].Mul(x.toward(way[k])))
	}
	for k := range p { // where the faces of one piece and the next cross
		next := (k + 1) % 4
		along := p[k].Axes.X
		d := along.Dot(way[next])
		if math.Abs(d) < .05 {
			return q, false
		}
		q.Corners[k] = at[k].Add(along.Mul(at[next].Sub(at[k]).Dot(way[next]) / d))
	}
	for k := range p { // it has to be open: each side runs the way round
		side := q.Corners[k].Sub(q.Corners[(k+3)%4])
		if side.Len() < 20 || side.Cross(way[k]).Dot(n)*q.Corners[1].Sub(q.Corners[0]).Cross(way[1]).Dot(n) <= 0 {
			return q, false
		}
	}
	return q, true
}
