package linear

import (
	"context"
	"fmt"
	"math"
	"math/rand/v2"
	"testing"

	"gonum.org/v1/gonum/mat"
)

// springs is a random structure of blocks tied by springs, each held a little.
func springs(rnd *rand.Rand, n int) (*Pattern, *Matrix, *mat.SymDense) {
	size := make([]int, n)
	for i := range size {
		size[i] = rnd.IntN(7)
	}
	var pairs [][2]int
	for i := 1; i < n; i++ {
		pairs = append(pairs, [2]int{i, rnd.IntN(i)})
		if rnd.IntN(3) == 0 {
			pairs = append(pairs, [2]int{rnd.IntN(n), rnd.IntN(n)})
		}
	}
	p := NewPattern(size, pairs)
	m := p.Empty()
	dense := mat.NewSymDense(max(p.Unknowns(), 1), nil)
	for i, w := range size {
		for r := range w {
			for c := range r + 1 {
				v := rnd.NormFloat64()
				if r == c {
					v = 40 + rnd.Float64()
				}
				own := m.Block(i, i)
				own[r*w+c], own[c*w+r] = v, v
				dense.SetSym(p.First(i)+r, p.First(i)+c, v)
			}
		}
		for j := range i {
			if b := m.Block(j, i); b != nil {
				for k := range b {
					b[k] = rnd.NormFloat64()
					dense.SetSym(p.First(i)+k/size[j], p.First(j)+k%size[j], b[k])
				}
			}
		}
	}
	return p, m, dense
}

// Against the dense solver of another library: the answer, the product, the pivots'
// product as the determinant, over random structures.
func TestSolvesAsTheDenseSolver(t *testing.T) {
	rnd := rand.New(rand.NewPCG(3, 4))
	for round := range 200 {
		p, m, dense := springs(rnd, 1+rnd.IntN(60))
		n := p.Unknowns()
		if n == 0 {
			continue
		}
		f, err := m.Factorise(t.Context())
		var chol mat.Cholesky
		if whole := chol.Factorize(dense); whole != (err == nil) {
			t.Fatalf("round %d: %v, and %v densely", round, err, whole)
		} else if err != nil {
			continue
		}
		b := make([]float64, n)
		for i := range b {
			b[i] = rnd.NormFloat64()
		}
		x := append([]float64{}, b...)
		f.Solve(x)
		var want mat.VecDense
		if err := chol.SolveVecTo(&want, mat.NewVecDense(n, b)); err != nil {
			t.Fatal(err)
		}
		product := make([]float64, n)
		m.Mul(x, product)
		log := 0.
		for i, size := range p.size {
			for u := range size {
				log += 2 * math.Log(f.Pivot(i, u))
			}
		}
		for i := range n {
			if math.Abs(x[i]-want.AtVec(i)) > 1e-9 {
				t.Fatalf("round %d: x%d %.12g, densely %.12g", round, i, x[i], want.AtVec(i))
			}
			if math.Abs(product[i]-b[i]) > 1e-9 {
				t.Fatalf("round %d: the product is %.12g, not %.12g", round, product[i], b[i])
			}
		}
		if math.Abs(log-chol.LogDet()) > 1e-8*float64(n) {
			t.Fatalf("round %d: log of the determinant %g, densely %g", round, log, chol.LogDet())
		}
	}
}

// A matrix that is not positive definite is told, whichever block is at fault.
func TestNotPositiveDefinite(t *testing.T) {
	rnd := rand.New(rand.NewPCG(5, 6))
	for range 50 {
		p, m, _ := springs(rnd, 20)
		block := rnd.IntN(20)
		if p.size[block] == 0 {
			continue
		}
		*m.Diagonal(block, rnd.IntN(p.size[block])) = -1
		if _, err := m.Factorise(t.Context()); err == nil {
			t.Fatal("a negative stiffness stands")
		}
	}
}

// The order is one of all blocks, each once, also where everything hangs on one.
func TestOrderHoldsEveryBlockOnce(t *testing.T) {
	star := make([][]int, 30)
	for i := 1; i < 30; i++ {
		star[0], star[i] = append(star[0], i), []int{0}
	}
	apart := make([][]int, 5)
	for name, near := range map[string][][]int{"star": star, "apart": apart} {
		weight := make([]int, len(near))
		for i := range weight {
			weight[i] = 6
		}
		seen := map[int]bool{}
		list := order(near, weight)
		for _, i := range list {
			seen[i] = true
		}
		if len(list) != len(near) || len(seen) != len(near) {
			t.Errorf("%s: %v", name, list)
		}
		if name == "star" && list[0] == 0 {
			t.Error("the middle of a star goes first: everything fills")
		}
	}
}

// Example solves two springs in a row: k = 10 held, 5 on; 20 N pull the end.
func Example() {
	p := NewPattern([]int{1, 1}, [][2]int{{0, 1}})
	m := p.Empty()
	m.Block(0, 0)[0], m.Block(1, 1)[0], m.Block(0, 1)[0] = 15, 5, -5
	f, err := m.Factorise(context.Background())
	x := []float64{0, 20}
	f.Solve(x)
	fmt.Printf("%v %.0f %.0f\n", err == nil, x[0], x[1])
	// Output: true 2 6
}
