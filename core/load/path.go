package load

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"strings"

	"gonum.org/v1/gonum/mat"

	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// PathBody is a thing between what pushes and the vehicle: a device, a part, a
// frame; or the vehicle itself.
type PathBody struct {
	ID     string       `json:"id"`
	Name   string       `json:"name,omitempty"`
	Mass   float64      `json:"mass,omitempty" doc:"kg"`
	Lacks  string       `json:"lacks,omitempty" doc:"what is not known of it, in words: what it puts on others is open then"`
	At     solid.Vector `json:"at,omitzero" doc:"mm, its centre of gravity"`
	Ground bool         `json:"ground,omitempty" doc:"it holds by itself: the vehicle"`
	Forces []PathForce  `json:"forces,omitempty" doc:"what else pushes on it"`

	// Carry, when set, works the body out by itself instead of as a stiff one: its own
	// masses and what pushes on them are its own affair. A frame is solved so.
	Carry Carrier `json:"-"`
}

// Carrier answers what a body puts on what holds it: on each of the joints held, and
// on the ground directly, under the accelerations of its masses (g) and what arrives.
// why tells what is not handed on.
type Carrier func(acceleration solid.Vector, arrived []PathForce, held []PathJoint) (on map[string]PathForce,
	direct []PathForce, why string)

// PathForce acts at a point.
type PathForce struct {
	Force  solid.Vector `json:"force" doc:"N"`
	At     solid.Vector `json:"at" doc:"mm"`
	Moment solid.Vector `json:"moment,omitzero" doc:"N·mm"`

	Joint string `json:"-"` // id of the joint it came through; "" for what acts by itself
}

// PathJoint joins two bodies at a point.
type PathJoint struct {
	ID        string       `json:"id"`
	Name      string       `json:"name,omitempty"`
	A         string       `json:"a" doc:"id of a body"`
	B         string       `json:"b" doc:"id of the other"`
	At        solid.Vector `json:"at" doc:"mm"`
	Stiffness float64      `json:"stiffness,omitempty" doc:"against the other joints of its body; 1 when left out"`
	Turns     bool         `json:"turns,omitempty" doc:"it holds moments too: a group of bolts, a weld"`
	Reach     float64      `json:"reach,omitempty" doc:"mm, arm by which one that holds moments is as stiff in turning as in moving: half its pattern; 50 when left out"`
}

// PathInput is everything between what pushes and the vehicle.
type PathInput struct {
	Bodies       []PathBody   `json:"bodies"`
	Joints       []PathJoint  `json:"joints"`
	Acceleration solid.Vector `json:"acceleration,omitzero" doc:"g that each mass pulls with, gravity included: at rest 0, 0, −1"`
}

// PathResult is what goes through each joint.
type PathResult struct {
	Joints   []PathShare       `json:"joints"`
	Ground   []PathGround      `json:"ground" doc:"what each thing that holds by itself gets"`
	Order    []string          `json:"order" doc:"ids of bodies, what pushes first"`
	Balance  float64           `json:"balance" doc:"N that forces on everything are out of balance by, a check"`
	Working  working.Working   `json:"working"`
	Findings []working.Finding `json:"findings"`
}

// PathShare is what a body puts on the one that holds it, at a joint.
type PathShare struct {
	ID     string       `json:"id"`
	From   string       `json:"from" doc:"id of the body that is held"`
	Onto   string       `json:"onto" doc:"id of the body that holds it"`
	Force  solid.Vector `json:"force" doc:"N, on the body that holds"`
	Moment solid.Vector `json:"moment" doc:"N·mm about the joint, on the body that holds"`
	Most   float64      `json:"most" doc:"N, size of the force"`
	Open   string       `json:"open,omitempty" doc:"why that is not all that goes through it"`
}

// PathGround is the sum on a body that holds by itself, about the origin.
type PathGround struct {
	ID     string       `json:"id"`
	Force  solid.Vector `json:"force" doc:"N"`
	Moment solid.Vector `json:"moment" doc:"N·mm about the origin"`
}

const (
	maxPathBodies = 400
	maxPathJoints = 1000
	// turnReach is the arm by which a joint that holds moments is as stiff in turning
	// as in moving, mm: half a usual pattern of bolts (practice).
	turnReach = 50.
)

// turns answers how stiff a joint is in turning against in moving, mm².
func (j PathJoint) turns() float64 {
	switch {
	case !j.Turns:
		return 0
	case j.Reach > 0:
		return j.Reach * j.Reach
	}
	return turnReach * turnReach
}

// path is a load path as it is worked out.
type path struct {
	in      PathInput
	index   map[string]int
	steps   []int   // from the ground, −1 where nothing leads to it
	joints  [][]int // of each body
	loads   [][]PathForce
	open    []string // why not all of a body's loads are known, or held
	direct  []PathForce
	carried solid.Vector // N that bodies which work themselves out add of their own
	out     *PathResult
}

// Path answers what goes through every joint, body by body from what pushes to
// what holds by itself: each a rigid body on the springs of the joints that hold
// it. A body is held by those one step nearer to the ground. It fails with
// *working.Fault; what cannot be said is told in the findings.
func Path(in PathInput) (PathResult, error) {
	p := path{in: in, index: map[string]int{},
		out: &PathResult{Joints: []PathShare{}, Ground: []PathGround{}, Order: []string{}, Findings: []working.Finding{}}}
	if err := p.read(); err != nil {
		return PathResult{}, err
	}
	p.rank()
	order := make([]int, 0, len(in.Bodies))
	for i := range in.Bodies {
		order = append(order, i)
	}
	slices.SortStableFunc(order, func(a, b int) int { return cmp.Compare(p.steps[b], p.steps[a]) })
	p.loads, p.open = make([][]PathForce, len(in.Bodies)), make([]string, len(in.Bodies))
	for i, b := range in.Bodies {
		p.loads[i] = append(p.loads[i], b.Forces...)
		if b.Lacks != "" {
			p.opens(i, b.Lacks)
		}
		if b.Mass > 0 && !b.Ground && b.Carry == nil {
			p.loads[i] = append(p.loads[i], PathForce{Force: in.Acceleration.Mul(b.Mass * G), At: b.At})
		}
	}
	for _, i := range order {
		if in.Bodies[i].Ground {
			continue
		}
		p.out.Order = append(p.out.Order, in.Bodies[i].ID)
		switch {
		case p.steps[i] < 0:
			p.say("held-by-nothing", working.Stop, i, fmt.Sprintf("%s is held by nothing: no joint leads from it to the vehicle.", p.named(i)))
		case in.Bodies[i].Carry != nil:
			p.carry(i)
		default:
			p.share(i)
		}
	}
	for _, i := range order {
		if !in.Bodies[i].Ground {
			continue
		}
		p.out.Order = append(p.out.Order, in.Bodies[i].ID)
		s := PathGround{ID: in.Bodies[i].ID}
		for _, f := range append(p.loads[i], p.direct...) {
			s.Force, s.Moment = s.Force.Add(f.Force), s.Moment.Add(f.Moment).Add(f.At.Cross(f.Force))
		}
		p.direct = nil
		p.out.Ground = append(p.out.Ground, s)
	}
	p.balance()
	p.out.Working = working.Working{Method: "Load path",
		Source:  "statics: each body in equilibrium, its supports as springs (rigid body on springs)",
		Formula: "K·(u, θ) = (F, M); f = k·(u + θ × r)",
		Inputs: []working.Quantity{{Symbol: "n", Name: "bodies", Value: float64(len(in.Bodies))},
			{Symbol: "j", Name: "joints", Value: float64(len(in.Joints))}}, Steps: []working.Quantity{},
		Result: working.Quantity{Symbol: "Δ", Name: "forces out of balance", Value: p.out.Balance, Unit: "N"},
		Assumptions: []string{"bodies are stiff against their joints", "joints of a body share by their stiffness, alike when none is typed",
			"a joint that holds moments is as stiff in turning as at the arm given for it, 50 mm when none is"}}
	return *p.out, nil
}

func (p *path) named(i int) string {
	if n := p.in.Bodies[i].Name; n != "" {
		return n
	}
	return p.in.Bodies[i].ID
}

func (p *path) say(code string, severity working.Severity, body int, reason string) {
	p.out.Findings = append(p.out.Findings,
		working.Finding{Code: code, Severity: severity, Cause: "Load path", Feature: p.in.Bodies[body].ID, Name: p.named(body), Reason: reason})
}

func (p *path) read() error {
	in := p.in
	if len(in.Bodies) == 0 || len(in.Bodies) > maxPathBodies || len(in.Joints) > maxPathJoints {
		return working.Refuse("/bodies", "A load path has 1 to %d bodies and up to %d joints.", maxPathBodies, maxPathJoints)
	}
	finite := func(at, what string, v solid.Vector, most float64) error {
		for k := range v {
			if err := working.Within(fmt.Sprintf("%s/%d", at, k), what, v[k], -most, most, ""); err != nil {
				return err
			}
		}
		return nil
	}
	if err := finite("/acceleration", "An acceleration", in.Acceleration, 100); err != nil {
		return err
	}
	ground := false
	for i, b := range in.Bodies {
		at := fmt.Sprintf("/bodies/%d", i)
		if _, twice := p.index[b.ID]; twice || b.ID == "" {
			return working.Refuse(at+"/id", "Every body has an id of its own, not %q.", b.ID)
		}
		p.index[b.ID] = i
		ground = ground || b.Ground
		if err := working.First(working.Within(at+"/mass", "The mass", b.Mass, 0, 1e6, "kg"),
			finite(at+"/at", "A place", b.At, 1e6)); err != nil {
			return err
		}
		for k, f := range b.Forces {
			here := fmt.Sprintf("%s/forces/%d", at, k)
			if err := working.First(finite(here+"/force", "A force", f.Force, 1e9), finite(here+"/at", "A place", f.At, 1e6),
				finite(here+"/moment", "A moment", f.Moment, 1e12)); err != nil {
				return err
			}
		}
	}
	if !ground {
		return working.Refuse("/bodies", "Nothing holds by itself: name the vehicle as ground.")
	}
	p.joints = make([][]int, len(in.Bodies))
	for i, j := range in.Joints {
		at := fmt.Sprintf("/joints/%d", i)
		a, okA := p.index[j.A]
		b, okB := p.index[j.B]
		switch {
		case !okA || !okB:
			return working.Refuse(at+"/a", "It joins %q and %q, and one of them is no body.", j.A, j.B)
		case a == b:
			return working.Refuse(at+"/b", "It joins %q with itself.", j.A)
		}
		if err := working.First(finite(at+"/at", "A place", j.At, 1e6), working.Within(at+"/reach", "The reach", j.Reach, 0, 1e5, "mm"),
			working.Within(at+"/stiffness", "The stiffness", j.Stiffness, 0, 1e9, "")); err != nil {
			return err
		}
		p.joints[a], p.joints[b] = append(p.joints[a], i), append(p.joints[b], i)
	}
	return nil
}

// rank counts the joints from each body to the ground.
func (p *path) rank() {
	p.steps = make([]int, len(p.in.Bodies))
	var row []int
	for i, b := range p.in.Bodies {
		p.steps[i] = -1
		if b.Ground {
			p.steps[i] = 0
			row = append(row, i)
		}
	}
	for len(row) > 0 {
		var next []int
		for _, i := range row {
			for _, j := range p.joints[i] {
				if o := p.other(j, i); p.steps[o] < 0 {
					p.steps[o] = p.steps[i] + 1
					next = append(next, o)
				}
			}
		}
		row = next
	}
}

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

// balance sums everything that pushes and everything that arrives.
func (p *path) balance() {
	sum := p.carried
	for i, b := range p.in.Bodies {
		if p.steps[i] < 0 {
			continue
		}
		for _, f := range b.Forces {
			sum = sum.Add(f.Force)
		}
		if !b.Ground && b.Carry == nil {
			sum = sum.Add(p.in.Acceleration.Mul(b.Mass * G))
		}
	}
	for _, s := range p.out.Ground {
		sum = sum.Sub(s.Force)
	}
	p.out.Balance = sum.Len()
}
