package brief

import (
	"fmt"
	"math"

	"warmanvil/core/load"
	"warmanvil/core/strength"
	"warmanvil/core/told"
	"warmanvil/core/working"
)

// Share is one sum of masses against its limit.
type Share struct {
	strength.Check
	Least *Source `json:"least,omitempty" doc:"least trusted input behind it"`
}

// Weighed is the vehicle with all it carries.
type Weighed struct {
	Shares   []Share           `json:"shares"`
	Total    float64           `json:"total" doc:"kg of all known masses"`
	Nose     *float64          `json:"nose,omitempty" doc:"share of the gross on a trailer's coupling, %"`
	Findings []working.Finding `json:"findings"`
}

// Told is what the brief says back: targets, weights, limits, open items.
type Told struct {
	Weighed Weighed           `json:"weighed"`
	Targets []TargetMet       `json:"targets"`
	Says    []working.Finding `json:"says" doc:"what to mind in the brief"`
}

// TargetMet is whether a target is met; nil while nothing came out yet.
type TargetMet struct {
	ID  string `json:"id"`
	Met *bool  `json:"met"`
}

// Made is what a job makes or bolts on, as a mass on the vehicle.
type Made struct {
	Name   string
	Mass   float64 // kg
	OnRoof bool
	Behind *float64 // mm behind the front axle or the coupling; nil where nobody knows
}

// Weigh sets all masses against the vehicle's limits: the vehicle, what it carries, and
// what the job makes. What is made and has no place counts whole on either axle.
func (b Brief) Weigh(made ...Made) Weighed {
	c := b.Card
	w := Weighed{Shares: []Share{}, Findings: []working.Finding{}}
	say := func(code, format string, args ...any) {
		w.Findings = append(w.Findings, working.Finding{Code: code, Severity: working.Mind, Cause: "Weights",
			Reason: fmt.Sprintf(format, args...)})
	}
	front := "front axle"
	if c.Trailer {
		front = "coupling"
	}
	var list []load.Weight
	var sources []Source
	placed := true
	known := func(name string, g *Given) bool {
		if g == nil || g.Value == 0 {
			return false
		}
		sources = append(sources, Source{Name: name, Trust: g.Trust.Or()})
		return true
	}
	roof := 0.0
	var roofSources []Source
	add := func(name string, mass, behind *Given, shift float64, onRoof bool) {
		if !known("mass of "+name, mass) {
			say("mass-unknown", "The mass of %s is not known and counts as nothing.", name)
			return
		}
		if onRoof {
			roof += mass.Value
			roofSources = append(roofSources, Source{Name: "mass of " + name, Trust: mass.Trust.Or()})
		}
		at := load.Weight{Name: name, Mass: mass.Value}
		if behind == nil {
			placed = false
			say("place-unknown", "Where %s stands is not known: axle loads are left out.", name)
		} else {
			at.Behind = behind.Value + shift
			sources = append(sources, Source{Name: "place of " + name, Trust: behind.Trust.Or()})
		}
		list = append(list, at)
	}
	empty := known("empty weight on the "+front, c.Front) || c.Trailer && c.Front != nil
	empty = known("empty weight on the rear axle", c.Rear) && empty
	span := 0.0
	if known("distance of the axles", c.Span) {
		span = c.Span.Value
	}
	if empty {
		list = append(list, load.Weight{Name: "empty, " + front, Mass: c.Front.Value},
			load.Weight{Name: "empty, rear axle", Mass: c.Rear.Value, Behind: span})
	}
	for _, d := range b.Devices {
		shift := 0.0
		if d.Gravity != nil {
			shift = -d.Gravity.X
		}
		add(d.Named(), d.Mass, d.Behind, shift, d.OnRoof)
	}
	for _, o := range c.Others {
		add(o.Name, o.Mass, o.Behind, 0, o.OnRoof)
	}
	spare := 0.
	for _, m := range made {
		if m.OnRoof {
			roof += m.Mass
		}
		if m.Behind == nil {
			spare += m.Mass
			w.Total += m.Mass
			continue
		}
		list = append(list, load.Weight{Name: m.Name, Mass: m.Mass, Behind: *m.Behind})
	}
	for _, x := range list {
		w.Total += x.Mass
	}
	least := LeastTrusted(sources)
	share := func(key, name string, demand float64, limit *Given, missing string, wk *working.Working, from *Source) {
		if limit == nil || limit.Value == 0 {
			return
		}
		s := Share{Check: strength.Check{Key: key, Name: name, Demand: demand, Capacity: limit.Value, Unit: "kg"}, Least: from}
		if limit.Trust.Rank() > trustOf(from).Rank() {
			s.Least = &Source{Name: "limit: " + name, Trust: limit.Trust.Or()}
		}
		if missing != "" {
			s.Verdict, s.Why = strength.CannotSay, missing
		} else {
			s.Utilisation, s.Verdict = strength.Judge(max(demand, 0), limit.Value)
			w := wk.Written(b.Unit != UnitMM)
			s.Working = &w
		}
		w.Shares = append(w.Shares, s)
	}
	why := ""
	if !empty {
		why = "The empty weights on both supports are not known: weigh it."
	}
	sum := &working.Working{Method: "Sum of all masses", Source: "scale readings and labels", Formula: "Σ m",
		Result: working.Quantity{Symbol: "Σm", Name: "in all", Value: w.Total, Unit: "kg"}}
	for _, x := range list {
		sum.Inputs = append(sum.Inputs, working.Quantity{Symbol: "m", Name: x.Name, Value: x.Mass, Unit: "kg"})
	}
	if spare > 0 {
		sum.Inputs = append(sum.Inputs, working.Quantity{Symbol: "m", Name: "made, without a place", Value: spare, Unit: "kg"})
	}
	share("gross", "Gross weight", w.Total, c.Gross, why, sum, least)
	switch {
	case why != "":
	case span == 0:
		why = "The distance between " + front + " and rear axle is not known."
	case !placed:
		why = "Where some masses stand is not known."
	}
	var axles load.AxleResult
	if why == "" {
		var err error
		if axles, err = load.Axles(load.AxleInput{Span: span, Weights: list}); err != nil {
			why = err.Error()
		}
	}
	frontName := "Front axle"
	if c.Trailer {
		frontName = "Nose load on the coupling"
	}
	if spare > 0 && why == "" {
		axles.Working.Inputs = append(axles.Working.Inputs,
			working.Quantity{Symbol: "m0", Name: "made, without a place", Value: spare, Unit: "kg"})
		axles.Working.Assumptions = append(axles.Working.Assumptions,
			"what is made and has no place counts whole on either axle: place it to know better")
	}
	share("front", frontName, axles.Front+spare, c.FrontLimit, why, &axles.Working, least)
	share("rear", "Rear axle", axles.Rear+spare, c.RearLimit, why, &axles.Working, least)
	share("roof", "Roof", roof, c.RoofLimit, "",
		&working.Working{Method: "Sum of masses on the roof", Source: "the brief", Formula: "Σ m",
			Assumptions: []string{"with what holds it there"}, Result: working.Quantity{Symbol: "Σm", Name: "on the roof", Value: roof, Unit: "kg"}},
		LeastTrusted(roofSources))
	if why == "" && axles.Front < 0 {
		say("lifts", "The %s is lifted: %s. Move masses forward.", front, told.Pen{Display: b.Display()}.Mass(math.Round(axles.Front)))
	}
	if c.Trailer && why == "" && axles.Total > 0 {
		nose := 100 * axles.Front / axles.Total
		w.Nose = &nose
		if nose < 4 || nose > 15 {
			say("nose", "The nose load is %.1f %% of the gross. Schools differ, 10–15 %% or 4–7 %% with the coupling's own upper limit: too "+
				"little sways, too much overloads the coupling. Local rules decide.", nose)
		}
	}
	return w
}

func trustOf(s *Source) Trust {
	if s == nil {
		return Measured
	}
	return s.Trust
}

// Measure fills in what the survey says of targets nothing was typed for.
func (t *Told) Measure(b Brief, met map[string]bool) {
	for i, m := range t.Targets {
		got, measured := met[m.ID]
		if m.Met != nil || !measured {
			continue
		}
		t.Targets[i].Met = &got
		for _, x := range b.Targets {
			if x.ID == m.ID && !got {
				t.Says = append(t.Says, working.Finding{Code: "target-missed", Severity: working.Mind, Cause: "Targets",
					Reason: x.Text + ": by the survey it is missed."})
			}
		}
	}
}
