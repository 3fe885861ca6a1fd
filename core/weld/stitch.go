package weld

import (
	"fmt"
	"math"

	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// StitchInput is a flow that stitches of fillet shall take.
type StitchInput struct {
	Load      float64  `json:"load" doc:"N/mm of the joint"`
	Leg       float64  `json:"leg" doc:"mm"`
	Electrode float64  `json:"electrode" doc:"MPa, tensile strength of the weld metal"`
	Thinner   float64  `json:"thinner" doc:"mm, the thinner of what is joined"`
	Thicker   float64  `json:"thicker" doc:"mm, the thicker"`
	Tensile   *float64 `json:"tensile,omitempty" doc:"MPa, of what is joined; 400 when left out"`
	Yield     *float64 `json:"yield,omitempty" doc:"MPa, of what is joined; 250 when left out"`
}

// StitchResult is the shortest pattern that takes it.
type StitchResult struct {
	Continuous bool              `json:"continuous" doc:"no pattern takes it: weld it all along"`
	Pattern    string            `json:"pattern" enum:"in stitches,all along,nothing takes it"`
	Length     *float64          `json:"length" doc:"mm, of each stitch; null all along"`
	Pitch      *float64          `json:"pitch" doc:"mm, from middle to middle; null all along"`
	Share      float64           `json:"share" doc:"load over what the pattern takes; over 1 nothing of this leg takes it"`
	Working    working.Working   `json:"working"`
	Findings   []working.Finding `json:"findings"`
}

const (
	leastLegs = 4. // a seam shorter than so many legs is not counted (AISC 360 J2.2b)
	// LeastCounted is the shortest run of weld on plate that counts, mm.
	LeastCounted = 40.
	leastSheet   = 19.   // mm, on sheet (AWS D1.3)
	longestClear = 300.  // mm between stitches (AISC 360 J3.5)
	clearByThick = 24.   // thicknesses between them
	mostStitch   = 1000. // mm: a longer stitch is no stitch
)

// FlowOf answers what a millimetre of fillet takes in the allowable school, N/mm: of its throat, and of the base
// metal beside it; on sheet by sheet rules, whichever way the load runs.
func FlowOf(leg, metal, thinner, tensile, yield float64) (throat, base float64, says string) {
	throat = .3 * metal * Throat * leg
	if thinner < SheetTo {
		base = .75 * thinner * tensile / sheetLong.Omega
		if thinner > ThroatFrom {
			throat = math.Min(throat, .75*Throat*math.Min(leg, thinner)*metal/sheetThroat.Omega)
		}
		return throat, base, "sheet under 4.8 mm: 0.75·t·Fu, Ω 3.05, whichever way the load runs"
	}
	base = math.Min(.6*tensile*thinner/strength.Rupture.Omega, .6*yield*thinner/1.5)
	return throat, base, "base metal 0.60·Fu·t, Ω 2.00, and 0.60·Fy·t, Ω 1.50"
}

// ClearOf answers how far stitches may be apart clear of each other, mm.
func ClearOf(thinner, yield float64) float64 {
	return math.Min(longestClear, math.Min(clearByThick, .75*math.Sqrt(2e5/yield))*thinner)
}

// Stitch answers the shortest weld that takes a flow: stitches as far apart as they may be and as short as
// they take it, whole millimetres. It fails with *working.Fault.
func Stitch(in StitchInput) (StitchResult, error) {
	tensile, yield := 400., 250.
	if in.Tensile != nil {
		tensile = *in.Tensile
	}
	if in.Yield != nil {
		yield = *in.Yield
	}
	if err := working.First(working.Within("/load", "What it shall take", in.Load, 0, 1e7, "N/mm"),
		working.Above("/leg", "The leg", in.Leg, 0, 100, "mm"), electrode(in.Electrode), thicknesses(in.Thinner, in.Thicker),
		working.Within("/tensile", "The tensile strength", tensile, 50, 2000, "MPa"),
		working.Within("/yield", "The yield", yield, 20, 2000, "MPa")); err != nil {
		return StitchResult{}, err
	}
	throat, base, says := FlowOf(in.Leg, in.Electrode, in.Thinner, tensile, yield)
	flow := math.Min(throat, base)
	clear := math.Floor(ClearOf(in.Thinner, yield))
	least := math.Max(leastLegs*in.Leg, LeastCounted)
	if in.Thinner < SheetTo {
		least = math.Max(leastLegs*in.Leg, leastSheet)
	}
	lost := 2 * in.Leg
	long := math.Ceil(math.Max(least, (in.Load*clear+lost*flow)/(flow-in.Load)) - 1e-9)
	out := StitchResult{Pattern: "in stitches", Findings: []working.Finding{}}
	if in.Load < flow && clear >= 1 && long <= mostStitch {
		pitch := long + clear
		out.Length, out.Pitch, out.Share = &long, &pitch, in.Load*pitch/(flow*(long-lost))
	} else {
		out.Continuous, out.Share, out.Pattern = true, in.Load/flow, "all along"
	}
	if out.Share > 1 {
		out.Pattern = "nothing takes it"
		out.Findings = append(out.Findings, working.Finding{Code: "weld-over", Severity: working.Stop, Cause: "Welds",
			Reason: "Welded all along it does not take that: a larger leg, both sides, or thicker parts."})
	}
	if in.Leg > in.Thinner+1e-9 {
		out.Findings = append(out.Findings, working.Finding{Code: "leg-thick", Severity: working.Mind, Cause: "Welds",
			Reason: fmt.Sprintf("A leg of %g mm on a part of %g mm: along its edge no leg larger than the part can be laid.", in.Leg,
				in.Thinner)})
	}
	out.Working = working.Working{Method: "Stitches that take a flow", Source: "AISC 360 J2.2b, J2.4, J3.5; E6.2 for the clear gap where it " +
		"is pressed; AISI S100 J2.4 and AWS D1.3 under 4.8 mm",
		Formula: "(length − 2·leg)/pitch · least(throat, base) ≥ load; clear gap ≤ 0.75·√(E/Fy)·t, 24·t, 300 mm",
		Inputs: []working.Quantity{perMM("load", "asked", in.Load), working.MM("leg", "leg", in.Leg),
			{Symbol: "FEXX", Name: "weld metal, tensile", Value: in.Electrode, Unit: "MPa"}, working.MM("t", "thinner part", in.Thinner),
			{Symbol: "Fu", Name: "base metal, tensile", Value: tensile, Unit: "MPa"}, {Symbol: "Fy", Name: "yield", Value: yield, Unit: "MPa"}},
		Steps: []working.Quantity{perMM("throat", "weld metal takes", throat), perMM("base", "base metal takes", base),
			working.MM("clear", "clear gap at most", clear), working.MM("least", "shortest stitch", least)},
		Assumptions: []string{says, "starts and stops, twice the leg of each stitch, do not carry", "what is joined may be pressed: the gap " +
			"between stitches is kept short enough not to buckle"},
		Result: working.Quantity{Symbol: "share", Name: "used", Value: out.Share}}
	if in.Tensile == nil || in.Yield == nil {
		out.Working.Assumptions = append(out.Working.Assumptions, "structural steel of 250 and 400 MPa where nobody said")
	}
	return out, nil
}
