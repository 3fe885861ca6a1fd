package goods

import (
	"errors"
	"fmt"
	"math"
	"math/rand"
	"strings"
	"testing"

	"warmanvil/core/profile"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

func sheet(id string, long, wide, here float64) Lying {
	return Lying{Goods{ID: id, Kind: Sheet, Material: "steel-s235", Thickness: 3, Long: long, Wide: wide}, Counts{Here: here}}
}

// ell is a remnant of 600 × 500 with 400 × 300 out of its upper right corner.
var ell = profile.Loop{{X: 0, Y: 0}, {X: 600, Y: 0}, {X: 600, Y: 200}, {X: 200, Y: 200}, {X: 200, Y: 500}, {X: 0, Y: 500}}

func remnant(id string, here float64) Lying {
	return Lying{Goods{ID: id, Kind: Remnant, Material: "steel-s235", Thickness: 3, Outline: ell}, Counts{Here: here}}
}

func blank(w, h float64) Need {
	return Need{Kind: Sheet, Material: "steel-s235", Thickness: 3, Outline: profile.Rect(0, 0, w, h)}
}

func chosen(t *testing.T, n Need, lines ...Lying) []Choice {
	t.Helper()
	out, err := Choose(n, lines)
	if err != nil {
		t.Fatal(err)
	}
	return out
}

func ids(list []Choice) string {
	var out []string
	for _, c := range list {
		out = append(out, c.Line)
	}
	return strings.Join(out, " ")
}

// What is left over comes first, then the sheet that leaves least; what others keep comes last.
func TestRemnantsFirst(t *testing.T) {
	held := sheet("held", 700, 300, 1)
	held.Held = map[string]float64{"job": 1}
	thick := sheet("thick", 1000, 500, 9)
	thick.Thickness = 4
	got := chosen(t, blank(550, 180), sheet("large", 3000, 1500, 2), held, sheet("small", 1000, 500, 2), thick, remnant("rest", 1))
	if ids(got) != "rest small large held" || got[3].Enough || !got[0].Enough {
		t.Errorf("%s %+v", ids(got), got)
	}
	// By hand: 600·500 − 400·300 = 180 000, less the blank's 99 000.
	if math.Abs(got[0].Left-81000) > 1e-6 {
		t.Errorf("%.1f left", got[0].Left)
	}
}

// The arms of the remnant are 200 wide: 450 × 180 lies in the long one, 180 × 450 in the other or
// turned; 250 × 250 in none although the remnant's box is far larger.
func TestTrueOutline(t *testing.T) {
	for _, c := range []struct {
		w, h, margin float64
		goes         bool
	}{{450, 180, 0, true}, {180, 450, 0, true}, {600, 200, 0, true}, {250, 250, 0, false}, {580, 180, 10, true}, {590, 180, 10, false},
		{180, 490, 10, true}, {480, 180, 10, true}, {610, 100, 0, false}} {
		n := blank(c.w, c.h)
		n.Margin = c.margin
		if got := chosen(t, n, remnant("rest", 1)); (len(got) == 1) != c.goes {
			t.Errorf("%g × %g with %g: %+v", c.w, c.h, c.margin, got)
		}
	}
}

// A longer blank than its sheet lies on it turned, as far as Wetzel's rectangle does.
func TestTurnedOnASheet(t *testing.T) {
	for _, s := range []Lying{sheet("wide", 1000, 900, 1), sheet("tall", 900, 1000, 1)} {
		for _, n := range []Need{blank(1200, 60), blank(60, 1200)} {
			got := chosen(t, n, s)
			if len(got) != 1 {
				t.Fatalf("%s: %+v", s.ID, got)
			}
			box := profile.Empty()
			for _, p := range rotated(n.Outline.Flatten(1), got[0].Turned) {
				box.Include(p.Add(got[0].At))
			}
			if box.Min.X < -1e-6 || box.Min.Y < -1e-6 || box.Max.X > s.Long+1e-6 || box.Max.Y > s.Wide+1e-6 {
				t.Errorf("on %s by %.1f° it reaches %v", s.ID, got[0].Turned, box)
			}
		}
	}
	if got := chosen(t, blank(1340, 60), sheet("wide", 1000, 900, 1)); len(got) != 0 {
		t.Errorf("%+v", got)
	}
}

// Wherever a random blank is said to lie on a random remnant, every one of many points of it does.
func TestPlacesAreInside(t *testing.T) {
	rnd := rand.New(rand.NewSource(5))
	placed := 0
	for range 300 {
		ring := func(r float64) profile.Loop {
			n := 3 + rnd.Intn(6)
			out := make(profile.Loop, n)
			for i := range out {
				s, c := math.Sincos(2 * math.Pi * float64(i) / float64(n))
				d := r * (.4 + .6*rnd.Float64())
				out[i] = profile.Vertex{X: c * d, Y: s * d}
			}
			return out
		}
		on := Goods{Kind: Remnant, Outline: ring(500)}
		b := ring(60 + rnd.Float64()*250)
		turn, at, found := place(b, on, 0)
		if !found {
			continue
		}
		placed++
		in := on.Outline.Flatten(.05)
		p := rotated(b.Flatten(.05), turn)
		box := profile.Empty()
		for _, q := range p {
			box.Include(q)
		}
		for range 400 {
			q := profile.Point{X: box.Min.X + rnd.Float64()*(box.Max.X-box.Min.X), Y: box.Min.Y + rnd.Float64()*(box.Max.Y-box.Min.Y)}
			if profile.Inside(q, p) && !profile.Inside(q.Add(at), in) && profile.Distance(q.Add(at), in) > .01 {
				t.Fatalf("a point of the blank lies %.2f beside the remnant", profile.Distance(q.Add(at), in))
			}
		}
	}
	if placed < 60 {
		t.Errorf("only %d were placed", placed)
	}
}

func TestSticksAndBolts(t *testing.T) {
	tube := func(id string, long float64) Lying {
		return Lying{Goods{ID: id, Kind: Stick, Material: "steel-s235", Section: "40 × 40 × 3 mm tube", Long: long}, Counts{Here: 1}}
	}
	got := chosen(t, Need{Kind: Stick, Section: "40 × 40 × 3 mm tube", Long: 900}, tube("full", 6000), tube("rest", 950),
		tube("short", 899))
	if ids(got) != "rest full" || got[0].Left != 50 {
		t.Errorf("%+v", got)
	}
	bolt := func(id, grade string, long float64) Lying {
		return Lying{Goods{ID: id, Kind: Hardware, Name: "bolt", System: stock.Metric, Size: "M10", Grade: grade, Long: long},
			Counts{Here: 20}}
	}
	all := []Lying{bolt("marked", "8.8", 40), bolt("better", "10.9", 45), bolt("unmarked", "", 40), bolt("long", "10.9", 80)}
	// One that is not marked is as weak as the weakest: it is no 8.8.
	if got := chosen(t, Need{Kind: Hardware, System: stock.Metric, Size: "M10", Grade: "8.8", Long: 35, Longest: 50, Count: 8},
		all...); ids(got) !=
		"marked better" {
		t.Errorf("%+v", got)
	}
	if got := chosen(t, Need{Kind: Hardware, System: stock.Metric, Size: "M10", Long: 35, Count: 40}, all...); len(got) != 4 ||
		got[0].Enough {
		t.Errorf("%+v", got)
	}
}

// The ledger by hand: 5 come of 6 ordered, a job keeps 3, another cannot have 3, takes 2, one is
// scrapped, the first uses its 3 and brings one back.
func TestLedger(t *testing.T) {
	c := Counts{}
	step := func(m Move, here, free, ordered float64) {
		t.Helper()
		next, err := c.Apply(m, true)
		if err != nil {
			t.Fatalf("%+v: %v", m, err)
		}
		if c = next; c.Here != here || c.Free() != free || c.Ordered != ordered {
			t.Fatalf("after %+v: %+v, %g free", m, c, c.Free())
		}
	}
	refused := func(m Move, path, says string) {
		t.Helper()
		var f *working.Fault
		if next, err := c.Apply(m, true); !errors.As(err, &f) || f.Path != path || !strings.Contains(f.Message, says) ||
			next.Here != c.Here {
			t.Errorf("%+v: %v", m, err)
		}
	}
	step(Move{Kind: Ordered, Count: 6}, 0, 0, 6)
	step(Move{Kind: Received, Count: 5}, 5, 5, 1)
	step(Move{Kind: Kept, Count: 3, Job: "a"}, 5, 2, 1)
	refused(Move{Kind: Kept, Count: 3, Job: "b"}, "/count", "Only 2 of 5 are free")
	refused(Move{Kind: Taken, Count: 3, Job: "b"}, "/count", "kept for other jobs")
	refused(Move{Kind: Counted, Count: 2}, "/count", "3 are kept for jobs")
	refused(Move{Kind: Freed, Count: 4, Job: "a"}, "/count", "3 of it are kept")
	refused(Move{Kind: Kept, Count: 1}, "/job", "which job")
	refused(Move{Kind: Taken, Count: 1.5}, "/count", "whole")
	refused(Move{Kind: Taken, Count: -1}, "/count", "more than none")
	refused(Move{Kind: "lent", Count: 1}, "/kind", "lent")
	step(Move{Kind: Kept, Count: 2, Job: "b"}, 5, 0, 1)
	refused(Move{Kind: Scrapped, Count: 1}, "/count", "Only 0 of 5")
	step(Move{Kind: Taken, Count: 2, Job: "b"}, 3, 0, 1)
	step(Move{Kind: Taken, Count: 3, Job: "a"}, 0, 0, 1)
	step(Move{Kind: Returned, Count: 1, Job: "a"}, 1, 1, 1)
	step(Move{Kind: Counted, Count: 0}, 0, 0, 1)
	refused(Move{Kind: Taken, Count: 1}, "/count", "Only 0 are here")
}

func TestLinesThatAreNone(t *testing.T) {
	good := remnant("r", 1).Goods
	for name, c := range map[string]struct {
		change func(*Goods)
		path   string
	}{
		"kind":         {func(l *Goods) { l.Kind = "dust" }, "/kind"},
		"metal":        {func(l *Goods) { l.Material = "cheese" }, "/material"},
		"thickness":    {func(l *Goods) { l.Thickness = 0 }, "/thickness"},
		"two corners":  {func(l *Goods) { l.Outline = l.Outline[:2] }, "/outline"},
		"crossed":      {func(l *Goods) { l.Outline = profile.Loop{ell[0], ell[2], ell[1], ell[4]} }, "/outline"},
		"no area":      {func(l *Goods) { l.Outline = profile.Loop{{}, {X: 1}, {X: 2}} }, "/outline"},
		"far":          {func(l *Goods) { l.Outline = profile.Loop{{}, {X: 1e7}, {Y: 1e7}} }, "/outline"},
		"label":        {func(l *Goods) { l.Label = strings.Repeat("x", 201) }, "/label"},
		"sheet's size": {func(l *Goods) { l.Kind = Sheet }, "/long"},
		"stick":        {func(l *Goods) { l.Kind, l.Long = Stick, 100 }, "/section"},
		"nameless":     {func(l *Goods) { l.Kind = Hardware }, "/name"},
		"no such size": {func(l *Goods) { *l = Goods{Kind: Hardware, Name: "bolt", System: stock.Metric, Size: "M9.5"} }, "/size"},
		"no such grade": {func(l *Goods) {
			*l = Goods{Kind: Hardware, Name: "bolt", System: stock.Metric, Size: "M10", Grade: "9.9"}
		},
			"/grade"},
		"no consumable": {func(l *Goods) { l.Kind = Consumable }, "/name"},
	} {
		l := good
		c.change(&l)
		var f *working.Fault
		if err := l.Check(); !errors.As(err, &f) || f.Path != c.path {
			t.Errorf("%s: %v", name, err)
		}
	}
	if err := good.Check(); err != nil {
		t.Error(err)
	}
	if _, err := Choose(Need{Kind: Sheet, Material: "steel-s235", Thickness: 3}, nil); err == nil {
		t.Error("a blank without an outline")
	}
	plain := func(mm float64) string { return fmt.Sprintf("%g", mm) }
	if s := good.Called(plain); s != "S235 steel, 3, remnant in 600 × 500" && !strings.HasSuffix(s, "3, remnant in 600 × 500") {
		t.Errorf("%q", s)
	}
	if s := (Goods{Kind: Hardware, Name: "bolt", System: stock.Metric, Size: "M10",
		Long: 40}).Called(plain); s != "bolt M10 × 40, unmarked" {
		t.Errorf("%q", s)
	}
}

func BenchmarkChooseOf2000(b *testing.B) {
	var lines []Lying
	for i := range 2000 {
		l := remnant(fmt.Sprint(i), 1)
		if i%4 == 0 {
			l = sheet(fmt.Sprint(i), 1000+float64(i), 500, 1)
		}
		lines = append(lines, l)
	}
	n := blank(560, 180)
	for b.Loop() {
		if _, err := Choose(n, lines); err != nil {
			b.Fatal(err)
		}
	}
}
