package held

import (
	"cmp"
	"errors"
	"fmt"
	"math"
	"slices"

	"warmanvil/core/frame"
	"warmanvil/core/member"
	"warmanvil/core/member/shape"
	"warmanvil/core/section"
	"warmanvil/core/solid"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// model is a frame as it is solved: members in pieces between nodes. Points that
// lie on another member's line are held by it.
type model struct {
	b        *shape.Built
	in       frame.Input
	solved   *frame.Model
	parts    []part            // of each member of in
	of       map[int][]int     // members of in by index of the run, in order
	node     map[string]string // node of each joint
	landed   map[string]string // node of each load on a member and of each landing
	lost     []working.Finding // what is not joined or held as it was meant
	stops    map[int][]stop    // nodes between a run's ends, by index of the run
	material stock.Material
	modulus  float64
	shear    float64
}

// part is a stretch of a run between two nodes.
type part struct {
	run  int
	from float64 // mm along the run's line
}

// poisson is 0.3 for steel and stainless, 0.33 for aluminium.
func poisson(m stock.Material) float64 {
	if m.Family == stock.Aluminum {
		return .33
	}
	return .3
}

func loadKey(l member.Load) string { return "load " + l.ID }
func landKey(i int) string         { return fmt.Sprintf("landing %d", i) }

// stop is a node on a run, mm along its line.
type stop struct {
	at   float64
	node string
}

// model builds what is solved, with a node wherever something lands on a member.
// Runs that cannot be shown are left out.
func newModel(b *shape.Built, ask Asked) (*model, error) {
	m := &model{b: b, of: map[int][]int{}, node: map[string]string{}, landed: map[string]string{}, stops: map[int][]stop{},
		material: b.Steel, modulus: b.Steel.Modulus}
	m.shear = m.modulus / (2 * (1 + poisson(b.Steel)))
	m.in = frame.Input{Nodes: map[string][3]float64{}, Supports: map[string][6]bool{}, Springs: map[string][6]float64{}}
	index := map[string]int{}
	for i, r := range b.Runs {
		index[r.ID] = i
	}
	m.join(index)
	m.land(index, ask.Lands)
	for i, r := range b.Runs {
		if b.Pieces[i].Why == "" {
			m.stretch(i, r)
		}
	}
	if len(m.in.Members) == 0 {
		return m, working.Refuse("", "There is no member yet that can carry anything: set two points and run a member between them.")
	}
	for _, s := range b.Laid.Supports {
		m.support(s)
	}
	if len(m.in.Supports)+len(m.in.Springs) == 0 {
		return m, working.Refuse("", "Nothing holds the frame: say where it is bolted down, welded on or stands.")
	}
	var err error
	m.solved, err = frame.Open(ask.Within(), m.in)
	return m, m.words(err)
}

// stopAt answers the node on a run at a distance from its first point.
func (m *model) stopAt(k int, t float64) string {
	o, l := m.b.Runs[k], m.b.Laid
	switch {
	case t < shape.Together:
		return m.node[o.From]
	case t > o.Length-shape.Together:
		return m.node[o.To]
	}
	for _, s := range m.stops[k] {
		if math.Abs(s.at-t) < shape.Together {
			return s.node
		}
	}
	name := fmt.Sprintf("%s@%.3f", o.ID, t)
	m.stops[k] = append(m.stops[k], stop{t, name})
	m.in.Nodes[name] = l.Joints[l.At[o.From]].At.Add(o.Axes.X.Mul(t))
	return name
}

// join finds the node of each joint: its own, or one on the member its run meets.
func (m *model) join(index map[string]int) {
	b, l := m.b, m.b.Laid
	for i := range l.Joints {
		m.node[l.Joints[i].ID] = l.Joints[i].ID
	}
	for i, r := range b.Runs {
		if b.Pieces[i].Why != "" {
			continue
		}
		for _, e := range []struct {
			joint string
			onto  string
		}{{r.From, r.A.Onto}, {r.To, r.B.Onto}} {
			k, ok := index[e.onto]
			if !ok || b.Pieces[k].Why != "" {
				continue
			}
			o, j := b.Runs[k], l.Joints[l.At[e.joint]]
			from, to := l.Joints[l.At[o.From]], l.Joints[l.At[o.To]]
			t := j.At.Sub(from.At).Dot(o.Axes.X)
			foot := from.At.Add(o.Axes.X.Mul(t))
			depth := max(o.Box.Right-o.Box.Left, o.Box.Top-o.Box.Bottom)
			switch {
			case j.At.Sub(from.At).Len() < shape.Together || j.At.Sub(to.At).Len() < shape.Together:
			case m.node[j.ID] != j.ID: // held already
			case t < shape.Together || t > o.Length-shape.Together || j.At.Sub(foot).Len() > depth+1:
				m.say("not-joined", working.Mind, r.ID,
					fmt.Sprintf("%s is to meet %s, but its point lies off it: they are not joined.", r.Named(), o.Named()))
			default:
				m.node[j.ID] = m.stopAt(k, t)
			}
		}
	}
}

// land finds the node of each load on a member and of each landing.
func (m *model) land(index map[string]int, lands []Landing) {
	b := m.b
	for _, v := range b.Laid.Loads {
		if k, ok := index[v.Member]; ok && v.Kind != "uniform" && b.Pieces[k].Why == "" && v.At >= 0 && v.At <= b.Runs[k].Length {
			m.landed[loadKey(v)] = m.stopAt(k, v.At)
		}
	}
	for i, v := range lands {
		if k, t := nearestRun(b, v); k >= 0 {
			m.landed[landKey(i)] = m.stopAt(k, t)
		}
	}
}

// stretch makes the members of a run, from stop to stop.
func (m *model) stretch(i int, r *shape.Run) {
	l := m.b.Laid
	list := m.stops[i]
	slices.SortFunc(list, func(a, b stop) int { return cmp.Compare(a.at, b.at) })
	list = append(append([]stop{{0, m.node[r.From]}}, list...), stop{r.Length, m.node[r.To]})
	for _, id := range []string{r.From, r.To} {
		if n := m.node[id]; n == id {
			m.in.Nodes[n] = l.Joints[l.At[id]].At
		}
	}
	arm := func(at float64, node string) *[3]float64 {
		v := [3]float64(r.Start.Add(r.Axes.X.Mul(at)).Sub(solid.Vector(m.in.Nodes[node])))
		if solid.Vector(v).Len() < 1e-9 {
			return nil
		}
		return &v
	}
	up, iy, iz := principal(r)
	for k := 1; k < len(list); k++ {
		u := [3]float64(up)
		p := frame.Member{From: list[k-1].node, To: list[k].node, E: m.modulus, G: m.shear, Area: r.Props.Area, Iy: iy, Iz: iz, J: r.Props.J,
			Mass: r.Props.Area * m.b.Steel.Density * 1e-6, Up: &u}
		p.OffsetI, p.OffsetJ = arm(list[k-1].at, p.From), arm(list[k].at, p.To)
		if k == 1 && r.A.Hinged {
			p.ReleaseI = &[6]bool{4: true, 5: true}
		}
		if k == len(list)-1 && r.B.Hinged {
			p.ReleaseJ = &[6]bool{4: true, 5: true}
		}
		m.of[i] = append(m.of[i], len(m.in.Members))
		m.in.Members = append(m.in.Members, p)
		m.parts = append(m.parts, part{i, list[k-1].at})
	}
}

// nearestRun answers the run a landing is on and how far along it, −1 for none.
func nearestRun(b *shape.Built, v Landing) (run int, along float64) {
	best := math.Inf(1)
	run = -1
	for i, r := range b.Runs {
		if b.Pieces[i].Why != "" || v.Member != "" && r.ID != v.Member && b.Pieces[i].Of != v.Member {
			continue
		}
		d := v.At.Sub(r.Start)
		t := max(0, min(r.Length, d.Dot(r.Axes.X)))
		if off := d.Sub(r.Axes.X.Mul(t)).Len(); off < best {
			best, run, along = off, i, t
		}
	}
	return run, along
}

// words names a refusal's nodes as their user knows them.
func (m *model) words(err error) error {
	var f *working.Fault
	if !errors.As(err, &f) {
		return err
	}
	text := f.Message
	for _, j := range m.b.Laid.Joints {
		if q := fmt.Sprintf("node %q", m.node[j.ID]); j.ID != "" {
			text = replace(text, q, m.b.Laid.Name(j.ID))
		}
	}
	return &working.Fault{Path: f.Path, Message: text}
}

func replace(text, old, with string) string {
	for i := 0; i+len(old) <= len(text); i++ {
		if text[i:i+len(old)] == old {
			return text[:i] + with + text[i+len(old):]
		}
	}
	return text
}

// say tells what is not joined or held as it was meant.
func (m *model) say(code string, severity working.Severity, feature, reason string) {
	m.lost = append(m.lost, working.Finding{Code: code, Severity: severity, Cause: "Points and members", Feature: feature, Reason: reason})
}

func (m *model) support(s member.Support) {
	n, ok := m.node[s.Point]
	if _, used := m.in.Nodes[n]; !ok || !used {
		m.say("support-nowhere", working.Mind, s.Point,
			fmt.Sprintf("It is to be held at %s, but no member runs there.", m.b.Laid.Name(s.Point)))
		return
	}
	hold := [6]bool{true, true, true}
	switch s.Kind {
	case "fixed":
		hold = [6]bool{true, true, true, true, true, true}
	case "sliding":
		if k, ok := map[string]int{"x": 0, "y": 1, "z": 2}[s.Slide]; ok {
			hold[k] = false
		}
	case "rubber":
		m.in.Springs[n] = [6]float64{s.Soft[0], s.Soft[1], s.Soft[2]}
		return
	}
	m.in.Supports[n] = hold
}

// principal answers the way up of a section's principal axes and its moments
// about them.
func principal(r *shape.Run) (up solid.Vector, iy, iz float64) {
	p := r.Props
	turn := 0.0
	if math.Abs(p.Ixy) > 1e-9*(p.Ix+p.Iy) {
		turn = math.Atan2(-2*p.Ixy, p.Ix-p.Iy) / 2
	}
	s, c := math.Sincos(turn)
	s2, c2 := math.Sincos(2 * turn)
	mean, half := (p.Ix+p.Iy)/2, (p.Ix-p.Iy)/2
	return r.Axes.At(-s, c), mean + half*c2 - p.Ixy*s2, mean - half*c2 + p.Ixy*s2
}

// fibre is a corner of a section in its principal axes.
type fibre struct{ y, z float64 }

// fibres answers the corners at which stress is largest; tubes are taken sharp.
func fibres(r *shape.Run) (out []fibre) {
	up, _, _ := principal(r)
	left := up.Cross(r.Axes.X)
	list := r.Outer
	if r.Section.Kind == "rectTube" {
		b := r.Box
		list = [][2]float64{{b.Left, b.Bottom}, {b.Right, b.Bottom}, {b.Right, b.Top}, {b.Left, b.Top}}
	}
	for _, q := range list {
		v := r.Axes.At(q[0], q[1])
		out = append(out, fibre{v.Dot(left), v.Dot(up)})
	}
	return out
}

// twist answers the shear stress of a torque of 1 N·mm and the areas that take
// shear along the section's width and height.
func twist(s section.Sizes, p section.Properties) (perMoment, wide, high float64) {
	switch s.Kind {
	case "rectTube":
		w, h := s.Width-s.Wall, s.Height-s.Wall
		return 1 / (2 * w * h * s.Wall), 2 * s.Width * s.Wall, 2 * s.Height * s.Wall
	case "roundTube":
		return s.Diameter / 2 / p.J, p.Area / 2, p.Area / 2
	case "roundBar":
		return s.Diameter / 2 / p.J, .75 * p.Area, .75 * p.Area
	case "angle":
		return s.Thickness / p.J, s.LegHorizontal * s.Thickness / 1.5, s.LegVertical * s.Thickness / 1.5
	case "channel":
		return max(s.Web, s.Flange) / p.J, 2 * s.FlangeWidth * s.Flange / 1.5, s.Depth * s.Web
	}
	return min(s.Width, s.Height) / p.J, p.Area / 1.5, p.Area / 1.5
}
