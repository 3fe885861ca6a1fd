package weld

import "warmanvil/core/working"

// HeatInput is how a run is laid.
type HeatInput struct {
	Volts      float64 `json:"volts" doc:"V at the arc"`
	Amps       float64 `json:"amps" doc:"A"`
	Speed      float64 `json:"speed" doc:"mm/min"`
	Efficiency float64 `json:"efficiency" doc:"share that goes into the work: 0.8 with wire or rod, 0.6 with tungsten"`
}

// HeatResult is the heat of a millimetre.
type HeatResult struct {
	Gross   float64         `json:"gross" doc:"kJ/mm"`
	Net     float64         `json:"net" doc:"kJ/mm, that goes into the work"`
	Working working.Working `json:"working"`
}

// Heat works out the heat of a run. It fails with *working.Fault.
func Heat(in HeatInput) (HeatResult, error) {
	if err := working.First(working.Above("/volts", "The volts", in.Volts, 0, 100, "V"),
		working.Above("/amps", "The amps", in.Amps, 0, 2000, "A"),
		working.Above("/speed", "The speed", in.Speed, 0, 1e4, "mm/min"),
		working.Above("/efficiency", "The share that goes in", in.Efficiency, 0, 1, "")); err != nil {
		return HeatResult{}, err
	}
	gross := 60 * in.Volts * in.Amps / (1000 * in.Speed)
	out := HeatResult{Gross: gross, Net: gross * in.Efficiency}
	out.Working = working.Working{Method: "Heat of a run", Source: "EN 1011-1: arc energy; net by process", Formula: "q = η·60·U·I/(1000·v)",
		Inputs: []working.Quantity{{Symbol: "U", Name: "volts", Value: in.Volts, Unit: "V"},
			{Symbol: "I", Name: "amps", Value: in.Amps, Unit: "A"},
			{Symbol: "v", Name: "speed", Value: in.Speed, Unit: "mm/min"}, {Symbol: "η", Name: "share that goes in", Value: in.Efficiency}},
		Steps:  []working.Quantity{{Symbol: "gross", Name: "of the arc", Value: gross, Unit: "kJ/mm"}},
		Result: working.Quantity{Symbol: "q", Name: "into the work", Value: out.Net, Unit: "kJ/mm"}}
	return out, nil
}
