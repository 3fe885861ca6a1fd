package calc

import (
	"warmanvil/core/quantity"
	"warmanvil/core/told"
)

// AmountRequest of amount.parse.
type AmountRequest struct {
	Text    string `json:"text" doc:"as typed"`
	Measure string `json:"measure" enum:"force,mass,moment,area,speed,stress,rate,linear,section,modulus,inertia,price,heat"`
	Inches  bool   `json:"inches,omitempty" doc:"a bare number is in pounds, lbf, lbf·ft, ft², mph, ksi, lbf/in, lb/ft"`
}

// AmountAnswer of amount.parse.
type AmountAnswer struct {
	Value float64 `json:"value" doc:"N, kg, N·mm, m², m/s, MPa, N/mm, kg/m, mm², mm³, mm⁴"`
	Plain bool    `json:"plain" doc:"a bare number: nothing needs to be shown back"`
}

func parseAmount(r AmountRequest) (AmountAnswer, error) {
	v, plain, err := quantity.ParseAmount(r.Text, quantity.Measure(r.Measure), r.Inches)
	if err != nil {
		return AmountAnswer{}, textFault(err)
	}
	return AmountAnswer{v, plain}, nil
}

// AmountTextRequest of amount.format.
type AmountTextRequest struct {
	Value   float64 `json:"value" doc:"N, kg, N·mm, m², m/s, MPa, N/mm, kg/m, mm², mm³, mm⁴"`
	Measure string  `json:"measure" enum:"force,mass,moment,area,speed,stress,rate,linear,section,modulus,inertia,price,heat"`
	Inches  bool    `json:"inches,omitempty"`
	Result  bool    `json:"result,omitempty" doc:"it is a result: with the figures that are read, in kN where it is large"`
}

// AmountTextAnswer of amount.format.
type AmountTextAnswer struct {
	Text string `json:"text" doc:"with its unit; to six figures, so that typed again it is the same"`
}

func formatAmount(r AmountTextRequest) (AmountTextAnswer, error) {
	if r.Result {
		return AmountTextAnswer{asResult(r)}, nil
	}
	return AmountTextAnswer{quantity.FormatAmount(r.Value, quantity.Measure(r.Measure), r.Inches)}, nil
}

func asResult(r AmountTextRequest) string {
	show := quantity.Display{Style: quantity.Metric}
	if r.Inches {
		show.Style = quantity.Decimal
	}
	p := told.Pen{Display: show}
	switch quantity.Measure(r.Measure) {
	case quantity.Force:
		return p.Newtons(r.Value)
	case quantity.Moment:
		return p.Moment(r.Value)
	case quantity.Mass:
		return p.Kilos(r.Value)
	}
	return quantity.FormatAmountTo(4, r.Value, quantity.Measure(r.Measure), r.Inches)
}
