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
	Hole   bool   `json:"hole,omitempty" doc:"it is a hole's diameter: what goes through it or its drill may be named, as M8, 3/8 bolt loose, 5/16-18 tap, F"`
	Family string `json:"family,omitempty" enum:"steel,galvanized,stainless,aluminum" doc:"sheet family for a gauge"`
}

// ParseAnswer of length.parse.
type ParseAnswer struct {
	MM    float64 `json:"mm"`
	Plain bool    `json:"plain" doc:"a single number in the field's unit: nothing needs to be shown back"`
	Says  string  `json:"says,omitempty" doc:"what a name was understood as"`
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
	if r.Hole {
		if n, named, err := stock.HoleNamed(r.Text); err != nil {
			return ParseAnswer{}, working.Refuse("/text", "%v.", err)
		} else if named {
			return ParseAnswer{MM: n.Diameter, Says: n.Says}, nil
		}
	}
	got, err := quantity.Parse(r.Text, quantity.Options{Unit: unit, Family: r.Family, Gauge: func(family string, g float64) (float64, error) {
		return stock.GaugeThickness(stock.Family(family), g)
	}})
	if err != nil {
		return ParseAnswer{}, textFault(err)
	}
	return ParseAnswer{MM: got.Millimetres, Plain: got.Plain}, nil
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
	Off         string `json:"off" doc:"by how many inches a fraction is rounded, as .011; empty where none is"`
	Given       string `json:"given" doc:"as a field holds it and somebody gave it: never rounded to the job's fraction"`
	Fine        string `json:"fine" doc:"as a caliper reads it, to 0.01 mm or .001 in, never a fraction"`
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
	given, err := d.Given(r.MM)
	if err != nil {
		return FormatAnswer{}, working.Refuse("/mm", "Not shown: %v.", err)
	}
	return FormatAnswer{w.Text, w.Negative, w.Feet, w.Whole, w.Numerator, w.Denominator, string(w.Lies), w.Off, given, d.Fine(r.MM)}, nil
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

// UsualRequest of length.usual.
type UsualRequest struct {
	MM []float64 `json:"mm" doc:"usual metric sizes; 200 at most"`
}

// UsualAnswer of length.usual.
type UsualAnswer struct {
	MM []float64 `json:"mm" doc:"what an inch shop says for each, on quarters or thirty-seconds of an inch"`
}

func usualLengths(r UsualRequest) (UsualAnswer, error) {
	if len(r.MM) > 200 {
		return UsualAnswer{}, working.Refuse("/mm", "At most 200 sizes are asked for at once, and these are %d.", len(r.MM))
	}
	out := UsualAnswer{MM: []float64{}}
	for _, mm := range r.MM {
		out.MM = append(out.MM, quantity.InchSize(mm))
	}
	return out, nil
}
