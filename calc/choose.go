package calc

import (
	"fmt"

	"warmanvil/core/goods"
	"warmanvil/core/working"
)

// ChooseRequest of stock.choose.
type ChooseRequest struct {
	Need  goods.Need   `json:"need"`
	Lines []ChooseLine `json:"lines"`
}

// ChooseLine is a line of stock with how many of it there are.
type ChooseLine struct {
	Line goods.Goods `json:"line"`
	Here float64     `json:"here"`
	Held float64     `json:"held,omitempty" doc:"kept for jobs"`
}

// ChooseAnswer of stock.choose.
type ChooseAnswer struct {
	Choices  []goods.Choice    `json:"choices" doc:"those of which enough are free first, remnants before whole sheets, then what leaves least"`
	Working  []working.Working `json:"working"`
	Findings []working.Finding `json:"findings"`
}

const mostLines = 5000

func choose(r ChooseRequest) (ChooseAnswer, error) {
	if len(r.Lines) > mostLines {
		return ChooseAnswer{}, working.Refuse("/lines", "Up to %d lines are looked at, and these are %d.", mostLines, len(r.Lines))
	}
	list := make([]goods.Lying, len(r.Lines))
	for i, l := range r.Lines {
		at := fmt.Sprintf("/lines/%d", i)
		if err := working.Under(at+"/line", l.Line.Check()); err != nil {
			return ChooseAnswer{}, err
		}
		if err := working.First(working.Within(at+"/here", "How many are there", l.Here, 0, 1e6, ""),
			working.Within(at+"/held", "How many are kept", l.Held, 0, l.Here, "")); err != nil {
			return ChooseAnswer{}, err
		}
		list[i] = goods.Lying{Goods: l.Line, Counts: goods.Counts{Here: l.Here, Held: map[string]float64{"": l.Held}}}
	}
	got, err := goods.Choose(r.Need, list)
	if err != nil {
		return ChooseAnswer{}, working.Under("/need", err)
	}
	w := working.Working{Method: "Choice from stock",
		Source: "what is left over before what is whole, then the least left (practice); a " +
			"rectangle on a sheet after Wetzel (2000)", Formula: "least of (not enough free, whole sheet, left)",
		Inputs: []working.Quantity{{Symbol: "n", Name: "lines looked at", Value: float64(len(list))}},
		Assumptions: []string{"a place on a remnant is looked for with sides along sides and corners under corners: one that is not found " +
			"may exist",
			"sheets are the same thickness within 2 %"},
		Result: working.Quantity{Symbol: "k", Name: "lines that serve", Value: float64(len(got))}}
	return ChooseAnswer{Choices: got, Working: []working.Working{w}, Findings: []working.Finding{}}, nil
}
