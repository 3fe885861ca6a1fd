package joint

import (
	"math"
	"slices"
	"strings"
	"testing"

	"warmanvil/core/stock"
	"warmanvil/core/strength"
)

// answered are sound joints of every kind of fastener for which everything is known.
func answered() map[string]Input {
	out := kinds()
	for name, in := range out {
		in = in.with(func(p *Ply) { p.Stiff = true })
		in.Cases = []Case{{Name: "x", Force: [3]float64{300, -200, 40}, At: [3]float64{50, 40, 0}}}
		if name == "pins" {
			in.Cases[0].Force[2] = 0
		}
		if name == "screws" { // each in a hole of its own, no room is short
			in.Plies[0].Hole, in.Plies[1].Hole = 6, 6
		}
		if name == "tapped" {
			in.Plies[1].Thickness = 14
		}
		out[name] = in
	}
	return out
}

// Every kind of fastener answers all that its form and its plies declare; each mode
// taken away in turn leaves a joint that cannot say.
func TestEveryModeIsMissed(t *testing.T) {
	for name, in := range answered() {
		r := work(t, in)
		for _, c := range r.Checks {
			if c.Verdict == strength.CannotSay {
				t.Errorf("%s: %s %s: %s", name, c.Key, c.Where, c.Why)
			}
		}
		if r.Verdict != strength.Holds && r.Verdict != strength.Tight {
			t.Errorf("%s: %s", name, r.Verdict)
			continue
		}
		j := joint{in: in, out: &Result{}}
		if err := j.read(); err != nil {
			t.Fatal(err)
		}
		j.kind.stack(&j)
		j.kind.tighten(&j)
		list := j.spreads()
		modes := j.modes(list)
		for i, m := range modes {
			if m.Key == "lean" || m.Missing != "" {
				continue
			}
			checks := strength.Hardest(slices.Delete(slices.Clone(modes), i, i+1), list, (*spread).name)
			if o := strength.Close(j.ledgers(), checks); o.Verdict != strength.CannotSay && o.Verdict != strength.Over {
				t.Errorf("%s without %s says %s", name, m.Key, o.Verdict)
			}
		}
	}
}

// A case added never makes any check easier, for any fastener.
func TestJointCasesNeverEase(t *testing.T) {
	for name, in := range answered() {
		before := work(t, in)
		in.Cases = append(slices.Clone(in.Cases), Case{Name: "y", Force: [3]float64{-500, 700, 30}, At: [3]float64{20, 10, 30}})
		after := work(t, in)
		for _, c := range before.Checks {
			d := check(t, after, c.Key)
			if strength.Worse(c.Verdict, d.Verdict) || c.Utilisation != nil && (d.Utilisation == nil || *d.Utilisation < *c.Utilisation-1e-12) {
				t.Errorf("%s: %s falls from %s to %s", name, c.Key, c.Verdict, d.Verdict)
			}
		}
	}
}

// Two M10 in plate at 26 mm: 26.67 asked (J3.3); in 3 mm sheet 30. At 30 in sheet it
// is enough.
func TestHolesTooNear(t *testing.T) {
	for _, c := range []struct {
		apart, thick float64
		want         strength.Verdict
	}{{26, 6, strength.Over}, {26.7, 6, strength.NotNeeded}, {29, 3, strength.Over}, {30, 3, strength.NotNeeded}} {
		in := sound()
		in.Holes = [][2]float64{{0, 0}, {c.apart, 0}}
		in = in.with(func(p *Ply) { p.Thickness = c.thick })
		if got := check(t, work(t, in), "spacing-0"); got.Verdict != c.want {
			t.Errorf("%g apart in %g: %s %s", c.apart, c.thick, got.Verdict, got.Why)
		}
	}
	in := sound()
	in.Holes = in.Holes[:1]
	if got := check(t, work(t, in), "spacing-0"); got.Verdict != strength.NotNeeded {
		t.Errorf("one hole: %s", got.Verdict)
	}
}

// Four holes of 11 in a bracket 150 across and 130 up, 6 mm of 360 MPa: a pull across
// tears 130 − 2·13 = 104, one up 150 − 26 = 124.
func TestTornAcrossTheHoles(t *testing.T) {
	in := sound()
	x, y := 6*360*104/2., 6*360*124/2.
	in.Cases = []Case{{Name: "x", Force: [3]float64{5000, 0, 0}, At: [3]float64{50, 40, 0}}}
	about(t, "across", *check(t, work(t, in), "net-0").Utilisation, 5000/x, 1e-12)
	in.Cases[0].Force = [3]float64{3000, -4000, 0}
	about(t, "both", *check(t, work(t, in), "net-0").Utilisation, 3000/x+4000/y, 1e-12)
	in.Plies[0].Wide = [2]float64{150, 20} // narrower than its holes
	if c := check(t, work(t, in), "net-0"); c.Verdict != strength.Over || c.Why == "" {
		t.Errorf("%+v", c)
	}
}

// A plate of 6 beside a bend at 30: b' = 25, p the 60 to twice the bend's distance, δ =
// 1 − 11/60, T = 60·36·360·(1 + δ)/(4·25)/1.67; of 4 mm (4/6)² of it.
func TestPlateBesideItsBolts(t *testing.T) {
	in := sound()
	in.Cases = []Case{{Name: "pull", Force: [3]float64{0, 0, 8000}, At: [3]float64{50, 40, 0}}}
	in.Plies = slices.Clone(in.Plies)
	in.Plies[0].Pull, in.Plies[1].Stiff = 30, true
	c := check(t, work(t, in), "bend-0")
	about(t, "of 6", c.Capacity, 60*36*360*(2-11./60)/100/1.67, 1e-6)
	about(t, "each bolt", c.Demand, 2000, 1e-9)
	in.Plies[0].Thickness = 4
	about(t, "of 4", check(t, work(t, in), "bend-0").Capacity, 60*16*360*(2-11./60)/100/1.67, 1e-6)
	// Nearer to its bend than half a bolt: nothing bends between.
	in.Plies[0].Pull = 4
	if c := check(t, work(t, in), "bend-0"); c.Verdict != strength.NotNeeded || !strings.Contains(c.Why, "so near") {
		t.Errorf("4 mm from the bend: %+v", c)
	}
	in.Plies[0].Pull = 0
	if c := check(t, work(t, in), "bend-0"); c.Verdict != strength.CannotSay || !strings.Contains(c.Why, "how far the bend") {
		t.Errorf("with the bend not given: %+v", c)
	}
}

// A load along a slot is held by friction alone: 0.2·(0.7·0.75·580·57.99)/2.14 a bolt;
// across it there is none of that. A pull takes 1.5 of itself from the preload, 1.0
// where loads are factored.
func TestSlotsSlipAlongThemselves(t *testing.T) {
	least := .7 * .75 * 580 * 57.99
	zero, quarter := 0., 90.
	in := sound()
	in.Plies = slices.Clone(in.Plies)
	in.Plies[0].Slotted, in.Plies[0].Way = true, &zero
	in.Cases = []Case{{Name: "along", Force: [3]float64{4000, 0, 0}, At: [3]float64{50, 40, 0}}}
	c := check(t, work(t, in), "slip")
	about(t, "along", c.Capacity, .2*least/2.14, 1)
	about(t, "each", c.Demand, 1000, 1e-9)
	in.Cases[0].Force[2] = 8000
	about(t, "pulled", check(t, work(t, in), "slip").Capacity, .2*least/2.14*(1-1.5*2000/least), 1)
	in.Cases[0].Force[2] = 0
	in.Plies[0].Way = &quarter
	if c := check(t, work(t, in), "slip"); c.Verdict != strength.NotNeeded {
		t.Errorf("across the slot: %+v", c)
	}
	in.Plies[0].Way = nil
	about(t, "nobody says which way", check(t, work(t, in), "slip").Demand, 1000, 1e-9)
	in.NoSlip, in.Strength.School = true, strength.Factored
	in.Plies[0].Slotted = false
	in.Cases[0].Force[2] = 8000
	about(t, "factored", check(t, work(t, in), "slip").Capacity, .2*least*(1-1.6*2000/least), 1)
}

// A typed load counts 1.6 times in the factored school; what comes worked out from
// elsewhere is factored already.
func TestTypedLoadsAreFactored(t *testing.T) {
	in := sound()
	plain := check(t, work(t, in), "shear").Demand
	in.Strength.School = strength.Factored
	r := work(t, in)
	about(t, "typed", check(t, r, "shear").Demand, 1.6*plain, 1e-9)
	if !codes(r)["typed-factored"] {
		t.Error("nobody says that typed loads are factored")
	}
	in.Cases = slices.Clone(in.Cases)
	in.Cases[0].Done = true
	about(t, "handed on", check(t, work(t, in), "shear").Demand, plain, 1e-9)
}

// What cannot be is over or cannot say, in words: a hole past its edge, two planes in
// two plies, a pattern whose holes run together.
func TestWhatCannotBe(t *testing.T) {
	in := sound()
	in.Plies = slices.Clone(in.Plies)
	in.Plies[1].Edge = 5
	if c := check(t, work(t, in), "tear-1"); c.Verdict != strength.Over || !strings.Contains(c.Why, "past the edge") {
		t.Errorf("a hole past its edge: %+v", c)
	}
	in = sound()
	in.Double = true
	r := work(t, in)
	if c := check(t, r, "shear"); c.Verdict != strength.CannotSay || r.Verdict != strength.CannotSay || !codes(r)["double-plies"] {
		t.Errorf("two planes in two plies: %s, %+v", r.Verdict, c)
	}
	in = sound()
	in.Open = []string{"The press has no place."}
	if r := work(t, in); r.Verdict != strength.CannotSay || check(t, r, "arrives").Why != "The press has no place." {
		t.Errorf("loads that do not all arrive: %s", r.Verdict)
	}
	in = sound()
	in.Nut, in.Washers, in.Holes = Pin, 0, in.Holes[:1]
	in.Cases = []Case{{Name: "x", Force: [3]float64{0, -500, 0}, At: [3]float64{60, 0, 0}}}
	if c := check(t, work(t, in), "moment"); c.Verdict != strength.Over {
		t.Errorf("one pin that turns: %+v", c)
	}
}

// Aluminium by its own rules: 6 mm of 6061-T6, Ftu 290: bearing 2·10·6·290/1.95, tear
// from the hole's middle 25·6·290/1.95 or 1.2·19.5·6·290/1.95.
func TestAluminiumPlies(t *testing.T) {
	in := sound()
	in.Plies = slices.Clone(in.Plies)
	in.Plies[0].Material = "alu-6061-t6"
	r := work(t, in)
	about(t, "bearing", check(t, r, "bearing-0").Capacity, 2*10*6*290/1.95, 1e-6)
	about(t, "tear", check(t, r, "tear-0").Capacity, 1.2*19.5*6*290/1.95, 1e-6)
	in.Plies[0].Edge = 60
	about(t, "tear far from the edge", check(t, work(t, in), "tear-0").Capacity, 60*6*290/1.95, 1e-6)
	if len(check(t, r, "shear").Working.Steps) > 1 {
		t.Error("the instantaneous centre answers for aluminium")
	}
}

// Pins by J7: 1.8·235·12·8/2; an ear of 3 mm that stands out 18.75 folds at
// 235·2·3·12/1.67, one of 8 does not.
func TestPinsCrushAndDish(t *testing.T) {
	ply := func(name string, thick float64) Ply {
		return Ply{Name: name, Material: "steel-s235", Thickness: thick, Hole: 12.5, Edge: 25}
	}
	in := Input{System: stock.Metric, Size: "M12", Grade: "8.8", Nut: Pin, Holes: [][2]float64{{0, 0}},
		Plies: []Ply{ply("clevis", 8), ply("ear", 3)},
		Cases: []Case{{Name: "pull", Force: [3]float64{4000, 0, 0}}}, Strength: strength.Rule{School: strength.Allowable}}
	r := work(t, in)
	about(t, "crushed", check(t, r, "bearing-0").Capacity, 1.8*235*12*8/2, 1e-6)
	about(t, "dished", check(t, r, "dish-1").Capacity, 235*2*3*12/1.67, 1e-6)
	if c := check(t, r, "dish-0"); c.Verdict != strength.NotNeeded {
		t.Errorf("8 mm: %+v", c)
	}
}

// M10 bent over 20 mm of rubber by 500 N sideways: M = 5000 N·mm on a core of 8.59 mm,
// Z the lesser of d³/6 and 1.6·π·d³/32. A sleeve takes it away; unrated rubber cannot
// say.
func TestBoltsBentOverRubber(t *testing.T) {
	in := sound()
	in.Plies = []Ply{in.Plies[0], {Name: "rubber", Thickness: 24, Squash: 4, Isolator: &Isolator{Shear: 800, Pull: 600}}, in.Plies[1]}
	in.Cases = []Case{{Name: "x", Force: [3]float64{2000, 0, 0}, At: [3]float64{50, 40, 0}}}
	a := math.Pi / 4 * math.Pow(10-.9382*1.5, 2)
	d := math.Sqrt(4 * a / math.Pi)
	z := math.Min(d*d*d/6, 1.6*math.Pi*d*d*d/32)
	c := check(t, work(t, in), "rubber-bend-1")
	about(t, "bent", c.Demand, 500*10/z, 1e-6)
	about(t, "may", c.Capacity, 580/1.67, 1e-9)
	about(t, "sheared", *check(t, work(t, in), "rubber-shear-1").Utilisation, 500./800, 1e-9)
	in.Plies[1].Sleeved = true
	if c := check(t, work(t, in), "rubber-bend-1"); c.Verdict != strength.NotNeeded {
		t.Errorf("sleeved: %+v", c)
	}
	in.Plies[1].Isolator = &Isolator{}
	if r := work(t, in); check(t, r, "rubber-shear-1").Verdict != strength.CannotSay || r.Verdict == strength.Holds {
		t.Errorf("unrated rubber: %s", r.Verdict)
	}
	// Soft but no isolator: thin it only lies between, thick it bends the bolt.
	in.Plies[1] = Ply{Name: "gasket", Thickness: 3, Squash: 1}
	if c := check(t, work(t, in), "ply-1"); c.Verdict != strength.NotNeeded {
		t.Errorf("a gasket: %+v", c)
	}
	in.Plies[1].Thickness = 24
	about(t, "a thick one", check(t, work(t, in), "ply-1").Demand, 500*11.5/z, 1e-6)
}

// A rivet nut of M8 in 2 mm of 360 MPa: 0.6·360·π·11.2·2/3.
func TestRivetNutThroughItsSheet(t *testing.T) {
	in := sound()
	in.Size, in.Nut = "M8", RivetNut
	in = in.with(func(p *Ply) { p.Hole = 9 })
	in.Plies[1].Thickness = 2
	in.Cases = []Case{{Name: "x", Force: [3]float64{100, 0, 800}, At: [3]float64{50, 40, 0}}}
	about(t, "M8 in 2 mm", check(t, work(t, in), "push").Capacity, .6*360*math.Pi*11.2*2/3, 1e-6)
	in.Plies[1].Thickness = 1
	about(t, "in 1 mm", check(t, work(t, in), "push").Capacity, .6*360*math.Pi*11.2*1/3, 1e-6)
}

// A washer counts where it lies: one lies under the nut, so the head pulls through
// sheet by its own width; under a captive nut there is none.
func TestWashersCountWhereTheyLie(t *testing.T) {
	in := sound()
	in = in.with(func(p *Ply) { p.Thickness, p.Stiff = 2, true })
	in.Cases = []Case{{Name: "x", Force: [3]float64{0, 0, 800}, At: [3]float64{50, 40, 0}}}
	use := func(washers int, nut Nut, key string) float64 {
		in.Washers, in.Nut = washers, nut
		return check(t, work(t, in), key).Capacity
	}
	head, washer := 1.5*2*16*360/3, 1.5*2*19*360/3.
	about(t, "one, the head's side", use(1, Hex, "through-0"), head, 1e-6)
	about(t, "one, the nut's side", use(1, Hex, "through-1"), washer, 1e-6)
	about(t, "two, the head's side", use(2, Hex, "through-0"), washer, 1e-6)
	about(t, "weld nut, its side", use(2, WeldNut, "through-1"), head, 1e-6)
}

// Every suggestion is worked through the whole joint: none brings a stop that was not
// there or silences what was answered.
func TestSuggestionsAreProvedWhole(t *testing.T) {
	for name, in := range answered() {
		for _, times := range []float64{20, 60, 150} {
			in.Cases = []Case{{Name: "x", Force: [3]float64{300 * times, -200 * times, 10 * times}, At: [3]float64{50, 40, 0}}}
			if name == "pins" {
				in.Cases[0].Force[2] = 0
			}
			now := work(t, in)
			for _, s := range Suggest(in, false) {
				r := work(t, s.Input)
				if r.Verdict != s.Verdict || *r.Hardest >= *now.Hardest {
					t.Errorf("%s: %s promises %s, is %s", name, s.Text, s.Verdict, r.Verdict)
				}
				for _, f := range r.Findings {
					if f.Severity == "stop" && !codes(now)[f.Code] {
						t.Errorf("%s: %s brings %s", name, s.Text, f.Reason)
					}
				}
			}
		}
	}
}
