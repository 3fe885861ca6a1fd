package held

import (
	"warmanvil/core/frame"
	"warmanvil/core/load"
	"warmanvil/core/solid"
	"warmanvil/core/strength"
)

// way is one way the frame's own devices stand: by mass, the stiffness of each foot.
type way struct {
	name    string
	mass    int
	weights []float64
}

// ways lists how devices on feet may stand besides all feet alike: each loose, two
// across each other carrying, as brackets are asked.
func (w *weighing) ways() (out []way) {
	for i, x := range w.masses {
		if !x.feet {
			continue
		}
		feet := make([][2]float64, len(x.nodes))
		for k, n := range x.nodes {
			feet[k] = [2]float64{w.m.in.Nodes[n][0], w.m.in.Nodes[n][1]}
		}
		for _, s := range load.Sharings(feet)[1:] {
			weights := make([]float64, len(feet))
			for k := range weights {
				weights[k] = 1
				switch {
				case s.Loose != nil && *s.Loose == k:
					weights[k] = 1e-9
				case s.Carrying != nil && k != s.Carrying[0] && k != s.Carrying[1]:
					weights[k] = 1e-3
				}
			}
			name := s.Name
			if x.name != "" {
				name = x.name + ": " + s.Name
			}
			out = append(out, way{name, i, weights})
		}
	}
	return out
}

// loading is every mass under one acceleration, g; people by what they weigh
// when people is not 0, times that; typed forces times forces.
func (w *weighing) loading(net solid.Vector, people, forces float64, how *way, lands []Wrench) frame.Loading {
	c := frame.Loading{Nodes: map[string][6]float64{}, Members: make([]frame.MemberLoad, len(w.m.in.Members))}
	for k, m := range w.m.in.Members { // own weight
		c.Members[k].Uniform = net.Mul(m.Mass * load.G / 1000)
	}
	put := func(n string, force, moment solid.Vector) {
		v := c.Nodes[n]
		for k := range 3 {
			v[k] += force[k]
			v[3+k] += moment[k]
		}
		c.Nodes[n] = v
	}
	for i, x := range w.masses {
		f := net.Mul(x.kilos * load.G)
		if x.person > 0 {
			f = solid.Vector{0, 0, -x.kilos * load.G * x.person * people}
		}
		f = f.Add(x.force.Mul(forces))
		if x.metre > 0 {
			for _, k := range w.m.of[x.member] {
				for d := range 3 {
					c.Members[k].Uniform[d] += net[d] * x.metre * load.G / 1000
				}
			}
			continue
		}
		points := make([]solid.Vector, len(x.nodes))
		for k, n := range x.nodes {
			points[k] = w.m.in.Nodes[n]
		}
		var weights []float64
		if how != nil && how.mass == i {
			weights = how.weights
		}
		forces, moment := spread(points, weights, x.at, f)
		for k, f := range forces {
			put(x.nodes[k], f, moment)
		}
	}
	for i, l := range lands {
		n := w.m.landed[landKey(i)]
		if n == "" {
			continue
		}
		place := w.ask.Lands[i].At
		put(n, l.Force, l.Moment.Add(place.Sub(solid.Vector(w.m.in.Nodes[n])).Cross(l.Force)))
	}
	return c
}

// cases solves all of them.
func (w *weighing) cases() error {
	people := false
	for _, x := range w.masses {
		people = people || x.person > 0
	}
	factored := w.ask.Rule.School == strength.Factored
	solve := func(name string, service, design frame.Loading) error {
		a, err := w.m.solved.Case(service)
		if err != nil {
			return err
		}
		b := a
		if factored {
			design.Coarse = true
			if b, err = w.m.solved.Case(design); err != nil {
				return err
			}
		}
		w.held.Cases = append(w.held.Cases, name)
		w.answers = append(w.answers, answered{name: name, design: b, service: a})
		return nil
	}
	ways := w.ways()
	typed := w.ask.typedFactor()
	for _, h := range w.ask.cases() {
		service := h.Service
		if service == nil {
			service = h.Lands
		}
		if err := solve(h.Name, w.loading(h.Net, 0, 1, nil, service), w.loading(h.Design, 0, typed, nil, h.Lands)); err != nil {
			return err
		}
		if h.Only {
			continue
		}
		for i := range ways {
			one := w.loading(h.Net, 0, 1, &ways[i], service)
			one.Coarse = true
			if err := solve(h.Name+", "+ways[i].name, one, w.loading(h.Design, 0, typed, &ways[i], h.Lands)); err != nil {
				return err
			}
		}
	}
	if people {
		rest := load.Case{Net: [3]float64{0, 0, -1}}
		design := solid.Vector{0, 0, -1.2}
		if !factored {
			design = rest.Net
		}
		return solve("stood on, 1 g down", w.loading(rest.Net, 1, 1, nil, nil), w.loading(design, typed, typed, nil, nil))
	}
	return nil
}

// presses finds each member's largest compression over all cases, and from that how
// many times its loads the structure bears before it buckles.
func (w *weighing) presses() {
	w.pressed = make([]float64, len(w.m.b.Runs))
	parts := make([]float64, len(w.m.in.Members))
	for _, a := range w.answers {
		for k := range parts {
			e := a.design.Members[k]
			n := max(e.I[0], -e.J[0]) // pressing, larger of both ends
			parts[k] = max(parts[k], n)
			w.presser = max(w.presser, n)
			i := w.m.parts[k].run
			w.pressed[i] = max(w.pressed[i], n)
		}
	}
	s, err := w.m.solved.Buckles(w.ask.Within(), parts, stableFar)
	if err != nil {
		w.unsaid = err.Error()
	}
	w.stable = s
}

// stableFar is how many times its loads a frame is looked at for buckling: beyond,
// it makes less than two in a hundred of difference.
const stableFar = 100.
