package frame

import (
	"fmt"
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"warmanvil/core/solid"
	"warmanvil/core/working"
)

func near(t *testing.T, what string, got, want, tolerance float64) {
	t.Helper()
	if math.Abs(got-want) > tolerance*max(1, math.Abs(want)) || math.IsNaN(got) {
		t.Errorf("%s: %.9g, want %.9g", what, got, want)
	}
}

var all = [6]bool{true, true, true, true, true, true}

func tube(from, to string) Member {
	return Member{From: from, To: to, E: 210000, G: 81000, Area: 541, Iy: 195000, Iz: 134000, J: 293000}
}

// Beams by their closed forms: cantilever under an end load both ways, in
// torsion and in tension; a built-in and a simple beam under their own weight.
func TestClosedForms(t *testing.T) {
	const l = 1500.
	at := func(load [6]float64) Result {
		r, err := Solve(t.Context(), Input{Nodes: map[string][3]float64{"a": {}, "b": {l, 0, 0}}, Members: []Member{tube("a", "b")},
			Supports: map[string][6]bool{"a": all}, Loads: map[string][6]float64{"b": load}})
		if err != nil {
			t.Fatal(err)
		}
		return r
	}
	m := tube("a", "b")
	r := at([6]float64{0, 0, -800})
	near(t, "down", r.Displacements["b"][2], -800*l*l*l/(3*m.E*m.Iy), 1e-9)
	near(t, "turn", r.Displacements["b"][4], 800*l*l/(2*m.E*m.Iy), 1e-9)
	near(t, "reaction", r.Reactions["a"][2], 800, 1e-9)
	near(t, "moment", r.Reactions["a"][4], -800*l, 1e-9)
	near(t, "largest", r.MaxDisplacement, 800*l*l*l/(3*m.E*m.Iy), 1e-9)
	near(t, "shear on the first end", r.Members[0].I[2], 800, 1e-9)
	r = at([6]float64{0, 500})
	near(t, "sideways", r.Displacements["b"][1], 500*l*l*l/(3*m.E*m.Iz), 1e-9)
	r = at([6]float64{7000, 0, 0, 40000})
	near(t, "pulled", r.Displacements["b"][0], 7000*l/(m.E*m.Area), 1e-9)
	near(t, "twisted", r.Displacements["b"][3], 40000*l/(m.G*m.J), 1e-9)
	near(t, "axial on the second end", r.Members[0].J[0], 7000, 1e-9)
	q := [3]float64{0, 0, -2}
	m.Uniform = &q
	in := Input{Nodes: map[string][3]float64{"a": {}, "b": {l, 0, 0}}, Members: []Member{m}, Supports: map[string][6]bool{"a": all, "b": all}}
	r, err := Solve(t.Context(), in)
	if err != nil {
		t.Fatal(err)
	}
	near(t, "built in, middle", r.MaxDisplacement, 2*l*l*l*l/(384*m.E*m.Iy), 1e-9)
	near(t, "built in, moment", math.Abs(r.Members[0].I[4]), 2*l*l/12, 1e-9)
	in.Supports = map[string][6]bool{"a": {true, true, true, true}, "b": {false, true, true}}
	r, err = Solve(t.Context(), in)
	if err != nil {
		t.Fatal(err)
	}
	near(t, "simple, middle", r.MaxDisplacement, 5*2*l*l*l*l/(384*m.E*m.Iy), 1e-9)
	near(t, "simple, reaction", r.Reactions["b"][2], l, 1e-9)
	near(t, "simple, no moment", r.Members[0].I[4], 0, 1e-6)
}

// An upright member's z lies forward, so Iy resists being pushed forward.
func TestUprightMember(t *testing.T) {
	r, err := Solve(t.Context(), Input{Nodes: map[string][3]float64{"a": {}, "b": {0, 0, 900}}, Members: []Member{tube("a", "b")},
		Supports: map[string][6]bool{"a": all}, Loads: map[string][6]float64{"b": {300, 200}}})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "forward", r.Displacements["b"][0], 300*math.Pow(900, 3)/(3*210000*195000), 1e-9)
	near(t, "sideways", r.Displacements["b"][1], 200*math.Pow(900, 3)/(3*210000*134000), 1e-9)
}

// tower is a braced-free frame of some bays with loads everywhere.
func tower(r *rand.Rand, bays int) Input {
	in := Input{Nodes: map[string][3]float64{}, Supports: map[string][6]bool{}, Loads: map[string][6]float64{}}
	name := func(k, c int) string { return fmt.Sprintf("n%d.%d", k, c) }
	for k := range bays + 1 {
		for c, p := range [4][2]float64{{0, 0}, {600, 0}, {600, 500}, {0, 500}} {
			in.Nodes[name(k, c)] = [3]float64{p[0] + 30*r.Float64(), p[1] + 30*r.Float64(), 400 * float64(k)}
			if k == 0 {
				in.Supports[name(k, c)] = all
				continue
			}
			in.Loads[name(k, c)] = [6]float64{500 * r.Float64(), -300 * r.Float64(), -900 * r.Float64(), 1e4 * r.Float64(),
				1e4 * r.Float64(), 1e4 * r.Float64()}
			q := [3]float64{.2 * r.Float64(), 0, -.5 * r.Float64()}
			for _, to := range []string{name(k-1, c), name(k, (c+1)%4)} {
				m := tube(name(k, c), to)
				m.Uniform, m.Up = &q, &[3]float64{.3, 1, .2}
				in.Members = append(in.Members, m)
			}
		}
	}
	return in
}

// Forces and moments of loads and reactions balance.
func TestEquilibrium(t *testing.T) {
	rnd := rand.New(rand.NewPCG(231, 232))
	for range 10 {
		in := tower(rnd, 3)
		r, err := Solve(t.Context(), in)
		if err != nil {
			t.Fatal(err)
		}
		var force, moment solid.Vector
		size := 0.0
		add := func(at [3]float64, f, m solid.Vector) {
			force = force.Add(f)
			moment = moment.Add(m).Add(solid.Vector(at).Cross(f))
			size += f.Len()
		}
		for _, list := range []map[string][6]float64{in.Loads, r.Reactions} {
			for n, f := range list {
				add(in.Nodes[n], solid.Vector{f[0], f[1], f[2]}, solid.Vector{f[3], f[4], f[5]})
			}
		}
		for _, m := range in.Members {
			p, q := solid.Vector(in.Nodes[m.From]), solid.Vector(in.Nodes[m.To])
			add(p.Add(q).Mul(.5), solid.Vector(*m.Uniform).Mul(q.Sub(p).Len()), solid.Vector{})
		}
		if force.Len() > 1e-9*size || moment.Len() > 1e-9*size*2000 {
			t.Errorf("left over: %.3g N, %.3g N·mm of %.3g", force.Len(), moment.Len(), size)
		}
	}
}

// Turning the whole frame with its loads turns the answer and changes nothing
// else.
func TestTurningChangesNothing(t *testing.T) {
	rnd := rand.New(rand.NewPCG(233, 234))
	for range 8 {
		in := tower(rnd, 2)
		one, err := Solve(t.Context(), in)
		if err != nil {
			t.Fatal(err)
		}
		p := solid.Turned(solid.Vector{}, 360*rnd.Float64(), 80*rnd.Float64(), 80*rnd.Float64())
		turn := func(v [3]float64) [3]float64 { return p.Turn(v) }
		both := func(f [6]float64) [6]float64 {
			a, b := turn([3]float64{f[0], f[1], f[2]}), turn([3]float64{f[3], f[4], f[5]})
			return [6]float64{a[0], a[1], a[2], b[0], b[1], b[2]}
		}
		two := Input{Nodes: map[string][3]float64{}, Supports: in.Supports, Loads: map[string][6]float64{}}
		for n, at := range in.Nodes {
			two.Nodes[n] = turn(at)
		}
		for n, f := range in.Loads {
			two.Loads[n] = both(f)
		}
		for _, m := range in.Members {
			q, up := turn(*m.Uniform), turn(*m.Up)
			m.Uniform, m.Up = &q, &up
			two.Members = append(two.Members, m)
		}
		r, err := Solve(t.Context(), two)
		if err != nil {
			t.Fatal(err)
		}
		near(t, "largest", r.MaxDisplacement, one.MaxDisplacement, 1e-6)
		for n, d := range one.Displacements {
			want := both(d)
			for i := range 6 {
				near(t, "displacement", r.Displacements[n][i], want[i], 1e-7)
			}
		}
		for k := range one.Members {
			for i := range 6 {
				near(t, "end force", r.Members[k].I[i], one.Members[k].I[i], 1e-4)
			}
		}
	}
}

// A node on a straight member changes nothing.
func TestMemberInTwoPieces(t *testing.T) {
	q := [3]float64{.1, .3, -1}
	m := tube("a", "c")
	m.Uniform = &q
	whole := Input{Nodes: map[string][3]float64{"a": {}, "c": {1200, 300, 200}}, Members: []Member{m}, Supports: map[string][6]bool{"a": all},
		Loads: map[string][6]float64{"c": {10, 20, -300, 500, 600, 700}}}
	one, err := Solve(t.Context(), whole)
	if err != nil {
		t.Fatal(err)
	}
	a, b := m, m
	a.To, b.From = "b", "b"
	whole.Nodes["b"] = [3]float64{400, 100, 200. / 3}
	whole.Members = []Member{a, b}
	two, err := Solve(t.Context(), whole)
	if err != nil {
		t.Fatal(err)
	}
	for i := range 6 {
		near(t, "end", two.Displacements["c"][i], one.Displacements["c"][i], 1e-7)
	}
	near(t, "largest", two.MaxDisplacement, one.MaxDisplacement, 1e-7)
}

// What cannot stand is refused with the node and the way it gives.
func TestLooseFramesAreNamed(t *testing.T) {
	nodes := map[string][3]float64{"a": {}, "b": {1000, 0, 0}, "c": {1000, 800, 0}}
	members := []Member{tube("a", "b"), tube("b", "c")}
	for name, c := range map[string]struct {
		in   Input
		path string
		says string
	}{
		"nothing holds":   {Input{Nodes: nodes, Members: members}, "/supports", "Nothing holds"},
		"turns on itself": {Input{Nodes: nodes, Members: members[:1], Supports: map[string][6]bool{"a": {true, true, true}, "b": {false, true, true}}}, "/nodes/c", "No member"},
		"a hinge":         {Input{Nodes: map[string][3]float64{"a": {}, "b": {1000, 0, 0}}, Members: members[:1], Supports: map[string][6]bool{"a": {true, true, true}, "b": {false, true, true}}}, "/supports", "turning about x"},
		"slides":          {Input{Nodes: map[string][3]float64{"a": {}, "b": {1000, 0, 0}}, Members: members[:1], Supports: map[string][6]bool{"a": {false, true, true, true, true, true}}}, "/supports", "along x"},
		"no length":       {Input{Nodes: map[string][3]float64{"a": {}, "b": {}}, Members: members[:1], Supports: map[string][6]bool{"a": all}}, "/members/0", "no length"},
		"no such node":    {Input{Nodes: nodes, Members: append(members, tube("a", "x")), Supports: map[string][6]bool{"a": all}}, "/members/2", "no node"},
		"up along itself": {Input{Nodes: map[string][3]float64{"a": {}, "b": {1000, 0, 0}}, Members: []Member{{From: "a", To: "b", E: 1, G: 1, Area: 1, Iy: 1, Iz: 1, J: 1, Up: &[3]float64{1, 0, 0}}}, Supports: map[string][6]bool{"a": all}}, "/members/0/up", "along the member"},
		"no area":         {Input{Nodes: map[string][3]float64{"a": {}, "b": {1000, 0, 0}}, Members: []Member{{From: "a", To: "b", E: 1, G: 1, Iy: 1, Iz: 1, J: 1}}, Supports: map[string][6]bool{"a": all}}, "/members/0/area", "area"},
		"apart":           {Input{Nodes: map[string][3]float64{"a": {}, "b": {1000, 0, 0}, "c": {0, 900, 0}, "d": {500, 900, 0}}, Members: []Member{tube("a", "b"), tube("c", "d")}, Supports: map[string][6]bool{"a": all}}, "/supports", "loose"},
		"a strange load":  {Input{Nodes: map[string][3]float64{"a": {}, "b": {1000, 0, 0}}, Members: members[:1], Supports: map[string][6]bool{"a": all}, Loads: map[string][6]float64{"z": {}}}, "/loads/z", "no node"},
	} {
		_, err := Solve(t.Context(), c.in)
		f, ok := err.(*working.Fault)
		if !ok || f.Path != c.path || !strings.Contains(f.Message, c.says) {
			t.Errorf("%s: %v at %v", name, err, f)
		}
	}
}

func TestColumn(t *testing.T) {
	slender, err := Column(ColumnInput{3000, 1, 15, 500, 235, 210000})
	if err != nil || slender.Mode != "euler" {
		t.Fatal(err, slender)
	}
	near(t, "euler", slender.CriticalStress, math.Pi*math.Pi*210000/(200*200), 1e-12)
	stocky, _ := Column(ColumnInput{600, 1, 15, 500, 235, 210000})
	if stocky.Mode != "johnson" {
		t.Error(stocky.Mode)
	}
	near(t, "johnson", stocky.CriticalStress, 235*(1-235*1600/(4*math.Pi*math.Pi*210000)), 1e-12)
	near(t, "load", stocky.CriticalLoad, stocky.CriticalStress*500, 1e-12)
	// The curves meet at half the yield.
	edge := math.Sqrt(2 * math.Pi * math.Pi * 210000 / 235)
	for _, d := range []float64{-1e-6, 1e-6} {
		c, _ := Column(ColumnInput{edge + d, 1, 1, 1, 235, 210000})
		near(t, "where they meet", c.CriticalStress, 235./2, 1e-6)
	}
	if _, err := Column(ColumnInput{}); err == nil {
		t.Error("nothing is taken")
	}
}

func BenchmarkRack60(b *testing.B) {
	in := tower(rand.New(rand.NewPCG(1, 2)), 8) // 64 members
	for b.Loop() {
		if _, err := Solve(b.Context(), in); err != nil {
			b.Fatal(err)
		}
	}
}

func BenchmarkFrame2000(b *testing.B) {
	in := tower(rand.New(rand.NewPCG(1, 2)), 250)
	for b.Loop() {
		if _, err := Solve(b.Context(), in); err != nil {
			b.Fatal(err)
		}
	}
}
