package weld

import (
	"fmt"
	"math"
	"strings"

	"warmanvil/core/working"
)

// LookInput is what a gauge and the eye say of a seam.
type LookInput struct {
	Class    string   `json:"class" enum:"B,C,D" doc:"of ISO 5817: B the strictest"`
	Thick    float64  `json:"thick" doc:"mm, the thinner of what is joined"`
	Leg      float64  `json:"leg,omitempty" doc:"mm, leg that is needed; 0 of a butt"`
	Throat   float64  `json:"throat,omitempty" doc:"mm, throat that is needed; by the leg when left out"`
	GotLeg   *float64 `json:"gotLeg,omitempty" doc:"mm, smaller of its two legs, by gauge"`
	GotDeep  *float64 `json:"gotThroat,omitempty" doc:"mm, throat by gauge"`
	Undercut *float64 `json:"undercut,omitempty" doc:"mm, deepest"`
	Pore     *float64 `json:"pore,omitempty" doc:"mm, across the largest"`
	Overlap  bool     `json:"overlap,omitempty" doc:"it lies on the plate without melting in"`
	Crack    bool     `json:"crack,omitempty"`
	Crater   bool     `json:"crater,omitempty" doc:"its end is left hollow"`
}

// LookResult says whether it passes.
type LookResult struct {
	Passes  bool            `json:"passes"`
	Open    bool            `json:"open" doc:"not all of it was looked at"`
	Says    string          `json:"says" doc:"passes, does not pass, still open"`
	Do      string          `json:"do" doc:"what is done, or looked at yet"`
	Deep    float64         `json:"deep" doc:"mm, undercut its class allows"`
	Wide    float64         `json:"wide" doc:"mm, pore its class allows"`
	Faults  []string        `json:"faults" doc:"what does not pass, and what is done"`
	Working working.Working `json:"working"`
}

// looked are the limits of ISO 5817 by class: undercut and pores by thickness and at most, mm.
var looked = map[string]struct{ undercut, undercutMost, pore, poreMost float64 }{
	"B": {.05, .5, .2, 3}, "C": {.1, .5, .3, 4}, "D": {.2, 1, .4, 5}}

// Look sets a seam as it was looked at against what it must be. It fails with *working.Fault.
func Look(in LookInput) (LookResult, error) {
	limit, is := looked[in.Class]
	if !is {
		return LookResult{}, working.Refuse("/class", "Say by which class of ISO 5817 it is looked at: B, C or D.")
	}
	size := func(at, what string, v *float64) error {
		if v == nil {
			return nil
		}
		return working.Within(at, what, *v, 0, 100, "mm")
	}
	if err := working.First(working.Above("/thick", "The thinner part", in.Thick, 0, mostThick, "mm"),
		working.Within("/leg", "The leg that is needed", in.Leg, 0, 100, "mm"), working.Within("/throat", "The throat that is "+
			"needed", in.Throat, 0,
			100, "mm"), size("/gotLeg", "The leg", in.GotLeg), size("/gotThroat", "The throat", in.GotDeep),
		size("/undercut", "The undercut", in.Undercut), size("/pore", "The pore", in.Pore)); err != nil {
		return LookResult{}, err
	}
	out := LookResult{Faults: []string{}}
	fault := func(format string, args ...any) { out.Faults = append(out.Faults, fmt.Sprintf(format, args...)) }
	need := in.Throat
	if need == 0 {
		need = in.Leg * Throat
	}
	undercut, pore := math.Min(limit.undercut*in.Thick, limit.undercutMost), math.Min(limit.pore*in.Thick, limit.poreMost)
	if in.GotLeg != nil && in.Leg > 0 && *in.GotLeg < in.Leg-1e-9 {
		fault("its leg is smaller than needed: lay another run over it, the whole of it cleaned bright")
	}
	if in.GotDeep != nil && need > 0 && *in.GotDeep < need-1e-9 {
		fault("its throat is less than needed, it is hollow: lay another run over it")
	}
	if in.Undercut != nil && *in.Undercut > undercut+1e-9 {
		fault("undercut deeper than its class allows: fill it with a thin run, or grind it out and weld it anew")
	}
	if in.Pore != nil && *in.Pore > pore+1e-9 {
		fault("pores larger than its class allows: grind them out to sound metal and weld it anew; look at gas, dirt and draught first")
	}
	if in.Overlap && in.Class != "D" {
		fault("it lies on the plate without melting in: cold. Grind it off, more current, and a coupon first")
	} else if in.Overlap {
		fault("it lies on the plate without melting in: what lies on counts for nothing, measure the leg beside it")
	}
	if in.Crack {
		fault("a crack: grind out all of it and what is beside it, find out why, and weld it anew. Nothing is laid over a crack")
	}
	if in.Crater && in.Class == "B" {
		fault("its end is hollow: fill it, cracks start there")
	}
	out.Open = in.GotLeg == nil && in.GotDeep == nil || in.Undercut == nil
	out.Passes = len(out.Faults) == 0 && !out.Open
	out.Deep, out.Wide = undercut, pore
	switch {
	case len(out.Faults) > 0:
		out.Says, out.Do = "does not pass", strings.Join(out.Faults, "; ")
	case out.Open:
		out.Says, out.Do = "still open", "look at its leg or throat by gauge, and at its undercut"
	default:
		out.Says, out.Do = "passes", "nothing more"
	}
	out.Working = working.Working{Method: "A seam as it was looked at", Source: "ISO 5817, limits by class; sizes as they are needed here",
		Formula: "undercut ≤ k·t, pore ≤ k·t, both at most; leg and throat no less than needed; no crack in any class",
		Inputs: []working.Quantity{working.MM("t", "thinner part", in.Thick), working.MM("leg", "leg that is needed", in.Leg),
			working.MM("a", "throat that is needed", need)},
		Steps:       []working.Quantity{working.MM("u", "undercut allowed", undercut), working.MM("p", "pore allowed", pore)},
		Assumptions: []string{"class " + in.Class, "what is inside is not seen: only a cut, a bend or a test of it shows that"},
		Result:      working.Quantity{Symbol: "n", Name: "things that do not pass", Value: float64(len(out.Faults))}}
	return out, nil
}
