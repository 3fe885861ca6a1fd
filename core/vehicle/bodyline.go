package vehicle

import (
	"warmanvil/core/brief"
	"warmanvil/core/working"
)

// BodyLine is a line of the body through surveyed points: seen from one side, nothing placed
// stands past it.
type BodyLine struct {
	ID     string     `json:"id"`
	Name   string     `json:"name"`
	Points []string   `json:"points" doc:"ids of surveyed points it runs through"`
	Seen   brief.Face `json:"seen" enum:"front,rear,left,right,up" doc:"side it is looked at from"`
	Keep   string     `json:"keep" enum:"below,above" doc:"where things stay; seen from above, below is to the right of it"`
	Off    float64    `json:"off,omitempty" doc:"mm they keep off it; negative what may show"`
	Edges  []LineEdge `json:"edges,omitempty" doc:"edges of placed things that run along it"`
}

// LineEdge is an edge of a placed thing that runs along a line of the body: its gap, step and reveal.
type LineEdge struct {
	ID     string   `json:"id"`
	Placed string   `json:"placed,omitempty" doc:"id of a placed thing"`
	From   string   `json:"from,omitempty" doc:"id of a hole, corner or point of it, as it may be mated by"`
	To     string   `json:"to,omitempty" doc:"id of another"`
	Gap    *float64 `json:"gap,omitempty" doc:"mm it is to keep off the line, all along; not asked when left out"`
	Within float64  `json:"within,omitempty" doc:"mm the gap may differ from that, and from itself along the edge; not asked when 0"`
	Step   *float64 `json:"step,omitempty" doc:"mm it may stand before or behind the line; not asked when left out"`
}

// View answers the axes a line is seen in, 0 forward, 1 left, 2 up: along it, and across it;
// false where it is looked at from no side.
func (l BodyLine) View() (along, across int, ok bool) {
	switch l.Seen {
	case brief.FaceLeft, brief.FaceRight:
		return 0, 2, true
	case brief.FaceFront, brief.FaceRear:
		return 1, 2, true
	case brief.FaceUp:
		return 0, 1, true
	}
	return 0, 0, false
}

// check refuses sizes that ask for nothing that can be.
func (e LineEdge) check(at string) error {
	within := func(path, name string, v *float64) error {
		if v == nil {
			return nil
		}
		return working.Within(at+path, name, *v, 0, 1000, "mm")
	}
	return working.First(within("/gap", "The gap", e.Gap), working.Within(at+"/within", "How much the gap may differ", e.Within, 0,
		1000, "mm"),
		within("/step", "The step", e.Step))
}

// Toward answers the side it is looked at from: 1 where that is at greater coordinates.
func (l BodyLine) Toward() float64 {
	if l.Seen == brief.FaceRight || l.Seen == brief.FaceRear {
		return -1
	}
	return 1
}
