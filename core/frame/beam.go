package frame

import (
	"fmt"
	"math"

	"gonum.org/v1/gonum/mat"

	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// beam is a member as it is computed.
type beam struct {
	*Member
	i, j    int
	length  float64
	start   solid.Vector    // where its first end is
	axes    [3]solid.Vector // rows: member x, y, z
	stiff   [12][12]float64 // own axes, before releases
	moves   [12][12]float64 // own end displacements by those of its nodes: offsets, turn and releases
	freed   []int           // own degrees of freedom its ends do not pass on
	yielded mat.Dense       // what the freed ones do under a load on them
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
	if err := working.Within(at+"/mass", "The member's mass", m.Mass, 0, 1e6, "kg/m"); err != nil {
		return b, err
	}
	b = beam{Member: m, i: i, j: j}
	arm := func(o *[3]float64) (v solid.Vector) {
		if o != nil {
			v = *o
		}
		return v
	}
	oi, oj := arm(m.OffsetI), arm(m.OffsetJ)
	for _, v := range append(oi[:], oj[:]...) {
		if err := working.Within(at+"/offsetI", "A member's offset", v, -1e6, 1e6, "mm"); err != nil {
			return b, err
		}
	}
	b.start = solid.Vector(in.Nodes[m.From]).Add(oi)
	x := solid.Vector(in.Nodes[m.To]).Add(oj).Sub(b.start)
	b.length = x.Len()
	if b.length < 1e-6 {
		return b, working.Refuse(at, "The member from %q to %q has no length: both ends lie on one spot.", m.From, m.To)
	}
	x = x.Mul(1 / b.length)
	z, ok := Upward(x, m.Up)
	if !ok {
		return b, working.Refuse(at+"/up", "Up runs along the member itself: give a way square to it.")
	}
	b.axes = [3]solid.Vector{x, z.Cross(x), z}
	b.stiff = b.stiffness()
	b.turn(oi, oj)
	return b, b.release(at)
}

// Upward answers a member's z: square to its x, towards up; up itself, and for
// upright members forward, when nil. It fails when up runs along the member.
func Upward(x solid.Vector, up *[3]float64) (solid.Vector, bool) {
	u := solid.Vector{0, 0, 1}
	if up != nil {
		u = *up
	} else if math.Hypot(x[0], x[1]) < 1e-9 {
		u = solid.Vector{1, 0, 0}
	}
	z := u.Sub(x.Mul(u.Dot(x)))
	if z.Len() <= 1e-9*u.Len() {
		return z, false
	}
	return z.Unit(), true
}

// turn sets how the member's ends move with its nodes: shift of the node and of
// the arm it turns, in the member's own axes.
func (b *beam) turn(oi, oj solid.Vector) {
	for end, arm := range [2]solid.Vector{oi, oj} {
		at := 6 * end
		for r := range 3 {
			for c := range 3 {
				b.moves[at+r][at+c] = b.axes[r][c]
				b.moves[at+3+r][at+3+c] = b.axes[r][c]
			}
			lever := arm.Cross(b.axes[r]) // e·(θ × o) = θ·(o × e)
			for c := range 3 {
				b.moves[at+r][at+3+c] = lever[c]
			}
		}
	}
}

// release lets the freed ends go where no force holds them.
func (b *beam) release(at string) error {
	for end, r := range [2]*[6]bool{b.ReleaseI, b.ReleaseJ} {
		for d := range 6 {
			if r != nil && r[d] {
				b.freed = append(b.freed, 6*end+d)
			}
		}
	}
	n := len(b.freed)
	if n == 0 {
		return nil
	}
	krr, rest := mat.NewDense(n, n, nil), mat.NewDense(n, 12, nil)
	free := [12]bool{}
	for _, r := range b.freed {
		free[r] = true
	}
	for i, r := range b.freed {
		for j, c := range b.freed {
			krr.Set(i, j, b.stiff[r][c]/math.Sqrt(b.stiff[r][r]*b.stiff[c][c]))
		}
	}
	var lu mat.LU
	lu.Factorize(krr)
	if lu.Cond() > 1e10 {
		return working.Refuse(at+"/releaseI", "The member from %q to %q would be loose between its ends: both let go the same force or moment. "+
			"Hold one of them.", b.From, b.To)
	}
	for i, r := range b.freed {
		for c := range 12 {
			if free[c] {
				continue
			}
			for k := range 12 {
				rest.Set(i, k, rest.At(i, k)-b.stiff[r][c]*b.moves[c][k]/math.Sqrt(b.stiff[r][r]))
			}
		}
	}
	var gone mat.Dense
	if err := lu.SolveTo(&gone, false, rest); err != nil {
		return fmt.Errorf("release of %s: %w", at, err)
	}
	one := mat.NewDense(n, n, nil)
	for i := range n {
		one.Set(i, i, 1)
	}
	if err := lu.SolveTo(&b.yielded, false, one); err != nil {
		return fmt.Errorf("release of %s: %w", at, err)
	}
	for i, r := range b.freed {
		for k := range 12 {
			b.moves[r][k] = gone.At(i, k) / math.Sqrt(b.stiff[r][r])
		}
	}
	return nil
}

// yield answers what the freed ends do of themselves under loads on the member.
func (b *beam) yield(load [12]float64) (d [12]float64) {
	for i, r := range b.freed {
		for j, c := range b.freed {
			d[r] += b.yielded.At(i, j) * load[c] / math.Sqrt(b.stiff[r][r]*b.stiff[c][c])
		}
	}
	return d
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

// times answers movesᵀ·k·moves: a matrix of the member's ends as its nodes feel
// it.
func (b *beam) times(k *[12][12]float64) (out [12][12]float64) {
	var half [12][12]float64
	for i := range 12 {
		for r := range 12 {
			if v := k[i][r]; v != 0 {
				for c := range 12 {
					half[i][c] += v * b.moves[r][c]
				}
			}
		}
	}
	for r := range 12 {
		for i := range 12 {
			if v := b.moves[r][i]; v != 0 {
				for c := range 12 {
					out[i][c] += v * half[r][c]
				}
			}
		}
	}
	return out
}

// own answers the displacements of the member's ends in its own axes.
func (b *beam) own(nodes [12]float64) (out [12]float64) {
	for r := range 12 {
		for c, v := range nodes {
			out[r] += b.moves[r][c] * v
		}
	}
	return out
}

// out answers forces on the member's ends as forces on its nodes.
func (b *beam) out(f [12]float64) (out [12]float64) {
	for r, v := range f {
		for c := range 12 {
			out[c] += b.moves[r][c] * v
		}
	}
	return out
}

func (b *beam) dof(k int) int {
	if k < 6 {
		return 6*b.i + k
	}
	return 6*b.j + k - 6
}
