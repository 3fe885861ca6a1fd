package weld

import (
	"math"
	"slices"

	"warmanvil/core/solid"
)

// greedy takes at each step the run that leaves the whole straightest, with a price on turning the work and on
// beginning beside what is hot.
func (o *ordering) greedy(plain, turns, hots float64) (list []int) {
	unit := math.Max(plain, 1e-6)
	left := make([]bool, len(o.runs))
	sum := make(bowed, len(o.ask.Bulks))
	for range o.runs {
		best, least := -1, math.Inf(1)
		for i := range o.runs {
			if left[i] {
				continue
			}
			b := o.body[i]
			c := math.Hypot(sum[b][0]+o.bows[i][0], sum[b][1]+o.bows[i][1])
			if n := len(list); n > 0 && o.flip[list[n-1]][i] {
				c += unit * turnCosts * turns
			}
			if o.beside(list, i) {
				c += unit * hotCosts * hots
			}
			if c < least-1e-12 {
				best, least = i, c
			}
		}
		left[best] = true
		list = append(list, best)
		sum.add(o.body[best], o.bows[best])
	}
	return list
}

// beside tells whether a run lies beside one of the last few that were laid.
func (o *ordering) beside(list []int, i int) bool {
	for k := max(0, len(list)-backstep); k < len(list); k++ {
		if o.hots[list[k]][i] {
			return true
		}
	}
	return false
}

// improve exchanges runs and moves them, in a fixed way, as long as the order gets better.
func (o *ordering) improve(list []int, plain float64, tried *int) []int {
	best, cost := slices.Clone(list), o.cost(list, plain)
	n := len(best)
	if n < 3 {
		return best
	}
	next := slices.Clone(best)
	step := 1
	for t := range orderTries {
		if t%200 == 0 && o.ask.Tell != nil && !o.ask.Tell(float64(t)/orderTries) {
			break
		}
		*tried++
		a := t % n
		b := (a + step) % n
		if a == n-1 {
			if step++; step >= n {
				step = 1
			}
		}
		copy(next, best)
		if t%2 == 0 {
			next[a], next[b] = next[b], next[a]
		} else { // a moves to b's place
			x := next[a]
			next = slices.Delete(next, a, a+1)
			next = slices.Insert(next, b, x)
		}
		if c := o.cost(next, plain); c < cost-1e-12 {
			copy(best, next)
			cost = c
		}
	}
	return best
}

// fixed answers the order by hand: the runs it names, then the rest.
func (o *ordering) fixed() (list []int) {
	taken := map[int]bool{}
	for _, id := range o.ask.Fixed {
		if i := slices.IndexFunc(o.runs, func(r OrderRun) bool { return r.ID == id }); i >= 0 && !taken[i] {
			taken[i] = true
			list = append(list, i)
		}
	}
	for i := range o.runs {
		if !taken[i] {
			list = append(list, i)
		}
	}
	return list
}

// tackPitch and tackLong are how far apart tacks stand and how long they are, by the thinner part, mm (practice).
func tackPitch(thin float64) float64 {
	switch {
	case thin < 1.2:
		return 30
	case thin < 2:
		return 50
	case thin < 3:
		return 75
	case thin < 6:
		return 150
	}
	return 250
}

func tackLong(thin float64) float64 { return math.Min(math.Max(3*thin, 5), 25) }

// Tacks answers the tacks of a seam in the order they are set: its middle, its ends, then halfway between, so that a
// gap cannot run to one end. Round a closed seam they are set opposite each other.
func Tacks(id string, path []solid.Vector, thin float64) (out []Tack) {
	long := 0.
	for i := 1; i < len(path); i++ {
		long += path[i].Sub(path[i-1]).Len()
	}
	if long <= 0 {
		return nil
	}
	shut := len(path) > 2 && path[0].Sub(path[len(path)-1]).Len() < 1e-6
	n := max(2, int(math.Ceil(long/tackPitch(thin)))+1)
	if shut {
		n = max(4, n-1)
	}
	size := math.Min(tackLong(thin), long/3)
	at := func(s float64) solid.Vector {
		s = math.Min(math.Max(s, size/2), long-size/2)
		for _, p := range run(path, math.Max(s-1e-6, 0), long) {
			return p[0]
		}
		return path[len(path)-1]
	}
	for _, k := range spread(n, shut) {
		share := float64(k) / float64(n-1)
		if shut {
			share = (float64(k) + .5) / float64(n)
		}
		out = append(out, Tack{id, at(share * long), size})
	}
	return out
}

// spread orders n places: the one that lies farthest from all before, next.
func spread(n int, shut bool) (out []int) {
	apart := func(a, b int) int {
		d := a - b
		if d < 0 {
			d = -d
		}
		if shut {
			d = min(d, n-d)
		}
		return d
	}
	out = []int{n / 2}
	for len(out) < n {
		best, far := -1, -1
		for k := range n {
			near := n + 1
			for _, q := range out {
				near = min(near, apart(k, q))
			}
			if near > far {
				best, far = k, near
			}
		}
		out = append(out, best)
	}
	return out
}
