package survey

import (
	"fmt"
	"math"

	"warmanvil/core/working"
)

// SquareInput is a four-sided frame with its diagonals.
type SquareInput struct {
	Length      float64 `json:"length" doc:"mm, the two long sides (their mean)"`
	Width       float64 `json:"width" doc:"mm, the two short sides (their mean)"`
	LeftToRight float64 `json:"leftToRight" doc:"mm, diagonal from front left to rear right"`
	RightToLeft float64 `json:"rightToLeft" doc:"mm, diagonal from front right to rear left"`
	Sigma       float64 `json:"sigma,omitempty" doc:"mm, uncertainty of one reading; 1 when left out"`
}

// SquareResult is how far it is out of square.
type SquareResult struct {
	OutOfSquare float64           `json:"outOfSquare" doc:"mm, first diagonal less second"`
	Angle       float64           `json:"angle" doc:"degrees off a right angle at the front left corner, wider positive"`
	Shift       float64           `json:"shift" doc:"mm to push the front side sideways against the rear, to the right positive, to make it square"`
	Expected    float64           `json:"expected" doc:"mm, each diagonal when square"`
	Sure        bool              `json:"sure" doc:"beyond twice what the tape can be off"`
	Findings    []working.Finding `json:"findings"`
	Working     working.Working   `json:"working"`
}

// Square answers how far a frame is out of square by its diagonals. It fails
// with *working.Fault when they cannot close with the sides.
func Square(in SquareInput) (SquareResult, error) {
	if in.Sigma == 0 {
		in.Sigma = Uncertainty[Tape].Length
	}
	err := working.First(working.Above("/length", "The length", in.Length, 0, 1e5, "mm"),
		working.Above("/width", "The width", in.Width, 0, 1e5, "mm"),
		working.Above("/leftToRight", "The diagonal", in.LeftToRight, 0, 2e5, "mm"),
		working.Above("/rightToLeft", "The diagonal", in.RightToLeft, 0, 2e5, "mm"),
		working.Above("/sigma", "The uncertainty", in.Sigma, 0, 100, "mm"))
	if err != nil {
		return SquareResult{}, err
	}
	a, b, p, q := in.Length, in.Width, in.LeftToRight, in.RightToLeft
	for _, x := range []struct {
		path string
		d    float64
	}{{"/leftToRight", p}, {"/rightToLeft", q}} {
		if x.d >= a+b || x.d <= math.Abs(a-b) {
			return SquareResult{}, working.Refuse(x.path,
				"A diagonal of %.4g mm cannot close with sides of %.4g and %.4g mm: one of them is misread.", x.d, a, b)
		}
	}
	// With the rear side fixed, the front pushed right by s lengthens the
	// diagonal to the front right: q² − p² = 4·b·s.
	s := (q*q - p*p) / (4 * b)
	sine := s / a
	if math.Abs(sine) >= 1 {
		return SquareResult{}, working.Refuse("/leftToRight",
			"Diagonals of %.4g and %.4g mm differ more than sides of %.4g and %.4g mm allow: one of them is misread.", p, q, a, b)
	}
	r := SquareResult{OutOfSquare: p - q, Angle: math.Asin(sine) * 180 / math.Pi, Shift: -s, Expected: math.Hypot(a, b),
		Findings: []working.Finding{}}
	// The shift's uncertainty comes from both diagonals alike.
	r.Sure = math.Abs(r.OutOfSquare) > 2*math.Sqrt2*in.Sigma
	left := math.Sqrt((p*p+q*q)/2) - math.Sqrt(a*a+b*b)
	if math.Abs(left) > 4*in.Sigma {
		r.Findings = append(r.Findings, working.Finding{Code: "sides", Severity: working.Mind, Cause: "Square",
			Reason: fmt.Sprintf("Sides and diagonals do not go together by %.1f mm: opposite sides differ, or one was misread. The "+
				"angle holds "+
				"only when opposite sides are equal.", left)})
	}
	if !r.Sure {
		r.Findings = append(r.Findings, working.Finding{Code: "within-tape", Severity: working.Note, Cause: "Square",
			Reason: fmt.Sprintf("The diagonals differ by %.1f mm, which the tape alone can do.", math.Abs(r.OutOfSquare))})
	}
	r.Working = working.Working{Method: "Square by diagonals",
		Source:  "parallelogram: the squares of the diagonals differ by four times length, width and the sine of the lean",
		Formula: "s = (q² − p²)/(4·b), lean = asin(s/a)",
		Inputs: []working.Quantity{{Symbol: "a", Name: "length", Value: a, Unit: "mm"}, {Symbol: "b", Name: "width", Value: b, Unit: "mm"},
			{Symbol: "p", Name: "front left to rear right", Value: p, Unit: "mm"},
			{Symbol: "q", Name: "front right to rear left", Value: q, Unit: "mm"}},
		Steps: []working.Quantity{{Symbol: "s", Name: "front side stands to the right by", Value: s, Unit: "mm"},
			{Symbol: "d", Name: "each diagonal when square", Value: r.Expected, Unit: "mm"}},
		Assumptions: []string{"opposite sides are equal"},
		Result:      working.Quantity{Symbol: "lean", Name: "off square", Value: r.Angle, Unit: "°"}}
	return r, nil
}
