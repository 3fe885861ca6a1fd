package site

import (
	"fmt"
	"math"

	"warmanvil/core/brief"
	"warmanvil/core/load"
	"warmanvil/core/member/shape"
	"warmanvil/core/solid"
	"warmanvil/core/strength"
	"warmanvil/core/told"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
)

// Assembled is everything of a job that has a mass, together in vehicle axes.
type Assembled struct {
	Items    []AssembledItem   `json:"items"`
	Total    string            `json:"total"`
	Kilos    float64           `json:"kilos" doc:"kg, all together"`
	Placed   float64           `json:"placed" doc:"kg of what has a place"`
	Gravity  string            `json:"gravity,omitempty" doc:"centre of gravity of what has a place"`
	Working  *working.Working  `json:"working,omitempty" doc:"of the sum and the centre of gravity"`
	At       *solid.Vector     `json:"at,omitempty" doc:"mm"`
	Checks   []strength.Check  `json:"checks" doc:"against the brief's limits"`
	Trailer  *TrailerTold      `json:"trailer,omitempty"`
	Findings []working.Finding `json:"findings"`
}

// AssembledItem is one thing of it.
type AssembledItem struct {
	Name   string        `json:"name"`
	Kind   string        `json:"kind" enum:"part,frame,body,device"`
	Kilos  float64       `json:"kilos"`
	Text   string        `json:"text"`
	At     *solid.Vector `json:"at,omitempty" doc:"mm, its centre of gravity"`
	of     string        // id of the part, frame or device
	Where  string        `json:"where,omitempty"`
	Why    string        `json:"why,omitempty" doc:"why it has no place"`
	Lift   string        `json:"lift,omitempty" doc:"when it is too heavy for one"`
	People int           `json:"people" doc:"to lift it; 0 when the brief does not say what one lifts"`
}

// TrailerTold is the trailer's balance with all that.
type TrailerTold struct {
	load.TrailerResult
	Axles []AxlesTold `json:"axles" doc:"where either school wants the axle"`
	Nose  string      `json:"nose"`
	Axle  string      `json:"axle"`
	Why   string      `json:"why,omitempty"`
}

// AxlesTold is where a school of nose load wants the axle behind the coupling.
type AxlesTold struct {
	School string `json:"school"`
	Text   string `json:"text"`
}

// Assemble sums masses and finds their middle: things placed by the survey where
// they are placed, frames else where they say, the rest without a place. The sums set
// against the vehicle's limits are those of the brief.
func (s Site) Assemble() Assembled {
	b := s.Brief
	var joints []BoltedTold
	if len(b.Joints) > 0 {
		joints = s.Hold().Joints
	}
	p := told.Pen{Display: b.Display()}
	out := Assembled{Items: s.assembled(), Checks: []strength.Check{}, Findings: []working.Finding{}}
	made := s.made(joints)
	for _, m := range made {
		if m.Name == bolts {
			out.Items = append(out.Items, AssembledItem{Name: m.Name, Kind: "part", Kilos: m.Mass, Text: p.Kilos(m.Mass),
				Why: "They are in all its joints."})
		}
	}
	for _, x := range b.Weigh(made...).Shares {
		out.Checks = append(out.Checks, x.Check)
	}
	out.sum(b, p)
	return out
}

// assembling lists what of a job has a mass.
type assembling struct {
	st     *stander
	b      brief.Brief
	mass   map[string]float64 // kg by part or frame
	shape  map[string]*shape.Built
	bodies map[string]FacetBody
	placed map[string]int // how many of each have a place
	out    []AssembledItem
}

// assembled lists what of a job has a mass, with its place where it has one.
func (s Site) assembled() []AssembledItem {
	b, parts, frames := s.Brief, s.Parts, s.Frames
	a := assembling{st: newStander(s), b: b, mass: map[string]float64{}, shape: map[string]*shape.Built{},
		bodies: map[string]FacetBody{}, placed: map[string]int{}, out: []AssembledItem{}}
	for _, p := range parts {
		if p.Err == nil {
			a.mass[p.ID] = kilos(b, &p)
		}
	}
	for _, f := range frames {
		a.shape[f.ID] = shape.Build(f.Doc, a.st.from.ForFrame(f.Doc))
		a.mass[f.ID] = a.shape[f.ID].Mass
	}
	for _, f := range s.Bodies {
		a.mass[f.ID] = bodyKilos(f, parts, a.mass)
		a.bodies[f.ID] = f
	}
	for _, p := range s.Survey.Placed {
		a.place(p)
	}
	for _, p := range parts { // what is welded into a body that has its place is there
		if f := p.Recipe.Facet; f != nil && a.placed[f.Of] > 0 {
			a.placed[p.ID] += a.placed[f.Of]
		}
	}
	for _, f := range s.Bodies {
		a.restOfBody(f, parts)
	}
	for _, p := range parts {
		a.restOfPart(p)
	}
	for _, f := range frames {
		a.restOfFrame(f)
	}
	for _, d := range b.Devices {
		if a.placed[d.ID] == 0 && d.Mass != nil {
			a.add(AssembledItem{Name: d.Named(), Kind: "device", Kilos: d.Mass.Value, Why: "It is not placed."})
		}
	}
	return a.out
}

func (a *assembling) add(i AssembledItem) {
	pen := a.st.from.Pen
	i.Text = pen.Kilos(i.Kilos)
	if i.At != nil {
		i.Where = pen.Place(*i.At)
	}
	if one := a.b.Limits.Lift; one != nil && one.Value > 0 {
		i.People = int(math.Ceil(i.Kilos/one.Value - 1e-9))
		if i.People > 1 {
			i.Lift = fmt.Sprintf("%d to lift it, or a hoist", i.People)
		}
	}
	a.out = append(a.out, i)
}

// place adds what the survey places; a plain box weighs nothing.
func (a *assembling) place(p vehicle.Placed) {
	d := a.st.stand(p.ID)
	key, item := p.Part, AssembledItem{Name: d.told.Name, Kind: "part", Kilos: a.mass[p.Part], of: p.Part}
	local := solid.Vector{}
	switch {
	case p.Device != "":
		dev, ok := a.b.Device(p.Device)
		if !ok {
			return
		}
		key, item.Kind = p.Device, "device"
		if dev.Mass != nil {
			item.Kilos = dev.Mass.Value
		}
		if dev.Gravity != nil {
			local = solid.Vector{dev.Gravity.X, dev.Gravity.Y, dev.Gravity.Z}
		}
	case a.shape[p.Part] != nil:
		item.Kind, local = "frame", a.shape[p.Part].Gravity
	case a.bodies[p.Part].ID != "":
		item.Kind = "body"
	case p.Part == "":
		return
	}
	a.placed[key]++
	if d.Why != "" {
		item.Why = d.Why
		a.add(item)
		return
	}
	at := d.Pose.Apply(local)
	if item.Kind == "part" || item.Kind == "body" {
		at = d.thing.Body.Middle()
	}
	item.At = &at
	a.add(item)
}

// restOfPart adds those of a part that no place is given; past fifty they are one line.
func (a *assembling) restOfPart(p BuiltPart) {
	left := p.Quantity
	if p.Recipe.Hand.Pair {
		left *= 2
	}
	for n := range max(left-a.placed[p.ID], 0) {
		if n > 50 {
			more := left - a.placed[p.ID] - n
			a.add(AssembledItem{of: p.ID, Name: fmt.Sprintf("%s, %d more", p.Name, more), Kind: "part",
				Kilos: a.mass[p.ID] * float64(more), Why: "It is not placed."})
			break
		}
		a.add(AssembledItem{of: p.ID, Name: p.Name, Kind: "part", Kilos: a.mass[p.ID], Why: "It is not placed."})
	}
}

// restOfBody adds a body that has no place and of which no blank is a part yet: they would count for it.
func (a *assembling) restOfBody(f FacetBody, parts []BuiltPart) {
	for _, p := range parts {
		if p.Recipe.Facet != nil && p.Recipe.Facet.Of == f.ID {
			return
		}
	}
	all := f.Quantity
	if f.Doc.Hand.Pair {
		all *= 2
	}
	if left := all - a.placed[f.ID]; left > 0 && a.mass[f.ID] > 0 {
		name := f.Name
		if left > 1 {
			name = fmt.Sprintf("%s, %d of them", f.Name, left)
		}
		a.add(AssembledItem{of: f.ID, Name: name, Kind: "body", Kilos: a.mass[f.ID] * float64(left), Why: "It is not placed."})
	}
}

// restOfFrame adds a frame where it says it stands, and those that stand nowhere.
func (a *assembling) restOfFrame(f Frame) {
	left := f.Quantity - a.placed[f.ID]
	if a.placed[f.ID] == 0 {
		at := f.Doc.Fit.Solid().Apply(a.shape[f.ID].Gravity)
		a.add(AssembledItem{of: f.ID, Name: f.Name, Kind: "frame", Kilos: a.mass[f.ID], At: &at})
		left--
	}
	if left > 0 {
		a.add(AssembledItem{of: f.ID, Name: fmt.Sprintf("%s, %d more", f.Name, left), Kind: "frame", Kilos: a.mass[f.ID] * float64(left),
			Why: "It is not placed."})
	}
}

// sum adds up, and sets the sum against the brief.
func (a *Assembled) sum(b brief.Brief, p told.Pen) {
	var middle solid.Vector
	heaviest := 0.0
	name := ""
	for _, i := range a.Items {
		a.Kilos += i.Kilos
		if i.At != nil {
			a.Placed += i.Kilos
			middle = middle.Add(i.At.Mul(i.Kilos))
		}
		if i.Kind != "device" && i.Kilos > heaviest {
			heaviest, name = i.Kilos, i.Name
		}
	}
	a.Total = p.Kilos(a.Kilos)
	if a.Placed > 0 {
		at := middle.Mul(1 / a.Placed)
		a.At, a.Gravity = &at, p.Place(at)
		a.Working = p.Explain(working.Working{Method: "Mass and centre of gravity together", Source: "sum of masses", Formula: "x = " +
			"Σ m·x / Σ m",
			Inputs: []working.Quantity{{Symbol: "m", Name: "all together", Value: a.Kilos, Unit: "kg"},
				{Symbol: "mp", Name: "of that with a place", Value: a.Placed, Unit: "kg"}},
			Steps: []working.Quantity{{Symbol: "y", Name: "left", Value: at[1], Unit: "mm"},
				{Symbol: "z", Name: "up", Value: at[2], Unit: "mm"}},
			Assumptions: []string{"folded parts by the middle of their body, devices by their own centre of gravity, frames by " +
				"their pieces",
				"what is not known counts as nothing; what has no place counts in the sum only"},
			Result: working.Quantity{Symbol: "x", Name: "forward", Value: at[0], Unit: "mm"}})
	}
	check := func(key, name string, demand float64, limit *brief.Given, formula string) {
		if limit == nil || limit.Value <= 0 {
			return
		}
		c := strength.Check{Key: key, Name: name, Demand: demand, Capacity: limit.Value, Unit: "kg"}
		c.Utilisation, c.Verdict = strength.Judge(demand, limit.Value)
		w := working.Working{Method: name, Source: "sum of masses", Formula: formula,
			Inputs: []working.Quantity{{Symbol: "m", Name: "all together", Value: demand, Unit: "kg"},
				{Symbol: "limit", Name: "allowed", Value: limit.Value, Unit: "kg"}},
			Result: working.Quantity{Symbol: "u", Name: "share", Value: demand / limit.Value}}
		c.Working = p.Explain(w)
		a.Checks = append(a.Checks, c)
	}
	check("lift", "heaviest piece to lift, "+name, heaviest, b.Limits.Lift, "heaviest of parts and frames")
	if b.Card.Trailer {
		a.trailer(b, p)
	}
}

// trailer balances the trailer with what has a place; the coupling's place in the
// vehicle's axes comes from the brief.
func (a *Assembled) trailer(b brief.Brief, p told.Pen) {
	t := TrailerTold{Axles: []AxlesTold{}}
	a.Trailer = &t
	switch {
	case b.Card.Span == nil || b.Card.Span.Value <= 0:
		t.Why = "Say in the brief how far the axle lies behind the coupling."
		return
	case b.Card.Coupling == nil:
		t.Why = "Say in the brief where the coupling lies, forward of the datum."
		return
	}
	in := load.TrailerInput{Axles: []float64{b.Card.Span.Value}}
	for _, i := range a.Items {
		if i.At != nil && i.Kilos > 0 {
			in.Items = append(in.Items, load.TrailerItem{Mass: i.Kilos, X: b.Card.Coupling.Value - i.At[0]})
		}
	}
	for _, o := range b.Card.Others {
		if o.Mass != nil && o.Behind != nil && o.Mass.Value > 0 {
			in.Items = append(in.Items, load.TrailerItem{Mass: o.Mass.Value, X: o.Behind.Value})
		}
	}
	if g := b.Card.Front; g != nil && g.Value > 0 {
		in.Items = append(in.Items, load.TrailerItem{Mass: g.Value})
	}
	if g := b.Card.Rear; g != nil && g.Value > 0 {
		in.Items = append(in.Items, load.TrailerItem{Mass: g.Value, X: b.Card.Span.Value})
	}
	r, err := load.Trailer(in)
	if err != nil {
		t.Why = p.Refused(err)
		return
	}
	r.Working = *p.Explain(r.Working)
	t.TrailerResult, t.Nose, t.Axle = r, p.Kilos(r.NoseLoad), p.Kilos(r.AxleLoad)
	for _, w := range r.Wanted {
		t.Axles = append(t.Axles, AxlesTold{w.School, p.MM(w.From) + " to " + p.MM(w.To)})
	}
	a.Findings = append(a.Findings, r.Findings...)
}
