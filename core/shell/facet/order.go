package facet

import "math"

// Step is a blank put to those that stand already.
type Step struct {
	Blank   int   // into Built.Blanks
	Touches []int // edges at which it meets what stands
	Held    bool  // those lie in two directions: it is located by them, else it swings about one and asks a gauge
}

// Assembly answers an order in which blanks are put together: the largest first, then always the one
// that what stands locates best, by edges in two directions, then by the length at which it touches.
// A blank that touches nothing comes last.
func (b *Built) Assembly() []Step {
	of := make([]int, len(b.Faces)) // blank of a face
	for k, blank := range b.Blanks {
		for _, f := range blank.Faces {
			of[f] = k
		}
	}
	stands := make([]bool, len(b.Blanks))
	var out []Step
	for range b.Blanks {
		best, found := Step{}, false
		score := func(s Step) (long float64) {
			for _, e := range s.Touches {
				long += b.Edges[e].Long
			}
			if s.Held {
				long += 1e9
			}
			return long + 1e-6*b.Blanks[s.Blank].Area // the larger of those alike
		}
		for k := range b.Blanks {
			if stands[k] {
				continue
			}
			s := Step{Blank: k}
			for i, e := range b.Edges {
				if len(e.Faces) == 2 && of[e.Faces[0]] != of[e.Faces[1]] && (of[e.Faces[0]] == k && stands[of[e.Faces[1]]] ||
					of[e.Faces[1]] == k && stands[of[e.Faces[0]]]) {
					s.Touches = append(s.Touches, i)
				}
			}
			s.Held = b.twoWays(s.Touches)
			if !found || score(s) > score(best) {
				best, found = s, true
			}
		}
		stands[best.Blank] = true
		out = append(out, best)
	}
	return out
}

// twoWays tells whether edges run in two directions at least.
func (b *Built) twoWays(list []int) bool {
	for i, e := range list {
		u := b.at(b.Edges[e].B).Sub(b.at(b.Edges[e].A)).Unit()
		for _, o := range list[:i] {
			v := b.at(b.Edges[o].B).Sub(b.at(b.Edges[o].A)).Unit()
			if math.Abs(u.Dot(v)) < .999 {
				return true
			}
		}
	}
	return false
}
