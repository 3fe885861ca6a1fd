package hole

import (
	"cmp"
	"math"
	"slices"

	"warmanvil/core/profile"
)

const (
	beamWidth = 12 // ways of folding followed side by side
	refined   = 8  // of them improved at the end
	behind    = 60 // uncertainties a way may fall behind the best and still be followed
)

// sketch is a net part of whose points have a place already.
type sketch struct {
	at   []profile.Point
	off  bool    // a point lies off the first line: its side was free to choose
	cost float64 // Σ|fitted − measured|/σ so far: forgiving to one bad reading
}

// starts answers places near which the least sum of squares may lie. Points are
// put down one after the other where two or more distances meet; where two
// places serve as well, both are followed. A net that can be put down so is
// stiff; built tells whether it could.
func (s *net) starts() (out [][]profile.Point, built bool) {
	near := make([][]int, s.n) // readings at each point
	for k, p := range s.pairs {
		near[p[0]] = append(near[p[0]], k)
		near[p[1]] = append(near[p[1]], k)
	}
	var all []sketch
	for _, seed := range s.seeds(near) {
		all = append(all, s.grow(seed, near)...)
		if len(all) > 0 && all[0].cost < 4*float64(len(s.pairs)) {
			break // nothing spoiled the way: another start would find the same
		}
	}
	slack := 4 * s.slack()
	slices.SortStableFunc(all, func(a, b sketch) int { return cmp.Compare(a.cost, b.cost) })
	for _, k := range all {
		if len(out) == refined {
			break
		}
		k.at = gauge(k.at)
		if !slices.ContainsFunc(out, func(o []profile.Point) bool { return s.alike(o, k.at, slack) }) {
			out = append(out, k.at)
		}
	}
	return out, len(out) > 0
}

// random answers starts for a net that is stiff and yet has a point that never
// has two distances to placed ones.
func (s *net) random() (out [][]profile.Point) {
	size := 0.0
	for _, d := range s.d {
		size = math.Max(size, d)
	}
	for seed := range 60 {
		at := scatter(s.n, uint64(seed)+2)
		for i := range at {
			at[i] = at[i].Mul(size)
		}
		out = append(out, at)
	}
	return out
}

// slack is a difference in a distance that readings would not show.
func (s *net) slack() float64 {
	most := 0.0
	for _, w := range s.w {
		most = max(most, w)
	}
	return 3 / most
}

// alike tells whether two answers have all distances in common.
func (s *net) alike(a, b []profile.Point, slack float64) bool {
	for i := range a {
		for j := range i {
			if math.Abs(a[i].Sub(a[j]).Len()-b[i].Sub(b[j]).Len()) > slack {
				return false
			}
		}
	}
	return true
}

// seeds answers up to three readings to start from: those whose ends share the
// most neighbours, the longest of them.
func (s *net) seeds(near [][]int) []int {
	order := make([]int, len(s.pairs))
	score := make([]float64, len(s.pairs))
	for k, p := range s.pairs {
		order[k] = k
		for _, a := range near[p[0]] {
			for _, b := range near[p[1]] {
				if a != b && s.other(a, p[0]) == s.other(b, p[1]) {
					score[k]++
				}
			}
		}
		score[k] += s.d[k] * 1e-6
	}
	slices.SortStableFunc(order, func(a, b int) int { return cmp.Compare(score[b], score[a]) })
	var out []int
	used := map[int]bool{}
	for _, k := range order {
		p := s.pairs[k]
		if used[p[0]] || used[p[1]] {
			continue
		}
		used[p[0]], used[p[1]] = true, true
		if out = append(out, k); len(out) == 3 {
			break
		}
	}
	return out
}

func (s *net) other(reading, point int) int {
	if p := s.pairs[reading]; p[0] == point {
		return p[1]
	}
	return s.pairs[reading][0]
}

// grow places every point from one reading on, or answers nothing when some
// point never has two distances to placed ones.
func (s *net) grow(seed int, near [][]int) []sketch {
	placed := make([]bool, s.n)
	first := sketch{at: make([]profile.Point, s.n)}
	a, b := s.pairs[seed][0], s.pairs[seed][1]
	first.at[b] = profile.Point{X: s.d[seed]}
	placed[a], placed[b] = true, true
	beam := []sketch{first}
	for range s.n - 2 {
		v, most := -1, 1
		for p := range s.n {
			if placed[p] {
				continue
			}
			many := 0
			for _, k := range near[p] {
				if placed[s.other(k, p)] {
					many++
				}
			}
			if many > most {
				v, most = p, many
			}
		}
		if v < 0 {
			return nil
		}
		var hang []int
		for _, k := range near[v] {
			if placed[s.other(k, v)] {
				hang = append(hang, k)
			}
		}
		placed[v] = true
		var next []sketch
		for _, b := range beam {
			next = append(next, s.put(b, v, hang)...)
		}
		slices.SortStableFunc(next, func(a, b sketch) int { return cmp.Compare(a.cost, b.cost) })
		beam = beam[:0]
		for _, k := range next[:min(len(next), beamWidth)] {
			if k.cost <= next[0].cost+behind {
				beam = append(beam, k)
			}
		}
	}
	return beam
}

// put answers the sketch with one more point: where it serves its distances
// best and, when that is nearly as good, where it serves them second best.
func (s *net) put(b sketch, v int, hang []int) []sketch {
	type place struct {
		at   profile.Point
		cost float64
	}
	places := make([]place, 0, 12)
	twin := 2 * s.slack()
	few := hang[:min(len(hang), 4)]
	for i, k := range few {
		for _, l := range few[:i] {
			o, q := b.at[s.other(k, v)], b.at[s.other(l, v)]
			base := q.Sub(o)
			long := base.Len()
			if long < 1e-9 {
				continue
			}
			x, y := apex(long, s.d[k], s.d[l])
			u := base.Mul(1 / long)
			side := profile.Point{X: -u.Y, Y: u.X}
			for _, h := range [2]float64{y, -y} {
				at := o.Add(u.Mul(x)).Add(side.Mul(h))
				c := 0.0
				for _, m := range hang {
					c += math.Abs(at.Sub(b.at[s.other(m, v)]).Len()-s.d[m]) * s.w[m]
				}
				places = append(places, place{at, c})
				if y == 0 {
					break
				}
			}
		}
	}
	for i := range places { // cheapest first; the second that matters is found below
		if places[i].cost < places[0].cost {
			places[0], places[i] = places[i], places[0]
		}
	}
	second := -1
	for i := range places {
		if p := places[i]; i > 0 && p.cost <= places[0].cost+behind/2 && p.at.Sub(places[0].at).Len() >= twin &&
			(second < 0 || p.cost < places[second].cost) {
			second = i
		}
	}
	var out []sketch
	for _, i := range [2]int{0, second} {
		if i < 0 || i >= len(places) {
			break
		}
		k := sketch{slices.Clone(b.at), b.off, b.cost + places[i].cost}
		k.at[v] = places[i].at
		if !b.off && math.Abs(places[i].at.Y) > 1e-9 {
			k.off = true
			return []sketch{k} // the first point off the line: its mirror image is the same map
		}
		out = append(out, k)
	}
	return out
}
