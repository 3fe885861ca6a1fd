package member

import (
	"fmt"

	"warmanvil/core/frame"
	"warmanvil/core/load"
	"warmanvil/core/solid"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

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
				w.say("load-point", v.ID, "%s is to rest on %s, where no member runs: the other points would take its share.", loadName(v), l.name(id))
				w.missing = true
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
