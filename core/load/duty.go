package load

import (
	"cmp"
	"fmt"
	"math"

	"warmanvil/core/solid"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// DutyKind is what kind of load somebody rates a thing for.
type DutyKind string

// The kinds of duty.
const (
	RatedPull DutyKind = "pull"      // a pull in a direction
	Recovery  DutyKind = "recovery"  // getting a stuck vehicle out
	Person    DutyKind = "person"    // somebody stands, steps or hangs on it
	Stall     DutyKind = "stall"     // the most a device pulls before it stops
	Misuse    DutyKind = "misuse"    // what will be done to it although it should not
	Retention DutyKind = "retention" // a heavy thing near people held at a stated acceleration
	Wind      DutyKind = "wind"      // on an area
)

// DutyKinds lists them.
var DutyKinds = []DutyKind{RatedPull, Recovery, Person, Stall, Misuse, Retention, Wind}

// Ground is what a stuck vehicle stands in.
type Ground string

// The grounds, by what they resist with (military and trade recovery practice, as in
// FM 4-30.31: rolling resistance as a share of the weight; mired, whole multiples of
// it: to the wheels once, to the hubs twice, to the body three times).
const (
	Hard      Ground = "hard"
	Grass     Ground = "grass"
	Gravel    Ground = "gravel"
	Sand      Ground = "sand"
	WheelDeep Ground = "wheels"
	HubDeep   Ground = "hubs"
	BodyDeep  Ground = "body"
)

var resists = map[Ground]float64{Hard: 1. / 25, Grass: 1. / 7, Gravel: 1. / 5, Sand: 1. / 4, WheelDeep: 1, HubDeep: 2, BodyDeep: 3}

// Grounds lists them.
var Grounds = []Ground{Hard, Grass, Gravel, Sand, WheelDeep, HubDeep, BodyDeep}

// Duty is a load a thing is rated for, as the fabricator names it.
type Duty struct {
	Kind    DutyKind     `json:"kind" enum:"pull,recovery,person,stall,misuse,retention,wind"`
	Force   float64      `json:"force,omitempty" doc:"N: a pull, what a device stalls at, a misuse"`
	Way     solid.Vector `json:"way,omitzero" doc:"way it pulls, forward, left, up; any length"`
	Mass    float64      `json:"mass,omitempty" doc:"kg: of the stuck vehicle laden, of the person; 100 for a person when left out"`
	Slope   float64      `json:"slope,omitempty" doc:"degrees the stuck vehicle is pulled up"`
	Ground  Ground       `json:"ground,omitempty" enum:"hard,grass,gravel,sand,wheels,hubs,body" doc:"what it is stuck in"`
	Pulley  bool         `json:"pulley,omitempty" doc:"it holds a pulley block: twice the line"`
	Kinetic bool         `json:"kinetic,omitempty" doc:"by a strap that stretches: its breaking strength counts"`
	Breaks  float64      `json:"breaks,omitempty" doc:"N, breaking strength of that strap; not known when left out"`
	Times   float64      `json:"times,omitempty" doc:"times the weight when stepping down hard; 2.5 when left out"`
	Net     solid.Vector `json:"net,omitzero" doc:"g of retention, forward, left, up, besides gravity"`
	Area    float64      `json:"area,omitempty" doc:"m², what the wind blows on"`
	Speed   float64      `json:"speed,omitempty" doc:"m/s, of the wind over it, driving counted in"`
	Shape   float64      `json:"shape,omitempty" doc:"drag coefficient; 1.3 of a flat thing when left out"`
}

// Load is what a duty comes to: a force where it acts, or an acceleration of the
// masses, service and as the school counts it.
type DutyLoad struct {
	Force   solid.Vector    `json:"force" doc:"N, service"`
	Design  solid.Vector    `json:"design" doc:"N, as the school counts it"`
	Net     solid.Vector    `json:"net" doc:"g on all masses meanwhile, gravity included"`
	Factor  solid.Vector    `json:"factored" doc:"g as the school counts them"`
	Working working.Working `json:"working"`
}

const (
	stepsHard  = 2.5   // practice: 2.5 to 3 times the weight
	flatThing  = 1.3   // usual drag of a flat thing across the wind
	airWeighs  = 1.225 // kg/m³
	mostForce  = 1e7   // N
	mostSpeed  = 120.  // m/s
	mostRetain = 60.   // g
)

// Check refuses a duty that runs away, and lifting and fall arrest, which are none.
func (d Duty) Check(path string) error {
	known := false
	for _, k := range DutyKinds {
		known = known || d.Kind == k
	}
	switch d.Kind {
	case "lift", "fall":
		return working.Refuse(path+"/kind", "Lifting people or loads and fall arrest are no duties here: they need rated, tested and inspected "+
			"gear, and a licensed engineer.")
	}
	if !known {
		return working.Refuse(path+"/kind", "A duty is pull, recovery, person, stall, misuse, retention or wind, not %q.", d.Kind)
	}
	if d.Ground != "" {
		if _, ok := resists[d.Ground]; !ok {
			return working.Refuse(path+"/ground", "It is stuck on hard, grass, gravel, sand, or to the wheels, hubs or body, not in %q.", d.Ground)
		}
	}
	errs := []error{working.Within(path+"/force", "The force", d.Force, 0, mostForce, "N"),
		working.Within(path+"/mass", "The mass", d.Mass, 0, 1e6, "kg"), working.Within(path+"/slope", "The slope", d.Slope, 0, 60, "°"),
		working.Within(path+"/breaks", "The breaking strength", d.Breaks, 0, mostForce, "N"),
		working.Within(path+"/times", "Times the weight", d.Times, 0, 10, ""), working.Within(path+"/area", "The area", d.Area, 0, 1000, "m²"),
		working.Within(path+"/speed", "The speed", d.Speed, 0, mostSpeed, "m/s"), working.Within(path+"/shape", "The drag coefficient", d.Shape, 0, 5, "")}
	for k := range 3 {
		errs = append(errs, working.Within(fmt.Sprintf("%s/way/%d", path, k), "The way", d.Way[k], -1e6, 1e6, ""),
			working.Within(fmt.Sprintf("%s/net/%d", path, k), "The acceleration", d.Net[k], -mostRetain, mostRetain, "g"))
	}
	return working.First(errs...)
}

// Missing says what a duty still lacks, "" when it can be worked out.
func (d Duty) Missing() string {
	way := d.Way.Len() > 1e-9
	switch d.Kind {
	case RatedPull, Misuse, Stall:
		switch {
		case d.Force <= 0:
			return "How hard it pulls is not said."
		case !way:
			return "Which way it pulls is not said."
		}
	case Recovery:
		switch {
		case !way:
			return "Which way it pulls is not said."
		case d.Kinetic && d.Breaks <= 0:
			return "A strap that stretches pulls as hard as it holds: its breaking strength is not given."
		case d.Kinetic:
		case d.Mass <= 0:
			return "What the stuck vehicle weighs, laden, is not said."
		case d.Ground == "":
			return "What it is stuck in is not said."
		}
	case Retention:
		if d.Net.Len() < 1e-9 {
			return "At what acceleration it must stay is not said."
		}
	case Wind:
		switch {
		case d.Area <= 0 || d.Speed <= 0:
			return "The area and the speed of the wind are not said."
		case !way:
			return "Which way the wind blows is not said."
		}
	}
	return ""
}

// Load answers what a duty comes to. It fails with *working.Fault where something is
// missing.
func (d Duty) Load(rule strength.Rule) (DutyLoad, error) {
	if err := d.Check(""); err != nil {
		return DutyLoad{}, err
	}
	if why := d.Missing(); why != "" {
		return DutyLoad{}, working.Refuse("", "%s", why)
	}
	factored := rule.School == strength.Factored
	typed, gravity := 1., 1.
	if factored {
		typed, gravity = 1.6, 1.2
	}
	out := DutyLoad{Net: solid.Vector{0, 0, -1}, Factor: solid.Vector{0, 0, -gravity}}
	w := working.Working{Inputs: []working.Quantity{}, Steps: []working.Quantity{},
		Assumptions: []string{rule.Says(strength.Yield), "at rest meanwhile, with the weight of everything"}}
	if d.Kind == Retention {
		out.Net = out.Net.Add(d.Net)
		out.Factor = out.Factor.Add(d.Net.Mul(typed))
		if factored && d.Net[2] > 0 { // lifted: its weight helps
			out.Factor[2] = typed*d.Net[2] - .9
		}
		w.Method, w.Source, w.Formula = "Retention", "as its user states it; a crash needs an approved design besides", "a"
		for k, name := range []string{"forward", "left", "up"} {
			w.Inputs = append(w.Inputs, working.Quantity{Symbol: "a" + []string{"x", "y", "z"}[k], Name: name, Value: d.Net[k], Unit: "g"})
		}
		w.Result = working.Quantity{Symbol: "a", Name: "on everything, gravity included", Value: out.Net.Len(), Unit: "g"}
		out.Working = w
		return out, nil
	}
	if d.Kind == Person && d.Way.Len() < 1e-9 {
		d.Way = solid.Vector{0, 0, -1}
	}
	size := d.size(&w)
	if d.Pulley {
		size *= 2
		w.Assumptions = append(w.Assumptions, "it holds a pulley block: twice the line")
	}
	out.Force = d.Way.Unit().Mul(size)
	out.Design = out.Force.Mul(typed)
	if factored && out.Force[2] > 0 { // it lifts: the weight helps, and counts 0.9
		out.Factor[2] = -.9
	}
	if factored {
		w.Assumptions = append(w.Assumptions, "counts 1.6 times in the factored school, weight 1.2, or 0.9 where it helps")
	}
	w.Result = working.Quantity{Symbol: "F", Name: "where it acts", Value: size, Unit: "N"}
	out.Working = w
	return out, nil
}

// size is how hard the duty pulls or pushes in N, with its working in w.
func (d Duty) size(w *working.Working) float64 {
	in := func(symbol, name string, v float64, unit string) {
		w.Inputs = append(w.Inputs, working.Quantity{Symbol: symbol, Name: name, Value: v, Unit: unit})
	}
	switch d.Kind {
	case RatedPull, Misuse, Stall:
		w.Method, w.Source, w.Formula = "Rated pull", "as its user rates it", "F"
		if d.Kind == Stall {
			w.Method, w.Source = "Device's stall", "its maker's sheet: a winch pulls most on its first layer"
		}
		in("F", "pull", d.Force, "N")
		return d.Force
	case Recovery:
		w.Method, w.Source, w.Formula = "Recovery",
			"recovery practice (as FM 4-30.31): weight on the slope, rolling resistance by ground, mired once, twice or three times the weight to "+
				"wheels, hubs or body", "F = W·(sin θ + c·cos θ)"
		if d.Kinetic {
			w.Source, w.Formula = "a strap that stretches holds as much as it breaks at", "F"
			in("F", "breaking strength", d.Breaks, "N")
			return d.Breaks
		}
		weight, sin, cos := d.Mass*G, math.Sin(d.Slope*math.Pi/180), math.Cos(d.Slope*math.Pi/180)
		in("W", "weight of the stuck vehicle", weight, "N")
		in("θ", "slope", d.Slope, "°")
		in("c", "what it is stuck in", resists[d.Ground], "")
		return weight * (sin + resists[d.Ground]*cos)
	case Person:
		mass, times := cmp.Or(d.Mass, 100), cmp.Or(d.Times, stepsHard)
		w.Method, w.Source, w.Formula = "Somebody on it", "practice: stepping down hard, 2.5 to 3 times the weight", "F = k·m·g"
		in("m", "person", mass, "kg")
		in("k", "times the weight", times, "")
		return mass * times * G
	case Wind:
		shape := cmp.Or(d.Shape, flatThing)
		w.Method, w.Source, w.Formula = "Wind", "dynamic pressure of air at 1.225 kg/m³", "F = ½·ρ·v²·c·A"
		in("A", "area", d.Area, "m²")
		in("v", "speed", d.Speed, "m/s")
		in("c", "drag coefficient", shape, "")
		return airWeighs / 2 * d.Speed * d.Speed * shape * d.Area
	}
	return 0
}

// Cautions answers what to mind with a duty.
func (d Duty) Caution() string {
	switch d.Kind {
	case Recovery:
		return "Recovery: rated gear alone, nobody within one and a half times the line, a damper on it; a point that lets go kills. Local " +
			"rules and a licensed engineer decide."
	case Stall:
		return "A winch pulls hardest on its first layer and twice at a pulley: stand clear, and never lift people or loads with it."
	case Person:
		return "People on it: slip, edges, and what it does when it is loose. It is no anchor against a fall."
	case Retention:
		return "A stated acceleration is no crash test: what holds things near people needs an approved design. Local rules and a licensed " +
			"engineer decide."
	}
	return ""
}
