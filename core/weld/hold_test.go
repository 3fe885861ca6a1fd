package weld

import (
	"errors"
	"math"
	"strings"
	"testing"

	"warmanvil/core/solid"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// tee is a plate 10 mm thick standing on one of 12 mm, welded along x for a length with fillets of 6 mm.
func tee(long float64, both bool) Seam {
	return Seam{ID: "s", Name: "Seam 1", Form: FilletForm, Path: []solid.Vector{{0, 0, 0}, {long, 0, 0}}, Leg: 6, Both: both,
		Sides: [2]SeamSide{{Name: "web", Material: "steel-a36", Thickness: 10, Normal: solid.Vector{0, 1, 0}},
			{Name: "foot", Material: "steel-a36", Thickness: 12, Normal: solid.Vector{0, 0, 1}}}}
}

var allowable = strength.Rule{School: strength.Allowable}

func pulled(seam []Seam, force, at solid.Vector) SeamsAsk {
	return SeamsAsk{Seams: seam, Filler: "e70", Rule: allowable, Cases: []SeamsCase{{Name: "pulled", Force: force, At: at}}}
}

func holds(t *testing.T, a SeamsAsk) SeamsHeld {
	t.Helper()
	h, err := Hold(a)
	if err != nil {
		t.Fatal(err)
	}
	return h
}

func check(t *testing.T, h SeamsHeld, key string) strength.Check {
	t.Helper()
	for _, c := range h.Checks {
		if c.Key == key {
			return c
		}
	}
	t.Fatalf("no %s in %+v", key, h.Checks)
	return strength.Check{}
}

// By hand: 50 kN along two fillets of 6 on 100 mm. 100 − 2·6 carry on each side: 284.1 N/mm of 0.30·483·0.7071·6 =
// 614.8. The web takes both: 0.60·250/1.50·10/2 = 500 for each.
func TestTeeByHand(t *testing.T) {
	h := holds(t, pulled([]Seam{tee(100, true)}, solid.Vector{50000}, solid.Vector{50, 0, 0}))
	c := check(t, h, "throat")
	near(t, "asked", c.Demand, 50000/(2*88.), 1e-6)
	near(t, "weld metal", c.Capacity, .3*483*math.Sqrt2/2*6, 1e-6)
	b := check(t, h, "base")
	near(t, "web", b.Capacity, 500, 1e-6)
	if h.Verdict != strength.Holds || h.Length != 176 || b.Working == nil || c.Feature != "s" {
		t.Errorf("%+v", h)
	}
	if s := check(t, h, "sheet"); s.Verdict != strength.NotNeeded || s.Why == "" {
		t.Errorf("%+v", s)
	}
	// In the g-case school the weld keeps its own factor, the metal beside it its yield over the margin.
	a := pulled([]Seam{tee(100, true)}, solid.Vector{50000}, solid.Vector{50, 0, 0})
	a.Rule = strength.Rule{School: strength.GCase, Margin: 2}
	h = holds(t, a)
	near(t, "weld metal, g-case", check(t, h, "throat").Capacity, .3*483*math.Sqrt2/2*6, 1e-6)
	near(t, "web, g-case", check(t, h, "base").Capacity, .6*250/2*5, 1e-6)
	a.Rule = strength.Rule{School: strength.Factored}
	near(t, "weld metal, factored", check(t, holds(t, a), "throat").Capacity, .75*.6*483*math.Sqrt2/2*6, 1e-6)
}

// A plate that is pushed over: on one side its weld opens at the root and it is over, on both sides it holds by the
// couple of its two welds, F·h/(T·2·L) and the push itself.
func TestOneSideOpensAtItsRoot(t *testing.T) {
	push := solid.Vector{0, 800, 0}
	at := solid.Vector{60, 0, 50}
	h := holds(t, pulled([]Seam{tee(120, false)}, push, at))
	if c := check(t, h, "root"); h.Verdict != strength.Over || c.Verdict != strength.Over || !strings.Contains(c.Why, "both sides") {
		t.Errorf("one side: %s, %+v", h.Verdict, c)
	}
	h = holds(t, pulled([]Seam{tee(120, true)}, push, at))
	long := 108.
	near(t, "couple", check(t, h, "throat").Demand, math.Hypot(800*50/(10*long), 800/(2*long)), .2)
	if h.Verdict != strength.Holds {
		t.Errorf("both sides: %+v", h.Checks)
	}
	if len(holds(t, pulled([]Seam{tee(120, true)}, push, at)).Notes) == 0 {
		t.Error("nothing says that it is weak across")
	}
}

// Strength of straight concentric seams never falls with length, both sides are never weaker than one, flush never
// stronger than as it is; turning everything changes nothing.
func TestSeamsKeepOrder(t *testing.T) {
	share := func(s Seam) float64 {
		h := holds(t, pulled([]Seam{s}, solid.Vector{20000}, solid.Vector{s.Len() / 2, 0, 0}))
		if h.Hardest == nil {
			return math.Inf(1)
		}
		return *h.Hardest
	}
	last := math.Inf(1)
	for long := 60.; long < 3000; long += 37 {
		one, two := share(tee(long, false)), share(tee(long, true))
		if one > last+1e-9 || two > one+1e-9 {
			t.Fatalf("%g mm: %.4f after %.4f, both sides %.4f", long, one, last, two)
		}
		last = one
	}
	flush := tee(100, true)
	flush.Finish = Flush
	h := holds(t, pulled([]Seam{flush}, solid.Vector{10}, solid.Vector{50, 0, 0}))
	if c := check(t, h, "throat"); h.Verdict != strength.CannotSay || c.Verdict != strength.CannotSay {
		t.Errorf("ground flush: %+v", c)
	}
	flush.Throat = 3
	if h := holds(t, pulled([]Seam{flush}, solid.Vector{10}, solid.Vector{50, 0, 0})); h.Verdict != strength.Holds {
		t.Errorf("its throat is known: %+v", h.Checks)
	}
	spin := func(v solid.Vector) solid.Vector { return solid.Vector{v[2], v[0], v[1]} }
	a := pulled([]Seam{tee(100, true), tee(140, false)}, solid.Vector{3000, 900, -700}, solid.Vector{20, 30, 80})
	a.Seams[1].Path = []solid.Vector{{0, 60, 0}, {140, 60, 0}, {140, 90, 0}}
	was := *holds(t, a).Hardest
	for i := range a.Seams {
		path := make([]solid.Vector, len(a.Seams[i].Path))
		for k, p := range a.Seams[i].Path {
			path[k] = spin(p)
		}
		a.Seams[i].Path = path
		for k := range a.Seams[i].Sides {
			a.Seams[i].Sides[k].Normal = spin(a.Seams[i].Sides[k].Normal)
		}
	}
	a.Cases[0].Force, a.Cases[0].At = spin(a.Cases[0].Force), spin(a.Cases[0].At)
	near(t, "turned", *holds(t, a).Hardest, was, 1e-9)
}

// Stitches stand on the line as often as they go on it and lose their own starts and stops; too short ones do not
// count, and where none does it is over, not silent.
func TestStitchesThatCarry(t *testing.T) {
	s := tee(400, false)
	s.Stitch, s.Pitch = 60, 150
	h := holds(t, pulled([]Seam{s}, solid.Vector{9000}, solid.Vector{200, 0, 0}))
	near(t, "carries", h.Length, 3*(60-12), 1e-9)
	near(t, "asked", check(t, h, "throat").Demand, 9000/h.Length, 1e-6)
	s.Stitch = 30
	h = holds(t, pulled([]Seam{s}, solid.Vector{9000}, solid.Vector{200, 0, 0}))
	if h.Verdict != strength.Over || h.Length != 0 || !strings.Contains(strings.Join(h.Notes, " "), "not counted") {
		t.Errorf("%+v", h)
	}
	round := tee(0, false)
	round.Path = []solid.Vector{{0, 0, 0}, {50, 0, 0}, {50, 50, 0}, {0, 50, 0}, {0, 0, 0}}
	if h := holds(t, pulled([]Seam{round}, solid.Vector{0, 0, 900}, solid.Vector{25, 25, 200})); h.Length != 200 {
		t.Errorf("all round %g mm carry", h.Length)
	}
	// Over 100 legs an end-loaded seam counts for less a millimetre, over 300 for 180 legs in all.
	for long, want := range map[float64]float64{500: 1, 1200: 1.2 - .002*200, 2400: 180. / 400} {
		c := check(t, holds(t, pulled([]Seam{tee(long, false)}, solid.Vector{9000}, solid.Vector{long / 2, 0, 0})), "throat")
		near(t, "long", c.Capacity, want*.3*483*math.Sqrt2/2*6, 1e-6)
	}
}

// What cannot be said is not said to hold: steep faces, peel of sheet, unknown grade, no filler of that metal;
// what does not weld at all is over.
func TestWeldsThatCannotBeSaid(t *testing.T) {
	along, mid := solid.Vector{500}, solid.Vector{50, 0, 0}
	steep := tee(100, true)
	steep.Angle = 45
	grade := tee(100, true)
	grade.Sides[1].Material = "steel-unknown"
	light := tee(100, true)
	light.Sides[0].Material = "alu-6061-t6"
	butt := tee(100, false)
	butt.Form = ButtForm
	bright := tee(100, true)
	bright.Sides[0].Material, bright.Sides[1].Material = "stainless-304", "stainless-304"
	peel := tee(100, true)
	peel.Sides[0].Thickness, peel.Sides[1].Thickness, peel.Leg = 2, 2, 2
	for name, c := range map[string]struct {
		seam  Seam
		force solid.Vector
		want  strength.Verdict
	}{"steep": {steep, along, strength.CannotSay}, "grade": {grade, along, strength.CannotSay}, "two metals": {light, along, strength.Over},
		"steel rod on stainless": {bright, along, strength.CannotSay},
		"butt of no depth":       {butt, along, strength.CannotSay}, "sheet along": {peel, along, strength.Holds},
		"sheet peeled": {peel, solid.Vector{0, 0, 500}, strength.CannotSay}} {
		if h := holds(t, pulled([]Seam{c.seam}, c.force, mid)); h.Verdict != c.want {
			t.Errorf("%s: %s, %+v", name, h.Verdict, h.Checks)
		}
	}
	if h := holds(t, SeamsAsk{Seams: []Seam{tee(100, true)}, Rule: allowable}); h.Verdict != strength.CannotSay {
		t.Errorf("no load: %s", h.Verdict)
	}
	idle := SeamsAsk{Seams: []Seam{tee(100, true)}, Rule: allowable, Cases: []SeamsCase{{Name: "idle"}}}
	if h := holds(t, idle); h.Verdict != strength.CannotSay {
		t.Errorf("nothing pulls: %s", h.Verdict)
	}
}

// Aluminium beside a weld counts as softened: 6061-T6 of 6 mm by 5356: filler 117/1.95 on the throat, the face it is
// melted on to 0.6·165/1.95·leg, the plate 0.6·105/1.65·6.
func TestAluminiumEarIsSoftened(t *testing.T) {
	s := tee(100, false)
	for k := range s.Sides {
		s.Sides[k].Material, s.Sides[k].Thickness = "alu-6061-t6", 6
	}
	a := pulled([]Seam{s}, solid.Vector{2000}, solid.Vector{50, 0, 0})
	if h := holds(t, a); h.Verdict != strength.CannotSay {
		t.Errorf("steel rod on aluminium: %s", h.Verdict)
	}
	a.Filler = "er5356"
	h := holds(t, a)
	near(t, "filler", check(t, h, "throat").Capacity, 117/1.95*math.Sqrt2/2*6, 1e-6)
	near(t, "plate", check(t, h, "base").Capacity, .6*105/1.65*6, 1e-6)
	if w := check(t, h, "base").Working; w == nil || !strings.Contains(strings.Join(w.Assumptions, " "), "softened") {
		t.Errorf("%+v", w)
	}
	a.Filler = "er4043"
	for k := range s.Sides {
		s.Sides[k].Thickness = 12
	}
	a.Seams = []Seam{s}
	near(t, "thick, 4043", check(t, holds(t, a), "base").Capacity, math.Min(.6*80/1.65*12, .6*165/1.95*6), 1e-6)
}

// A butt that is melted through is as strong as what it joins, ground flush or not; one of known depth is not.
func TestButts(t *testing.T) {
	s := tee(100, false)
	s.Form, s.Leg, s.Full, s.Finish, s.RunOff = ButtForm, 0, true, Flush, true
	h := holds(t, pulled([]Seam{s}, solid.Vector{0, 50000}, solid.Vector{50, 0, 0}))
	near(t, "pulled across", check(t, h, "base").Capacity, math.Min(400/2., 250/1.67)*10, 1e-6)
	if c := check(t, h, "throat"); c.Verdict != strength.NotNeeded || h.Verdict != strength.Holds {
		t.Errorf("%s: %+v", h.Verdict, c)
	}
	s.Full, s.Throat, s.Finish = false, 4, AsIs
	h = holds(t, pulled([]Seam{s}, solid.Vector{0, 50000}, solid.Vector{50, 0, 0}))
	near(t, "half through", check(t, h, "throat").Capacity, .3*483*4, 1e-6)
}

// What a critical eye would try: a butt is not matched by a metal nobody named, a leg along an edge is no larger
// than the edge, both corners of a leaning plate count as the wider, thin aluminium peels too.
func TestWeldsThatWouldLie(t *testing.T) {
	s := tee(100, false)
	s.Form, s.Leg, s.Full, s.RunOff = ButtForm, 0, true, true
	a := pulled([]Seam{s}, solid.Vector{0, 9000}, solid.Vector{50, 0, 0})
	a.Filler = ""
	if c := check(t, holds(t, a), "throat"); c.Verdict == strength.NotNeeded {
		t.Errorf("matched by a metal nobody named: %+v", c)
	}
	lap := tee(100, false)
	lap.Form, lap.Leg = LapForm, 20
	c := check(t, holds(t, pulled([]Seam{lap}, solid.Vector{9000}, solid.Vector{50, 0, 0})), "throat")
	near(t, "along an edge", c.Capacity, .3*483*math.Sqrt2/2*10, 1e-6)
	lean := tee(100, true)
	lean.Angle = 70
	c = check(t, holds(t, pulled([]Seam{lean}, solid.Vector{9000}, solid.Vector{50, 0, 0})), "throat")
	near(t, "the wider corner", c.Capacity, .3*483*6*math.Cos(55*math.Pi/180), 1e-6)
	ear := tee(100, true)
	for k := range ear.Sides {
		ear.Sides[k].Material, ear.Sides[k].Thickness = "alu-5052-h32", 2
	}
	ear.Leg = 2
	a = pulled([]Seam{ear}, solid.Vector{0, 0, 300}, solid.Vector{50, 0, 0})
	a.Filler = "er5356"
	if h := holds(t, a); h.Verdict != strength.CannotSay {
		t.Errorf("thin aluminium peeled: %s %+v", h.Verdict, h.Checks)
	}
	small := tee(100, true)
	small.Leg = 3
	notes := holds(t, pulled([]Seam{small}, solid.Vector{9}, solid.Vector{50, 0, 0})).Notes
	if !strings.Contains(strings.Join(notes, " "), "too fast") {
		t.Errorf("%v", notes)
	}
}

func TestNoSeams(t *testing.T) {
	short, leg, form, none := tee(100, true), tee(100, true), tee(100, true), tee(100, true)
	short.Path = []solid.Vector{{1, 1, 1}, {1, 1, 1}}
	leg.Leg, form.Form, none.Sides[1].Material = 0, "glue", "cheese"
	far := pulled([]Seam{tee(100, true)}, solid.Vector{math.NaN()}, solid.Vector{})
	lone := pulled([]Seam{tee(100, true)}, solid.Vector{1}, solid.Vector{})
	lone.Filler = "gum"
	for path, a := range map[string]SeamsAsk{"/seams": {Rule: allowable},
		"/seams/0/path": pulled([]Seam{short}, solid.Vector{1}, solid.Vector{}),
		"/seams/0/leg":  pulled([]Seam{leg}, solid.Vector{1}, solid.Vector{}), "/cases/0/force": far, "/filler": lone,
		"/seams/0/form":             pulled([]Seam{form}, solid.Vector{1}, solid.Vector{}),
		"/seams/0/sides/1/material": pulled([]Seam{none}, solid.Vector{1}, solid.Vector{})} {
		var f *working.Fault
		if _, err := Hold(a); !errors.As(err, &f) || f.Path != path {
			t.Errorf("%s: %v", path, err)
		}
	}
}

func BenchmarkHold(b *testing.B) {
	var seams []Seam
	for i := range 200 {
		s := tee(100, true)
		for k := range s.Path {
			s.Path[k] = s.Path[k].Add(solid.Vector{0, float64(i * 20), float64(i % 7 * 30)})
		}
		seams = append(seams, s)
	}
	a := pulled(seams, solid.Vector{9000, 500, 100}, solid.Vector{50, 0, 400})
	for range 9 {
		a.Cases = append(a.Cases, a.Cases[0])
	}
	for b.Loop() {
		if _, err := Hold(a); err != nil {
			b.Fatal(err)
		}
	}
}
