package weld

import (
	"fmt"
	"math"

	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// Ways a seam is laid.
const (
	MIG   = "mig"
	TIG   = "tig"
	Stick = "stick"
	Spot  = "spot"
)

// HowInput is a seam that is to be laid.
type HowInput struct {
	Process  string  `json:"process" enum:"mig,tig,stick,spot"`
	Family   string  `json:"family" enum:"steel,stainless,aluminum,galvanized" doc:"of what is joined"`
	Thinner  float64 `json:"thinner" doc:"mm"`
	Thicker  float64 `json:"thicker" doc:"mm"`
	Leg      float64 `json:"leg,omitempty" doc:"mm, of a fillet"`
	Gap      float64 `json:"gap,omitempty" doc:"mm"`
	Length   float64 `json:"length" doc:"mm, of one unbroken run"`
	Most     float64 `json:"most,omitempty" doc:"A, that the welder gives; not asked when left out"`
	Position string  `json:"position,omitempty" enum:"flat,horizontal,vertical,overhead"`
}

// HowResult is where to start with it.
type HowResult struct {
	Amps     float64           `json:"amps" doc:"A"`
	Rod      float64           `json:"rod" doc:"mm, rod"`
	Wire     float64           `json:"wire" doc:"mm, wire"`
	Tungsten float64           `json:"tungsten,omitempty" doc:"mm"`
	Gas      string            `json:"gas,omitempty"`
	Passes   int               `json:"passes"`
	Run      float64           `json:"run" doc:"mm, longest run before a pause"`
	Runs     int               `json:"runs" doc:"how many of them its length is"`
	Band     float64           `json:"band" doc:"mm, cleaned bright each side"`
	Findings []working.Finding `json:"findings"`
	Working  working.Working   `json:"working"`
}

// What starting points go by (practice): current by thickness, what one pass lays, the longest run.
const (
	ampsPerMM      = 40.
	ampsPerMMLight = 45. // aluminium
	ampsMost       = 220.
	ampsPerRod     = 40. // for each mm of the rod
	thinOnThick    = 1.75
	bandBright     = 20.
	bandZinc       = 50.
	shortArcTo     = 5. // mm of plate that short arcs from thin wire still melt into
)

// passArea is what one pass lays, mm².
var passArea = map[string]float64{MIG: 22, TIG: 14, Stick: 28, Spot: 1e9}

// longestRun is the longest run before a pause, mm, by the thinner of what is joined.
func longestRun(thinner float64, family string) float64 {
	long := 200.
	switch {
	case thinner < 1.2:
		long = 20
	case thinner < 2:
		long = 40
	case thinner < 3:
		long = 75
	case thinner < 6:
		long = 120
	}
	if family == string(stock.Stainless) { // it keeps its heat and draws half as much again
		long /= 2
	}
	return long
}

// How answers where to start with a seam. It fails with *working.Fault.
func How(in HowInput) (HowResult, error) {
	if err := working.First(working.Above("/thinner", "The thinner part", in.Thinner, 0, mostThick, "mm"),
		working.Within("/thicker", "The thicker part", in.Thicker, in.Thinner, mostThick, "mm"),
		working.Within("/leg", "The leg", in.Leg, 0, 100, "mm"), working.Within("/gap", "The gap", in.Gap, 0, 100, "mm"),
		working.Above("/length", "The run", in.Length, 0, mostPlace, "mm"),
		working.Within("/most", "What the welder gives", in.Most, 0, 2e4, "A")); err != nil {
		return HowResult{}, err
	}
	if passArea[in.Process] == 0 {
		return HowResult{}, working.Refuse("/process", "Say how it is laid: mig, tig, stick or spot.")
	}
	out := HowResult{Findings: []working.Finding{}, Passes: 1, Band: bandBright}
	light := in.Family == string(stock.Aluminum)
	out.Rod, out.Wire = rodFor(in.Thinner, in.Gap)
	per := ampsPerMM
	if light {
		per, out.Wire = ampsPerMMLight, math.Max(out.Wire, 1)
	}
	mean := (in.Thinner + math.Min(in.Thicker, 2*in.Thinner)) / 2 // a thick part takes heat away
	out.Amps = math.Min(per*mean, ampsMost)
	if in.Process == Stick {
		out.Rod = math.Max(out.Rod, 2)
		out.Amps = ampsPerRod * out.Rod
	}
	if area := in.Leg * in.Leg / 2 * crown; area > 0 {
		out.Passes = max(1, int(math.Ceil(area/passArea[in.Process]-1e-9)))
	}
	out.Run = longestRun(in.Thinner, in.Family)
	out.Runs = max(1, int(math.Ceil(in.Length/out.Run-1e-9)))
	out.Gas, out.Tungsten = gasFor(in.Process, in.Family), 0
	if in.Process == TIG {
		out.Tungsten = map[bool]float64{true: 1.6, false: 2.4}[out.Amps <= 100]
	}
	if in.Process == Spot {
		out.Rod, out.Wire, out.Gas = 0, 0, ""
	}
	if in.Family == string(stock.Galvanized) {
		out.Band = bandZinc
	}
	out.say(in, light)
	out.Working = working.Working{Method: "Where to start with a seam", Source: "practice of small shops: run a coupon first",
		Formula: "A = 40·mean thickness (aluminium 45; rods 40 for each mm of the rod); passes = 1.1·leg²/2 / area of a pass",
		Inputs: []working.Quantity{working.MM("t1", "thinner", in.Thinner), working.MM("t2", "thicker", in.Thicker),
			working.MM("leg", "leg", in.Leg), working.MM("L", "run", in.Length)},
		Steps: []working.Quantity{{Symbol: "n", Name: "passes", Value: float64(out.Passes)},
			working.MM("run", "longest run before a pause", out.Run)},
		Assumptions: []string{"a starting point, no setting: a coupon of the same two pieces, cut and etched or bent, decides",
			"of the thicker no more than twice the thinner counts"},
		Result: working.Quantity{Symbol: "A", Name: "current to start with", Value: out.Amps, Unit: "A"}}
	return out, nil
}

// gasFor answers the gas a process takes on a metal.
func gasFor(process, family string) string {
	switch {
	case process == Stick || process == Spot:
		return ""
	case process == TIG || family == string(stock.Aluminum):
		return "argon"
	case family == string(stock.Stainless):
		return "argon with 2 % carbon dioxide"
	}
	return "argon with 15 to 25 % carbon dioxide"
}

// say adds what is minded of a seam that is laid so.
func (out *HowResult) say(in HowInput, light bool) {
	mind := func(code string, severity working.Severity, format string, args ...any) {
		out.Findings = append(out.Findings, working.Finding{Code: code, Severity: severity, Cause: "Welding", Reason: fmt.Sprintf(format,
			args...)})
	}
	if in.Most > 0 && out.Amps > in.Most {
		mind("weld-current", working.Mind, "It wants about %.0f A, and the welder gives %.0f: bevel and lay several passes after a coupon "+
			"that was "+
			"cut and etched, preheat, or have it welded on a larger one.", out.Amps, in.Most)
	}
	if in.Process == MIG && in.Thicker > shortArcTo && !light {
		mind("cold-lap", working.Mind, "A short arc does not melt into plate this thick by itself: it lies on it and looks sound. Passes do "+
			"not cure "+
			"that. Bevel, set it hot, and cut and etch a coupon first.")
	}
	if in.Thicker > thinOnThick*in.Thinner {
		mind("thin-on-thick", working.Note, "Thin on thick, %.1f to 1: hold the arc on the thick one and let the puddle wash up to the thin "+
			"edge; a "+
			"copper bar behind that keeps it from burning away.", in.Thicker/in.Thinner)
	}
	switch {
	case light:
		mind("light-prep", working.Note, "Degrease first, then brush with a stainless brush that touches nothing else, and weld the same "+
			"day. No "+
			"chlorinated cleaner, before or near the arc: it makes phosgene.")
	case in.Family == string(stock.Galvanized):
		mind("zinc-band", working.Mind, "Strip the zinc a band each side first, with extraction and a respirator: its fume makes ill, and "+
			"it spoils "+
			"the weld. Coat the band again after.")
	}
	switch in.Position {
	case "overhead":
		mind("overhead", working.Mind, "Overhead: hot drops fall. Sleeves, cap and collar closed, nobody and nothing that burns below; turn "+
			"the work "+
			"if it can be turned, and 10 %% less current.")
	case "vertical":
		mind("vertical", working.Note, "Upright: upwards on plate, downwards on sheet only; 10 %% less current than flat.")
	}
}
