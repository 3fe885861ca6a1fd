package bolt

import (
	"math"

	"warmanvil/core/working"
)

// EngagementInput is a bolt in a threaded hole or nut.
type EngagementInput struct {
	Diameter    float64 `json:"diameter" doc:"mm"`
	Pitch       float64 `json:"pitch" doc:"mm"`
	BoltTensile float64 `json:"boltTensile" doc:"MPa, tensile strength of the bolt"`
	NutTensile  float64 `json:"nutTensile" doc:"MPa, tensile strength of what is threaded"`
}

// EngagementResult says how deep it must be screwed in.
type EngagementResult struct {
	Length  float64           `json:"length" doc:"mm, least engagement so that the bolt breaks before either thread strips"`
	Bolt    float64           `json:"bolt" doc:"mm, that the bolt's own thread needs"`
	Nut     float64           `json:"nut" doc:"mm, that the other thread needs"`
	Weaker  string            `json:"weaker" enum:"bolt,nut" doc:"which thread decides"`
	Pull    float64           `json:"pull" doc:"N, the bolt breaks at"`
	Working working.Working   `json:"working"`
	Checks  []working.Finding `json:"findings"`
}

// threadShear is the share of tensile strength at which a thread shears (FED-STD-H28).
const threadShear = .5

// Engagement answers the least length of engagement by FED-STD-H28/2 with the
// basic profile: the bolt's thread shears at the nut's minor diameter D1, the
// nut's at the bolt's major diameter d. It fails with *working.Fault.
func Engagement(in EngagementInput) (EngagementResult, error) {
	err := working.First(
		working.Above("/diameter", "The diameter", in.Diameter, 0, 100, "mm"),
		working.Above("/pitch", "The pitch", in.Pitch, 0, 20, "mm"),
		working.Above("/boltTensile", "The bolt's tensile strength", in.BoltTensile, 0, 3000, "MPa"),
		working.Above("/nutTensile", "The nut's tensile strength", in.NutTensile, 0, 3000, "MPa"))
	if err != nil {
		return EngagementResult{}, err
	}
	d, p := in.Diameter, in.Pitch
	minor, mean := d-1.082532*p, d-.649519*p
	if minor <= 0 {
		return EngagementResult{}, working.Refuse("/pitch",
			"A pitch of %g mm leaves nothing of a bolt of %g mm: pitch is mm from thread to thread.", p, d)
	}
	core := d - .9382*p
	area := math.Pi / 4 * core * core
	// Shear areas of a millimetre of engagement, basic profile.
	ofBolt := math.Pi / p * minor * (p/2 + (mean-minor)/math.Sqrt(3))
	ofNut := math.Pi / p * d * (p/2 + (d-mean)/math.Sqrt(3))
	r := EngagementResult{Pull: in.BoltTensile * area, Weaker: "bolt", Checks: []working.Finding{}}
	r.Bolt = area / (threadShear * ofBolt)
	r.Nut = r.Pull / (threadShear * in.NutTensile * ofNut)
	r.Length = r.Bolt
	if r.Nut > r.Bolt {
		r.Length, r.Weaker = r.Nut, "nut"
	}
	if r.Length > 2.5*d {
		r.Checks = append(r.Checks, working.Finding{Code: "engagement-deep", Severity: working.Mind, Cause: "Threads",
			Reason: "Past two and a half diameters further threads carry little: set a threaded insert, put a nut behind, or take a weaker bolt."})
	}
	r.Working = working.Working{Method: "Least thread engagement",
		Source:  "FED-STD-H28/2 shear areas with the basic profile; threads shear at half their tensile strength",
		Formula: "L = As·Rm / (0.5·Rm'·A'), A'bolt = π/P·D1·(P/2 + (d2 − D1)/√3), A'nut = π/P·d·(P/2 + (d − D2)/√3)",
		Inputs: []working.Quantity{{Symbol: "d", Name: "diameter", Value: d, Unit: "mm"}, {Symbol: "P", Name: "pitch", Value: p, Unit: "mm"},
			{Symbol: "Rm", Name: "bolt, tensile", Value: in.BoltTensile, Unit: "MPa"},
			{Symbol: "Rm'", Name: "nut, tensile", Value: in.NutTensile, Unit: "MPa"}},
		Steps: []working.Quantity{{Symbol: "As", Name: "stress area", Value: area, Unit: "mm²"},
			{Symbol: "A'bolt", Name: "shear area of the bolt's thread per mm", Value: ofBolt, Unit: "mm²/mm"},
			{Symbol: "A'nut", Name: "of the nut's", Value: ofNut, Unit: "mm²/mm"},
			{Symbol: "Lb", Name: "the bolt's thread needs", Value: r.Bolt, Unit: "mm"},
			{Symbol: "Ln", Name: "the nut's thread needs", Value: r.Nut, Unit: "mm"}},
		Result: working.Quantity{Symbol: "L", Name: "least engagement", Value: r.Length, Unit: "mm"},
		Assumptions: []string{"full threads: the runout and a countersink at the hole's mouth do not count",
			"tolerances of the threads are not taken off: add a pitch"}}
	return r, nil
}
