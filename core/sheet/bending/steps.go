package bending

import (
	"math"
	"strings"

	"warmanvil/core/profile"
	"warmanvil/core/sheet/lay"
	"warmanvil/core/solid"
)

// Asked is what is known beside a part's shape.
type Asked struct {
	Brakes []Brake                                // it is bent on, the one taken first, first
	Others []Brake                                // of other sorts, that are there
	Mass   float64                                // kg
	Lift   float64                                // kg the job lets one person lift; the strongest there where it does not say
	Force  func(length, opening float64) *float64 // N of a bend; nil where no press makes it
}

// far is how much sheet may hang out before a second person holds it, mm (practice).
const far = 1000.

// told writes a plan as steps.
func (p *planner) told(l *lay.Laid, out *Bending, plan plan, ask Asked) {
	for i := range p.body.panels {
		q := &p.body.panels[i]
		out.Plates = append(out.Plates, BendingPlate{q.id, q.name, q.rim})
	}
	made := uint64(0)
	for i, m := range plan.moves {
		s := p.step(l, m, made, ask)
		s.Order = i + 1
		if i > 0 {
			s.Turned, s.Round = p.turned(plan.moves[i-1], m)
			if s.Turned {
				out.Over++
			}
			if s.Round != 0 {
				out.Round++
			}
		}
		out.Steps = append(out.Steps, s)
		made |= 1 << m.stroke
	}
}

func (p *planner) step(l *lay.Laid, m move, made uint64, ask Asked) BendingStep {
	t, r := &p.body.strokes[m.stroke], &p.rigs[m.stroke]
	deg := 180 / math.Pi
	s := BendingStep{Name: p.strokeName(m.stroke), SideUp: "good", Angle: t.fold * deg, Opens: 180 - t.fold*deg,
		Length: l.Length(t.to - t.from),
		Held:   ask.Mass}
	for _, i := range t.panels {
		s.IDs = append(s.IDs, p.body.panels[i].id)
	}
	if !t.up {
		s.SideUp = "back"
	}
	if t.set {
		aim := t.aim * deg
		s.Aim = &aim
		if p.brake.Kind == Leaf {
			half := aim / 2
			s.Half = &half
		}
	}
	u := &r.uppers[m.stands.upper]
	s.Upper = p.toolTold(l, p.brake.Upper[u.tool].Name, u.setup, u.shift, t.to-t.from)
	if p.brake.Kind == Press {
		name := p.brake.Die.Name
		if !p.brake.Die.Said {
			name += " of " + l.Len(p.brake.Die.Opening)
		}
		die := p.toolTold(l, name, r.lowers[m.stands.lower].setup,
			r.lowers[m.stands.lower].shift, t.to-t.from)
		s.Die = &die
		if ask.Force != nil {
			s.Force = ask.Force(t.to-t.from, p.brake.Die.Opening)
		}
	}
	w := walker{planner: p}
	hang := w.overhang(made, m)
	s.Overhang = l.Length(hang)
	switch {
	case ask.Lift > 0 && ask.Mass > ask.Lift:
		s.Second = "heavier than the job lets one person lift"
	case ask.Lift == 0 && p.brake.Lift > 0 && ask.Mass > p.brake.Lift:
		s.Second = "heavier than one there lifts"
	case hang > far:
		s.Second = "so much sheet hangs out"
	}
	s.In, s.Out = ways(m.stands.ways, p.brake.Kind), ways(m.stands.ways>>exits, p.brake.Kind)
	s.Clear, s.Near = p.nearest(m, made)
	if t.fold < t.angle {
		s.Note = "a hem: pressed together after, which is not worked out"
		s.Aim, s.Half = nil, nil
	}
	stop, at := p.stop(m, made)
	if s.StopAt = at; stop != nil {
		length := l.Length(*stop)
		s.Stop = &length
		if p.swings(m, made, *stop) {
			s.Note = strings.TrimPrefix(s.Note+"; draw the stop back once the punch pinches: the part swings into it", "; ")
		}
	}
	s.Scene = p.scene(m, made, stop)
	return s
}

func (p *planner) strokeName(s int) string {
	var names []string
	for _, i := range p.body.strokes[s].panels {
		names = append(names, p.body.panels[i].name)
	}
	return strings.Join(names, " with ")
}

func (p *planner) toolTold(l *lay.Laid, name string, s Setup, shift, bend float64) BendingTool {
	t := BendingTool{Name: name, Setup: s, Long: l.Length(s.Long)}
	switch { // a tool shifted to the right has the bend at its left end
	case shift > 1:
		t.At = "at its left end"
	case shift < -1:
		t.At = "at its right end"
	}
	return t
}

// ways says by which ways a part comes in or out: the one taken first.
func ways(w uint8, kind Kind) string {
	switch {
	case w&(1<<byFront) != 0 && kind != Press:
		return "from the front"
	case w&(1<<byLift) != 0:
		return "between the tools, opened"
	case w&(1<<byLeft) != 0:
		return "along the bend, from the left"
	}
	return "along the bend, from the right"
}

// nearest answers what comes nearest to a tool that it does not rest on, and how near.
func (p *planner) nearest(m move, made uint64) (clear float64, near string) {
	clear = math.Inf(1)
	r, t := &p.rigs[m.stroke], &p.body.strokes[m.stroke]
	for i := range p.items {
		if p.skips(m.stroke, i) {
			continue
		}
		if p.lies(m.stroke, i, made) {
			continue
		}
		side, pieces := p.side(m.stroke, i, m.stands.lay), p.placed(m.stroke, i, made)
		for _, list := range [2][]element{r.uppers[m.stands.upper].elements, r.lowers[m.stands.lower].elements} {
			for k := range list {
				h := p.found[m.stroke].w.tools(&r.motion, side, pieces, list[k:k+1], t.aim, nearness)
				if c := float64(h.clear) - drawnIn(p.body.thickness); c < clear {
					clear, near = c, p.itemName(i)+" to "+list[k].what
				}
			}
		}
	}
	if clear > 100 {
		return 100, ""
	}
	return math.Max(clear, 0), near
}

// lies tells whether an item is still flat with what rests on the tools, or runs out of that.
func (p *planner) lies(s, i int, made uint64) bool {
	it := p.items[i]
	if it.strip {
		return p.decide[s][p.itemOf(p.body.on(it))]&made == 0
	}
	return p.decide[s][i]&made == 0
}

func (p *planner) itemName(i int) string {
	it := p.items[i]
	if it.strip {
		return "the bend of " + lay.Lower(p.body.panels[it.panel].name)
	}
	return lay.Lower(p.body.panels[it.panel].name)
}

// The band of heights over the die in which a finger of the stop is met, mm (practice).
const stopLow, stopHigh = -5., 20.

// stop answers how far from the bend line the stop stands and what meets it; nil where it is
// bent to the line.
func (p *planner) stop(m move, made uint64) (*float64, string) {
	if p.brake.Stop <= 0 {
		return nil, "to the line: no back stop"
	}
	t := &p.body.strokes[m.stroke]
	sides, _ := p.rigs[m.stroke].motion.at(0)
	best, what := 0., -1
	var touch []vec
	for i, it := range p.items {
		if p.skips(m.stroke, i) || p.side(m.stroke, i, m.stands.lay) != back {
			continue
		}
		at := sides[back].after(p.body.local(m.stroke, p.body.on(it), made))
		points := p.body.outside(it, made)
		for k := range points {
			points[k] = at.apply(points[k])
		}
		if lo, hi := span(points); hi < stopLow || lo > stopHigh {
			continue
		}
		for _, v := range points {
			switch {
			case v.z < stopLow || v.z > stopHigh:
			case v.y > best+.02:
				best, what, touch = v.y, i, []vec{v}
			case v.y > best-.02:
				touch = append(touch, v)
			}
		}
	}
	if what < 0 {
		return nil, "to the line: nothing reaches a stop"
	}
	from, to := touch[0].x, touch[0].x
	for _, v := range touch {
		from, to = min(from, v.x), max(to, v.x)
	}
	if p.brake.Kind != Press { // the bend line lies before the clamp
		best += t.hinge.allowance / 2
	}
	switch {
	case to-from < 10:
		return nil, "to the line: no edge runs along the bend"
	case best > p.brake.Stop:
		return nil, "to the line: past the reach of the stop"
	}
	name := "edge of " + p.itemName(what)
	if it := p.items[what]; it.strip || p.decide[m.stroke][what]&made != 0 {
		name = "outside of " + p.itemName(what)
	}
	return &best, name
}

func span(list []vec) (lo, hi float64) {
	lo, hi = math.Inf(1), math.Inf(-1)
	for _, v := range list {
		lo, hi = min(lo, v.z), max(hi, v.z)
	}
	return lo, hi
}

// outside answers points of an item's true surface, in the axes of the panel it stands with:
// corners of a panel's faces, or lines along a bend every degree.
func (b *body) outside(it item, made uint64) (out []vec) {
	q, half := &b.panels[it.panel], b.thickness/2
	if !it.strip {
		for _, c := range q.rim {
			out = append(out, vec{c.X, c.Y, -half}, vec{c.X, c.Y, half})
		}
		return out
	}
	if made&(1<<q.stroke) == 0 {
		return nil // its panel reaches farther
	}
	n := int(math.Ceil(q.angle*180/math.Pi - 1e-9))
	for i := range n + 1 {
		f := q.hinge.at(math.Max(q.angle*float64(i)/float64(n), 1e-9), q.angle, q.up)
		if i == 0 {
			f = pose{q.hinge.start, q.hinge.along, q.hinge.out, vec{0, 0, 1}}
		} else {
			f.o = q.hinge.onArc(q.angle*float64(i)/float64(n), q.up)
		}
		for _, z := range [2]float64{-half, half} {
			for _, x := range [2]float64{0, q.hinge.wide} {
				out = append(out, f.apply(vec{x, 0, z}))
			}
		}
	}
	return out
}

// onArc answers a place on the finished bend's middle.
func (h *hinge) onArc(a float64, up bool) vec {
	s := 1.
	if !up {
		s = -1
	}
	sin, cos := math.Sincos(a)
	return h.start.add(h.out.mul(h.mid * sin)).add(vec{0, 0, s * h.mid * (1 - cos)})
}

// moveEvery is how far apart moments are drawn, degrees.
const moveEvery = 3.

// scene answers what a step looks like.
func (p *planner) scene(m move, made uint64, stop *float64) BendingScene {
	t, r := &p.body.strokes[m.stroke], &p.rigs[m.stroke]
	s := BendingScene{From: t.from, To: t.to, Stop: stop, Radius: t.hinge.mid}
	for i, it := range p.items {
		if p.skips(m.stroke, i) {
			continue
		}
		at := p.body.local(m.stroke, p.body.on(it), made)
		b := BendingBody{Plate: -1, Side: p.side(m.stroke, i, m.stands.lay)}
		if it.strip {
			b.Rows = p.rows(it, made, at)
		} else {
			b.Plate, b.At = it.panel, [3]solid.Vector{at.o.vector(), at.x.vector(), at.y.vector()}
		}
		s.Bodies = append(s.Bodies, b)
	}
	for _, list := range [2][]outline{r.lowers[m.stands.lower].drawn, r.uppers[m.stands.upper].drawn} {
		for _, o := range list {
			s.Tools = append(s.Tools, o.told(t))
		}
	}
	deg := 180 / math.Pi
	for a := 0.; ; a += moveEvery / deg {
		a = math.Min(a, t.aim)
		s.Moves = append(s.Moves, moved(r, a))
		if a >= t.aim {
			break
		}
	}
	if t.aim > t.fold+1e-6 {
		s.Moves = append(s.Moves, moved(r, t.fold))
	}
	return s
}

func moved(r *rig, a float64) BendingMove {
	sides, tip := r.motion.at(a)
	deg := 180 / math.Pi
	return BendingMove{Turn: a * deg, Tip: tip,
		Front: [3]float64{sides[front].o.y, sides[front].o.z, math.Atan2(sides[front].y.z, -sides[front].y.y) * deg},
		Back:  [3]float64{sides[back].o.y, sides[back].o.z, math.Atan2(sides[back].y.z, sides[back].y.y) * deg}}
}

// rows answers a bend as lines along it on the middle of the sheet.
func (p *planner) rows(it item, made uint64, at pose) (out [][2]solid.Vector) {
	q := &p.body.panels[it.panel]
	h := &q.hinge
	line := func(o vec) {
		o = at.apply(o)
		out = append(out, [2]solid.Vector{o.vector(), o.add(at.turn(h.along).mul(h.wide)).vector()})
	}
	if made&(1<<q.stroke) == 0 {
		line(h.start)
		line(h.start.add(h.out.mul(h.allowance)))
		return out
	}
	n := max(int(math.Ceil(q.angle/(math.Pi/8))), 2)
	for i := range n + 1 {
		line(h.onArc(q.angle*float64(i)/float64(n), q.up))
	}
	return out
}

// told answers a tool as it is drawn, cut to what is worth drawing.
func (o outline) told(t *stroke) BendingOutline {
	out := BendingOutline{Name: o.what, With: []string{fixed: "fixed", punch: "punch", leaf: "leaf"}[o.with], From: o.from, To: o.to}
	if o.with == leaf { // it is given in the front side's frame
		out.From, out.To = -o.to, -o.from
	}
	out.From, out.To = math.Max(out.From, t.from-150), math.Min(out.To, t.to+150)
	for _, p := range o.face {
		out.Face = append(out.Face, profile.Point{X: p.X, Y: math.Max(math.Min(p.Y, 400), -250)})
	}
	return out
}
