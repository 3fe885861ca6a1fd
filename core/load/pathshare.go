package load

import (
	"fmt"
	"math"
	"strings"

	"gonum.org/v1/gonum/mat"

	"warmanvil/core/solid"
	"warmanvil/core/working"
)

func (p *path) other(joint, body int) int {
	j := p.in.Joints[joint]
	if a := p.index[j.A]; a != body {
		return a
	}
	return p.index[j.B]
}

// share puts a body's loads on the bodies that hold it.
func (p *path) share(i int) {
	var held []int
	var beside []string
	for _, j := range p.joints[i] {
		switch o := p.other(j, i); {
		case p.steps[o] < p.steps[i]:
			held = append(held, j)
		case p.steps[o] == p.steps[i] && o > i:
			beside = append(beside, p.named(o))
		}
	}
	if len(beside) > 0 {
		p.opens(i, fmt.Sprintf("%s is also joined to %s, and what goes through that joint cannot be said.", p.named(i),
			strings.Join(beside, ", ")))
		p.say("loop", working.Stop, i, fmt.Sprintf("%s and %s are joined and both lead to the vehicle: which of them holds the other cannot be "+
			"said, and nothing is put through that joint. Treat them as one body, or take the joint out.", p.named(i), strings.Join(beside, ", ")))
	}
	var middle solid.Vector
	total := 0.
	stiff := func(j int) float64 {
		if k := p.in.Joints[j].Stiffness; k > 0 {
			return k
		}
		return 1
	}
	for _, j := range held {
		middle = middle.Add(p.in.Joints[j].At.Mul(stiff(j)))
		total += stiff(j)
	}
	middle = middle.Mul(1 / total)
	var force, moment solid.Vector
	size, arm := 0., 0.
	for _, f := range p.loads[i] {
		force, moment = force.Add(f.Force), moment.Add(f.Moment).Add(f.At.Sub(middle).Cross(f.Force))
		size, arm = size+f.Force.Len(), math.Max(arm, f.At.Sub(middle).Len())
	}
	k := mat.NewSymDense(6, nil)
	add := func(a, b int, v float64) {
		if a <= b {
			k.SetSym(a, b, k.At(a, b)+v)
		}
	}
	for _, j := range held {
		r, s := p.in.Joints[j].At.Sub(middle), stiff(j)
		// f = s·(u + θ × r): the moment r × f adds s·(|r|²·1 − r·rᵀ) to the turning.
		for a := range 3 {
			add(a, a, s)
			for b := range 3 {
				v := -r[a] * r[b]
				if a == b {
					v += r.Dot(r)
					v += p.in.Joints[j].turns()
				}
				add(3+a, 3+b, s*v)
			}
		}
	}
	// Its middle is weighted, so moving and turning do not mix: both are solved alone.
	u := force.Mul(1 / total)
	turn, rest := turning(k, moment)
	if rest > 1e-6*(moment.Len()+size*arm)+1e-6 {
		p.opens(i, fmt.Sprintf("%s turns about the joints that hold it: a moment of %.4g N·mm is held by nothing.", p.named(i), rest))
		p.say("turns", working.Stop, i, fmt.Sprintf("%s turns about the joints that hold it: %.4g N·mm are held by nothing. Joints in a line "+
			"or at one point hold no moment about it; give it another, or say that they hold moments.", p.named(i), rest))
	}
	for _, j := range held {
		q := p.in.Joints[j]
		p.pass(i, j, PathForce{Force: u.Add(turn.Cross(q.At.Sub(middle))).Mul(stiff(j)), At: q.At, Moment: turn.Mul(stiff(j) * q.turns())})
	}
}

// opens notes why not all of what a body carries is known, and so of what holds it.
func (p *path) opens(i int, why string) {
	if p.open[i] == "" {
		p.open[i] = why
	}
}

// pass puts what a body hands on through a joint on the body that holds it.
func (p *path) pass(i, joint int, f PathForce) {
	q, o := p.in.Joints[joint], p.other(joint, i)
	f.Joint = q.ID
	p.out.Joints = append(p.out.Joints, PathShare{ID: q.ID, From: p.in.Bodies[i].ID, Onto: p.in.Bodies[o].ID, Force: f.Force, Moment: f.Moment,
		Most: f.Force.Len(), Open: p.open[i]})
	p.loads[o] = append(p.loads[o], f)
	if p.open[i] != "" && !p.in.Bodies[o].Ground {
		p.opens(o, p.open[i])
	}
}

// carry lets a body work itself out.
func (p *path) carry(i int) {
	var held []int
	var list []PathJoint
	for _, j := range p.joints[i] {
		if o := p.other(j, i); p.steps[o] < p.steps[i] {
			held, list = append(held, j), append(list, p.in.Joints[j])
		}
	}
	on, direct, why := p.in.Bodies[i].Carry(p.in.Acceleration, p.loads[i], list)
	if why != "" {
		p.opens(i, why)
		p.say("not-carried", working.Stop, i, why)
	}
	p.direct = append(p.direct, direct...)
	for _, f := range direct {
		p.carried = p.carried.Add(f.Force)
	}
	for _, f := range p.loads[i] {
		p.carried = p.carried.Sub(f.Force)
	}
	for _, j := range held {
		f, ok := on[p.in.Joints[j].ID]
		if !ok {
			f = PathForce{At: p.in.Joints[j].At}
		}
		p.carried = p.carried.Add(f.Force)
		p.pass(i, j, f)
	}
}

// turning answers how far the springs let a body turn under a moment, and what of
// the moment they do not hold.
func turning(k *mat.SymDense, moment solid.Vector) (turn solid.Vector, rest float64) {
	a := mat.NewSymDense(3, nil)
	for i := range 3 {
		for j := i; j < 3; j++ {
			a.SetSym(i, j, k.At(3+i, 3+j))
		}
	}
	var e mat.EigenSym
	if !e.Factorize(a, true) {
		return turn, moment.Len()
	}
	var v mat.Dense
	e.VectorsTo(&v)
	values := e.Values(nil)
	var loose solid.Vector
	for c := range 3 {
		way := solid.Vector{v.At(0, c), v.At(1, c), v.At(2, c)}
		part := moment.Dot(way)
		if values[c] <= 1e-9*math.Max(values[2], 1e-9) {
			loose = loose.Add(way.Mul(part))
			continue
		}
		turn = turn.Add(way.Mul(part / values[c]))
	}
	return turn, loose.Len()
}
