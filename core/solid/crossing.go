package solid

import (
	"math"
	"slices"
)

// strict is how far an edge has to go past a face, on both sides of it and inside its rim, to run
// through it rather than lie on it, mm.
const strict = 1e-6

// crossing finds out how deep two bodies run into each other whose corners are all outside the other:
// a bar through a plate. Where an edge of one runs through faces of the other, the middles of what
// lies between are asked.
func (g *Gap) crossing(a, b *Tree) {
	for _, x := range [2][2]*Tree{{a, b}, {b, a}} {
		edges, in := x[0], x[1]
		asked := map[[2]vec]bool{}
		for _, t := range edges.tris {
			for k := range 3 {
				p, q := t[k], t[(k+1)%3]
				if less(q, p) {
					p, q = q, p
				}
				if asked[[2]vec{p, q}] {
					continue
				}
				asked[[2]vec{p, q}] = true
				ts := in.pierced(p, q)
				if len(ts) == 0 {
					continue
				}
				ts = append(ts, 0, 1)
				slices.Sort(ts)
				for i := range len(ts) - 1 {
					m := p.Add(q.Sub(p).Mul((ts[i] + ts[i+1]) / 2))
					if ts[i+1]-ts[i] < 1e-12 || !in.holds(m) {
						continue
					}
					v := m.vector()
					if d := in.surface(v); d > g.Depth {
						g.Depth, g.A, g.B = d, v, v
					}
				}
			}
		}
	}
}

func less(a, b vec) bool {
	return a.x < b.x || a.x == b.x && (a.y < b.y || a.y == b.y && a.z < b.z)
}

// pierced answers where on an edge, 0 to 1, it runs through faces of a body.
func (t *Tree) pierced(p, q vec) (at []float64) {
	lo, hi := p.least(q), p.most(q)
	stack := []int{0}
	for len(stack) > 0 {
		n := &t.nodes[stack[len(stack)-1]]
		stack = stack[:len(stack)-1]
		if apart(n.lo, n.hi, lo, hi) > 0 {
			continue
		}
		if n.left != 0 {
			stack = append(stack, n.left, n.right)
			continue
		}
		for i := range n.many {
			if s, is := through(p, q, &t.tris[n.first+i]); is {
				at = append(at, s)
			}
		}
	}
	return at
}

// through answers where an edge runs through a face, ends and rim left out.
func through(p, q vec, f *face) (float64, bool) {
	n := f[1].Sub(f[0]).Cross(f[2].Sub(f[0]))
	long := math.Sqrt(n.Dot(n))
	if long == 0 {
		return 0, false
	}
	n = n.Mul(1 / long)
	d0, d1 := n.Dot(p.Sub(f[0])), n.Dot(q.Sub(f[0]))
	if d0*d1 >= 0 || math.Abs(d0) < strict || math.Abs(d1) < strict {
		return 0, false
	}
	s := d0 / (d0 - d1)
	v := p.Add(q.Sub(p).Mul(s))
	for k := range 3 {
		side := f[(k+1)%3].Sub(f[k])
		if n.Cross(side).Dot(v.Sub(f[k])) < -strict*math.Sqrt(side.Dot(side)) {
			return 0, false
		}
	}
	return s, true
}
