package nest

import (
	"math/rand/v2"
	"slices"
	"testing"
)

// verify checks a plan piece by piece.
func verify(t *testing.T, in SticksInput, r SticksResult) {
	t.Helper()
	left := map[float64]int{}
	for _, p := range in.Pieces {
		left[p.Length] += p.Quantity
	}
	for _, stick := range r.Layout {
		sum := 0.0
		for i, l := range stick {
			sum += l
			if i < len(stick)-1 || in.LastCutNeedsKerf {
				sum += in.Kerf
			}
			near := 0.0
			for want := range left {
				if d := want - l; d < 1e-6 && d > -1e-6 {
					near = want
				}
			}
			left[near]--
		}
		if sum > in.Stock+1e-5 {
			t.Errorf("a stick of %.1f takes %.4f: %v", in.Stock, sum, stick)
		}
	}
	for l, n := range left {
		if n != 0 {
			t.Errorf("%d pieces of %.1f are not in the plan", n, l)
		}
	}
	if r.Sticks != len(r.Layout) || r.LowerBound > r.Sticks || r.Proven != (r.LowerBound == r.Sticks) {
		t.Errorf("%d sticks, %d in the layout, at least %d, proven %v", r.Sticks, len(r.Layout), r.LowerBound, r.Proven)
	}
}

// fewest tries every way to put pieces into sticks.
func fewest(pieces []float64, room float64) int {
	best := len(pieces)
	var left []float64
	var put func(i int)
	put = func(i int) {
		if len(left) >= best {
			return
		}
		if i == len(pieces) {
			best = len(left)
			return
		}
		seen := map[float64]bool{}
		for k := range left {
			if left[k] >= pieces[i]-1e-6 && !seen[left[k]] {
				seen[left[k]] = true
				left[k] -= pieces[i]
				put(i + 1)
				left[k] += pieces[i]
			}
		}
		left = append(left, room-pieces[i])
		put(i + 1)
		left = left[:len(left)-1]
	}
	put(0)
	return best
}

func TestSticksByHand(t *testing.T) {
	in := SticksInput{Stock: 6000, Kerf: 3, Pieces: []Piece{{2000, 3}}}
	r, err := Sticks(t.Context(), in)
	if err != nil || r.Sticks != 2 { // 6006 with two kerfs between
		t.Fatalf("%v %+v", err, r)
	}
	verify(t, in, r)
	in.Pieces = []Piece{{1998, 3}}
	if r, _ = Sticks(t.Context(), in); r.Sticks != 1 || !r.Proven { // 5994 and two kerfs are 6000
		t.Errorf("%+v", r)
	}
	in.LastCutNeedsKerf = true
	if r, _ = Sticks(t.Context(), in); r.Sticks != 2 {
		t.Errorf("with a last kerf: %+v", r)
	}
	in = SticksInput{Stock: 6000, Pieces: []Piece{{6000, 2}}}
	if r, _ = Sticks(t.Context(), in); r.Sticks != 2 || !r.Proven {
		t.Errorf("whole sticks: %+v", r)
	}
	for _, bad := range []SticksInput{{Stock: 100, Pieces: []Piece{{101, 1}}}, {Stock: 100}, {Stock: 100, Pieces: []Piece{{50, 0}}},
		{Pieces: []Piece{{50, 1}}}, {Stock: 100, Kerf: -1, Pieces: []Piece{{5, 1}}},
		{Stock: 100, Kerf: 3, LastCutNeedsKerf: true, Pieces: []Piece{{99, 1}}}} {
		if _, err := Sticks(t.Context(), bad); err == nil {
			t.Errorf("%+v is taken", bad)
		}
	}
}

// Small plans need as few sticks as trying everything finds, and say so.
func TestSticksAgainstEveryWay(t *testing.T) {
	rnd := rand.New(rand.NewPCG(221, 222))
	for range 300 {
		in := SticksInput{Stock: 100, Kerf: float64(rnd.IntN(3)), LastCutNeedsKerf: rnd.IntN(2) == 0}
		room := in.Stock
		if !in.LastCutNeedsKerf {
			room += in.Kerf
		}
		var all []float64
		for range 2 + rnd.IntN(3) {
			p := Piece{float64(15 + rnd.IntN(60)), 1 + rnd.IntN(3)}
			in.Pieces = append(in.Pieces, p)
			for range p.Quantity {
				all = append(all, p.Length+in.Kerf)
			}
		}
		r, err := Sticks(t.Context(), in)
		if err != nil {
			t.Fatal(err)
		}
		verify(t, in, r)
		slices.SortFunc(all, func(a, b float64) int { return int(b - a) })
		if want := fewest(all, room); r.Sticks != want || !r.Proven {
			t.Errorf("%d sticks (proven %v), %d are enough: %+v", r.Sticks, r.Proven, want, in)
		}
	}
}

// 300 pieces of 20 lengths: a plan that holds, proven or with its gap told.
func TestManyPieces(t *testing.T) {
	rnd := rand.New(rand.NewPCG(223, 224))
	in := job300(rnd)
	r, err := Sticks(t.Context(), in)
	if err != nil {
		t.Fatal(err)
	}
	verify(t, in, r)
	if r.Sticks-r.LowerBound > 1 {
		t.Errorf("%d sticks, at least %d", r.Sticks, r.LowerBound)
	}
	if r.Proven == (len(r.Findings) > 0) {
		t.Errorf("proven %v, findings %+v", r.Proven, r.Findings)
	}
}

func job300(rnd *rand.Rand) SticksInput {
	in := SticksInput{Stock: 6000, Kerf: 2.5, LastCutNeedsKerf: true}
	for range 20 {
		in.Pieces = append(in.Pieces, Piece{float64(150 + rnd.IntN(2600)), 15})
	}
	return in
}

func BenchmarkSticks(b *testing.B) {
	in := job300(rand.New(rand.NewPCG(223, 224)))
	for b.Loop() {
		if _, err := Sticks(b.Context(), in); err != nil {
			b.Fatal(err)
		}
	}
}
