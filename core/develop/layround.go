package develop

import (
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/working"
)

// lay fills in the flat: what the bends take is taken, the pinch is added, it is set upright, and of
// the mirror's it is turned over.
func (r *Round) lay(s skin, flat lapFlat, f Form, take Taking) error {
	n := len(s.strip)
	r.bottom, r.top = flat.Bottom[:n:n], flat.Top[:n:n]
	bottom, top, again, err := r.taken(s, flat, take)
	if err != nil {
		return err
	}
	for i := 1; i < n; i++ {
		r.Lengths[0] += dist(s.strip[i-1].Bottom, s.strip[i].Bottom)
		r.Lengths[1] += dist(s.strip[i-1].Top, s.strip[i].Top)
	}
	r.Seam = dist(s.strip[0].Bottom, s.strip[0].Top)
	if s.lap > 0 {
		r.Lap = &[2]profile.Point{bottom[n-1], top[n-1]}
	}
	for k, i := range s.lines {
		r.Lines = append(r.Lines, RoundLine{From: bottom[i], To: top[i], Angle: s.angles[k], ruling: i})
	}
	r.Lines = append(r.Lines, again...)
	r.outline(bottom, top, f.Pinch)
	if len(r.Outline) < 3 {
		return working.Refuse("", "Nothing is left of it: look at its sizes.")
	}
	r.upright()
	var loop profile.Loop
	for _, p := range r.Outline {
		loop = append(loop, profile.Vertex{X: p.X, Y: p.Y})
	}
	r.Area, r.Overlap = loop.Area(), loop.Crosses()
	return nil
}

// taken answers the flat's edges with what every bend takes taken off square to it, half on either
// side; what lies between two bends moves as one, so that nothing in it changes.
func (r *Round) taken(s skin, flat lapFlat, take Taking) (bottom, top []profile.Point, again []RoundLine, err error) {
	n := len(s.strip)
	r.by = make([]profile.Point, n)
	bottom, top = append(bottom, flat.Bottom...), append(top, flat.Top...)
	at := map[int]float64{}
	for k, i := range s.lines {
		if at[i], err = take(math.Abs(s.angles[k])); err != nil {
			return nil, nil, nil, err
		}
	}
	moved := profile.Point{}
	before := make([]profile.Point, n) // what the flat before a ruling moved by
	for i := range n {
		before[i] = moved
		if mm := at[i]; mm != 0 {
			u := flat.Top[i].Sub(flat.Bottom[i])
			u = u.Mul(1 / u.Len())
			moved = moved.Add(profile.Point{X: u.Y, Y: -u.X}.Mul(-mm))
		}
		r.by[i] = moved
	}
	settle(flat.Bottom, bottom, before, r.by)
	settle(flat.Top, top, before, r.by)
	for i := n; i < len(bottom); i++ {
		bottom[i] = bottom[i].Add(moved)
	}
	for i := n; i < len(top); i++ {
		top[i] = top[i].Add(moved)
	}
	for _, l := range flat.again { // bent as the beginning is over which the lap lies
		for k, i := range s.lines {
			if i == l.of && l.to.Sub(l.from).Len() > alikeSpot {
				again = append(again, RoundLine{From: l.from.Add(moved), To: l.to.Add(moved), Angle: s.angles[k], Again: true, ruling: i})
			}
		}
	}
	return bottom, top, again, nil
}

// settle moves the ends of the rulings on one edge: where the edges of the flats on both sides of a bend
// then cross, or of a fan of bends that run from one corner; where they run on straight, half way.
func settle(was, is, before, after []profile.Point) {
	n := len(after)
	for i := 0; i < n; {
		k := i
		for k+1 < n && was[k+1].Sub(was[i]).Len() < alikeSpot {
			k++
		}
		p := was[i].Add(before[i].Add(after[k]).Mul(.5))
		if i > 0 && k+1 < len(was) {
			in, out := was[i].Sub(was[i-1]), was[k+1].Sub(was[k])
			if c := in.Cross(out); math.Abs(c) > .2*in.Len()*out.Len() {
				t := after[k].Sub(before[i]).Cross(out) / c
				p = was[i].Add(before[i]).Add(in.Mul(t))
			}
		}
		for ; i <= k; i++ {
			is[i] = p
		}
	}
}

// outline sets the blank's outline: along the bottom, up the last end, back along the top, down the
// first; beside both ends the pinch, square to them.
func (r *Round) outline(bottom, top []profile.Point, pinch float64) {
	last := len(bottom) - 1
	ends := [2][2]profile.Point{{bottom[0], top[0]}, {bottom[last], top[len(top)-1]}}
	low, high := thinned(bottom), thinned(top)
	if pinch > 0 {
		for k, e := range ends {
			if e[1].Sub(e[0]).Len() < tiny {
				continue
			}
			u := e[1].Sub(e[0])
			u = u.Mul(1 / u.Len())
			off := profile.Point{X: u.Y, Y: -u.X}.Mul(pinch)
			r.Trims = append(r.Trims, e)
			if k == 0 {
				low, high = append([]profile.Point{e[0].Sub(off)}, low...), append([]profile.Point{e[1].Sub(off)}, high...)
			} else {
				low, high = append(low, e[0].Add(off)), append(high, e[1].Add(off))
			}
		}
	}
	r.Outline = Flat{low, high}.Outline()
	r.Sides = [2]int{-1, -1}
	find := func(a, b profile.Point) int {
		for i, p := range r.Outline {
			q := r.Outline[(i+1)%len(r.Outline)]
			if p.Sub(a).Len() < alikeSpot && q.Sub(b).Len() < alikeSpot {
				return i
			}
		}
		return -1
	}
	r.Sides = [2]int{find(high[0], low[0]), find(low[len(low)-1], high[len(high)-1])}
}

// thinned leaves out points of a line that lie within a hundredth of a millimetre of what is left
// (Ramer 1972, Douglas and Peucker 1973).
func thinned(l []profile.Point) []profile.Point {
	if len(l) < 3 {
		return l
	}
	keep := make([]bool, len(l))
	keep[0], keep[len(l)-1] = true, true
	stack := [][2]int{{0, len(l) - 1}}
	for len(stack) > 0 {
		s := stack[len(stack)-1]
		stack = stack[:len(stack)-1]
		a, b := l[s[0]], l[s[1]]
		d := b.Sub(a)
		worst, at := .01, -1
		for i := s[0] + 1; i < s[1]; i++ {
			off := l[i].Sub(a)
			if long := d.Len(); long > tiny {
				t := math.Max(0, math.Min(1, off.Dot(d)/(long*long)))
				off = off.Sub(d.Mul(t))
			}
			if off.Len() > worst {
				worst, at = off.Len(), i
			}
		}
		if at >= 0 {
			keep[at] = true
			stack = append(stack, [2]int{s[0], at}, [2]int{at, s[1]})
		}
	}
	out := []profile.Point{}
	for i, p := range l {
		if keep[i] {
			out = append(out, p)
		}
	}
	return out
}

// upright turns the flat about its origin so that both ends lean alike, the mirror's over, and sets
// it beside the axes.
func (r *Round) upright() {
	n := len(r.bottom)
	a, b := r.top[0].Sub(r.bottom[0]), r.top[n-1].Sub(r.bottom[n-1])
	lean := 0.
	if a.Len() > tiny && b.Len() > tiny {
		u := a.Mul(1 / a.Len()).Add(b.Mul(1 / b.Len()))
		if u.Len() > 1e-6 {
			lean = math.Atan2(u.X, u.Y)
		} else { // it fans half round: the bottom's middle hangs down
			lean = -math.Pi / 2
		}
	}
	sin, cos := math.Sincos(lean)
	turn := func(p profile.Point) profile.Point {
		p = profile.Point{X: p.X*cos - p.Y*sin, Y: p.X*sin + p.Y*cos}
		if r.flip {
			p.X = -p.X
		}
		return p
	}
	box := profile.Empty()
	for _, p := range r.Outline {
		box.Include(turn(p))
	}
	set := func(p profile.Point) profile.Point { return turn(p).Sub(box.Min) }
	for _, list := range [][]profile.Point{r.bottom, r.top, r.Outline} {
		for i := range list {
			list[i] = set(list[i])
		}
	}
	for i := range r.by {
		r.by[i] = turn(r.by[i])
	}
	for i := range r.Lines {
		r.Lines[i].From, r.Lines[i].To = set(r.Lines[i].From), set(r.Lines[i].To)
	}
	for i := range r.Trims {
		r.Trims[i] = [2]profile.Point{set(r.Trims[i][0]), set(r.Trims[i][1])}
	}
	if r.Lap != nil {
		r.Lap = &[2]profile.Point{set(r.Lap[0]), set(r.Lap[1])}
	}
	if !r.flip {
		return
	}
	m := len(r.Outline)
	for i, k := 0, m-1; i < k; i, k = i+1, k-1 {
		r.Outline[i], r.Outline[k] = r.Outline[k], r.Outline[i]
	}
	for k, i := range r.Sides {
		if i >= 0 {
			r.Sides[k] = (2*m - 2 - i) % m
		}
	}
	r.Sides[0], r.Sides[1] = r.Sides[1], r.Sides[0]
	for i, x := range r.Strip {
		x.Bottom[0], x.Top[0] = -x.Bottom[0], -x.Top[0]
		r.Strip[i] = x
	}
	r.over[0] = -r.over[0]
}
