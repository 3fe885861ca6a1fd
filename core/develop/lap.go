package develop

import (
	"math"
	"slices"

	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// lapFlat is a flat that runs on past its last ruling, which is then where the seam's first side lies.
type lapFlat struct {
	Flat
	seam  [2]profile.Point
	again []againLine // of the beginning, over which the lap lies, in the lap
}

// againLine is a ruling as far as it lies in the lap.
type againLine struct {
	of       int // index of the ruling
	from, to profile.Point
}

// lapped answers the flat with a lap beyond its last ruling: the surface runs on past the seam as it
// began, up to a line beside it, so that the lap lies on the beginning edge on edge. Towards a point it
// runs out. It fails where what it lies on is not so wide.
func (s Strip) lapped(lap float64) (lapFlat, error) {
	n := len(s)
	twice := append(slices.Clone(s), s[1:]...).Unroll()
	out := lapFlat{Flat: Flat{Bottom: slices.Clone(twice.Bottom[:n]), Top: slices.Clone(twice.Top[:n])},
		seam: [2]profile.Point{twice.Bottom[n-1], twice.Top[n-1]}}
	seam := out.seam
	if lap == 0 {
		return out, nil
	}
	along := seam[1].Sub(seam[0])
	if along.Len() < tiny {
		return out, working.Refuse("/lap", "The seam has no length here: put it elsewhere, or butt it.")
	}
	u := along.Mul(1 / along.Len())
	beside := profile.Point{X: u.Y, Y: -u.X}
	for _, edge := range []struct{ run, to *[]profile.Point }{{&twice.Bottom, &out.Bottom}, {&twice.Top, &out.Top}} {
		list := (*edge.run)[n-1:]
		if length(list) < tiny {
			continue // a point
		}
		was, reached := 0., false
		for i := 1; i < len(list) && !reached; i++ {
			off := list[i].Sub(list[0]).Dot(beside)
			if off < was-alikeSpot {
				break // it turns back
			}
			p := list[i]
			if reached = off >= lap; reached {
				p = list[i-1].Add(p.Sub(list[i-1]).Mul((lap - was) / (off - was)))
			}
			*edge.to = append(*edge.to, p)
			was = off
		}
		if !reached {
			return out, working.Refuse("/lap", "The surface beside the seam is not as wide as this lap: make it narrower.")
		}
	}
	off := func(p profile.Point) float64 { return p.Sub(seam[0]).Dot(beside) }
	for i := 1; i < n; i++ {
		a, b := twice.Bottom[n-1+i], twice.Top[n-1+i]
		x, y := off(a), off(b)
		if math.Min(x, y) >= lap-alikeSpot {
			break
		}
		if x > lap {
			a = b.Add(a.Sub(b).Mul((lap - y) / (x - y)))
		}
		if y > lap {
			b = a.Add(b.Sub(a).Mul((lap - x) / (y - x)))
		}
		out.again = append(out.again, againLine{i, a, b})
	}
	return out, nil
}

// lapArea answers how large the lap of a flat is that has one beyond its n-th ruling, mm².
func (f Flat) lapArea(n int) float64 {
	var loop profile.Loop
	for _, p := range f.Bottom[n-1:] {
		loop = append(loop, profile.Vertex{X: p.X, Y: p.Y})
	}
	top := f.Top[n-1:]
	for i := len(top) - 1; i >= 0; i-- {
		loop = append(loop, profile.Vertex{X: top[i].X, Y: top[i].Y})
	}
	return loop.Area()
}

func length(list []profile.Point) (mm float64) {
	for i := 1; i < len(list); i++ {
		mm += list[i].Sub(list[i-1]).Len()
	}
	return mm
}

// lapSaid is what a lap takes for granted.
const lapSaid = "the lap lies on the beginning, a thickness farther out: it is set off there, or the first edge of the round is"

// checkLap refuses a lap that is none.
func checkLap(lap float64) error { return working.Within("/lap", "The lap", lap, 0, 1000, "mm") }

// seamLine answers where a lapped seam lies on the flat; nil for a butted one.
func seamLine(lap float64, seam [2]profile.Point) *[2][2]float64 {
	if lap == 0 {
		return nil
	}
	p := pairs(seam[:])
	return &[2][2]float64{p[0], p[1]}
}
