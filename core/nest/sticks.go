// Package nest lays pieces into stock: sticks cut to lengths. Lengths mm.
package nest

import (
	"cmp"
	"context"
	"fmt"
	"math"
	"slices"

	"warmanvil/core/working"
)

// Piece is a length to be cut, so many times.
type Piece struct {
	Length   float64 `json:"length" doc:"mm"`
	Quantity int     `json:"quantity"`
}

// SticksInput are pieces to be cut from sticks of one length.
type SticksInput struct {
	Stock            float64 `json:"stock" doc:"mm, length of a stick"`
	Kerf             float64 `json:"kerf" doc:"mm"`
	LastCutNeedsKerf bool    `json:"lastCutNeedsKerf" doc:"every piece takes a kerf; else the last one on a full stick does not"`
	Pieces           []Piece `json:"pieces"`
}

// SticksResult is a cutting plan.
type SticksResult struct {
	Sticks     int               `json:"sticks"`
	LowerBound int               `json:"lowerBound" doc:"no plan needs fewer"`
	Proven     bool              `json:"proven" doc:"the plan needs the fewest there can be"`
	Layout     [][]float64       `json:"layout" doc:"mm, the pieces of each stick"`
	Waste      []float64         `json:"waste" doc:"mm left of each stick"`
	Findings   []working.Finding `json:"findings"`
	Working    working.Working   `json:"working"`
}

const maxPieces = 2000

// Sticks answers a plan of few sticks and whether fewer are possible. It fails
// with *working.Fault, or with the context's error when that ends before the search does.
func Sticks(ctx context.Context, in SticksInput) (SticksResult, error) {
	if err := working.First(working.Above("/stock", "The stick", in.Stock, 0, 1e6, "mm"),
		working.Within("/kerf", "The kerf", in.Kerf, 0, 50, "mm")); err != nil {
		return SticksResult{}, err
	}
	p := packing{room: in.Stock}
	if !in.LastCutNeedsKerf {
		p.room += in.Kerf // the last piece may end where the stick does
	}
	total := 0
	for i, x := range in.Pieces {
		at := fmt.Sprintf("/pieces/%d", i)
		if err := working.First(working.Above(at+"/length", "The piece", x.Length, 0, 1e6, "mm"),
			working.Within(at+"/quantity", "The quantity", float64(x.Quantity), 1, maxPieces, "")); err != nil {
			return SticksResult{}, err
		}
		if x.Length+in.Kerf > p.room+tiny {
			return SticksResult{}, working.Refuse(at+"/length",
				"A piece of %.4g mm does not come out of a stick of %.4g mm: splice it, or buy longer sticks.", x.Length, in.Stock)
		}
		total += x.Quantity
		p.add(x.Length+in.Kerf, x.Quantity)
	}
	if total == 0 || total > maxPieces {
		return SticksResult{}, working.Refuse("/pieces", "A plan takes from 1 to %d pieces, not %d.", maxPieces, total)
	}
	p.sort()
	plan := p.best()
	r := SticksResult{Sticks: len(plan), LowerBound: p.bound(p.many), Findings: []working.Finding{}}
	if r.LowerBound < r.Sticks {
		if better, done := p.search(ctx, len(plan)-1, 400_000); better != nil {
			plan = better
		} else if done {
			r.LowerBound = len(plan)
		}
		r.Sticks = len(plan)
		r.LowerBound = min(r.LowerBound, r.Sticks)
	}
	if err := ctx.Err(); err != nil {
		return SticksResult{}, err
	}
	r.Proven = r.LowerBound == r.Sticks
	for _, stick := range plan {
		var row []float64
		left := in.Stock
		for k, n := range stick {
			for range n {
				row = append(row, p.size[k]-in.Kerf)
				left -= p.size[k]
			}
		}
		r.Layout, r.Waste = append(r.Layout, row), append(r.Waste, math.Max(left, 0))
	}
	if !r.Proven {
		r.Findings = append(r.Findings, working.Finding{Code: "bounded", Severity: working.Note, Cause: "Sticks",
			Reason: fmt.Sprintf("%d sticks is the best plan found; fewer than %d are impossible, between them is not known.",
				r.Sticks, r.LowerBound)})
	}
	sum := 0.0
	for k, n := range p.many {
		sum += p.size[k] * float64(n)
	}
	r.Working = working.Working{Method: "Sticks to lengths",
		Source: "best-fit plans, filled sticks and a search over filled sticks; bounds by total length and by dual feasible functions " +
			"(Fekete and Schepers)", Formula: "Σ(length + kerf) of a stick ≤ stock",
		Inputs: []working.Quantity{{Symbol: "L", Name: "stick", Value: in.Stock, Unit: "mm"},
			{Symbol: "k", Name: "kerf", Value: in.Kerf, Unit: "mm"}, {Symbol: "n", Name: "pieces", Value: float64(total)},
			{Symbol: "Σ", Name: "pieces with their kerfs", Value: sum, Unit: "mm"}},
		Steps:  []working.Quantity{{Symbol: "≥", Name: "no plan needs fewer than", Value: float64(r.LowerBound)}},
		Result: working.Quantity{Symbol: "s", Name: "sticks", Value: float64(r.Sticks)}}
	return r, nil
}

const tiny = 1e-6 // mm, what two lengths may differ by rounding

// packing is the problem: sizes with their kerf, longest first, how many of
// each, and the room of a stick.
type packing struct {
	room float64
	size []float64
	many []int
}

func (p *packing) add(size float64, n int) {
	for k, s := range p.size {
		if s == size {
			p.many[k] += n
			return
		}
	}
	p.size, p.many = append(p.size, size), append(p.many, n)
}

func (p *packing) sort() {
	order := make([]int, len(p.size))
	for i := range order {
		order[i] = i
	}
	slices.SortFunc(order, func(a, b int) int { return cmp.Compare(p.size[b], p.size[a]) })
	size, many := make([]float64, len(order)), make([]int, len(order))
	for i, k := range order {
		size[i], many[i] = p.size[k], p.many[k]
	}
	p.size, p.many = size, many
}

// bound answers how many sticks pieces need at least: by length, and by dual
// feasible functions that count long pieces for more.
func (p *packing) bound(many []int) int {
	sum := 0.0
	for k, n := range many {
		sum += p.size[k] * float64(n)
	}
	best := int(math.Ceil(sum/p.room - 1e-9))
	for k := range p.size { // pieces over room − e take a stick alone, those under e count nothing
		if e := p.size[k]; e <= p.room/2+tiny {
			count := 0.0
			for i, n := range many {
				switch s := p.size[i]; {
				case s > p.room-e+tiny:
					count += float64(n)
				case s >= e-tiny:
					count += float64(n) * s / p.room
				}
			}
			best = max(best, int(math.Ceil(count-1e-9)))
		}
	}
	for q := 1; q <= 12; q++ { // u(q): as many (q+1)ths as a length nearly is
		count := 0.0
		for i, n := range many {
			x := p.size[i] / p.room * float64(q+1)
			if r := math.Round(x); math.Abs(x-r) < 1e-9 {
				count += float64(n) * r / float64(q+1)
			} else {
				count += float64(n) * math.Floor(x) / float64(q)
			}
		}
		best = max(best, int(math.Ceil(count-1e-9)))
	}
	return best
}

// best answers the better of two simple plans: longest first into the fullest
// stick, and one stick after the other filled as full as can be.
func (p *packing) best() [][]int {
	a, b := p.fullest(), p.filled()
	if len(b) < len(a) {
		return b
	}
	return a
}

func (p *packing) fullest() (plan [][]int) {
	var left []float64
	for k, n := range p.many {
		for range n {
			at := -1
			for i, l := range left {
				if l >= p.size[k]-tiny && (at < 0 || l < left[at]) {
					at = i
				}
			}
			if at < 0 {
				at = len(left)
				left, plan = append(left, p.room), append(plan, make([]int, len(p.size)))
			}
			left[at] -= p.size[k]
			plan[at][k]++
		}
	}
	return plan
}

// filled takes the longest piece left and fills its stick with the set of
// others that leaves least.
func (p *packing) filled() (plan [][]int) {
	many := slices.Clone(p.many)
	for {
		first := slices.IndexFunc(many, func(n int) bool { return n > 0 })
		if first < 0 {
			return plan
		}
		stick := make([]int, len(p.size))
		stick[first] = 1
		many[first]--
		best, steps := slices.Clone(stick), 0
		least := p.room - p.size[first]
		var fill func(k int, left float64)
		fill = func(k int, left float64) {
			if left < least-tiny {
				least = left
				copy(best, stick)
			}
			steps++
			if k == len(p.size) || least < tiny || steps > 20_000 {
				return
			}
			for n := min(many[k], int((left+tiny)/p.size[k])); n >= 0; n-- {
				stick[k] += n
				fill(k+1, left-float64(n)*p.size[k])
				stick[k] -= n
			}
		}
		fill(first, least)
		best[first]-- // counted already
		for k, n := range best {
			many[k] -= n
		}
		best[first]++
		plan = append(plan, best)
	}
}

// search looks for a plan of at most so many sticks: each begins with the
// longest piece left and takes every way of filling it that nothing more fits
// into. done says that it looked everywhere.
func (p *packing) search(ctx context.Context, sticks, steps int) (plan [][]int, done bool) {
	many := slices.Clone(p.many)
	var chosen [][]int
	var open func() bool
	open = func() bool {
		first := slices.IndexFunc(many, func(n int) bool { return n > 0 })
		if first < 0 {
			return true
		}
		// A bound looks at every size beside every other, which of very many sizes is what takes the time.
		if steps -= 1 + len(many)*len(many)/1000; steps < 0 || len(chosen)+p.bound(many) > sticks {
			return false
		}
		stick := make([]int, len(p.size))
		stick[first]++
		many[first]--
		var fill func(k int, left float64) bool
		fill = func(k int, left float64) bool {
			if steps%1024 == 0 && ctx.Err() != nil {
				steps = 0
			}
			if steps--; steps < 0 {
				return false
			}
			if k == len(p.size) {
				for i := range p.size { // something still fits: a fuller stick is looked at anyway
					if many[i] > 0 && p.size[i] <= left+tiny {
						return false
					}
				}
				chosen = append(chosen, slices.Clone(stick))
				if open() {
					return true
				}
				chosen = chosen[:len(chosen)-1]
				return false
			}
			for n := min(many[k], int((left+tiny)/p.size[k])); n >= 0; n-- {
				stick[k] += n
				many[k] -= n
				found := fill(k+1, left-float64(n)*p.size[k])
				if found {
					return true
				}
				stick[k] -= n
				many[k] += n
			}
			return false
		}
		if fill(first, p.room-p.size[first]) {
			return true
		}
		many[first]++
		return false
	}
	if open() {
		return chosen, true
	}
	return nil, steps >= 0
}
