package site

import (
	"fmt"
	"math"

	"warmanvil/core/solid"
	"warmanvil/core/survey"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
)

// LineTold is what stands past a line of the body, the worst of it, and thing by thing.
type LineTold struct {
	vehicle.ResultTold
	Things []LinePast     `json:"things" doc:"what lies where the line runs, the worst first"`
	Edges  []LineEdgeTold `json:"edges" doc:"edges that run along it"`
}

// LinePast is one thing beside a line.
type LinePast struct {
	Name    string `json:"name"`
	Text    string `json:"text" doc:"how far past it, or what is left"`
	Verdict string `json:"verdict" enum:"good,doubtful,bad"`
	Place   string `json:"place"`
}

// bodyLines looks what of the placed things stands past each line of the body.
func (s *stander) bodyLines(v vehicle.Survey, solids []survey.Thing, out *Surveyed) {
	p := s.from.Pen
	for _, line := range v.Lines {
		t := LineTold{ResultTold: vehicle.Waiting(line.ID, line.Name, "Choose two surveyed points or more that it runs through."),
			Things: []LinePast{}, Edges: []LineEdgeTold{}}
		l := survey.BodyLine{Below: line.Keep == "below", Off: line.Off}
		l.Along, l.Across, _ = line.View()
		sigma, why := 0., ""
		for _, id := range line.Points {
			at := s.from.At(id)
			if at == nil || at.At == nil {
				why = "One of its points has no place yet."
				continue
			}
			l.Points, sigma = append(l.Points, *at.At), math.Max(sigma, at.Sigma)
		}
		err := l.Check("")
		switch {
		case why != "":
			t.Says = why
		case len(line.Points) < 2:
		case err != nil:
			t.Says, t.Verdict = p.Refused(err), "bad"
		default:
			s.beside(&t, l, solids, sigma)
			s.edges(&t, line, l, sigma)
			out.Sketch = append(out.Sketch, drawn(line.ID, line.Name, "bodyLine", ribbon(l.Points), false))
		}
		out.Lines = append(out.Lines, t)
	}
}

// thin is the radius of a line of the body where it is drawn, mm.
const thin = 2.

// ribbon is a body to draw a line with.
func ribbon(points []solid.Vector) (b solid.Body) {
	for i := 1; i < len(points); i++ {
		b = b.With(solid.Cylinder(points[i-1], points[i], thin))
	}
	return b
}

// beside tells each thing that lies where the line runs.
func (s *stander) beside(t *LineTold, l survey.BodyLine, solids []survey.Thing, sigma float64) {
	p := s.from.Pen
	worst, known, names := math.Inf(-1), 0., map[string]bool{}
	t.Verdict = "good"
	for _, x := range l.Beside(solids) {
		if !x.Seen {
			continue
		}
		both := survey.Root(sigma, x.Sigma)
		told := LinePast{Name: solids[x.Thing].Name, Verdict: "good", Text: p.MM(math.Max(-x.By, 0)) + " left", Place: p.Place(x.At)}
		switch {
		case x.By > 2*both:
			told.Verdict, told.Text = "bad", p.MM(x.By)+" past it"
		case x.By > 0:
			told.Verdict, told.Text = "doubtful", p.MM(x.By)+" past it, which the readings alone could be"
		case x.By > -2*both:
			told.Verdict = "doubtful"
		}
		if told.Verdict == "bad" || told.Verdict == "doubtful" && t.Verdict == "good" {
			t.Verdict = told.Verdict
		}
		if x.By > worst {
			worst, known = x.By, both
		}
		names[told.Name] = true
		t.Things = append(t.Things, told)
		if told.Verdict == "bad" {
			t.Findings = append(t.Findings, working.Finding{Code: "body-line", Severity: working.Mind, Cause: "Room", Name: told.Name,
				Reason: fmt.Sprintf("%s stands %s past %s, at %s: it shows from there. Lower it, move it in, or say how much may show.",
					told.Name, p.MM(x.By), t.Name, told.Place)})
		}
	}
	if len(t.Things) == 0 {
		t.Verdict, t.Says = "open", "Nothing placed lies where it runs."
		return
	}
	t.Value, t.Text = &worst, p.MM(math.Abs(worst))
	word := "left"
	if worst > 0 {
		word = "past it"
	}
	t.Says = fmt.Sprintf("%s, at the worst of %d placed; known to ± %s", word, len(names), p.MM(2*known))
	t.Working = p.Explain(working.Working{Method: "Line of the body, as seen from one side", Source: "geometry: corners of the placed " +
		"bodies against the line",
		Formula: "past = height of the thing − height of the line + kept off, largest over all corners and where edges pass a point of " +
			"the line",
		Inputs: []working.Quantity{{Symbol: "n", Name: "points of the line", Value: float64(len(l.Points))}, working.MM("k", "kept off",
			l.Off)},
		Steps: []working.Quantity{working.MM("±", "standard uncertainty of line and thing", known)},
		Assumptions: []string{"straight between its points; past its ends nothing is looked at", "what lies behind something else " +
			"counts as " +
			"if it showed"},
		Result: working.MM("p", "past it; negative what is left", worst)})
}
