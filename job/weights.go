package job

import (
	"fmt"
	"math"
	"strings"

	"warmanvil/core/load"
	"warmanvil/core/solid"
	"warmanvil/core/strength"
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
		w.Findings = append(w.Findings, working.Finding{Code: code, Severity: working.Mind, Cause: "Weights", Reason: fmt.Sprintf(format, args...)})
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
		list = append(list, load.Weight{Name: "empty, " + front, Mass: c.Front.Value}, load.Weight{Name: "empty, rear axle", Mass: c.Rear.Value, Behind: span})
	}
	for _, d := range b.Devices {
		shift := 0.0
		if d.Gravity != nil {
			shift = -d.Gravity.X
		}
		add(d.named(), d.Mass, d.Behind, shift, d.OnRoof)
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
	least := leastTrusted(sources)
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
	sum := &working.Working{Method: "Sum of all masses", Source: "scale readings and labels", Formula: "Σ m", Result: working.Quantity{Symbol: "Σm", Name: "in all", Value: w.Total, Unit: "kg"}}
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
		axles.Working.Inputs = append(axles.Working.Inputs, working.Quantity{Symbol: "m0", Name: "made, without a place", Value: spare, Unit: "kg"})
		axles.Working.Assumptions = append(axles.Working.Assumptions, "what is made and has no place counts whole on either axle: place it to know better")
	}
	share("front", frontName, axles.Front+spare, c.FrontLimit, why, &axles.Working, least)
	share("rear", "Rear axle", axles.Rear+spare, c.RearLimit, why, &axles.Working, least)
	share("roof", "Roof", roof, c.RoofLimit, "", &working.Working{Method: "Sum of masses on the roof", Source: "the brief", Formula: "Σ m", Assumptions: []string{"with what holds it there"}, Result: working.Quantity{Symbol: "Σm", Name: "on the roof", Value: roof, Unit: "kg"}}, leastTrusted(roofSources))
	if why == "" && axles.Front < 0 {
		say("lifts", "The %s is lifted: %.0f kg. Move masses forward.", front, axles.Front)
	}
	if c.Trailer && why == "" && axles.Total > 0 {
		nose := 100 * axles.Front / axles.Total
		w.Nose = &nose
		if nose < 4 || nose > 15 {
			say("nose", "The nose load is %.1f %% of the gross. Schools differ, 10–15 %% or 4–7 %% with the coupling's own upper limit: too little sways, too much overloads the coupling. Local rules decide.", nose)
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

// Tell answers what the brief says back, of all that is made in the job.
func (s Site) Tell(joints []BoltedTold) Told {
	t := s.Brief.tell(s.Parts, s.frameSizes(), s.made(joints))
	t.Says = append(append(t.Says, s.bans()...), s.cautions(joints)...)
	return t
}

// Tell answers what the brief says back. parts carry their masses in kg.
func (b Brief) Tell(parts []BuiltPart) Told { return b.tell(parts, nil, nil) }

// sized is a frame with its outside sizes.
type sized struct {
	name string
	size solid.Vector
	mass float64
}

func (b Brief) tell(parts []BuiltPart, frames []sized, made []Made) Told {
	t := Told{Weighed: b.Weigh(made...), Targets: []TargetMet{}, Says: []working.Finding{}}
	say := func(severity working.Severity, code, cause, format string, args ...any) {
		t.Says = append(t.Says, working.Finding{Code: code, Severity: severity, Cause: cause, Reason: fmt.Sprintf(format, args...)})
	}
	for _, x := range b.Targets {
		m := TargetMet{ID: x.ID}
		if x.Wanted != nil && x.Got != nil {
			met := x.Got.Value <= *x.Wanted+1e-9
			if x.Sense == "atLeast" {
				met = x.Got.Value >= *x.Wanted-1e-9
			}
			m.Met = &met
			if !met {
				say(working.Mind, "target-missed", "Targets", "%s: %s came out, %g is wanted.", x.Text, strings.TrimSpace(fmt.Sprintf("%g %s", x.Got.Value, x.Unit)), *x.Wanted)
			}
		}
		t.Targets = append(t.Targets, m)
	}
	for _, o := range b.Open {
		if !o.Done && o.Kind != "other" {
			say(working.Mind, "open-"+o.Kind, "Open items", "Not settled, and it is about %s: %s", o.Kind, o.Text)
		}
	}
	if l := b.Limits.Lift; l != nil && l.Value > 0 {
		for _, d := range b.Devices {
			if d.Mass != nil && d.Mass.Value > l.Value {
				say(working.Note, "lift", "Lifting", "%s of %g kg takes %.0f people at %g kg each, or a hoist.", d.named(), d.Mass.Value, math.Ceil(d.Mass.Value/l.Value), l.Value)
			}
		}
		for _, p := range parts {
			if p.Err == nil && p.Built.Mass > l.Value {
				say(working.Mind, "lift", "Lifting", "%s weighs %.3g kg, over the %g kg one person lifts: split it or say who helps.", p.Name, p.Built.Mass, l.Value)
			}
		}
	}
	if l := b.Limits.Lift; l != nil && l.Value > 0 {
		for _, f := range frames {
			if f.mass > l.Value {
				say(working.Mind, "lift", "Lifting", "%s weighs %.3g kg, over the %g kg one person lifts: say who helps.", f.name, f.mass, l.Value)
			}
		}
	}
	if e := b.Limits.Envelope; e != nil {
		write := pen{b.Display()}.mm
		out := func(name string) {
			say(working.Stop, "envelope", "Envelope", "%s does not fit into %s × %s × %s, whichever way it is turned.", name, write(e.Length), write(e.Width), write(e.Height))
		}
		for _, p := range parts {
			if p.Err == nil && !fits(p.Built.Body.Max.Sub(p.Built.Body.Min), *e) {
				out(p.Name)
			}
		}
		for _, f := range frames {
			if !fits(f.size, *e) {
				out(f.name)
			}
		}
	}
	if b.Limits.Budget != nil && b.Limits.Bought != nil && *b.Limits.Bought < *b.Limits.Budget {
		say(working.Note, "budget", "Budget", "Bought, it costs %g, less than the budget of %g: say why it is made.", *b.Limits.Bought, *b.Limits.Budget)
	}
	chosen := 0
	for _, o := range b.Options {
		if o.Chosen {
			chosen++
			if o.Reason == "" {
				say(working.Note, "reason", "Options", "%s is chosen: say why.", o.Name)
			}
		}
	}
	if len(b.Options) > 1 && chosen == 0 {
		say(working.Note, "choice", "Options", "No way is chosen yet.")
	}
	return t
}

// fits tells whether the folded box goes into an envelope, its sides sorted.
func fits(s solid.Vector, e Box) bool {
	size, room := [3]float64{s[0], s[1], s[2]}, [3]float64{e.Length, e.Width, e.Height}
	sort3(&size)
	sort3(&room)
	for i := range 3 {
		if size[i] > room[i]+1e-6 {
			return false
		}
	}
	return true
}

func sort3(v *[3]float64) {
	for range 2 {
		for i := range 2 {
			if v[i] > v[i+1] {
				v[i], v[i+1] = v[i+1], v[i]
			}
		}
	}
}
