package calc

import "warmanvil/core/quantity"

// AmountRequest of amount.parse.
type AmountRequest struct {
	Text    string `json:"text" doc:"as typed"`
	Measure string `json:"measure" enum:"force,mass,moment,area,speed"`
	Inches  bool   `json:"inches,omitempty" doc:"a bare number is in pounds, lbf, lbf·ft, ft², mph"`
}

// AmountAnswer of amount.parse.
type AmountAnswer struct {
	Value float64 `json:"value" doc:"N, kg, N·mm, m², m/s"`
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
	Value   float64 `json:"value" doc:"N, kg, N·mm, m², m/s"`
	Measure string  `json:"measure" enum:"force,mass,moment,area,speed"`
	Inches  bool    `json:"inches,omitempty"`
}

// AmountTextAnswer of amount.format.
type AmountTextAnswer struct {
	Text string `json:"text" doc:"to six figures, with its unit"`
}

func formatAmount(r AmountTextRequest) (AmountTextAnswer, error) {
	return AmountTextAnswer{quantity.FormatAmount(r.Value, quantity.Measure(r.Measure), r.Inches)}, nil
}
