package load

import (
	"errors"
	"math"
	"math/rand"
	"strings"
	"testing"

	"warmanvil/core/strength"
	"warmanvil/core/working"
)

func near(t *testing.T, what string, got, want, tol float64) {
	t.Helper()
	if math.IsNaN(got) || math.Abs(got-want) > tol {
		t.Errorf("%s = %.9g, want %.9g", what, got, want)
	}
}

var square = [][2]float64{{400, 300}, {400, -300}, {-400, 300}, {-400, -300}}

func feet(t *testing.T, in FeetInput) FeetResult {
	t.Helper()
	r, err := Feet(in)
	if err != nil {
		t.Fatalf("%+v: %v", in, err)
	}
	return r
}

// 100 kg in the middle of four feet 800 × 600 apart, centre of gravity 500
// high: at rest each foot presses 980.665/4. Pushed forward with 1 g and 1 g
// down the overturning moment 980.665·500 is answered by pairs 800 apart:
// 980.665·500/800/2 = 306.458 more on each front foot, as much less behind.
func TestFeetHandWorked(t *testing.T) {
	w := 100 * G
	in := FeetInput{Mass: 100, CentreOfGravity: [3]float64{0, 0, 500}, Feet: square, Acceleration: [3]float64{0, 0, -1}}
	for _, f := range feet(t, in).Forces {
		near(t, "rest", f[2], -w/4, 1e-9)
		near(t, "rest, along", f[0], 0, 1e-9)
	}
	in.Acceleration = [3]float64{1, 0, -1}
	r := feet(t, in)
	near(t, "front", r.Forces[0][2], -w/4-306.4578125, 1e-6)
	near(t, "rear", r.Forces[2][2], -w/4+306.4578125, 1e-6)
	near(t, "along", r.Forces[0][0], w/4, 1e-9)
	if !r.Lifts {
		t.Error("the rear feet lift: 306 N over 245 N")
	}
	// Pushed left, the left feet press: moment w·500 over 600 by two feet.
	in.Acceleration = [3]float64{0, 1, -1}
	r = feet(t, in)
	near(t, "left", r.Forces[0][2], -w/4-w*500/600/2, 1e-6)
	// One foot loose: the two beside it carry as the load lies on their diagonal.
	in.Acceleration = [3]float64{0, 0, -1}
	one := 0
	in.Loose = &one
	r = feet(t, in)
	near(t, "loose", r.Forces[0][2], 0, 1e-12)
	near(t, "beside", r.Forces[1][2], -w/2, 1e-6)
	near(t, "across", r.Forces[3][2], 0, 1e-6)
	in.Loose, in.Carrying = nil, &[2]int{0, 3}
	r = feet(t, in)
	near(t, "carrying", r.Forces[0][2], -w/2, w*1e-3)
}

// Whatever the feet, the load and the way of sharing: forces and moments of
// the feet balance those of the mass to 1e-9.
func TestReactionsBalance(t *testing.T) {
	rnd := rand.New(rand.NewSource(3))
	for range 400 {
		n := 3 + rnd.Intn(6)
		in := FeetInput{Mass: math.Pow(10, rnd.Float64()*4),
			Acceleration: [3]float64{rnd.Float64()*4 - 2, rnd.Float64()*4 - 2, rnd.Float64()*8 - 5}}
		for i := range 3 {
			in.CentreOfGravity[i] = rnd.Float64()*1000 - 300
		}
		for range n {
			in.Feet = append(in.Feet, [2]float64{rnd.Float64()*2000 - 1000, rnd.Float64()*2000 - 1000})
		}
		for _, s := range Sharings(in.Feet) {
			in.Loose, in.Carrying = s.Loose, s.Carrying
			r, err := Feet(in)
			if err != nil {
				continue // three of the feet happen to lie nearly in a line
			}
			w := in.Mass * G
			var f, m [3]float64
			size := 0.0
			for i, v := range r.Forces {
				x, y := in.Feet[i][0], in.Feet[i][1]
				for j := range 3 {
					f[j] += v[j]
				}
				m[0] += y * v[2]
				m[1] -= x * v[2]
				m[2] += x*v[1] - y*v[0]
				size = max(size, math.Abs(v[0])+math.Abs(v[1])+math.Abs(v[2]))
			}
			a, c := in.Acceleration, in.CentreOfGravity
			tol := 1e-9 * (size + w)
			for j := range 3 {
				near(t, s.Name+" force", f[j], a[j]*w, tol)
			}
			near(t, s.Name+" about x", m[0], w*(c[1]*a[2]-c[2]*a[1]), 2000*tol)
			near(t, s.Name+" about y", m[1], w*(c[2]*a[0]-c[0]*a[2]), 2000*tol)
			near(t, s.Name+" about z", m[2], w*(c[0]*a[1]-c[1]*a[0]), 2000*tol)
		}
	}
}

func TestFeetRefused(t *testing.T) {
	good := FeetInput{Mass: 100, CentreOfGravity: [3]float64{0, 0, 500}, Feet: square, Acceleration: [3]float64{0, 0, -1}}
	five := 5
	for path, spoil := range map[string]func(*FeetInput){
		"/mass":              func(in *FeetInput) { in.Mass = 0 },
		"/mass ":             func(in *FeetInput) { in.Mass = 1e6 },
		"/centreOfGravity/1": func(in *FeetInput) { in.CentreOfGravity[1] = math.NaN() },
		"/feet":              func(in *FeetInput) { in.Feet = nil },
		"/feet ":             func(in *FeetInput) { in.Feet = [][2]float64{{0, 0}, {1, 1}, {2, 2}} },
		"/feet/2/0":          func(in *FeetInput) { in.Feet = [][2]float64{{0, 0}, {1, 1}, {2e9, 2}} },
		"/acceleration/2":    func(in *FeetInput) { in.Acceleration[2] = 1e12 },
		"/loose":             func(in *FeetInput) { in.Loose = &five },
		"/carrying/1":        func(in *FeetInput) { in.Carrying = &[2]int{0, 9} },
	} {
		in := good
		spoil(&in)
		_, err := Feet(in)
		var f *working.Fault
		if !errors.As(err, &f) || f.Path != strings.TrimSpace(path) {
			t.Errorf("%s: %v", path, err)
		}
	}
}

// Rest, and 2 vertical by 4 horizontal; smooth roads get the emergency stop.
func TestRoadCases(t *testing.T) {
	for use, want := range map[Use]int{Smooth: 10, Rough: 9, OffRoad: 9} {
		if got := len(Roads[use].Cases()); got != want {
			t.Errorf("%s: %d cases, want %d", use, got, want)
		}
	}
	if n := len(Sharings(square)); n != 7 {
		t.Errorf("%d ways of sharing, want all, four loose, two diagonals", n)
	}
	d := Sharings(square)[5:]
	if *d[0].Carrying != [2]int{3, 0} || *d[1].Carrying != [2]int{2, 1} {
		t.Errorf("diagonals %v %v", *d[0].Carrying, *d[1].Carrying)
	}
	// 3 g down on a rough road: gravity 1, the road 2: 1.2 + 1.6·2 = 4.4.
	c := Case{"", [3]float64{1, 0, -3}}.Factored(strength.Factored)
	near(t, "factored down", c.Net[2], -4.4, 1e-12)
	near(t, "factored along", c.Net[0], 1.6, 1e-12)
	// 1 g up: gravity relieves with 0.9, the road lifts with 1.6·2.
	near(t, "factored up", Case{"", [3]float64{0, 0, 1}}.Factored(strength.Factored).Net[2], 2.3, 1e-12)
	near(t, "factored at rest", Case{"", [3]float64{0, 0, -1}}.Factored(strength.Factored).Net[2], -1.4, 1e-12)
	near(t, "allowable", Case{"", [3]float64{0, 0, -3}}.Factored(strength.Allowable).Net[2], -3, 0)
}
