package load

import (
	"fmt"

	"warmanvil/core/working"
)

// TrailerItem is a mass on a trailer.
type TrailerItem struct {
	Mass float64 `json:"mass" doc:"kg"`
	X    float64 `json:"x" doc:"mm rearwards from the coupling"`
}

// TrailerInput is what is on a trailer and where its axles are.
type TrailerInput struct {
	Items []TrailerItem `json:"items"`
	Axles []float64     `json:"axles" doc:"mm rearwards from the coupling"`
}

// TrailerResult is what the axles and the coupling carry.
type TrailerResult struct {
	Total           float64           `json:"total" doc:"kg"`
	AxleLoad        float64           `json:"axleLoad" doc:"kg on all axles together"`
	NoseLoad        float64           `json:"noseLoad" doc:"kg on the coupling; negative lifts it"`
	NosePercent     float64           `json:"nosePercent" doc:"share of the total"`
	CentreOfGravity float64           `json:"centreOfGravity" doc:"mm rearwards from the coupling"`
	Wanted          []AxlePlace       `json:"wanted" doc:"where the middle of the axles gives the nose load either school wants"`
	Findings        []working.Finding `json:"findings"`
	Working         working.Working   `json:"working"`
}

// AxlePlace is where a school of nose load wants the axles, the masses staying
// where they are.
type AxlePlace struct {
	School string  `json:"school"`
	From   float64 `json:"from" doc:"mm rearwards from the coupling, for the least nose load of the school"`
	To     float64 `json:"to" doc:"mm, for its most"`
}

// noseSchools are shares of the total on the nose.
var noseSchools = []struct {
	name        string
	least, most float64
}{{"10 to 15 %", .10, .15}, {"4 to 7 %", .04, .07}}

// Trailer balances a trailer: several axles share alike about their middle. It
// fails with *working.Fault.
func Trailer(in TrailerInput) (TrailerResult, error) {
	if len(in.Items) == 0 || len(in.Items) > 500 {
		return TrailerResult{}, working.Refuse("/items", "A trailer takes from 1 to 500 masses, its own among them.")
	}
	if len(in.Axles) == 0 || len(in.Axles) > 6 {
		return TrailerResult{}, working.Refuse("/axles", "A trailer has from 1 to 6 axles.")
	}
	r := TrailerResult{Findings: []working.Finding{}}
	moment, axle := 0.0, 0.0
	for i, m := range in.Items {
		at := fmt.Sprintf("/items/%d", i)
		if err := working.First(working.Within(at+"/mass", "The mass", m.Mass, 0, 1e6, "kg"),
			working.Within(at+"/x", "The place", m.X, -1e5, 1e5, "mm")); err != nil {
			return TrailerResult{}, err
		}
		r.Total += m.Mass
		moment += m.Mass * m.X
	}
	for i, x := range in.Axles {
		if err := working.Above(fmt.Sprintf("/axles/%d", i), "The axle's place", x, 0, 1e5, "mm"); err != nil {
			return TrailerResult{}, err
		}
		axle += x / float64(len(in.Axles))
	}
	if r.Total <= 0 {
		return TrailerResult{}, working.Refuse("/items", "All masses are 0: there is nothing to balance.")
	}
	r.CentreOfGravity = moment / r.Total
	r.AxleLoad = moment / axle
	r.NoseLoad = r.Total - r.AxleLoad
	r.NosePercent = 100 * r.NoseLoad / r.Total
	r.Wanted = []AxlePlace{}
	for _, s := range noseSchools { // nose = total·(1 − xs/xa)
		if r.CentreOfGravity > 0 {
			r.Wanted = append(r.Wanted, AxlePlace{s.name, r.CentreOfGravity / (1 - s.least), r.CentreOfGravity / (1 - s.most)})
		}
	}
	say := func(code string, severity working.Severity, text string, args ...any) {
		r.Findings = append(r.Findings, working.Finding{Code: code, Severity: severity, Cause: "Nose load", Reason: fmt.Sprintf(text, args...)})
	}
	const who = "What the coupling and the towing vehicle allow, local rules and a licensed engineer decide."
	switch {
	case r.NoseLoad < 0:
		say("lifts", working.Stop, "The coupling is lifted by %.0f kg: the trailer will sway and can throw the towing vehicle. Move masses "+
			"forward or the axle rearward. %s", -r.NoseLoad, who)
	case r.NosePercent < 4:
		say("light-nose", working.Mind, "%.1f %% of the total is on the nose: less than either school asks for, it will sway. %s", r.NosePercent,
			who)
	case r.NosePercent > 15:
		say("heavy-nose", working.Mind, "%.1f %% of the total is on the nose: more than either school allows. %s", r.NosePercent, who)
	default:
		say("schools", working.Note, "One school wants 10 to 15 %% on the nose, the other 4 to 7 %% and never more than the coupling allows: "+
			"here it is %.1f %%. %s", r.NosePercent, who)
	}
	r.Working = working.Working{Method: "Trailer balance", Source: "moments about the coupling",
		Formula: "axle = Σ m·x / xa, nose = Σ m − axle",
		Inputs: []working.Quantity{{Symbol: "Σm", Name: "total", Value: r.Total, Unit: "kg"},
			{Symbol: "xa", Name: "middle of the axles", Value: axle, Unit: "mm"}},
		Steps: []working.Quantity{{Symbol: "xs", Name: "centre of gravity", Value: r.CentreOfGravity, Unit: "mm"},
			{Symbol: "axle", Name: "on the axles", Value: r.AxleLoad, Unit: "kg"}},
		Assumptions: []string{"standing level", "several axles share alike"},
		Result:      working.Quantity{Symbol: "nose", Name: "on the coupling", Value: r.NoseLoad, Unit: "kg"}}
	return r, nil
}
