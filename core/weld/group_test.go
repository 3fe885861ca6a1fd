package weld

import (
	"errors"
	"math"
	"math/rand/v2"
	"testing"

	"gonum.org/v1/gonum/mat"

	"warmanvil/core/solid"
	"warmanvil/core/working"
)

func near(t *testing.T, what string, got, want, within float64) {
	t.Helper()
	if !(math.Abs(got-want) <= within) {
		t.Errorf("%s: %.9g, want %.9g within %g", what, got, want, within)
	}
}

// Two upright seams 200 long, 100 apart, 10 kN down at 250 from their middle: by hand Ix = 2·200³/12, Iy =
// 2·200·50², the far corner takes (M·c/J) and F/L (Blodgett 7.4, eccentric in the plane).
func TestGroupByHand(t *testing.T) {
	in := GroupInput{Segments: [][2][2]float64{{{0, 0}, {0, 200}}, {{100, 0}, {100, 200}}}, Force: [3]float64{0, -10000},
		At: [3]float64{300, 100}}
	r, err := WorkGroup(in)
	if err != nil {
		t.Fatal(err)
	}
	ix, iy := 2*math.Pow(200, 3)/12, 2*200*2500.
	near(t, "ix", r.IX, ix, 1e-6)
	near(t, "iy", r.IY, iy, 1e-6)
	near(t, "polar", r.Polar, ix+iy, 1e-6)
	m := 10000 * 250.
	near(t, "peak", r.Peak, math.Hypot(m*100/(ix+iy), 10000./400+m*50/(ix+iy)), 1e-9)
	if r.Place[0] != 100 || r.Centroid != [2]float64{50, 100} || r.Length != 400 {
		t.Errorf("%+v", r)
	}
	// Out of the plane: 5 kN towards the viewer at 300 above the middle bends it about x.
	in.Force, in.At = [3]float64{0, 0, 5000}, [3]float64{50, 400, 0}
	if r, err = WorkGroup(in); err != nil {
		t.Fatal(err)
	}
	near(t, "bent", r.Peak, 5000./400+5000*300*100/ix, 1e-9)
	// An angle of two legs: its product of inertia is that of plane geometry.
	in = GroupInput{Segments: [][2][2]float64{{{0, 0}, {120, 0}}, {{0, 0}, {0, 60}}}, Force: [3]float64{1, 0, 0}, At: [3]float64{0, 0, 0}}
	if r, err = WorkGroup(in); err != nil {
		t.Fatal(err)
	}
	cx, cy := 120*60./180, 60*30./180
	near(t, "ixy", r.IXY, 120*(60-cx)*(0-cy)+60*(0-cx)*(30-cy), 1e-6)
}

// One straight seam holds what does not turn it about itself, and no moment that does.
func TestOneStraightSeam(t *testing.T) {
	in := GroupInput{Segments: [][2][2]float64{{{0, 0}, {100, 0}}}, Force: [3]float64{0, 1000, 0}, At: [3]float64{80, 0, 0}}
	r, err := WorkGroup(in)
	if err != nil {
		t.Fatal(err)
	}
	near(t, "end", r.Peak, 10+1000*30*50/(1e6/12), 1e-9)
	in.Force, in.At = [3]float64{0, 0, 1000}, [3]float64{50, 20, 0}
	var fault *working.Fault
	if _, err := WorkGroup(in); !errors.As(err, &fault) || fault.Path != "/segments" {
		t.Errorf("%v", err)
	}
	in.At = [3]float64{50, 0, 40} // over the seam, square to it: no moment about it
	if _, err := WorkGroup(in); err != nil {
		t.Error(err)
	}
	for path, bad := range map[string]GroupInput{"/segments": {}, "/segments/0": {Segments: [][2][2]float64{{{1, 1}, {1, 1}}}},
		"/force/1":        {Segments: in.Segments, Force: [3]float64{0, math.NaN(), 0}},
		"/segments/0/1/0": {Segments: [][2][2]float64{{{0, 0}, {math.Inf(1), 0}}}}} {
		if _, err := WorkGroup(bad); !errors.As(err, &fault) || fault.Path != path {
			t.Errorf("%s: %v", path, err)
		}
	}
}

// Groups of lines anywhere in space, of any throats, against springs laid along them one by one and the six
// equations of equilibrium solved: the flow at every end is the same, and turning everything turns it.
func TestGroupsAgainstSprings(t *testing.T) {
	rnd := rand.New(rand.NewPCG(20, 1))
	place := func() solid.Vector {
		return solid.Vector{rnd.Float64()*200 - 100, rnd.Float64()*200 - 100, rnd.Float64()*200 - 100}
	}
	for range 40 {
		var lines []Line
		for range 2 + rnd.IntN(5) {
			lines = append(lines, Line{place(), place(), 1 + 4*rnd.Float64()})
		}
		load := Load{Force: place().Mul(100), At: place().Mul(3), Moment: place().Mul(500)}
		g := NewGroup(lines)
		flow, loose := g.Asked(load)
		near(t, "loose", loose.Len(), 0, 1e-6)
		even, turn := springs(t, lines, load)
		for _, l := range lines {
			for _, p := range []solid.Vector{l.A, l.B} {
				near(t, "flow", flow.At(p).Sub(even.Add(turn.Cross(p))).Len(), 0, 2e-4*(1+flow.At(p).Len()))
			}
		}
		line, end, peak := g.Peak(flow)
		near(t, "peak", flow.At([2]solid.Vector{lines[line].A, lines[line].B}[end]).Len(), peak, 1e-9)
		// A quarter turn about z of lines and load.
		spin := func(v solid.Vector) solid.Vector { return solid.Vector{-v[1], v[0], v[2]} }
		turned := make([]Line, len(lines))
		for i, l := range lines {
			turned[i] = Line{spin(l.A), spin(l.B), l.Throat}
		}
		h := NewGroup(turned)
		other, _ := h.Asked(Load{spin(load.Force), spin(load.At), spin(load.Moment)})
		_, _, again := h.Peak(other)
		near(t, "turned", again, peak, 1e-6*(1+peak))
	}
}

// springs answers the even part and the turn of a flow even + turn × r that is in balance with a load, by sums
// over short pieces of the lines.
func springs(t *testing.T, lines []Line, load Load) (even, turn solid.Vector) {
	t.Helper()
	k := mat.NewDense(6, 6, nil)
	units := [3]solid.Vector{{1}, {0, 1}, {0, 0, 1}}
	for _, l := range lines {
		const n = 400
		w := l.Len() * l.Throat / n
		for i := range n {
			r := l.A.Add(l.B.Sub(l.A).Mul((float64(i) + .5) / n))
			for c := range 6 {
				f := units[c%3]
				if c > 2 {
					f = units[c-3].Cross(r)
				}
				m := r.Cross(f)
				for row := range 3 {
					k.Set(row, c, k.At(row, c)+w*f[row])
					k.Set(row+3, c, k.At(row+3, c)+w*m[row])
				}
			}
		}
	}
	moment := load.Moment.Add(load.At.Cross(load.Force))
	b := mat.NewVecDense(6, []float64{load.Force[0], load.Force[1], load.Force[2], moment[0], moment[1], moment[2]})
	var x mat.VecDense
	if err := x.SolveVec(k, b); err != nil {
		t.Fatal(err)
	}
	return solid.Vector{x.AtVec(0), x.AtVec(1), x.AtVec(2)}, solid.Vector{x.AtVec(3), x.AtVec(4), x.AtVec(5)}
}

func BenchmarkGroup(b *testing.B) {
	var lines []Line
	for i := range 200 {
		x := float64(i)
		lines = append(lines, Line{solid.Vector{x, 0, x}, solid.Vector{x, 40, 0}, 3})
	}
	load := Load{Force: solid.Vector{1000, 200, -50}, At: solid.Vector{500, 0, 0}}
	for b.Loop() {
		g := NewGroup(lines)
		f, _ := g.Asked(load)
		g.Peak(f)
	}
}
