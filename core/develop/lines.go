package develop

import (
	"math"

	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// leastTurn is what counts as a bend, degrees: less is flat.
const leastTurn = 1e-6

// facet answers the outward normal of the flat between a ruling and the next; none where it has no
// area.
func (s Strip) facet(i int) (solid.Vector, bool) {
	was, is := s[i], s[i+1]
	n := is.Bottom.Sub(was.Bottom).Cross(was.Top.Sub(was.Bottom)).Add(is.Top.Sub(was.Top).Cross(is.Top.Sub(is.Bottom)))
	long := n.Len()
	if long < 1e-12 {
		return n, false
	}
	return n.Mul(1 / long), true
}

// turns answers how far the strip turns at each ruling between its first and its last, degrees,
// positive to the inside; where a flat has no area the next one counts.
func (s Strip) turns() []float64 {
	out := make([]float64, len(s))
	last, at := solid.Vector{}, -1
	for i := range len(s) - 1 {
		n, is := s.facet(i)
		if !is {
			continue
		}
		if at >= 0 {
			out[i] = turn(last, n, s[i].Top.Sub(s[i].Bottom))
		}
		last, at = n, i
	}
	return out
}

// turn answers by how far two faces turn about a line between them, degrees; positive where the second
// falls away from the first one's normal.
func turn(a, b, line solid.Vector) float64 {
	return math.Atan2(a.Cross(b).Dot(line.Unit()), a.Dot(b)) * 180 / math.Pi
}

// told answers a transition's strip unrolled.
func told(in TransitionInput, s Strip, exact bool) (TransitionResult, error) {
	flat, err := s.lapped(in.Lap)
	if err != nil {
		return TransitionResult{}, err
	}
	out := TransitionResult{Area: s.Area() + flat.lapArea(len(s)), Outline: pairs(flat.Outline()), Lines: []PressLine{}, Exact: exact,
		Lapped: seamLine(in.Lap, flat.seam), Findings: []working.Finding{}}
	out.Longest = math.Max(dist(s[0].Bottom, s[0].Top), dist(s[len(s)-1].Bottom, s[len(s)-1].Top))
	turns := s.turns()
	for i, angle := range turns {
		if math.Abs(angle) < leastTurn {
			continue
		}
		out.Lines = append(out.Lines, PressLine{From: [2]float64{flat.Bottom[i].X, flat.Bottom[i].Y}, To: [2]float64{flat.Top[i].X,
			flat.Top[i].Y},
			Angle: angle})
		out.Longest = math.Max(out.Longest, dist(s[i].Bottom, s[i].Top))
	}
	first, last := solid.Vector{}, solid.Vector{}
	for i := range len(s) - 1 {
		if n, is := s.facet(i); is {
			if first == (solid.Vector{}) {
				first = n
			}
			last = n
		}
		out.Lengths[0] += dist(s[i].Bottom, s[i+1].Bottom)
		out.Lengths[1] += dist(s[i].Top, s[i+1].Top)
	}
	out.SeamTurn = turn(last, first, s[0].Top.Sub(s[0].Bottom))
	if out.Lapped != nil && math.Abs(out.SeamTurn) >= leastTurn {
		out.Lines = append(out.Lines, PressLine{From: out.Lapped[0], To: out.Lapped[1], Angle: out.SeamTurn})
	}
	for _, l := range flat.again { // the lap lies on the beginning, bent as that is
		if angle := turns[l.of]; math.Abs(angle) >= leastTurn && l.to.Sub(l.from).Len() > alikeSpot {
			out.Lines = append(out.Lines, PressLine{From: [2]float64{l.from.X, l.from.Y}, To: [2]float64{l.to.X, l.to.Y}, Angle: angle})
		}
	}
	if flat.crosses() {
		out.Findings = append(out.Findings, working.Finding{Code: "flat-overlap", Severity: working.Mind, Cause: "Flat",
			Reason: "Unrolled it lies over itself: make it of two pieces or more, with a seam each."})
	}
	if !exact {
		out.Findings = append(out.Findings, working.Finding{Code: "not-by-itself", Severity: working.Note, Cause: "Form",
			Reason: "An outline has a hollow: the sheet takes this form only when it is bent at every line as drawn."})
	}
	out.Working = working.Working{Method: "Transition by rulings, unrolled by triangles",
		Source: "hull of two level outlines, their edges in the order of their directions; with a hollow, triangles of the least " +
			"area (Fuchs, Kedem, Uselton 1977)",
		Formula: "each triangle laid down by its three lengths; turn at a line = angle between the faces' normals",
		Inputs:  []working.Quantity{working.MM("h", "height", in.Height)},
		Steps: []working.Quantity{working.MM("p", "bottom edge", out.Lengths[0]), working.MM("q", "top edge", out.Lengths[1]),
			{Symbol: "n", Name: "press lines", Value: float64(len(out.Lines))}},
		Assumptions: []string{"on the neutral surface: add what the school of K says for the plate's thickness",
			"arcs are as their points say"},
		Result: working.Quantity{Symbol: "A", Name: "area", Value: out.Area, Unit: "mm²"}}
	if out.Inside = math.Max(in.Below.inside(), in.Above.inside()); out.Inside > 0 {
		out.Working.Steps = append(out.Working.Steps, working.MM("s", "sides of a round lie inside it", out.Inside))
		out.Working.Assumptions = append(out.Working.Assumptions, "the corners of a round's sides lie on the round, whose edge is "+
			"longer than theirs")
	}
	if in.Lap > 0 {
		out.Working.Inputs = append(out.Working.Inputs, working.MM("o", "lap at the seam", in.Lap))
		out.Working.Assumptions = append(out.Working.Assumptions, lapSaid)
	}
	return out, nil
}
