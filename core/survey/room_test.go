package survey

import (
	"math"
	"math/rand/v2"
	"testing"

	"warmanvil/core/profile"
	"warmanvil/core/solid"
)

func lid() Space {
	return Space{Name: "lid", Kind: Moving, Moves: []State{InUse},
		Shape: Shape{Form: SwingForm, At: [3]float64{0, 0, 500}, Axis: [3]float64{0, 1, 0}, Start: [3]float64{1, 0, 0}, Radius: 400,
			Low:  -200,
			High: 200, Thick: 20, Turn: -100}}
}

// A lid lies shut in two states and swings up in the third: what stands over it
// is clear of the one and hit by the other.
func TestLidSwings(t *testing.T) {
	over := Thing{Name: "shelf", Body: solid.Box(solid.Vector{100, -50, 700}, solid.Vector{300, 50, 720})}
	cs := Clearances([]Thing{over}, []Space{lid()}, 5)
	if len(cs) != 1 {
		t.Fatal(len(cs))
	}
	c := cs[0]
	if !c.Into || c.Distance != 0 || c.State != InUse || len(c.Under) != 1 {
		t.Errorf("%+v", c)
	}
	shut := lid()
	shut.Moves = nil
	c = Clearances([]Thing{over}, []Space{shut}, 5)[0]
	near(t, "over the shut lid", c.Distance, 200, 1e-6)
	gone := lid()
	gone.Absent = []State{Stowed, InUse, Travelling}
	if c = Clearances([]Thing{over}, []Space{gone}, 5)[0]; !math.IsInf(c.Distance, 1) || c.Under != nil {
		t.Errorf("a space that is never there: %+v", c)
	}
}

// Every place the moving thing passes through is held by what it sweeps.
func TestSweepsHoldEveryPlace(t *testing.T) {
	r := rand.New(rand.NewPCG(51, 52))
	for _, turn := range []float64{-100, 75} {
		s := lid().Shape
		s.Turn = turn
		swept := solid.NewTree(s.body(true))
		back := 1.0 // of the leaf, seen along the axis
		if turn > 0 {
			back = -1
		}
		for range 300 {
			u, v, h, a := 400*r.Float64(), 20*r.Float64()*back, -200+400*r.Float64(), turn*r.Float64()
			// Axis y, start x: the direction of increasing angle is y × x = −z.
			sin, cos := math.Sincos(a * math.Pi / 180)
			x, z := solid.Vector{1}, solid.Vector{0, 0, -1}
			along, beside := x.Mul(cos).Add(z.Mul(sin)), z.Mul(cos).Sub(x.Mul(sin))
			p := solid.Vector{0, 0, 500}.Add(along.Mul(u*.999 + .1)).Add(beside.Mul(v * .999)).Add(solid.Vector{0, 1}.Mul(h * .999))
			if !swept.Holds(p) {
				t.Fatalf("turned %.1f of %.0f°, %.0f out, %.1f behind: left out", a, turn, u, v)
			}
		}
	}
	tyre := Shape{Form: TyreForm, At: [3]float64{0, 0, 350}, Radius: 350, Size: [3]float64{0, 220}, Lock: 35, Bump: 80, Droop: 60}
	b := tyre.body(true)
	swept := solid.NewTree(b)
	for range 300 {
		a, lift, round, w := (70*r.Float64()-35)*math.Pi/180, -60+140*r.Float64(), 2*math.Pi*r.Float64(), 220*r.Float64()-110
		sin, cos := math.Sincos(a)
		rad := 350 * math.Sqrt(r.Float64())
		p := solid.Vector{cos * rad * math.Cos(round), sin * rad * math.Cos(round),
			rad*math.Sin(round) + 350 + lift}.Add(solid.Vector{-sin * w, cos * w})
		if !swept.Holds(p) {
			q := solid.NewTree(solid.Ball(p, b.Deviation+.01))
			if solid.Between(q, swept).Distance > 0 {
				t.Fatalf("tyre at lock: %v is left out by more than the %.2f mm stated", p, b.Deviation)
			}
		}
	}
}

// Clearances in all states equal those of pairs looked at one by one.
func TestClearancesEqualPairs(t *testing.T) {
	r := rand.New(rand.NewPCG(61, 62))
	at := func() [3]float64 { return [3]float64{600 * r.Float64(), 600 * r.Float64(), 600 * r.Float64()} }
	var spaces []Space
	for i := range 12 {
		a := at()
		shape := []Shape{
			{Form: BoxForm, At: a, Size: [3]float64{40, 60, 30}, Yaw: 30},
			{Form: CylinderForm, At: a, To: [3]float64{a[0] + 80, a[1], a[2] + 20}, Radius: 15},
			{Form: BallForm, At: a, Radius: 30},
			{Form: TravelForm, At: a, Size: [3]float64{30, 30, 30}, Travel: [3]float64{0, 120, 30}},
			{Form: RunForm, Corners: [][3]float64{a, {a[0] + 100, a[1], a[2]}, {a[0] + 100, a[1] + 90, a[2]}}, Radius: 6},
			{Form: PrismForm, At: a, Outline: []profile.Point{{X: 0, Y: 0}, {X: 80, Y: 0}, {X: 0, Y: 60}}, Height: 40},
		}[i%6]
		s := Space{Kind: Fixed, Shape: shape}
		if err := s.Check(""); err != nil {
			t.Fatal(err)
		}
		if i%6 == 3 {
			s.Moves = []State{InUse, Travelling}
		}
		spaces = append(spaces, s)
	}
	var things []Thing
	for range 6 {
		a := solid.Vector(at())
		things = append(things, Thing{Body: solid.Box(a, a.Add(solid.Vector{50, 40, 30}))})
	}
	for _, c := range Clearances(things, spaces, 5) {
		want := math.Inf(1)
		if c.Space >= 0 {
			for _, st := range States {
				b := spaces[c.Space].In(st)
				want = math.Min(want, math.Max(solid.Between(solid.NewTree(things[c.Thing].Body),
					solid.NewTree(b)).Distance-b.Deviation, 0))
			}
		} else {
			want = solid.Between(solid.NewTree(things[c.Thing].Body), solid.NewTree(things[c.Other].Body)).Distance
		}
		near(t, "clearance", c.Distance, want, 1e-9)
	}
}

func TestDrillStop(t *testing.T) {
	line := Space{Name: "fuel line", Kind: Line, Shape: Shape{Form: RunForm, Radius: 5, Corners: [][3]float64{{30, -200, 0}, {30, 200, 0}}}}
	d := Drilling{At: [3]float64{0, 0, 0}, Into: [3]float64{1, 0, 0}, Diameter: 8}
	// The line's near side lies 25 mm in; 15 mm are kept off a line.
	b := Stop(d, []Space{line}, 120)
	near(t, "stop", b.Stop, 10, .35)
	if b.Space != 0 {
		t.Errorf("%+v", b)
	}
	d.Sigma = 2
	near(t, "stop, place uncertain", Stop(d, []Space{line}, 120).Stop, 6, .35)
	d = Drilling{At: [3]float64{0, 0, 60}, Into: [3]float64{1, 0, 0}, Diameter: 8}
	if b = Stop(d, []Space{line}, 120); b.Space != -1 || b.Stop != 120 {
		t.Errorf("beside it: %+v", b)
	}
	if b = Stop(Drilling{At: [3]float64{20, 0, 0}, Into: [3]float64{1, 0, 0}, Diameter: 8}, []Space{line}, 120); b.Stop > .01 {
		t.Errorf("with the line at the drill's start: %+v", b)
	}
}

func TestBlocked(t *testing.T) {
	s := Shape{Form: BoxForm, At: [3]float64{0, 0, 0}, Size: [3]float64{5, 200, 100}}
	half := Thing{Body: solid.Box(solid.Vector{20, 100, -50}, solid.Vector{30, 300, 150})}
	far := Thing{Body: solid.Box(solid.Vector{500, 0, 0}, solid.Vector{510, 200, 100})}
	near(t, "half", Blocked(s, []Thing{half, far}, 100), .5, .02)
	near(t, "nothing near", Blocked(s, []Thing{far}, 100), 0, 0)
	s.Yaw = 90 // it now lies along −x
	near(t, "turned away", Blocked(s, []Thing{half}, 100), 0, 0)
}

func TestSpacesRefused(t *testing.T) {
	far := 1e7
	for name, s := range map[string]Space{
		"no kind":        {Shape: Shape{Form: BoxForm, Size: [3]float64{1, 1, 1}}},
		"no form":        {Kind: Fixed},
		"no size":        {Kind: Fixed, Shape: Shape{Form: BoxForm}},
		"no length":      {Kind: Fixed, Shape: Shape{Form: CylinderForm, Radius: 5}},
		"no way":         {Kind: Moving, Shape: Shape{Form: SwingForm, Radius: 5, High: 3}},
		"far":            {Kind: Fixed, Need: &far, Shape: Shape{Form: BallForm, Radius: 5}},
		"two corners":    {Kind: Fixed, Shape: Shape{Form: PrismForm, Height: 3, Outline: []profile.Point{{}, {X: 1}}}},
		"a state":        {Kind: Fixed, Moves: []State{"parked"}, Shape: Shape{Form: BallForm, Radius: 5}},
		"one point":      {Kind: Line, Shape: Shape{Form: RunForm, Radius: 5, Corners: [][3]float64{{}}}},
		"locked too far": {Kind: Tyre, Shape: Shape{Form: TyreForm, Radius: 300, Size: [3]float64{0, 200}, Lock: 80}},
	} {
		if s.Check("") == nil {
			t.Errorf("%s: taken", name)
		}
	}
}

// A body of some 5 000 triangles against 50 spaces in 3 states.
func BenchmarkClearances(b *testing.B) {
	var body solid.Body
	for i := range 64 {
		x, y := float64(i%15)*40, float64(i/15)*40
		body = body.With(solid.Cylinder(solid.Vector{x, y, 0}, solid.Vector{x, y, 5}, 15))
	}
	var ring []profile.Point
	for i := range 300 {
		s, c := math.Sincos(2 * math.Pi * float64(i) / 300)
		ring = append(ring, profile.Point{X: 300 + 200*c, Y: 100 + 90*s})
	}
	body = body.With(solid.Prism(solid.Ground, ring, nil, 4))
	var spaces []Space
	for i := range 50 {
		at := [3]float64{float64(i%10)*65 - 20, float64(i/10)*60 - 30, 40 + float64(i%7)*15}
		s := Space{Kind: Fixed, Moves: []State{InUse}, Absent: []State{Travelling}}
		switch i % 3 {
		case 0:
			s.Shape = Shape{Form: BoxForm, At: at, Size: [3]float64{60, 30, 20}}
		case 1:
			s.Shape = Shape{Form: CylinderForm, At: at, To: [3]float64{at[0] + 100, at[1] + 40, at[2] + 10}, Radius: 12}
		default:
			s.Shape = Shape{Form: SwingForm, At: at, Start: [3]float64{1}, Radius: 90, High: 15, Turn: 100, Thick: 8}
		}
		spaces = append(spaces, s)
	}
	if n := body.Count(); n < 5000 || n > 5500 {
		b.Fatalf("%d triangles", n)
	}
	things := []Thing{{Body: body}}
	for b.Loop() {
		if len(Clearances(things, spaces, 5)) != 50 {
			b.Fatal("not all")
		}
	}
}
