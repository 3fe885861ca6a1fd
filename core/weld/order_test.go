package weld

import (
	"fmt"
	"math"
	"math/rand/v2"
	"testing"

	"warmanvil/core/solid"
)

// bar is a bar of 1000 × 60 × 40 mm along x.
func bar() Bulk {
	v, m, s := solid.Box(solid.Vector{0, -30, -20}, solid.Vector{1000, 30, 20}).Spread()
	return Bulk{v, m, s}
}

// flanks are four seams along the bar's edges, each in runs of 100.
func flanks() (out []OrderSeam) {
	for i, q := range [4][2]float64{{30, 20}, {30, -20}, {-30, 20}, {-30, -20}} {
		out = append(out, OrderSeam{ID: fmt.Sprint("s", i), Area: 18, Run: 100, Face: solid.Vector{0, 0, math.Copysign(1, q[1])},
			Path: []solid.Vector{{0, q[0], q[1]}, {1000, q[0], q[1]}}})
	}
	return out
}

// One seam along a bar bows it by the shop formula, 0.005·Aw·d·L²/I, as the sum of its runs; by hand both ways.
func TestBowOfRunsIsTheShopFormula(t *testing.T) {
	r, err := Order(OrderAsk{Seams: []OrderSeam{{ID: "s", Area: 18, Run: 5, Path: []solid.Vector{{0, 30, 20}, {1000, 30, 20}}}},
		Bulks: []Bulk{bar()}})
	if err != nil {
		t.Fatal(err)
	}
	up, side := .005*18*20*1e6/(60*64000/12.), .005*18*30*1e6/(40*216000/12.)
	if want := math.Hypot(up, side); math.Abs(r.Plain.Last-want) > 1e-3*want || math.Abs(r.Best.Last-want) > 1e-3*want {
		t.Errorf("bowed %.4f and %.4f, by hand %.4f", r.Plain.Last, r.Best.Last, want)
	}
	across, err := Order(OrderAsk{Seams: []OrderSeam{{ID: "s", Area: 18, Run: 100, Path: []solid.Vector{{500, -30, 20}, {500, 30, 20}}}},
		Bulks: []Bulk{bar()}})
	if err != nil {
		t.Fatal(err)
	}
	if want := .2 * 60 * 18 * 20 / (60 * 64000 / 12.) * 500 / 2; math.Abs(across.Best.Last-want) > 1e-9 {
		t.Errorf("a seam across bows %.6f, by hand %.6f", across.Best.Last, want)
	}
}

// Four seams round a bar bow it not at all in the end; seam by seam they bow it on the way, in the order found hardly.
func TestOrderKeepsTheWholeStraight(t *testing.T) {
	r, err := Order(OrderAsk{Seams: flanks(), Bulks: []Bulk{bar()}})
	if err != nil {
		t.Fatal(err)
	}
	if len(r.Best.Runs) != 40 || r.Best.Last > 1e-9 || r.Plain.Last > 1e-9 {
		t.Fatalf("%d runs, bowed %g and %g in the end", len(r.Best.Runs), r.Best.Last, r.Plain.Last)
	}
	if r.Best.Peak > r.Plain.Peak/2 {
		t.Errorf("bowed %.3f at most, seam by seam %.3f", r.Best.Peak, r.Plain.Peak)
	}
	if r.Best.Hots >= r.Plain.Hots {
		t.Errorf("%d hot starts, seam by seam %d", r.Best.Hots, r.Plain.Hots)
	}
	again, err := Order(OrderAsk{Seams: flanks(), Bulks: []Bulk{bar()}})
	if err != nil || fmt.Sprint(again.Best) != fmt.Sprint(r.Best) {
		t.Error("the same ask gives another order")
	}
	hand, err := Order(OrderAsk{Seams: flanks(), Bulks: []Bulk{bar()}, Fixed: []string{"s3/1", "gone", "s3/1", "s0/1"}})
	if err != nil || hand.Hand == nil || hand.Hand.Runs[0].ID != "s3/1" || hand.Hand.Runs[1].ID != "s0/1" || len(hand.Hand.Runs) != 40 {
		t.Errorf("%v: %+v", err, hand.Hand)
	}
}

// Of random seams the order found is never bowed more than seam by seam, all runs are in it once, and turning all of
// it changes nothing.
func TestOrderNeverWorseThanPlain(t *testing.T) {
	rng := rand.New(rand.NewPCG(7, 20))
	for n := range 12 {
		var list []OrderSeam
		for i := range 2 + rng.IntN(8) {
			at := func() solid.Vector {
				return solid.Vector{rng.Float64() * 1000, rng.Float64()*60 - 30, rng.Float64()*40 - 20}
			}
			list = append(list, OrderSeam{ID: fmt.Sprint("s", i), Area: 4 + rng.Float64()*20, Run: 40 + rng.Float64()*100,
				Path: []solid.Vector{at(), at(), at()}, Face: at().Unit()})
		}
		r, err := Order(OrderAsk{Seams: list, Bulks: []Bulk{bar()}})
		if err != nil {
			t.Fatal(err)
		}
		seen := map[string]bool{}
		peak := 0.
		for _, x := range r.Best.Runs {
			seen[x.ID], peak = true, math.Max(peak, x.Bow)
		}
		if len(seen) != len(r.Plain.Runs) || peak != r.Best.Peak || r.Best.Peak > r.Plain.Peak*(1+1e-9) ||
			math.Abs(r.Best.Last-r.Plain.Last) > 1e-9*math.Max(r.Plain.Last, 1) {
			t.Errorf("%d: %d runs of %d, peak %g of %g, last %g of %g", n, len(seen), len(r.Plain.Runs), r.Best.Peak, r.Plain.Peak, r.Best.Last,
				r.Plain.Last)
		}
		pose := solid.Turned(solid.Vector{200, -50, 90}, rng.Float64()*360, rng.Float64()*180-90, rng.Float64()*360)
		turned := make([]OrderSeam, len(list))
		for i, s := range list {
			turned[i] = s
			turned[i].Face, turned[i].Path = pose.Turn(s.Face), nil
			for _, p := range s.Path {
				turned[i].Path = append(turned[i].Path, pose.Apply(p))
			}
		}
		v, m, s := solid.Box(solid.Vector{0, -30, -20}, solid.Vector{1000, 30, 20}).At(pose).Spread()
		q, err := Order(OrderAsk{Seams: turned, Bulks: []Bulk{{v, m, s}}})
		if err != nil || math.Abs(q.Plain.Peak-r.Plain.Peak) > 1e-6*math.Max(r.Plain.Peak, 1e-3) {
			t.Errorf("%d: %v, turned seam by seam %.9g, %.9g as it was", n, err, q.Plain.Peak, r.Plain.Peak)
		}
	}
}

// Two bodies bow each by itself: a pair alike is no better and no worse than one of them.
func TestBodiesBowByThemselves(t *testing.T) {
	one, err := Order(OrderAsk{Seams: flanks()[:1], Bulks: []Bulk{bar()}})
	if err != nil {
		t.Fatal(err)
	}
	v, m, s := solid.Box(solid.Vector{0, 970, -20}, solid.Vector{1000, 1030, 20}).Spread()
	pair := flanks()[:1]
	other := pair[0]
	other.ID, other.Body, other.Path = "t", 1, []solid.Vector{{0, 1030, 20}, {1000, 1030, 20}}
	two, err := Order(OrderAsk{Seams: append(pair, other), Bulks: []Bulk{bar(), {v, m, s}}})
	if err != nil || math.Abs(two.Best.Last-one.Best.Last) > 1e-9 || math.Abs(two.Plain.Peak-one.Plain.Peak) > 1e-9 {
		t.Errorf("%v: two %g, one %g", err, two.Best.Last, one.Best.Last)
	}
	other.Body = 2
	if _, err := Order(OrderAsk{Seams: []OrderSeam{other}, Bulks: []Bulk{bar()}}); err == nil {
		t.Error("a seam of no body is put in order")
	}
}

// What cannot be put in order is refused in words; an order that is stopped keeps the best so far.
func TestOrderRefuses(t *testing.T) {
	one := flanks()[:1]
	for name, ask := range map[string]OrderAsk{"no seam": {Bulks: []Bulk{bar()}}, "no body": {Seams: one},
		"no length": {Seams: []OrderSeam{{ID: "s", Area: 18, Run: 100, Path: []solid.Vector{{1}, {1}}}}, Bulks: []Bulk{bar()}},
		"one point": {Seams: []OrderSeam{{ID: "s", Area: 18, Run: 100, Path: []solid.Vector{{1}}}}, Bulks: []Bulk{bar()}},
		"no weld":   {Seams: []OrderSeam{{ID: "s", Run: 100, Path: []solid.Vector{{1}, {2}}}}, Bulks: []Bulk{bar()}},
		"too many":  {Seams: []OrderSeam{{ID: "s", Area: 18, Run: .1, Path: []solid.Vector{{}, {900}}}}, Bulks: []Bulk{bar()}}} {
		if _, err := Order(ask); err == nil {
			t.Errorf("%s is put in order", name)
		}
	}
	calls := 0
	r, err := Order(OrderAsk{Seams: flanks(), Bulks: []Bulk{bar()}, Tell: func(float64) bool { calls++; return false }})
	if err != nil || calls != 1 || len(r.Best.Runs) != 40 || r.Best.Peak > r.Plain.Peak {
		t.Errorf("%v, asked %d times, %d runs", err, calls, len(r.Best.Runs))
	}
}

// Tacks stand no farther apart than the sheet bears, the middle first, and lie on the seam.
func TestTacks(t *testing.T) {
	line := []solid.Vector{{}, {300, 0, 0}}
	list := Tacks("s", line, 2)
	if len(list) != 5 || math.Abs(list[0].At[0]-150) > 1 || list[1].At[0] > 10 || list[2].At[0] < 290 {
		t.Errorf("%+v", list)
	}
	for _, k := range list {
		if k.At[0]-k.Long/2 < -1e-3 || k.At[0]+k.Long/2 > 300+1e-3 {
			t.Errorf("a tack of %.1f at %.1f reaches past its seam", k.Long, k.At[0])
		}
	}
	ring := []solid.Vector{{}, {100}, {100, 100}, {0, 100}, {}}
	four := Tacks("s", ring, 8)
	if len(four) != 4 || four[0].At.Sub(four[1].At).Len() < 100 {
		t.Errorf("%+v", four)
	}
	if Tacks("s", line[:1], 2) != nil {
		t.Error("a point has tacks")
	}
}

// 40 seams, 160 runs.
func BenchmarkOrder(b *testing.B) {
	rng := rand.New(rand.NewPCG(1, 2))
	var list []OrderSeam
	for i := range 40 {
		x, y, z := rng.Float64()*800, rng.Float64()*60-30, rng.Float64()*40-20
		list = append(list, OrderSeam{ID: fmt.Sprint("s", i), Area: 12, Run: 50, Face: solid.Vector{0, 0, math.Copysign(1, z)},
			Path: []solid.Vector{{x, y, z}, {x + 200, y, z}}})
	}
	for b.Loop() {
		r, err := Order(OrderAsk{Seams: list, Bulks: []Bulk{bar()}})
		if err != nil || len(r.Best.Runs) != 160 {
			b.Fatal(err)
		}
	}
}
