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
	w := weighing{b: b, out: Weighed{Shares: []Share{}, Findings: []working.Finding{}}, placed: true, front: "front axle"}
	if b.Card.Trailer {
		w.front = "coupling"
	}
	w.vehicle()
	for _, d := range b.Devices {
		shift := 0.0
		if d.Gravity != nil {
			shift = -d.Gravity.X
		}
		w.add(d.Named(), d.Mass, d.Behind, shift, d.OnRoof)
	}
	for _, o := range b.Card.Others {
		w.add(o.Name, o.Mass, o.Behind, 0, o.OnRoof)
	}
	w.make(made)
	for _, x := range w.list {
		w.out.Total += x.Mass
	}
	w.judge()
	return w.out
}

// weighing gathers the masses of a job with how well they are known.
type weighing struct {
	b       Brief
	out     Weighed
	list    []load.Weight
	sources []Source
	front   string  // what the first support is called
	span    float64 // mm between the supports
	empty   bool    // both empty weights are known
	placed  bool    // all that weighs has a place
	spare   float64 // kg made that has none
	roof    float64
	onRoof  []Source
}

func (w *weighing) say(code, format string, args ...any) {
	w.out.Findings = append(w.out.Findings, working.Finding{Code: code, Severity: working.Mind, Cause: "Weights",
		Reason: fmt.Sprintf(format, args...)})
}

// known notes where a value comes from; false where there is none.
func (w *weighing) known(name string, g *Given) bool {
	if g == nil || g.Value == 0 {
		return false
	}
	w.sources = append(w.sources, Source{Name: name, Trust: g.Trust.Or()})
	return true
}

// vehicle takes the empty weights on both supports.
func (w *weighing) vehicle() {
	c := w.b.Card
	front := w.known("empty weight on the "+w.front, c.Front) || c.Trailer && c.Front != nil
	w.empty = w.known("empty weight on the rear axle", c.Rear) && front
	if w.known("distance of the axles", c.Span) {
		w.span = c.Span.Value
	}
	if w.empty {
		w.list = append(w.list, load.Weight{Name: "empty, " + w.front, Mass: c.Front.Value},
			load.Weight{Name: "empty, rear axle", Mass: c.Rear.Value, Behind: w.span})
	}
}

func (w *weighing) add(name string, mass, behind *Given, shift float64, onRoof bool) {
	if !w.known("mass of "+name, mass) {
		w.say("mass-unknown", "The mass of %s is not known and counts as nothing.", name)
		return
	}
	if onRoof {
		w.roof += mass.Value
		w.onRoof = append(w.onRoof, Source{Name: "mass of " + name, Trust: mass.Trust.Or()})
	}
	at := load.Weight{Name: name, Mass: mass.Value}
	if behind == nil {
		w.placed = false
		w.say("place-unknown", "Where %s stands is not known: axle loads are left out.", name)
	} else {
		at.Behind = behind.Value + shift
		w.sources = append(w.sources, Source{Name: "place of " + name, Trust: behind.Trust.Or()})
	}
	w.list = append(w.list, at)
}

// make takes what the job makes.
func (w *weighing) make(made []Made) {
	for _, m := range made {
		if m.OnRoof {
			w.roof += m.Mass
		}
		if m.Behind == nil {
			w.spare += m.Mass
			w.out.Total += m.Mass
			continue
		}
		w.list = append(w.list, load.Weight{Name: m.Name, Mass: m.Mass, Behind: *m.Behind})
	}
}

// share sets a demand in kg against a limit; missing says why it cannot be told.
func (w *weighing) share(key, name string, demand float64, limit *Given, missing string, wk *working.Working, from *Source) {
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
		written := wk.Written(w.b.Inches())
		s.Working = &written
	}
	w.out.Shares = append(w.out.Shares, s)
}

// judge sets the sums against the limits of the card.
func (w *weighing) judge() {
	c := w.b.Card
	least := LeastTrusted(w.sources)
	why := ""
	if !w.empty {
		why = "The empty weights on both supports are not known: weigh it."
	}
	w.share("gross", "Gross weight", w.out.Total, c.Gross, why, w.sum(), least)
	switch {
	case why != "":
	case w.span == 0:
		why = "The distance between " + w.front + " and rear axle is not known."
	case !w.placed:
		why = "Where some masses stand is not known."
	}
	var axles load.AxleResult
	if why == "" {
		var err error
		if axles, err = load.Axles(load.AxleInput{Span: w.span, Weights: w.list}); err != nil {
			why = err.Error()
		}
	}
	frontName := "Front axle"
	if c.Trailer {
		frontName = "Nose load on the coupling"
	}
	if w.spare > 0 && why == "" {
		axles.Working.Inputs = append(axles.Working.Inputs,
			working.Quantity{Symbol: "m0", Name: "made, without a place", Value: w.spare, Unit: "kg"})
		axles.Working.Assumptions = append(axles.Working.Assumptions,
			"what is made and has no place counts whole on either axle: place it to know better")
	}
	w.share("front", frontName, axles.Front+w.spare, c.FrontLimit, why, &axles.Working, least)
	w.share("rear", "Rear axle", axles.Rear+w.spare, c.RearLimit, why, &axles.Working, least)
	w.share("roof", "Roof", w.roof, c.RoofLimit, "",
		&working.Working{Method: "Sum of masses on the roof", Source: "the brief", Formula: "Σ m",
			Assumptions: []string{"with what holds it there"},
			Result:      working.Quantity{Symbol: "Σm", Name: "on the roof", Value: w.roof, Unit: "kg"}},
		LeastTrusted(w.onRoof))
	if why == "" {
		w.steers(axles)
	}
}

func (w *weighing) sum() *working.Working {
	sum := &working.Working{Method: "Sum of all masses", Source: "scale readings and labels", Formula: "Σ m",
		Result: working.Quantity{Symbol: "Σm", Name: "in all", Value: w.out.Total, Unit: "kg"}}
	for _, x := range w.list {
		sum.Inputs = append(sum.Inputs, working.Quantity{Symbol: "m", Name: x.Name, Value: x.Mass, Unit: "kg"})
	}
	if w.spare > 0 {
		sum.Inputs = append(sum.Inputs, working.Quantity{Symbol: "m", Name: "made, without a place", Value: w.spare, Unit: "kg"})
	}
	return sum
}

// steers tells whether the first support is lifted, and of a trailer its nose load.
func (w *weighing) steers(axles load.AxleResult) {
	if axles.Front < 0 {
		w.say("lifts", "The %s is lifted: %s. Move masses forward.", w.front,
			told.Pen{Display: w.b.Display()}.Mass(math.Round(axles.Front)))
	}
	if w.b.Card.Trailer && axles.Total > 0 {
		nose := 100 * axles.Front / axles.Total
		w.out.Nose = &nose
		if nose < 4 || nose > 15 {
			w.say("nose", "The nose load is %.1f %% of the gross. Schools differ, 10–15 %% or 4–7 %% with the coupling's own upper limit: too "+
				"little sways, too much overloads the coupling. Local rules decide.", nose)
		}
	}
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
