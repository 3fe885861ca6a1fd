package bend

import (
	"errors"
	"math"
	"testing"

	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// Hand-worked values are given to 1e-5 mm; the tolerance follows.
const tolerance = 2e-5

func near(t *testing.T, what string, got, want float64) {
	t.Helper()
	if math.Abs(got-want) > tolerance {
		t.Errorf("%s = %.6f, want %.6f", what, got, want)
	}
}

func refused(t *testing.T, what string, err error, path string) {
	t.Helper()
	var f *working.Fault
	if !errors.As(err, &f) || f.Path != path || f.Message == "" {
		t.Errorf("%s: got %v, want a fault at %s", what, err, path)
	}
}

// R = T = 3, K = 0.42, A = 90: BA = 1.570796·(3 + 1.26) = 6.69159,
// OSSB = 6·tan 45° = 6, BD = 12 − 6.69159.
func TestWork(t *testing.T) {
	r, err := Work(Input{3, 3, .42, 90})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "BA", r.BendAllowance, 6.69159)
	near(t, "OSSB", *r.OutsideSetback, 6)
	near(t, "BD", *r.BendDeduction, 5.30841)
	// 120°: OSSB = 6·tan 60° = 10.39230, tangent setback stays 6.
	r, _ = Work(Input{3, 3, .42, 120})
	near(t, "OSSB 120", *r.OutsideSetback, 10.39230)
	near(t, "tangent 120", r.TangentSetback, 6)
	near(t, "BD 120", *r.BendDeduction, 20.78461-8.92212)
	r, _ = Work(Input{3, 3, .42, 180})
	if r.OutsideSetback != nil || r.BendDeduction != nil || len(r.Findings) != 1 {
		t.Errorf("180°: %+v", r)
	}
	near(t, "tangent 180", r.TangentSetback, 6)
	for path, in := range map[string]Input{"/angle": {3, 3, .4, 181}, "/thickness": {3, 0, .4, 90}, "/kFactor": {3, 3, 1.1, 90},
		"/insideRadius": {-1, 3, .4, 90}} {
		_, err := Work(in)
		refused(t, path, err, path)
	}
	_, err = Work(Input{math.NaN(), 3, .4, 90})
	refused(t, "NaN", err, "/insideRadius")
}

func TestDIN6935(t *testing.T) {
	cases := []struct {
		r, t, a, k, v float64
	}{
		{3, 3, 90, .65, 6.24391 - 12},                                        // k = 0.65 at R/T = 1
		{15, 3, 90, .65 + .5*math.Log10(5), 1.570796*(15+.999485*1.5) - 36},  // R/T = 5 takes the log
		{18, 3, 90, 1, 1.570796*(18+1.5) - 42},                               // above 5: k = 1
		{3, 3, 45, .65, .785398*3.975 - 12*math.Tan(22.5*math.Pi/180)},       // opening 135°
		{3, 3, 120, .65, 2.094395*3.975 - 12},                                // opening 60°
		{3, 3, 15, .65, 15*math.Pi/180*3.975 - 12*math.Tan(7.5*math.Pi/180)}, // opening 165° still counts
		{3, 3, 14, .65, 0}, // opening 166°
	}
	for _, c := range cases {
		d, err := DIN6935(DINInput{c.r, c.t, c.a})
		if err != nil {
			t.Fatal(err)
		}
		near(t, "k", d.K, c.k)
		near(t, "K", d.KFactor, c.k/2)
		near(t, "v", d.V, c.v)
	}
	_, err := DIN6935(DINInput{0, 3, 90})
	refused(t, "R = 0", err, "/insideRadius")
	_, err = DIN6935(DINInput{.1, 3, 90})
	refused(t, "R/T too small", err, "/insideRadius")
}

// The strip of a part made with K = 0.42 must give 0.42 back.
func TestCouponRoundTrip(t *testing.T) {
	for _, a := range []float64{30, 90, 135} {
		ossb := OutsideSetback(3, 3, a)
		flat := 50 + 60 - (2*ossb - Allowance(3, 3, .42, a))
		c, err := FromCoupon(Coupon{3, 3, a, flat, 50, 60, 0})
		if err != nil {
			t.Fatal(err)
		}
		near(t, "K", c.KFactor, .42)
	}
	// flat 100, legs 52.65 each at 90°, R = T = 3: BD 5.3, BA 6.7, K = (4.265352−3)/3.
	c, err := FromCoupon(Coupon{3, 3, 90, 100, 52.65, 52.65, 0})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "BD", c.BendDeduction, 5.3)
	near(t, "BA", c.BendAllowance, 6.7)
	near(t, "K", c.KFactor, .421784)
	_, err = FromCoupon(Coupon{3, 3, 90, 100, 70, 70, 0})
	refused(t, "K under 0", err, "/flat")
}

func TestAverageCoupons(t *testing.T) {
	strip := func(k float64) Coupon {
		return Coupon{3, 3, 90, 110 - (12 - Allowance(3, 3, k, 90)), 50, 60, 0}
	}
	s, err := AverageCoupons([]Coupon{strip(.40), strip(.42), strip(.44)})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "mean", s.KFactor, .42)
	near(t, "spread", s.Spread, .02)
	s, _ = AverageCoupons([]Coupon{strip(.40), strip(.41), strip(.42), strip(.41), strip(.53)})
	if len(s.Findings) != 1 || s.Findings[0].Code != "coupon-outlier" {
		t.Errorf("outlier not named: %+v", s.Findings)
	}
	if s, _ = AverageCoupons([]Coupon{strip(.60)}); len(s.Findings) != 1 || s.Findings[0].Code != "coupon-k-unusual" {
		t.Errorf("K 0.60 not named: %+v", s.Findings)
	}
	_, err = AverageCoupons([]Coupon{strip(.4), {3, 0, 90, 100, 50, 50, 0}})
	refused(t, "second strip", err, "/coupons/1/thickness")
}

func TestSchools(t *testing.T) {
	k, bd := .42, 5.0
	rule := Rule{School: SchoolFixed, Method: MethodAir, K: &k, Coupons: []Coupon{{3, 3, 90, 100, 52.65, 52.65, 0}}}
	p := rule.Prepare(stock.Medium)
	want := map[School]float64{SchoolCoupon: .421784, SchoolTable: .38, SchoolStandard: .325, SchoolFixed: .42}
	for school, k := range want {
		got, err := p.Take(school, 3, 3, 90)
		if err != nil {
			t.Fatal(school, err)
		}
		near(t, string(school)+" K", got.K, k)
		near(t, string(school)+" BA", got.Allowance, math.Pi/2*(3+k*3))
		near(t, string(school)+" BD", got.Deduction, 12-got.Allowance)
		if got.Working.Source == "" || got.Working.Result.Value != got.Allowance {
			t.Errorf("%s: no working: %+v", school, got.Working)
		}
	}
	rule.Deduction = &bd
	got, err := rule.Prepare(stock.Medium).Take(SchoolFixed, 3, 3, 90)
	if err != nil {
		t.Fatal(err)
	}
	near(t, "fixed deduction", got.Deduction, 5)
	// Under 15° the standard takes nothing off: the flat is the sum of the legs.
	got, _ = p.Take(SchoolStandard, 3, 3, 10)
	near(t, "DIN 10° BD", got.Deduction, 0)
	_, err = Rule{Method: MethodAir}.Prepare(stock.Medium).Take(SchoolCoupon, 3, 3, 90)
	refused(t, "no coupons", err, "/coupons")
	_, err = Rule{Method: MethodAir}.Prepare(stock.Medium).Take(SchoolFixed, 3, 3, 90)
	refused(t, "nothing fixed", err, "/bend/k")
	bd = 40
	_, err = rule.Prepare(stock.Medium).Take(SchoolFixed, 3, 3, 90)
	refused(t, "absurd deduction", err, "/bend/deduction")
	thick, err := rule.Prepare(stock.Medium).Take(SchoolCoupon, 3, 4, 90)
	if err != nil || len(thick.Findings) == 0 || thick.Findings[0].Code != "coupon-thickness" {
		t.Errorf("coupon of another thickness: %+v, %v", thick.Findings, err)
	}
}

// x = 5·250/(200000·2) = 0.003125; ratio = 4x³ − 3x + 1 = 0.990625122;
// Rf = 5.047318; aim = 90·6.047318/6 = 90.70977.
func TestSpringback(t *testing.T) {
	r, err := Springback(SpringbackInput{5, 2, 250, 200_000, 90})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "ratio", r.Ratio, .990625122)
	near(t, "Rf", r.ReleasedRadius, 5.047318)
	near(t, "aim", r.AimAngle, 90.70977)
	_, err = Springback(SpringbackInput{1000, 1, 250, 200_000, 90})
	refused(t, "no set", err, "/insideRadius")
}

func TestForce(t *testing.T) {
	r, err := Force(ForceInput{3, 1000, 24, 450})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "F", r.Newtons, 1.42*450*9*1000/24)
	if len(r.Findings) != 1 {
		t.Errorf("findings at V = 8T: %+v", r.Findings)
	}
	if r, _ = Force(ForceInput{3, 1000, 60, 450}); len(r.Findings) != 2 {
		t.Errorf("V = 20T is not named: %+v", r.Findings)
	}
}

func TestSmallestFlange(t *testing.T) {
	least, _ := Tool{Kind: ToolVDie, Opening: 24}.SmallestFlange(3, 3, 90)
	near(t, "V 24 at 90°", least, 16.970563) // 12/cos 45°
	sharp, _ := Tool{Kind: ToolVDie, Opening: 24}.SmallestFlange(3, 3, 135)
	if sharp <= least {
		t.Errorf("a sharper bend needs a longer flange: %v after %v", sharp, least)
	}
	least, w := Tool{Kind: ToolVDie}.SmallestFlange(3, 3, 90)
	near(t, "usual die", least, 16.970563)
	if len(w.Assumptions) != 1 {
		t.Error("the assumed die is not said")
	}
}

// Legs 50, 100, 50 over two 90° bends R = T = 3, K = 0.42: straights 44, 88, 44.
func TestSection(t *testing.T) {
	r, err := Section(SectionInput{3, .42, []float64{50, 100, 50}, []SectionBend{{3, 90, true}, {3, 90, false}}})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "flat", r.Flat, 176+2*6.69159)
	near(t, "line 1", r.BendLines[0], 47.345795)
	near(t, "line 2", r.BendLines[1], 142.037385)
	_, err = Section(SectionInput{3, .42, []float64{50, 10, 50}, []SectionBend{{3, 90, true}, {3, 90, true}}})
	refused(t, "short leg", err, "/legs/1")
	_, err = Section(SectionInput{3, .42, []float64{50, 50}, nil})
	refused(t, "bends missing", err, "/bends")
	// 180° takes R + T off each leg.
	r, err = Section(SectionInput{1, .5, []float64{50, 10}, []SectionBend{{0, 180, true}}})
	if err != nil {
		t.Fatal(err)
	}
	hem, _ := Hem(HemInput{0, 1, .5, 50, 10})
	near(t, "hem as section", r.Flat, hem.Flat)
	near(t, "hem", hem.Flat, 59.570796)
}

// depth 10, R = T = 2, A = 45°, K = 0.4: worked by hand to the figures below.
func TestJog(t *testing.T) {
	r, err := Jog(JogInput{10, 2, 2, 45, .4})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "slope", r.Slope, 11.656854)
	near(t, "run", r.Run, 12.485281)
	near(t, "flat", r.Flat, 16.055084)
	near(t, "growth", r.Growth, 3.569803)
	_, err = Jog(JogInput{1, 2, 2, 45, .4})
	refused(t, "too shallow", err, "/depth")
}

func TestTray(t *testing.T) {
	r, err := Tray(TrayInput{300, 200, 50, 2, 2, .4})
	if err != nil {
		t.Fatal(err)
	}
	near(t, "X", r.BlankX, 392.79646)
	near(t, "Y", r.BlankY, 292.79646)
	_, err = Tray(TrayInput{300, 200, 3, 2, 2, .4})
	refused(t, "height under the bend", err, "/height")
}
