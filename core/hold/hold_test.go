package hold

import (
	"math"
	"strings"
	"testing"

	"warmanvil/core/bend"
	"warmanvil/core/profile"
	"warmanvil/core/quantity"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
)

var (
	asd    = strength.Rule{School: strength.Allowable}
	metric = made.Options{Display: quantity.Display{Style: quantity.Metric}}
)

func near(t *testing.T, what string, got, want, tol float64) {
	t.Helper()
	if math.IsNaN(got) || math.Abs(got-want) > tol {
		t.Errorf("%s = %.9g, want %.9g", what, got, want)
	}
}

func from(e sheet.Edge, mm float64) sheet.Offset { return sheet.Offset{Edge: e, Distance: mm} }

func grid(id string, d, x, y float64, columns, rows int, px, py float64) sheet.Hole {
	return sheet.Hole{ID: id, Kind: sheet.RoundHole, Diameter: d, X: from(sheet.Left, x), Y: from(sheet.Front, y),
		Pattern: &sheet.Pattern{Kind: sheet.GridPattern, Columns: columns, Rows: rows, PitchX: px, PitchY: py}}
}

// cleat is an angle of S235: a base 120 × 100 with four bolts at 45 and 80
// from the front, and a leg 90 high at its front with two carrying holes 30 up.
func cleat(thickness float64) sheet.Recipe {
	k := .42
	eye := grid("eye", 13, 40, 30, 2, 1, 40, 0)
	eye.Y = from(sheet.Back, 30)
	return sheet.Recipe{Schema: sheet.SchemaVersion, Material: "steel-s235", Thickness: thickness, Process: "laser",
		Tool: bend.Tool{Kind: bend.ToolVDie, Opening: 63}, Bend: bend.Rule{School: bend.SchoolFixed, Method: bend.MethodAir, K: &k},
		Base: sheet.Base{ID: "base", Length: 120, Width: 100, Holes: []sheet.Hole{grid("wall", 13, 30, 45, 2, 2, 60, 35)},
			Flanges: []sheet.Flange{{ID: "leg", Edge: sheet.Front, Length: 90, Angle: 90, Up: true, InsideRadius: 10,
				Relief: sheet.Relief{Kind: sheet.Round},
				Holes:  []sheet.Hole{eye}}}}}
}

func mount() Mount {
	return Mount{Fasten: []string{"wall"}, Carry: []string{"eye"}, Against: Back, Backed: true, Up: PlusZ, Forward: PlusY,
		Bolts:   Bolts{System: stock.Metric, Size: "M12", Pitch: 1.75, Grade: "8.8", ThreadsInPlane: true, Washer: 24},
		InPlane: Elastic, OutPlane: AtCentroid}
}

func build(t testing.TB, r sheet.Recipe) made.Part {
	t.Helper()
	p, err := made.Build(r, metric)
	if err != nil {
		t.Fatal(err)
	}
	return p
}

func answer(t testing.TB, r sheet.Recipe, m Mount, rule strength.Rule, forces ...[3]float64) (Result, map[string]strength.Check) {
	t.Helper()
	var loads []Load
	for _, f := range forces {
		loads = append(loads, Load{"case", "", f})
	}
	res := Check(build(t, r), r, m, loads, rule)
	by := map[string]strength.Check{}
	for _, c := range res.Checks {
		by[c.Key] = c
	}
	return res, by
}

// 5 kN lifting the leg of 8 mm: its mid-surface stands 4 inside the outside of
// the bend, 41 from the first row and 58.5 from the bolts' middle.
// Bolts: 5000/4 + 292 500·17.5/(4·17.5²) = 5428.6 N of 800·84.27/2 = 33 707.
// About the front tangent line (18 from the outside, 44.5 before the middle,
// rows at 27 and 62): 292 500·27/(2·(27² + 62²)) comes to the near row; the
// plate turns about the far edge: pressed is the back, 55 and 20 from the rows.
// Plate at the row: M = 5000·41 = 205 000 over 120 − 26 = 94 wide:
// 6·205 000/(94·8²) = 204.5 MPa; at the bend 14 beside the force 70 000.
func TestLiftedCleatHandWorked(t *testing.T) {
	res, by := answer(t, cleat(8), mount(), asd, [3]float64{0, 0, 5000})
	near(t, "tension", by["tension"].Demand, 1250+292500.0/70, 1e-6)
	near(t, "usable", by["tension"].Capacity, 33707, 1)
	near(t, "edge school", res.Bolts[0].Edge, 1250+292500*55/(2*(55*55+20*20.0)), 1e-6)
	w := by["plate:wall"].Working
	near(t, "moment at the row", w.Inputs[0].Value, 205000, 1e-6)
	near(t, "bending", w.Steps[0].Value, 6*205000/(94*64.0), 1e-6)
	near(t, "may be used", by["plate:wall"].Capacity, 235/1.67, 1e-9)
	near(t, "moment at the bend", by["plate:leg"].Working.Inputs[0].Value, 70000, 1e-6)
	if res.Verdict != strength.Over || res.First != "Plate bent at the row of bolts" {
		t.Errorf("%s, first %s", res.Verdict, res.First)
	}
	// Pressed down on its backing the base does not bend; without one it does.
	_, by = answer(t, cleat(8), mount(), asd, [3]float64{0, 0, -5000})
	near(t, "pressed on its backing", by["plate:wall"].Working.Inputs[0].Value, 0, 0)
	m := mount()
	m.Backed = false
	_, by = answer(t, cleat(8), m, asd, [3]float64{0, 0, -5000})
	near(t, "nothing behind", by["plate:wall"].Working.Inputs[0].Value, 205000, 1e-6)
}

// 2 kN to the left on the same cleat: in plane, −x of the part with forward
// along y, 58.5 before the bolts' middle: Mz = 117 000, Σr² = 4·(30² + 17.5²)
// = 4825. The near row's bolts: 500 + 117 000·17.5/4825 = 924.4 across and
// 117 000·30/4825 = 727.5 along: 1176.3 N.
func TestSidewaysHandWorked(t *testing.T) {
	_, by := answer(t, cleat(8), mount(), asd, [3]float64{0, 2000, 0})
	near(t, "shear", by["shear"].Demand, math.Hypot(500+117000*17.5/4825, 117000*30.0/4825), 1e-6)
	near(t, "usable", by["shear"].Capacity, 18299, 1)
	near(t, "bearing", by["bearing"].Capacity, 2.4*12*8*360/2, 1e-6)
	near(t, "net section", by["net-section"].Capacity, (120-30)*8*360/2, 1e-6)
}

// What the vehicle's axes are called changes nothing: a force along the same
// way of the part gives the same checks.
func TestOrientation(t *testing.T) {
	_, want := answer(t, cleat(8), mount(), asd, [3]float64{300, -200, 900}) // forward y, left −x, up z
	m := mount()
	m.Up, m.Forward = PlusX, PlusZ // left = up × forward = x × z = −y
	_, got := answer(t, cleat(8), m, asd, [3]float64{900, -300, 200})
	for key, c := range want {
		if (got[key].Utilisation == nil) != (c.Utilisation == nil) || got[key].Verdict != c.Verdict {
			t.Errorf("%s: %s, turned %s", key, c.Verdict, got[key].Verdict)
		} else if c.Utilisation != nil {
			near(t, key, *got[key].Utilisation, *c.Utilisation, 1e-9)
		}
	}
	m.Up = m.Forward
	if res, _ := answer(t, cleat(8), m, asd, [3]float64{1, 0, 0}); res.Verdict != strength.CannotSay {
		t.Errorf("up and forward the same way: %s", res.Verdict)
	}
}

// Twice the load is twice the share of every check that is not a bolt with
// prying or an ellipse; a stronger school never lets more through.
func TestScalesWithLoad(t *testing.T) {
	_, one := answer(t, cleat(25), mount(), asd, [3]float64{500, 700, 900})
	_, two := answer(t, cleat(25), mount(), asd, [3]float64{1000, 1400, 1800})
	for key, c := range one {
		if c.Utilisation != nil {
			near(t, key, *two[key].Utilisation, 2**c.Utilisation, 1e-9)
		}
	}
}

// 1 kN pulls the leg of 8 mm to the front, 30 up, E = 210 000. From the holes
// 12 to the leg's tangent line: M 0 to 12 000 over 53 + 2·12 = 77; through the
// bend, 20.986 long, to 1000·26 at the base over 118.97; 27 on to the row, 94
// net, where the base is pressed on its backing: to 0.
// Σ L·(Ma² + Ma·Mb + Mb²)/(3·E·I)/F = 0.000835 + 0.007429 + 0.007224.
func TestDeflection(t *testing.T) {
	res, by := answer(t, cleat(8), mount(), asd, [3]float64{-1000, 0, 0})
	near(t, "deflection", *res.Deflection, .015487, 1e-6)
	near(t, "width at the bend", by["plate:leg"].Working.Inputs[2].Value, 53+2*(12+20.986), .01)
}

// The instantaneous centre lets a bolt group carry no less than the elastic
// method does, and is refused where it has no ground.
func TestInPlaneSchools(t *testing.T) {
	m := mount()
	_, elastic := answer(t, cleat(8), m, asd, [3]float64{0, 4000, 0})
	m.InPlane = Instantaneous
	res, icr := answer(t, cleat(8), m, asd, [3]float64{0, 4000, 0})
	if *icr["shear"].Utilisation >= *elastic["shear"].Utilisation || res.Coefficient == nil {
		t.Errorf("instantaneous centre %g, elastic %g", *icr["shear"].Utilisation, *elastic["shear"].Utilisation)
	}
	near(t, "P/C", icr["shear"].Demand, 4000 / *res.Coefficient, 1e-6)
	res, back := answer(t, cleat(8), m, strength.Rule{School: strength.GCase}, [3]float64{0, 4000, 0})
	if !hasCode(res, "icr-not-here") || strings.Contains(back["shear"].Working.Method, "instantaneous") {
		t.Error("the g-case school takes the instantaneous centre")
	}
}

func hasCode(r Result, code string) bool {
	for _, f := range r.Findings {
		if f.Code == code {
			return true
		}
	}
	return false
}

// Bolts in one row hold no moment across it: the edge has to, which is said beside
// the number; with nothing behind that edge nobody can say.
func TestOneRowOfBolts(t *testing.T) {
	r := cleat(8)
	r.Base.Holes[0].Pattern.Rows = 1
	res, by := answer(t, r, mount(), asd, [3]float64{0, 0, 3000})
	if !strings.Contains(strings.Join(by["tension"].Working.Assumptions, " "), "one line") || by["tension"].Demand <= 1500 {
		t.Errorf("one row: %+v", by["tension"])
	}
	near(t, "edge school in use", by["tension"].Demand-res.Bolts[0].Prying, res.Bolts[0].Edge, 1e-9)
	m := mount()
	m.Backed = false
	for _, key := range []string{"tension", "combined", "moment"} {
		if _, by = answer(t, r, m, asd, [3]float64{0, 0, 3000}); by[key].Verdict != strength.CannotSay {
			t.Errorf("one row with nothing behind its edge: %s %s", key, by[key].Verdict)
		}
	}
}

// A hole's own distance along the force counts: near the edge it tears first,
// and only in that direction.
func TestTearOutFollowsTheForce(t *testing.T) {
	r := cleat(8)
	_, by := answer(t, r, mount(), asd, [3]float64{-3000, 0, 0}) // pulled to the front: bolts tear to the back
	near(t, "to the back", by["tear-out"].Working.Inputs[0].Value, 100-80-6.5, .02)
	_, by = answer(t, r, mount(), asd, [3]float64{3000, 0, 0})
	// The far row has the near one's holes ahead, 35 apart.
	near(t, "to the holes ahead", by["tear-out"].Working.Inputs[0].Value, 35-13, .02)
}

func TestCannotSay(t *testing.T) {
	good := []Load{{"case", "", [3]float64{0, 0, 100}}}
	for what, spoil := range map[string]func(*sheet.Recipe, *Mount, *[]Load){
		"Nothing loads it": func(_ *sheet.Recipe, _ *Mount, l *[]Load) { *l = nil },
		"beyond what this": func(_ *sheet.Recipe, _ *Mount, l *[]Load) { (*l)[0].Force[1] = 1e12 },
		"bolt it to":       func(_ *sheet.Recipe, m *Mount, _ *[]Load) { m.Fasten = nil },
		"carry the load":   func(_ *sheet.Recipe, m *Mount, _ *[]Load) { m.Carry = []string{"gone"} },
		"does not exist": func(_ *sheet.Recipe, m *Mount, _ *[]Load) {
			m.Bolts = Bolts{System: stock.Inch, Size: "#10", Pitch: 24, Grade: "SAE 8"}
		},
		"not in the metric":  func(_ *sheet.Recipe, m *Mount, _ *[]Load) { m.Bolts.Size = "M13" },
		"across each other":  func(_ *sheet.Recipe, m *Mount, _ *[]Load) { m.Up = MinusY },
		"two panels":         func(_ *sheet.Recipe, m *Mount, _ *[]Load) { m.Fasten = []string{"wall", "eye"} },
		"cannot be unfolded": func(r *sheet.Recipe, _ *Mount, _ *[]Load) { r.Base.Flanges[0].Length = 5 },
	} {
		r, m, loads := cleat(8), mount(), append([]Load{}, good...)
		spoil(&r, &m, &loads)
		res := Check(build(t, r), r, m, loads, asd)
		if res.Verdict != strength.CannotSay || len(res.Checks) != 1 || !strings.Contains(res.Checks[0].Why, what) {
			t.Errorf("%s: %s %+v", what, res.Verdict, res.Checks)
		}
	}
	m := mount()
	m.Bolts.Size, m.Bolts.Pitch = "M16", 2
	res, _ := answer(t, cleat(8), m, asd, [3]float64{0, 0, 100})
	if res.Verdict == strength.Holds || res.Verdict == strength.Tight || !hasCode(res, "bolt-too-big") {
		t.Errorf("M16 in a 13 mm hole: %s", res.Verdict)
	}
}

// A blank that is welded into a body is answered by itself and never holds: nobody looks at its seams.
// One that is only bent is a bracket like any other.
func TestBlanksOfBodies(t *testing.T) {
	r := cleat(8)
	small := []Load{{"case", "", [3]float64{0, 0, 10}}}
	alone := Check(build(t, r), r, mount(), small, asd)
	if alone.Verdict != strength.Holds {
		t.Fatalf("by itself: %s", alone.Verdict)
	}
	r.Facet = &sheet.Facet{Of: "b", Name: "Tank tray"}
	if bent := Check(build(t, r), r, mount(), small, asd); bent.Verdict != strength.Holds {
		t.Errorf("bent and not welded: %s", bent.Verdict)
	}
	r.Facet.Seams = 3
	welded := Check(build(t, r), r, mount(), small, asd)
	if welded.Verdict != strength.CannotSay || welded.Hardest == nil || *welded.Hardest != *alone.Hardest ||
		welded.Checks[0].Key != "body-seams" || !strings.Contains(welded.Checks[0].Why, "Tank tray") {
		t.Errorf("welded: %s %+v", welded.Verdict, welded.Checks[0])
	}
	if heavy := Check(build(t, r), r, mount(), []Load{{"case", "", [3]float64{0, 0, 1e6}}}, asd); heavy.Verdict != strength.Over {
		t.Errorf("far too heavy: %s", heavy.Verdict)
	}
}

// Every suggestion was built and checked: taking it gives the utilisation it
// promises.
func TestSuggestionsKeepTheirWord(t *testing.T) {
	r, m := cleat(8), mount()
	loads := []Load{{"case", "", [3]float64{0, 0, 5000}}, {"case", "", [3]float64{2000, 1500, 0}}}
	list := Suggest(r, m, loads, asd, metric)
	if len(list) == 0 {
		t.Fatal("nothing is proposed for a bracket that is over")
	}
	now := Check(build(t, r), r, m, loads, asd)
	for _, s := range list {
		next, err := sheet.ApplyEdits(r, s.Edits)
		if err != nil {
			t.Fatal(err)
		}
		res := Check(build(t, next), next, s.Mount, loads, asd)
		near(t, s.Label, *res.Hardest, *s.Utilisation, 1e-12)
		near(t, s.Label+", mass", build(t, next).Mass-build(t, r).Mass, s.MassChange, 1e-12)
		if *s.Utilisation >= *now.Hardest {
			t.Errorf("%s does not help", s.Label)
		}
	}
	// An over-strong bracket is told what it can spare, and it still holds.
	light := []Load{{"case", "", [3]float64{0, 0, 200}}}
	spare := Suggest(r, m, light, asd, metric)
	if len(spare) == 0 {
		t.Fatal("nothing is proposed for an over-strong bracket")
	}
	for _, s := range spare {
		if s.Verdict != strength.Holds {
			t.Errorf("%s: %s", s.Label, s.Verdict)
		}
	}
}

// A bolt group's strength does not depend on how a panel lies on the flat.
func TestFlatWay(t *testing.T) {
	r := cleat(8)
	p := build(t, r)
	m := mount()
	m.Fasten, m.Carry = m.Carry, m.Fasten
	laid, err := lay(&p, m)
	if err != nil {
		t.Fatal(err)
	}
	way := laid.flatWay(profile.Point{X: 1})
	near(t, "length kept", way.Len(), 1, 1e-12)
	a, b := p.Holes[4], p.Holes[5]
	d := laid.in(b.Body).Sub(laid.in(a.Body))
	flat := laid.flatWay(d)
	near(t, "x on the flat", flat.X, b.Centre.X-a.Centre.X, 1e-9)
	near(t, "y on the flat", flat.Y, b.Centre.Y-a.Centre.Y, 1e-9)
}
