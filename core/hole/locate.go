package hole

import (
	"fmt"
	"math"

	"warmanvil/core/working"
)

// LocateInput is a third point C measured from two known ones, A and B.
type LocateInput struct {
	AB float64 `json:"ab" doc:"mm between the known points"`
	AC float64 `json:"ac" doc:"mm from A to C"`
	BC float64 `json:"bc" doc:"mm from B to C"`
}

// LocateResult are the places C can have, A at the origin, B on +x: one on
// either side of the line, by falling y, or one on it.
type LocateResult struct {
	Solutions  [][2]float64      `json:"solutions" doc:"mm"`
	Degenerate bool              `json:"degenerate" doc:"C lies on the line of A and B"`
	Moves      float64           `json:"moves" doc:"mm by which 1 mm of reading moves C at most"`
	Findings   []working.Finding `json:"findings"`
	Working    working.Working   `json:"working"`
}

// Locate answers where C lies by two distances. Both mirror answers are given:
// which side is asked, never guessed. It fails with *working.Fault when the
// distances cannot close.
func Locate(in LocateInput) (LocateResult, error) {
	err := working.First(
		working.Above("/ab", "The distance A–B", in.AB, 0, maxLength, "mm"),
		working.Above("/ac", "The distance A–C", in.AC, 0, maxLength, "mm"),
		working.Above("/bc", "The distance B–C", in.BC, 0, maxLength, "mm"))
	if err != nil {
		return LocateResult{}, err
	}
	for _, s := range []struct {
		path, name string
		long, rest float64
	}{{"/ab", "A–B", in.AB, in.AC + in.BC}, {"/ac", "A–C", in.AC, in.AB + in.BC}, {"/bc", "B–C", in.BC, in.AB + in.AC}} {
		if over := s.long - s.rest; over > 1e-9*in.AB {
			return LocateResult{}, working.Refuse(s.path,
				"These distances cannot close: %s is %.4g mm longer than the other two together. Measure again, and look whether a hole's edge was "+
					"taken for its centre.", s.name, over)
		}
	}
	x, y := apex(in.AB, in.AC, in.BC)
	r := LocateResult{Findings: []working.Finding{}}
	if y <= 1e-6*in.AB {
		r.Degenerate, r.Solutions = true, [][2]float64{{x, 0}}
	} else {
		r.Solutions = [][2]float64{{x, y}, {x, -y}}
	}
	r.Moves = moves(in, x, y)
	if r.Degenerate {
		r.Findings = append(r.Findings, working.Finding{Code: "on-line", Severity: working.Mind, Cause: "Place",
			Reason: fmt.Sprintf("C lies on the line of A and B: how far beside it, these distances hardly say. A millimetre of reading moves it "+
				"up to %.0f mm; measure from a point well off the line.", r.Moves)})
	} else if r.Moves > 3 {
		r.Findings = append(r.Findings, working.Finding{Code: "flat-triangle", Severity: working.Mind, Cause: "Place",
			Reason: fmt.Sprintf("A millimetre of reading moves C up to %.1f mm: the triangle is flat. Measure from points that see C nearly square.",
				r.Moves)})
	}
	r.Working = working.Working{Method: "Third point from two distances",
		Source:  "law of cosines; the height by Heron's formula in Kahan's order",
		Formula: "x = (AB² + AC² − BC²) / (2·AB), y = ±2·area / AB",
		Inputs: []working.Quantity{{Symbol: "AB", Name: "known points apart", Value: in.AB, Unit: "mm"},
			{Symbol: "AC", Name: "from A", Value: in.AC, Unit: "mm"}, {Symbol: "BC", Name: "from B", Value: in.BC, Unit: "mm"}},
		Steps: []working.Quantity{{Symbol: "x", Name: "along A–B", Value: x, Unit: "mm"},
			{Symbol: "m", Name: "moved by 1 mm of reading, at most", Value: r.Moves, Unit: "mm"}},
		Assumptions: []string{"A, B and C in one plane, distances from centre to centre"},
		Result:      working.Quantity{Symbol: "y", Name: "beside A–B, to either side", Value: y, Unit: "mm"}}
	return r, nil
}

// apex answers the third corner of a triangle over a base from 0 to ab; a
// triangle that does not close lies flat.
func apex(ab, ac, bc float64) (x, y float64) {
	// (AC² − BC²) as a product keeps its digits when both are long.
	x = (ab + (ac-bc)*(ac+bc)/ab) / 2
	a, b, c := ab, ac, bc // sorted, longest first, for Kahan's order
	if a < b {
		a, b = b, a
	}
	if a < c {
		a, c = c, a
	}
	if b < c {
		b, c = c, b
	}
	sixteen := (a + (b + c)) * (c - (a - b)) * (c + (a - b)) * (a + (b - c))
	if sixteen <= 0 {
		return x, 0
	}
	return x, math.Sqrt(sixteen) / 2 / ab
}

// moves tries a millimetre more and less on each reading.
func moves(in LocateInput, x, y float64) (most float64) {
	for _, d := range []float64{-1, 1} {
		for _, t := range []LocateInput{{in.AB + d, in.AC, in.BC}, {in.AB, in.AC + d, in.BC}, {in.AB, in.AC, in.BC + d}} {
			if t.AB <= 0 || t.AC <= 0 || t.BC <= 0 || t.AB > t.AC+t.BC || t.AC > t.AB+t.BC || t.BC > t.AB+t.AC {
				continue
			}
			p, q := apex(t.AB, t.AC, t.BC)
			most = math.Max(most, math.Hypot(p-x, q-y))
		}
	}
	return most
}
