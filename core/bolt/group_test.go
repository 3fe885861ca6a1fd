package bolt

import (
	"errors"
	"math"
	"math/rand"
	"testing"

	"warmanvil/core/profile"
	"warmanvil/core/working"
)

func near(t *testing.T, what string, got, want, tol float64) {
	t.Helper()
	if math.IsNaN(got) || math.Abs(got-want) > tol {
		t.Errorf("%s = %.9g, want %.9g", what, got, want)
	}
}

func refused(t *testing.T, what, path string, err error) {
	t.Helper()
	var f *working.Fault
	if !errors.As(err, &f) || f.Path != path || f.Message == "" {
		t.Errorf("%s: %v, want a fault at %s", what, err, path)
	}
}

func grid(columns, rows int, px, py float64) (out [][2]float64) {
	for c := range columns {
		for r := range rows {
			out = append(out, [2]float64{float64(c) * px, float64(r) * py})
		}
	}
	return out
}

func elastic(t *testing.T, in ElasticInput) ElasticResult {
	t.Helper()
	r, err := Elastic(in)
	if err != nil {
		t.Fatalf("%+v: %v", in, err)
	}
	return r
}

// Four bolts on a square of 100, 10 kN down 150 beside the middle:
// Σr² = 4·5000 = 20 000, M = −1.5 MN·mm, r = 70.71; torsion 5303 N across the
// radius: on the right ±3750 along x and −3750 along y, added to −2500:
// √(3750² + 6250²) = 7288.7.
func TestElasticHandWorked(t *testing.T) {
	r := elastic(t, ElasticInput{Bolts: grid(2, 2, 100, 100), Force: [2]float64{0, -10000}, At: [2]float64{200, 50}})
	near(t, "polar", r.Polar, 20000, 1e-9)
	near(t, "moment", r.Moment, -1.5e6, 1e-6)
	near(t, "max", r.Max, math.Hypot(3750, 6250), 1e-9)
	near(t, "top right along y", r.Vectors[3][1], -6250, 1e-9)
	near(t, "top right along x", r.Vectors[3][0], 3750, 1e-9)
	near(t, "bottom left along y", r.Vectors[0][1], 1250, 1e-9)
	near(t, "centroid", r.Centroid[0], 50, 1e-12)
}

func TestElasticRefused(t *testing.T) {
	_, err := Elastic(ElasticInput{})
	refused(t, "no bolts", "/bolts", err)
	_, err = Elastic(ElasticInput{Bolts: [][2]float64{{5, 5}, {5, 5}}, Force: [2]float64{0, 1}, At: [2]float64{9, 0}})
	refused(t, "one spot", "/bolts", err)
	_, err = Elastic(ElasticInput{Bolts: [][2]float64{{math.NaN(), 5}}})
	refused(t, "no place", "/bolts/0/0", err)
	_, err = Elastic(ElasticInput{Bolts: grid(1, 2, 0, 50), Force: [2]float64{1e12, 0}})
	refused(t, "1e12 N", "/force/0", err)
	if r := elastic(t, ElasticInput{Bolts: [][2]float64{{5, 5}}, Force: [2]float64{3, 4}, At: [2]float64{5, 5}}); r.Max != 5 {
		t.Errorf("one bolt through its middle carries %g of 5", r.Max)
	}
}

func random(rnd *rand.Rand, n int) (out [][2]float64) {
	for range n {
		out = append(out, [2]float64{rnd.Float64() * 300, rnd.Float64() * 300})
	}
	return out
}

func turn(p [2]float64, degrees float64) [2]float64 {
	s, c := math.Sincos(degrees * math.Pi / 180)
	return [2]float64{c*p[0] - s*p[1], s*p[0] + c*p[1]}
}

// Turning the whole group with its load changes no bolt's force; twice the
// size halves what the moment asks; the shares add up to the load.
func TestElasticProperties(t *testing.T) {
	rnd := rand.New(rand.NewSource(11))
	for range 300 {
		in := ElasticInput{Bolts: random(rnd, 2+rnd.Intn(9)), Force: [2]float64{rnd.NormFloat64() * 1e4, rnd.NormFloat64() * 1e4},
			At: [2]float64{rnd.Float64() * 900, rnd.Float64() * 900}}
		r := elastic(t, in)
		tol := 1e-9 * (1 + r.Max) * float64(len(in.Bolts))
		var sum [2]float64
		moment := 0.0
		for i, v := range r.Vectors {
			sum[0] += v[0]
			sum[1] += v[1]
			moment += (in.Bolts[i][0]-r.Centroid[0])*v[1] - (in.Bolts[i][1]-r.Centroid[1])*v[0]
		}
		near(t, "Σx", sum[0], in.Force[0], tol)
		near(t, "Σy", sum[1], in.Force[1], tol)
		near(t, "ΣM", moment, r.Moment, 1000*tol)

		a := rnd.Float64() * 360
		turned := ElasticInput{Force: turn(in.Force, a), At: turn(in.At, a)}
		twice := ElasticInput{Force: in.Force, At: [2]float64{2 * in.At[0], 2 * in.At[1]}}
		for _, b := range in.Bolts {
			turned.Bolts = append(turned.Bolts, turn(b, a))
			twice.Bolts = append(twice.Bolts, [2]float64{2 * b[0], 2 * b[1]})
		}
		for i, f := range elastic(t, turned).Forces {
			near(t, "turned", f, r.Forces[i], tol)
		}
		// The load's place scaled with the group: the arm and the radii grow alike.
		for i, f := range elastic(t, twice).Forces {
			near(t, "twice", f, r.Forces[i], tol)
		}
	}
}

// In a group that is symmetrical about both axes a bolt added at the centroid
// never raises the largest force.
func TestBoltAtCentroidHelps(t *testing.T) {
	rnd := rand.New(rand.NewSource(12))
	for range 300 {
		var bolts [][2]float64
		for range 1 + rnd.Intn(4) {
			x, y := rnd.Float64()*150, 1+rnd.Float64()*150
			bolts = append(bolts, [2]float64{x, y}, [2]float64{-x, y}, [2]float64{x, -y}, [2]float64{-x, -y})
		}
		in := ElasticInput{Bolts: bolts, Force: [2]float64{rnd.NormFloat64(), rnd.NormFloat64()},
			At: [2]float64{rnd.NormFloat64() * 200, rnd.NormFloat64() * 200}}
		before := elastic(t, in).Max
		in.Bolts = append(in.Bolts, [2]float64{})
		if after := elastic(t, in).Max; after > before*(1+1e-12) {
			t.Fatalf("%g raised to %g: %+v", before, after, in)
		}
	}
}

// Two rows of two, 100 and 200 above the edge, 10 kN at 80: M = 800 000;
// centroid 150: T = M·50/(2·2·50²) = 4000; about the edge M·200/(2·(100² +
// 200²)) = 1600 and 800.
func TestOutOfPlane(t *testing.T) {
	r, err := OutOfPlane(OutOfPlaneInput{Rows: []float64{100, 200}, Columns: 2, Shear: 10000, Eccentricity: 80})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "centroid, low", r.Centroid[0], 0, 0)
	near(t, "centroid, high", r.Centroid[1], 4000, 1e-9)
	near(t, "edge, low", r.LowerEdge[0], 800, 1e-9)
	near(t, "edge, high", r.LowerEdge[1], 1600, 1e-9)
	_, err = OutOfPlane(OutOfPlaneInput{Rows: []float64{100, 100}, Columns: 2, Shear: 1, Eccentricity: 1})
	refused(t, "one height", "/rows", err)
	_, err = OutOfPlane(OutOfPlaneInput{Rows: nil, Columns: 2})
	refused(t, "no rows", "/rows", err)
	_, err = OutOfPlane(OutOfPlaneInput{Rows: []float64{1}, Columns: 0})
	refused(t, "no columns", "/columns", err)
}

func TestInteraction(t *testing.T) {
	r, err := Interaction(InteractionInput{Shear: 3, Tension: 8, AllowableShear: 10, AllowableTension: 20})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "linear", r.Linear, .7, 1e-12)
	near(t, "ellipse", r.Elliptical, .5, 1e-12)
	_, err = Interaction(InteractionInput{Shear: 3, Tension: 8, AllowableTension: 20})
	refused(t, "no strength", "/allowableShear", err)
}

func coefficient(t testing.TB, in ICRInput) float64 {
	t.Helper()
	r, err := ICR(in)
	if err != nil {
		t.Fatalf("%+v: %v", in, err)
	}
	return r.Coefficient
}

// Coefficients as the AISC Manual prints them (single line, Table 7-6, 3 in
// pitch; double line 5 1/2 in apart, Table 7-8), to their two or three figures.
func TestICRAgainstTheManual(t *testing.T) {
	const in = 25.4
	for _, c := range []struct {
		bolts [][2]float64
		e     float64
		want  float64
	}{
		{grid(1, 3, 0, 3*in), 3 * in, 1.75},
		{grid(1, 4, 0, 3*in), 3 * in, 2.81},
		{grid(2, 6, 5.5*in, 3*in), 16 * in, 3.55},
	} {
		near(t, "C", coefficient(t, ICRInput{Bolts: c.bolts, Eccentricity: c.e}), c.want, .006)
	}
}

// Two bolts, closed form: a vertical pair 2a apart with the load e beside it.
// By symmetry the centre lies on the horizontal through the middle at x0, both
// bolts move by 8.6, each carries R = (1 − e^(−0.394·8.6))^0.55 across its
// radius √(a² + x0²). Balance: P = 2R·x0/r and P·e = 2R·a·a/r + 2R·x0·x0/r
// = 2R·r less P's own arm, so that x0·(e + x0) = a² + x0²: x0 = a²/e.
func TestICRTwoBoltsClosedForm(t *testing.T) {
	const a, e = 60.0, 45.0
	r := math.Pow(1-math.Exp(-curve*largestGap), power)
	x0 := a * a / e
	want := 2 * r * x0 / math.Hypot(a, x0)
	near(t, "C", coefficient(t, ICRInput{Bolts: [][2]float64{{0, 0}, {0, 2 * a}}, Eccentricity: e}), want, 1e-9)
	// Through the middle every bolt gives all it has.
	near(t, "no arm", coefficient(t, ICRInput{Bolts: grid(2, 3, 70, 50)}), 6*r, 1e-9)
	near(t, "one bolt", coefficient(t, ICRInput{Bolts: [][2]float64{{3, 4}}, Angle: 30}), r, 1e-9)
}

// Turning group and load together, or growing both, leaves the coefficient;
// it always has an answer, which balances.
func TestICRProperties(t *testing.T) {
	rnd := rand.New(rand.NewSource(13))
	for range 400 {
		in := ICRInput{Bolts: random(rnd, 2+rnd.Intn(12)), Angle: rnd.Float64()*120 - 60, Eccentricity: math.Pow(10, rnd.Float64()*3.5-.5)}
		c := coefficient(t, in)
		by := rnd.Float64()*50 - 25
		arm := in.Eccentricity * math.Cos(in.Angle*math.Pi/180)
		turned := ICRInput{Angle: in.Angle + by, Eccentricity: arm / math.Cos((in.Angle+by)*math.Pi/180)}
		grown := ICRInput{Angle: in.Angle, Eccentricity: 2 * in.Eccentricity}
		for _, b := range in.Bolts {
			turned.Bolts = append(turned.Bolts, turn(b, by))
			grown.Bolts = append(grown.Bolts, [2]float64{2 * b[0], 2 * b[1]})
		}
		near(t, "turned", coefficient(t, turned), c, 1e-6*c)
		near(t, "grown", coefficient(t, grown), c, 1e-6*c)
		elastic := elastic(t, ElasticInput{Bolts: in.Bolts, Force: [2]float64{0, -1}, At: [2]float64{0, 0}})
		s, cos := math.Sincos(in.Angle * math.Pi / 180)
		worst := 0.0
		at := profile.Point{X: elastic.Centroid[0], Y: elastic.Centroid[1]}
		for _, v := range Shares(points(in.Bolts), at, elastic.Polar, profile.Point{X: s, Y: -cos}, -arm) {
			worst = max(worst, v.Len())
		}
		if c < .98/worst {
			t.Fatalf("the instantaneous centre gives %g, less than the elastic %g: %+v", c, 1/worst, in)
		}
	}
}

func TestICRRefused(t *testing.T) {
	_, err := ICR(ICRInput{Bolts: [][2]float64{{1, 1}}, Eccentricity: 5})
	refused(t, "one bolt aside", "/bolts", err)
	_, err = ICR(ICRInput{Bolts: grid(1, 2, 0, 9), Angle: 90})
	refused(t, "along the horizontal", "/angle", err)
	_, err = ICR(ICRInput{})
	refused(t, "none", "/bolts", err)
}

func BenchmarkICR24Bolts(b *testing.B) {
	in := ICRInput{Bolts: grid(4, 6, 70, 75), Angle: 25, Eccentricity: 310}
	coefficient(b, in)
	b.ReportAllocs()
	for b.Loop() {
		if _, err := ICR(in); err != nil {
			b.Fatal(err)
		}
	}
}
