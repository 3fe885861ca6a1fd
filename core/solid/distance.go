package solid

import (
	"cmp"
	"math"
	"slices"
)

// Tree is a body prepared for many distances: its triangles in a tree of boxes.
type Tree struct {
	parts []part
	tris  []face
	nodes []node
}

// part is one closed piece with the box round it.
type part struct {
	faces  []face
	lo, hi vec
}

type node struct {
	lo, hi      vec
	first, many int // triangles of a leaf
	left, right int // children; 0 in a leaf
}

const leafSize = 4

// NewTree prepares a body.
func NewTree(b Body) *Tree {
	t := &Tree{tris: make([]face, 0, b.Count())}
	for _, p := range b.Pieces {
		if len(p) == 0 {
			continue
		}
		q := part{faces: make([]face, len(p))}
		for i, tri := range p {
			q.faces[i] = tri.face()
			lo, hi := q.faces[i].box()
			if i == 0 {
				q.lo, q.hi = lo, hi
			}
			q.lo, q.hi = q.lo.least(lo), q.hi.most(hi)
		}
		t.parts = append(t.parts, q)
		t.tris = append(t.tris, q.faces...)
	}
	if len(t.tris) == 0 {
		return t
	}
	type item struct {
		tri    face
		lo, hi vec
		middle [3]float64
	}
	items := make([]item, len(t.tris))
	for i, tri := range t.tris {
		lo, hi := tri.box()
		items[i] = item{tri, lo, hi, lo.Add(hi).vector()}
	}
	t.nodes = make([]node, 0, 2*len(items)/leafSize+2)
	var grow func(from, to int) int
	grow = func(from, to int) int {
		n := node{lo: items[from].lo, hi: items[from].hi, first: from, many: to - from}
		cl, ch := items[from].middle, items[from].middle
		for _, it := range items[from+1 : to] {
			n.lo, n.hi = n.lo.least(it.lo), n.hi.most(it.hi)
			for i := range 3 {
				cl[i], ch[i] = min(cl[i], it.middle[i]), max(ch[i], it.middle[i])
			}
		}
		at := len(t.nodes)
		t.nodes = append(t.nodes, n)
		if to-from > leafSize {
			axis := 0
			for i := 1; i < 3; i++ {
				if ch[i]-cl[i] > ch[axis]-cl[axis] {
					axis = i
				}
			}
			slices.SortFunc(items[from:to], func(a, b item) int { return cmp.Compare(a.middle[axis], b.middle[axis]) })
			mid := (from + to) / 2
			l := grow(from, mid)
			r := grow(mid, to)
			t.nodes[at].left, t.nodes[at].right = l, r
		}
		return at
	}
	grow(0, len(items))
	for i, it := range items {
		t.tris[i] = it.tri
	}
	return t
}

// Gap is the least distance of two bodies: 0 when they touch or run into each
// other. A and B are the places. Into says they overlap; Depth is how far at
// least one goes into the other, measured at its corners.
type Gap struct {
	Distance float64
	A, B     Vector
	Into     bool
	Depth    float64
}

// Between answers the least distance of two bodies, facets taken as they are.
// An empty body is infinitely far away.
func Between(a, b *Tree) Gap {
	g := Gap{Distance: math.Inf(1)}
	if len(a.nodes) == 0 || len(b.nodes) == 0 {
		return g
	}
	best, root := math.Inf(1), math.Inf(1) // squared, and its root
	var way vec                            // from the nearest place so far to the other
	type pair struct {
		a, b int
		d    float64
	}
	stack := make([]pair, 1, 128)
	for len(stack) > 0 {
		p := stack[len(stack)-1]
		stack = stack[:len(stack)-1]
		if p.d >= best {
			continue
		}
		na, nb := &a.nodes[p.a], &b.nodes[p.b]
		switch {
		case na.left == 0 && nb.left == 0:
			for i := range na.many {
				s := &a.tris[na.first+i]
				lo, hi := s.box()
				if apart(lo, hi, nb.lo, nb.hi) >= best {
					continue
				}
				for k := range nb.many {
					t := &b.tris[nb.first+k]
					if asunder(s, t, way) >= root {
						continue
					}
					if tl, th := t.box(); apart(lo, hi, tl, th) >= best || beyond(s, t, best) || beyond(t, s, best) {
						continue
					}
					if d, x, y := triangles(s, t); d < best {
						best, root, g.A, g.B = d, math.Sqrt(d), x.vector(), y.vector()
						if root > 0 {
							way = y.Sub(x).Mul(1 / root)
						}
					}
				}
			}
		case nb.left == 0 || na.left != 0 && size(na) >= size(nb):
			x := pair{na.left, p.b, apart(a.nodes[na.left].lo, a.nodes[na.left].hi, nb.lo, nb.hi)}
			y := pair{na.right, p.b, apart(a.nodes[na.right].lo, a.nodes[na.right].hi, nb.lo, nb.hi)}
			if x.d < y.d {
				x, y = y, x
			}
			stack = append(stack, x, y)
		default:
			x := pair{p.a, nb.left, apart(na.lo, na.hi, b.nodes[nb.left].lo, b.nodes[nb.left].hi)}
			y := pair{p.a, nb.right, apart(na.lo, na.hi, b.nodes[nb.right].lo, b.nodes[nb.right].hi)}
			if x.d < y.d {
				x, y = y, x
			}
			stack = append(stack, x, y)
		}
		if best == 0 {
			break
		}
	}
	g.Distance = math.Sqrt(best)
	g.settle(a, b)
	return g
}

// settle finds out whether one lies in the other and how deep at least.
func (g *Gap) settle(a, b *Tree) {
	if g.Distance > 0 {
		// No surface meets another: either all of a piece is inside, or none.
		if v, in := holdsAny(a, b); in {
			g.Into, g.Distance, g.A, g.B = true, 0, v, v
		} else if v, in := holdsAny(b, a); in {
			g.Into, g.Distance, g.A, g.B = true, 0, v, v
		}
	}
	if g.Distance > 0 {
		return
	}
	deepest := func(in, of *Tree) {
		seen := map[vec]bool{}
		for _, t := range of.tris {
			for _, c := range t {
				if apart(in.nodes[0].lo, in.nodes[0].hi, c, c) > 0 || seen[c] {
					continue
				}
				seen[c] = true
				if !in.holds(c) {
					continue
				}
				v := c.vector()
				if d := in.surface(v); d > g.Depth {
					g.Depth, g.A, g.B = d, v, v
				}
			}
		}
	}
	deepest(a, b)
	deepest(b, a)
	g.Into = g.Into || g.Depth > 1e-6
}

func holdsAny(in, of *Tree) (Vector, bool) {
	for i := range of.parts {
		if c := of.parts[i].faces[0][0]; in.holds(c) {
			return c.vector(), true
		}
	}
	return Vector{}, false
}

// Holds tells whether a point lies inside one of the pieces, by its winding
// number (the solid angle the surface spans, van Oosterom and Strackee).
func (t *Tree) Holds(v Vector) bool { return t.holds(v.vec()) }

func (t *Tree) holds(v vec) bool {
	for i := range t.parts {
		p := &t.parts[i]
		if apart(p.lo, p.hi, v, v) > 0 {
			continue
		}
		w := 0.0
		for k := range p.faces {
			f := &p.faces[k]
			a, b, c := f[0].Sub(v), f[1].Sub(v), f[2].Sub(v)
			la, lb, lc := math.Sqrt(a.Dot(a)), math.Sqrt(b.Dot(b)), math.Sqrt(c.Dot(c))
			w += 2 * math.Atan2(a.Dot(b.Cross(c)), la*lb*lc+a.Dot(b)*lc+b.Dot(c)*la+c.Dot(a)*lb)
		}
		if w > 2*math.Pi {
			return true
		}
	}
	return false
}

func (t *Tree) surface(v Vector) float64 {
	best, p := math.Inf(1), v.vec()
	stack := []int{0}
	for len(stack) > 0 {
		n := &t.nodes[stack[len(stack)-1]]
		stack = stack[:len(stack)-1]
		if apart(n.lo, n.hi, p, p) >= best {
			continue
		}
		if n.left != 0 {
			stack = append(stack, n.left, n.right)
			continue
		}
		for i := range n.many {
			q := onTriangle(p, &t.tris[n.first+i])
			d := q.Sub(p)
			best = min(best, d.Dot(d))
		}
	}
	return math.Sqrt(best)
}

// apart is the squared distance of two boxes.
func apart(alo, ahi, blo, bhi vec) float64 {
	x := max(alo.x-bhi.x, blo.x-ahi.x, 0)
	y := max(alo.y-bhi.y, blo.y-ahi.y, 0)
	z := max(alo.z-bhi.z, blo.z-ahi.z, 0)
	return x*x + y*y + z*z
}

func size(n *node) float64 {
	d := n.hi.Sub(n.lo)
	return d.Dot(d)
}

func (t *face) box() (lo, hi vec) {
	return t[0].least(t[1]).least(t[2]), t[0].most(t[1]).most(t[2])
}
