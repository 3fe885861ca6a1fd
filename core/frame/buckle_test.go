package frame

import (
	"math"
	"math/rand/v2"
	"testing"
)

// strut is one member along x, pressed, its ends held as said.
func strut(length, area, i float64, foot, head [6]bool) Input {
	return Input{Nodes: map[string][3]float64{"a": {}, "b": {length, 0, 0}},
		Members:  []Member{{From: "a", To: "b", E: 210000, G: 80000, Area: area, Iy: i, Iz: 2 * i, J: 3 * i}},
		Supports: map[string][6]bool{"a": foot, "b": head}}
}

// Euler's four cases: π²EI/(K·L)² with K 2, 1, 0.7 (0.699) and 0.5. Two elements
// between inner points put a consistent matrix within 1 % of them.
func TestStrutsBuckleAsEulerSays(t *testing.T) {
	const length, i, n = 1000., 1e4, 1000.
	free, fixed := [6]bool{}, [6]bool{true, true, true, true, true, true}
	pinned, slides := [6]bool{true, true, true, true}, [6]bool{false, true, true, true}
	guided := [6]bool{false, true, true, true, true, true}
	for _, c := range []struct {
		what       string
		foot, head [6]bool
		k          float64
	}{{"a post with a free head", fixed, free, 2}, {"pinned at both ends", pinned, slides, 1}, {"fixed and pinned", fixed, slides, .6992},
		{"fixed at both ends", fixed, guided, .5}} {
		m, err := Open(t.Context(), strut(length, 500, i, c.foot, c.head))
		if err != nil {
			t.Fatal(c.what, err)
		}
		s, err := m.Buckles(t.Context(), []float64{n}, 1e6)
		if err != nil {
			t.Fatal(err)
		}
		want := math.Pi * math.Pi * 210000 * i / math.Pow(c.k*length, 2) / n
		if s.Factor > want*1.01 || s.Factor < want*.88 || s.AtLeast {
			t.Errorf("%s: %.4g times, Euler %.4g", c.what, s.Factor, want)
		}
		// Closer in where it matters: loads near the limit.
		if s, _ = m.Buckles(t.Context(), []float64{n * want / 2}, 1e6); math.Abs(s.Factor-2) > .05 {
			t.Errorf("%s: under half its limit %.4g, want 2", c.what, s.Factor)
		}
	}
}

// A member drawn in pieces buckles as if it were drawn in one: the structure, not
// the piece, says how long it is.
func TestPiecesDoNotShortenAStrut(t *testing.T) {
	whole := strut(1000, 500, 1e4, [6]bool{true, true, true, true}, [6]bool{false, true, true, true})
	pieces := Input{Nodes: map[string][3]float64{}, Supports: map[string][6]bool{"0": whole.Supports["a"], "5": whole.Supports["b"]}}
	names := []string{"0", "1", "2", "3", "4", "5"}
	for i, n := range names {
		pieces.Nodes[n] = [3]float64{200 * float64(i), 0, 0}
		if i > 0 {
			m := whole.Members[0]
			m.From, m.To = names[i-1], n
			pieces.Members = append(pieces.Members, m)
		}
	}
	one, err := Open(t.Context(), whole)
	if err != nil {
		t.Fatal(err)
	}
	many, err := Open(t.Context(), pieces)
	if err != nil {
		t.Fatal(err)
	}
	const n = 10000.
	a, _ := one.Buckles(t.Context(), []float64{n}, 1e6)
	b, _ := many.Buckles(t.Context(), []float64{n, n, n, n, n}, 1e6)
	if math.Abs(a.Factor-b.Factor) > .03*a.Factor {
		t.Errorf("in one piece %.4g times, in five %.4g", a.Factor, b.Factor)
	}
}

// A portal with pinned feet sways long before its posts buckle between held ends:
// K is over 2, and bracing it brings the load up several times.
func TestPortalSways(t *testing.T) {
	in := Input{Nodes: map[string][3]float64{"a": {}, "b": {0, 0, 1000}, "c": {1000, 0, 1000}, "d": {1000, 0, 0}},
		Supports: map[string][6]bool{}}
	for _, e := range [][2]string{{"a", "b"}, {"b", "c"}, {"d", "c"}} {
		in.Members = append(in.Members, Member{From: e[0], To: e[1], E: 210000, G: 80000, Area: 500, Iy: 1e5, Iz: 1e5, J: 2e5})
	}
	pin := [6]bool{true, true, true, true, false, true}
	in.Supports["a"], in.Supports["d"] = pin, pin
	in.Supports["b"], in.Supports["c"] = [6]bool{1: true}, [6]bool{1: true} // in its plane
	m, err := Open(t.Context(), in)
	if err != nil {
		t.Fatal(err)
	}
	const n = 20000.
	s, _ := m.Buckles(t.Context(), []float64{n, 0, n}, 1e4)
	// Sway of a portal on pins, beam as stiff as the posts: α·tan α = 6, α = 1.3496,
	// P = α²·EI/L² (usual table of textbooks).
	want := 1.3496 * 1.3496 * 210000 * 1e5 / 1e6 / n
	if math.Abs(s.Factor-want) > .04*want {
		t.Errorf("sways at %.4g times, by the slope-deflection equations %.4g", s.Factor, want)
	}
	held := in.Supports["b"]
	held[0] = true
	in.Supports["b"] = held
	if m, err = Open(t.Context(), in); err != nil {
		t.Fatal(err)
	}
	if braced, _ := m.Buckles(t.Context(), []float64{n, 0, n}, 1e4); braced.Factor < 4*s.Factor {
		t.Errorf("braced %.4g times, swaying %.4g", braced.Factor, s.Factor)
	}
}

// More compression never lets a frame bear more, and a pull counts as none.
func TestMoreCompressionIsNeverBetter(t *testing.T) {
	rnd := rand.New(rand.NewPCG(3, 9))
	in := Input{Nodes: map[string][3]float64{"a": {}, "b": {100, 30, 900}, "c": {800, -40, 950}, "d": {850, 0, 0}, "e": {400, 500, 500}},
		Supports: map[string][6]bool{"a": {true, true, true, true, true, true}, "d": {true, true, true}}}
	for _, e := range [][2]string{{"a", "b"}, {"b", "c"}, {"c", "d"}, {"b", "e"}, {"c", "e"}} {
		in.Members = append(in.Members, Member{From: e[0], To: e[1], E: 210000, G: 80000, Area: 300, Iy: 3e4, Iz: 5e4, J: 6e4})
	}
	m, err := Open(t.Context(), in)
	if err != nil {
		t.Fatal(err)
	}
	for range 50 {
		n, more := make([]float64, 5), make([]float64, 5)
		for k := range n {
			n[k] = 20000*rnd.Float64() - 4000
			more[k] = n[k] + 5000*rnd.Float64()
		}
		a, _ := m.Buckles(t.Context(), n, 1000)
		b, _ := m.Buckles(t.Context(), more, 1000)
		if b.Factor > a.Factor*1.03 {
			t.Fatalf("%.4g times, with more compression %.4g", a.Factor, b.Factor)
		}
	}
	if _, err := m.Buckles(t.Context(), []float64{math.NaN(), 0, 0, 0, 0}, 10); err == nil {
		t.Error("a compression that is no number is taken")
	}
	if _, err := m.Buckles(t.Context(), []float64{1}, 10); err == nil {
		t.Error("compressions of other members are taken")
	}
}
