package solid

import "math"

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
	t.plant()
	return t
}

// plant builds the tree of boxes over the triangles, halving them by their
// middles along the longest way.
func (t *Tree) plant() {
	n := len(t.tris)
	order := make([]int32, n)
	boxes := make([][2]vec, n)
	middle := [3][]float64{make([]float64, n), make([]float64, n), make([]float64, n)}
	for i := range t.tris {
		lo, hi := t.tris[i].box()
		order[i], boxes[i] = int32(i), [2]vec{lo, hi}
		middle[0][i], middle[1][i], middle[2][i] = lo.x+hi.x, lo.y+hi.y, lo.z+hi.z
	}
	t.nodes = make([]node, 0, 2*n/leafSize+2)
	var grow func(from, to int) int
	grow = func(from, to int) int {
		first := order[from]
		nd := node{lo: boxes[first][0], hi: boxes[first][1], first: from, many: to - from}
		cl, ch := nd.lo.Add(nd.hi), nd.lo.Add(nd.hi)
		for _, i := range order[from+1 : to] {
			lo, hi := boxes[i][0], boxes[i][1]
			nd.lo, nd.hi = nd.lo.least(lo), nd.hi.most(hi)
			c := lo.Add(hi)
			cl, ch = cl.least(c), ch.most(c)
		}
		at := len(t.nodes)
		t.nodes = append(t.nodes, nd)
		if to-from > leafSize {
			d, axis := ch.Sub(cl), 0
			if d.y > d.x {
				axis = 1
			}
			if d.z > max(d.x, d.y) {
				axis = 2
			}
			mid := (from + to) / 2
			halve(order[from:to], middle[axis], mid-from)
			l := grow(from, mid)
			r := grow(mid, to)
			t.nodes[at].left, t.nodes[at].right = l, r
		}
		return at
	}
	grow(0, n)
	sorted := make([]face, n)
	for i, k := range order {
		sorted[i] = t.tris[k]
	}
	t.tris = sorted
}

// halve puts the k least before the others (Hoare's selection).
func halve(order []int32, by []float64, k int) {
	lo, hi := 0, len(order)-1
	for lo < hi {
		pivot := by[order[(lo+hi)/2]]
		i, j := lo, hi
		for i <= j {
			for by[order[i]] < pivot {
				i++
			}
			for by[order[j]] > pivot {
				j--
			}
			if i <= j {
				order[i], order[j] = order[j], order[i]
				i++
				j--
			}
		}
		switch {
		case k <= j:
			hi = j
		case k >= i:
			lo = i
		default:
			return
		}
	}
}

// Gap is the least distance of two bodies: 0 when they touch or run into each
// other. A and B are the places. Into says they overlap; Depth is how far at
// least one goes into the other, measured at its corners, or where it runs right through along
// its edges.
type Gap struct {
	Distance float64
	A, B     Vector
	Into     bool
	Depth    float64
}

// Between answers the least distance of two bodies, facets taken as they are.
// An empty body is infinitely far away.
func Between(a, b *Tree) Gap { return Within(a, b, math.Inf(1)) }

// Within is Between for those who only care below a limit: at or beyond it the
// answer is infinitely far away, which is found sooner.
func Within(a, b *Tree, limit float64) Gap {
	g := Gap{Distance: math.Inf(1)}
	if len(a.nodes) == 0 || len(b.nodes) == 0 {
		return g
	}
	best, root := limit*limit, limit // squared, and its root
	var way vec                      // from the nearest place so far to the other
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
		if nb.nearest(way)-na.farthest(way) >= root {
			continue
		}
		switch {
		case na.left == 0 && nb.left == 0:
			for i := range na.many {
				s := &a.tris[na.first+i]
				if lo, hi := s.box(); apart(lo, hi, nb.lo, nb.hi) >= best {
					continue
				}
				for k := range nb.many {
					t := &b.tris[nb.first+k]
					if asunder(s, t, way) >= root || beyond(s, t, best) || beyond(t, s, best) {
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
	if best < limit*limit {
		g.Distance = math.Sqrt(best)
	}
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
	if g.Depth <= strict { // a bar through a plate has no corner inside
		g.crossing(a, b)
	}
	g.Into = g.Into || g.Depth > strict
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

// farthest and nearest answer how far the box reaches along a way.
func (n *node) farthest(way vec) float64 {
	return max(n.lo.x*way.x, n.hi.x*way.x) + max(n.lo.y*way.y, n.hi.y*way.y) + max(n.lo.z*way.z, n.hi.z*way.z)
}

func (n *node) nearest(way vec) float64 {
	return min(n.lo.x*way.x, n.hi.x*way.x) + min(n.lo.y*way.y, n.hi.y*way.y) + min(n.lo.z*way.z, n.hi.z*way.z)
}

func size(n *node) float64 {
	d := n.hi.Sub(n.lo)
	return d.Dot(d)
}

func (t *face) box() (lo, hi vec) {
	return t[0].least(t[1]).least(t[2]), t[0].most(t[1]).most(t[2])
}
