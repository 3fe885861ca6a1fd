package held

import (
	"fmt"

	"warmanvil/core/frame"
	"warmanvil/core/member"
	"warmanvil/core/member/shape"
	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// weighing is a frame on the way to its answer.
type weighing struct {
	m       *model
	d       member.Doc
	ask     Asked
	held    *Held
	masses  []mass             // what accelerates
	nodes   map[string]float64 // kg at nodes, for frequencies
	riders  []frame.Rider      // kg above them
	metres  map[int]float64    // kg/m along runs
	answers []answered
	missing []string // what keeps it from an answer
	stable  frame.Stability
	unsaid  string    // why its buckling cannot be said
	pressed []float64 // N, largest compression by run
	presser float64   // N, the largest of them all
}

// mass is a weight shared by nodes, or along a member.
type mass struct {
	name   string
	kilos  float64
	nodes  []string
	at     solid.Vector // its centre of gravity
	member int          // index of a run, −1 for none
	metre  float64      // kg/m along the member
	person float64      // factor of stepping down; 0 for what stays on board
	force  solid.Vector // N, of what does not accelerate
	feet   bool         // a device on feet: they never share quite alike
}

// answered is a solved case with its service twin.
type answered struct {
	name    string
	design  *frame.Answer
	service *frame.Answer
	looks   []look // along the member that is being asked
}

func (w *weighing) say(code, feature, format string, args ...any) {
	w.held.Findings = append(w.held.Findings,
		working.Finding{Code: code, Severity: working.Mind, Cause: "Loads", Feature: feature, Reason: fmt.Sprintf(format, args...)})
}

// lacks says what keeps the frame from an answer.
func (w *weighing) lacks(code, feature, format string, args ...any) {
	w.say(code, feature, format, args...)
	w.missing = append(w.missing, fmt.Sprintf(format, args...))
}

// gather turns loads into masses and forces on nodes and members.
func (w *weighing) gather() {
	w.nodes, w.metres = map[string]float64{}, map[int]float64{}
	for _, v := range w.m.b.Laid.Loads {
		w.gatherOne(v)
	}
	for _, p := range w.m.b.Plates {
		for _, r := range w.m.b.Runs {
			if r.ID == p.Member {
				n := w.m.node[r.From]
				if p.End == "b" {
					n = w.m.node[r.To]
				}
				w.masses = append(w.masses, mass{name: shape.PlateName(p.Plate), kilos: p.Mass, nodes: []string{n}, at: w.m.in.Nodes[n], member: -1})
				w.nodes[n] += p.Mass
			}
		}
	}
}

func (w *weighing) gatherOne(v member.Load) {
	if v.Kind == "device" && w.ask.Elsewise[v.Device] {
		w.say("device-joined", v.ID, "%s stands on it by a joint: what it puts on the frame comes from there, and this load is left out.",
			loadName(v))
		return
	}
	x, places, ok := w.rests(v)
	if !ok {
		return
	}
	for _, p := range places {
		x.at = x.at.Add(p.Mul(1 / float64(len(places))))
	}
	x.at[2] += v.High
	if !w.heavy(v, &x) {
		return
	}
	if x.kilos == 0 && x.metre == 0 && x.force.Len() == 0 {
		w.lacks("load-nothing", v.ID, "%s weighs nothing yet.", loadName(v))
	}
	w.masses = append(w.masses, x)
	w.acts(x, places)
	if x.person > 0 {
		return
	}
	w.held.Carries += x.kilos
	if x.metre > 0 {
		w.held.Carries += x.metre * w.m.b.Runs[x.member].Length / 1000
		w.metres[x.member] += x.metre
		return
	}
	if x.kilos > 0 {
		w.rides(x)
	}
}

// rests finds what carries a load, by node or along a member, and the places in
// mm where it rests; false where it acts nowhere, which is said.
func (w *weighing) rests(v member.Load) (mass, []solid.Vector, bool) {
	l := w.m.b.Laid
	x := mass{name: v.Name, kilos: v.Kilos, member: -1, force: v.Force}
	var places []solid.Vector
	for _, id := range v.Points {
		n, ok := w.m.node[id]
		if _, used := w.m.in.Nodes[n]; !ok || !used {
			w.lacks("load-point", v.ID, "%s is to rest on %s, where no member runs: the other points would take its share.", loadName(v), l.Name(id))
			continue
		}
		x.nodes, places = append(x.nodes, n), append(places, l.Joints[l.At[id]].At)
	}
	for i, r := range w.m.b.Runs {
		if v.Member != "" && r.ID == v.Member && w.m.b.Pieces[i].Why == "" {
			x.member = i
		}
	}
	switch {
	case x.member < 0 && len(x.nodes) == 0:
		w.lacks("load-nowhere", v.ID, "%s acts nowhere yet: choose the points or the member that carries it.", loadName(v))
		return x, nil, false
	case x.member >= 0 && v.Kind != "uniform" && (v.At < 0 || v.At > w.m.b.Runs[x.member].Length):
		w.lacks("load-past", v.ID, "%s lies past the end of its member, which is %.0f mm long.", loadName(v), w.m.b.Runs[x.member].Length)
		return x, nil, false
	case v.Kind == "uniform" && x.member < 0:
		w.lacks("load-nowhere", v.ID, "%s runs along no member yet: choose one.", loadName(v))
		return x, nil, false
	}
	if x.member >= 0 && v.Kind != "uniform" { // a node stands where it acts
		n := w.m.landed[loadKey(v)]
		x.nodes, places = []string{n}, []solid.Vector{w.m.in.Nodes[n]}
		if r := w.m.b.Runs[x.member]; n != "" {
			places[0] = r.Start.Add(r.Axes.X.Mul(v.At))
		}
		x.member = -1
	}
	return x, places, true
}

// heavy says what a load weighs or pushes with; false where nobody knows.
func (w *weighing) heavy(v member.Load, x *mass) bool {
	switch v.Kind {
	case "device":
		dev, ok := w.ask.Devices[v.Device]
		if !ok || dev.Kilos <= 0 {
			w.lacks("device-unknown", v.ID, "%s: the device's mass is not known. Give it in the brief.", loadName(v))
			return false
		}
		x.kilos, x.force, x.feet = dev.Kilos, solid.Vector{}, len(x.nodes) > 3
		if dev.Gravity != nil {
			x.at = x.at.Add(*dev.Gravity)
			if dev.Gravity[2] != 0 {
				x.at[2] -= v.High
			}
		} else if v.High == 0 {
			w.lacks("gravity-unknown", v.ID, "%s: the height of its centre of gravity is not known; it tips harder than if it had none. Give it "+
				"here or in the brief.", loadName(v))
		}
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
		x.metre, x.kilos, x.force = v.Kilos, 0, solid.Vector{}
	default:
		x.kilos = 0
	}
	return true
}

// rides counts a mass for the frequencies: at its nodes, and where it stands above
// them or lies beside, as a body that tips with them.
func (w *weighing) rides(x mass) {
	points := make([]solid.Vector, len(x.nodes))
	var middle solid.Vector
	for i, n := range x.nodes {
		points[i] = w.m.in.Nodes[n]
		middle = middle.Add(points[i].Mul(1 / float64(len(x.nodes))))
	}
	if x.at.Sub(middle).Len() < 1 {
		for _, n := range x.nodes {
			w.nodes[n] += x.kilos / float64(len(x.nodes))
		}
		return
	}
	r := frame.Rider{Mass: x.kilos}
	for d := range 3 {
		var way solid.Vector
		way[d] = 1
		forces, moment := spread(points, nil, x.at, way)
		r.Moves[d] = map[string][6]float64{}
		for i, n := range x.nodes {
			v := r.Moves[d][n]
			for k := range 3 {
				v[k] += forces[i][k]
				v[3+k] += moment[k]
			}
			r.Moves[d][n] = v
		}
	}
	w.riders = append(w.riders, r)
}

// acts notes where a load is drawn.
func (w *weighing) acts(x mass, places []solid.Vector) {
	way := solid.Vector{0, 0, -1}
	if x.force.Len() > 0 {
		way = x.force.Unit()
	}
	if x.metre > 0 {
		r := w.m.b.Runs[x.member]
		for _, t := range []float64{.1, .3, .5, .7, .9} {
			places = append(places, r.Start.Add(r.Axes.X.Mul(t*r.Length)))
		}
	}
	for _, p := range places {
		w.held.Acts = append(w.held.Acts, Acting{p, way})
	}
}

func loadName(l member.Load) string {
	if l.Name == "" {
		return "a load without a name"
	}
	return l.Name
}
