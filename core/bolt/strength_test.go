package bolt

import (
	"math"
	"testing"

	"warmanvil/core/stock"
	"warmanvil/core/strength"
)

// Stress areas and proof loads as ISO 898-1 Tables 4 and 5 and SAE J429 print
// them (mm², kN; in² and lbf turned into SI), to their last figure.
func TestFastenerAgainstTables(t *testing.T) {
	const in2, lbf = 645.16, 4.4482216
	for _, c := range []struct {
		in               FastenerInput
		area, proof, tol float64
	}{
		{FastenerInput{stock.Metric, "M8", 1.25, "8.8"}, 36.6, 21200, .005},
		{FastenerInput{stock.Metric, "M10", 1.5, "10.9"}, 58, 48100, .005},
		{FastenerInput{stock.Metric, "M12", 1.75, "8.8"}, 84.3, 48900, .005},
		{FastenerInput{stock.Metric, "M16", 2, "12.9"}, 157, 152000, .005},
		{FastenerInput{stock.Metric, "M20", 2.5, "8.8"}, 245, 147000, .005},
		{FastenerInput{stock.Inch, "3/8", 16, "SAE 5"}, .0775 * in2, 6600 * lbf, .005},
		{FastenerInput{stock.Inch, "1/2", 13, "SAE 8"}, .1419 * in2, 17050 * lbf, .005},
		{FastenerInput{stock.Inch, "7/8", 9, "SAE 2"}, .462 * in2, 15200 * lbf, .005},
	} {
		r, err := Fastener(c.in)
		if err != nil {
			t.Errorf("%+v: %v", c.in, err)
			continue
		}
		near(t, c.in.Size+" area", r.StressArea, c.area, c.tol*c.area)
		near(t, c.in.Size+" proof load", r.ProofLoad, c.proof, c.tol*c.proof)
	}
}

func TestFastenerRefused(t *testing.T) {
	for _, c := range []struct {
		in   FastenerInput
		path string
	}{
		{FastenerInput{"whitworth", "M8", 1.25, "8.8"}, "/system"},
		{FastenerInput{stock.Metric, "M7", 1, "8.8"}, "/size"},
		{FastenerInput{stock.Metric, "M8", 2, "8.8"}, "/pitch"},
		{FastenerInput{stock.Metric, "M8", 1.25, "SAE 5"}, "/grade"},
		{FastenerInput{stock.Metric, "M8", 1.25, "9.9"}, "/grade"},
		{FastenerInput{stock.Inch, "#10", 24, "SAE 5"}, "/grade"}, // J429 starts at 1/4
	} {
		_, err := Fastener(c.in)
		refused(t, c.in.Size, c.path, err)
	}
}

// M10 8.8 at 0.75 of proof, K = 0.2: F = 0.75·580·57.99 = 25 226 N,
// T = 0.2·10·F = 50.45 N·m.
func TestTorque(t *testing.T) {
	r, err := Torque(TorqueInput{stock.Metric, "M10", 1.5, "8.8", .2, .75})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "preload", r.Preload, 25226, 5)
	near(t, "torque", r.Torque, 50452, 10)
	if r.Most <= r.Preload || r.Least >= r.Preload || len(r.Findings) == 0 {
		t.Errorf("scatter %g to %g, findings %v", r.Least, r.Most, r.Findings)
	}
	_, err = Torque(TorqueInput{stock.Metric, "M10", 1.5, "8.8", 2, .75})
	refused(t, "K", "/nutFactor", err)
	_, err = Torque(TorqueInput{stock.Metric, "M10", 1.5, "8.8", .2, 1.2})
	refused(t, "share", "/share", err)
}

// Every row of the table is in order: coarse pitches larger, holes wider from
// close to loose, the tap drill smaller than the thread.
func TestThreadTable(t *testing.T) {
	for _, r := range stock.Threads {
		c := r.Clearance
		if !(r.TapDrill < r.Diameter && r.Diameter < c.Close && c.Close < c.Normal && c.Normal < c.Loose) {
			t.Errorf("%s: %+v", r.Name(), r)
		}
		minor := math.Sqrt(r.StressArea() * 4 / math.Pi)
		if minor >= r.Diameter || minor < .7*r.Diameter || r.AcrossHex < 1.3*r.Diameter {
			t.Errorf("%s: stress diameter %.2f, hexagon %.1f", r.Name(), minor, r.AcrossHex)
		}
	}
}

func m12(t *testing.T) Bolt {
	t.Helper()
	thread, err := stock.FindThread(stock.Metric, "M12", 1.75)
	if err != nil {
		t.Fatal(err)
	}
	grade, err := stock.FindGrade(thread, "8.8")
	if err != nil {
		t.Fatal(err)
	}
	return Bolt{thread, grade, true}
}

// M12 8.8, nominal area 113.1: 0.75·800·113.1 = 67.86 kN, but the stress area holds
// 800·84.27 = 67.41; 0.45·800·113.1 = 40.72 kN, but the root, 12 − 1.2269·1.75 =
// 9.853, holds 0.6·800·76.25 = 36.60; without threads 0.563: 50.94. Allowable halves
// them, factored takes 0.75. g-case: 580·84.27/1.5 = 32.58 kN, 0.577·580·84.27/1.5 = 18.80 kN.
func TestSchools(t *testing.T) {
	b := m12(t)
	for _, c := range []struct {
		rule           strength.Rule
		tension, shear float64
	}{
		{strength.Rule{School: strength.Allowable}, 33707, 18299},
		{strength.Rule{School: strength.Factored}, 50560, 27449},
		{strength.Rule{School: strength.GCase}, 32584, 18801},
		{strength.Rule{School: strength.GCase, Margin: 2}, 24438, 14101},
	} {
		ten, v := b.Capacity(c.rule)
		near(t, string(c.rule.School)+" tension", ten, c.tension, 2)
		near(t, string(c.rule.School)+" shear", v, c.shear, 2)
	}
	b.ThreadsInPlane = false
	_, v := b.Capacity(strength.Rule{School: strength.Allowable})
	near(t, "shank in the plane", v, .563/.45*20358, 2)
	asd := strength.Rule{School: strength.Allowable}
	ten, v := b.Capacity(asd)
	near(t, "tension alone", b.Combined(asd, ten, 0), 1, 1e-9)
	near(t, "shear alone", b.Combined(asd, 0, v), 1, 1e-9)
	near(t, "both at 0.65", b.Combined(asd, .65*ten, .65*v), 1, 1e-9)
	near(t, "ellipse", b.Combined(strength.Rule{School: strength.GCase}, 0, 0), 0, 0)
	for _, bad := range []strength.Rule{{School: "guess"}, {School: strength.GCase, Margin: 1.2}} {
		if bad.Check("/strength") == nil {
			t.Errorf("%+v was taken", bad)
		}
	}
}

// 6 mm S235 (360 MPa), M12: bearing 2.4·12·6·360/2 = 31 104; 20 clear:
// 1.2·20·6·360/2 = 25 920. 2 mm sheet: d/t = 6, C = 3, 0.75 without washers:
// 3·0.75·12·2·360/2.5 = 7776; pulled through 1.5·2·18·360/3 = 6480.
func TestPlate(t *testing.T) {
	asd := strength.Rule{School: strength.Allowable}
	p := Plate{Thickness: 6, Hole: 13, Clear: 20, Yield: 235, Tensile: 360}
	got, _ := p.Bearing(asd, 12, true)
	near(t, "bearing", got, 31104, 1e-6)
	got, _ = p.TearOut(asd)
	near(t, "tear-out", got, 25920, 1e-6)
	p.Thickness = 2
	got, _ = p.Bearing(asd, 12, false)
	near(t, "thin bearing", got, 7776, 1e-6)
	got, _ = p.TearOut(asd)
	near(t, "thin tear-out", got, 1.2*20*2*360/2.22, 1e-6)
	through := func(dw float64) float64 { c, _ := p.PullThrough(asd, dw); return c }
	near(t, "pull-through", through(18), 6480, 1e-6)
	near(t, "wide washer", through(50), 6840, 1e-6)
	got, _ = p.Bearing(strength.Rule{School: strength.GCase}, 12, false)
	near(t, "g-case", got, 1.5*12*2*235/1.5, 1e-6)
	p.Clear = -3
	if got, _ = p.TearOut(asd); got != 0 {
		t.Errorf("a hole over the edge tears at %g N", got)
	}
}

// Thick plate does not pry; thin plate does, never by more than the moment at
// the bolt line can push, and more the thinner it is until it is spent.
func TestPrying(t *testing.T) {
	asd := strength.Rule{School: strength.Allowable}
	p := Prying{A: 30, B: 35, Length: 60, Bolt: 12, Plate: Plate{Thickness: 25, Hole: 13, Yield: 235, Tensile: 360}}
	if q := p.Force(asd, 5000, 30000); q != 0 {
		t.Errorf("25 mm plate pries with %g N", q)
	}
	last := 0.0
	for _, thick := range []float64{12, 10, 8, 6, 4, 2} {
		p.Plate.Thickness = thick
		q := p.Force(asd, 5000, 30000)
		if q < last-1e-9 {
			t.Errorf("%g mm pries with %g N, less than thicker plate's %g", thick, q, last)
		}
		last = q
	}
	// Spent plate, α = 1: b' = 29, a' = 36, δ = 1 − 13/60.
	delta := 1 - 13.0/60
	near(t, "spent", last, 5000*delta*29/36/(1+delta), 1e-6)
}
