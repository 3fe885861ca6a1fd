package frame

import (
	"fmt"
	"math/rand/v2"
	"testing"
	"warmanvil/core/solid"
)

// lattice is a frame of nodes on a grid, 500 mm apart, with members between
// neighbours, its lowest layer held; of one layer its rim.
func lattice(nx, ny, nz int) Input {
	in := Input{Nodes: map[string][3]float64{}, Supports: map[string][6]bool{}}
	name := func(x, y, z int) string { return fmt.Sprintf("%d %d %d", x, y, z) }
	for z := range nz {
		for y := range ny {
			for x := range nx {
				n := name(x, y, z)
				in.Nodes[n] = [3]float64{500 * float64(x), 500 * float64(y), 500 * float64(z)}
				if nz > 1 && z == 0 || nz == 1 && (x == 0 || x == nx-1 || y == 0 || y == ny-1) {
					in.Supports[n] = [6]bool{true, true, true, true, true, true}
				}
				for _, d := range [3][3]int{{1, 0, 0}, {0, 1, 0}, {0, 0, 1}} {
					if x+d[0] < nx && y+d[1] < ny && z+d[2] < nz {
						in.Members = append(in.Members, Member{From: n, To: name(x+d[0], y+d[1], z+d[2]), E: 210000, G: 80000, Area: 456,
							Iy: 104000, Iz: 104000, J: 156000})
					}
				}
			}
		}
	}
	return in
}

var lattices = []struct {
	name string
	size [3]int
}{{"grid45x45", [3]int{45, 45, 1}}, {"tower2x2x500", [3]int{2, 2, 501}}, {"lattice12", [3]int{12, 12, 12}},
	{"lattice20x10x10", [3]int{20, 10, 10}}}

// The stiffness factorised and solved eight times: what scripts/superlu.sh sets
// another program beside.
func BenchmarkStiffness(b *testing.B) {
	for _, l := range lattices {
		b.Run(l.name, func(b *testing.B) {
			m, err := Open(b.Context(), lattice(l.size[0], l.size[1], l.size[2]))
			if err != nil {
				b.Fatal(err)
			}
			right := make([]float64, len(m.system.row))
			for i := range right {
				right[i] = 1
			}
			for b.Loop() {
				s := assemble(m.beams, m.held, m.springs, len(m.names))
				if err := s.factorise(b.Context(), m.names); err != nil {
					b.Fatal(err)
				}
				for range 8 {
					s.solve(right)
				}
			}
			b.ReportMetric(float64(len(m.system.dof)), "unknowns")
		})
	}
}

// A case of a large frame: what is read off every member is most of its time.
func BenchmarkCaseOf4000Members(b *testing.B) {
	in := lattice(2, 2, 501)
	m, err := Open(b.Context(), in)
	if err != nil {
		b.Fatal(err)
	}
	c := Loading{Nodes: map[string][6]float64{"0 0 500": {100, 50, -1000}}}
	for b.Loop() {
		if _, err := m.Case(c); err != nil {
			b.Fatal(err)
		}
	}
	b.ReportMetric(float64(len(in.Members)), "members")
}

// No place along a member passes the bound that lets it be left out.
func TestNothingMovesPastItsBound(t *testing.T) {
	rnd := rand.New(rand.NewPCG(9, 9))
	for range 500 {
		b := beam{Member: &Member{E: 210000, G: 80000, Area: 300 + 500*rnd.Float64(), Iy: 1e5 * rnd.Float64(), Iz: 1e5 * rnd.Float64(), J: 1e5},
			length: 100 + 3000*rnd.Float64(), axes: [3]solid.Vector{{1}, {0, 1}, {0, 0, 1}}}
		l := MemberLoad{Uniform: [3]float64{rnd.NormFloat64(), rnd.NormFloat64(), rnd.NormFloat64()}}
		for range rnd.IntN(3) {
			l.Points = append(l.Points, PointLoad{At: b.length * rnd.Float64(), Force: [3]float64{900 * rnd.NormFloat64(),
				900 * rnd.NormFloat64(), 900 * rnd.NormFloat64()}})
		}
		a, err := b.acts(0, l)
		if err != nil {
			t.Fatal(err)
		}
		var d [12]float64
		for i := range d {
			if d[i] = 3 * rnd.NormFloat64(); i%6 > 2 {
				d[i] /= 300
			}
		}
		most := b.within(a, &d)
		for i := range 201 {
			if v := b.shift(b.length*float64(i)/200, a, d).Len(); v > most*(1+1e-12) {
				t.Fatalf("%.3f at %d of 200, and the bound is %.3f", v, i, most)
			}
		}
	}
}
