package survey

import (
	"math"

	"warmanvil/core/working"
)

// BubbleInput is what a level or an angle gauge shows, and the length it is wanted over.
type BubbleInput struct {
	Angle       float64 `json:"angle,omitempty" doc:"degrees, of a gauge that shows them"`
	Graduations float64 `json:"graduations,omitempty" doc:"lines the bubble is off its middle, of a level"`
	Each        float64 `json:"each,omitempty" doc:"mm in a metre that a line of the level is worth"`
	Length      float64 `json:"length" doc:"mm, over which the rise is wanted"`
}

// BubbleResult is that as a rise.
type BubbleResult struct {
	Rise    float64         `json:"rise" doc:"mm, of one end over the other"`
	Angle   float64         `json:"angle" doc:"degrees"`
	Slope   float64         `json:"slope" doc:"mm in a metre"`
	Working working.Working `json:"working"`
}

// Bubble answers how far one end stands over the other, by degrees or by a level's lines. It fails with *working.Fault.
func Bubble(in BubbleInput) (r BubbleResult, err error) {
	if err := working.First(working.Above("/length", "The length", in.Length, 0, 1e5, "mm"),
		working.Within("/angle", "The angle", in.Angle, -89, 89, "°"), working.Within("/graduations", "Lines", in.Graduations, -20, 20, ""),
		working.Within("/each", "What a line is worth", in.Each, 0, 100, "mm in a metre")); err != nil {
		return r, err
	}
	switch {
	case in.Angle != 0 && in.Graduations != 0:
		return r, working.Refuse("/graduations", "Give degrees or the level's lines, not both.")
	case in.Graduations != 0 && in.Each == 0:
		return r, working.Refuse("/each", "Say what a line of the level is worth, mm in a metre: it stands on it, 0.5 for most.")
	}
	w := working.Working{Method: "Rise over a length", Inputs: []working.Quantity{working.MM("L", "over", in.Length)},
		Assumptions: []string{"straight in between", "the gauge was turned end for end and showed the same"}}
	if in.Graduations != 0 {
		r.Slope = in.Graduations * in.Each
		r.Angle = math.Atan(r.Slope/1000) * 180 / math.Pi
		w.Source, w.Formula = "what a line of the level is worth", "h = lines · each · L / 1000"
		w.Inputs = append(w.Inputs, working.Quantity{Symbol: "lines", Name: "off its middle", Value: in.Graduations},
			working.Quantity{Symbol: "each", Name: "a line, mm in a metre", Value: in.Each})
	} else {
		r.Angle = in.Angle
		r.Slope = 1000 * math.Tan(in.Angle*math.Pi/180)
		w.Source, w.Formula = "a right-angled triangle", "h = L · tan α"
		w.Inputs = append(w.Inputs, working.Quantity{Symbol: "α", Name: "shown", Value: in.Angle, Unit: "°"})
	}
	r.Rise = r.Slope / 1000 * in.Length
	w.Result = working.MM("h", "one end over the other", r.Rise)
	r.Working = w
	return r, nil
}
