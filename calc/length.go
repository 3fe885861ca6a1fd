package calc

import (
	"errors"
	"fmt"

	"warmanvil/core/quantity"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// ParseRequest of length.parse.
type ParseRequest struct {
	Text   string `json:"text" doc:"as typed"`
	Unit   string `json:"unit" enum:"in,mm,cm,ft" doc:"unit of a bare number"`
	Family string `json:"family,omitempty" enum:"steel,galvanized,stainless,aluminum" doc:"sheet family for a gauge"`
}

// ParseAnswer of length.parse.
type ParseAnswer struct {
	MM    float64 `json:"mm"`
	Plain bool    `json:"plain" doc:"a single number in the field's unit: nothing needs to be shown back"`
}

func parseLength(r ParseRequest) (ParseAnswer, error) {
	unit := quantity.Unit(r.Unit)
	if unit != quantity.Inch && unit != quantity.Millimetre && unit != quantity.Centimetre && unit != quantity.Foot {
		return ParseAnswer{}, working.Refuse("/unit", "The unit of a bare number is in, mm, cm or ft, not %q.", r.Unit)
	}
	if r.Family != "" {
		if _, ok := stock.GaugeSource[stock.Family(r.Family)]; !ok {
			return ParseAnswer{}, working.Refuse("/family", "A family is steel, galvanized, stainless or aluminum, not %q.", r.Family)
		}
	}
	got, err := quantity.Parse(r.Text, quantity.Options{Unit: unit, Family: r.Family, Gauge: func(family string, g float64) (float64, error) {
		return stock.GaugeThickness(stock.Family(family), g)
	}})
	if err != nil {
		return ParseAnswer{}, textFault(err)
	}
	return ParseAnswer{got.Millimetres, got.Plain}, nil
}

func textFault(err error) error {
	var e *quantity.Error
	if errors.As(err, &e) {
		return &working.Fault{Path: "/text", Message: e.Error()}
	}
	return err
}

// NumberRequest of number.parse.
type NumberRequest struct {
	Text string `json:"text" doc:"as typed"`
}

// NumberAnswer of number.parse.
type NumberAnswer struct {
	Value float64 `json:"value"`
}

func parseNumber(r NumberRequest) (NumberAnswer, error) {
	v, err := quantity.ParseNumber(r.Text)
	if err != nil {
		return NumberAnswer{}, textFault(err)
	}
	return NumberAnswer{v}, nil
}

// FormatRequest of length.format.
type FormatRequest struct {
	MM          float64 `json:"mm"`
	Style       string  `json:"style" enum:"fraction,decimal,mm"`
	Denominator int     `json:"denominator,omitempty" enum:"16,32,64" doc:"of a fraction, 16 when left out"`
	Feet        bool    `json:"feet,omitempty" doc:"split off feet"`
}

// FormatAnswer of length.format.
type FormatAnswer struct {
	Text        string `json:"text"`
	Negative    bool   `json:"negative"`
	Feet        int    `json:"feet"`
	Whole       int    `json:"whole" doc:"remaining inches when feet are split off"`
	Numerator   int    `json:"numerator"`
	Denominator int    `json:"denominator"`
	Lies        string `json:"lies" enum:"exact,heavy,light" doc:"where the true size lies against the text"`
	Held        string `json:"held" doc:"as a field holds it: to a thousandth, or in a fraction"`
	Truly       string `json:"truly" doc:"the size as a decimal, where that fraction is rounded"`
}

func formatLength(r FormatRequest) (FormatAnswer, error) {
	switch r.Style {
	case "fraction", "decimal", "mm":
	default:
		return FormatAnswer{}, working.Refuse("/style", "The style is fraction, decimal or mm, not %q.", r.Style)
	}
	switch r.Denominator {
	case 0, 16, 32, 64:
	default:
		return FormatAnswer{}, working.Refuse("/denominator", "A fraction is shown in 16ths, 32nds or 64ths, not %dths.", r.Denominator)
	}
	d := quantity.Display{Style: quantity.Style(r.Style), Denominator: r.Denominator, Feet: r.Feet}
	w, err := quantity.Format(r.MM, d)
	if err != nil {
		return FormatAnswer{}, working.Refuse("/mm", "Not shown: %v.", err)
	}
	held, truly, err := d.Held(r.MM)
	if err != nil {
		return FormatAnswer{}, working.Refuse("/mm", "Not shown: %v.", err)
	}
	return FormatAnswer{w.Text, w.Negative, w.Feet, w.Whole, w.Numerator, w.Denominator, string(w.Lies), held, truly}, nil
}

// GaugeRequest of gauge.
type GaugeRequest struct {
	Family string  `json:"family" enum:"steel,galvanized,stainless,aluminum"`
	Gauge  float64 `json:"gauge"`
}

// GaugeAnswer of gauge.
type GaugeAnswer struct {
	MM       float64           `json:"mm"`
	Inch     float64           `json:"inch"`
	Working  working.Working   `json:"working"`
	Findings []working.Finding `json:"findings"`
}

func gauge(r GaugeRequest) (GaugeAnswer, error) {
	source, ok := stock.GaugeSource[stock.Family(r.Family)]
	if !ok {
		return GaugeAnswer{}, working.Refuse("/family", "A family is steel, galvanized, stainless or aluminum, not %q.", r.Family)
	}
	mm, err := stock.GaugeThickness(stock.Family(r.Family), r.Gauge)
	if err != nil {
		return GaugeAnswer{}, working.Refuse("/gauge", "%v.", err)
	}
	return GaugeAnswer{MM: mm, Inch: mm / 25.4,
		Working: working.Working{Method: "Gauge table", Source: source, Formula: "looked up, never interpolated",
			Inputs: []working.Quantity{{Symbol: "gauge", Name: r.Family, Value: r.Gauge}},
			Result: working.Quantity{Symbol: "T", Name: "nominal thickness", Value: mm, Unit: "mm"}},
		Findings: []working.Finding{{Code: "gauge-nominal", Severity: working.Note, Cause: "Sheet",
			Reason: fmt.Sprintf("%v gauge is nominal: measure the sheet.", r.Gauge)}}}, nil
}
