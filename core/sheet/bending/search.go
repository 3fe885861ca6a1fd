package bending

import (
	"cmp"
	"context"
	"math"
	"runtime"
	"slices"

	"golang.org/x/sync/errgroup"
)

// Costs, in millimetres of unsupported sheet: a turn over weighs most, then laying the wrong
// side to the stop, then turning it round, then setting up other tools (practice).
const (
	costOver  = 1e7
	costWrong = 4e6
	costRound = 3e6
	costPunch = 3e5
	costSetup = 1e5
)

// exactTo is how many strokes are searched whole: every state a body can be in.
const exactTo = 12

// widest is how many states of a layer are followed beyond that.
const widest = 300

// move is one stroke of an order.
type move struct {
	stroke int
	stands stands
}

// plan is an order, or how far one came.
type plan struct {
	moves  []move
	exact  bool
	looked int    // states that were looked at
	best   uint64 // of those reached, one with most strokes made
}

// walker walks the states of a body.
type walker struct {
	*planner
	until    context.Context
	progress func(done, total int)
	small    []bool // by stroke: the smaller side is what is bent
}

// node is a state reached by a last stroke.
type node struct {
	cost  float64
	from  int // of the layer before
	made  uint64
	moves move
}

// order finds the order of least cost.
func (p *planner) order(until context.Context, progress func(done, total int)) (plan, error) {
	w := &walker{planner: p, until: until, progress: progress, small: p.smaller()}
	n := len(p.body.strokes)
	exact := n <= exactTo
	layer := []node{{from: -1}}
	layers := [][]node{layer}
	out := plan{exact: exact}
	for k := range n {
		next, err := w.step(layer, exact)
		if err != nil {
			return out, err
		}
		out.looked += len(next)
		if len(next) == 0 {
			if out.best = layer[0].made; !exact {
				out.exact = false
			}
			return out, nil
		}
		if progress != nil {
			progress(k+1, n)
		}
		layers, layer = append(layers, next), next
	}
	at := 0
	for i, m := range layer {
		if m.cost < layer[at].cost {
			at = i
		}
	}
	out.best = layer[at].made
	out.moves = make([]move, n)
	for k := n; k > 0; k-- {
		m := layers[k][at]
		out.moves[k-1], at = m.moves, m.from
	}
	return out, nil
}

// step answers the states one stroke on, each by the cheapest way to it for each last move.
func (w *walker) step(layer []node, exact bool) ([]node, error) {
	type end struct {
		made        uint64
		stroke, lay uint8
	}
	if err := w.ask(layer); err != nil {
		return nil, err
	}
	at := map[end]int{}
	var next []node
	for i, from := range layer {
		for s := range w.body.strokes {
			if from.made&(1<<s) != 0 {
				continue
			}
			for lay, st := range w.stand(s, from.made) {
				if st == nil {
					continue
				}
				m := move{s, *st}
				n := node{from.cost + w.cost(from, m), i, from.made | 1<<s, m}
				k := end{n.made, uint8(s), uint8(lay)}
				if j, known := at[k]; !known {
					at[k] = len(next)
					next = append(next, n)
				} else if n.cost < next[j].cost {
					next[j] = n
				}
			}
		}
	}
	if !exact && len(next) > widest {
		next = cheapest(next, widest)
	}
	return next, nil
}

// stand answers how a stroke can be made in a state, laid either way.
func (w *walker) stand(s int, made uint64) [2]*stands {
	m := w.found[s]
	st, known := m.stood[made]
	if known {
		return st
	}
	if w.rests(s, made) && w.crossed(s, made) == nil {
		for lay := range 2 {
			if x, can := w.try(s, lay, made); can {
				st[lay] = &x
			}
		}
	}
	m.stood[made] = st
	return st
}

// ask finds out for every state of a layer which strokes can be made, the strokes beside
// each other.
func (w *walker) ask(layer []node) error {
	seen := map[uint64]bool{}
	var states []uint64 // in their order: what is asked first decides what is asked at all
	for _, n := range layer {
		if !seen[n.made] {
			seen[n.made], states = true, append(states, n.made)
		}
	}
	var group errgroup.Group
	group.SetLimit(runtime.GOMAXPROCS(0))
	for s := range w.body.strokes {
		group.Go(func() error {
			for _, made := range states {
				if w.until != nil && w.until.Err() != nil {
					return w.until.Err()
				}
				if made&(1<<s) == 0 {
					w.stand(s, made)
				}
			}
			return nil
		})
	}
	return group.Wait()
}

// smaller tells of every stroke whether what is bent is the smaller side.
func (p *planner) smaller() []bool {
	out := make([]bool, len(p.body.strokes))
	for s := range out {
		parent, child := 0., 0.
		for i := range p.body.panels {
			if p.body.beyond(i, s) {
				child += p.body.panels[i].area
			} else {
				parent += p.body.panels[i].area
			}
		}
		out[s] = child <= parent
	}
	return out
}

// cost answers what a move costs after a state.
func (w *walker) cost(from node, m move) float64 {
	c := w.overhang(from.made, m)
	if m.stands.lay != w.wanted(m.stroke) {
		c += costWrong
	}
	if from.from < 0 {
		return c
	}
	last := from.moves
	over, round := w.turned(last, m)
	if over {
		c += costOver
	}
	if round != 0 {
		c += costRound
	}
	a, b := &w.rigs[last.stroke].uppers[last.stands.upper], &w.rigs[m.stroke].uppers[m.stands.upper]
	switch {
	case a.tool != b.tool:
		c += costPunch
	case math.Abs(a.setup.Long-b.setup.Long) > 1e-6:
		c += costSetup
	}
	return c
}

// wanted answers how a stroke is best laid: the smaller side goes to the stop of a press, and
// swings on a leaf.
func (w *walker) wanted(s int) int {
	if w.small[s] == (w.brake.Kind == Press) {
		return 0
	}
	return 1
}

// overhang answers how far the sheet hangs out of the tools unsupported, mm: in front of a
// press, behind the bed of a clamp.
func (w *walker) overhang(made uint64, m move) float64 {
	parent, child := w.flatReach(m.stroke, made)
	far, bed := child, w.brake.Beam/2
	if (m.stands.lay == 0) == (w.brake.Kind == Press) {
		far = parent
	}
	if w.brake.Kind != Press {
		bed = usualBed
	}
	return math.Max(far-bed, 0)
}

// turned tells whether the sheet is turned over between two moves, and by how much it is
// turned round, degrees.
func (p *planner) turned(a, b move) (over bool, round float64) {
	over = p.body.strokes[a.stroke].sign != p.body.strokes[b.stroke].sign
	round = math.Abs(p.heading(a) - p.heading(b))
	if round > 180 {
		round = 360 - round
	}
	if round < 1 {
		round = 0
	}
	return over, round
}

// heading answers which way of the flat pattern lies to the back, degrees.
func (p *planner) heading(m move) float64 {
	t := &p.body.strokes[m.stroke]
	base := p.body.world(t.parent, 0)
	y := base.turn(t.frame.y)
	if m.stands.lay == 1 {
		y = y.mul(-1)
	}
	return math.Atan2(y.y, y.x) * 180 / math.Pi
}

// cheapest answers the n nodes of least cost, in their order of cost.
func cheapest(list []node, n int) []node {
	slices.SortStableFunc(list, func(a, b node) int { return cmp.Compare(a.cost, b.cost) })
	return list[:n]
}
