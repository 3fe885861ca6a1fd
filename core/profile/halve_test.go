package profile

import (
	"errors"
	"math"
	"math/rand"
	"testing"
)

// The halves of random shapes with arcs add up to the whole, lie on their side
// of the line, and know the edges they lie on.
func TestHalvesAddUp(t *testing.T) {
	rnd := rand.New(rand.NewSource(6))
	done := 0
	for range 500 {
		var l Loop
		n := 3 + rnd.Intn(6)
		for i := range n {
			a := (float64(i) + .6*rnd.Float64()) * 2 * math.Pi / float64(n)
			r := 60 + 60*rnd.Float64()
			v := Vertex{X: r * math.Cos(a), Y: r * math.Sin(a)}
			if rnd.Intn(2) == 0 {
				v.Bulge = .5*rnd.Float64() - .1
			}
			l = append(l, v)
		}
		if l.Crosses() {
			continue
		}
		s, c := math.Sincos(2 * math.Pi * rnd.Float64())
		way, at := Point{c, s}, 60*rnd.Float64()-30
		low, high, err := l.Halve(way, at)
		if err != nil {
			if !errors.Is(err, ErrPieces) && !errors.Is(err, errBeside) {
				t.Fatal(err)
			}
			continue
		}
		done++
		if d := low.Loop.Area() + high.Loop.Area() - l.Area(); math.Abs(d) > 1e-6 {
			t.Fatalf("%.6f and %.6f of %.6f", low.Loop.Area(), high.Loop.Area(), l.Area())
		}
		for side, h := range map[float64]Half{-1: low, 1: high} {
			if h.Loop.Area() <= 0 {
				t.Fatal("a half runs clockwise")
			}
			for _, q := range h.Loop.Flatten(.01) {
				if side*(way.Dot(q)-at) < -1e-6 {
					t.Fatalf("%v lies on the other side", q)
				}
			}
			cut := 0
			for i, on := range h.On {
				a, b := h.Loop[i], h.Loop[(i+1)%len(h.Loop)]
				if on < 0 {
					cut++
					if math.Abs(way.Dot(a.P())-at) > 1e-9 || math.Abs(way.Dot(b.P())-at) > 1e-9 {
						t.Fatal("the cut is not on the line")
					}
					continue
				}
				// The middle of the stretch lies on the edge it is said to lie on.
				m, v, w := a.along(b, .5), l[on], l[(on+1)%len(l)]
				if v.Bulge == 0 {
					if d := toSegment(m, v.P(), w.P()); d > 1e-6 {
						t.Fatalf("%v is %.6f off its edge", m, d)
					}
				} else if c, r := ArcOf(v, w); math.Abs(m.Sub(c).Len()-r) > 1e-6 {
					t.Fatalf("%v is off its arc", m)
				}
			}
			if cut != 1 {
				t.Fatalf("%d cuts", cut)
			}
		}
	}
	if done < 300 {
		t.Fatalf("only %d were cut", done)
	}
}

func TestHalveByHand(t *testing.T) {
	disc := Loop{{X: 0, Bulge: 1}, {X: 100, Bulge: 1}}
	low, high, err := disc.Halve(Point{0, 1}, 25) // the cap of 120°: r²/2·(θ − sin θ)
	if err != nil {
		t.Fatal(err)
	}
	if want := 1250 * (2*math.Pi/3 - math.Sqrt(3)/2); math.Abs(high.Loop.Area()-want) > 1e-6 {
		t.Errorf("the cap is %.4f, want %.4f (the rest %.4f)", high.Loop.Area(), want, low.Loop.Area())
	}
	if _, _, err := disc.Halve(Point{0, 1}, 60); !errors.Is(err, errBeside) {
		t.Errorf("beside: %v", err)
	}
	if _, _, err := Rect(0, 0, 10, 10).Halve(Point{1, 0}, 10); !errors.Is(err, ErrCorner) {
		t.Errorf("along an edge: %v", err)
	}
	u := Loop{{X: 0, Y: 0}, {X: 30, Y: 0}, {X: 30, Y: 20}, {X: 20, Y: 20}, {X: 20, Y: 5}, {X: 10, Y: 5}, {X: 10, Y: 20}, {X: 0, Y: 20}}
	if _, _, err := u.Halve(Point{0, 1}, 10); !errors.Is(err, ErrPieces) {
		t.Errorf("through both legs: %v", err)
	}
}
