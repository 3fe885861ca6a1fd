package trace

import (
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// node is a place where curves meet.
type node struct {
	at   profile.Point
	ends []int32 // curve·2, +1 for its far end
}

// nodes puts ends within the tolerance of one another together.
func (t *Traced) nodes(curves []Curve) ([]node, []int32) {
	nodes := make([]node, 0, len(curves)) // as many where loops close, and twice that at most
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
		t.say(working.Note, "doubled", "Drawing", nil,
			plural(doubled, "line was drawn twice and is", "lines were drawn twice and are")+" taken once.")
	}
	if specks > 0 {
		t.say(working.Note, "specks", "Drawing", nil,
			plural(specks, "line shorter than the tolerance was", "lines shorter than the tolerance were")+" dropped.")
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
