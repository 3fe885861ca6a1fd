// Package frame solves space frames by direct stiffness with Euler–Bernoulli
// members, and columns.
//
// A member's x runs from its first node to its second, its z towards Up, y = z
// × x; Iy resists bending in the x–z plane. Units N, mm, MPa, kg; rotations in
// radians inside, as displacements are answered.
package frame

import (
	"context"
	"fmt"
	"maps"
	"math"
	"slices"

	"warmanvil/core/working"
)

// Member of a frame.
type Member struct {
	From     string      `json:"from"`
	To       string      `json:"to"`
	E        float64     `json:"e" doc:"MPa"`
	G        float64     `json:"g" doc:"MPa"`
	Area     float64     `json:"area" doc:"mm²"`
	Iy       float64     `json:"iy" doc:"mm⁴, bending in the member's x–z plane"`
	Iz       float64     `json:"iz" doc:"mm⁴, bending in its x–y plane"`
	J        float64     `json:"j" doc:"mm⁴"`
	Up       *[3]float64 `json:"up,omitempty" doc:"its z lies towards this; up, of upright members forward, when left out"`
	Uniform  *[3]float64 `json:"uniform,omitempty" doc:"N/mm along it, in the frame's axes"`
	Points   []PointLoad `json:"points,omitempty"`
	ReleaseI *[6]bool    `json:"releaseI,omitempty" doc:"what its first end does not pass on: three forces, three moments, own axes"`
	ReleaseJ *[6]bool    `json:"releaseJ,omitempty"`
	OffsetI  *[3]float64 `json:"offsetI,omitempty" doc:"mm from the first node to the member's end, stiff, in the frame's axes"`
	OffsetJ  *[3]float64 `json:"offsetJ,omitempty"`
	Mass     float64     `json:"mass,omitempty" doc:"kg/m, for its frequencies"`
}

// PointLoad is a force on a member between its ends.
type PointLoad struct {
	At    float64    `json:"at" doc:"mm from its first end"`
	Force [3]float64 `json:"force" doc:"N, in the frame's axes"`
}

// Input is a frame with its loads.
type Input struct {
	Nodes    map[string][3]float64 `json:"nodes" doc:"mm"`
	Members  []Member              `json:"members"`
	Supports map[string][6]bool    `json:"supports,omitempty" doc:"by node: which of three shifts and three turns it holds"`
	Springs  map[string][6]float64 `json:"springs,omitempty" doc:"by node: N/mm and N·mm/rad it stands on"`
	Loads    map[string][6]float64 `json:"loads,omitempty" doc:"by node: N and N·mm"`
	Masses   map[string]float64    `json:"masses,omitempty" doc:"by node: kg carried, for its frequencies"`
	Modes    int                   `json:"modes,omitempty" doc:"how many natural frequencies, up to 10"`
	Riders   []Rider               `json:"-"` // masses that ride on several nodes, or above one
}

// Rider is a mass that moves with several nodes: a load with its height above them.
// Moves has, for each of x, y and z, how far the mass goes with the shifts and turns
// of every node.
type Rider struct {
	Mass  float64 // kg
	Moves [3]map[string][6]float64
}

// Ends are the forces on a member's ends in its own axes: N, Vy, Vz, Mx, My, Mz.
type Ends struct {
	I [6]float64 `json:"endI" doc:"N and N·mm on the end at its first node"`
	J [6]float64 `json:"endJ"`
}

// Result of a frame.
type Result struct {
	Displacements   map[string][6]float64 `json:"displacements" doc:"mm and radians"`
	Reactions       map[string][6]float64 `json:"reactions" doc:"N and N·mm, on the frame"`
	Members         []Ends                `json:"members"`
	MaxDisplacement float64               `json:"maxDisplacement" doc:"mm, anywhere along the members"`
	Frequencies     []float64             `json:"frequencies,omitempty" doc:"Hz, lowest first"`
	Working         working.Working       `json:"working"`
}

var directions = [6]string{"along x", "along y", "along z", "turning about x", "turning about y", "turning about z"}

// Loading is one load case.
type Loading struct {
	Nodes   map[string][6]float64 // N and N·mm
	Members []MemberLoad          // member by member, or none
	Coarse  bool                  // its largest displacement is looked for at tenths only
}

// MemberLoad is what acts along a member, in the frame's axes.
type MemberLoad struct {
	Uniform [3]float64 // N/mm
	Points  []PointLoad
}

// Model is a frame whose stiffness is factorised once for all its load cases.
type Model struct {
	in      Input
	names   []string
	index   map[string]int
	beams   []beam
	held    []bool
	springs []float64
	system  *system
}

// Solve answers a frame under the loads it comes with. What cannot stand is
// refused by name with *working.Fault.
func Solve(ctx context.Context, in Input) (Result, error) {
	m, err := Open(ctx, in)
	if err != nil {
		return Result{}, err
	}
	c := Loading{Nodes: in.Loads, Members: make([]MemberLoad, len(in.Members))}
	for k, b := range in.Members {
		if c.Members[k].Points = b.Points; b.Uniform != nil {
			c.Members[k].Uniform = *b.Uniform
		}
	}
	r, err := m.Case(c)
	if err != nil || in.Modes == 0 {
		return r.Result, err
	}
	modes, err := m.Modes(ctx, in.Modes)
	for _, v := range modes {
		r.Frequencies = append(r.Frequencies, v.Hertz)
	}
	return r.Result, err
}

// Open checks a frame and factorises its stiffness.
func Open(ctx context.Context, in Input) (*Model, error) {
	names, index, err := in.nodes()
	if err != nil {
		return nil, err
	}
	m := &Model{in: in, names: names, index: index, beams: make([]beam, len(in.Members)), held: make([]bool, 6*len(names)),
		springs: make([]float64, 6*len(names))}
	for k := range in.Members {
		if m.beams[k], err = in.beam(k, index); err != nil {
			return nil, err
		}
	}
	for _, name := range slices.Sorted(maps.Keys(in.Supports)) {
		s := in.Supports[name]
		i, ok := index[name]
		if !ok {
			return nil, working.Refuse("/supports/"+name, "There is no node %q to support.", name)
		}
		copy(m.held[6*i:], s[:])
	}
	stands := slices.Contains(m.held, true)
	for _, name := range slices.Sorted(maps.Keys(in.Springs)) {
		s := in.Springs[name]
		i, ok := index[name]
		if !ok {
			return nil, working.Refuse("/springs/"+name, "There is no node %q to stand on a spring.", name)
		}
		for d, v := range s {
			if err := working.Within(fmt.Sprintf("/springs/%s/%d", name, d), "A spring's stiffness", v, 0, 1e15, ""); err != nil {
				return nil, err
			}
			stands = stands || v > 0
		}
		copy(m.springs[6*i:], s[:])
	}
	if !stands {
		return nil, working.Refuse("/supports", "Nothing holds the frame: support it where it stands or is bolted.")
	}
	m.system = assemble(m.beams, m.held, m.springs, len(names))
	return m, m.system.factorise(ctx, names)
}

func (in Input) nodes() ([]string, map[string]int, error) {
	if len(in.Nodes) < 2 || len(in.Nodes) > 20000 {
		return nil, nil, working.Refuse("/nodes", "A frame has from 2 to 20000 nodes, not %d.", len(in.Nodes))
	}
	if len(in.Members) == 0 || len(in.Members) > 20000 {
		return nil, nil, working.Refuse("/members", "A frame has from 1 to 20000 members, not %d.", len(in.Members))
	}
	names := slices.Sorted(maps.Keys(in.Nodes))
	index := make(map[string]int, len(names))
	for i, n := range names {
		for d, v := range in.Nodes[n] {
			if math.Abs(v) <= 1e6 {
				continue // words are made for what is refused
			}
			if err := working.Within(fmt.Sprintf("/nodes/%s/%d", n, d), "The node's place", v, -1e6, 1e6, "mm"); err != nil {
				return nil, nil, err
			}
		}
		index[n] = i
	}
	used := make([]bool, len(names))
	for _, m := range in.Members {
		for _, n := range []string{m.From, m.To} {
			if i, ok := index[n]; ok {
				used[i] = true
			}
		}
	}
	for i, n := range names {
		if !used[i] {
			return nil, nil, working.Refuse("/nodes/"+n, "No member runs to node %q: take it out, or run one there.", n)
		}
	}
	if err := working.Within("/modes", "The number of frequencies", float64(in.Modes), 0, 10, ""); err != nil {
		return nil, nil, err
	}
	return names, index, nil
}

// loads gathers a case's loads on the nodes.
func (m *Model) loads(c Loading) ([]float64, error) {
	out := make([]float64, 6*len(m.names))
	for _, name := range slices.Sorted(maps.Keys(c.Nodes)) {
		f := c.Nodes[name]
		i, ok := m.index[name]
		if !ok {
			return nil, working.Refuse("/loads/"+name, "There is no node %q to load.", name)
		}
		for d, v := range f {
			if math.IsNaN(v) || math.Abs(v) > 1e12 {
				return nil, working.Refuse(fmt.Sprintf("/loads/%s/%d", name, d), "A load of %g is not one.", v)
			}
			out[6*i+d] += v
		}
	}
	return out, nil
}
