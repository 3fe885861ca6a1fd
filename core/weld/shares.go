package weld

import "warmanvil/core/solid"

// Shares answers what of every case goes through some of the seams of a group: the sum of what their lines take, about
// the middle of these lines. No case where none of them counts. It fails as Hold does.
func Shares(a SeamsAsk, through func(seam int) bool) (out []SeamsCase, err error) {
	g, err := a.group()
	if err != nil || g.bare {
		return nil, err
	}
	var mine []Line
	for i, l := range g.lines.Lines {
		if through(g.of[i].seam) && !g.of[i].dot {
			mine = append(mine, l)
		}
	}
	if len(mine) == 0 {
		return nil, nil
	}
	at := NewGroup(mine).Centroid
	for _, c := range a.Cases {
		flow, _ := g.lines.Asked(Load{c.Force, c.At, c.Moment})
		sum := SeamsCase{Name: c.Name, At: at}
		for _, l := range mine {
			// What a line takes grows evenly along it, its moment with the square: Simpson's rule is exact.
			for k, v := range [3]solid.Vector{l.A, l.A.Add(l.B).Mul(.5), l.B} {
				f := flow.At(v).Mul(l.Len() * l.Throat / 6 * [3]float64{1, 4, 1}[k])
				sum.Force, sum.Moment = sum.Force.Add(f), sum.Moment.Add(v.Sub(at).Cross(f))
			}
		}
		out = append(out, sum)
	}
	return out, nil
}
