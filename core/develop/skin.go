package develop

import (
	"fmt"
	"math"

	"warmanvil/core/solid"
	"warmanvil/core/working"
)

// level says how far sizes in a level plane shift when the plate's middle is taken: on a wall that leans
// they shift farther than it is thick.
func level(shift, run, rise float64) float64 { return shift * math.Hypot(1, run/rise) }

// cone answers the middle surface of a pipe or a cone.
func (f Form) cone(thickness float64) (s skin, err error) {
	in := *f.Cone
	if in.Stations != 0 {
		return s, working.Refuse("/stations", "Leave out the stations: as a part it is unrolled as finely as it takes.")
	}
	if err := in.check(rulings); err != nil {
		return s, err
	}
	shift, at := f.shifted(thickness), in.at()
	slope := (in.Bottom - in.Top) / 2
	by := level(shift, slope, in.Height)
	bottom, top := in.Bottom+2*by, in.Top+2*by
	if at != [2]float64{} && shift != 0 {
		far := math.Abs(slope) + math.Hypot(at[0], at[1])
		s.notes = append(s.notes, fmt.Sprintf("it leans: the middle is taken %.3g mm from the sizes all round; at its steepest it "+
			"lies %.3g mm "+
			"from them", math.Abs(by), math.Abs(level(shift, far, in.Height))))
	}
	switch {
	case bottom <= 0 && in.Bottom > 0, top <= 0 && in.Top > 0:
		return s, working.Refuse("/"+map[bool]string{true: "bottom", false: "top"}[bottom <= 0 && in.Bottom > 0],
			"Of this plate nothing is left of it on the middle: make it larger, or the plate thinner.")
	case bottom < 0:
		return s, working.Refuse("/bottom", "Its point is below, and the middle of the plate would begin higher: turn it over, the "+
			"point up.")
	case top < 0: // the middle comes to its own point lower down
		in.Height *= bottom / (bottom - top)
		top = 0
	}
	in.Bottom, in.Top = bottom, top
	n, err := s.facets(f, math.Max(bottom, top)/2, 360)
	if err != nil {
		return s, err
	}
	if s.strip, err = in.strip(n); err != nil {
		return s, err
	}
	s.lap, s.closed, s.height, s.over = in.Lap, true, in.Height, at
	s.sharp = math.Max(math.Min(bottom, top)/2, tiny)
	s.normals()
	return s, nil
}

// transition answers the middle surface of a transition.
func (f Form) transition(thickness float64) (s skin, err error) {
	in, shift := *f.Transition, f.shifted(thickness)
	if shift != 0 && (in.Below == nil || in.Above == nil) {
		return s, working.Refuse("/bottom", "Corners are given on the middle of the plate: say so, or give rounds and rectangles by "+
			"their sizes.")
	}
	if err := working.Above("/height", "The height", in.Height, 0, greatest, "mm"); err != nil {
		return s, err
	}
	if shift != 0 {
		below, above := *in.Below, *in.Above
		x, y := (below.across()-above.across())/2, (below.deep()-above.deep())/2
		below.grow(level(shift, x, in.Height), level(shift, y, in.Height))
		above.grow(level(shift, x, in.Height), level(shift, y, in.Height))
		in.Below, in.Above = &below, &above
		if in.Offset != nil && *in.Offset != [2]float64{} || below.Round > 0 != (above.Round > 0) {
			most := math.Hypot(math.Abs(x), math.Abs(y))
			if in.Offset != nil {
				most += math.Hypot(in.Offset[0], in.Offset[1])
			}
			s.notes = append(s.notes, fmt.Sprintf("the middle is taken by the lean along and across; where a wall leans most it "+
				"lies up to %.2g mm "+
				"elsewhere", math.Abs(level(shift, most, in.Height)-shift)))
		}
	}
	exact := false
	if s.strip, exact, err = in.strip(); err != nil {
		return s, err
	}
	if !exact {
		s.notes = append(s.notes, "an outline has a hollow: the sheet takes this form only when it is bent at every line as drawn")
	}
	for i, a := range s.strip.turns() {
		if math.Abs(a) >= leastTurn {
			s.lines, s.angles = append(s.lines, i), append(s.angles, a)
		}
	}
	s.lap, s.closed, s.height, s.inside = in.Lap, true, in.Height, math.Max(in.Below.inside(), in.Above.inside())
	if in.Offset != nil {
		s.over = *in.Offset
	}
	return s, nil
}

func (o OutlineForm) across() float64 {
	if o.Round > 0 {
		return o.Round
	}
	return o.Long
}

func (o OutlineForm) deep() float64 {
	if o.Round > 0 {
		return o.Round
	}
	return o.Wide
}

func (o *OutlineForm) grow(x, y float64) {
	if o.Round > 0 {
		o.Round += x + y
		return
	}
	o.Long, o.Wide = o.Long+2*x, o.Wide+2*y
}

// elbow answers the middle surface of one of its pieces, standing on its lower end, the throat towards
// +x; its seam lies at the throat of an end and at the back of a whole segment, or so far round from there.
func (f Form) elbow(thickness float64) (s skin, err error) {
	in := *f.Elbow
	if in.Stations != 0 {
		return s, working.Refuse("/stations", "Leave out the stations: as a part it is unrolled as finely as it takes.")
	}
	in.Diameter += 2 * f.shifted(thickness)
	if _, err := Elbow(in); err != nil {
		return s, err
	}
	if f.Whole && in.Middle == 0 {
		return s, working.Refuse("/middle", "This elbow has no whole segments.")
	}
	r, lean := in.Diameter/2, math.Tan(in.Angle*math.Pi/180/float64(2*(in.Middle+1)))
	n, err := s.facets(f, r, 360)
	if err != nil {
		return s, err
	}
	rise := func(phi float64) float64 { return lean * (in.Radius - r*math.Cos(phi)) }
	back, from := rise(math.Pi), f.Turned*math.Pi/180
	if f.Whole {
		from += math.Pi
	}
	for i := range n + 1 {
		phi := from + 2*math.Pi*float64(i)/float64(n)
		sin, cos := math.Sincos(phi)
		low, high := 0., in.Straight+rise(phi)
		if f.Whole {
			low, high = back-rise(phi), back+rise(phi)
		}
		s.strip = append(s.strip, Ruling{solid.Vector{r * cos, r * sin, low}, solid.Vector{r * cos, r * sin, high}})
	}
	s.closed, s.sharp, s.height = true, r, back+in.Straight
	if f.Whole {
		s.height = 2 * back
	}
	s.normals()
	return s, nil
}

// band answers the middle surface of part of a pipe.
func (f Form) band(thickness float64) (s skin, err error) {
	radius, sweep, width, arch, err := f.Band.sized()
	if err != nil {
		return s, err
	}
	if arch != nil && f.Face != InsideFace {
		return s, working.Refuse("/wheel", "What keeps clear of a wheel is its inside: its sizes are of the inside.")
	}
	if arch != nil && width < arch.Width-1e-9 {
		s.notes = append(s.notes, fmt.Sprintf("the wheel reaches %.4g mm across in what it does, the band is %.4g mm wide",
			arch.Width, width))
	}
	radius += f.shifted(thickness)
	if radius <= 0 {
		return s, working.Refuse("/radius", "Of this plate nothing is left of it on the middle: make it larger, or the plate thinner.")
	}
	n, err := s.facets(f, radius, sweep)
	if err != nil {
		return s, err
	}
	for i := range n + 1 {
		sin, cos := math.Sincos((-90 - sweep/2 + sweep*float64(i)/float64(n)) * math.Pi / 180)
		s.strip = append(s.strip, Ruling{solid.Vector{radius * cos, radius * sin}, solid.Vector{radius * cos, radius * sin, width}})
	}
	for range s.lines {
		s.angles = append(s.angles, sweep/float64(len(s.lines)))
	}
	s.sharp, s.height, s.arch = radius, width, arch
	return s, nil
}

// facets answers in how many rulings a round is unrolled, and of a pressed one where its bends lie: the
// fewest equal ones that keep its flats so near, half a flat before the first and after the last.
func (s *skin) facets(f Form, radius, sweep float64) (int, error) {
	if f.Way == Rolled {
		return rulings, nil
	}
	b, err := Bumps(BumpInput{Radius: radius, Sweep: sweep, Depth: math.Min(f.Depth, radius)})
	if err != nil {
		return 0, working.Refuse("/depth", "%s", err)
	}
	n := 2 * b.Bends * ((rulings + 2*b.Bends - 1) / (2 * b.Bends))
	for k := range b.Bends {
		s.lines = append(s.lines, (2*k+1)*n/(2*b.Bends))
	}
	s.inside = b.Depth
	return n, nil
}

// normals sets how far a closed round turns at each of its bends: between its faces in the middles of
// the flats on both sides.
func (s *skin) normals() {
	m := len(s.lines)
	if m == 0 {
		return
	}
	n := len(s.strip) - 1
	at := func(i int) solid.Vector {
		a, _ := s.strip.facet((i + n - 1) % n)
		b, _ := s.strip.facet(i % n)
		return a.Add(b).Unit()
	}
	for k, i := range s.lines {
		s.angles = append(s.angles, turn(at(k*n/m), at((k+1)*n/m), s.strip[i].Top.Sub(s.strip[i].Bottom)))
	}
}
