package survey

import (
	"math"

	"warmanvil/core/working"
)

// RailsInput is two supports that something slides on or is clamped to.
type RailsInput struct {
	Long    float64 `json:"long" doc:"mm, between the places measured along them"`
	Heights Corners `json:"heights" doc:"mm, of both ends of both, up positive"`
	Front   float64 `json:"front" doc:"mm, from one to the other at the front"`
	Rear    float64 `json:"rear" doc:"mm, the same at the rear"`
	Rock    float64 `json:"rock" doc:"mm, that the fourth corner may be off the plane of the other three: what slide or clamp gives"`
	Play    float64 `json:"play" doc:"mm, that they may be nearer or farther at one end: what a slide has to the sides"`
}

// RailsResult is whether they lie in one plane and parallel.
type RailsResult struct {
	Off      float64         `json:"off" doc:"mm, the fourth corner over the plane of the other three"`
	Twist    float64         `json:"twist" doc:"degrees, one against the other"`
	Spread   float64         `json:"spread" doc:"mm, farther apart at the front"`
	Splay    float64         `json:"splay" doc:"degrees they run apart"`
	Pack     float64         `json:"pack" doc:"mm under the lower of two corners across, that they lie in a plane"`
	Where    string          `json:"where" doc:"the corners packed"`
	Coplanar bool            `json:"coplanar"`
	Parallel bool            `json:"parallel"`
	Says     string          `json:"says"`
	Working  working.Working `json:"working"`
}

// Rails answers whether two supports lie in one plane and run parallel, by what slides on them. It fails with
// *working.Fault.
func Rails(in RailsInput) (r RailsResult, err error) {
	if err := working.First(working.Above("/long", "Their length", in.Long, 0, 1e5, "mm"),
		working.Above("/front", "What is between them at the front", in.Front, 0, 1e5, "mm"),
		working.Above("/rear", "What is between them at the rear", in.Rear, 0, 1e5, "mm"),
		working.Within("/rock", "What it may be off the plane", in.Rock, 0, 1000, "mm"),
		working.Within("/play", "The play", in.Play, 0, 1000, "mm")); err != nil {
		return r, err
	}
	h := in.Heights
	for _, v := range h.list() {
		if err := working.Within("/heights", "A height", v, -1e5, 1e5, "mm"); err != nil {
			return r, err
		}
	}
	r.Off = h.FrontLeft - h.FrontRight - h.RearLeft + h.RearRight
	r.Twist = (math.Atan((h.FrontLeft-h.RearLeft)/in.Long) - math.Atan((h.FrontRight-h.RearRight)/in.Long)) * 180 / math.Pi
	r.Spread = in.Front - in.Rear
	r.Splay = math.Asin(math.Max(-1, math.Min(1, r.Spread/in.Long))) * 180 / math.Pi
	r.Coplanar, r.Parallel = math.Abs(r.Off) <= in.Rock+1e-9, math.Abs(r.Spread) <= in.Play+1e-9
	r.Pack, r.Where = math.Abs(r.Off)/2, "front right and rear left"
	if r.Off < 0 {
		r.Where = "front left and rear right"
	}
	r.Says = map[[2]bool]string{{true, true}: "in one plane and parallel", {true, false}: "in one plane, not parallel",
		{false, true}: "parallel, not in one plane", {false, false}: "neither in one plane nor parallel"}[[2]bool{r.Coplanar, r.Parallel}]
	r.Working = working.Working{Method: "Two supports in one plane", Source: "a plane goes through three of four corners; the " +
		"fourth is off it",
		Formula: "off = FL − FR − RL + RR; spread = front − rear",
		Inputs: []working.Quantity{working.MM("L", "along", in.Long), working.MM("FL", "front left", h.FrontLeft),
			working.MM("FR", "front right", h.FrontRight), working.MM("RL", "rear left", h.RearLeft), working.MM("RR", "rear "+
				"right", h.RearRight),
			working.MM("front", "between them at the front", in.Front), working.MM("rear", "between them at the rear", in.Rear)},
		Steps: []working.Quantity{working.MM("spread", "farther apart at the front", r.Spread),
			working.MM("p", "packed under two corners across, half of it each", r.Pack)},
		Assumptions: []string{"both straight; heights from one level, at the places what slides rests on"},
		Result:      working.MM("off", "the fourth corner off the plane", r.Off)}
	return r, nil
}
