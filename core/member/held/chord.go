package held

import (
	"fmt"
	"math"

	"warmanvil/core/member"
	"warmanvil/core/member/shape"
	"warmanvil/core/section"
	"warmanvil/core/solid"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// The factors of AISC 360 K3 on the yielding of a chord's wall: 1.50 and 1.00 for
// rectangular chords, 1.67 and 0.90 for round ones; punching 1.58 and 0.95.
var (
	wallBends  = strength.Factors{Omega: 1.5, Phi: 1}
	roundBends = strength.Factors{Omega: 1.67, Phi: .9}
	punches    = strength.Factors{Omega: 1.58, Phi: .95}
)

// branch is a member's end on the wall of a chord.
type branch struct {
	e            int
	chord        *shape.Run
	sine         float64      // of the angle between them
	out, in      solid.Vector // ways of the moments: that bends in their plane, and out of it
	across, long float64      // mm, of the branch on the chord's face
	face         float64      // mm, width of the chord's face
	part         int          // member of the model that is the chord there
	first        bool         // its first end lies at the joint
	area         float64      // mm², of the chord
	high, side   float64      // mm³, its moduli in height and sideways
	open         string       // why it cannot be asked
}

// bentBy answers a section's area and elastic moduli about its principal axes.
func bentBy(r *shape.Run) (area, high, side float64) {
	_, iy, iz := principal(r)
	z, y := 0., 0.
	for _, f := range fibres(r) {
		z, y = max(z, math.Abs(f.z)), max(y, math.Abs(f.y))
	}
	return r.Props.Area, iy / z, iz / y
}

// needless says why an end puts nothing on a chord's wall; "" where it does, and then
// which run the chord is; −1 where that is not said.
func (a *asking) chordAt(e int) (needless string, chord int) {
	m, r := a.w.m, a.r
	end, point := r.A, r.From
	if e == 1 {
		end, point = r.B, r.To
	}
	for k, o := range m.b.Runs {
		if end.Onto == "" || o.ID != end.Onto || m.b.Pieces[k].Why != "" {
			continue
		}
		if end.Kind == member.Mitre {
			return "mitred: wall meets wall", 0
		}
		return "", k
	}
	others, related := 0, ""
	for k, o := range m.b.Runs {
		if k == a.i || m.b.Pieces[k].Why != "" || m.node[o.From] != m.node[point] && m.node[o.To] != m.node[point] {
			continue
		}
		meets := o.A
		if m.node[o.To] == m.node[point] {
			meets = o.B
		}
		switch {
		case meets.Onto == r.ID:
			related = "others stand on it"
		case math.Abs(o.Axes.X.Dot(r.Axes.X)) > .999:
			related = "it goes on in one line"
		case meets.Kind == "" || meets.Kind == member.Square: // what meets another says itself where it stands
			others++
		}
	}
	if related != "" {
		return related, 0
	}
	if others > 0 {
		return "", -1
	}
	return "it ends on no other member", 0
}

func (a *asking) branches() (list []branch, said []string) {
	m := a.w.m
	for e, x := range a.ends() {
		if x.free != "" {
			said = append(said, x.free)
			continue
		}
		if x.plate != nil {
			said = append(said, "a plate is between")
			continue
		}
		why, k := a.chordAt(e)
		if why != "" {
			said = append(said, why)
			continue
		}
		b := branch{e: e}
		name := [2]string{"first", "second"}[e]
		if k < 0 {
			b.open = fmt.Sprintf("its %s end meets another member and it is not said how: choose which it stands on, or mitre both.", name)
			list = append(list, b)
			continue
		}
		o := m.b.Runs[k]
		switch o.Section.Kind {
		case "rectTube", "roundTube":
		case "roundBar", "flatBar":
			said = append(said, "what it meets is solid")
			continue
		default:
			b.open = fmt.Sprintf("its %s end stands on the wall of %s, which is open: put a plate or gusset between that reaches both flanges, or "+
				"ask an engineer.", name, o.Named())
			list = append(list, b)
			continue
		}
		b.chord = o
		x, c := a.r.Axes.X, o.Axes.X
		n := x.Cross(c)
		if b.sine = n.Len(); b.sine < .3 {
			b.open = fmt.Sprintf("its %s end meets %s at less than 17°: no rule is there for it.", name, o.Named())
			list = append(list, b)
			continue
		}
		b.out = n.Mul(1 / b.sine) // a moment along it bends the branch in the plane of both
		b.in = b.out.Cross(x)
		b.across, b.long = a.r.Size(b.out), a.r.Size(b.in)/b.sine
		b.face = o.Size(b.out)
		b.area, b.high, b.side = bentBy(o)
		node := m.in.Members[m.of[a.i][0]].From
		if e == 1 {
			node = m.in.Members[m.of[a.i][len(m.of[a.i])-1]].To
		}
		b.part = -1
		for _, p := range m.of[k] {
			if m.in.Members[p].From == node {
				b.part, b.first = p, true
			} else if m.in.Members[p].To == node && b.part < 0 {
				b.part = p
			}
		}
		list = append(list, b)
	}
	return list, said
}

// walled is what a chord's wall bears of a branch: a force square to it and moments
// in and out of the plane of both, N and N·mm, ready to be used.
type walled struct{ force, in, out float64 }

// wallOf answers AISC 360 K3 for a branch on a chord: T and Y connections of
// rectangular tubes (Tables K3.2 and K4.2: the wall yields, up to β of 0.85 counted;
// side walls yield past that; punching) and round ones (K3.1, K4.1). used is how hard
// the chord's own stress is, as a share of its yield.
func wallOf(rule strength.Rule, s section.Sizes, b branch, yield, used float64) (out walled, source string) {
	t := s.Wall
	if s.Kind == "roundTube" {
		beta, gamma := min(b.across/s.Diameter, 1), s.Diameter/(2*t)
		qf := max(1-.3*used*(1+used), .1)
		base := yield * t * t * qf
		out.force = rule.Capacity(base*(3.1+15.6*beta*beta)*math.Pow(gamma, .2)/b.sine, roundBends)
		out.in = rule.Capacity(5.39*base*math.Sqrt(gamma)*beta*b.across/b.sine, roundBends)
		out.out = rule.Capacity(base*b.across*3/(1-.81*beta)/b.sine, roundBends)
		return out, "AISC 360 K3.1, K4.1: round chord"
	}
	beta := min(b.across/b.face, 1)
	gamma := b.face / (2 * t)
	qf := min(1, max(1.3-.4*used/max(beta, .1), .1))
	base := yield * t * t * qf
	be := min(beta, .85)
	eta := b.long / b.face
	out.force = rule.Capacity(base*(2*eta/(1-be)+4/math.Sqrt(1-be))/b.sine, wallBends)
	out.in = rule.Capacity(base*b.long*(1/(2*eta)+2/math.Sqrt(1-be)+eta/(1-be)), wallBends)
	out.out = rule.Capacity(base*(.5*b.long*(1+be)/(1-be)+math.Sqrt(2*b.face*b.across*(1+be)/(1-be))), wallBends)
	if beta > .85 { // the side walls are pressed
		reach := 5*t + b.long
		out.force = min(out.force, rule.Capacity(2*yield*t*reach/b.sine, wallBends))
		out.in = min(out.in, rule.Capacity(.5*yield*t*reach*reach, wallBends))
		out.out = min(out.out, rule.Capacity(yield*t*(b.face-t)*reach, wallBends))
	}
	if beta < 1-1/gamma {
		eop := min(5*beta/gamma, beta)
		out.force = min(out.force, rule.Capacity(.6*yield*t*b.face*(2*eta+2*eop)/b.sine, punches))
	}
	return out, "AISC 360 K3.2, K4.2: rectangular chord"
}

// chord asks the walls of the members this one stands on.
func (a *asking) chord() mode {
	m := mode{Key: "chord", Name: "wall of the member it meets", Idle: "Nothing goes through its ends."}
	list, said := a.branches()
	if len(list) == 0 {
		m.Needless = fmt.Sprintf("It stands on no wall: at its first end %s, at its second %s.", said[0], said[len(said)-1])
		return m
	}
	used := func(c *answered, b *branch) float64 {
		if b.part < 0 {
			return 0
		}
		f := c.design.Members[b.part].J
		if b.first {
			f = c.design.Members[b.part].I
		}
		return (math.Abs(f[0])/b.area + math.Abs(f[4])/b.high + math.Abs(f[5])/b.side) / a.yield
	}
	split := func(c *answered, b *branch) (n, in, out float64) {
		f := a.force(c, b.e)
		parts := a.w.m.of[a.i]
		k := parts[0]
		if b.e == 1 {
			k = parts[len(parts)-1]
		}
		axes := a.w.m.solved.Axes(k)
		v := axes[0].Mul(f[3]).Add(axes[1].Mul(f[4])).Add(axes[2].Mul(f[5]))
		return math.Abs(f[0]), math.Abs(v.Dot(b.out)), math.Abs(v.Dot(b.in))
	}
	m.Unsure = func(c *answered) string {
		for i := range list {
			if f := a.force(c, list[i].e); list[i].open != "" && (math.Abs(f[0]) > 1 || math.Hypot(f[4], f[5]) > 1) {
				return list[i].open
			}
		}
		return ""
	}
	m.Spot = func(_ *answered, h strength.Hit) (string, string) {
		b := list[h.At]
		if b.chord == nil {
			return a.r.ID, a.r.Named()
		}
		return a.r.ID, fmt.Sprintf("%s, %s end on %s", a.r.Named(), [2]string{"first", "second"}[b.e], b.chord.Named())
	}
	m.Eval = func(c *answered) strength.Hit {
		return strength.HardestOf(len(list), func(i int) (float64, float64) {
			b := &list[i]
			if b.open != "" {
				return 0, 1
			}
			n, in, out := split(c, b)
			may, _ := wallOf(a.w.ask.Rule, b.chord.Section, *b, a.yield, used(c, b))
			return n/may.force + in/may.in + out/may.out, 1
		})
	}
	m.Explain = func(c *answered, h strength.Hit) working.Working {
		b := &list[h.At]
		if b.open != "" {
			return working.Working{Method: "Wall under a branch", Source: "AISC 360 K3", Formula: "u = N/Na + Mi/Mia + Mo/Moa",
				Inputs: []working.Quantity{}, Steps: []working.Quantity{}, Assumptions: []string{b.open},
				Result: amount("u", "share used", h.Demand, "")}
		}
		n, in, out := split(c, b)
		u := used(c, b)
		may, source := wallOf(a.w.ask.Rule, b.chord.Section, *b, a.yield, u)
		return working.Working{Method: "Wall of " + b.chord.Named() + " under " + a.r.Named(), Source: source + "; sum of shares",
			Formula: "u = N/Na + Mi/Mia + Mo/Moa",
			Assumptions: []string{a.w.ask.Rule.Says(wallBends),
				"the branch's own twist is left out; what is bent in one plane and the other adds up"},
			Inputs: []working.Quantity{newtons("N", "along the branch", n), moment("Mi", "bent in the plane of both", in),
				moment("Mo", "bent out of it", out), working.MM("Bb", "branch across the face", b.across), working.MM("Hb", "branch along it", b.long),
				working.MM("B", "face of the chord", b.face), working.MM("t", "its wall", b.chord.Section.Wall), mpa("Fy", "yield", a.yield),
				amount("U", "the chord's own stress as a share of yield", u, "")},
			Steps: []working.Quantity{newtons("Na", "force it bears", may.force), moment("Mia", "moment in the plane", may.in),
				moment("Moa", "moment out of it", may.out)}, Result: amount("u", "share used", h.Demand, "")}
	}
	return m
}
