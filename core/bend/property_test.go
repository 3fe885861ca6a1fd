package bend

import (
	"math"
	"math/rand"
	"testing"

	"warmanvil/core/stock"
)

// point is a place on the mid-line while a profile is drawn bend by bend.
type turtle struct{ x, y, heading float64 }

func (t *turtle) straight(l float64) {
	t.x += l * math.Cos(t.heading)
	t.y += l * math.Sin(t.heading)
}

// turn goes round an arc of the mid-line, left for positive degrees.
func (t *turtle) turn(radius, degrees float64) {
	a := degrees * math.Pi / 180
	side := math.Copysign(1, degrees)
	cx, cy := t.x-side*radius*math.Sin(t.heading), t.y+side*radius*math.Cos(t.heading)
	t.heading += a
	t.x, t.y = cx+side*radius*math.Sin(t.heading), cy-side*radius*math.Cos(t.heading)
}

// A jog drawn with its own slope ends where it says: shifted by its depth,
// after its run, heading as it began.
func TestJogDrawn(t *testing.T) {
	rnd := rand.New(rand.NewSource(5))
	for range 500 {
		in := JogInput{InsideRadius: 5 * rnd.Float64(), Thickness: .5 + 4*rnd.Float64(), Angle: 10 + 100*rnd.Float64(),
			KFactor: .3 + .2*rnd.Float64()}
		mid := in.InsideRadius + in.Thickness/2
		in.Depth = 2*mid*(1-math.Cos(in.Angle*math.Pi/180)) + 20*rnd.Float64()
		r, err := Jog(in)
		if err != nil {
			t.Fatal(err)
		}
		var p turtle
		p.turn(mid, in.Angle)
		p.straight(r.Slope)
		p.turn(mid, -in.Angle)
		near(t, "depth", p.y, in.Depth)
		near(t, "run", p.x, r.Run)
		near(t, "heading", p.heading, 0)
		near(t, "flat", r.Flat, r.Slope+2*Allowance(in.InsideRadius, in.Thickness, in.KFactor, in.Angle))
		near(t, "growth", r.Growth, r.Flat-r.Run)
	}
}

// A strip bent with a known K gives that K back, at any angle.
func TestCouponGivesKBack(t *testing.T) {
	rnd := rand.New(rand.NewSource(6))
	for range 500 {
		k, r, th, a := .1+.8*rnd.Float64(), 8*rnd.Float64(), .5+5*rnd.Float64(), 10+150*rnd.Float64()
		bd := 2*OutsideSetback(r, th, a) - Allowance(r, th, k, a)
		legs := 200 + OutsideSetback(r, th, a)
		c, err := FromCoupon(Coupon{r, th, a, 2*legs - bd, legs, legs, 0})
		if err != nil {
			t.Fatal(err)
		}
		near(t, "K", c.KFactor, k)
		near(t, "BD", c.BendDeduction, bd)
	}
}

// A tray is two profiles crossed, a hem is a profile of one fold, and the
// deduction is what two legs lose.
func TestFormulasAgree(t *testing.T) {
	rnd := rand.New(rand.NewSource(7))
	for range 300 {
		r, th, k := 4*rnd.Float64(), .5+3*rnd.Float64(), .3+.2*rnd.Float64()
		l, w, h := 60+200*rnd.Float64(), 60+200*rnd.Float64(), 20+50*rnd.Float64()
		tray, err := Tray(TrayInput{l, w, h, r, th, k})
		if err != nil {
			t.Fatal(err)
		}
		bend := SectionBend{r, 90, true}
		for side, blank := range map[float64]float64{l: tray.BlankX, w: tray.BlankY} {
			s, err := Section(SectionInput{th, k, []float64{h, side, h}, []SectionBend{bend, bend}})
			if err != nil {
				t.Fatal(err)
			}
			near(t, "tray as profile", blank, s.Flat)
		}
		hem, err := Hem(HemInput{r, th, k, l, h})
		if err != nil {
			t.Fatal(err)
		}
		fold, err := Section(SectionInput{th, k, []float64{l, h}, []SectionBend{{r, 180, true}}})
		if err != nil {
			t.Fatal(err)
		}
		near(t, "hem as profile", hem.Flat, fold.Flat)
		a := 5 + 160*rnd.Float64()
		b, err := Work(Input{r, th, k, a})
		if err != nil {
			t.Fatal(err)
		}
		long := 3 * OutsideSetback(r, th, a)
		two, err := Section(SectionInput{th, k, []float64{long, long}, []SectionBend{{r, a, true}}})
		if err != nil {
			t.Fatal(err)
		}
		near(t, "deduction", 2*long-two.Flat, *b.BendDeduction)
		straights := 0.0
		for _, s := range two.Straights {
			straights += s
		}
		near(t, "straights and arc", two.Flat, straights+b.BendAllowance)
	}
}

// Softer, thicker and tighter springs back less.
func TestSpringbackRises(t *testing.T) {
	base := SpringbackInput{10, 3, 250, 200_000, 90}
	aim := func(change func(*SpringbackInput)) float64 {
		in := base
		change(&in)
		r, err := Springback(in)
		if err != nil {
			t.Fatal(err)
		}
		return r.AimAngle
	}
	start := aim(func(*SpringbackInput) {})
	for what, more := range map[string]float64{
		"stronger": aim(func(in *SpringbackInput) { in.Yield *= 2 }),
		"softer":   aim(func(in *SpringbackInput) { in.Modulus /= 2 }),
		"thinner":  aim(func(in *SpringbackInput) { in.Thickness /= 2 }),
		"wider":    aim(func(in *SpringbackInput) { in.InsideRadius *= 2 }),
	} {
		if more <= start {
			t.Errorf("%s: aim %v after %v", what, more, start)
		}
	}
	if start <= 90 {
		t.Errorf("nothing springs back: aim %v", start)
	}
}

// The chart: K never falls as the bend gets gentler, and stays within 0.3–0.5.
func TestChartRises(t *testing.T) {
	for _, m := range []Method{MethodAir, MethodBottomed, MethodHand, MethodRolled} {
		for _, temper := range []stock.Temper{stock.Soft, stock.Medium, stock.Hard} {
			last := 0.0
			for _, q := range []float64{0, .5, 1, 1.01, 2, 3, 3.01, 10} {
				k, err := TableK(m, temper, q*2, 2)
				if err != nil || k < last || k < .3 || k > .5 {
					t.Errorf("%s, %s, R/T %v: %v after %v (%v)", m, temper, q, k, last, err)
				}
				last = k
			}
		}
	}
	if _, err := TableK("knee", stock.Soft, 1, 1); err == nil {
		t.Error("an unknown method has a K")
	}
}

// Every function refuses each of its inputs out of range, at its path.
func TestRefusals(t *testing.T) {
	nan := math.NaN()
	check := func(path string, err error) { t.Helper(); refused(t, path, err, path) }
	for _, bad := range []float64{-1, 0, nan, 1e9} {
		_, err := Force(ForceInput{bad, 100, 20, 400})
		check("/thickness", err)
		_, err = Force(ForceInput{3, bad, 20, 400})
		check("/length", err)
		_, err = Force(ForceInput{3, 100, bad, 400})
		check("/dieOpening", err)
		_, err = Force(ForceInput{3, 100, 20, bad})
		check("/tensile", err)
		_, err = Springback(SpringbackInput{3, 3, bad, 2e5, 90})
		check("/yield", err)
		_, err = Springback(SpringbackInput{3, bad, 250, 2e5, 90})
		check("/thickness", err)
		_, err = Jog(JogInput{bad, 2, 2, 45, .4})
		check("/depth", err)
		_, err = Tray(TrayInput{bad, 200, 50, 2, 2, .4})
		check("/length", err)
		_, err = Tray(TrayInput{300, 200, 50, 2, bad, .4})
		check("/thickness", err)
		_, err = FromCoupon(Coupon{3, 3, 90, bad, 50, 50, 0})
		check("/flat", err)
		_, err = FromCoupon(Coupon{3, 3, 90, 100, bad, 50, 0})
		check("/legA", err)
		_, err = FromCoupon(Coupon{3, 3, 90, 100, 50, bad, 0})
		check("/legB", err)
		_, err = DIN6935(DINInput{3, bad, 90})
		check("/thickness", err)
	}
	_, err := Jog(JogInput{10, 2, 2, 180, .4})
	check("/angle", err)
	_, err = FromCoupon(Coupon{3, 3, 180, 100, 50, 50, 0})
	check("/angle", err)
	_, err = Hem(HemInput{2, 1, .5, 2.5, 20})
	check("/outside", err)
	_, err = Hem(HemInput{2, 1, .5, 20, 2.5})
	check("/return", err)
	_, err = Section(SectionInput{3, .4, nil, nil})
	check("/legs", err)
	_, err = Section(SectionInput{3, .4, []float64{50, nan}, []SectionBend{{3, 90, true}}})
	check("/legs/1", err)
	_, err = Section(SectionInput{3, .4, []float64{50, 50}, []SectionBend{{3, 0, true}}})
	check("/bends/0/angle", err)
	_, err = Section(SectionInput{3, .4, []float64{50, 50}, []SectionBend{{-1, 90, true}}})
	check("/bends/0/insideRadius", err)
}

func TestTools(t *testing.T) {
	for _, c := range []struct {
		tool           Tool
		r, th, a, want float64
	}{
		{Tool{ToolPan, 0}, 2, 2, 90, 8},                 // the usual nose of 6 and the thickness
		{Tool{ToolPan, 10}, 2, 2, 90, 12},               //
		{Tool{ToolVice, 0}, 2, 2, 90, 8},                // R + 3 T
		{Tool{ToolVDie, 16}, 2, 2, 90, 8 * math.Sqrt2},  // V/2 / cos 45°
		{Tool{ToolVDie, 16}, 2, 2, 120, 16},             // V/2 / cos 60°
		{Tool{ToolVDie, 0}, 2, 2, 90, 6 * math.Sqrt2},   // 6 T below 3 mm
		{Tool{ToolVDie, 0}, 2, 12, 90, 60 * math.Sqrt2}, // 10 T above 10 mm
	} {
		got, w := c.tool.SmallestFlange(c.r, c.th, c.a)
		near(t, string(c.tool.Kind), got, c.want)
		if w.Method == "" || w.Formula == "" || w.Result.Value != got {
			t.Errorf("%+v: working %+v", c.tool, w)
		}
	}
}

// The same strip under the fixed school's two ways.
func TestFixedKAndDeductionAgree(t *testing.T) {
	k := .4
	bd := 2*OutsideSetback(3, 3, 90) - Allowance(3, 3, k, 90)
	byK, errA := Rule{School: SchoolFixed, Method: MethodAir, K: &k}.Prepare(stock.Medium).Take(SchoolFixed, 3, 3, 90)
	byBD, errB := Rule{School: SchoolFixed, Method: MethodAir, Deduction: &bd}.Prepare(stock.Medium).Take(SchoolFixed, 3, 3, 90)
	if errA != nil || errB != nil {
		t.Fatal(errA, errB)
	}
	near(t, "allowance", byK.Allowance, byBD.Allowance)
	near(t, "K", byK.K, byBD.K)
	off, err := Rule{School: SchoolFixed, Method: MethodAir, Deduction: &bd}.Prepare(stock.Medium).Take(SchoolFixed, 3, 3, 60)
	if err == nil && (len(off.Findings) != 1 || off.Findings[0].Code != "deduction-off-90") {
		t.Errorf("a 90° deduction at 60°: %+v", off.Findings)
	}
}
