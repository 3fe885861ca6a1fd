package weld

import (
	"math"

	"warmanvil/core/working"
)

// FilletInput is what a fillet shall take.
type FilletInput struct {
	Peak      float64 `json:"peak" doc:"N/mm of its length"`
	Electrode float64 `json:"electrode" doc:"MPa, tensile strength of the weld metal"`
	Thinner   float64 `json:"thinner" doc:"mm, the thinner of what it joins"`
	Thicker   float64 `json:"thicker" doc:"mm, the thicker"`
}

// FilletResult is its leg and between what that may lie.
type FilletResult struct {
	Leg       float64           `json:"leg" doc:"mm, that takes it"`
	Smallest  float64           `json:"smallest" doc:"mm, by the thinner part"`
	Largest   float64           `json:"largest" doc:"mm, along the edge of the thinner part"`
	Allowable float64           `json:"allowable" doc:"MPa on the throat"`
	Working   working.Working   `json:"working"`
	Findings  []working.Finding `json:"findings"`
}

// Throat is the throat of a fillet of leg 1 between faces at right angles.
const Throat = math.Sqrt2 / 2

// SmallestLeg answers the least leg of a fillet by the thinner part, mm (AISC 360 Table J2.4).
func SmallestLeg(thinner float64) float64 {
	switch {
	case thinner <= 6:
		return 3
	case thinner <= 13:
		return 5
	case thinner <= 19:
		return 6
	}
	return 8
}

// LargestLeg answers the largest leg along the edge of a plate, mm (AISC 360 J2.2b).
func LargestLeg(thick float64) float64 {
	if thick < 6 {
		return thick
	}
	return thick - 2
}

// Fillet answers the leg that takes a flow. It fails with *working.Fault.
func Fillet(in FilletInput) (FilletResult, error) {
	if err := working.First(working.Within("/peak", "What it shall take", in.Peak, 0, 1e7, "N/mm"), electrode(in.Electrode),
		thicknesses(in.Thinner, in.Thicker)); err != nil {
		return FilletResult{}, err
	}
	out := FilletResult{Allowable: .3 * in.Electrode, Smallest: SmallestLeg(in.Thinner), Largest: LargestLeg(in.Thinner),
		Findings: []working.Finding{}}
	out.Leg = in.Peak / (Throat * out.Allowable)
	say := func(severity working.Severity, code, reason string) {
		out.Findings = append(out.Findings, working.Finding{Code: code, Severity: severity, Cause: "Welds", Reason: reason})
	}
	if out.Smallest > out.Largest {
		out.Smallest = out.Largest
		say(working.Mind, "fillet-sheet", "On a part this thin sheet rules govern (AWS D1.3): a leg as large as the sheet is thick.")
	}
	if out.Leg > out.Largest {
		say(working.Mind, "fillet-large", "Along the edge of the thinner part no leg that large can be laid: weld more of it, or both sides.")
	}
	out.Working = working.Working{Method: "Leg of a fillet", Source: "AISC 360 J2.4, Ω 2.00; least and largest leg J2.2b, Table J2.4",
		Formula: "leg = f / (0.7071 · 0.30 · FEXX)",
		Inputs: []working.Quantity{perMM("f", "asked", in.Peak), {Symbol: "FEXX", Name: "weld metal, tensile", Value: in.Electrode, Unit: "MPa"},
			working.MM("t", "thinner part", in.Thinner)},
		Steps: []working.Quantity{{Symbol: "allow", Name: "may be used on the throat", Value: out.Allowable, Unit: "MPa"},
			working.MM("least", "least leg", out.Smallest), working.MM("most", "largest leg along an edge", out.Largest)},
		Assumptions: []string{"faces at right angles, steel, weld metal that matches", "the base metal beside it is not asked here"},
		Result:      working.MM("leg", "leg", out.Leg)}
	return out, nil
}

func electrode(v float64) error {
	return working.Within("/electrode", "The weld metal's tensile strength", v, 50, 1000, "MPa")
}

func thicknesses(thinner, thicker float64) error {
	if err := working.First(working.Above("/thinner", "The thinner part", thinner, 0, mostThick, "mm"),
		working.Above("/thicker", "The thicker part", thicker, 0, mostThick, "mm")); err != nil {
		return err
	}
	if thinner > thicker {
		return working.Refuse("/thinner", "The thinner part, %g mm, is thicker than the thicker one, %g mm: change them over.", thinner, thicker)
	}
	return nil
}
