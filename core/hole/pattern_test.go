package hole

import (
	"math"
	"math/rand/v2"
	"testing"

	"warmanvil/core/profile"
)

func TestFitFindsTurnAndShift(t *testing.T) {
	r := rand.New(rand.NewPCG(71, 72))
	for range 100 {
		want := Rigid{Mirror: r.IntN(2) == 0, Turn: 360*r.Float64() - 180, Shift: profile.Point{X: 100 * r.Float64(), Y: -50 * r.Float64()}}
		from := random(r, 4)
		onto := make([]profile.Point, 4)
		for i, p := range from {
			onto[i] = want.Apply(p)
		}
		m := Meet(from, onto, want.Mirror)
		near(t, "miss", m.Most, 0, 1e-9)
		near(t, "turn", math.Remainder(m.By.Turn-want.Turn, 360), 0, 1e-9)
	}
}

// One side's bracket on the other side's rail: within the play it serves, a
// little beyond a slot does it, far beyond two parts differ.
func TestSettle(t *testing.T) {
	left := []profile.Point{{X: 0, Y: 0}, {X: 200, Y: 0}, {X: 200, Y: 100}, {X: 0, Y: 100}}
	d, play := []float64{11, 11, 11, 11}, []float64{.5, .5, .5, .5}
	moved := func(by float64) []profile.Point {
		var out []profile.Point
		for i, p := range left {
			p.X = -p.X
			if i == 2 {
				p.X -= by
			}
			out = append(out, p)
		}
		return out
	}
	for by, want := range map[float64]Answer{0: Serves, .6: Serves, 4: Slot, 30: Differ} {
		got, slots := Meet(left, moved(by), true).Settle(d, play)
		if got != want {
			t.Errorf("off by %.1f: %s, want %s", by, got, want)
		}
		if got == Slot {
			for _, s := range slots {
				if s.Length <= 11 || s.Length > 22 || math.Abs(s.Along.Len()-1) > 1e-9 {
					t.Errorf("%+v", s)
				}
			}
		}
	}
}

// One hole off by a known amount: it alone becomes the slot, and along its error.
func TestLaySlotsOneHole(t *testing.T) {
	left := []profile.Point{{X: 0, Y: 0}, {X: 260, Y: 0}, {X: 260, Y: 60}, {X: 0, Y: 60}}
	right := append([]profile.Point{}, left...)
	right[2].X += 4
	_, answer, slots := Lay(left, right, false, []float64{11, 11, 11, 11}, []float64{.5, .5, .5, .5})
	if answer != Slot || len(slots) != 1 || slots[0].Hole != 2 {
		t.Fatalf("%s %+v", answer, slots)
	}
	near(t, "length", slots[0].Length, 18, 1e-9)
	near(t, "along", math.Abs(slots[0].Along.X), 1, 1e-9)
}

func TestWays(t *testing.T) {
	d := func(n int) []float64 {
		out := make([]float64, n)
		for i := range out {
			out[i] = 9
		}
		return out
	}
	square := []profile.Point{{X: 0, Y: 0}, {X: 80, Y: 0}, {X: 80, Y: 80}, {X: 0, Y: 80}}
	if got := Ways(square, d(4), 1); len(got) != 7 { // three turns, four flips
		t.Errorf("a square goes %d other ways: %v", len(got), got)
	}
	oblong := []profile.Point{{X: 0, Y: 0}, {X: 120, Y: 0}, {X: 120, Y: 80}, {X: 0, Y: 80}}
	got := Ways(oblong, d(4), 1)
	if len(got) != 3 {
		t.Errorf("an oblong goes %d other ways: %v", len(got), got)
	}
	flips := 0
	for _, w := range got {
		if w.Over {
			flips++
		}
	}
	if flips != 2 {
		t.Errorf("%d of them turned over", flips)
	}
	odd := []profile.Point{{X: 0, Y: 0}, {X: 120, Y: 0}, {X: 120, Y: 80}, {X: 15, Y: 70}}
	if got := Ways(odd, d(4), 1); got != nil {
		t.Errorf("an odd one goes %v", got)
	}
	if got := Ways(oblong, []float64{9, 9, 9, 13}, 1); got != nil {
		t.Errorf("one hole larger: %v", got)
	}
	s, ok := OneWay(oblong, d(4), 1, 10)
	if !ok {
		t.Fatal("no hole to move")
	}
	moved := append([]profile.Point{}, oblong...)
	moved[s.Hole] = moved[s.Hole].Add(s.By)
	if left := Ways(moved, d(4), 1); left != nil {
		t.Errorf("after the move it still goes %v", left)
	}
	if two := Ways(oblong[:2], d(2), 1); len(two) != 3 {
		t.Errorf("two holes: %v", two)
	}
}
