package fit

import (
	"fmt"
	"math"
	"slices"

	"warmanvil/core/working"
)

// EvenGapInput is a gap that is set while fitting up by spacers, so that enough of it stays
// when all that closes it has come.
type EvenGapInput struct {
	Need    float64   `json:"need" doc:"mm that must stay"`
	Gives   float64   `json:"gives,omitempty" doc:"mm it closes under load or over travel"`
	Length  float64   `json:"length,omitempty" doc:"mm of what grows with heat towards it"`
	Degrees float64   `json:"degrees,omitempty" doc:"°C it gets warmer than while fitting up"`
	Growth  float64   `json:"growth,omitempty" doc:"µm per m and °C; 12 (steel) when left out"`
	Coats   float64   `json:"coats,omitempty" doc:"mm of coats still to come, both faces together"`
	Other   float64   `json:"other,omitempty" doc:"mm it closes besides: wear, a tyre that grows, what swells"`
	Sheets  []float64 `json:"sheets,omitempty" doc:"mm, thicknesses at hand to make spacers of"`
}

// EvenGapResult is the spacer, and what makes it up.
type EvenGapResult struct {
	Heat     float64           `json:"heat" doc:"mm it grows with heat"`
	Spacer   float64           `json:"spacer" doc:"mm to set while fitting up"`
	Stack    []float64         `json:"stack" doc:"mm, sheets laid together that come nearest from above; empty when none are given"`
	Stacked  float64           `json:"stacked" doc:"mm, that stack; 0 when there is none"`
	Findings []working.Finding `json:"findings"`
	Working  working.Working   `json:"working"`
}

// steelGrowth in µm per m and °C.
const steelGrowth = 12

// mostSheets are laid together in one spacer.
const mostSheets = 5

// EvenGap answers the spacer that is set in a gap while fitting up, and the sheets that make
// it. It fails with *working.Fault.
func EvenGap(in EvenGapInput) (EvenGapResult, error) {
	if in.Growth == 0 {
		in.Growth = steelGrowth
	}
	errs := []error{working.Above("/need", "What must stay", in.Need, 0, 1000, "mm"), working.Within("/gives", "What it gives", in.Gives,
		-1000, 1000, "mm"),
		working.Within("/length", "The length", in.Length, 0, 1e5, "mm"), working.Within("/degrees", "The warming", in.Degrees, -100, 1000, "°"),
		working.Within("/growth", "The growth", in.Growth, 0, 300, ""), working.Within("/coats", "The coats", in.Coats, 0, 20, "mm"),
		working.Within("/other", "What closes it besides", in.Other, 0, 1000, "mm")}
	if len(in.Sheets) > 20 {
		errs = append(errs, working.Refuse("/sheets", "Give up to 20 thicknesses."))
	}
	for i, s := range in.Sheets {
		errs = append(errs, working.Within(fmt.Sprintf("/sheets/%d", i), "The thickness", s, .2, 100, "mm"))
	}
	if err := working.First(errs...); err != nil {
		return EvenGapResult{}, err
	}
	r := EvenGapResult{Heat: in.Length * in.Degrees * in.Growth / 1e6, Stack: []float64{}, Findings: []working.Finding{}}
	r.Spacer = in.Need + in.Gives + r.Heat + in.Coats + in.Other
	if in.Degrees != 0 && in.Length == 0 {
		return r, working.Refuse("/length", "How long is it that grows with heat? Give its length towards the gap.")
	}
	if r.Spacer <= 0 {
		return r, working.Refuse("/gives", "It opens by more than must stay: no spacer is needed.")
	}
	if len(in.Sheets) > 0 {
		r.Stack = atLeast(in.Sheets, r.Spacer)
		for _, s := range r.Stack {
			r.Stacked += s
		}
		if len(r.Stack) == 0 {
			r.Findings = append(r.Findings, working.Finding{Code: "no-stack", Severity: working.Mind, Cause: "Gap", Reason: fmt.Sprintf(
				"No %d of these sheets together are %.2f mm: cut a spacer of its own.", mostSheets, r.Spacer)})
		}
	}
	r.Working = working.Working{Method: "Spacer for an even gap", Source: "sum of all that closes it; growth L·ΔT·α",
		Formula: "spacer = must stay + gives + L·ΔT·α + coats + other",
		Inputs: []working.Quantity{working.MM("n", "must stay", in.Need), working.MM("g", "gives under load or over travel", in.Gives),
			working.MM("L", "length that grows", in.Length), {Symbol: "ΔT", Name: "warmer by, °C", Value: in.Degrees},
			{Symbol: "α", Name: "growth, µm per m and °C", Value: in.Growth}, working.MM("c", "coats to come", in.Coats),
			working.MM("o", "other", in.Other)},
		Steps:       []working.Quantity{working.MM("h", "grows with heat", r.Heat), working.MM("Σ", "sheets laid together", r.Stacked)},
		Assumptions: []string{"what closes it closes it all at once", "the sheets are as thick as they are called: measure the pile"},
		Result:      working.MM("s", "spacer", r.Spacer)}
	return r, nil
}

// atLeast answers the sheets, each as often as one likes and up to mostSheets together, whose
// sum comes nearest to a height from above; of equal sums the fewest. Thickest first.
func atLeast(sheets []float64, height float64) []float64 {
	kinds := slices.Clone(sheets)
	slices.SortFunc(kinds, func(a, b float64) int { return int(math.Copysign(1, b-a)) })
	kinds = slices.Compact(kinds)
	var best []float64
	over := math.Inf(1)
	var lay func(from int, left float64, pile []float64)
	lay = func(from int, left float64, pile []float64) {
		if left <= 1e-9 {
			if -left < over-1e-9 || -left < over+1e-9 && len(pile) < len(best) {
				best, over = slices.Clone(pile), -left
			}
			return
		}
		if len(pile) == mostSheets {
			return
		}
		for i := from; i < len(kinds); i++ {
			lay(i, left-kinds[i], append(pile, kinds[i]))
		}
	}
	lay(0, height, nil)
	return best
}
