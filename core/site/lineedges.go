package site

import (
	"fmt"
	"math"
	"strings"

	"warmanvil/core/survey"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
)

// LineEdgeTold is how an edge of a placed thing runs along a line of the body.
type LineEdgeTold struct {
	ID      string           `json:"id"`
	Name    string           `json:"name" doc:"of the thing and the ends of its edge"`
	Verdict string           `json:"verdict" enum:"good,doubtful,bad,open"`
	Says    string           `json:"says" doc:"gap, step and reveal, or why they are not known"`
	Working *working.Working `json:"working,omitempty"`
}

// edges tells gap, step and reveal of every edge that is said to run along a line.
func (s *stander) edges(t *LineTold, line vehicle.BodyLine, l survey.BodyLine, sigma float64) {
	for _, e := range line.Edges {
		told := s.edge(e, line, l, sigma)
		if told.Verdict == "bad" {
			t.Findings = append(t.Findings, working.Finding{Code: "line-edge", Severity: working.Mind, Cause: "Room", Name: told.Name,
				Reason: told.Name + " along " + t.Name + ": " + told.Says})
		}
		t.Edges = append(t.Edges, told)
	}
}

func (s *stander) edge(e vehicle.LineEdge, line vehicle.BodyLine, l survey.BodyLine, sigma float64) LineEdgeTold {
	out := LineEdgeTold{ID: e.ID, Name: "Edge", Verdict: "open"}
	if s.list[e.Placed] == nil {
		out.Says = "Choose the placed thing it is of."
		return out
	}
	d := s.stand(e.Placed)
	out.Name = d.told.Name
	if d.Why != "" {
		out.Says = d.Why
		return out
	}
	a, okA := d.Holes[e.From]
	b, okB := d.Holes[e.To]
	if !okA || !okB || e.From == e.To {
		out.Says = "Choose the two ends of the edge."
		return out
	}
	out.Name = fmt.Sprintf("%s, %s to %s", d.told.Name, d.holeName(e.From), d.holeName(e.To))
	got, ok := l.Edge(d.Pose.Apply(a), d.Pose.Apply(b), line.Toward())
	if !ok {
		out.Says = "As seen from there it nowhere runs beside the line."
		return out
	}
	s.judgeEdge(&out, e, got, 2*survey.Root(sigma, d.Sigma))
	return out
}

// holeName answers what a hole, corner or point of a placed thing is called.
func (d *stand) holeName(id string) string {
	for _, h := range d.told.Holes {
		if h.ID == id {
			return h.Name
		}
	}
	return id
}

// judgeEdge sets what is asked against what is; known is how well both are, at two sigma.
func (s *stander) judgeEdge(out *LineEdgeTold, e vehicle.LineEdge, got survey.AlongLine, known float64) {
	p := s.from.Pen
	gap := [2]float64{math.Abs(got.Gap[0]), math.Abs(got.Gap[1])}
	low, high := math.Min(gap[0], gap[1]), math.Max(gap[0], gap[1])
	if got.Gap[0]*got.Gap[1] < 0 { // it crosses the line
		low = 0
	}
	reveal := got.Gap[1] - got.Gap[0]
	step := math.Max(math.Abs(got.Step[0]), math.Abs(got.Step[1]))
	proud := "proud"
	if got.Step[0]+got.Step[1] < 0 { // what lies farthest off is behind
		proud = "behind"
	}
	says := []string{fmt.Sprintf("gap %s to %s, uneven by %s", p.MM(low), p.MM(high), p.MM(reveal)), fmt.Sprintf("step %s %s at "+
		"most", p.MM(step), proud)}
	if got.Over < .995 {
		says = append(says, fmt.Sprintf("%.0f %% of it runs beside the line", 100*got.Over))
	}
	over := math.Inf(-1) // by how much what is asked is passed; negative what is left
	if e.Gap != nil && e.Within > 0 {
		over = math.Max(over, math.Max(math.Abs(low-*e.Gap), math.Abs(high-*e.Gap))-e.Within)
	}
	if e.Within > 0 {
		over = math.Max(over, reveal-e.Within)
	}
	if e.Step != nil {
		over = math.Max(over, step-*e.Step)
	}
	switch {
	case math.IsInf(over, -1):
		says = append(says, "nothing is asked of it")
	case over > known:
		out.Verdict = "bad"
		says = append(says, p.MM(over)+" more than is asked")
	case over > -known:
		out.Verdict = "doubtful"
		says = append(says, "which the readings alone decide, known to ± "+p.MM(known))
	default:
		out.Verdict = "good"
	}
	if e.Gap != nil && e.Within == 0 { // a gap is never met to nothing
		says = append(says, "say within how much its gap is to be so")
		if out.Verdict == "good" {
			out.Verdict = "open"
		}
	}
	out.Says = strings.ToUpper(says[0][:1]) + strings.Join(says, "; ")[1:] + "."
	out.Working = p.Explain(working.Working{Method: "An edge along a line of the body", Source: "geometry, as seen from one side: " +
		"extremes lie at " +
		"the edge's ends and the line's points",
		Formula: "gap = distance across the view, square to the line; step = difference along the view; uneven = most − least gap",
		Inputs:  []working.Quantity{working.MM("g1", "gap, least, above positive", got.Gap[0]), working.MM("g2", "gap, most", got.Gap[1])},
		Steps: []working.Quantity{working.MM("s1", "step, least, proud positive", got.Step[0]), working.MM("s2", "step, most", got.Step[1]),
			working.MM("±", "known at two standard uncertainties", known)},
		Assumptions: []string{"the edge is straight between its ends, at the middle of the sheet where they are corners of a panel"},
		Result:      working.MM("r", "uneven by", reveal)})
}
