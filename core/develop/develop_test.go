package develop

import (
	"errors"
	"math"
	"testing"

	"warmanvil/core/working"
)

func near(t *testing.T, what string, got, want, within float64) {
	t.Helper()
	if math.IsNaN(got) || math.Abs(got-want) > within {
		t.Errorf("%s: %.9g, want %.9g", what, got, want)
	}
}

func shoelace(l [][2]float64) (a float64) {
	for i, p := range l {
		q := l[(i+1)%len(l)]
		a += (p[0]*q[1] - p[1]*q[0]) / 2
	}
	return a
}

// Right cones by hand: a frustum of 300 and 200, 120 high has a slant of 130, an area of
// π·(150 + 100)·130 and runs round 360·50/130 degrees; a cylinder is a rectangle; a whole cone a
// sector.
func TestRightCones(t *testing.T) {
	r, err := Cone(ConeInput{Bottom: 300, Top: 200, Height: 120, Stations: 720})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "slant", *r.Slant, 130, 1e-12)
	near(t, "sweep", *r.Sweep, 360*50./130, 1e-12)
	near(t, "area", r.Area, math.Pi*250*130, .3)
	near(t, "outline's area", shoelace(r.Outline), r.Area, 1e-4*r.Area)
	near(t, "bottom", r.Lengths[0], 300*math.Pi, 1e-3)
	near(t, "generators", r.Longest-r.Shortest, 0, 1e-9)
	r, err = Cone(ConeInput{Bottom: 100, Top: 100, Height: 250, Stations: 36})
	if err != nil || len(r.Outline) != 74 {
		t.Fatalf("%v, %d corners", err, len(r.Outline))
	}
	near(t, "cylinder", r.Area, math.Pi*100*250, .1)
	if p := r.Outline[36]; math.Abs(p[0]-100*math.Pi) > 1e-3 || math.Abs(p[1]) > 1e-3 {
		t.Errorf("the bottom of a cylinder ends at %v", p)
	}
	r, err = Cone(ConeInput{Bottom: 240, Height: 160, Stations: 90})
	if err != nil || len(r.Outline) != 92 { // an arc of 91 places and the point
		t.Fatalf("%v, %d corners", err, len(r.Outline))
	}
	near(t, "cone", r.Area, math.Pi*120*200, .2)
	near(t, "its sector", *r.Sweep, 360*120./200, 1e-12)
	up, err := Cone(ConeInput{Top: 240, Height: 160, Stations: 90})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "on its point", up.Area, r.Area, 1e-6)
}

// A cylinder cut askew has the area of its mean height, π·D·h; a leaning one, by the quadrature of its
// generators against its circles.
func TestCutAndLeaningCones(t *testing.T) {
	r, err := Cone(ConeInput{Bottom: 100, Top: 100, Height: 200, Cut: &ConeCut{Angle: 30, Height: 120}})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "cut cylinder", r.Area, math.Pi*100*120, .1)
	near(t, "shortest", r.Shortest, 120-50*math.Tan(math.Pi/6), 1e-3)
	near(t, "longest", r.Longest, 120+50*math.Tan(math.Pi/6), 1e-3)
	if r.Slant != nil {
		t.Error("a cut cone has no one slant")
	}
	for _, seam := range []float64{0, 47, 180} { // wherever the seam is
		turned, err := Cone(ConeInput{Bottom: 100, Top: 100, Height: 200, Cut: &ConeCut{Angle: 30, Height: 120}, Seam: seam})
		if err != nil {
			t.Fatal(err)
		}
		near(t, "seam", turned.Area, r.Area, 1e-3)
	}
	at := [2]float64{80, 30}
	r, err = Cone(ConeInput{Bottom: 100, Top: 100, Height: 200, Offset: &at})
	if err != nil {
		t.Fatal(err)
	}
	long := math.Sqrt(80*80 + 30*30 + 200*200)
	want := 0.
	const n = 20000
	for i := range n { // ∮ |ds × u|·L
		a := 2 * math.Pi * (float64(i) + .5) / n
		along := (-math.Sin(a)*80 + math.Cos(a)*30) / long
		want += math.Sqrt(1-along*along) * long * 100 * math.Pi / n
	}
	near(t, "leaning cylinder", r.Area, want, .2)
	r, err = Cone(ConeInput{Bottom: 300, Top: 120, Height: 200, Offset: &at})
	if err != nil {
		t.Fatal(err)
	}
	want = 0
	for i := range n { // of a leaning cone, by triangles to its apex
		a, b := 2*math.Pi*float64(i)/n, 2*math.Pi*float64(i+1)/n
		want += quad(a, b, at)
	}
	near(t, "leaning cone", r.Area, want, 1e-4*want)
}

// quad is the area of a leaning frustum of 300 and 120, 200 high, between two angles, by Heron.
func quad(a, b float64, at [2]float64) float64 {
	p := func(a float64, top bool) [3]float64 {
		if top {
			return [3]float64{at[0] + 60*math.Cos(a), at[1] + 60*math.Sin(a), 200}
		}
		return [3]float64{150 * math.Cos(a), 150 * math.Sin(a), 0}
	}
	d := func(u, v [3]float64) float64 { return math.Sqrt(sq(u[0]-v[0]) + sq(u[1]-v[1]) + sq(u[2]-v[2])) }
	heron := func(u, v, w [3]float64) float64 {
		x, y, z := d(u, v), d(v, w), d(w, u)
		s := (x + y + z) / 2
		return math.Sqrt(math.Max(0, s*(s-x)*(s-y)*(s-z)))
	}
	return heron(p(a, false), p(b, false), p(b, true)) + heron(p(a, false), p(b, true), p(a, true))
}

func sq(v float64) float64 { return v * v }

// What is no cone is refused where it stands.
func TestConesThatAreNone(t *testing.T) {
	far := [2]float64{math.NaN(), 0}
	for at, in := range map[string]ConeInput{
		"/bottom":     {Height: 10},
		"/height":     {Bottom: 10, Top: 5},
		"/top":        {Bottom: 10, Top: -5, Height: 3},
		"/stations":   {Bottom: 10, Height: 5, Stations: 2},
		"/cut":        {Bottom: 100, Top: 100, Height: 50, Cut: &ConeCut{Angle: 60, Height: 20}},
		"/cut/angle":  {Bottom: 100, Top: 100, Height: 50, Cut: &ConeCut{Angle: 90, Height: 20}},
		"/cut/height": {Bottom: 100, Top: 100, Height: 50, Cut: &ConeCut{Height: 60}},
		"/offset/0":   {Bottom: 100, Top: 100, Height: 50, Offset: &far},
	} {
		var f *working.Fault
		if _, err := Cone(in); !errors.As(err, &f) || f.Path != at {
			t.Errorf("%s: %v", at, err)
		}
	}
}

// rectangle and circle are outlines about the origin.
func rectangle(x, y float64) [][2]float64 {
	return [][2]float64{{-x / 2, -y / 2}, {x / 2, -y / 2}, {x / 2, y / 2}, {-x / 2, y / 2}}
}

func circle(d float64, n int) (out [][2]float64) {
	for i := range n {
		sin, cos := math.Sincos(2 * math.Pi * float64(i) / float64(n))
		out = append(out, [2]float64{d / 2 * cos, d / 2 * sin})
	}
	return out
}

// By hand: a hopper of 400 to 200, 240 high has four flats of (400 + 200)/2·√(240² + 100²) = 78 000 mm²,
// and three lines to bend with the seam at the fourth, each turned by 180° less the angle between
// neighbours, cos = (100/260)². A box is three right angles.
func TestHopperByHand(t *testing.T) {
	r, err := Transition(TransitionInput{Bottom: rectangle(400, 400), Top: rectangle(200, 200), Height: 240})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "area", r.Area, 4*300*260, 1e-6)
	near(t, "flat", shoelace(r.Outline), r.Area, 1e-6)
	want := math.Acos(100*100./(260*260)) * 180 / math.Pi
	if len(r.Lines) != 3 || !r.Exact || len(r.Findings) > 0 {
		t.Fatalf("%d lines, %+v", len(r.Lines), r.Findings)
	}
	for _, l := range r.Lines {
		near(t, "turn", l.Angle, want, 1e-9)
	}
	near(t, "at the seam", r.SeamTurn, want, 1e-9)
	near(t, "longest", r.Longest, math.Sqrt(240*240+2*100*100), 1e-9)
	box, err := Transition(TransitionInput{Bottom: rectangle(300, 200), Top: rectangle(300, 200), Height: 90})
	if err != nil || len(box.Lines) != 3 {
		t.Fatalf("%v %+v", err, box.Lines)
	}
	near(t, "box", box.Area, 1000*90, 1e-9)
	near(t, "its corner", box.Lines[1].Angle, 90, 1e-9)
}

// Square to round: with ever more corners of the circle the area comes to that of four triangles and
// four quarters of leaning cones, by quadrature; every corner of the square gets its fan.
func TestSquareToRound(t *testing.T) {
	want := 0.
	const side, d, high, n = 300., 160., 220., 4000
	// A triangle from a side to the circle's place nearest to it, four times.
	want += 4 * side / 2 * math.Hypot(high, side/2-d/2)
	for i := range n { // a quarter of the circle from a corner, four times
		a, b := math.Pi/2*float64(i)/n, math.Pi/2*float64(i+1)/n
		p := func(a float64) [3]float64 {
			return [3]float64{d/2*math.Cos(a) - side/2, d/2*math.Sin(a) - side/2, high}
		}
		u, v := p(a), p(b)
		x, y, z := u[1]*v[2]-u[2]*v[1], u[2]*v[0]-u[0]*v[2], u[0]*v[1]-u[1]*v[0]
		want += 4 * math.Sqrt(x*x+y*y+z*z) / 2
	}
	r, err := Transition(TransitionInput{Bottom: rectangle(side, side), Top: circle(d, 360), Height: high})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "area", r.Area, want, 1e-4*want)
	near(t, "flat", shoelace(r.Outline), r.Area, 1e-6)
	if len(r.Lines) < 355 || r.Lengths[0] != 4*side {
		t.Errorf("%d lines, bottom %g", len(r.Lines), r.Lengths[0])
	}
	sum := r.SeamTurn
	for _, l := range r.Lines {
		if l.Angle < 0 {
			t.Fatalf("a hull turns outwards by %g", l.Angle)
		}
		sum += l.Angle
	}
	if sum < 300 {
		t.Errorf("turned by %g in all", sum)
	}
}

// Forms in place of corners: a rectangle with its seam in the middle of a side is the hopper by its
// corners, a round the circle; both at once are refused, and what is neither.
func TestFormsOfOutlines(t *testing.T) {
	by, err := Transition(TransitionInput{Bottom: rectangle(400, 300), Top: rectangle(200, 100), Height: 240})
	if err != nil {
		t.Fatal(err)
	}
	form, err := Transition(TransitionInput{Below: &OutlineForm{Long: 400, Wide: 300}, Above: &OutlineForm{Long: 200, Wide: 100},
		Height: 240})
	if err != nil || len(form.Lines) != 4 { // the seam lies in a side, and all four corners are bent
		t.Fatalf("%v, %d lines", err, len(form.Lines))
	}
	near(t, "area", form.Area, by.Area, 1e-6)
	near(t, "its seam", form.SeamTurn, 0, 1e-6)
	near(t, "seam's sides", form.Longest, math.Sqrt(240*240+100*100*2), 1e-6)
	round, err := Transition(TransitionInput{Below: &OutlineForm{Long: 300, Wide: 300}, Above: &OutlineForm{Round: 160}, Height: 220})
	if err != nil || !round.Exact || len(round.Findings) > 0 {
		t.Fatalf("%v %+v", err, round.Findings)
	}
	corners, err := Transition(TransitionInput{Bottom: rectangle(300, 300), Top: circle(160, 4*usualSides), Height: 220})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "square to round", round.Area, corners.Area, 1e-3*corners.Area)
	// Six sides a quarter lie inside a round of 160 by 80·(1 − cos 7.5°), and are pressed at six lines
	// and the corner's two sides.
	six, err := Transition(TransitionInput{Below: &OutlineForm{Long: 300, Wide: 300}, Above: &OutlineForm{Round: 160, Sides: 6},
		Height: 220})
	if err != nil || len(six.Lines) != 4*7 {
		t.Errorf("%d lines, %v", len(six.Lines), err)
	}
	near(t, "inside the round", six.Inside, 80*(1-math.Cos(math.Pi/24)), 1e-9)
	near(t, "its edge", six.Lengths[1], 24*160*math.Sin(math.Pi/24), 1e-6)
	many := TransitionInput{Below: &OutlineForm{Round: 300, Sides: 91}, Above: &OutlineForm{Round: 160}, Height: 220}
	if _, err := Transition(many); err == nil {
		t.Error("91 sides a quarter are taken")
	}
	four := rectangle(4, 4)
	for at, in := range map[string]TransitionInput{
		"/below":       {Below: &OutlineForm{Round: 9}, Bottom: four, Top: rectangle(2, 2), Height: 5},
		"/above/long":  {Bottom: four, Above: &OutlineForm{Wide: 5}, Height: 5},
		"/above/round": {Bottom: four, Above: &OutlineForm{Round: -5}, Height: 5},
		"/bottom":      {Top: four, Height: 5},
	} {
		var f *working.Fault
		if _, err := Transition(in); !errors.As(err, &f) || f.Path != at {
			t.Errorf("%s: %v", at, err)
		}
	}
}

// A seam in the middle of a side runs to the middle of the side above it, so
// that what has no taper is drawn as a plain strip and both ends match.
func TestSeamsRunStraight(t *testing.T) {
	box, small, round := &OutlineForm{Long: 80, Wide: 50}, &OutlineForm{Long: 40, Wide: 30}, &OutlineForm{Round: 60}
	for _, x := range []struct {
		name         string
		below, above *OutlineForm
		seam         float64 // mm, its length by hand at 40 high
	}{
		{"a box", box, box, 40},
		{"a tapered box", box, small, math.Hypot(40, 10)},
		{"a taper upwards", small, box, math.Hypot(40, 10)},
		{"square to round", box, round, math.Hypot(40, 5)},
		{"round to square", round, box, math.Hypot(40, 5)},
		{"a pipe", round, round, 40},
	} {
		r, err := Transition(TransitionInput{Below: x.below, Above: x.above, Height: 40})
		if err != nil {
			t.Fatal(x.name, err)
		}
		p := r.Outline[0]
		q := r.Outline[len(r.Outline)-1]
		if got := math.Hypot(p[0]-q[0], p[1]-q[1]); math.Abs(got-x.seam) > 1e-6 {
			t.Errorf("%s: the seam is %.3f long, %.3f by hand", x.name, got, x.seam)
		}
		if !r.Exact || r.SeamTurn > 45./usualSides*2+1e-6 {
			t.Errorf("%s: its sides turn %.2f° at the seam", x.name, r.SeamTurn)
		}
		// Nothing is round the flat but its two edges and the seam twice.
		l := 0.
		for i, o := range r.Outline {
			m := r.Outline[(i+1)%len(r.Outline)]
			l += math.Hypot(o[0]-m[0], o[1]-m[1])
		}
		if want := r.Lengths[0] + r.Lengths[1] + 2*x.seam; math.Abs(l-want) > 1e-6 {
			t.Errorf("%s: round its flat %.3f, of its edges %.3f", x.name, l, want)
		}
	}
}
