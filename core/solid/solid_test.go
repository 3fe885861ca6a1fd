package solid

import (
	"math"
	"math/rand/v2"
	"testing"

	"warmanvil/core/profile"
)

func near(t *testing.T, what string, got, want, tolerance float64) {
	t.Helper()
	if math.Abs(got-want) > tolerance || math.IsNaN(got) {
		t.Errorf("%s: %.9g, want %.9g", what, got, want)
	}
}

// Every maker gives a closed surface facing outwards: its volume is that of the
// true body, a little more where facets lie outside.
func TestVolumes(t *testing.T) {
	square := []profile.Point{{X: 0, Y: 0}, {X: 100, Y: 0}, {X: 100, Y: 50}, {X: 0, Y: 50}}
	hole := []profile.Point{{X: 20, Y: 20}, {X: 40, Y: 20}, {X: 40, Y: 30}, {X: 20, Y: 30}}
	for name, c := range map[string]struct {
		body       Body
		want, more float64
	}{
		"box":     {Box(Vector{-1, -2, -3}, Vector{9, 18, 27}), 10 * 20 * 30, 1e-9},
		"block":   {Block(Vector{}, Vector{10, 0, 0}, Vector{5, 10, 0}, Vector{0, 0, -10}), 1000, 1e-9},
		"rod":     {Cylinder(Vector{10, 0, 0}, Vector{10, 0, 200}, 25), math.Pi * 625 * 200, .02},
		"ball":    {Ball(Vector{5, 5, 5}, 30), 4. / 3 * math.Pi * 27000, .12},
		"plate":   {Prism(Ground, square, [][]profile.Point{hole}, 4), (5000 - 200) * 4, 1e-9},
		"door":    {Sector(Vector{}, Vector{0, 0, 1}, Vector{1}, 100, 800, 0, 1000, 0, 90), math.Pi / 4 * (640000 - 10000) * 1000, .01},
		"leaf":    {Sector(Vector{}, Vector{0, 0, 1}, Vector{1}, 0, 800, 0, 10, 30, -30), math.Pi / 6 * 640000 * 10, .01},
		"tyre":    {Stadium(Vector{0, 0, 350}, Vector{0, 0, 430}, Vector{0, 1}, 350, 200), (math.Pi*350*350 + 80*700) * 200, .01},
		"wheel":   {Stadium(Vector{0, 0, 350}, Vector{0, 0, 350}, Vector{0, 1}, 350, 200), math.Pi * 350 * 350 * 200, .01},
		"carried": {Box(Vector{}, Vector{1, 2, 3}).At(Turned(Vector{100, 5, 7}, 30, 20, 10)), 6, 1e-9},
		"twin":    {Box(Vector{}, Vector{1, 2, 3}).At(Pose{X: Vector{-1}, Y: Vector{0, 1}, Z: Vector{0, 0, 1}}), 6, 1e-9},
	} {
		v := c.body.Volume()
		if v < c.want*(1-1e-9) || v > c.want*(1+c.more)+1e-9 {
			t.Errorf("%s: holds %.6g, want %.6g to %.4g more", name, v, c.want, c.more)
		}
	}
}

// Facets never lie inside the true surface, so a clearance is not overstated.
func TestFacetsLieOutside(t *testing.T) {
	for name, c := range map[string]struct {
		body Body
		far  float64 // of the true surface from the probe, which stands on the axis or the centre
		from Vector
	}{
		"rod":  {Cylinder(Vector{0, 0, -500}, Vector{0, 0, 500}, 60), 60, Vector{}},
		"ball": {Ball(Vector{}, 45), 45, Vector{}},
	} {
		tree := NewTree(c.body)
		if d := tree.surface(c.from); d < c.far-1e-9 || d > c.far+1 {
			t.Errorf("%s: its facets come to %.4f of its middle, true is %.4f", name, d, c.far)
		}
	}
}

func TestGapsByHand(t *testing.T) {
	unit := NewTree(Box(Vector{}, Vector{100, 100, 100}))
	for name, c := range map[string]struct {
		body  Body
		gap   float64
		into  bool
		depth float64
	}{
		"beside":          {Box(Vector{130, 20, 20}, Vector{140, 40, 40}), 30, false, 0},
		"over a corner":   {Box(Vector{103, 104, 112}, Vector{140, 140, 140}), 13, false, 0},
		"edge over edge":  {Block(Vector{100, 103, 104}, Vector{50, 0, 0}, Vector{0, 10, 10}, Vector{0, -1, 10}), 5, false, 0},
		"touching":        {Box(Vector{100, 20, 20}, Vector{140, 40, 40}), 0, false, 0},
		"through":         {Box(Vector{-10, 40, 40}, Vector{110, 60, 60}), 0, true, 40},
		"through a plate": {Box(Vector{20, -30, 20}, Vector{140, 130, 23}), 0, true, 23},
		"a corner in":     {Box(Vector{90, 95, 93}, Vector{140, 140, 140}), 0, true, 5},
		"all inside":      {Box(Vector{40, 40, 40}, Vector{60, 60, 60}), 0, true, 40},
		"all round":       {Box(Vector{-40, -40, -40}, Vector{160, 160, 160}), 0, true, 60},
	} {
		g := Between(unit, NewTree(c.body))
		near(t, name, g.Distance, c.gap, 1e-9)
		if g.Into != c.into {
			t.Errorf("%s: into %v", name, g.Into)
		}
		near(t, name+", depth", g.Depth, c.depth, 1e-9)
		if c.gap > 0 {
			near(t, name+", between its places", g.A.Sub(g.B).Len(), c.gap, 1e-9)
		}
	}
	if g := Between(unit, NewTree(Body{})); !math.IsInf(g.Distance, 1) {
		t.Errorf("to nothing: %v", g.Distance)
	}
}

// lump is a random closed body: a ball whose corners are pushed about.
func lump(r *rand.Rand, at Vector) Body {
	b := Ball(Vector{}, 8+10*r.Float64())
	seen := map[Vector]Vector{}
	for _, p := range b.Pieces {
		for i := range p {
			for k, v := range p[i] {
				key := Vector{math.Round(v[0] * 1e6), math.Round(v[1] * 1e6), math.Round(v[2] * 1e6)}
				if _, known := seen[key]; !known {
					seen[key] = v.Mul(.8 + .4*r.Float64()).Add(at)
				}
				p[i][k] = seen[key]
			}
		}
	}
	return b
}

// The tree answers what looking at every pair of triangles answers.
func TestGapEqualsBruteForce(t *testing.T) {
	r := rand.New(rand.NewPCG(1, 2))
	apart, met := 0, 0
	for range 70 {
		a, b := lump(r, Vector{}), lump(r, Vector{8 + 40*r.Float64(), 20 * r.Float64(), 20 * r.Float64()})
		want := math.Inf(1)
		for _, s := range a.Pieces[0] {
			for _, u := range b.Pieces[0] {
				x, y := s.face(), u.face()
				d, _, _ := triangles(&x, &y)
				want = min(want, d)
			}
		}
		g := Between(NewTree(a), NewTree(b))
		near(t, "gap", g.Distance, math.Sqrt(want), 1e-9)
		if want > 0 {
			apart++
			near(t, "places", g.A.Sub(g.B).Len(), g.Distance, 1e-9)
		} else {
			met++
		}
	}
	if apart < 12 || met < 12 {
		t.Errorf("%d pairs apart and %d met: too few of one to say much", apart, met)
	}
}

// Two triangles are as far apart as the nearest of many points on them.
func TestTrianglesAgainstSampling(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 4))
	point := func() Vector { return Vector{10 * r.Float64(), 10 * r.Float64(), 10 * r.Float64()} }
	for range 60 {
		s := Triangle{point(), point(), point()}
		u := Triangle{point().Add(Vector{8}), point().Add(Vector{8}), point().Add(Vector{8})}
		x, y := s.face(), u.face()
		d, a, b := triangles(&x, &y)
		near(t, "places", a.vector().Sub(b.vector()).Len(), math.Sqrt(d), 1e-9)
		const n = 24
		least := math.Inf(1)
		for i := range n + 1 {
			for k := range n + 1 - i {
				p := s[0].Add(s[1].Sub(s[0]).Mul(float64(i) / n)).Add(s[2].Sub(s[0]).Mul(float64(k) / n))
				least = min(least, onTriangle(p.vec(), &y).vector().Sub(p).Len())
			}
		}
		if root := math.Sqrt(d); root > least+1e-9 || root < least-1 {
			t.Errorf("%.6f, by sampling %.6f", root, least)
		}
	}
}

func TestTriangulateKeepsArea(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 6))
	for n := 3; n < 40; n++ {
		outline := make([]profile.Point, n)
		for i := range outline {
			s, c := math.Sincos(2 * math.Pi * float64(i) / float64(n))
			outline[i] = profile.Point{X: c, Y: s}.Mul(60 + 60*r.Float64())
		}
		var holes [][]profile.Point
		want := math.Abs(area(outline))
		for k := range n % 5 {
			s, c := math.Sincos(2 * math.Pi * float64(k) / 5)
			var ring []profile.Point
			for i := range 12 {
				si, ci := math.Sincos(2 * math.Pi * float64(i) / 12)
				ring = append(ring, profile.Point{X: 10*c + 3*ci, Y: 10*s + 3*si})
			}
			if inside := n > 8; !inside {
				break
			}
			want -= math.Abs(area(ring))
			holes = append(holes, ring)
		}
		got := 0.0
		for _, tri := range Triangulate(outline, holes) {
			a := area(tri[:])
			if a < 0 {
				t.Fatalf("%d corners: a triangle runs clockwise", n)
			}
			got += a
		}
		near(t, "area", got, want, 1e-6*want)
	}
}

func area(ring []profile.Point) (a float64) {
	for i, p := range ring {
		a += p.Cross(ring[(i+1)%len(ring)]) / 2
	}
	return a
}

// A box carried along fills what it runs through.
func TestSweptHoldsEveryPlace(t *testing.T) {
	box := Box(Vector{}, Vector{10, 20, 30})
	along := Vector{40, -25, 60}
	swept := NewTree(Swept(box, along))
	for _, s := range []float64{0, .2, .5, .77, 1} {
		for _, c := range []Vector{{1, 1, 1}, {9, 19, 29}, {5, 10, 15}, {1, 19, 29}} {
			if !swept.Holds(c.Add(along.Mul(s))) {
				t.Errorf("%.2f of the way: %v is left out", s, c)
			}
		}
	}
	if swept.Holds(Vector{1, 1, 1}.Add(along.Mul(1.3))) || swept.Holds(Vector{30, 15, 5}) {
		t.Error("it holds what it does not run through")
	}
}

func TestTurned(t *testing.T) {
	p := Turned(Vector{1, 2, 3}, 90, 0, 0)
	near(t, "forward turned left", p.Apply(Vector{10})[1], 12, 1e-12)
	near(t, "nose down", Turned(Vector{}, 0, 30, 0).Apply(Vector{10})[2], -5, 1e-12)
	near(t, "left side up", Turned(Vector{}, 0, 0, 30).Apply(Vector{0, 10})[2], 5, 1e-12)
	q := Turned(Vector{5, 6, 7}, 20, 10, -5)
	v := Vector{3, -4, 5}
	got, want := p.After(q).Apply(v), p.Apply(q.Apply(v))
	for i := range 3 {
		near(t, "one after the other", got[i], want[i], 1e-12)
	}
}

// A body of some 5 000 triangles against 50 spaces in 3 states.
func BenchmarkClearance(b *testing.B) {
	var body Body
	for i := range 60 {
		x := float64(i%10) * 40
		y := float64(i/10) * 40
		body = body.With(Cylinder(Vector{x, y, 0}, Vector{x, y, 5}, 15))
	}
	for body.Count() < 5000 {
		body = body.With(Ball(Vector{200, 100, float64(20 + body.Count()/100)}, 30))
	}
	tree := NewTree(body)
	var spaces []*Tree
	for i := range 150 {
		at := Vector{float64(i%10)*45 - 20, float64(i/10%5)*60 - 30, 60 + float64(i%7)*15}
		switch i % 3 {
		case 0:
			spaces = append(spaces, NewTree(Box(at, at.Add(Vector{60, 30, 20}))))
		case 1:
			spaces = append(spaces, NewTree(Cylinder(at, at.Add(Vector{100, 40, 10}), 12)))
		default:
			spaces = append(spaces, NewTree(Sector(at, Vector{0, 0, 1}, Vector{1}, 20, 90, 0, 15, 0, 110)))
		}
	}
	b.ReportMetric(float64(body.Count()), "triangles")
	for b.Loop() {
		hits := 0
		for _, s := range spaces {
			if Between(tree, s).Distance == 0 {
				hits++
			}
		}
		if hits == len(spaces) {
			b.Fatal("all met")
		}
	}
}

// Bodies run into each other exactly when they share a ball of space: a random bar through a random
// plate, or beside it, against what its slab and its middle line say. A bar that only lies on it does
// not.
func TestBarsThroughPlates(t *testing.T) {
	r := rand.New(rand.NewPCG(7, 9))
	through, past := 0, 0
	for range 400 {
		thick := 1 + 5*r.Float64()
		plate := NewTree(Box(Vector{-60, -60, 0}, Vector{60, 60, thick}))
		x, half := -120+240*r.Float64(), 2+8*r.Float64()
		low := -40 + 60*r.Float64()
		bar := Box(Vector{x - half, -half, low}, Vector{x + half, half, low + 50})
		across := x-half < 60 && x+half > -60
		in := across && low < thick && low+50 > 0
		g := Between(plate, NewTree(bar))
		if g.Into != in {
			t.Fatalf("bar at %.2f ± %.2f from %.2f through %.2f: into %v", x, half, low, thick, g.Into)
		}
		if in {
			through++
			if g.Depth <= 0 || g.Distance != 0 {
				t.Fatalf("depth %g, distance %g", g.Depth, g.Distance)
			}
		} else {
			past++
		}
	}
	if through < 60 || past < 60 {
		t.Fatalf("%d through, %d past", through, past)
	}
	on := Between(NewTree(Box(Vector{-60, -60, 0}, Vector{60, 60, 3})), NewTree(Box(Vector{-5, -80, 3}, Vector{5, 80, 20})))
	if on.Into || on.Distance != 0 {
		t.Errorf("lies on it: %+v", on)
	}
}
