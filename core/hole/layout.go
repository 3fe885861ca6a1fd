package hole

import (
	"math"
	"slices"

	"warmanvil/core/profile"
)

// Bore is a hole in its plane, mm. A diameter of 0 is not known.
type Bore struct {
	At       profile.Point
	Diameter float64
}

// Layout is how the holes of a drawing lie on measured ones.
type Layout struct {
	Unit   float64         // mm a unit of the drawing must be for it to fit, over what was taken: 1 where the units are right
	Scale  float64         // by which the drawing is too large, its units right: 1 fits
	By     Rigid           // lays the drawing, in units of Unit, on the measured holes
	Pairs  [][2]int        // drawn and measured holes that lie together
	Misses []profile.Point // from the drawn hole to the measured one, by pair, mm
	Most   float64         // mm, the largest miss
	Worst  int             // its pair
	Scaled float64         // mm, the largest miss left once the drawing is scaled to fit
}

// layoutUnits are the mistaken units a drawing is tried in: mm and inches, mm
// and cm taken for one another.
var layoutUnits = []float64{1, 25.4, 1 / 25.4, 10, .1}

const (
	layoutScale = .06 // share by which a drawing may be out of scale and still be recognised
	layoutNear  = 4.  // mm, and a share of the layout, within which two holes are taken for the same
	layoutShare = .02
	layoutOdd   = 1. // mm that wrong units must fit better by before they are believed; half of it another hand
)

// Lie lays drawn holes on measured ones of which it is not known which is which:
// the way that brings most together, then the nearest once its size is let go;
// other units or the other hand must fit better by a margin. Nothing is answered
// below two holes of either.
func Lie(drawn, measured []Bore) (best Layout, ok bool) {
	if len(drawn) < 2 || len(measured) < 2 {
		return best, false
	}
	a, b, long := farthest(measured)
	if long < 1e-6 {
		return best, false
	}
	pairsFound, least := 0, 0.
	near := math.Max(layoutNear, layoutShare*long)
	for i := range drawn {
		for j := range drawn {
			apart := drawn[j].At.Sub(drawn[i].At).Len()
			if i == j || apart < 1e-9 {
				continue
			}
			for k, unit := range layoutUnits {
				s := long / (apart * unit)
				if math.Abs(s-1) > layoutScale {
					continue
				}
				s *= unit // so that only the layout counts, not its size
				for _, mirror := range []bool{false, true} {
					by := Fit([]profile.Point{drawn[i].At.Mul(s), drawn[j].At.Mul(s)}, []profile.Point{measured[a].At, measured[b].At}, mirror)
					pairs, sum := together(drawn, measured, s, by, near, [2]int{i, a}, [2]int{j, b})
					cost := math.Sqrt(sum / float64(len(pairs)))
					if k > 0 {
						cost += layoutOdd
					}
					if mirror {
						cost += layoutOdd / 2
					}
					if len(pairs) > pairsFound || len(pairs) == pairsFound && cost < least-1e-9 {
						pairsFound, least, ok = len(pairs), cost, true
						best = Layout{Unit: unit, By: by, Pairs: pairs}
					}
				}
			}
		}
	}
	if ok {
		best.settle(drawn, measured)
	}
	return best, ok
}

// farthest answers the two holes that lie farthest apart: they steer best.
func farthest(list []Bore) (a, b int, long float64) {
	for i := range list {
		for j := i + 1; j < len(list); j++ {
			if d := list[j].At.Sub(list[i].At).Len(); d > long {
				a, b, long = i, j, d
			}
		}
	}
	return a, b, long
}

// together pairs every measured hole with the nearest drawn one that is free.
func together(drawn, measured []Bore, unit float64, by Rigid, near float64, first ...[2]int) (pairs [][2]int, sum float64) {
	taken := make([]bool, len(drawn))
	done := make([]bool, len(measured))
	for _, p := range first {
		taken[p[0]], done[p[1]] = true, true
		pairs = append(pairs, p)
		sum += math.Pow(by.Apply(drawn[p[0]].At.Mul(unit)).Sub(measured[p[1]].At).Len(), 2)
	}
	for m := range measured {
		if done[m] {
			continue
		}
		which, least := -1, near
		for d := range drawn {
			if taken[d] {
				continue
			}
			if off := by.Apply(drawn[d].At.Mul(unit)).Sub(measured[m].At).Len(); off < least {
				which, least = d, off
			}
		}
		if which >= 0 {
			taken[which] = true
			pairs, sum = append(pairs, [2]int{which, m}), sum+least*least
		}
	}
	slices.SortFunc(pairs, func(x, y [2]int) int { return x[1] - y[1] })
	return pairs, sum
}

// settle lays the drawing by all pairs, least squares, and measures its scale:
// the ratio of both layouts' spread along each other.
func (l *Layout) settle(drawn, measured []Bore) {
	var from, onto []profile.Point
	for _, p := range l.Pairs {
		from, onto = append(from, drawn[p[0]].At.Mul(l.Unit)), append(onto, measured[p[1]].At)
	}
	m := Meet(from, onto, l.By.Mirror)
	l.By, l.Misses, l.Most, l.Worst = m.By, m.Misses, m.Most, m.Worst
	var middle profile.Point
	for _, q := range m.At {
		middle = middle.Add(q.Mul(1 / float64(len(m.At))))
	}
	var own, shared float64
	for i, q := range m.At {
		d := q.Sub(middle)
		own, shared = own+d.Dot(d), shared+d.Dot(onto[i].Sub(middle))
	}
	l.Scale = own / shared
	for i := range from {
		from[i] = from[i].Mul(1 / l.Scale)
	}
	l.Scaled = Meet(from, onto, l.By.Mirror).Most
}
