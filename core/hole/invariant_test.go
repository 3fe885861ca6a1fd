package hole

import (
	"math"
	"math/rand/v2"
	"testing"

	"warmanvil/core/profile"
)

// Distances twice as long give a map twice as large; the order in which they
// were read, and which way round, changes nothing.
func TestMapScalesAndForgetsOrder(t *testing.T) {
	r := rand.New(rand.NewPCG(101, 102))
	for range 40 {
		at := random(r, 4+r.IntN(6))
		in := every(at, always, r.NormFloat64)
		one, err := Map(in)
		if err != nil {
			t.Fatal(err)
		}
		twice, shuffled := in, in
		twice.Readings, shuffled.Readings = nil, nil
		for _, x := range in.Readings {
			two := 2.0
			twice.Readings = append(twice.Readings, Reading{x.From, x.To, 2 * x.Distance, &two})
			shuffled.Readings = append(shuffled.Readings, Reading{x.To, x.From, x.Distance, x.Sigma})
		}
		r.Shuffle(len(shuffled.Readings), func(i, j int) {
			shuffled.Readings[i], shuffled.Readings[j] = shuffled.Readings[j], shuffled.Readings[i]
		})
		big, err := Map(twice)
		if err != nil {
			t.Fatal(err)
		}
		other, err := Map(shuffled)
		if err != nil {
			t.Fatal(err)
		}
		near(t, "sum of squares, scaled", big.SumOfSquares, one.SumOfSquares, 1e-6*(1+one.SumOfSquares))
		near(t, "sum of squares, shuffled", other.SumOfSquares, one.SumOfSquares, 1e-6*(1+one.SumOfSquares))
		for i := range one.Points {
			for k := range 2 {
				near(t, "scaled", big.Points[i][k], 2*one.Points[i][k], 1e-3)
				near(t, "shuffled", other.Points[i][k], one.Points[i][k], 1e-3)
			}
		}
	}
}

// The frame of every map: first hole at the origin, second on +x, the first
// one off the axis above it; residuals are fitted less measured.
func TestMapFrameAndResiduals(t *testing.T) {
	r := rand.New(rand.NewPCG(103, 104))
	for range 60 {
		in := every(random(r, 3+r.IntN(7)), always, r.NormFloat64)
		m, err := Map(in)
		if err != nil {
			t.Fatal(err)
		}
		near(t, "origin", math.Hypot(m.Points[0][0], m.Points[0][1]), 0, 0)
		if m.Points[1][0] <= 0 || m.Points[1][1] != 0 {
			t.Errorf("second hole at %v", m.Points[1])
		}
		for _, p := range m.Points[2:] {
			if math.Abs(p[1]) > 1e-3 {
				if p[1] < 0 {
					t.Errorf("first hole off the axis at %v", p)
				}
				break
			}
		}
		sum := 0.0
		for k, x := range in.Readings {
			d := math.Hypot(m.Points[x.From][0]-m.Points[x.To][0], m.Points[x.From][1]-m.Points[x.To][1])
			near(t, "residual", m.Residuals[k], d-x.Distance, 1e-9)
			sum += m.Residuals[k] * m.Residuals[k]
		}
		near(t, "sum of squares", m.SumOfSquares, sum, 1e-9*(1+sum))
		total := 0.0
		for _, c := range m.Control {
			total += c
		}
		near(t, "redundancy numbers add up to the redundancy", total, float64(m.Redundancy), 1e-4)
	}
}

// A least: nudging any hole makes the sum of squares no smaller.
func TestMapIsALeast(t *testing.T) {
	r := rand.New(rand.NewPCG(105, 106))
	for range 20 {
		in := every(random(r, 6), always, func() float64 { return 2 * r.NormFloat64() })
		m, err := Map(in)
		if err != nil {
			t.Fatal(err)
		}
		s, _ := in.net()
		at := make([]profile.Point, 6)
		for i, p := range m.Points {
			at[i] = profile.Point{X: p[0], Y: p[1]}
		}
		least := s.cost(at)
		for i := range at {
			for _, d := range []profile.Point{{X: .01}, {X: -.01}, {Y: .01}, {Y: -.01}} {
				nudged := append([]profile.Point{}, at...)
				nudged[i] = nudged[i].Add(d)
				if c := s.cost(nudged); c < least-1e-9 {
					t.Fatalf("moving hole %d gives %.9g, less than %.9g", i, c, least)
				}
			}
		}
	}
}

// Each reading read twice, once spoiled: the pair shows which one it is.
func TestRepeatedReadingsInAMap(t *testing.T) {
	at := []profile.Point{{}, {X: 400}, {X: 120, Y: 230}, {X: 300, Y: -90}}
	in := every(at, always, none)
	in.Readings = append(in.Readings, in.Readings...)
	in.Readings[3].Distance += 12
	m, err := Map(in)
	if err != nil || m.Suspect == nil || m.Suspect.Index != 3 {
		t.Fatalf("%v %+v", err, m.Suspect)
	}
	near(t, "what would agree", m.Suspect.Value, in.Readings[9].Distance, 1e-3)
}

// Patterns turned on themselves: a regular ring of n holes goes n−1 other turns
// and n flips.
func TestRingsGoEveryWay(t *testing.T) {
	for n := 3; n <= 9; n++ {
		var ring []profile.Point
		d := make([]float64, n)
		for i := range n {
			s, c := math.Sincos(2 * math.Pi * float64(i) / float64(n))
			ring, d[i] = append(ring, profile.Point{X: 80 * c, Y: 80 * s}), 9
		}
		ways := Ways(ring, d, .5)
		turns, flips := 0, 0
		for _, w := range ways {
			if w.Over {
				flips++
			} else {
				turns++
				near(t, "turn", math.Remainder(w.Turn, 360/float64(n)), 0, 1e-6)
			}
		}
		if turns != n-1 || flips != n {
			t.Errorf("%d holes: %d turns and %d flips", n, turns, flips)
		}
		move, ok := OneWay(ring, d, .5, 12)
		if !ok {
			t.Errorf("%d holes: no hole to move", n)
			continue
		}
		moved := append([]profile.Point{}, ring...)
		moved[move.Hole] = moved[move.Hole].Add(move.By)
		if left := Ways(moved, d, .5); len(left) > 0 {
			t.Errorf("%d holes, hole %d moved by %v: still %v", n, move.Hole, move.By, left)
		}
	}
}

// Slots are no longer than the hole and its miss ask for, and the round holes
// take their bolts.
func TestSlotsTakeTheBolts(t *testing.T) {
	r := rand.New(rand.NewPCG(107, 108))
	slotted := 0
	for range 200 {
		from := random(r, 4)
		onto := append([]profile.Point{}, from...)
		k := r.IntN(4)
		off := 6 * r.Float64()
		s, c := math.Sincos(2 * math.Pi * r.Float64())
		onto[k] = onto[k].Add(profile.Point{X: c, Y: s}.Mul(off))
		d, play := []float64{11, 11, 11, 11}, []float64{.5, .5, .5, .5}
		m, answer, slots := Lay(from, onto, false, d, play)
		is := map[int]Slotted{}
		for _, s := range slots {
			is[s.Hole] = s
		}
		for i, miss := range m.Misses {
			if s, slot := is[i]; slot {
				if s.Length < 11+2*(miss.Len()-.5)-1e-9 || s.Length > 11+2*(miss.Len()-.5)+.5+1e-9 {
					t.Errorf("a miss of %.2f takes a slot of %.2f", miss.Len(), s.Length)
				}
			} else if answer != Differ && miss.Len() > .5+1e-9 {
				t.Errorf("%s, yet a round hole misses by %.2f", answer, miss.Len())
			}
		}
		if answer == Slot {
			slotted++
		}
		if off < .5 && answer != Serves {
			t.Errorf("off by %.2f: %s", off, answer)
		}
	}
	if slotted < 80 {
		t.Errorf("%d of 200 were slotted", slotted)
	}
}
