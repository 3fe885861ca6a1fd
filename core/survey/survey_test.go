package survey

import (
	"math"
	"math/rand/v2"
	"testing"

	"warmanvil/core/solid"
)

func near(t *testing.T, what string, got, want, tolerance float64) {
	t.Helper()
	if math.Abs(got-want) > tolerance || math.IsNaN(got) {
		t.Errorf("%s: %.9g, want %.9g", what, got, want)
	}
}

func TestReadings(t *testing.T) {
	k := Reading{Values: []float64{100, 101, 100.5}, Instrument: Tape}.Work(nil, false)
	near(t, "mean", k.Value, 100.5, 1e-12)
	near(t, "spread", k.Spread, 1, 1e-12)
	near(t, "uncertainty", k.Sigma, 1, 1e-12) // the tape's, the repeats share it
	k = Reading{Values: []float64{100, 100.2, 125.5, 99.9}, Instrument: Tape}.Work(nil, false)
	if k.Outlier != 3 {
		t.Errorf("outlier %d, want the third", k.Outlier)
	}
	near(t, "without it", k.Value, (100+100.2+99.9)/3, 1e-12)
	k = Reading{Values: []float64{60.3, 60.1, 60.6}, Instrument: Caliper, Least: true}.Work(nil, false)
	near(t, "inside width", k.Value, 60.1, 1e-12)
	near(t, "scatter beyond the caliper", k.Sigma, .2517, 1e-3)
	near(t, "from memory", Reading{Values: []float64{5}, Instrument: Caliper, Trust: "memory"}.Work(nil, false).Sigma, 5, 1e-12)
	near(t, "a shop's own tape", Reading{Values: []float64{5}, Instrument: Tape}.Work(Shop{Tape: .5}, false).Sigma, .5, 1e-12)
	near(t, "an angle", Reading{Values: []float64{5}}.Work(nil, true).Sigma, .2, 1e-12)
	if k := (Reading{}).Work(nil, false); k != (Known{}) {
		t.Errorf("nothing read: %+v", k)
	}
	for _, bad := range []Reading{{Values: []float64{math.NaN()}}, {Values: []float64{1e9}}, {Instrument: "laser"}, {Trust: "sure"}} {
		if bad.Check("", "It", -1e5, 1e5, "mm") == nil {
			t.Errorf("%+v is taken", bad)
		}
	}
}

func TestLevels(t *testing.T) {
	// Nose 20 mm low over 2000, left side 15 mm high over 1500, no twist.
	r, err := Levels(LevelInput{Wheelbase: 2000, Track: 1500, Heights: Corners{515, 500, 535, 520}})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "pitch", r.Pitch, math.Atan(.01)*180/math.Pi, 1e-12)
	near(t, "roll", r.Roll, math.Atan(.01)*180/math.Pi, 1e-12)
	near(t, "twist", r.Twist, 0, 1e-12)
	for i, want := range []float64{20, 35, 0, 15} {
		near(t, "packing", r.Packing.list()[i], want, 1e-12)
	}
	// On a floor that falls to the front by as much, it stands level fore and aft.
	r, _ = Levels(LevelInput{Wheelbase: 2000, Track: 1500, Heights: Corners{515, 500, 535, 520},
		Floor: &Slope{Pitch: -math.Atan(.01) * 180 / math.Pi}})
	near(t, "pitch on a sloping floor", r.Pitch, 0, 1e-9)
	// Wanted 1 % nose low: only the roll is packed.
	r, _ = Levels(LevelInput{Wheelbase: 2000, Track: 1500, Heights: Corners{515, 500, 535, 520},
		Wanted: &Slope{Pitch: math.Atan(.01) * 180 / math.Pi}})
	for i, want := range []float64{0, 15, 0, 15} {
		near(t, "packing to a slope", r.Packing.list()[i], want, 1e-9)
	}
	r, _ = Levels(LevelInput{Wheelbase: 2000, Track: 1500, Heights: Corners{530, 500, 500, 500}})
	near(t, "twist", r.Twist, 30, 1e-12)
	if len(r.Findings) != 1 || r.Findings[0].Code != "twist" {
		t.Errorf("%+v", r.Findings)
	}
	if _, err := Levels(LevelInput{Track: 1500}); err == nil {
		t.Error("no wheelbase is taken")
	}
}

func TestOwnSlope(t *testing.T) {
	r, err := OwnSlope(SlopeInput{Reading: 33.5, Own: -1.5, Wanted: 30})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "to the vehicle", r.Angle, 35, 1e-12)
	near(t, "to turn", r.Turn, -5, 1e-12)
	near(t, "the gauge then shows", r.Show, 28.5, 1e-12)
}

// A rectangle leant over by a known angle is found from its diagonals.
func TestSquare(t *testing.T) {
	for _, lean := range []float64{-8, -1, 0, .4, 12} {
		a, b := 1800., 900.
		s, c := math.Sincos(lean * math.Pi / 180)
		fl, fr, rl, rr := solid.Vector{a * s, a * c}, solid.Vector{b + a*s, a * c}, solid.Vector{}, solid.Vector{b}
		r, err := Square(SquareInput{Length: a, Width: b, LeftToRight: fl.Sub(rr).Len(), RightToLeft: fr.Sub(rl).Len()})
		if err != nil {
			t.Fatal(err)
		}
		near(t, "lean", r.Angle, lean, 1e-9)
		near(t, "shift", r.Shift, -a*s, 1e-9)
		if r.Sure != (math.Abs(r.OutOfSquare) > 2*math.Sqrt2) {
			t.Errorf("%.2f mm: sure %v", r.OutOfSquare, r.Sure)
		}
	}
	for _, in := range []SquareInput{{Length: 100, Width: 100, LeftToRight: 250, RightToLeft: 100},
		{Length: 1000, Width: 100, LeftToRight: 800, RightToLeft: 1000}, {Width: 5, LeftToRight: 5, RightToLeft: 5}} {
		if _, err := Square(in); err == nil {
			t.Errorf("%+v is taken", in)
		}
	}
	if r, _ := Square(SquareInput{Length: 1000, Width: 500, LeftToRight: 1130, RightToLeft: 1130}); len(r.Findings) == 0 ||
		r.Findings[0].Code != "sides" {
		t.Errorf("sides that do not go with the diagonals: %+v", r.Findings)
	}
}

// Places behind random distances in space are found again; points measured from
// one plane leave the mirror choice.
func TestInSpace(t *testing.T) {
	r := rand.New(rand.NewPCG(31, 32))
	at := func() [3]float64 { return [3]float64{1500 * r.Float64(), 1500 * r.Float64(), 1500 * r.Float64()} }
	for range 300 {
		p := at()
		var in SpaceInput
		n := 3 + r.IntN(4)
		for range n {
			k := at()
			in.From = append(in.From, FromKnown{At: k, Distance: solid.Vector(k).Sub(p).Len()})
		}
		got, err := InSpace(in)
		if err != nil {
			continue // in one line by chance
		}
		if got.Moves > 40 {
			continue
		}
		best := math.Inf(1)
		for _, s := range got.Solutions {
			best = math.Min(best, solid.Vector(s).Sub(p).Len())
		}
		near(t, "place", best, 0, 1e-4)
		if n == 3 && len(got.Solutions) != 2 {
			t.Errorf("three distances give %d places", len(got.Solutions))
		}
		if n > 4 && len(got.Solutions) != 1 {
			t.Errorf("%d distances give %d places", n, len(got.Solutions))
		}
	}
}

func TestInSpaceRefusesAndTells(t *testing.T) {
	line := []FromKnown{{At: [3]float64{0, 0, 0}, Distance: 100}, {At: [3]float64{100, 0, 0}, Distance: 100},
		{At: [3]float64{200, 0, 0}, Distance: 100}}
	twice := []FromKnown{{At: [3]float64{0, 0, 0}, Distance: 100}, {At: [3]float64{0, 0, 0}, Distance: 90},
		{At: [3]float64{200, 100, 0}, Distance: 100}}
	open := []FromKnown{{At: [3]float64{0, 0, 0}, Distance: 100}, {At: [3]float64{1000, 0, 0}, Distance: 100},
		{At: [3]float64{0, 1000, 0}, Distance: 100}}
	for name, from := range map[string][]FromKnown{"in line": line, "twice the same": twice, "cannot close": open, "too few": line[:2]} {
		if _, err := InSpace(SpaceInput{from}); err == nil {
			t.Errorf("%s: taken", name)
		}
	}
	p := solid.Vector{400, 300, 700}
	var from []FromKnown
	for _, k := range [][3]float64{{0, 0, 0}, {1000, 0, 0}, {0, 1000, 0}, {0, 0, 1000}, {900, 900, 100}} {
		from = append(from, FromKnown{At: k, Distance: p.Sub(k).Len()})
	}
	from[3].Distance += 30
	r, err := InSpace(SpaceInput{from})
	if err != nil || len(r.Findings) == 0 || r.Findings[0].Code != "contradiction" {
		t.Errorf("%v %+v", err, r.Findings)
	}
}

// A part carried anywhere is found back from its holes.
func TestMate(t *testing.T) {
	r := rand.New(rand.NewPCG(41, 42))
	for range 200 {
		pose := solid.Turned(solid.Vector{1000 * r.Float64(), 500, 300}, 360*r.Float64(), 90*r.Float64(), 40*r.Float64())
		n := 2 + r.IntN(4)
		var pairs []Pair
		for i := range n {
			p := solid.Vector{100 * r.Float64(), 30 + 60*float64(i), 0}
			if n == 2 {
				p[0] = 20
			}
			pairs = append(pairs, Pair{Part: p, Vehicle: pose.Apply(p)})
		}
		m, err := Mate(pairs, solid.Vector{0, 0, 1}, pose.Z)
		if err != nil {
			t.Fatal(err)
		}
		for i := range m.Misses {
			near(t, "miss", m.Misses[i], 0, 1e-6)
		}
		probe := solid.Vector{70, -20, 15}
		near(t, "a place off the holes", m.Pose.Apply(probe).Sub(pose.Apply(probe)).Len(), 0, 1e-5)
		if m.Pose.Mirrored() {
			t.Fatal("the part is turned inside out")
		}
	}
	in := []Pair{{Part: solid.Vector{0, 0, 0}, Vehicle: solid.Vector{5, 5, 5}},
		{Part: solid.Vector{100, 0, 0}, Vehicle: solid.Vector{105, 5, 5}}}
	if _, err := Mate(in, solid.Vector{}, solid.Vector{}); err == nil {
		t.Error("two holes without a face are taken")
	}
	if _, err := Mate(in[:1], solid.Vector{0, 0, 1}, solid.Vector{0, 0, 1}); err == nil {
		t.Error("one hole is taken")
	}
	in[1].Vehicle[0] += 4 // each of the two misses by half
	m, err := Mate(in, solid.Vector{0, 0, 1}, solid.Vector{0, 0, 1})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "shared miss", m.Sideway[0], 2, 1e-9)
}

func TestRamps(t *testing.T) {
	// A point at the ground 1000 ahead of a tyre of 350: the ramp is the tangent
	// from the foot, which is the ground itself.
	near(t, "on the ground", ramp(350, 1000, 0), 0, 1e-9)
	// Far ahead the tyre is a point: the angle tends to atan(h/ahead).
	near(t, "far ahead", ramp(1e-6, 1000, 300), math.Atan2(300, 1000)*180/math.Pi, 1e-6)
	// By hand: centre (0, 350), point (900, 400): distance 901.39, the tangent
	// makes asin(350/901.39) with the line to the centre.
	near(t, "by hand", ramp(350, 900, 400), (math.Atan2(50, 900)+math.Asin(350/math.Hypot(900, 50)))*180/math.Pi, 1e-9)
	near(t, "behind the axle", ramp(350, -5, 100), 90, 0)
	w := Wheels{Front: 0, Rear: -2500, Radius: 350}
	box := Thing{Body: solid.Box(solid.Vector{-1300, -100, 220}, solid.Vector{-1200, 100, 300})}
	hook := Thing{Body: solid.Box(solid.Vector{-3400, -50, 300}, solid.Vector{-3300, 50, 320})}
	r := w.Over([]Thing{box, hook})
	near(t, "ground clearance", r.Clearance.Value, 220, 1e-9)
	near(t, "departure", r.Departure.Value, ramp(350, 900, 300), 1e-9)
	near(t, "break-over", r.BreakOver.Value, ramp(350, 1300, 220)+ramp(350, 1200, 220), 1e-9)
	near(t, "approach", r.Approach.Value, 90, 0)
	if r.Clearance.By != 0 || r.Departure.By != 1 || r.Approach.By != -1 {
		t.Errorf("%+v", r)
	}
	if w.Front, w.Rear = -5, 5; w.Check("") == nil {
		t.Error("a front axle behind the rear one is taken")
	}
}
