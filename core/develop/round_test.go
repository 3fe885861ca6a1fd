package develop

import (
	"errors"
	"math"
	"math/rand/v2"
	"testing"

	"warmanvil/core/profile"
	"warmanvil/core/solid"
	"warmanvil/core/working"
)

func none(float64) (float64, error) { return 0, nil }

// kfold is what a plate 2 mm thick bent at an inside radius of 2 takes at K 0.4.
func kfold(angle float64) (float64, error) {
	a := angle * math.Pi / 180
	return 2*3*math.Tan(a/2) - a*(2+.4*2), nil
}

func built(t *testing.T, f Form, thickness float64, take Taking) *Round {
	t.Helper()
	r, err := f.Build(thickness, take)
	if err != nil {
		t.Fatalf("%+v: %v", f, err)
	}
	return r
}

func size(l []profile.Point) (x, y float64) {
	b := profile.Empty()
	for _, p := range l {
		b.Include(p)
	}
	return b.Size()
}

// By hand: a pipe of 100 outside and 2 thick is 98π round on its middle; inside it is 102π. Rolled with
// a pinch of 30 it is 60 longer and is cut off at 30; its flat is a plain rectangle.
func TestPipePartsByHand(t *testing.T) {
	pipe := func(face Face, pinch float64) Form {
		return Form{Kind: ConeForm, Face: face, Way: Rolled, Pinch: pinch, Cone: &ConeInput{Bottom: 100, Top: 100, Height: 60}}
	}
	for face, want := range map[Face]float64{OutsideFace: 98 * math.Pi, MiddleFace: 100 * math.Pi, InsideFace: 102 * math.Pi} {
		r := built(t, pipe(face, 0), 2, none)
		x, y := size(r.Outline)
		near(t, string(face), x, want, .01)
		near(t, "high", y, 60, 1e-9)
		if len(r.Outline) != 4 || r.Sides[0] != 3 || r.Sides[1] != 1 {
			t.Errorf("%s: %d corners, ends at %v", face, len(r.Outline), r.Sides)
		}
	}
	r := built(t, pipe(OutsideFace, 30), 2, none)
	x, _ := size(r.Outline)
	near(t, "with its pinch", x, 98*math.Pi+60, .01)
	if len(r.Trims) != 2 {
		t.Fatalf("%d lines to cut off", len(r.Trims))
	}
	near(t, "cut off", r.Trims[0][0].X, 30, 1e-6)
}

// By hand: a cone to a point, 100 outside and 50 high, 1 thick, leans 45°: the middle's point lies 0.5·√2
// lower and its bottom is √2 smaller across.
func TestConeToAPoint(t *testing.T) {
	r := built(t, Form{Kind: ConeForm, Face: OutsideFace, Way: Rolled, Cone: &ConeInput{Bottom: 100, Top: 0, Height: 50}}, 1, none)
	near(t, "high", r.Strip[0].Top[2], 50-.5*math.Sqrt2, 1e-9)
	near(t, "bottom", r.Strip[0].Bottom.Len(), 50-.5*math.Sqrt2, 1e-9)
	near(t, "area", r.Area, math.Pi*math.Pow(50-.5*math.Sqrt2, 2)*math.Sqrt2, 2)
}

// By hand: a square duct of 100 × 60 outside, 2 thick, straight up, R 2, K 0.4: each of the four bends
// takes 2·3 − π/2·2.8 = 1.602 off the middle surface of 2·(98 + 58) = 312, so 305.593 round.
func TestDuctTakesItsBends(t *testing.T) {
	box := OutlineForm{Long: 100, Wide: 60}
	r := built(t, Form{Kind: TransitionForm, Face: OutsideFace, Way: Pressed,
		Transition: &TransitionInput{Below: &box, Above: &box, Height: 80}}, 2, kfold)
	x, y := size(r.Outline)
	taken := 6 - math.Pi/2*2.8
	near(t, "round", x, 312-4*taken, 1e-6)
	near(t, "high", y, 80, 1e-9)
	if len(r.Lines) != 4 {
		t.Fatalf("%d bends", len(r.Lines))
	}
	near(t, "first bend", r.Lines[0].From.X, 49-taken/2, 1e-6)
	near(t, "second bend", r.Lines[1].From.X, 49+58-1.5*taken, 1e-6)
}

// By hand: a taper of a square 200 to 100, 100 high, all on the middle: its corners' edges stay on the
// straight lines of the flats' edges, so that the flats are congruent but for half a bend on each side.
func TestTaperedBendsMoveAlongTheirEdges(t *testing.T) {
	f := Form{Kind: TransitionForm, Face: MiddleFace, Way: Pressed, Transition: &TransitionInput{Below: &OutlineForm{Long: 200, Wide: 200},
		Above: &OutlineForm{Long: 100, Wide: 100}, Height: 100}}
	sharp, bent := built(t, f, 2, none), built(t, f, 2, kfold)
	mm, _ := kfold(sharp.Lines[1].Angle)
	for k := range 3 { // between the first bend and the fourth lie three whole flats
		a, b := sharp.Lines[k], sharp.Lines[k+1]
		c, d := bent.Lines[k], bent.Lines[k+1]
		u := a.To.Sub(a.From)
		u = u.Mul(1 / u.Len())
		e := b.From.Sub(a.From)
		// The edge loses so much at each end: half a bend, along the edge.
		less := mm / 2 / (math.Abs(u.Cross(e)) / e.Len())
		near(t, "bottom edge of a flat", d.From.Sub(c.From).Len(), e.Len()-2*less, 1e-6)
		near(t, "top edge of a flat", d.To.Sub(c.To).Len(), b.To.Sub(a.To).Len()-2*less, 1e-6)
	}
}

// Every form, with laps and pinches, mirrored or not: the blank's area is that of its middle surface,
// marks keep their distance within a flat, and what is placed on the body comes to the flat and back.
func TestRoundsGoOntoTheFlatAndBack(t *testing.T) {
	rnd := rand.New(rand.NewPCG(19, 7))
	at := [2]float64{35, -20}
	forms := map[string]Form{
		"pipe": {Kind: ConeForm, Way: Rolled, Pinch: 25, Cone: &ConeInput{Bottom: 120, Top: 120, Height: 150, Lap: 15, Seam: 40,
			Cut: &ConeCut{Angle: 30, Height: 110, Toward: 70}, Foot: &ConeCut{Angle: -12, Height: 25}}},
		"cone":    {Kind: ConeForm, Way: Rolled, Cone: &ConeInput{Bottom: 300, Top: 160, Height: 200, Seam: 90}},
		"oblique": {Kind: ConeForm, Way: Pressed, Depth: .5, Cone: &ConeInput{Bottom: 200, Top: 120, Height: 180, Offset: &at}},
		"funnel": {Kind: TransitionForm, Way: Pressed, Transition: &TransitionInput{Below: &OutlineForm{Long: 300, Wide: 260},
			Above: &OutlineForm{Round: 120}, Height: 240, Offset: &at, Lap: 12}},
		"end": {Kind: ElbowForm, Way: Rolled, Elbow: &ElbowInput{Diameter: 90, Radius: 150, Angle: 90, Middle: 2, Straight: 40}},
		"whole": {Kind: ElbowForm, Way: Pressed, Depth: .3, Whole: true, Elbow: &ElbowInput{Diameter: 90, Radius: 150, Angle: 90,
			Middle: 2}},
		"turned": {Kind: ElbowForm, Way: Rolled, Turned: 90, Elbow: &ElbowInput{Diameter: 90, Radius: 150, Angle: 90, Middle: 2,
			Straight: 40}},
		"saddle": {Kind: BandForm, Way: Pressed, Depth: .4, Band: &Band{Radius: 30, Sweep: 120, Width: 80}},
		"arch": {Kind: BandForm, Way: Rolled, Band: &Band{Width: 300, Wheel: &ArchInput{Tyre: 650, Width: 200, Growth: 8, Up: 90, Lock: 0,
			Gap: 40, Above: 50}}},
	}
	for name, f := range forms {
		for _, flip := range []bool{false, true} {
			f.Face, f.Flip = MiddleFace, flip
			if name == "arch" {
				f.Face = InsideFace
			}
			r := built(t, f, 2, none)
			if r.Overlap {
				t.Errorf("%s lies over itself", name)
			}
			body := r.Strip.Area()
			extra := 0.
			for _, e := range r.Trims {
				extra += f.Pinch * e[1].Sub(e[0]).Len()
			}
			if lap := lapOf(f); lap > 0 {
				extra += lap * r.Seam // a seam's rectangle; the lap's other edge is a little longer or shorter
			}
			near(t, name+", area", r.Area, body+extra, 1e-4*body+lapOf(f)*lapOf(f))
			for k, i := range r.Sides {
				if i < 0 {
					t.Errorf("%s: its end %d is no side", name, k)
					continue
				}
				a, b := r.Outline[i], r.Outline[(i+1)%len(r.Outline)]
				if a.Y > b.Y == (k == 1) { // anticlockwise: down the left end, up the right one
					t.Errorf("%s: end %d runs from %v to %v", name, k, a, b)
				}
			}
			checkWay(t, name, rnd, r)
		}
	}
}

func lapOf(f Form) float64 {
	switch {
	case f.Cone != nil:
		return f.Cone.Lap
	case f.Transition != nil:
		return f.Transition.Lap
	}
	return 0
}

// checkWay goes from places on the body to the flat and back, and compares short distances.
func checkWay(t *testing.T, name string, rnd *rand.Rand, r *Round) {
	t.Helper()
	found := 0
	for range 200 {
		i := rnd.IntN(len(r.Strip) - 1)
		a, b := r.Strip[i], r.Strip[i+1]
		low := a.Bottom.Add(b.Bottom.Sub(a.Bottom).Mul(.5))
		high := a.Top.Add(b.Top.Sub(a.Top).Mul(.5))
		v := low.Add(high.Sub(low).Mul(.1 + .8*rnd.Float64()))
		round, up := r.Where(v)
		flat, err := r.Placed(round, up)
		if err != nil {
			t.Fatalf("%s: %v", name, err)
		}
		back, out, ok := r.Onto(flat)
		if !ok {
			t.Fatalf("%s: %v is not on the flat", name, flat)
		}
		if d := back.Sub(v).Len(); d > .02 { // what lies between two rulings of a twisted pair is a triangle's
			t.Errorf("%s: %.3f mm off after going there and back", name, d)
		}
		near(t, name+", outward", out.Len(), 1, 1e-9)
		// Outwards is away from the middle of its level, wherever that is inside.
		if c := (solid.Vector{back[0] - r.over[0]*up/r.height, back[1] - r.over[1]*up/r.height}); c.Dot(out) < 0 {
			t.Errorf("%s: it shows its inside at %v", name, flat)
		}
		other := flat.Add(profile.Point{X: .2 * rnd.Float64(), Y: .2 * rnd.Float64()})
		if w, _, ok := r.Onto(other); ok {
			if d := math.Abs(w.Sub(back).Len() - other.Sub(flat).Len()); d > 2e-3 {
				t.Errorf("%s: two marks %.3f mm apart come %.4f mm nearer", name, other.Sub(flat).Len(), d)
			}
			found++
		}
	}
	if found < 150 {
		t.Errorf("%s: only %d pairs on it", name, found)
	}
}

// What is no round is refused with its place and what would do.
func TestRoundsRefused(t *testing.T) {
	pipe := &ConeInput{Bottom: 100, Top: 100, Height: 60}
	box := &OutlineForm{Long: 100, Wide: 60}
	for at, f := range map[string]Form{
		"/kind": {Kind: "dome", Face: MiddleFace, Way: Rolled},
		"/band": {Kind: ConeForm, Face: MiddleFace, Way: Rolled, Cone: pipe, Band: &Band{}},
		"/face": {Kind: ConeForm, Way: Rolled, Cone: pipe},
		"/way": {Kind: TransitionForm, Face: MiddleFace, Way: Rolled, Transition: &TransitionInput{Below: box, Above: box,
			Height: 9}},
		"/depth":       {Kind: ConeForm, Face: MiddleFace, Way: Pressed, Cone: pipe},
		"/pinch":       {Kind: ConeForm, Face: MiddleFace, Way: Pressed, Depth: 1, Pinch: 5, Cone: pipe},
		"/whole":       {Kind: ConeForm, Face: MiddleFace, Way: Rolled, Whole: true, Cone: pipe},
		"/turned":      {Kind: ConeForm, Face: MiddleFace, Way: Rolled, Turned: 30, Cone: pipe},
		"/cone/bottom": {Kind: ConeForm, Face: OutsideFace, Way: Rolled, Cone: &ConeInput{Bottom: 1, Top: 90, Height: 60}},
		"/cone/foot": {Kind: ConeForm, Face: MiddleFace, Way: Rolled, Cone: &ConeInput{Bottom: 100, Top: 100, Height: 60,
			Cut: &ConeCut{Angle: 40, Height: 50}, Foot: &ConeCut{Angle: -40, Height: 20}}},
		"/elbow/middle": {Kind: ElbowForm, Face: MiddleFace, Way: Rolled, Whole: true, Elbow: &ElbowInput{Diameter: 90,
			Radius: 100, Angle: 45}},
		"/band/sweep":      {Kind: BandForm, Face: MiddleFace, Way: Rolled, Band: &Band{Radius: 100, Sweep: 360, Width: 50}},
		"/band/wheel/tyre": {Kind: BandForm, Face: InsideFace, Way: Rolled, Band: &Band{Width: 50, Wheel: &ArchInput{}}},
		"/band/wheel": {Kind: BandForm, Face: OutsideFace, Way: Rolled, Band: &Band{Width: 50, Wheel: &ArchInput{Tyre: 600,
			Width: 200}}},
		"/transition/bottom": {Kind: TransitionForm, Face: OutsideFace, Way: Pressed,
			Transition: &TransitionInput{Bottom: rectangle(10, 10), Top: rectangle(9, 9), Height: 9}},
	} {
		var fault *working.Fault
		if _, err := f.Build(2, none); !errors.As(err, &fault) || fault.Path != at {
			t.Errorf("%s: %v", at, err)
		}
	}
}

// A pressed pipe's bends are as many as its depth asks, each turns its share, and none lies at the seam.
func TestPressedRounds(t *testing.T) {
	r := built(t, Form{Kind: ConeForm, Face: MiddleFace, Way: Pressed, Depth: .5, Cone: &ConeInput{Bottom: 400, Top: 400,
		Height: 90}}, 2, none)
	n := len(r.Lines)
	near(t, "bends", float64(n), math.Ceil(math.Pi/math.Acos(1-.5/200)), 0)
	for _, l := range r.Lines {
		near(t, "each turns", l.Angle, 360/float64(n), 1e-6)
	}
	near(t, "the first", r.Lines[0].From.X, 400*math.Pi/float64(n)/2, .01)
	facets, rows := r.Facets(2, .1)
	if len(facets) != n+1 || len(rows) != n+2 {
		t.Errorf("%d flats drawn of %d bends", len(facets), n)
	}
	near(t, "as thick as the plate", rows[3][1].Sub(rows[3][0]).Len(), 2/math.Cos(math.Pi/float64(n)), 1e-3)
}

func BenchmarkRoundPart(b *testing.B) {
	f := Form{Kind: TransitionForm, Face: OutsideFace, Way: Pressed, Transition: &TransitionInput{Below: &OutlineForm{Long: 300, Wide: 300},
		Above: &OutlineForm{Round: 160, Sides: 89}, Height: 220}}
	for b.Loop() {
		if r, err := f.Build(2, kfold); err != nil || len(r.Lines) < 350 {
			b.Fatal(err)
		}
	}
}

// The seam of an elbow lies where it is asked, as long as the elbow is there: a quarter round from the throat
// an end is as long as at its middle line, tan(half)·R and its straight.
func TestSeamOfAnElbowIsTurned(t *testing.T) {
	e := ElbowInput{Diameter: 90, Radius: 150, Angle: 90, Middle: 2, Straight: 40}
	lean := math.Tan(15 * math.Pi / 180)
	for _, c := range []struct {
		turned, seam float64
		whole        bool
	}{{0, 40 + lean*(150-45), false}, {90, 40 + lean*150, false}, {180, 40 + lean*(150+45), false}, {-90, 40 + lean*150, false},
		{0, 2 * lean * (150 + 45), true}, {180, 2 * lean * (150 - 45), true}} {
		r := built(t, Form{Kind: ElbowForm, Face: MiddleFace, Way: Rolled, Turned: c.turned, Whole: c.whole, Elbow: &e}, 2, none)
		near(t, "seam", r.Seam, c.seam, 1e-6)
	}
}
