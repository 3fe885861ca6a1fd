package facet

import (
	"cmp"
	"context"
	"slices"
)

// Proposal is edges to bend, and what that leaves to weld.
type Proposal struct {
	Bends  []int // into Built.Edges of the body it was asked of
	Blanks int
	Weld   float64 // mm of edges that stay welded
	Waste  float64 // share of the blanks' boxes that is not panel
	Why    string  // what it goes by
}

// Fits answers why a blank cannot be made, "" where it can: its box against the bed, its bends against
// the brake and their order.
type Fits func(b *Built, blank int) string

// ways are the orders in which edges are tried to be bent: each answers which of two comes first.
var ways = []struct {
	why  string
	less func(b *Built, x, y int) int
}{
	{"longest edges bent first: the shortest weld", func(b *Built, x, y int) int { return cmp.Compare(b.Edges[y].Long, b.Edges[x].Long) }},
	{"smallest turns bent first: the easiest bends", func(b *Built, x, y int) int {
		return cmp.Compare(180-b.Edges[x].Between(), 180-b.Edges[y].Between())
	}},
	{"smallest panels bent on first: the fewest small pieces", func(b *Built, x, y int) int {
		small := func(e int) float64 { return min(b.Faces[b.Edges[e].Faces[0]].Area, b.Faces[b.Edges[e].Faces[1]].Area) }
		return cmp.Compare(small(x), small(y))
	}},
}

// Propose answers which edges may be bent so that few seams are left, by each of several ways to choose,
// the shortest weld first; edges of most degrees and more stay welded. An edge is bent when the blanks
// it joins are one that lies flat and fits; what is said already to be bent or not is left as it is.
// It ends early with what it has when until does.
func Propose(until context.Context, s Shell, most float64, fits Fits) ([]Proposal, error) {
	b, err := Build(s)
	if err != nil {
		return nil, err
	}
	var out []Proposal
	for _, w := range ways {
		var list []int
		for i, e := range b.Edges {
			if turn := 180 - e.Between(); len(e.Faces) == 2 && !e.sought && turn >= leastBend && turn <= most {
				list = append(list, i)
			}
		}
		slices.SortStableFunc(list, func(x, y int) int { return w.less(&b, x, y) })
		p := Proposal{Why: w.why}
		trial := s
		trial.Seams = slices.Clone(s.Seams)
		now := b
		for _, i := range list {
			if until.Err() != nil {
				break
			}
			next := trial
			next.Seams = append(slices.Clone(trial.Seams), Seam{A: b.Edges[i].A, B: b.Edges[i].B, Kind: BentOne})
			built, err := Build(next)
			if err != nil || len(built.Findings) > len(b.Findings) || unfit(&built, i, fits) != "" {
				continue
			}
			trial, now = next, built
			p.Bends = append(p.Bends, i)
		}
		p.measure(&now)
		if !slices.ContainsFunc(out, func(o Proposal) bool { return alikeBends(o.Bends, p.Bends) }) {
			out = append(out, p)
		}
	}
	slices.SortStableFunc(out, func(x, y Proposal) int { return cmp.Compare(x.Weld, y.Weld) })
	return out, nil
}

// leastBend is the least turn that is bent, degrees: less is no bend of the sheet core.
const leastBend = 1.

// unfit asks of the blank an edge lies in whether it can be made.
func unfit(b *Built, edge int, fits Fits) string {
	if fits == nil {
		return ""
	}
	for k, blank := range b.Blanks {
		if slices.Contains(blank.Faces, b.Edges[edge].Faces[0]) {
			return fits(b, k)
		}
	}
	return ""
}

// Measured answers what a body leaves to weld as it is said to be made.
func (b *Built) Measured() Proposal {
	p := Proposal{}
	for i, e := range b.Edges {
		if len(e.Faces) == 2 && e.Seam.Kind == BentOne {
			p.Bends = append(p.Bends, i)
		}
	}
	p.measure(b)
	return p
}

func (p *Proposal) measure(b *Built) {
	p.Blanks = len(b.Blanks)
	boxes, panels := 0., 0.
	for _, k := range b.Blanks {
		lo, hi := k.Outline[0], k.Outline[0]
		for _, q := range k.Outline {
			lo.X, lo.Y, hi.X, hi.Y = min(lo.X, q.X), min(lo.Y, q.Y), max(hi.X, q.X), max(hi.Y, q.Y)
		}
		boxes, panels = boxes+(hi.X-lo.X)*(hi.Y-lo.Y), panels+k.Area
	}
	p.Waste = 1 - panels/boxes
	for _, e := range b.Edges {
		if len(e.Faces) == 2 && e.Seam.Kind != BentOne {
			p.Weld += e.Long
		}
	}
}

func alikeBends(a, b []int) bool {
	x, y := slices.Sorted(slices.Values(a)), slices.Sorted(slices.Values(b))
	return slices.Equal(x, y)
}
