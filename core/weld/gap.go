package weld

import (
	"fmt"
	"math"

	"warmanvil/core/working"
)

// GapInput is a gap that a fillet shall close.
type GapInput struct {
	Gap     float64 `json:"gap" doc:"mm, between what is welded, at its widest"`
	Leg     float64 `json:"leg" doc:"mm, that the seam takes without a gap"`
	Thinner float64 `json:"thinner" doc:"mm, the thinner of what is joined"`
}

// GapResult is what closes it.
type GapResult struct {
	Way      string            `json:"way" enum:"as it is,a larger leg,fit it again,a strip"`
	Leg      *float64          `json:"leg" doc:"mm, to lay over the gap; null where no leg makes up for it"`
	Most     float64           `json:"most" doc:"mm, the gap up to which it is welded as it is"`
	Bridged  float64           `json:"bridged" doc:"mm, the gap up to which a larger leg makes up for it; as most on sheet"`
	Strip    *float64          `json:"strip,omitempty" doc:"mm, thickness of the strip that bridges it, welded to both with seams of its own"`
	Rod      float64           `json:"rod" doc:"mm, rod for it"`
	Wire     float64           `json:"wire" doc:"mm, wire for it"`
	Working  working.Working   `json:"working"`
	Findings []working.Finding `json:"findings"`
}

// Gaps that a fillet on plate closes, mm (AWS D1.1 7.21.1: 3/16 in, the leg larger by the gap from 1/16 in on).
const (
	gapAsIs    = 1.6
	gapBridged = 4.8
)

var rods = []float64{1.6, 2, 2.5, 3.2, 4}

// rodFor answers the rod and wire for a thickness and a gap, mm (practice).
func rodFor(thick, gap float64) (rod, wire float64) {
	want := map[bool]float64{true: 1.6, false: 2}[thick <= 1.5]
	switch {
	case thick > 8:
		want = 4
	case thick > 4:
		want = 3.2
	case thick > 2.5:
		want = 2.5
	}
	want = math.Max(want, math.Min(gap, 4))
	rod = rods[len(rods)-1]
	for i := len(rods) - 1; i >= 0; i-- {
		if rods[i] >= want-1e-9 {
			rod = rods[i]
		}
	}
	switch {
	case thick <= 1:
		wire = .6
	case thick <= 3:
		wire = .8
	case thick <= 8:
		wire = 1
	default:
		wire = 1.2
	}
	return rod, wire
}

// Gap answers what closes a gap under a fillet of steel: never a slug laid into it. It fails with *working.Fault.
func Gap(in GapInput) (GapResult, error) {
	if err := working.First(working.Within("/gap", "The gap", in.Gap, 0, 100, "mm"), working.Above("/leg", "The leg", in.Leg, 0, 100, "mm"),
		working.Above("/thinner", "The thinner part", in.Thinner, 0, mostThick, "mm")); err != nil {
		return GapResult{}, err
	}
	out := GapResult{Way: "as it is", Most: gapAsIs, Bridged: gapBridged, Findings: []working.Finding{}}
	sheet := in.Thinner < SheetTo
	if sheet {
		out.Most = math.Min(in.Thinner/2, gapAsIs)
		out.Bridged = out.Most
	}
	leg := in.Leg
	out.Leg = &leg
	out.Rod, out.Wire = rodFor(in.Thinner, in.Gap)
	switch {
	case in.Gap <= out.Most+1e-9:
	case in.Gap <= out.Bridged+1e-9:
		out.Way, leg = "a larger leg", in.Leg+in.Gap
		if leg > LargestLeg(in.Thinner) {
			out.say(working.Mind, "gap-leg", fmt.Sprintf("A leg of %.4g mm is more than the edge of the thinner part takes, %.4g mm: only "+
				"where it is laid against a face, not along that edge.", leg, LargestLeg(in.Thinner)))
		}
	case sheet:
		out.Way, out.Leg = "fit it again", nil
		out.say(working.Mind, "gap-sheet", fmt.Sprintf("Sheet of %.4g mm burns away over %.4g mm of gap: fit it again, or let in a piece.",
			in.Thinner, out.Most))
	default:
		strip := math.Max(math.Ceil(in.Gap), 3)
		out.Way, out.Leg, out.Strip = "a strip", nil, &strip
		out.say(working.Mind, "gap-strip", "No leg makes up for it: cope it to fit, back it, or bridge it by a strip with seams of its own on "+
			"both sides. A rod or slug laid into the gap is no weld.")
	}
	out.Working = working.Working{Method: "Gap under a fillet", Source: "AWS D1.1 7.21.1 for plate; on sheet half its thickness (practice)",
		Formula: "to 1.6 mm as it is; to 4.8 mm leg + gap; beyond a strip. Under 4.8 mm of sheet: to t/2, no leg makes up for more",
		Inputs: []working.Quantity{working.MM("gap", "widest", in.Gap), working.MM("leg", "without a gap", in.Leg),
			working.MM("t", "thinner part", in.Thinner)},
		Steps:       []working.Quantity{working.MM("rod", "rod", out.Rod), working.MM("wire", "wire", out.Wire)},
		Assumptions: []string{"steel", "rod and wire by thickness and gap are practice: run a coupon first"},
		Result:      working.MM("most", "gap as it is", out.Most)}
	return out, nil
}

func (r *GapResult) say(severity working.Severity, code, reason string) {
	r.Findings = append(r.Findings, working.Finding{Code: code, Severity: severity, Cause: "Welds", Reason: reason})
}
