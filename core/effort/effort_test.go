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
	for _, u := range Consumed([]Weld{{Long: 1.5, Leg: 4}, {Long: .5, Leg: 4}}, 7, 30*200, 3) {
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

// By hand, 2 m of a 4 mm leg (8 mm²): TIG rods of aluminium 2·8·2700e-6·1.2 = 0.0518 kg and 2/0.08·8 = 200 l of argon; rods
// of steel 2·8·7850e-6·2.2 = 0.2763 kg and no gas. Ten plugs of 12 through 3 mm: 0.03 m of 113.1 mm².
func TestConsumedByProcess(t *testing.T) {
	list := Consumed([]Weld{{Long: 2, Leg: 4, By: TIG, Metal: "aluminum"}, {Long: 2, Leg: 4, By: Sticking, Metal: "galvanized"},
		{Spots: 10, Leg: 12, Filled: 3}, {Spots: 40, Leg: 5, By: Spotting}}, 0, 0, 0)
	got := map[string]UsedUp{}
	for _, u := range list {
		got[u.Text] = u
	}
	for text, want := range map[string]float64{"aluminium TIG rods": .05184, "argon": 200, "welding rods": .27632,
		"welding wire": .03 * math.Pi * 36 * 7850e-6 * 1.4, "shielding gas": 18} {
		if math.Abs(got[text].Amount-want) > 1e-5 || got[text].Says == "" {
			t.Errorf("%s: %+v, want %g", text, got[text], want)
		}
	}
	// 2/0.08 min of TIG wear a tungsten, 1.5 min of plugs a tip; cups and nozzles last longer.
	for text, want := range map[string]float64{"tungsten electrode": 1, "contact tip": 1, "gas cup": 0, "gas nozzle": 0} {
		if got[text].Amount != want {
			t.Errorf("%s: %+v, want %g", text, got[text], want)
		}
	}
	for _, u := range Consumed([]Weld{{Long: 200, Leg: 4}}, 0, 0, 0) { // 11.1 h of arc
		got[u.Key] = u
	}
	if got["tip"].Amount != 3 || got["nozzle"].Amount != 1 {
		t.Errorf("%+v %+v", got["tip"], got["nozzle"])
	}
	if len(list) != 7 || got["aluminium TIG rods"].Metal != "aluminum" {
		t.Errorf("%+v", list)
	}
	for left, want := range map[string]float64{"": 3, "as is": .75, "dressed": 3, "flush": 6} {
		if got := (Weld{Long: 3, Left: left}).Dressed(); got != want {
			t.Errorf("%q: %g m to dress", left, got)
		}
	}
	if w := (Weld{Spots: 6}).Work(1, ""); w.Op != Spotting || w.Many != 6 {
		t.Errorf("%+v", w)
	}
	for sort, want := range map[string]Op{"mig": Welding, "tig": TIG, "stick": Sticking, "spot": Spotting, "": Welding} {
		if By(sort) != want {
			t.Errorf("%s is %s", sort, By(sort))
		}
	}
}
