package facet

import (
	"slices"

	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// line is an edge without a way.
type line struct{ a, b string }

func lineOf(a, b string) line {
	if b < a {
		a, b = b, a
	}
	return line{a, b}
}

// orient turns the panels so that all of them look the same way through the body: neighbours run along
// their common edge against each other. A closed body looks out; of an open one the first panel looks
// as it was typed.
func (b *Built) orient() ([][]string, error) {
	rounds := make([][]string, len(b.Panels))
	at := map[line][]int{}
	for i, p := range b.Panels {
		rounds[i] = slices.Clone(p.Points)
		for k, q := range p.Points {
			l := lineOf(q, p.Points[(k+1)%len(p.Points)])
			at[l] = append(at[l], i)
			if n := len(at[l]); n > 2 {
				return nil, working.Refuse("/panels",
					"Three panels end at the edge from %s to %s: %s, %s and %s. An edge joins two.", b.called(l.a), b.called(l.b),
					b.called(b.Panels[at[l][0]].ID), b.called(b.Panels[at[l][1]].ID), b.called(p.ID))
			}
		}
	}
	b.Closed = true
	for _, list := range at {
		b.Closed = b.Closed && len(list) == 2
	}
	seen := make([]bool, len(rounds))
	for first := range rounds {
		if seen[first] {
			continue
		}
		part := []int{first}
		seen[first] = true
		for n := 0; n < len(part); n++ {
			i := part[n]
			for k, p := range rounds[i] {
				q := rounds[i][(k+1)%len(rounds[i])]
				for _, o := range at[lineOf(p, q)] {
					if o == i {
						continue
					}
					same := runs(rounds[o], p, q)
					switch {
					case seen[o] && same:
						return nil, working.Refuse("/panels",
							"%s and %s cannot both look out: followed round, the body turns over like a twisted band.",
							b.called(b.Panels[i].ID), b.called(b.Panels[o].ID))
					case !seen[o]:
						if same {
							slices.Reverse(rounds[o])
						}
						seen[o], part = true, append(part, o)
					}
				}
			}
		}
		if b.closed(part, at) && b.volume(rounds, part) < 0 {
			for _, i := range part {
				slices.Reverse(rounds[i])
			}
		}
	}
	return rounds, nil
}

// closed tells whether every edge of some panels has two of them.
func (b *Built) closed(part []int, at map[line][]int) bool {
	for _, i := range part {
		p := b.Panels[i].Points
		for k, q := range p {
			if len(at[lineOf(q, p[(k+1)%len(p)])]) != 2 {
				return false
			}
		}
	}
	return true
}

// runs tells whether a round runs from a to b.
func runs(round []string, a, b string) bool {
	i := slices.Index(round, a)
	return i >= 0 && round[(i+1)%len(round)] == b
}

// volume is six times what some panels enclose.
func (b *Built) volume(rounds [][]string, part []int) (v float64) {
	o := b.at(rounds[part[0]][0])
	for _, i := range part {
		c := make([]solid.Vector, len(rounds[i]))
		for k, id := range rounds[i] {
			c[k] = b.at(id).Sub(o)
		}
		for k := 1; k+1 < len(c); k++ {
			v += c[0].Dot(c[k].Cross(c[k+1]))
		}
	}
	return v
}
