package effort

import (
	"errors"
	"math"
	"math/rand/v2"
	"testing"

	"warmanvil/core/working"
)

// By hand: 8 bends of two pieces take 8·2 + 2·15 = 46 min as usual, 8·1 + 2·5 = 18 at the shop's
// own rate; 3 m of cutting of two pieces 3·1.5 + 2·10 = 24.5.
func TestHours(t *testing.T) {
	list := []Work{{Bending, 6, 1, "tray"}, {Bending, 2, 1, "bracket"}, {Cutting, 3, 2, "both"}, {Welding, 0, 4, "none"}}
	e, err := Add(list, nil)
	if err != nil || math.Abs(e.Minutes-70.5) > 1e-9 || e.Usual != 2 || len(e.Lines) != 2 || e.Lines[0].Op != Cutting {
		t.Fatalf("%v %+v", err, e)
	}
	e, err = Add(list, []Rate{{Op: Bending, Each: 1, SetUp: 5}})
	if err != nil || math.Abs(e.Minutes-42.5) > 1e-9 || e.Usual != 1 || !e.Lines[1].Own {
		t.Errorf("%v %+v", err, e)
	}
	if math.Abs(e.Working.Result.Value-42.5/60) > 1e-12 || len(e.Working.Steps) != 2 {
		t.Errorf("%+v", e.Working)
	}
	for _, bad := range []Work{{Bending, -1, 1, ""}, {Bending, 1, -1, ""}, {Bending, math.NaN(), 1, ""}, {Bending, math.Inf(1), 1, ""}} {
		var f *working.Fault
		if _, err := Add([]Work{bad}, nil); !errors.As(err, &f) {
			t.Errorf("%+v: %v", bad, err)
		}
	}
}

// Work that is said in pieces takes as long as the same work said at once, in any order.
func TestHoursAddUp(t *testing.T) {
	rnd := rand.New(rand.NewPCG(1, 9))
	for range 100 {
		var parts []Work
		sums := map[Op]Work{}
		for range 20 {
			w := Work{Op: Usual[rnd.IntN(len(Usual))].Op, Many: rnd.Float64() * 10, Pieces: float64(rnd.IntN(3))}
			parts = append(parts, w)
			s := sums[w.Op]
			sums[w.Op] = Work{w.Op, s.Many + w.Many, s.Pieces + w.Pieces, ""}
		}
		var whole []Work
		for _, w := range sums {
			whole = append(whole, w)
		}
		a, errA := Add(parts, nil)
		b, errB := Add(whole, nil)
		if errA != nil || errB != nil || math.Abs(a.Minutes-b.Minutes) > 1e-9 {
			t.Fatalf("%g and %g", a.Minutes, b.Minutes)
		}
	}
}

// By hand: 2 m of 4 mm fillets are 2·8e-6 m³·7850·1.4 = 0.1758 kg of wire and 2/0.3·12 = 80 l of
// gas; 7 m dressed two flap discs; 30 cuts of 200 mm² two cutting discs; 3 m² 0.66 l of paint.
func TestConsumed(t *testing.T) {
	got := map[string]UsedUp{}
	for _, u := range Consumed([]Weld{{1.5, 4}, {.5, 4}}, 7, 30*200, 3) {
		got[u.Key] = u
	}
	for key, want := range map[string]float64{"wire": .17584, "gas": 80, "flap": 2, "cutoff": 2, "paint": .66} {
		if math.Abs(got[key].Amount-want) > 1e-4 || got[key].Says == "" {
			t.Errorf("%s: %+v, want %g", key, got[key], want)
		}
	}
	if got := Consumed(nil, 0, 0, 0); len(got) != 0 {
		t.Errorf("nothing uses %+v", got)
	}
}
