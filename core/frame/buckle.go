package frame

import (
	"context"
	"math"

	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// perMember is how many elements a member counts as when the structure's buckling is
// worked out: three points between its ends, so that it may bow between joints.
const perMember = 4

// buckleTries is how often the stiffness is factorised at most in closing λ in.
const buckleTries = 33

// Stability is how many times its compressions a frame bears before it buckles as a
// whole.
type Stability struct {
	Factor  float64 // times the compressions given; a lower bound
	AtLeast bool    // it was not looked for beyond Factor
	Working working.Working
}

// Buckles answers at what multiple of the compressions pressed (N, by member,
// pressing positive, pull counted as none) the elastic structure buckles, by its
// stiffness less theirs: (K − λ·ΣN·G) with consistent geometric stiffness and four
// elements a member, whose inner points are eliminated. It is positive definite just
// below the lowest buckling load and not above it, so λ is closed in between; what is
// answered is the lower side. most is where it stops looking.
//
// More compression anywhere never raises λ: with the largest compression of each
// member over all cases it is a bound for all of them.
func (m *Model) Buckles(ctx context.Context, pressed []float64, most float64) (Stability, error) {
	if len(pressed) != len(m.beams) {
		return Stability{}, working.Refuse("/members", "There are %d members and %d compressions.", len(m.beams), len(pressed))
	}
	top := 0.
	for k, n := range pressed {
		if math.IsNaN(n) || math.IsInf(n, 0) {
			return Stability{}, working.Refuse("/members", "The compression of member %d is no number.", k)
		}
		top = max(top, n)
	}
	if len(m.system.dof) > 0 {
		if c := m.system.pattern.Cost(); c.Products*buckleTries > maxSearch {
			return Stability{}, working.Refuse("/members", "Looking for the load under which the whole frame buckles would take %.0f million "+
				"multiplications; up to %.0f million are taken. Look at it in parts.", c.Products*buckleTries/1e6, maxSearch/1e6)
		}
	}
	out := Stability{Factor: most, AtLeast: true}
	if top > 1e-9 && !m.stands(ctx, pressed, most) {
		lo, hi := 0., most
		for try := 1.; ; try /= 4 { // a first λ it bears
			if m.stands(ctx, pressed, try) {
				lo = try
				break
			}
			if hi = try; try < 1e-4 {
				break
			}
		}
		for range 24 {
			if err := ctx.Err(); err != nil {
				return Stability{}, err
			}
			near := .02
			if lo > 10 {
				near = .1
			}
			if hi-lo <= near*lo {
				break
			}
			mid := math.Sqrt(max(lo, 1e-5) * hi)
			if m.stands(ctx, pressed, mid) {
				lo = mid
			} else {
				hi = mid
			}
		}
		out.Factor, out.AtLeast = lo, false
	}
	name := "times the loads before it buckles"
	if out.AtLeast {
		name = "times the loads it bears at least before it buckles"
	}
	out.Working = working.Working{Method: "Buckling of the whole structure",
		Source: "elastic eigenvalue of the space frame, consistent geometric stiffness, four elements a member; closed in by whether the " +
			"stiffness that is left is positive definite", Formula: "det(K − λ·ΣN·G) = 0",
		Inputs: []working.Quantity{{Symbol: "N", Name: "largest compression in a member over all cases", Value: top, Unit: "N"},
			{Symbol: "m", Name: "members", Value: float64(len(m.beams))}}, Steps: []working.Quantity{},
		Assumptions: []string{"each member with its largest compression of all cases at once: never less careful than one case",
			"straight members, joints as stiff as they are drawn, pull left out"},
		Result: working.Quantity{Symbol: "λ", Name: name, Value: out.Factor}}
	return out, nil
}

// stands tells whether the frame still resists every way of moving under λ times
// its compressions.
func (m *Model) stands(ctx context.Context, pressed []float64, lambda float64) bool {
	s := m.system
	if len(s.dof) == 0 {
		return true
	}
	left := s.pattern.Empty()
	for k := range m.beams {
		g, ok := m.beams[k].pressedStiffness(lambda * max(pressed[k], 0))
		if !ok {
			return false
		}
		s.add(left, &m.beams[k], &g)
	}
	for r, k := range s.dof {
		*s.own(left, r) += m.springs[k]
	}
	_, err := s.stiff(ctx, left)
	return err == nil
}

// pressedStiffness answers the member's stiffness at its nodes under a compression,
// not when it would buckle between its ends however they are held.
func (b *beam) pressedStiffness(n float64) (out [12][12]float64, ok bool) {
	k := b.stiff
	for _, plane := range [2]struct {
		shift, turn int
		ei, sign    float64
	}{{1, 5, b.E * b.Iz, 1}, {2, 4, b.E * b.Iy, -1}} {
		e, fine := bowed(plane.ei, b.length, n)
		if !fine {
			return out, false
		}
		at := [4]int{plane.shift, plane.turn, plane.shift + 6, plane.turn + 6}
		signs := [4]float64{1, plane.sign, 1, plane.sign}
		for i := range 4 {
			for j := range 4 {
				k[at[i]][at[j]] = e[i][j] * signs[i] * signs[j]
			}
		}
	}
	// What the freed ends do not pass on is eliminated, as long as it still resists.
	for _, r := range b.freed {
		if k[r][r] <= 1e-9*b.stiff[r][r] {
			return out, false
		}
		row := k[r]
		for i := range 12 {
			f := k[i][r] / row[r]
			if i == r || f == 0 {
				continue
			}
			for j := range 12 {
				k[i][j] -= f * row[j]
			}
		}
		for i := range 12 {
			k[r][i], k[i][r] = 0, 0
		}
	}
	plain := beam{axes: b.axes}
	plain.turn(arm(b.OffsetI), arm(b.OffsetJ))
	return plain.times(&k), true
}

func arm(o *[3]float64) (v solid.Vector) {
	if o != nil {
		v = *o
	}
	return v
}

// stiffest is the unpressed stiffness of an inner point against shift or turn.
func stiffest(a, h float64, r int) float64 {
	if r%2 == 0 {
		return 24 * a
	}
	return 8 * h * h * a
}

// bowed answers the stiffness of a beam's two ends in one plane (shift, turn, shift,
// turn) under a compression n, with its inner points eliminated; not when it bows
// with both ends held.
func bowed(ei, length, n float64) (out [4][4]float64, ok bool) {
	const dof = 2 * (perMember + 1)
	var k [dof][dof]float64
	h := length / perMember
	a, g := ei/(h*h*h), n/(30*h)
	e := [4][4]float64{
		{12*a - 36*g, 6*h*a - 3*h*g, -12*a + 36*g, 6*h*a - 3*h*g},
		{6*h*a - 3*h*g, 4*h*h*a - 4*h*h*g, -6*h*a + 3*h*g, 2*h*h*a + h*h*g},
		{-12*a + 36*g, -6*h*a + 3*h*g, 12*a - 36*g, -6*h*a + 3*h*g},
		{6*h*a - 3*h*g, 2*h*h*a + h*h*g, -6*h*a + 3*h*g, 4*h*h*a - 4*h*h*g}}
	for s := range perMember {
		for i := range 4 {
			for j := range 4 {
				k[2*s+i][2*s+j] += e[i][j]
			}
		}
	}
	for r := 2; r < dof-2; r++ { // inner points, one by one
		if k[r][r] <= 1e-9*stiffest(a, h, r) {
			return out, false
		}
		for i := range dof {
			if i == r || i >= 2 && i < r {
				continue // itself, and what is gone already
			}
			f := k[i][r] / k[r][r]
			if f == 0 {
				continue
			}
			for j := range dof {
				k[i][j] -= f * k[r][j]
			}
		}
	}
	ends := [4]int{0, 1, dof - 2, dof - 1}
	for i, r := range ends {
		for j, c := range ends {
			out[i][j] = k[r][c]
		}
	}
	return out, true
}
