package weld

import (
	"fmt"
	"math"

	"warmanvil/core/solid"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// InsteadInput is spots that are drilled out, and plugs in their places.
type InsteadInput struct {
	Sides  [2]SeamSide   `json:"sides"`
	Spot   float64       `json:"spot" doc:"mm, across a spot; 5·√t when 0"`
	Plug   float64       `json:"plug" doc:"mm, across a plug; the smallest of Sizes that carries as much when 0"`
	Sizes  []float64     `json:"sizes" doc:"mm, plugs to choose from, smallest first"`
	Filler string        `json:"filler,omitempty"`
	Rule   strength.Rule `json:"rule"`
}

// InsteadResult is what one of each may take.
type InsteadResult struct {
	Spot    float64         `json:"spot" doc:"N, in shear"`
	Plug    float64         `json:"plug" doc:"N"`
	Across  float64         `json:"across" doc:"mm, of the plug"`
	Enough  bool            `json:"enough" doc:"a plug for a spot is enough"`
	Many    float64         `json:"many" doc:"plugs for each spot, so that they carry as much"`
	Working working.Working `json:"working"`
}

// Instead answers whether a plug takes the place of a spot: by the checks of both, in shear. It fails with
// *working.Fault, and where nobody can say what either takes.
func Instead(in InsteadInput) (out InsteadResult, err error) {
	thin := math.Min(in.Sides[0].Thickness, in.Sides[1].Thickness)
	if in.Spot == 0 {
		in.Spot = 5 * math.Sqrt(math.Max(thin, 0))
	}
	one := func(form Form, across float64) (float64, error) {
		ask := SeamsAsk{Filler: in.Filler, Rule: in.Rule, Cases: []SeamsCase{{Name: "sheared", Force: solid.Vector{1000}}},
			Seams: []Seam{{ID: string(form), Form: form, Across: across, Path: []solid.Vector{{}}, Sides: in.Sides}}}
		for k := range ask.Seams[0].Sides {
			ask.Seams[0].Sides[k].Normal = solid.Vector{0, 0, 1}
		}
		r, err := Hold(ask)
		if err != nil {
			return 0, err
		}
		for _, c := range r.Checks {
			if c.Verdict == strength.CannotSay && c.Key != "fatigue" {
				return 0, working.Refuse("/sides", "What one %s takes nobody can say. %s", form, c.Why)
			}
		}
		if r.Hardest == nil || *r.Hardest <= 0 {
			return 0, working.Refuse("/sides", "What one %s takes nobody can say.", form)
		}
		return 1000 / *r.Hardest, nil
	}
	if out.Spot, err = one(SpotForm, in.Spot); err != nil {
		return out, err
	}
	sizes := in.Sizes
	if in.Plug > 0 {
		sizes = []float64{in.Plug}
	}
	if len(sizes) == 0 {
		return out, working.Refuse("/sizes", "Say how wide plugs are drilled.")
	}
	for _, across := range sizes {
		if out.Plug, err = one(PlugForm, across); err != nil {
			return out, err
		}
		if out.Across = across; out.Plug >= out.Spot {
			break
		}
	}
	out.Enough = out.Plug >= out.Spot
	out.Many = math.Max(1, math.Ceil(out.Spot/out.Plug-1e-9))
	newton := func(symbol, name string, v float64) working.Quantity {
		return working.Quantity{Symbol: symbol, Name: name, Value: v, Unit: "N"}
	}
	out.Working = working.Working{Method: "A plug in place of a spot", Source: "AISI S100 J2.6 of the spot, J2.2 and AISC 360 J2.4 " +
		"of the plug",
		Formula: "n = ⌈spot / plug⌉",
		Inputs: []working.Quantity{working.MM("t", "thinner of both", thin), working.MM("ds", "across a spot", in.Spot),
			working.MM("dp", "across a plug", out.Across)},
		Steps: []working.Quantity{newton("Rs", "a spot may take", out.Spot), newton("Rp", "a plug may take", out.Plug)},
		Assumptions: []string{"both sound, in shear alone; a spot whose size nobody measured is 5·√t across",
			fmt.Sprintf("one for each spot at its place, %.0f for each where one is not enough", out.Many)},
		Result: working.Quantity{Symbol: "n", Name: "plugs for a spot", Value: out.Many}}
	return out, nil
}
