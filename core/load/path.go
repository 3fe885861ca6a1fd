package load

import (
	"cmp"
	"fmt"
	"slices"

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
