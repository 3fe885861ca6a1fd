package shop_test

import (
	"errors"
	"math"
	"strings"
	"testing"

	"warmanvil/core/bend"
	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/flags"
	"warmanvil/core/sheet/made"
	"warmanvil/core/sheet/plates"
	"warmanvil/core/shop"
	"warmanvil/core/working"
)

func laser(id string, long, wide float64) shop.Machine {
	return shop.Machine{ID: id, Kind: shop.Table, Sort: "laser", Name: "Laser " + id,
		Limits: map[string]float64{"long": long, "wide": wide, "steel": 12, "stainless": 6, "aluminum": 6}}
}

func press(id string, long, force, line float64) shop.Machine {
	return shop.Machine{ID: id, Kind: shop.Brake, Sort: "press", Name: "Press " + id,
		Limits: map[string]float64{"long": long, "force": force, "line": line, "angle": 150, "steel": 6, "stainless": 4, "aluminum": 8}}
}

// plate is 3 mm S235, cut by laser and bent in a press.
func plate(x, y float64) sheet.Recipe {
	r := plates.Plate(x, y)
	r.Material, r.Process, r.Tool = "steel-s235", "laser", bend.Tool{Kind: bend.ToolVDie}
	return r
}

// said builds a part in a shop and answers its findings by code.
func said(t *testing.T, w shop.Shop, r sheet.Recipe, inch bool) map[string]working.Finding {
	t.Helper()
	p, err := made.Build(r, made.Options{Machines: w.For(r, inch), Proved: true})
	if err != nil {
		t.Fatal(err)
	}
	out := map[string]working.Finding{}
	for _, f := range p.Findings {
		out[f.Code] = f
	}
	return out
}

// A shop that says nothing takes usual machines, and every flag says that it did.
func TestUsualMachines(t *testing.T) {
	f, is := said(t, shop.Shop{}, plate(3400, 600), false)["past-bed"]
	if !is || f.Severity != working.Mind || !strings.Contains(f.Reason, "a usual laser, 3000.0 mm × 1500.0 mm") ||
		!strings.Contains(f.Reason, "The Shop names none of its own") {
		t.Errorf("%+v", f)
	}
	if _, is := said(t, shop.Shop{}, plate(3040, 600), true)["past-bed"]; is {
		t.Error("10 ft is a usual bed in an inch shop")
	}
	for _, k := range shop.Kinds() {
		for _, s := range k.Sorts {
			for _, l := range k.Limits {
				mm, inch := s.MM[l.Key], s.Inch[l.Key]
				if (mm == 0) != (inch == 0) || mm < 0 || inch < 0 || mm > 0 && math.Abs(math.Log(inch/mm)) > .45 {
					t.Errorf("%s, %s: %g in metric and %g in inch shops", s.Text, l.Text, mm, inch)
				}
			}
			if len(s.Ready) == 0 {
				t.Errorf("%s: nothing is looked at before it is used", s.Text)
			}
		}
		if k.Caution == "" && k.Kind != shop.Compressor {
			t.Errorf("%s hurts nobody", k.Text)
		}
	}
}

// Own machines come first, then borrowed ones, then those outside; what none takes names all
// of them, and what is away is not asked.
func TestWhichMachineTakesIt(t *testing.T) {
	small, friend, town := laser("own", 1250, 1250), laser("friend", 2500, 1250), laser("town", 3000, 1500)
	friend.Where, friend.Of, town.Where, town.Of = shop.Borrowed, "Tovi", shop.Outside, "Cutter in town"
	w := shop.Shop{Machines: []shop.Machine{town, friend, small}}
	got := said(t, w, plate(1200, 600), false)
	if len(got) > 0 {
		t.Errorf("the own one takes it: %+v", got)
	}
	if f := said(t, w, plate(2400, 600), false)["cut-elsewhere"]; !strings.Contains(f.Reason, "It does not go on Laser own") ||
		!strings.Contains(f.Reason, "Laser friend (borrowed, Tovi)") {
		t.Errorf("%+v", f)
	}
	f := said(t, w, plate(3400, 600), false)["past-bed"]
	if !strings.Contains(f.Reason, "Laser own, 1250.0 mm × 1250.0 mm, nor is it taken by Laser friend (borrowed, Tovi) or Laser town") ||
		strings.Contains(f.Reason, "usual") {
		t.Errorf("%+v", f)
	}
	w.Machines[2].Away, w.Machines[2].Why = true, "lens cracked, until May."
	if f := said(t, w, plate(1200, 600), false); len(f) > 0 {
		t.Errorf("the borrowed one takes it: %+v", f)
	}
	for i := range w.Machines {
		w.Machines[i].Away = true
	}
	got = said(t, w, plate(1200, 600), false)
	if f := got["machine-away"]; f.Severity != working.Mind || !strings.Contains(f.Reason, "is not there now") {
		t.Errorf("all are away: %+v", got)
	}
	bent := plate(600, 300)
	f2 := plates.Flange("f", sheet.Front, 60, 90)
	f2.InsideRadius = 4.5
	bent.Base.Flanges = []sheet.Flange{f2}
	if f := said(t, shop.Shop{Machines: []shop.Machine{small}}, bent, false)["machine-unnamed"]; f.Severity != working.Note ||
		!strings.Contains(f.Reason, "names no press brake") {
		t.Errorf("a shop with a laser alone: %+v", f)
	}
	thick := plate(1200, 600)
	thick.Thickness, thick.Material = 8, "stainless-304"
	if f := said(t, shop.Shop{Machines: []shop.Machine{small}}, thick, false)["past-cut"]; !strings.Contains(f.Reason,
		"thicker than Laser own cuts, 6.0 mm") {
		t.Errorf("%+v", f)
	}
	// A limit that was left out is the usual one, and the flag says so.
	delete(small.Limits, "wide")
	if f := said(t, shop.Shop{Machines: []shop.Machine{small}}, plate(1300, 1600), false)["past-bed"]; !strings.Contains(f.Reason,
		"Not all of its limits are said") {
		t.Errorf("%+v", f)
	}
}

// Force by hand: 3 mm S235, 360 MPa, V 24, 600 long: 1.42·360·9·600/24 = 115 020 N. Of 160 kN
// that is 71 %, of 130 kN 88 %, of 110 kN 104.6 %; the wider die is offered where it holds.
func TestForceOfABrake(t *testing.T) {
	r := plate(600, 300)
	r.Tool.Opening = 24
	f := plates.Flange("f", sheet.Front, 60, 90)
	f.InsideRadius = 4.5
	r.Base.Flanges = []sheet.Flange{f}
	in := func(force, line float64) map[string]working.Finding {
		return said(t, shop.Shop{Machines: []shop.Machine{press("p", 2000, force, line), laser("l", 3000, 1500)}}, r, false)
	}
	if got := in(160e3, 500); len(got) > 0 {
		t.Errorf("%+v", got)
	}
	got := in(130e3, 500)["brake-force"]
	if got.Severity != working.Mind || !strings.Contains(got.Reason, "takes 88 % of the force of Press p") || got.Working == nil ||
		math.Abs(got.Working.Result.Value-115020./130e3) > 1e-9 {
		t.Errorf("%+v", got)
	}
	over := in(110e3, 500)["brake-overloaded"]
	if over.Severity != working.Stop || !strings.Contains(over.Reason, "takes 105 % of the force") {
		t.Errorf("%+v", over)
	}
	for _, x := range over.Fixes {
		next, err := sheet.ApplyEdits(r, x.Edits)
		if err != nil || next.Tool.Opening < 24*115020/110e3/.8-1e-6 {
			t.Errorf("%s: %v %+v", x.Label, err, next.Tool)
		}
	}
	// 115020/600 = 191.7 N on each mm.
	if got := in(500e3, 190)["brake-overloaded"]; got.Severity != working.Stop {
		t.Errorf("on each length: %+v", got)
	}
	weak := press("p", 2000, 0, 0)
	delete(weak.Limits, "force")
	delete(weak.Limits, "line")
	long := plate(2900, 300)
	long.Thickness, long.Tool.Opening, long.Base.Flanges = 6, 24, []sheet.Flange{f}
	weak.Limits["long"] = 3000
	if got := said(t, shop.Shop{Machines: []shop.Machine{weak}}, long, false)["brake-overloaded"]; got.Severity != working.Mind ||
		!strings.Contains(got.Reason, "usual values") {
		t.Errorf("a usual force does not hold files back: %+v", got)
	}
	r.Bend.Method = bend.MethodBottomed
	if got := in(500e3, 500)["brake-overloaded"]; got.Severity != working.Stop {
		t.Errorf("bottomed it takes five times as much: %+v", got)
	}
}

// Length, thickness and angle of a brake, each said of its machine; the sheet's once.
func TestLimitsOfABrake(t *testing.T) {
	r := plate(1000, 300)
	a, b := plates.Flange("a", sheet.Front, 60, 135), plates.Flange("b", sheet.Back, 60, 90)
	a.Name, b.Name = "Sharp", "Square"
	r.Base.Flanges = []sheet.Flange{a, b}
	pan := shop.Machine{ID: "p", Kind: shop.Brake, Sort: "pan", Limits: map[string]float64{"long": 900, "angle": 120, "steel": 3,
		"stainless": 1,
		"aluminum":  2}}
	r.Tool = bend.Tool{Kind: bend.ToolPan}
	if got := said(t, shop.Shop{Machines: []shop.Machine{pan}}, r, false)["past-brake"]; !strings.Contains(got.Reason,
		"1000.0 mm long and the box-and-pan brake takes 900.0 mm") {
		t.Errorf("%+v", got)
	}
	pan.Limits["long"] = 1200
	if got := said(t, shop.Shop{Machines: []shop.Machine{pan}}, r, false)["past-brake-angle"]; !strings.HasPrefix(got.Reason,
		"Sharp is turned by 135.0° and the box-and-pan brake bends up to 120.0°") {
		t.Errorf("%+v", got)
	}
	pan.Limits["steel"] = 2
	p, err := made.Build(r, made.Options{Machines: shop.Shop{Machines: []shop.Machine{pan}}.For(r, false)})
	n := 0
	for _, f := range p.Findings {
		if f.Code == "past-brake-thickness" {
			n++
		}
	}
	if err != nil || n != 1 {
		t.Errorf("the sheet is said to be too thick %d times, %v", n, err)
	}
	// A folder bends on the same tool.
	folder := shop.Machine{ID: "f", Kind: shop.Brake, Sort: "folder", Name: "Folder", Limits: map[string]float64{"long": 2000, "angle": 150,
		"steel": 4, "stainless": 1, "aluminum": 2}}
	if got := said(t, shop.Shop{Machines: []shop.Machine{pan, folder, laser("l", 3000, 1500)}}, r, false); len(got) > 0 {
		if _, is := got["past-brake-thickness"]; is {
			t.Errorf("%+v", got)
		}
	}
}

// Of those who are there, who lifts most lifts it.
func TestWhoLifts(t *testing.T) {
	lift := func(v float64) *float64 { return &v }
	w := shop.Shop{People: []shop.Person{{ID: "a", Name: "Mara", Lift: lift(18)}, {ID: "b", Name: "Tovi", Lift: lift(30), Away: true},
		{ID: "c", Name: "Ines"}}}
	r := plate(1000, 1000) // 23.6 kg
	if f := said(t, w, r, false)["past-lift"]; !strings.Contains(f.Reason, "Mara lifts 18 kg: split it, or lift it with 2") {
		t.Errorf("%+v", f)
	}
	gear := func(id, name string, kilos float64) shop.Machine {
		return shop.Machine{ID: id, Kind: shop.Lift, Sort: "crane", Name: name, Limits: map[string]float64{"mass": kilos}}
	}
	bare := gear("x", "Crane without a plate", 1)
	bare.Limits = nil
	w.Machines = []shop.Machine{bare, gear("g", "Big crane", 1000), gear("h", "Hoist", 100), gear("k", "Hand winch", 20)}
	if f := said(t, w, r, false)["past-lift"]; !strings.Contains(f.Reason, "with 2, or with Hoist, which lifts 100 kg.") {
		t.Errorf("%+v", f)
	}
	w.Machines = nil
	w.People[1].Away = false
	if f, is := said(t, w, r, false)["past-lift"]; is {
		t.Errorf("Tovi lifts it: %+v", f)
	}
}

// Where nobody there is practised at what a part needs, a piece to learn on comes first.
func TestPracticeFirst(t *testing.T) {
	skill := func(op, level string) []shop.Skill {
		return []shop.Skill{{ID: op + level, Operation: op, Level: level}}
	}
	r := plate(200, 100)
	ask := func(people ...shop.Person) working.Finding {
		return said(t, shop.Shop{People: people}, r, false)["practice"]
	}
	novice := shop.Person{ID: "a", Name: "Ines", Skills: skill("bending", "new")}
	if f := ask(novice); f.Code != "" {
		t.Errorf("nothing is bent: %+v", f)
	}
	f := plates.Flange("f", sheet.Front, 40, 90)
	f.InsideRadius = 4.5
	r.Base.Flanges = []sheet.Flange{f}
	if f := ask(novice); f.Severity != working.Note || !strings.Contains(f.Reason, "bending") {
		t.Errorf("%+v", f)
	}
	sure := shop.Person{ID: "b", Name: "Mara", Skills: skill("bending", "sure")}
	if f := ask(novice, sure); f.Code != "" {
		t.Errorf("Mara is sure of it: %+v", f)
	}
	sure.Away = true
	if f := ask(novice, sure); f.Code == "" {
		t.Error("Mara is away")
	}
	if f := ask(shop.Person{ID: "c", Name: "Tovi"}); f.Code != "" {
		t.Errorf("nobody said anything: %+v", f)
	}
}

// What is read at a machine before it is used: its own list, or the usual one of its sort.
func TestStations(t *testing.T) {
	r := plate(100, 100)
	if s := (shop.Shop{}).Bending(r); s.Machine != "the press brake" || len(s.Ready) == 0 || !strings.Contains(s.Caution, "gloves") {
		t.Errorf("%+v", s)
	}
	own := press("p", 2000, 1e5, 500)
	own.Ready = []shop.Ready{{ID: "r", Text: "light guard"}}
	w := shop.Shop{Machines: []shop.Machine{own, {ID: "s", Kind: shop.Saw, Sort: "cold", Name: "Cold saw"}}}
	if s := w.Bending(r); s.Machine != "Press p" || len(s.Ready) != 1 || s.Ready[0] != "light guard" {
		t.Errorf("%+v", s)
	}
	if s := w.Sawing("steel-s235", nil); s.Machine != "Cold saw" || !strings.Contains(s.Caution, "swing") {
		t.Errorf("%+v", s)
	}
	r.Tool.Kind = bend.ToolVice
	if s := w.Bending(r); s.Machine != "the vice with angle bars" {
		t.Errorf("%+v", s)
	}
	if s := w.Drilling(r); !strings.Contains(s.Caution, "No gloves") {
		t.Errorf("%+v", s)
	}
}

// A blank turned on the bed, by brute force over every angle.
func TestTurnedOnTheBed(t *testing.T) {
	for _, x := range [][4]float64{{3200, 200, 3000, 1500}, {3000, 1500, 3000, 1500}, {1500, 3000, 3000, 1500}, {3300, 100, 3000, 1500},
		{3350, 30, 3000, 1500}, {3100, 900, 3000, 1500}, {3010, 10, 3000, 20}, {100, 100, 90, 300}, {101, 20, 100, 100}, {141, 0.1, 100, 100}} {
		fits := false
		for a := 0.; a <= 90; a += .02 {
			s, c := math.Sincos(a * math.Pi / 180)
			if x[0]*c+x[1]*s <= x[2]+1e-6 && x[0]*s+x[1]*c <= x[3]+1e-6 {
				fits = true
			}
		}
		at, got := profile.RectangleIn(x[0], x[1], x[2], x[3])
		if got != fits {
			t.Errorf("%v: %v, and every angle tried says %v", x, got, fits)
		}
		if got {
			s, c := math.Sincos(at * math.Pi / 180)
			if x[0]*c+x[1]*s > x[2]+1e-6 || x[0]*s+x[1]*c > x[3]+1e-6 {
				t.Errorf("%v at %.2f° it does not lie on the bed", x, at)
			}
		}
	}
}

// What is no shop is refused at its place.
func TestShopsThatCannotBe(t *testing.T) {
	minus := -1.
	for at, w := range map[string]shop.Shop{
		"/unit":             {Unit: "cubit"},
		"/machines/0/kind":  {Machines: []shop.Machine{{ID: "a", Kind: "loom"}}},
		"/machines/0/sort":  {Machines: []shop.Machine{{ID: "a", Kind: shop.Brake, Sort: "laser"}}},
		"/machines/0/id":    {Machines: []shop.Machine{{Kind: shop.Brake, Sort: "press"}}},
		"/machines/1/id":    {Machines: []shop.Machine{laser("a", 1, 1), laser("a", 1, 1)}},
		"/machines/0/where": {Machines: []shop.Machine{{ID: "a", Kind: shop.Brake, Sort: "press", Where: "sea"}}},
		"/machines/0/limits/force": {Machines: []shop.Machine{{ID: "a", Kind: shop.Brake, Sort: "press",
			Limits: map[string]float64{"force": -1e5}}}},
		"/machines/0/limits/colour": {Machines: []shop.Machine{{ID: "a", Kind: shop.Brake, Sort: "press",
			Limits: map[string]float64{"colour": 1}}}},
		"/machines/0/care/0/date": {Machines: []shop.Machine{{ID: "a", Kind: shop.Brake, Sort: "press", Care: []shop.Care{{ID: "c",
			Date: "May"}}}}},
		"/people/0/lift":               {People: []shop.Person{{ID: "p", Lift: &minus}}},
		"/people/0/skills/0/level":     {People: []shop.Person{{ID: "p", Skills: []shop.Skill{{ID: "s", Operation: "bending", Level: "god"}}}}},
		"/people/0/skills/0/operation": {People: []shop.Person{{ID: "p", Skills: []shop.Skill{{ID: "s", Operation: "sleep", Level: "new"}}}}},
	} {
		refusedAt(t, at, w.Check())
	}
	if err := (shop.Shop{}).Upgraded().Check(); err != nil {
		t.Error(err)
	}
}

func refusedAt(t *testing.T, at string, err error) {
	t.Helper()
	var f *working.Fault
	if !errors.As(err, &f) || f.Path != at {
		t.Errorf("%s: %v", at, err)
	}
}

// A press of 3 m that gives 1.2 mm at 1 MN bends 2.9 m of 5 mm over V 40: by hand
// F = 1.42·360·25·2900/40 = 926 550 N; it stays behind its ends in the middle, and a crowned
// one does not.
func TestBowOfALongBend(t *testing.T) {
	r := plate(2900, 300)
	r.Thickness, r.Tool.Opening = 5, 40
	f := plates.Flange("f", sheet.Front, 80, 90)
	f.InsideRadius = 7.5
	r.Base.Flanges = []sheet.Flange{f}
	soft := press("p", 3000, 2e6, 800)
	soft.Limits["bow"] = 2.4
	y := flags.Bow(2900, 926_550, 3000, 2e6, 2.4)
	got := said(t, shop.Shop{Machines: []shop.Machine{soft}}, r, false)["bow"]
	if got.Severity != working.Mind || got.Working == nil || math.Abs(got.Working.Result.Value-flags.Behind(y, 40, 90)) > 1e-9 ||
		!strings.Contains(got.Reason, "the beam of Press p gives") {
		t.Errorf("%+v, %g mm", got, y)
	}
	soft.Limits["bow"] = 0
	if err := (shop.Shop{Machines: []shop.Machine{soft}}).Check(); err != nil {
		t.Error(err)
	}
	if f, is := said(t, shop.Shop{Machines: []shop.Machine{soft}}, r, false)["bow"]; is {
		t.Errorf("crowned: %+v", f)
	}
}
