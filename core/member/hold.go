package member

import (
	"fmt"
	"math"

	"warmanvil/core/frame"
	"warmanvil/core/load"
	"warmanvil/core/solid"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// Asked is what a frame is asked to hold.
type Asked struct {
	Rule    strength.Rule
	Cases   []load.Case // service accelerations; the school's factors come on top
	Devices map[string]Carried
}

// Carried is a device as far as its weight goes.
type Carried struct {
	Name    string
	Kilos   float64       // kg; 0 when it is not known
	Gravity *solid.Vector // mm, from the middle of its feet
}

// Held says whether a frame holds.
type Held struct {
	Why      string           `json:"why,omitempty" doc:"why it cannot be said"`
	Verdict  strength.Verdict `json:"verdict" enum:"holds,tight,over,cannot say"`
	Use      *float64         `json:"use" doc:"largest utilisation of all checks"`
	Hardest  string           `json:"hardest" doc:"what works hardest, and where"`
	Cases    []string         `json:"cases"`
	Members  []MemberHeld     `json:"members" doc:"of the pieces, in their order"`
	Checks   []strength.Check `json:"checks" doc:"plates, ears and welds at ends: a first look"`
	Supports []SupportHeld    `json:"supports"`
	Moves    Moves            `json:"moves"`
	Modes    []ModeTold       `json:"modes"`
	Acts     []Acting         `json:"acts" doc:"where what it carries presses"`
	Carries  float64          `json:"carries" doc:"kg on it at rest, people left out"`

	Findings []working.Finding `json:"findings"`
}

// MemberHeld is a member under its worst case.
type MemberHeld struct {
	ID      string           `json:"id"`
	Name    string           `json:"name"`
	Stress  strength.Check   `json:"stress" doc:"worst stress along it, MPa"`
	At      float64          `json:"at" doc:"mm from its first point"`
	Column  strength.Check   `json:"column" doc:"buckling with bending, as a sum of shares"`
	Weld    strength.Check   `json:"weld" doc:"fillet all round its worse end, N/mm of length"`
	Verdict strength.Verdict `json:"verdict" enum:"holds,tight,over,cannot say"`
	Use     *float64         `json:"use" doc:"largest utilisation of stress and column"`
	Along   []Along          `json:"along" doc:"diagrams of the case that governs its stress"`
}

// Along is one place of a member's diagrams.
type Along struct {
	At    float64      `json:"at" doc:"mm from its first point"`
	N     float64      `json:"n" doc:"N, pulled positive"`
	Vy    float64      `json:"vy" doc:"N, sideways"`
	Vz    float64      `json:"vz" doc:"N, in height"`
	T     float64      `json:"t" doc:"N·mm"`
	My    float64      `json:"my" doc:"N·mm, bending in height, sagging negative"`
	Mz    float64      `json:"mz" doc:"N·mm, bending sideways"`
	MPa   float64      `json:"mpa" doc:"equivalent stress"`
	Place solid.Vector `json:"place"`
	Shift solid.Vector `json:"shift" doc:"mm, in the case that moves the frame most"`
}

// SupportHeld is what a support takes.
type SupportHeld struct {
	Point string     `json:"point"`
	Name  string     `json:"name"`
	Kind  string     `json:"kind"`
	Rest  [6]float64 `json:"rest" doc:"N and N·mm on the frame at rest"`
	Worst [6]float64 `json:"worst" doc:"and in the case of its largest force"`
	Case  string     `json:"case"`
	Lifts bool       `json:"lifts" doc:"it is pulled up in some case"`
	Force float64    `json:"force" doc:"N, largest"`
}

// Moves is how far the frame moves.
type Moves struct {
	Most   float64          `json:"most" doc:"mm, anywhere, service loads"`
	Member string           `json:"member" doc:"name of the member it is on"`
	Case   string           `json:"case"`
	Limit  float64          `json:"limit,omitempty" doc:"mm wanted"`
	Check  *strength.Check  `json:"check,omitempty"`
	Work   *working.Working `json:"working,omitempty"`
}

// Acting is a place where a load presses, and which way.
type Acting struct {
	At  solid.Vector `json:"at"`
	Way solid.Vector `json:"way"`
}

// ModeTold is a natural frequency.
type ModeTold struct {
	Hertz   float64                 `json:"hertz"`
	Says    string                  `json:"says"`
	Verdict strength.Verdict        `json:"verdict" enum:"holds,tight"`
	Shape   map[string]solid.Vector `json:"shape" doc:"by point, the largest 1"`
}

// welded is the yield of aluminium within an inch of a weld (Aluminum Design
// Manual, usual values); steels are taken as they are.
var welded = map[string]float64{"alu-6061-t6": 105, "alu-5052-h32": 65, "alu-3003-h14": 35}

// yieldOf answers the yield that counts in a welded frame.
func yieldOf(m stock.Material) (float64, string) {
	if v, soft := welded[m.Key]; soft {
		return v, "welded aluminium: yield within 25 mm of a weld, counted everywhere"
	}
	return m.Yield, ""
}

// Hold asks whether the frame holds.
func (b *Built) Hold(d Doc, ask Asked) Held {
	h := Held{Verdict: strength.CannotSay, Cases: []string{}, Members: []MemberHeld{}, Checks: []strength.Check{}, Supports: []SupportHeld{}, Modes: []ModeTold{}, Acts: []Acting{}}
	before := len(b.Findings)
	m, err := b.model()
	h.Findings = append([]working.Finding{}, b.Findings[before:]...)
	b.Findings = b.Findings[:before]
	if err != nil {
		h.Why = err.Error()
		return h
	}
	w := &weighing{m: m, d: d, ask: ask, held: &h}
	w.gather()
	if err := w.cases(); err != nil {
		h.Why = m.words(err).Error()
		return h
	}
	w.members()
	w.supports()
	w.moves(d)
	w.modes(d)
	w.plates()
	list := append([]strength.Check{}, h.Checks...)
	for _, x := range h.Members {
		list = append(list, x.Stress, x.Column, x.Weld)
	}
	if h.Moves.Check != nil {
		list = append(list, *h.Moves.Check)
	}
	for _, c := range list {
		if c.Utilisation != nil && (h.Use == nil || *c.Utilisation > *h.Use) {
			h.Use, h.Hardest = c.Utilisation, c.Name+": "+c.Where
		}
	}
	h.Verdict = strength.Worst(list)
	if w.missing && h.Verdict != strength.Over {
		h.Verdict = strength.CannotSay
	}
	return h
}

// weighing is a frame on the way to its answer.
type weighing struct {
	m       *model
	d       Doc
	ask     Asked
	held    *Held
	masses  []mass             // what accelerates
	nodes   map[string]float64 // kg at nodes, for frequencies
	answers []answered
	missing bool
}

// mass is a weight shared by nodes, or along a member.
type mass struct {
	name   string
	kilos  float64
	nodes  []string
	at     solid.Vector // its centre of gravity
	member int          // index of a run, −1 for none
	along  float64      // mm from the member's first point
	metre  float64      // kg/m along the member
	person float64      // factor of stepping down; 0 for what stays on board
	force  solid.Vector // N, of what does not accelerate
}

// answered is a solved case with its service twin.
type answered struct {
	name    string
	design  *frame.Answer
	service *frame.Answer
}

func (w *weighing) say(code, feature, format string, args ...any) {
	w.held.Findings = append(w.held.Findings, working.Finding{Code: code, Severity: working.Mind, Cause: "Loads", Feature: feature, Reason: fmt.Sprintf(format, args...)})
}

// gather turns loads into masses and forces on nodes and members.
func (w *weighing) gather() {
	l := w.m.b.laid
	w.nodes = map[string]float64{}
	for _, v := range l.loads {
		x := mass{name: v.Name, kilos: v.Kilos, member: -1, force: v.Force}
		var places []solid.Vector
		for _, id := range v.Points {
			n, ok := w.m.node[id]
			if _, used := w.m.in.Nodes[n]; !ok || !used {
				continue
			}
			x.nodes, places = append(x.nodes, n), append(places, l.joints[l.at[id]].At)
		}
		for i, r := range w.m.b.runs {
			if v.Member != "" && r.ID == v.Member && w.m.b.Pieces[i].Why == "" {
				x.member, x.along = i, v.At
			}
		}
		if x.member < 0 && len(x.nodes) == 0 {
			w.say("load-nowhere", v.ID, "%s acts nowhere yet: choose the points or the member that carries it.", loadName(v))
			w.missing = true
			continue
		}
		if x.member >= 0 && v.Kind != "uniform" && (v.At < 0 || v.At > w.m.b.runs[x.member].length) {
			w.say("load-past", v.ID, "%s lies past the end of its member, which is %.0f mm long.", loadName(v), w.m.b.runs[x.member].length)
			w.missing = true
			continue
		}
		for _, p := range places {
			x.at = x.at.Add(p.Mul(1 / float64(len(places))))
		}
		x.at[2] += v.High
		switch v.Kind {
		case "device":
			dev, ok := w.ask.Devices[v.Device]
			if !ok || dev.Kilos <= 0 {
				w.say("device-unknown", v.ID, "%s: the device's mass is not known. Give it in the brief.", loadName(v))
				w.missing = true
				continue
			}
			x.kilos = dev.Kilos
			if dev.Gravity != nil {
				x.at = x.at.Add(*dev.Gravity)
				x.at[2] -= v.High * b2f(dev.Gravity[2] != 0)
			} else if v.High == 0 {
				w.say("gravity-unknown", v.ID, "%s: the height of its centre of gravity is not known and counts as none; it tips harder than is said here.", loadName(v))
			}
			x.force = solid.Vector{}
		case "mass":
			x.force = solid.Vector{}
		case "person":
			x.person, x.force = v.Factor, solid.Vector{}
			if x.person == 0 {
				x.person = 2
			}
			if x.kilos == 0 {
				x.kilos = 100
			}
		case "uniform":
			if x.member < 0 {
				w.say("load-nowhere", v.ID, "%s runs along no member yet: choose one.", loadName(v))
				w.missing = true
				continue
			}
			x.metre, x.kilos, x.force = v.Kilos, 0, solid.Vector{}
		default:
			x.kilos = 0
		}
		if x.kilos == 0 && x.metre == 0 && x.force.Len() == 0 {
			w.say("load-nothing", v.ID, "%s weighs nothing yet.", loadName(v))
			w.missing = true
		}
		w.masses = append(w.masses, x)
		w.acts(x, places)
		if x.person == 0 {
			w.held.Carries += x.kilos
			if x.member >= 0 {
				w.held.Carries += x.metre * w.m.b.runs[x.member].length / 1000
			}
			for _, n := range x.nodes {
				w.nodes[n] += x.kilos / float64(len(x.nodes))
			}
		}
	}
	for _, p := range w.m.b.Plates {
		for i, r := range w.m.b.runs {
			if r.ID == p.Member {
				n := w.m.node[r.From]
				if p.End == "b" {
					n = w.m.node[r.To]
				}
				w.masses = append(w.masses, mass{name: plateName(p.Plate), kilos: p.Mass, nodes: []string{n}, at: w.m.in.Nodes[n], member: -1})
				w.nodes[n] += p.Mass
				_ = i
			}
		}
	}
}

// acts notes where a load is drawn.
func (w *weighing) acts(x mass, places []solid.Vector) {
	way := solid.Vector{0, 0, -1}
	if x.force.Len() > 0 {
		way = x.force.Unit()
	}
	if x.member >= 0 {
		r := w.m.b.runs[x.member]
		spots := []float64{x.along}
		if x.metre > 0 {
			spots = []float64{.1 * r.length, .3 * r.length, .5 * r.length, .7 * r.length, .9 * r.length}
		}
		for _, t := range spots {
			places = append(places, r.start.Add(r.axes.X.Mul(t)))
		}
	}
	for _, p := range places {
		w.held.Acts = append(w.held.Acts, Acting{p, way})
	}
}

func b2f(v bool) float64 {
	if v {
		return 1
	}
	return 0
}

func loadName(l Load) string {
	if l.Name == "" {
		return "a load without a name"
	}
	return l.Name
}

// loading is every mass under one acceleration, g; people by what they weigh
// when people is not 0, times that.
func (w *weighing) loading(net solid.Vector, people, forces float64) frame.Loading {
	c := frame.Loading{Nodes: map[string][6]float64{}, Members: make([]frame.MemberLoad, len(w.m.in.Members))}
	for k, m := range w.m.in.Members { // own weight
		c.Members[k].Uniform = net.Mul(m.Mass * load.G / 1000)
	}
	at := func(nodes []string, place, force solid.Vector) {
		points := make([]solid.Vector, len(nodes))
		for i, n := range nodes {
			points[i] = w.m.in.Nodes[n]
		}
		forces, moment := spread(points, place, force)
		for i, f := range forces {
			v := c.Nodes[nodes[i]]
			for k := range 3 {
				v[k] += f[k]
				v[3+k] += moment[k]
			}
			c.Nodes[nodes[i]] = v
		}
	}
	for _, x := range w.masses {
		f := net.Mul(x.kilos * load.G)
		if x.person > 0 {
			f = solid.Vector{0, 0, -x.kilos * load.G * x.person * people}
		}
		f = f.Add(x.force.Mul(forces))
		switch {
		case x.metre > 0:
			for _, k := range w.m.of[x.member] {
				for d := range 3 {
					c.Members[k].Uniform[d] += net[d] * x.metre * load.G / 1000
				}
			}
		case x.member >= 0:
			list := w.m.of[x.member]
			k := list[0]
			for _, i := range list {
				if w.m.parts[i].from <= x.along {
					k = i
				}
			}
			c.Members[k].Points = append(c.Members[k].Points, frame.PointLoad{At: x.along - w.m.parts[k].from, Force: f})
		default:
			at(x.nodes, x.at, f)
		}
	}
	return c
}

// cases solves all of them.
func (w *weighing) cases() error {
	people := false
	for _, x := range w.masses {
		people = people || x.person > 0
	}
	solve := func(name string, net solid.Vector, crowd float64, factored load.Case, load16, live float64) error {
		service, err := w.m.solved.Case(w.loading(net, crowd, 1))
		if err != nil {
			return err
		}
		design := service
		if w.ask.Rule.School == strength.Factored {
			if design, err = w.m.solved.Case(w.loading(solid.Vector(factored.Net), crowd*live, load16)); err != nil {
				return err
			}
		}
		w.held.Cases = append(w.held.Cases, name)
		w.answers = append(w.answers, answered{name, design, service})
		return nil
	}
	for _, c := range w.ask.Cases {
		if err := solve(c.Name, c.Net, 0, c.Factored(w.ask.Rule.School), 1.6, 0); err != nil {
			return err
		}
	}
	if people {
		return solve("stood on, 1 g down", solid.Vector{0, 0, -1}, 1, load.Case{Net: [3]float64{0, 0, -1.2}}, 1.6, 1.6)
	}
	return nil
}

// supports tells what each takes.
func (w *weighing) supports() {
	for _, s := range w.m.b.laid.supports {
		n, ok := w.m.node[s.Point]
		if _, used := w.m.in.Nodes[n]; !ok || !used {
			continue
		}
		x := SupportHeld{Point: s.Point, Name: w.m.b.laid.name(s.Point), Kind: s.Kind}
		for i, a := range w.answers {
			r := a.design.Reactions[n]
			if i == 0 {
				x.Rest = a.service.Reactions[n]
			}
			if f := (solid.Vector{r[0], r[1], r[2]}).Len(); f > x.Force {
				x.Force, x.Worst, x.Case = f, r, a.name
			}
			x.Lifts = x.Lifts || r[2] < -1
		}
		w.held.Supports = append(w.held.Supports, x)
	}
}

// moves finds the largest movement under service loads.
func (w *weighing) moves(d Doc) {
	v := &w.held.Moves
	worst := -1
	for i, a := range w.answers {
		if a.service.MaxDisplacement > v.Most || worst < 0 {
			v.Most, v.Case, worst = a.service.MaxDisplacement, a.name, i
		}
	}
	most := -1.0
	for i := range w.held.Members {
		x := &w.held.Members[i]
		list := w.m.of[i]
		if len(list) == 0 {
			continue
		}
		var shape []frame.Station
		for _, k := range list {
			for _, s := range w.answers[worst].service.Along(k, 10) {
				s.At += w.m.parts[k].from
				shape = append(shape, s)
			}
		}
		for k := range x.Along {
			x.Along[k].Shift = between(shape, x.Along[k].At)
		}
		for _, s := range shape {
			if l := s.Shift.Len(); l > most {
				most, v.Member = l, x.Name
			}
		}
	}
	work := w.answers[worst].service.Working
	v.Work = &work
	if d.Sags > 0 {
		v.Limit = d.Sags
		c := strength.Check{Key: "moves", Name: "how far it moves", Case: v.Case, Where: v.Member, Demand: v.Most, Capacity: d.Sags, Unit: "mm", Working: &work}
		c.Utilisation, c.Verdict = strength.Judge(v.Most, d.Sags)
		v.Check = &c
	}
}

// between answers the movement at a place between two stations.
func between(list []frame.Station, at float64) solid.Vector {
	for i := 1; i < len(list); i++ {
		a, b := list[i-1], list[i]
		if at <= b.At && b.At > a.At {
			t := math.Max(0, (at-a.At)/(b.At-a.At))
			return a.Shift.Mul(1 - t).Add(b.Shift.Mul(t))
		}
	}
	return list[len(list)-1].Shift
}

// modes tells the lowest frequencies against road and engine.
func (w *weighing) modes(d Doc) {
	in := w.m.in
	in.Masses = w.nodes
	solved, err := frame.Open(in)
	if err != nil {
		return
	}
	list, err := solved.Modes(3)
	if err != nil {
		w.say("frequencies", "", "The natural frequencies cannot be said: %v", err)
		return
	}
	road := d.Shakes.Road
	if road == 0 {
		road = 15
	}
	for _, m := range list {
		t := ModeTold{Hertz: m.Hertz, Verdict: strength.Holds, Says: fmt.Sprintf("above the road's %.3g Hz", road), Shape: map[string]solid.Vector{}}
		if m.Hertz < 1.3*road {
			t.Verdict, t.Says = strength.Tight, fmt.Sprintf("the road shakes it up to %.3g Hz: it will swing and tire. Stiffen it, or bring what it carries nearer.", road)
		}
		for name, rpm := range map[string]float64{"idle": d.Shakes.Idle, "under way": d.Shakes.Cruise} {
			if rpm <= 0 || d.Shakes.Cylinders <= 0 {
				continue
			}
			fires := rpm / 60 * float64(d.Shakes.Cylinders) / 2
			if math.Abs(m.Hertz-fires) < .2*fires {
				t.Verdict, t.Says = strength.Tight, fmt.Sprintf("the engine fires at %.3g Hz %s: within a fifth of it, it will hum.", fires, name)
			}
		}
		for _, j := range w.m.b.laid.joints {
			if s, ok := m.Shape[w.m.node[j.ID]]; ok {
				t.Shape[j.ID] = solid.Vector{s[0], s[1], s[2]}
			}
		}
		w.held.Modes = append(w.held.Modes, t)
	}
}
