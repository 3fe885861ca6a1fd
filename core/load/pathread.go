package load

import (
	"fmt"

	"warmanvil/core/solid"
	"warmanvil/core/working"
)

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
