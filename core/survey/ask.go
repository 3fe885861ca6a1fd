package survey

import (
	"fmt"
	"math"

	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// ClearanceInput is a body made of plain shapes, and the spaces it must keep
// off.
type ClearanceInput struct {
	Body   []Shape `json:"body"`
	Spaces []Space `json:"spaces"`
}

// Told is one space's least distance.
type Told struct {
	Space    string     `json:"space"`
	Distance float64    `json:"distance" doc:"mm, least of all states, facets allowed for; 0 where they meet"`
	Need     float64    `json:"need" doc:"mm to keep off"`
	At       [3]float64 `json:"at" doc:"mm, on the body"`
	To       [3]float64 `json:"to" doc:"mm, on the space"`
	State    State      `json:"state" enum:"stowed,inUse,travelling"`
	Into     bool       `json:"into"`
	Depth    float64    `json:"depth" doc:"mm that one goes into the other at least"`
}

// ClearanceResult is the least distance to each space that is ever there.
type ClearanceResult struct {
	Spaces   []Told            `json:"spaces"`
	Least    *float64          `json:"least" doc:"mm; null with nothing to keep off"`
	Findings []working.Finding `json:"findings"`
	Working  working.Working   `json:"working"`
}

// AskClearance answers how far a body of plain shapes keeps off spaces in their
// states. It fails with *working.Fault.
func AskClearance(in ClearanceInput) (ClearanceResult, error) {
	if len(in.Body) == 0 || len(in.Body) > 200 {
		return ClearanceResult{}, working.Refuse("/body", "A body takes from 1 to 200 shapes, not %d.", len(in.Body))
	}
	if len(in.Spaces) > 200 {
		return ClearanceResult{}, working.Refuse("/spaces", "Up to 200 spaces are looked at.")
	}
	var t Thing
	for i, s := range in.Body {
		if err := s.check(fmt.Sprintf("/body/%d", i)); err != nil {
			return ClearanceResult{}, err
		}
		t.Body = t.Body.With(s.body(false))
	}
	for i, s := range in.Spaces {
		if err := s.Check(fmt.Sprintf("/spaces/%d", i)); err != nil {
			return ClearanceResult{}, err
		}
	}
	r := ClearanceResult{Spaces: []Told{}, Findings: []working.Finding{}}
	least := math.Inf(1)
	for _, c := range Clearances([]Thing{t}, in.Spaces, 0) {
		if math.IsInf(c.Distance, 1) {
			continue
		}
		s := in.Spaces[c.Space]
		r.Spaces = append(r.Spaces, Told{s.Name, c.Distance, c.Need, c.At, c.To, c.State, c.Into, c.Depth})
		least = min(least, c.Distance)
		if c.Into {
			r.Findings = append(r.Findings, working.Finding{Code: "into", Severity: working.Stop, Cause: "Clearance", Name: s.Name,
				Reason: fmt.Sprintf("It runs into %s by %.1f mm or more.", s.Name, c.Depth)})
		} else if c.Distance < c.Need {
			r.Findings = append(r.Findings, working.Finding{Code: "near", Severity: working.Mind, Cause: "Clearance", Name: s.Name,
				Reason: fmt.Sprintf("%.1f mm to %s; %.0f mm are wanted.", c.Distance, s.Name, c.Need)})
		}
	}
	if !math.IsInf(least, 1) {
		r.Least = &least
	}
	r.Working = ClearanceWorking(t.Body, len(in.Spaces), least)
	return r, nil
}

// ClearanceWorking explains how clearances are come by.
func ClearanceWorking(b solid.Body, spaces int, least float64) working.Working {
	w := working.Working{Method: "Least distance of two surfaces",
		Source: "triangle by triangle through a tree of boxes; nearest points of segments and faces (Ericson, Real-Time Collision " +
			"Detection, ch. 5)", Formula: "min |p − q| − deviation",
		Inputs: []working.Quantity{{Symbol: "n", Name: "triangles of the body", Value: float64(b.Count())},
			{Symbol: "m", Name: "spaces", Value: float64(spaces)},
			{Symbol: "e", Name: "deviation of the body's facets, taken off", Value: b.Deviation, Unit: "mm"}},
		Assumptions: []string{"bodies are stiff and stand where they were placed; what they flex on the road comes on top",
			"how well places are known is stated beside, not taken off"}}
	if !math.IsInf(least, 1) {
		w.Result = working.Quantity{Symbol: "c", Name: "least clearance", Value: least, Unit: "mm"}
	}
	return w
}
