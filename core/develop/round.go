package develop

import (
	"fmt"
	"math"

	"warmanvil/core/profile"
	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// Taking answers by how much the flat is shorter than the middle surface bent sharp by an angle in
// degrees at the form's radius: 2·(R + T/2)·tan(A/2) − BA. It fails where the school has no figure.
type Taking func(angle float64) (mm float64, err error)

// Round is a round part unrolled: its middle surface, and its flat with the outside up.
type Round struct {
	Strip   Strip
	Lines   []RoundLine
	Outline []profile.Point    // of the blank, anticlockwise, lap and pinch with it
	Sides   [2]int             // of the outline: the index its first end and its last end begin at
	Lap     *[2]profile.Point  // where the first end lies, of a lapped seam
	Trims   [][2]profile.Point // where the pinch is cut off
	Closed  bool               // its ends meet in a seam
	Area    float64            // mm², of the blank
	Lengths [2]float64         // mm, of the bottom and the top edge on the middle surface
	Seam    float64            // mm, length of its ends; of one that is open too
	Sharp   float64            // mm, smallest radius of the middle surface where it is rolled; 0 of pressed ones
	Inside  float64            // mm, how far flats lie inside the round
	Arch    *ArchResult        // of a band about a wheel
	Notes   []string           // what was taken for granted
	Overlap bool               // the flat lies over itself

	bottom, top []profile.Point // of the rulings as unrolled, nothing taken
	by          []profile.Point // what is added to facet i on the flat
	height      float64
	over        [2]float64 // the middle of the top, from over that of the bottom
	flip        bool
}

// RoundLine is a line the flat is bent at.
type RoundLine struct {
	From, To profile.Point // at the bottom edge, at the top edge
	Angle    float64       // degrees from flat; positive to the inside
	Again    bool          // in the lap, over the first
	ruling   int
}

// rulings is in how many a round is unrolled: its edges are then short of their arcs by less than a
// part in ten thousand of a percent, (2π/n)²/24.
const rulings = 720

// skin is a form's middle surface and what is to be known of it.
type skin struct {
	strip  Strip
	lap    float64
	closed bool
	lines  []int
	angles []float64
	sharp  float64
	inside float64
	height float64
	over   [2]float64
	notes  []string
	arch   *ArchResult
}

// Build unrolls a round of a plate so thick. It fails with *working.Fault whose path points into the form.
func (f Form) Build(thickness float64, take Taking) (*Round, error) {
	if err := f.Check(); err != nil {
		return nil, err
	}
	var s skin
	var err error
	switch f.Kind {
	case ConeForm:
		s, err = f.cone(thickness)
	case TransitionForm:
		s, err = f.transition(thickness)
	case ElbowForm:
		s, err = f.elbow(thickness)
	default:
		s, err = f.band(thickness)
	}
	if fault, is := err.(*working.Fault); is && fault.Path == "/depth" {
		return nil, err
	} else if err != nil {
		return nil, working.Under("/"+string(f.Kind), err)
	}
	flat, err := s.strip.lapped(s.lap)
	if err != nil {
		return nil, working.Under("/"+string(f.Kind), err)
	}
	r := &Round{Strip: s.strip, Closed: s.closed, Inside: s.inside, Arch: s.arch, Notes: s.notes, height: s.height, over: s.over,
		flip: f.Flip}
	if f.Way == Rolled {
		r.Sharp = s.sharp
	}
	if err := r.lay(s, flat, f, take); err != nil {
		return nil, err
	}
	return r, nil
}

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

// Says names what a round is.
func (f Form) Says() string {
	switch f.Kind {
	case ConeForm:
		if c := f.Cone; c != nil && c.Bottom == c.Top && (c.Offset == nil || *c.Offset == [2]float64{}) {
			return "pipe"
		}
		return "cone"
	case ElbowForm:
		if f.Whole {
			return "whole segment of an elbow"
		}
		return "end of an elbow"
	case BandForm:
		if f.Band != nil && f.Band.Wheel != nil {
			return "wheel-arch band"
		}
		return "band"
	}
	return "transition"
}

// shifted says how far sizes lie from the middle of the plate.
func (f Form) shifted(thickness float64) float64 {
	switch f.Face {
	case InsideFace:
		return thickness / 2
	case OutsideFace:
		return -thickness / 2
	}
	return 0
}

// Placed answers the place on the middle surface that lies round so many degrees from +x, seen from
// above about the middle of its height there, and so high over the bottom; where it comes to on the
// flat. It fails where the surface does not reach there.
func (r *Round) Placed(round, up float64) (profile.Point, error) {
	c := r.middle(up)
	sin, cos := math.Sincos(round * math.Pi / 180)
	way := profile.Point{X: cos, Y: sin}
	best, bestOut := profile.Point{}, 0.
	for i := 1; i < len(r.Strip); i++ {
		a, okA := r.Strip[i-1].level(up)
		b, okB := r.Strip[i].level(up)
		if !okA || !okB {
			continue
		}
		p, q := profile.Point{X: a[0], Y: a[1]}.Sub(c), profile.Point{X: b[0], Y: b[1]}.Sub(c)
		cp, cq := way.Cross(p), way.Cross(q)
		if cp*cq > 1e-12 || cp == cq {
			continue
		}
		t := cp / (cp - cq)
		hit := p.Add(q.Sub(p).Mul(t))
		if out := hit.Dot(way); out > bestOut { // of several the outermost: that is where a hand points
			x := hit.Add(c)
			if flat, ok := r.flatOf(i-1, solid.Vector{x.X, x.Y, up}); ok {
				best, bestOut = flat, out
			}
		}
	}
	if bestOut == 0 {
		return profile.Point{}, working.Refuse("", "the surface does not reach there: %s round, %g mm up", angle(round), up)
	}
	return best, nil
}

func angle(deg float64) string { return fmt.Sprintf("%.4g°", deg) }

// middle answers the middle of the level so high up.
func (r *Round) middle(up float64) profile.Point {
	if r.height == 0 {
		return profile.Point{}
	}
	return profile.Point{X: r.over[0], Y: r.over[1]}.Mul(up / r.height)
}

// level answers where a ruling is so high; false where it is not.
func (l Ruling) level(z float64) (solid.Vector, bool) {
	d := l.Top[2] - l.Bottom[2]
	if math.Abs(d) < tiny {
		return l.Bottom, false
	}
	t := (z - l.Bottom[2]) / d
	return l.Bottom.Add(l.Top.Sub(l.Bottom).Mul(t)), t >= -1e-9 && t <= 1+1e-9
}

// flatOf answers where a place on the facet after ruling i comes to on the flat.
func (r *Round) flatOf(i int, v solid.Vector) (profile.Point, bool) {
	for _, tri := range r.triangles(i) {
		if w, ok := weights3(tri.body, v); ok {
			return tri.flat[0].Mul(w[0]).Add(tri.flat[1].Mul(w[1])).Add(tri.flat[2].Mul(w[2])).Add(r.by[i]), true
		}
	}
	return profile.Point{}, false
}

// Onto answers where a place on the flat comes to on the middle surface, and the way outwards there;
// false in a lap, in a pinch and beside the blank.
func (r *Round) Onto(p profile.Point) (at, out solid.Vector, ok bool) {
	near := 1e-3 // beside a bend, where the flats on both sides of it lie over each other or apart
	for _, slack := range []float64{1e-7, near, .1} {
		for i := range len(r.Strip) - 1 {
			q := p.Sub(r.by[i])
			for _, tri := range r.triangles(i) {
				if w, is := weights2(tri.flat, q, slack); is {
					at = tri.body[0].Mul(w[0]).Add(tri.body[1].Mul(w[1])).Add(tri.body[2].Mul(w[2]))
					return at, r.outward(tri.body), true
				}
			}
		}
	}
	return at, out, false
}

// Where answers how far round and how high a place on the middle surface is, as Placed takes them.
func (r *Round) Where(v solid.Vector) (round, up float64) {
	c := r.middle(v[2])
	return math.Atan2(v[1]-c.Y, v[0]-c.X) * 180 / math.Pi, v[2]
}

// pair is a triangle on the body and on the flat.
type pairOf struct {
	body [3]solid.Vector
	flat [3]profile.Point
}

// triangles answers the two triangles of the facet after ruling i that have an area.
func (r *Round) triangles(i int) (out []pairOf) {
	a, b := r.Strip[i], r.Strip[i+1]
	for _, x := range []pairOf{
		{[3]solid.Vector{a.Bottom, a.Top, b.Top}, [3]profile.Point{r.bottom[i], r.top[i], r.top[i+1]}},
		{[3]solid.Vector{a.Bottom, b.Top, b.Bottom}, [3]profile.Point{r.bottom[i], r.top[i+1], r.bottom[i+1]}}} {
		if triangle(x.body[0], x.body[1], x.body[2]) > 1e-9 {
			out = append(out, x)
		}
	}
	return out
}

// outward answers the unit normal of a triangle away from the inside: the flat shows the outside.
func (r *Round) outward(t [3]solid.Vector) solid.Vector {
	n := t[2].Sub(t[0]).Cross(t[1].Sub(t[0])).Unit()
	if r.flip {
		n = n.Mul(-1)
	}
	return n
}

// weights2 answers a place as the weights of a triangle's corners; false outside of it by more than slack mm.
func weights2(t [3]profile.Point, p profile.Point, slack float64) (w [3]float64, ok bool) {
	whole := t[1].Sub(t[0]).Cross(t[2].Sub(t[0]))
	for k := range 3 {
		a, b := t[(k+1)%3], t[(k+2)%3]
		area := b.Sub(a).Cross(p.Sub(a))
		w[k] = area / whole
		if w[k]*math.Abs(whole) < -slack*b.Sub(a).Len() {
			return w, false
		}
	}
	return w, true
}

// weights3 answers a place in a triangle's plane as the weights of its corners.
func weights3(t [3]solid.Vector, p solid.Vector) (w [3]float64, ok bool) {
	n := t[1].Sub(t[0]).Cross(t[2].Sub(t[0]))
	whole := n.Dot(n)
	for k := range 3 {
		a, b := t[(k+1)%3], t[(k+2)%3]
		w[k] = b.Sub(a).Cross(p.Sub(a)).Dot(n) / whole
		if w[k] < -1e-6 {
			return w, false
		}
	}
	return w, true
}
