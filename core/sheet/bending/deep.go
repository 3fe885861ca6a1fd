package bending

import (
	"cmp"
	"context"
	"slices"
)

// deepest is how many states are looked at when the hopeful ones led nowhere.
const deepest = 4000

// plan finds an order: of least cost where every state can be looked at, else among the
// hopeful ones, else any.
func (p *planner) plan(until context.Context, progress func(done, total int)) (plan, error) {
	out, err := p.order(until, progress)
	if err != nil || len(out.moves) > 0 || out.exact {
		return out, err
	}
	d := p.diver(until, out)
	d.left = deepest
	found, err := d.dive(0, nil)
	d.best.looked += deepest - d.left
	if found != nil {
		d.best.moves = found
	}
	return d.best, err
}

// any tells whether an order is found at all, of whatever cost, among so many states.
func (p *planner) any(until context.Context, states int) (bool, error) {
	d := p.diver(until, plan{})
	d.left = states
	found, err := d.dive(0, nil)
	return found != nil, err
}

func (p *planner) diver(until context.Context, best plan) *diver {
	d := &diver{walker: walker{planner: p, until: until}, seen: map[uint64]bool{}, best: best}
	for s := range p.body.strokes {
		d.outer = append(d.outer, s)
	}
	slices.SortStableFunc(d.outer, func(a, b int) int { return cmp.Compare(p.depth(b), p.depth(a)) })
	return d
}

// depth answers how far a stroke lies from the base.
func (p *planner) depth(s int) int { return p.body.first(&p.body.strokes[s]).depth }

// diver looks for any order, what hangs farthest out first, and never at a state twice.
type diver struct {
	walker
	seen  map[uint64]bool
	outer []int
	left  int
	best  plan
}

func (d *diver) dive(made uint64, moves []move) ([]move, error) {
	if len(moves) == len(d.body.strokes) {
		return slices.Clone(moves), nil
	}
	if d.until != nil && d.until.Err() != nil {
		return nil, d.until.Err()
	}
	if d.seen[made] || d.left <= 0 {
		return nil, nil
	}
	d.seen[made] = true
	d.left--
	if count(made) > count(d.best.best) {
		d.best.best = made
	}
	for _, s := range d.outer {
		if made&(1<<s) != 0 {
			continue
		}
		for _, st := range d.stand(s, made) {
			if st == nil {
				continue
			}
			found, err := d.dive(made|1<<s, append(moves, move{s, *st}))
			if found != nil || err != nil {
				return found, err
			}
			break // laid the other way it leads to the same state
		}
	}
	return nil, nil
}
