package site

import (
	"context"
	"errors"
	"math"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/effort"
	"warmanvil/core/goods"
	"warmanvil/core/shop"
	"warmanvil/core/working"
)

func amount(v float64) *float64 { return &v }

// estimated is what six pans take in a shop.
func estimated(t *testing.T, w shop.Shop, b brief.Brief) (e Effort, lines map[effort.Op]effort.WorkLine) {
	t.Helper()
	parts := BuildParts(context.Background(), []Part{{ID: "p", Name: "Pan", Quantity: 6, Recipe: pan()}}, b, w)
	e, err := (Site{Brief: b, Parts: parts, Shop: w}).Effort()
	if err != nil {
		t.Fatal(err)
	}
	lines = map[effort.Op]effort.WorkLine{}
	for _, l := range e.Lines {
		lines[l.Op] = l
	}
	return e, lines
}

// Six pans of two bends are 12 bends set up once: 12·2 + 15 = 39 min as usual. Cut by the shop's
// own table their edges count, cut outside they do not and the part is named.
func TestEffortOfParts(t *testing.T) {
	e, lines := estimated(t, shop.Shop{}, metric)
	if l := lines[effort.Bending]; l.Many != 12 || l.Minutes != 39 || l.Own {
		t.Errorf("bending: %+v", l)
	}
	built := BuildParts(context.Background(), []Part{{ID: "p", Quantity: 1, Recipe: pan()}}, metric, shop.Shop{})[0].Built
	if l := lines[effort.Cutting]; math.Abs(l.Many-6*built.CutLength/1000) > 1e-9 || math.Abs(l.Minutes-(l.Many*1.5+10)) > 1e-9 {
		t.Errorf("cutting: %+v", l)
	}
	if l := lines[effort.Painting]; math.Abs(l.Many-12*built.Area*1e-6) > 1e-12 {
		t.Errorf("painting: %+v", l)
	}
	if e.Days != nil || e.Labour != nil || e.Metal != nil || len(e.Unpriced) != 1 || lines[effort.Welding].Many != 0 {
		t.Errorf("a shop that says nothing: %+v", e)
	}
	w := shop.Shop{Hour: amount(60), People: []shop.Person{{ID: "a", Name: "Tovi", Hours: amount(35)}, {ID: "b", Name: "Ansa",
		Away: true, Hours: amount(40)}},
		Rates:    []effort.Rate{{Op: effort.Bending, Each: 1, SetUp: 3}},
		Prices:   []shop.Price{{ID: "p", What: "steel-a36", Price: 2, Per: "kg"}},
		Machines: []shop.Machine{{ID: "m", Kind: shop.Table, Sort: "laser", Where: shop.Outside, Of: "Kern cutting"}}}
	e, lines = estimated(t, w, metric)
	if l := lines[effort.Bending]; l.Minutes != 15 || !l.Own {
		t.Errorf("bending at its own rate: %+v", l)
	}
	if len(e.Outside) != 1 || lines[effort.Cutting].Many != 0 {
		t.Errorf("cut outside: %+v", e.Outside)
	}
	x, y := built.Bounds.Size()
	kilos := 6 * x * y * 3 * 7.85e-6
	if e.Days == nil || math.Abs(*e.Days-e.Minutes/60/35*7) > 1e-9 || math.Abs(*e.Labour-e.Minutes) > 1e-9 || e.Metal == nil ||
		math.Abs(*e.Metal-2*kilos) > .02*kilos {
		t.Errorf("days %v, labour %v, metal %v of %.2f kg", e.Days, e.Labour, e.Metal, kilos)
	}
}

// What is used up is set against what lies there under such a name, in its unit; what nobody
// has under one is short.
func TestUsedUpAgainstStock(t *testing.T) {
	line := func(name, unit string, here float64) goods.Lying {
		return goods.Lying{Goods: goods.Goods{ID: name, Kind: goods.Consumable, Name: name, Unit: unit}, Counts: goods.Counts{Here: here}}
	}
	paint := func(list ...goods.Lying) UsedUpTold {
		e, _ := estimated(t, shop.Shop{Stock: list}, metric)
		for _, u := range e.UsedUp {
			if u.Key == "paint" {
				return u
			}
		}
		t.Fatalf("no paint: %+v", e.UsedUp)
		return UsedUpTold{}
	}
	if u := paint(); !u.Short || u.Here != nil || u.Amount <= 0 {
		t.Errorf("none there: %+v", u)
	}
	if u := paint(line("Chassis paint, black", "l", 5), line("Paint brushes", "", 9)); u.Short || *u.Here != 5 {
		t.Errorf("5 l there: %+v", u)
	}
	if u := paint(line("chassis paint", "l", .01), line("top paint", "l", .01)); !u.Short || math.Abs(*u.Here-.02) > 1e-9 {
		t.Errorf("a drop there: %+v", u)
	}
}

// An inch job reads nothing of what it takes in metres, kilograms or litres.
func TestEffortInInches(t *testing.T) {
	e, err := (Site{Brief: inches, Frames: []Frame{{ID: "f", Name: "Corner", Doc: mitred(), Quantity: 2}}}).Effort()
	if err != nil || len(e.UsedUp) < 3 {
		t.Fatalf("%v %+v", err, e.UsedUp)
	}
	for _, u := range e.UsedUp {
		for _, word := range []string{"metre", " m of", " l a minute"} {
			if strings.Contains(u.Says, word) {
				t.Errorf("%s: %s", u.Key, u.Says)
			}
		}
		if strings.HasSuffix(u.Need, " kg") || strings.HasSuffix(u.Need, " l") {
			t.Errorf("%s: %s", u.Key, u.Need)
		}
	}
	for _, w := range e.Works {
		if strings.HasSuffix(w.Many, " m") || strings.HasSuffix(w.Many, "m²") || strings.HasSuffix(w.Each, " m") {
			t.Errorf("%+v", w)
		}
	}
}

// Ways are set side by side by what is known of them; what is not known is named, and then none is
// the best.
func TestMakeBuyOrAdapt(t *testing.T) {
	b := metric
	b.Options = []brief.Option{{ID: "m", Name: "Make it", Kind: brief.MakeIt}, {ID: "b", Name: "Buy one", Kind: brief.BuyIt,
		Price: amount(900),
		Days:  amount(10), Fit: "likely"}, {ID: "a", Name: "Adapt one", Kind: brief.AdaptIt, Price: amount(300), Hours: amount(3),
		Days: amount(4)}}
	named := b.Upgraded()
	named.Name = "Rack"
	if err := named.Check(); err != nil {
		t.Fatal(err)
	}
	e, _ := estimated(t, shop.Shop{}, b)
	if len(e.Ways) != 3 || e.Ways[0].Cost != nil || len(e.Ways[0].Lacks) != 3 || *e.Ways[1].Cost != 900 || *e.Ways[1].Days != 10 ||
		e.Ways[2].Cost != nil || !strings.Contains(e.Ways[1].Says, "likely") {
		t.Errorf("%+v", e.Ways)
	}
	for _, w := range e.Ways {
		if w.Best != "" {
			t.Errorf("%s is %s and not all is known", w.ID, w.Best)
		}
	}
	w := shop.Shop{Hour: amount(60), People: []shop.Person{{ID: "p", Name: "Tovi", Hours: amount(35)}},
		Prices: []shop.Price{{ID: "p", What: "steel-a36", Price: 2, Per: "kg"}}}
	e, _ = estimated(t, w, b)
	adapt := e.Ways[2]
	if math.Abs(*adapt.Cost-(300+3*60)) > 1e-9 || math.Abs(*adapt.Days-(4+3./35*7)) > 1e-9 ||
		math.Abs(*e.Ways[0].Cost-(*e.Metal+*e.Labour)) > 1e-9 {
		t.Errorf("%+v", e.Ways)
	}
	if e.Ways[0].Best == "" || !strings.Contains(e.Ways[0].Best, "soonest") || len(adapt.Lacks) > 0 {
		t.Errorf("%+v", e.Ways)
	}
	for at, o := range map[string]brief.Option{"/kind": {Kind: "steal"}, "/fit": {Fit: "maybe"}, "/price": {Price: amount(-1)},
		"/hours": {Hours: amount(-1)}, "/days": {Days: amount(1e9)}} {
		c := b.Upgraded()
		c.Name, c.Options = "x", []brief.Option{o}
		var f *working.Fault
		if err := c.Check(); !errors.As(err, &f) || f.Path != "/options/0"+at {
			t.Errorf("%s: %v", at, err)
		}
	}
}

// A second-hand way names what was not looked at of it, and is best only if that is sound; what a
// way costs a year is its cost over the years it serves and what running it costs, by hand
// 900/6 + 50 = 200 against 300/2 + 20 = 170. Where one of them is not known none is least.
func TestSecondHandAndRunningCost(t *testing.T) {
	b := metric
	b.Options = []brief.Option{{ID: "n", Kind: brief.BuyIt, Price: amount(900), Days: amount(10), Years: amount(6), Yearly: amount(50)},
		{ID: "u", Kind: brief.UsedIt, Price: amount(300), Days: amount(2), Seen: []string{"plate", "load"}, Years: amount(2),
			Yearly: amount(20)}}
	e, _ := estimated(t, shop.Shop{}, b)
	used := e.Ways[1]
	if math.Abs(*e.Ways[0].Year-200) > 1e-9 || math.Abs(*used.Year-170) > 1e-9 {
		t.Errorf("a year: %v %v", *e.Ways[0].Year, *used.Year)
	}
	if len(used.Unseen) != len(e.Looks)-2 || len(e.Ways[0].Unseen) > 0 || !strings.Contains(used.Best,
		"cheapest, if what was not looked at") {
		t.Errorf("%+v", used)
	}
	for _, l := range e.Looks {
		b.Options[1].Seen = append(b.Options[1].Seen, l.Key)
	}
	b.Options[0].Yearly = nil
	e, _ = estimated(t, shop.Shop{}, b)
	if got := e.Ways[1]; len(got.Unseen) > 0 || strings.Contains(got.Best, "if what") || strings.Contains(got.Best, "year") {
		t.Errorf("all looked at, the other's running cost not said: %+v", got)
	}
	if lacks := e.Ways[0].Lacks; len(lacks) != 1 || !strings.Contains(lacks[0], "to run") {
		t.Errorf("%q", lacks)
	}
	for at, o := range map[string]brief.Option{"/seen/0": {Seen: []string{"soul"}}, "/years": {Years: amount(0)},
		"/yearly": {Yearly: amount(-1)}} {
		c := b.Upgraded()
		c.Name, c.Options = "x", []brief.Option{o}
		var f *working.Fault
		if err := c.Check(); !errors.As(err, &f) || f.Path != "/options/0"+at {
			t.Errorf("%s: %v", at, err)
		}
	}
}

// What is spoiled and made again is added to hours and metal by the share the Shop says; a shop that
// says none has none counted, and the working says so.
func TestSpoiledAndMadeAgain(t *testing.T) {
	w := shop.Shop{Prices: []shop.Price{{ID: "p", What: "steel-a36", Price: 2, Per: "kg"}}}
	plain, _ := estimated(t, w, metric)
	w.Again = amount(8)
	more, _ := estimated(t, w, metric)
	if plain.Minutes == 0 || math.Abs(more.Minutes-1.08*plain.Minutes) > 1e-9 || math.Abs(*more.Metal-1.08**plain.Metal) > 1e-9 ||
		math.Abs(more.Working.Result.Value-more.Minutes/60) > 1e-9 || more.Spoiled == "" || plain.Spoiled != "" {
		t.Errorf("%g %g, %q", plain.Minutes, more.Minutes, more.Spoiled)
	}
	if !strings.Contains(strings.Join(plain.Working.Assumptions, "; "), "nothing is spoiled") ||
		strings.Contains(strings.Join(more.Working.Assumptions, "; "), "nothing is spoiled") {
		t.Error("the working does not say whether anything is made again")
	}
	w.Again = amount(101)
	var f *working.Fault
	if err := w.Check(); !errors.As(err, &f) || f.Path != "/again" {
		t.Errorf("%v", err)
	}
}

// A frame takes its cuts, its ends fitted and welded all round, and its paint: by hand two members
// that meet once are one end, of 120 × 80 × 4 0.4 m round.
func TestEffortOfAFrame(t *testing.T) {
	e, err := (Site{Brief: metric, Frames: []Frame{{ID: "f", Name: "Corner", Doc: mitred(), Quantity: 2}}}).Effort()
	if err != nil {
		t.Fatal(err)
	}
	got := map[effort.Op]float64{}
	for _, l := range e.Lines {
		got[l.Op] = l.Many
	}
	if got[effort.Sawing] != 4 || got[effort.Fitting] != 4 || math.Abs(got[effort.Welding]-4*.4) > .05 {
		t.Errorf("%+v", got)
	}
}

func BenchmarkEffort(b *testing.B) {
	s := orchard(b)
	for b.Loop() {
		if _, err := s.Effort(); err != nil {
			b.Fatal(err)
		}
	}
}

func BenchmarkTradeFrame(b *testing.B) {
	s := orchard(b)
	s.Frames = []Frame{{ID: "f", Name: "Corner", Doc: mitred(), Quantity: 1}}
	for b.Loop() {
		if _, err := s.TradeFrame(s.Frames[0], []string{"steel-s235", "steel-s355", "alu-6061-t6"}); err != nil {
			b.Fatal(err)
		}
	}
}
