package frame

import (
	"fmt"
	"math"

	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// beam is a member as it is computed.
type beam struct {
	*Member
	i, j   int
	length float64
	axes   [3]solid.Vector // rows: member x, y, z
	load   [12]float64     // equivalent nodal loads, own axes
	q      [3]float64      // N/mm, own axes
}

func (in Input) beam(k int, index map[string]int) (b beam, err error) {
	m := &in.Members[k]
	at := fmt.Sprintf("/members/%d", k)
	i, okI := index[m.From]
	j, okJ := index[m.To]
	if !okI || !okJ {
		return b, working.Refuse(at, "The member runs from %q to %q, and one of them is no node.", m.From, m.To)
	}
	for _, v := range []struct {
		key  string
		v    float64
		most float64
	}{{"e", m.E, 1e7}, {"g", m.G, 1e7}, {"area", m.Area, 1e9}, {"iy", m.Iy, 1e15}, {"iz", m.Iz, 1e15}, {"j", m.J, 1e15}} {
		if err := working.Above(at+"/"+v.key, "The member's "+v.key, v.v, 0, v.most, ""); err != nil {
			return b, err
		}
	}
	b = beam{Member: m, i: i, j: j}
	p, q := in.Nodes[m.From], in.Nodes[m.To]
	x := solid.Vector(q).Sub(p)
	b.length = x.Len()
	if b.length < 1e-6 {
		return b, working.Refuse(at, "The member from %q to %q has no length: both nodes lie on one spot.", m.From, m.To)
	}
	x = x.Mul(1 / b.length)
	up := solid.Vector{0, 0, 1}
	if m.Up != nil {
		up = *m.Up
	} else if math.Hypot(x[0], x[1]) < 1e-9 {
		up = solid.Vector{1, 0, 0}
	}
	z := up.Sub(x.Mul(up.Dot(x)))
	if z.Len() <= 1e-9*up.Len() {
		return b, working.Refuse(at+"/up", "Up runs along the member itself: give a way square to it.")
	}
	z = z.Unit()
	b.axes = [3]solid.Vector{x, z.Cross(x), z}
	if m.Uniform != nil {
		for r := range 3 {
			b.q[r] = b.axes[r].Dot(*m.Uniform)
		}
		l := b.length
		b.load = [12]float64{b.q[0] * l / 2, b.q[1] * l / 2, b.q[2] * l / 2, 0, -b.q[2] * l * l / 12, b.q[1] * l * l / 12,
			b.q[0] * l / 2, b.q[1] * l / 2, b.q[2] * l / 2, 0, b.q[2] * l * l / 12, -b.q[1] * l * l / 12}
	}
	return b, nil
}

// stiffness is the member's 12 by 12 in its own axes.
func (b *beam) stiffness() (k [12][12]float64) {
	l := b.length
	put := func(i, j int, v float64) { k[i][j], k[j][i] = v, v }
	bar := func(i int, v float64) {
		put(i, i, v)
		put(i+6, i+6, v)
		put(i, i+6, -v)
	}
	bar(0, b.E*b.Area/l)
	bar(3, b.G*b.J/l)
	bend := func(shift, turn int, ei, sign float64) {
		a, c := 12*ei/(l*l*l), sign*6*ei/(l*l)
		bar(shift, a)
		put(shift, turn, c)
		put(shift, turn+6, c)
		put(shift+6, turn, -c)
		put(shift+6, turn+6, -c)
		put(turn, turn, 4*ei/l)
		put(turn+6, turn+6, 4*ei/l)
		put(turn, turn+6, 2*ei/l)
	}
	bend(1, 5, b.E*b.Iz, 1)
	bend(2, 4, b.E*b.Iy, -1)
	return k
}

// own turns twelve values from the frame's axes to the member's; out turns back.
func (b *beam) own(v [12]float64) (out [12]float64) {
	for g := range 4 {
		for r := range 3 {
			for c := range 3 {
				out[3*g+r] += b.axes[r][c] * v[3*g+c]
			}
		}
	}
	return out
}

func (b *beam) out(v [12]float64) (out [12]float64) {
	for g := range 4 {
		for r := range 3 {
			for c := range 3 {
				out[3*g+r] += b.axes[c][r] * v[3*g+c]
			}
		}
	}
	return out
}

// global is the member's stiffness in the frame's axes.
func (b *beam) global() (k [12][12]float64) {
	own := b.stiffness()
	var half [12][12]float64
	for i := range 12 {
		for g := range 4 {
			for c := range 3 {
				for r := range 3 {
					half[i][3*g+c] += own[i][3*g+r] * b.axes[r][c]
				}
			}
		}
	}
	for j := range 12 {
		for g := range 4 {
			for c := range 3 {
				for r := range 3 {
					k[3*g+c][j] += b.axes[r][c] * half[3*g+r][j]
				}
			}
		}
	}
	return k
}

func (b *beam) dof(k int) int {
	if k < 6 {
		return 6*b.i + k
	}
	return 6*b.j + k - 6
}
