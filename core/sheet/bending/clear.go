package bending

import (
	"math"
	"math/bits"
)

// planner asks whether strokes can be made, and keeps what it found.
type planner struct {
	body   *body
	brake  Brake
	items  []item
	rigs   []rig
	decide [][]uint64 // strokes that decide where an item stands, by stroke and item
	reach  [][]float64
	found  []*memory // by stroke: strokes are asked beside each other
}

// memory is what was found of one stroke.
type memory struct {
	sweeps map[sweepKey]hit
	ways   map[sweepKey]uint8
	selves map[selfKey]bool
	last   map[sweepKey]int
	stood  map[uint64][2]*stands // by what is made, laid either way; nil where it cannot be made
	asked  int                   // sweeps
	w      sweeper
}

// sweepKey is what a sweep of a stroke depends on.
type sweepKey struct {
	made  uint64
	item  uint8
	lay   uint8 // 0: what is bent lies at the back, 1: at the front
	lower bool
	tool  uint8
}

type selfKey struct {
	made uint64
	a, b uint8
}

func newPlanner(b *body, brake Brake) *planner {
	p := &planner{body: b, brake: brake.Usual(), items: b.items()}
	longest := b.longest()
	for s := range b.strokes {
		p.rigs = append(p.rigs, p.brake.rigFor(&b.strokes[s], longest, b.thickness))
		row := make([]uint64, len(p.items))
		for i, it := range p.items {
			row[i] = b.decides(s, it)
		}
		p.decide = append(p.decide, row)
		p.reach = append(p.reach, b.reaches(s))
		p.found = append(p.found, &memory{sweeps: map[sweepKey]hit{}, ways: map[sweepKey]uint8{}, selves: map[selfKey]bool{},
			last: map[sweepKey]int{}, stood: map[uint64][2]*stands{}})
	}
	return p
}

// asked answers how many sweeps were made.
func (p *planner) asked() (n int) {
	for _, m := range p.found {
		n += m.asked
	}
	return n
}

// reaches answers how far every panel reaches from a stroke's tangent line on its side while
// all between is flat.
func (b *body) reaches(s int) []float64 {
	out := make([]float64, len(b.panels))
	t := &b.strokes[s]
	for i := range b.panels {
		at := b.local(s, i, 0)
		for _, c := range b.panels[i].pieces {
			var there convex
			if c.shifted(&at, &there); there.lo.x < t.to && there.hi.x > t.from {
				out[i] = math.Max(out[i], there.hi.y)
			}
		}
	}
	return out
}

// flatReach answers how far the sheet runs on flat from a stroke's tangent line, on the
// parent's side and on that of what is bent.
func (p *planner) flatReach(s int, made uint64) (parent, child float64) {
	b := p.body
	for i := range b.panels {
		if p.decide[s][p.itemOf(i)]&made != 0 {
			continue
		}
		if b.beyond(i, s) {
			child = math.Max(child, p.reach[s][i])
		} else {
			parent = math.Max(parent, p.reach[s][i])
		}
	}
	return parent, child
}

// itemOf answers the item of a panel.
func (p *planner) itemOf(panel int) int { return 2 * panel }

// side answers on which side of the machine an item is, laid either way.
func (p *planner) side(s, item, lay int) int {
	if p.body.beyond(p.body.on(p.items[item]), s) == (lay == 0) {
		return back
	}
	return front
}

// placed answers an item's pieces in the frame of its side.
func (p *planner) placed(s, item int, made uint64) []*convex {
	it := p.items[item]
	at := p.body.local(s, p.body.on(it), made)
	list := p.body.pieces(it, made)
	out := make([]*convex, len(list))
	for i, c := range list {
		out[i] = &convex{}
		c.moved(&at, out[i])
	}
	return out
}

// skips tells whether an item is the bend being made.
func (p *planner) skips(s, item int) bool {
	it := p.items[item]
	return it.strip && p.body.panels[it.panel].stroke == s
}

func (p *planner) key(s, item, lay int, made uint64) sweepKey {
	return sweepKey{made: made & p.decide[s][item], item: uint8(item), lay: uint8(lay)}
}

// sweep answers what an item runs into while a stroke is made.
func (p *planner) sweep(s, item, lay, tool int, low bool, made uint64) hit {
	k := p.key(s, item, lay, made)
	k.tool, k.lower = uint8(tool), low
	if h, known := p.found[s].sweeps[k]; known {
		return h
	}
	p.found[s].asked++
	r := &p.rigs[s]
	var list []element
	if low {
		list = r.lowers[tool].elements
	} else {
		list = r.uppers[tool].elements
	}
	h := p.found[s].w.tools(&r.motion, p.side(s, item, lay), p.placed(s, item, made), list, p.body.strokes[s].aim, whether)
	p.found[s].sweeps[k] = h
	return h
}

// way answers by which ways an item comes into the tools, and out of them in the higher bits.
func (p *planner) way(s, item, lay, tool int, made uint64) uint8 {
	k := p.key(s, item, lay, made)
	k.tool = uint8(tool)
	if w, known := p.found[s].ways[k]; known {
		return w
	}
	r, side := &p.rigs[s], p.side(s, item, lay)
	pieces := p.placed(s, item, made)
	var w uint8
	for when, a := range [2]float64{0, p.body.strokes[s].fold} {
		var m moment
		m.sides, m.tip = r.motion.at(a)
		for e := range exits {
			free := len(r.uppers[tool].exits[e]) > 0
			for _, c := range pieces {
				for k := range r.uppers[tool].exits[e] {
					if besides(c, side, &r.uppers[tool].exits[e][k]) > 0 {
						continue
					}
					free = free && p.found[s].w.gap(&m, side, c, &r.uppers[tool].exits[e][k], 1, &axis{}) > 0
				}
			}
			if free {
				w |= 1 << (e + exits*when)
			}
		}
	}
	p.found[s].ways[k] = w
	return w
}

// crosses tells whether an item of the parent's side is run into by one of what is bent.
func (p *planner) crosses(s, a, c int, made uint64) bool {
	mask := (p.decide[s][a] | p.decide[s][c])
	k := selfKey{made & mask, uint8(a), uint8(c)}
	if x, known := p.found[s].selves[k]; known {
		return x
	}
	p.found[s].asked++
	x := p.found[s].w.selves(&p.body.strokes[s], p.placed(s, a, made), p.placed(s, c, made))
	p.found[s].selves[k] = x
	return x
}

// stands is how a stroke is made in one state of the body.
type stands struct {
	lay          int
	upper, lower int
	ways         uint8
}

// try answers how a stroke that rests and crosses nothing can be made, laid one way; false
// when it cannot.
func (p *planner) try(s, lay int, made uint64) (stands, bool) {
	r := &p.rigs[s]
	for place := range r.places {
		low := -1
		for k := range r.lowers {
			if r.lowers[k].place == place && p.blocked(s, lay, k, true, made) < 0 {
				low = k
				break
			}
		}
		if low < 0 {
			continue
		}
		for k := range r.uppers {
			if r.uppers[k].place != place || p.blocked(s, lay, k, false, made) >= 0 {
				continue
			}
			if w, free := p.inAndOut(s, lay, k, made); free {
				return stands{lay, k, low, w}, true
			}
		}
	}
	return stands{}, false
}

// blocked answers an item that runs into a tool, −1 for none. What did the last time is asked
// first: it often does again.
func (p *planner) blocked(s, lay, tool int, low bool, made uint64) int {
	k := sweepKey{lay: uint8(lay), tool: uint8(tool), lower: low}
	last, known := p.found[s].last[k]
	if known && p.sweep(s, last, lay, tool, low, made).at >= 0 {
		return last
	}
	for i := range p.items {
		if !p.skips(s, i) && p.sweep(s, i, lay, tool, low, made).at >= 0 {
			p.found[s].last[k] = i
			return i
		}
	}
	return -1
}

// inAndOut tells whether there is a way in and one out.
func (p *planner) inAndOut(s, lay, tool int, made uint64) (uint8, bool) {
	all := uint8(math.MaxUint8)
	const in, out = 1<<exits - 1, (1<<exits - 1) << exits
	for i := range p.items {
		if p.skips(s, i) {
			continue
		}
		if all &= p.way(s, i, lay, tool, made); all&in == 0 || all&out == 0 {
			return 0, false
		}
	}
	return all, true
}

// crossed answers the two items that run into each other, nil for none.
func (p *planner) crossed(s int, made uint64) *[2]int {
	for c, it := range p.items {
		if p.skips(s, c) || !p.body.beyond(p.body.on(it), s) {
			continue
		}
		for a, other := range p.items {
			if p.skips(s, a) || p.body.beyond(p.body.on(other), s) {
				continue
			}
			if q := &p.body.panels[it.panel]; !it.strip && !other.strip && q.stroke == s && q.parent == other.panel {
				continue // the two panels of the bend itself
			}
			if p.crosses(s, a, c, made) {
				return &[2]int{a, c}
			}
		}
	}
	return nil
}

// rests tells whether the sheet lies on both shoulders of the die to the end, or stands out
// of the clamp far enough, where it would while nothing else were bent.
func (p *planner) rests(s int, made uint64) bool {
	t := &p.body.strokes[s]
	parent, child := p.flatReach(s, made)
	allParent, allChild := p.flatReach(s, 0)
	need := p.need(t)
	short := func(now, flat float64) bool { return now < need-1e-6 && flat >= need-1e-6 }
	return !short(parent, allParent) && !short(child, allChild)
}

// need answers how far flat sheet has to run on past the tangent line, mm.
func (p *planner) need(t *stroke) float64 {
	switch p.brake.Kind {
	case Press:
		h := math.Min(t.fold/2, 75*math.Pi/180)
		return p.brake.Die.Opening/2/math.Cos(h) - (t.hinge.radius+p.body.thickness)*math.Tan(h)
	case Leaf:
		return 2 * p.body.thickness
	}
	return 3 * p.body.thickness
}

func count(made uint64) int { return bits.OnesCount64(made) }
