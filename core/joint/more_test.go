package joint

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"testing"

	"warmanvil/core/bolt"
	"warmanvil/core/hole"
	"warmanvil/core/quantity"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
)

func about(t *testing.T, what string, got, want, tolerance float64) {
	t.Helper()
	if math.Abs(got-want) > tolerance {
		t.Errorf("%s: %.6g, by hand %.6g", what, got, want)
	}
}

// 500 N down, 100 mm off a row of two: 50 000 N·mm across it, held over the nearest
// edge at 25: 50 000/(2·25) = 1000 N each. The foot beside the bolts: 100 + 50 − 22
// = 128 wide, 128·6²/4·235/1.67 = 162.1 kN·mm.
func TestRowTurnsAboutItsEdge(t *testing.T) {
	in := sound()
	in.Holes = in.Holes[:2]
	in.Cases = []Case{{Name: "x", Force: [3]float64{0, -500, 0}, At: [3]float64{50, 0, 100}}}
	r := work(t, in)
	about(t, "tension", check(t, r, "tension").Demand, 1000, 1e-6)
	about(t, "moment", check(t, r, "lean").Demand, 50000, 1e-6)
	about(t, "foot", check(t, r, "lean").Capacity, 128*36/4*235/1.67, 1)
	// One bolt alone holds both ways of bending so.
	in.Holes = in.Holes[:1]
	in.Cases[0].At = [3]float64{0, 0, 100}
	about(t, "one bolt", check(t, work(t, in), "tension").Demand, 2000, 1e-6)
}

// 24 kN on four M10 beside a bend at 30: b = 25, a = 30, p = 60, δ = 1 − 11/60,
// tc² = 4·6000·25/(60·360/1.67), α = (tc²/36 − 1)/δ, q = T·δ·α·(25/30)/(1 + δ·α)
// = 1120 N on each (AISC Manual part 9).
func TestThinPliesPry(t *testing.T) {
	in := sound()
	in.Cases = []Case{{Name: "pull", Force: [3]float64{0, 0, 24000}, At: [3]float64{50, 40, 0}}}
	about(t, "stiff", check(t, work(t, in), "tension").Demand, 6000, 1e-6)
	in.Plies[0].Pull = 30
	delta := 1 - 11./60
	alpha := (4*6000*25/(60*360/1.67)/36 - 1) / delta
	about(t, "with prying", check(t, work(t, in), "tension").Demand, 6000+6000*delta*alpha*(25./30)/(1+delta*alpha), 1e-6)
	in.Plies[0].Thickness = 12
	about(t, "thick enough", check(t, work(t, in), "tension").Demand, 6000, 1e-6)
}

// Four holes 100 by 80, 25 to the edge, in 6 mm of 235/360, counted 13 wide: along x
// two lines of 125, net 211, torn across 80 − 13; along y two of 105, net 171, torn
// 100 − 13.
func TestGroupTornOut(t *testing.T) {
	in := sound()
	x := 6 * (math.Min(.6*360*211, .6*235*250) + 360*67) / 2
	y := 6 * (math.Min(.6*360*171, .6*235*210) + 360*87) / 2
	c := check(t, work(t, in), "block-0")
	about(t, "down", *c.Utilisation, 6000/y, 1e-9)
	in.Cases[0].Force = [3]float64{4000, -6000, 0}
	about(t, "both ways", *check(t, work(t, in), "block-0").Utilisation, 4000/x+6000/y, 1e-9)
	// One line along the force: 125 sheared on one side, torn to the edge at its side.
	in.Holes, in.Cases[0] = in.Holes[:2], Case{Name: "x", Force: [3]float64{5000, 0, 0}, At: [3]float64{50, 0, 0}}
	one := 6 * (math.Min(.6*360*(125-19.5), .6*235*125) + 360*(25-6.5)) / 2
	about(t, "one line", *check(t, work(t, in), "block-0").Utilisation, 5000/one, 1e-9)
	for _, school := range []strength.School{strength.Factored, strength.GCase} {
		in.Strength.School = school
		if c := check(t, work(t, in), "block-0"); c.Utilisation == nil || *c.Utilisation <= 0 {
			t.Errorf("%s: %+v", school, c)
		}
	}
}

// A pin of 12 in ears of 5, 8 and 5, 10 kN: M = 5000·(8/4 + 5/2) = 22 500 N·mm
// against 580·1.6·π·12³/32/1.67; the middle ear min(360·16·18.75, 0.6·360·16·24.75)/2.
func TestPinInItsEars(t *testing.T) {
	ply := func(name string, thick float64) Ply {
		return Ply{Name: name, Material: "steel-s235", Thickness: thick, Hole: 12.5, Edge: 25}
	}
	in := Input{System: stock.Metric, Size: "M12", Grade: "8.8", Nut: Pin, Holes: [][2]float64{{0, 0}}, Double: true,
		Plies: []Ply{ply("left", 5), ply("ear", 8), ply("right", 5)},
		Cases: []Case{{Name: "pull", Force: [3]float64{10000, 0, 0}}}, Strength: strength.Rule{School: strength.Allowable}}
	r := work(t, in)
	c := check(t, r, "pin-bent")
	about(t, "moment", c.Demand, 22500, 1e-6)
	about(t, "pin", c.Capacity, 580*1.6*math.Pi*12*12*12/32/1.67, 1)
	about(t, "ear", check(t, r, "ear-1").Capacity, .6*360*16*24.75/2, 1e-6)
	about(t, "outer ears share", check(t, r, "ear-0").Demand, 5000, 1e-6)
	about(t, "two planes", check(t, r, "shear").Demand, 5000, 1e-6)
	if r.Tight != nil || codes(r)["no-lock"] {
		t.Errorf("a pin is tightened: %+v, %v", r.Tight, codes(r))
	}
	in.Double, in.Plies = false, in.Plies[:2]
	about(t, "in two ears", check(t, work(t, in), "pin-bent").Demand, 10000*(5+8)/4., 1e-6)
}

// #10 screws, 4.826 mm, in 1.2 on 1.5 of 330 MPa: pull-out 0.85·1.5·4.826·Fu/3; t2/t1
// = 1.25 lies a sixth of the way from tilting to bearing.
func TestSelfDrillingScrews(t *testing.T) {
	m, err := stock.MaterialByKey("steel-cold")
	if err != nil {
		t.Fatal(err)
	}
	in := Input{System: stock.Inch, Size: "#10", Pitch: 24, Grade: "SAE 5", Nut: Screw, Holes: [][2]float64{{0, 0}, {50, 0}},
		Plies:    []Ply{{Name: "cover", Material: m.Key, Thickness: 1.2}, {Name: "rib", Material: m.Key, Thickness: 1.5}},
		Cases:    []Case{{Name: "up", Force: [3]float64{300, 0, 400}, At: [3]float64{25, 0, 0}}},
		Strength: strength.Rule{School: strength.Allowable}}
	if _, err := stock.FindGrade(stock.Thread{System: stock.Inch, Size: "#10", Diameter: 4.826}, "SAE 5"); err != nil {
		in.System, in.Size, in.Pitch, in.Grade = stock.Metric, "M5", .8, "8.8"
	}
	thread, err := stock.FindThread(in.System, in.Size, in.Pitch)
	if err != nil {
		t.Fatal(err)
	}
	d, fu := thread.Diameter, m.Tensile
	r := work(t, in)
	about(t, "pulled out", check(t, r, "pull-out").Capacity, .85*1.5*d*fu/3, 1e-6)
	tilt, bear := 4.2*math.Sqrt(1.5*1.5*1.5*d)*fu, 2.7*1.2*d*fu
	least := math.Min(tilt, bear)
	about(t, "tilted", check(t, r, "tilt").Capacity, (least+(bear-least)*.25/1.5)/3, 1e-6)
	about(t, "each pulls", check(t, r, "pull-out").Demand, 200, 1e-6)
	if len(r.Making) != 1 || !codes(r)["screw-shakes"] || r.Tight != nil {
		t.Errorf("%v %v %v", r.Making, codes(r), r.Tight)
	}
}

// The instantaneous centre stands beside the elastic answer, by its own calculation,
// whichever way the load points.
func TestSecondAnswerByTheInstantaneousCentre(t *testing.T) {
	ref, err := bolt.ICR(bolt.ICRInput{Bolts: [][2]float64{{-50, -40}, {50, -40}, {50, 40}, {-50, 40}}, Eccentricity: 100})
	if err != nil {
		t.Fatal(err)
	}
	second := func(in Input) float64 {
		t.Helper()
		c := check(t, work(t, in), "shear")
		for _, s := range c.Working.Steps {
			if s.Symbol == "u" {
				return s.Value / (c.Demand / c.Capacity) * c.Demand
			}
		}
		t.Fatal("no second answer")
		return 0
	}
	about(t, "down", second(sound()), 6000/ref.Coefficient, 1e-3)
	side := sound()
	side.Holes = [][2]float64{{0, 0}, {80, 0}, {80, 100}, {0, 100}} // turned by a quarter
	side.Cases[0] = Case{Name: "x", Force: [3]float64{6000, 0, 0}, At: [3]float64{40, 150, 0}}
	about(t, "across", second(side), 6000/ref.Coefficient, 1e-3)
	thin := sound()
	thin.Plies[1].Thickness = 3
	for _, s := range check(t, work(t, thin), "shear").Working.Steps {
		if s.Symbol == "u" {
			t.Error("thin sheet has a second answer")
		}
	}
}

func TestLiquidLockCuresByTemperature(t *testing.T) {
	for at, want := range map[float64]string{20: "20 minutes and is hard after 24 hours",
		10: "40 minutes and is hard after 48 hours", 0: "does not cure"} {
		in := sound()
		in.Nut, in.Tighten.Locking, in.Tighten.Cures = Hex, Liquid, &at
		if said := strings.Join(work(t, in).Keep, " "); !strings.Contains(said, want) {
			t.Errorf("at %g: %s", at, said)
		}
	}
}

// Holes are made in the order they can be: what is there, what is laid out, what is
// drilled through it, and of several mates none to size before all are marked.
func TestHowHolesAreMade(t *testing.T) {
	in := sound()
	in.Plies = append(in.Plies, Ply{Name: "doubler", Material: "steel-s235", Thickness: 4, Hole: 11, Placed: hole.ByMate})
	in.Plies[0].Slotted = true
	in.Plies = append(in.Plies, Ply{Name: "frame", Material: "steel-s235", Thickness: 4, Hole: 11, Placed: hole.BySurvey})
	said := work(t, in).Making
	order := []string{"holes of frame are there", "Cut the slots of bracket", "Clamp rail to frame", "Clamp doubler to frame",
		"under size until all", "Slots first"}
	at := -1
	for _, want := range order {
		next := -1
		for i, s := range said {
			if strings.Contains(s, want) {
				next = i
			}
		}
		if next <= at {
			t.Fatalf("%q is not in its place: %q", want, said)
		}
		at = next
	}
	for want, p := range map[string]Ply{
		"drill by 5, 11 mm":  {Thickness: 5, Hole: 11},
		"step drill to 20":   {Thickness: 2, Hole: 20},
		"hole saw":           {Thickness: 6, Hole: 32},
		"in a press":         {Thickness: 6, Hole: 14},
		"step drill to 25 m": {Thickness: 3, Hole: 25},
	} {
		p.Name, p.Material, p.Placed = "wall", "steel-s235", hole.ByTape
		in := sound()
		in.Plies[1] = p
		if s := strings.Join(work(t, in).Making, " "); !strings.Contains(s, want) {
			t.Errorf("%g in %g: %s, not %q", p.Hole, p.Thickness, s, want)
		}
	}
	in = sound()
	in.Plies[0].Placed = ""
	if s := strings.Join(work(t, in).Making, " "); !strings.Contains(s, "choose the one that is made first") {
		t.Errorf("a mate of nothing: %s", s)
	}
}

// A spacer tube takes the squeeze off what is hollow or soft.
func TestSleevesTakeTheSqueeze(t *testing.T) {
	in := sound()
	whole := work(t, in).Tight.Torque
	in.Plies[1].Hollow = true
	if got := work(t, in).Tight.Torque; got > .3*whole {
		t.Errorf("squeezed with %.0f of %.0f", got, whole)
	}
	in.Plies[1].Sleeved = true
	r := work(t, in)
	about(t, "sleeved", r.Tight.Torque, whole, 1e-6)
	if s := fmt.Sprint(r.Hardware); !strings.Contains(s, "spacer tube, bore 10.5 mm") || !strings.Contains(s, "5 mm long, through rail") {
		t.Errorf("%s", s)
	}
}

// Four steel rivets of 4.8, 1200 N over the middle: 300 N each of 2400/3; pulled with
// 800 N, 200 each of 2900/3; both by the ellipse.
func TestBlindRivets(t *testing.T) {
	in := sound()
	in.Nut, in.Rivet, in.Washers, in.Tighten = Riveted, &RivetPick{4.8, "steel"}, 0, Tightening{}
	in.Plies[0].Thickness, in.Plies[1].Thickness, in.Plies[0].Hole, in.Plies[1].Hole = 2, 1.5, 4.9, 4.9
	in.Cases = []Case{{Name: "x", Force: [3]float64{1200, 0, 800}, At: [3]float64{50, 40, 0}}}
	r := work(t, in)
	about(t, "shear", *check(t, r, "shear").Utilisation, 300/(2400./3), 1e-9)
	about(t, "tension", *check(t, r, "tension").Utilisation, 200/(2900./3), 1e-9)
	about(t, "both", *check(t, r, "combined").Utilisation, math.Hypot(300/(2400./3), 200/(2900./3)), 1e-9)
	if s := fmt.Sprint(r.Hardware); !strings.Contains(s, "blind rivet 4.8 mm of steel, 8 mm long, grips 2 mm to 4 mm") ||
		len(r.Making) != 1 || r.Tight != nil {
		t.Errorf("%s %v", s, r.Making)
	}
	in.Cases[0].Force = [3]float64{4000, 0, 0}
	better := Suggest(in, false)
	if len(better) == 0 || better[0].Input.Rivet.Diameter != 6.4 || in.Rivet.Diameter != 4.8 {
		t.Errorf("%+v", better)
	}
	in.Rivet = &RivetPick{6.4, "stainless"}
	if _, err := Work(in); err == nil {
		t.Error("a rivet that is not made is taken")
	}
	in.Rivet = nil
	if _, err := Work(in); err == nil {
		t.Error("no rivet is taken for one")
	}
}

// Sentences of an inch job are in inches: drills to the 64th, torques in lbf·ft;
// nothing is written in mm.
func TestSentencesInInches(t *testing.T) {
	in := sound()
	in.Display = quantity.Display{Style: quantity.Fraction, Denominator: 16}
	in.Plies[0].Slotted, in.Plies[1].Placed, in.Plies[1].Hollow = true, hole.ByTape, true
	in.Plies[1].Thickness = 1.2
	r := work(t, in)
	s := strings.Replace(fmt.Sprint(r.Hardware, r.Making, r.Keep), "× 25 mm,", "", 1) // what a metric bolt is sold as
	for _, f := range r.Findings {
		s += "; " + f.Reason
		for _, x := range f.Fixes {
			s += "; " + x.Label
		}
	}
	for _, x := range Suggest(in, false) {
		s += "; " + x.Text
	}
	if strings.Contains(s, " mm") || strings.Contains(s, "N·m") || strings.Contains(s, " km") ||
		!strings.Contains(s, `drill by 7/32", 15/32"`) || !strings.Contains(s, "lbf·ft") {
		t.Error(s)
	}
}

// By hand: M10 × 1.5 tapped 6 deep into aluminium of 140 MPa strips at
// 0.5·140·π/1.5·10·(0.75 + 0.9743/√3)·6 = 11 546 N; a rivet nut of M10 lets go at about
// 16 kN, a slot nut at 12 and slips at 5; Ω 2 and 3. A weld nut pulls through the
// sheet it stands behind by its own width of 16 or 17, with no washer.
func TestCaptiveNutsLetGo(t *testing.T) {
	in := sound()
	in.Cases = []Case{{Name: "x", Force: [3]float64{400, 0, 4000}, At: [3]float64{50, 40, 0}}}
	last := len(in.Plies) - 1
	in.Plies[last].Material, in.Plies[last].Thickness = "alu-3003-h14", 6
	use := func(nut Nut, key string) float64 {
		t.Helper()
		in.Nut = nut
		c := check(t, work(t, in), key)
		if c.Utilisation == nil {
			t.Fatalf("%s: %s", nut, c.Why)
		}
		return *c.Utilisation
	}
	about(t, "strip", use(Tapped, "strip"), 1000/(.5*140*math.Pi/1.5*10*(.75+.649519*1.5/math.Sqrt(3))*6/2), 1e-6)
	about(t, "rivet nut", use(RivetNut, "insert"), 1000/(16000/3.), 1e-9)
	about(t, "slot nut", use(SlotNut, "insert"), 1000/(12000/3.), 1e-9)
	about(t, "slot nut along", use(SlotNut, "slot-slip"), 100/(5000/3.), 1e-9)
	in.Plies[last].Thickness = 1.5
	th, _ := stock.FindThread(stock.Metric, "M10", 0)
	about(t, "weld nut", use(WeldNut, fmt.Sprint("through-", last)), 1000/(1.5*140*(th.AcrossHex-12)/3), 1e-9)
	// Over in a thread, through bolts are offered where nuts can be put on.
	in.Nut, in.Cases[0].Force[2], in.Washer = Tapped, 16000, 45
	offered := func() bool {
		return slices.ContainsFunc(Suggest(in, true), func(s Suggestion) bool { return s.Input.Nut == Lock })
	}
	if in.Plies[last].Thickness = 4; !offered() {
		t.Errorf("%+v", Suggest(in, true))
	}
	if in.Reached = HeadsOnly; offered() {
		t.Error("nuts are offered where nobody reaches them")
	}
	in.Nut, in.Size = SlotNut, "M16"
	for i := range in.Plies {
		in.Plies[i].Hole = 17.5
	}
	if c := check(t, work(t, in), "insert"); c.Verdict != strength.CannotSay {
		t.Errorf("%+v", c)
	}
}

// A socket head is 1.5 d over: without washers, pressing on soft metal, it is
// tightened less; hardware is named by it.
func TestSocketHeads(t *testing.T) {
	in := sound()
	in.Washers, in.Plies[0].Material, in.Grade, in.Plies[0].Hole = 0, "alu-3003-h14", "10.9", 11
	hex := work(t, in)
	in.Head = stock.SocketHead
	r := work(t, in)
	m, err := stock.MaterialByKey("alu-3003-h14")
	if err != nil {
		t.Fatal(err)
	}
	seat := .95 * 15.
	about(t, "preload", r.Tight.Preload, m.Yield*math.Pi/4*(seat*seat-11*11), 1e-6)
	if r.Tight.Preload >= hex.Tight.Preload || !strings.Contains(fmt.Sprint(r.Hardware), "socket-head screw") {
		t.Errorf("%g of %g, %v", r.Tight.Preload, hex.Tight.Preload, r.Hardware)
	}
	in.Head = "round"
	if _, err := Work(in); err == nil {
		t.Error("a head that is none is taken")
	}
}

// Classes swapped are worked out like the joint itself, each to its own torque; a
// weaker one may be over; an inch bolt comes with inch nuts, and not into a
// thread that is metric.
func TestInstead(t *testing.T) {
	in := sound()
	now := work(t, in)
	list := Instead(in, now)
	names := map[string]Substitute{}
	for _, s := range list {
		names[s.Name] = s
	}
	for _, g := range []string{"10.9", "A2-70"} {
		to := in
		to.Grade = g
		r := work(t, to)
		s := names["M10×1.5 of class "+g]
		if s.Torque == nil || s.Hardest == nil || s.Verdict != r.Verdict {
			t.Fatalf("%s: %+v of %v", g, s, list)
		}
		about(t, g, *s.Hardest, *r.Hardest, 1e-9)
		about(t, g, *s.Torque, r.Tight.Torque, 1e-6)
	}
	if _, ok := names["3/8-16 of class SAE 5"]; !ok {
		t.Errorf("%+v", list)
	}
	in.Nut = Tapped
	for _, s := range Instead(in, work(t, in)) {
		if strings.Contains(s.Name, "SAE") {
			t.Error("an inch bolt is put into a metric thread")
		}
	}
	in.Nut = Pin
	if l := Instead(in, now); len(l) != 0 {
		t.Errorf("%+v", l)
	}
}
