package hold

import (
	"fmt"
	"math"

	"warmanvil/core/bolt"
	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/solid"
	"warmanvil/core/strength"
)

// placed is a mount laid out: the fastened panel with its bolts, and where the
// load comes in. Group axes: x along the panel, n away from the vehicle, y so
// that the three are right-handed; the group's centroid is the origin.
type placed struct {
	part      *made.Part
	recipe    *sheet.Recipe
	mat       material
	rule      strength.Rule
	list      []section // lines where the plate may bend, from the load inwards
	lengths   []float64 // mm between them
	mount     Mount
	bolt      bolt.Bolt
	panel     *made.PanelMade
	holes     []*made.HoleMade
	at        []profile.Point // bolts about their centroid
	polar     float64
	xx, yy    float64 // Σx², Σy²
	xy        float64
	origin    solid.Vector
	x, y, n   solid.Vector
	face      [2]profile.Point // the panel's face in group axes: least and most
	load      solid.Vector     // where the load comes in, part axes
	carrying  []*made.HoleMade
	path      []*made.PanelMade // from the carrying panel to the fastened one
	toVehicle [3]solid.Vector   // vehicle x, y, z in part axes
	clear     []float64         // least clear distance round each hole, mm
	outline   []profile.Point
	slots     map[*made.HoleMade][]profile.Point
	seams     [][]solid.Vector // that hold it, where no bolts do
}

// missing tells what keeps a mount from being worked out.
type missing string

func (m missing) Error() string { return string(m) }

func lay(part *made.Part, m Mount) (*placed, error) {
	p := &placed{part: part, mount: m}
	var err error
	if p.bolt, err = m.Bolts.find(); err != nil && len(m.Welded) == 0 {
		return nil, missing(err.Error() + ".")
	}
	if !(m.Doubler >= 0 && m.Doubler <= 60) {
		return nil, missing("A doubler is from 0 (none) to 60 mm thick.")
	}
	up, forward := ways[m.Up], ways[m.Forward]
	if up.Dot(up) == 0 || forward.Dot(forward) == 0 || up.Dot(forward) != 0 {
		return nil, missing("Which way of the part points up and which forward must be two ways across each other.")
	}
	p.toVehicle = [3]solid.Vector{forward, up.Cross(forward), up}
	if len(m.Welded) > 0 {
		p.bolt.Thread.System, err = m.Bolts.System, p.weld(m)
	} else {
		p.holes, p.panel, err = p.pick(m.Fasten, "bolt it to the vehicle")
	}
	if err != nil {
		return nil, err
	}
	from, on := p.panel, (*made.PanelMade)(nil)
	if p.carrying, on, err = p.pick(m.Carry, "carry the load"); err != nil {
		return nil, err
	}
	if !p.welded() {
		p.group()
	}
	for _, h := range p.carrying {
		p.load = p.load.Add(h.Body.Mul(1 / float64(len(p.carrying))))
	}
	p.path = p.between(on, from)
	p.outline = part.Outline.Flatten(.05)
	p.slots = map[*made.HoleMade][]profile.Point{}
	for i := range part.Holes {
		if h := &part.Holes[i]; h.Length > 0 {
			p.slots[h] = h.Loop.Flatten(.05)
		}
	}
	for _, h := range p.holes {
		p.clear = append(p.clear, p.least(h))
	}
	return p, nil
}

// pick answers the round holes of some features, all on one panel.
func (p *placed) pick(features []string, what string) (holes []*made.HoleMade, on *made.PanelMade, err error) {
	wanted := map[string]bool{}
	for _, f := range features {
		wanted[f] = true
	}
	for i := range p.part.Holes {
		h := &p.part.Holes[i]
		if !wanted[h.Feature] {
			continue
		}
		if len(holes) > 0 && h.Panel != holes[0].Panel {
			return nil, nil, missing(fmt.Sprintf("The holes that %s lie on two panels, %s is one of them: choose holes of one panel.", what, h.Name))
		}
		holes = append(holes, h)
	}
	if len(holes) == 0 {
		return nil, nil, missing("Say which holes " + what + ".")
	}
	for i := range p.part.Panels {
		if p.part.Panels[i].ID == holes[0].Panel {
			on = &p.part.Panels[i]
		}
	}
	return holes, on, nil
}

func (p *placed) group() {
	s := p.panel.Seat
	p.x, p.n = s.X, s.Z
	if p.mount.Against == Good {
		p.n = s.Z.Mul(-1)
	}
	p.y = p.n.Cross(p.x)
	for _, h := range p.holes {
		p.origin = p.origin.Add(h.Body.Mul(1 / float64(len(p.holes))))
	}
	for _, h := range p.holes {
		q := p.in(h.Body)
		p.at = append(p.at, q)
		p.xx += q.X * q.X
		p.yy += q.Y * q.Y
		p.xy += q.X * q.Y
	}
	p.polar = p.xx + p.yy
	a, b := p.in(s.Origin), p.in(s.At(profile.Point{X: s.Width, Y: s.Height}))
	p.face = [2]profile.Point{{X: min(a.X, b.X), Y: min(a.Y, b.Y)}, {X: max(a.X, b.X), Y: max(a.Y, b.Y)}}
}

// in answers a place on the body in group axes, on the plane.
func (p *placed) in(v solid.Vector) profile.Point {
	d := v.Sub(p.origin)
	return profile.Point{X: d.Dot(p.x), Y: d.Dot(p.y)}
}

// part turns a force from vehicle into part axes.
func (p *placed) turned(f [3]float64) solid.Vector {
	return p.toVehicle[0].Mul(f[0]).Add(p.toVehicle[1].Mul(f[1])).Add(p.toVehicle[2].Mul(f[2]))
}

// between lists the panels from one to another through the tree.
func (p *placed) between(from, to *made.PanelMade) []*made.PanelMade {
	up := func(m *made.PanelMade) (chain []*made.PanelMade) {
		for m != nil {
			chain = append(chain, m)
			next := m.Parent
			m = nil
			for i := range p.part.Panels {
				if next != "" && p.part.Panels[i].ID == next {
					m = &p.part.Panels[i]
				}
			}
		}
		return chain
	}
	a, b := up(from), up(to)
	for len(a) > 1 && len(b) > 1 && a[len(a)-2] == b[len(b)-2] {
		a, b = a[:len(a)-1], b[:len(b)-1]
	}
	for i := len(b) - 2; i >= 0; i-- {
		a = append(a, b[i])
	}
	return a
}

// flatWay answers a direction of the group's plane on the flat pattern.
func (p *placed) flatWay(d profile.Point) profile.Point {
	v := p.x.Mul(d.X).Add(p.y.Mul(d.Y))
	return p.panel.Onto(profile.Point{X: v.Dot(p.panel.Seat.X), Y: v.Dot(p.panel.Seat.Y)})
}

// least answers the clear distance from a hole's edge to the nearest edge or
// hole in any direction.
func (p *placed) least(h *made.HoleMade) float64 {
	core := profile.Between([]profile.Point{h.Centre}, p.outline)
	for i := range p.part.Holes {
		if o := &p.part.Holes[i]; o != h && o.Panel == h.Panel {
			if o.Length == 0 {
				core = min(core, o.Centre.Sub(h.Centre).Len()-o.Diameter/2)
			} else {
				core = min(core, profile.Between([]profile.Point{h.Centre}, p.slots[o]))
			}
		}
	}
	return max(0, core-h.Diameter/2)
}

// along answers the clear distance from a hole's edge along a direction on the
// flat pattern to the next edge or hole, the least over the bolt's width.
func (p *placed) along(h *made.HoleMade, way profile.Point) float64 {
	side := profile.Point{X: -way.Y, Y: way.X}
	best := math.Inf(1)
	for _, off := range [3]float64{0, -.5, .5} {
		o := h.Centre.Add(side.Mul(off * h.Diameter * .98))
		back := math.Sqrt(max(0, 1-4*off*off*.96)) * h.Diameter / 2
		for i, a := range p.outline {
			b := p.outline[(i+1)%len(p.outline)]
			if t, ok := ray(o, way, a, b); ok {
				best = min(best, t-back)
			}
		}
		for i := range p.part.Holes {
			if other := &p.part.Holes[i]; other != h && other.Panel == h.Panel {
				best = min(best, p.meets(other, o, way)-back)
			}
		}
	}
	if math.IsInf(best, 1) {
		return 0
	}
	return max(0, best)
}

// meets answers how far along a ray it meets a hole, infinite when it does not.
func (p *placed) meets(h *made.HoleMade, o, way profile.Point) float64 {
	best := math.Inf(1)
	if h.Length == 0 {
		d, r := h.Centre.Sub(o), h.Diameter/2
		ahead, beside := d.Dot(way), math.Abs(d.Cross(way))
		if ahead > 0 && beside < r {
			best = ahead - math.Sqrt(r*r-beside*beside)
		}
		return best
	}
	loop := p.slots[h]
	for i, a := range loop {
		if t, ok := ray(o, way, a, loop[(i+1)%len(loop)]); ok {
			best = min(best, t)
		}
	}
	return best
}

// ray answers how far along a ray it meets a segment.
func ray(o, way, a, b profile.Point) (float64, bool) {
	d := b.Sub(a)
	det := way.Cross(d)
	if math.Abs(det) < 1e-12 {
		return 0, false
	}
	t := a.Sub(o).Cross(d) / det
	s := a.Sub(o).Cross(way) / det
	return t, t > 0 && s >= 0 && s <= 1
}
