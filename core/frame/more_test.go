package frame

import (
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"warmanvil/core/solid"
)

func solved(t *testing.T, in Input) Result {
	t.Helper()
	r, err := Solve(t.Context(), in)
	if err != nil {
		t.Fatal(err)
	}
	return r
}

// Ends that let go: a propped cantilever whose prop is a hinge, a bar with
// hinges at both ends, and a frame that would be loose between its ends.
func TestReleases(t *testing.T) {
	const l = 2000.
	m := tube("a", "b")
	m.Uniform = &[3]float64{0, 0, -1.5}
	m.ReleaseJ = &[6]bool{4: true, 5: true}
	in := Input{Nodes: map[string][3]float64{"a": {}, "b": {l, 0, 0}}, Members: []Member{m}, Supports: map[string][6]bool{"a": all, "b": all}}
	r := solved(t, in)
	near(t, "prop", r.Reactions["b"][2], 3./8*1.5*l, 1e-9)
	near(t, "built-in moment", math.Abs(r.Reactions["a"][4]), 1.5*l*l/8, 1e-9)
	near(t, "no moment past the hinge", r.Reactions["b"][4], 0, 1e-6)
	near(t, "largest", r.MaxDisplacement, 1.5*l*l*l*l/(184.6*m.E*m.Iy), 1e-3)
	m.ReleaseI = &[6]bool{4: true, 5: true}
	in.Members[0] = m
	r = solved(t, in)
	near(t, "simple beam", r.MaxDisplacement, 5*1.5*l*l*l*l/(384*m.E*m.Iy), 1e-9)
	m.ReleaseI = &[6]bool{3: true, 4: true, 5: true}
	m.ReleaseJ = &[6]bool{3: true}
	in.Members[0] = m
	if _, err := Solve(t.Context(), in); err == nil || !strings.Contains(err.Error(), "loose between its ends") {
		t.Errorf("a member that spins on itself: %v", err)
	}
}

// A stiff arm at a member's end turns with its node.
func TestOffsets(t *testing.T) {
	const l, arm = 1000., 120.
	m := tube("a", "b")
	m.OffsetI, m.OffsetJ = &[3]float64{0, 0, arm}, &[3]float64{0, 0, arm}
	// Pulled at the node, the member is pulled off its axis: it bends up.
	r := solved(t, Input{Nodes: map[string][3]float64{"a": {}, "b": {l, 0, 0}}, Members: []Member{m}, Supports: map[string][6]bool{"a": all},
		Loads: map[string][6]float64{"b": {5000}}})
	moment := 5000 * arm
	near(t, "turn", r.Displacements["b"][4], -moment*l/(m.E*m.Iy), 1e-9)
	near(t, "along", r.Displacements["b"][0], 5000*l/(m.E*m.Area)+moment*l/(m.E*m.Iy)*arm, 1e-9)
	near(t, "reaction", r.Reactions["a"][0], -5000, 1e-9)
	near(t, "no moment at the node", r.Reactions["a"][4], 0, 1e-5)
	// The same with a very stiff member in place of the arm.
	stiff := func(from, to string) Member {
		return Member{From: from, To: to, E: 210000, G: 81000, Area: 1e6, Iy: 1e10, Iz: 1e10, J: 1e10}
	}
	two := solved(t, Input{Nodes: map[string][3]float64{"a": {}, "a2": {0, 0, arm}, "b": {l, 0, 0}, "b2": {l, 0, arm}},
		Members:  []Member{tube("a2", "b2"), stiff("a", "a2"), stiff("b", "b2")},
		Supports: map[string][6]bool{"a": all}, Loads: map[string][6]float64{"b": {5000, 300, -200}}})
	one := solved(t, Input{Nodes: map[string][3]float64{"a": {}, "b": {l, 0, 0}}, Members: []Member{m}, Supports: map[string][6]bool{"a": all},
		Loads: map[string][6]float64{"b": {5000, 300, -200}}})
	for i := range 6 {
		near(t, "as a stiff member", one.Displacements["b"][i], two.Displacements["b"][i], 1e-4)
	}
}

// Rubber under a beam sinks by its share and carries it.
func TestSprings(t *testing.T) {
	in := Input{Nodes: map[string][3]float64{"a": {}, "b": {1000, 0, 0}, "c": {500, 0, 0}}, Members: []Member{tube("a", "c"), tube("c", "b")},
		Supports: map[string][6]bool{"a": {0: true, 1: true, 3: true}}, Springs: map[string][6]float64{"a": {2: 40}, "b": {1: 1e3, 2: 80}},
		Loads: map[string][6]float64{"c": {2: -480}}}
	r := solved(t, in)
	near(t, "soft end", r.Displacements["a"][2], -240./40, 1e-9)
	near(t, "stiff end", r.Displacements["b"][2], -240./80, 1e-9)
	near(t, "reaction", r.Reactions["b"][2], 240, 1e-9)
	// A billion times stiffer rubber is a wall, not a mechanism.
	in.Springs["b"] = [6]float64{1: 1e3, 2: 4e10}
	r = solved(t, in)
	near(t, "wall", r.Displacements["b"][2], 0, 1e-6)
	in.Springs["b"] = [6]float64{1: 1e3, 2: -1}
	if _, err := Solve(t.Context(), in); err == nil {
		t.Error("a spring that pushes the wrong way is taken")
	}
}

// A load between the ends by its closed form, and the same as on a node there.
func TestLoadOnTheMember(t *testing.T) {
	const l, a = 1600., 500.
	m := tube("a", "b")
	m.Points = []PointLoad{{At: a, Force: [3]float64{40, 90, -700}}}
	in := Input{Nodes: map[string][3]float64{"a": {}, "b": {l, 0, 0}}, Members: []Member{m}, Supports: map[string][6]bool{"a": all, "b": all}}
	one := solved(t, in)
	b := l - a
	near(t, "moment at a", math.Abs(one.Reactions["a"][4]), 700*a*b*b/(l*l), 1e-9)
	near(t, "moment at b", math.Abs(one.Reactions["b"][4]), 700*a*a*b/(l*l), 1e-9)
	two := solved(t, Input{Nodes: map[string][3]float64{"a": {}, "b": {l, 0, 0}, "c": {a, 0, 0}},
		Members: []Member{tube("a", "c"), tube("c", "b")}, Supports: in.Supports, Loads: map[string][6]float64{"c": {40, 90, -700}}})
	for i := range 6 {
		near(t, "reaction", two.Reactions["b"][i], one.Reactions["b"][i], 1e-8)
	}
	near(t, "largest", two.MaxDisplacement, one.MaxDisplacement, 1e-8)
	m.Points[0].At = l + 1
	if _, err := Solve(t.Context(), in); err == nil {
		t.Error("a load past the end is taken")
	}
}

// Diagrams of a simple beam: shear jumps by the load, the moment is P·a·b/L, its
// end forces agree with the ends, and it is bent as it moves.
func TestAlong(t *testing.T) {
	const l, a, p = 1800., 700., 900.
	m := tube("a", "b")
	model, err := Open(t.Context(), Input{Nodes: map[string][3]float64{"a": {}, "b": {l, 0, 0}}, Members: []Member{m},
		Supports: map[string][6]bool{"a": {true, true, true, true}, "b": {false, true, true}}})
	if err != nil {
		t.Fatal(err)
	}
	c, err := model.Case(Loading{Members: []MemberLoad{{Uniform: [3]float64{0, 0, -.4}, Points: []PointLoad{{a, [3]float64{0, 0, -p}}}}}})
	if err != nil {
		t.Fatal(err)
	}
	want := func(x float64) float64 { // sagging, at x
		m := (p*(l-a)/l+.4*l/2)*x - .4*x*x/2
		return m - p*max(x-a, 0)
	}
	most, jump := 0.0, 0.0
	list := c.Along(0, 12)
	for i, s := range list {
		near(t, "moment", s.My, -want(s.At), 1e-9)
		most = max(most, math.Abs(s.My))
		if i > 0 && s.At-list[i-1].At < 1e-3 {
			jump = max(jump, math.Abs(s.Vz-list[i-1].Vz))
		}
	}
	near(t, "jump", jump, p, 1e-9)
	near(t, "largest", most, want(a), 1e-9)
	last := list[len(list)-1]
	near(t, "shear at the end", last.Vz, -c.Members[0].J[2], 1e-9)
	// M = E·I·w'' with w up: seen by three stations.
	for _, k := range []int{2, 9} {
		b := &model.beams[0]
		w := func(x float64) float64 { return b.shift(x, c.acts[0], c.own[0])[2] }
		x, h := list[k].At, 5.
		near(t, "curvature", m.E*m.Iy*(w(x+h)-2*w(x)+w(x-h))/(h*h), -list[k].My, 1e-4)
	}
}

// A portal with fixed feet pushed sideways (Kleinlogel): the moments at feet and
// corners.
func TestPortal(t *testing.T) {
	const h, l, p = 800., 1200., 1000.
	in := Input{Nodes: map[string][3]float64{"a": {}, "b": {0, 0, h}, "c": {l, 0, h}, "d": {l, 0, 0}},
		Members: []Member{tube("a", "b"), tube("b", "c"), tube("d", "c")}, Supports: map[string][6]bool{"a": all, "d": all},
		Loads: map[string][6]float64{"b": {p}}}
	for k := range in.Members { // hardly any axial give, as the closed form has it
		in.Members[k].Area = 1e7
		in.Members[k].Up = &[3]float64{0, 1, 0} // bends about y with Iz
	}
	r := solved(t, in)
	k := h / l
	n := 1 + 6*k
	near(t, "foot", math.Abs(r.Reactions["a"][4]), p*h/2*(1+3*k)/n, 1e-3)
	near(t, "corner", math.Abs(r.Members[1].I[5]), p*h/2*3*k/n, 1e-3)
}

// Frequencies by closed forms: cantilever, built-in and simple beams, a mass on a
// springy stick, and a stretched rod.
func TestFrequencies(t *testing.T) {
	const l, kgm, pieces = 1500., 4.25, 8
	b := func(sup map[string][6]bool) Input {
		in := Input{Nodes: map[string][3]float64{}, Supports: sup, Modes: 4}
		for i := range pieces + 1 {
			in.Nodes[string(rune('a'+i))] = [3]float64{l * float64(i) / pieces, 0, 0}
			if i > 0 {
				m := tube(string(rune('a'+i-1)), string(rune('a'+i)))
				m.Mass = kgm
				in.Members = append(in.Members, m)
			}
		}
		return in
	}
	m := tube("a", "b")
	hertz := func(c, i float64) float64 {
		return c * c / (2 * math.Pi * l * l) * math.Sqrt(m.E*i/(kgm*1e-6))
	}
	last := string(rune('a' + pieces))
	r := solved(t, b(map[string][6]bool{"a": all}))
	near(t, "cantilever, weak", r.Frequencies[0], hertz(1.8751041, m.Iz), 1e-3)
	near(t, "cantilever, strong", r.Frequencies[1], hertz(1.8751041, m.Iy), 1e-3)
	near(t, "second, weak", r.Frequencies[2], hertz(4.6940911, m.Iz), 2e-3)
	r = solved(t, b(map[string][6]bool{"a": all, last: all}))
	near(t, "built in", r.Frequencies[0], hertz(4.7300407, m.Iz), 1e-3)
	r = solved(t, b(map[string][6]bool{"a": {true, true, true, true}, last: {false, true, true}}))
	near(t, "simple", r.Frequencies[0], hertz(math.Pi, m.Iz), 1e-3)
	near(t, "simple, strong", r.Frequencies[1], hertz(math.Pi, m.Iy), 1e-3)
	// A mass at the end of a stick without one of its own.
	s := solved(t, Input{Nodes: map[string][3]float64{"a": {}, "b": {600, 0, 0}}, Members: []Member{tube("a", "b")},
		Supports: map[string][6]bool{"a": all}, Masses: map[string]float64{"b": 30}, Modes: 3})
	near(t, "mass on a stick", s.Frequencies[0], math.Sqrt(3*m.E*m.Iz/(600*600*600)/.03)/(2*math.Pi), 1e-9)
	near(t, "and pulled", s.Frequencies[2], math.Sqrt(m.E*m.Area/600/.03)/(2*math.Pi), 1e-9)
	if _, err := Solve(t.Context(), Input{Nodes: map[string][3]float64{"a": {}, "b": {600, 0, 0}}, Members: []Member{tube("a", "b")},
		Supports: map[string][6]bool{"a": all}, Modes: 1}); err == nil {
		t.Error("nothing with a mass has a frequency")
	}
}

// Turning a frame does not change its frequencies, and every shape keeps K·x =
// ω²·M·x as far as Rayleigh's quotient tells.
func TestFrequenciesTurn(t *testing.T) {
	rnd := rand.New(rand.NewPCG(91, 92))
	in := tower(rnd, 2)
	in.Modes = 5
	in.Masses = map[string]float64{"n2.1": 40}
	p := solid.Turned(solid.Vector{}, 40, 50, 60)
	two := in
	two.Nodes, two.Members = map[string][3]float64{}, nil
	for k := range in.Members {
		in.Members[k].Mass, in.Members[k].Uniform = 4, nil
	}
	for n, at := range in.Nodes {
		two.Nodes[n] = p.Turn(at)
	}
	for _, m := range in.Members {
		up := [3]float64(p.Turn(*m.Up))
		m.Up = &up
		two.Members = append(two.Members, m)
	}
	a, b := solved(t, in), solved(t, two)
	for i := range a.Frequencies {
		near(t, "frequency", b.Frequencies[i], a.Frequencies[i], 1e-6)
		if i > 0 && a.Frequencies[i] < a.Frequencies[i-1] {
			t.Error("not lowest first")
		}
	}
}

func BenchmarkFrame2000EightCases(b *testing.B) {
	in := tower(rand.New(rand.NewPCG(1, 2)), 250)
	for b.Loop() {
		m, err := Open(b.Context(), in)
		if err != nil {
			b.Fatal(err)
		}
		for range 8 {
			if _, err := m.Case(Loading{Nodes: in.Loads}); err != nil {
				b.Fatal(err)
			}
		}
	}
}

// A rack as it is worked while it is edited: four cases, stations along every
// member and three frequencies.
func BenchmarkRackLive(b *testing.B) {
	in := tower(rand.New(rand.NewPCG(1, 2)), 8)
	for k := range in.Members {
		in.Members[k].Mass = 4
	}
	for b.Loop() {
		m, err := Open(b.Context(), in)
		if err != nil {
			b.Fatal(err)
		}
		for range 4 {
			c, err := m.Case(Loading{Nodes: in.Loads})
			if err != nil {
				b.Fatal(err)
			}
			for k := range in.Members {
				c.Along(k, 10)
			}
		}
		if _, err := m.Modes(b.Context(), 3); err != nil {
			b.Fatal(err)
		}
	}
}
