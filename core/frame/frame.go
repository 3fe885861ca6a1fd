// Package frame solves space frames by direct stiffness with Euler–Bernoulli
// members, and columns.
//
// A member's x runs from its first node to its second, its z towards Up, y = z
// × x; Iy resists bending in the x–z plane. Units N, mm, MPa; rotations in
// radians inside, as displacements are answered.
package frame

import (
	"fmt"
	"math"
	"slices"

	"warmanvil/core/working"
)

// Member of a frame.
type Member struct {
	From    string      `json:"from"`
	To      string      `json:"to"`
	E       float64     `json:"e" doc:"MPa"`
	G       float64     `json:"g" doc:"MPa"`
	Area    float64     `json:"area" doc:"mm²"`
	Iy      float64     `json:"iy" doc:"mm⁴, bending in the member's x–z plane"`
	Iz      float64     `json:"iz" doc:"mm⁴, bending in its x–y plane"`
	J       float64     `json:"j" doc:"mm⁴"`
	Up      *[3]float64 `json:"up,omitempty" doc:"its z lies towards this; up, of upright members forward, when left out"`
	Uniform *[3]float64 `json:"uniform,omitempty" doc:"N/mm along it, in the frame's axes"`
}

// Input is a frame with its loads.
type Input struct {
	Nodes    map[string][3]float64 `json:"nodes" doc:"mm"`
	Members  []Member              `json:"members"`
	Supports map[string][6]bool    `json:"supports" doc:"by node: which of three shifts and three turns it holds"`
	Loads    map[string][6]float64 `json:"loads" doc:"by node: N and N·mm"`
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
	Working         working.Working       `json:"working"`
}

var directions = [6]string{"along x", "along y", "along z", "turning about x", "turning about y", "turning about z"}

// Solve answers a frame. What cannot stand is refused by name with
// *working.Fault.
func Solve(in Input) (Result, error) {
	names, index, err := in.nodes()
	if err != nil {
		return Result{}, err
	}
	beams := make([]beam, len(in.Members))
	for k := range in.Members {
		if beams[k], err = in.beam(k, index); err != nil {
			return Result{}, err
		}
	}
	held := make([]bool, 6*len(names))
	for name, s := range in.Supports {
		i, ok := index[name]
		if !ok {
			return Result{}, working.Refuse("/supports/"+name, "There is no node %q to support.", name)
		}
		for d, h := range s {
			held[6*i+d] = h
		}
	}
	loads := make([]float64, 6*len(names))
	for name, f := range in.Loads {
		i, ok := index[name]
		if !ok {
			return Result{}, working.Refuse("/loads/"+name, "There is no node %q to load.", name)
		}
		for d, v := range f {
			if math.IsNaN(v) || math.Abs(v) > 1e12 {
				return Result{}, working.Refuse(fmt.Sprintf("/loads/%s/%d", name, d), "A load of %g is not one.", v)
			}
			loads[6*i+d] += v
		}
	}
	if !slices.Contains(held, true) {
		return Result{}, working.Refuse("/supports", "Nothing holds the frame: support it where it stands or is bolted.")
	}
	s := assemble(beams, held, loads, order(beams, len(names)))
	u, err := s.solve(names)
	if err != nil {
		return Result{}, err
	}
	return in.answer(names, beams, held, loads, u), nil
}

func (in Input) nodes() ([]string, map[string]int, error) {
	if len(in.Nodes) < 2 || len(in.Nodes) > 20000 {
		return nil, nil, working.Refuse("/nodes", "A frame has from 2 to 20000 nodes, not %d.", len(in.Nodes))
	}
	if len(in.Members) == 0 || len(in.Members) > 20000 {
		return nil, nil, working.Refuse("/members", "A frame has from 1 to 20000 members, not %d.", len(in.Members))
	}
	names := make([]string, 0, len(in.Nodes))
	for n, at := range in.Nodes {
		for i, v := range at {
			if err := working.Within(fmt.Sprintf("/nodes/%s/%d", n, i), "The node's place", v, -1e6, 1e6, "mm"); err != nil {
				return nil, nil, err
			}
		}
		names = append(names, n)
	}
	slices.Sort(names)
	index := map[string]int{}
	for i, n := range names {
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
	return names, index, nil
}
